package measure

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
	"mala/core/way"
)

// anyEnds is a random strand on one to three cords, each of its ends made in any way that its
// cord can be.
func anyEnds(t *testing.T, r *rand.Rand) *piece.Piece {
	t.Helper()
	ring := finding(t, material.Finding{Type: material.JumpRing, Inside: 6, Wire: 0.8})
	crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 3, Outside: 4, Length: 2})
	guard := finding(t, material.Finding{Type: material.WireGuard, Length: 4, Wire: 0.6})
	cone := finding(t, material.Finding{Type: material.ConeEnd, Outside: 9, Inside: 1.2, Length: 12, RingEye: 2})
	fold := finding(t, material.Finding{Type: material.FoldOver, Inside: 3, Length: 7, RingEye: 2.5})
	cover := finding(t, material.Finding{Type: material.CrimpCover, Outside: 5, Length: 4})
	line := ""
	for range 4 + r.IntN(20) {
		line += []string{"R", "G", "S", "R", "_6mm", "O"}[r.IntN(6)] + " "
	}
	wire := r.IntN(2) == 0
	p := ended(t, line+"R", func(p *piece.Piece, row *piece.Row) {
		p.Palette["O"] = round(t, 7, 2)
		p.OneCord = map[string]bool{"O": true}
		row.Passes = 1 + r.IntN(3)
		row.Cord = cord(material.Waxed, 0.5)
		if wire {
			row.Cord = cord(material.Wire, 0.36)
		}
		p.House.Tail = []string{piece.TailTucked, piece.TailTrimmed, piece.TailBeads}[r.IntN(3)]
		p.House.Stopper = []string{piece.StopStopper, piece.StopTape, piece.StopSpareCrimp, piece.StopTiedBead}[r.IntN(4)]
		p.House.GuardThreads = []string{piece.GuardsOnce, piece.GuardsTwice}[r.IntN(2)]
		row.Holder = piece.Holder{Way: []piece.HolderWay{piece.HeldByKnots, piece.HeldByFriction}[r.IntN(2)]}
		p.Closure = piece.Closure{Type: piece.Clasp, Left: fittings("cl", ring), Right: fittings("cr", ring)}
		for _, side := range piece.Sides() {
			list, ending := p.End(row, side, false), row.Ending(side)
			switch n := r.IntN(7); {
			case wire && n < 2:
				*list = fittings("f"+string(side), crimp)
			case wire && n < 4:
				*list = fittings("f"+string(side), crimp, cover)
			case wire && n < 6:
				*list = fittings("f"+string(side), crimp, guard)
			case wire:
				*list = fittings("f"+string(side), crimp)
				*ending = loopOf(t, "9S")
			case n == 0:
				*list = fittings("f"+string(side), guard)
			case n == 1:
				*list = fittings("f"+string(side), cone)
			case n == 2:
				*list = fittings("f"+string(side), fold)
			case n == 3:
				*ending = loopOf(t, "9S")
			case n == 4:
				*ending = piece.Ending{Way: piece.WayCordLoop, Girth: 30}
			case n == 5 && side == piece.Left && row.Passes == 2:
				*ending = piece.Ending{Way: piece.WayFold}
			}
		}
	})
	return p
}

// Over all cords a bead is met as often as it is passed, a crimp and a guard as often as each
// cord that ends there goes through it; every cord's legs add up to its cut, and at either end
// there is what its making takes.
func TestCordsMeetEverythingAsOftenAsItIsPassed(t *testing.T) {
	r := rand.New(rand.NewPCG(28, 1))
	made := 0
	for range 400 {
		p := anyEnds(t, r)
		if len(p.Check()) > 0 {
			continue
		}
		made++
		s := measured(t, p).Leading()
		for i := range s.Beads {
			met := 0
			for k := range s.Cords {
				met += s.Cords[k].Meets(s.Row.ID, i)
			}
			if want := s.Beads[i].Passes; !s.Beads[i].IsGap() && met != want {
				t.Fatalf("%s on %d cords, ends %s and %s: bead %d is passed %d times, met %d times", s.Row.Line, s.Row.Passes, s.Left.Hold, s.Right.Hold, i, want, met)
			}
		}
		for _, e := range s.Ends() {
			meetsFittings(t, p, s, e)
		}
		sum := length.MM(0)
		for k := range s.Cords {
			legs := length.MM(0)
			for _, l := range s.Cords[k].Legs {
				legs += l.Uses
				if l.Uses < 0 || math.IsNaN(float64(l.Uses)) {
					t.Fatalf("a leg of %v: %+v", l.Uses, l)
				}
			}
			near(t, "a cord's legs", legs, s.Cords[k].Length(), 1e-9)
			sum += legs
		}
		near(t, "all cords", sum, s.CutLength(), 1e-9)
		items := length.MM(0)
		for _, item := range s.Cut() {
			items += item.Length
		}
		near(t, "the sum of the cut", items, s.CutLength(), 1e-9)
		if s.LeastCut() < s.PathLength()-1e-9 || s.LeastCut() > s.CutLength()+1e-9 {
			t.Fatalf("path %v, least %v, cut %v", s.PathLength(), s.LeastCut(), s.CutLength())
		}
	}
	if made < 250 {
		t.Errorf("only %d pieces could be made", made)
	}
}

