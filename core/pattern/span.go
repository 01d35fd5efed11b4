package pattern

// list is one showing of a list of nodes in the expanded sequence: the beads
// from (included) to (not included), and the units they come from.
type list struct {
	owner    *Node // whose items or centre this is; nil for the whole line
	centre   bool
	reversed bool
	showing  int // 0 for the first time this list is shown
	from, to int
	units    []unit
}

// unit is one repeat of one node in a list, in reading order.
type unit struct {
	node     *Node
	repeat   int // which repeat, counted as the line is written
	from, to int
	lists    []*list
}

// spans lays the line out as a tree of lists and units. It stops at MaxBeads: no
// strand has more, and a few characters can ask for a hundred million.
func (l *Line) spans(fills Fills) *list {
	s := spanner{fills: fills, shown: map[*Node]int{}}
	return s.list(nil, l.Items, false, false)
}

type spanner struct {
	fills Fills
	at    int
	shown map[*Node]int
}

func (s *spanner) list(owner *Node, items []*Node, centre, reversed bool) *list {
	out := &list{owner: owner, centre: centre, reversed: reversed, from: s.at}
	if owner != nil {
		out.showing = s.shown[owner]
		s.shown[owner]++
	}
	for i := range items {
		n := items[i]
		if reversed {
			n = items[len(items)-1-i]
		}
		if n.size(s.fills) == 0 {
			continue
		}
		for j := range n.Count {
			if s.at > MaxBeads {
				break
			}
			u := unit{node: n, repeat: j, from: s.at}
			if reversed {
				u.repeat = n.Count - 1 - j
			}
			u.lists = s.inside(n, reversed != n.Reversed)
			u.to = s.at
			out.units = append(out.units, u)
		}
	}
	out.to = s.at
	return out
}

// inside lays out one repeat of the node.
func (s *spanner) inside(n *Node, reversed bool) []*list {
	var lists []*list
	switch u := n.Unit.(type) {
	case *Group:
		lists = append(lists, s.list(n, u.Items, false, reversed))
	case *Fill:
		for range s.fills[n] {
			if s.at > MaxBeads {
				break
			}
			lists = append(lists, s.list(n, u.Items, false, reversed))
		}
	case *Mirror:
		lists = append(lists, s.list(n, u.Half, false, false))
		if len(u.Centre) > 0 {
			lists = append(lists, s.list(n, u.Centre, true, reversed))
		}
		lists = append(lists, s.list(n, u.Half, false, true))
	default:
		s.at++
	}
	return lists
}

// bead finds the list and the unit that bead i of the sequence comes from.
func (l *list) bead(i int) (*list, unit) {
	for _, u := range l.units {
		if i < u.from || i >= u.to {
			continue
		}
		for _, inner := range u.lists {
			if i >= inner.from && i < inner.to {
				return inner.bead(i)
			}
		}
		return l, u
	}
	return l, unit{}
}

// holding finds the deepest list that holds all beads from up to to.
func (l *list) holding(from, to int) *list {
	for _, u := range l.units {
		for _, inner := range u.lists {
			if from >= inner.from && to <= inner.to && (from > u.from || to < u.to) {
				return inner.holding(from, to)
			}
		}
	}
	return l
}

// Anchor is a place in the sequence, known by the list it stands in, so that it
// can be found again after an edit has moved the beads before it.
type Anchor struct {
	owner           *Node
	showing, offset int
	fallback        int
}

// Find gives the place of the anchor in the line as it is now.
func (l *Line) Find(a Anchor, fills Fills) int {
	root := l.spans(fills)
	at := root
	if a.owner != nil {
		at = root.find(a.owner, a.showing)
	}
	if at == nil {
		return min(a.fallback, root.to)
	}
	return min(at.from+a.offset, at.to)
}

func (l *list) find(owner *Node, showing int) *list {
	if l.owner == owner && l.showing == showing {
		return l
	}
	for _, u := range l.units {
		for _, inner := range u.lists {
			if found := inner.find(owner, showing); found != nil {
				return found
			}
		}
	}
	return nil
}

// items gives the list's nodes as they are written.
func (l *list) items(line *Line) *[]*Node {
	if l.owner == nil {
		return &line.Items
	}
	lists := l.owner.Unit.lists()
	if l.centre {
		return lists[1]
	}
	return lists[0]
}
