package check

import (
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// elements lists the beads that a finding is about.
func (f *Problem) elements() []int {
	out := []int{f.At.Element}
	for _, p := range f.More {
		out = append(out, p.Element)
	}
	return out
}

// ComesBack is why a bead is passed more often than the cord runs along: a knotted end's tail
// goes back through it, or the cord itself before its knot.
type ComesBack struct {
	Tail bool // else the cord, before the knot
	Side piece.Side
}

// comesBack is that of a problem's beads; nil where there is no such reason.
func comesBack(s *measure.Strand, f *Problem) *ComesBack {
	for _, e := range s.Ends() {
		if e.Hold != measure.HeldByKnot {
			continue
		}
		for _, i := range f.elements() {
			switch {
			case i == e.Back:
				return &ComesBack{Side: e.Side}
			case slices.Contains(e.TailBeads, i):
				return &ComesBack{Tail: true, Side: e.Side}
			}
		}
	}
	return nil
}

// shorterTails lets the tails that go back through the beads go no further than holes take
// them, or not at all: a crimp holds without, a knot with a drop of glue.
func shorterTails(v *View, s *measure.Strand, f *Problem) []Fix {
	var short, none []edit.Op
	knotted, crimped := false, false
	reach := 0
	for _, e := range s.Ends() {
		if !slices.ContainsFunc(f.elements(), func(i int) bool { return slices.Contains(e.TailBeads, i) }) {
			continue
		}
		crimped = crimped || e.Crimped()
		knotted = knotted || !e.Crimped()
		at := s.Row.AtEnd(e.Side)
		none = append(none, edit.SetEndTailBeads{At: at, Beads: 0})
		n := freeBeads(v, s, e)
		short = append(short, edit.SetEndTailBeads{At: at, Beads: n})
		reach = max(reach, n)
	}
	var fixes []Fix
	if reach > 0 && knotted {
		fixes = append(fixes, fix(TailThrough{reach}, short...))
	}
	switch {
	case knotted && v.Piece.House.Glue == piece.No:
		fixes = append(fixes, fix(TrimTails{AtKnots: true, Glue: true}, append(none, edit.SetHouse{Field: "glue", Choice: piece.Yes})...))
	case knotted:
		fixes = append(fixes, fix(TrimTails{AtKnots: true}, none...))
	case crimped:
		fixes = append(fixes, fix(TrimTails{}, edit.SetHouse{Field: "tail", Choice: piece.TailTrimmed}))
	}
	return fixes
}

// freeBeads is through how many beads, from the knot on, the holes take a tail.
func freeBeads(v *View, s *measure.Strand, e *measure.End) int {
	for n, i := range e.TailBeads {
		b := &s.Beads[i]
		if passesHole(b.Material.Bead, b.Passes, s, v.Piece.House.Needle) {
			continue
		}
		return n
	}
	return len(e.TailBeads)
}

// passesHole says whether a bead's hole takes this many passes, with the needle where there is one.
func passesHole(b *material.Bead, passes int, s *measure.Strand, needle length.MM) bool {
	return b.Hole >= max(material.HoleFor(passes, s.Row.Cord.Cord.Diameter), NeedleNeeds(s, passes, needle))-tiny
}

// TailThrough takes the tails back through this many beads only.
type TailThrough struct{ Beads int }

// TrimTails lets no tail go back: they are trimmed short, or at their knots, which are glued from
// now on or were already.
type TrimTails struct{ AtKnots, Glue bool }

func (TailThrough) effect() {}
func (TrimTails) effect()   {}
