package sizing

import (
	"context"
	"math"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
	"mala/core/solve"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// MostStacked is how many pieces are worn together at most.
const MostStacked = 9

// StackWanted asks for pieces that are worn together to be brought to one length.
type StackWanted struct {
	Document    format.Document `json:"document" doc:"The piece in hand."`
	ID          string          `json:"id" doc:"Its id."`
	Strung      bool            `json:"strung,omitempty" doc:"To one strung length; else to one inside length."`
	ToMm        length.MM       `json:"toMm,omitempty" minimum:"0" maximum:"100000" doc:"The length; that of the piece in hand if absent."`
	ToleranceMm *length.MM      `json:"toleranceMm,omitempty" doc:"How far off is still alike; 3 mm if absent."`
	InStock     bool            `json:"inStock,omitempty" doc:"Take no more of a bead than there is."`
}

// Of is the piece it is about.
func (w *StackWanted) Of() *format.Document { return &w.Document }

// Stacked is one of the pieces that are worn together, as it is saved.
type Stacked struct {
	ID       string
	Revision int64
	Document format.Document
}

// Stack is what the pieces of a stack are brought to, and how.
type Stack struct {
	WantMm      length.MM    `json:"wantMm"`
	ToleranceMm length.MM    `json:"toleranceMm"`
	Members     []StackPiece `json:"members" doc:"The piece in hand first."`
	Says        string       `json:"says,omitempty" doc:"How far they differ otherwise, once they are brought together."`
	Why         string       `json:"why,omitempty" doc:"The reason that there is nothing to bring them to, or that some are left out."`
}

// StackPiece is one piece of a stack with its figures and its proposals.
type StackPiece struct {
	ID         string          `json:"id"`
	Revision   int64           `json:"revision" doc:"That a save states; 0 of the piece in hand."`
	Document   format.Document `json:"document"`
	FinishedMm length.MM       `json:"finishedMm"`
	StrungMm   length.MM       `json:"strungMm"`
	InsideMm   *length.MM      `json:"insideMm,omitempty"`
	EaseMm     *length.MM      `json:"easeMm,omitempty"`
	EaseWord   string          `json:"easeWord,omitempty"`
	OffMm      length.MM       `json:"offMm" doc:"Of what they are brought to."`
	Alike      bool            `json:"alike" doc:"It lies within the tolerance as it is."`
	Items      []SizeWay       `json:"items" doc:"None where it is alike, or nothing is."`
	Why        string          `json:"why,omitempty"`
}

// BringTogether works out how each piece of a stack is brought to one inside length, or to one
// strung length, by its bead line alone. The error is format.Faults.
func BringTogether(ctx context.Context, in *StackWanted, others []Stacked, opt desk.Options) (*Stack, error) {
	out := &Stack{ToleranceMm: piece.StandardTolerance, Members: []StackPiece{}}
	if in.ToleranceMm != nil {
		out.ToleranceMm = max(0, *in.ToleranceMm)
	}
	if !(in.ToMm >= 0 && in.ToMm <= length.Longest && out.ToleranceMm <= length.Longest) {
		return nil, format.Faults{{Where: "toMm", Says: "Bring them to a length of 0 to 100 m."}}
	}
	if len(others) >= MostStacked {
		others = others[:MostStacked-1]
		out.Why = en.TooManyStacked(MostStacked, in.Document.Stack)
	}
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	goal := solve.Goal{Inside: !in.Strung, Strung: in.Strung, Want: in.ToMm, Tolerance: out.ToleranceMm}
	if goal.Want == 0 {
		own, ok := stackValue(m, in.Strung)
		if !ok {
			out.Why = en.Says(words.NoStackInside)
			return out, nil
		}
		goal.Want = own
	}
	out.WantMm = desk.Exact(goal.Want)
	for _, one := range append([]Stacked{{ID: in.ID, Document: in.Document}}, others...) {
		out.Members = append(out.Members, stackPiece(ctx, one, goal, in.InStock, opt))
	}
	out.Says = out.differ(in.Strung, opt.Unit)
	return out, nil
}

// stackValue is the length of a piece that is compared; false where it has none.
func stackValue(m *measure.Measured, strung bool) (length.MM, bool) {
	if strung {
		return m.Leading().Strung, true
	}
	if m.Piece.Hangs() {
		return 0, false
	}
	return m.Inside()
}

// stackPiece is one of them; what has no length says why.
func stackPiece(ctx context.Context, one Stacked, goal solve.Goal, inStock bool, opt desk.Options) StackPiece {
	out := StackPiece{ID: one.ID, Revision: one.Revision, Document: one.Document, Items: []SizeWay{}}
	aim := Aim{Document: one.Document}
	aim.Document.Sizes = nil
	m, err := desk.Measured(&aim.Document, opt.House)
	if err == nil {
		m, err = countedLine(aim.Document, m, opt)
	}
	if err != nil {
		out.Why = en.Says(words.HasError)
		return out
	}
	s := m.Leading()
	out.FinishedMm, out.StrungMm = desk.Exact(m.Finished), desk.Exact(s.Strung)
	if inside, ok := stackValue(m, false); ok {
		mm := desk.Exact(inside)
		out.InsideMm = &mm
	}
	if fit := size.Of(m); fit != nil {
		ease := desk.Exact(fit.Ease)
		out.EaseMm, out.EaseWord = &ease, fit.Word
	}
	now, ok := stackValue(m, goal.Strung)
	switch {
	case !ok:
		out.Why = en.Says(words.NoInside)
		return out
	case max(now-goal.Want, goal.Want-now) <= goal.Tolerance:
		out.OffMm, out.Alike = desk.Exact(now-goal.Want), true
		return out
	}
	out.OffMm = desk.Exact(now - goal.Want)
	if m.Piece.Several() {
		out.Why = en.Says(words.SeveralRows)
		return out
	}
	goal.Row = s.Row.ID
	rules := solve.Rules{Pins: m.Piece.Pins, LineOnly: true, AnyWearer: true, Most: mostWays, Stock: opt.StockIf(inStock)}
	found := solve.Solve(ctx, m, goal, rules)
	if found.Nearest != nil && max(found.Nearest.Off, -found.Nearest.Off) < max(now-goal.Want, goal.Want-now) {
		found.Proposals = []solve.Proposal{*found.Nearest}
	}
	out.Why = en.In(opt.Unit).Why(found.Why)
	for i := range found.Proposals {
		way := sizeWay(m, s, &aim, &found.Proposals[i], opt)
		way.setTarget(m, found.Proposals[i].Measured.Leading(), found.Proposals[i].Measured, 0, opt.Unit)
		out.Items = append(out.Items, way)
	}
	return out
}

// differ says how far the pieces differ in the length that is not asked for, each as it is or by
// its first proposal.
func (st *Stack) differ(strung bool, unit length.Unit) string {
	least, most := math.Inf(1), math.Inf(-1)
	for i := range st.Members {
		one := &st.Members[i]
		value, inside := one.StrungMm, one.InsideMm
		if len(one.Items) > 0 {
			value, inside = one.Items[0].StrungMm, one.Items[0].InsideMm
		}
		if strung {
			if inside == nil {
				continue
			}
			value = *inside
		}
		least, most = min(least, float64(value)), max(most, float64(value))
	}
	by := length.MM(most - least)
	if !(by > st.ToleranceMm) {
		return ""
	}
	return en.In(unit).StackDiffers(by, strung)
}
