package component

import (
	"fmt"
	"math"
	"math/rand/v2"
	"reflect"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/testparts"
)

func bead(t *testing.T, id string, b material.Bead, mass float64) *material.Material {
	t.Helper()
	return testparts.Bead(t, id, b, mass)
}

func finding(t *testing.T, id string, f material.Finding, mass float64) *material.Material {
	t.Helper()
	made, err := material.NewFinding(f)
	if err != nil {
		t.Fatal(err)
	}
	return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Finding: made, MassG: mass}
}

// bench is a few materials to make components of.
type bench struct {
	ring, split, head, eye, short, charm, across, pearl, drop, cap, seed, silk *material.Material
}

func newBench(t *testing.T) bench {
	cord, err := material.NewCord(material.Cord{Type: material.Thread, Diameter: 0.5})
	if err != nil {
		t.Fatal(err)
	}
	return bench{
		ring:   finding(t, "ring", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7}, 0.1),
		split:  finding(t, "split", material.Finding{Type: material.SplitRing, Inside: 4, Wire: 0.6}, 0.2),
		head:   finding(t, "head", material.Finding{Type: material.HeadPin, Length: 40, Wire: 0.6, Outside: 1.6}, 0.15),
		eye:    finding(t, "eye", material.Finding{Type: material.EyePin, Length: 40, Wire: 0.6, Inside: 2}, 0.16),
		short:  finding(t, "short", material.Finding{Type: material.HeadPin, Length: 6, Wire: 0.6, Outside: 1.6}, 0.1),
		charm:  bead(t, "charm", material.Bead{Shape: material.Charm, Across: 9, Hole: 1.5, Along: 0.8, Drop: 14, Facing: material.FacingUpright}, 0.8),
		across: bead(t, "across", material.Bead{Shape: material.Charm, Across: 9, Hole: 1.5, Along: 0.8, Drop: 14, Facing: material.FacingUpright, Drilled: material.ThroughWidth}, 0.8),
		pearl:  bead(t, "pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 0.8}, 0.1),
		drop:   bead(t, "drop", material.Bead{Shape: material.Drop, Across: 8, Along: 11, Hole: 0.9}, 0.9),
		cap:    bead(t, "cap", material.Bead{Shape: material.Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 1}, 0.2),
		seed:   bead(t, "seed", material.Bead{Shape: material.Seed, Across: 2.2, Along: 1.5, Hole: 0.8}, 0.01),
		silk:   &material.Material{ID: "silk", Name: "silk", Class: material.ClassCord, Cord: cord},
	}
}

func line(t *testing.T, text string) *pattern.Line {
	t.Helper()
	l := testparts.Line(t, text)
	return l
}

func (b bench) palette() map[string]*material.Material {
	return map[string]*material.Material{"P": b.pearl, "D": b.drop, "C": b.cap, "S": b.seed}
}

