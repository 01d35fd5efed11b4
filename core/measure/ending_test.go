package measure

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// ended is a strand on waxed cord of 1 mm, with nothing at its ends yet.
func ended(t testing.TB, line string, change func(p *piece.Piece, r *piece.Row)) *piece.Piece {
	t.Helper()
	p := strung(t, line)
	row := p.Leading()
	row.Cord, row.Left, row.Right = cord(material.Waxed, 1), nil, nil
	p.Palette["R"], p.Palette["G"] = round(t, 8, 2), round(t, 10, 2.5)
	p.Palette["S"] = bead(t, "seed", material.Bead{Shape: material.Seed, Across: 4, Along: 2.9, Hole: 1.3}, 0)
	p.Closure = piece.Closure{Type: piece.Clasp}
	change(p, row)
	return p
}

func loopOf(t testing.TB, text string) piece.Ending {
	t.Helper()
	line := testparts.Line(t, text)
	return piece.Ending{Way: piece.WayLoop, Loop: line}
}

func cutOf(s *Strand, part string) length.MM {
	sum := length.MM(0)
	for _, c := range s.Cut() {
		if ItemName(c.Item) == part {
			sum += c.Length
		}
	}
	return sum
}

func TestALoopOfBeadsAddsHalfItsInsideGirth(t *testing.T) {
	button := finding(t, material.Finding{Type: material.ButtonEnd, Outside: 14, Length: 4, Inside: 2})
	p := ended(t, "10R", func(p *piece.Piece, r *piece.Row) {
		p.Closure.Left, r.RightEnding = fittings("cl", button), loopOf(t, "18S")
	})
	m := measured(t, p)
	s := m.Leading()
	loop := s.Right.Find(RoleBeads)
	if loop == nil || len(loop.Loop.Beads) != 18 {
		t.Fatalf("the right end: %+v", s.Right.Parts)
	}
	// Its beads strung straight, less π times their thickness.
	near(t, "strung", loop.Loop.Strung, 18*2.9, 1e-9)
	near(t, "girth", loop.Loop.Girth, 18*2.9-4*math.Pi, 1e-9)
	near(t, "what it adds", loop.Length, (18*2.9-4*math.Pi)/2, 1e-9)
	near(t, "the button's shank", s.Left.Length, 2, 0)
	near(t, "finished", m.Finished, s.Strung+s.Slack+2+loop.Length, 1e-9)
	near(t, "cord of the loop", cutOf(s, "right loop of beads"), 18*2.9, 1e-9)
	near(t, "cord of its knot", cutOf(s, "right knot"), 25, 1e-9)
	if s.Left.Hold != HeldByKnot || s.Right.Hold != HeldByKnot {
		t.Errorf("held by %s and %s", s.Left.Hold, s.Right.Hold)
	}
	for _, c := range m.Tally {
		if c.Material.ID == "seed" && c.Count != 18 {
			t.Errorf("%d seeds, want those of the loop", c.Count)
		}
	}
	for _, x := range m.Sensitivity {
		if x.Material.ID == "seed" {
			near(t, "a tenth on each seed", x.PerTenth, 18*0.1/2, 1e-6)
		}
	}
	narrow := ended(t, "10R", func(_ *piece.Piece, r *piece.Row) { r.RightEnding = loopOf(t, "3S") })
	near(t, "three beads close round nothing", measured(t, narrow).Leading().Right.Find(RoleBeads).Loop.Girth, 0, 0)
}

func TestAButtonNeedsALoopToBeHeldTo(t *testing.T) {
	button := finding(t, material.Finding{Type: material.ButtonEnd, Outside: 14, Length: 4, Inside: 2})
	p := ended(t, "10R", func(p *piece.Piece, _ *piece.Row) { p.Closure.Left = fittings("cl", button) })
	if got := measured(t, p).Leading().Right.Hold; got != Unheld {
		t.Errorf("without a loop the right end is held by %s", got)
	}
	p.Leading().Cord, p.Leading().RightEnding = cord(material.Wire, 0.38), loopOf(t, "18S")
	if got := measured(t, p).Leading().Right.Hold; got != Unheld {
		t.Errorf("wire without a crimp is held by %s", got)
	}
	p.Leading().Right = fittings("fr", finding(t, material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 2, Length: 2}))
	s := measured(t, p).Leading()
	if s.Right.Hold != HeldByCrimp || s.Right.Find(RoleLoop) != nil {
		t.Errorf("crimped, held by %s with %+v", s.Right.Hold, s.Right.Parts)
	}
	near(t, "crimp alone twice", cutOf(s, "right crimp x 2"), 4, 1e-9)
	near(t, "the loop once", cutOf(s, "right loop of beads"), 18*2.9, 1e-9)
}

