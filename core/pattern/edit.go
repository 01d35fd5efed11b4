package pattern

import (
	"fmt"
	"slices"
)

// Turns says of a dish's letter whether its bead shows which way round it is.
type Turns func(key string) bool

// Insert puts the items into the gap before bead at, into the list the bead on
// its left comes from, so that every repeat and the mirrored half follow. Where
// that list is shown turned round, the items go in turned too, and read on the
// spot as they were typed. A run beside its own kind becomes one longer run.
// The anchor stands behind what was put in.
func (l *Line) Insert(at int, items []*Node, fills Fills, turns Turns) (Anchor, error) {
	root := l.spans(fills)
	if at < 0 || at > root.to {
		return Anchor{}, fault(BadEdit, 1, fmt.Sprintf("There is no gap %d in a line of %d beads.", at, root.to), "a gap between two beads")
	}
	where, index, offset := root, len(l.Items), root.to
	if root.to > 0 {
		left := max(0, at-1)
		in, u := root.bead(left)
		before := u.repeat
		if (at > left) != in.reversed {
			before++
		}
		where, offset = in, at-in.from
		index = splitAt(in.items(l), u.node, before)
	}
	size := size(items, fills)
	if where.reversed {
		items = turned(items, turns)
	}
	list := where.items(l)
	*list = slices.Insert(*list, index, items...)
	mergeRuns(list)
	l.number()
	return Anchor{owner: where.owner, showing: where.showing, offset: offset + size, fallback: at + size}, l.checkFills()
}

// splitAt parts the node so that its first repeats stand before the index it
// gives, and the rest behind.
func splitAt(items *[]*Node, n *Node, before int) int {
	index := slices.Index(*items, n)
	switch {
	case before <= 0:
		return index
	case before >= n.Count:
		return index + 1
	}
	rest := n.clone()
	rest.Count = n.Count - before
	n.Count = before
	*items = slices.Insert(*items, index+1, rest)
	return index + 1
}

// clone copies the node and all it holds.
func (n *Node) clone() *Node {
	c := *n
	c.Unit = n.Unit.clone()
	return &c
}

func cloneAll(items []*Node) []*Node {
	var out []*Node
	for _, n := range items {
		out = append(out, n.clone())
	}
	return out
}

// turned gives the items in reverse order, each turned round if that shows.
func turned(items []*Node, turns Turns) []*Node {
	out := slices.Clone(items)
	slices.Reverse(out)
	for _, n := range out {
		if _, drop := n.Unit.(*Drop); !drop && (n.Key() == "" || turns == nil || turns(n.Key())) {
			n.Reversed = !n.Reversed
		}
	}
	return out
}

// mergeRuns joins neighbouring runs of the same bead.
func mergeRuns(items *[]*Node) {
	var out []*Node
	for _, n := range *items {
		if last := len(out) - 1; last >= 0 && n.Key() != "" && n.Key() == out[last].Key() && n.Reversed == out[last].Reversed && n.Count+out[last].Count <= MaxCount {
			out[last].Count += n.Count
			continue
		}
		out = append(out, n)
	}
	*items = out
}

// Delete takes the beads from up to to out of the nodes they come from: whole
// repeats lower a count, all else goes from every repeat and from the mirrored
// half. The anchor stands where they were.
func (l *Line) Delete(from, to int, fills Fills) (Anchor, error) {
	root := l.spans(fills)
	if from < 0 || to > root.to || from > to {
		return Anchor{}, fault(BadEdit, 1, fmt.Sprintf("There are no beads %d to %d in a line of %d.", from+1, to, root.to), "beads of this line")
	}
	anchor := Anchor{fallback: from}
	if from > 0 {
		in, _ := root.bead(from - 1)
		anchor = Anchor{owner: in.owner, showing: in.showing, offset: from - in.from, fallback: from}
	}
	d := deletion{from: from, to: to, drop: map[*Node]map[int]bool{}}
	d.mark(root)
	l.Items = d.rebuild(l.Items)
	l.number()
	return anchor, nil
}

// deletion remembers which repeats of which nodes go.
type deletion struct {
	from, to int
	drop     map[*Node]map[int]bool
}

func (d *deletion) mark(l *list) {
	for _, u := range l.units {
		if u.to <= d.from || u.from >= d.to {
			continue
		}
		if u.from >= d.from && u.to <= d.to {
			if d.drop[u.node] == nil {
				d.drop[u.node] = map[int]bool{}
			}
			d.drop[u.node][u.repeat] = true
			continue
		}
		for _, inner := range u.lists {
			d.mark(inner)
		}
	}
}

func (d *deletion) rebuild(items []*Node) []*Node {
	var out []*Node
	changed := false
	for _, n := range items {
		gone := len(d.drop[n])
		changed = changed || gone > 0
		n.Count -= gone
		if n.Count == 0 {
			continue
		}
		held := len(n.Items())
		for _, list := range n.Unit.lists() {
			*list = d.rebuild(*list)
		}
		left := n.leftOver()
		changed = changed || left != n
		if n = left; n == nil {
			continue
		}
		if len(n.Items()) < held {
			n.collapse()
		}
		if group, is := n.Unit.(*Group); is && n.Count == 1 && !n.Reversed && !group.Free && gone > 0 {
			out = append(out, group.Items...)
			continue
		}
		out = append(out, n)
	}
	if changed {
		mergeRuns(&out)
	}
	return out
}