func made(t *testing.T, p Plan) *material.Material {
	t.Helper()
	m, err := Make("it", "It", p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func near(t *testing.T, what string, got, want length.MM) {
	t.Helper()
	if math.Abs(float64(got-want)) > 1e-3 {
		t.Errorf("%s is %.4f, want %.4f", what, float64(got), float64(want))
	}
}

var simple = material.Loop{Kind: material.SimpleLoop, Inside: 2}

func TestWhatAPinTakes(t *testing.T) {
	b := newBench(t)
	m := made(t, Plan{Kind: material.PinDrop, Rings: []*material.Material{b.ring}, Pin: b.head, Loop: simple, Line: line(t, "P D"), Palette: b.palette()})
	pin := m.Component.Pin
	// A round 4 with hole 0.8 beside a drop 8 x 11 with hole 0.9.
	ball, half := math.Sqrt(4-0.45*0.45), 5.5
	stack := math.Sqrt(4-0.4*0.4) + ball + half + half
	near(t, "the stack", pin.Stack, length.MM(stack))
	near(t, "a simple loop of 2 from 0.6", pin.LoopTakes, length.MM(math.Pi*2.6))
	near(t, "the pin needed", pin.Needed, pin.Stack+pin.LoopTakes)
	near(t, "the pin held", pin.Held, 40)
	wrapped := made(t, Plan{Kind: material.PinDrop, Pin: b.head, Loop: material.Loop{Kind: material.WrappedLoop, Inside: 2, Turns: 3}, Line: line(t, "P"), Palette: b.palette()})
	near(t, "a wrapped loop of 3 turns", wrapped.Component.Pin.LoopTakes, length.MM(math.Pi*2.6+3*(0.6+math.Pi*1.2)))
}

// Between the insides of its loops a bead link takes its stack, both wires, both insides,
// the turns of a wrapped loop and the inside of a ring.
func TestABeadLinkAsALinkOfAChain(t *testing.T) {
	b := newBench(t)
	stack := length.MM(2 * math.Sqrt(4-0.4*0.4))
	plan := Plan{Kind: material.BeadLink, Pin: b.eye, Loop: material.Loop{Kind: material.SimpleLoop, Inside: 3}, Line: line(t, "P"), Palette: b.palette()}
	simple := made(t, plan)
	near(t, "with simple loops", simple.Finding.Inside, stack+3+2+2*0.6)
	if !simple.HasLinks() || simple.IsBead() || !simple.Finding.IsOpen() || simple.Finding.LinkWidth() != 4 || simple.LinkThick() != 4 || simple.Finding.LostInCutting() != 0 {
		t.Errorf("%+v is no link", simple.Finding)
	}
	plan.Loop, plan.Rings = material.Loop{Kind: material.WrappedLoop, Inside: 3, Turns: 2}, []*material.Material{b.ring}
	near(t, "with a wrapped loop and a ring", made(t, plan).Finding.Inside, stack+3+2+4*0.6+3.6)
	if drop := made(t, Plan{Kind: material.PinDrop, Pin: b.head, Loop: plan.Loop, Line: plan.Line, Palette: plan.Palette}); drop.HasLinks() {
		t.Error("a drop has no second loop to hang in another")
	}
}

func TestHowFarThingsHang(t *testing.T) {
	b := newBench(t)
	// On a thin cord a ring's foot is D + w down; what it carries hangs on the wire.
	onOne := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{b.charm}})
	near(t, "a charm on one ring", onOne.Bead.Drop, 3.6+0.7/2-0.7/2+14)
	onThree := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring, b.split, b.ring}, Below: []*material.Material{b.charm}})
	near(t, "a charm on three rings", onThree.Bead.Drop, 3.6+0.35-0.35+4+0.3-0.3+3.6+0.35-0.35+14)
	drop := made(t, Plan{Kind: material.PinDrop, Rings: []*material.Material{b.ring}, Pin: b.head, Loop: simple, Line: line(t, "D"), Palette: b.palette()})
	// D - half of what carries it + w + stack + head below its carrier.
	near(t, "a drop on a ring", drop.Bead.Drop, 3.6+0.35-0.35+2+0.6+11+0.6)
	bare := made(t, Plan{Kind: material.PinDrop, Pin: b.head, Loop: material.Loop{Kind: material.WrappedLoop, Inside: 2, Turns: 2}, Line: line(t, "D"), Palette: b.palette()})
	near(t, "a drop by its own wrapped loop", bare.Bead.Drop, 2+0.6+2*0.6+11+0.6)
	near(t, "its loop on the cord", bare.Bead.Hole, 2)
	near(t, "its wire on the cord", bare.Bead.Along, 0.6)
	link := made(t, Plan{Kind: material.BeadLink, Pin: b.eye, Loop: simple, Line: line(t, "P"), Palette: b.palette(), Below: []*material.Material{b.charm}})
	pearl := length.MM(2 * math.Sqrt(4-0.16))
	// The eye's inside begins a wire below the bead; the charm hangs on its foot.
	near(t, "a charm below a bead link", link.Bead.Drop, 2+0.6+pearl+0.6+2+14)
	split := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.split}, Below: []*material.Material{b.charm}})
	near(t, "a split ring counts two wires", split.Bead.Along, 1.2)
	tassel := made(t, Plan{Kind: material.Tassel, Rings: []*material.Material{b.ring}, Cord: b.silk, Strands: 12, Leg: 40})
	near(t, "a tassel", tassel.Bead.Drop, 3.6+0.35-0.35-0.5+40)
	near(t, "its cord", tassel.Component.Parts[1].Length, 13*2*40)
}

