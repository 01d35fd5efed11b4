package steps

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

// measured is this many rows of pearls on wire between crimps and rings.
func measured(t *testing.T, rows int, line string, change func(p *piece.Piece)) *measure.Measured {
	t.Helper()
	fitting := func(id, name string, f material.Finding) piece.Fitting {
		return piece.Fitting{ID: piece.ID(id), Of: &material.Material{ID: name, Name: name, Class: material.ClassFinding, Finding: &f}}
	}
	crimp := material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2}
	ring := material.Finding{Type: material.JumpRing, Inside: 5, Wire: 0.8}
	p := &piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(), Target: &piece.Target{Finished: 180, Tolerance: 3},
		Closure: piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{fitting("cl", "Lobster", material.Finding{Type: material.Lobster, Closed: 8}), fitting("rl", "Ring", ring)}, Right: []piece.Fitting{fitting("rr", "Ring", ring)}},
		Palette: map[string]*material.Material{"P": testparts.Bead(t, "Pearl", material.Bead{Shape: material.Round, Across: 8, Hole: 1.8}, 0), "S": testparts.Bead(t, "Seed", material.Bead{Shape: material.Seed, Across: 3, Along: 2, Hole: 1}, 0)}}
	section := piece.Section{}
	for i := range rows {
		section.Rows = append(section.Rows, &piece.Row{ID: piece.ID(fmt.Sprint("r", i+1)), Line: testparts.Line(t, line), Passes: 1,
			Cord: &material.Material{ID: "wire", Name: "Wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}},
			Left: []piece.Fitting{fitting(fmt.Sprint("fl", i), "Crimp", crimp)}, Right: []piece.Fitting{fitting(fmt.Sprint("fr", i), "Crimp", crimp)}})
	}
	p.Sections = []piece.Section{section}
	change(p)
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func ids(all []Step) []string {
	out := make([]string, len(all))
	for i, s := range all {
		out[i] = s.ID
	}
	return out
}

// Every step has an id of its own, names only steps before it, and rows do not wait for one another
// but where they are looked at together.
func TestStepsAreAPartialOrder(t *testing.T) {
	all := For(measured(t, 3, "20P", func(*piece.Piece) {}), Given{})
	at := map[string]int{}
	for i, s := range all {
		if _, twice := at[s.ID]; twice {
			t.Fatalf("two steps are %q", s.ID)
		}
		for _, before := range s.After {
			if j, known := at[before]; !known || j >= i {
				t.Errorf("%s waits for %s, which does not come before it", s.ID, before)
			}
			if other := all[at[before]]; s.Row > 0 && other.Row > 0 && other.Row != s.Row {
				t.Errorf("%s of row %d waits for row %d", s.ID, s.Row, other.Row)
			}
		}
		at[s.ID] = i
	}
	joint := all[at["gate:ends"]]
	if len(joint.After) != 3 {
		t.Errorf("before any end is made all three rows are strung: %v", joint.After)
	}
	for _, id := range []string{"r1:cut", "r2:crimp:left", "r3:crimp:right"} {
		if i, known := at[id]; !known || !all[i].Final {
			t.Errorf("%s cannot be undone: %v", id, ids(all))
		}
	}
	for _, id := range []string{"r1:string", "r1:hold", "gate:ends"} {
		if all[at[id]].Final {
			t.Errorf("%s can be undone", id)
		}
	}
}

// An id stays with its thing: a row that is put in, or a charm, changes that of no other step.
func TestIdsStayWithTheirThing(t *testing.T) {
	before := ids(For(measured(t, 2, "20P", func(*piece.Piece) {}), Given{}))
	after := ids(For(measured(t, 2, "9P 2S 11P", func(p *piece.Piece) { p.House.Crimp = piece.CrimpFlat }), Given{}))
	if strings.Join(before, " ") != strings.Join(after, " ") {
		t.Errorf("%v\n%v", before, after)
	}
	three := ids(For(measured(t, 3, "20P", func(*piece.Piece) {}), Given{}))
	for _, id := range before {
		if !slices.Contains(three, id) {
			t.Errorf("with a third row %s is gone", id)
		}
	}
}

// A run that is put in moves no tick but its own.
func TestRunsAreCarriedOver(t *testing.T) {
	runs := func(line string) []Run {
		for _, s := range For(measured(t, 1, line, func(*piece.Piece) {}), Given{}) {
			if d, is := s.Does.(String); is {
				return d.Runs
			}
		}
		t.Fatal("nothing is strung")
		return nil
	}
	// Materials differ between two pieces; here the first of them lends its own.
	pearl, seed := runs("P S")[0].Material, runs("P S")[1].Material
	lend := func(list []Run) []Run {
		for i := range list {
			if list[i].Key == "P" {
				list[i].Material = pearl
			} else {
				list[i].Material = seed
			}
		}
		return list
	}
	for _, tt := range []struct {
		before, after string
		want          []int
	}{
		{"5P S 5P", "5P S 5P", []int{0, 1, 2}},
		{"5P S 5P", "2S 5P S 5P", []int{-1, 0, 1, 2}},
		{"5P S 5P", "5P S 3P S 5P", []int{0, 1, -1, -1, 2}},
		{"5P S 5P", "6P S 5P", []int{0, 1, 2}},
		{"5P S 5P", "5P", []int{2}},
		{"5P S 4P", "5P", []int{0}},
	} {
		got := Carry(lend(runs(tt.before)), lend(runs(tt.after)))
		matched := func(list []int) int {
			n := 0
			for _, i := range list {
				if i >= 0 {
					n++
				}
			}
			return n
		}
		if len(got) != len(tt.want) || matched(got) != matched(tt.want) {
			t.Errorf("%s to %s: %v, want as many as %v", tt.before, tt.after, got, tt.want)
		}
		if tt.after != "5P S 3P S 5P" && tt.after != "5P" && fmt.Sprint(got) != fmt.Sprint(tt.want) {
			t.Errorf("%s to %s: %v, want %v", tt.before, tt.after, got, tt.want)
		}
	}
}

// What comes made is not made, what lies cut in a bag is not cut, and what the maker has is said.
func TestWhatIsGivenIsNotMadeAgain(t *testing.T) {
	drop := func(p *piece.Piece) {
		p.Palette["S"] = &material.Material{ID: "drop", Name: "Drop", Class: material.ClassComponent, Bead: p.Palette["S"].Bead,
			Component: &material.Component{Kind: material.BeadedBead, Parts: []material.PartCount{{Of: p.Palette["P"], Count: 3}}}}
	}
	has := func(given Given) (made, cut, own bool, long length.MM) {
		for _, s := range For(measured(t, 1, "5P S 5P", drop), given) {
			switch d := s.Does.(type) {
			case Make:
				made = true
			case Cut:
				cut, long = !d.InBag, d.Length
			case UseOwn:
				own = len(d.Of) == 1 && d.Of[0].ID == "wire"
			}
		}
		return made, cut, own, long
	}
	if made, cut, own, _ := has(Given{}); !made || !cut || own {
		t.Errorf("a workshop makes (%v) and cuts (%v) itself", made, cut)
	}
	made, cut, own, long := has(Given{Premade: map[string]bool{"drop": true}, Own: map[string]bool{"wire": true}, Cuts: map[piece.ID]length.MM{"r1": 500}})
	if made || cut || !own || long != 500 {
		t.Errorf("made %v, cut %v, own %v, %v long", made, cut, own, long)
	}
	spool := func(p *piece.Piece) { p.House.Stopper = piece.StopSpool }
	for _, s := range For(measured(t, 1, "20P", spool), Given{Cuts: map[piece.ID]length.MM{"r1": 400}}) {
		switch d := s.Does.(type) {
		case KeepOnSpool, CutFromSpool:
			t.Errorf("a cord in a bag is on no spool: %+v", d)
		case Hold:
			if d.By != piece.StopTape || d.Tip <= 0 {
				t.Errorf("%+v", d)
			}
		}
	}
}

// Only what a step says is done is work: a ring that the cord goes round is never opened, and every
// knot between beads is tied.
func TestWorkIsThatOfTheSteps(t *testing.T) {
	all := []Step{
		{Does: ThreadCrimp{}}, {Does: CloseCrimp{}}, {Does: CloseOverLegs{}}, {Does: PressAtTip{}}, {Does: HoldApart{Way: piece.HeldByCrimps, N: 6}},
		{Does: HoldApart{Way: piece.HeldByKnots, N: 15}}, {Does: HoldApart{Way: piece.HeldByFriction, N: 4}}, {Does: TieOn{}}, {Does: TieOn{Loop: true}}, {Does: Tie{}}, {Does: TieLeg{}}, {Does: TieTails{N: 2}}, {Does: TieRing{}}, {Does: LoopOfCord{}},
		{Does: Attach{Opens: JumpRing}}, {Does: Attach{Opens: SplitRing}}, {Does: Attach{}}, {Does: Gate{}},
	}
	if got, want := WorkOf(all), (Work{Crimps: 9, Knots: 23, Rings: 2}); got != want {
		t.Errorf("%+v, want %+v", got, want)
	}
}
