package pattern

// Mark remembers a bead by where it comes from: its node, the showing of the
// list the node stands in, and which bead of the node it is there.
type Mark struct {
	node          *Node
	list, ordinal int
	at            int
}

// Mark remembers bead i of the sequence.
func (l *Line) Mark(i int, fills Fills) (Mark, error) {
	beads, err := l.Expand(fills)
	if err != nil || i < 0 || i >= len(beads) {
		return Mark{}, fault(BadEdit, 1, "The bead line has no such bead.", "a bead of this line")
	}
	m := Mark{node: beads[i].Node, list: beads[i].List, at: i}
	for _, b := range beads[:i] {
		if b.Node == m.node && b.List == m.list {
			m.ordinal++
		}
	}
	return m, nil
}

// Refind gives the place of the bead in the line as it is now; ok is false if
// its node is gone.
func (l *Line) Refind(m Mark, fills Fills) (at int, ok bool) {
	beads, err := l.Expand(fills)
	if err != nil {
		return 0, false
	}
	seen := 0
	for i, b := range beads {
		if b.Node == m.node && b.List == m.list {
			at, ok = i, true
			if seen == m.ordinal {
				return at, true
			}
			seen++
		}
	}
	return at, ok
}
