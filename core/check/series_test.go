package check

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// anySeries is a piece of up to four sections, joined by rings, bars and beads, its rows
// in any holes, longer or shorter than one another.
func anySeries(t *testing.T, r *rand.Rand) *piece.Piece {
	t.Helper()
	bar := func(k int) *material.Material {
		return finding(fmt.Sprint("bar ", k), "", material.Finding{Type: material.Connector, Length: 6, Wire: 0.9, Holes: k, Spacing: 6})
	}
	ball := testparts.Bead(t, "ball", material.Bead{Shape: material.Round, Across: 14, Hole: 2.5}, 0)
	var lines []string
	for range 1 + r.IntN(4) {
		lines = append(lines, []string{"<%dP | T>", "%dR T", "%dP T P", "<%dR |>"}[r.IntN(4)])
	}
	for i := range lines {
		lines[i] = fmt.Sprintf(lines[i], 3+r.IntN(40))
	}
	p := rowsOf(t, lines, func(p *piece.Piece, _ *piece.Row) {
		p.Target = &piece.Target{Finished: length.MM(250 + 300*r.Float64()), Tolerance: 4}
	})
	if r.IntN(2) == 0 {
		inHoles(5)(p, p.Leading())
	}
	for range r.IntN(4) {
		rows := p.Rows()
		ops := []edit.Op{edit.AddSection{At: rows[r.IntN(len(rows))].At(), Join: []*material.Material{bigRing, bar(4), bar(5), ball}[r.IntN(4)]}}
		for range r.IntN(3) {
			ops = append(ops, edit.AddRow{At: rows[r.IntN(len(rows))].At(), Rows: 1 + r.IntN(len(rows))},
				[]edit.Op{edit.RemoveSection{At: rows[r.IntN(len(rows))].At()}, edit.SetTwist{At: rows[r.IntN(len(rows))].At()}}[r.IntN(2)],
				edit.MirrorRow{At: rows[r.IntN(len(rows))].At()},
				edit.SetPort{At: rows[r.IntN(len(rows))].AtEnd(piece.Sides()[r.IntN(2)]), Hole: 1 + r.IntN(4)})
		}
		for _, op := range ops {
			if after, _, err := edit.Apply(p, nil, op); err == nil && len(after.Check()) == 0 {
				p = after
			}
		}
	}
	return p
}

// Whatever a series is, every finding names rows that it has, and its fix leaves a
// well-formed piece without it.
func TestAnySeriesIsJudged(t *testing.T) {
	r := rand.New(rand.NewPCG(26, 11))
	sections, codes := 0, map[string]int{}
	for range 60 {
		p := anySeries(t, r)
		for _, row := range p.Rows() {
			for _, side := range piece.Sides() {
				if j := p.JoinAt(row, side); j != nil && j.Through() && len(*p.End(row, side, false)) > 0 {
					t.Errorf("%s ends at its %s, where its cord runs on", row.ID, side)
				}
			}
		}
		if len(p.Sections) > 1 {
			sections++
		}
		for _, f := range all(t, p) {
			codes[f.Code]++
			if f.Code == "end-unheld" {
				t.Errorf("%v: %s", f.At, spoken(f))
			}
			if ofRows := "row-order steps-uneven centres-differ rows-cross rows-gape"; strings.Contains(ofRows, f.Code) && codes[f.Code] < 10 {
				if fix, after := fixed(t, p, f.Code); fix != nil && len(after.Check()) > 0 {
					t.Errorf("%s leaves %v", spoken(fix), after.Check())
				}
			}
			if f.At.Row != "" && p.Row(f.At.Row) == nil {
				t.Errorf("%s is at row %q", f.Code, f.At.Row)
			}
			for n := len(p.Rows()) + 1; n < 30; n++ {
				if strings.Contains(spoken(f)+" ", fmt.Sprintf("row %d ", n)) || strings.Contains(spoken(f), fmt.Sprintf("Row %d ", n)) {
					t.Errorf("of %d rows: %s", len(p.Rows()), spoken(f))
				}
			}
		}
	}
	if sections < 25 || codes["row-order"] == 0 || codes["hole-empty"] == 0 || codes["length-off"] == 0 {
		t.Errorf("%d of several sections; found %v", sections, codes)
	}
}
