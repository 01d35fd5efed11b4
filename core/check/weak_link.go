package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// heavyPiece is the mass in grams from which an open round ring is a weak link,
// and tugged how many times its own weight a piece must bear.
const (
	heavyPiece = 50
	gravity    = 9.81
	tugged     = 10
)

// weakLink fires when the piece, tugged, is more than its weakest fitting bears,
// or hangs heavy on a round ring that is only bent shut.
var weakLink = judgement{
	code: "weak-link",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		load := Load(m)
		var found []Finding
		bothEnds(s, func(side string, e measure.End) {
			told := false
			for _, p := range e.Parts {
				if told || p.Material == nil {
					continue
				}
				f := atEnd(s, "weak-link", Warn, side)
				holds, known := p.Material.Finding.Holds()
				switch {
				case known && holds < load:
					f.Title = "Too weak for its weight"
					f.Says = fmt.Sprintf("Tugged, its %.0f g pull with %.1f N; %s at the %s end bears %.1f N.", m.MassG, load, p.Material.Name, side, holds)
				case m.MassG > heavyPiece && openRound(p.Material.Finding):
					f.Severity, f.Title = Advise, "Heavy on an open ring"
					f.Says = fmt.Sprintf("It weighs %.0f g and hangs on %s at the %s end; an oval, split or soldered ring, or a heavier one, holds safer.",
						m.MassG, p.Material.Name, side)
				default:
					continue
				}
				told = true
				found = append(found, f)
			}
		})
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		load := Load(m)
		return eachOf(m, f.End, measure.DoesRing, func(p measure.Part) []Fix {
			if holds, known := p.Material.Finding.Holds(); known && holds >= load && !openRound(p.Material.Finding) {
				return nil
			}
			return instead(m, f.End, p.Material, bench.Shelf, func(c *material.Finding) bool {
				holds, known := c.Holds()
				return c.IsRing() && c.IsOpen() && !openRound(c) && (!known || holds >= load)
			})
		})
	},
}

// Load is the pull in newtons that the piece must bear, tugged.
func Load(m *measure.Measured) float64 { return m.MassG / 1000 * gravity * tugged }

// openRound says whether the finding is a round ring that is only bent shut.
func openRound(f *material.Finding) bool {
	return f.Type == material.JumpRing && f.Joint != "soldered" && f.Form != "oval"
}
