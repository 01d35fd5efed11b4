package en

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// End lists what lies at an end of a row from the last bead outwards, as far as its own section
// goes, and how the cord is held there.
func (p Speaker) End(of *piece.Piece, s *measure.Strand, e *measure.End) []string {
	var out []string
	for i := range e.Parts {
		part := &e.Parts[i]
		if part.Role == measure.RoleRow {
			break
		}
		if says := p.part(s, e, part); says != "" {
			out = append(out, says)
		}
	}
	if half := otherHalf(s, e); half != "" {
		out = append(out, half)
	}
	switch {
	case len(out) == 0 && s.Ring:
		return []string{"No fittings: the cord is tied to its other end."}
	case len(out) == 0:
		return []string{"No fittings: the cord ends bare."}
	}
	if tied := heldBy(of, e); tied != "" {
		out = append(out, tied)
	}
	return out
}

// part names a part of an end.
func (p Speaker) part(s *measure.Strand, e *measure.End, part *measure.Part) string {
	name := ""
	if part.Material != nil {
		name = part.Material.Name
	}
	switch part.Role {
	case measure.RoleLoop:
		return "The wire turns back in a loop of its own, through the next part, and back through the crimp."
	case measure.RoleGuard:
		return name + ": the cord follows its groove."
	case measure.RoleCrimp:
		if part.Swallowed {
			return name + ", which slips into the last bead: see the problems."
		}
	case measure.RoleClasp:
		if part.Material.Finding.Type == material.Toggle {
			return name + ", its ring"
		}
	case measure.RoleLinks:
		if b := part.Between; b != nil {
			return fmt.Sprintf("%d of %s, with %d links of %s between each two", part.Links, name, b.Links, lower(b.Of.Name))
		}
		return fmt.Sprintf("%d links of %s", part.Links, name)
	case measure.RoleChain:
		return fmt.Sprintf("%s, %d links", name, part.Material.Finding.Links)
	case measure.RoleBeads:
		return "A loop of " + Plural(len(part.Loop.Beads), "bead")
	case measure.RoleCordLoop:
		return "A loop of the bare cord, " + p.in(part.Girth) + " round its inside"
	case measure.RoleFootBead:
		return name + " at the foot: the cord goes down through it and back up round its outside"
	case measure.RoleFoldBead:
		return name + ", with the middle of the cord folded through it"
	case measure.RoleLeg:
		if name == "" {
			return "A leg that ends in a knot"
		}
		return "A leg with " + lower(name) + " and a knot"
	case measure.RoleTailBead:
		return "A loose tail with " + lower(name) + " and a knot"
	case measure.RoleRound:
		return ""
	}
	return name
}

// otherHalf names what the end closes into, where that is counted at the other end.
func otherHalf(s *measure.Strand, e *measure.End) string {
	clasp := s.End(e.Side.Other()).Find(measure.RoleClasp)
	if clasp == nil {
		return ""
	}
	if clasp.Material.Finding.Type == material.Toggle {
		return clasp.Material.Name + ", its bar"
	}
	return "Closes into the " + lower(clasp.Material.Name) + "."
}

// heldBy says what keeps the cord in where no part says so: a knot.
func heldBy(of *piece.Piece, e *measure.End) string {
	switch e.Hold {
	case measure.HeldByKnot:
		if e.Find(measure.RoleCordLoop) != nil {
			return "Held by an overhand knot."
		}
		return "Held by a " + knots[of.House.Knot] + "."
	case measure.HeldByMiddle:
		if e.Find(measure.RoleCordLoop) != nil {
			return "The loop is the middle of the cord, held by an overhand knot."
		}
		return "Held by the middle of the cord."
	case measure.HeldByCordEnd, measure.HeldByCone, measure.HeldByStop:
		if e.Find(measure.RoleCrimp) == nil {
			return "Held by an overhand knot."
		}
	case measure.Unheld:
		return "Nothing holds the cord: see the problems."
	}
	return ""
}
