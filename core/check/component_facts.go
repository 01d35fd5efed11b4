package check

import (
	"mala/core/length"
	"mala/core/material"
)

// What may be wrong with a component, Of. Lengths are in mm, weights in grams, pulls in newtons.
type (
	PinShort struct {
		Of, Pin            *material.Material
		Needs, Stack, Long length.MM // what is needed in all, what the beads take of it, and how long the pin is
	}
	PinThick struct{ Of, Pin, Bead *material.Material }
	PinSlips struct {
		End  PinEnd
		Pin  *material.Material
		Wide length.MM // of that end
		Bead *material.Material
	}
	RingThick struct {
		Charm, By *material.Material // the charm, and the link that it hangs on
		Wire      length.MM          // of that link
	}
	LinkCrowded struct {
		Of, Ring *material.Material
		Below    int // how many things hang on the ring
	}
	LoopCrowded struct {
		Of, Bead *material.Material // whose loop it is
		Below    int
	}
	LinkWeak struct {
		Of, Ring    *material.Material // no ring where its own loop gives
		Load, Holds float64
	}
	CharmSideways struct {
		Of    *material.Material
		Rings int
	}
	PartOfOtherMetal struct{ Of, Part, Other *material.Material }
)

// PinEnd is what keeps beads on a pin.
type PinEnd string

// The ends of pins.
const (
	PinHead PinEnd = "head"
	PinEye  PinEnd = "eye"
	PinLoop PinEnd = "loop"
)

// What puts a component right.
type (
	HangOnRings struct {
		Of    *material.Material
		Rings int
	}
	MakeOnPin struct{ Of, Pin *material.Material }
	UseRingIn struct{ Of, Ring *material.Material }
)

func (PinShort) fact()         {}
func (PinThick) fact()         {}
func (PinSlips) fact()         {}
func (RingThick) fact()        {}
func (LinkCrowded) fact()      {}
func (LoopCrowded) fact()      {}
func (LinkWeak) fact()         {}
func (CharmSideways) fact()    {}
func (PartOfOtherMetal) fact() {}

func (HangOnRings) effect() {}
func (MakeOnPin) effect()   {}
func (UseRingIn) effect()   {}
