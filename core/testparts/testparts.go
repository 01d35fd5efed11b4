// Package testparts makes the beads and lines that tests of several rooms string, and ends a
// test whose own parts are faulty.
package testparts

import (
	"testing"

	"mala/core/material"
	"mala/core/pattern"
)

// Bead is a bead whose id is also its name, weighing this many grams.
func Bead(t testing.TB, id string, b material.Bead, grams float64) *material.Material {
	t.Helper()
	made, err := material.NewBead(b)
	if err != nil {
		t.Fatal(err)
	}
	return &material.Material{ID: id, Name: id, Class: material.ClassBead, Bead: made, MassG: grams}
}

// Line reads a sequence.
func Line(t testing.TB, text string) *pattern.Line {
	t.Helper()
	line, err := pattern.Parse(text)
	if err != nil {
		t.Fatal(err)
	}
	return line
}
