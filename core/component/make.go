package component

import (
	"fmt"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
)

// The limits of a tassel.
const (
	mostStrands = 400
	mostLeg     = length.MM(180)
)

// tassel folds strands of cord over its ring and binds them below it. One more
// strand binds them.
func (mk *maker) tassel() error {
	p := &mk.plan
	switch {
	case p.Cord == nil:
		return fault("cord", "Choose the cord of the tassel.")
	case p.Cord.Cord == nil:
		return fault("cord", "%s is not a cord.", p.Cord.Name)
	case p.Strands < 1 || p.Strands > mostStrands:
		return fault("strands", "A tassel has 1 to %d strands.", mostStrands)
	case !(p.Leg >= 1 && p.Leg <= mostLeg):
		return fault("legMm", "A tassel is 1 to %v mm long.", float64(mostLeg))
	}
	mk.out.Cord, mk.out.Strands, mk.out.Leg = p.Cord, p.Strands, p.Leg
	return nil
}

// tasselBelow hangs the tassel on its carrier and gives how far down it reaches.
// Its legs lie as a round bundle of twice as many cords as there are strands.
func (mk *maker) tasselBelow(on carrier) length.MM {
	p := &mk.plan
	d := p.Cord.Cord.Diameter
	wide := material.HoleFor(2*p.Strands, d)
	top := on.y - on.wire/2 - d
	mk.seat(material.Seat{Role: material.SeatTassel, Of: p.Cord, Y: float64(top + p.Leg/2), Long: p.Leg, Wide: wide})
	return top + p.Leg
}

// beaded takes a beaded bead as it was measured.
func (mk *maker) beaded() error {
	if len(mk.plan.Parts) == 0 {
		return fault("parts", "List the beads it is made of.")
	}
	for _, p := range mk.plan.Parts {
		if p.Of.Cord == nil && p.Count < 1 {
			return fault("parts", "%s: a count is at least 1.", p.Of.Name)
		}
	}
	b := mk.plan.Bead
	mk.out.Across = b.Across
	mk.seat(material.Seat{Role: material.SeatBead, Y: 0, Long: b.Length(), Wide: b.Across})
	return nil
}

// coilSeats lays a coil along the cord with its beads standing off below it.
func (mk *maker) coilSeats() {
	pin := mk.out.Pin
	f := pin.Of.Finding
	mk.seat(material.Seat{Role: material.SeatCoil, Of: pin.Of, Long: pin.Coiled, Wide: mk.out.Across, Wire: f.Wire, Angle: -math.Pi / 2})
	top := mk.out.Across / 2
	mk.seat(material.Seat{Role: material.SeatStem, Of: pin.Of, Y: float64(top + pin.Stack/2), Long: pin.Stack, Wide: f.Wire, Wire: f.Wire})
	for _, b := range pin.Beads {
		mk.seat(material.Seat{Role: material.SeatBead, Of: b.Material, Y: float64(top + b.At), Long: b.Material.Bead.Length(), Wide: b.Material.Bead.Across, Turned: b.Turned})
	}
	mk.seat(material.Seat{Role: material.SeatHead, Of: pin.Of, Y: float64(top + pin.Stack + headOf(f)/2), Long: headOf(f), Wide: f.Outside, Wire: f.Wire})
}

// count lists the parts from the top and how deep they go.
func (mk *maker) count() error {
	p := &mk.plan
	add := func(of *material.Material, n int, mm length.MM) {
		for i := range mk.out.Parts {
			if mk.out.Parts[i].Of == of {
				mk.out.Parts[i].Count += n
				mk.out.Parts[i].Length += mm
				return
			}
		}
		mk.out.Parts = append(mk.out.Parts, material.PartCount{Of: of, Count: n, Length: mm})
	}
	for _, r := range p.Rings {
		add(r, 1, 0)
	}
	if pin := mk.out.Pin; pin != nil {
		add(pin.Of, 1, 0)
		for _, b := range pin.Beads {
			add(b.Material, 1, 0)
		}
	}
	if p.Kind == material.Tassel {
		add(p.Cord, 1, length.MM(p.Strands+1)*2*p.Leg)
	}
	if p.Strung != nil {
		add(p.Strung, 1, 0)
	}
	for _, part := range p.Parts {
		add(part.Of, part.Count, part.Length)
	}
	for _, m := range append(slices.Clone(p.Below), p.Turn...) {
		add(m, 1, 0)
	}
	return mk.checkCount()
}

