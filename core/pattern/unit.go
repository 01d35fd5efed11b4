package pattern

import (
	"strings"

	"mala/core/length"
)

// Unit is what a node stands for: each kind is a type of its own, with exactly its fields. A bead
// and a gap are values, and equal where they are written alike; the others are changed where they
// are.
type Unit interface {
	// Kind names it.
	Kind() Kind
	// lists gives what it holds, in reading order.
	lists() []*[]*Node
	clone() Unit
	write(b *strings.Builder)
}

// The units.
type (
	// Bead is a bead of a dish.
	Bead struct{ Key string }

	// Gap is bare cord, which stands in the sequence like a bead.
	Gap struct {
		Text    string // as written, with its sign
		Length  length.MM
		Middles bool // from the middle of a bead to the middle of the next
	}

	// Group is ( ... ).
	Group struct {
		Items []*Node
		Free  bool // ? stands before it: its beads may come in any order
	}

	// Mirror is < half | centre >.
	Mirror struct{ Half, Centre []*Node }

	// Fill is { ... }, which fills the length that is left, or { length: ... }.
	Fill struct {
		Items  []*Node
		Length length.MM
		Text   string // that length as typed; empty for an open fill
	}

	// Drop is [ beads . foot ]: one place of the strand, its beads hang from it.
	Drop struct {
		Items []*Node
		Foot  []*Node // the bead that the cord turns round
	}

	// Loop is bead[ beads ]: one bead of the strand, the cord hanging in a loop through it.
	Loop struct {
		Through []*Node // that bead
		Items   []*Node
	}
)

// Kind names a kind of unit.
type Kind string

// The kinds.
const (
	KindBead   Kind = "bead"
	KindGap    Kind = "gap"
	KindGroup  Kind = "group"
	KindMirror Kind = "mirror"
	KindFill   Kind = "fill"
	KindDrop   Kind = "drop"
	KindLoop   Kind = "loop"
)

func (Bead) Kind() Kind    { return KindBead }
func (Gap) Kind() Kind     { return KindGap }
func (*Group) Kind() Kind  { return KindGroup }
func (*Mirror) Kind() Kind { return KindMirror }
func (*Fill) Kind() Kind   { return KindFill }
func (*Drop) Kind() Kind   { return KindDrop }
func (*Loop) Kind() Kind   { return KindLoop }

func (Bead) lists() []*[]*Node      { return nil }
func (Gap) lists() []*[]*Node       { return nil }
func (u *Group) lists() []*[]*Node  { return []*[]*Node{&u.Items} }
func (u *Mirror) lists() []*[]*Node { return []*[]*Node{&u.Half, &u.Centre} }
func (u *Fill) lists() []*[]*Node   { return []*[]*Node{&u.Items} }
func (u *Drop) lists() []*[]*Node   { return []*[]*Node{&u.Items, &u.Foot} }
func (u *Loop) lists() []*[]*Node   { return []*[]*Node{&u.Through, &u.Items} }

func (u Bead) clone() Unit    { return u }
func (u Gap) clone() Unit     { return u }
func (u *Group) clone() Unit  { return &Group{cloneAll(u.Items), u.Free} }
func (u *Mirror) clone() Unit { return &Mirror{cloneAll(u.Half), cloneAll(u.Centre)} }
func (u *Fill) clone() Unit   { return &Fill{cloneAll(u.Items), u.Length, u.Text} }
func (u *Drop) clone() Unit   { return &Drop{cloneAll(u.Items), cloneAll(u.Foot)} }
func (u *Loop) clone() Unit   { return &Loop{cloneAll(u.Through), cloneAll(u.Items)} }

func (u Bead) write(b *strings.Builder) { b.WriteString(u.Key) }
func (u Gap) write(b *strings.Builder)  { b.WriteString(u.Text) }

func (u *Group) write(b *strings.Builder) {
	if u.Free {
		b.WriteByte('?')
	}
	b.WriteByte('(')
	writeItems(b, u.Items)
	b.WriteByte(')')
}

func (u *Mirror) write(b *strings.Builder) {
	b.WriteByte('<')
	writeItems(b, u.Half)
	b.WriteString(" |")
	if len(u.Centre) > 0 {
		b.WriteByte(' ')
		writeItems(b, u.Centre)
	}
	b.WriteByte('>')
}

func (u *Fill) write(b *strings.Builder) {
	b.WriteByte('{')
	if !u.IsOpen() {
		b.WriteString(u.Text + ": ")
	}
	writeItems(b, u.Items)
	b.WriteByte('}')
}

func (u *Drop) write(b *strings.Builder) {
	b.WriteByte('[')
	writeItems(b, u.Items)
	b.WriteString(" . ")
	writeItems(b, u.Foot)
	b.WriteByte(']')
}

func (u *Loop) write(b *strings.Builder) {
	writeItems(b, u.Through)
	b.WriteByte('[')
	writeItems(b, u.Items)
	b.WriteByte(']')
}

// IsOpen says whether it fills the length that is left.
func (u *Fill) IsOpen() bool { return u.Text == "" }

// Typed is the length of the gap as typed.
func (u Gap) Typed() string { return u.Text[1:] }

// IsBead says whether the node is a run of beads of one dish.
func (n *Node) IsBead() bool { _, is := n.Unit.(Bead); return is }

// IsGap says whether the node is bare cord between beads.
func (n *Node) IsGap() bool { _, is := n.Unit.(Gap); return is }

// IsPitch says whether the gap is given from middle to middle.
func (n *Node) IsPitch() bool { gap, is := n.Unit.(Gap); return is && gap.Middles }

// IsFill says whether the node fills a length.
func (n *Node) IsFill() bool { _, is := n.Unit.(*Fill); return is }

// IsGroup says whether the node is a group.
func (n *Node) IsGroup() bool { _, is := n.Unit.(*Group); return is }

// Counts says whether another count of the node is another piece of the same pattern: it is a run
// of beads, or a group.
func (n *Node) Counts() bool { return n.IsBead() || n.IsGroup() }

// Hangs says whether the node's beads hang on the strand's own cord.
func (n *Node) Hangs() bool {
	switch n.Unit.(type) {
	case *Drop, *Loop:
		return true
	}
	return false
}

// Key is how a bead or a gap stands in a sequence: the dish's letter, or the gap as written; empty
// of all else.
func (n *Node) Key() string {
	switch u := n.Unit.(type) {
	case Bead:
		return u.Key
	case Gap:
		return u.Text
	}
	return ""
}

// Items is what stands in a group, a fill, a drop, a loop or a mirror's half; nothing in a bead.
func (n *Node) Items() []*Node {
	switch u := n.Unit.(type) {
	case *Group:
		return u.Items
	case *Mirror:
		return u.Half
	case *Fill:
		return u.Items
	case *Drop:
		return u.Items
	case *Loop:
		return u.Items
	}
	return nil
}

// Centre is what stands in the middle of a mirror, at the foot of a drop, or in the strand where a
// loop hangs.
func (n *Node) Centre() []*Node {
	switch u := n.Unit.(type) {
	case *Mirror:
		return u.Centre
	case *Drop:
		return u.Foot
	case *Loop:
		return u.Through
	}
	return nil
}
