package solve

import (
	"mala/core/check"
	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
)

// fillsUp says whether the row fills up to the target of the piece, which can be moved.
func (t *task) fillsUp() bool {
	line := t.strand.Row.Line
	return line != nil && line.OpenFill() != nil && t.strand == t.measured.Leading() && !t.goal.Strung && !t.pinned(line.OpenFill())
}

// The targets that are tried for a fill, which stops at a whole bead: how far from the length, and how
// far apart, in mm.
const (
	mostAside  = length.MM(8)
	asideSteps = length.MM(0.5)
)

// fill is the answer for a row that fills up.
func (t *task) fill(out *Answer) {
	if t.within(t.now) {
		out.Why = FillsItself{}
	} else if p := t.filled(); p != nil {
		out.Proposals = []Proposal{*p}
	} else {
		out.Why = NothingWithin{Tolerance: t.goal.Tolerance, Comes: t.refused.comes}
	}
	out.Tried = int(t.tried.Load())
}

// filled lets an open fill follow a new target: the nearest to the length that brings it there. Nil
// where none does, or the target is that already.
func (t *task) filled() *Proposal {
	want := t.goal.Want
	if t.goal.Inside {
		want = t.strand.ForTarget(t.measured.Piece) + t.wanted()*length.MM(t.strand.Times())
	}
	t.before = check.All(t.measured)
	for aside := length.MM(0); aside <= mostAside; aside += asideSteps {
		for _, to := range []length.MM{want + aside, want - aside} {
			if to = tidy(to); to <= 0 || t.measured.Piece.Target != nil && to == t.measured.Piece.Target.Finished || t.ctx.Err() != nil {
				continue
			}
			if p := t.filledTo(to); p != nil {
				return p
			}
		}
	}
	return nil
}

// tidy rounds a target to what a shop writes down.
func tidy(mm length.MM) length.MM { return length.MM(int64(mm/asideSteps+0.5)) * asideSteps }

func (t *task) filledTo(to length.MM) *Proposal {
	t.tried.Add(1)
	op := edit.SetTarget{Length: &to}
	m, err := edit.Try(t.measured.Piece, t.rules.Shelf, op)
	if err != nil {
		return nil
	}
	s := m.Strand(t.strand.Row.ID)
	value, ok := t.value(m.Piece, s)
	if !ok || !t.within(value) || t.short(m) || t.worsens(m, cost{}, float64(value-t.goal.Want)) {
		return nil
	}
	return &Proposal{Changes: []Change{FillTo{to}}, Ops: []edit.Op{op}, Measured: m, Value: value, Off: value - t.goal.Want, Moved: movedBetween(t.strand, s), Line: s.Row.Line.String(), cost: cost{tiers: int(design.LongRuns), changes: 1}}
}

func movedBetween(a, b *measure.Strand) int {
	by := len(b.Beads) - len(a.Beads)
	return max(by, -by)
}
