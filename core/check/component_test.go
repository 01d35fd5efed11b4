package check

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"testing"

	"mala/core/component"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// plans change a drop on a head pin: a pearl with hole 0.9 and a round 8 on a pin
// of 40 x 0.6, its loop 2, hung on a ring.
type planned = func(p *component.Plan)

var (
	headPin  = finding("head pin", "brass", material.Finding{Type: material.HeadPin, Length: 40, Wire: 0.6, Outside: 1.6})
	shortPin = finding("short pin", "brass", material.Finding{Type: material.HeadPin, Length: 20, Wire: 0.6, Outside: 1.6})
	finePin  = finding("fine pin", "brass", material.Finding{Type: material.HeadPin, Length: 40, Wire: 0.5, Outside: 1.6})
	smallPin = finding("small-headed pin", "brass", material.Finding{Type: material.HeadPin, Length: 40, Wire: 0.6, Outside: 1})
)

func dropOf(t *testing.T, line string, changes ...planned) *material.Material {
	t.Helper()
	parsed := testparts.Line(t, line)
	palette := dishes(t)
	for _, m := range palette {
		m.MassG = 0.5
	}
	p := component.Plan{Kind: material.PinDrop, Rings: []*material.Material{jump}, Pin: headPin, Loop: material.Loop{Inside: 2}, Line: parsed, Palette: palette}
	for _, change := range changes {
		change(&p)
	}
	m, err := component.Make("drop", "drop", p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func on(pin *material.Material) planned { return func(p *component.Plan) { p.Pin = pin } }

func rings(of ...*material.Material) planned { return func(p *component.Plan) { p.Rings = of } }

// charmOf hangs charms, their holes front to back, on rings.
func charmOf(t *testing.T, n int, hole length.MM, of ...*material.Material) *material.Material {
	t.Helper()
	charm := bead(t, "shell", material.Bead{Shape: material.Charm, Across: 9, Hole: hole, Along: 0.8, Drop: 12})
	charm.MassG = 1
	p := component.Plan{Kind: material.CharmOnRings, Rings: of}
	for range n {
		p.Below = append(p.Below, charm)
	}
	m, err := component.Make("charms", "charms", p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func with(m *material.Material) change {
	return func(p *piece.Piece, _ *piece.Row) { p.Palette["K"] = m }
}

func heavy(m *material.Material, g float64) *material.Material { m.MassG = g; return m }

func TestComponentsAreJudgedAndTheNearMissIsNot(t *testing.T) {
	sterling := finding("sterling ring", "silver", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open", Form: "round"})
	// The stack of P and R is 1.960 + 5.9x + 3.969; a loop of 2 from 0.6 takes 8.168.
	for _, tt := range []struct {
		code         string
		severity     Severity
		says         string
		fires, quiet *material.Material
	}{
		{"leg-short", Stop, "drop needs 27.93 mm of pin: beads 19.76 mm, loop 8.17 mm. short pin is 20 mm", dropOf(t, "P 2R", on(shortPin)), dropOf(t, "P R", on(shortPin))},
		{"hole-too-small", Stop, "fine pearl in drop has a hole of 0.6 mm; thick pin is 0.61 mm thick", dropOf(t, "Z", on(finding("thick pin", "brass", material.Finding{Type: material.HeadPin, Length: 40, Wire: 0.61, Outside: 1.6}))), dropOf(t, "Z")},
		{"hole-too-small", Stop, "shell has a hole of 0.65 mm; jump ring is made of 0.7 mm wire", charmOf(t, 1, 0.65, jump), charmOf(t, 1, 0.7, jump)},
		{"pin-slips", Stop, "The head of small-headed pin is 1 mm wide and passes the hole of round, 1 mm", dropOf(t, "P R", on(smallPin)), dropOf(t, "R P", on(smallPin))},
		{"pin-slips", Stop, "The loop of head pin is 2.2 mm wide and passes the hole of lantern, 2.5 mm", dropOf(t, "G P", func(p *component.Plan) { p.Loop.Inside = 1 }), dropOf(t, "G P")},
		{"ring-too-small", Stop, "fine ring in charms is 1.2 mm inside; the 3 things on it", charmOf(t, 3, 1, fine), charmOf(t, 3, 1, jump)},
		{"weak-link", Warn, "pulls with 9.8 N; jump ring holds 8.0 N", heavy(charmOf(t, 1, 1, jump), 100), heavy(charmOf(t, 1, 1, jump), 81)},
		{"weak-link", Warn, "its open loop holds 8.3 N", heavy(dropOf(t, "P", rings(soldered)), 90), heavy(dropOf(t, "P", rings(soldered)), 84)},
		{"lies-sideways", Advise, "on 2 rings the charm in charms shows its edge", charmOf(t, 1, 1, jump, jump), charmOf(t, 1, 1, jump)},
		{"metals-differ", Advise, "sterling ring in charms is silver", charmOf(t, 1, 1, jump, jump, sterling), charmOf(t, 1, 1, jump, jump, jump)},
	} {
		for _, p := range []struct {
			m    *material.Material
			want bool
		}{{tt.fires, true}, {tt.quiet, false}} {
			m := measuredPiece(t, stretch(t, "R K R 20R", with(p.m)))
			f := of(All(m), tt.code)
			if (f != nil) != p.want {
				t.Errorf("%s: fires %v, want %v", tt.code, f != nil, p.want)
				continue
			}
			if f == nil {
				continue
			}
			if f.Severity != tt.severity || !strings.Contains(spoken(f), tt.says) || f.At.Element != 1 {
				t.Errorf("%s: %s at %d, %q, want %s %q", tt.code, f.Severity, f.At.Element, spoken(f), tt.severity, tt.says)
			}
			alone := Component(p.m, piece.DefaultHouse())
			if own := of(alone, tt.code); own == nil || spoken(own) != spoken(f) {
				t.Errorf("%s: by itself %+v", tt.code, alone)
			}
		}
	}
}

func TestAFixedLengthForALoopIsTheHousesChoice(t *testing.T) {
	// 11.6 mm of beads and a loop of 8.2: with 9 mm a loop it is 0.8 more.
	tight := finding("tight pin", "brass", material.Finding{Type: material.HeadPin, Length: 20.3, Wire: 0.6, Outside: 1.6})
	drop := dropOf(t, "P R", on(tight))
	fixed := piece.DefaultHouse()
	fixed.PinLoops = piece.LoopsFixed
	if of(Component(drop, piece.DefaultHouse()), "leg-short") != nil {
		t.Errorf("by its size it is short: %+v", drop.Component.Pin)
	}
	if f := of(Component(drop, fixed), "leg-short"); f == nil || !strings.Contains(spoken(f), "loop 9 mm") {
		t.Errorf("by a fixed length: %+v, needs %v", f, PinNeeded(drop.Component.Pin, fixed))
	}
}

func TestARingTakesWhatPullsOnIt(t *testing.T) {
	mm := func(list ...length.MM) []length.MM { return list }
	for _, tt := range []struct {
		name       string
		inside     length.MM
		one, other []length.MM
		want       bool
	}{
		{"one and one", 2, mm(1), mm(1), true},
		{"one and one a little more", 2, mm(1), mm(1.01), false},
		// π/2 × (4 - 1) = 4.712 side by side.
		{"four side by side", 4, mm(1, 1, 1, 1), mm(1), true},
		{"five side by side", 4, mm(1, 1, 1, 1, 1), mm(1), false},
		{"the other way round", 4, mm(1), mm(1, 1, 1, 1, 1), false},
		{"nothing", 1, nil, nil, true},
	} {
		if got := RingTakes(tt.inside, tt.one, tt.other); got != tt.want {
			t.Errorf("%s: %v", tt.name, got)
		}
	}
}

// sameChange compares what is done, wherever it is done.
func sameChange(a, b edit.Op) bool {
	x, y := edit.FieldsOf(a), edit.FieldsOf(b)
	return a.Do() == b.Do() && x.Material == y.Material && x.N == y.N
}

func TestFixesOfComponents(t *testing.T) {
	shelf := []*material.Material{shortPin, headPin, finePin, jump, fine, split, soldered}
	for _, tt := range []struct {
		code string
		m    *material.Material
		says string
		op   edit.Op
	}{
		{"leg-short", dropOf(t, "P 2R", on(shortPin)), "Make drop on head pin", edit.SetPin{Letter: "K", Pin: headPin}},
		{"ring-too-small", charmOf(t, 3, 1, fine), "Use jump ring in charms", edit.SetRings{Letter: "K", Ring: jump}},
		{"lies-sideways", charmOf(t, 1, 1, jump, jump), "Hang charms on 1 ring", edit.SetRings{Letter: "K", Rings: 1}},
	} {
		m := measuredPiece(t, stretch(t, "R K R 20R", with(tt.m)))
		found := All(m)
		fix := FixOf(context.Background(), m, found, of(found, tt.code), Shelf{Materials: shelf})
		if fix == nil || !strings.HasPrefix(spoken(fix), tt.says) || !sameChange(fix.Ops[0], tt.op) {
			t.Errorf("%s: %+v", tt.code, fix)
			continue
		}
		after, err := edit.Try(m.Piece, shelf, fix.Ops...)
		if err != nil {
			t.Fatal(err)
		}
		if of(All(after), tt.code) != nil {
			t.Errorf("%s: still there after %s", tt.code, spoken(fix))
		}
		if m.Piece.Palette["K"] != tt.m {
			t.Errorf("%s: the fix changed the piece it was tried on", tt.code)
		}
	}
}

func hungOnRight(of *material.Material, hung ...*material.Material) change {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Closure.Left, p.Closure.Right = fittings("cl", lobster), fittings("cr", of)
		p.Closure.Right[0].Hung = hung
	}
}

func TestWhatHangsOnAFittingIsCountedWeighedAndCarried(t *testing.T) {
	drop := dropOf(t, "P")
	plain, with := measuredPiece(t, necklace(t, "20P", hungOnRight(jump))), measuredPiece(t, necklace(t, "20P", hungOnRight(jump, drop, drop)))
	if plain.Finished != with.Finished {
		t.Errorf("what hangs on a ring changes the length from %v to %v", plain.Finished, with.Finished)
	}
	if off := with.MassG - plain.MassG; off < 2*drop.Component.Pin.Beads[0].Material.MassG-tiny {
		t.Errorf("two drops weigh %v", off)
	}
	counts := map[string]int{}
	for _, c := range with.Bought() {
		counts[c.Material.ID] = c.Count
	}
	// The ring at the clasp and those of both drops.
	if counts["head pin"] != 2 || counts["jump ring"] != 3 {
		t.Errorf("bought %v", counts)
	}
	// Beside the crimped wire's loop, 0.7 wires hang in 1.2 of inside: one, not two.
	for n, want := range map[int]bool{0: false, 1: false, 2: true, 3: true} {
		var hung []*material.Material
		for range n {
			hung = append(hung, drop)
		}
		small := finding("small ring", "brass", material.Finding{Type: material.JumpRing, Inside: 1.15, Wire: 0.5, Joint: "open", Form: "round"})
		if f := of(all(t, necklace(t, "20P", hungOnRight(small, hung...))), "ring-too-small"); (f != nil) != want {
			t.Errorf("%d things on a small ring: %+v", n, f)
		}
	}
	p := necklace(t, "20P", hungOnRight(jump))
	for _, tt := range []struct {
		op   edit.Op
		want int
	}{
		{edit.Hang{At: piece.Place{Fitting: "cr1"}, Of: drop}, 1},
		{edit.Hang{At: piece.Place{Fitting: "cr1"}, Of: jump}, -1},
		{edit.Hang{At: piece.Place{Fitting: "fl1"}, Of: drop}, -1},
		{edit.Hang{At: piece.Place{Fitting: "none"}, Of: drop}, -1},
		{edit.Unhang{At: piece.Place{Fitting: "cr1"}}, -1},
	} {
		after, _, err := edit.Apply(p, nil, tt.op)
		if (err == nil) != (tt.want >= 0) || err == nil && len(after.Closure.Right[0].Hung) != tt.want {
			t.Errorf("%s on %s: %v", tt.op.Do(), edit.FieldsOf(tt.op).At.Fitting, err)
		}
		if len(p.Closure.Right[0].Hung) != 0 {
			t.Fatal("the piece itself was changed")
		}
	}
	after, _, err := edit.Apply(p, nil, edit.Hang{At: piece.Place{Fitting: "cr1"}, Of: drop}, edit.Unhang{At: piece.Place{Fitting: "cr1"}})
	if err != nil || len(after.Closure.Right[0].Hung) != 0 {
		t.Errorf("hung and taken off again: %v", err)
	}
}

func TestAComponentOnAFittingIsJudgedThere(t *testing.T) {
	thick := finding("thick pin", "brass", material.Finding{Type: material.HeadPin, Length: 40, Wire: 1.2, Outside: 2.6})
	for code, m := range map[string]*material.Material{
		"lies-sideways": charmOf(t, 1, 1, jump, jump), "leg-short": dropOf(t, "P 2R", on(shortPin)), "hole-too-small": dropOf(t, "P", on(thick)),
		"ring-too-small": charmOf(t, 3, 1, fine), "pin-slips": dropOf(t, "P R", on(smallPin)),
	} {
		piece := necklace(t, "20P", hungOnRight(jump, m))
		measured := measuredPiece(t, piece)
		found := All(measured)
		f := of(found, code)
		if f == nil || f.At.Fitting != "cr1" || f.At.Element >= 0 {
			t.Errorf("%s: %+v", code, f)
			continue
		}
		// There may be no fix for it yet, but looking for one does no harm.
		FixOf(context.Background(), measured, found, f, Shelf{Materials: shelf(t)})
	}
}

// Two closed things cannot hang in one another: in a component, and where a charm hangs in a chain.
func TestClosedThingsDoNotHangInOneAnother(t *testing.T) {
	charm := bead(t, "star", material.Bead{Shape: material.Charm, Across: 8, Hole: 2, Along: 1, Drop: 12})
	made := func(rings ...*material.Material) *material.Material {
		m, err := component.Make("made", "Made", component.Plan{Kind: material.CharmOnRings, Rings: rings, Below: []*material.Material{charm}})
		if err != nil {
			t.Fatal(err)
		}
		return m
	}
	for name, tt := range map[string]struct {
		of    *material.Material
		fires bool
	}{
		"a ring that opens":            {made(jump), false},
		"a soldered one":               {made(soldered), true},
		"one that opens below it":      {made(soldered, jump), false},
		"soldered below one that is":   {made(jump, soldered), true},
		"two soldered, one that opens": {made(soldered, soldered, jump), true},
	} {
		found := Component(tt.of, piece.DefaultHouse())
		if fires := of(found, "clasp-closed-eye") != nil; fires != tt.fires {
			t.Errorf("%s: %v", name, found)
		}
	}
	hung := func(link *material.Material, on *material.Material) *piece.Piece {
		return necklace(t, "20P", closed(lobster, jump), func(p *piece.Piece, _ *piece.Row) {
			p.Closure.Right = fittings("cr", jump, link)
			p.Closure.Right[1].Hung = []*material.Material{on}
		})
	}
	for name, tt := range map[string]struct {
		p     *piece.Piece
		fires bool
	}{
		"a charm in soldered links": {hung(chainShut, charm), true},
		"in open ones":              {hung(chainOpen, charm), false},
		"on a ring that opens":      {hung(chainShut, made(jump)), false},
	} {
		f := of(all(t, tt.p), "clasp-closed-eye")
		if (f != nil) != tt.fires || f != nil && !strings.Contains(spoken(f), "star are both closed") {
			t.Errorf("%s: %v", name, f)
		}
	}
}

// A pin whose head passes its bead gives way to one whose head does not; stiff wire in a drop to softer.
func TestThePinThatHoldsAndTheWireThatHangs(t *testing.T) {
	fix, after := fixed(t, necklace(t, "9P K 9P", with(dropOf(t, "P R", on(smallPin)))), "pin-slips", smallPin, headPin)
	if fix == nil || of(all(t, after), "pin-slips") != nil {
		t.Errorf("%+v", fix)
	}
	soft := wire(0.36)
	soft.ID, soft.Cord.Filaments = "soft wire", 19
	if fix, _ := fixed(t, necklace(t, "9P [5P . P] 9P", ofFilaments(7)), "drop-stands-off", soft); fix == nil {
		t.Error("no softer wire")
	}
}

// The first ring of a charm takes the cord beside the charm's own wire of 0.8, here of one pass of 0.38.
func TestTheFirstRingTakesCordAndCharm(t *testing.T) {
	ring := func(inside length.MM) *material.Material {
		return finding("tight ring", "brass", material.Finding{Type: material.JumpRing, Inside: inside, Wire: 0.6, Joint: "open"})
	}
	for inside, fires := range map[length.MM]bool{1.17: true, 1.18: false} {
		charm := charmOf(t, 1, 2, ring(inside))
		f := of(all(t, necklace(t, "9P K 9P", with(charm))), "ring-too-small")
		if (f != nil) != fires || f != nil && (f.Severity != Stop || !strings.Contains(spoken(f), "are 1.18 mm thick together")) {
			t.Errorf("on the cord, a ring of %v: %v", inside, f)
		}
	}
	need := jump.Finding.Wire + 0.8
	for inside, fires := range map[length.MM]bool{need - 0.01: true, need: false} {
		charm := charmOf(t, 1, 2, ring(inside))
		p := necklace(t, "20P", closed(lobster, jump), func(p *piece.Piece, _ *piece.Row) {
			p.Closure.Left[1].Hung = []*material.Material{charm}
		})
		if f := of(all(t, p), "ring-too-small"); (f != nil) != fires {
			t.Errorf("on a ring, a ring of %v: %v", inside, f)
		}
	}
	fix, after := fixed(t, necklace(t, "9P K 9P", with(charmOf(t, 1, 2, ring(1)))), "ring-too-small", jump)
	if fix == nil || of(all(t, after), "ring-too-small") != nil {
		t.Errorf("a larger ring mends it: %+v", fix)
	}
}

// A charm hangs on the loop at the foot of another: on an open ring, thin enough for the loop, and the
// upper one's hole takes the ring that it hangs on.
func TestACharmHangsOnTheLoopOfAnother(t *testing.T) {
	soldered := finding("soldered", "brass", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "soldered"})
	upper := func(hole, loop length.MM) *material.Material {
		m := bead(t, "anchor", material.Bead{Shape: material.Charm, Across: 9, Hole: hole, Along: 0.8, Drop: 14, Loop: loop, LoopWire: 0.8})
		m.MassG = 1
		return m
	}
	ringed := func(n int, ring *material.Material) []*material.Material {
		return []*material.Material{charmOf(t, n, 1.5, ring)}
	}
	for _, tt := range []struct {
		name, code string
		strung     *material.Material
		ring       *material.Material
		below      []*material.Material
	}{
		{"right", "", upper(1.5, 2), jump, ringed(1, jump)},
		{"closed on closed", "ClosedInside", upper(1.5, 2), jump, []*material.Material{charmOf(t, 1, 1.5, soldered)}},
		{"the upper one on a closed ring", "ClosedInside", upper(1.5, 2), soldered, ringed(1, jump)},
		{"a hole too narrow for its ring", "RingThick", upper(0.5, 2), jump, ringed(1, jump)},
		{"a loop too small", "LoopCrowded", upper(1.5, 0.6), jump, ringed(1, jump)},
		{"a loop too full", "LoopCrowded", upper(1.5, 2), jump, slices.Concat(ringed(1, jump), ringed(1, jump), ringed(1, jump), ringed(1, jump))},
	} {
		m, err := component.Make("two", "two", component.Plan{Kind: material.CharmOnRings, Rings: []*material.Material{tt.ring}, Strung: tt.strung, Below: tt.below})
		if err != nil {
			t.Fatal(tt.name, err)
		}
		var stops []string
		for _, f := range Component(m, piece.DefaultHouse()) {
			if f.Severity == Stop {
				stops = append(stops, strings.TrimPrefix(fmt.Sprintf("%T", f.Fact), "check."))
			}
		}
		if strings.Join(stops, " ") != tt.code {
			t.Errorf("%s: %q, want %q", tt.name, stops, tt.code)
		}
	}
}
