package solve

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// hasMoves fails unless a kind of move has these settings for a goal this much further, each with
// the beads that move and what else it costs, and each as much longer as measuring it says.
func hasMoves(t *testing.T, move func(t *task) []knob, further float64, rules Rules, change func(p *piece.Piece), want ...string) {
	t.Helper()
	m := necklace(t, "3P 2S G", change)
	goal := to(float64(m.Finished)+further, 1)
	task := newTask(t.Context(), m, goal, rules)
	var got []string
	for _, k := range move(task) {
		for i := range k.settings {
			s := &k.settings[i]
			got = append(got, fmt.Sprintf("%s: %d, %d", Changed(s.does), s.moved, s.tier))
			w := way{at: []*setting{s}, cost: cost{changes: 1}}
			after, err := edit.Try(m.Piece, rules.Shelf, task.opsOf(&w)...)
			if err != nil {
				t.Fatalf("%s: %v", Changed(s.does), err)
			}
			if is := float64(after.Finished - m.Finished - s.by); math.Abs(is) > 0.6 {
				t.Errorf("%s is %+.2f off from %+.2f", Changed(s.does), is, s.by)
			}
		}
	}
	if !slices.Equal(got, want) {
		t.Errorf("moves are\n%s\nwant\n%s", strings.Join(got, "\n"), strings.Join(want, "\n"))
	}
}

func unchanged(*piece.Piece) {}

func wholeRow(p *piece.Piece) { p.Pins = []piece.Pin{{Row: "r1"}} }

var rowPin = Rules{Pins: []piece.Pin{{Row: "r1"}}}

// A run goes from one bead to as many as reach the goal and 15 mm past it; of spacers there are one or
// two beside one another, and what comes once comes once.
func TestRunsChangeByWholeBeads(t *testing.T) {
	var want []string
	list := func(letter string, from, to, tier int) {
		run := func(n int) string {
			if n == 1 {
				return letter
			}
			return fmt.Sprint(n, letter)
		}
		was := map[string]int{"P": 3, "S": 2, "G": 1}[letter]
		for n := from; n <= to; n++ {
			if n != was {
				want = append(want, fmt.Sprintf("%s to %s: %d, %d", run(was), run(n), max(n-was, was-n), tier))
			}
		}
	}
	list("P", 1, 8, 1)
	list("S", 1, 2, 3)
	hasMoves(t, counts, 1, Rules{}, unchanged, want...)
	hasMoves(t, counts, 1, rowPin, wholeRow)
	hasMoves(t, counts, 1, Rules{Pins: []piece.Pin{{Letter: "S"}, {Letter: "G"}, {Row: "r1", Run: "3P"}}}, unchanged)
}

// A spacer comes at an end, no further than the goal and 15 mm past it, the shortest kinds first; not
// what the cord does not pass, what hangs, or what is pinned, nor what is no smaller than the rest.
func TestSpacersComeAtTheEnds(t *testing.T) {
	more := func(p *piece.Piece) {
		p.Palette["N"] = testparts.Bead(t, "just passes", material.Bead{Shape: material.Spacer, Across: 2, Along: 2, Hole: material.HoleFor(1, 0.38)}, 0.1)
		p.Palette["M"] = testparts.Bead(t, "does not pass", material.Bead{Shape: material.Spacer, Across: 2, Along: 2, Hole: material.HoleFor(1, 0.38) - 0.01}, 0.1)
	}
	hasMoves(t, ends, 1, Rules{Pins: []piece.Pin{{Letter: "P"}}}, more, "1 × spacer more at the right: 1, 5", "1 × just passes more at the right: 1, 5")
	hasMoves(t, ends, 1, rowPin, wholeRow)
	hasMoves(t, ends, 1, Rules{}, func(p *piece.Piece) {
		p.Closure, p.Leading().Left, p.Leading().Right = piece.Closure{Type: piece.Knot}, nil, nil
	})
}

