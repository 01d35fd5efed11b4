package suggest

import (
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

func fitting(id, metal string, f material.Finding) *material.Material {
	return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Metal: metal, Finding: &f}
}

var catalogue = []*material.Material{
	fitting("crimp 1.3", "brass", material.Finding{Type: material.CrimpTube, Inside: 1, Outside: 1.8, Length: 2}),
	fitting("crimp silver", "silver", material.Finding{Type: material.CrimpTube, Inside: 1, Outside: 1.8, Length: 2}),
	fitting("crimp wide", "brass", material.Finding{Type: material.CrimpTube, Inside: 1.9, Outside: 2.5, Length: 3}),
	fitting("crimp bead", "brass", material.Finding{Type: material.CrimpBead, Inside: 1, Outside: 2, Length: 1.5}),
	fitting("cover 3", "brass", material.Finding{Type: material.CrimpCover, Outside: 3, Length: 3}),
	fitting("guard", "brass", material.Finding{Type: material.WireGuard, Length: 4, Wire: 0.5}),
	fitting("ring", "brass", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open"}),
	fitting("split", "brass", material.Finding{Type: material.SplitRing, Inside: 4.4, Wire: 0.8}),
	fitting("soldered", "brass", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "soldered"}),
	fitting("lobster", "brass", material.Finding{Type: material.Lobster, Closed: 8.6, Wire: 0.7}),
}

// strand is twenty pearls between bare ends, with a brass lobster.
func strand(t *testing.T, change func(h *piece.House)) *measure.Measured {
	t.Helper()
	line := testparts.Line(t, "20P")
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse(), Closure: piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "f1", Of: catalogue[9]}}},
		Palette: map[string]*material.Material{"P": testparts.Bead(t, "pearl", material.Bead{Shape: material.Round, Across: 4, Hole: 0.9}, 0)},
		Sections: []piece.Section{{Rows: []*piece.Row{{ID: "r1", Line: line, Passes: 1,
			Cord: &material.Material{ID: "wire", Name: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}}}}}}
	change(&p.House)
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func TestAFittingCrimpIsSuggestedWithItsReason(t *testing.T) {
	crimps := 0
	for _, s := range For(strand(t, func(*piece.House) {}), "", catalogue) {
		if s.Role != measure.RoleCrimp {
			continue
		}
		crimps++
		if s.Material.ID != "crimp 1.3" || !strings.Contains(Reasoned(&s), "2 passes of 0.38 mm need 0.76 mm; it is 1 mm inside") || !strings.Contains(Reasoned(&s), "brass like the rest") {
			t.Errorf("suggested %s: %s", s.Material.ID, Reasoned(&s))
		}
		after, err := edit.Try(strand(t, func(*piece.House) {}).Piece, catalogue, s.Fix.Ops...)
		if err != nil {
			t.Fatal(err)
		}
		if s.Side == piece.Left && !after.Leading().Left.Crimped() {
			t.Error("the fix crimps nothing")
		}
	}
	if crimps != 2 {
		t.Errorf("%d crimps are suggested, want one at each end", crimps)
	}
}

func TestTheHouseBuildsBothEndsItsWay(t *testing.T) {
	for name, tt := range map[string]struct {
		change      func(h *piece.House)
		left, right string
	}{
		"as it comes": {func(*piece.House) {}, "crimp 1.3, ring, lobster", "crimp 1.3, ring"},
		"with guards and covers": {func(h *piece.House) { h.Guards, h.Covers = piece.GuardsAlways, piece.Yes },
			"crimp 1.3, cover 3, guard, ring, lobster", "crimp 1.3, cover 3, guard, ring"},
		"on split rings": {func(h *piece.House) { h.Attach = piece.AttachSplit }, "crimp 1.3, split, lobster", "crimp 1.3, split"},
		"direct":         {func(h *piece.House) { h.Attach = piece.AttachDirect }, "crimp 1.3, lobster", "crimp 1.3, ring"},
	} {
		t.Run(name, func(t *testing.T) {
			m := strand(t, tt.change)
			fix := ByHouse(m, catalogue)
			if fix == nil {
				t.Fatal("nothing to build")
			}
			after, err := edit.Try(m.Piece, catalogue, fix.Ops...)
			if err != nil {
				t.Fatal(err)
			}
			if l, r := parts(after.Leading().Left), parts(after.Leading().Right); l != tt.left || r != tt.right {
				t.Errorf("built %q and %q, want %q and %q", l, r, tt.left, tt.right)
			}
			if again := ByHouse(after, catalogue); again != nil {
				t.Error("what the house built it would build again")
			}
			// Another house takes out what it does without.
			after.Piece.House = piece.DefaultHouse()
			back := ByHouse(after, catalogue)
			if (back == nil) != (name == "as it comes") {
				t.Errorf("the usual house builds %+v", back)
			}
			if back != nil {
				plain, err := edit.Try(after.Piece, catalogue, back.Ops...)
				if err != nil {
					t.Fatal(err)
				}
				if l := parts(plain.Leading().Left); l != "crimp 1.3, ring, lobster" {
					t.Errorf("back in the usual house: %q", l)
				}
			}
		})
	}
}

func parts(e measure.End) string {
	var names []string
	for _, p := range e.Parts {
		if p.Material != nil {
			names = append(names, p.Material.ID)
		}
	}
	return strings.Join(names, ", ")
}

func TestAHeavyPieceGetsARingThatBearsIt(t *testing.T) {
	m := strand(t, func(*piece.House) {})
	m.MassG = 200
	rings := 0
	for _, s := range For(m, "", append(catalogue[:len(catalogue):len(catalogue)], fitting("stout", "brass", material.Finding{Type: material.JumpRing, Inside: 4, Wire: 1.2, Joint: "open"}))) {
		if s.Role != measure.RoleRing {
			continue
		}
		if rings++; s.Material.ID != "stout" {
			t.Errorf("%s is to bear 200 g", s.Material.ID)
		}
	}
	if rings != 2 {
		t.Errorf("%d rings are suggested, want 2", rings)
	}
}
