package measure

import (
	"fmt"
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

func TestWhereAPieceCanBeClosed(t *testing.T) {
	ring := func(inside length.MM) *material.Material {
		return finding(t, material.Finding{Type: material.JumpRing, Inside: inside, Wire: 0.7})
	}
	chain := finding(t, material.Finding{Type: material.Extender, Inside: 3, Wire: 0.6, Links: 4})
	lobster := finding(t, material.Finding{Type: material.Lobster, Closed: 8.6})
	toggle := finding(t, material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 18, BarThickness: 2, BarEye: 2})
	for _, tt := range []struct {
		name        string
		left, right []*material.Material
		longer      []length.MM // than the shortest place
	}{
		{"one ring", []*material.Material{lobster}, []*material.Material{ring(4)}, nil},
		{"two rings", []*material.Material{lobster}, []*material.Material{ring(5), ring(4)}, []length.MM{0, 5}},
		{"three rings", []*material.Material{lobster}, []*material.Material{ring(6), ring(5), ring(4)}, []length.MM{0, 5, 11}},
		{"an extender", []*material.Material{lobster}, []*material.Material{chain}, []length.MM{0, 3, 6, 9}},
		{"a ring beyond an extender", []*material.Material{lobster}, []*material.Material{ring(5), chain}, []length.MM{0, 3, 6, 9, 14}},
		{"a ring between extender and piece", []*material.Material{lobster}, []*material.Material{chain, ring(5)}, []length.MM{0, 3, 6, 9}},
		{"the clasp on the right", []*material.Material{ring(5), ring(4)}, []*material.Material{lobster}, []length.MM{0, 5}},
		{"rings on the clasp's own side", []*material.Material{lobster, ring(4), ring(4)}, []*material.Material{ring(4)}, nil},
		{"a toggle", []*material.Material{toggle}, []*material.Material{ring(4), ring(4)}, nil},
		{"no clasp", nil, []*material.Material{ring(4), ring(4)}, nil},
	} {
		p := strung(t, "20R")
		p.Closure.Left, p.Closure.Right = fittings("cl", tt.left...), fittings("cr", tt.right...)
		m := measured(t, p)
		got := m.Positions()
		if len(got) != len(tt.longer) {
			t.Errorf("%s: %v", tt.name, got)
			continue
		}
		for i, longer := range tt.longer {
			if got[i].Link != i+1 {
				t.Errorf("%s: link %d is called %d", tt.name, i+1, got[i].Link)
			}
			near(t, tt.name, got[i].Finished, m.Finished+longer, 1e-9)
		}
	}
}

func TestTheWholeNumberNearestToALength(t *testing.T) {
	each := func(mm length.MM) func(int) (length.MM, error) {
		return func(n int) (length.MM, error) { return 10 + mm*length.MM(n), nil }
	}
	for _, tt := range []struct {
		want length.MM
		most int
		n    int
	}{
		{5, 100, 0}, {10, 100, 0}, {11.9, 100, 0}, {12, 100, 0}, {12.1, 100, 1}, {14, 100, 1}, {16, 100, 1}, {16.01, 100, 2},
		{130, 100, 30}, {132, 100, 30}, {133, 100, 31}, {410, 100, 100}, {4000, 100, 100}, {4000, 0, 0}, {18, 2, 2}, {22, 2, 2}, {406, 99, 99}, {402, 98, 98},
	} {
		n, err := nearest(tt.want, tt.most, each(4))
		if err != nil || n != tt.n {
			t.Errorf("%v from 10 in steps of 4, at most %d: %d, want %d (%v)", tt.want, tt.most, n, tt.n, err)
		}
	}
	failing := func(from int) func(int) (length.MM, error) {
		return func(n int) (length.MM, error) {
			if n >= from {
				return 0, pattern.NoDish(&pattern.Node{Unit: pattern.Bead{Key: "Q"}, Col: 1})
			}
			return length.MM(n), nil
		}
	}
	for from := range 3 {
		if _, err := nearest(50, 100, failing(from)); err == nil {
			t.Errorf("an error at %d was lost", from)
		}
	}
}

func TestAFindingMovesTheLengthAsOftenAsItCounts(t *testing.T) {
	p := strung(t, "20R")
	ring := p.Closure.Right[0].Of
	p.Closure.Left = append(p.Closure.Left, piece.Fitting{ID: "more", Of: ring})
	m := measured(t, p)
	slope := map[*material.Material]length.MM{}
	for _, s := range m.Sensitivity {
		slope[s.Material] = s.PerTenth
	}
	near(t, "a ring at either end", slope[ring], 0.2, 1e-9)
	near(t, "the crimps", slope[p.Leading().Left[0].Of], 0.2, 1e-9)
	near(t, "the clasp", slope[p.Closure.Left[0].Of], 0.1, 1e-9)
	// Swallowed, a crimp has no length to move.
	swallowed := measured(t, strung(t, "20R G"))
	for _, s := range swallowed.Sensitivity {
		if f := s.Material.Finding; f != nil && f.IsCrimp() {
			near(t, "one crimp of two swallowed", s.PerTenth, 0.1, 1e-9)
		}
	}
}

