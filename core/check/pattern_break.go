package check

import (
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/measure"
)

// The strands that are looked at for a slip: long enough to have a pattern, and
// not so long that looking takes its time.
const (
	fewestPattern = 15
	mostPattern   = 2000
	fewestRuns    = 5
)

// slip is one bead that breaks an otherwise regular order.
type slip struct {
	at   int    // the gap or the bead, in the sequence
	kind string // missing, extra, other
	want seen   // what should be there, for a missing or another bead
	of   string // mirror or repeat
}

// patternBreak fires when one bead breaks an otherwise regular mirror or repeat:
// as a rule one was missed.
var patternBreak = judgement{
	code: "pattern-break",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		slip := slipIn(s)
		if slip == nil {
			return nil
		}
		at := min(slip.at, len(s.Beads)-1)
		f := Finding{Code: "pattern-break", Severity: Warn, Strand: s.ID, Element: at, Column: columnOf(s, at)}
		there := s.Beads[at].Material.Name
		switch slip.kind {
		case "missing":
			f.Title = "A bead seems to be missing"
			f.Says = fmt.Sprintf("With one more %s before bead %d the %s would be regular.", slip.want.material.Name, at+1, slip.of)
		case "extra":
			f.Title = "A bead too many"
			f.Says = fmt.Sprintf("Without bead %d, %s, the %s would be regular.", at+1, there, slip.of)
		default:
			f.Title = "One bead breaks the pattern"
			f.Says = fmt.Sprintf("Bead %d is %s; with %s in its place the %s would be regular.", at+1, there, slip.want.material.Name, slip.of)
		}
		return []Finding{f}
	},
	mend: func(m *measure.Measured, _ Finding, _ Bench) []Fix {
		s := m.Strands[0]
		slip := slipIn(s)
		if slip.kind == "extra" {
			return takeOut(m, fmt.Sprintf("Take out bead %d", slip.at+1), slip.at, slip.at+1)
		}
		key := keyOf(m, slip.want)
		fixes := putAt(m, fmt.Sprintf("Put a %s there", slip.want.material.Name), slip.at, key)
		if slip.kind == "missing" || len(fixes) == 0 {
			return fixes
		}
		// Another bead in its place: put the right one in, then take the wrong one out.
		after, err := fixes[0].Edit.Try(m.Piece)
		if err != nil {
			return nil
		}
		swapped := takeOut(after, fmt.Sprintf("Change it for a %s", slip.want.material.Name), slip.at+1, slip.at+2)
		return swapped
	},
}

func keyOf(m *measure.Measured, want seen) string {
	for _, b := range m.Strands[0].Beads {
		if b.Material == want.material {
			return b.Key
		}
	}
	return ""
}

func slipIn(s *measure.Strand) *slip {
	order := orderOf(s)
	if n := len(order); n < fewestPattern || n > mostPattern || runsIn(order) < fewestRuns {
		return nil
	}
	// A regular order has no slip, whichever way it is regular.
	if readsBothWays(order) || periodOf(order) <= len(order)/2 {
		return nil
	}
	if found := slipInRepeat(order); found != nil {
		return found
	}
	return slipInMirror(order)
}

// slipInMirror looks for one bead that keeps the order from being its own
// mirror image. Near the ends or the centre it may well be meant.
func slipInMirror(order []seen) *slip {
	i, j := 0, len(order)-1
	for i < j && order[i] == order[j].mirrored() {
		i, j = i+1, j-1
	}
	if i < 2 || j-i < 3 {
		return nil
	}
	known := func(b seen, but int) bool {
		return slices.ContainsFunc(append(slices.Clone(order[:but]), order[but+1:]...), func(o seen) bool { return o.material == b.material })
	}
	switch {
	case readsBothWays(order[i+1:j+1]) && known(order[i], i): // the right side lacks what stands at i
		return &slip{at: j + 1, kind: "missing", want: order[i].mirrored(), of: "mirror"}
	case readsBothWays(order[i:j]) && known(order[j], j): // the left side lacks what stands at j
		return &slip{at: i, kind: "missing", want: order[j].mirrored(), of: "mirror"}
	case readsBothWays(order[i+1:j]) && known(order[i], i):
		return &slip{at: j, kind: "other", want: order[i].mirrored(), of: "mirror"}
	}
	return nil
}

// slipInRepeat looks for one bead that keeps the order from being a repeat. The
// first repeat is taken as meant; a bead that stands nowhere else is an accent.
func slipInRepeat(order []seen) *slip {
	n := len(order)
	for p := 2; p <= n/3; p++ {
		i := p
		for i < n && order[i] == order[i-p] {
			i++
		}
		if i == n || n-i < p || runsIn(order[:p]) < 2 {
			continue
		}
		follows := func(from, shift int) bool {
			for k := from; k < n; k++ {
				if order[k] != order[(k+shift)%p] {
					return false
				}
			}
			return true
		}
		want := order[i%p]
		switch member := slices.Contains(order[:p], order[i]); {
		case follows(i, 1):
			return &slip{at: i, kind: "missing", want: want, of: "repeat"}
		case member && follows(i+1, p-1):
			return &slip{at: i, kind: "extra", of: "repeat"}
		case member && follows(i+1, 0):
			return &slip{at: i, kind: "other", want: want, of: "repeat"}
		}
	}
	return nil
}
