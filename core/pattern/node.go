// Package pattern reads the bead line: the sequence of a strand as runs,
// groups, mirrors and fills. Text becomes a tree whose nodes know their place,
// the tree expands to beads that each know their node, and one canonical form
// prints it back.
package pattern

import (
	"strconv"
	"strings"
)

// Node is one item of a line: a unit, how often it comes, and whether it is
// turned round.
type Node struct {
	Unit     Unit
	Count    int  // 1 to MaxCount
	Reversed bool // ~ stands before it
	InDrop   bool // it hangs, and is no place of the strand itself

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
	n.Unit.write(b)
}

// number gives every node its ID in reading order.
func (l *Line) number() {
	l.Nodes = l.Nodes[:0]
	var walk func(items []*Node, hangs bool)
	walk = func(items []*Node, hangs bool) {
		for _, n := range items {
			n.ID, n.InDrop = len(l.Nodes), hangs
			l.Nodes = append(l.Nodes, n)
			for _, list := range n.Unit.lists() {
				walk(*list, hangs || n.Hangs())
			}
		}
	}
	walk(l.Items, false)
}

// IsOne says whether the node is one place of the strand for each time it comes.
func (n *Node) IsOne() bool { return n.IsBead() || n.IsGap() || n.Hangs() }

// OpenFill gives the line's open fill, or nil.
func (l *Line) OpenFill() *Node {
	for _, n := range l.Nodes {
		if fill, is := n.Unit.(*Fill); is && fill.IsOpen() {
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
	for _, list := range n.Unit.lists() {
		for _, one := range *list {
			if one == inner || one.Contains(inner) {
				return true
			}
		}
	}
	return false
}

// Has says whether beads of a letter stand in n, however deep.
func (n *Node) Has(letter string) bool {
	if n.IsOne() && !n.Hangs() {
		return n.Key() == letter
	}
	for _, list := range n.Unit.lists() {
		for _, one := range *list {
			if one.Has(letter) {
				return true
			}
		}
	}
	return false
}