func TestALegRunsOnBeyondTheStrand(t *testing.T) {
	end := round(t, 8, 2)
	p := ended(t, "10R", func(p *piece.Piece, r *piece.Row) {
		p.Closure = piece.Closure{Type: piece.Tied}
		r.LeftEnding = piece.Ending{Way: piece.WayLeg, Leg: 60, Bead: end}
		r.RightEnding = piece.Ending{Way: piece.WayLeg, Leg: 80}
	})
	m := measured(t, p)
	s := m.Leading()
	if s.Ring || s.Left.Hold != HeldByLeg || s.Right.Hold != HeldByLeg {
		t.Errorf("ring %v, held by %s and %s", s.Ring, s.Left.Hold, s.Right.Hold)
	}
	near(t, "the legs add nothing", m.Finished, s.Strung+s.Slack, 1e-9)
	near(t, "left leg with its bead", cutOf(s, "left leg"), 60+end.Bead.Length(), 1e-9)
	near(t, "right leg", cutOf(s, "right leg"), 80, 1e-9)
	near(t, "two overhand knots", cutOf(s, "right knots"), 20, 1e-9)
	near(t, "a knot", s.OverhandAcross(), 2.5, 1e-9)
	p.Leading().Passes = 2
	near(t, "a leg of two cords", cutOf(measured(t, p).Leading(), "right leg"), 160, 1e-9)
	p.Leading().Cord = cord(material.Wire, 0.38)
	if got := measured(t, p).Leading().Left.Hold; got != Unheld {
		t.Errorf("a leg of wire is held by %s", got)
	}
	for _, c := range m.Tally {
		if c.Material == end && c.Count != 1 {
			t.Errorf("%d beads on legs", c.Count)
		}
	}
}

func TestAFoldTakesTheCordOnceRoundAndMakesTheOtherEndOfBothHalves(t *testing.T) {
	ring := finding(t, material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7})
	crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 2, Length: 2})
	p := ended(t, "10R", func(p *piece.Piece, r *piece.Row) {
		p.Closure.Left, r.LeftEnding, r.Passes = fittings("cl", ring), piece.Ending{Way: piece.WayFold}, 2
		r.Cord, r.Right = cord(material.Nylon, 0.3), fittings("fr", crimp)
	})
	s := measured(t, p).Leading()
	if s.Left.Hold != HeldByMiddle || s.Start.By != StartFold || s.Start.Tip != 0 {
		t.Errorf("held by %s, begun by %s", s.Left.Hold, s.Start.By)
	}
	near(t, "a lark's head round the ring's wire", cutOf(s, "round the fold, left"), 0.7+7*0.3+(3*math.Pi/2+1)*(0.7+0.3), 1e-9)
	near(t, "which holds the beads off the ring's inside", s.Left.Length, 3.6+0.7+0.3, 1e-9)
	near(t, "nothing held at the fold", cutOf(s, "left working end"), 0, 0)
	near(t, "both halves through crimp and loop", cutOf(s, "right crimp + loop x 2"), 2*2*(2+2), 1e-9)
	near(t, "both tails", cutOf(s, "right tail"), 50, 1e-9)
	near(t, "both held", cutOf(s, "right working end"), 120, 1e-9)
	if last := s.Beads[9].Passes; last != 4 {
		t.Errorf("the last bead is passed %d times, want 2 and both tails", last)
	}
	p.House.Order = piece.OrderCentre
	if s := measured(t, p).Leading(); s.FromCentre(p.House) {
		t.Error("a folded cord is strung from its fold")
	}
	p.Closure.Left = nil
	if got := measured(t, p).Leading().Left.Hold; got == HeldByMiddle {
		t.Error("a fold lies round nothing")
	}
}

func TestAKnotHidesInTheLastBeadThatTakesIt(t *testing.T) {
	ring := finding(t, material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7})
	for _, tt := range []struct {
		hole length.MM
		bead int
	}{{2.999, -1}, {3, 9}, {3.1, 9}} {
		p := ended(t, "9R G", func(p *piece.Piece, r *piece.Row) {
			p.Closure.Right, r.RightEnding = fittings("cr", ring), piece.Ending{Way: piece.WayHiddenKnot}
			p.Palette["G"] = round(t, 10, tt.hole)
		})
		s := measured(t, p).Leading()
		if s.Right.Hidden == nil || s.Right.Hidden.Bead != tt.bead {
			t.Errorf("a hole of %v: %+v, want bead %d", tt.hole, s.Right.Hidden, tt.bead)
			continue
		}
		near(t, "the knot", s.Right.Hidden.Across, 3, 1e-9)
		if s.Left.Hidden != nil {
			t.Error("the left end hides a knot as well")
		}
	}
	capped := ended(t, "9R C", func(p *piece.Piece, r *piece.Row) {
		p.Closure.Right, r.RightEnding = fittings("cr", ring), piece.Ending{Way: piece.WayHiddenKnot}
		p.Palette["C"] = bead(t, "cap", material.Bead{Shape: material.Cap, Across: 8, Depth: 2, Wall: 0.4, Hole: 4}, 0)
	})
	if k := measured(t, capped).Leading().Right.Hidden; k == nil || k.Bead >= 0 {
		t.Errorf("a cap hides %+v", k)
	}
}

