package component

import (
	"math"
	"strings"
	"testing"

	"mala/core/material"
)

func TestABeadWithALoopCarriesWhatHangsBelowIt(t *testing.T) {
	b := newBench(t)
	tube := bead(t, "tube", material.Bead{Shape: material.Tube, Across: 4, Along: 6, Hole: 1.6, Loop: 1.8, LoopWire: 0.8}, 0.4)
	m := made(t, Plan{Kind: material.Carrier, Strung: tube, Below: []*material.Material{b.charm}})
	// Its loop begins at the edge, 2 below the middle: wire 0.8, inside 1.8, and the
	// charm of 14 hangs from the top of the lower wire.
	near(t, "it reaches", m.Component.StandsOff, 2+0.8+1.8+14)
	if m.Bead.Hangs() || m.Bead.Length() != tube.Bead.Length() || m.Bead.StandsOff != m.Component.StandsOff {
		t.Errorf("a strand meets %+v", m.Bead)
	}
	if math.Abs(m.MassG-1.2) > 1e-9 || len(m.Component.Parts) != 2 {
		t.Errorf("it weighs %v, of %d parts", m.MassG, len(m.Component.Parts))
	}
	seatsAre(t, "carrier", m, []lies{
		{role: material.SeatBead, angle: -math.Pi / 2, long: 6, wide: 4},
		{role: material.SeatLoop, y: 2.8 + 0.9, long: 1.8, wide: 1.8, wire: 0.8},
		{role: material.SeatCharm, y: 4.6 + 7, long: 14, wide: 9, edgeOn: true},
	})
	again := made(t, PlanOf(m))
	if again.Component.StandsOff != m.Component.StandsOff || again.Component.Strung != tube {
		t.Error("made again from its plan it is another")
	}
	onRing := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{b.charm}})
	if direct, ringed := m, made(t, Plan{Kind: material.Carrier, Strung: tube, Below: []*material.Material{onRing}}); direct.Component.Sideways == ringed.Component.Sideways {
		t.Error("a ring between turns the charm by a quarter")
	}
}

func TestCarriersThatCannotBeMade(t *testing.T) {
	b := newBench(t)
	tube := bead(t, "tube", material.Bead{Shape: material.Tube, Across: 4, Along: 6, Hole: 1.6, Loop: 1.8, LoopWire: 0.8}, 0.4)
	for _, tt := range []struct {
		plan        Plan
		field, says string
	}{
		{Plan{Below: []*material.Material{b.charm}}, "bead", "Choose the bead"},
		{Plan{Strung: b.pearl, Below: []*material.Material{b.charm}}, "bead", "pearl has no loop of its own"},
		{Plan{Strung: b.ring, Below: []*material.Material{b.charm}}, "bead", "ring has no loop of its own"},
		{Plan{Strung: tube}, "below", "Nothing hangs here yet"},
		{Plan{Strung: tube, Below: []*material.Material{b.pearl}}, "below[0]", "pearl does not hang"},
	} {
		tt.plan.Kind = material.Carrier
		_, err := Make("x", "x", tt.plan)
		f, ok := err.(*Fault)
		if !ok || f.Field != tt.field || !strings.Contains(f.Says, tt.says) {
			t.Errorf("%v, want %s: %s", err, tt.field, tt.says)
		}
	}
}

func TestAComponentRemembersThatItHangsOnOneCord(t *testing.T) {
	b := newBench(t)
	m := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{b.charm}, OneCord: true})
	if !m.Bead.OneCord || !PlanOf(m).OneCord {
		t.Errorf("%+v", m.Bead)
	}
	turn := made(t, Plan{Kind: material.InTurn, Turn: []*material.Material{b.pearl, b.drop}, Back: true})
	if !turn.Component.Back || !PlanOf(turn).Back {
		t.Error("a mirror no longer runs them back")
	}
}

// A charm with a loop at its foot hangs on the rings, and carries the rest below itself.
func TestACharmCarriesAnotherByItsOwnLoop(t *testing.T) {
	b := newBench(t)
	upper := bead(t, "anchor", material.Bead{Shape: material.Charm, Across: 9, Hole: 1.5, Along: 0.8, Drop: 14, Loop: 2, LoopWire: 0.8}, 0.8)
	plan := Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Strung: upper, Below: []*material.Material{b.charm}}
	m := made(t, plan)
	alone := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{upper}})
	// The lower one hangs on the loop's wire, its own 14 from the upper side of that down.
	if got, want := m.Component.Drop, alone.Component.Drop-upper.Bead.LoopWire+b.charm.Bead.Drop; math.Abs(float64(got-want)) > 1e-9 {
		t.Errorf("hangs %v, want %v", got, want)
	}
	n := 0
	for _, p := range m.Component.Parts {
		n += p.Count
	}
	if n != 3 || PlanOf(m).Strung != upper {
		t.Errorf("%+v", m.Component.Parts)
	}
	for _, tt := range []struct {
		change func(p *Plan)
		says   string
	}{
		{func(p *Plan) { p.Strung = b.charm }, "no loop below"},
		{func(p *Plan) { p.Strung = b.pearl }, "no loop below"},
		{func(p *Plan) { p.Kind = material.Pendant }, "Only a charm on rings"},
		{func(p *Plan) { p.Below = nil }, "Nothing hangs here yet"},
		{func(p *Plan) {
			p.Strung = bead(t, "flat", material.Bead{Shape: material.Charm, Across: 9, Hole: 1.5, Along: 0.8, Drop: 3, Loop: 2, LoopWire: 0.8}, 0.8)
		}, "no further than its own loop"},
	} {
		p := plan
		tt.change(&p)
		if _, err := Make("x", "x", p); err == nil || !strings.Contains(err.Error(), tt.says) {
			t.Errorf("%s: %v", tt.says, err)
		}
	}
}
