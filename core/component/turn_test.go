package component

import (
	"fmt"
	"math"
	"testing"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// strandOf measures a band of the line on elastic.
func strandOf(t *testing.T, text string, palette map[string]*material.Material) *measure.Measured {
	t.Helper()
	cord := &material.Material{ID: "elastic", Name: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.5}}
	p := &piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(), Palette: palette, Closure: piece.Closure{Type: piece.Knot},
		Sections: []piece.Section{{Rows: []*piece.Row{{ID: "r1", Cord: cord, Line: line(t, text), Passes: 1}}}}}
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

// Each use of a dish of several takes the next, whichever item of the line it comes
// from, and what is taken is what is laid out and counted.
func TestADishOfSeveralTakesThemInTurn(t *testing.T) {
	b := newBench(t)
	palette := b.palette()
	charm := made(t, Plan{Kind: material.CharmOnRings, Rings: []*material.Material{b.ring}, Below: []*material.Material{b.charm}})
	turn := made(t, Plan{Kind: material.InTurn, Turn: []*material.Material{b.seed, charm, b.drop}})
	palette["K"], palette["H"] = turn, charm
	m := strandOf(t, "2P K 3(P K) 2K P", palette)
	var got []string
	for _, bead := range m.Leading().Beads {
		if bead.Key == "K" {
			got = append(got, bead.Material.ID)
		}
	}
	if fmt.Sprint(got) != "[seed it drop seed it drop]" {
		t.Errorf("taken %v", got)
	}
	plain := strandOf(t, "2P S P H P D P S H D P", palette)
	if math.Abs(float64(m.Leading().Strung-plain.Leading().Strung)) > 1e-9 {
		t.Errorf("it measures %v, written out %v", m.Leading().Strung, plain.Leading().Strung)
	}
	counts := map[string]int{}
	for _, c := range m.Bought() {
		counts[c.Material.ID] += c.Count
	}
	if counts["seed"] != 2 || counts["drop"] != 2 || counts["ring"] != 2 || counts["charm"] != 2 {
		t.Errorf("counted %v", counts)
	}
	if math.Abs(m.MassG-plain.MassG) > 1e-9 {
		t.Errorf("weighs %v, written out %v", m.MassG, plain.MassG)
	}
	// 1.5, then 4: a length filled in turn takes them as they come.
	two := made(t, Plan{Kind: material.InTurn, Turn: []*material.Material{b.seed, b.pearl}})
	palette["K"] = two
	filled := strandOf(t, "12P {20mm: K}", palette)
	written := strandOf(t, "12P 4(S P)", palette)
	if len(filled.Leading().Beads) != 20 || math.Abs(float64(filled.Leading().Strung-written.Leading().Strung)) > 1e-9 {
		t.Errorf("20 mm filled in turn: %d beads, %v; written out %v", len(filled.Leading().Beads), filled.Leading().Strung, written.Leading().Strung)
	}
}

func TestWhatCanBeTakenInTurn(t *testing.T) {
	b := newBench(t)
	turn := made(t, Plan{Kind: material.InTurn, Turn: []*material.Material{b.charm, b.pearl}})
	if turn.Hangs() || len(turn.Component.Seats) != 2 || turn.Component.Seats[1].X <= 0 {
		t.Errorf("a dish of several hangs, or is drawn as %+v", turn.Component.Seats)
	}
	for name, list := range map[string][]*material.Material{"one": {b.pearl}, "a dish of several": {b.pearl, turn}, "a cord": {b.pearl, b.silk}, "a ring": {b.ring, b.pearl}} {
		if _, err := Make("set", "Set", Plan{Kind: material.InTurn, Turn: list}); err == nil {
			t.Errorf("%s was taken in turn", name)
		}
	}
	if _, err := Make("it", "It", Plan{Kind: material.Pendant, Rings: []*material.Material{b.ring}, Below: []*material.Material{turn}}); err == nil {
		t.Error("a dish of several was hung below a ring")
	}
}
