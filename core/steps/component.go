package steps

import (
	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
)

// Make makes a component, the first of this many; what it takes is done in this order.
type Make struct {
	Of    *material.Material
	N     int
	Parts []Making
}

// Making is one thing that is done to make a component: one of the types of this package.
type Making interface{ making() }

// What is done to make a component. Lengths are in mm.
type (
	// PutOn puts beads on a pin, from its head on.
	PutOn struct {
		Beads []PinRun
		Pin   *material.Material
	}
	// Wind winds the free end of a pin round a rod.
	Wind struct {
		Rod   length.MM
		Turns float64
	}
	// SlideOff slides a coil off its rod.
	SlideOff struct{}
	// BendStem bends the stem over above the last bead and cuts it.
	BendStem struct{ Leave length.MM }
	// TurnLoop turns a loop round a rod, and winds its end this many times round the stem.
	TurnLoop struct {
		Inside length.MM
		Turns  int
	}
	// CutStrands cuts the strands of a tassel.
	CutStrands struct {
		N    int
		Cord *material.Material
		Each length.MM
	}
	// FoldOver folds them over a ring.
	FoldOver struct{ Ring *material.Material }
	// Bind binds them below the fold and trims them.
	Bind struct{ Leg length.MM }
	// Weave weaves a beaded bead of its parts.
	Weave struct{ Parts []material.PartCount }
	// HangBelow hangs things on the last link of the component.
	HangBelow struct {
		What []*material.Material
		On   Link
	}
	// PutOnRings opens rings, puts them on, and closes them.
	PutOnRings struct{ Rings []*material.Material }
	// CloseRings closes every ring.
	CloseRings struct{}
)

// PinRun is a number of alike beads on a pin.
type PinRun struct {
	N      int
	Of     *material.Material
	Turned bool
}

// Link is what hangs from a component: the eye of its pin, the loop of a bead, or a ring.
type Link struct {
	Eye    bool
	LoopOf *material.Material
	Ring   *material.Material
}

func (Make) doing()        {}
func (PutOn) making()      {}
func (Wind) making()       {}
func (SlideOff) making()   {}
func (BendStem) making()   {}
func (TurnLoop) making()   {}
func (CutStrands) making() {}
func (FoldOver) making()   {}
func (Bind) making()       {}
func (Weave) making()      {}
func (HangBelow) making()  {}
func (PutOnRings) making() {}
func (CloseRings) making() {}

// componentsFirst makes all components before anything is strung, those that are
// part of others before them, with how many of each. What comes made is not made again.
func (w *writer) componentsFirst() {
	var order []*material.Material
	count := map[string]int{}
	var need func(m *material.Material, n int)
	need = func(m *material.Material, n int) {
		if m.Component == nil || w.given.Premade[m.ID] {
			return
		}
		for _, p := range m.Component.Parts {
			need(p.Of, n*p.Count)
		}
		if count[m.ID] == 0 {
			order = append(order, m)
		}
		count[m.ID] += n
	}
	for _, c := range w.m.Tally {
		need(c.Material, c.Count)
	}
	for _, m := range order {
		w.component(m, count[m.ID])
	}
}

// component makes one, measures it, and then the rest.
func (w *writer) component(m *material.Material, n int) {
	c := m.Component
	w.notesOf(m)
	for _, p := range c.Parts {
		w.notesOf(p.Of)
	}
	w.final("make:"+m.ID, Make{m, n, w.howMade(m)})
	w.gate("made:"+m.ID, BeforeMore{m, n - 1}, rightOf(m)...)
}

// howMade is how one component is made.
func (w *writer) howMade(m *material.Material) []Making {
	c := m.Component
	var does []Making
	if pin := c.Pin; pin != nil {
		does = append(does, PutOn{strungOn(pin), pin.Of})
		if c.Kind == material.Coil {
			return append(does, Wind{pin.Rod, pin.Turns}, SlideOff{})
		}
		turns := 0
		if pin.Loop.Kind == material.WrappedLoop {
			turns = pin.Loop.Turns
		}
		does = append(does, BendStem{check.PinNeeded(pin, w.h) - pin.Stack}, TurnLoop{pin.Loop.Inside, turns})
	}
	if c.Kind == material.Tassel {
		does = append(does, CutStrands{c.Strands, c.Cord, 2 * c.Leg}, FoldOver{c.Rings[len(c.Rings)-1]}, Bind{c.Leg})
	}
	if c.Kind == material.BeadedBead {
		does = append(does, Weave{c.Parts})
	}
	if len(c.Below) > 0 {
		does = append(does, HangBelow{c.Below, lastLinkOf(c)})
	}
	if n := len(c.Rings); n > 0 && c.Kind != material.Tassel {
		does = append(does, PutOnRings{c.Rings})
	} else if n > 1 {
		does = append(does, CloseRings{})
	}
	return does
}

// rightOf is what must be true of the first one.
func rightOf(m *material.Material) []Point {
	c := m.Component
	var must []Point
	switch c.Kind {
	case material.Coil:
		must = []Point{CoilLong{c.Pin.Coiled}, TipSmooth{}}
	case material.BeadedBead:
		return []Point{BeadSize{m.Bead.Across, m.Bead.Length()}}
	case material.Carrier:
		must = []Point{ReachesDown{c.StandsOff}}
	case material.BeadLink:
		must = []Point{LinkInside{m.Finding.Inside}}
	default:
		must = []Point{HangsDown{m.Bead.Drop}}
	}
	if c.Pin != nil && c.Kind != material.Coil {
		must = append(must, LoopClosed{})
		if c.Pin.Of.Finding.Type == material.EyePin {
			must = append(must, LoopsLie{c.Pin.Crosswise})
		}
	}
	if len(c.Rings) > 0 {
		must = append(must, RingsShut{})
	}
	if c.Faces && !c.Sideways {
		must = append(must, FacesForward{})
	}
	return must
}

// strungOn lists the beads of a pin in runs, from its head on; they are written from the loop
// down.
func strungOn(pin *material.Pin) []PinRun {
	var out []PinRun
	for i := len(pin.Beads) - 1; i >= 0; i-- {
		b := pin.Beads[i]
		if last := len(out) - 1; last >= 0 && out[last].Of == b.Material && out[last].Turned == b.Turned {
			out[last].N++
			continue
		}
		out = append(out, PinRun{1, b.Material, b.Turned})
	}
	return out
}

func lastLinkOf(c *material.Component) Link {
	switch {
	case c.Pin != nil:
		return Link{Eye: true}
	case c.Strung != nil:
		return Link{LoopOf: c.Strung}
	}
	return Link{Ring: c.Rings[len(c.Rings)-1]}
}
