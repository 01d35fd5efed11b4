package desk

import (
	"slices"

	"mala/core/check"
	"mala/core/material"
	"mala/format"
)

// Shelf is what a piece may fetch beside its own materials.
type Shelf struct {
	Materials []format.Material
	Stock     check.Stock // what there is of them; nil where it is not known
	made      []*material.Material
}

// NewShelf makes a shelf of the materials that are well formed.
func NewShelf(materials []format.Material) *Shelf {
	s := &Shelf{}
	materials = slices.Clone(materials)
	for i := range materials {
		materials[i].Packs, materials[i].Place = nil, "" // of the catalogue alone: pieces do not carry them
	}
	stock := format.Listed(materials)
	for i := range materials {
		if m, faults := stock.Make(&materials[i], ""); faults == nil {
			s.Materials, s.made = append(s.Materials, materials[i]), append(s.made, m)
		}
	}
	return s
}

// Beside is the shelf and what the document lists for itself. Of a material that
// is both, the document's own copy counts: fetching it by its id would change
// nothing else.
func (s *Shelf) Beside(doc *format.Document) []*material.Material {
	listed := map[string]bool{}
	var out []*material.Material
	stock := format.Listed(doc.Materials)
	for i := range doc.Materials {
		listed[doc.Materials[i].ID] = true
		if own, faults := stock.Make(&doc.Materials[i], ""); faults == nil {
			out = append(out, own)
		}
	}
	if s == nil {
		return out
	}
	for _, m := range s.made {
		if !listed[m.ID] {
			out = append(out, m)
		}
	}
	return out
}

// of is the shelf as fixes fetch from it for the document. Where nothing on it is counted, nothing has
// to be bought.
func (s *Shelf) of(doc *format.Document) check.Shelf {
	out := check.Shelf{Materials: s.Beside(doc)}
	if s == nil {
		return out
	}
	for _, n := range s.Stock {
		if n > 0 {
			out.Stock = s.Stock
		}
	}
	return out
}

// find gives a material of the shelf by its id.
func (s *Shelf) find(id string) (format.Material, bool) {
	if s != nil {
		for _, m := range s.Materials {
			if m.ID == id {
				return m, true
			}
		}
	}
	return format.Material{}, false
}

// Made gives a material of the shelf by its id, as the core has it; nil if there is
// none.
func (s *Shelf) Made(id string) *material.Material {
	if s != nil {
		for _, m := range s.made {
			if m.ID == id {
				return m
			}
		}
	}
	return nil
}

// Cords lists the cords of the shelf.
func (s *Shelf) Cords() []*material.Material {
	var out []*material.Material
	if s != nil {
		for _, m := range s.made {
			if m.Cord != nil {
				out = append(out, m)
			}
		}
	}
	return out
}