func TestWhatIsSwallowedIsTheBeadAndItsNeighbour(t *testing.T) {
	for _, tt := range []struct {
		name string
		p    *piece.Piece
		want []bool
	}{
		{"inside a strand", strung(t, "P G S P"), []bool{false, true, true, false}},
		{"at both its ends", strung(t, "S G P G S"), []bool{true, true, false, true, true}},
		{"first and last of a strand do not meet", strung(t, "G 2P S"), []bool{false, false, false, false}},
		{"first and last of a ring do", stretch(t, "G 2P S"), []bool{true, false, false, true}},
		{"one bead alone", stretch(t, "G"), []bool{false}},
	} {
		m := measured(t, tt.p)
		for i, b := range m.Leading().Beads {
			if b.Swallowed != tt.want[i] {
				t.Errorf("%s: bead %d swallowed %v", tt.name, i, b.Swallowed)
			}
		}
	}
}

func TestALettersDishIsLookedForWhereverItStands(t *testing.T) {
	for _, line := range []string{"Q", "3(P Q)", "<P | Q>", "{25mm: Q}"} {
		p := strung(t, "P")
		parsed := testparts.Line(t, line)
		p.Leading().Line = parsed
		if _, err := Measure(p); err == nil {
			t.Errorf("%s was measured without a dish Q", line)
		}
	}
}

// What bending opens is summed over every joint of the strand, twice that over a
// strand of twice the beads in a loop twice as long being the same again.
func TestTheGapsOfBending(t *testing.T) {
	m := measured(t, strung(t, "20R"))
	s := m.Leading()
	loop := 200.0
	radius := s.parts[0].right
	want, pitch := 0.0, s.parts[1].length
	for i := range 19 {
		a, b := s.parts[i].length, s.parts[i+1].length
		want += 2 * radius * math.Tan(math.Pi/2*(a+b)/loop)
	}
	near(t, "19 joints", s.slackNeeded(length.MM(loop)), length.MM(want), 1e-9)
	if pitch < 7.9 || pitch > 8 {
		t.Errorf("a part is %v long", pitch)
	}
	ring := measured(t, stretch(t, "20R")).Leading()
	near(t, "20 joints of a ring", ring.slackNeeded(length.MM(loop)), length.MM(20*2*radius*math.Tan(math.Pi*ring.parts[0].length/loop)), 1e-9)
	near(t, "no loop to bend into", ring.slackNeeded(5), 0, 1e-9)
}

// A tail of a length passes the beads that begin before its end, counted from its
// own end.
func TestTheBeadsOfATail(t *testing.T) {
	s := measured(t, strung(t, "20R")).Leading()
	pitch := s.Beads[1].From - s.Beads[0].From
	for _, tt := range []struct {
		goes length.MM
		want int
	}{{0.1, 1}, {pitch, 1}, {pitch + 0.01, 2}, {3 * pitch, 3}, {3*pitch + 0.01, 4}, {1e4, 20}} {
		for _, e := range []*End{&s.Left, &s.Right} {
			end := End{Side: e.Side, Back: -1}
			s.tailOfLength(&end, tt.goes)
			if len(end.TailBeads) != tt.want {
				t.Errorf("a %s tail of %v passes %d beads, want %d", e.Side, float64(tt.goes), len(end.TailBeads), tt.want)
			}
			first := 0
			if e.Side == piece.Right {
				first = 19
			}
			if end.TailBeads[0] != first {
				t.Errorf("a %s tail begins with bead %d", e.Side, end.TailBeads[0])
			}
		}
	}
}

func TestAKnotHidesWhereTheHoleTakesItExactly(t *testing.T) {
	for _, tt := range []struct {
		hole length.MM
		bead int
		pull bool
	}{{2.1, 3, false}, {2.0999, 3, true}, {1.4, 3, true}, {1.3999, -1, false}} {
		p := stretch(t, "3R W 17R")
		p.Leading().Cord = cord(material.Elastic, 0.7)
		p.Palette["W"] = bead(t, "wide", material.Bead{Shape: material.Round, Across: 8, Hole: tt.hole}, 0)
		m := measured(t, p)
		if k := m.Leading().Knot; k.Bead != tt.bead || k.Pull != tt.pull {
			t.Errorf("hole %v: %+v", float64(tt.hole), k)
		}
	}
	if k := measured(t, strung(t, "20R")).Leading().Knot; k != nil {
		t.Errorf("a strand with a clasp has a knot: %+v", k)
	}
}

// The beads that touch are those that make up half of the length; of as many of
// either the thicker count.
func TestTheRuleOfThumbTakesTheBeadsThatMakeUpTheStrand(t *testing.T) {
	for line, thick := range map[string]length.MM{"20R": 8, "20P": 4, "11R 19P": 8, "9R 21P": 4, "R 20P": 4, "20R Q": 8} {
		p := stretch(t, line)
		p.Palette["Q"] = bead(t, "charm", material.Bead{Shape: material.Charm, Across: 12, Hole: 3, Along: 0.7, Drop: 18}, 0)
		m := measured(t, p)
		if m.Rule.Thick != thick {
			t.Errorf("%s: %v thick, want %v", line, float64(m.Rule.Thick), float64(thick))
		}
		near(t, line, m.Rule.Inside, m.Finished-math.Pi*thick, 1e-9)
	}
}

