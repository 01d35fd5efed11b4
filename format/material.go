package format

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"unicode/utf8"

	"mala/core/length"
	"mala/core/material"
)

// heaviest is the most one bead or finding weighs, in grams, and maxNote the length
// of a bench note.
const (
	heaviest = 2000
	maxNote  = 500
)

// Material makes the material that the document describes, or says all that is
// wrong with it. Where is the place of the material in its file.
func (d *Material) Material(where string) (*material.Material, Faults) {
	r := &materialReader{doc: d, where: where}
	r.common()
	m := &material.Material{ID: d.ID, Name: d.Name, Class: material.Class(d.Class), Metal: d.Metal, MassG: d.MassG, Note: d.Note}
	if d.Look != nil {
		m.Look = material.Look{Colour: d.Look.Colour, Finish: string(d.Look.Finish), Second: d.Look.Second}
	}
	var err error
	switch m.Class {
	case material.ClassBead:
		m.Bead, err = r.bead()
		if m.Bead != nil && m.MassG == 0 && d.DensityGCm > 0 {
			m.MassG = d.DensityGCm * m.Bead.Volume() / 1000
		}
	case material.ClassFinding:
		m.Finding, err = r.finding()
	case material.ClassCord:
		m.Cord, err = r.cord()
	case material.ClassComponent:
		r.add("class", "A component is made of other materials, which are not known here.")
	default:
		r.add("class", "%q is not a class of material. Use bead, finding, cord or component.", d.Class)
	}
	if err != nil {
		r.faults = append(r.faults, Fault{Where: where, Says: r.named(err.Error())})
	}
	if len(r.faults) > 0 {
		return nil, r.faults
	}
	return m, nil
}

type materialReader struct {
	doc    *Material
	where  string
	faults Faults
}

func (r *materialReader) add(field, says string, args ...any) {
	r.faults = append(r.faults, Fault{Where: r.where + "." + field, Says: r.named(fmt.Sprintf(says, args...))})
}

// named puts the material's name in front of a sentence of a file that lists many.
func (r *materialReader) named(says string) string {
	name := cmp.Or(r.doc.Name, r.doc.ID)
	if r.where == "" || checkName(name) != "" {
		return says
	}
	return name + ": " + says
}

// oneOf holds a field to its choices.
func (r *materialReader) oneOf(field, value string, choices ...string) {
	if value != "" && !slices.Contains(choices, value) {
		r.add(field, "%q is not one of the choices. Use one of %v.", value, choices)
	}
}

// atMost holds a number to 0 and its most.
func (r *materialReader) atMost(field string, v, most float64) {
	if !(v >= 0 && v <= most) || math.IsNaN(v) {
		r.add(field, "%v is out of range. Use 0 to %v.", v, most)
	}
}

