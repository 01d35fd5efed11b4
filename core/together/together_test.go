package together

import (
	"cmp"
	"context"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"mala/core/check"
	"mala/core/drape"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

// rows is a piece of a row for each line on two shared rings.
func rows(t testing.TB, kind piece.Kind, lines ...string) *measure.Measured {
	t.Helper()
	bead := func(b material.Bead) *material.Material {
		return testparts.Bead(t, string(b.Shape), b, 0.3)
	}
	finding := func(f material.Finding) *material.Material {
		return &material.Material{ID: string(f.Type), Name: string(f.Type), Class: material.ClassFinding, Finding: &f}
	}
	ring, crimp := finding(material.Finding{Type: material.JumpRing, Inside: 6, Wire: 1}), finding(material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2})
	p := &piece.Piece{Kind: kind, House: piece.DefaultHouse(), Palette: map[string]*material.Material{
		"B": bead(material.Bead{Shape: material.Round, Across: 16, Hole: 1}), "R": bead(material.Bead{Shape: material.Round, Across: 8, Hole: 1}), "O": bead(material.Bead{Shape: material.Oval, Across: 5, Along: 6, Hole: 1}),
		"C": bead(material.Bead{Shape: material.Cube, Across: 4, Along: 4, Hole: 1}), "S": bead(material.Bead{Shape: material.Spacer, Across: 3, Along: 1.2, Hole: 1})},
		Closure:  piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "c", Of: finding(material.Finding{Type: material.Lobster, Closed: 9})}, {ID: "l", Of: ring}}, Right: []piece.Fitting{{ID: "q", Of: ring}}},
		Sections: []piece.Section{{}}}
	for i, text := range lines {
		line := testparts.Line(t, text)
		id := string(rune('1' + i))
		p.Sections[0].Rows = append(p.Sections[0].Rows, &piece.Row{ID: piece.ID("r" + id), Passes: 1, Line: line,
			Cord: &material.Material{ID: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}},
			Left: []piece.Fitting{{ID: piece.ID("fl" + id), Of: crimp}}, Right: []piece.Fitting{{ID: piece.ID("fr" + id), Of: crimp}}})
	}
	return measured(t, p)
}

func measured(t testing.TB, p *piece.Piece) *measure.Measured {
	t.Helper()
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func taken(t testing.TB, m *measure.Measured, p Proposal) *measure.Measured {
	t.Helper()
	after, _, err := edit.Apply(m.Piece, nil, p.Ops...)
	if err != nil {
		t.Fatalf("%v: %v", p.Rows, err)
	}
	return measured(t, after)
}

// brute tries every choice of every row and gives those at which all lie within reach of each other,
// the cheapest first, of those the closest.
func brute(rows [][]option, within length.MM) []choice {
	var out []choice
	at := make([]int, len(rows))
	var try func(k int, sum cost, low, high length.MM)
	try = func(k int, sum cost, low, high length.MM) {
		if high-low >= within {
			return
		}
		if k == len(rows) {
			out = append(out, choice{slices.Clone(at), sum, max(0, high-low)})
			return
		}
		for i := range rows[k] {
			o := &rows[k][i]
			at[k] = i
			try(k+1, sum.plus(o.cost()), min(low, o.length), max(high, o.length))
		}
	}
	try(0, cost{}, length.MM(math.Inf(1)), length.MM(math.Inf(-1)))
	slices.SortStableFunc(out, func(a, b choice) int { return cmp.Or(a.cost.compare(b.cost), cmp.Compare(a.off, b.off)) })
	return out
}

// bruteClean is the first of them that brings no stop and no warning.
func bruteClean(task *task) (choice, bool) {
	for _, c := range brute(task.rows, task.within) {
		if p, comes := task.proposal(&c); p != nil && len(comes) == 0 {
			return c, true
		}
	}
	return choice{}, false
}

func TestTheCheapestChoiceIsFoundAsByTryingAll(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 1))
	for range 400 {
		task := &task{within: length.MM(0.5 + 4*r.Float64())}
		for range 2 + r.IntN(4) {
			row := []option{{length: length.MM(100 + 40*r.Float64()), exact: true}}
			for range r.IntN(7) {
				row = append(row, option{length: row[0].length + length.MM(30*r.Float64()-15), exact: true, tiers: 1 + r.IntN(3), changes: 1 + r.IntN(2), moved: r.IntN(4)})
			}
			task.rows = append(task.rows, row)
		}
		all := brute(task.rows, task.within)
		switch found := task.best(); {
		case len(found) == 0 && len(all) > 0:
			t.Fatalf("nothing found where %+v would do", all[0])
		case len(found) > 0 && (found[0].cost != all[0].cost || math.Abs(float64(found[0].off-all[0].off)) > 1e-9):
			t.Fatalf("found %+v, want %+v", found[0], all[0])
		}
	}
}

