package component

import (
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
)

// lies is where a part should lie.
type lies struct {
	role             material.SeatRole
	x, y, angle      float64
	long, wide, wire length.MM
	edgeOn           bool
}

func seatsAre(t *testing.T, name string, m *material.Material, want []lies) {
	t.Helper()
	seats := m.Component.Seats
	if len(seats) != len(want) {
		t.Fatalf("%s: %d seats, want %d: %+v", name, len(seats), len(want), seats)
	}
	off := func(a, b float64) bool { return math.Abs(a-b) > 1e-3 }
	for i, w := range want {
		s := seats[i]
		if s.Role != w.role || off(s.X, w.x) || off(s.Y, w.y) || off(s.Angle, w.angle) || s.EdgeOn != w.edgeOn ||
			off(float64(s.Long), float64(w.long)) || off(float64(s.Wide), float64(w.wide)) || off(float64(s.Wire), float64(w.wire)) {
			t.Errorf("%s: part %d is %+v, want %+v", name, i, s, w)
		}
	}
}

func TestWhereThePartsOfADropLie(t *testing.T) {
	b := newBench(t)
	pearl := 2 * math.Sqrt(4-0.16)
	// Ring 3.6 of 0.7: its foot's wire 3.95 down; a loop of 2 hangs there, its foot's
	// wire 5.9 down; two wraps, the pearl, the head.
	m := made(t, Plan{Kind: material.PinDrop, Rings: []*material.Material{b.ring}, Pin: b.head, Loop: material.Loop{Kind: material.WrappedLoop, Inside: 2, Turns: 2}, Line: line(t, "P"), Palette: b.palette()})
	loop := 3.6 + 0.35 - 0.35 + 2
	end := loop + 0.6 + 1.2 + pearl
	seatsAre(t, "drop", m, []lies{
		{material.SeatRing, 0, 1.8, 0, 3.6, 3.6, 0.7, true},
		{material.SeatLoop, 0, 3.6 + 1, 0, 2, 2, 0.6, false},
		{material.SeatStem, 0, (loop + 0.3 + end) / 2, 0, length.MM(end - loop - 0.3), 0.6, 0.6, false},
		{material.SeatBead, 0, end - pearl/2, 0, length.MM(pearl), 4, 0, false},
		{material.SeatHead, 0, end + 0.3, 0, 0.6, 1.6, 0.6, false},
	})
	near(t, "as wide as its pearl", m.Component.Across, 4)
	link := made(t, Plan{Kind: material.BeadLink, Pin: b.eye, Loop: simple, Crosswise: true, Line: line(t, "P"), Palette: b.palette(), Below: []*material.Material{b.charm}})
	eye := 2 + 0.6 + pearl
	seatsAre(t, "link", link, []lies{
		{material.SeatLoop, 0, 1, 0, 2, 2, 0.6, true},
		{material.SeatStem, 0, (2.3 + eye) / 2, 0, length.MM(eye - 2.3), 0.6, 0.6, false},
		{material.SeatBead, 0, eye - pearl/2, 0, length.MM(pearl), 4, 0, false},
		{material.SeatLoop, 0, eye + 0.6 + 1, 0, 2, 2, 0.6, false},
		{material.SeatCharm, 0, eye + 2.6 + 7, 0, 14, 9, 0, true},
	})
	near(t, "as wide as its charm", link.Component.Across, 9)
}