func TestWhichWayACharmFaces(t *testing.T) {
	b := newBench(t)
	rings := []*material.Material{b.ring, b.ring, b.ring}
	for n := 1; n <= 3; n++ {
		front := made(t, Plan{Kind: material.CharmOnRings, Rings: rings[:n], Below: []*material.Material{b.charm}})
		if want := n == 2; front.Component.Sideways != want || !front.Component.Faces {
			t.Errorf("drilled front to back on %d rings: sideways %v", n, front.Component.Sideways)
		}
		across := made(t, Plan{Kind: material.CharmOnRings, Rings: rings[:n], Below: []*material.Material{b.across}})
		if want := n != 2; across.Component.Sideways != want {
			t.Errorf("drilled across on %d rings: sideways %v", n, across.Component.Sideways)
		}
		// The same charm on its own ring in a pendant of rings.
		inner := made(t, Plan{Kind: material.CharmOnRings, Rings: rings[:1], Below: []*material.Material{b.charm}})
		outer := made(t, Plan{Kind: material.Pendant, Rings: rings[:n], Below: []*material.Material{inner}})
		if want := n == 1 || n == 3; outer.Component.Sideways != want {
			t.Errorf("on %d rings and one more: sideways %v, want %v", n, outer.Component.Sideways, want)
		}
	}
	for crosswise, want := range map[bool]bool{false: false, true: true} {
		link := made(t, Plan{Kind: material.BeadLink, Pin: b.eye, Loop: simple, Crosswise: crosswise, Line: line(t, "P"), Palette: b.palette(), Below: []*material.Material{b.charm}})
		if link.Component.Sideways != want {
			t.Errorf("below a link, loops crosswise %v: sideways %v", crosswise, link.Component.Sideways)
		}
	}
	plain := made(t, Plan{Kind: material.PinDrop, Pin: b.head, Loop: simple, Line: line(t, "D"), Palette: b.palette()})
	if plain.Component.Faces {
		t.Error("a drop has a face")
	}
}

func TestACoilIsWoundFromWhatTheBeadsLeave(t *testing.T) {
	b := newBench(t)
	m := made(t, Plan{Kind: material.Coil, Pin: b.head, Rod: 1.5, Line: line(t, "S P S"), Palette: b.palette()})
	pin := m.Component.Pin
	turns := (40 - float64(pin.Stack)) / (math.Pi * (1.5 + 0.6))
	if math.Abs(pin.Turns-turns) > 1e-9 {
		t.Errorf("%v turns, want %v", pin.Turns, turns)
	}
	near(t, "along the cord", m.Bead.Length(), length.MM(turns*0.6))
	near(t, "across", m.Bead.Across, 2.7)
	near(t, "its hole", m.Bead.Hole, 1.5)
	near(t, "how far its beads stand off", m.Bead.StandsOff, 1.35+pin.Stack+0.6)
	near(t, "how far towards the body", m.Bead.Inwards, 2)
	if m.Bead.Hangs() || material.Hides(m.Bead.Shape) {
		t.Error("a coil hangs, or hides a knot")
	}
	counts := map[string]int{}
	m.Each(func(of *material.Material, n int, _ length.MM) { counts[of.ID] += n })
	if fmt.Sprint(counts) != "map[head:1 pearl:1 seed:2]" {
		t.Errorf("parts %v", counts)
	}
	if math.Abs(m.MassG-(0.15+0.1+0.02)) > 1e-9 {
		t.Errorf("weighs %v", m.MassG)
	}
}

func TestABeadOfBeadsIsAsItWasMeasured(t *testing.T) {
	b := newBench(t)
	body := bead(t, "body", material.Bead{Shape: material.Beaded, Across: 14, Along: 13, Hole: 2}, 0)
	m := made(t, Plan{Kind: material.BeadedBead, Bead: body.Bead, Parts: []material.PartCount{{Of: b.seed, Count: 120}, {Of: b.silk, Count: 1, Length: 300}}})
	near(t, "its length", m.Bead.Length(), 13)
	if math.Abs(m.MassG-1.2) > 1e-9 || m.Component.Parts[0].Count != 120 {
		t.Errorf("weighs %v of %+v", m.MassG, m.Component.Parts)
	}
}