// The last bead stands in a cone until it touches the wall: of a round the circle at which the
// wall lies along it decides, wherever that is. Three beads of 4 side by side stop 2.354 inside
// the mouth of a cone 10 x 15 with a tip of 1.2.
func TestABeadStandsInAConeAsFarAsItGoes(t *testing.T) {
	cone := finding(t, material.Finding{Type: material.ConeEnd, Outside: 10, Length: 15, Inside: 1.2, RingEye: 2})
	near(t, "three beads of 4", cone.Finding.ConeDepth(material.HoleFor(3, 4)), 2.354, 0.001)
	near(t, "as wide as the mouth", cone.Finding.ConeDepth(10), 0, 0)
	// A round of radius a lies along a wall of slope 15 / 4.4 at a middle a sqrt(1 + slope^2) -
	// slope r from its apex, which is 5 slope inside the mouth.
	slope := 15 / 4.4
	along := func(a float64) length.MM { return length.MM(a*math.Sqrt(1+slope*slope) - 5*slope) }
	for _, tt := range []struct {
		name  string
		round length.MM
		adds  length.MM
	}{
		{"narrower than the mouth", 6, 15 - (length.MM(math.Sqrt(9-1)) - along(3)) + 2},
		{"just as wide", 10, 15 - (length.MM(math.Sqrt(25-1)) - along(5)) + 2},
		{"wider", 12, 15 - length.MM(math.Sqrt(36-1)-math.Sqrt(36-25)) + 2},
	} {
		for _, side := range piece.Sides() {
			p := ended(t, "B 8R B", func(p *piece.Piece, r *piece.Row) {
				p.Palette["B"] = round(t, tt.round, 2)
				r.Left, r.Right = fittings("fl", cone), fittings("fr", cone)
			})
			e := measured(t, p).Leading().End(side)
			near(t, tt.name+" at the "+string(side), e.Length, tt.adds, 1e-9)
			if e.Hold != HeldByCone {
				t.Errorf("held by %s", e.Hold)
			}
		}
	}
	bare := ended(t, "", func(_ *piece.Piece, r *piece.Row) { r.Right = fittings("fr", cone) })
	near(t, "on a bare cord", measured(t, bare).Leading().Right.Length, 17, 1e-9)
}

func TestATailIsChosenForOneEnd(t *testing.T) {
	p := strung(t, "40P")
	ten, three := length.MM(10), 3
	p.Leading().LeftEnding.Tail.Length, p.Leading().RightEnding.Tail.Beads = &ten, &three
	s := measured(t, p).Leading()
	near(t, "left", s.Left.Tail, 10, 1e-9)
	if len(s.Left.TailBeads) != 3 || len(s.Right.TailBeads) != 3 {
		t.Errorf("tails pass %v and %v", s.Left.TailBeads, s.Right.TailBeads)
	}
	none := length.MM(0)
	p.Leading().LeftEnding.Tail.Length = &none
	p.House.Tail = piece.TailTucked
	p.Leading().RightEnding = piece.Ending{}
	s = measured(t, p).Leading()
	near(t, "trimmed at the left", s.Left.Tail, 0, 0)
	near(t, "as the house has it at the right", s.Right.Tail, p.House.TailLength, 0)
	if len(s.Left.TailBeads) != 0 {
		t.Errorf("a trimmed tail passes %v", s.Left.TailBeads)
	}
}

func TestAMirrorRunsWhatIsTakenInTurnOnOrBack(t *testing.T) {
	var three []*material.Material
	for i := range 3 {
		three = append(three, bead(t, fmt.Sprint("turn ", i), material.Bead{Shape: material.Round, Across: 4, Hole: 1}, 1))
	}
	order := func(line string, back bool) string {
		p := stretch(t, line)
		p.Palette["T"] = &material.Material{ID: "turn", Class: material.ClassComponent, Bead: three[0].Bead,
			Component: &material.Component{Kind: material.InTurn, Turn: three, Back: back}}
		out := ""
		for _, b := range measured(t, p).Leading().Beads {
			if b.Key == "T" {
				out += b.Material.ID[5:]
			}
		}
		return out
	}
	for _, tt := range []struct{ line, on, back string }{
		{"<2T R | R>", "0120", "0110"},
		{"<4T | R>", "01201201", "01200210"},
		{"<T R T | T>", "01201", "01210"},
		{"T <T R | R> T", "0120", "0112"},
		{"2<2T | R>", "01201201", "01102002"},
		{"3T ~T", "0120", "0120"},
	} {
		if got := order(tt.line, false); got != tt.on {
			t.Errorf("%s run on: %s, want %s", tt.line, got, tt.on)
		}
		if got := order(tt.line, true); got != tt.back {
			t.Errorf("%s run back: %s, want %s", tt.line, got, tt.back)
		}
	}
}

