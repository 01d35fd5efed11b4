package check

import (
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
)

// patternBreak fires when one bead breaks an otherwise regular mirror or repeat:
// as a rule one was missed. What stands nowhere else is an accent, and meant.
var patternBreak = Check{
	Code: "pattern-break", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		slip := slipIn(v, s)
		if slip == nil {
			return nil
		}
		at := min(slip.at, len(s.Beads)-1)
		f := Problem{Severity: Warn, At: s.Row.AtBead(at), cause: slip.kind + string(slip.of)}
		want := slip.like(s).Material
		switch slip.kind {
		case missing:
			before := slip.at + 1
			if slip.at == len(s.Beads) {
				before = 0
			}
			f.Fact = BeadMissing{want, before, slip.of}
		case extra:
			f.Fact = BeadExtra{s.Beads[at].Material, at + 1, slip.of}
		default:
			f.Fact = BeadOther{s.Beads[at].Material, want, at + 1, slip.of}
		}
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		slip := slipIn(v, s)
		if slip == nil {
			return nil
		}
		at := s.Row.At()
		remove := edit.Delete{At: at, From: slip.at, To: slip.at + 1}
		if slip.kind == extra {
			return []Fix{fix(RemoveBead{slip.at + 1}, remove)}
		}
		put := edit.Between{At: at, Gap: slip.at, Beads: slip.spell(s)}
		if slip.kind == missing {
			return []Fix{fix(PutBead{slip.like(s).Material, There}, put)}
		}
		return []Fix{fix(ReplaceBead{slip.like(s).Material}, remove, put)}
	},
}

// What a slip may be.
const (
	missing = "missing"
	extra   = "extra"
	other   = "other"
)

// slip is one bead that breaks an otherwise regular order.
type slip struct {
	at   int    // the gap or the bead, in the sequence
	kind string // missing, extra, other
	want seen   // what should be there, for a missing or another bead
	of   Order
}

// like finds a bead of the strand that shows what is wanted.
func (l *slip) like(s *measure.Strand) *measure.Bead {
	for i := range s.Beads {
		if s.Beads[i].Material == l.want.material {
			return &s.Beads[i]
		}
	}
	return &s.Beads[0]
}

func (l *slip) spell(s *measure.Strand) string {
	if l.want.turned {
		return "~" + l.like(s).Key
	}
	return l.like(s).Key
}

// The strands that are looked at for a slip: long enough to have a pattern, and
// not so long that looking takes its time.
const (
	fewestPattern = 15
	mostPattern   = 2000
	fewestRuns    = 3
)

func slipIn(v *View, s *measure.Strand) *slip {
	order := v.order(s)
	if n := len(order); n < fewestPattern || n > mostPattern || runsIn(order) < fewestRuns {
		return nil
	}
	if found := bareSide(s, order); found != nil {
		return found
	}
	if s.Ring {
		return slipInRing(order)
	}
	// A regular order has no slip, whichever way it is regular.
	if readsBothWays(order) {
		return nil
	}
	if p := periodOf(order); p <= len(order)/2 {
		return shortOfRepeat(s, order, p)
	}
	if found := slipInRepeat(order); found != nil {
		return found
	}
	return slipInMirror(order)
}

// shortOfRepeat looks for the one bead that the last of several repeats lacks; if
// the line begins before its first group, for the one that its first lacks.
func shortOfRepeat(s *measure.Strand, order []seen, p int) *slip {
	n := len(order)
	if p < 3 || n < 3*p || n%p != p-1 {
		return nil
	}
	// Repeats that begin with a part of one are whole from their end.
	if first, last := s.Row.Line.Top(s.Beads[0].Node), s.Row.Line.Top(s.Beads[n-1].Node); first.Count == 1 && last.Count > 1 || first != last && len(last.Items()) > 0 && len(first.Items()) == 0 {
		return &slip{at: 0, kind: missing, want: order[p-1], of: InRepeat}
	}
	return &slip{at: n, kind: missing, want: order[p-1], of: InRepeat}
}

// slipInMirror looks for one bead that keeps the order from being its own
// mirror image.
func slipInMirror(order []seen) *slip {
	i, j := 0, len(order)-1
	for i < j && order[i] == order[j].mirrored() {
		i, j = i+1, j-1
	}
	// A bead at the very end, a cap and a bead that is there elsewhere has a partner
	// missing; any other that stands alone is an accent.
	partnered := func(k int) bool { return k == 0 || k == len(order)-1 || order[k].isCap() || elsewhere(order, k) }
	switch {
	case readsBothWays(order[i+1:j+1]) && partnered(i): // the right side lacks what stands at i
		return &slip{at: j + 1, kind: missing, want: order[i].mirrored(), of: InMirror}
	case readsBothWays(order[i:j]) && partnered(j): // the left side lacks what stands at j
		return &slip{at: i, kind: missing, want: order[j].mirrored(), of: InMirror}
	case j-i > 2 && readsBothWays(order[i+1:j]) && elsewhere(order, i) && elsewhere(order, j):
		return &slip{at: j, kind: other, want: order[i].mirrored(), of: InMirror}
	}
	return nil
}

