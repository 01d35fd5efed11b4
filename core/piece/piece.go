// Package piece is the structure of what is strung: sections of rows between
// the two halves of a closure, the materials they use, and what is asked of the
// finished length.
package piece

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Kind is what is made.
type Kind string

// The kinds. A hanging ornament comes with its structure.
const (
	Necklace Kind = "necklace"
	Bracelet Kind = "bracelet"
	Anklet   Kind = "anklet"
)

// ClosureType is how a piece closes.
type ClosureType string

// The closures: a clasp, a ring knotted on itself, or a ring that slips over.
const (
	Clasp ClosureType = "clasp"
	Knot  ClosureType = "knot"
	None  ClosureType = "none"
)

// Closure joins the two ends. Left and Right list their fittings from the
// outside in.
type Closure struct {
	Type        ClosureType
	Left, Right []*material.Material
}

// Target is the finished length asked for, and how far off is still right.
type Target struct {
	Finished, Tolerance length.MM
}

// Body is the part of the wearer a piece goes round, with its measures; 0 where
// not known.
type Body struct {
	Part                string
	Measure, Hand, Head length.MM
	For                 string // the standard size or age the measure stands for
	Child               bool
	Fit                 string // the word for the ease that is wanted; empty takes any
}

// Waiver lets a finding stand, and says why.
type Waiver struct {
	Code string
	End  string // left or right, for a finding at an end
	Note string
}

// Piece is a whole piece with every material it uses.
type Piece struct {
	Name, Notes string
	Kind        Kind
	Target      *Target // nil if none is set
	Body        *Body
	Palette     map[string]*material.Material // beads by the letter of their dish
	Closure     Closure
	Sections    []Section
	House       House
	Waived      []Waiver
}

// Child says whether the piece is for a child.
func (p *Piece) Child() bool { return p.Body != nil && p.Body.Child }

// Section is a number of rows side by side between two joins.
type Section struct {
	Rows []Row
}

// Row is one strand: its cord, its bead line, and its end fittings listed from
// the strand outwards.
type Row struct {
	Cord        *material.Material
	Line        *pattern.Line
	Slack       *length.MM // nil follows the house
	Passes      int        // how often the cord runs through every bead
	Cut         *length.MM // what the cord has been cut to already; nil if it has not
	Left, Right []*material.Material
}

// IsRing says whether the row closes on itself bead to bead: no clasp, and no
// fitting between its last bead and its first.
func (p *Piece) IsRing(r *Row) bool {
	return p.Closure.Type != Clasp && len(r.Left) == 0 && len(r.Right) == 0
}
