// Package suggest picks fittings for the ends of a strand from the catalogue,
// each with its reason, by what the cord, the beads and the house method ask.
package suggest

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Suggestion is one fitting for one end, why it is the one, and the edit that
// puts it there.
type Suggestion struct {
	Does     string // crimp, cover, guard, ring or clasp
	End      string // left or right; empty for the clasp
	Material *material.Material
	Reason   string
	Has      bool // the end has it already
	Fix      *check.Fix
}

// For suggests what may end the strand, in threading order, one of each kind for
// either end.
func For(m *measure.Measured, shelf []*material.Material) []Suggestion {
	if m.Piece.Closure.Type != piece.Clasp {
		return nil
	}
	p := &picker{m: m, shelf: shelf, metal: check.MainMetal(m)}
	var out []Suggestion
	for _, side := range []string{"left", "right"} {
		for _, pick := range []func(side string) *Suggestion{p.crimp, p.cover, p.guard, p.ring} {
			if s := pick(side); s != nil {
				out = append(out, *s)
			}
		}
	}
	if s := p.clasp(); s != nil {
		out = append(out, *s)
	}
	return out
}

type picker struct {
	m     *measure.Measured
	shelf []*material.Material
	metal string
}

func (p *picker) end(side string) measure.End {
	if side == "right" {
		return p.m.Strands[0].Right
	}
	return p.m.Strands[0].Left
}

// has gives the part of an end that does a thing, nil for none.
func (p *picker) has(side, does string) *material.Material {
	for _, part := range p.end(side).Parts {
		if part.Does == does && part.Material != nil {
			return part.Material
		}
	}
	return nil
}

// best picks the finding that passes and is nearest to what is wanted, by how
// far it is off in mm; another metal than the piece's counts as much as two.
func (p *picker) best(ok func(f *material.Finding) bool, off func(f *material.Finding) length.MM) *material.Material {
	const otherMetal = 2
	var fit []*material.Material
	for _, c := range p.shelf {
		if c.Finding != nil && ok(c.Finding) {
			fit = append(fit, c)
		}
	}
	if len(fit) == 0 {
		return nil
	}
	far := func(c *material.Material) float64 {
		by := math.Abs(float64(off(c.Finding)))
		if p.metal != "" && !strings.EqualFold(c.Metal, p.metal) {
			by += otherMetal
		}
		return by
	}
	return slices.MinFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(far(a), far(b)), cmp.Compare(a.ID, b.ID))
	})
}

// inMetal says of a fitting that it goes with the others.
func (p *picker) inMetal(c *material.Material) string {
	if p.metal != "" && strings.EqualFold(c.Metal, p.metal) {
		return ", " + strings.ToLower(c.Metal) + " like the rest"
	}
	return ""
}

// want is what one fitting must be, what it should be, and what speaks for it.
type want struct {
	does   string
	ok     func(f *material.Finding) bool
	off    func(f *material.Finding) length.MM
	reason func(c *material.Material) string
}

// suited suggests what an end has if that will do, else the best of the shelf.
func (p *picker) suited(side string, w want) *Suggestion {
	old := p.has(side, w.does)
	if old != nil && w.ok(old.Finding) {
		return &Suggestion{Does: w.does, End: side, Material: old, Reason: w.reason(old) + p.inMetal(old) + ".", Has: true}
	}
	c := p.best(w.ok, w.off)
	if c == nil {
		return nil
	}
	ends := check.EndsOf(p.m.Piece)
	switch row, closure := ends.Side(side); {
	case old != nil:
		ends.Swap(side, old, c)
	case w.does == measure.DoesRing:
		*closure = append(*closure, c)
	default:
		*row = insertInOrder(*row, c)
	}
	return &Suggestion{Does: w.does, End: side, Material: c, Reason: w.reason(c) + p.inMetal(c) + ".",
		Fix: &check.Fix{Says: "Use " + c.Name, Edit: check.Edit{Ends: &ends}}}
}

func (p *picker) crimp(side string) *Suggestion {
	s := p.m.Strands[0]
	d, passes := s.Row.Cord.Cord.Diameter, 2*s.Row.Passes
	need, hole := material.HoleFor(passes, d), p.lastHole(side)
	return p.suited(side, want{
		does: measure.DoesCrimp,
		ok: func(f *material.Finding) bool {
			return check.Grips(f, need) && f.Outside > hole &&
				(p.m.Piece.House.Crimp != piece.CrimpFolded || f.Type == material.CrimpTube)
		},
		off: func(f *material.Finding) length.MM { return f.Inside - 1.4*need },
		reason: func(c *material.Material) string {
			says := fmt.Sprintf("%d passes of %s take %s; it is %s inside and closes on them", passes, mm(d), mm(need), mm(c.Finding.Inside))
			if hole > 0 {
				says += fmt.Sprintf(", and %s outside it stays out of the %s hole", mm(c.Finding.Outside), mm(hole))
			}
			return says
		},
	})
}

// lastHole is the hole of the bead beside an end's fittings, 0 for none.
func (p *picker) lastHole(side string) length.MM {
	beads := p.m.Strands[0].Beads
	switch {
	case len(beads) == 0:
		return 0
	case side == "right":
		return beads[len(beads)-1].Material.Bead.Hole
	}
	return beads[0].Material.Bead.Hole
}

