package graduate

import (
	"cmp"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

// strands are rows of rounds of 3 to 8 mm and a lantern of 10, each to a target of its own, on
// wire between a crimp at either end and a lobster.
func strands(t testing.TB, tolerance float64, targets ...float64) *measure.Measured {
	t.Helper()
	finding := func(id string, f material.Finding) *material.Material {
		return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Metal: "brass", Finding: &f}
	}
	crimp, ring := finding("crimp", material.Finding{Type: material.CrimpTube, Inside: 0.9, Outside: 1.4, Length: 2}), finding("ring", material.Finding{Type: material.JumpRing, Inside: 6, Wire: 0.7})
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse(), Palette: map[string]*material.Material{}, Target: &piece.Target{Finished: length.MM(targets[0]), Tolerance: length.MM(tolerance)},
		Closure: piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "c", Of: finding("lobster", material.Finding{Type: material.Lobster, Length: 10, Closed: 8.6})}, {ID: "d", Of: ring}}, Right: []piece.Fitting{{ID: "e", Of: ring}}}}
	for i, across := range []length.MM{3, 4, 5, 6, 8, 10} {
		p.Palette[string(rune('A'+i))] = testparts.Bead(t, fmt.Sprintf("round %g", float64(across)), material.Bead{Shape: material.Round, Across: across, Hole: 1}, 0.2)
	}
	var rows []*piece.Row
	for i, target := range targets {
		id := piece.ID(fmt.Sprint("r", i+1))
		fit := func(side string) []piece.Fitting { return []piece.Fitting{{ID: id + piece.ID(side), Of: crimp}} }
		row := &piece.Row{ID: id, Passes: 1, Line: testparts.Line(t, "9A"), Cord: &material.Material{ID: "wire", Name: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}, Left: fit("l"), Right: fit("r")}
		if i > 0 {
			row.Follow = piece.Follow{Rule: piece.Longer, Step: length.MM(target - targets[i-1])}
		}
		rows = append(rows, row)
	}
	p.Sections = []piece.Section{{Rows: rows}}
	if faults := p.Check(); len(faults) > 0 {
		t.Fatal(faults)
	}
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

// brute measures every count of up to this many, and gives the smoothest within the tolerance, of
// two alike the nearest.
func brute(t *testing.T, m *measure.Measured, asked Asked, most int) *found {
	ladder, why := ladderOf(m, &asked)
	if why != "" {
		return nil
	}
	rows, why := rowsOf(t.Context(), m, &asked, ladder)
	if why != "" {
		return nil
	}
	r := rows[0]
	var best *found
	off := func(f *found) float64 { return math.Abs(float64(f.value - r.target.Finished)) }
	counts := make(Counts, len(ladder))
	var add func(i int)
	add = func(i int) {
		if i == len(ladder) {
			value, err := r.value(counts)
			f := &found{slices.Clone(counts), value}
			if err == nil && r.within(value) && (best == nil || cmp.Or(cmp.Compare(counts.Rough(), best.counts.Rough()), cmp.Compare(off(f), off(best)-1e-9)) < 0) {
				best = f
			}
			return
		}
		for n := 1; n <= min(most, ladder[i].most); n++ {
			counts[i] = n
			add(i + 1)
		}
	}
	add(0)
	return best
}

// On small cases the smoothest is that of measuring every count: ladders of any sizes, targets,
// tolerances and stocks.
func TestTheSmoothestIsThatOfEveryCount(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 5))
	compared, none := 0, 0
	for range 90 {
		m := strands(t, []float64{0.2, 1, 3, 3}[r.IntN(4)], 70+math.Round(r.Float64()*90))
		asked := Asked{Rows: []piece.ID{"r1"}, Ladder: []string{"C", "E", "B"}[:2+r.IntN(2)], Most: 3}
		if r.IntN(2) == 0 {
			asked.Centre = []string{"E", "F"}[r.IntN(2)]
		}
		if r.IntN(2) == 0 {
			asked.Stock = map[string]int{"round 5": 2 + r.IntN(12), "round 8": 3 + r.IntN(12), "round 4": 2 + r.IntN(12), "round 10": 1}
		}
		a := Of(t.Context(), m, asked)
		want := brute(t, m, asked, 13)
		if want == nil {
			none++
			if len(a.Proposals) > 0 && (a.Proposals[0].Within || a.Why == "") {
				t.Errorf("%+v: %+v, though nothing lies within the tolerance", asked, a.Proposals[0])
			}
			continue
		}
		compared++
		if len(a.Proposals) == 0 || !a.Proposals[0].Within {
			t.Fatalf("%+v of %v: %+v, want %v", asked, m.Piece.Target, a, want)
		}
		got := a.Proposals[0].Rows[0]
		if got.Counts.Rough() != want.counts.Rough() || math.Abs(math.Abs(float64(got.Off))-math.Abs(float64(want.value-m.Piece.Target.Finished))) > 1e-6 {
			t.Errorf("%+v of %v: %v off by %v, want %v of %v", asked, m.Piece.Target, got.Counts, got.Off, want.counts, want.value)
		}
		for _, p := range a.Proposals[1:] {
			if p.Rows[0].Counts.Rough() < got.Counts.Rough() || !p.Within {
				t.Errorf("%v comes behind the rougher %v", p.Rows[0].Counts, got.Counts)
			}
		}
		if again, err := measure.ForTarget(a.Proposals[0].Measured.Piece, a.Proposals[0].Measured.Piece.Row("r1")); err != nil || again != got.Value || a.Proposals[0].Measured.Piece.Row("r1").Line.String() != got.Line {
			t.Errorf("%s is %v long, told %v (%v)", got.Line, again, got.Value, err)
		}
	}
	if compared < 40 || none < 5 {
		t.Errorf("compared %d, none %d", compared, none)
	}
}

