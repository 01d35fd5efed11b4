package solve

import (
	"cmp"
	"math"
	"slices"
	"sync"

	"mala/core/check"
	"mala/core/design"
	"mala/core/edit"
	"mala/core/measure"
	"mala/core/piece"
)

// measure works out a way; nil where it cannot be, breaks what read the same from both ends,
// takes more than there is, or brings a stop or a warning that was not there.
func (t *task) measure(w *way) *Proposal {
	ops := t.opsOf(w)
	if ops == nil {
		return nil
	}
	after, s, m := t.tryOnce(ops)
	if s == nil || design.Symmetric(t.strand) && !design.Symmetric(s) {
		return nil
	}
	value, ok := t.value(after, s)
	if !ok {
		return nil
	}
	p := &Proposal{Ops: ops, Value: value, Off: value - t.goal.Want, Line: s.Row.Line.String(), cost: w.cost, at: w.at, uneven: w.uneven}
	for _, one := range w.at {
		p.Changes, p.Moved = append(p.Changes, one.does), p.Moved+one.moved
	}
	if !t.within(value) {
		return p
	}
	if m == nil {
		var err error
		if m, err = measure.Measure(after); err != nil {
			return nil
		}
	}
	if t.short(m) || t.worsens(m, w.cost, w.off) {
		return nil
	}
	p.Measured = m
	return p
}

// tryOnce measures the piece of one row whole at once, so that its inside length is worked out
// once; of several rows it measures the one, and gives no whole.
func (t *task) tryOnce(ops []edit.Op) (*piece.Piece, *measure.Strand, *measure.Measured) {
	if t.measured.Piece.Several() {
		after, s := t.try(ops)
		return after, s, nil
	}
	t.tried.Add(1)
	m, err := edit.Try(t.measured.Piece, t.rules.Shelf, ops...)
	if err != nil {
		return nil, nil, nil
	}
	return m.Piece, m.Strand(t.strand.Row.ID), m
}

// short says whether the piece takes more than is in hand or in stock.
func (t *task) short(m *measure.Measured) bool {
	if t.rules.Hand != nil && t.rules.Hand.lacks(m, m.Strand(t.strand.Row.ID)) != "" {
		return true
	}
	if t.rules.Stock == nil {
		return false
	}
	before := t.measured
	if t.rules.Fresh {
		before = nil
	}
	return !t.rules.Stock.Enough(m, before)
}

// nearest gives the way of one or two changes that comes nearest to the goal; nil for none.
func (t *task) nearest() *Proposal {
	ways := append(t.ways(1, t.mayTake), t.ways(2, t.mayTake)...)
	slices.SortStableFunc(ways, func(a, b way) int { return cmp.Or(cmp.Compare(math.Abs(a.off), math.Abs(b.off)), a.cost.less(b.cost)) })
	var best *Proposal
	for i := range ways[:min(len(ways), mostLooked)] {
		if t.ctx.Err() != nil {
			break
		}
		p := t.measure(&ways[i])
		if p == nil || best != nil && max(p.Off, -p.Off) >= max(best.Off, -best.Off)-tiny {
			continue
		}
		if p.Measured == nil {
			if p.Measured = t.whole(p.Ops); p.Measured == nil {
				continue
			}
		}
		best = p
	}
	return best
}

// whole measures the whole piece after operations; nil where it gets a stop or a warning that
// was not there, or takes more than there is.
func (t *task) whole(ops []edit.Op) *measure.Measured {
	m, err := edit.Try(t.measured.Piece, t.rules.Shelf, ops...)
	if err != nil || t.short(m) || t.worsens(m, cost{tiers: math.MaxInt}, math.Inf(1)) {
		return nil
	}
	return m
}

// refused is the best of the ways that lie within the tolerance and bring a stop or a warning.
type refused struct {
	sync.Mutex
	comes *check.Problem
	cost  cost
	off   float64
}

// worsens says whether a piece has a stop or a warning that was not there, and keeps what the best of
// them would bring.
func (t *task) worsens(m *measure.Measured, c cost, off float64) bool {
	all := check.All(m)
	comes := check.New(t.before, all)
	if t.goal.Inside && !t.rules.AnyWearer { // what cannot be put on does not suit a wearer, even where the piece cannot be put on now
		for i := range all {
			if all[i].OfWearer() && all[i].Severity == check.Stop {
				comes = append(comes, all[i])
			}
		}
	}
	if t.rules.AnyWearer {
		comes = slices.DeleteFunc(comes, func(p check.Problem) bool { return p.OfWearer() })
	}
	if len(comes) == 0 {
		return false
	}
	t.refused.Lock()
	defer t.refused.Unlock()
	if off = math.Abs(off); t.refused.comes == nil || cmp.Or(c.less(t.refused.cost), cmp.Compare(off, t.refused.off)) < 0 {
		t.refused.comes, t.refused.cost, t.refused.off = &comes[0], c, off
	}
	return true
}