func (p *picker) cover(side string) *Suggestion {
	crimp := p.has(side, measure.DoesCrimp)
	if crimp == nil {
		return nil
	}
	return p.suited(side, want{
		does: measure.DoesCover,
		ok:   func(f *material.Finding) bool { return f.Type == material.CrimpCover && check.Covers(f, crimp.Finding) },
		off:  func(f *material.Finding) length.MM { return f.Outside - 1.6*crimp.Finding.Outside },
		reason: func(c *material.Material) string {
			return fmt.Sprintf("It closes to a ball of %s over the %s crimp", mm(c.Finding.Outside), mm(crimp.Finding.Outside)) + without(p.m.Piece.House.Covers == piece.No)
		},
	})
}

// without adds that the house does without a fitting.
func without(is bool) string {
	if is {
		return "; the house does without"
	}
	return ""
}

func (p *picker) guard(side string) *Suggestion {
	if p.m.Strands[0].Row.Cord.Cord.Type != material.Wire {
		return nil
	}
	return p.suited(side, want{
		does: measure.DoesGuard,
		ok:   func(f *material.Finding) bool { return f.Type == material.WireGuard },
		off:  func(*material.Finding) length.MM { return 0 },
		reason: func(*material.Material) string {
			return "It keeps the ring from wearing the wire through" + without(p.m.Piece.House.Guards == piece.GuardsNever)
		},
	})
}

func (p *picker) ring(side string) *Suggestion {
	if !needsRing(p.m, side) {
		return nil
	}
	split := p.m.Piece.House.Attach == piece.AttachSplit
	load := check.Load(p.m)
	return p.suited(side, want{
		does: measure.DoesRing,
		ok: func(f *material.Finding) bool {
			holds, known := f.Holds()
			return f.IsRing() && (f.Type == material.SplitRing) == split && f.IsOpen() && (!known || holds >= load) && f.Inside >= 2
		},
		off: func(f *material.Finding) length.MM { return f.Inside - 3.5 },
		reason: func(c *material.Material) string {
			says := "It opens to take the clasp"
			if split {
				says = "Wound on, it cannot pull open"
			}
			if holds, known := c.Finding.Holds(); known {
				says += fmt.Sprintf(", and bears %.0f N; tugged, the piece pulls with %.1f N", holds, load)
			}
			return says
		},
	})
}

// needsRing says whether an end wants a ring: by the house's way of putting
// clasps on, and so that a clasp put on directly has something to close into.
func needsRing(m *measure.Measured, side string) bool {
	own := m.Strands[0].Left
	if side == "right" {
		own = m.Strands[0].Right
	}
	if slices.ContainsFunc(own.Parts, func(p measure.Part) bool { return p.Does == measure.DoesChain && p.Material.Finding.IsOpen() }) {
		return false // its last link opens
	}
	if m.Piece.House.Attach != piece.AttachDirect {
		return true
	}
	e := m.Strands[0].Left
	if side == "left" {
		e = m.Strands[0].Right
	}
	return slices.ContainsFunc(e.Parts, func(p measure.Part) bool {
		return p.Does == measure.DoesClasp && p.Material.Finding.Type != material.Toggle
	})
}

func (p *picker) clasp() *Suggestion {
	for _, side := range []string{"left", "right"} {
		if c := p.has(side, measure.DoesClasp); c != nil {
			return &Suggestion{Does: measure.DoesClasp, Material: c, Has: true, Reason: fmt.Sprintf("It closes at %s%s.", mm(c.Finding.InSeries()), p.inMetal(c))}
		}
	}
	c := p.best(func(f *material.Finding) bool { return f.IsClasp() && f.Type != material.Slide }, func(f *material.Finding) length.MM { return f.InSeries() - 9 })
	if c == nil {
		return nil
	}
	ends := check.EndsOf(p.m.Piece)
	ends.ClosureLeft = append([]*material.Material{c}, ends.ClosureLeft...)
	return &Suggestion{Does: measure.DoesClasp, Material: c, Reason: fmt.Sprintf("It closes at %s%s.", mm(c.Finding.InSeries()), p.inMetal(c)),
		Fix: &check.Fix{Says: "Close it with " + c.Name, Edit: check.Edit{Ends: &ends}}}
}

// insertInOrder puts a crimp, cover or guard where it is threaded: crimp, cover,
// guard, then rings.
func insertInOrder(row []*material.Material, c *material.Material) []*material.Material {
	rank := func(f *material.Finding) int {
		switch {
		case f.IsCrimp():
			return 0
		case f.Type == material.CrimpCover:
			return 1
		case f.Type == material.WireGuard:
			return 2
		}
		return 3
	}
	at := 0
	for at < len(row) && rank(row[at].Finding) <= rank(c.Finding) {
		at++
	}
	return slices.Insert(slices.Clone(row), at, c)
}

// mm writes a small measure to a hundredth of a millimetre.
func mm(l length.MM) string { return fmt.Sprintf("%.4g mm", math.Round(float64(l)*100)/100) }