func TestAComponentOnOneOfTwoCordsTakesTheRoomOfOne(t *testing.T) {
	strand := func(passes int, one bool) *Strand {
		p := stretch(t, "5R Q 5R")
		p.Palette["Q"] = bead(t, "charm", material.Bead{Shape: material.Charm, Across: 8, Hole: 4, Along: 0.8, Drop: 12, OneCord: one}, 1)
		p.Leading().Passes = passes
		return measured(t, p).Leading()
	}
	near(t, "on one of two as on one", strand(2, true).Strung, strand(1, false).Strung, 1e-9)
	// Round two cords the ring stands further out, where round neighbours fall away.
	if strand(2, false).Strung >= strand(2, true).Strung-0.01 {
		t.Error("round two cords the ring takes as much as round one")
	}
	if got := strand(2, true).Beads[5].Passes; got != 1 {
		t.Errorf("the ring is passed %d times", got)
	}
}

// Cut and counts of strands with random ends against a plain sum.
func TestRandomEndsAgreeWithAPlainSum(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	ring := finding(t, material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7})
	for range 300 {
		passes, n := 1+r.IntN(2), 1+r.IntN(30)
		p := ended(t, fmt.Sprintf("%dR", 5+r.IntN(20)), func(p *piece.Piece, row *piece.Row) {
			row.Passes = passes
			p.Closure = piece.Closure{Type: piece.Clasp, Right: fittings("cr", ring)}
			row.LeftEnding = loopOf(t, fmt.Sprintf("%dS", n))
		})
		m := measured(t, p)
		s := m.Leading()
		d := length.MM(passes)
		// Of each cord: the loop, back through the last bead, round the ring, a knot that counts
		// all of them at either end, and what is left to tie.
		knots := 2 * (length.MM(p.House.KnotCord())*d + p.House.ToTie(false))
		round := 0.7 + math.Pi/2*(0.7+1)
		want := d * (s.Strung + s.Slack + length.MM(n)*2.9 + p.Palette["R"].Bead.Length() + length.MM(round) + knots)
		near(t, "cut", s.CutLength(), want, 1e-6)
		near(t, "round", m.Finished, s.Strung+s.Slack+max(0, length.MM(n)*2.9-4*math.Pi)/2+3.6+0.7, 1e-6)
		for _, c := range m.Tally {
			if c.Material.ID == "seed" && c.Count != n {
				t.Errorf("%d seeds of %d", c.Count, n)
			}
		}
	}
}

func TestBeadsOfLoopsAndLegsAreCounted(t *testing.T) {
	p := ended(t, "10R", func(p *piece.Piece, r *piece.Row) {
		p.Closure = piece.Closure{Type: piece.Tied}
		r.LeftEnding, r.RightEnding = loopOf(t, "7S"), piece.Ending{Way: piece.WayLeg, Leg: 80, Bead: round(t, 8, 2)}
	})
	if n := measured(t, p).Leading().AllBeads(); n != 18 {
		t.Errorf("%d beads, want 10 on the strand, 7 in the loop and one on the leg", n)
	}
	p.Leading().RightEnding.Bead = nil
	if n := measured(t, p).Leading().AllBeads(); n != 17 {
		t.Errorf("%d beads without that on the leg", n)
	}
}

func TestTheFirstEndIsHeldInItsOwnWay(t *testing.T) {
	p := strung(t, "40P")
	house := measured(t, p).Leading()
	p.Leading().LeftEnding.Stop = piece.StopClip
	if s := measured(t, p).Leading(); s.Start.By != piece.StopClip || house.Start.By != piece.StopStopper {
		t.Errorf("held by %s, by the house %s", s.Start.By, house.Start.By)
	}
	p.Leading().LeftEnding.Stop = piece.StopSpool
	s := measured(t, p).Leading()
	if s.Start.By != piece.StopSpool {
		t.Errorf("held by %s", s.Start.By)
	}
	// From the spool nothing is held at the end made first, 25 at the other.
	near(t, "cut from the spool", house.CutLength()-s.CutLength(), 120-25, 1e-9)
	p.House.Allowance, p.Leading().LeftEnding.Stop = piece.AllowanceSpool, piece.StopTape
	if s := measured(t, p).Leading(); s.Start.By != piece.StopTape {
		t.Errorf("in a house that strings from the spool it is held by %s", s.Start.By)
	}
}