func (mk *maker) checkCount() error {
	parts := 0
	mk.out.Levels = 1
	for _, part := range mk.out.Parts {
		part.Of.Each(func(_ *material.Material, n int, _ length.MM) { parts += n * part.Count })
		if c := part.Of.Component; c != nil {
			mk.out.Levels = max(mk.out.Levels, c.Levels+1)
		}
	}
	if parts > MostParts {
		return fault("", "A component has at most %d parts; this one has %d.", MostParts, parts)
	}
	if mk.out.Levels > MostLevels {
		return fault("", "Components hold components at most %d levels deep.", MostLevels)
	}
	return nil
}

// bead is what a strand meets: of what hangs the ring or loop on the cord, of a
// coil a tube of its length. A split ring counts as two wires.
func (mk *maker) bead() (*material.Bead, error) {
	out := mk.out
	switch out.Kind {
	case material.InTurn:
		return mk.plan.Turn[0].Bead, nil
	case material.BeadedBead:
		return mk.plan.Bead, nil
	case material.Carrier:
		bead := *mk.plan.Strung.Bead
		bead.StandsOff = out.StandsOff
		return &bead, nil
	case material.Coil:
		return material.NewBead(material.Bead{Shape: material.Coiled, Across: out.Across, Along: out.Pin.Coiled, Hole: out.Pin.Rod, StandsOff: out.StandsOff, Inwards: max(out.Across, widestOn(out.Pin)) / 2})
	}
	var inside, wire length.MM
	if len(mk.plan.Rings) > 0 {
		ring := mk.plan.Rings[0].Finding
		inside, wire = ring.Inside, ring.Wire
		if ring.Type == material.SplitRing {
			wire *= 2
		}
	} else {
		inside, wire = out.Pin.Loop.Inside, out.Pin.Of.Finding.Wire
	}
	b := material.Bead{Shape: material.Charm, Hole: inside, Along: wire, Drop: out.Drop, Across: max(out.Across, inside+2*wire), OneCord: mk.plan.OneCord}
	bead, err := material.NewBead(b)
	if err != nil {
		return nil, fault("", "As it is, it cannot hang on a cord: %s", err.Error())
	}
	return bead, nil
}

// widestOn is the width of the widest bead on a pin.
func widestOn(pin *material.Pin) length.MM {
	wide := length.MM(0)
	for _, b := range pin.Beads {
		wide = max(wide, b.Material.Bead.Across)
	}
	return wide
}

// mostInTurn is how many things one dish takes in turn.
const mostInTurn = 40

// inTurn takes beads and components one after the other. In the maker they lie side
// by side.
func (mk *maker) inTurn() error {
	p := &mk.plan
	if len(p.Turn) < 2 || len(p.Turn) > mostInTurn {
		return fault("turn", "Take 2 to %d beads or components in turn.", mostInTurn)
	}
	x := 0.0
	for i, m := range p.Turn {
		if m.Bead == nil || m.Component != nil && m.Component.Kind == material.InTurn {
			return fault(fmt.Sprintf("turn[%d]", i), "%s cannot be taken in turn. Beads and components can.", m.Name)
		}
		wide := float64(max(m.Bead.Across, m.Bead.Length()))
		if i > 0 {
			x += wide / 2
		}
		mk.beside(m, x)
		x += wide/2 + 1
	}
	mk.out.Turn = p.Turn
	mk.out.Across = p.Turn[0].Bead.Across
	return nil
}

// beside draws a bead or a component so far along the cord.
func (mk *maker) beside(m *material.Material, x float64) {
	switch {
	case m.Component != nil:
		for _, s := range m.Component.Seats {
			s.X += x
			mk.seat(s)
		}
	case m.Bead.Hangs():
		mk.seat(material.Seat{Role: material.SeatCharm, Of: m, X: x, Y: float64(m.Bead.Drop) / 2, Long: m.Bead.Drop, Wide: m.Bead.Across})
	default:
		mk.seat(material.Seat{Role: material.SeatBead, Of: m, X: x, Long: m.Bead.Length(), Wide: m.Bead.Across, Angle: -math.Pi / 2})
	}
}
