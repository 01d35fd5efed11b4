package desk

import (
	"context"
	"fmt"
	"math"
	"strings"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/solve"
)

// share is what of a loop changes at once: the row of one section, or those of two that lie as
// far from either end and are strung alike, so that they stay alike.
type share struct {
	rows   []piece.ID
	mate   func(*pattern.Line) string // the line of the second, from that of the first
	strung length.MM
}

// sharesOf lists what of the loop of a row can change and has not, pairs first.
func (w *rowSizer) sharesOf(m *measure.Measured, id piece.ID) []share {
	p := m.Piece
	row := p.Row(id)
	var open []*measure.Strand // by section; nil where nothing can change
	for i := range p.Sections {
		r := p.In(row, &p.Sections[i])
		if w.settled[r.ID] || !r.Corded() || r.Line == nil || len(r.Line.Items) == 0 || len(p.Sections) > 1 && piece.RowPinned(p.Pins, r) {
			open = append(open, nil)
			continue
		}
		w.settled[r.ID] = true
		open = append(open, m.Strand(r.ID))
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
	return append(pairs, single...)
}

// mateOf is how one line follows from another: it is the same, the same backwards, or the same
// turned round; nil where it does not.
func mateOf(a, b *pattern.Line) func(*pattern.Line) string {
	ways := []func(*pattern.Line) string{
		(*pattern.Line).String,
		func(l *pattern.Line) string { return l.Backwards().String() },
		func(l *pattern.Line) string {
			turned, err := l.Turned()
			if err != nil {
				return ""
			}
			return turned.String()
		},
	}
	for _, way := range ways {
		if way(a) == b.String() {
			return way
		}
	}
	return nil
}

// bring changes the shares of a loop until it comes to its goal: first each by its share of
// what is strung, then each by all that is left.
func (w *rowSizer) bring(ctx context.Context, goal solve.Goal, shares []share) error {
	why := ""
	for round := range 2 {
		var strung length.MM
		for _, one := range shares {
			strung += one.strung
		}
		for _, one := range shares {
			m, err := measured(w.doc, w.opt.House)
			if err != nil {
				return err
			}
			by := goal.Want - valueOf(m, goal.Row, goal.Inside)
			if math.Abs(float64(by)) <= float64(goal.Tolerance)+1e-9 {
				return nil
			}
			if round == 0 && strung > 0 {
				by, strung = by*one.strung/strung, strung-one.strung
			}
			if says := w.change(ctx, m, goal, one, by); says != "" {
				why = says
			}
		}
	}
	m, err := measured(w.doc, w.opt.House)
	if err != nil {
		return err
	}
	off := goal.Want - valueOf(m, goal.Row, goal.Inside)
	switch {
	case math.Abs(float64(off)) <= float64(goal.Tolerance)+1e-9:
	case ctx.Err() != nil:
		w.out.Why = noTime
	default:
		w.out.Why = why
	}
	return nil
}

// valueOf is the length of a row that a goal is about.
func valueOf(m *measure.Measured, row piece.ID, inside bool) length.MM {
	s := m.Strand(row)
	if inside {
		mm, _ := s.Inside()
		return mm
	}
	return s.ForTarget(m.Piece)
}

// change makes one share longer by a length, as near as it comes; it says why where it stays
// beyond the tolerance.
func (w *rowSizer) change(ctx context.Context, m *measure.Measured, goal solve.Goal, one share, by length.MM) string {
	n := length.MM(len(one.rows))
	now := valueOf(m, one.rows[0], goal.Inside)
	part := solve.Goal{Row: one.rows[0], Inside: goal.Inside, Want: now + by/n, Tolerance: goal.Tolerance / n}
	if math.Abs(float64(by/n)) <= float64(part.Tolerance) {
		return ""
	}
	rules := solve.Rules{Pins: m.Piece.Pins, Unit: w.opt.Unit, LineOnly: true, Apart: true, Most: 1, Stock: w.stockFor(m, len(one.rows))}
	found := solve.Solve(ctx, m, part, rules)
	why := ""
	best := found.Nearest
	if len(found.Proposals) > 0 {
		best = &found.Proposals[0]
	} else {
		why = fmt.Sprintf("%s: %s", w.name(m, one), found.Why)
	}
	if best == nil || math.Abs(float64(best.Off)) >= math.Abs(float64(by/n)) {
		return why
	}
	line, err := pattern.Parse(best.Line)
	if err != nil {
		return why
	}
	rowOf(w.doc, one.rows[0]).Line = best.Line
	if len(one.rows) > 1 {
		rowOf(w.doc, one.rows[1]).Line = one.mate(line)
	}
	for _, change := range best.Says {
		w.says = append(w.says, fmt.Sprintf("%s: %s", strings.ToLower(w.name(m, one)), change))
	}
	return why
}

// name is what a share is called: Row 2, Rows 1 and 3.
func (w *rowSizer) name(m *measure.Measured, one share) string {
	if len(one.rows) > 1 {
		return fmt.Sprintf("Rows %d and %d", m.Piece.Number(one.rows[0]), m.Piece.Number(one.rows[1]))
	}
	return fmt.Sprintf("Row %d", m.Piece.Number(one.rows[0]))
}

// stockFor is what the first of n rows that change alike may take: of what is left over, its
// n-th part.
func (w *rowSizer) stockFor(m *measure.Measured, n int) map[string]int {
	stock := w.opt.stock(w.ask.inStock)
	if stock == nil || n == 1 {
		return stock
	}
	out := map[string]int{}
	for id, have := range stock {
		out[id] = have
	}
	for _, c := range m.Tally {
		if have, ok := out[c.Material.ID]; ok && have > c.Count {
			out[c.Material.ID] = c.Count + (have-c.Count)/n
		}
	}
	return out
}
