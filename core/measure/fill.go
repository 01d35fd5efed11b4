package measure

import (
	"fmt"

	"mala/core/length"
	"mala/core/pattern"
)

// solveFills works out how often each fill of the line repeats. A fill to a
// given length takes the number whose beads alone come nearest to it, the open
// fill the number that brings the piece nearest to its target; the smaller on a
// tie.
func (mk *strandMaker) solveFills() (pattern.Fills, error) {
	p, row := mk.piece, mk.row
	fills := pattern.Fills{}
	for _, n := range row.Line.Nodes {
		if fill, is := n.Unit.(*pattern.Fill); is && !fill.IsOpen() {
			count, err := nearest(fill.Length, mostRepeats(n), func(count int) (length.MM, error) {
				return mk.fillLength(n, count)
			})
			if err != nil {
				return nil, err
			}
			fills[n] = count
		}
	}
	open := row.Line.OpenFill()
	if open == nil {
		return fills, nil
	}
	target := p.TargetOf(row)
	if target == nil && p.Target != nil {
		return nil, &pattern.Fault{Code: pattern.BadFill, Col: open.Col, Expected: "a fill with a length: {25mm: S}",
			Says: "This row follows no other, so there is no length to fill up to. Choose how it follows, or give the fill a length: {25mm: S}."}
	}
	if target == nil {
		return nil, &pattern.Fault{Code: pattern.BadFill, Col: open.Col, Expected: "a fill with a length: {25mm: S}",
			Says: "An open fill needs a target length to fill up to. Set a target, or give the fill a length: {25mm: S}."}
	}
	if row.Line.Size(fills) > pattern.MaxBeads {
		return fills, nil // laying it out says so
	}
	most := 0
	for step := pattern.MaxBeads; step > 0; step /= 2 {
		fills[open] = most + step
		if row.Line.Size(fills) <= pattern.MaxBeads {
			most += step
		}
	}
	count, err := nearest(target.Finished, min(most, pattern.MaxBeads), func(count int) (length.MM, error) {
		fills[open] = count
		s, err := mk.layOut(fills, nil)
		if err != nil {
			return 0, err
		}
		s.finish(p)
		return s.ForTarget(p), nil
	})
	fills[open] = count
	return fills, err
}

// mostRepeats is how often a fill may repeat on its own.
func mostRepeats(n *pattern.Node) int {
	one := (&pattern.Line{Items: n.Items()}).Size(nil)
	return pattern.MaxBeads / max(1, one)
}

// fillLength is the length of the fill's beads alone, repeated count times.
func (mk *strandMaker) fillLength(n *pattern.Node, count int) (length.MM, error) {
	group := &pattern.Node{Unit: &pattern.Fill{Items: n.Items()}, Count: 1}
	placed, err := (&pattern.Line{Items: []*pattern.Node{group}}).Expand(pattern.Fills{group: count})
	if err != nil {
		return 0, fmt.Errorf("the fill at column %d: %w", n.Col, err)
	}
	st, turns := &stack{table: mk.table}, newTurns()
	for _, b := range placed {
		gap, bare := b.Node.Unit.(pattern.Gap)
		if gap.Middles {
			return 0, pattern.NoGap(b.Node, "from middle to middle in a fill; use a clear gap, _10mm")
		}
		if bare {
			st.beads = append(st.beads, mk.table.of(mk.gap(gap.Length), false, 0, 0))
			continue
		}
		look, err := mk.lookAt(b.Node)
		if err != nil {
			return 0, err
		}
		l := look.next(turns, b)
		way := 0
		if b.Reversed && l.turns {
			way = 1
		}
		st.beads = append(st.beads, l.faces[way])
	}
	return st.straight().strung, nil
}

// nearest finds the whole n from 0 to most whose value comes nearest to want,
// the smaller on a tie. Values grow with n.
func nearest(want length.MM, most int, value func(n int) (length.MM, error)) (int, error) {
	low, lowValue := 0, length.MM(0) // the greatest n known to stay below want
	v, err := value(0)
	if err != nil || v >= want {
		return 0, err
	}
	lowValue = v
	high, step := -1, 1
	highValue := length.MM(0)
	for high < 0 && low < most {
		n := min(low+step, most)
		if v, err = value(n); err != nil {
			return 0, err
		}
		if v >= want {
			high, highValue = n, v
		} else {
			low, lowValue, step = n, v, step*2
		}
	}
	if high < 0 {
		return low, nil
	}
	for high-low > 1 {
		mid := (low + high) / 2
		if v, err = value(mid); err != nil {
			return 0, err
		}
		if v >= want {
			high, highValue = mid, v
		} else {
			low, lowValue = mid, v
		}
	}
	if highValue-want < want-lowValue {
		return high, nil
	}
	return low, nil
}
