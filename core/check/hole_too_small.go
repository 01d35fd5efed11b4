package check

import (
	"fmt"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
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
					return Problem{Severity: Stop, Title: "Hole too small for the needle"}
				})
				continue
			}
			if hole >= snugFit*need-tiny || elastic && hole >= need-tiny { // elasticMisfit speaks of what only just passes
				continue
			}
			passes := b.Passes
			g.add(fmt.Sprintf("%s %d", b.Material.ID, passes), i, func() Problem {
				f := Problem{Severity: Stop, Title: "Hole too small for the cord"}
				if hole >= need-tiny {
					f.Severity, f.Title = Warn, "The cord only just passes"
				}
				return f
			})
		}
		for i := range g.found {
			f := &g.found[i]
			b := &s.Beads[f.At.Element]
			if strings.HasPrefix(f.cause, "needle ") {
				needed, held := against(NeedleNeeds(s, b.Passes, v.Piece.House.Needle), b.Material.Bead.Hole)
				f.Says = fmt.Sprintf("Thread of %s on a needle of %s needs a hole of %s; %s, %s here, has %s. Use a finer needle or thread.", mm(cord), mm(v.Piece.House.Needle),
					needed, b.Material.Name, beads(f.places()), held) + comesBack(s, f)
				continue
			}
			needed, held := against(material.HoleFor(b.Passes, cord), b.Material.Bead.Hole)
			f.Says = fmt.Sprintf("%s of %s cord need a hole of %s; %s, %s here, has %s.", times(b.Passes), mm(cord), needed, b.Material.Name, beads(f.places()), held) + comesBack(s, f)
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
		judge := func(m *material.Material, passes int, where string) {
			need := max(material.HoleFor(passes, s.Row.Cord.Cord.Diameter), NeedleNeeds(s, passes, v.Piece.House.Needle))
			if judged[m] || m.Bead.Hole >= need-tiny {
				return
			}
			judged[m] = true
			needed, held := against(need, m.Bead.Hole)
			found = append(found, Problem{Severity: Stop, At: s.Row.AtEnd(e.Side), Title: "Hole too small for the cord", cause: where + m.ID,
				Says: fmt.Sprintf("%s of %s cord need a hole of %s; %s in the %s at the %s end has %s.", times(passes), mm(s.Row.Cord.Cord.Diameter), needed, m.Name, where, e.Side, held)})
		}
		for _, p := range e.Parts {
			if p.Loop != nil {
				for i := range p.Loop.Beads {
					judge(p.Loop.Beads[i].Material, s.LoopPasses(e), "loop")
				}
			}
			if p.Role == measure.RoleLeg && p.Material != nil {
				judge(p.Material, s.Row.Passes, "leg")
			}
			if p.Role == measure.RoleTailBead {
				judge(p.Material, 1, "tail")
			}
			if p.Role == measure.RoleFootBead {
				judge(p.Material, s.Row.Passes, "foot")
			}
			if p.Role == measure.RoleFoldBead && !p.With {
				judge(p.Material, max(1, s.Row.Passes/2), "fold") // the middle of each cord goes through it once
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
