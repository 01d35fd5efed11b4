package solve

import (
	"cmp"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"mala/core/check"
	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

func round(t testing.TB, id string, across length.MM) *material.Material {
	return testparts.Bead(t, id, material.Bead{Shape: material.Round, Across: across, Hole: 1}, 0.2)
}

// necklace is a strand on wire between a crimp and a ring at either end and a lobster.
func necklace(t testing.TB, line string, change ...func(p *piece.Piece)) *measure.Measured {
	t.Helper()
	finding := func(id string, f material.Finding) *material.Material {
		return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Metal: "brass", Finding: &f}
	}
	crimp, ring := finding("crimp", material.Finding{Type: material.CrimpTube, Inside: 0.9, Outside: 1.4, Length: 2}), finding("ring", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7})
	fit := func(id piece.ID, of *material.Material) piece.Fitting { return piece.Fitting{ID: id, Of: of} }
	row := &piece.Row{ID: "r1", Passes: 1, Line: testparts.Line(t, line), Cord: &material.Material{ID: "wire", Name: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}},
		Left: []piece.Fitting{fit("a", crimp)}, Right: []piece.Fitting{fit("b", crimp)}}
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse(), Sections: []piece.Section{{Rows: []*piece.Row{row}}},
		Closure: piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{fit("c", finding("lobster", material.Finding{Type: material.Lobster, Length: 10, Closed: 8.6})), fit("d", ring)}, Right: []piece.Fitting{fit("e", ring)}},
		Palette: map[string]*material.Material{"P": round(t, "pearl", 4), "S": testparts.Bead(t, "spacer", material.Bead{Shape: material.Spacer, Across: 3, Along: 1.5, Hole: 1}, 0.1), "G": round(t, "glass", 8), "T": round(t, "stone", 6)}}
	for _, c := range change {
		c(p)
	}
	if faults := p.Check(); len(faults) > 0 {
		t.Fatal(faults)
	}
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func to(want, tolerance float64) Goal {
	return Goal{Row: "r1", Want: length.MM(want), Tolerance: length.MM(tolerance)}
}

func solved(t testing.TB, m *measure.Measured, goal Goal, rules Rules) Answer {
	t.Helper()
	return Solve(t.Context(), m, goal, rules)
}

// Ten repeats come before one bead less and four spacers more in each.
func TestAWholeRepeatLessComesFirst(t *testing.T) {
	m := necklace(t, "11(2T S F S)", func(p *piece.Piece) { p.Palette["F"] = round(t, "fish", 7) })
	ten := necklace(t, "10(2T S F S)", func(p *piece.Piece) { p.Palette["F"] = round(t, "fish", 7) })
	a := solved(t, m, to(float64(ten.Finished), 1), Rules{})
	if len(a.Proposals) == 0 || a.Proposals[0].Line != "10(2T S F S)" || a.Proposals[0].Moved != 5 || math.Abs(float64(a.Proposals[0].Off)) > 0.5 {
		t.Fatalf("%+v", a.Proposals)
	}
	if says := changed(a.Proposals[0].Changes); len(says) != 1 || says[0] != "11(2T S F S) to 10(2T S F S)" {
		t.Errorf("%q", says)
	}
}

// choices is every combination of at most three settings of different knobs.
func choices(knobs []knob) [][]*setting {
	out := [][]*setting{nil}
	for i := range knobs {
		for _, c := range slices.Clone(out) {
			for k := range knobs[i].settings {
				if len(c) < mostChanges {
					out = append(out, append(slices.Clone(c), &knobs[i].settings[k]))
				}
			}
		}
	}
	return out[1:]
}