func TestThingsOnOneRingAreFannedOutTheMiddleInFront(t *testing.T) {
	b := newBench(t)
	m := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{b.charm, b.charm, b.charm}})
	// They swing about the wire 3.95 down; the middle of a charm is 7 below its top,
	// 6.65 below the wire's middle.
	x, y := 6.65*math.Sin(0.3), 3.95+6.65*math.Cos(0.3)
	seatsAre(t, "three charms", m, []lies{
		{material.SeatRing, 0, 1.8, 0, 3.6, 3.6, 0.7, true},
		{material.SeatCharm, x, y, -0.3, 14, 9, 0, false},
		{material.SeatCharm, -x, y, 0.3, 14, 9, 0, false},
		{material.SeatCharm, 0, 3.95 + 6.65, 0, 14, 9, 0, false},
	})
	near(t, "across three charms", m.Component.Across, length.MM(2*(x+4.5*math.Cos(0.3)+7*math.Sin(0.3))))
	two := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{b.charm, b.charm}})
	if a, c := two.Component.Seats[1].Angle, two.Component.Seats[2].Angle; math.Abs(a+0.15) > 1e-9 || math.Abs(c-0.15) > 1e-9 {
		t.Errorf("two charms swing by %v and %v", a, c)
	}
	// A component on the ring swings as one, its rings crosswise to how they hang on a cord.
	inner := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.split}, Below: []*material.Material{b.charm}})
	outer := made(t, Plan{Kind: material.Pendant, Rings: []*material.Material{b.ring}, Below: []*material.Material{inner}})
	up := 3.95 - 0.35
	seatsAre(t, "a charm on its ring on a ring", outer, []lies{
		{material.SeatRing, 0, 1.8, 0, 3.6, 3.6, 0.7, true},
		{material.SeatRing, 0, up + 2, 0, 4, 4, 0.6, false},
		{material.SeatCharm, 0, up + 4 + 7, 0, 14, 9, 0, true},
	})
	near(t, "its drop", outer.Bead.Drop, length.MM(up+4+14))
	// An edge-on ring is as wide as its wire, one seen full as its outside.
	ring := made(t, Plan{Kind: material.Tassel, Rings: []*material.Material{b.ring}, Cord: b.silk, Strands: 1, Leg: 30})
	near(t, "a tassel of one strand", ring.Component.Across, 1)
	rings := made(t, Plan{Kind: material.Tassel, Rings: []*material.Material{b.ring, b.ring}, Cord: b.silk, Strands: 1, Leg: 30})
	near(t, "on a ring that is seen full", rings.Component.Across, 5)
}

func TestWhereACoilAndATasselLie(t *testing.T) {
	b := newBench(t)
	m := made(t, Plan{Kind: material.Coil, Pin: b.head, Rod: 1.5, Line: line(t, "P"), Palette: b.palette()})
	pin := m.Component.Pin
	pearl := float64(pin.Stack)
	seatsAre(t, "coil", m, []lies{
		{material.SeatCoil, 0, 0, -math.Pi / 2, pin.Coiled, 2.7, 0.6, false},
		{material.SeatStem, 0, 1.35 + pearl/2, 0, pin.Stack, 0.6, 0.6, false},
		{material.SeatBead, 0, 1.35 + pearl/2, 0, pin.Stack, 4, 0, false},
		{material.SeatHead, 0, 1.35 + pearl + 0.3, 0, 0.6, 1.6, 0.6, false},
	})
	near(t, "two turns and the bead", pin.Needed, pin.Stack+length.MM(2*math.Pi*2.1))
	tassel := made(t, Plan{Kind: material.Tassel, Rings: []*material.Material{b.ring}, Cord: b.silk, Strands: 12, Leg: 40})
	top := 3.95 - 0.35 - 0.5
	seatsAre(t, "tassel", tassel, []lies{
		{material.SeatRing, 0, 1.8, 0, 3.6, 3.6, 0.7, true},
		{material.SeatTassel, 0, top + 20, 0, 40, material.HoleFor(24, 0.5), 0, false},
	})
	body := bead(t, "body", material.Bead{Shape: material.Beaded, Across: 14, Along: 13, Hole: 2}, 0)
	ball := made(t, Plan{Kind: material.BeadedBead, Bead: body.Bead, Parts: []material.PartCount{{Of: b.seed, Count: 2}}})
	seatsAre(t, "beaded bead", ball, []lies{{material.SeatBead, 0, 0, 0, 13, 14, 0, false}})
	if _, err := Make("it", "It", Plan{Kind: material.BeadedBead, Bead: body.Bead, Parts: []material.PartCount{{Of: b.seed}}}); err == nil {
		t.Error("a beaded bead of no seed was made")
	}
}

