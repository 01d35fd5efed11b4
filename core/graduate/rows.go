package graduate

import (
	"slices"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/measure"
)

// alone gives the proposals of one row by itself.
func (r *row) alone(m *measure.Measured, most int) Answer {
	all, within := r.smoothest(max(1, most))
	if len(all) == 0 {
		return Answer{Why: "No count of these sizes comes near the target with what there is in stock."}
	}
	var out Answer
	for _, f := range all {
		if p := propose(m, []*row{r}, []found{f}); p != nil {
			out.Proposals = append(out.Proposals, *p)
		}
	}
	return out.saying(within)
}

// saying adds why there is nothing, or why it is not quite right.
func (a Answer) saying(within bool) Answer {
	switch {
	case len(a.Proposals) == 0:
		a.Why = "Every such strand brings a stop or a warning that is not there now. Look at the cord, and at the holes of the beads."
	case !within:
		a.Why = "Nothing lies within the tolerance. This one comes near it. Another size or centre, or more of a size, would do."
	}
	return a
}

// allTogether graduates rows one after another, the shortest first: a longer one has no fewer of
// any size, unless what is left in stock does not do for that.
func allTogether(m *measure.Measured, rows []*row) Answer {
	strung := false
	for _, shared := range []bool{false, true} {
		taken, within, forced, ok := oneByOne(rows, shared)
		if !ok {
			continue
		}
		strung = true
		if p := propose(m, rows, taken); p != nil {
			p.Forced = forced
			return Answer{Proposals: []Proposal{*p}}.saying(within)
		}
	}
	if strung {
		return Answer{}.saying(false)
	}
	return Answer{Why: "There are not enough of these sizes in stock for all rows."}
}

// oneByOne takes the smoothest counts of each row in turn, of what the rows before it leave. With
// shared each row takes no more of the stock than its part of all lengths.
func oneByOne(rows []*row, shared bool) (taken []found, within, forced, ok bool) {
	within = true
	left, all := make([]int, len(rows[0].ladder)), 0.0
	for i, s := range rows[0].ladder {
		left[i] = s.had
	}
	for _, r := range rows {
		all += float64(r.target.Finished)
	}
	for at, r := range rows {
		one := *r
		one.ladder, one.low = slices.Clone(r.ladder), slices.Clone(r.low)
		for i := range one.ladder {
			if left[i] < 0 {
				continue
			}
			// Each row that is still to come takes one on either side.
			most := (left[i] - 2*(len(rows)-1-at)) / 2
			if shared {
				most = min(most, int(float64(one.ladder[i].had)*float64(r.target.Finished)/all)/2)
			}
			one.ladder[i].most = min(one.ladder[i].most, max(1, most))
		}
		if at > 0 {
			copy(one.low, taken[at-1].counts)
		}
		got, good := one.smoothest(1)
		if !good && at > 0 {
			free := one
			free.low = r.low
			if other, better := free.smoothest(1); better || len(got) == 0 {
				got, good, forced = other, better, true
			}
		}
		if len(got) == 0 || !good && !shared {
			return nil, false, false, false
		}
		within = within && good
		for i, n := range got[0].counts {
			if left[i] >= 0 {
				left[i] -= 2 * n
			}
		}
		taken = append(taken, got[0])
	}
	return taken, within, forced, true
}

// propose measures the whole piece with the rows strung so; nil where it gets a stop or a warning
// that was not there.
func propose(m *measure.Measured, rows []*row, taken []found) *Proposal {
	p := &Proposal{Within: true}
	for i, r := range rows {
		f := taken[i]
		p.Rows = append(p.Rows, Row{ID: r.id, Line: r.line(f.counts), Counts: f.counts, Value: f.value, Off: f.value - r.target.Finished})
		p.Ops = append(p.Ops, r.op(f.counts))
		p.Within = p.Within && r.within(f.value)
	}
	after, err := edit.Try(m.Piece, nil, p.Ops...)
	if err != nil || check.Worsens(rows[0].before, check.All(after)) {
		return nil
	}
	p.Measured = after
	return p
}
