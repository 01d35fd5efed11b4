package edit

import (
	"slices"

	"mala/core/material"
	"mala/core/piece"
)

// The operations on sections.
type (
	AddSection struct { // behind that of the row
		At   piece.Place
		Join *material.Material `op:"Material"`
	}
	RemoveSection struct{ At piece.Place } // that the row is in, with the join before it
)

func (AddSection) Do() Do    { return "add-section" }
func (RemoveSection) Do() Do { return "remove-section" }

func (o RemoveSection) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	return removeSection(p, row)
}

// apply puts a section behind that of a row: a row beside each of its rows, alike, joined by a ring,
// a connector or a chain, on which all end, or by a bead that every cord runs through.
func (o AddSection) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	if o.Join == nil {
		return refuse("Choose what joins the sections: a ring, a connector, a chain, or a bead that the cords run through.")
	}
	if p.Closure.Type != piece.Clasp {
		return refuse("Sections lie between the two halves of a clasp. Close the piece with a clasp first.")
	}
	section, _ := sectionOf(p, row)
	if len(p.Rows())+len(section.Rows) > piece.MostRows {
		return refuse("A piece has at most %d rows.", piece.MostRows)
	}
	at := slices.IndexFunc(p.Sections, func(s piece.Section) bool { return slices.Contains(s.Rows, row) })
	join := &piece.Join{ID: p.NewJoin()}
	p.Joins = slices.Insert(p.Joins, at, join)
	p.Sections = slices.Insert(p.Sections, at+1, piece.Section{})
	if o.Join.Bead != nil {
		join.Fittings = []piece.Fitting{p.NewFitting(o.Join)}
	} else {
		join.Fittings = []piece.Fitting{newFitting(p, o.Join)}
	}
	for k, r := range p.Sections[at].Rows {
		left, right := strandEnd(p, at, k, piece.Left), strandEnd(p, at, k, piece.Right)
		next := *r
		next.ID, next.Line, next.Cut = p.NewRow(), r.Line.Clone(), nil
		next.Left, next.LeftEnding, next.LeftPort = nil, piece.Ending{}, piece.Port{}
		r.Right, r.RightEnding, r.RightPort = nil, piece.Ending{}, piece.Port{}
		p.Sections[at+1].Rows = append(p.Sections[at+1].Rows, &next)
		if !join.Through() {
			// Both end at the join, as the strand ends that they were.
			copyEnd(p, right, r, piece.Right)
			copyEnd(p, left, &next, piece.Left)
			if next.LeftEnding.Way == piece.WayFoldBead {
				next.LeftEnding = piece.Ending{}
			}
		}
	}
	return nil
}

// strandEnd is the row in which the strand of a row ends at a side: its own, or one that
// its cord runs on in. The section behind it is empty yet.
func strandEnd(p *piece.Piece, section, row int, side piece.Side) piece.Row {
	r := p.Sections[section].Rows[row]
	step, i, j := 1, section+2, section+1
	if side == piece.Left {
		step, i, j = -1, section-1, section-1
	}
	for j >= 0 && j < len(p.Joins) && p.Joins[j].Through() {
		r = p.Sections[i].Rows[row]
		i, j = i+step, j+step
	}
	return *r
}

// copyEnd ends a row at a side as another does.
func copyEnd(p *piece.Piece, from piece.Row, to *piece.Row, side piece.Side) {
	*to.Ending(side) = *from.Ending(side)
	copyFittings(p, &from, to, side)
}

// copyEnds gives a row ends like those of another, with fittings of its own.
func copyEnds(p *piece.Piece, from, to *piece.Row) {
	for _, side := range piece.Sides() {
		copyFittings(p, from, to, side)
	}
}

func copyFittings(p *piece.Piece, from, to *piece.Row, side piece.Side) {
	for _, f := range *p.End(from, side, false) {
		made := p.NewFitting(f.Of)
		made.Links, made.Fill, made.Between, made.Hung = f.Links, f.Fill, f.Between, slices.Clone(f.Hung)
		list := p.End(to, side, false)
		*list = append(*list, made)
	}
}

// removeSection removes the section of a row with the join before it, or behind it where
// it is the first or its own cord runs on only there. A cord that ran on ends where the one beside it ended.
func removeSection(p *piece.Piece, row *piece.Row) error {
	if len(p.Sections) == 1 {
		return refuse("A piece needs a section. Remove its beads instead.")
	}
	at := slices.IndexFunc(p.Sections, func(s piece.Section) bool { return slices.Contains(s.Rows, row) })
	join, beside, side := at-1, at-1, piece.Right
	if at == 0 || !p.Joins[at-1].Through() && at < len(p.Joins) && p.Joins[at].Through() {
		join, beside, side = at, at+1, piece.Left // the cord that ran on ends where its section goes
	}
	if p.Joins[join].Through() {
		for k, r := range p.Sections[beside].Rows {
			gone := p.Sections[at].Rows[k]
			*p.End(r, side, false) = *p.End(gone, side, false)
			*r.Ending(side) = *gone.Ending(side)
		}
	}
	for _, r := range p.Sections[at].Rows {
		p.Waived = slices.DeleteFunc(p.Waived, func(w piece.Waiver) bool { return w.At.Row == r.ID })
	}
	alike := len(p.Sections[beside].Rows) == len(p.Sections[at].Rows)
	for k, r := range p.Sections[beside].Rows {
		*r.Port(side) = piece.Port{}
		if alike {
			*r.Port(side) = *p.Sections[at].Rows[k].Port(side)
		}
	}
	p.Sections = slices.Delete(p.Sections, at, at+1)
	p.Joins = slices.Delete(p.Joins, join, join+1)
	return nil
}