func (r *materialReader) common() {
	d := r.doc
	if !isID(d.ID) {
		r.add("id", "%q is not an id. Use small letters, digits, dots and hyphens: pearl-4.", d.ID)
	}
	if says := checkName(d.Name); says != "" {
		r.add("name", "%s", says)
	}
	if utf8.RuneCountInString(d.Note) > maxNote {
		r.add("note", "The note is longer than %d characters. Shorten it.", maxNote)
	}
	r.atMost("massG", d.MassG, heaviest)
	r.atMost("densityGCm3", d.DensityGCm, 25)
	r.atMost("strengthN", d.StrengthN, 1e5)
	for _, size := range []struct {
		field string
		mm    length.MM
	}{
		{"insideMm", d.InsideMm}, {"outsideMm", d.OutsideMm}, {"lengthMm", d.LengthMm}, {"closedMm", d.ClosedMm}, {"wireMm", d.WireMm},
		{"ringInsideMm", d.RingInsideMm}, {"ringEyeMm", d.RingEyeMm}, {"barMm", d.BarMm}, {"barThicknessMm", d.BarThicknessMm}, {"barEyeMm", d.BarEyeMm}, {"spacingMm", d.SpacingMm}, {"riseMm", d.RiseMm},
	} {
		r.atMost(size.field, float64(size.mm), float64(material.MostSize))
	}
	r.oneOf("facing", d.Facing, "none", "fore-aft", "upright")
	r.oneOf("drilled", d.Drilled, "width", "height")
	r.oneOf("sized", d.Sized, "nominal", "calipered")
	r.oneOf("joint", d.Joint, "open", "soldered", "split")
	r.oneOf("form", d.Form, "round", "oval", "flat", "ball")
	r.oneOf("eye", d.Eye, "open", "closed")
	if d.Price != nil && !(d.Price.Amount >= 0 && d.Price.Amount <= 1e6 && d.Price.Per >= 1 && d.Price.Per <= 1e6) {
		r.add("price", "A price is an amount for a number of pieces: 4.20 per 100.")
	}
	if utf8.RuneCountInString(d.Place) > maxTag {
		r.add("place", "A place is named in at most %d characters.", maxTag)
	}
	r.packs()
	if l := d.Look; l != nil {
		r.oneOf("look.finish", string(l.Finish), material.Finishes()...)
		for _, c := range [][2]string{{"colour", l.Colour}, {"second", l.Second}} {
			if c[1] != "" && !isColour(c[1]) {
				r.add("look."+c[0], "%q is not a colour. Write it like #a0522d.", c[1])
			}
		}
	}
}

func (r *materialReader) bead() (*material.Bead, error) {
	d := r.doc
	if !slices.Contains(material.Shapes(), material.Shape(d.Shape)) {
		r.add("shape", "%q is not a known shape. Use one of %v.", d.Shape, material.Shapes())
		return nil, nil
	}
	b := material.Bead{
		Shape: material.Shape(d.Shape), Across: d.AcrossMm, Thick: d.ThickMm, Along: d.AlongMm, Hole: d.HoleMm,
		Depth: d.DepthMm, Wall: d.WallMm, Drop: d.DropMm, Facing: material.Facing(d.Facing), Drilled: material.Drilled(d.Drilled),
		Sized: material.Sized(d.Sized), Loop: d.LoopMm, LoopWire: d.LoopWireMm, HoleOff: d.HoleOffMm, HoleTo: material.Toward(d.HoleTo),
		Holes: d.Holes, Apart: d.SpacingMm,
	}
	if d.Run != nil {
		b.Run = material.Run{Count: d.Run.Count, Measured: d.Run.MeasuredMm}
		if d.Run.Count < 1 {
			r.add("run.count", "%d beads cannot be measured. Use at least 1.", d.Run.Count)
		}
	}
	return material.NewBead(b)
}

func (r *materialReader) finding() (*material.Finding, error) {
	d := r.doc
	if !slices.Contains(material.FindingTypes(), material.FindingType(d.Type)) {
		r.add("type", "%q is not a known finding. Use one of %v.", d.Type, material.FindingTypes())
		return nil, nil
	}
	return material.NewFinding(material.Finding{
		Type: material.FindingType(d.Type), Inside: d.InsideMm, Outside: d.OutsideMm, Length: d.LengthMm, Closed: d.ClosedMm,
		Wire: d.WireMm, Joint: d.Joint, Form: d.Form, Eye: d.Eye, Holes: d.Holes, Spacing: d.SpacingMm, Links: d.Links, Strength: d.StrengthN,
		Rise: d.RiseMm, RingInside: d.RingInsideMm, RingEye: d.RingEyeMm, Bar: d.BarMm, BarThickness: d.BarThicknessMm, BarEye: d.BarEyeMm,
	})
}

func (r *materialReader) cord() (*material.Cord, error) {
	d := r.doc
	if !slices.Contains(material.CordTypes(), material.CordType(d.Type)) {
		r.add("type", "%q is not a known cord. Use one of %v.", d.Type, material.CordTypes())
		return nil, nil
	}
	return material.NewCord(material.Cord{Type: material.CordType(d.Type), Diameter: d.DiameterMm, Filaments: d.Filaments,
		Stretch: d.Stretch, Strength: d.StrengthN})
}