func meetsFittings(t *testing.T, p *piece.Piece, s *Strand, e *End) {
	t.Helper()
	for _, part := range e.Parts {
		times := 0
		switch part.Role {
		case RoleCrimp:
			times = 2
		case RoleGuard:
			times = p.House.GuardTurns()
		default:
			continue
		}
		met := 0
		for k := range s.Cords {
			met += s.Cords[k].MeetsFitting(part.Fitting)
		}
		if met != times*s.Row.Passes {
			t.Fatalf("%s at the %s end of %d cords is met %d times, want %d each", part.Role, e.Side, s.Row.Passes, met, times)
		}
	}
}

// Each of several cords without a fold is as long as the only one of the same row, but for what
// knots in all of them take more.
func TestEachOfSeveralCordsIsAsLongAsOne(t *testing.T) {
	r := rand.New(rand.NewPCG(28, 2))
	made := 0
	for range 300 {
		p := anyEnds(t, r)
		p.OneCord, p.Leading().Holder = nil, piece.Holder{}
		if len(p.Check()) > 0 || p.Leading().FoldsAtLeft() || p.Leading().RightEnding.Way == piece.WayCordLoop || p.Leading().LeftEnding.Way == piece.WayCordLoop {
			continue
		}
		many := measured(t, p).Leading()
		q := p.Clone()
		q.Leading().Passes = 1
		one := measured(t, q).Leading()
		bare := func(s *Strand) (uses, least length.MM) {
			for i, l := range s.Cords[len(s.Cords)-1].Legs {
				if l.Does != way.Knot && (l.Does != way.Along || i >= 0) {
					uses += l.Uses
				}
			}
			return uses, s.LeastCut()
		}
		a, leastMany := bare(many)
		b, leastOne := bare(one)
		made++
		// What stops the first end is longer only where knots leave less over; both have them.
		stop := func(s *Strand) length.MM { return cutOf(s, "left start") / length.MM(len(s.Cords)) }
		if math.Abs(float64(a-stop(many)-b+stop(one))) > 1e-6 {
			t.Fatalf("%s, %s and %s: each of %d is %v, one alone %v", many.Row.Line, many.Left.Hold, many.Right.Hold, len(many.Cords), a, b)
		}
		if leastMany < leastOne*length.MM(many.Row.Passes)-1e-6 {
			t.Fatalf("%d cords need %v at least, one alone %v", many.Row.Passes, leastMany, leastOne)
		}
	}
	if made < 100 {
		t.Errorf("only %d pieces could be made", made)
	}
}

// Where both ends are made alike, a strand turned round has the same cords.
func TestAStrandWithAlikeEndsTurnedRoundHasTheSameCords(t *testing.T) {
	r := rand.New(rand.NewPCG(28, 3))
	made := 0
	for range 300 {
		p := anyEnds(t, r)
		row := p.Leading()
		row.RightEnding, row.Right = row.LeftEnding, nil
		for _, f := range row.Left {
			row.Right = append(row.Right, piece.Fitting{ID: "right " + f.ID, Of: f.Of})
		}
		if len(p.Check()) > 0 {
			continue
		}
		made++
		back := turned(t, p)
		a, b := measured(t, p).Leading(), measured(t, back).Leading()
		long := func(s *Strand) []length.MM {
			var out []length.MM
			for k := range s.Cords {
				out = append(out, s.Cords[k].Length())
			}
			slices.Sort(out)
			return out
		}
		for k, l := range long(a) {
			near(t, fmt.Sprintf("cord %d of %s", k+1, row.Line), long(b)[k], l, 1e-6)
		}
	}
	if made < 100 {
		t.Errorf("only %d pieces could be made", made)
	}
}

