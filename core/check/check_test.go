package check

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

func bead(t *testing.T, id string, b material.Bead) *material.Material {
	t.Helper()
	made, err := material.NewBead(b)
	if err != nil {
		t.Fatal(err)
	}
	return &material.Material{ID: id, Name: id, Class: material.ClassBead, Bead: made}
}

func wire(d length.MM) *material.Material {
	return &material.Material{ID: "wire", Name: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: d}}
}

// necklace is a strand on 0.38 wire between two crimps and a clasp. P is a
// pearl of 4, G a round of 10 with a hole of 2.5, S a seed, T a spacer, Z a
// pearl drilled too fine.
func necklace(t *testing.T, line string) *piece.Piece {
	t.Helper()
	parsed, err := pattern.Parse(line)
	if err != nil {
		t.Fatal(err)
	}
	crimp := &material.Material{ID: "crimp", Name: "crimp", Class: material.ClassFinding,
		Finding: &material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2}}
	clasp := &material.Material{ID: "clasp", Name: "clasp", Class: material.ClassFinding,
		Finding: &material.Finding{Type: material.Lobster, Closed: 8.6}}
	return &piece.Piece{
		Kind: piece.Necklace, House: piece.DefaultHouse(),
		Closure: piece.Closure{Type: piece.Clasp, Left: []*material.Material{clasp}},
		Palette: map[string]*material.Material{
			"P": bead(t, "pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 0.9}),
			"G": bead(t, "lantern", material.Bead{Shape: material.Round, Across: 10, Hole: 2.5}),
			"S": bead(t, "seed", material.Bead{Shape: material.Seed, Across: 2.2, Along: 1.5, Hole: 0.9}),
			"T": bead(t, "spacer", material.Bead{Shape: material.Spacer, Across: 3, Along: 1.2, Hole: 1}),
			"Z": bead(t, "fine pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 0.6}),
		},
		Sections: []piece.Section{{Rows: []piece.Row{{Cord: wire(0.38), Line: parsed, Passes: 1,
			Left: []*material.Material{crimp}, Right: []*material.Material{crimp}}}}},
	}
}

func all(t *testing.T, p *piece.Piece, shelf ...*material.Material) []Finding {
	t.Helper()
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return All(m, Bench{Shelf: shelf, Unit: length.InMillimetres})
}

func of(found []Finding, code string) *Finding {
	for i := range found {
		if found[i].Code == code {
			return &found[i]
		}
	}
	return nil
}

func withTarget(p *piece.Piece, finished, tolerance length.MM) *piece.Piece {
	p.Target = &piece.Target{Finished: finished, Tolerance: tolerance}
	return p
}

func TestEachCheckFiresAndItsNearMissDoesNot(t *testing.T) {
	m, _ := measure.Measure(necklace(t, "20P"))
	for _, tt := range []struct {
		code         string
		fires, quiet *piece.Piece
		severity     Severity
		says         string
	}{
		{"hole-too-small", necklace(t, "20Z"), necklace(t, "8P 20Z 8P"), Stop, "need a hole of 0.76 mm; each has 0.6 mm"},
		{"crimp-swallowed", necklace(t, "3P G"), necklace(t, "3P G P"), Stop, "2.5 mm hole of lantern takes in crimp of 1.8 mm at the right end"},
		{"bead-swallowed", necklace(t, "3P G 2S P"), necklace(t, "3P G T 2S P"), Warn, "2.2 mm across and passes into the 2.5 mm hole of lantern"},
		{"length-off", withTarget(necklace(t, "20P"), m.Finished+3.2, 3), withTarget(necklace(t, "20P"), m.Finished+2.9, 3), Warn, "3.2 mm under the target"},
	} {
		f := of(all(t, tt.fires), tt.code)
		if f == nil || f.Severity != tt.severity || !strings.Contains(f.Says, tt.says) {
			t.Errorf("%s: %+v, want %s saying %q", tt.code, f, tt.severity, tt.says)
		}
		if f := of(all(t, tt.quiet), tt.code); f != nil {
			t.Errorf("%s fired on its near miss: %s", tt.code, f.Says)
		}
	}
}

func TestAHoleThatOnlyJustPassesIsAWarning(t *testing.T) {
	p := necklace(t, "20Z")
	p.Sections[0].Rows[0].Cord = wire(0.29) // two passes need 0.58, comfortably 0.638
	f := of(all(t, p), "hole-too-small")
	if f == nil || f.Severity != Warn {
		t.Errorf("got %+v, want a warning", f)
	}
}

func TestFixesAreRealEdits(t *testing.T) {
	for _, tt := range []struct {
		name, code, line, want string
		target                 length.MM
	}{
		{"a bead between crimp and large hole", "crimp-swallowed", "3P G", "3P G T", 0},
		{"at both ends of a mirror", "crimp-swallowed", "<G 3P | S>", "<T G 3P | S>", 0},
		{"a bead between seed and large hole", "bead-swallowed", "3P G 2S P", "3P G T 2S P", 0},
		{"in every repeat", "bead-swallowed", "P 3(G S) P", "P 3(G T S) P", 0},
		{"a longer run", "length-off", "20P", "22P", 106},
	} {
		p := necklace(t, tt.line)
		if tt.target > 0 {
			withTarget(p, tt.target, 3)
		}
		before := all(t, p)
		f := of(before, tt.code)
		if f == nil || f.Fix == nil || f.Fix.Edit.Line == nil {
			t.Errorf("%s: no fix in %+v", tt.name, f)
			continue
		}
		if tt.code != "bead-swallowed" || tt.name != "in every repeat" {
			if *f.Fix.Edit.Line != tt.want {
				t.Errorf("%s: %q, want %q", tt.name, *f.Fix.Edit.Line, tt.want)
			}
		}
		after, err := f.Fix.Edit.Try(p)
		if err != nil {
			t.Fatal(err)
		}
		left := judge(after, "")
		if count(left, tt.code, "") >= count(before, tt.code, "") || count(left, "", Stop) > count(before, "", Stop) {
			t.Errorf("%s: before %v, after %v", tt.name, before, left)
		}
	}
}

func TestAFineHoleIsMendedByTheTailOrAThinnerCord(t *testing.T) {
	f := of(all(t, necklace(t, "20Z")), "hole-too-small")
	if f.Fix == nil || f.Fix.Edit.Tail == nil || *f.Fix.Edit.Tail != piece.TailTrimmed {
		t.Errorf("fix = %+v, want trimmed tails", f.Fix)
	}
	p := necklace(t, "20Z")
	p.House.Tail = piece.TailTrimmed
	p.Sections[0].Rows[0].Cord = wire(0.61)
	f = of(all(t, p, wire(0.25), wire(0.46)), "hole-too-small")
	if f == nil || f.Fix == nil || f.Fix.Edit.Cord == nil || f.Fix.Edit.Cord.Cord.Diameter != 0.46 {
		t.Errorf("fix = %+v, want the thickest wire that passes", f)
	}
}

func TestAMissingSpacerIsFetchedFromTheShelf(t *testing.T) {
	p := necklace(t, "3P G")
	p.Palette = map[string]*material.Material{"G": p.Palette["G"], "P": p.Palette["P"]}
	p.Palette["P"] = bead(t, "wide pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 2})
	spacer := bead(t, "shelf spacer", material.Bead{Shape: material.Spacer, Across: 3, Along: 1.2, Hole: 1})
	f := of(all(t, p, spacer), "crimp-swallowed")
	if f == nil || f.Fix == nil || f.Fix.Edit.Dish == nil || f.Fix.Edit.Dish.Material != spacer || f.Fix.Edit.Dish.Key != "A" {
		t.Errorf("fix = %+v, want the shelf's spacer in a new dish", f)
	}
}

func TestTheGravestComesFirst(t *testing.T) {
	found := all(t, withTarget(necklace(t, "2G"), 400, 3))
	if len(found) < 2 || found[0].Severity != Stop || found[len(found)-1].Severity != Warn {
		t.Errorf("found %+v", found)
	}
}