// The outermost sizes that are taken, and a hair beyond.
func TestTheLimitsOfAComponent(t *testing.T) {
	b := newBench(t)
	rings := []*material.Material{b.ring}
	drop := func(change func(p *Plan)) Plan {
		p := Plan{Kind: material.PinDrop, Pin: b.head, Loop: simple, Line: line(t, "P"), Palette: b.palette()}
		change(&p)
		return p
	}
	tassel := func(strands int, leg length.MM) Plan {
		return Plan{Kind: material.Tassel, Rings: rings, Cord: b.silk, Strands: strands, Leg: leg}
	}
	coil := func(rod length.MM) Plan {
		long := finding(t, "long", material.Finding{Type: material.HeadPin, Length: 190, Wire: 0.6, Outside: 1.6}, 1)
		return Plan{Kind: material.Coil, Pin: long, Rod: rod, Line: line(t, "S"), Palette: b.palette()}
	}
	exactly := length.MM(math.Pi * 2.6)
	pinOf := func(long length.MM) *material.Material {
		return finding(t, "pin", material.Finding{Type: material.HeadPin, Length: long, Wire: 0.6, Outside: 1.6}, 1)
	}
	many := func(n int, of *material.Material) []*material.Material {
		var out []*material.Material
		for range n {
			out = append(out, of)
		}
		return out
	}
	for name, tt := range map[string]struct{ in, out Plan }{
		"a loop of 0.1": {drop(func(p *Plan) { p.Loop.Inside = 0.1 }), drop(func(p *Plan) { p.Loop.Inside = 0.099 })},
		"a loop of 30":  {drop(func(p *Plan) { p.Loop.Inside, p.Pin = 30, pinOf(150) }), drop(func(p *Plan) { p.Loop.Inside, p.Pin = 30.01, pinOf(150) })},
		"20 wraps": {drop(func(p *Plan) {
			p.Loop = material.Loop{Kind: material.WrappedLoop, Inside: 2, Turns: 20}
			p.Pin = pinOf(150)
		}),
			drop(func(p *Plan) {
				p.Loop = material.Loop{Kind: material.WrappedLoop, Inside: 2, Turns: 21}
				p.Pin = pinOf(150)
			})},
		"no wraps":                {drop(func(p *Plan) { p.Loop.Turns = 0 }), drop(func(p *Plan) { p.Loop.Turns = -1 })},
		"a pin as long as a loop": {drop(func(p *Plan) { p.Pin = pinOf(exactly) }), drop(func(p *Plan) { p.Pin = pinOf(exactly - 0.01) })},
		"a rod of 20":             {coil(20), coil(20.01)},
		"a rod of 0.1":            {coil(0.1), coil(0.09)},
		"400 strands":             {tassel(400, 30), tassel(401, 30)},
		"a leg of 180":            {tassel(3, 180), tassel(3, 180.5)},
		"a leg of 1":              {tassel(3, 1), tassel(3, 0.99)},
		"8 rings":                 {Plan{Kind: material.CharmOnRings, Rings: many(8, b.ring), Below: many(1, b.charm)}, Plan{Kind: material.CharmOnRings, Rings: many(9, b.ring), Below: many(1, b.charm)}},
		"20 below":                {Plan{Kind: material.CharmOnRings, Rings: rings, Below: many(20, b.charm)}, Plan{Kind: material.CharmOnRings, Rings: rings, Below: many(21, b.charm)}},
	} {
		if _, err := Make("it", "It", tt.in); err != nil {
			t.Errorf("%s: %v", name, err)
		}
		if _, err := Make("it", "It", tt.out); err == nil {
			t.Errorf("beyond %s it was made", name)
		}
	}
	// Two turns hold a coil, a hair less does not.
	seed := made(t, coil(1.5)).Component.Pin.Stack
	for off, want := range map[length.MM]bool{0.01: true, -0.01: false} {
		p := coil(1.5)
		p.Pin = pinOf(seed + length.MM(2*math.Pi*2.1) + off)
		if _, err := Make("it", "It", p); (err == nil) != want {
			t.Errorf("a pin %+v beside two turns: %v", float64(off), err)
		}
	}
}
