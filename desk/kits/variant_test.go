package kits_test

import (
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/kits"
	"mala/desk/testdesk"
	"mala/format"
)

// A colourway whose beads move the length is brought back to it by other counts, row by row where
// there are several; where nothing is asked of them, or nothing does it, it is said.
func TestAColourwayKeepsItsLength(t *testing.T) {
	from := packing(t)
	k := kitOf(t, "tide-table")
	m, err := kits.KitMatrixOf(t.Context(), k, 1, from, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	large, changed := slices.Index(m.Colourways, "Large pearls"), 0
	for _, c := range m.Cells {
		p := c.Pieces[0]
		a := testdesk.Analysed(t, &m.Documents[p.Document], desk.Options{})
		if a.Target == nil || !a.Target.Within || slices.ContainsFunc(c.Wrong, func(s string) bool { return strings.Contains(s, "arget") }) {
			t.Errorf("%s, %s: %+v, %v", m.Sizes[c.Size], m.Colourways[c.Colourway], a.Target, c.Wrong)
		}
		if p.Changed {
			changed++
			if c.Colourway != large || c.Size == 0 { // its open fill keeps its length by itself
				t.Errorf("%s, %s has other counts", m.Sizes[c.Size], m.Colourways[c.Colourway])
			}
		}
		if b := billOf(t, k, c.CellOf, 1, from); lineIn(t, b, "brass-spacer").Count != countIn(a, "brass-spacer") {
			t.Errorf("%+v: the bag holds another piece", c.CellOf)
		}
	}
	if changed != 2 {
		t.Errorf("%d cells have other counts", changed)
	}
	rows := kitOf(t, "tidewrack")
	d := &rows.Pieces[0].Document
	d.Target = nil
	larger := ""
	for _, m := range d.Materials {
		if m.Class == "bead" && m.AcrossMm >= 8 {
			larger = m.ID
		}
	}
	d.Colourways = []format.Colourway{{Name: "Larger", Swaps: map[string]string{"tide-stone-6": larger}}}
	if m, err = kits.KitMatrixOf(t.Context(), rows, 1, from, desk.Options{}); err != nil {
		t.Fatal(err)
	}
	if !slices.ContainsFunc(m.Cells[1].Wrong, func(s string) bool { return strings.Contains(s, "and no other counts were found to bring it back") }) {
		t.Errorf("%v", m.Cells[1].Wrong)
	}
	if m, err = kits.KitMatrixOf(t.Context(), rows, 1, from, desk.Options{Unit: length.InInches}); err != nil {
		t.Fatal(err)
	}
	if says := strings.Join(m.Cells[1].Wrong, " "); !strings.Contains(says, "In these materials it is 2 3/16 in shorter") {
		t.Errorf("in inches: %s", says)
	}
	for name, from := range map[string]string{"tidewrack": "tide-stone-6", "strait-lamp": "seed-8-brine", "slipway": "tide-stone-6"} {
		k := kitOf(t, name)
		d := &k.Pieces[0].Document
		i := slices.IndexFunc(d.Materials, func(m format.Material) bool { return m.ID == from })
		other := d.Materials[i]
		other.ID, other.Name = "other", "The same, larger"
		other.AlongMm, other.AcrossMm = 1.2*max(other.AlongMm, other.AcrossMm), 1.2*other.AcrossMm
		if other.Shape == "round" {
			other.AlongMm = 0
		}
		d.Materials = append(d.Materials, other)
		d.Colourways = []format.Colourway{{Name: "Larger", Swaps: map[string]string{from: "other"}}}
		m, err := kits.KitMatrixOf(t.Context(), k, 1, packing(t), desk.Options{})
		if err != nil {
			t.Fatal(name, err)
		}
		cell := m.Cells[slices.IndexFunc(m.Cells, func(c kits.KitCell) bool { return m.Colourways[c.Colourway] == "Larger" })]
		a := testdesk.Analysed(t, &m.Documents[cell.Pieces[0].Document], desk.Options{})
		for r, s := range a.Strands {
			if s.Target != nil && !s.Target.Within {
				t.Errorf("%s: row %d is %v off in larger beads: %v", name, r+1, s.Target.OffMm, cell.Wrong)
			}
		}
		if !cell.Pieces[0].Changed {
			t.Errorf("%s keeps its counts in larger beads: %v", name, cell.Wrong)
		}
	}
}

// Two sizes of a kit that come out the same name each other; one with a bead more does not.
func TestSizesThatComeOutTheSameSaySo(t *testing.T) {
	k := kitOf(t, "last-ferry")
	d := &k.Pieces[0].Document
	line := d.Sections[0].Rows[0].Line
	d.Sizes = []format.Size{{Name: "One", FinishedMm: 480, Line: line}, {Name: "Two", FinishedMm: 500, Line: line}, {Name: "Three", FinishedMm: 490, Line: line + " S"}}
	d.Colourways, k.Sizes, k.Colourways = nil, nil, nil
	if _, err := desk.Measured(d, format.House{}); err != nil {
		t.Fatal(err)
	}
	for size, want := range map[string]string{"One": "Two", "Two": "One", "Three": ""} {
		at := slices.Index(k.SizesSold(), size)
		got := slices.DeleteFunc(billOf(t, k, kits.CellOf{Size: at}, 1, packing(t)).SameAs, func(s string) bool { return strings.HasPrefix(s, "the pattern") })
		if strings.Join(got, ", ") != want {
			t.Errorf("%s is the same as %v, want %q", size, got, want)
		}
	}
}
