package piece

import (
	"fmt"
	"slices"

	"mala/core/material"
)

// Join is what lies between two sections: its fittings from left to right, each of
// which exists once, or a bead that the cords of both run through.
type Join struct {
	ID       ID
	Fittings []Fitting
}

// Through says whether the cords run on through the join: it is a bead that they share.
// Otherwise every row ends there, on a fitting.
func (j *Join) Through() bool { return len(j.Fittings) == 1 && j.Fittings[0].Of.IsBead() }

// goneOn is which of its fittings a row goes on: of one at its left the first, of one
// at its right the last, or the one that its port names.
func (j *Join) goneOn(r *Row, side Side) int {
	if at := slices.IndexFunc(j.Fittings, func(f Fitting) bool { return f.ID == r.Port(side).On }); at >= 0 && r.Port(side).On != "" {
		return at
	}
	if side == Right {
		return 0
	}
	return len(j.Fittings) - 1
}

// Outwards lists what of the join lies between a row and the section beyond, from the
// row on.
func (j *Join) Outwards(r *Row, side Side) []Fitting {
	at := j.goneOn(r, side)
	if side == Right {
		return j.Fittings[at:]
	}
	out := slices.Clone(j.Fittings[:at+1])
	slices.Reverse(out)
	return out
}

// place is the row's section and its place in that, from 0; -1 if the piece does not
// have it.
func (p *Piece) place(r *Row) (section, row int) {
	for i, s := range p.Sections {
		if j := slices.Index(s.Rows, r); j >= 0 {
			return i, j
		}
	}
	return -1, -1
}

// SectionOf is the section that a row is in.
func (p *Piece) SectionOf(r *Row) *Section {
	i, _ := p.place(r)
	return &p.Sections[i]
}

// JoinAt is the join at a side of a row; nil where the closure is.
func (p *Piece) JoinAt(r *Row, side Side) *Join {
	i, _ := p.place(r)
	if side == Left {
		i--
	}
	if i < 0 || i >= len(p.Joins) {
		return nil
	}
	return p.Joins[i]
}

// Main is the section with the most rows, of several the first: the target is its
// rows'.
func (p *Piece) Main() *Section {
	main := &p.Sections[0]
	for i := range p.Sections {
		if len(p.Sections[i].Rows) > len(main.Rows) {
			main = &p.Sections[i]
		}
	}
	return main
}

// In is the row of a section that lies in the same loop as a row: of the same number,
// or the last, where there are fewer.
func (p *Piece) In(r *Row, s *Section) *Row {
	_, j := p.place(r)
	return s.Rows[max(0, min(j, len(s.Rows)-1))]
}

// Beyond is the row in the same loop in the next section at a side; nil where the
// closure is.
func (p *Piece) Beyond(r *Row, side Side) *Row { return p.InLoopOf(r, r, side) }

// InLoopOf is the row beyond another in the loop of a row: beyond a section of fewer rows it goes on in
// the row of its own number; nil where the closure is.
func (p *Piece) InLoopOf(of, r *Row, side Side) *Row {
	i, _ := p.place(r)
	next := i + 1
	if side == Left {
		next = i - 1
	}
	if i < 0 || next < 0 || next >= len(p.Sections) {
		return nil
	}
	return p.In(of, &p.Sections[next])
}

// RunsOn is the row that a row's cord runs on in, through a bead at its right; nil where
// it ends.
func (p *Piece) RunsOn(r *Row) *Row {
	if j := p.JoinAt(r, Right); j == nil || !j.Through() {
		return nil
	}
	i, k := p.place(r)
	if next := p.Sections[i+1].Rows; k < len(next) {
		return next[k]
	}
	return nil
}

// goesOn lists the fittings that a row may go on at a side.
func (p *Piece) goesOn(r *Row, side Side) []Fitting {
	if j := p.JoinAt(r, side); j != nil {
		return j.Fittings
	}
	return *p.End(nil, side, true)
}

// mostSections is how many sections a piece has at most.
const mostSections = 9

// checkJoins holds the sections to a join between each two that can be; false where
// their rows cannot be looked at.
func (p *Piece) checkJoins(add adder) bool {
	switch {
	case len(p.Sections) == 0 || len(p.Sections) > mostSections:
		add("sections", "A piece has 1 to %d sections; this one has %d.", mostSections, len(p.Sections))
		return false
	case len(p.Joins) != len(p.Sections)-1:
		add("joins", "Between each two sections belongs a join: for %d sections %d, and this piece has %d. The series does not close.", len(p.Sections), len(p.Sections)-1, len(p.Joins))
		return false
	}
	for i, s := range p.Sections {
		if len(s.Rows) == 0 {
			add(fmt.Sprintf("sections[%d].rows", i), "A section needs a row. Add one.")
			return false
		}
	}
	if n := len(p.Rows()); n > MostRows {
		add("sections[0].rows", "A piece has at most %d rows; this one has %d.", MostRows, n)
		return false
	}
	right := true
	for i, j := range p.Joins {
		right = p.checkJoin(add, fmt.Sprintf("joins[%d]", i), i, j) && right
	}
	return right
}

func (p *Piece) checkJoin(add adder, where string, i int, j *Join) bool {
	if len(j.Fittings) == 0 {
		add(where+".fittings", "A join needs a ring, a connector or a bead that lies between the sections.")
		return false
	}
	for k, f := range j.Fittings {
		at := fmt.Sprintf("%s.fittings[%d]", where, k)
		of := f.Of.Finding
		switch {
		case f.Of.IsBead() && len(j.Fittings) > 1:
			add(at, "%s is a bead that cords run through. Nothing else can be in its join.", f.Of.Name)
			return false
		case f.Of.IsBead() && f.Of.Hangs():
			add(at, "%s hangs, and no cord runs through it.", f.Of.Name)
			return false
		case f.Of.IsBead():
		case of == nil || !(of.IsRing() || of.Type == material.Connector || of.Type == material.FocalBar || of.Type == material.Chain):
			add(at, "%s cannot be between two sections. Use a ring, a connector, a bar, a chain, or a bead that the cords run through.", f.Of.Name)
			return false
		case of.Type == material.Chain && (f.Links < 1 || f.Links > MostChain):
			add(at+".links", "A chain has 1 to %d links; this one has %d.", MostChain, f.Links)
			return false
		}
	}
	if j.Through() && len(p.Sections[i].Rows) != len(p.Sections[i+1].Rows) {
		add(where, "%s is shared by %d rows at its left and %d at its right. Every cord that runs in runs out again.", j.Fittings[0].Of.Name, len(p.Sections[i].Rows), len(p.Sections[i+1].Rows))
		return false
	}
	return true
}
