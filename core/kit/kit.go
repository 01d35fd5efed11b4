// Package kit works out what goes into the bags of a kit: everything that its pieces are
// made of, what is added to be on the safe side, and which bag holds what.
package kit

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// Kit is one kit as it is packed: its pieces in one size and colourway each, and how the
// shop packs.
type Kit struct {
	Pieces  []Piece
	Premade map[string]bool // ids of components that the shop makes itself
	Own     map[string]bool // ids of what the buyer has
	Rules   []Rule
	Learner bool  // every cord is longer by one more working allowance
	Bags    []Bag // by the designer; what is in none of them is packed by the usual rule
}

// Piece is a piece and how many of it the kit holds.
type Piece struct {
	Of       *measure.Measured
	Quantity int
}

// Line is how much of one material the kit holds.
type Line struct {
	Of      *material.Material
	ByPiece []int // all copies of a piece together
	Count   int   // what the maker counts: of cords the lengths, of chain the links
	For     int   // of the count, what components are made of
	Cuts    []Cut
	Class   Class
	Spare   int // beyond the count; of an extender single links
	Own     bool
}

// Cut is this many alike lengths, for a row of a piece; of what components take, of no row.
type Cut struct {
	Piece, Row int  // Row is from 0; -1 of what all rows share and of what components take
	Made       bool // a component takes it
	N          int
	Length     length.MM
	More       length.MM // what a learner gets beyond it
}

// Total is the length of all its cuts, with what is more.
func (l *Line) Total() length.MM {
	sum := length.MM(0)
	for _, c := range l.Cuts {
		sum += (c.Length + c.More) * length.MM(c.N)
	}
	return sum
}

// Parts is in how many parts one comes: a spare is one of them. An extender comes in its
// links; anything else is whole.
func (l *Line) Parts() int {
	if l.Class == ClassExtender {
		return max(1, l.Of.Finding.Links)
	}
	return 1
}

// PackedParts is how many parts are packed, spares too; nothing of what the buyer has.
func (l *Line) PackedParts() int {
	if l.Own {
		return 0
	}
	return l.Count*l.Parts() + l.Spare
}

// Takes is how many this many kits take: the spares of all of them come out of whole ones.
func (l *Line) Takes(kits int) int {
	return (l.PackedParts()*kits + l.Parts() - 1) / l.Parts()
}

// Bill lists what the kit holds, in the order it is first needed: what components are made
// of before the strands.
func (k *Kit) Bill() []*Line {
	b := &biller{kit: k, at: map[string]*Line{}}
	for i := range k.Pieces {
		b.piece = i
		m := k.Pieces[i].Of
		for _, c := range m.Tally {
			if c.Length > 0 && c.Material.Class == material.ClassFinding {
				b.chain(c, k.Pieces[i].Quantity)
				continue
			}
			b.take(c.Material, c.Count*k.Pieces[i].Quantity, false)
		}
		for _, s := range m.Strands {
			b.cut(m, s, k.Pieces[i].Quantity)
		}
	}
	for _, l := range b.lines {
		l.Class = classOf(l, k.Pieces)
		l.Own = k.Own[l.Of.ID]
		if !l.Own {
			l.Spare = Spares(k.Rules, l.Class, l.Count)
			b.lengthen(l)
		}
	}
	slices.SortStableFunc(b.lines, func(x, y *Line) int { return rank(x) - rank(y) })
	return b.lines
}

// rank puts what components are made of first, and cords last.
func rank(l *Line) int {
	switch {
	case l.For > 0 && l.For == l.Count:
		return 0
	case l.Of.Class == material.ClassCord:
		return 3
	case l.Of.Class == material.ClassFinding:
		return 2
	}
	return 1
}

type biller struct {
	kit   *Kit
	piece int
	lines []*Line
	at    map[string]*Line
}

func (b *biller) line(of *material.Material) *Line {
	l := b.at[of.ID]
	if l == nil {
		l = &Line{Of: of, ByPiece: make([]int, len(b.kit.Pieces))}
		b.at[of.ID], b.lines = l, append(b.lines, l)
	}
	return l
}

// take adds a material, a component by its parts unless the shop makes it.
func (b *biller) take(of *material.Material, n int, inComponent bool) {
	switch {
	case of.Component != nil && !b.kit.Premade[of.ID]:
		for _, part := range of.Component.Parts {
			if part.Of.Class == material.ClassCord {
				b.lengths(part.Of, Cut{Piece: b.piece, Row: -1, Made: true, N: n, Length: part.Length})
				continue
			}
			b.take(part.Of, part.Count*n, true)
		}
	case of.Class != material.ClassCord:
		l := b.line(of)
		l.Count += n
		l.ByPiece[b.piece] += n
		if inComponent {
			l.For += n
		}
	}
}

// chain adds links, and the length that they are cut to.
func (b *biller) chain(c measure.Count, quantity int) {
	l := b.line(c.Material)
	l.Count += c.Count * quantity
	l.ByPiece[b.piece] += c.Count * quantity
	for _, p := range b.kit.Pieces[b.piece].Of.ChainPieces(c.Material) {
		l.join(Cut{Piece: b.piece, Row: p.Strand, N: quantity, Length: p.Length})
	}
}

// cut adds the cord of a row, where it is not that of the row before.
func (b *biller) cut(m *measure.Measured, s *measure.Strand, quantity int) {
	if !s.Row.Corded() || s.Left.Hold == measure.HeldByRunning || s.Row.FoldOf != "" || s.CutLength() <= 0 {
		return
	}
	c := Cut{Piece: b.piece, Row: m.Piece.Number(s.Row.ID) - 1, N: quantity, Length: s.CutLength()}
	least := s.LeastCut()
	if legs := s.Legs(); legs != nil && !legs.Folded {
		c.N, c.Length, least = quantity*legs.Count, legs.Each, legs.Least
	}
	if b.kit.Learner {
		// Who strings for the first time needs the working allowance a second time.
		c.More = max(0, c.Length-least)
	}
	b.lengths(s.Row.Cord, c)
}

func (b *biller) lengths(of *material.Material, c Cut) {
	l := b.line(of)
	l.Count += c.N
	l.ByPiece[c.Piece] += c.N
	if c.Made {
		l.For += c.N
	}
	l.join(c)
}

// join adds a cut to those that are alike.
func (l *Line) join(c Cut) {
	for i, o := range l.Cuts {
		if o.Piece == c.Piece && o.Row == c.Row && o.Made == c.Made && o.Length == c.Length {
			l.Cuts[i].N += c.N
			return
		}
	}
	l.Cuts = append(l.Cuts, c)
}

// lengthen adds the shop's share to every cut of a cord.
func (b *biller) lengthen(l *Line) {
	if len(l.Cuts) == 0 || l.Class != ClassCord {
		return
	}
	l.Spare = 0
	for i := range l.Cuts {
		l.Cuts[i].More += shareOf(b.kit.Rules, ClassCord, l.Cuts[i].Length)
	}
}
