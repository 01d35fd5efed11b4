package solve_test

import (
	"context"
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/solve"
)

// A stretch bracelet of 22 rounds of 8 is brought to 190 mm, give or take 5.
func ExampleSolve() {
	bead, err := material.NewBead(material.Bead{Shape: material.Round, Across: 8, Hole: 1})
	if err != nil {
		panic(err)
	}
	line, err := pattern.Parse("22R")
	if err != nil {
		panic(err)
	}
	row := &piece.Row{ID: "r1", Line: line, Passes: 1, Cord: &material.Material{ID: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.7}}}
	m, err := measure.Measure(&piece.Piece{Kind: piece.Bracelet, House: piece.DefaultHouse(), Closure: piece.Closure{Type: piece.Knot},
		Palette:  map[string]*material.Material{"R": {ID: "round-8", Name: "Round", Class: material.ClassBead, Bead: bead}},
		Sections: []piece.Section{{Rows: []*piece.Row{row}}}})
	if err != nil {
		panic(err)
	}
	answer := solve.Solve(context.Background(), m, solve.Goal{Want: 190, Tolerance: 5}, solve.Rules{})
	best := answer.Proposals[0]
	fmt.Printf("from %.1f: %s, %.1f mm\n", float64(answer.Now), best.Line, float64(best.Value))
	// Output: from 174.6: 24R, 190.5 mm
}
