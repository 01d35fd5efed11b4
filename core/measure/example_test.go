package measure_test

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// ring is a stretch bracelet of 22 rounds of 8 on elastic of 0.7.
func ring() *piece.Piece {
	bead, err := material.NewBead(material.Bead{Shape: material.Round, Across: 8, Hole: 1})
	if err != nil {
		panic(err)
	}
	line, err := pattern.Parse("22R")
	if err != nil {
		panic(err)
	}
	row := &piece.Row{ID: "r1", Line: line, Passes: 1, Cord: &material.Material{ID: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.7}}}
	return &piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(), Closure: piece.Closure{Type: piece.Knot},
		Palette:  map[string]*material.Material{"R": {ID: "round-8", Name: "Round", Class: material.ClassBead, Bead: bead}},
		Sections: []piece.Section{{Rows: []*piece.Row{row}}}}
}

func ExampleMeasure() {
	m, err := measure.Measure(ring())
	if err != nil {
		panic(err)
	}
	inside, _ := m.Inside()
	s := m.Leading()
	fmt.Printf("strung %.2f, inside %.2f, cut to %.2f, at least %.2f\n", float64(s.Strung), float64(inside), float64(s.CutLength()), float64(s.LeastCut()))
	for _, item := range s.Cut() {
		fmt.Printf("%s: %.2f\n", item.What, float64(item.Length))
	}
	// Output:
	// strung 174.62, inside 151.44, cut to 324.62, at least 224.62
	// beads: 174.62
	// knot-tail: 75.00
	// knot-tail: 75.00
}
