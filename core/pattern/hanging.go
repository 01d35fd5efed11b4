package pattern

import (
	"fmt"
	"slices"
)

// MostInDrop is how many beads hang in one drop or loop; MostLoops how deep loops hang in
// loops.
const (
	MostInDrop = 400
	MostLoops  = 3
	pastDrop   = MostInDrop + 2
)

// takesLoop says whether the bead stands right before a bracket, which is then a loop
// through it.
func (n *Node) takesLoop(m *Node) bool {
	return n.IsBead() && n.End == m.Col && m.Count == 1 && !m.Reversed
}

// makeLoop hangs the bracket's beads in a loop through the bead.
func (n *Node) makeLoop(m *Node) {
	through := &Node{Unit: n.Unit, Count: 1, Col: n.End - len(n.Key()), End: n.End}
	n.Unit, n.End = &Loop{Through: []*Node{through}, Items: m.Items()}, m.End
}

// checkHanging holds what hangs on the strand's own cord to beads that can hang there, and
// a drop to one bead that its cord turns round; anything else passes.
func (n *Node) checkHanging() error {
	if !n.Hangs() {
		return nil
	}
	drop, isDrop := n.Unit.(*Drop)
	if isDrop {
		if turn := drop.Foot[0]; len(drop.Foot) > 1 || !turn.IsBead() || turn.Count > 1 {
			return fault(Missing, turn.Col, "The cord of a drop turns round one bead: [10S . R].", "one dish's letter")
		}
	}
	var walk func(items []*Node) error
	walk = func(items []*Node) error {
		for _, one := range items {
			switch {
			case isDrop && one.Hangs():
				return fault(TooDeep, one.Col, "Nothing can hang in a drop, whose cord goes back up through its beads. Hang it in a loop.", "a bead or a group")
			case one.Hangs():
				continue // it has been looked at by itself
			case one.IsFill():
				return fault(BadFill, one.Col, fmt.Sprintf("A %s has no length to fill. Give its beads a count.", n.Unit.Kind()), "a count")
			case one.IsGap():
				return NoGap(one, fmt.Sprintf("in a %s", n.Unit.Kind()))
			}
			if err := walk(slices.Concat(one.Items(), one.Centre())); err != nil {
				return err
			}
		}
		return nil
	}
	if err := walk(n.Items()); err != nil {
		return err
	}
	beads, levels := n.hanging()
	if loop, is := n.Unit.(*Loop); is {
		beads -= len(loop.Through)
	}
	switch {
	case levels > MostLoops:
		return fault(TooDeep, n.Col, fmt.Sprintf("Loops hang in loops at most %d deep.", MostLoops), "fewer brackets")
	case beads > MostInDrop:
		return fault(TooMany, n.Col, fmt.Sprintf("A %s has at most %d beads.", n.Unit.Kind(), MostInDrop), "a smaller count")
	}
	return nil
}

// hanging counts the beads that one of the node has, whatever hangs in it among them, at
// most one past MostInDrop; and how many levels hang in one another.
func (n *Node) hanging() (beads, levels int) {
	all := func(items []*Node) int {
		sum := 0
		for _, one := range items {
			held, deep := one.hanging()
			sum, levels = min(sum+one.Count*held, pastDrop), max(levels, deep)
		}
		return sum
	}
	beads = all(n.Items())
	switch n.Unit.(type) {
	case Bead, Gap:
		return 1, 0
	case *Mirror:
		beads *= 2
	case *Drop, *Loop:
		levels++
	}
	return min(beads+all(n.Centre()), pastDrop), levels
}

// TooManyHang is the fault for drops of more beads in all than a strand may have.
func TooManyHang(n *Node) *Fault {
	return fault(TooMany, n.Col, fmt.Sprintf("More than %d beads hang in drops and loops, the most in one strand. Make a count smaller.", MaxBeads), "a smaller count")
}

// NoDrop is the fault for a drop where there can be none.
func NoDrop(n *Node, where string) *Fault {
	return fault(BadFill, n.Col, fmt.Sprintf("Nothing hangs on the cord %s.", where), "a dish's letter")
}

// NoHanging is the fault for a thing in a drop that hangs by itself.
func NoHanging(n *Node, name string) *Fault {
	return fault(BadFill, n.Col, fmt.Sprintf("%s hangs by itself, and no cord runs down through it. Hang it on the strand.", name), "a bead with a hole")
}

// DropKey writes a drop or a loop as one place of the strand: once, and not reversed.
func (n *Node) DropKey() string {
	one := *n
	one.Count, one.Reversed = 1, false
	return one.String()
}

// Hanging lists the beads of a drop from the strand down, the one that its cord turns
// round last; of a loop as its cord takes them up, without the one that it runs through.
func (n *Node) Hanging() ([]Placed, error) {
	items := n.Items()
	if drop, is := n.Unit.(*Drop); is {
		items = slices.Concat(items, drop.Foot)
	}
	return (&Line{Items: items}).Expand(nil)
}
