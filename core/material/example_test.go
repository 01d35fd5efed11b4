package material_test

import (
	"fmt"

	"mala/core/material"
)

// Two rounds of 8 with holes of 1 touch at the rims of their holes, and not at their poles.
func ExampleTouch() {
	round, err := material.NewBead(material.Bead{Shape: material.Round, Across: 8, Hole: 1})
	if err != nil {
		panic(err)
	}
	c, _ := material.Touch(round.Face(true), round.Face(false))
	fmt.Printf("%.3f mm apart, at %.1f mm from the cord\n", float64(c.Distance), c.Radius)
	// Output: 7.937 mm apart, at 0.5 mm from the cord
}

// Three cords of 0.5 lie in a triangle.
func ExampleHoleFor() {
	fmt.Printf("%.3f mm\n", float64(material.HoleFor(3, 0.5)))
	// Output: 1.077 mm
}
