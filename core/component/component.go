// Package component works out what is made first and then used as one thing: a
// charm on its rings, a drop on a pin, a pendant, a tassel, a coil. It says what
// pin it takes, how it hangs, what a strand meets of it, and where every part of
// it lies. Lengths are in millimetres.
package component

import (
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Plan is what a component is made of, its materials known.
type Plan struct {
	Kind      material.ComponentKind
	Rings     []*material.Material // from the cord down
	Pin       *material.Material
	Loop      material.Loop
	Crosswise bool
	Line      *pattern.Line // on the pin, from its loop down; of a coil from the cord out
	Palette   map[string]*material.Material
	Beads     []material.PinBead   // the same, where there is no line
	Rod       length.MM            // that a coil is wound on
	Below     []*material.Material // charms and components
	Cord      *material.Material   // of a tassel
	Strands   int
	Leg       length.MM
	Turn      []*material.Material // taken one after the other
	Back      bool                 // a mirror runs them back
	Strung    *material.Material   // of a carrier; of a charm on rings, the charm whose own loop carries the rest
	OneCord   bool                 // it hangs on one of several cords
	Bead      *material.Bead       // of a beaded bead: as measured
	Parts     []material.PartCount
}

// The limits of a component.
const (
	MostParts  = 200
	MostLevels = 8
	mostRings  = 8
	mostBelow  = 20
)

// Fault says what is wrong with a plan, in a sentence, and in which field.
type Fault struct{ Field, Says string }

func (f *Fault) Error() string { return f.Says }

func fault(field, says string, args ...any) error { return &Fault{field, fmt.Sprintf(says, args...)} }

// Make works a component out and gives it as a material. The error is a *Fault.
func Make(id, name string, p Plan) (*material.Material, error) {
	mk := &maker{plan: p, out: &material.Component{Kind: p.Kind, Rings: p.Rings, Below: p.Below, Strung: p.Strung, Back: p.Back, OneCord: p.OneCord}}
	var steps []func() error
	switch p.Kind {
	case material.InTurn:
		steps = []func() error{mk.inTurn}
	case material.BeadedBead:
		steps = []func() error{mk.beaded}
	case material.Carrier:
		steps = []func() error{mk.carries}
	case material.Coil:
		steps = []func() error{mk.putOnPin, mk.coil}
	case material.Tassel:
		steps = []func() error{mk.checkRings, mk.tassel}
	default:
		steps = []func() error{mk.checkRings, mk.putOnPin, mk.checkCharm, mk.checkBelow}
	}
	for _, step := range append(steps, mk.count) {
		if err := step(); err != nil {
			return nil, err
		}
	}
	if p.Kind.Hangs() {
		mk.hang()
	}
	bead, err := mk.bead()
	if err != nil {
		return nil, err
	}
	made := &material.Material{ID: id, Name: name, Class: material.ClassComponent, Bead: bead, Component: mk.out, MassG: mass(mk.out.Parts)}
	if p.Kind == material.BeadLink {
		made.Finding = asLinks(mk.out)
	}
	return made, nil
}

// PlanOf is the plan by which a component was made, to be changed and made again.
func PlanOf(m *material.Material) Plan {
	c := m.Component
	p := Plan{Kind: c.Kind, Rings: slices.Clone(c.Rings), Below: slices.Clone(c.Below), Cord: c.Cord, Strands: c.Strands, Leg: c.Leg, Strung: c.Strung, OneCord: c.OneCord, Back: c.Back}
	if c.Pin != nil {
		p.Pin, p.Loop, p.Crosswise, p.Rod, p.Beads = c.Pin.Of, c.Pin.Loop, c.Pin.Crosswise, c.Pin.Rod, slices.Clone(c.Pin.Beads)
	}
	p.Turn = slices.Clone(c.Turn)
	if c.Kind == material.BeadedBead {
		p.Bead, p.Parts = m.Bead, c.Parts
	}
	return p
}

// mass adds the parts up; 0 if one of them is not weighed. Cord is not weighed.
func mass(parts []material.PartCount) float64 {
	sum := 0.0
	for _, p := range parts {
		if p.Of.Class == material.ClassCord {
			continue
		}
		if p.Of.MassG <= 0 {
			return 0
		}
		sum += p.Of.MassG * float64(p.Count)
	}
	return sum
}

// maker works one component out.
type maker struct {
	plan Plan
	out  *material.Component
}

func (mk *maker) checkRings() error {
	p := &mk.plan
	if len(p.Rings) > mostRings {
		return fault("rings", "A component hangs on at most %d rings.", mostRings)
	}
	for i, r := range p.Rings {
		if r.Finding == nil || !r.Finding.IsRing() {
			return fault(fmt.Sprintf("rings[%d]", i), "%s is not a ring. Components hang on jump rings or split rings.", r.Name)
		}
	}
	if len(p.Rings) == 0 && (p.Pin == nil || p.Kind == material.Tassel) {
		return fault("rings", "Nothing holds this component. Add a ring to hang it on.")
	}
	return nil
}

// checkCharm holds the charm that carries others by its own loop.
func (mk *maker) checkCharm() error {
	charm := mk.plan.Strung
	switch {
	case charm == nil:
		return nil
	case mk.plan.Kind != material.CharmOnRings:
		return fault("bead", "Only a charm on rings carries things by a charm of its own. Leave it out.")
	case charm.Bead == nil || charm.Bead.Shape != material.Charm || charm.Component != nil || charm.Bead.Loop <= 0:
		return fault("bead", "%s has no loop below. Choose a charm with a loop of its own, or give it one in the catalogue.", charm.Name)
	case charm.Bead.Drop <= charm.Bead.Loop+2*charm.Bead.LoopWire:
		return fault("bead", "%s hangs down no further than its own loop is high. Correct its measures in the catalogue.", charm.Name)
	}
	return nil
}

func (mk *maker) checkBelow() error {
	p := &mk.plan
	if len(p.Below) > mostBelow {
		return fault("below", "At most %d things hang below one another's ring. Remove some.", mostBelow)
	}
	for i, m := range p.Below {
		where := fmt.Sprintf("below[%d]", i)
		if !m.Hangs() {
			return fault(where, "%s does not hang. Below hang charms, and components that hang.", m.Name)
		}
	}
	if len(p.Below) > 0 && p.Pin != nil && p.Pin.Finding.Type == material.HeadPin {
		return fault("below", "Nothing can hang below a head pin. Use an eye pin.")
	}
	if len(p.Below) == 0 && (p.Pin == nil || p.Kind == material.Pendant) {
		return fault("below", "Nothing hangs here yet. Add a charm or a component below.")
	}
	return nil
}
