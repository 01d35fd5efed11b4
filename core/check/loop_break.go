package check

import (
	"fmt"
	"maps"
	"slices"

	"mala/core/length"
	"mala/core/measure"
)

// fewestRound is how many beads a ring needs before its order means anything.
const fewestRound = 6

// loopBreak fires when a ring's pattern does not meet itself cleanly: a repeat
// and a part of one, or two alike side by side at the join and nowhere else.
var loopBreak = judgement{
	code: "loop-break",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		order := orderOf(s)
		n := len(order)
		if !s.Ring || n < fewestRound {
			return nil
		}
		f := Finding{Code: "loop-break", Severity: Warn, Strand: s.ID, Element: n - 1, Column: columnOf(s, n-1)}
		name := s.Beads[n-1].Material.Name
		switch part := brokenRepeat(order); {
		case part > 0:
			p := periodOf(order)
			f.Title = "The pattern does not meet itself"
			f.Says = fmt.Sprintf("Round the loop the repeat of %d beads comes %d times and %d beads more; the join shows.", p, n/p, part)
		case twinsAtJoin(order):
			f.Title = "Two alike meet at the join"
			f.Says = fmt.Sprintf("Where the loop closes two %s lie side by side, as nowhere else; a mirrored ring needs a second centre.", name)
		default:
			return nil
		}
		return []Finding{f}
	},
	mend: func(m *measure.Measured, _ Finding, _ Bench) []Fix {
		s := m.Strands[0]
		order, n := orderOf(s), len(s.Beads)
		if part := brokenRepeat(order); part > 0 {
			p := periodOf(order)
			missing := ""
			for _, b := range s.Beads[part:p] {
				missing += b.Key + " "
			}
			return append([]Fix{appended(m, "Finish the last repeat", missing)}, takeOut(m, fmt.Sprintf("Take out the last %s", beads(part)), n-part, n)...)
		}
		fixes := takeOut(m, "Take out the last bead", n-1, n)
		for _, key := range slices.Sorted(maps.Keys(m.Piece.Palette)) {
			fixes = append(fixes, appended(m, fmt.Sprintf("Put a %s at the join", m.Piece.Palette[key].Name), key))
		}
		return fixes
	},
}

// brokenRepeat is how many beads stand over after the whole repeats of a
// pattern, 0 if there is none.
func brokenRepeat(order []seen) int {
	p, n := periodOf(order), len(order)
	if p < 2 || n < 2*p {
		return 0
	}
	return n % p
}

// twinsAtJoin says whether the join is the only place where two alike touch.
func twinsAtJoin(order []seen) bool {
	n := len(order)
	if order[n-1] != order[0] {
		return false
	}
	for i := 1; i < n; i++ {
		if order[i] == order[i-1] {
			return false
		}
	}
	return true
}

func beads(n int) string {
	if n == 1 {
		return "bead"
	}
	return fmt.Sprintf("%d beads", n)
}
