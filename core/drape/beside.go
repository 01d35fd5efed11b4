package drape

import (
	"math"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Pair is two rows that lie next to each other in a section, as they hang.
type Pair struct {
	Upper, Lower *measure.Strand
	Near         float64 // how near their middles come in front, in mm: 0 where they cross, Inf where nothing of them is there
	Need         float64 // half of their widths together
	Gap          float64 // how wide they lie apart where they are furthest from each other, less half of each width and what hangs between
	Wide         *Reach  // the bead that lies most on the other row, of those wider than its own; nil for none
	Hung         []Reach // what hangs from the upper row onto the lower
}

// Reach is a bead of one row, or what hangs at one of its ends, that reaches to the other.
type Reach struct {
	Strand *measure.Strand
	Of     *material.Material
	Bead   int        // -1 of what hangs at an end
	Side   piece.Side // of that end
	Near   float64    // how near the other row its middle comes, in mm; of what hangs, how near its ring does
	Need   float64    // half of both widths; of what hangs, how far it hangs down
}

// LiesOn says whether the rows lie on each other.
func (p *Pair) LiesOn() bool { return p.Near < LiesOn*p.Need-tiny }

// aside is the same as LiesOn of one wide bead, which moves the other row a little aside.
const aside = 0.8

// tiny is what sums of lengths leave behind.
const tiny = 1e-9

// Beside lists the rows next to each other in every section; nil where Rows is.
func Beside(m *measure.Measured) []Pair {
	type beside struct{}
	return m.Kept(beside{}, func() any {
		var out []Pair
		rows := Rows(m)
		if rows == nil {
			return out
		}
		for i := range m.Piece.Sections {
			section := &m.Piece.Sections[i]
			for k := 1; k < len(section.Rows); k++ {
				a, b := For(m, rows, m.Strand(section.Rows[k-1].ID)), For(m, rows, m.Strand(section.Rows[k].ID))
				out = append(out, pairOf(a, b, section == m.Piece.Main()))
			}
		}
		return out
	}).([]Pair)
}

// BesideRow is the pair whose upper row it is; nil for none.
func BesideRow(m *measure.Measured, s *measure.Strand) *Pair {
	pairs := Beside(m)
	for i := range pairs {
		if pairs[i].Upper.Row == s.Row {
			return &pairs[i]
		}
	}
	return nil
}

func pairOf(a, b *Necklace, main bool) Pair {
	p := Pair{Upper: a.strand, Lower: b.strand, Near: nearest(a, b), Need: half(a) + half(b)}
	if math.IsInf(p.Near, 1) {
		return p
	}
	p.Gap = gap(a, b, main)
	p.Wide = wide(a, b)
	p.Hung = hungOn(a, b)
	return p
}

// AtFront is half of both rows' widths where they hang lowest: wider than elsewhere where a wide bead hangs there.
func AtFront(a, b *Necklace) float64 {
	return max(half(a), a.halfLowest()) + max(half(b), b.halfLowest())
}

// half is half of a row's width, in mm.
func half(n *Necklace) float64 { return float64(n.strand.Width()) / 2 }

// gap is how wide two rows gape. Of the main section, whose rows hang lowest, it is the difference of
// their lowest places; of another the furthest that a place of the outer row lies from the inner one.
// What hangs from the upper row fills it.
func gap(a, b *Necklace, main bool) float64 {
	if main {
		low := a.Depth + half(a)
		for i := range a.strand.Beads {
			bead := a.strand.Beads[i].Material.Bead
			reach := float64(bead.Across) / 2
			if bead.Hangs() {
				reach = float64(bead.Drop)
			}
			low = max(low, a.seats()[i].Y+reach)
		}
		return b.Depth - low - max(half(b), b.halfLowest())
	}
	upper := inBlocks(a.own())
	most := 0.0
	for _, p := range b.own() {
		most = max(most, upper.away(p))
	}
	return most - half(a) - half(b)
}

// halfLowest is half the width of the bead that hangs lowest.
func (n *Necklace) halfLowest() float64 {
	low, across := math.Inf(-1), 0.0
	for i := range n.strand.Beads {
		bead := &n.strand.Beads[i]
		if y := n.seats()[i].Y; y > low && !bead.Material.Bead.Hangs() && !bead.IsGap() {
			low, across = y, float64(bead.Material.Bead.Across)/2
		}
	}
	return across
}

// wide finds the bead of either row, wider than most of its own, that lies most on the other row: for what
// it needs it comes nearest. Nil where none lies on it.
func wide(a, b *Necklace) *Reach {
	var worst *Reach
	look := func(of, other *Necklace) {
		front, widest := other.clear(inBlocks(other.own())), widestHalf(other)
		for i := range of.strand.Beads {
			bead := &of.strand.Beads[i]
			across := float64(bead.Material.Bead.Across) / 2
			if bead.Material.Bead.Hangs() || bead.IsGap() || across <= half(of)+tiny {
				continue
			}
			at := of.seats()[i]
			if at.Behind {
				continue
			}
			near := front.away(at.point())
			if near >= aside*(across+widest) {
				continue
			}
			need := across + max(half(other), other.halfAt(at))
			if near < aside*need-tiny && (worst == nil || near*worst.Need < worst.Near*need) {
				worst = &Reach{of.strand, bead.Material, i, "", near, need}
			}
		}
	}
	look(a, b)
	look(b, a)
	return worst
}

// widestHalf is half the width of the widest bead of a row, of what does not hang.
func widestHalf(n *Necklace) float64 {
	most := half(n)
	for i := range n.strand.Beads {
		if bead := n.strand.Beads[i].Material.Bead; !bead.Hangs() {
			most = max(most, float64(bead.Across)/2)
		}
	}
	return most
}

// halfAt is half the width of the bead of the row that lies nearest to a place, 0 where none is near.
func (n *Necklace) halfAt(at Seat) float64 {
	least, across := math.Inf(1), 0.0
	for i, p := range n.seats() {
		dx, dy := p.X-at.X, p.Y-at.Y
		if square := dx*dx + dy*dy; square < least {
			if bead := &n.strand.Beads[i]; !bead.Material.Bead.Hangs() && !bead.IsGap() {
				least, across = square, float64(bead.Material.Bead.Across)/2
			}
		}
	}
	return across
}

// seats are where the row's own beads lie.
func (n *Necklace) seats() []Seat {
	if n.beads == nil {
		n.beads = make([]Seat, len(n.strand.Beads))
		start, slack := n.starts(n.strand)
		stretch := stretched(n.strand, slack)
		for i := range n.strand.Beads {
			n.beads[i] = n.At(start + float64(n.strand.Beads[i].At)*stretch)
		}
	}
	return n.beads
}

// hungOn lists what hangs from the upper row onto the lower: its body, straight down from the cord,
// comes nearer to that row than half of both widths.
func hungOn(a, b *Necklace) []Reach {
	var out []Reach
	front := b.clear(inBlocks(b.own()))
	look := func(r Reach, at Seat) {
		bead := r.Of.Bead
		if bead == nil || !bead.Hangs() {
			return
		}
		drop, across := float64(bead.Drop), float64(bead.Across)/2
		if at.Behind || !front.meetsBody(at, drop, across, aside*(across+half(b))) {
			return
		}
		r.Strand, r.Near, r.Need = a.strand, front.away(at.point()), drop
		out = append(out, r)
	}
	for i := range a.strand.Beads {
		look(Reach{Of: a.strand.Beads[i].Material, Bead: i}, a.seats()[i])
	}
	a.eachAtEnds(func(p *measure.Part, side piece.Side, at Seat) {
		for _, hung := range p.Hung {
			look(Reach{Of: hung, Bead: -1, Side: side}, at)
		}
	})
	return out
}

// eachAtEnds goes through the parts of the row's own ends, with where the middle of each lies. What it
// shares with other rows is left out: they begin there.
func (n *Necklace) eachAtEnds(do func(p *measure.Part, side piece.Side, at Seat)) {
	start, slack := n.starts(n.strand)
	for _, e := range n.strand.Ends() {
		at, out := start, -1.0
		if e.Side == piece.Right {
			at, out = start+float64(n.strand.Strung+slack), 1
		}
		for i := range e.Parts {
			p := &e.Parts[i]
			if p.Shared || p.Role == measure.RoleRow {
				break
			}
			do(p, e.Side, n.At(at+out*float64(p.Length)/2))
			at += out * float64(p.Length)
		}
	}
}
