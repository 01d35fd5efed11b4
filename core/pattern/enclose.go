package pattern

import "slices"

// Bracket is what can be done to the beads of a selection as one.
type Bracket string

// The brackets.
const (
	InGroup   Bracket = "group"
	InMirror  Bracket = "mirror"
	InReverse Bracket = "reverse"
	InFill    Bracket = "fill"
	InFree    Bracket = "any-order"
)

// Enclose turns the selected beads into a group, a mirror's half, a fill, or turns
// them round. Runs are parted where the selection begins and ends; a selection
// that cuts through a group is refused. The anchors stand at both ends of what
// was made.
func (l *Line) Enclose(how Bracket, from, to int, fills Fills) (start, end Anchor, err error) {
	in, first, last, err := l.cutOut(from, to, fills)
	if err != nil {
		return start, end, err
	}
	items := in.items(l)
	selected := slices.Clone((*items)[first:last])
	var made *Node
	switch how {
	case InReverse:
		if len(selected) == 1 {
			made = selected[0]
			made.Reversed = !made.Reversed
		} else {
			made = &Node{Unit: &Group{Items: selected}, Count: 1, Reversed: true}
		}
	case InFree:
		made = &Node{Unit: &Group{Items: selected, Free: true}, Count: 1}
		if group, is := selected[0].Unit.(*Group); is && len(selected) == 1 && selected[0].Count == 1 {
			made = selected[0]
			group.Free = !group.Free
		}
		if err := made.checkFree(); err != nil {
			return start, end, err
		}
	case InMirror:
		made = &Node{Unit: &Mirror{Half: selected}, Count: 1}
	case InFill:
		made = &Node{Unit: &Fill{Items: selected}, Count: 1}
	default:
		made = &Node{Unit: &Group{Items: selected}, Count: 1}
	}
	*items = slices.Replace(*items, first, last, made)
	l.number()
	start = Anchor{owner: in.owner, showing: in.showing, offset: from - in.from, fallback: from}
	end = start
	end.offset, end.fallback = to-in.from, to
	if how == InMirror {
		grown := to - from
		end.offset, end.fallback = end.offset+grown, to+grown
	}
	return start, end, l.checkFills()
}

// cutOut finds the list that holds the selection and parts its nodes there, so
// that the selection is exactly the nodes first up to last.
func (l *Line) cutOut(from, to int, fills Fills) (in *list, first, last int, err error) {
	root := l.spans(fills)
	if from < 0 || to > root.to || from >= to {
		return nil, 0, 0, fault(BadEdit, 1, "Select some beads first.", "beads of this line")
	}
	in = root.holding(from, to)
	var covered []unit
	for _, u := range in.units {
		switch {
		case u.to <= from || u.from >= to:
		case u.from < from || u.to > to:
			return nil, 0, 0, fault(BadEdit, u.node.Col, "The selection cuts through a group. Select the whole of it, or beads inside it.", "whole repeats of the group")
		default:
			covered = append(covered, u)
		}
	}
	if in.reversed {
		slices.Reverse(covered)
	}
	items := in.items(l)
	head, tail := covered[0], covered[len(covered)-1]
	// The tail is parted first, so that the head's repeats keep their numbers.
	last = splitAt(items, tail.node, tail.repeat+1)
	before := len(*items)
	first = splitAt(items, head.node, head.repeat)
	return in, first, last + len(*items) - before, nil
}

// Ungroup writes out the innermost group, mirror or fill round the selection:
// its repeats one after the other, its mirrored half in full.
func (l *Line) Ungroup(from, to int, fills Fills) error {
	root := l.spans(fills)
	if from < 0 || to > root.to || from >= to {
		return fault(BadEdit, 1, "Select some beads first.", "beads of this line")
	}
	in := root.holding(from, to)
	target, outer := in.owner, root
	for _, u := range in.units {
		if !u.node.IsOne() && u.from <= from && u.to >= to {
			target = u.node
		}
	}
	if target == nil {
		return fault(BadEdit, 1, "The selection is not in a group or mirror.", "beads of a group")
	}
	items := outer.owning(target).items(l)
	var written []*Node
	for range target.Count {
		written = append(written, target.writtenOut(fills)...)
	}
	if target.Reversed {
		written = turned(written, nil)
	}
	if size(written, fills) > MaxBeads {
		return fault(TooMany, target.Col, "Ungrouped, this is too many beads.", "a smaller count")
	}
	index := slices.Index(*items, target)
	*items = slices.Replace(*items, index, index+1, written...)
	mergeRuns(items)
	l.number()
	return nil
}

// owning finds a list in which the node is written.
func (l *list) owning(n *Node) *list {
	for _, u := range l.units {
		if u.node == n {
			return l
		}
		for _, inner := range u.lists {
			if found := inner.owning(n); found != nil {
				return found
			}
		}
	}
	return nil
}

// writtenOut gives one repeat of the node without its brackets.
func (n *Node) writtenOut(fills Fills) []*Node {
	var out []*Node
	switch u := n.Unit.(type) {
	case *Fill:
		for range fills[n] {
			out = append(out, cloneAll(u.Items)...)
		}
	case *Mirror:
		out = append(cloneAll(u.Half), cloneAll(u.Centre)...)
		out = append(out, turned(cloneAll(u.Half), nil)...)
	default:
		out = cloneAll(n.Items())
	}
	return out
}

// Copy spells the selected beads so that they can be put in elsewhere: whole
// groups as groups, anything else as runs.
func (l *Line) Copy(from, to int, fills Fills, turns Turns) (string, error) {
	beads, err := l.Expand(fills)
	if err != nil {
		return "", err
	}
	if from < 0 || to > len(beads) || from >= to {
		return "", fault(BadEdit, 1, "Select some beads first.", "beads of this line")
	}
	// Parting nodes would change the line, so it is done to a line of its own.
	own := &Line{Items: cloneAll(l.Items)}
	own.number()
	ownFills := Fills{}
	for n, count := range fills {
		if n != nil {
			ownFills[own.Nodes[n.ID]] = count
		}
	}
	if in, first, last, err := own.cutOut(from, to, ownFills); err == nil && !in.reversed {
		return (&Line{Items: (*in.items(own))[first:last]}).String(), nil
	}
	var runs []*Node
	for _, p := range beads[from:to] {
		if p.Node.Hangs() {
			one := p.Node.clone()
			_, loop := p.Node.Unit.(*Loop)
			one.Count, one.Reversed = 1, p.Reversed && loop
			runs = append(runs, one)
			continue
		}
		runs = append(runs, &Node{Unit: p.Node.Unit, Count: 1, Reversed: p.Reversed && turns(p.Node.Key())})
	}
	mergeRuns(&runs)
	return (&Line{Items: runs}).String(), nil
}
