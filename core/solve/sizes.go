package solve

import (
	"cmp"
	"math"
	"slices"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
)

// mostSizes is how many other sizes of a bead are tried.
const mostSizes = 4

// sizes puts another size of the same spacer in its dish: of the same shape and look, with a hole
// that takes as much. What a piece is made of otherwise stays.
func sizes(t *task) []knob {
	row, p := t.strand.Row, t.measured.Piece
	if !row.Corded() || row.Line.OpenFill() != nil || t.rowPinned() {
		return nil
	}
	var out []knob
	for _, key := range t.spacers() {
		used := t.used(key)
		if used == 0 || !t.only(key, design.Separator) {
			continue
		}
		var k knob
		m := p.Palette[key]
		for _, other := range t.otherSizes(m) {
			each := other.Bead.Length() - m.Bead.Length()
			by, s := t.step(edit.SetDish{Letter: key, Of: other})
			if s == nil || math.Abs(float64(by)) > float64(t.reach()) {
				continue
			}
			k.settings = append(k.settings, setting{does: resized(m, other), tier: design.Spacers, by: by, moved: used,
				ops: []edit.Op{edit.SetDish{Letter: key, Of: other}}, letter: key, each: each})
		}
		out = append(out, k)
	}
	return out
}

// only says whether all beads of a dish have one role.
func (t *task) only(key string, role design.Role) bool {
	for i := range t.strand.Beads {
		if t.strand.Beads[i].Key == key && t.design.Roles[i] != role {
			return false
		}
	}
	return true
}

// otherSizes lists the shelf's beads like one, the nearest in size first.
func (t *task) otherSizes(m *material.Material) []*material.Material {
	var fit []*material.Material
	for _, c := range t.rules.Shelf {
		if c.Class == material.ClassBead && c.ID != m.ID && c.Bead.Shape == m.Bead.Shape && c.Look == m.Look && c.Bead.Hole >= m.Bead.Hole &&
			c.Bead.Facing == m.Bead.Facing && c.Bead.Holes == m.Bead.Holes && math.Abs(float64(c.Bead.Length()-m.Bead.Length())) > float64(leastStep) {
			fit = append(fit, c)
		}
	}
	off := func(c *material.Material) length.MM {
		return max(c.Bead.Length()-m.Bead.Length(), m.Bead.Length()-c.Bead.Length())
	}
	slices.SortFunc(fit, func(a, b *material.Material) int { return cmp.Or(cmp.Compare(off(a), off(b)), cmp.Compare(a.ID, b.ID)) })
	return fit[:min(len(fit), mostSizes)]
}

// resized tells a bead from another by how wide it is, or by how long where that is the same.
func resized(m, other *material.Material) Resize {
	if math.Abs(float64(m.Bead.Across-other.Bead.Across)) < float64(leastStep) {
		return Resize{m, other.Bead.Length(), m.Bead.Length(), true}
	}
	return Resize{m, other.Bead.Across, m.Bead.Across, false}
}