// slipInRepeat looks for one bead that keeps the order from being a repeat. The
// first repeat is taken as meant; a bead that is not in it is an accent.
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
		member := false
		for _, o := range order[:p] {
			member = member || o == order[i]
		}
		switch {
		case follows(i, 1):
			return &slip{at: i, kind: missing, want: want, of: InRepeat}
		case member && follows(i+1, p-1):
			return &slip{at: i, kind: extra, of: InRepeat}
		case member && follows(i+1, 0):
			return &slip{at: i, kind: other, want: want, of: InRepeat}
		}
	}
	return nil
}

// slipInRing looks for one bead that keeps a ring from being whole repeats, or its
// own mirror image about a bead that is there once. A ring short of a repeat does
// not meet itself, which loopBreak says.
func slipInRing(order []seen) *slip {
	n := len(order)
	for p := 2; p <= n/3; p++ {
		if n%p != 0 {
			continue
		}
		if found := oddOneIn(order, p); found != nil {
			return found
		}
	}
	for u := range order {
		if elsewhere(order, u) {
			continue
		}
		open := append(order[u+1:n:n], order[:u]...)
		if readsBothWays(open) {
			return nil
		}
		if found := slipInMirror(open); found != nil {
			found.at = (u + 1 + found.at) % n
			return found
		}
	}
	return nil
}

// oddOneIn finds the one bead of a ring that differs from those a whole number of
// repeats away, if all others agree and it is one of the pattern's.
func oddOneIn(order []seen, p int) *slip {
	n := len(order)
	var found *slip
	for i := range p {
		counts := map[seen]int{}
		for k := i; k < n; k += p {
			counts[order[k]]++
		}
		if len(counts) == 1 {
			continue
		}
		if len(counts) > 2 || found != nil {
			return nil
		}
		for k := i; k < n; k += p {
			if next := order[(k+p)%n]; counts[order[k]] == 1 && counts[next] == n/p-1 {
				found = &slip{at: k, kind: other, want: next, of: InRepeat}
			}
		}
		if found == nil {
			return nil
		}
	}
	if found == nil || !elsewhere(order, found.at) {
		return nil
	}
	return found
}

// bareSide finds the one bead with a cap on one side only, where all others of its
// kind have one on both.
func bareSide(s *measure.Strand, order []seen) *slip {
	n := len(order)
	capAt := func(k int, turned bool) bool {
		if s.Ring {
			k = (k + n) % n
		}
		return k >= 0 && k < n && order[k].isCap() && order[k].turned == turned
	}
	both, bare := map[seen]int{}, map[seen]int{}
	first := -1
	for i, o := range order {
		if o.isCap() {
			continue
		}
		switch before, behind := capAt(i-1, false), capAt(i+1, true); {
		case before && behind:
			both[o]++
		case before || behind:
			if bare[o]++; first < 0 {
				first = i
			}
		}
	}
	if first < 0 || bare[order[first]] != 1 || both[order[first]] == 0 {
		return nil
	}
	if capAt(first-1, false) {
		return &slip{at: first + 1, kind: missing, want: seen{order[(first-1+n)%n].material, true}, of: InCapping}
	}
	return &slip{at: first, kind: missing, want: seen{order[(first+1)%n].material, false}, of: InCapping}
}

// Order is what would be regular but for one bead.
type Order string

// The orders that are looked at.
const (
	InMirror  Order = "mirror"
	InRepeat  Order = "repeat"
	InCapping Order = "capping"
)

// How one bead may break an order. Beads count from 1.
type (
	BeadMissing struct {
		Bead   *material.Material
		Before int // the bead that it is missing before; 0 at the end
		In     Order
	}
	BeadExtra struct {
		Bead *material.Material
		N    int
		In   Order
	}
	BeadOther struct {
		Is, Wants *material.Material
		N         int
		In        Order
	}
)

// RemoveBead removes a bead.
type RemoveBead struct{ N int }

// ReplaceBead replaces it.
type ReplaceBead struct{ With *material.Material }

func (BeadMissing) fact() {}
func (BeadExtra) fact()   {}
func (BeadOther) fact()   {}

func (RemoveBead) effect()  {}
func (ReplaceBead) effect() {}
