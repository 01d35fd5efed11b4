package check

import (
	"math"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// inDrop stops beads of a drop or a loop whose hole is too small for the cord that goes
// through them again. Alike ones are one finding, at the first of them.
func inDrop(v *View, s *measure.Strand, at int) []Problem {
	d, elastic := s.Beads[at].Drop, s.Row.Cord.Cord.Type == material.Elastic
	for i := range at {
		if s.Beads[i].Drop == d && s.Beads[i].Passes == s.Beads[at].Passes {
			return nil
		}
	}
	var found []Problem
	judged := map[*material.Material]bool{}
	d.Each(func(b *measure.HungBead) {
		passes := b.Passes * s.Row.Passes
		if b == d.Through {
			passes = s.Beads[at].Passes + s.Row.Passes
		}
		bare := material.HoleFor(passes, s.Row.Cord.Cord.Diameter)
		need := max(bare, NeedleNeeds(s, passes, v.Piece.House.Needle))
		hole := b.Material.Bead.Hole
		if judged[b.Material] || hole >= max(need, snugFit*bare)-tiny || elastic && hole >= need-tiny {
			return
		}
		judged[b.Material] = true
		tight := hole >= need-tiny
		f := Problem{Severity: Stop, At: s.Row.AtBead(at), cause: "drop " + b.Material.ID,
			Fact: DropHoleSmall{Passing{passes, s.Row.Cord.Cord.Diameter, need}, b.Material, d.Through != nil, tight}}
		if tight {
			f.Severity = Warn
		}
		found = append(found, f)
	})
	return found
}

// loopShort warns of a loop whose beads do not reach round the bead that it runs through.
var loopShort = Check{
	Code: "loop-short", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		g := gather{strand: s}
		for i := range s.Beads {
			d := s.Beads[i].Drop
			if d == nil || !d.Short() {
				continue
			}
			g.add("loop "+d.Key, i, func() Problem {
				return Problem{Severity: Warn, Fact: LoopShort{d.Strung, d.Through.Material, d.Round}}
			})
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		bead := &s.Beads[f.At.Element]
		var most *pattern.Node
		for _, n := range s.Row.Line.Nodes[bead.Node].Items() {
			if n.IsBead() && (most == nil || n.Count > most.Count) {
				most = n
			}
		}
		if most == nil || v.Piece.Palette[most.Key()].Bead == nil {
			return nil
		}
		of := v.Piece.Palette[most.Key()]
		more := int(math.Ceil(float64((bead.Drop.Round - bead.Drop.Strung) / of.Bead.Pitch())))
		return []Fix{fix(HangMore{more, of}, edit.Count{At: s.Row.At(), Node: most.ID, To: most.Count + more})}
	},
}

// fewFilaments is how many strands a beading wire has at most that is too stiff to let a
// drop hang.
const fewFilaments = 7

// dropStiff advises where a drop is made of wire that stands off instead of hanging.
var dropStiff = Check{
	Code: "drop-stands-off", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		c := s.Row.Cord.Cord
		if c.Type != material.Wire || c.Filaments == 0 || c.Filaments > fewFilaments {
			return nil
		}
		for i := range s.Beads {
			d := s.Beads[i].Drop
			if d == nil {
				continue
			}
			return []Problem{{Severity: Advise, At: s.Row.AtBead(i), Fact: DropStiff{c.Filaments, d.Through != nil}}}
		}
		return nil
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		was := s.Row.Cord.Cord
		return strungOn(s, shelf.Materials, func(c *material.Cord) bool {
			return c.Type == material.Wire && c.Filaments > fewFilaments && c.Diameter <= was.Diameter
		})
	},
}

// What may be wrong with a drop, or a loop through a bead.
type (
	DropHoleSmall struct {
		Passing
		Bead  *material.Material
		Loop  bool
		Tight bool // the cords pass, and the last one jams
	}
	LoopShort struct {
		Strung  length.MM
		Through *material.Material
		Round   length.MM // the way round that bead
	}
	DropStiff struct {
		Filaments int
		Loop      bool
	}
)

// HangMore hangs this many more of a bead in a loop.
type HangMore struct {
	More int
	Bead *material.Material
}

func (DropHoleSmall) fact() {}
func (LoopShort) fact()     {}
func (DropStiff) fact()     {}

func (HangMore) effect() {}
