package suggest

import (
	"slices"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// ByHouse gives what builds the ends as the house method has them, from what is
// there and what the catalogue suggests; nil if they are so already. Fittings the
// house leaves out are removed.
func ByHouse(m *measure.Measured, shelf []*material.Material) *check.Fix {
	if m.Piece.Closure.Type != piece.Clasp {
		return nil
	}
	h := m.Piece.House
	wants := map[measure.Role]bool{
		measure.RoleCrimp: true,
		measure.RoleCover: h.Covers == piece.Yes,
		measure.RoleGuard: h.Guards != piece.GuardsNever && !(h.Guards == piece.GuardsSingle && m.Piece.Several()),
		measure.RoleRing:  true,
		measure.RoleClasp: true,
		measure.RoleBeads: true,
	}
	out := &check.Fix{Does: []check.Effect{check.BuildByHouse{}}}
	after := m
	take := func(ops ...edit.Op) {
		if next, err := edit.Try(after.Piece, shelf, ops...); err == nil {
			after = next
			out.Ops = append(out.Ops, ops...)
		}
	}
	for _, row := range m.Piece.Rows() {
		if !row.Corded() {
			continue
		}
		take(unwanted(after, rowOf(after, row.ID), wants)...)
		// One after another, since each fitting changes what suits beside it.
		for range 12 {
			all := For(after, row.ID, shelf)
			next := slices.IndexFunc(all, func(s Suggestion) bool {
				return wants[s.Role] && s.Fix != nil && !hasAny(after, row.ID, s) && (s.Role != measure.RoleGuard || row.Cord.Cord.Type == material.Wire)
			})
			if next < 0 {
				break
			}
			take(all[next].Fix.Ops...)
		}
	}
	if len(out.Ops) == 0 {
		return nil
	}
	return out
}

// hasAny says whether the end has something in the role already: a fitting that
// is there is left even if another would suit better.
func hasAny(m *measure.Measured, row piece.ID, s Suggestion) bool {
	p := &picker{m: m, s: rowOf(m, row)}
	if s.Side == "" {
		return p.has(piece.Left, s.Role) != nil || p.has(piece.Right, s.Role) != nil
	}
	return p.has(s.Side, s.Role) != nil
}

// unwanted removes covers, guards and rings that the house does not use.
func unwanted(m *measure.Measured, s *measure.Strand, wants map[measure.Role]bool) []edit.Op {
	var ops []edit.Op
	h := m.Piece.House
	split := h.Attach == piece.AttachSplit
	for _, e := range s.Ends() {
		for _, p := range e.Parts {
			drop := false
			switch p.Role {
			case measure.RoleCover, measure.RoleGuard:
				drop = !wants[p.Role] || p.Role == measure.RoleGuard && s.Row.Cord.Cord.Type != material.Wire
			case measure.RoleRing:
				f := p.Material.Finding
				drop = f.IsOpen() && (!needsRing(m, s, e.Side) || h.Attach != piece.AttachDirect && (f.Type == material.SplitRing) != split)
			}
			if drop {
				at := s.Row.AtEnd(e.Side)
				at.Fitting = p.Fitting
				ops = append(ops, edit.DropFitting{At: at})
			}
		}
	}
	return ops
}
