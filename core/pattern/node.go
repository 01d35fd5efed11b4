// Package pattern reads the bead line: the sequence of a strand as runs,
// groups, mirrors and fills. Text becomes a tree whose nodes know their place,
// the tree expands to beads that each know their node, and one canonical form
// prints it back.
package pattern

import (
	"strconv"
	"strings"

	"mala/core/length"
)

// Kind says what a node of the line stands for.
type Kind string

// The kinds of node.
const (
	Bead   Kind = "bead"   // a dish's letter, or a gap, which stands in the sequence like a bead
	Group  Kind = "group"  // ( ... )
	Mirror Kind = "mirror" // < half | centre >
	Fill   Kind = "fill"   // { ... } or { length: ... }
	Drop   Kind = "drop"   // [ beads . turning bead ]: one place of the strand, its beads hang from it
	Loop   Kind = "loop"   // bead[ beads ]: one bead of the strand, the cord hanging in a loop through it
)

// Node is one item of a line: a unit, how often it comes, and whether it is
// turned round.
type Node struct {
	Kind     Kind
	Count    int  // 1 to MaxCount
	Reversed bool // ~ stands before it
	Free     bool // of a group: ? stands before it, its beads may come in any order
	Key      string
	Items    []*Node // of a group, a fill, a drop, a loop, or a mirror's half
	Centre   []*Node // of a mirror; of a drop the bead that the cord turns round, of a loop the one that it runs through
	InDrop   bool    // it hangs, and is no place of the strand itself

	Length     length.MM // of a fill to a given length, and of a gap
	LengthText string    // that length as typed; empty for an open fill

	ID  int // its number in the line, counted from 0 as the nodes are read
	Col int // column of its first character, from 1; 0 for one made by an edit
	End int // column just behind its last character
}

// Line is a whole bead line.
type Line struct {
	Items []*Node
	// Nodes holds every node by ID.
	Nodes []*Node
}

// String prints the line in its canonical form.
func (l *Line) String() string {
	var b strings.Builder
	writeItems(&b, l.Items)
	return b.String()
}

// String prints the node in its canonical form.
func (n *Node) String() string {
	var b strings.Builder
	n.write(&b)
	return b.String()
}

func writeItems(b *strings.Builder, items []*Node) {
	for i, n := range items {
		if i > 0 {
			b.WriteByte(' ')
		}
		n.write(b)
	}
}

func (n *Node) write(b *strings.Builder) {
	if n.Count > 1 {
		b.WriteString(strconv.Itoa(n.Count))
	}
	if n.Reversed {
		b.WriteByte('~')
	}
	switch n.Kind {
	case Bead:
		b.WriteString(n.Key)
	case Group:
		if n.Free {
			b.WriteByte('?')
		}
		b.WriteByte('(')
		writeItems(b, n.Items)
		b.WriteByte(')')
	case Mirror:
		b.WriteByte('<')
		writeItems(b, n.Items)
		b.WriteString(" |")
		if len(n.Centre) > 0 {
			b.WriteByte(' ')
			writeItems(b, n.Centre)
		}
		b.WriteByte('>')
	case Drop:
		b.WriteByte('[')
		writeItems(b, n.Items)
		b.WriteString(" . ")
		writeItems(b, n.Centre)
		b.WriteByte(']')
	case Loop:
		writeItems(b, n.Centre)
		b.WriteByte('[')
		writeItems(b, n.Items)
		b.WriteByte(']')
	case Fill:
		b.WriteByte('{')
		if n.LengthText != "" {
			b.WriteString(n.LengthText + ": ")
		}
		writeItems(b, n.Items)
		b.WriteByte('}')
	}
}

// number gives every node its ID in reading order.
func (l *Line) number() {
	l.Nodes = l.Nodes[:0]
	var walk func(items []*Node, hangs bool)
	walk = func(items []*Node, hangs bool) {
		for _, n := range items {
			n.ID, n.InDrop = len(l.Nodes), hangs
			l.Nodes = append(l.Nodes, n)
			first, second := n.Items, n.Centre
			if n.Kind == Loop {
				first, second = second, first
			}
			walk(first, hangs || n.Hangs())
			walk(second, hangs || n.Hangs())
		}
	}
	walk(l.Items, false)
}

// IsOne says whether the node is one place of the strand for each time it comes.
func (n *Node) IsOne() bool { return n.Kind == Bead || n.Hangs() }

// Hangs says whether the node's beads hang on the strand's own cord.
func (n *Node) Hangs() bool { return n.Kind == Drop || n.Kind == Loop }

// OpenFill gives the line's open fill, or nil.
func (l *Line) OpenFill() *Node {
	for _, n := range l.Nodes {
		if n.Kind == Fill && n.LengthText == "" {
			return n
		}
	}
	return nil
}

// Clone copies the line with all its nodes, each keeping its number.
func (l *Line) Clone() *Line {
	out := &Line{Items: cloneAll(l.Items)}
	out.number()
	return out
}

// Of gives the fills of a clone of the line that these are for.
func (f Fills) Of(clone *Line) Fills {
	out := Fills{}
	for n, count := range f {
		if n != nil && n.ID < len(clone.Nodes) {
			out[clone.Nodes[n.ID]] = count
		}
	}
	return out
}

// Top is the item of the line that the node of an id is, or stands in.
func (l *Line) Top(id int) *Node {
	top := l.Items[0]
	for _, n := range l.Items {
		if n.ID > id {
			break
		}
		top = n
	}
	return top
}

// Contains says whether a node lies in n, however deep.
func (n *Node) Contains(inner *Node) bool {
	for _, list := range [][]*Node{n.Items, n.Centre} {
		for _, one := range list {
			if one == inner || one.Contains(inner) {
				return true
			}
		}
	}
	return false
}

// Has says whether beads of a letter stand in n, however deep.
func (n *Node) Has(letter string) bool {
	if n.Kind == Bead {
		return n.Key == letter
	}
	for _, list := range [][]*Node{n.Items, n.Centre} {
		for _, one := range list {
			if one.Has(letter) {
				return true
			}
		}
	}
	return false
}
