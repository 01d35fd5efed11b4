package pattern

import "fmt"

// MostInDrop is how many beads hang in one drop.
const MostInDrop = 400

// checkDrop holds a drop to beads that hang and one bead that its cord turns round.
func (n *Node) checkDrop() error {
	const expected = "a drop such as [10S . R]"
	if len(n.Centre) == 0 {
		return fault(Missing, n.Col, "A drop needs a . and the bead that its cord turns round: [10S . R].", expected)
	}
	if turn := n.Centre[0]; len(n.Centre) > 1 || turn.Kind != Bead || turn.IsGap() || turn.Count > 1 {
		return fault(Missing, n.Centre[0].Col, "The cord of a drop turns round one bead: [10S . R].", "one dish's letter")
	}
	var walk func(items []*Node) error
	walk = func(items []*Node) error {
		for _, one := range items {
			switch {
			case one.Kind == Drop:
				return fault(TooDeep, one.Col, "A drop cannot hang in another drop.", "a bead or a group")
			case one.Kind == Fill:
				return fault(BadFill, one.Col, "A drop has no length to fill. Give its beads a count.", "a count")
			case one.IsGap():
				return NoGap(one, "in a drop")
			}
			if err := walk(append(one.Items[:len(one.Items):len(one.Items)], one.Centre...)); err != nil {
				return err
			}
		}
		return nil
	}
	if err := walk(n.Items); err != nil {
		return err
	}
	if beads := size(n.Items, nil); beads >= MostInDrop {
		return fault(TooMany, n.Col, fmt.Sprintf("A drop has at most %d beads.", MostInDrop), "a smaller count")
	}
	return nil
}

// TooManyHang is the fault for drops of more beads in all than a strand may have.
func TooManyHang(n *Node) *Fault {
	return fault(TooMany, n.Col, fmt.Sprintf("More than %d beads hang in drops, the most in one strand. Make a count smaller.", MaxBeads), "a smaller count")
}

// NoDrop is the fault for a drop where there can be none.
func NoDrop(n *Node, where string) *Fault {
	return fault(BadFill, n.Col, fmt.Sprintf("There are no drops %s.", where), "a dish's letter")
}

// NoHanging is the fault for a thing in a drop that hangs by itself.
func NoHanging(n *Node, name string) *Fault {
	return fault(BadFill, n.Col, fmt.Sprintf("%s hangs by itself, and no cord runs down through it. Hang it on the strand.", name), "a bead with a hole")
}

// DropKey writes a drop as one place of the strand: once, and not reversed.
func (n *Node) DropKey() string {
	one := *n
	one.Count, one.Reversed = 1, false
	return one.String()
}

// Hanging lists the beads of a drop from the strand down, the one that its cord turns
// round last.
func (n *Node) Hanging() ([]Placed, error) {
	return (&Line{Items: append(n.Items[:len(n.Items):len(n.Items)], n.Centre...)}).Expand(nil)
}
