package suggest

import (
	"slices"

	"mala/core/check"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// ByHouse gives the ends as the house method builds them, from what is there and
// what the catalogue suggests; nil if they are so already. Fittings the house
// leaves out are taken out.
func ByHouse(m *measure.Measured, shelf []*material.Material) *check.Fix {
	if m.Piece.Closure.Type != piece.Clasp {
		return nil
	}
	h := m.Piece.House
	wants := map[string]bool{
		measure.DoesCrimp: true,
		measure.DoesCover: h.Covers == piece.Yes,
		measure.DoesGuard: h.Guards != piece.GuardsNever && m.Strands[0].Row.Cord.Cord.Type == material.Wire,
		measure.DoesRing:  true,
		measure.DoesClasp: true,
	}
	after, changed := m, false
	take := func(edit check.Edit) {
		if next, err := edit.Try(after.Piece); err == nil {
			after, changed = next, true
		}
	}
	if drop, ok := unwanted(after, wants); ok {
		take(check.Edit{Ends: &drop})
	}
	// One after another, since each fitting changes what suits beside it.
	for range 12 {
		next := slices.IndexFunc(For(after, shelf), func(s Suggestion) bool {
			return wants[s.Does] && s.Fix != nil && !hasAny(after, s)
		})
		if next < 0 {
			break
		}
		take(For(after, shelf)[next].Fix.Edit)
	}
	if !changed {
		return nil
	}
	ends := check.EndsOf(after.Piece)
	return &check.Fix{Says: "Build both ends the house's way", Edit: check.Edit{Ends: &ends}}
}

// hasAny says whether the end has something that does it already: a fitting that
// is there is left even if another would suit better.
func hasAny(m *measure.Measured, s Suggestion) bool {
	p := &picker{m: m}
	if s.End == "" {
		return p.has("left", s.Does) != nil || p.has("right", s.Does) != nil
	}
	return p.has(s.End, s.Does) != nil
}

// unwanted takes out covers, guards and rings that the house does not use.
func unwanted(m *measure.Measured, wants map[string]bool) (check.Ends, bool) {
	ends, found := check.EndsOf(m.Piece), false
	h := m.Piece.House
	split := h.Attach == piece.AttachSplit
	for _, side := range []string{"left", "right"} {
		row, closure := ends.Side(side)
		for _, list := range []*[]*material.Material{row, closure} {
			kept := slices.DeleteFunc(slices.Clone(*list), func(c *material.Material) bool {
				switch f := c.Finding; {
				case f.Type == material.CrimpCover:
					return !wants[measure.DoesCover]
				case f.Type == material.WireGuard:
					return !wants[measure.DoesGuard]
				case f.IsRing() && f.IsOpen():
					return !needsRing(m, side) || h.Attach != piece.AttachDirect && (f.Type == material.SplitRing) != split
				}
				return false
			})
			if len(kept) != len(*list) {
				*list, found = kept, true
			}
		}
	}
	return ends, found
}