// On small pieces: what is proposed is what trying every option of every row gives,
// each measured, and taken it measures as it says.
func TestProposalsAreExactOnSmallPieces(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	units := []string{"<%dR | O>", "<%dC S %dO | R>", "%d(R S) R", "%dR", "<%dO |>", "<%dS %dC %dR | R>"}
	fill := func(unit string) string {
		out := ""
		for i := 0; i < len(unit); i++ {
			if unit[i] == '%' {
				out += string(rune('2' + r.IntN(7)))
				i++
				continue
			}
			out += string(unit[i])
		}
		return out
	}
	solved := 0
	for range 12 {
		m := rows(t, piece.Bracelet, fill(units[r.IntN(len(units))]), fill(units[r.IntN(len(units))]))
		task := &task{measured: m, goal: Equal, shift: offsets(m, Equal, 0), within: SmallestBead(m), before: check.All(m)}
		for k := range m.Strands {
			task.rows = append(task.rows, task.optionsOf(context.Background(), k, task.reach()))
			for i := range task.rows[k] {
				if o := &task.rows[k][i]; !o.exact && !task.measure(k, o) {
					o.length = length.MM(math.Inf(1))
				}
			}
		}
		best, ok := bruteClean(task)
		found := Propose(context.Background(), m, Equal, 0, nil).Proposals
		if len(found) == 0 {
			if ok {
				t.Errorf("nothing proposed where %+v would do", best)
			}
			continue
		}
		solved++
		after := taken(t, m, found[0])
		lengths := found[0].Lengths
		for k, s := range after.Strands {
			if math.Abs(float64(s.Finished()-lengths[k])) > 1e-6 {
				t.Errorf("row %d measures %v, it was to be %v", k+1, s.Finished(), lengths[k])
			}
		}
		spread := max(lengths[0], lengths[1]) - min(lengths[0], lengths[1])
		if spread >= task.within || math.Abs(float64(spread-found[0].Off)) > 1e-9 || found[0].Changes != best.cost.changes || math.Abs(float64(spread-best.off)) > 1e-6 {
			t.Errorf("%v: off %f with %d changes, want less than %v, %+v", found[0].Rows, float64(spread), found[0].Changes, task.within, best)
		}
	}
	if solved < 6 {
		t.Errorf("only %d solved", solved)
	}
}

func TestRowsAreBroughtToEvenSteps(t *testing.T) {
	m := rows(t, piece.Necklace, "<24R | O>", "<28R | O>", "<33R | O>")
	found := Propose(context.Background(), m, Step, 40, nil).Proposals
	if len(found) == 0 {
		t.Fatal("nothing proposed")
	}
	after := taken(t, m, found[0])
	for k := range after.Strands[1:] {
		step := after.Strands[k+1].Finished() - after.Strands[k].Finished()
		if math.Abs(float64(step-40)) >= 6 {
			t.Errorf("row %d is %v longer", k+2, step)
		}
		if follow := after.Strands[k+1].Row.Follow; follow != (piece.Follow{Rule: piece.Longer, Step: 40}) {
			t.Errorf("it follows by %+v", follow)
		}
	}
	if len(found) > 1 && found[1].Changes < found[0].Changes {
		t.Errorf("the fewest changes come first: %+v", found)
	}
}

