package solve

import (
	"mala/core/design"
	"mala/core/length"
)

// place is closing the piece at another link of its extender: nothing is strung again. It is for a
// wearer alone, for the length that a target asks for is that of the shortest place. Of those
// that do, the nearest is given; nil for none.
func (t *task) place() *Proposal {
	if !t.goal.Inside || t.rules.LineOnly || t.strand != t.measured.Binding() {
		return nil
	}
	var best *Proposal
	for _, at := range t.measured.Positions()[min(1, len(t.measured.Positions())):] {
		longer := at.Finished - t.measured.Finished
		value := t.now + longer/length.MM(t.strand.Times())
		off := value - t.goal.Want
		if !t.does(value) || best != nil && max(off, -off) >= max(best.Off, -best.Off) {
			continue
		}
		best = &Proposal{Changes: []Change{CloseAtLink{at.Link}}, Measured: t.measured, Value: value, Off: off,
			Longer: longer, Line: t.strand.Row.Line.String(), cost: cost{tiers: int(design.Fittings), changes: 1}}
	}
	return best
}
