package component

import (
	"math"

	"mala/core/length"
	"mala/core/material"
)

// carrier is what the next link hangs on: a cord, or the wire of the link above.
type carrier struct {
	y      length.MM // its axis, below the middle of the cord
	wire   length.MM // its thickness
	edgeOn bool      // it is the bottom of a link that is seen from its edge
}

// hang lets the component hang from a thin cord, link by link: each hangs D - half
// of its carrier below the carrier's axis, and its own wire carries the next. Each
// link lies crosswise to the one above it; the first is seen from its edge, for
// the cord goes through it.
func (mk *maker) hang() {
	at := carrier{edgeOn: false}
	for _, r := range mk.plan.Rings {
		at = mk.link(material.SeatRing, r, r.Finding.Inside, r.Finding.Wire, at)
	}
	low := at.y + at.wire/2
	if mk.out.Pin != nil {
		at, low = mk.pinBelow(at)
	}
	if mk.plan.Kind == material.Tassel {
		low = mk.tasselBelow(at)
	}
	if mk.plan.Strung != nil {
		at, low = mk.charmBelow(at)
	}
	for _, i := range outermostFirst(len(mk.plan.Below)) {
		low = max(low, mk.below(mk.plan.Below[i], i, at))
	}
	mk.out.Drop = low
	mk.measureAcross()
}

func (mk *maker) seat(s material.Seat) { mk.out.Seats = append(mk.out.Seats, s) }

// link hangs one ring or loop on what carries it and gives what it carries with.
func (mk *maker) link(role material.SeatRole, of *material.Material, inside, wire length.MM, on carrier) carrier {
	top := on.y - on.wire/2
	edgeOn := !on.edgeOn
	mk.seat(material.Seat{Role: role, Of: of, Y: float64(top + inside/2), Long: inside, Wide: inside, Wire: wire, EdgeOn: edgeOn})
	return carrier{y: top + inside + wire/2, wire: wire, edgeOn: edgeOn}
}

// pinBelow hangs the pin by the loop turned at its top and stacks its beads below
// it. It gives what an eye at its foot carries with, and how far down it reaches.
func (mk *maker) pinBelow(on carrier) (carrier, length.MM) {
	pin := mk.out.Pin
	f := pin.Of.Finding
	loop := mk.link(material.SeatLoop, pin.Of, pin.Loop.Inside, f.Wire, on)
	top := loop.y + f.Wire/2 + wraps(pin.Loop, f.Wire)
	end := top + pin.Stack
	mk.seat(material.Seat{Role: material.SeatStem, Of: pin.Of, Y: float64(loop.y+end) / 2, Long: end - loop.y, Wide: f.Wire, Wire: f.Wire})
	for _, b := range pin.Beads {
		mk.seat(material.Seat{Role: material.SeatBead, Of: b.Material, Y: float64(top + b.At), Long: b.Material.Bead.Length(), Wide: b.Material.Bead.Across, Turned: b.Turned})
	}
	if f.Type == material.HeadPin {
		mk.seat(material.Seat{Role: material.SeatHead, Of: pin.Of, Y: float64(end + headOf(f)/2), Long: headOf(f), Wide: f.Outside, Wire: f.Wire})
		return carrier{y: end, wire: f.Wire, edgeOn: loop.edgeOn}, end + headOf(f)
	}
	// The eye's own wire meets the last bead: it hangs as if that carried it.
	edgeOn := loop.edgeOn != pin.Crosswise
	mk.seat(material.Seat{Role: material.SeatLoop, Of: pin.Of, Y: float64(end + f.Wire + f.Inside/2), Long: f.Inside, Wide: f.Inside, Wire: f.Wire, EdgeOn: edgeOn})
	bottom := end + f.Wire + f.Inside + f.Wire
	return carrier{y: bottom - f.Wire/2, wire: f.Wire, edgeOn: edgeOn}, bottom
}