// leftOver is what a node whose lists have lost beads is from now on: the bead of a loop stays in
// the strand, the centre of a mirror is a group. It is nil where nothing is left.
func (n *Node) leftOver() *Node {
	switch u := n.Unit.(type) {
	case Bead, Gap:
		return n
	case *Loop:
		switch {
		case len(u.Through) == 0:
			return nil
		case len(u.Items) == 0:
			return &Node{Unit: u.Through[0].Unit, Count: n.Count, Reversed: n.Reversed}
		}
		return n
	case *Drop:
		if len(u.Foot) == 0 {
			return nil
		}
	case *Mirror:
		if len(u.Half) == 0 && len(u.Centre) > 0 {
			n.Unit = &Group{Items: u.Centre}
			n.collapse()
			return n
		}
	}
	if len(n.Items()) == 0 {
		return nil
	}
	return n
}

// collapse makes a group that only holds one run into that run, repeated.
func (n *Node) collapse() {
	group, is := n.Unit.(*Group)
	if !is || len(group.Items) != 1 || group.Items[0].Key() == "" || n.Count*group.Items[0].Count > MaxCount {
		return
	}
	run := group.Items[0]
	n.Unit, n.Count = run.Unit, n.Count*run.Count
	n.Reversed = n.Reversed != run.Reversed
}

// SetCount makes the node come n times; 0 takes it out.
func (l *Line) SetCount(id, n int) error {
	if id < 0 || id >= len(l.Nodes) || n < 0 || n > MaxCount {
		return fault(BadCount, 1, fmt.Sprintf("A count goes from 1 to %d.", MaxCount), "a number from 1 to 9999")
	}
	if n > 0 {
		l.counted(id).Count = n
		return nil
	}
	node := l.Nodes[id]
	d := deletion{drop: map[*Node]map[int]bool{node: {}}}
	for i := range node.Count {
		d.drop[node][i] = true
	}
	l.Items = d.rebuild(l.Items)
	l.number()
	return nil
}

// Step makes the node come n times more, or fewer; it stays at least once, and a
// step past the most changes nothing.
func (l *Line) Step(id, n int) error {
	if id < 0 || id >= len(l.Nodes) {
		return fault(BadCount, 1, fmt.Sprintf("The bead line has no item %d.", id), "an item of the line")
	}
	if to := l.counted(id).Count + n; to >= 1 && to <= MaxCount {
		l.counted(id).Count = to
	}
	return nil
}

// counted is the node whose count says how often this one comes: with the bead of a
// loop comes its loop.
func (l *Line) counted(id int) *Node {
	for _, loop := range l.Nodes {
		if u, is := loop.Unit.(*Loop); is && u.Through[0] == l.Nodes[id] {
			return loop
		}
	}
	return l.Nodes[id]
}

// InsertBetween puts the items into a gap so that as little as possible follows:
// outside of a group that begins or ends there, and inside a mirror that is all of
// the line. Between two repeats of a group it goes to the end of the group, and
// the middle of a mirror without a centre becomes its centre. The anchor stands
// behind what was put in. The error is a *Fault.
func (l *Line) InsertBetween(gap int, items []*Node, fills Fills, turns Turns) (Anchor, error) {
	root := l.spans(fills)
	if gap < 0 || gap > root.to {
		return Anchor{}, fault(BadEdit, 1, fmt.Sprintf("There is no gap %d in a line of %d beads.", gap, root.to), "a gap between two beads")
	}
	in, at := root, 0
	for {
		inner, index := in.atGap(l, gap)
		if inner == nil {
			at = index
			break
		}
		in = inner
	}
	size := size(items, fills)
	if in.reversed {
		items = turned(items, turns)
	}
	list := in.items(l)
	*list = slices.Insert(*list, at, items...)
	mergeRuns(list)
	l.number()
	return Anchor{owner: in.owner, showing: in.showing, offset: gap - in.from + size, fallback: gap + size}, l.checkFills()
}

// atGap finds where in the list a gap lies: in a list inside one of its units, or
// at an index of its own items.
func (l *list) atGap(line *Line, gap int) (inner *list, index int) {
	items := l.items(line)
	whole := l.owner == nil && len(*items) == 1 && (*items)[0].isMirror() && (*items)[0].Count == 1
	for i, u := range l.units {
		switch {
		case whole && gap >= u.from && gap <= u.to:
			return u.around(gap)
		case gap > u.from && gap < u.to:
			return u.around(gap)
		case gap == u.to && i+1 < len(l.units) && l.units[i+1].node == u.node && !u.node.IsOne():
			return u.lists[len(u.lists)-1], 0
		case gap == u.from:
			return nil, l.indexAt(items, u, false)
		case gap == u.to:
			return nil, l.indexAt(items, u, true)
		}
	}
	return nil, len(*items)
}

// indexAt is the index of the items at which what goes before or behind a unit is
// put, a run being parted there.
func (l *list) indexAt(items *[]*Node, u unit, behind bool) int {
	before := u.repeat
	if behind != l.reversed {
		before++
	}
	return splitAt(items, u.node, before)
}

// around finds the list of the unit that a gap inside it lies in: of a half and a
// centre that meet there the half, of two halves that meet the centre between.
func (u unit) around(gap int) (*list, int) {
	if u.node.isMirror() && len(u.node.Centre()) == 0 && gap == u.lists[0].to {
		return &list{owner: u.node, centre: true, showing: u.lists[0].showing + 1, from: gap, to: gap}, 0
	}
	found := u.lists[0]
	for _, inner := range u.lists {
		if gap >= inner.from && gap <= inner.to && (!inner.centre || gap > inner.from && gap < inner.to) {
			found = inner
			if gap < inner.to {
				break
			}
		}
	}
	return found, 0
}

// Merged is the line with neighbouring runs of one bead joined.
func (l *Line) Merged() *Line {
	out := l.Clone()
	mergeRuns(&out.Items)
	out.number()
	return out
}
