// Package material knows the things a piece is made of: beads and the shape of
// their faces, findings, and stringing materials. Lengths are in millimetres,
// masses in grams.
package material

import "mala/core/length"

// Class says which kind of thing a material is.
type Class string

// The classes.
const (
	ClassBead    Class = "bead"
	ClassFinding Class = "finding"
	ClassCord    Class = "cord"
	// ClassComponent is made of others first, and then used as one thing.
	ClassComponent Class = "component"
)

// Material is anything that can lie in the shop's catalogue. Exactly one of
// Bead, Finding and Cord is set, as Class says; a component has a Bead too, which
// is what a strand meets of it, and a bead link a Finding, which is what it is as a link
// of a chain.
type Material struct {
	ID        string
	Name      string
	Class     Class
	Metal     string
	MassG     float64 // one bead, finding or component; 0 when it is not weighed
	Look      Look
	Note      string // for the bench, at the step that first uses it
	Bead      *Bead
	Finding   *Finding
	Cord      *Cord
	Component *Component
}

// IsBead says whether a cord runs through the material: it is a bead, or a component
// that is no link of a chain.
func (m *Material) IsBead() bool { return m.Bead != nil && m.Finding == nil }

// Sized says where a bead's length along the hole comes from.
type Sized string

// The three sources of a size, the best last: the label, a calliper, and a run
// of beads strung tight and measured.
const (
	Nominal     Sized = "nominal"
	Calipered   Sized = "calipered"
	MeasuredRun Sized = "measured run"
)

// Facing says whether turning a bead round can be seen.
type Facing string

// The facings: a cap opens to one side; a heart or letter has a top.
const (
	FacingNone    Facing = "none"
	FacingForeAft Facing = "fore-aft"
	FacingUpright Facing = "upright"
)

// Drilled says through what an upright bead is drilled.
type Drilled string

// The two drillings.
const (
	ThroughWidth  Drilled = "width"
	ThroughHeight Drilled = "height"
)

// Run is a number of one bead strung tight and measured together.
type Run struct {
	Count    int
	Measured length.MM
}

// Turns says whether reversing the order of the beads also turns this bead:
// one that opens to a side, or an upright one drilled through its height. A
// letter, drilled through its width, stays readable and is never turned.
func (b *Bead) Turns() bool {
	return b.Facing == FacingForeAft || b.Facing == FacingUpright && b.Drilled == ThroughHeight
}

// SizedBy names the source of size that won: measured run over calliper over
// label.
func (b *Bead) SizedBy() Sized {
	switch {
	case b.Run.Count > 0:
		return MeasuredRun
	case b.Sized == Calipered:
		return Calipered
	}
	return Nominal
}
