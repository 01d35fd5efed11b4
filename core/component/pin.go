package component

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// The limits of a loop, and the fewest turns that hold a coil on the cord.
const (
	mostLoop      = length.MM(30)
	mostTurns     = 20
	leastCoil     = 2.0
	mostRod       = length.MM(20)
	mostBeadsOnIt = 200
)

// putOnPin strings the beads on the pin and works out the wire it takes.
func (mk *maker) putOnPin() error {
	p := &mk.plan
	if err := mk.checkPin(); err != nil || p.Pin == nil {
		return err
	}
	beads, err := mk.beadsOnPin()
	if err != nil {
		return err
	}
	pin := &material.Pin{Of: p.Pin, Loop: p.Loop, Crosswise: p.Crosswise, Held: p.Pin.Finding.Length, Rod: p.Rod, Beads: beads}
	at, stack := measure.OnPin(beads)
	for i := range beads {
		beads[i].At = at[i]
	}
	pin.Stack = stack
	mk.out.Pin = pin
	if p.Kind == material.Coil {
		return nil
	}
	if l := p.Loop; !(l.Inside >= material.LeastSize && l.Inside <= mostLoop) || l.Turns < 0 || l.Turns > mostTurns {
		return fault("loop", "A loop is %v to %v mm inside, with at most %d turns round its stem.", float64(material.LeastSize), float64(mostLoop), mostTurns)
	}
	pin.LoopTakes = LoopTakes(p.Loop, p.Pin.Finding.Wire)
	pin.Needed = pin.Stack + pin.LoopTakes
	if pin.LoopTakes > pin.Held {
		return fault("pin", "%s is %.1f mm; its loop alone takes %.1f mm. Use a longer pin or a smaller loop.", p.Pin.Name, float64(pin.Held), float64(pin.LoopTakes))
	}
	return nil
}

// checkPin says whether the kind of component is made on such a pin.
func (mk *maker) checkPin() error {
	p := &mk.plan
	switch {
	case p.Pin == nil && (p.Kind == material.BeadLink || p.Kind == material.PinDrop || p.Kind == material.Coil):
		return fault("pin", "Choose the pin that it is made on.")
	case p.Pin == nil && p.Line != nil && len(p.Line.Items) > 0:
		return fault("pin", "Choose the pin that these beads go on.")
	case p.Pin == nil:
		return nil
	case p.Pin.Finding == nil || !p.Pin.Finding.IsPin():
		return fault("pin", "%s is not a head pin or an eye pin.", p.Pin.Name)
	case p.Kind == material.BeadLink && p.Pin.Finding.Type != material.EyePin:
		return fault("pin", "A bead link has a loop at both ends: use an eye pin.")
	case p.Kind == material.PinDrop && p.Pin.Finding.Type != material.HeadPin:
		return fault("pin", "A drop ends in the head of its pin: use a head pin.")
	}
	return nil
}

// beadsOnPin reads the line of the pin.
func (mk *maker) beadsOnPin() ([]material.PinBead, error) {
	p := &mk.plan
	if p.Line == nil && len(p.Beads) > 0 {
		return p.Beads, nil
	}
	if p.Line == nil || len(p.Line.Items) == 0 {
		return nil, fault("line", "Put at least one bead on the pin.")
	}
	for _, n := range p.Line.Nodes {
		switch m := p.Palette[n.Key()]; {
		case n.IsFill():
			return nil, fault("line", "A pin has no length to fill. Give the beads a count.")
		case n.Hangs():
			return nil, fault("line", "%s", pattern.NoDrop(n, "on a pin").Says)
		case n.IsGap():
			return nil, fault("line", "%s", pattern.NoGap(n, "on a pin").Says)
		case !n.IsBead():
		case m == nil:
			return nil, fault("line", "No dish has the letter %s.", n.Key())
		case m.Bead == nil || m.Bead.Hangs() || m.Component != nil && m.Component.Kind == material.InTurn:
			return nil, fault("palette."+n.Key(), "%s cannot be strung on a pin. Beads and beaded beads can.", m.Name)
		}
	}
	placed, err := p.Line.Expand(nil)
	if err != nil {
		return nil, fault("line", "%s", err.Error())
	}
	if len(placed) > mostBeadsOnIt {
		return nil, fault("line", "%d beads are too many for a pin. Use at most %d.", len(placed), mostBeadsOnIt)
	}
	beads := make([]material.PinBead, len(placed))
	for i, b := range placed {
		m := p.Palette[b.Node.Key()]
		beads[i] = material.PinBead{Material: m, Turned: b.Reversed && m.Bead.Turns()}
	}
	return beads, nil
}

// LoopTakes is the wire that turning a loop takes: π(D + w) for a simple one of
// inside diameter D from wire w; the stem of a wrapped one runs on under its wraps,
// each of which takes w and once round the stem, π(w + w).
func LoopTakes(l material.Loop, wire length.MM) length.MM {
	round := length.MM(math.Pi) * (l.Inside + wire)
	if l.Kind != material.WrappedLoop {
		return round
	}
	return round + length.MM(l.Turns)*(wire+math.Pi*2*wire)
}

// wraps is how much of the stem the turns of a wrapped loop cover.
func wraps(l material.Loop, wire length.MM) length.MM {
	if l.Kind != material.WrappedLoop {
		return 0
	}
	return length.MM(l.Turns) * wire
}

// asLinks is a bead link as one of a chain of its own kind: between the insides of its
// loops it takes its stack, both wires, both insides and the turns of a wrapped loop,
// and the inside of each ring it has. The eye of its pin opens.
func asLinks(c *material.Component) *material.Finding {
	pin := c.Pin
	f := pin.Of.Finding
	link := &material.Finding{Type: material.Chain, Wire: f.Wire, Joint: "open", Outside: widestOn(pin),
		Inside: pin.Stack + pin.Loop.Inside + f.Inside + 2*f.Wire + wraps(pin.Loop, f.Wire)}
	for _, r := range c.Rings {
		link.Inside += r.Finding.Inside
	}
	return link
}

// coil winds what the beads leave of the pin round a rod: turns = tail / (π (rod +
// wire)), along the cord turns × wire. The beads stand off beside it.
func (mk *maker) coil() error {
	pin := mk.out.Pin
	wire := pin.Of.Finding.Wire
	if !(pin.Rod >= material.LeastSize && pin.Rod <= mostRod) {
		return fault("rodMm", "The rod is %v mm; wind a coil on one of %v to %v mm.", float64(pin.Rod), float64(material.LeastSize), float64(mostRod))
	}
	if pin.Of.Finding.Type != material.HeadPin {
		return fault("pin", "The beads of a coil rest on the head of its pin: use a head pin.")
	}
	around := length.MM(math.Pi) * (pin.Rod + wire)
	pin.Needed = pin.Stack + leastCoil*around
	pin.Turns = max(0, float64((pin.Held-pin.Stack)/around))
	pin.Coiled = length.MM(pin.Turns) * wire
	if pin.Turns < leastCoil {
		return fault("pin", "%s is %.1f mm; the beads take %.1f mm of it and two turns round the rod %.1f mm. Use a longer pin.",
			pin.Of.Name, float64(pin.Held), float64(pin.Stack), float64(leastCoil*around))
	}
	mk.out.Across = pin.Rod + 2*wire
	mk.out.StandsOff = mk.out.Across/2 + pin.Stack + headOf(pin.Of.Finding)
	mk.coilSeats()
	return nil
}

// headOf is how thick the head of a pin is along it: its wire.
func headOf(pin *material.Finding) length.MM {
	if pin.Type == material.HeadPin {
		return pin.Wire
	}
	return 0
}
