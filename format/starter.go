package format

import (
	"cmp"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Starter is a new piece from three answers: what it is, how it closes, and how
// long it should be. It opens with a strand of one bead that fills the length,
// to type over, on the cord and with the ends the catalogue has for it.
func Starter(name, kind, closure string, target length.MM, catalogue []Material) (Document, error) {
	doc := Document{Format: PieceFormat, Name: name, Kind: kind, Palette: map[string]string{},
		Closure: Closure{Type: closure}, Target: &Target{FinishedMm: target, ToleranceMm: 3}}
	row := Row{Line: ""}
	cordType := string(material.Wire)
	if closure != "clasp" {
		cordType = string(material.Elastic)
	}
	pick := func(fits func(m *Material) bool, off func(m *Material) float64) *Material {
		var best *Material
		for i := range catalogue {
			m := &catalogue[i]
			if fits(m) && (best == nil || cmp.Or(cmp.Compare(off(m), off(best)), cmp.Compare(m.ID, best.ID)) < 0) {
				best = m
			}
		}
		return best
	}
	use := func(m *Material) string {
		if !slices.ContainsFunc(doc.Materials, func(x Material) bool { return x.ID == m.ID }) {
			doc.Materials = append(doc.Materials, *m)
		}
		return m.ID
	}
	cord := pick(func(m *Material) bool { return m.Class == "cord" && m.Type == cordType },
		func(m *Material) float64 { return math.Abs(float64(m.DiameterMm) - startingDiameter[cordType]) })
	if cord == nil {
		return doc, Faults{{Where: "closure", Says: "The catalogue has no cord to string this on. Add a beading wire and an elastic first."}}
	}
	row.Cord = use(cord)
	passes := 1
	if closure == "clasp" {
		passes = 2 // the tail goes back through the last beads
	}
	bead := pick(func(m *Material) bool {
		return m.Class == "bead" && m.Shape == string(material.Round) && m.HoleMm >= material.HoleFor(passes, cord.DiameterMm)*1.1
	}, func(m *Material) float64 { return math.Abs(float64(m.AcrossMm) - startingBead[kind]) })
	if bead != nil {
		key := firstLetter(bead.Name)
		doc.Palette[key] = use(bead)
		row.Line = "{" + key + "}"
	}
	if closure != "clasp" {
		doc.startKnot(&row, cord, pick, use)
	}
	if closure == "clasp" {
		doc.startEnds(&row, cord, pick, use)
	}
	doc.Sections = []Section{{Rows: []Row{row}}}
	return doc, nil
}

// startingDiameter is the cord a beginner's piece is strung on, by type, and
// startingBead the size it starts with, by kind, in mm.
var (
	startingDiameter = map[string]float64{"wire": 0.36, "elastic": 0.7}
	startingBead     = map[string]float64{"necklace": 4, "bracelet": 6, "anklet": 4}
)

// startKnot begins a ring with a bead whose hole hides the knot.
func (d *Document) startKnot(row *Row, cord *Material, pick func(func(*Material) bool, func(*Material) float64) *Material, use func(*Material) string) {
	across := length.MM(piece.DefaultHouse().KnotAcross()) * cord.DiameterMm
	bead := pick(func(m *Material) bool {
		return m.Class == "bead" && m.HoleMm >= across && m.Facing == "" && material.Hides(material.Shape(m.Shape))
	},
		func(m *Material) float64 { return float64(m.HoleMm + m.AcrossMm) })
	if bead == nil {
		return
	}
	key := firstLetter(bead.Name)
	if d.Palette[key] != "" {
		key = "K"
	}
	d.Palette[key] = use(bead)
	row.Line = key + " " + row.Line
}

func firstLetter(name string) string {
	for _, r := range name {
		if r >= 'A' && r <= 'Z' {
			return string(r)
		}
	}
	return "A"
}

// startEnds puts a crimp that grips two passes at each end, a ring each side,
// and a lobster at the left.
func (d *Document) startEnds(row *Row, cord *Material, pick func(func(*Material) bool, func(*Material) float64) *Material, use func(*Material) string) {
	need := material.HoleFor(2, cord.DiameterMm)
	if crimp := pick(func(m *Material) bool { return m.Type == string(material.CrimpTube) && m.InsideMm >= need },
		func(m *Material) float64 { return float64(m.InsideMm) }); crimp != nil {
		row.Left, row.Right = []string{use(crimp)}, []string{use(crimp)}
	}
	smallest := func(m *Material) float64 { return float64(m.LengthMm + m.InsideMm) }
	clasp := pick(func(m *Material) bool { return m.Type == string(material.Lobster) }, smallest)
	ring := pick(func(m *Material) bool { return m.Type == string(material.JumpRing) }, smallest)
	if clasp != nil {
		d.Closure.Left = []string{use(clasp)}
	}
	if ring != nil {
		d.Closure.Left = append(d.Closure.Left, use(ring))
		d.Closure.Right = []string{use(ring)}
	}
}
