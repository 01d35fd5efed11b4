package pattern

import "fmt"

// Placed is one bead of the expanded sequence.
type Placed struct {
	Node     *Node
	Reversed bool // it stands under an odd number of reversals
	List     int  // which showing of the list its node stands in: 0 for the first
}

// Fills says how often each fill repeats.
type Fills map[*Node]int

// Size counts the beads of the line without laying them out, at most one past
// MaxBeads.
func (l *Line) Size(fills Fills) int { return size(l.Items, fills) }

func size(items []*Node, fills Fills) int {
	sum := 0
	for _, n := range items {
		sum = min(sum+n.size(fills), MaxBeads+1)
	}
	return sum
}

func (n *Node) size(fills Fills) int {
	one := 1
	switch u := n.Unit.(type) {
	case *Group:
		one = size(u.Items, fills)
	case *Mirror:
		one = 2*size(u.Half, fills) + size(u.Centre, fills)
	case *Fill:
		one = size(u.Items, fills) * fills[n]
	}
	return min(n.Count*min(one, MaxBeads+1), MaxBeads+1)
}

// Expand lays the line out bead by bead. The error is a *Fault if there are
// more than MaxBeads.
func (l *Line) Expand(fills Fills) ([]Placed, error) {
	n := l.Size(fills)
	if n > MaxBeads {
		return nil, fault(TooMany, 1, fmt.Sprintf("This is more than %d beads, the most in one strand. Make a count smaller.", MaxBeads), "a smaller count")
	}
	e := expansion{fills: fills, beads: make([]Placed, 0, n)}
	e.items(l.Items, false, 0)
	return e.beads, nil
}

type expansion struct {
	fills Fills
	beads []Placed
	shown map[*Node]int // lists already shown, by their owner
}

// showing numbers the showings of the lists inside n.
func (e *expansion) showing(n *Node) int {
	if e.shown == nil {
		e.shown = map[*Node]int{}
	}
	e.shown[n]++
	return e.shown[n] - 1
}

func (e *expansion) items(items []*Node, reversed bool, list int) {
	for i := range items {
		n := items[i]
		if reversed {
			n = items[len(items)-1-i]
		}
		e.node(n, reversed != n.Reversed, list)
	}
}

func (e *expansion) node(n *Node, reversed bool, list int) {
	if n.IsOne() {
		for range n.Count {
			e.beads = append(e.beads, Placed{Node: n, Reversed: reversed, List: list})
		}
		return
	}
	// A node that holds no bead is passed over, however often it repeats.
	if n.size(e.fills) == 0 {
		return
	}
	for range n.Count {
		switch u := n.Unit.(type) {
		case *Group:
			e.items(u.Items, reversed, e.showing(n))
		case *Fill:
			for range e.fills[n] {
				e.items(u.Items, reversed, e.showing(n))
			}
		case *Mirror:
			// A mirror turned round keeps its halves; only its centre turns.
			e.items(u.Half, false, e.showing(n))
			if len(u.Centre) > 0 {
				e.items(u.Centre, reversed, e.showing(n))
			}
			e.items(u.Half, true, e.showing(n))
		}
	}
}
