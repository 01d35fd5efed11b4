package edit

import (
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// flatsBench is a row of P pearls, B and S flats with four holes, T with two.
func flatsBench(t *testing.T, line string) *piece.Piece {
	t.Helper()
	p := tiedBench(t, line)
	flat := func(id string, holes int) *material.Material {
		return testparts.Bead(t, id, material.Bead{Shape: material.Button, Across: 12, Along: 2, Hole: 1, Holes: holes, Apart: 3}, 0.3)
	}
	p.Palette["B"], p.Palette["S"], p.Palette["T"] = flat("big", 4), flat("small", 4), flat("two", 2)
	return p
}

func lacingOp(field, text string, mm ...length.MM) Op {
	f := Fields{Field: field, Text: text}
	if len(mm) > 0 {
		f.Length = &mm[0]
	}
	op, err := f.Op(setLacing)
	if err != nil {
		panic(err)
	}
	return op
}

func TestARowIsLacedAndStrungAgain(t *testing.T) {
	p := flatsBench(t, "4B 2S")
	crossed := applied(t, p, nil, lacingOp("way", "crossed"))
	row := crossed.Leading()
	if faults := crossed.Check(); len(faults) > 0 || row.Lacing.Way != piece.LacedCrossed || row.Passes != 2 || p.Leading().Lacing != nil {
		t.Fatalf("%v, %+v", faults, row)
	}
	if four := applied(t, crossed, nil, SetPasses{Passes: 4}, lacingOp("way", "crossed")); four.Leading().Passes != 4 {
		t.Errorf("%d cords", four.Leading().Passes)
	}
	for way, cords := range map[string]int{"diagonal": 1, "straight": 2} {
		if got := applied(t, crossed, nil, lacingOp("way", way)).Leading().Passes; got != cords {
			t.Errorf("%s: %d cords", way, got)
		}
	}
	looped := applied(t, crossed, nil, SetEndWay{At: crossed.Leading().AtEnd(piece.Left), Way: "cord-loop"}, lacingOp("way", "diagonal"))
	if looped.Leading().Passes != 2 {
		t.Errorf("the folded cord runs %d times", looped.Leading().Passes)
	}
	if two := applied(t, flatsBench(t, "4T"), nil, lacingOp("way", "straight")); two.Leading().Passes != 1 {
		t.Errorf("through two holes: %d cords", two.Leading().Passes)
	}
	pitched := applied(t, crossed, nil, lacingOp("overlap", "", 2), lacingOp("pitch", "", 16))
	lapped := applied(t, pitched, nil, lacingOp("overlap", "", 3), lacingOp("lie", "tilted"))
	touching := applied(t, lapped, nil, lacingOp("overlap", ""), lacingOp("lie", "layers"))
	for name, tt := range map[string]struct{ got, want piece.Lacing }{
		"pitched":  {*pitched.Leading().Lacing, piece.Lacing{Way: piece.LacedCrossed, Pitch: 16}},
		"lapped":   {*lapped.Leading().Lacing, piece.Lacing{Way: piece.LacedCrossed, Overlap: 3, Tilted: true}},
		"touching": {*touching.Leading().Lacing, piece.Lacing{Way: piece.LacedCrossed}},
	} {
		if tt.got.Pitch != tt.want.Pitch || tt.got.Overlap != tt.want.Overlap || tt.got.Tilted != tt.want.Tilted || tt.got.Way != tt.want.Way {
			t.Errorf("%s: %+v", name, tt.got)
		}
	}
	if strung := applied(t, lapped, nil, lacingOp("way", "")); strung.Leading().Lacing != nil {
		t.Error("still laced")
	}
	for says, op := range map[string]Op{
		"is no way to lace":         lacingOp("way", "plaited"),
		"tilted or in layers":       lacingOp("lie", "upright"),
		"has not two or four holes": lacingOp("top", "B P"),
		"There is no dish X":        lacingOp("top", "B X"),
	} {
		refuses(t, crossed, says, op)
	}
	refuses(t, p, "This row is strung", lacingOp("pitch", "", 16))
	refuses(t, flatsBench(t, "4B P"), "Column 4: ", lacingOp("way", "straight"))
	refuses(t, flatsBench(t, "4B T"), "has two holes: lace the row straight", lacingOp("way", "diagonal"))
	refuses(t, flatsBench(t, "B _3mm B"), "There are no gaps", lacingOp("way", "straight"), lacingOp("pitch", "", 20))
	riding := flatsBench(t, "4B")
	riding.Leading().Riders = testparts.Line(t, "2P")
	refuses(t, riding, "nothing slides over a laced one", lacingOp("way", "straight"))
	folded := crimpedRows(t, 2)
	rows := folded.Rows()
	folded = applied(t, folded, nil, SetFold{At: rows[1].At(), With: rows[0].ID})
	refuses(t, folded, "half of a folded cord", SetLacingWay{At: rows[1].At(), Way: "straight"})
}

// A smaller flat lies on those of a letter, follows it when letters change, and keeps its dish.
func TestASmallFlatLiesOnALargeOne(t *testing.T) {
	p := applied(t, flatsBench(t, "4B"), nil, lacingOp("way", "diagonal"), lacingOp("top", "B S"))
	if top := p.Leading().Lacing.Tops["B"]; top != "S" {
		t.Fatalf("%q on B", top)
	}
	other := applied(t, p, nil, lacingOp("top", "B"))
	if len(other.Leading().Lacing.Tops) != 0 || p.Leading().Lacing.Tops["B"] != "S" {
		t.Errorf("%v and %v", other.Leading().Lacing.Tops, p.Leading().Lacing.Tops)
	}
	relettered := applied(t, p, nil, Letter{Letters: "B S"})
	if tops := relettered.Leading().Lacing.Tops; tops["S"] != "B" || len(tops) != 1 {
		t.Errorf("%v", tops)
	}
	refuses(t, p, "still laced on another", RemoveDish{Letter: "S"})
	if after := applied(t, p, nil, RemoveDish{Letter: "T"}); after.Palette["T"] != nil {
		t.Error("a dish that is laced nowhere can go")
	}
}

func TestLacingsThatCannotBe(t *testing.T) {
	for says, change := range map[string]func(p *piece.Piece, r *piece.Row){
		"is no way to lace":                    func(_ *piece.Piece, r *piece.Row) { r.Lacing.Way = "plaited" },
		"not laced. Give it a cord":            func(_ *piece.Piece, r *piece.Row) { r.OfChain() },
		"Nothing slides over":                  func(_ *piece.Piece, r *piece.Row) { r.Riders = r.Line },
		"this row has 3":                       func(_ *piece.Piece, r *piece.Row) { r.Passes = 3 },
		"a pitch or an overlap":                func(_ *piece.Piece, r *piece.Row) { r.Lacing.Pitch, r.Lacing.Overlap = 9, 9 },
		"sections[0].rows[0].lacing.pitchMm":   func(_ *piece.Piece, r *piece.Row) { r.Lacing.Pitch = 0.49 },
		"sections[0].rows[0].lacing.overlapMm": func(_ *piece.Piece, r *piece.Row) { r.Lacing.Overlap = -1 },
		"both are letters":                     func(_ *piece.Piece, r *piece.Row) { r.Lacing.Tops = map[string]string{"B": "X"} },
		"has no two or four holes":             func(_ *piece.Piece, r *piece.Row) { r.Lacing.Tops = map[string]string{"B": "P"} },
	} {
		p := applied(t, flatsBench(t, "4B"), nil, lacingOp("way", "crossed"))
		change(p, p.Leading())
		if !faulted(p.Check(), says) {
			t.Errorf("%v, want %q", p.Check(), says)
		}
	}
}

func faulted(faults []piece.Fault, says string) bool {
	return slices.ContainsFunc(faults, func(f piece.Fault) bool { return strings.Contains(f.Where+" "+f.Says, says) })
}
