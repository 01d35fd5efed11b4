package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Hanger is how an ornament hangs: from its top, straight down, its foot at the left end of
// its strand.
type Hanger struct {
	Middle length.MM // of its mass, below the top; nothing if it weighs nothing
	Below  []float64 // grams that hang below each bead
	Tips   []float64 // by how much each bead leans to its heavier side, in radians
	Widest length.MM // once round its widest part, as a loop goes over it
	Foot   float64   // grams below the lowest bead
}

// Hanger works it out; nil of a piece that does not hang.
func (m *Measured) Hanger() *Hanger {
	if !m.Piece.Hangs() {
		return nil
	}
	s := m.Leading()
	h := &Hanger{Below: make([]float64, len(s.Beads)), Tips: make([]float64, len(s.Beads))}
	sum, turn := 0.0, 0.0
	add := func(grams float64, up length.MM) { // from its foot
		sum += grams
		turn += grams * float64(up)
	}
	up := s.Left.Length
	for i := range s.Left.Parts {
		p := &s.Left.Parts[i]
		up -= p.Length
		add(m.massOfPart(p), up+p.Length/2)
		h.widen(p)
	}
	h.Foot = sum
	for i := range s.Beads {
		b := &s.Beads[i]
		h.Below[i] = sum
		grams := m.massOfBead(b)
		h.Tips[i] = tipped(b.Material.Bead, grams, sum)
		add(grams, s.Left.Length+b.At)
		if !b.Material.Bead.Hangs() {
			h.Widest = max(h.Widest, roundOf(b.Material.Bead))
		}
	}
	up = s.Left.Length + s.Strung + s.Slack
	for i := range s.Right.Parts {
		p := &s.Right.Parts[i]
		add(m.massOfPart(p), up+p.Length/2)
		up += p.Length
	}
	if sum > 0 {
		h.Middle = up - length.MM(turn/sum)
	}
	return h
}

// BelowLoop is how long an ornament is without the loop that it hangs by: that of its cord or of
// beads at the top, and what lies beyond it.
func (s *Strand) BelowLoop() length.MM {
	long := s.Finished()
	above := false
	for _, p := range s.Right.Parts {
		if above = above || p.Role == RoleLoop || p.Role == RoleCordLoop || p.Role == RoleBeads; above {
			long -= p.Length
		}
	}
	return long
}

// widen lets a part of the foot count as the widest.
func (h *Hanger) widen(p *Part) {
	switch {
	case p.Material == nil:
	case p.Material.Bead != nil:
		h.Widest = max(h.Widest, roundOf(p.Material.Bead))
	case p.Material.Finding != nil:
		f := p.Material.Finding
		h.Widest = max(h.Widest, math.Pi*max(f.Outside, f.Inside+2*f.Wire))
	}
}

// roundOf is once round a bead across its hole: π D of a round one, twice its width and
// thickness of a flat one.
func roundOf(b *material.Bead) length.MM {
	if b.Thick < b.Across {
		return min(math.Pi*b.Across, 2*(b.Across+b.Thick))
	}
	return math.Pi * b.Across
}

// tipped is by how much a bead whose hole lies off its middle by e leans towards its heavier
// side: of mass m, as long as L along its hole and with W below it, tan t = m e / (m L/2 + W L).
func tipped(b *material.Bead, grams, below float64) float64 {
	turns := grams * float64(b.HoleOff)
	if turns == 0 || b.Hangs() {
		return 0
	}
	return math.Atan2(turns, (grams/2+below)*float64(b.Length()))
}

// massOfBead is what a bead weighs with what hangs there on the strand's own cord.
func (m *Measured) massOfBead(b *Bead) float64 {
	if b.IsGap() {
		return 0
	}
	if b.Drop == nil {
		return m.weightOf(b.Material)
	}
	sum := 0.0
	b.Drop.Each(func(one *HungBead) { sum += m.weightOf(one.Material) })
	return sum
}

// massOfPart is what a part of an end weighs with what hangs on it.
func (m *Measured) massOfPart(p *Part) float64 {
	sum := 0.0
	if p.Material != nil {
		sum = m.weightOf(p.Material) * float64(max(1, p.Links))
	}
	if p.Loop != nil {
		for _, k := range p.Loop.kinds {
			sum += m.weightOf(k.material) * float64(k.count)
		}
	}
	for _, hung := range p.Hung {
		sum += m.weightOf(hung)
	}
	return sum
}

// Straightens is what has to hang below a stretch of the wire to pull its curl out, in grams,
// by the house's figure for its strands; 0 of a cord that does not curl.
func Straightens(c *material.Cord, h piece.House) float64 {
	switch {
	case c.Type != material.Wire:
		return 0
	case c.Filaments == 0 || c.Filaments > fewStrands && c.Filaments <= someStrands:
		return h.Curl19
	case c.Filaments <= fewStrands:
		return h.Curl7
	}
	return h.Curl49
}

// fewStrands and someStrands part the wires of 7, of 19 and of 49 strands.
const (
	fewStrands  = 7
	someStrands = 19
)
