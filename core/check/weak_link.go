package check

import (
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// heavyPiece is the mass in grams from which an open round ring is a weak link,
// and tugged how many times its own weight a piece must bear.
const (
	heavyPiece = 50
	gravity    = 9.81
	tugged     = 10
)

// weakLink fires when the piece, tugged, pulls with more than its cord or its
// weakest fitting bears, or hangs heavy on a round ring that is only bent shut.
var weakLink = Check{
	Code: "weak-link", Step: StepEnds,
	Strand: func(v *View, s *measure.Strand) []Problem {
		found := ofComponents(v, s, linkWeak)
		mass, c := v.MassOf(s), s.Row.Cord
		load := tug(mass)
		holds := c.Cord.Strength * float64(s.Row.Passes)
		if c.Cord.Strength <= 0 || holds >= load-tiny {
			return found
		}
		return append(found, Problem{Severity: Warn, At: s.Row.At(), cause: "cord", Fact: CordWeak{Pull{mass, load, holds}, c}})
	},
	End: func(v *View, s *measure.Strand, e *measure.End) []Problem {
		for _, p := range e.Parts {
			if p.Material == nil || p.Material.Finding == nil {
				continue
			}
			f := Problem{Severity: Warn, At: s.Row.AtEnd(e.Side), cause: "fitting"}
			f.At.Fitting = p.Fitting
			holds, known := p.Material.Finding.Holds()
			mass := v.carried(s, &p)
			load := tug(mass)
			switch {
			case known && holds < load-tiny:
				f.Fact = FittingWeak{Pull{mass, load, holds}, p.Material, e.Side}
			case mass > heavyPiece && openRound(p.Material.Finding):
				f.Severity, f.Fact = Advise, HeavyOnRing{mass, p.Material, e.Side}
			default:
				continue
			}
			return []Problem{f}
		}
		return nil
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		load := tug(v.MassOf(s))
		if c := componentAt(s, f); c != nil {
			return otherRings(c, shelf, func(was, ring *material.Finding) bool {
				holds, known := ring.Holds()
				return ring.Inside >= was.Inside && (!openRound(ring) || known && holds >= c.MassG/1000*gravity*tugged)
			})
		}
		if f.cause == "cord" {
			was := s.Row.Cord.Cord
			return strungOn(s, shelf.Materials, func(c *material.Cord) bool {
				return c.Type == was.Type && c.Strength*float64(s.Row.Passes) >= load
			})
		}
		e := s.End(f.At.Side)
		for i := range e.Parts {
			if p := &e.Parts[i]; p.Fitting == f.At.Fitting && p.Role == measure.RoleRing {
				load = tug(v.carried(s, p))
				return instead(v, p, shelf, func(c *material.Finding) bool {
					holds, known := c.Holds()
					return c.IsRing() && c.IsOpen() && !openRound(c) && (!known || holds >= load)
				})
			}
		}
		return nil
	},
}

// Load is the pull in newtons that the piece must bear, tugged.
func Load(m *measure.Measured) float64 { return tug(m.MassG) }

// tug is the pull in newtons of a tug on this many grams.
func tug(grams float64) float64 { return grams / 1000 * gravity * tugged }

// carried is what a part of an end bears: what rows share all of it, a row's own
// fittings that row alone.
func (v *View) carried(s *measure.Strand, p *measure.Part) float64 {
	if p.Shared {
		return v.MassG
	}
	return v.MassOf(s)
}

// openRound says whether the finding is a round ring that is only bent shut.
func openRound(f *material.Finding) bool {
	return f.Type == material.JumpRing && f.Joint != "soldered" && f.Form != "oval"
}

// Pull is a tug on this many grams, in newtons, and what holds against it.
type Pull struct{ Grams, Load, Holds float64 }

// What may give when the piece is tugged.
type (
	CordWeak struct {
		Pull
		Cord *material.Material
	}
	FittingWeak struct {
		Pull
		Of   *material.Material
		Side piece.Side
	}
	HeavyOnRing struct {
		Grams float64
		Ring  *material.Material
		Side  piece.Side
	}
)

func (CordWeak) fact()    {}
func (FittingWeak) fact() {}
func (HeavyOnRing) fact() {}
