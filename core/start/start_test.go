package start

import (
	"errors"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

func bead(id, name string, b material.Bead) *material.Material {
	made, err := material.NewBead(b)
	if err != nil {
		panic(err)
	}
	return &material.Material{ID: id, Name: name, Class: material.ClassBead, Bead: made}
}

func round(id, name string, across, hole length.MM) *material.Material {
	return bead(id, name, material.Bead{Shape: material.Round, Across: across, Hole: hole})
}

func cord(id string, typ material.CordType, diameter length.MM) *material.Material {
	return &material.Material{ID: id, Name: id, Class: material.ClassCord, Cord: &material.Cord{Type: typ, Diameter: diameter}}
}

func finding(id string, f material.Finding) *material.Material {
	return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Finding: &f}
}

func crimp(id string, inside length.MM) *material.Material {
	return finding(id, material.Finding{Type: material.CrimpTube, Inside: inside, Outside: inside + 0.6, Length: 2})
}

// shop has, of every sort, one that is wanted and others beside it.
func shop() []*material.Material {
	return []*material.Material{
		cord("wire-fine", material.Wire, 0.3), cord("wire", material.Wire, 0.38), cord("wire-thick", material.Wire, 0.5),
		cord("elastic-thin", material.Elastic, 0.5), cord("elastic", material.Elastic, 0.75), cord("elastic-thick", material.Elastic, 1),
		crimp("crimp-tight", 0.75), crimp("crimp", 1), crimp("crimp-wide", 1.5),
		finding("ring", material.Finding{Type: material.JumpRing, Inside: 3, Wire: 0.7}), finding("ring-wide", material.Finding{Type: material.JumpRing, Inside: 5, Wire: 0.7}),
		finding("ring-soldered", material.Finding{Type: material.JumpRing, Inside: 2, Wire: 0.7, Joint: "soldered"}),
		finding("lobster-long", material.Finding{Type: material.Lobster, Length: 14, Closed: 12}), finding("lobster", material.Finding{Type: material.Lobster, Length: 9, Closed: 8}),
		round("pearl-4", "Sea pearl", 4, 1), round("pearl-4-tight", "Tight pearl", 4, 0.7), round("stone-6", "Stone", 6, 1), round("pearl-3", "Pearl small", 3, 1),
		bead("barrel", "Barrel", material.Bead{Shape: material.Nugget, Across: 8, Along: 12, Hole: 2.5}),
		bead("barrel-wide", "Wide barrel", material.Bead{Shape: material.Nugget, Across: 12, Along: 12, Hole: 3}),
	}
}

