package measure

import (
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

func TestATailGoesBackByLengthByBeadsOrNotAtAll(t *testing.T) {
	p := strung(t, "40P")
	for _, tt := range []struct {
		tail   string
		beads  int
		goes   length.MM
		passes int
	}{
		{tail: piece.TailTucked, goes: 25, passes: 7},
		{tail: piece.TailBeads, beads: 3, passes: 3},
		{tail: piece.TailBeads, beads: 0, passes: 0},
		{tail: piece.TailTrimmed, passes: 0},
	} {
		p.House.Tail, p.House.TailBeads = tt.tail, tt.beads
		s := measured(t, p).Leading()
		if len(s.Left.TailBeads) != tt.passes || len(s.Right.TailBeads) != tt.passes {
			t.Errorf("%s of %d: the tails pass %d and %d beads, want %d", tt.tail, tt.beads, s.Left.TailBeads, s.Right.TailBeads, tt.passes)
		}
		twice := 0
		for _, b := range s.Beads {
			twice += b.Passes - 1
		}
		if twice != 2*tt.passes {
			t.Errorf("%s: %d beads are passed twice, want %d", tt.tail, twice, 2*tt.passes)
		}
		if tt.goes > 0 {
			near(t, "tail", s.Left.Tail, tt.goes, 1e-9)
		}
		if tt.tail == piece.TailBeads && tt.beads == 3 {
			near(t, "tail through three beads", s.Left.Tail, s.Beads[2].To, 1e-9)
			near(t, "and at the other end", s.Right.Tail, s.Strung-s.Beads[37].From, 1e-9)
		}
	}
}

func TestAMoreBeadedTailThanThereAreBeadsStopsAtTheOtherEnd(t *testing.T) {
	p := strung(t, "4P")
	p.House.Tail, p.House.TailBeads = piece.TailBeads, 9
	s := measured(t, p).Leading()
	near(t, "tail", s.Left.Tail, s.Strung, 1e-9)
	if len(s.Left.TailBeads) != 4 {
		t.Errorf("it passes %d beads", s.Left.TailBeads)
	}
}

func TestThePathIsTheCutWithoutTheHand(t *testing.T) {
	for _, allowance := range []string{piece.AllowanceStandard, piece.AllowanceGenerous, piece.AllowanceSpool} {
		p := strung(t, "40P")
		p.House.Allowance = allowance
		s := measured(t, p).Leading()
		first, last := p.House.WorkingAllowance()
		near(t, allowance, s.PathLength(), s.CutLength()-first-last, 1e-9)
	}
	s := measured(t, stretch(t, "22R")).Leading()
	near(t, "of a ring", s.PathLength(), s.Strung, 1e-9)
	near(t, "with enough to tie", s.CutLength(), s.Strung+150, 1e-9)
	child := stretch(t, "22R")
	child.Body = &piece.Body{Part: "wrist", Child: true}
	near(t, "in a child's batch", measured(t, child).Leading().CutLength(), s.Strung+60, 1e-9)
}

func TestFromTheSpoolOnlyTheEndThatIsCutOffIsHeld(t *testing.T) {
	p := strung(t, "40P")
	p.House.Allowance = piece.AllowanceSpool
	held := map[string]length.MM{}
	for _, c := range measured(t, p).Leading().Cut() {
		held[ItemName(c.Item)] = c.Length
	}
	if _, right := held["right working end"]; right || held["left working end"] != 25 {
		t.Errorf("held: %v, want 25 at the left, by the spool", held)
	}
}

func TestHowAStrandIsBegun(t *testing.T) {
	for _, tt := range []struct {
		name   string
		piece  *piece.Piece
		change func(h *piece.House)
		want   Start
	}{
		{"a stopper", strung(t, "40P"), func(*piece.House) {}, Start{piece.Left, piece.StopStopper, 2*4 + 25 + 60}},
		{"tape, a long end", strung(t, "40P"), func(h *piece.House) { h.Stopper, h.Allowance = piece.StopTape, piece.AllowanceGenerous }, Start{piece.Left, piece.StopTape, 2*4 + 25 + 120}},
		{"the spool", strung(t, "40P"), func(h *piece.House) { h.Allowance = piece.AllowanceSpool }, Start{piece.Left, piece.StopSpool, 0}},
		{"a ring", stretch(t, "22R"), func(*piece.House) {}, Start{piece.Left, piece.StopStopper, 75}},
		{"an elastic ring on its spool", stretch(t, "22R"), func(h *piece.House) { h.Stopper = piece.StopSpool }, Start{piece.Left, piece.StopSpool, 0}},
		{"the allowance of crimped ends keeps no ring on its spool", stretch(t, "22R"), func(h *piece.House) { h.Allowance = piece.AllowanceSpool }, Start{piece.Left, piece.StopStopper, 75}},
		{"wire takes no knot", strung(t, "40P"), func(h *piece.House) { h.Stopper = piece.StopSlipKnot }, Start{piece.Left, piece.StopTape, 2*4 + 25 + 60}},
		{"wire ties no bead", strung(t, "40P"), func(h *piece.House) { h.Stopper = piece.StopTiedBead }, Start{piece.Left, piece.StopTape, 2*4 + 25 + 60}},
		{"elastic takes a knot", stretch(t, "22R"), func(h *piece.House) { h.Stopper = piece.StopSlipKnot }, Start{piece.Left, piece.StopSlipKnot, 75}},
		{"a short tail is made long enough for the knot", stretch(t, "22R"), func(h *piece.House) { h.Stopper, h.ElasticTail = piece.StopTiedBead, 40 }, Start{piece.Left, piece.StopTiedBead, 50}},
		{"a spare crimp is cut off", strung(t, "40P"), func(h *piece.House) { h.Stopper = piece.StopSpareCrimp }, Start{piece.Left, piece.StopSpareCrimp, 2*4 + 25 + 60 + 5}},
		{"elastic takes no crimp", stretch(t, "22R"), func(h *piece.House) { h.Stopper = piece.StopSpareCrimp }, Start{piece.Left, piece.StopTape, 75}},
		{"both ends stay open from the centre", strung(t, "40P"), func(h *piece.House) { h.Stopper, h.Order = piece.StopSpareCrimp, piece.OrderCentre }, Start{piece.Left, piece.StopTape, 2*4 + 25 + 60}},
		{"crimped before stringing", strung(t, "40P"), func(h *piece.House) { h.Stopper = piece.StopCrimped }, Start{piece.Left, piece.StopCrimped, 0}},
		{"nothing to crimp on a ring", stretch(t, "22R"), func(h *piece.House) { h.Stopper = piece.StopCrimped }, Start{piece.Left, piece.StopTape, 75}},
		{"crimped first leaves nothing open at the centre", strung(t, "40P"), func(h *piece.House) { h.Stopper, h.Order = piece.StopCrimped, piece.OrderCentre }, Start{piece.Left, piece.StopTape, 2*4 + 25 + 60}},
		{"a clip", strung(t, "40P"), func(h *piece.House) { h.Stopper = piece.StopClip }, Start{piece.Left, piece.StopClip, 2*4 + 25 + 60}},
	} {
		tt.change(&tt.piece.House)
		got := measured(t, tt.piece).Leading().Start
		if got.Side != tt.want.Side || got.By != tt.want.By {
			t.Errorf("%s: %+v, want %+v", tt.name, got, tt.want)
		}
		near(t, tt.name, got.Tip, tt.want.Tip, 1e-9)
	}
}

func TestAKnotHidesInTheFirstHoleThatTakesIt(t *testing.T) {
	p := stretch(t, "10R G R G")
	for knot, across := range map[string]length.MM{piece.KnotSquare: 1.75, piece.KnotSurgeons: 2.1, piece.KnotTriple: 2.45} {
		p.House.Knot = knot
		k := measured(t, p).Leading().Knot
		near(t, knot, k.Across, across, 1e-9)
		if k.Bead != 10 {
			t.Errorf("%s hides in bead %d, want the first with a hole of 2.5", knot, k.Bead)
		}
	}
	if k := measured(t, stretch(t, "22R")).Leading().Knot; k.Bead != -1 {
		t.Errorf("holes of 1 mm hide a knot in bead %d", k.Bead)
	}
	if measured(t, strung(t, "22R")).Leading().Knot != nil {
		t.Error("a crimped strand has no knot")
	}
}

func TestTheLeastSlackLetsTheCordLieInside(t *testing.T) {
	s := measured(t, strung(t, "40P")).Leading()
	if least := s.SlackLeast(); least <= 0 || least >= s.SlackNeeded {
		t.Errorf("at least %v of the %v needed", least, s.SlackNeeded)
	}
	// A hole as fine as its cord lets nothing lie anywhere.
	p := strung(t, "40P")
	p.Leading().Cord = &material.Material{Name: "thick", Cord: &material.Cord{Type: material.Wire, Diameter: p.Palette["P"].Bead.Hole}}
	s = measured(t, p).Leading()
	near(t, "with no play", s.SlackLeast(), s.SlackNeeded, 1e-9)
}

// What stops an end is undone and its cord used; only a spare crimp is cut off, and
// only a tail too short to be held is made longer.
func TestWhatStopsAnEndIsCountedInTheCut(t *testing.T) {
	for _, tt := range []struct {
		by    string
		piece *piece.Piece
		tie   length.MM
		more  length.MM
	}{
		{piece.StopSpareCrimp, strung(t, "40P"), 75, 5}, {piece.StopClip, strung(t, "40P"), 75, 0}, {piece.StopCrimped, strung(t, "40P"), 75, 0},
		{piece.StopSlipKnot, stretch(t, "22R"), 75, 0}, {piece.StopSlipKnot, stretch(t, "22R"), 50, 0}, {piece.StopSlipKnot, stretch(t, "22R"), 49, 1},
		{piece.StopTape, stretch(t, "22R"), 20, 10}, {piece.StopStopper, stretch(t, "22R"), 20, 0}, {piece.StopSpool, stretch(t, "22R"), 20, 0},
	} {
		tt.piece.House.ElasticTail = tt.tie
		plain := measured(t, tt.piece).Leading()
		tt.piece.House.Stopper = tt.by
		held := measured(t, tt.piece).Leading()
		without := length.MM(0)
		for _, c := range plain.Cut() {
			if ItemName(c.Item) != "left start" {
				without += c.Length
			}
		}
		near(t, tt.by, held.CutLength()-without, tt.more, 1e-9)
		near(t, tt.by+" least", held.LeastCut(), plain.LeastCut(), 1e-9)
	}
}

// Each turn of the cord through a guard goes up one leg and down the other.
func TestAGuardIsThreadedOnceOrTwice(t *testing.T) {
	guard := finding(t, material.Finding{Type: material.WireGuard, Length: 4, Wire: 0.6})
	for _, tt := range []struct {
		threads string
		cord    material.CordType
		parts   string
		more    length.MM
	}{
		{piece.GuardsOnce, material.Wire, "left crimp + guard x 2", 0}, {piece.GuardsTwice, material.Wire, "left crimp x 2 + guard x 4", 8},
		{piece.GuardsOnce, material.Thread, "left guard x 2", 0}, {piece.GuardsTwice, material.Thread, "left guard x 4", 8},
	} {
		withThreads := func(threads string) *Strand {
			p := strung(t, "40P")
			row := p.Leading()
			if tt.cord == material.Thread {
				row.Left = fittings("fl", guard)
				row.Cord = &material.Material{ID: "thread", Name: "thread", Class: material.ClassCord, Cord: &material.Cord{Type: material.Thread, Diameter: 0.3}}
			} else {
				row.Left = fittings("fl", row.Left[0].Of, guard)
			}
			p.House.GuardThreads = threads
			return measured(t, p).Leading()
		}
		s, once := withThreads(tt.threads), withThreads(piece.GuardsOnce)
		named := false
		for _, c := range s.Cut() {
			named = named || ItemName(c.Item) == tt.parts
		}
		if !named {
			t.Errorf("no %q in %+v", tt.parts, s.Cut())
		}
		near(t, tt.parts, s.CutLength()-once.CutLength(), tt.more, 1e-9)
		near(t, tt.parts+" length", s.Left.Length, once.Left.Length, 1e-9)
	}
}

// Where the cord of a loop has gone back through the bead beside it before its knot, the tail
// begins beyond that bead: the way back has gone through it already.
func TestATailBehindAWayBackBeginsBeyondItsBead(t *testing.T) {
	far, four := length.MM(28), 4
	for _, side := range []piece.Side{piece.Left, piece.Right} {
		for name, tail := range map[string]piece.Tail{"28 mm": {Length: &far}, "4 beads": {Beads: &four}} {
			s := measured(t, ended(t, "20R", func(_ *piece.Piece, row *piece.Row) {
				own := row.Ending(side)
				*own = loopOf(t, "7S")
				own.Tail = tail
			})).Leading()
			e, goes := s.Ends()[0], far
			if side == piece.Right {
				e = s.Ends()[1]
			}
			if tail.Beads != nil {
				goes = length.MM(4 * 2 * math.Sqrt(4*4-1*1)) // four beads of 8, from rim to rim of their holes
			}
			near(t, name, e.Tail, goes, 1e-9)
			if len(e.TailBeads) != 4 || s.Beads[s.fromEnd(side, 0)].Passes != 2 || s.Beads[s.fromEnd(side, 4)].Passes != 2 || s.Beads[s.fromEnd(side, 5)].Passes != 1 {
				t.Errorf("%s at the %s goes back through beads %v", name, side, e.TailBeads)
			}
		}
	}
}
