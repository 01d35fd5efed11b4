package solve

import (
	"math"

	"mala/core/check"
	"mala/core/length"
)

// Why is the reason that there is no proposal, as a value; its words stand in words.
type Why interface{ reason() }

// The reasons.
type (
	NoGoal         struct{}
	NoRoom         struct{ Taken, Want length.MM } // ends, clasp and slack take all of it
	FillsItself    struct{}                        // the row fills up to its target
	RowPinned      struct{}
	AllPinned      struct{} // everything that could change
	NothingChanges struct{}
	NotInHand      struct{}
	Already        struct{ Now, Want length.MM } // nothing brings it nearer
	NothingWithin  struct {
		Tolerance length.MM
		Nearest   *length.MM     // by how much the nearest is off; nil for none
		Comes     *check.Problem // the stop or the warning that the best within it would bring; nil for none
		Without   Lifted
	}
)

func (NoGoal) reason()         {}
func (NoRoom) reason()         {}
func (FillsItself) reason()    {}
func (RowPinned) reason()      {}
func (AllPinned) reason()      {}
func (NothingChanges) reason() {}
func (NotInHand) reason()      {}
func (Already) reason()        {}
func (NothingWithin) reason()  {}

// Lifted is a rule without which something would do.
type Lifted string

// The rules.
const (
	NoRule Lifted = ""
	Pins   Lifted = "pins"
	Stock  Lifted = "stock"
)

// impossible gives the reason that no change can do it, before any is tried; else nil.
func (t *task) impossible() Why {
	switch budget := BudgetOf(t.measured, t.strand, t.goal.Want); {
	case !(t.goal.Want > 0) || math.IsInf(float64(t.goal.Want), 0):
		return NoGoal{}
	case !t.goal.Inside && !t.goal.Strung && budget.Beads <= 0:
		return NoRoom{budget.Ends + budget.Slack, t.goal.Want}
	case t.rowPinned():
		return RowPinned{}
	case t.strand.Row.Line != nil && t.strand.Row.Line.OpenFill() != nil && !t.fillsUp():
		return FillsItself{}
	}
	return nil
}

// why gives the reason that nothing was found, and which change of rule would allow it.
func (t *task) why(nearest *Proposal) Why {
	switch {
	case len(t.knobs) == 0 && len(t.rules.Pins) > 0:
		return AllPinned{}
	case len(t.knobs) == 0:
		return NothingChanges{}
	case t.within(t.now):
		return Already{t.now, t.goal.Want}
	}
	why := NothingWithin{Tolerance: t.goal.Tolerance, Comes: t.refused.comes}
	if nearest != nil {
		off := max(nearest.Off, -nearest.Off)
		why.Nearest = &off
	}
	switch {
	case len(t.rules.Pins) > 0 && t.allowedBy(func(r *Rules) { r.Pins = nil }):
		why.Without = Pins
	case t.rules.Stock != nil && t.allowedBy(func(r *Rules) { r.Stock = nil }):
		why.Without = Stock
	}
	return why
}

// notInHand says whether all that lacks is beads or cord.
func (t *task) notInHand() bool {
	return t.rules.Hand != nil && t.allowedBy(func(r *Rules) { r.Hand = nil })
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
