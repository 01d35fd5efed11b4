package piece

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/testparts"
)

// Every way to make an end, right and just not.
func TestEndsThatCanBeMadeAndThoseThatCannot(t *testing.T) {
	line := func(text string) *pattern.Line {
		l := testparts.Line(t, text)
		return l
	}
	ending := func(side Side, e Ending) func(*Piece) {
		return func(p *Piece) {
			p.Palette = map[string]*material.Material{"P": {ID: "pearl", Name: "Pearl", Bead: &material.Bead{Shape: material.Round, Across: 4, Hole: 1}}}
			*p.Leading().Ending(side) = e
		}
	}
	loose := func(e Ending) func(*Piece) {
		return func(p *Piece) {
			ending(Left, e)(p)
			p.Leading().Left, p.Closure = nil, Closure{Type: Tied}
		}
	}
	folded := func(side Side, passes int) func(*Piece) {
		return func(p *Piece) { ending(side, Ending{Way: WayFold})(p); p.Leading().Passes = passes }
	}
	loop := func(text string) func(*Piece) { return ending(Right, Ending{Way: WayLoop, Loop: line(text)}) }
	tail := func(l float64) func(*Piece) {
		mm := length.MM(l)
		return ending(Left, Ending{Tail: Tail{Length: &mm}})
	}
	beads := func(n int) func(*Piece) { return ending(Right, Ending{Tail: Tail{Beads: &n}}) }
	charm := &material.Material{ID: "charm", Name: "Charm", Bead: &material.Bead{Shape: material.Charm}}
	pearl := &material.Material{ID: "pearl", Name: "Pearl", Bead: &material.Bead{Shape: material.Round}}
	hung := func(n int, of *material.Material) func(*Piece) {
		e := Ending{Way: WayLoop, Loop: line("9P")}
		for range n {
			e.Hung = append(e.Hung, of)
		}
		return ending(Left, e)
	}
	for _, tt := range []struct {
		name       string
		right, not func(*Piece)
		says       string
	}{
		{"a way", ending(Left, Ending{Way: WayHiddenKnot}), ending(Left, Ending{Way: "bow"}), `leftEnd.way: "bow" is no way`},
		{"a loop's beads", loop("400P"), loop("401P"), "rightEnd.loop: A loop has at most 400 beads; this one has 401."},
		{"a loop of something", loop("P"), ending(Right, Ending{Way: WayLoop}), "rightEnd.loop: Put beads on the loop"},
		{"a loop counted out", loop("2(3P)"), loop("{P}"), "rightEnd.loop: A loop has no length to fill."},
		{"a loop of dishes", loop("9P"), loop("9Q"), "rightEnd.loop: No dish has the letter Q."},
		{"the shortest leg", loose(Ending{Way: WayLeg, Leg: 5}), loose(Ending{Way: WayLeg, Leg: 4.99}), "leftEnd.legMm: 4.99 mm is out of range"},
		{"the longest leg", loose(Ending{Way: WayLeg, Leg: 1000}), loose(Ending{Way: WayLeg, Leg: 1000.1}), "leftEnd.legMm"},
		{"a bead on a leg", loose(Ending{Way: WayLeg, Leg: 60, Bead: pearl}), loose(Ending{Way: WayLeg, Leg: 60, Bead: charm}), "leftEnd.bead: Charm cannot be strung on a leg."},
		{"a leg alone", loose(Ending{Way: WayLeg, Leg: 60}), ending(Left, Ending{Way: WayLeg, Leg: 60}), "leftEnd.way: An end on a leg carries no fittings."},
		{"a fold of two cords", folded(Left, 2), folded(Left, 3), "leftEnd.way: The fold of the cord lies at the left end"},
		{"a fold at the left", folded(Left, 4), folded(Right, 2), "rightEnd.way: The fold of the cord lies at the left end"},
		{"what holds the first end", ending(Left, Ending{Stop: StopClip}), ending(Left, Ending{Stop: "glue"}), `leftEnd.stop: "glue" does not hold the left end`},
		{"at the left alone", ending(Left, Ending{Stop: StopSpool}), ending(Right, Ending{Stop: StopSpool}), `rightEnd.stop: "spool" does not hold the right end`},
		{"no tail", tail(0), tail(-1), "leftEnd.tailMm"},
		{"the longest tail", tail(500), tail(501), "leftEnd.tailMm"},
		{"a tail of beads", beads(50), beads(51), "rightEnd.tailBeads: A tail goes back through 0 to 50 beads, not 51."},
		{"a tail of no bead", beads(0), beads(-1), "rightEnd.tailBeads"},
		{"ten charms on a loop", hung(10, charm), hung(11, charm), "leftEnd.hung: At most 10 things hang on one loop."},
		{"what hangs", hung(1, charm), hung(1, pearl), "leftEnd.hung: Pearl does not hang."},
	} {
		p := strand()
		tt.right(p)
		if faults := p.Check(); len(faults) > 0 {
			t.Errorf("%s: %v", tt.name, faults)
		}
		p = strand()
		tt.not(p)
		faults := p.Check()
		if len(faults) != 1 || !strings.Contains(faults[0].Error(), tt.says) {
			t.Errorf("not %s: %v, want %q", tt.name, faults, tt.says)
		}
	}
}

