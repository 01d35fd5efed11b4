package format

import (
	"errors"
	"fmt"
	"maps"
	"slices"
	"strings"

	"mala/core/component"
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Component is what a component is made of; materials go by their ids. Which fields
// it has follows from its kind.
type Component struct {
	Kind      string    `json:"kind" enum:"charm,link,drop,pendant,tassel,coil,beaded,carrier,turn"`
	Rings     IDs       `json:"rings,omitempty" doc:"The rings it hangs on, from the cord down."`
	Pin       string    `json:"pin,omitempty"`
	Loop      string    `json:"loop,omitempty" enum:"simple,wrapped"`
	LoopMm    length.MM `json:"loopMm,omitempty" doc:"Inside of the loop turned from the pin."`
	Turns     int       `json:"turns,omitempty" doc:"Of a wrapped loop round its stem."`
	Crosswise bool      `json:"crosswise,omitempty" doc:"An eye pin's two loops lie crosswise."`
	Line      string    `json:"line,omitempty" maxLength:"4096" doc:"The bead line of the pin, from its loop down; of a coil from the cord out."`
	Palette   Letters   `json:"palette,omitempty" doc:"The letters of that line."`
	RodMm     length.MM `json:"rodMm,omitempty" doc:"That a coil is wound on."`
	Below     IDs       `json:"below,omitempty" doc:"What hangs below: charms and components."`
	Turn      IDs       `json:"turn,omitempty" doc:"What each use takes in turn: beads and components."`
	Back      bool      `json:"back,omitempty" doc:"In the second half of a mirror they come back in reverse."`
	Bead      string    `json:"bead,omitempty" doc:"Of a carrier: the bead with a loop of its own."`
	OneCord   bool      `json:"oneCord,omitempty" doc:"It hangs on one of the cords that run side by side."`
	Cord      string    `json:"cord,omitempty" doc:"Of a tassel."`
	Strands   int       `json:"strands,omitempty"`
	LegMm     length.MM `json:"legMm,omitempty" doc:"Length of a tassel."`
	Parts     Counts    `json:"parts,omitempty" doc:"The beads of a beaded bead, by their ids."`
}

// IDs are ids of materials in order. A cell of a table has them with spaces between.
type IDs []string

// Letters are the ids of beads by their letters. A cell has them as P=pearl-4.
type Letters map[string]string

// Counts are how many of each id. A cell has them as seed-11=24.
type Counts map[string]int

func (l IDs) String() string { return strings.Join(l, " ") }

func (l Letters) String() string {
	return joined(maps.All(l), func(key, id string) string { return key + "=" + id })
}

func (c Counts) String() string {
	return joined(maps.All(c), func(id string, n int) string { return fmt.Sprintf("%s=%d", id, n) })
}

func joined[V any](all func(func(string, V) bool), write func(string, V) string) string {
	var out []string
	for key, value := range all {
		out = append(out, write(key, value))
	}
	slices.Sort(out)
	return strings.Join(out, " ")
}

// Refers lists the ids that the material is made of.
func (d *Material) Refers() []string {
	c := d.Component
	if c == nil {
		return nil
	}
	out := slices.Concat(c.Rings, c.Below, c.Turn, slices.Collect(maps.Values(c.Palette)), slices.Collect(maps.Keys(c.Parts)))
	for _, id := range []string{c.Pin, c.Cord, c.Bead} {
		if id != "" {
			out = append(out, id)
		}
	}
	slices.Sort(out)
	return slices.Compact(out)
}

// Materials makes materials of their documents, and components of the materials they
// refer to. Every material is made once.
type Materials struct {
	find   func(id string) *Material
	made   map[string]*material.Material
	making []string // the components being made, each part of the one before
}

// NewMaterials makes a stock of what find gives by its id; nil for an unknown one.
func NewMaterials(find func(id string) *Material) *Materials {
	return &Materials{find: find, made: map[string]*material.Material{}}
}

// Listed makes materials of lists of documents; where two have one id, the first
// counts.
func Listed(lists ...[]Material) *Materials {
	at := map[string]*Material{}
	for _, list := range lists {
		for i := range list {
			if at[list[i].ID] == nil {
				at[list[i].ID] = &list[i]
			}
		}
	}
	return NewMaterials(func(id string) *Material { return at[id] })
}

// Make makes the material that the document describes, or says all that is wrong
// with it. Where is the place of the material in its file. A material that has been
// made already is given again.
func (s *Materials) Make(d *Material, where string) (*material.Material, Faults) {
	if m := s.made[d.ID]; m != nil {
		return m, nil
	}
	m, faults := s.make(d, where)
	if m != nil {
		s.made[d.ID] = m
	}
	return m, faults
}

func (s *Materials) make(d *Material, where string) (*material.Material, Faults) {
	if material.Class(d.Class) != material.ClassComponent {
		return d.Material(where)
	}
	r := &materialReader{doc: d, where: where}
	r.common()
	if d.Component == nil {
		r.add("component", "Say what this component is made of.")
	}
	if len(r.faults) > 0 {
		return nil, r.faults
	}
	s.making = append(s.making, d.ID)
	defer func() { s.making = s.making[:len(s.making)-1] }()
	return s.component(r)
}

func (s *Materials) component(r *materialReader) (*material.Material, Faults) {
	d, c := r.doc, r.doc.Component
	r.oneOf("component.loop", c.Loop, string(material.SimpleLoop), string(material.WrappedLoop))
	if !slices.Contains(material.ComponentKinds(), material.ComponentKind(c.Kind)) {
		r.add("component.kind", "%q is not a kind of component. Use one of %v.", c.Kind, material.ComponentKinds())
	}
	plan := component.Plan{Kind: material.ComponentKind(c.Kind), Loop: material.Loop{Kind: material.LoopKind(c.Loop), Inside: c.LoopMm, Turns: c.Turns},
		Crosswise: c.Crosswise, Rod: c.RodMm, Strands: c.Strands, Leg: c.LegMm, Back: c.Back, OneCord: c.OneCord, Palette: map[string]*material.Material{}}
	part := func(field, id string) *material.Material { return s.part(r, field, id) }
	for i, id := range c.Rings {
		plan.Rings = append(plan.Rings, part(fmt.Sprintf("rings[%d]", i), id))
	}
	for i, id := range c.Below {
		plan.Below = append(plan.Below, part(fmt.Sprintf("below[%d]", i), id))
	}
	for i, id := range c.Turn {
		plan.Turn = append(plan.Turn, part(fmt.Sprintf("turn[%d]", i), id))
	}
	if c.Pin != "" {
		plan.Pin = part("pin", c.Pin)
	}
	if c.Cord != "" {
		plan.Cord = part("cord", c.Cord)
	}
	if c.Bead != "" {
		plan.Strung = part("bead", c.Bead)
	}
	for _, key := range slices.Sorted(maps.Keys(c.Palette)) {
		if !isKey(key) {
			r.add("component.palette."+key, "A dish's letter is A to Z, optionally followed by one small letter.")
			continue
		}
		plan.Palette[key] = part("palette."+key, c.Palette[key])
	}
	for _, id := range slices.Sorted(maps.Keys(c.Parts)) {
		plan.Parts = append(plan.Parts, material.PartCount{Of: part("parts."+id, id), Count: c.Parts[id]})
	}
	if c.Line != "" {
		line, err := pattern.Parse(c.Line)
		for _, f := range pattern.Faults(err) {
			r.faults = append(r.faults, Fault{Where: r.where + ".component.line", Column: f.Col, Says: r.named(f.Says), Expected: f.Expected})
		}
		plan.Line = line
	}
	if plan.Kind == material.BeadedBead {
		plan.Bead = s.beadedBead(r)
	}
	if len(r.faults) > 0 {
		return nil, r.faults
	}
	made, err := component.Make(d.ID, d.Name, plan)
	var f *component.Fault
	if errors.As(err, &f) {
		field := "component"
		if f.Field != "" {
			field += "." + f.Field
		}
		r.add(field, "%s", f.Says)
		return nil, r.faults
	}
	made.Metal, made.Note = d.Metal, d.Note
	if d.MassG > 0 {
		made.MassG = d.MassG
	}
	return made, nil
}

// beadedBead is the bead of beads as it was measured.
func (s *Materials) beadedBead(r *materialReader) *material.Bead {
	d := *r.doc
	d.Shape = Shape(material.Beaded)
	bead, err := (&materialReader{doc: &d, where: r.where}).bead()
	if err != nil {
		r.faults = append(r.faults, Fault{Where: r.where, Says: r.named(err.Error())})
	}
	return bead
}

// part gives a material that the component refers to; nil with a fault if there is
// none, or if the component is part of it.
func (s *Materials) part(r *materialReader, field, id string) *material.Material {
	if m := s.made[id]; m != nil {
		return m
	}
	field = "component." + field
	if slices.Contains(s.making, id) {
		r.add(field, "A component cannot contain itself: %s.", strings.Join(append(slices.Clone(s.making), id), " contains "))
		return nil
	}
	if len(s.making) > component.MostLevels {
		r.add(field, "Components hold components at most %d levels deep.", component.MostLevels)
		return nil
	}
	doc := s.find(id)
	if doc == nil {
		r.add(field, "No material has the id %q. List it, or choose another.", id)
		return nil
	}
	m, faults := s.Make(doc, "")
	if faults != nil {
		r.add(field, "%s has an error: %s", doc.Name, faults[0].Says)
	}
	return m
}

// Sketch is as much of a material as a picture of it needs.
func Sketch(m *material.Material) Material {
	out := Material{ID: m.ID, Class: string(m.Class), Name: m.Name, Metal: m.Metal}
	if m.Look != (material.Look{}) {
		out.Look = &Look{Colour: m.Look.Colour, Finish: Finish(m.Look.Finish), Second: m.Look.Second}
	}
	switch {
	case m.Bead != nil:
		b := m.Bead
		out.Shape, out.AcrossMm, out.ThickMm, out.AlongMm, out.HoleMm, out.DropMm = Shape(b.Shape), b.Across, b.Thick, b.Along, b.Hole, b.Drop
		if b.Shape == material.Charm {
			out.LoopMm, out.LoopWireMm = b.Loop, b.LoopWire
		}
	case m.Finding != nil:
		out.Type, out.WireMm, out.InsideMm = Type(m.Finding.Type), m.Finding.Wire, m.Finding.Inside
	case m.Cord != nil:
		out.Type, out.DiameterMm = Type(m.Cord.Type), m.Cord.Diameter
	}
	return out
}
