package solve

import (
	"fmt"
	"math"

	"mala/core/length"
)

// impossible gives the reason that no change can do it, before any is tried; else empty.
func (t *task) impossible() string {
	unit := t.rules.Unit
	switch budget := BudgetOf(t.measured, t.strand, t.goal.Want); {
	case !(t.goal.Want > 0) || math.IsInf(float64(t.goal.Want), 0):
		return "There is no length to come to. Set a target, or a wearer's measure."
	case !t.goal.Inside && !t.goal.Strung && budget.Beads <= 0:
		return fmt.Sprintf("Ends, clasp and slack take %s, so %s leaves nothing for beads. Set a longer target, or choose a shorter clasp.", (budget.Ends + budget.Slack).In(unit), t.goal.Want.In(unit))
	case t.strand.Row.Line != nil && t.strand.Row.Line.OpenFill() != nil:
		return "This row fills up to its target by itself. Change what is filled in, or give it a count."
	case t.rowPinned():
		return "The whole row is pinned. Unpin it to change it."
	}
	return ""
}

// why gives the reason that nothing was found, and which change of rule would allow it.
func (t *task) why(nearest *Proposal) string {
	unit := t.rules.Unit
	switch {
	case len(t.knobs) == 0 && len(t.rules.Pins) > 0:
		return "Everything that could change is pinned. Unpin a run."
	case len(t.knobs) == 0:
		return "Nothing of this row can change."
	}
	says := ""
	if nearest != nil {
		off := max(nearest.Off, -nearest.Off)
		says = fmt.Sprintf("Nothing comes within ± %s. The nearest is off by %s: a tolerance of ± %s would take it.", t.goal.Tolerance.In(unit), orLess(off, unit), max(off, least).AtLeast(unit))
	} else {
		says = fmt.Sprintf("Nothing comes within ± %s without a stop or a warning that is not there now.", t.goal.Tolerance.In(unit))
	}
	if len(t.rules.Pins) > 0 && t.allowedBy(func(r *Rules) { r.Pins = nil }) {
		return says + " Without the pins something does."
	}
	if t.rules.Stock != nil && t.allowedBy(func(r *Rules) { r.Stock = nil }) {
		return says + " With more in stock something does."
	}
	return says
}

// notInHand is the reason that there is none where all that lacks is beads or cord; else empty.
func (t *task) notInHand() string {
	if t.rules.Hand != nil && t.allowedBy(func(r *Rules) { r.Hand = nil }) {
		return "There is not enough in hand."
	}
	return ""
}

// least is the shortest length that is not written as nothing, in any unit.
const least = length.MM(0.1)

// orLess writes a length that would round to nothing as less than the least.
func orLess(l length.MM, unit length.Unit) string {
	if l < least {
		return "less than " + least.In(unit)
	}
	return l.In(unit)
}

// allowedBy says whether a proposal is found with another rule.
func (t *task) allowedBy(change func(r *Rules)) bool {
	rules := t.rules
	rules.Most = 1
	change(&rules)
	other := newTask(t.ctx, t.measured, t.goal, rules)
	other.gather()
	found := other.best()
	t.tried.Add(other.tried.Load())
	return len(found) > 0
}