// A spacer changes for one of its shape and look, whose hole takes as much, the nearest in size
// first.
func TestBeadsChangeForOtherSizes(t *testing.T) {
	spacer := func(id string, along, hole length.MM) *material.Material {
		return testparts.Bead(t, id, material.Bead{Shape: material.Spacer, Across: 3, Along: along, Hole: hole}, 0.1)
	}
	other := spacer("other look", 2, 1)
	other.Look.Colour = "#123456"
	shelf := []*material.Material{spacer("thick", 3, 1), spacer("two", 2, 1), spacer("thin", 1, 1), spacer("four", 4, 1), spacer("five", 5, 1), spacer("same", 1.5, 1), spacer("tight", 2, 0.99), other, round(t, "five round", 5)}
	only := Rules{Shelf: shelf}
	hasMoves(t, sizes, 3, only, unchanged, "spacer of 1 mm along the cord in place of 1.5 mm along the cord: 2, 5", "spacer of 2 mm along the cord in place of 1.5 mm along the cord: 2, 5",
		"spacer of 3 mm along the cord in place of 1.5 mm along the cord: 2, 5", "spacer of 4 mm along the cord in place of 1.5 mm along the cord: 2, 5")
	hasMoves(t, sizes, 3, Rules{Shelf: shelf, Pins: []piece.Pin{{Letter: "S"}}}, unchanged)
	hasMoves(t, sizes, 3, Rules{Shelf: shelf, Pins: rowPin.Pins}, wholeRow)
}

func TestFittingsChangeByWholeLinksRingsAndClasps(t *testing.T) {
	finding := func(id, metal string, f material.Finding) *material.Material {
		return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Metal: metal, Finding: &f}
	}
	chain := finding("chain", "brass", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6})
	hung := func(p *piece.Piece) {
		p.Closure.Right = append([]piece.Fitting{{ID: "k", Of: chain, Links: 3}}, p.Closure.Right...)
	}
	hasMoves(t, links, 1, Rules{}, hung, "1 link of chain in place of 3: 2, 4", "2 links of chain in place of 3: 1, 4", "4 links of chain in place of 3: 1, 4",
		"5 links of chain in place of 3: 2, 4", "6 links of chain in place of 3: 3, 4", "7 links of chain in place of 3: 4, 4", "8 links of chain in place of 3: 5, 4")
	both := func(p *piece.Piece) {
		hung(p)
		p.Closure.Left = append(p.Closure.Left, piece.Fitting{ID: "kl", Of: chain, Links: 3})
	}
	hasMoves(t, links, 1, Rules{}, both, "1 link of chain in place of 3 at each side: 4, 4", "2 links of chain in place of 3 at each side: 2, 4",
		"4 links of chain in place of 3 at each side: 2, 4", "5 links of chain in place of 3 at each side: 4, 4")
	// One ring more where the clasp takes hold is one more place, and makes the shortest no longer.
	hasMoves(t, rings, 1, Rules{}, unchanged, "one more ring at the left: 1, 4")
	two := func(p *piece.Piece) {
		p.Closure.Left = append(p.Closure.Left, piece.Fitting{ID: "e2", Of: p.Closure.Right[0].Of})
	}
	hasMoves(t, rings, 1, Rules{}, two, "one more ring at the left: 1, 4", "one ring less at the left: 1, 4")
	clasp := func(id, metal string, long length.MM) *material.Material {
		return finding(id, metal, material.Finding{Type: material.Hook, Closed: long})
	}
	shelf := []*material.Material{clasp("d", "brass", 14), clasp("b", "brass", 12), clasp("silver", "silver", 12), clasp("as long", "brass", 8.6), clasp("a", "brass", 11), clasp("c", "brass", 13), clasp("e", "brass", 15)}
	hasMoves(t, clasps, 1, Rules{Shelf: shelf}, unchanged, "a in place of lobster: 1, 6", "b in place of lobster: 1, 6", "c in place of lobster: 1, 6")
	for _, move := range []func(t *task) []knob{links, rings, clasps, slack} {
		hasMoves(t, move, 1, Rules{Shelf: shelf, Pins: rowPin.Pins}, func(p *piece.Piece) { hung(p); wholeRow(p) })
	}
}

