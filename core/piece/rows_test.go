package piece

import (
	"slices"
	"testing"

	"mala/core/length"
	"mala/core/material"
)

// withRows is a piece of this many rows on a clasp of this many holes.
func withRows(n, holes int) *Piece {
	p := strand()
	slide := finding(material.Slide)
	slide.Finding.Holes, slide.Finding.Spacing = holes, 4
	p.Closure.Left = []Fitting{{ID: "c1", Of: slide}}
	for i := 1; i < n; i++ {
		row := *p.Leading()
		row.ID, row.Left = p.NewRow(), nil
		p.Sections[0].Rows = append(p.Sections[0].Rows, &row)
	}
	return p
}

func TestRowsGoInHolesInTheirOrderUntilSomebodySays(t *testing.T) {
	p := withRows(3, 4)
	if faults := p.Check(); len(faults) > 0 {
		t.Fatal(faults)
	}
	rows := p.Rows()
	for _, side := range Sides() {
		for i, r := range rows {
			if got := p.Hole(r, side); got != i+1 {
				t.Errorf("row %d is in hole %d at the %s", i+1, got, side)
			}
		}
		if got := p.EmptyHoles("c1", side); !slices.Equal(got, []int{4}) {
			t.Errorf("empty at the %s: %v", side, got)
		}
	}
	rows[2].LeftPort.Hole = 4
	if got := p.EmptyHoles("c1", Left); !slices.Equal(got, []int{3}) || p.Hole(rows[2], Right) != 3 {
		t.Errorf("empty %v", got)
	}
	if p.Spacing(Left) != 4 || p.Spacing(Right) != 4 {
		t.Errorf("spaced %v", p.Spacing(Right))
	}
}

func TestWhatRowsCannotGoOnIsNamed(t *testing.T) {
	for where, spoil := range map[string]func(p *Piece){
		"sections[0].rows[1].leftPort.hole":  func(p *Piece) { p.Rows()[1].LeftPort.Hole = 1 },
		"sections[0].rows[2].rightPort.hole": func(p *Piece) { p.Rows()[2].RightPort.Hole = 5 },
		"sections[0].rows[0].leftPort.on":    func(p *Piece) { p.Rows()[0].LeftPort.On = "moon" },
		"sections[0].rows[2].follow":         func(p *Piece) { p.Rows()[2].Follow.Rule = "shorter" },
		"sections[0].rows[1].followMm":       func(p *Piece) { p.Rows()[1].Follow = Follow{Longer, 2001} },
		"sections[0].rows[0].follow":         func(p *Piece) { p.Rows()[0].Follow = Follow{Longer, 5} },
		"closure.type":                       func(p *Piece) { p.Closure = Closure{Type: Tied} },
		"closure.left[0]": func(p *Piece) {
			connector := finding(material.Connector)
			p.Closure.Left = []Fitting{{ID: "k1", Of: connector}, {ID: "c1", Of: finding(material.Lobster)}}
		},
	} {
		p := withRows(3, 4)
		spoil(p)
		if got := p.Check(); len(got) != 1 || got[0].Where != where {
			t.Errorf("%s: %v", where, got)
		}
	}
	five := withRows(5, 4)
	if got := five.Check(); len(got) != 2 || got[0].Where != "sections[0].rows[4].leftPort.hole" {
		t.Errorf("a fifth row in four holes: %v", got)
	}
	one := withRows(2, 1)
	if one.Rows()[1].LeftPort.Hole = 2; len(one.Check()) != 1 {
		t.Errorf("a second hole where there is one eye: %v", one.Check())
	}
	for n, want := range map[int]int{20: 0, 21: 1} {
		if got := withRows(n, 1).Check(); len(got) != want {
			t.Errorf("%d rows: %v", n, got)
		}
	}
}

func TestEachRowFollowsTheOneBefore(t *testing.T) {
	p := withRows(6, 1)
	p.Target = &Target{Finished: 400, Tolerance: 2}
	rows := p.Rows()
	rows[1].Follow, rows[2].Follow, rows[3].Follow = Follow{Longer, 30}, Follow{Rule: Equal}, Follow{Touching, 23.5}
	rows[5].Follow = Follow{Rule: Equal}
	for i, want := range []length.MM{400, 430, 430, 453.5, 0, 453.5} {
		got := p.TargetOf(rows[i])
		if want == 0 && got != nil || want > 0 && (got == nil || got.Finished != want || got.Tolerance != 2) {
			t.Errorf("row %d: %v, want %v", i+1, got, want)
		}
	}
	rows[1].Follow = Follow{Own, 520}
	for i, want := range []length.MM{400, 520, 520, 543.5} {
		if got := p.TargetOf(rows[i]); got == nil || got.Finished != want {
			t.Errorf("row %d, with a length of its own before it: %v, want %v", i+1, got, want)
		}
	}
	p.Target = nil
	if got := p.TargetOf(rows[1]); got == nil || *got != (Target{520, StandardTolerance}) || p.TargetOf(rows[2]) != nil {
		t.Errorf("a length of its own without a target: %v", got)
	}
	if p.TargetOf(rows[0]) != nil {
		t.Error("without a target nothing is asked")
	}
	if p.TargetOf(&Row{}) != nil || p.Number("none") != 0 || p.Number(rows[2].ID) != 3 {
		t.Error("what is no row of it")
	}
}

func TestARowOfChainHasChainAndNothingThatGripsACord(t *testing.T) {
	for where, spoil := range map[string]func(r *Row){
		"":                             func(*Row) {},
		"sections[0].rows[1].cord":     func(r *Row) { r.Left = nil },
		"sections[0].rows[1].left[1]":  func(r *Row) { r.Left = append(r.Left, Fitting{ID: "x", Of: finding(material.CrimpTube)}) },
		"sections[0].rows[1].right[0]": func(r *Row) { r.Right = []Fitting{{ID: "x", Of: finding(material.WireGuard)}} },
		"sections[0].rows[1].leftEnd":  func(r *Row) { r.LeftEnding.Way = WayHiddenKnot },
	} {
		p := withRows(2, 1)
		row := p.Rows()[1]
		row.OfChain()
		row.Left = []Fitting{{ID: "c9", Of: finding(material.Chain), Links: 30}}
		spoil(row)
		got := p.Check()
		if where == "" && len(got) > 0 || where != "" && (len(got) != 1 || got[0].Where != where) {
			t.Errorf("%s: %v", where, got)
		}
		if row.Corded() || !p.Leading().Corded() || p.Leading().Chain() != nil {
			t.Error("one row has a cord")
		}
	}
}
