package piece

import "mala/core/material"

// Spot is a place that findings go in a piece or in a component.
type Spot string

// The spots.
const (
	AtRow     Spot = "row"     // the end of a row
	AtClosure Spot = "closure" // between what rows end on and what closes the piece
	AtJoin    Spot = "join"    // between sections
	AsHolder  Spot = "holder"  // beside a gap, to hold beads apart
	AsRing    Spot = "ring"    // of a component
	AsChain   Spot = "chain"
)

// Spots lists every spot.
func Spots() []Spot { return []Spot{AtRow, AtClosure, AtJoin, AsHolder, AsRing, AsChain} }

// takes says whether a finding of a type can go there.
func (s Spot) takes(t material.FindingType) bool {
	f := &material.Finding{Type: t}
	switch s {
	case AtRow:
		return joinsAtRow(f)
	case AtClosure:
		return f.IsRing() || f.IsClasp() || t == material.Extender || t == material.Chain || t == material.Connector || t == material.FocalBar
	case AtJoin:
		return f.IsRing() || t == material.Connector || t == material.Chain
	case AsHolder:
		return f.IsCrimp()
	case AsRing:
		return f.IsRing()
	case AsChain:
		return t == material.Chain
	}
	return false
}

// FindingsFor lists the types of findings that can go to a spot.
func FindingsFor(s Spot) []material.FindingType {
	var out []material.FindingType
	for _, t := range material.FindingTypes() {
		if s.takes(t) {
			out = append(out, t)
		}
	}
	return out
}
