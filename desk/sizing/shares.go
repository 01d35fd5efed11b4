package sizing

import (
	"context"
	"fmt"
	"maps"
	"math"
	"strings"

	"mala/core/check"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/solve"
	"mala/words"
	"mala/words/en"
)

// share is what of a loop changes at once: the row of one section, or those of two that lie as
// far from either end and are strung alike, so that they stay alike.
type share struct {
	rows   []piece.ID
	mate   func(*pattern.Line) *pattern.Line // the line of the second, from that of the first
	strung length.MM
}

// sharesOf lists what of the loop of a row can change and has not, pairs first. What fills up
// gets a count, as a size has counts of its own.
func (w *rowSizer) sharesOf(id piece.ID) ([]share, error) {
	p := w.piece
	row := p.Row(id)
	open := make([]*measure.Strand, len(p.Sections)) // nil where nothing can change
	for i := range p.Sections {
		r := p.In(row, &p.Sections[i])
		if w.settled[r.ID] || !r.Corded() || r.Line == nil || len(r.Line.Items) == 0 || len(p.Sections) > 1 && piece.RowPinned(p.Pins, r) {
			continue
		}
		s, err := w.strand(r.ID)
		if err != nil {
			return nil, err
		}
		r.Line = s.Row.Line.Counted(s.Fills)
		w.settled[r.ID], open[i] = true, s
	}
	var pairs, single []share
	for i, s := range open {
		k := len(open) - 1 - i
		if s == nil {
			continue
		}
		if i < k && open[k] != nil {
			if mate := mateOf(s.Row.Line, open[k].Row.Line); mate != nil {
				pairs = append(pairs, share{[]piece.ID{s.Row.ID, open[k].Row.ID}, mate, s.Strung + open[k].Strung})
				open[k] = nil
				continue
			}
		}
		single = append(single, share{rows: []piece.ID{s.Row.ID}, strung: s.Strung})
	}
	return append(pairs, single...), nil
}

// mateOf is how one line follows from another: it is the same, the same backwards, or the same
// turned round; nil where it does not.
func mateOf(a, b *pattern.Line) func(*pattern.Line) *pattern.Line {
	ways := []func(*pattern.Line) *pattern.Line{
		(*pattern.Line).Clone,
		(*pattern.Line).Backwards,
		func(l *pattern.Line) *pattern.Line {
			turned, err := l.Turned()
			if err != nil {
				return l
			}
			return turned
		},
	}
	for _, way := range ways {
		if way(a).String() == b.String() {
			return way
		}
	}
	return nil
}

// bring changes the shares of a loop until it comes to its goal: first each by its share of
// what is strung, then each by all that is left.
func (w *rowSizer) bring(ctx context.Context, goal solve.Goal, shares []share) error {
	var all length.MM
	for _, one := range shares {
		all += one.strung
	}
	now, err := w.value(goal.Row, goal.Inside)
	if rest := now - all; err == nil && !goal.Inside && len(w.piece.Sections) > 1 && goal.Want <= rest {
		w.out.Why = en.In(w.opt.Unit).NothingForBeads(rest, goal.Want)
		return nil
	}
	why := ""
	for round := range 2 {
		strung := all
		for _, one := range shares {
			now, err := w.value(goal.Row, goal.Inside)
			if err != nil {
				return err
			}
			by := goal.Want - now
			if goal.Takes(now) {
				return nil
			}
			if round == 0 && strung > 0 {
				by, strung = by*one.strung/strung, strung-one.strung
			}
			says, err := w.change(ctx, goal, one, by)
			if err != nil {
				return err
			}
			if says != "" {
				why = says
			}
		}
	}
	now, err = w.value(goal.Row, goal.Inside)
	switch {
	case err != nil:
		return err
	case goal.Takes(now):
	case ctx.Err() != nil:
		w.out.Why = en.Says(words.NoTime)
	default:
		w.out.Why = why
	}
	return nil
}

// change makes one share longer by a length, as near as it comes; it says why where it stays
// beyond the tolerance. The row is looked at in its loop alone: how rows lie beside one another
// is seen when all have their lengths.
func (w *rowSizer) change(ctx context.Context, goal solve.Goal, one share, by length.MM) (why string, err error) {
	n := length.MM(len(one.rows))
	part := solve.Goal{Row: one.rows[0], Inside: goal.Inside, Tolerance: goal.Tolerance / n}
	least, most := -part.Tolerance, part.Tolerance // how far from what it aims at is right
	if goal.Most > 0 {
		least, most = (goal.Least-goal.Want)/n, (goal.Most-goal.Want)/n
	}
	if -by/n >= least && -by/n <= most {
		return "", nil
	}
	alone, err := measure.Filled(w.piece)
	if err != nil {
		return "", err
	}
	alone = alone.Alone(one.rows[0])
	s, err := measure.Row(alone, alone.Row(one.rows[0]))
	if err != nil {
		return "", err
	}
	part.Want = valueOf(alone, s, goal.Inside) + by/n
	part.Least, part.Most = part.Want+least, part.Want+most
	if !goal.Inside {
		alone.Target = &piece.Target{Finished: part.Want, Tolerance: part.Tolerance}
	}
	m, err := measure.Measure(alone)
	if err != nil {
		return "", err
	}
	found := solve.Solve(ctx, m, part, solve.Rules{Pins: alone.Pins, LineOnly: true, AnyWearer: true, Most: 1, Stock: w.stockFor(m, one)})
	best := found.Nearest
	if len(found.Proposals) > 0 {
		best = &found.Proposals[0]
	} else {
		why = fmt.Sprintf("%s: %s", w.name(one), en.In(w.opt.Unit).Why(found.Why))
	}
	if best == nil || w.whole && why != "" || math.Abs(float64(best.Off)) >= math.Abs(float64(by/n)) {
		return why, nil
	}
	line := best.Measured.Piece.Row(one.rows[0]).Line
	w.piece.Row(one.rows[0]).Line = line
	if len(one.rows) > 1 {
		w.piece.Row(one.rows[1]).Line = one.mate(line)
	}
	for _, change := range en.In(w.opt.Unit).Changes(best.Changes) {
		w.says = append(w.says, fmt.Sprintf("%s: %s", strings.ToLower(w.name(one)), change))
	}
	return why, nil
}

// name is what a share is called: Row 2, Rows 1 and 3.
func (w *rowSizer) name(one share) string {
	if len(one.rows) > 1 {
		return fmt.Sprintf("Rows %d and %d", w.piece.Number(one.rows[0]), w.piece.Number(one.rows[1]))
	}
	return fmt.Sprintf("Row %d", w.piece.Number(one.rows[0]))
}

// stockFor is what a share may take: what the rows outside its loop leave, and of rows that
// change alike the first its part of what is left over.
func (w *rowSizer) stockFor(alone *measure.Measured, one share) check.Stock {
	stock := w.opt.StockIf(w.ask.inStock)
	if stock == nil {
		return nil
	}
	whole, err := measure.Measure(w.piece)
	if err != nil {
		return check.Stock{}
	}
	out, here := maps.Clone(stock), map[string]int{}
	for _, u := range stock.Uses(alone) {
		here[u.Of.ID] = u.Takes()
	}
	for _, u := range stock.Uses(whole) {
		id := u.Of.ID
		out[id] -= u.Takes() - here[id]
		if more := out[id] - here[id]; more > 0 {
			out[id] = here[id] + more/len(one.rows)
		}
		if out[id] == 0 && stock[id] > 0 {
			out[id] = -1 // all of it is taken; 0 would be a length that is not noted
		}
	}
	return out
}
