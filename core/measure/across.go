package measure

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// alone lays out a row of another section by itself: its beads and its own ends, as far
// as the joins. One that fills the length that is left does so in its own loop.
func (mk *strandMaker) alone(row *piece.Row) (*Strand, error) {
	if s, known := mk.others[row]; known {
		return s, nil
	}
	other, err := newStrandMaker(mk.piece, row)
	if err != nil {
		return nil, err
	}
	var fills pattern.Fills
	if open := row.Line.OpenFill(); open != nil {
		if mk.row.Line.OpenFill() != nil {
			return nil, &pattern.Fault{Code: pattern.BadFill, Col: open.Col, Expected: "a fill with a length: {25mm: S}",
				Says: "Another section of this row fills the length that is left already. Give this fill a length: {25mm: S}."}
		}
		full, err := strandOf(mk.piece, row)
		if err != nil {
			return nil, err
		}
		fills = full.Fills
	}
	other.byItself = true
	if fills == nil {
		if fills, err = other.solveFills(); err != nil {
			return nil, err
		}
	}
	s, err := other.layOut(fills, nil)
	if err != nil {
		return nil, err
	}
	if mk.others == nil {
		mk.others = map[*piece.Row]*Strand{}
	}
	mk.others[row] = s
	return s, nil
}

// beyondOf lays out every row that lies beyond the ends of this one in its loop.
func (mk *strandMaker) beyondOf() error {
	for _, side := range piece.Sides() {
		for r := mk.piece.Beyond(mk.row, side); r != nil; r = mk.piece.InLoopOf(mk.row, r, side) {
			if _, err := mk.alone(r); err != nil {
				return err
			}
		}
	}
	return nil
}

// across adds what lies between the row's own end and the closure: joins, and the rows
// of the other sections in its loop.
func (b *endBuilder) across(mk *strandMaker, side piece.Side) {
	row, beside := b.row, b.beside
	for next := mk.piece.Beyond(row, side); next != nil; next = mk.piece.InLoopOf(b.row, row, side) {
		join := mk.piece.JoinAt(row, side)
		s := mk.others[next]
		if join.Through() {
			b.shareBead(mk, join, side, beside, s)
		} else {
			for i, f := range join.Outwards(row, side) {
				part := jointPart(f)
				if i == 0 && f.Of.Finding.IsRing() {
					part.Length -= b.fansOut(row, f.Of.Finding, side)
				}
				b.end.Parts = append(b.end.Parts, part)
			}
		}
		section := mk.piece.SectionOf(next)
		b.end.Parts = append(b.end.Parts, Part{Role: RoleRow, Across: s, Length: s.Strung + s.Left.Length + s.Right.Length, Shared: len(section.Rows) == 1})
		row, beside = next, s.lastBead(side)
	}
	b.outer = row
}

// jointPart is a fitting of a join in the series.
func jointPart(f piece.Fitting) Part {
	part := Part{Fitting: f.ID, Material: f.Of, Length: f.Of.Finding.InSeries(), Role: RoleRing, Hung: f.Hung, Shared: true}
	switch f.Of.Finding.Type {
	case material.Connector:
		part.Role = RoleConnector
	case material.FocalBar:
		part.Role = RoleBar
	case material.Chain:
		part.links(f)
	}
	return part
}

// shareBead adds a bead that the cords run through, set against the beads beside it as
// any other: what it lies deeper in them than rim to rim shortens the loop.
func (b *endBuilder) shareBead(mk *strandMaker, join *piece.Join, side piece.Side, before *Bead, next *Strand) {
	f := join.Fittings[0]
	through := mk.table.of(f.Of, false, b.row.Passes, b.row.Cord.Cord.Diameter)
	part := Part{Role: RoleShared, Fitting: f.ID, Material: f.Of, Length: f.Of.Bead.Length(), Hung: f.Hung, Shared: true}
	behind := next.lastBead(side.Other())
	if side == piece.Left {
		before, behind = behind, before
	}
	part.Length += mk.against(before, through, piece.Right) + mk.against(behind, through, piece.Left)
	b.end.Parts = append(b.end.Parts, part)
}

// against is by how much a bead that lies at a side of another is further away from it
// than rim to rim; nothing of a bare cord.
func (mk *strandMaker) against(bead *Bead, other faces, right piece.Side) length.MM {
	if bead == nil {
		return 0
	}
	own := mk.table.of(bead.Material, bead.Turned, bead.Passes, mk.row.Cord.Cord.Diameter)
	a, b := own.right, other.left
	if right == piece.Left {
		a, b = other.right, own.left
	}
	if c := mk.table.between(a, b); c.touches {
		return c.Distance - mk.table.faces[a].AtRim() - mk.table.faces[b].AtRim()
	}
	return 0
}

// lastBead is the outermost bead at a side; nil of a bare cord.
func (s *Strand) lastBead(side piece.Side) *Bead {
	if i := s.Beside(side); i >= 0 {
		return &s.Beads[i]
	}
	return nil
}

// slackAcross plans the slack of the rows of other sections in the loop, which lie in
// it as this one does.
func (s *Strand) slackAcross(p *piece.Piece) {
	for _, e := range s.Ends() {
		for i := range e.Parts {
			part := &e.Parts[i]
			if part.Role != RoleRow {
				continue
			}
			part.Slack, _ = part.Across.planned(p, s.tight)
			part.Length += part.Slack
			e.Length += part.Slack
		}
	}
}

// Lies is a row of another section where it lies in the loop of this one: where it
// starts, in mm from this one's own start, and its slack.
type Lies struct {
	Strand *Strand
	Start  length.MM
	Slack  length.MM
}

// Others lists the rows of other sections in the strand's loop.
func (s *Strand) Others() []Lies {
	var out []Lies
	for _, e := range s.Ends() {
		at := length.MM(0)
		if e.Side == piece.Right {
			at = s.Strung + s.Slack
		}
		for _, p := range e.Parts {
			from := at
			if e.Side == piece.Left {
				from = at - p.Length
				at = from
			} else {
				at += p.Length
			}
			if p.Role == RoleRow {
				out = append(out, Lies{p.Across, from + p.Across.Left.Length, p.Slack})
			}
		}
	}
	return out
}

// acrossLinks are the stiff parts of a row of another section, in the order in which the
// end runs outwards.
func (p *Part) acrossLinks(side piece.Side) []Link {
	s := p.Across
	var list []Link
	for _, l := range slices.Backward(s.Left.links()) {
		list = append(list, l)
	}
	list = append(list, s.ownLinks(p.Slack)...)
	list = append(list, s.Right.links()...)
	for i := range list {
		list[i].Of = s
	}
	if side == piece.Left {
		slices.Reverse(list)
	}
	return list
}
