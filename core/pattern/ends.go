package pattern

import "slices"

// IsMirror says whether the whole line is one mirror.
func (l *Line) IsMirror() bool {
	return len(l.Items) == 1 && l.Items[0].isMirror() && l.Items[0].Count == 1 && !l.Items[0].Reversed
}

func (n *Node) isMirror() bool { _, is := n.Unit.(*Mirror); return is }

// Ends says at which ends of a line beads come.
type Ends int

// The ends.
const (
	RightEnd Ends = iota
	LeftEnd
	BothEnds
)

// WithEnds is the line with beads, as they are written, at its ends: inside a mirror that is the
// whole line, else before or behind it. It is nil where that cannot be written. It joins runs of
// one bead that meet.
func (l *Line) WithEnds(beads string, at Ends) *Line {
	text := l.String()
	switch {
	case l.IsMirror():
		text = "<" + beads + " " + text[1:]
	case at == BothEnds:
		text = beads + " " + text + " " + beads
	case at == LeftEnd:
		text = beads + " " + text
	default:
		text += " " + beads
	}
	parsed, err := Parse(text)
	if err != nil {
		return nil
	}
	if parsed.IsMirror() {
		mergeRuns(parsed.Items[0].Unit.lists()[0])
	}
	if parsed, err = Parse(parsed.Merged().String()); err != nil {
		return nil
	}
	return parsed
}

// Outermost are the items that stand beside what WithEnds puts there.
func (l *Line) Outermost(at Ends) []*Node {
	switch {
	case len(l.Items) == 0:
		return nil
	case l.IsMirror():
		return l.Items[0].Items()[:1]
	case at == BothEnds:
		return []*Node{l.Items[0], l.Items[len(l.Items)-1]}
	case at == LeftEnd:
		return l.Items[:1]
	}
	return l.Items[len(l.Items)-1:]
}

// Counted is the line with its open fill as a group that comes as often as the fill does, at
// least once; the line itself where it has none.
func (l *Line) Counted(fills Fills) *Line {
	if l.OpenFill() == nil {
		return l
	}
	out := l.Clone()
	n := out.OpenFill()
	n.Count = min(n.Count*max(1, fills.Of(out)[n]), MaxCount)
	n.Unit = &Group{Items: n.Items()}
	n.collapse()
	out.number()
	return out
}

// Backwards is the line with its beads in the other order, each lying as it lies.
func (l *Line) Backwards() *Line {
	out := l.Clone()
	turnBack(out.Items)
	if parsed, err := Parse(out.String()); err == nil {
		return parsed
	}
	return out
}

// turnBack lets items come in the other order, and those inside them; a mirror reads the
// same from both ends.
func turnBack(items []*Node) {
	slices.Reverse(items)
	for _, n := range items {
		if n.IsGroup() || n.IsFill() {
			turnBack(n.Items())
		}
	}
}

// Turned is the line the other way round with every bead turned, written as short as it can
// be. The error is of a line that cannot be written so, such as one that is too deep.
func (l *Line) Turned() (*Line, error) {
	switch items := l.Items; {
	case len(items) == 0:
		return l, nil
	case len(items) == 1 && items[0].IsGroup() && items[0].Reversed && items[0].Count == 1:
		inner := &Line{Items: items[0].Items()}
		return Parse(inner.String())
	}
	return Parse("~(" + l.String() + ")")
}
