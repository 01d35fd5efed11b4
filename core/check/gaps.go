package check

import (
	"fmt"
	"math"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// gapUnheld advises where beads stand apart and nothing holds them there, and stops where knots should,
// in wire.
var gapUnheld = Check{
	Code: "gap-unheld", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		held := s.Holders()
		switch {
		case len(held) == 0:
			return nil
		case s.Row.Holder.Way == piece.HeldByKnots && s.Row.Cord.Cord.Type == material.Wire:
			return []Problem{{Severity: Stop, At: s.Row.AtBead(held[0].Bead), cause: "wire", Fact: KnotsInWire{s.Row.Cord}}}
		case s.Row.Holder.Way != piece.HeldNotYet:
			return nil
		}
		return []Problem{{Severity: Advise, At: s.Row.AtBead(held[0].Bead), Fact: GapUnheld{len(held)}}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		for _, e := range s.Ends() {
			if crimp := e.Find(measure.RoleCrimp); crimp != nil {
				return []Fix{fix(HoldBy{crimp.Material}, edit.SetHolder{At: s.Row.At(), Way: piece.HeldByCrimps, Crimp: crimp.Material})}
			}
		}
		if s.Row.Cord.Cord.Type == material.Wire {
			return nil
		}
		return []Fix{fix(HoldBy{}, edit.SetHolder{At: s.Row.At(), Way: piece.HeldByKnots})}
	},
}

// gapShort stops where a gap has no room for what holds the beads at its sides.
var gapShort = Check{
	Code: "gap-short", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		long := s.HolderLong()
		in := map[int]int{} // holders by the gap they are in
		for _, h := range s.Holders() {
			in[h.Gap]++
		}
		g := gather{strand: s}
		for i := range s.Beads {
			gap := s.Beads[i].To - s.Beads[i].From
			if takes := length.MM(in[i]) * long; in[i] > 0 && takes > gap+tiny {
				g.add(fmt.Sprint("short ", s.Beads[i].Key), i, func() Problem {
					return Problem{Severity: Stop, Fact: GapShort{s.Row.Holder.Way, in[i], takes, gap}}
				})
			}
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s, short := v.Strand(f.At.Row), f.Fact.(GapShort)
		node := s.Beads[f.At.Element].Node
		gap, is := s.Row.Line.Nodes[node].Unit.(pattern.Gap)
		if !is {
			return nil
		}
		read, to := "", short.Takes
		if gap.Middles {
			read, to = edit.Pitch, gap.Length+short.Takes-short.Gap
		}
		to = length.MM(math.Ceil(float64(to)/gapStep-tiny)) * gapStep
		return []Fix{fix(WidenGaps{to, gap.Middles}, edit.SetSpacing{At: s.Row.At(), Node: node, Length: &to, Read: read})}
	},
}

// gapStep is in which steps gaps are measured off, in mm.
const gapStep = 0.5

// gapSlips stops where what holds a bead beside a gap passes into its hole.
var gapSlips = Check{
	Code: "gap-slips", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		across := s.HolderLong() // a knot is as thick as it is long
		if s.Row.Holder.Way == piece.HeldByCrimps {
			across = v.Piece.House.ClosedCrimp(s.Row.Holder.Of.Finding)
		}
		g := gather{strand: s}
		for _, h := range s.Holders() {
			b := &s.Beads[h.Bead]
			if across == 0 || b.Material.Bead.Hangs() || b.Material.Bead.Hole < across-tiny {
				continue
			}
			g.add("slips "+b.Material.ID, h.Bead, func() Problem {
				return Problem{Severity: Stop, Fact: HolderSlips{s.Row.Holder.Way, across, b.Material}}
			})
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s, hole := v.Strand(f.At.Row), f.Fact.(HolderSlips).Bead.Bead.Hole
		need := material.HoleFor(s.Row.Passes, s.Row.Cord.Cord.Diameter)
		var fixes []Fix
		for _, c := range shelf.Materials {
			if c.Finding != nil && Grips(c.Finding, need) && v.Piece.House.ClosedCrimp(c.Finding) > hole {
				fixes = append(fixes, fix(HoldBy{c}, edit.SetHolder{At: s.Row.At(), Way: piece.HeldByCrimps, Crimp: c}))
			}
		}
		return fixes
	},
}

// What may be wrong with what holds beads apart.
type (
	GapUnheld   struct{ Places int }
	KnotsInWire struct{ Wire *material.Material }
	GapShort    struct {
		Way        piece.HolderWay
		N          int // how many of them are in the gap
		Takes, Gap length.MM
	}
	HolderSlips struct {
		Way   piece.HolderWay
		Thick length.MM
		Bead  *material.Material
	}
)

// HoldBy holds beads apart by a crimp; by knots where there is none.
type HoldBy struct{ Crimp *material.Material }

// WidenGaps makes the gaps so long.
type WidenGaps struct {
	To    length.MM
	Pitch bool // from middle to middle of the beads beside them
}

func (GapUnheld) fact()   {}
func (KnotsInWire) fact() {}
func (GapShort) fact()    {}
func (HolderSlips) fact() {}

func (HoldBy) effect()    {}
func (WidenGaps) effect() {}
