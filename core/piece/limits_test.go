package piece

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Every limit, with the last value that is right and the first that is not.
func TestLimitsAreWhereTheyAreSaidToBe(t *testing.T) {
	letters := func(n int) string { return strings.Repeat("ü", n) }
	body := func(b Body) func(*Piece) { return func(p *Piece) { b.Part = "wrist"; p.Body = &b } }
	named := func(ease, sizes, lengths int) func(*Piece) {
		return func(p *Piece) {
			p.House.Ease, p.House.Sizes, p.House.Lengths = nil, nil, nil
			for range ease {
				p.House.Ease = append(p.House.Ease, Ease{Part: "wrist", Word: "snug", From: 0, To: 6})
			}
			for range sizes {
				p.House.Sizes = append(p.House.Sizes, BodySize{Part: "wrist", Name: "small", Measure: 150})
			}
			for range lengths {
				p.House.Lengths = append(p.House.Lengths, NamedLength{Kind: Necklace, Name: "long", From: 400, To: 450})
			}
		}
	}
	sized := func(n int, s Size) func(*Piece) {
		return func(p *Piece) {
			for i := range n {
				one := s
				one.Name, one.Line = s.Name+string(rune('a'+i)), &pattern.Line{}
				p.Sizes = append(p.Sizes, one)
			}
		}
	}
	lined := func(line string) func(*Piece) {
		return func(p *Piece) {
			sized(1, Size{Measure: 160})(p)
			p.Palette = map[string]*material.Material{"P": {ID: "pearl", Class: material.ClassBead, Bead: &material.Bead{Shape: material.Round, Across: 4, Hole: 1}}}
			p.Sizes[0].Line, _ = pattern.Parse(line)
		}
	}
	for _, tt := range []struct {
		name       string
		right, not func(*Piece)
	}{
		{"12 sizes", sized(12, Size{Measure: 160}), sized(13, Size{Measure: 160})},
		{"the name of a size", sized(1, Size{Name: letters(39), Measure: 160}), sized(1, Size{Name: letters(40), Measure: 160})},
		{"a size named twice", sized(2, Size{Measure: 160}), func(p *Piece) {
			sized(2, Size{Measure: 160})(p)
			p.Sizes[1].Name = p.Sizes[0].Name
		}},
		{"a size without a name", sized(1, Size{Measure: 160}), func(p *Piece) {
			sized(1, Size{Measure: 160})(p)
			p.Sizes[0].Name = " "
		}},
		{"the smallest measure of a size", sized(1, Size{Measure: 20}), sized(1, Size{Measure: 19.9})},
		{"the greatest measure of a size", sized(1, Size{Measure: 2000}), sized(1, Size{Measure: 2000.1})},
		{"the shortest length of a size", sized(1, Size{Finished: 1}), sized(1, Size{Finished: 0.9})},
		{"the longest length of a size", sized(1, Size{Finished: length.Longest}), sized(1, Size{Finished: length.Longest + 1})},
		{"one aim of a size", sized(1, Size{Finished: 160}), sized(1, Size{Finished: 160, Measure: 160})},
		{"an aim of a size", sized(1, Size{Measure: 160}), sized(1, Size{})},
		{"the line of a size", sized(1, Size{Measure: 160}), func(p *Piece) { p.Sizes = []Size{{Name: "a", Measure: 160}} }},
		{"the beads of a size", lined("2(5000P)"), lined("P 2(5000P)")},
		{"the counts of a size", lined("P"), lined("{P}")},
		{"the dishes of a size", sized(1, Size{Measure: 160}), func(p *Piece) {
			sized(1, Size{Measure: 160})(p)
			p.Sizes[0].Line, _ = pattern.Parse("3Zz")
		}},
		{"a target of 1 mm", func(p *Piece) { p.Target = &Target{Finished: 1} }, func(p *Piece) { p.Target = &Target{Finished: 0.99} }},
		{"a target of 100 m", func(p *Piece) { p.Target = &Target{Finished: length.Longest} }, func(p *Piece) { p.Target = &Target{Finished: length.Longest + 1} }},
		{"a tolerance of the whole", func(p *Piece) { p.Target = &Target{Finished: 100, Tolerance: 100} }, func(p *Piece) { p.Target = &Target{Finished: 100, Tolerance: 100.1} }},
		{"a measure of 2 m", body(Body{Measure: 2000}), body(Body{Measure: 2000.1})},
		{"a hand of 2 m", body(Body{Hand: 2000}), body(Body{Hand: -0.1})},
		{"a head of 2 m", body(Body{Head: 2000}), body(Body{Head: 2001})},
		{"a size of 40 letters", body(Body{For: letters(40)}), body(Body{For: letters(41)})},
		{"a fit of 40 letters", body(Body{Fit: letters(40)}), body(Body{Fit: letters(41)})},
		{"a reason of 500 letters", func(p *Piece) { p.Waived = []Waiver{{Note: letters(500)}} }, func(p *Piece) { p.Waived = []Waiver{{Note: letters(501)}} }},
		{"a reason of one", func(p *Piece) { p.Waived = []Waiver{{Note: "x"}} }, func(p *Piece) { p.Waived = []Waiver{{Note: "  "}} }},
		{"no tail", func(p *Piece) { p.House.TailBeads = 0 }, func(p *Piece) { p.House.TailBeads = -1 }},
		{"a tail of 50 beads", func(p *Piece) { p.House.TailBeads = 50 }, func(p *Piece) { p.House.TailBeads = 51 }},
		{"60 eases", named(60, 0, 0), named(61, 0, 0)},
		{"60 sizes", named(0, 60, 0), named(0, 61, 0)},
		{"60 lengths", named(0, 0, 60), named(0, 0, 61)},
		{"a word of 40 letters", func(p *Piece) { named(1, 0, 0)(p); p.House.Ease[0].Word = letters(40) }, func(p *Piece) { named(1, 0, 0)(p); p.House.Ease[0].Word = letters(41) }},
		{"an ease from below nothing", func(p *Piece) { named(1, 0, 0)(p); p.House.Ease[0].From, p.House.Ease[0].To = -6, 0 }, func(p *Piece) { named(1, 0, 0)(p); p.House.Ease[0].From, p.House.Ease[0].To = 6, 5.9 }},
		{"an ease without an end", func(p *Piece) { named(1, 0, 0)(p); p.House.Ease[0].From, p.House.Ease[0].To = 25, 0 }, func(p *Piece) { named(1, 0, 0)(p); p.House.Ease[0].From, p.House.Ease[0].To = -6, -7 }},
		{"one pass", func(p *Piece) { p.Leading().Passes = 1 }, func(p *Piece) { p.Leading().Passes = 0 }},
		{"seven passes", func(p *Piece) { p.Leading().Passes = 7 }, func(p *Piece) { p.Leading().Passes = 8 }},
		{"a ring's own nothing", func(p *Piece) { p.Closure = Closure{Type: Knot} }, func(p *Piece) {
			p.Closure = Closure{Type: Knot, Right: []Fitting{{ID: "c1", Of: finding(material.JumpRing)}}}
		}},
	} {
		for want, change := range map[int]func(*Piece){0: tt.right, 1: tt.not} {
			p := strand()
			change(p)
			if faults := p.Check(); len(faults) != want {
				t.Errorf("%s: %d faults wanted, not %v", tt.name, want, faults)
			}
		}
	}
}

func TestASeriesCloses(t *testing.T) {
	p := strand()
	p.Sections = append(p.Sections, Section{})
	if faults := p.Check(); len(faults) == 0 || !strings.Contains(faults[len(faults)-1].Says, "this piece has 0") {
		t.Errorf("%v", faults)
	}
}

func TestANewFittingHasTheFirstFreeID(t *testing.T) {
	p := strand()
	if f := p.NewFitting(finding(material.JumpRing)); f.ID != "f2" {
		t.Errorf("it has %s", f.ID)
	}
	p.Leading().Right = []Fitting{{ID: "f2", Of: finding(material.CrimpTube)}, {ID: "f4", Of: finding(material.CrimpTube)}}
	if f := p.NewFitting(finding(material.JumpRing)); f.ID != "f3" {
		t.Errorf("it has %s", f.ID)
	}
}

func TestTheShopStartsFromTheseRanges(t *testing.T) {
	found := 0
	for _, e := range DefaultHouse().Ease {
		if e.Stretch && e.Part != "neck" {
			found++
			if e.From != -6 || e.To != 6 {
				t.Errorf("%s: %v to %v", e.Part, e.From, e.To)
			}
		}
	}
	if found != 2 {
		t.Errorf("%d of them", found)
	}
}
