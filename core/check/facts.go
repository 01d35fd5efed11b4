package check

import (
	"mala/core/material"
	"mala/core/measure"
)

// Fact is what is wrong, as a value with its figures: every kind is a type of its own, beside the
// check that finds it. The sentences stand in words.
type Fact interface{ fact() }

// Effect is one thing that a fix does, as a value.
type Effect interface{ effect() }

// What fixes of several checks do.
type (
	PutBead struct {
		Bead *material.Material
		At   Where
	}
	UseInstead struct {
		Of  *material.Material
		Buy bool // there is none in stock
	}
	StringOn struct{ Cord *material.Material }
)

// What suggestions for the ends do, beside what fixes do.
type (
	Use          struct{ Of *material.Material }
	DrawKnotIn   struct{} // into the last bead
	BuildByHouse struct{} // both ends
)

// Where is where a fix puts a bead.
type Where string

// The places.
const (
	Between      Where = "between"
	OnEitherSide Where = "on-either-side"
	BesideBar    Where = "beside-bar"
	AtJoin       Where = "at-join"
	OnLeg        Where = "on-leg"
	There        Where = "there" // where one is missing
)

// numberOf is the number of a row among several, 0 where there is one.
func (v *View) numberOf(s *measure.Strand) int {
	if !v.Piece.Several() {
		return 0
	}
	return v.Piece.Number(s.Row.ID)
}

// number is the number among all rows of the k-th of those that are judged together.
func (v *View) number(k int) int { return v.Piece.Number(v.Main()[k].Row.ID) }

func (PutBead) effect()      {}
func (UseInstead) effect()   {}
func (Use) effect()          {}
func (DrawKnotIn) effect()   {}
func (BuildByHouse) effect() {}
func (StringOn) effect()     {}
