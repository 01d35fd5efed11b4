// Package technique says which ways of the hand the steps of a piece use, so that each is
// shown once, and no other.
package technique

import (
	"slices"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Technique is a way of the hand that can be shown in a picture.
type Technique string

// The techniques.
const (
	FoldCrimp   Technique = "fold-crimp"
	FlatCrimp   Technique = "flat-crimp"
	ThreeSided  Technique = "three-sided-crimp"
	Guard       Technique = "guard"
	Cover       Technique = "cover"
	Surgeons    Technique = "surgeons-knot"
	Square      Technique = "square-knot"
	Overhand    Technique = "overhand-knot"
	HideKnot    Technique = "hide-knot"
	OpenRing    Technique = "open-ring"
	SimpleLoop  Technique = "simple-loop"
	WrappedLoop Technique = "wrapped-loop"
	Coil        Technique = "coil"
	FoldOver    Technique = "fold-over-end"
	CordEnd     Technique = "cord-end"
	Cone        Technique = "cone-end"
)

// All lists them in the order they are shown.
func All() []Technique {
	return []Technique{SimpleLoop, WrappedLoop, Coil, Guard, FoldCrimp, FlatCrimp, ThreeSided, Cover, Overhand, Square, Surgeons, HideKnot, CordEnd, Cone, FoldOver, OpenRing}
}

// For lists those that a piece uses.
func For(m *measure.Measured) []Technique {
	used := map[Technique]bool{}
	for _, c := range m.Tally {
		ofMaterial(used, c.Material)
	}
	for _, s := range m.Strands {
		ofStrand(used, m.Piece, s)
	}
	if m.Piece.Closure.Type == piece.OnBar {
		knot(used, m.Piece.House.Knot)
	}
	return slices.DeleteFunc(All(), func(t Technique) bool { return !used[t] })
}

func ofMaterial(used map[Technique]bool, m *material.Material) {
	if m.Finding != nil && m.Finding.IsRing() && m.Finding.IsOpen() {
		used[OpenRing] = true
	}
	c := m.Component
	if c == nil {
		return
	}
	for _, part := range c.Parts {
		ofMaterial(used, part.Of)
	}
	switch {
	case c.Pin == nil:
	case c.Kind == material.Coil:
		used[Coil] = true
	case c.Pin.Loop.Kind == material.WrappedLoop:
		used[WrappedLoop] = true
	default:
		used[SimpleLoop] = true
	}
}

func ofStrand(used map[Technique]bool, p *piece.Piece, s *measure.Strand) {
	if s.Ring {
		knot(used, p.House.Knot)
		used[HideKnot] = used[HideKnot] || s.Knot != nil && s.Knot.Bead >= 0 && p.House.KnotPlace == piece.KnotHidden
	}
	if len(s.Holders()) > 0 && s.Row.Holder.Way == piece.HeldByKnots {
		used[Overhand] = true
	}
	for _, e := range s.Ends() {
		if e.Find(measure.RoleCrimp) != nil {
			used[crimps[p.House.Crimp]] = true
		}
		if e.Find(measure.RoleGuard) != nil {
			used[Guard] = true
		}
		if e.Find(measure.RoleCover) != nil {
			used[Cover] = true
		}
		used[HideKnot] = used[HideKnot] || e.Hidden != nil && e.Hidden.Bead >= 0
		switch e.Hold {
		case measure.HeldByKnot, measure.HeldByRing:
			knot(used, p.House.Knot)
		case measure.HeldByCordEnd:
			used[CordEnd], used[Overhand] = true, true
		case measure.HeldByCone:
			used[Cone], used[Overhand] = true, true
		case measure.HeldByLeg:
			used[Overhand] = true
		case measure.HeldByStop:
			used[Overhand] = used[Overhand] || e.Find(measure.RoleCrimp) == nil
		case measure.HeldByFold:
			used[FoldOver] = true
		}
	}
}

var crimps = map[string]Technique{piece.CrimpFolded: FoldCrimp, piece.CrimpFlat: FlatCrimp, piece.CrimpThreeSided: ThreeSided}

// knot is the house's: a triple knot is a square one tied once more.
func knot(used map[Technique]bool, house string) {
	if house == piece.KnotSurgeons {
		used[Surgeons] = true
		return
	}
	used[Square] = true
}
