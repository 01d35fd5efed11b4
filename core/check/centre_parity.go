package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
)

// centreParity fires when a mirrored or repeating design cannot have the centre
// it seems to want: the middle of a mirror does not read the same both ways, or
// whole repeats end on another bead than they began with.
var centreParity = judgement{
	code: "centre-parity",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		order := orderOf(s)
		n := len(order)
		if s.Ring || n < fewestRound {
			return nil
		}
		f := Finding{Code: "centre-parity", Severity: Warn, Strand: s.ID, Element: n / 2, Column: columnOf(s, n/2)}
		switch {
		case isMirror(s.Row.Line) && !readsBothWays(order):
			f.Title = "The middle is off centre"
			f.Says = "What stands in the middle of the mirror does not read the same from both sides, so no bead is at the centre."
		case !isMirror(s.Row.Line) && oneShort(order):
			f.Title = "No bead at the centre"
			f.Says = fmt.Sprintf("Its %d beads begin with %s and end with %s; one more %s would put a bead at the centre and make both ends alike.",
				n, s.Beads[0].Material.Name, s.Beads[n-1].Material.Name, s.Beads[0].Material.Name)
		default:
			return nil
		}
		return []Finding{f}
	},
	mend: func(m *measure.Measured, _ Finding, _ Bench) []Fix {
		s := m.Strands[0]
		if isMirror(s.Row.Line) {
			return nil
		}
		return []Fix{appended(m, fmt.Sprintf("Add a %s at the end", s.Beads[0].Material.Name), s.Beads[0].Key)}
	},
}

// isMirror says whether the whole line is one mirror.
func isMirror(line *pattern.Line) bool {
	return len(line.Items) == 1 && line.Items[0].Kind == pattern.Mirror && line.Items[0].Count == 1
}

// oneShort says whether the order is whole repeats that would be their own
// mirror image but for the last bead.
func oneShort(order []seen) bool {
	n, p := len(order), periodOf(order)
	return p >= 2 && n >= 3*p && n%p == 0 && !readsBothWays(order) && readsBothWays(order[:n-1])
}
