package sizing

import (
	"context"

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

// InHand asks what a piece can become of the beads and the cord that there are.
type InHand struct {
	Document format.Document `json:"document"`
	Beads    map[string]int  `json:"beads" doc:"How many there are of each bead, by its letter. A letter that is absent is no limit."`
	CordMm   length.MM       `json:"cordMm,omitempty" minimum:"0" maximum:"100000" doc:"The piece of cord that is left; no limit if absent."`
}

// Of is the piece it is about.
func (w *InHand) Of() *format.Document { return &w.Document }

// MadeInHand is what it can become.
type MadeInHand struct {
	Longest []LongestWay `json:"longest" doc:"The pattern as long as it can be, by one count each, the longest first."`
	Sizes   []SizeFound  `json:"sizes" doc:"The standard sizes and named lengths of its kind, each with its best way or the reason that there is none."`
	Why     string       `json:"why,omitempty" doc:"The reason that nothing can be made."`
}

// LongestWay is the pattern at its longest.
type LongestWay struct {
	SizeWay
	Comes  []string    `json:"comes,omitempty" doc:"The stops and warnings that come with it."`
	Limit  string      `json:"limit,omitempty" doc:"What there is not enough of for one more, by its id."`
	Covers []string    `json:"covers" doc:"The standard sizes that it suits, and the name of its length."`
	Spare  []SizeCount `json:"spare" doc:"Beads that are left of those in hand."`
	CordMm length.MM   `json:"cordMm,omitempty" doc:"Cord that is left of the piece in hand."`
}

// MakeOf works out what a piece of one row can become of what is in hand, by its bead line alone.
// The error is format.Faults.
func MakeOf(ctx context.Context, in *InHand, opt desk.Options) (*MadeInHand, error) {
	if !(in.CordMm >= 0 && in.CordMm <= length.Longest) {
		return nil, format.Faults{{Where: "cordMm", Says: "A piece of cord is 0 to 100 m long."}}
	}
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	hand := solve.Hand{Beads: map[string]int{}, Cord: in.CordMm}
	for key, n := range in.Beads {
		of := m.Piece.Palette[key]
		if of == nil || n < 0 {
			return nil, format.Faults{{Where: "beads." + key, Says: "Give a count of 0 or more for a letter of this piece's dishes."}}
		}
		hand.Beads[of.ID] = n
	}
	out := &MadeInHand{Longest: []LongestWay{}, Sizes: []SizeFound{}}
	switch {
	case m.Piece.Several():
		out.Why = en.Says(words.OneRowOnly)
	case !hand.Limits():
		out.Why = en.Says(words.NothingInHand)
	}
	if out.Why != "" {
		return out, nil
	}
	counted, err := countedLine(in.Document, m, opt)
	if err != nil {
		return nil, err
	}
	for _, way := range solve.LongestOf(ctx, counted, counted.Leading().Row.ID, hand, m.Piece.Pins) {
		out.Longest = append(out.Longest, longestWay(counted, &way, &hand, opt))
	}
	for _, ask := range usualSizes(m.Piece) {
		ask.hand = &hand
		found, err := OneSize(ctx, &in.Document, ask, opt)
		if err != nil {
			return nil, err
		}
		out.Sizes = append(out.Sizes, *found)
	}
	if len(out.Longest) == 0 {
		out.Why = en.Says(words.NotEnough)
	}
	return out, nil
}

// countedLine is the piece with an open fill written as a count, so that the count can change.
func countedLine(doc format.Document, m *measure.Measured, opt desk.Options) (*measure.Measured, error) {
	s := m.Leading()
	if s.Row.Line == nil || s.Row.Line.OpenFill() == nil {
		return m, nil
	}
	doc.Sections = desk.CloneSections(doc.Sections)
	if err := desk.SetLine(&doc, &desk.Operation{Text: s.Row.Line.Counted(s.Fills).String()}); err != nil {
		return nil, err
	}
	return desk.Measured(&doc, opt.House)
}

// usualSizes are the standard sizes of the part of the body that the piece is worn on, and the
// named lengths of its kind.
func usualSizes(p *piece.Piece) []SizeAsk {
	part := partOf(p)
	var out []SizeAsk
	for _, s := range p.House.Sizes {
		if s.Part == part {
			out = append(out, SizeAsk{SizeWanted: SizeWanted{Name: s.Name, MeasureMm: s.Measure}})
		}
	}
	for _, l := range p.House.Lengths {
		if l.Kind != p.Kind || p.Kind != piece.Necklace {
			continue
		}
		to := l.To
		if to == 0 {
			to = l.From + 2*piece.StandardTolerance // no upper limit: the shortest that has the name
		}
		half := (to - l.From) / 2
		out = append(out, SizeAsk{SizeWanted: SizeWanted{Name: l.Name, FinishedMm: l.From + half}, Tolerance: &half})
	}
	return out
}

func longestWay(before *measure.Measured, way *solve.Longest, hand *solve.Hand, opt desk.Options) LongestWay {
	s := way.Measured.Leading()
	out := LongestWay{SizeWay: sizeWay(before, before.Leading(), &Aim{}, &way.Proposal, opt), Limit: way.Limit, Covers: []string{}, Spare: []SizeCount{}}
	for _, f := range way.Comes {
		_, says := en.In(opt.Unit).Problem(&f)
		out.Comes = append(out.Comes, says)
	}
	if inside, ok := s.Inside(); ok {
		out.Covers = append(out.Covers, size.Covers(way.Measured.Piece, inside)...)
	}
	if name := size.LengthName(way.Measured.Piece, way.Measured.Finished); name != "" && way.Measured.Piece.Kind == piece.Necklace {
		out.Covers = append(out.Covers, name)
	}
	for _, c := range way.Measured.Tally {
		if have, asked := hand.Beads[c.Material.ID]; asked && have > c.Count {
			out.Spare = append(out.Spare, SizeCount{c.Material.ID, have - c.Count})
		}
	}
	if hand.Cord > 0 {
		out.CordMm = desk.Exact(hand.Cord - s.CutLength())
	}
	return out
}
