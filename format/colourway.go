package format

import (
	"fmt"
	"maps"
	"slices"
	"unicode/utf8"
)

// Colourway is the piece in other materials: a name, and what takes the place of what.
type Colourway struct {
	Name  string            `json:"name" maxLength:"40"`
	Swaps map[string]string `json:"swaps" doc:"The id of a material, and of the one in its place."`
}

const mostColourways = 12

// references calls do with every place where the document names a material, to read it or to
// put another there.
func (d *Document) references(do func(id *string)) {
	for _, letter := range slices.Sorted(maps.Keys(d.Palette)) {
		id := d.Palette[letter]
		if do(&id); id != d.Palette[letter] {
			d.Palette[letter] = id
		}
	}
	fittings := func(list []Fitting) {
		for i := range list {
			do(&list[i].Of)
			if list[i].Between != nil {
				do(&list[i].Between.Of)
			}
			for k := range list[i].Hung {
				do(&list[i].Hung[k])
			}
		}
	}
	ending := func(e *Ending) {
		if e == nil {
			return
		}
		for k := range e.Hung {
			do(&e.Hung[k])
		}
		if e.Bead != "" {
			do(&e.Bead)
		}
	}
	fittings(d.Closure.Left)
	fittings(d.Closure.Right)
	for i := range d.Joins {
		fittings(d.Joins[i].Fittings)
	}
	for i := range d.Sections {
		for k := range d.Sections[i].Rows {
			r := &d.Sections[i].Rows[k]
			if r.Cord != "" {
				do(&r.Cord)
			}
			if r.Holder != nil && r.Holder.Of != "" {
				do(&r.Holder.Of)
			}
			fittings(r.Left)
			fittings(r.Right)
			ending(r.LeftEnd)
			ending(r.RightEnd)
		}
	}
}

// InColours is the document with the swaps of a colourway made, in its components too: a copy
// of its own.
func (d *Document) InColours(c *Colourway) *Document {
	out := d.cloned()
	out.Materials = slices.Clone(d.Materials)
	for i, m := range out.Materials {
		if m.Component != nil {
			out.Materials[i].Component = m.Component.swapped(c.Swaps)
		}
	}
	out.references(func(id *string) {
		if other, ok := c.Swaps[*id]; ok {
			*id = other
		}
	})
	return out
}

// swapped is the component made of other materials.
func (c *Component) swapped(swaps map[string]string) *Component {
	out := *c
	to := func(id string) string {
		if other, ok := swaps[id]; ok {
			return other
		}
		return id
	}
	list := func(ids IDs) IDs {
		ids = slices.Clone(ids)
		for i := range ids {
			ids[i] = to(ids[i])
		}
		return ids
	}
	out.Rings, out.Below, out.Turn = list(c.Rings), list(c.Below), list(c.Turn)
	out.Pin, out.Bead, out.Cord = to(c.Pin), to(c.Bead), to(c.Cord)
	if out.Palette = maps.Clone(c.Palette); out.Palette != nil {
		for letter, id := range out.Palette {
			out.Palette[letter] = to(id)
		}
	}
	if c.Parts != nil {
		out.Parts = Counts{}
		for id, n := range c.Parts {
			out.Parts[to(id)] += n
		}
	}
	return &out
}

// cloned copies all that references may change.
func (d *Document) cloned() *Document {
	out := *d
	fittings := func(list []Fitting) []Fitting {
		list = slices.Clone(list)
		for i := range list {
			list[i].Hung = slices.Clone(list[i].Hung)
			if b := list[i].Between; b != nil {
				between := *b
				list[i].Between = &between
			}
		}
		return list
	}
	ending := func(e *Ending) *Ending {
		if e == nil {
			return nil
		}
		own := *e
		own.Hung = slices.Clone(e.Hung)
		return &own
	}
	out.Palette = maps.Clone(d.Palette)
	out.Closure.Left, out.Closure.Right = fittings(d.Closure.Left), fittings(d.Closure.Right)
	out.Joins = slices.Clone(d.Joins)
	for i := range out.Joins {
		out.Joins[i].Fittings = fittings(out.Joins[i].Fittings)
	}
	out.Sections = slices.Clone(d.Sections)
	for i := range out.Sections {
		out.Sections[i].Rows = slices.Clone(out.Sections[i].Rows)
		for k := range out.Sections[i].Rows {
			r := &out.Sections[i].Rows[k]
			r.Left, r.Right = fittings(r.Left), fittings(r.Right)
			r.LeftEnd, r.RightEnd = ending(r.LeftEnd), ending(r.RightEnd)
			if r.Holder != nil {
				holder := *r.Holder
				r.Holder = &holder
			}
		}
	}
	return &out
}

// colourways holds what the document says of its colourways to what can be.
func (b *builder) colourways() {
	d := b.doc
	if len(d.Colourways) > mostColourways {
		b.add("colourways", "A piece has at most %d colourways. Remove some.", mostColourways)
		return
	}
	seen := map[string]bool{}
	find := func(id string) *Material {
		if i := slices.IndexFunc(d.Materials, func(m Material) bool { return m.ID == id }); i >= 0 {
			return &d.Materials[i]
		}
		return nil
	}
	for i, c := range d.Colourways {
		at := fmt.Sprintf("colourways[%d]", i)
		if checkName(c.Name) != "" || utf8.RuneCountInString(c.Name) > maxTag || seen[c.Name] {
			b.add(at+".name", "A colourway has a name of its own, at most %d characters.", maxTag)
		}
		seen[c.Name] = true
		for _, id := range slices.Sorted(maps.Keys(c.Swaps)) {
			was, is := find(id), find(c.Swaps[id])
			switch {
			case is == nil:
				b.add(at+".swaps", "The piece has no material %q. A colourway swaps materials that the piece lists.", c.Swaps[id])
			case was != nil && !swaps(was, is):
				b.add(at+".swaps", "%s cannot take the place of %s: it is something else.", is.Name, was.Name)
			}
		}
	}
}

// swaps says whether a material may take the place of another: beads and components that are
// strung or hang alike, findings of one type, cords of one type.
func swaps(was, is *Material) bool {
	strung := func(m *Material) bool { return m.Class == "bead" || m.Class == "component" }
	return strung(was) && strung(is) || was.Class == is.Class && was.Type == is.Type
}