// charmBelow hangs a charm that has a loop of its own at its foot, and gives that loop as what carries
// the rest. The loop lies in the plane of the charm.
func (mk *maker) charmBelow(on carrier) (carrier, length.MM) {
	m := mk.plan.Strung
	b := m.Bead
	top := on.y - on.wire/2
	low := top + b.Drop
	edgeOn := (b.Drilled != material.ThroughWidth) != on.edgeOn
	mk.out.Faces, mk.out.Sideways = true, edgeOn
	body := b.Drop - b.Loop - b.LoopWire // the loop begins in its foot
	mk.seat(material.Seat{Role: material.SeatCharm, Of: m, Y: float64(top + body/2), Long: body, Wide: b.Across, EdgeOn: edgeOn})
	mk.seat(material.Seat{Role: material.SeatLoop, Of: m, Y: float64(low - b.LoopWire - b.Loop/2), Long: b.Loop, Wide: b.Loop, Wire: b.LoopWire, EdgeOn: edgeOn})
	return carrier{y: low - b.LoopWire/2, wire: b.LoopWire, edgeOn: edgeOn}, low
}

// outermostFirst orders things on one ring as they are seen: those in the middle
// hang in front.
func outermostFirst(n int) []int {
	var order []int
	for i, j := 0, n-1; i <= j; i, j = i+1, j-1 {
		order = append(order, i)
		if j > i {
			order = append(order, j)
		}
	}
	return order
}

// fan is how far apart things on one ring are drawn, in radians.
const fan = 0.3

// below hangs a charm or a component on the carrier, the i-th of several, and gives
// how far down it reaches.
func (mk *maker) below(m *material.Material, i int, on carrier) length.MM {
	n := len(mk.plan.Below)
	swing := 0.0
	if n > 1 {
		swing = fan * (float64(i) - float64(n-1)/2)
	}
	up := on.y - on.wire/2
	if c := m.Component; c != nil {
		mk.out.Faces = mk.out.Faces || c.Faces
		// All of it turns with the link that it hangs on.
		mk.out.Sideways = mk.out.Sideways || c.Faces && c.Sideways != on.edgeOn
		for _, s := range c.Seats {
			mk.seat(hungAt(s, swing, float64(on.y), float64(up), on.edgeOn))
		}
		return up + c.Drop
	}
	facesFront := m.Bead.Drilled != material.ThroughWidth
	mk.out.Faces = true
	mk.out.Sideways = mk.out.Sideways || facesFront != on.edgeOn
	s := material.Seat{Role: material.SeatCharm, Of: m, Y: float64(m.Bead.Drop) / 2, Long: m.Bead.Drop, Wide: m.Bead.Across, EdgeOn: facesFront != on.edgeOn}
	mk.seat(hungAt(s, swing, float64(on.y), float64(up), false))
	return up + m.Bead.Drop
}

// hungAt moves a seat of something that hangs by itself to where it hangs here,
// swung round its carrier.
func hungAt(s material.Seat, swing, axis, up float64, crosswise bool) material.Seat {
	x, y := s.X, s.Y+up-axis
	s.X, s.Y = x*math.Cos(swing)-y*math.Sin(swing), axis+x*math.Sin(swing)+y*math.Cos(swing)
	s.Angle += swing
	if crosswise && (s.Role == material.SeatRing || s.Role == material.SeatLoop || s.Role == material.SeatCharm) {
		s.EdgeOn = !s.EdgeOn
	}
	return s
}

// measureAcross finds the greatest width of all that hangs.
func (mk *maker) measureAcross() {
	left, right := 0.0, 0.0
	for _, s := range mk.out.Seats {
		half := float64(s.Wide)/2 + float64(s.Wire)
		if s.Role == material.SeatStem || s.Role == material.SeatHead {
			half = float64(s.Wide) / 2
		}
		if s.EdgeOn && s.Role != material.SeatCharm {
			half = float64(s.Wire) / 2
		}
		reach := half*math.Abs(math.Cos(s.Angle)) + float64(s.Long)/2*math.Abs(math.Sin(s.Angle))
		left, right = min(left, s.X-reach), max(right, s.X+reach)
	}
	mk.out.Across = length.MM(right - left)
}
