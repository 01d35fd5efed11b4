package suggest

import (
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

// suggested is what is suggested in a role at a side, nil for nothing.
func suggested(all []Suggestion, role measure.Role, side piece.Side) *Suggestion {
	for i, s := range all {
		if s.Role == role && s.Side == side {
			return &all[i]
		}
	}
	return nil
}

// remeasured is the strand after a change to its piece.
func remeasured(t *testing.T, change func(p *piece.Piece)) *measure.Measured {
	t.Helper()
	p := strand(t, func(*piece.House) {}).Piece
	change(p)
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func TestWhatSuitsIsChosenByItsMeasures(t *testing.T) {
	cord := func(typ material.CordType, d length.MM) func(p *piece.Piece) {
		return func(p *piece.Piece) {
			p.Leading().Cord = &material.Material{ID: "c", Name: "c", Class: material.ClassCord, Cord: &material.Cord{Type: typ, Diameter: d}}
		}
	}
	shelf := append([]*material.Material{fitting("crimp stout", "brass", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 2.5, Length: 2}),
		fitting("fold 2", "brass", material.Finding{Type: material.FoldOver, Inside: 2, Length: 7, RingEye: 2}),
		fitting("fold 3", "brass", material.Finding{Type: material.FoldOver, Inside: 3, Length: 8, RingEye: 2})}, catalogue...)
	for _, tt := range []struct {
		name   string
		change func(p *piece.Piece)
		role   measure.Role
		side   piece.Side
		want   string // "" for nothing
		says   string
	}{
		{"wire of 0.38 is crimped", func(*piece.Piece) {}, measure.RoleCrimp, piece.Left, "crimp 1.3", "stays out of the 0.9 mm hole"},
		{"a wide hole takes a wide crimp", func(p *piece.Piece) { p.Palette["P"] = hole(t, 1.5) }, measure.RoleCrimp, piece.Right, "crimp stout", "out of the 1.5 mm hole"},
		{"no crimp stays out of so wide a hole", func(p *piece.Piece) { p.Palette["P"] = hole(t, 2.6) }, measure.RoleCrimp, piece.Right, "", ""},
		{"each end by its own bead, the left", ends(t, "P", "W"), measure.RoleCrimp, piece.Left, "crimp 1.3", "0.9 mm hole"},
		{"each end by its own bead, the right", ends(t, "P", "W"), measure.RoleCrimp, piece.Right, "crimp stout", "1.5 mm hole"},
		{"a house that presses flat takes crimp beads too", func(p *piece.Piece) { p.House.Crimp, p.Leading().Left = piece.CrimpFlat, put("l", 3) }, measure.RoleCrimp, piece.Left, "crimp bead", ""},
		{"a house that folds replaces them", func(p *piece.Piece) { p.Leading().Left = put("l", 3) }, measure.RoleCrimp, piece.Left, "crimp 1.3", ""},
		{"thread is tied", cord(material.Thread, 0.3), measure.RoleCrimp, piece.Left, "", ""},
		{"thread needs no guard", cord(material.Thread, 0.3), measure.RoleGuard, piece.Left, "", ""},
		{"leather is folded over", cord(material.Leather, 1.5), measure.RoleFold, piece.Left, "fold 2", "Its trough of 2 mm takes the cord's 1.5 mm"},
		{"thick leather in a wide trough", cord(material.Leather, 2.5), measure.RoleFold, piece.Right, "fold 3", ""},
		{"thicker leather in none", cord(material.Leather, 3.5), measure.RoleFold, piece.Right, "", ""},
		{"thread is not folded over", cord(material.Thread, 0.3), measure.RoleFold, piece.Left, "", ""},
		{"wire may have a guard", func(*piece.Piece) {}, measure.RoleGuard, piece.Right, "guard", "; the house method uses none"},
		{"a house with guards just says why", func(p *piece.Piece) { p.House.Guards = piece.GuardsSingle }, measure.RoleGuard, piece.Right, "guard", "through the wire, brass like the rest."},
		{"nothing to cover", func(*piece.Piece) {}, measure.RoleCover, piece.Left, "", ""},
		{"a crimp to cover", func(p *piece.Piece) { p.Leading().Left = put("l", 0) }, measure.RoleCover, piece.Left, "cover 3", "with a ball of 3 mm; the house method uses none"},
		{"a cover the house wants", func(p *piece.Piece) { p.Leading().Left, p.House.Covers = put("l", 0), piece.Yes }, measure.RoleCover, piece.Left, "cover 3", "with a ball of 3 mm, brass like the rest."},
		{"a soldered ring does not do", func(*piece.Piece) {}, measure.RoleRing, piece.Right, "ring", "It opens to take the clasp"},
		{"split rings by the house", func(p *piece.Piece) { p.House.Attach = piece.AttachSplit }, measure.RoleRing, piece.Right, "split", "does not pull open"},
		{"put on directly, the lobster needs no ring of its own", func(p *piece.Piece) { p.House.Attach = piece.AttachDirect }, measure.RoleRing, piece.Left, "", ""},
		{"but one to close into", func(p *piece.Piece) { p.House.Attach = piece.AttachDirect }, measure.RoleRing, piece.Right, "ring", ""},
		{"the clasp that is there", func(*piece.Piece) {}, measure.RoleClasp, "", "lobster", "It closes at 8.6 mm, brass like the rest."},
	} {
		all := For(remeasured(t, tt.change), "", shelf)
		got := suggested(all, tt.role, tt.side)
		switch {
		case tt.want == "" && got != nil:
			t.Errorf("%s: %s is suggested", tt.name, got.Material.ID)
		case tt.want != "" && (got == nil || got.Material.ID != tt.want || !strings.Contains(Reasoned(got), tt.says)):
			t.Errorf("%s: %+v, want %s because %q", tt.name, got, tt.want, tt.says)
		}
	}
}

func TestWhatIsThereIsKeptAndSaidToBe(t *testing.T) {
	m := remeasured(t, func(p *piece.Piece) { p.Leading().Left = put("l", 0) })
	if s := suggested(For(m, "", catalogue), measure.RoleCrimp, piece.Left); s == nil || !s.Has || s.Fix != nil {
		t.Errorf("%+v", s)
	}
	// One that does not do is replaced in its place.
	m = remeasured(t, func(p *piece.Piece) { p.Leading().Left = put("l", 2) })
	s := suggested(For(m, "", catalogue[:2]), measure.RoleCrimp, piece.Left)
	if s == nil || s.Has || s.Fix.Ops[0].(edit.SetFitting).At.Fitting != "l" {
		t.Errorf("%+v", s)
	}
}

func TestAPieceWithoutAClaspIsOfferedOne(t *testing.T) {
	bare := remeasured(t, func(p *piece.Piece) { p.Closure.Left = nil })
	shelf := append([]*material.Material{fitting("slide", "brass", material.Finding{Type: material.Slide, Closed: 9}),
		fitting("long", "brass", material.Finding{Type: material.Lobster, Closed: 15, Wire: 0.7})}, catalogue...)
	s := suggested(For(bare, "", shelf), measure.RoleClasp, "")
	if s == nil || s.Has || s.Material.ID != "lobster" || !s.Fix.Ops[0].(edit.AddFitting).Closure || s.Fix.Ops[0].(edit.AddFitting).At.Side != piece.Left {
		t.Fatalf("%+v", s)
	}
	after, err := edit.Try(bare.Piece, shelf, s.Fix.Ops...)
	if err != nil || len(after.Piece.Closure.Left) != 1 {
		t.Errorf("%v", err)
	}
	if s := suggested(For(bare, "", catalogue[:4]), measure.RoleClasp, ""); s != nil {
		t.Errorf("of crimps alone %s is suggested", s.Material.ID)
	}
	if For(remeasured(t, func(p *piece.Piece) { p.Closure = piece.Closure{Type: piece.Knot} }), "", shelf) != nil {
		t.Error("a ring is offered ends")
	}
}

func TestTheNearestMeasureCountsAndAnotherMetalCountsTwo(t *testing.T) {
	p := &picker{metal: "brass", shelf: []*material.Material{
		fitting("b 1", "Brass", material.Finding{Inside: 1}), fitting("b 4", "brass", material.Finding{Inside: 4}),
		fitting("s 2", "silver", material.Finding{Inside: 2}), fitting("s 3", "silver", material.Finding{Inside: 3}),
	}}
	for wanted, want := range map[length.MM]string{0: "b 1", 2.4: "b 1", 2.6: "b 4", 9: "b 4"} {
		got := p.best(func(*material.Finding) bool { return true }, func(f *material.Finding) length.MM { return f.Inside - wanted })
		if got.ID != want {
			t.Errorf("nearest to %v is %s, not %s", wanted, got.ID, want)
		}
	}
	p.metal = ""
	if got := p.best(func(*material.Finding) bool { return true }, func(f *material.Finding) length.MM { return f.Inside - 2.1 }); got.ID != "s 2" {
		t.Errorf("with no metal to keep to it is %s", got.ID)
	}
	if got := p.best(func(*material.Finding) bool { return false }, nil); got != nil {
		t.Errorf("of nothing it picks %s", got.ID)
	}
}

// hole is a pearl with such a hole.
func hole(t *testing.T, wide length.MM) *material.Material {
	t.Helper()
	return testparts.Bead(t, "wide", material.Bead{Shape: material.Round, Across: 4, Hole: wide}, 0)
}

// ends strings twenty pearls between these two.
func ends(t *testing.T, left, right string) func(p *piece.Piece) {
	return func(p *piece.Piece) {
		p.Palette["W"] = hole(t, 1.5)
		line := testparts.Line(t, left+" 20P "+right)
		p.Leading().Line = line
	}
}

func put(id string, which int) []piece.Fitting {
	return []piece.Fitting{{ID: piece.ID(id), Of: catalogue[which]}}
}