// A loop of a doubled cord is cut alike from either side: it is the fold of the cord wherever it lies.
func TestALoopOfADoubledCordIsCutAlikeFromEitherSide(t *testing.T) {
	left := doubled(t, "10W", 39, 2)
	p := left.Piece.Clone()
	row := p.Leading()
	row.LeftEnding, row.RightEnding = row.RightEnding, row.LeftEnding
	p.Closure.Left, p.Closure.Right = p.Closure.Right, p.Closure.Left
	right := measured(t, p).Leading()
	near(t, "cut", right.CutLength(), left.Leading().CutLength(), 1e-9)
	near(t, "least", right.LeastCut(), left.Leading().LeastCut(), 1e-9)
	if right.Right.Hold != HeldByMiddle || right.Start.Side != piece.Right || right.Start.By != StartFold {
		t.Errorf("held by %s, begun at the %s by %s", right.Right.Hold, right.Start.Side, right.Start.By)
	}
}

// Figures of the job, each worked by hand from the same measures.
func TestCordsOfTheWorkedExamples(t *testing.T) {
	lava := func(passes int, tail string) *Strand {
		p := strung(t, "25L")
		p.Palette["L"] = round(t, 8, 1.6)
		crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 1.6, Outside: 2.4, Length: 2.5})
		row := p.Leading()
		row.Cord, row.Passes, row.Left, row.Right = cord(material.Wire, 0.36), passes, fittings("fl", crimp), fittings("fr", crimp)
		p.House.Tail = tail
		return measured(t, p).Leading()
	}
	one := lava(1, piece.TailTucked)
	near(t, "one cord", one.CutLength(), one.Strung+one.Slack+2*(2*(2.5+2)+25+60), 1e-9)
	for _, passes := range []int{2, 3} {
		s := lava(passes, piece.TailTucked)
		if legs := s.Legs(); legs == nil || legs.Count != passes || math.Abs(float64(legs.Each-one.CutLength())) > 1e-9 || math.Abs(float64(legs.Least-one.LeastCut())) > 1e-9 {
			t.Errorf("%d cords: %+v, one alone %v and at least %v", passes, legs, one.CutLength(), one.LeastCut())
		}
		if got := s.Beads[0].Passes; got != 2*passes {
			t.Errorf("%d cords with their tails pass the first bead %d times", passes, got)
		}
	}
	near(t, "each of two", lava(2, piece.TailTucked).Legs().Each, 388.3, 0.05)
	trimmed := lava(1, piece.TailTrimmed)
	near(t, "with trimmed tails a hand at either end", trimmed.LeastCut(), trimmed.PathLength()+2*25, 1e-9)

	child := stretch(t, "20R")
	child.Body, child.Leading().Passes = &piece.Body{Part: "wrist", Child: true}, 2
	elastic := measured(t, child).Leading()
	near(t, "each of two elastics of a child's bracelet", elastic.Legs().Each, elastic.Strung+60, 1e-9)
	near(t, "at least", elastic.Legs().Least, elastic.Strung+50, 1e-9)
}

// Laced with one cord or two, each has both ends: nine flats of 18, 3 thick, with holes 3 apart and a
// crimp of 2 at either end take 216 for the row itself.
func TestEachLacedCordHasBothEnds(t *testing.T) {
	for _, cords := range []int{1, 2} {
		p := lacedRow(t, "9B", cords, piece.Lacing{Way: piece.LacedStraight})
		p.Palette["B"] = button(t, "big", 18, 3, 3, 4)
		crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 3, Outside: 4, Length: 2})
		row := p.Leading()
		row.Cord, row.Left, row.Right = cord(material.Wire, 0.5), fittings("fl", crimp), fittings("fr", crimp)
		s := measured(t, p).Leading()
		if len(s.Cords) != cords {
			t.Fatalf("%d cords", len(s.Cords))
		}
		for k := range s.Cords {
			lies := length.MM(0)
			for _, l := range s.Cords[k].Legs {
				if l.At.Side == "" {
					lies += l.Uses
				}
			}
			near(t, "along the row", lies, 216, 1e-9)
			near(t, "with both ends", s.Cords[k].Length(), 216+2*(2*(2+2)+60), 1e-9)
		}
	}
}

