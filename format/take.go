package format

import (
	"maps"
	"reflect"
	"slices"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// Take writes into the document what differs between the piece it described
// before and the one after: what is the same in both stays as it is written.
// Materials that the document does not list are fetched by id, and those that it
// needs no more are left out.
func (d *Document) Take(before, after *piece.Piece, fetch func(id string) (Material, bool)) {
	d.Kind = string(after.Kind)
	d.takeTarget(after)
	if after.Hanging != before.Hanging {
		d.Hanging = hangingOf(after.Hanging)
	}
	if after.Body != before.Body {
		d.Body = bodyOf(after.Body)
	}
	if !maps.Equal(before.Palette, after.Palette) {
		d.Palette = map[string]string{}
		for key, m := range after.Palette {
			d.Palette[key] = m.ID
		}
	}
	d.OneCord = nil
	for _, key := range slices.Sorted(maps.Keys(after.OneCord)) {
		if after.Palette[key] != nil {
			d.OneCord = append(d.OneCord, key)
		}
	}
	d.Closure = Closure{string(after.Closure.Type), fittingsOf(after.Closure.Left), fittingsOf(after.Closure.Right)}
	d.takeSections(before, after)
	d.takeHouse(before.House, after.House)
	if !reflect.DeepEqual(before.Sizes, after.Sizes) {
		d.Sizes = nil
		for _, s := range after.Sizes {
			size := Size{Name: s.Name, MeasureMm: s.Measure, FinishedMm: s.Finished, Line: s.Line.String(), Rows: written(s.Rows, (*pattern.Line).String), OfRows: written(s.OfRows, (*pattern.Line).String),
				Links: written(s.Links, func(n int) int { return n })}
			if s.Of != nil {
				size.Of = s.Of.String()
			}
			d.Sizes = append(d.Sizes, size)
		}
	}
	if !reflect.DeepEqual(before.Pins, after.Pins) {
		d.Pinned = nil
		for _, pin := range after.Pins {
			d.Pinned = append(d.Pinned, Pin{string(pin.Row), pin.Run, pin.Nth, pin.Letter})
		}
	}
	if !reflect.DeepEqual(before.Waived, after.Waived) {
		d.Waived = nil
		for _, w := range after.Waived {
			d.Waived = append(d.Waived, Waiver{w.Code, PlaceOf(w.At), w.Of, w.Note})
		}
	}
	d.takeMaterials(after, fetch)
}

func (d *Document) takeTarget(p *piece.Piece) {
	d.Target = nil
	if t := p.Target; t != nil {
		d.Target = &Target{t.Finished, t.Tolerance}
	}
}

func bodyOf(b *piece.Body) *Body {
	if b == nil {
		return nil
	}
	return &Body{Part: b.Part, MeasureMm: b.Measure, HandMm: b.Hand, HeadMm: b.Head, For: b.For, Child: b.Child, Fit: b.Fit, Times: b.Times}
}

// Core is the wearer as the core has them.
func (b *Body) Core() *piece.Body {
	if b == nil {
		return nil
	}
	return &piece.Body{Part: b.Part, Measure: b.MeasureMm, Hand: b.HandMm, Head: b.HeadMm, For: b.For, Child: b.Child, Fit: b.Fit, Times: b.Times}
}

func fittingsOf(list []piece.Fitting) []Fitting {
	var out []Fitting
	for _, f := range list {
		fitting := Fitting{ID: string(f.ID), Of: f.Of.ID, Links: f.Links, Fill: f.Fill}
		if f.Between != nil {
			fitting.Between = &Between{Of: f.Between.Of.ID, Links: f.Between.Links}
		}
		for _, m := range f.Hung {
			fitting.Hung = append(fitting.Hung, m.ID)
		}
		out = append(out, fitting)
	}
	return out
}

// takeSections writes every row: as it was written before as far as it has not changed.
func (d *Document) takeSections(before, after *piece.Piece) {
	sections := make([]Section, len(after.Sections))
	for i, s := range after.Sections {
		sections[i].Twisted, sections[i].GapMm = s.Twisted, s.Gap
		for _, r := range s.Rows {
			row := Row{ID: string(r.ID)}
			if written := d.Row(string(r.ID)); written != nil {
				row = *written
			}
			row.take(before.Row(r.ID), r)
			sections[i].Rows = append(sections[i].Rows, row)
		}
	}
	d.Sections, d.Joins = sections, nil
	for _, j := range after.Joins {
		d.Joins = append(d.Joins, Join{string(j.ID), fittingsOf(j.Fittings)})
	}
}

func (r *Row) take(before, after *piece.Row) {
	if before == nil || before.Line != after.Line {
		r.Line = after.Line.String()
	}
	if before == nil && after.Passes != 1 || before != nil && before.Passes != after.Passes {
		r.Passes = after.Passes
	}
	r.LeftPort, r.RightPort = portOf(after.LeftPort), portOf(after.RightPort)
	r.Follow, r.FollowMm = string(after.Follow.Rule), after.Follow.Step
	r.SlackMm, r.CutMm, r.Cord = after.Slack, after.Cut, ""
	if after.Corded() {
		r.Cord = after.Cord.ID
	}
	r.Lacing = lacingOf(after.Lacing)
	if r.Riders = ""; after.Riders != nil {
		r.Riders = after.Riders.String()
	}
	r.FoldOf = string(after.FoldOf)
	r.Holder = holderOf(after.Holder)
	r.Left, r.Right = fittingsOf(after.Left), fittingsOf(after.Right)
	r.LeftEnd, r.RightEnd = endingOf(&after.LeftEnding), endingOf(&after.RightEnding)
}

// takeHouse overrides the choices that differ.
func (d *Document) takeHouse(before, after piece.House) {
	for _, c := range piece.Choices() {
		if was, is := *c.Of(&before), *c.Of(&after); was != is {
			*d.House.choices()[c.Field] = is
		}
	}
}

func (d *Document) takeMaterials(p *piece.Piece, fetch func(id string) (Material, bool)) {
	listed := func(id string) bool {
		return slices.ContainsFunc(d.Materials, func(m Material) bool { return m.ID == id })
	}
	var needed []string
	for _, m := range MaterialsOf(p) {
		needed = append(needed, m.ID)
		if m.Component != nil {
			for _, part := range m.Component.Parts {
				needed = append(needed, part.Of.ID)
			}
		}
	}
	// What is fetched brings its parts.
	for ; len(needed) > 0; needed = needed[1:] {
		if listed(needed[0]) {
			continue
		}
		if doc, ok := fetch(needed[0]); ok {
			d.Materials = append(slices.Clip(d.Materials), doc)
			needed = append(needed, doc.Refers()...)
		}
	}
	d.takeComponents(p)
	used := d.Used()
	d.Materials = slices.DeleteFunc(slices.Clone(d.Materials), func(m Material) bool { return !slices.Contains(used, m.ID) })
}

// takeComponents writes the rings and pins of components that have been changed.
func (d *Document) takeComponents(p *piece.Piece) {
	for _, m := range MaterialsOf(p) {
		if m.Component == nil {
			continue
		}
		for i := range d.Materials {
			doc := &d.Materials[i]
			if doc.ID != m.ID || doc.Component == nil {
				continue
			}
			c := *doc.Component
			c.Rings = nil
			for _, r := range m.Component.Rings {
				c.Rings = append(c.Rings, r.ID)
			}
			if m.Component.Pin != nil {
				c.Pin = m.Component.Pin.Of.ID
			}
			if !reflect.DeepEqual(c, *doc.Component) {
				d.Materials = slices.Clone(d.Materials)
				d.Materials[i].Component = &c
			}
		}
	}
}

// MaterialsOf lists the materials of a piece: dishes by letter, cords, fittings.
func MaterialsOf(p *piece.Piece) []*material.Material {
	var out []*material.Material
	for _, key := range slices.Sorted(maps.Keys(p.Palette)) {
		out = append(out, p.Palette[key])
	}
	for _, r := range p.Rows() {
		if r.Corded() {
			out = append(out, r.Cord)
		}
		if r.Holder.Of != nil {
			out = append(out, r.Holder.Of)
		}
		out = append(append(out, endingMaterials(&r.LeftEnding)...), endingMaterials(&r.RightEnding)...)
	}
	for _, list := range p.Fittings() {
		for _, f := range *list {
			out = append(append(out, f.Of), f.Hung...)
			if f.Between != nil {
				out = append(out, f.Between.Of)
			}
		}
	}
	return out
}

// Used lists the ids of the materials that the document refers to, the parts of its
// components among them.
func (d *Document) Used() []string {
	used := map[string]bool{}
	d.references(func(id *string) { used[*id] = true })
	for _, c := range d.Colourways {
		for _, id := range c.Swaps {
			used[id] = true
		}
	}
	parts := slices.Collect(maps.Keys(used))
	for ; len(parts) > 0; parts = parts[1:] {
		for i := range d.Materials {
			if d.Materials[i].ID != parts[0] {
				continue
			}
			for _, id := range d.Materials[i].Refers() {
				if !used[id] {
					used[id] = true
					parts = append(parts, id)
				}
			}
		}
	}
	return slices.Sorted(maps.Keys(used))
}

// Tidied is the document with only the materials it refers to.
func (d *Document) Tidied() *Document {
	out := *d
	used := d.Used()
	out.Materials = slices.DeleteFunc(slices.Clone(d.Materials), func(m Material) bool { return !slices.Contains(used, m.ID) })
	return &out
}

// Check says whether a document can be saved: all of it is right, but for a bead
// line that may be half typed. The error is Faults.
func (d *Document) Check() error {
	if faults := d.photoFaults(); faults != nil {
		return faults
	}
	_, err := d.Piece(House{})
	if faults, ok := err.(Faults); ok && faults.OfLine() {
		return nil
	}
	return err
}

// written is what ids have as the file has it; nil for nothing.
func written[V, W any](all map[piece.ID]V, write func(V) W) map[string]W {
	if len(all) == 0 {
		return nil
	}
	out := map[string]W{}
	for id, v := range all {
		out[string(id)] = write(v)
	}
	return out
}