func TestPlansThatCannotBeMade(t *testing.T) {
	b := newBench(t)
	charm := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{b.charm}})
	rings := []*material.Material{b.ring}
	for _, tt := range []struct {
		name, field, says string
		plan              Plan
	}{
		{"nothing to hang by", "rings", "Nothing holds", Plan{Kind: material.CharmOnRings, Below: []*material.Material{b.charm}}},
		{"a bead as a ring", "rings[1]", "not a ring", Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring, b.pearl}, Below: []*material.Material{b.charm}}},
		{"nine rings", "rings", "at most 8", Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring, b.ring, b.ring, b.ring, b.ring, b.ring, b.ring, b.ring, b.ring}, Below: rings}},
		{"nothing below", "below", "Nothing hangs", Plan{Kind: material.CharmOnRings, Rings: rings}},
		{"a round below", "below[0]", "does not hang", Plan{Kind: material.Pendant, Rings: rings, Below: []*material.Material{b.pearl}}},
		{"below a head pin", "below", "eye pin", Plan{Kind: material.Pendant, Pin: b.head, Loop: simple, Line: line(t, "P"), Palette: b.palette(), Below: []*material.Material{charm}}},
		{"no pin", "pin", "Choose the pin", Plan{Kind: material.PinDrop, Rings: rings, Line: line(t, "P"), Palette: b.palette()}},
		{"beads without a pin", "pin", "that these beads", Plan{Kind: material.Pendant, Rings: rings, Line: line(t, "P"), Palette: b.palette(), Below: []*material.Material{charm}}},
		{"a ring as a pin", "pin", "not a head pin", Plan{Kind: material.PinDrop, Pin: b.ring, Loop: simple}},
		{"a link on a head pin", "pin", "use an eye pin", Plan{Kind: material.BeadLink, Pin: b.head, Loop: simple}},
		{"a drop on an eye pin", "pin", "use a head pin", Plan{Kind: material.PinDrop, Pin: b.eye, Loop: simple}},
		{"an empty pin", "line", "at least one bead", Plan{Kind: material.PinDrop, Pin: b.head, Loop: simple, Line: line(t, "")}},
		{"a fill on a pin", "line", "no length to fill", Plan{Kind: material.PinDrop, Pin: b.head, Loop: simple, Line: line(t, "{P}"), Palette: b.palette()}},
		{"a letter without a dish", "line", "letter Q", Plan{Kind: material.PinDrop, Pin: b.head, Loop: simple, Line: line(t, "Q"), Palette: b.palette()}},
		{"a charm on a pin", "palette.H", "cannot be strung", Plan{Kind: material.PinDrop, Pin: b.head, Loop: simple, Line: line(t, "H"), Palette: map[string]*material.Material{"H": b.charm}}},
		{"201 beads on a pin", "line", "too many", Plan{Kind: material.PinDrop, Pin: b.head, Loop: simple, Line: line(t, "201S"), Palette: b.palette()}},
		{"a loop of no size", "loop", "A loop is", Plan{Kind: material.PinDrop, Pin: b.head, Line: line(t, "P"), Palette: b.palette()}},
		{"a pin shorter than its loop", "pin", "its loop alone", Plan{Kind: material.PinDrop, Pin: b.short, Loop: simple, Line: line(t, "S"), Palette: b.palette()}},
		{"a coil without a rod", "rodMm", "rod", Plan{Kind: material.Coil, Pin: b.head, Line: line(t, "P"), Palette: b.palette()}},
		{"a coil of an eye pin", "pin", "use a head pin", Plan{Kind: material.Coil, Pin: b.eye, Rod: 1.5, Line: line(t, "P"), Palette: b.palette()}},
		{"a coil of one turn", "pin", "two turns", Plan{Kind: material.Coil, Pin: b.short, Rod: 1.5, Line: line(t, "S"), Palette: b.palette()}},
		{"a tassel of nothing", "cord", "Choose the cord", Plan{Kind: material.Tassel, Rings: rings, Strands: 3, Leg: 30}},
		{"a tassel of beads", "cord", "not a cord", Plan{Kind: material.Tassel, Rings: rings, Cord: b.pearl, Strands: 3, Leg: 30}},
		{"a tassel of no strand", "strands", "strands", Plan{Kind: material.Tassel, Rings: rings, Cord: b.silk, Leg: 30}},
		{"a tassel of no length", "legMm", "mm long", Plan{Kind: material.Tassel, Rings: rings, Cord: b.silk, Strands: 4}},
		{"a bead of no beads", "parts", "List the beads", Plan{Kind: material.BeadedBead, Bead: b.pearl.Bead}},
		{"201 parts", "", "at most 200", Plan{Kind: material.BeadedBead, Bead: b.pearl.Bead, Parts: []material.PartCount{{Of: b.seed, Count: 201}}}},
	} {
		_, err := Make("it", "It", tt.plan)
		f, ok := err.(*Fault)
		if !ok || f.Field != tt.field || !strings.Contains(f.Says, tt.says) || !strings.HasSuffix(f.Says, ".") {
			t.Errorf("%s: %v", tt.name, err)
		}
	}
	deep := charm
	for level := 2; ; level++ {
		next, err := Make("it", "It", Plan{Kind: material.Pendant, Rings: rings, Below: []*material.Material{deep}})
		if (err == nil) != (level <= MostLevels) {
			t.Fatalf("%d levels: %v", level, err)
		}
		if err != nil {
			break
		}
		deep = next
	}
	if _, err := Make("it", "It", Plan{Kind: material.BeadedBead, Bead: b.pearl.Bead, Parts: []material.PartCount{{Of: b.seed, Count: 200}}}); err != nil {
		t.Errorf("200 parts: %v", err)
	}
}

