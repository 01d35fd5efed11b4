package piece

import (
	"maps"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// LacingWay is how cords go through the holes of flats.
type LacingWay string

// The ways: from hole to hole along the row; from a corner to the opposite one; by two cords
// that cross on every front.
const (
	LacedStraight LacingWay = "straight"
	LacedDiagonal LacingWay = "diagonal"
	LacedCrossed  LacingWay = "crossed"
)

// LacingWays lists every way.
func LacingWays() []LacingWay { return []LacingWay{LacedStraight, LacedDiagonal, LacedCrossed} }

// Lacing is how a row of flats is laced: a cord comes up through one hole, goes over the front
// and down through another, and runs on at the back.
type Lacing struct {
	Way     LacingWay
	Pitch   length.MM         // from middle to middle; 0 from each neighbour's width
	Overlap length.MM         // by which neighbours cover one another; 0 where they touch or have a pitch
	Tilted  bool              // where they overlap each leans on the one before it; else they lie in two layers
	Tops    map[string]string // by letter the letter of the smaller flat that is laced on it
}

// Reach is from the middle of a flat so wide to where the share of its neighbour begins.
func (l *Lacing) Reach(wide length.MM) length.MM {
	if l.Pitch > 0 {
		return l.Pitch / 2
	}
	return max(leastReach, (wide-l.Overlap)/2)
}

// Cords is how many cords the way takes at least.
func (l *Lacing) Cords() int {
	if l.Way == LacedCrossed {
		return 2
	}
	return 1
}

// Rows says in which of the two rows of holes, -1 or 1, a cord enters the n-th flat and leaves
// it; 0 of a flat with two holes, which stand in one row. Cords and flats count from 0.
func (l *Lacing) Rows(holes, cord, n int) (enters, leaves float64) {
	if holes < holesOfCross {
		return 0, 0
	}
	side := float64(1 - 2*(cord%2))
	switch l.Way {
	case LacedDiagonal:
		return 1, -1
	case LacedCrossed:
		// At the back it runs straight on, so it comes up where it went down before.
		if n%2 == 1 {
			side = -side
		}
		return side, -side
	}
	return side, side
}

// The limits of a lacing.
const (
	leastReach   = length.MM(0.25)
	leastPitch   = length.MM(0.5)
	mostPitch    = length.MM(400)
	mostOverlap  = length.MM(200)
	holesOfCross = 4
)

// checkLacing holds a lacing to what can be laced; which beads those are is said at the line.
func (p *Piece) checkLacing(r *Row, add adder, where string) {
	l := r.Lacing
	if l == nil {
		return
	}
	if !slices.Contains(LacingWays(), l.Way) {
		add(where+".way", "%q is no way to lace. Use straight, diagonal or crossed.", string(l.Way))
	}
	switch {
	case !r.Corded():
		add(where, "A row of chain is not laced. Give it a cord.")
	case r.FoldOf != "" || p.FoldedWith(r) != nil:
		add(where, "A row on half of a folded cord is strung. To lace with both halves, run the cord twice through one row.")
	case r.Riders != nil:
		add(where, "Nothing slides over a laced row. Remove its sliding beads.")
	case r.Passes%l.Cords() != 0:
		add(where+".way", "Two cords cross on every front, and this row has %d. Use two or four.", r.Passes)
	case l.Pitch > 0 && l.Overlap > 0:
		add(where+".overlapMm", "Give a pitch or an overlap, not both.")
	}
	if l.Pitch != 0 {
		checkRange(add, where+".pitchMm", l.Pitch, leastPitch, mostPitch)
	}
	if l.Overlap != 0 {
		checkRange(add, where+".overlapMm", l.Overlap, 0, mostOverlap)
	}
	for _, key := range slices.Sorted(maps.Keys(l.Tops)) {
		under, top := p.Palette[key], p.Palette[l.Tops[key]]
		switch {
		case under == nil || top == nil:
			add(where+".tops", "%s on %s: both are letters of dishes.", l.Tops[key], key)
		case !laces(top) || top.Component != nil:
			add(where+".tops", "%s has no two or four holes, and cannot be laced on %s.", top.Name, under.Name)
		}
	}
}

// laces says whether what is in a dish can be laced: each of several in turn.
func laces(m *material.Material) bool {
	if m.Component != nil && len(m.Component.Turn) == 0 {
		return false
	}
	return !slices.ContainsFunc(flatsOf(m), func(one *material.Material) bool { return one.Bead == nil || !one.Bead.Laces() })
}

// flatsOf lists what a dish holds: itself, or what it gives in turn.
func flatsOf(m *material.Material) []*material.Material {
	if m.Component != nil && len(m.Component.Turn) > 0 {
		return m.Component.Turn
	}
	return []*material.Material{m}
}

// CheckLine holds the line of a laced row to flats that have the holes for it. The error is a
// pattern.List of all that have not.
func (l *Lacing) CheckLine(line *pattern.Line, palette map[string]*material.Material) error {
	var wrong pattern.List
	for _, n := range line.Nodes {
		switch m := palette[n.Key()]; {
		case n.IsGap() && (l.Pitch > 0 || l.Overlap > 0):
			wrong = append(wrong, pattern.NoGap(n, "in a row laced at a pitch or with an overlap"))
		case n.IsPitch():
			wrong = append(wrong, pattern.NoGap(n, "from middle to middle in a laced row, which has a pitch of its own,"))
		case n.Hangs():
			wrong = append(wrong, pattern.NoDrop(n, "in a laced row"))
		case !n.IsBead() || m == nil:
		case m.Hangs() || !laces(m):
			wrong = append(wrong, pattern.NotLaced(n, m.Name+" has not two or four holes through its face, and this row is laced."))
		case l.Way != LacedStraight && slices.ContainsFunc(flatsOf(m), func(one *material.Material) bool { return one.Bead.Holes < holesOfCross }):
			wrong = append(wrong, pattern.NotLaced(n, m.Name+" has two holes: lace the row straight, or use one with four."))
		}
	}
	if wrong != nil {
		return wrong
	}
	return nil
}
