package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// snugFit is how much wider than its cords a hole should be; below it the last
// pass is a struggle.
const snugFit = 1.1

// holeTooSmall fires when a bead's hole cannot take the passes of its cord, and
// warns when it only just can. Beads of one kind with as many passes are one
// finding.
var holeTooSmall = Check{
	Code: "hole-too-small", Step: StepLayOut,
	Piece: func(v *View) []Problem { return append(sharedTooNarrow(v), barTooNarrow(v)...) },
	Strand: func(v *View, s *measure.Strand) []Problem {
		cord, elastic := s.Row.Cord.Cord.Diameter, s.Row.Cord.Cord.Type == material.Elastic
		g := gather{strand: s}
		var found []Problem
		for i := range s.Beads {
			b := &s.Beads[i]
			if b.IsGap() {
				continue
			}
			if b.Drop != nil {
				found = append(found, inDrop(v, s, i)...)
				continue
			}
			need, hole := material.HoleFor(b.Passes, cord), b.Material.Bead.Hole
			if needed := NeedleNeeds(s, b.Passes, v.Piece.House.Needle); hole < needed-tiny && hole >= need-tiny {
				g.add("needle "+b.Material.ID, i, func() Problem {
					return Problem{Severity: Stop, Fact: NeedleHoleSmall{Thread: cord, Needle: v.Piece.House.Needle, Needs: needed, Bead: b.Material}}
				})
				continue
			}
			if hole >= snugFit*need-tiny || elastic && hole >= need-tiny { // elasticMisfit speaks of what only just passes
				continue
			}
			passes := b.Passes
			g.add(fmt.Sprintf("%s %d", b.Material.ID, passes), i, func() Problem {
				fact := HoleSmall{Passing: Passing{passes, cord, need}, Bead: b.Material, Tight: hole >= need-tiny}
				if fact.Tight {
					return Problem{Severity: Warn, Fact: fact}
				}
				return Problem{Severity: Stop, Fact: fact}
			})
		}
		for i := range g.found {
			f := &g.found[i]
			switch fact := f.Fact.(type) {
			case NeedleHoleSmall:
				fact.Beads, fact.Back = f.places(), comesBack(s, f)
				f.Fact = fact
			case HoleSmall:
				fact.Beads, fact.Back = f.places(), comesBack(s, f)
				f.Fact = fact
			}
		}
		return append(append(append(g.found, found...), beyondStrand(v, s)...), ofComponents(v, s, pinTooThick)...)
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		var fixes []Fix
		s := v.Strand(f.At.Row)
		if s == nil {
			return nil // of a shared bead: every row would change its cord
		}
		if c := componentAt(s, f); c != nil {
			return finerLinks(c, shelf)
		}
		fixes = append(fixes, shorterTails(v, s, f)...)
		return append(fixes, strungOn(s, shelf.Materials, thinner(s.Row.Cord.Cord))...)
	},
}

// beyondStrand judges the beads of loops and on legs, through which the cord runs as
// often as through the strand. One finding a kind of bead.
func beyondStrand(v *View, s *measure.Strand) []Problem {
	var found []Problem
	for _, e := range s.Ends() {
		judged := map[*material.Material]bool{}
		judge := func(m *material.Material, passes int, where Part) {
			need := max(material.HoleFor(passes, s.Row.Cord.Cord.Diameter), NeedleNeeds(s, passes, v.Piece.House.Needle))
			if judged[m] || m.Bead.Hole >= need-tiny {
				return
			}
			judged[m] = true
			found = append(found, Problem{Severity: Stop, At: s.Row.AtEnd(e.Side), cause: string(where) + m.ID,
				Fact: EndHoleSmall{Passing{passes, s.Row.Cord.Cord.Diameter, need}, m, where, e.Side}})
		}
		for _, p := range e.Parts {
			if p.Loop != nil {
				for i := range p.Loop.Beads {
					judge(p.Loop.Beads[i].Material, s.LoopPasses(e), InLoop)
				}
			}
			if p.Role == measure.RoleLeg && p.Material != nil {
				judge(p.Material, s.Row.Passes, InLeg)
			}
			if p.Role == measure.RoleTailBead {
				judge(p.Material, 1, InTail)
			}
			if p.Role == measure.RoleFootBead {
				judge(p.Material, s.Row.Passes, InFoot)
			}
			if p.Role == measure.RoleFoldBead && !p.With {
				judge(p.Material, max(1, s.Row.Passes/2), InFold) // the middle of each cord goes through it once
			}
		}
	}
	return found
}

// NeedleNeeds is the hole that a thread needs to be pulled through a bead so often:
// the needle, or the thread folded in its eye, whichever is thicker, beside the
// threads that are there already. 0 for cord that goes on without a needle.
func NeedleNeeds(s *measure.Strand, passes int, needle length.MM) length.MM {
	c := s.Row.Cord.Cord
	if c.Type != material.Thread {
		return 0
	}
	folded := material.HoleFor(max(2, s.Row.Passes), c.Diameter)
	return material.HoleFor(passes-s.Row.Passes, c.Diameter) + max(needle, folded)
}

// Passing is this many passes of cord of a diameter through one hole, and the hole that they need;
// in mm, and more where a needle goes along.
type Passing struct {
	Passes      int
	Cord, Needs length.MM
}

// What may not take its cord.
type (
	HoleSmall struct {
		Passing
		Bead  *material.Material
		Beads int        // how many of it
		Tight bool       // the cord only just passes
		Back  *ComesBack // why it is passed more often than others
	}
	NeedleHoleSmall struct {
		Thread, Needle, Needs length.MM
		Bead                  *material.Material
		Beads                 int
		Back                  *ComesBack
	}
	EndHoleSmall struct {
		Passing
		Bead *material.Material
		In   Part
		Side piece.Side
	}
)

// Part is a part of an end that beads are strung on.
type Part string

// The parts of an end.
const (
	InLoop Part = "loop"
	InLeg  Part = "leg"
	InTail Part = "tail"
	InFoot Part = "foot"
	InFold Part = "fold"
)

func (HoleSmall) fact()       {}
func (NeedleHoleSmall) fact() {}
func (EndHoleSmall) fact()    {}
