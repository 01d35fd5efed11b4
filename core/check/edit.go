package check

import (
	"maps"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// Edit changes some fields of a piece of one row; a nil or false one stays as it
// is.
type Edit struct {
	Line       *string
	Cord       *material.Material
	Dish       *Dish // a dish to set out first
	Tail       *string
	KnotPlace  *string
	Target     *length.MM
	Ends       *Ends
	HouseSlack bool // the slack follows the house again
	Uncut      bool // a new cord is cut
}

// Dish gives a bead a letter.
type Dish struct {
	Key      string
	Material *material.Material
}

// Ends is all that ends and closes a strand: the row's fittings from the strand
// outwards, the closure's from the outside in.
type Ends struct {
	Left, Right               []*material.Material
	ClosureLeft, ClosureRight []*material.Material
}

// EndsOf gives the ends as they are, in lists of their own.
func EndsOf(p *piece.Piece) Ends {
	own := func(list []*material.Material) []*material.Material { return append([]*material.Material{}, list...) }
	row := p.Sections[0].Rows[0]
	return Ends{own(row.Left), own(row.Right), own(p.Closure.Left), own(p.Closure.Right)}
}

// Side gives the two lists of an end.
func (e *Ends) Side(end string) (row, closure *[]*material.Material) {
	if end == "right" {
		return &e.Right, &e.ClosureRight
	}
	return &e.Left, &e.ClosureLeft
}

// Swap puts one fitting in the place of another at one end, or at both if end is
// empty.
func (e *Ends) Swap(end string, from, to *material.Material) {
	for _, side := range []string{"left", "right"} {
		if end != "" && side != end {
			continue
		}
		row, closure := e.Side(side)
		for _, list := range []*[]*material.Material{row, closure} {
			for i, m := range *list {
				if m == from {
					(*list)[i] = to
				}
			}
		}
	}
}

// Try measures the piece as it would be after the edit, leaving it untouched.
func (e Edit) Try(p *piece.Piece) (*measure.Measured, error) {
	after, err := e.on(p)
	if err != nil {
		return nil, err
	}
	return measure.Measure(after)
}

// on gives the piece as it would be after the edit.
func (e Edit) on(p *piece.Piece) (*piece.Piece, error) {
	after := *p
	row := p.Sections[0].Rows[0]
	if e.Dish != nil {
		after.Palette = maps.Clone(p.Palette)
		after.Palette[e.Dish.Key] = e.Dish.Material
	}
	if e.Line != nil {
		line, err := pattern.Parse(*e.Line)
		if err != nil {
			return nil, err
		}
		row.Line = line
	}
	if e.Cord != nil {
		row.Cord = e.Cord
	}
	if e.Tail != nil {
		after.House.Tail = *e.Tail
	}
	if e.KnotPlace != nil {
		after.House.KnotPlace = *e.KnotPlace
	}
	if e.Target != nil && p.Target != nil {
		after.Target = &piece.Target{Finished: *e.Target, Tolerance: p.Target.Tolerance}
	}
	if e.HouseSlack {
		row.Slack = nil
	}
	if e.Uncut {
		row.Cut = nil
	}
	if e.Ends != nil {
		row.Left, row.Right = e.Ends.Left, e.Ends.Right
		after.Closure.Left, after.Closure.Right = e.Ends.ClosureLeft, e.Ends.ClosureRight
	}
	after.Sections = []piece.Section{{Rows: []piece.Row{row}}}
	return &after, nil
}
