package edit

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// crimpedRows are rows on wire between two rings, with a crimp at both ends.
func crimpedRows(t *testing.T, n int) *piece.Piece {
	t.Helper()
	p := tiedBench(t, "9P L")
	row := p.Leading()
	row.Cord = &material.Material{ID: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}
	row.Left, row.Right = []piece.Fitting{{ID: "f3", Of: row.Left[0].Of}}, []piece.Fitting{{ID: "f5", Of: row.Left[0].Of}}
	after := applied(t, p, nil, AddRow{Rows: n - 1})
	return after
}

func TestAWireIsFoldedIntoTwoRowsAndParted(t *testing.T) {
	p := crimpedRows(t, 3)
	rows := p.Rows()
	fold := SetFold{At: rows[1].At(), With: rows[0].ID}
	after := applied(t, p, nil, fold)
	a, b := after.Rows()[0], after.Rows()[1]
	if faults := after.Check(); len(faults) > 0 || b.FoldOf != a.ID || len(a.Left)+len(b.Left)+len(b.Right) > 0 || b.RightEnding.Way != piece.WayWith || len(a.Right) != 1 {
		t.Fatalf("%v, %+v and %+v", faults, a, b)
	}
	if after.FoldedWith(a) != b || after.FoldedWith(b) != a || after.FoldedWith(after.Rows()[2]) != nil {
		t.Error("each is the other's half")
	}
	own := func(name string, p *piece.Piece, ids ...piece.ID) {
		t.Helper()
		if faults := p.Check(); len(faults) > 0 {
			t.Errorf("%s: %v", name, faults)
		}
		for _, id := range ids {
			r := p.Row(id)
			if r == nil || r.FoldOf != "" || len(r.Left) != 1 || len(r.Right) != 1 || r.RightEnding.Way != piece.WayFittings {
				t.Errorf("%s: %+v", name, r)
			}
		}
	}
	parted := applied(t, after, nil, SetFold{At: b.At()})
	own("parted", parted, a.ID, b.ID)
	alone := applied(t, after, nil, RemoveRow{At: a.At()})
	own("without the first", alone, b.ID)
	copied, got, err := Apply(after, nil, AddRow{At: b.At()})
	if err != nil {
		t.Fatal(err, got)
	}
	own("copied", copied, copied.Rows()[2].ID)
	for says, op := range map[string]Op{
		"folded with another row already": SetFold{At: rows[2].At(), With: rows[0].ID},
		"Choose a row beside this one":    SetFold{At: rows[2].At(), With: "nobody"},
		"The fold of the cord lies":       MirrorRow{At: b.At()},
	} {
		refuses(t, after, says, op)
	}
}

// The fold lies through the widest bead that takes the cord, and ends by its fittings again
// when the cord is parted.
func TestTheFoldIsLedThroughABead(t *testing.T) {
	p := crimpedRows(t, 2)
	rows := p.Rows()
	fold := SetFold{At: rows[1].At(), With: rows[0].ID}
	through := SetEndWay{At: rows[0].AtEnd(piece.Left), Way: piece.WayFoldBead}
	two := applied(t, p, nil, fold, through)
	a := two.Rows()[0]
	if faults := two.Check(); len(faults) > 0 || a.LeftEnding.Bead != p.Palette["L"] || a.LeftEnding.Leg != usualNeck || a.Passes != 1 || len(a.Left)+len(two.Closure.Left) > 0 {
		t.Fatalf("%v, %+v", faults, a)
	}
	doubled := applied(t, p, nil, through)
	if r := doubled.Rows()[0]; r.Passes != 2 || len(doubled.Check()) > 0 {
		t.Errorf("%+v, %v", r, doubled.Check())
	}
	refuses(t, doubled, "runs twice", SetPasses{At: rows[0].At(), Passes: 1})
	refuses(t, two, "fold of the cord lies", MirrorRow{At: rows[0].At()})
	for name, op := range map[string]Op{"parted": SetFold{At: rows[1].At()}, "alone": RemoveRow{At: rows[1].At()},
		"copied": AddRow{At: rows[0].At(), Rows: 1}, "other way": SetEndWay{At: rows[0].AtEnd(piece.Left)}} {
		if faults := applied(t, two, nil, op).Check(); len(faults) > 0 {
			t.Errorf("%s: %v", name, faults)
		}
	}
	loop := applied(t, two, nil, SetEndWay{At: rows[0].AtEnd(piece.Right), Way: piece.WayLoop})
	if m, err := measure.Measure(loop); err != nil || m.Strands[0].Right.FindLoop().LoopGirth() < a.LeftEnding.Bead.Bead.AsButton().LoopFor() {
		t.Errorf("%+v, %v", m, err)
	}
}

// What a file says of folds is held to what can be.
func TestFoldsThatCannotBe(t *testing.T) {
	fold := func(change func(rows []*piece.Row)) []piece.Fault {
		p := crimpedRows(t, 3)
		folded := applied(t, p, nil, SetFold{At: p.Rows()[1].At(), With: p.Rows()[0].ID})
		change(folded.Rows())
		return folded.Check()
	}
	for says, change := range map[string]func(rows []*piece.Row){
		"no row beside this one":           func(rows []*piece.Row) { rows[1].FoldOf = "nobody" },
		"\"" + "r1" + "\" is no row":       func(rows []*piece.Row) { rows[2].FoldOf = rows[0].ID },
		"Both halves are of one cord":      func(rows []*piece.Row) { rows[0].Passes = 2 },
		"At the left lies the fold":        func(rows []*piece.Row) { rows[1].LeftEnding.Way = piece.WayHiddenKnot },
		"has no fittings of its own":       func(rows []*piece.Row) { rows[1].Right = rows[2].Right },
		"Only the second half of a folded": func(rows []*piece.Row) { rows[1].FoldOf = "" },
		"Name the bead":                    func(rows []*piece.Row) { rows[0].LeftEnding.Way = piece.WayFoldBead },
		"lies at the left end":             func(rows []*piece.Row) { rows[0].RightEnding.Way = piece.WayFoldBead },
		"The cord is not folded":           func(rows []*piece.Row) { rows[2].LeftEnding.Way = piece.WayFoldBead },
	} {
		faults := fold(change)
		if len(faults) == 0 || !strings.Contains(faults[0].Says, says) && !strings.Contains(faults[len(faults)-1].Says, says) {
			t.Errorf("%v, want %q", faults, says)
		}
	}
	if faults := fold(func([]*piece.Row) {}); len(faults) > 0 {
		t.Errorf("%v", faults)
	}
}
