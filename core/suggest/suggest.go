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
	p := &picker{m: m, shelf: shelf, metal: mainMetal(m)}
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

// mainMetal is the metal most of the piece's findings have.
func mainMetal(m *measure.Measured) string {
	count, most := map[string]int{}, ""
	for _, c := range m.Tally {
		if c.Material.Finding == nil || c.Material.Metal == "" {
			continue
		}
		if count[c.Material.Metal] += c.Count; count[c.Material.Metal] > count[most] {
			most = c.Material.Metal
		}
	}
	return most
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

func (p *picker) crimp(side string) *Suggestion {
	s := p.m.Strands[0]
	d, passes := s.Row.Cord.Cord.Diameter, 2*s.Row.Passes
	need := material.HoleFor(passes, d)
	hole := length.MM(0)
	if n := len(s.Beads); n > 0 {
		hole = s.Beads[0].Material.Bead.Hole
		if side == "right" {
			hole = s.Beads[n-1].Material.Bead.Hole
		}
	}
	c := p.best(func(f *material.Finding) bool {
		return f.IsCrimp() && f.Inside >= need && f.Inside <= 2*need && f.Outside > hole &&
			(p.m.Piece.House.Crimp != piece.CrimpFolded || f.Type == material.CrimpTube)
	}, func(f *material.Finding) length.MM { return f.Inside - 1.3*need })
	if c == nil {
		return nil
	}
	reason := fmt.Sprintf("%d passes of %s take %s; it is %s inside and closes on them", passes, mm(d), mm(need), mm(c.Finding.Inside))
	if hole > 0 {
		reason += fmt.Sprintf(", and %s outside it stays out of the %s hole", mm(c.Finding.Outside), mm(hole))
	}
	return p.made(measure.DoesCrimp, side, c, reason+p.inMetal(c)+".")
}

func (p *picker) cover(side string) *Suggestion {
	crimp := p.has(side, measure.DoesCrimp)
	if crimp == nil {
		return nil
	}
	c := p.best(func(f *material.Finding) bool {
		return f.Type == material.CrimpCover && f.Outside > crimp.Finding.Outside && f.Outside <= 2.2*crimp.Finding.Outside && f.Length >= crimp.Finding.Length
	}, func(f *material.Finding) length.MM { return f.Outside - 1.6*crimp.Finding.Outside })
	if c == nil {
		return nil
	}
	reason := fmt.Sprintf("It closes to a ball of %s over the %s crimp%s", mm(c.Finding.Outside), mm(crimp.Finding.Outside), p.inMetal(c))
	if p.m.Piece.House.Covers == piece.No {
		reason += "; the house does without"
	}
	return p.made(measure.DoesCover, side, c, reason+".")
}

func (p *picker) guard(side string) *Suggestion {
	if p.m.Strands[0].Row.Cord.Cord.Type != material.Wire {
		return nil
	}
	c := p.best(func(f *material.Finding) bool { return f.Type == material.WireGuard }, func(f *material.Finding) length.MM { return 0 })
	if c == nil {
		return nil
	}
	reason := "It keeps the ring from wearing the wire through" + p.inMetal(c)
	if p.m.Piece.House.Guards == piece.GuardsNever {
		reason += "; the house does without"
	}
	return p.made(measure.DoesGuard, side, c, reason+".")
}

func (p *picker) ring(side string) *Suggestion {
	h := p.m.Piece.House
	if !needsRing(p.m, side) {
		return nil
	}
	const tug = 9.81 * 10 / 1000
	load := p.m.MassG * tug
	c := p.best(func(f *material.Finding) bool {
		holds, known := f.Holds()
		return (f.Type == material.SplitRing) == (h.Attach == piece.AttachSplit) && f.IsRing() && f.IsOpen() && (!known || holds >= load) && f.Inside >= 2
	}, func(f *material.Finding) length.MM { return f.Inside - 3.5 })
	if c == nil {
		return nil
	}
	reason := "It opens to take the clasp"
	if h.Attach == piece.AttachSplit {
		reason = "Wound on, it cannot pull open"
	}
	if holds, known := c.Finding.Holds(); known {
		reason += fmt.Sprintf(", and bears %.0f N; tugged, the piece pulls with %.1f N", holds, load)
	}
	return p.made(measure.DoesRing, side, c, reason+p.inMetal(c)+".")
}

// needsRing says whether an end wants a ring: by the house's way of putting
// clasps on, and so that a clasp put on directly has something to close into.
func needsRing(m *measure.Measured, side string) bool {
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

// made makes the suggestion, with the edit that puts the fitting into its place
// in the threading order or in the place of the one there is.
func (p *picker) made(does, side string, c *material.Material, reason string) *Suggestion {
	out := &Suggestion{Does: does, End: side, Material: c, Reason: reason}
	old := p.has(side, does)
	if old != nil && old.ID == c.ID {
		out.Has = true
		return out
	}
	ends := check.EndsOf(p.m.Piece)
	says := "Use " + c.Name
	switch row, closure := ends.Side(side); {
	case old != nil:
		ends.Swap(side, old, c)
	case does == measure.DoesRing:
		*closure = append(*closure, c)
	default:
		*row = insertInOrder(*row, c)
	}
	out.Fix = &check.Fix{Says: says, Edit: check.Edit{Ends: &ends}}
	return out
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