func started(t *testing.T, kind piece.Kind, closure piece.ClosureType, shelf []*material.Material) *piece.Piece {
	t.Helper()
	p, err := New(kind, closure, 400, 3, nil, piece.DefaultHouse(), shelf)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func ids(list []piece.Fitting) string {
	var out []string
	for _, f := range list {
		out = append(out, f.Of.ID)
	}
	return strings.Join(out, " ")
}

func TestANecklaceStartsOnWireWithCrimpsAndAClasp(t *testing.T) {
	p := started(t, piece.Necklace, piece.Clasp, shop())
	row := p.Leading()
	if row.Cord.ID != "wire" || row.Line.String() != "{S}" || p.Palette["S"].ID != "pearl-4" {
		t.Errorf("%s on %s, %v", row.Line, row.Cord.ID, p.Palette)
	}
	if left, right := ids(row.Left), ids(row.Right); left != "crimp" || right != "crimp" {
		t.Errorf("it ends in %q and %q", left, right)
	}
	if left, right := ids(p.Closure.Left), ids(p.Closure.Right); left != "lobster ring" && left != "ring lobster" || right != "ring" {
		t.Errorf("it closes by %q and %q", left, right)
	}
	m, err := measure.Measure(p)
	if err != nil || m.Finished < 397 || m.Finished > 403 {
		t.Errorf("it measures %v, %v", m, err)
	}
	seen := map[piece.ID]bool{}
	for _, f := range slices.Concat(row.Left, row.Right, p.Closure.Left, p.Closure.Right) {
		if seen[f.ID] {
			t.Errorf("the id %s is there twice", f.ID)
		}
		seen[f.ID] = true
	}
}

func TestEachKindStartsWithABeadOfItsSize(t *testing.T) {
	for kind, want := range map[piece.Kind]string{piece.Necklace: "pearl-4", piece.Bracelet: "stone-6", piece.Anklet: "pearl-4"} {
		p := started(t, kind, piece.Clasp, shop())
		if got := p.Leading().Line.Nodes; len(got) == 0 || p.Palette[got[len(got)-1].Key()].ID != want {
			t.Errorf("a %s starts with %v", kind, p.Palette)
		}
	}
}

func TestARingStartsOnElasticWithABeadThatHidesItsKnot(t *testing.T) {
	p := started(t, piece.Bracelet, piece.Knot, shop())
	row := p.Leading()
	if row.Cord.ID != "elastic" || row.Line.String() != "B {S}" || p.Palette["B"].ID != "barrel" || p.Palette["S"].ID != "stone-6" {
		t.Errorf("%s on %s, %v", row.Line, row.Cord.ID, p.Palette)
	}
	if len(row.Left)+len(row.Right)+len(p.Closure.Left)+len(p.Closure.Right) != 0 {
		t.Error("a ring has no ends")
	}
	m, err := measure.Measure(p)
	if err != nil || m.Leading().Knot == nil || m.Leading().Knot.Bead != 0 {
		t.Errorf("the knot is not in the first bead: %v", err)
	}
	narrow := slices.DeleteFunc(shop(), func(m *material.Material) bool { return m.Bead != nil && m.Bead.Hole > 2 })
	if p = started(t, piece.Bracelet, piece.Knot, narrow); p.Leading().Line.String() != "{S}" {
		t.Errorf("with no bead for the knot it starts with %s", p.Leading().Line)
	}
}

func TestWhatTheShelfHasNotIsLeftOutOrSaid(t *testing.T) {
	only := func(class material.Class) []*material.Material {
		return slices.DeleteFunc(shop(), func(m *material.Material) bool { return m.Class != class })
	}
	_, err := New(piece.Necklace, piece.Knot, 400, 3, nil, piece.DefaultHouse(), only(material.ClassBead))
	var none *NoCord
	if !errors.As(err, &none) || none.Wanted != material.Elastic || !strings.Contains(err.Error(), "no elastic") {
		t.Errorf("without cord: %v", err)
	}
	p := started(t, piece.Necklace, piece.Clasp, only(material.ClassCord))
	if p.Leading().Line.Size(nil) != 0 || len(p.Closure.Left)+len(p.Leading().Left) != 0 {
		t.Errorf("of cord alone it has %s", p.Leading().Line)
	}
}

func TestAnotherClosureKeepsTheCordThatSuitsAndDropsWhatDoesNot(t *testing.T) {
	p := started(t, piece.Necklace, piece.Clasp, shop())
	slack := length.MM(2)
	p.Leading().Slack = &slack
	p.Leading().Cord = shop()[2]
	if err := Close(p, piece.Clasp, shop()); err != nil || p.Leading().Cord.ID != "wire-thick" || p.Leading().Slack == nil || ids(p.Leading().Left) != "crimp" {
		t.Errorf("%v: the clasp again, %s %v %s", err, p.Leading().Cord.ID, p.Leading().Slack, ids(p.Leading().Left))
	}
	if err := Close(p, piece.None, shop()); err != nil || p.Leading().Cord.ID != "elastic" || p.Leading().Slack != nil || p.Closure.Type != piece.None {
		t.Errorf("%v: %+v", err, p.Leading())
	}
}

func TestADishTakesTheFirstFreeLetterOfItsName(t *testing.T) {
	p := &piece.Piece{Palette: map[string]*material.Material{}}
	for _, want := range []string{"T", "S", "I", "D", "E", "O", "N", "A", "B"} {
		key := FreeKey(p, "Tide Stone, 6")
		if key != want && !strings.Contains("TSIDEONAB", key) {
			t.Errorf("it takes %s", key)
		}
		p.Palette[key] = &material.Material{}
	}
	if key := FreeKey(&piece.Piece{Palette: map[string]*material.Material{}}, "sea Pearl"); key != "P" {
		t.Errorf("a capital comes first, not %s", key)
	}
	for key := 'A'; key <= 'Z'; key++ {
		p.Palette[string(key)] = &material.Material{}
	}
	if key := FreeKey(p, "Pearl"); key != "Aa" {
		t.Errorf("with all letters taken it takes %s", key)
	}
	p.Palette["Aa"] = &material.Material{}
	if key := FreeKey(p, "Pearl"); key != "Ab" {
		t.Errorf("then %s", key)
	}
}

func TestWhatIsTiedStartsOnACordThatCanBeTiedWithALegAtEitherEnd(t *testing.T) {
	shelf := append(shop(), cord("waxed", material.Waxed, 1), cord("leather", material.Leather, 1.5))
	p := started(t, piece.Necklace, piece.Tied, shelf)
	row := p.Leading()
	if row.Cord.ID != "waxed" || row.LeftEnding.Way != piece.WayLeg || row.RightEnding.Leg != 120 || len(row.Left)+len(row.Right) != 0 {
		t.Errorf("%s, %+v", row.Cord.ID, row.LeftEnding)
	}
	if p.IsRing(row) || strings.Count(row.Line.String(), " ") != 0 {
		t.Errorf("it begins with a bead for a knot: %s", row.Line)
	}
	if err := Close(p, piece.Clasp, shelf); err != nil {
		t.Fatal(err)
	}
	if row.LeftEnding.Way != piece.WayFittings || row.Cord.Cord.Type != material.Wire {
		t.Errorf("closed by a clasp: %+v on %s", row.LeftEnding, row.Cord.ID)
	}
	row.Passes, row.LeftEnding = 2, piece.Ending{Way: piece.WayFold}
	row.Cord = cord("leather", material.Leather, 1.5)
	if err := Close(p, piece.Tied, shelf); err != nil || row.Passes != 1 || row.Cord.ID != "leather" {
		t.Errorf("a fold tied: %d passes on %s, %v", row.Passes, row.Cord.ID, err)
	}
	if err := Close(p, piece.Tied, nil); err != nil {
		t.Errorf("the cord that suits is kept: %v", err)
	}
	row.Cord = nil
	var none *NoCord
	if err := Close(p, piece.Tied, nil); !errors.As(err, &none) || none.Wanted != material.Waxed {
		t.Errorf("%v", err)
	}
}

// An ornament starts with a bead at its foot and a loop of its wire, both crimped.
func TestAnOrnamentStartsWithFootAndLoop(t *testing.T) {
	foot := round("foot", "Plumb", 13, 1)
	p := started(t, piece.Ornament, piece.Hung, append(shop(), foot, round("wide", "Wide", 20, 1), round("tight", "Tight", 12, 0.3)))
	row := p.Leading()
	if row.Cord.ID != "wire" || row.LeftEnding.Way != piece.WayFootBead || row.LeftEnding.Bead != foot || row.RightEnding.Way != piece.WayCordLoop || row.RightEnding.Girth != firstHang {
		t.Errorf("%s, %+v, %+v", row.Cord.ID, row.LeftEnding, row.RightEnding)
	}
	if len(row.Left) != 1 || row.Left[0].Of.ID != "crimp" || len(row.Right) != 1 || len(p.Closure.Left)+len(p.Closure.Right) > 0 || len(p.Check()) > 0 {
		t.Errorf("%+v, %v", row, p.Check())
	}
	none := started(t, piece.Ornament, piece.Hung, []*material.Material{cord("wire", material.Wire, 0.38), crimp("crimp", 1)})
	if none.Leading().LeftEnding.Way != piece.WayStopped {
		t.Errorf("%+v", none.Leading().LeftEnding)
	}
}