// A tail longer than the beads beside it goes on through the bead that rows share, and is cut
// for; one that nothing takes ends with its beads.
func TestATailGoesOnThroughASharedBead(t *testing.T) {
	p := threeRows(t, "R R", "10R")
	ball := bead(t, "ball", material.Bead{Shape: material.Round, Across: 12, Hole: 4}, 2)
	second := piece.Section{}
	for i, r := range p.Rows() {
		next := *r
		next.ID, next.Line, next.Left, next.Right = piece.ID(fmt.Sprint("n", i)), testparts.Line(t, "10R"), nil, r.Right
		next.Right = []piece.Fitting{{ID: piece.ID(fmt.Sprint("nr", i)), Of: r.Right[0].Of}}
		r.Right = nil
		second.Rows = append(second.Rows, &next)
	}
	p.Sections = append(p.Sections, second)
	p.Joins = []*piece.Join{{ID: "j", Fittings: []piece.Fitting{{ID: "ball", Of: ball}}}}
	m := measured(t, p)
	s, next := m.Strands[0], m.Strand("n0")
	near(t, "the left tail", cutOf(s, "left tail"), 25, 1e-9)
	near(t, "the tail at the far end", cutOf(s, "right tail"), 25, 1e-9)
	if got := m.SharedPasses("ball", p.Sections[0].Rows); got != 3 || s.Left.TailShared != "ball" {
		t.Errorf("the ball is passed %d times, want both cords and the tail", got)
	}
	if next.Beads[0].Passes != 2 || next.Beads[1].Passes != 1 || s.Beads[1].Passes != 2 {
		t.Errorf("beyond it %d and %d, before it %d passes", next.Beads[0].Passes, next.Beads[1].Passes, s.Beads[1].Passes)
	}
	met := s.Cords[0].MeetsFitting("ball")
	if met != 2 || s.Cords[0].Meets("n0", 0) != 2 {
		t.Errorf("the cord meets the ball %d times, the bead beyond %d times", met, s.Cords[0].Meets("n0", 0))
	}
	short := measured(t, strung(t, "2P")).Leading()
	near(t, "a tail with nothing beyond its beads", short.Left.Tail, short.Strung, 1e-9)
}

// Cord tied or hitched to a ring lies round its wire, in the finished length and in the cut.
func TestCordStraightOnARingLiesRoundItsWire(t *testing.T) {
	ring := finding(t, material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7})
	toggle := finding(t, material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 1.6, Wire: 1.8, Bar: 15, BarThickness: 2, BarEye: 1.6})
	tie := func(closure piece.Closure, guard bool) *Strand {
		p := ended(t, "10R", func(p *piece.Piece, r *piece.Row) {
			p.Closure = closure
			if guard {
				r.Left = fittings("fl", finding(t, material.Finding{Type: material.WireGuard, Length: 4, Wire: 0.6}))
			}
		})
		return measured(t, p).Leading()
	}
	on := tie(piece.Closure{Type: piece.Clasp, Left: fittings("cl", ring), Right: fittings("cr", ring)}, false)
	near(t, "an end on a ring", on.Left.Length, 3.6+0.7, 1e-9)
	near(t, "there and back", cutOf(on, "round the ring, left"), 0.7+math.Pi/2*(0.7+1), 1e-9)
	guarded := tie(piece.Closure{Type: piece.Clasp, Left: fittings("cl", ring), Right: fittings("cr", ring)}, true)
	near(t, "with a guard", guarded.Left.Length, 3.6+4, 1e-9)
	near(t, "nothing round the ring", cutOf(guarded, "round the ring, left"), 0, 0)
	half := tie(piece.Closure{Type: piece.Clasp, Left: fittings("cl", toggle)}, false)
	near(t, "on a toggle's bar", half.Right.Length, 1.8, 1e-9)
	near(t, "round its eye", cutOf(half, "round the ring, right"), 1.8+math.Pi/2*(1.8+1), 1e-9)
}

