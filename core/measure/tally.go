package measure

import (
	"maps"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Count is how many of one material the piece takes.
type Count struct {
	Material *material.Material
	Count    int
	ByStrand []int     // what all rows share is in none of them, unless there is one row alone
	Length   length.MM // of a cord: what is cut; of a chain: its links
	Lost     int       // links of a chain that are lost in cutting it
}

// count derives the parts list from the sequence: beads in the order they are
// first strung, then findings in threading order, then cord.
func (m *Measured) count() {
	at := map[string]int{}
	add := func(strand int, mat *material.Material, n int) *Count {
		i, ok := at[mat.ID]
		if !ok {
			i = len(m.Tally)
			at[mat.ID] = i
			m.Tally = append(m.Tally, Count{Material: mat, ByStrand: make([]int, len(m.Strands))})
		}
		m.Tally[i].Count += n
		if strand >= 0 {
			m.Tally[i].ByStrand[strand] += n
		}
		return &m.Tally[i]
	}
	for i, s := range m.Strands {
		for _, k := range s.kinds {
			add(i, k.material, k.count)
		}
		for _, k := range s.rode {
			add(i, k.material, k.count)
		}
	}
	m.eachPart(func(i int, part *Part) {
		switch {
		case part.Role == RoleLinks:
			c := add(i, part.Material, part.Links)
			c.Length += part.Length
			c.Lost += part.Material.Finding.LostInCutting()
			if b := part.Between; b != nil && part.Links > 1 {
				c := add(i, b.Of, b.Links*(part.Links-1))
				c.Length += b.Of.Finding.Inside * length.MM(b.Links*(part.Links-1))
				c.Lost += b.Of.Finding.LostInCutting() * (part.Links - 1)
			}
		case part.Material != nil:
			add(i, part.Material, 1)
		}
		if part.Loop != nil {
			for _, k := range part.Loop.kinds {
				add(i, k.material, k.count)
			}
		}
		for _, m := range part.Hung {
			add(i, m, 1)
		}
	})
	for i, s := range m.Strands {
		if n := len(s.Holders()); n > 0 && s.Row.Holder.Way == piece.HeldByCrimps {
			add(i, s.Row.Holder.Of, n)
		}
		if s.Row.Corded() && s.Left.Hold != HeldByRunning && s.Row.FoldOf == "" {
			add(i, s.Row.Cord, 1).Length += s.CutLength()
		}
	}
}

// eachPart gives every part of every end once, with the number of its strand: what
// several rows share exists once, and of several rows it is of none, -1.
func (m *Measured) eachPart(do func(strand int, part *Part)) {
	seen := map[piece.ID]bool{}
	for i, s := range m.Strands {
		for _, e := range s.Ends() {
			for k := range e.Parts {
				part, of := &e.Parts[k], i
				if part.Role == RoleRow || part.With {
					continue
				}
				if part.Shared {
					if seen[part.Fitting] {
						continue
					}
					seen[part.Fitting] = true
					if len(m.Strands) > 1 {
						of = -1
					}
				}
				do(of, part)
			}
		}
	}
}

// ChainPiece is a piece of chain, cut off in one.
type ChainPiece struct {
	Strand int // -1 of what all rows share
	Links  int
	Length length.MM
}

// ChainPieces are the pieces of a chain that the piece takes.
func (m *Measured) ChainPieces(of *material.Material) []ChainPiece {
	var out []ChainPiece
	m.eachPart(func(strand int, part *Part) {
		if part.Role != RoleLinks {
			return
		}
		if part.Material == of {
			out = append(out, ChainPiece{strand, part.Links, part.Length})
		}
		if b := part.Between; b != nil && b.Of == of {
			for range part.Links - 1 {
				out = append(out, ChainPiece{strand, b.Links, of.Finding.Inside * length.MM(b.Links)})
			}
		}
	})
	return out
}

// Bought is the parts list with every component broken down to what it is made of,
// the materials in the order they are first needed.
func (m *Measured) Bought() []Count {
	at := map[string]int{}
	var out []Count
	for _, c := range m.Tally {
		c.Material.Each(func(of *material.Material, n int, mm length.MM) {
			i, known := at[of.ID]
			if !known {
				i = len(out)
				at[of.ID] = i
				out = append(out, Count{Material: of, ByStrand: make([]int, len(c.ByStrand))})
			}
			out[i].Count += n * c.Count
			out[i].Length += mm * length.MM(c.Count)
			if of == c.Material {
				out[i].Length += c.Length
				out[i].Lost += c.Lost
			}
			for k := range c.ByStrand {
				out[i].ByStrand[k] += n * c.ByStrand[k]
			}
		})
	}
	return out
}

// weigh adds up what is known and lists what is not. Cord is not weighed.
func (m *Measured) weigh() {
	for _, c := range m.Tally {
		m.MassG += m.weightOf(c.Material) * float64(c.Count)
	}
}

// MassOf is the mass in grams of a row with all that does not hang on a row beside it:
// what its own ends bear.
func (m *Measured) MassOf(s *Strand) float64 {
	sum := m.MassG
	for i, other := range m.Strands {
		if other == s || m.Piece.SectionOf(other.Row) != m.Piece.SectionOf(s.Row) {
			continue // what lies in the same loop it bears
		}
		for _, c := range m.Tally {
			sum -= m.weightOf(c.Material) * float64(c.ByStrand[i])
		}
	}
	return sum
}

// weightOf is what one of the material weighs, a component that is not weighed as
// far as its parts are known.
func (m *Measured) weightOf(mat *material.Material) float64 {
	switch {
	case mat.Class == material.ClassCord:
		return 0
	case mat.MassG > 0:
		return mat.MassG
	case mat.Component == nil && mat.HasLinks():
		return mat.Finding.LinkMass()
	case mat.Component == nil:
		if !slices.Contains(m.Unweighed, mat.ID) {
			m.Unweighed = append(m.Unweighed, mat.ID)
		}
		return 0
	}
	sum := 0.0
	for _, part := range mat.Component.Parts {
		sum += m.weightOf(part.Of) * float64(part.Count)
	}
	return sum
}

// Sensitivity is how far the finished length moves if every one of a material
// is a tenth of a millimetre longer along the hole; of several rows that of the row it
// moves most.
type Sensitivity struct {
	Material  *material.Material
	PerTenth  length.MM
	SizedFrom material.Sized
}

// sensitivities works it out along the path of contacts that decides the length: to
// first order a face that grows moves the strand by its own share of each
// contact.
func (m *Measured) sensitivities() {
	share := map[*material.Material]float64{} // mm of the finished length
	for _, s := range m.Strands {
		for mat, mm := range s.shareInAll() {
			share[mat] = max(share[mat], mm)
		}
	}
	for _, c := range m.Tally {
		const tenth = 0.1
		switch mat := c.Material; mat.Class {
		case material.ClassComponent:
			if mat.HasLinks() {
				m.Sensitivity = append(m.Sensitivity, Sensitivity{mat, tenth * length.MM(m.inSeries(mat)), material.Nominal})
				continue
			}
			fallthrough
		case material.ClassBead:
			perLength := tenth / float64(mat.Bead.Length())
			m.Sensitivity = append(m.Sensitivity, Sensitivity{mat, length.MM(share[mat] * perLength), mat.Bead.SizedBy()})
		case material.ClassFinding:
			m.Sensitivity = append(m.Sensitivity, Sensitivity{mat, tenth * length.MM(m.inSeries(mat)), material.Nominal})
		}
	}
}

// shareInAll is how much of the strand and the loops at its ends each material gives,
// in mm.
func (s *Strand) shareInAll() map[*material.Material]float64 {
	share := map[*material.Material]float64{}
	maps.Copy(share, s.share)
	for _, o := range s.Others() {
		for mat, mm := range o.Strand.share {
			share[mat] += mm
		}
	}
	for _, e := range s.Ends() {
		if loop := e.Find(RoleBeads); loop != nil {
			for mat, mm := range loop.Loop.share {
				share[mat] += mm / 2 // it lies double
			}
		}
	}
	return share
}

// inSeries counts how often the material adds its length to the ends of a row, of
// several rows where it does so most.
func (m *Measured) inSeries(mat *material.Material) int {
	most := 0
	for _, s := range m.Strands {
		n := 0
		for _, e := range s.Ends() {
			for _, part := range e.Parts {
				if part.Length <= 0 || mat.Finding == nil {
					continue
				}
				if part.Material == mat {
					n += max(1, part.Links)
				}
				if b := part.Between; b != nil && b.Of == mat {
					n += b.Links * (part.Links - 1)
				}
			}
		}
		most = max(most, n)
	}
	return most
}