func TestAComponentIsMadeAgainFromItsPlan(t *testing.T) {
	b := newBench(t)
	rings := []*material.Material{b.ring}
	for _, p := range []Plan{
		{Kind: material.CharmOnRings, Rings: rings, Below: []*material.Material{b.charm}},
		{Kind: material.BeadLink, Pin: b.eye, Loop: simple, Crosswise: true, Line: line(t, "P 2S"), Palette: b.palette(), Below: []*material.Material{b.charm}},
		{Kind: material.Tassel, Rings: rings, Cord: b.silk, Strands: 12, Leg: 40},
		{Kind: material.Coil, Pin: b.head, Rod: 1.5, Line: line(t, "S P S"), Palette: b.palette()},
		{Kind: material.BeadedBead, Bead: b.pearl.Bead, Parts: []material.PartCount{{Of: b.seed, Count: 120}}},
	} {
		once := made(t, p)
		again := made(t, PlanOf(once))
		if !reflect.DeepEqual(once.Component, again.Component) || once.Bead.Length() != again.Bead.Length() {
			t.Errorf("%s: made again %+v, was %+v", p.Kind, again.Component, once.Component)
		}
	}
}

// Whatever hangs in whatever, the parts are those of a plain recount, the mass is
// theirs, and no part is drawn above the cord.
func TestRandomPendantsCountTheirParts(t *testing.T) {
	b := newBench(t)
	rng := rand.New(rand.NewPCG(6, 6))
	var random func(depth int) (*material.Material, map[string]int)
	random = func(depth int) (*material.Material, map[string]int) {
		p, want := Plan{Kind: material.Pendant}, map[string]int{}
		for range 1 + rng.IntN(2) {
			p.Rings = append(p.Rings, b.ring)
			want["ring"]++
		}
		if rng.IntN(2) == 0 {
			p.Pin, p.Loop, p.Palette = b.eye, simple, b.palette()
			n := 1 + rng.IntN(3)
			p.Line = line(t, fmt.Sprintf("%dP S", n))
			want["eye"]++
			want["pearl"] += n
			want["seed"]++
		}
		for range 1 + rng.IntN(2) {
			if depth == 0 || rng.IntN(3) == 0 {
				p.Below = append(p.Below, b.charm)
				want["charm"]++
				continue
			}
			m, parts := random(depth - 1)
			p.Below = append(p.Below, m)
			for id, n := range parts {
				want[id] += n
			}
		}
		return made(t, p), want
	}
	weights := map[string]float64{"ring": 0.1, "eye": 0.16, "pearl": 0.1, "seed": 0.01, "charm": 0.8}
	for range 200 {
		m, want := random(3)
		got := map[string]int{}
		m.Each(func(of *material.Material, n int, _ length.MM) { got[of.ID] += n })
		if fmt.Sprint(got) != fmt.Sprint(want) {
			t.Fatalf("parts %v, want %v", got, want)
		}
		mass := 0.0
		for id, n := range want {
			mass += weights[id] * float64(n)
		}
		if math.Abs(m.MassG-mass) > 1e-9 {
			t.Fatalf("weighs %v, want %v", m.MassG, mass)
		}
		for _, s := range m.Component.Seats {
			if s.Y <= 0 || s.Y > float64(m.Bead.Drop) {
				t.Fatalf("%s lies at %v of a drop of %v", s.Role, s.Y, m.Bead.Drop)
			}
		}
	}
}