// Sizes are strung by their diameter, whatever the order they are given in, and rise to the centre.
func TestSizesRiseToTheCentre(t *testing.T) {
	m := strands(t, 3, 450)
	a := Of(t.Context(), m, Asked{Rows: []piece.ID{"r1"}, Ladder: []string{"E", "A", "D", "C", "B"}, Centre: "F"})
	if len(a.Proposals) != 1 || a.Why != "" {
		t.Fatalf("%+v", a)
	}
	p := a.Proposals[0]
	if p.Rows[0].Counts.Rough() != 0 && p.Rows[0].Counts.Rough() > 4 {
		t.Errorf("%v", p.Rows[0].Counts)
	}
	beads, across := p.Measured.Leading().Beads, length.MM(0)
	for i := range beads[:len(beads)/2+1] {
		if b := beads[i].Material.Bead.Across; b < across {
			t.Fatalf("bead %d is smaller than the one before it: %s", i, p.Rows[0].Line)
		} else {
			across = b
		}
	}
	if across != 10 || !strings.HasSuffix(p.Rows[0].Line, "| F>") || len(p.Ops) != 1 {
		t.Errorf("%s", p.Rows[0].Line)
	}
}

// From a shorter row to a longer no size's count falls, unless the stock forces it.
func TestRowsAreGraduatedTogether(t *testing.T) {
	m := strands(t, 3, 400, 430, 470)
	asked := Asked{Rows: []piece.ID{"r3", "r1", "r2"}, Ladder: []string{"B", "C", "D", "E"}}
	a := Of(t.Context(), m, asked)
	if len(a.Proposals) != 1 || !a.Proposals[0].Within || a.Proposals[0].Forced || a.Why != "" {
		t.Fatalf("%+v", a)
	}
	rows := a.Proposals[0].Rows
	for k := 1; k < len(rows); k++ {
		for i := range rows[k].Counts {
			if rows[k].Counts[i] < rows[k-1].Counts[i] {
				t.Errorf("%v has fewer than the shorter %v", rows[k].Counts, rows[k-1].Counts)
			}
		}
	}
	if rows[0].ID != "r1" || rows[2].ID != "r3" {
		t.Errorf("the shortest first: %+v", rows)
	}
	asked.Stock = map[string]int{"round 4": 400, "round 5": 400, "round 6": 400, "round 8": 40}
	a = Of(t.Context(), m, asked)
	if len(a.Proposals) != 1 || !a.Proposals[0].Within {
		t.Fatalf("%+v", a)
	}
	sum := 0
	for _, row := range a.Proposals[0].Rows {
		sum += 2 * row.Counts[3]
	}
	if sum > 40 {
		t.Errorf("%d of 40 of the largest", sum)
	}
	asked.Stock["round 8"] = 5
	if a := Of(t.Context(), m, asked); len(a.Proposals) > 0 || !strings.Contains(a.Why, "too little of round 8 in stock: 5") {
		t.Errorf("%+v", a)
	}
	asked.Stock = map[string]int{"round 4": 30, "round 5": 30, "round 6": 30, "round 8": 30}
	if a := Of(t.Context(), m, asked); len(a.Proposals) > 0 && a.Proposals[0].Within {
		t.Errorf("120 beads are not three rows: %+v", a)
	}
}

func TestWhatCannotBeGraduatedIsSaid(t *testing.T) {
	for says, change := range map[string]func(m *measure.Measured, a *Asked){
		"at least two sizes": func(_ *measure.Measured, a *Asked) { a.Ladder = a.Ladder[:1] },
		"comes twice":        func(_ *measure.Measured, a *Asked) { a.Ladder = []string{"A", "A"} },
		"no dish Q":          func(_ *measure.Measured, a *Asked) { a.Ladder = []string{"A", "Q"} },
		"no dish Z":          func(_ *measure.Measured, a *Asked) { a.Centre = "Z" },
		"a way to face": func(m *measure.Measured, a *Asked) {
			m.Piece.Palette["B"] = testparts.Bead(t, "cap", material.Bead{Shape: material.Cap, Across: 6, Depth: 2, Wall: 0.3, Hole: 1, Facing: material.FacingForeAft}, 0)
		},
		"Set a target first":              func(m *measure.Measured, _ *Asked) { m.Piece.Target = nil },
		"Unpin it first":                  func(m *measure.Measured, _ *Asked) { m.Piece.Pins = []piece.Pin{{Letter: "A"}} },
		"longer than the target of 40 mm": func(m *measure.Measured, _ *Asked) { m.Piece.Target.Finished = 40 },
		"takes no beads":                  func(_ *measure.Measured, a *Asked) { a.Rows = []piece.ID{"r9"} },
	} {
		m := strands(t, 3, 400)
		asked := Asked{Rows: []piece.ID{"r1"}, Ladder: []string{"A", "B", "C"}, Unit: length.InMillimetres}
		change(m, &asked)
		if a := Of(t.Context(), m, asked); len(a.Proposals) > 0 || !strings.Contains(a.Why, says) {
			t.Errorf("%s: %+v", says, a)
		}
	}
}

func BenchmarkGraduate(b *testing.B) {
	m := strands(b, 1, 450, 500, 560)
	asked := Asked{Rows: []piece.ID{"r1", "r2", "r3"}, Ladder: []string{"A", "B", "C", "D", "E", "F"}, Most: 3}
	for b.Loop() {
		if a := Of(b.Context(), m, asked); len(a.Proposals) == 0 {
			b.Fatal(a.Why)
		}
	}
}