// Rows of 8 on a neck of 360 with 50 of ease meet at the front at a step of 23.58, where they still
// lie on one another at the sides; at 25.7 they lie beside one another all the way.
func TestRowsAreBroughtToTouch(t *testing.T) {
	m := rows(t, piece.Necklace, "<26R | R>", "<29R | R>")
	if step := TouchingStep(m, 0, 0); math.Abs(float64(step-25.7)) > 0.2 {
		t.Errorf("they touch at a step of %v", step)
	}
	found := Propose(context.Background(), m, Touching, 0, nil).Proposals
	if len(found) == 0 {
		t.Fatal("nothing proposed")
	}
	after := taken(t, m, found[0])
	if gap := drape.Beside(after)[0].Gap; gap < 0 || gap > 8 {
		t.Errorf("%v leaves a gap of %v", found[0].Rows, gap)
	}
	for _, p := range check.All(after) {
		if p.Code == "rows-cross" {
			t.Errorf("%v: they cross", found[0].Rows)
		}
	}
	if follow := after.Strands[1].Row.Follow; follow.Rule != piece.Touching || follow.Step < 20 {
		t.Errorf("%+v", follow)
	}
	if wide := TouchingStep(rows(t, piece.Necklace, "<26R | B>", "<29R | R>"), 0, 0); wide < 26 {
		t.Errorf("below a wide bead they touch at a step of %v", wide)
	}
	flat := rows(t, piece.Bracelet, "<9R | R>", "<9R | R>")
	if step := TouchingStep(flat, 0, 0); step != 0 {
		t.Errorf("what lies flat touches at once, not at %v", step)
	}
}

func TestARowOfChainIsSizedByItsLinks(t *testing.T) {
	m := rows(t, piece.Bracelet, "20R", "20R")
	row := m.Piece.Rows()[1]
	row.OfChain()
	chain := &material.Material{ID: "chain", Name: "chain", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"}}
	row.Left, row.Right = []piece.Fitting{{ID: "cc", Of: chain, Links: 50}}, nil
	m.Piece.Pins = []piece.Pin{{Row: "r1"}}
	found := Propose(context.Background(), measured(t, m.Piece), Equal, 0, nil).Proposals
	if len(found) == 0 {
		t.Fatal("nothing proposed")
	}
	after := taken(t, m, found[0])
	if off := after.Strands[1].Finished() - after.Strands[0].Finished(); math.Abs(float64(off)) >= 8 || after.Piece.Rows()[1].Left[0].Links == 50 {
		t.Errorf("%v leaves %v", found[0].Rows, off)
	}
}

func TestWithinTheTargetIfItCanBe(t *testing.T) {
	m := rows(t, piece.Bracelet, "<9R | R>", "<10R | R>")
	m.Piece.Target = &piece.Target{Finished: m.Strands[1].Finished(), Tolerance: 3}
	found := Propose(context.Background(), measured(t, m.Piece), Equal, 0, nil).Proposals
	if len(found) == 0 || math.Abs(float64(found[0].Lengths[0]-m.Strands[1].Finished())) > 3 {
		t.Errorf("%+v", found)
	}
	alike := rows(t, piece.Bracelet, "20R", "20R", "20R")
	if found := Propose(context.Background(), alike, Equal, 0, nil).Proposals; len(found) != 1 || len(found[0].Rows) > 0 {
		t.Errorf("what lies right as it is is left so: %+v", found)
	}
	alone := rows(t, piece.Bracelet, "9R")
	if found := Propose(context.Background(), alone, Equal, 0, nil).Proposals; found != nil {
		t.Errorf("one row has nothing to agree with: %+v", found)
	}
	ended, cancel := context.WithCancel(context.Background())
	cancel()
	if found := Propose(ended, m, Equal, 0, nil).Proposals; found != nil {
		t.Error("it ends with its context")
	}
}

func BenchmarkFiveRowsOfTwoHundred(b *testing.B) {
	m := rows(b, piece.Necklace, "<9S 80C 11O | R>", "<12S 79C 10O | R>", "<20(3C 2S) | R>", "<98C S |>", "<50O 48C | S>")
	for b.Loop() {
		Propose(context.Background(), m, Step, 12, nil)
	}
}