func TestAFittingsReachAndItsLinks(t *testing.T) {
	crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 2, Length: 2})
	cover := finding(t, material.Finding{Type: material.CrimpCover, Outside: 3, Length: 3})
	ring := finding(t, material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.8})
	toggle := finding(t, material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 18, BarThickness: 2, BarEye: 3})
	for m, want := range map[*material.Material]float64{crimp: 1, cover: 1.5, ring: 0.4, nil: 0} {
		if got := (&Part{Material: m}).reach(m); got != want {
			t.Errorf("%+v reaches %v, want %v", m, got, want)
		}
	}
	end := End{Parts: []Part{{Material: crimp, Length: 0}, {Length: 2}, {Material: ring, Length: 4}, {Material: toggle, Length: 16}}}
	var lengths []float64
	for _, l := range end.links() {
		lengths = append(lengths, l.Segment.Length)
	}
	if len(lengths) != 4 || lengths[0] != 2 || lengths[1] != 4 || lengths[2] != 13 || lengths[3] != 3 {
		t.Errorf("links %v, want 2, 4, and a toggle of 13 and 3", lengths)
	}
}

// A fold-over end adds its trough and its eye, holds the cord, and takes its own
// length of cord into the trough.
func TestACordEndsInATrough(t *testing.T) {
	fold := finding(t, material.Finding{Type: material.FoldOver, Inside: 2, Length: 7, RingEye: 2.5})
	p := strung(t, "20R")
	row := p.Leading()
	row.Cord, row.Left, row.Right = cord(material.Leather, 1), fittings("fl", fold), fittings("fr", fold)
	m := measured(t, p)
	s := m.Leading()
	if s.Left.Hold != HeldByFold || s.Right.Hold != HeldByFold || s.Left.Find(RoleFold) == nil {
		t.Fatalf("held by %s and %s", s.Left.Hold, s.Right.Hold)
	}
	bare := measured(t, func() *piece.Piece {
		q := strung(t, "20R")
		q.Leading().Cord, q.Leading().Left, q.Leading().Right = row.Cord, nil, nil
		return q
	}())
	// Bare, the cord is tied straight round the rings' wire of 0.7.
	near(t, "both ends", m.Finished-s.Slack, bare.Finished-bare.Leading().Slack+2*(7+2.5-0.7), 1e-9)
	first, last := p.House.WorkingAllowance()
	near(t, "the cut", s.CutLength(), s.Strung+s.Slack+2*7+first+last, 1e-9)
	near(t, "the least", s.LeastCut(), s.Strung+s.Slack+2*7+2*25, 1e-9)
}

func TestAStrandIsStrungFromItsCentreOutwards(t *testing.T) {
	for _, tt := range []struct {
		line        string
		right, left string
	}{
		{"3P 2R G 2R 3P", "1G 2R 3P", "2R 3P"},
		{"3P 4R 3P", "2R 3P", "2R 3P"},
		{"P R", "1R", "1P"},
		{"5P", "3P", "2P"},
	} {
		p := strung(t, tt.line)
		p.House.Order = piece.OrderCentre
		s := measured(t, p).Leading()
		if !s.FromCentre(p.House) {
			t.Fatalf("%s is not strung from its centre", tt.line)
		}
		spell := func(runs []Run) (out string) {
			for _, r := range runs {
				out += fmt.Sprint(" ", r.Count, r.Key)
			}
			return out[1:]
		}
		right, left := s.Outwards()
		if spell(right) != tt.right || spell(left) != tt.left {
			t.Errorf("%s: %s and %s", tt.line, spell(right), spell(left))
		}
		// Both halves together reach from end to end.
		near(t, tt.line, right[len(right)-1].Reached+left[len(left)-1].Reached, s.Beads[len(s.Beads)-1].To-s.Beads[0].From, 1e-9)
		count := 0
		for _, r := range append(right, left...) {
			count += r.Count
			for i := range r.Count {
				if s.Beads[r.First+i].Material != r.Material {
					t.Errorf("%s: run at %d is not of %s", tt.line, r.First, r.Key)
				}
			}
		}
		if count != len(s.Beads) {
			t.Errorf("%s: %d beads of %d", tt.line, count, len(s.Beads))
		}
	}
	centre := piece.DefaultHouse()
	centre.Order = piece.OrderCentre
	if measured(t, stretch(t, "20R")).Leading().FromCentre(centre) || measured(t, strung(t, "20R")).Leading().FromCentre(piece.DefaultHouse()) {
		t.Error("a ring, or a strand of a house that strings from the left, is strung from its centre")
	}
	spool := strung(t, "20R")
	spool.House.Order, spool.House.Stopper = piece.OrderCentre, piece.StopSpool
	if measured(t, spool).Leading().FromCentre(spool.House) {
		t.Error("what is on its spool is strung from its centre")
	}
}
