package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// BeadLoop is the loop of beads that a strand ends in: its cord leaves the last
// bead, goes through those of the loop, and comes back.
type BeadLoop struct {
	Beads  []Bead
	Strung length.MM // laid straight
	Thick  length.MM // of the beads that make it up
	Girth  length.MM // inside, once round: strung - π × thick
	kinds  []kind
	share  map[*material.Material]float64 // mm of it that each material gives
}

// loopAt lays out the loop of an end; nil if it ends another way.
func (mk *strandMaker) loopAt(side piece.Side) (*BeadLoop, error) {
	f := mk.piece.EndsIn(mk.row, side).Ending(side)
	if !f.LoopOfBeads() || f.Loop == nil {
		return nil, nil
	}
	return mk.loop(f.Loop)
}

// LoopOf measures a loop of these beads at an end of the row. The error is a
// *pattern.Fault.
func LoopOf(p *piece.Piece, row *piece.Row, line *pattern.Line) (*BeadLoop, error) {
	mk := &strandMaker{piece: p, row: row, table: newContactTable(len(p.Palette))}
	return mk.loop(line)
}

func (mk *strandMaker) loop(line *pattern.Line) (*BeadLoop, error) {
	if err := checkKeys(mk.piece, line); err != nil {
		return nil, err
	}
	for _, n := range line.Nodes {
		if n.IsGap() {
			return nil, pattern.NoGap(n, "in a loop at an end")
		}
		if n.Hangs() {
			return nil, pattern.NoDrop(n, "in a loop at an end")
		}
	}
	if mk.row.Lacing != nil {
		strung, own := *mk.row, *mk
		strung.Lacing, own.row = nil, &strung
		mk = &own
	}
	s, err := mk.lay(line, nil, nil, false)
	if err != nil {
		return nil, err
	}
	l := &BeadLoop{Beads: s.Beads, Strung: s.Strung, kinds: s.kinds, share: s.share}
	l.Thick = s.Thickness()
	l.Girth = max(0, l.Strung-math.Pi*l.Thick)
	return l, nil
}

// addLoop ends the cord in its loop of beads. Pulled tight it lies flat, and adds
// half of its inside girth from the last bead to the inside of its far end.
func (b *endBuilder) addLoop() {
	b.end.Parts = append(b.end.Parts, Part{Role: RoleBeads, Length: b.beads.Girth / 2, Loop: b.beads, Hung: b.ending.Hung})
}

// AllBeads counts all beads of the piece, with those that rows share.
func (m *Measured) AllBeads() int {
	n := 0
	for _, s := range m.Strands {
		n += s.AllBeads()
	}
	for _, j := range m.Piece.Joins {
		if j.Through() {
			n++
		}
	}
	return n
}

// AllBeads counts the beads of the strand with its riders and those of its loops and legs.
func (s *Strand) AllBeads() int {
	n := s.Count()
	if s.Lace != nil {
		n += s.Lace.Tops
	}
	if s.Riders != nil {
		n += len(s.Riders.Beads)
	}
	for _, e := range s.Ends() {
		for _, p := range e.Parts {
			if p.Loop != nil {
				n += len(p.Loop.Beads)
			}
			if (p.Role == RoleLeg || p.Role == RoleTailBead || p.Role == RoleFootBead || p.Role == RoleFoldBead && !p.With) && p.Material != nil {
				n++
			}
		}
	}
	return n
}

// OverhandAcross is how thick the knot that ends a leg is: an overhand knot in all
// cords of the leg.
func (s *Strand) OverhandAcross() length.MM {
	return piece.OverhandAcross * s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes)
}

// KnotAcross is how thick the knot of an end is that is tied round the strand.
func (s *Strand) KnotAcross(h piece.House) length.MM {
	return length.MM(h.KnotAcross()) * s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes)
}

// hidden finds whether the knot of an end that is tied is taken by the bead beside
// it; nil where it is not meant to be.
func (s *Strand) hidden(p *piece.Piece, e *End) *Knot {
	beside := s.Beside(e.Side)
	if s.Row.Ending(e.Side).Way != piece.WayHiddenKnot || e.Hold != HeldByKnot || beside < 0 {
		return nil
	}
	b := s.Beads[beside].Material.Bead
	k := &Knot{Across: s.KnotAcross(p.House), Bead: -1}
	if material.Hides(b.Shape) && b.Hole >= k.Across-closeEnough {
		k.Bead = beside
	}
	return k
}
