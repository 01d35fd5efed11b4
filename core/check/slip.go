package check

import (
	"slices"

	"mala/core/design"
	"mala/core/material"
	"mala/core/measure"
)

// What a slip may be.
const (
	missing = "missing"
	extra   = "extra"
	other   = "other"
)

// slip is one bead that breaks an otherwise regular order.
type slip struct {
	at   int         // the gap or the bead, in the sequence
	kind string      // missing, extra, other
	want design.Seen // what should be there, for a missing or another bead
	of   Order

	perhaps bool // it is regular in another way as it is
}

// like finds a bead of the strand that shows what is wanted.
func (l *slip) like(s *measure.Strand) *measure.Bead {
	for i := range s.Beads {
		if s.Beads[i].Material == l.want.Material {
			return &s.Beads[i]
		}
	}
	return &s.Beads[0]
}

func (l *slip) spell(s *measure.Strand) string {
	if l.want.Turned {
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
	if n := len(order); n < fewestPattern || n > mostPattern || design.Runs(order) < fewestRuns {
		return nil
	}
	if found := bareSide(s, order); found != nil {
		return found
	}
	if s.Ring {
		if found, whole := beadInRepeats(s); found != nil || whole {
			return found
		}
		return slipInRing(order)
	}
	found, regular := slipInOpen(s, order)
	if found != nil || regular {
		return found
	}
	// Accents that change from place to place are accents still.
	blurred := blur(v.design(s), order)
	if found, _ = slipInOpen(s, blurred); found == nil || found.want == anAccent || blurred[min(found.at, len(order)-1)] == anAccent && found.kind != missing {
		return nil
	}
	return found
}

// slipInOpen looks for the slip of a strand with two ends; else it says whether the strand is regular.
func slipInOpen(s *measure.Strand, order []design.Seen) (found *slip, regular bool) {
	// A regular order has no slip, whichever way it is regular.
	if design.ReadsBothWays(order) {
		return nil, true
	}
	if p := design.Period(order); p <= len(order)/2 {
		if found := shortOfRepeat(s, order, p); found != nil {
			return found, true
		}
		// Repeats that begin in the middle of one may have been meant as a mirror.
		if found := slipInMirror(order); found != nil && found.kind == missing && order[0] == order[len(order)-1].Mirrored() {
			found.perhaps = true
			return found, true
		}
		return nil, true
	}
	if found := slipInRepeat(order); found != nil {
		return found, false
	}
	return slipInMirror(order), false
}

// anAccent stands for whatever accent there is.
var anAccent = design.Seen{Material: &material.Material{Bead: &material.Bead{Shape: material.Round}}}

// fewestAccents is from how many accents on, each another one, they are seen as alike.
const fewestAccents = 4

// blur leaves of accents that come once only that they are accents; the order itself where there are few.
func blur(d *design.Strand, order []design.Seen) []design.Seen {
	out, accents := slices.Clone(order), 0
	for i, role := range d.Roles {
		if (role == design.Accent || role == design.Feature || role == design.Separator) && !design.Elsewhere(order, i) {
			out[i], accents = anAccent, accents+1
		}
	}
	if accents < fewestAccents {
		return order
	}
	return out
}

// shortOfRepeat looks for the one bead that the last of several repeats lacks; if
// the line begins before its first group, for the one that its first lacks.
func shortOfRepeat(s *measure.Strand, order []design.Seen, p int) *slip {
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
func slipInMirror(order []design.Seen) *slip {
	i, j := 0, len(order)-1
	for i < j && order[i] == order[j].Mirrored() {
		i, j = i+1, j-1
	}
	// A bead at the very end, a cap and a bead that is there elsewhere has a partner
	// missing; any other that stands alone is an accent.
	partnered := func(k int) bool { return k == 0 || k == len(order)-1 || order[k].IsCap() || design.Elsewhere(order, k) }
	switch {
	case design.ReadsBothWays(order[i+1:j+1]) && partnered(i): // the right side lacks what stands at i
		return &slip{at: j + 1, kind: missing, want: order[i].Mirrored(), of: InMirror}
	case design.ReadsBothWays(order[i:j]) && partnered(j): // the left side lacks what stands at j
		return &slip{at: i, kind: missing, want: order[j].Mirrored(), of: InMirror}
	case j-i > 2 && design.ReadsBothWays(order[i+1:j]) && design.Elsewhere(order, i) && design.Elsewhere(order, j):
		return &slip{at: j, kind: other, want: order[i].Mirrored(), of: InMirror}
	}
	return nil
}

// slipInRepeat looks for one bead that keeps the order from being a repeat. The
// first repeat is taken as meant; a bead that is not in it is an accent.
func slipInRepeat(order []design.Seen) *slip {
	n := len(order)
	for p := 2; p <= n/3; p++ {
		i := p
		for i < n && order[i] == order[i-p] {
			i++
		}
		if i == n || n-i < p || design.Runs(order[:p]) < 2 {
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
// own mirror image about a bead that is there once.
func slipInRing(order []design.Seen) *slip {
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
		if design.Elsewhere(order, u) {
			continue
		}
		open := append(order[u+1:n:n], order[:u]...)
		if design.ReadsBothWays(open) {
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
func oddOneIn(order []design.Seen, p int) *slip {
	n := len(order)
	var found *slip
	for i := range p {
		counts := map[design.Seen]int{}
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
	if found == nil || !design.Elsewhere(order, found.at) {
		return nil
	}
	return found
}

// bareSide finds the one bead with a cap on one side only, where all others of its
// kind have one on both.
func bareSide(s *measure.Strand, order []design.Seen) *slip {
	n := len(order)
	capAt := func(k int, turned bool) bool {
		if s.Ring {
			k = (k + n) % n
		}
		return k >= 0 && k < n && order[k].IsCap() && order[k].Turned == turned
	}
	both, bare := map[design.Seen]int{}, map[design.Seen]int{}
	first := -1
	for i, o := range order {
		if o.IsCap() {
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
	// A cap that lies there the wrong way round is not missing.
	wrong := func(k, beyond int, turned bool) bool {
		beyond = (beyond + n) % n
		return capAt(k, turned) && (order[beyond].IsCap() || both[order[beyond]] == 0)
	}
	if wrong(first+1, first+2, false) || wrong(first-1, first-2, true) {
		return nil
	}
	if capAt(first-1, false) {
		return &slip{at: first + 1, kind: missing, want: design.Seen{Material: order[(first-1+n)%n].Material, Turned: true}, of: InCapping}
	}
	return &slip{at: first, kind: missing, want: design.Seen{Material: order[(first+1)%n].Material}, of: InCapping}
}
