// Package suggest picks fittings for the ends of a strand from the catalogue,
// each with its reason, by what the cord, the beads and the house method ask.
package suggest

import (
	"cmp"
	"math"
	"slices"
	"strings"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Suggestion is one fitting for one end, why it is the one, and what puts it
// there.
type Suggestion struct {
	Role     measure.Role       // crimp, cover, guard, knot, loop of beads, ring or clasp
	Side     piece.Side         // empty for the clasp
	Material *material.Material // nil for a loop of beads
	Reason   Reason
	Metal    string // of the fitting, where it is that of the rest of the piece
	Has      bool   // the end has it already
	Fix      *check.Fix
}

// For suggests what may end a row, in threading order, one of each kind for either
// end; of an id that the piece does not have, the first row.
func For(m *measure.Measured, row piece.ID, shelf []*material.Material) []Suggestion {
	if m.Piece.Closure.Type != piece.Clasp || !rowOf(m, row).Row.Corded() {
		return nil
	}
	p := &picker{m: m, s: rowOf(m, row), shelf: shelf, metal: check.MainMetal(m)}
	var out []Suggestion
	for _, side := range piece.Sides() {
		for _, pick := range []func(side piece.Side) *Suggestion{p.crimp, p.fold, p.cover, p.guard, p.hiddenKnot, p.loop, p.ring} {
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

func rowOf(m *measure.Measured, row piece.ID) *measure.Strand {
	if s := m.Strand(row); s != nil {
		return s
	}
	return m.Leading()
}

type picker struct {
	m     *measure.Measured
	s     *measure.Strand
	shelf []*material.Material
	metal string
}

func (p *picker) strand() *measure.Strand { return p.s }

// has gives the part of an end in a role, nil for none.
func (p *picker) has(side piece.Side, role measure.Role) *measure.Part {
	return p.strand().End(side).Find(role)
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

// inMetal is the metal of a fitting that goes with the others; empty of another.
func (p *picker) inMetal(c *material.Material) string {
	if p.metal != "" && strings.EqualFold(c.Metal, p.metal) {
		return c.Metal
	}
	return ""
}

// want is what one fitting must be, what it should be, and what speaks for it.
type want struct {
	role   measure.Role
	ok     func(f *material.Finding) bool
	off    func(f *material.Finding) length.MM
	reason func(c *material.Material) Reason
}

// suited suggests what an end has if that will do, else the best of the shelf.
func (p *picker) suited(side piece.Side, w want) *Suggestion {
	old := p.has(side, w.role)
	if old != nil && w.ok(old.Material.Finding) {
		return &Suggestion{Role: w.role, Side: side, Material: old.Material, Reason: w.reason(old.Material), Metal: p.inMetal(old.Material), Has: true}
	}
	c := p.best(w.ok, w.off)
	if c == nil {
		return nil
	}
	return &Suggestion{Role: w.role, Side: side, Material: c, Reason: w.reason(c), Metal: p.inMetal(c),
		Fix: &check.Fix{Does: []check.Effect{check.Use{Of: c}}, Ops: []edit.Op{p.put(side, w.role, old, c)}}}
}

// put puts a fitting at an end, in the place of what it has in that role; a ring goes on the closure.
func (p *picker) put(side piece.Side, role measure.Role, old *measure.Part, of *material.Material) edit.Op {
	at := p.strand().Row.AtEnd(side)
	switch {
	case old != nil:
		at.Fitting = old.Fitting
		return edit.SetFitting{At: at, Of: of}
	case role == measure.RoleRing:
		const innermost = 99
		return edit.AddFitting{At: at, Of: of, Closure: true, N: innermost}
	}
	return edit.AddFitting{At: at, Of: of}
}

// fold suggests a fold-over end for cord that is neither crimped nor fine enough to
// be tied neatly: leather and waxed cord.
func (p *picker) fold(side piece.Side) *Suggestion {
	s := p.strand()
	if t := s.Row.Cord.Cord.Type; t != material.Leather && t != material.Waxed || p.has(side, measure.RoleCordEnd) != nil {
		return nil
	}
	wide := s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes)
	return p.suited(side, want{
		role:   measure.RoleFold,
		ok:     func(f *material.Finding) bool { return check.FoldsOver(f, s) },
		off:    func(f *material.Finding) length.MM { return f.Inside - wide },
		reason: func(c *material.Material) Reason { return TakesCord{c.Finding.Inside, wide} },
	})
}

func (p *picker) crimp(side piece.Side) *Suggestion {
	s, h := p.strand(), p.m.Piece.House
	if s.Row.Cord.Cord.Type != material.Wire {
		return nil // other cords are tied
	}
	d, passes := s.Row.Cord.Cord.Diameter, 2*s.Row.Passes
	need, hole := material.HoleFor(passes, d), p.lastHole(side)
	return p.suited(side, want{
		role: measure.RoleCrimp,
		ok: func(f *material.Finding) bool {
			return check.Grips(f, need) && h.ClosedCrimp(f) > hole && (h.Crimp != piece.CrimpFolded || f.Type == material.CrimpTube)
		},
		off: func(f *material.Finding) length.MM { return f.Inside - 1.4*need },
		reason: func(c *material.Material) Reason {
			return GripsCord{passes, d, need, c.Finding.Inside, h.ClosedCrimp(c.Finding), hole}
		},
	})
}

// lastHole is the hole of the bead beside an end's fittings, 0 for none.
func (p *picker) lastHole(side piece.Side) length.MM {
	beads := p.strand().Beads
	switch {
	case len(beads) == 0:
		return 0
	case side == piece.Right:
		return beads[len(beads)-1].Material.Bead.Hole
	}
	return beads[0].Material.Bead.Hole
}

func (p *picker) cover(side piece.Side) *Suggestion {
	crimp := p.has(side, measure.RoleCrimp)
	if crimp == nil {
		return nil
	}
	closed := p.m.Piece.House.ClosedCrimp(crimp.Material.Finding)
	return p.suited(side, want{
		role: measure.RoleCover,
		ok: func(f *material.Finding) bool {
			return f.Type == material.CrimpCover && check.Covers(f, crimp.Material.Finding, closed)
		},
		off: func(f *material.Finding) length.MM { return f.Outside - 1.6*closed },
		reason: func(c *material.Material) Reason {
			return CoversCrimp{closed, c.Finding.Outside, p.m.Piece.House.Covers == piece.No}
		},
	})
}

func (p *picker) guard(side piece.Side) *Suggestion {
	if p.strand().Row.Cord.Cord.Type != material.Wire {
		return nil
	}
	return p.suited(side, want{
		role: measure.RoleGuard,
		ok:   func(f *material.Finding) bool { return f.Type == material.WireGuard },
		off:  func(*material.Finding) length.MM { return 0 },
		reason: func(*material.Material) Reason {
			return GuardsWire{p.m.Piece.House.Guards == piece.GuardsNever}
		},
	})
}

func (p *picker) ring(side piece.Side) *Suggestion {
	if !needsRing(p.m, p.s, side) {
		return nil
	}
	split := p.m.Piece.House.Attach == piece.AttachSplit
	load := check.Load(p.m)
	return p.suited(side, want{
		role: measure.RoleRing,
		ok: func(f *material.Finding) bool {
			holds, known := f.Holds()
			return f.IsRing() && (f.Type == material.SplitRing) == split && f.IsOpen() && (!known || holds >= load) && f.Inside >= 2
		},
		off: func(f *material.Finding) length.MM { return f.Inside - 3.5 },
		reason: func(c *material.Material) Reason {
			holds, known := c.Finding.Holds()
			if !known {
				holds = 0
			}
			return JoinsClasp{split, holds, load}
		},
	})
}

// needsRing says whether an end wants a ring: by the house's way of putting
// clasps on, and so that a clasp put on directly has something to close into.
func needsRing(m *measure.Measured, s *measure.Strand, side piece.Side) bool {
	if on := m.Piece.Joined(s.Row, side); on != nil && on.Of.Finding != nil && on.Of.Finding.Holes > 1 {
		return false // each row goes in a hole of its own
	}
	for _, e := range s.Ends() {
		if button, _ := e.Button(); button != nil {
			return false // button and loop are on the cord itself
		}
	}
	if chain := s.End(side).Find(measure.RoleChain); chain != nil && chain.Material.Finding.IsOpen() {
		return false // its last link opens
	}
	if m.Piece.House.Attach != piece.AttachDirect {
		return true
	}
	clasp := s.End(side.Other()).Find(measure.RoleClasp)
	return clasp != nil && !clasp.Material.Finding.HasTwoHalves()
}

func (p *picker) clasp() *Suggestion {
	for _, side := range piece.Sides() {
		if part := p.has(side, measure.RoleClasp); part != nil {
			c := part.Material
			return &Suggestion{Role: measure.RoleClasp, Material: c, Has: true, Reason: ClosesAt{c.Finding.InSeries()}, Metal: p.inMetal(c)}
		}
	}
	if p.m.FoldsThroughBead() {
		return nil // a loop goes over it
	}
	c := p.best(func(f *material.Finding) bool {
		return f.IsClasp() && f.Type != material.Slide && f.Type != material.ButtonEnd
	}, func(f *material.Finding) length.MM { return f.InSeries() - 9 })
	if c == nil {
		return nil
	}
	op := edit.AddFitting{At: p.strand().Row.AtEnd(piece.Left), Closure: true, Of: c}
	return &Suggestion{Role: measure.RoleClasp, Material: c, Reason: ClosesAt{c.Finding.InSeries()}, Metal: p.inMetal(c),
		Fix: &check.Fix{Does: []check.Effect{check.CloseWith{Clasp: c}}, Ops: []edit.Op{op}}}
}