func TestAChainHasLinksAndNothingElseHas(t *testing.T) {
	chained := func(n int) *Piece {
		p := strand()
		p.Closure.Right = []Fitting{{ID: "x1", Of: finding(material.Chain), Links: n}}
		return p
	}
	for n, faults := range map[int]int{1: 0, 2000: 0, 0: 1, 2001: 1, -1: 1} {
		if got := chained(n).Check(); len(got) != faults {
			t.Errorf("%d links: %v", n, got)
		}
	}
	both := chained(1000)
	both.Closure.Right = append(both.Closure.Right, Fitting{ID: "x2", Of: finding(material.Chain), Links: 1000})
	if got := both.Check(); len(got) != 0 {
		t.Errorf("2,000 links in all: %v", got)
	}
	both.Closure.Right[1].Links++
	if got := both.Check(); len(got) != 1 || got[0].Where != "closure.right[1].links" {
		t.Errorf("one more: %v", got)
	}
	p := strand()
	p.Closure.Left[0].Links = 3
	if got := p.Check(); len(got) != 1 || got[0].Where != "closure.left[0].links" {
		t.Errorf("a clasp with links: %v", got)
	}
	p = strand()
	p.Leading().Left = []Fitting{{ID: "x1", Of: finding(material.Chain), Links: 3}}
	if got := p.Check(); len(got) != 0 {
		t.Errorf("a chain on the cord: %v", got)
	}
	for _, links := range []int{0, MostChain + 1} {
		if p.Leading().Left[0].Links = links; len(p.Check()) != 1 || p.Check()[0].Where != "sections[0].rows[0].left[0].links" {
			t.Errorf("of %d links: %v", links, p.Check())
		}
	}
}

func TestWhatIsTiedDoesNotSlipOnAndIsNoRing(t *testing.T) {
	p := strand()
	p.Leading().Left, p.Leading().Right = nil, nil
	for closure, slips := range map[ClosureType]bool{Clasp: false, Knot: true, None: true, Tied: false} {
		p.Closure = Closure{Type: closure}
		if p.SlipsOn() != slips || p.IsRing(p.Leading()) != slips {
			t.Errorf("%s: slips on %v, a ring %v", closure, p.SlipsOn(), p.IsRing(p.Leading()))
		}
	}
	for way, faults := range map[Way]int{WayLoop: 1, WayLeg: 1, WayFold: 1, WayHiddenKnot: 0, WayUnderBead: 0} {
		p.Closure, p.Leading().LeftEnding = Closure{Type: Knot}, Ending{Way: way}
		if got := p.Check(); len(got) != faults {
			t.Errorf("a ring that ends by %s: %v", way, got)
		}
	}
	p.Leading().LeftEnding = Ending{}
	p.Closure = Closure{Type: Tied, Left: []Fitting{{ID: "c1", Of: finding(material.JumpRing)}}}
	if faults := p.Check(); len(faults) != 1 || !strings.Contains(faults[0].Says, "has no clasp or rings") {
		t.Errorf("%v", faults)
	}
}
