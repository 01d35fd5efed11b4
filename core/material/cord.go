package material

import (
	"fmt"

	"mala/core/length"
)

// CordType names a stringing material.
type CordType string

// The stringing materials that beads slide on.
const (
	Wire    CordType = "wire"
	Elastic CordType = "elastic"
	Thread  CordType = "thread"
	Leather CordType = "leather"
	Waxed   CordType = "waxed"
	Nylon   CordType = "nylon" // a single line, crimped or tied
)

// CordTypes lists every type of cord there is.
func CordTypes() []CordType { return []CordType{Wire, Elastic, Thread, Leather, Waxed, Nylon} }

// Cord is what beads are strung on.
type Cord struct {
	Type      CordType
	Diameter  length.MM
	Filaments int     // strands of a beading wire: 7, 19 or 49
	Stretch   float64 // how many times its length an elastic stretches to; 0 if its card does not say
	Strength  float64 // newtons; 0 if not known
}

// thickest is the widest cord that beads are strung on.
const thickest = length.MM(20)

// NewCord checks the measurements. The error is a sentence.
func NewCord(c Cord) (*Cord, error) {
	if !(c.Diameter >= 0.01 && c.Diameter <= thickest) {
		return nil, fmt.Errorf("%s; a cord measures between 0.01 and %v mm.", measured("diameterMm", c.Diameter), float64(thickest))
	}
	return &c, nil
}

// passFactor is the least hole for n equal cords side by side, in diameters of
// one cord: the smallest circle round n equal circles.
var passFactor = [...]float64{0, 1, 2, 2.1547, 2.4142, 2.7013, 3, 3}

// HoleFor is the least hole that n passes of a cord of this diameter go
// through, beyond seven passes by the area they fill.
func HoleFor(passes int, diameter length.MM) length.MM {
	if passes < len(passFactor) {
		return length.MM(passFactor[max(0, passes)]) * diameter
	}
	// Seven cords in a circle of three fill 7/9 of it; keep that share.
	const perCord = 9.0 / 7
	hole := diameter
	for float64(hole*hole) < perCord*float64(passes)*float64(diameter*diameter) {
		hole += diameter / 100
	}
	return hole
}

// PassesThrough is how often a cord of this diameter goes through a hole, up to
// seven times.
func PassesThrough(hole, diameter length.MM) int {
	passes := 0
	for passes < len(passFactor)-1 && HoleFor(passes+1, diameter) <= hole {
		passes++
	}
	return passes
}