// Slack is set in half millimetres from what bending needs to 5 mm more; a stretch ring has none.
func TestSlackStaysWithinItsBand(t *testing.T) {
	m := necklace(t, "3P 2S G")
	s := m.Leading()
	var want []string
	for at := length.MM(0.5); at <= s.SlackNeeded+5; at += 0.5 {
		if at >= s.SlackNeeded && math.Abs(float64(at-s.Slack)) > 0.01 {
			want = append(want, fmt.Sprintf("slack of %v in place of %v: 0, 7", at, s.Slack))
		}
	}
	hasMoves(t, slack, 1, Rules{}, unchanged, want...)
	exact := func(p *piece.Piece) { p.Leading().Slack = &s.SlackNeeded }
	if len(want) != 10 {
		t.Errorf("%v", want)
	}
	hasMoves(t, slack, 1, Rules{}, exact, want...)
	hasMoves(t, slack, 1, Rules{}, func(p *piece.Piece) {
		p.Closure, p.Leading().Left, p.Leading().Right = piece.Closure{Type: piece.Knot}, nil, nil
	})
	hasMoves(t, slack, 1, Rules{}, func(p *piece.Piece) {
		p.Leading().Lacing = &piece.Lacing{Way: piece.LacedStraight}
		for key := range p.Palette {
			p.Palette[key] = testparts.Bead(t, "flat "+key, material.Bead{Shape: material.Button, Across: 12, Along: 2, Hole: 1, Holes: 2, Apart: 3}, 0.3)
		}
	})
	hasMoves(t, slack, 1, Rules{}, func(p *piece.Piece) {
		p.Kind, p.Closure = piece.Ornament, piece.Closure{Type: piece.Hung}
		p.Leading().LeftEnding, p.Leading().RightEnding = piece.Ending{Way: piece.WayStopped}, piece.Ending{Way: piece.WayCordLoop, Girth: 90}
	})
}

// With the bead line alone in hand, nothing else is a move.
func TestTheBeadLineAloneChanges(t *testing.T) {
	m := necklace(t, "3P 2S G")
	for _, rules := range []Rules{{}, {LineOnly: true}} {
		task := newTask(t.Context(), m, to(float64(m.Finished)+1, 1), rules)
		task.gather()
		others := 0
		for _, k := range task.knobs {
			for _, s := range k.settings {
				if len(s.ops) > 0 {
					others++
				}
			}
		}
		if (others == 0) != rules.LineOnly {
			t.Errorf("%+v: %d other moves", rules, others)
		}
	}
}

// The centre of a mirror keeps its beads, as many and of their size.
func TestTheCentreStays(t *testing.T) {
	shelf := []*material.Material{round(t, "pearl 5", 5), round(t, "glass 9", 9)}
	m := necklace(t, "<3P S 3P | 2G (S T)>")
	task := newTask(t.Context(), m, to(float64(m.Finished)+4, 1), Rules{Shelf: shelf})
	task.gather()
	some := false
	for _, k := range task.knobs {
		for _, s := range k.settings {
			some = some || Changed(s.does) == "2nd 3P to 4P"
			if len(s.parts) > 0 && strings.Contains(s.parts[0].node.String(), "G") || strings.Contains(Changed(s.does), "T)") || strings.HasPrefix(Changed(s.does), "glass of") {
				t.Errorf("%s", Changed(s.does))
			}
		}
	}
	if !some {
		t.Error("no run changes")
	}
}

func TestRunsThatAreWrittenAlikeAreNumbered(t *testing.T) {
	line := testparts.Line(t, strings.Repeat("P S ", 24)+"G")
	for i, want := range map[int]int{0: 1, 2: 2, 20: 11, 43: 22, 44: 23, 48: 0} {
		if got := nthAlike(line, line.Items[i]); got != want {
			t.Errorf("item %d: %d, want %d", i, got, want)
		}
	}
}
