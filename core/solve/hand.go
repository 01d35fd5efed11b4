package solve

import (
	"cmp"
	"context"
	"math"
	"slices"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// Hand is what there is to string a row of.
type Hand struct {
	Beads map[string]int // of each bead by the id of its material; one that is not in it is no limit
	Cord  length.MM      // of the piece of cord that is left; 0 is no limit
}

// Limits says whether anything of it can run out.
func (h *Hand) Limits() bool { return len(h.Beads) > 0 || h.Cord > 0 }

// Makes says whether it is enough for a row as it is.
func (h *Hand) Makes(m *measure.Measured, s *measure.Strand) bool { return h.lacks(m, s) == "" }

// lacks gives the id of a material that the row takes more of than is in hand; empty for none.
func (h *Hand) lacks(m *measure.Measured, s *measure.Strand) string {
	for _, c := range m.Tally {
		if have, asked := h.Beads[c.Material.ID]; asked && c.Count > have {
			return c.Material.ID
		}
	}
	if h.Cord > 0 && s.CutLength() > h.Cord+tiny {
		return s.Row.Cord.ID
	}
	return ""
}

// Longest is the pattern at its longest, by one of its counts.
type Longest struct {
	Proposal
	Limit string          // the id of what there is not enough of for one more; empty where nothing lacks
	Comes []check.Problem // the stops and warnings that come with it
}

// mostLongest is how many ways are given.
const mostLongest = 4

// LongestOf makes a row as long as what is in hand allows: one way for each of its runs and
// groups that may change, the longest first. A target and a wearer are left out of account.
func LongestOf(ctx context.Context, m *measure.Measured, row piece.ID, hand Hand, pins []piece.Pin) []Longest {
	free := *m.Piece
	free.Target, free.Body = nil, nil
	m, err := measure.Measure(&free)
	if err != nil {
		return nil
	}
	t := newTask(ctx, m, Goal{Row: row}, Rules{Pins: pins})
	t.before = check.All(m)
	var out []Longest
	for _, k := range t.counted() {
		if ctx.Err() != nil {
			break
		}
		if way := t.longestBy(k, &hand); way != nil {
			out = append(out, *way)
		}
	}
	slices.SortStableFunc(out, func(a, b Longest) int {
		return cmp.Or(cmp.Compare(b.Value, a.Value), cmp.Compare(a.Moved, b.Moved))
	})
	return out[:min(len(out), mostLongest)]
}

// counted lists the knobs of the line that set counts.
func (t *task) counted() []*turnable {
	if !t.strand.Row.Corded() || t.strand.Row.Line == nil {
		return nil
	}
	var out []*turnable
	knobs := t.design.Knobs(t.pinned)
	for i := range knobs[:min(len(knobs), mostKnobs)] {
		if len(knobs[i].Gaps) > 0 {
			continue
		}
		if k := t.turnable(&knobs[i]); k != nil {
			out = append(out, k)
		}
	}
	return out
}

// longestBy turns a knob as far as what is in hand allows; nil where even the least is too much.
func (t *task) longestBy(k *turnable, hand *Hand) *Longest {
	fits := func(by int) (*Longest, string) {
		line := t.turned(k.Knob, by)
		if line == nil {
			return nil, ""
		}
		ops := []edit.Op{edit.SetLine{At: t.strand.Row.At(), Line: line.String()}}
		t.tried.Add(1)
		after, err := edit.Try(t.measured.Piece, nil, ops...)
		if err != nil {
			return nil, ""
		}
		strand := after.Strand(t.strand.Row.ID)
		if lacks := hand.lacks(after, strand); lacks != "" {
			return nil, lacks
		}
		p := Proposal{Ops: ops, Measured: after, Value: strand.ForTarget(after.Piece), Line: line.String()}
		if by != 0 {
			s := k.setting(by)
			p.Changes, p.Moved = []Change{s.does}, s.moved
		}
		return &Longest{Proposal: p}, ""
	}
	least, most := k.Range()
	low, high := least-1, min(most, k.mostOf(hand))
	var best *Longest
	limit := ""
	for low < high && t.ctx.Err() == nil {
		by := low + (high-low+1)/2
		if way, lacks := fits(by); way != nil {
			best, low = way, by
		} else {
			limit, high = lacks, by-1
		}
	}
	if best == nil || t.ctx.Err() != nil {
		return nil
	}
	best.Limit, best.Comes = limit, check.New(t.before, check.All(best.Measured))
	return best
}

// mostOf is how many steps what is in hand surely does not reach past, by the beads and by the cord
// each of them takes.
func (k *turnable) mostOf(hand *Hand) int {
	most := pattern.MaxCount
	for key, more := range k.adds {
		of := k.task.measured.Piece.Palette[key]
		if have, asked := hand.Beads[of.ID]; asked && more > 0 {
			most = min(most, (have-k.task.had[of.ID])/more+1)
		}
	}
	if hand.Cord > 0 {
		left := max(0, hand.Cord-k.task.strand.CutLength())
		most = min(most, int(math.Ceil(2*float64(left/k.step)))+1)
	}
	return min(most, pattern.MaxBeads)
}
