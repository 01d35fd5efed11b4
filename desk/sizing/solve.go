package sizing

import (
	"context"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
	"mala/core/solve"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// Aim is what a piece is brought to: its target, another length, or what suits its wearer.
type Aim struct {
	Document    format.Document `json:"document"`
	Row         string          `json:"row,omitempty" doc:"The id of the row; the leading one if absent."`
	Wearer      bool            `json:"wearer,omitempty" doc:"To what suits the body it is for; else to a length."`
	ToMm        length.MM       `json:"toMm,omitempty" minimum:"0" maximum:"100000" doc:"The length; its target if absent."`
	ToleranceMm *length.MM      `json:"toleranceMm,omitempty" doc:"How far off is still right; that of its target if absent."`
	InStock     bool            `json:"inStock,omitempty" doc:"Take no more of a bead than there is."`
}

// Of is the piece it is about.
func (w *Aim) Of() *format.Document { return &w.Document }

// Ways are the proposals for a piece, the most regular first.
type Ways struct {
	NowMm       length.MM `json:"nowMm"`
	WantMm      length.MM `json:"wantMm" doc:"The length, or the inside length, in the middle of what is right."`
	ToleranceMm length.MM `json:"toleranceMm"`
	Budget      *Budget   `json:"budget,omitempty" doc:"Of a length."`
	Items       []Way     `json:"items" doc:"None where nothing lies within the tolerance."`
	Nearest     *Way      `json:"nearest,omitempty" doc:"Where nothing does."`
	Why         string    `json:"why,omitempty" doc:"The reason that there is none, and which change of rule would allow one."`
}

// Budget is what a length is made up of.
type Budget struct {
	EndsMm  length.MM `json:"endsMm" doc:"What ends and clasp take."`
	SlackMm length.MM `json:"slackMm"`
	BeadsMm length.MM `json:"beadsMm" doc:"What is left for the beads."`
}

// Way is one proposal.
type Way struct {
	Changes    []string         `json:"changes" doc:"Each in a few words."`
	Operations []desk.Operation `json:"operations" doc:"None where nothing is strung again, as at another link of an extender."`
	Line       string           `json:"line"`
	FinishedMm length.MM        `json:"finishedMm"`
	InsideMm   *length.MM       `json:"insideMm,omitempty"`
	EaseMm     *length.MM       `json:"easeMm,omitempty"`
	EaseWord   string           `json:"easeWord,omitempty"`
	OffMm      length.MM        `json:"offMm" doc:"Of what is wanted."`
	Price      []BeadPrice      `json:"price" doc:"What comes or goes."`
	Short      []string         `json:"short,omitempty" doc:"What there is too little of in stock, with how much."`
}

// BeadPrice is how much of a material comes or goes.
type BeadPrice struct {
	Material string    `json:"material"`
	Name     string    `json:"name"`
	Key      string    `json:"key,omitempty" doc:"The letter of its dish."`
	Count    int       `json:"count,omitempty"`
	Mm       length.MM `json:"mm,omitempty" doc:"Of a cord."`
}

// Solve proposes how to bring a piece to an aim. It changes nothing. The error is
// format.Faults, or the context's if it ends first.
func Solve(ctx context.Context, in *Aim, opt desk.Options) (*Ways, error) {
	if !(in.ToMm >= 0 && in.ToMm <= length.Longest) {
		return nil, format.Faults{{Where: "toMm", Says: "Enter a target length of up to 100 m."}}
	}
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	s := m.Leading()
	if in.Wearer {
		s = m.Binding()
	}
	if in.Row != "" {
		if s = m.Strand(piece.ID(in.Row)); s == nil {
			return nil, format.Faults{{Where: "row", Says: "This piece has no row " + in.Row + "."}}
		}
	}
	goal, says := goalOf(in, m, s)
	if says != "" {
		return &Ways{Items: []Way{}, Why: says}, nil
	}
	rules := solve.Rules{Pins: m.Piece.Pins, Shelf: opt.Shelf.Beside(&in.Document), Stock: opt.StockIf(in.InStock)}
	found := solve.Solve(ctx, m, goal, rules)
	out := &Ways{NowMm: desk.Exact(found.Now), WantMm: desk.Exact(goal.Want), ToleranceMm: desk.Exact(goal.Tolerance), Items: []Way{}, Why: en.In(opt.Unit).Why(found.Why)}
	if !goal.Inside {
		b := solve.BudgetOf(m, s, goal.Want)
		out.Budget = &Budget{desk.Exact(b.Ends), desk.Exact(b.Slack), desk.Exact(b.Beads)}
	}
	for i := range found.Proposals {
		way := wayOf(m, s, in, &found.Proposals[i], opt)
		if s == m.Leading() {
			if err := way.followed(ctx, in, m, opt); err != nil {
				return nil, err
			}
		}
		out.Items = append(out.Items, way)
	}
	if found.Nearest != nil {
		near := wayOf(m, s, in, found.Nearest, opt)
		out.Nearest = &near
	}
	return out, ctx.Err()
}

// goalOf is what the aim comes to, or a sentence on what is missing.
func goalOf(in *Aim, m *measure.Measured, s *measure.Strand) (goal solve.Goal, says string) {
	goal = solve.Goal{Row: s.Row.ID, Tolerance: piece.StandardTolerance}
	if in.Wearer {
		fit := size.OfRow(m, s)
		switch {
		case m.Piece.Hangs():
			return goal, en.Says(words.NotWorn)
		case m.Piece.Body == nil || m.Piece.Body.Measure <= 0:
			return goal, en.Says(words.NoMeasure)
		case fit == nil:
			return goal, en.Says(words.NoInside)
		}
		none := fit.Inside - fit.Ease // the inside length without any ease
		least, most := fit.Band()
		goal.Inside, goal.Want, goal.Tolerance = true, none+fit.Middle, length.MM(fit.Tolerated())
		goal.Least, goal.Most = none+least, none+most
		return goal, ""
	}
	if t := m.Piece.TargetOf(s.Row); t != nil {
		goal.Want, goal.Tolerance = t.Finished, t.Tolerance
	}
	if in.ToMm > 0 {
		goal.Want = in.ToMm
	}
	if in.ToleranceMm != nil {
		goal.Tolerance = max(0, *in.ToleranceMm)
	}
	if goal.Want <= 0 {
		return goal, en.Says(words.NoTarget)
	}
	return goal, ""
}

func wayOf(m *measure.Measured, s *measure.Strand, in *Aim, p *solve.Proposal, opt desk.Options) Way {
	after := p.Measured.Strand(s.Row.ID)
	out := Way{Changes: en.In(opt.Unit).Changes(p.Changes), Operations: []desk.Operation{}, Line: p.Line, FinishedMm: desk.Exact(after.ForTarget(p.Measured.Piece) + p.Longer), OffMm: desk.Exact(p.Off), Price: priceOf(m, p.Measured), Short: shortOf(p.Measured, opt)}
	for _, op := range p.Ops {
		out.Operations = append(out.Operations, desk.OperationOf(op))
	}
	if p.Longer == 0 && (in.Wearer || in.ToMm > 0) {
		out.setTarget(m, after, p.Measured, in.ToMm, opt.Unit)
	}
	out.worn(p.Measured, p.Longer/length.MM(after.Times()))
	return out
}

// shortOf says what there is too little of in stock to make a piece.
func shortOf(m *measure.Measured, opt desk.Options) []string {
	return en.In(opt.Unit).Short(opt.Stock.Short(m))
}

// setTarget lets a target that is asked of the leading row move along, where the way takes it
// beyond its tolerance: to the length asked for, or to where a wearer takes it.
func (w *Way) setTarget(before *measure.Measured, after *measure.Strand, m *measure.Measured, to length.MM, unit length.Unit) {
	t := before.Piece.TargetOf(before.Leading().Row)
	if t == nil || after.Row.ID != before.Leading().Row.ID {
		return
	}
	is := after.ForTarget(m.Piece)
	if moved := m.Piece.Target; moved != nil && moved.Finished != before.Piece.Target.Finished {
		return // it fills up to a new one
	}
	if max(is-t.Finished, t.Finished-is) <= t.Tolerance {
		return
	}
	mm := desk.Exact(is)
	if to > 0 {
		mm = to
	}
	w.Operations = append(w.Operations, desk.Operation{Do: "set-target", Mm: &mm})
	w.Changes = append(slices.Clone(w.Changes), en.In(unit).TargetTo(mm))
}

// priceOf is what comes and goes of each material, beads first.
func priceOf(before, after *measure.Measured) []BeadPrice {
	had := map[string]measure.Count{}
	for _, c := range before.Tally {
		had[c.Material.ID] = c
	}
	letters := map[string]string{}
	for key, of := range after.Piece.Palette {
		letters[of.ID] = key
	}
	out := []BeadPrice{}
	add := func(of *material.Material, count int, mm length.MM) {
		if of.Class == material.ClassCord {
			if count = 0; max(mm, -mm) < 0.05 {
				return
			}
		} else if mm = 0; count == 0 {
			return
		}
		out = append(out, BeadPrice{of.ID, of.Name, letters[of.ID], count, desk.Exact(mm)})
	}
	for _, c := range after.Tally {
		was := had[c.Material.ID]
		delete(had, c.Material.ID)
		add(c.Material, c.Count-was.Count, c.Length-was.Length)
	}
	for _, c := range before.Tally {
		if _, left := had[c.Material.ID]; left {
			add(c.Material, -c.Count, -c.Length)
		}
	}
	return out
}