// brute measures every combination of the same moves, and gives the cheapest within the
// tolerance, the nearest of the same cost.
func brute(t *testing.T, m *measure.Measured, goal Goal, rules Rules) (best *Proposal, tried int) {
	t.Helper()
	task := newTask(t.Context(), m, goal, rules)
	task.gather()
	var found []Proposal
	for _, c := range choices(task.knobs) {
		w := way{at: c, cost: cost{changes: len(c)}}
		for i, s := range c {
			w.cost.tiers += int(s.tier)
			if s.meets(c[:i]) {
				w.at = nil
			}
		}
		if w.at == nil || w.toAndFro() || task.uneven(w.at) > mostUneven || w.unusual() && len(c) == mostChanges {
			continue
		}
		tried++
		ops := task.opsOf(&w)
		if ops == nil {
			continue
		}
		after, _, err := edit.Apply(m.Piece, rules.Shelf, ops...)
		if err != nil {
			continue
		}
		measured, err := measure.Measure(after)
		if err != nil || design.Symmetric(m.Leading()) && !design.Symmetric(measured.Leading()) || check.Worsens(task.before, check.All(measured)) {
			continue
		}
		value := measured.ForTarget
		if goal.Inside {
			value, _ = measured.Inside()
		}
		now := math.Abs(float64(task.now - goal.Want)) // what is right already is to come nearer
		if off := value - goal.Want; math.Abs(float64(off)) <= float64(goal.Tolerance) && (now > float64(goal.Tolerance) || math.Abs(float64(off)) < now-asNear) {
			found = append(found, Proposal{Value: value, Off: off, cost: w.cost})
		}
	}
	if len(found) == 0 {
		return nil, tried
	}
	p := slices.MinFunc(found, func(a, b Proposal) int {
		return cmp.Or(a.cost.less(b.cost), cmp.Compare(math.Abs(float64(a.Off)), math.Abs(float64(b.Off))))
	})
	return &p, tried
}

// On all small cases the best proposal is that of measuring every combination.
func TestTheBestIsThatOfEveryCombination(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 26))
	runs := 16
	if testing.Short() {
		runs = 5
	}
	solvedOnes := 0
	for range runs {
		key := func() string { return []string{"P", "S", "T"}[r.IntN(3)] }
		line := []string{
			fmt.Sprintf("<%d%s %d%s | G>", 1+r.IntN(5), key(), 1+r.IntN(6), key()), fmt.Sprintf("%d(%d%s %s)", 2+r.IntN(5), 1+r.IntN(3), key(), key()),
			fmt.Sprintf("%d%s G %d%s", 2+r.IntN(9), key(), 2+r.IntN(9), key()),
		}[r.IntN(3)]
		// Few moves, so that every combination can be measured: what is at the ends stays.
		few := func(p *piece.Piece) {
			p.Closure.Left, p.Closure.Right = p.Closure.Left[:1], nil
			delete(p.Palette, []string{"P", "S", "T"}[r.IntN(3)])
			for key := range p.Palette {
				if !strings.Contains(line, key) {
					delete(p.Palette, key)
				}
			}
			for _, key := range strings.Split("PSTG", "") {
				if strings.Contains(line, key) && p.Palette[key] == nil {
					p.Palette[key] = round(t, "put back "+key, 5)
				}
			}
		}
		m := necklace(t, line, few)
		goal := to(float64(m.Finished)+(r.Float64()-0.5)*24, 0.3+2*r.Float64())
		if inside, ok := m.Inside(); ok && r.IntN(3) == 0 {
			goal.Inside, goal.Want = true, inside+goal.Want-m.Finished
		}
		rules := Rules{Pins: []piece.Pin{{Letter: "G"}}}
		want, all := brute(t, m, goal, rules)
		got := solved(t, m, goal, rules)
		switch {
		case want == nil && len(got.Proposals) > 0 || want != nil && len(got.Proposals) == 0:
			t.Fatalf("%s to %v ± %v: %+v, by all %d combinations %+v", line, goal.Want, goal.Tolerance, got.Proposals, all, want)
		case want == nil:
			continue
		}
		solvedOnes++
		if p := got.Proposals[0]; p.cost != want.cost || math.Abs(math.Abs(float64(p.Off))-math.Abs(float64(want.Off))) > 1e-9 {
			t.Fatalf("%s to %v ± %v: %v at cost %v off %v; by all %d combinations cost %v off %v", line, goal.Want, goal.Tolerance, changed(p.Changes), p.cost, p.Off, all, want.cost, want.Off)
		}
		if all > 20000 && got.Tried*100 > all {
			t.Errorf("%s: %d measured of %d combinations", line, got.Tried, all)
		}
	}
	if solvedOnes < runs/2 {
		t.Errorf("only %d had a solution", solvedOnes)
	}
}