// Tubes stop in a cone where their front edge meets the wall. Twenty of 3 x 9 in a cone of 9 x
// 12 with a tip of 1.2 leave 2.769 of it free.
func TestWhatStandsInAConeStopsAtItsWall(t *testing.T) {
	cone := &material.Finding{Type: material.ConeEnd, Outside: 9, Inside: 1.2, Length: 12, RingEye: 2}
	for _, tt := range []struct {
		bead material.Bead
		free length.MM // that much of the cone's 12 is left behind the bead
	}{
		{material.Bead{Shape: material.Tube, Across: 3, Along: 9, Hole: 1}, 12 - 6*12/7.8},
		{material.Bead{Shape: material.Tube, Across: 4, Along: 12, Hole: 1}, 12 - 5*12/7.8},
		{material.Bead{Shape: material.Bicone, Across: 6, Along: 6, Hole: 1}, 12 - 3*12/7.8 - 3},
	} {
		b := bead(t, "b", tt.bead, 0)
		for _, side := range piece.Sides() {
			near(t, fmt.Sprint(tt.bead.Shape, tt.bead.Across), coneTakes(cone, &Bead{Material: b}, side), tt.free+2, 1e-4)
		}
	}
}

// A charm on thick doubled cord keeps its place between gaps, and is not what holds beads apart.
func TestACharmOnThickDoubledCordKeepsItsPlace(t *testing.T) {
	p := discs(t, "L _30mm H _30mm L")
	for _, inside := range []length.MM{1.5, 4} {
		onTray(t, p, 1, map[string]material.Bead{
			"L": {Shape: material.Tube, Across: 8, Along: 9, Hole: 4},
			"H": {Shape: material.Charm, Across: 8, Hole: inside, Along: 0.8, Drop: 12},
		})
		row := p.Rows()[0]
		row.Cord, row.Passes, row.Left, row.Right = cord(material.Leather, 1.5), 2, nil, nil
		s := measured(t, p).Leading()
		near(t, "the charm", s.Beads[2].At, 39.4, 1e-9)
		near(t, "strung", s.Strung, 78.8, 1e-9)
		held := s.Holders()
		if len(held) != 2 || held[0].Bead != 0 || held[1].Bead != 4 {
			t.Errorf("held: %+v", held)
		}
	}
	across := discs(t, "L @40mm H L")
	across.Palette = p.Palette
	near(t, "a pitch across the charm", func() length.MM {
		s := measured(t, across).Leading()
		return s.Beads[3].At - s.Beads[0].At
	}(), 40, 1e-9)
}

// A charm that passes into the hole of the bead beside it lies in the middle of its room.
func TestASwallowedCharmLiesInTheMiddleOfItsRoom(t *testing.T) {
	p := discs(t, "L G H G L")
	onTray(t, p, 1, map[string]material.Bead{
		"L": {Shape: material.Tube, Across: 8, Along: 9, Hole: 1},
		"G": {Shape: material.Tube, Across: 12, Along: 6, Hole: 8},
		"H": {Shape: material.Charm, Across: 8, Hole: 4, Along: 0.8, Drop: 12},
	})
	s := measured(t, p).Leading()
	if !s.Beads[2].Swallowed {
		t.Fatal("its ring of 5.6 passes into holes of 8")
	}
	near(t, "the charm", s.Beads[2].At, s.Strung/2, 1e-9)
}

// Of 210 orders in which seeds pass into the holes of lanterns the shortest and the longest.
func TestAnyOrderWhereBeadsPassIntoHoles(t *testing.T) {
	p := strung(t, "A ?(3S 2D 2A) A")
	p.Palette["A"] = round(t, 6, 1)
	p.Palette["D"] = round(t, 10, 2.5)
	m := measured(t, p)
	got, err := m.Free(m.Leading())
	if err != nil || len(got) != 1 || got[0].About {
		t.Fatalf("%+v, %v", got, err)
	}
	least, most, n := length.MM(math.Inf(1)), length.MM(math.Inf(-1)), 0
	shortest, longest := least, most
	eachOrder([]string{"S", "D", "A"}, []int{3, 2, 2}, func(order []string) {
		n++
		line := "A "
		for _, key := range order {
			line += key + " "
		}
		q := p.Clone()
		q.Leading().Line = testparts.Line(t, line+"A")
		one := measured(t, q)
		least, most = min(least, one.Leading().Strung), max(most, one.Leading().Strung)
		shortest, longest = min(shortest, one.Finished), max(longest, one.Finished)
	})
	if n != 210 {
		t.Errorf("%d orders", n)
	}
	near(t, "the shortest", got[0].Least, least, 1e-6)
	near(t, "the longest", got[0].Most, most, 1e-6)
	near(t, "the shortest, finished", got[0].Shortest, shortest, 1e-6)
	near(t, "the longest, finished", got[0].Longest, longest, 1e-6)
}
