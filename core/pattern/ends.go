package pattern

// IsMirror says whether the whole line is one mirror.
func (l *Line) IsMirror() bool {
	return len(l.Items) == 1 && l.Items[0].Kind == Mirror && l.Items[0].Count == 1 && !l.Items[0].Reversed
}

// WithEnds is the line with beads, as they are written, at its ends: inside a mirror that is the
// whole line; else before and behind it, or behind it alone. It is nil where that cannot be
// written. It joins runs of one bead that meet.
func (l *Line) WithEnds(beads string, both bool) *Line {
	text := l.String()
	switch {
	case l.IsMirror():
		text = "<" + beads + " " + text[1:]
	case both:
		text = beads + " " + text + " " + beads
	default:
		text += " " + beads
	}
	parsed, err := Parse(text)
	if err != nil {
		return nil
	}
	if parsed.IsMirror() {
		mergeRuns(&parsed.Items[0].Items)
	}
	if parsed, err = Parse(parsed.Merged().String()); err != nil {
		return nil
	}
	return parsed
}

// Outermost are the items that stand beside what WithEnds puts there.
func (l *Line) Outermost(both bool) []*Node {
	switch {
	case len(l.Items) == 0:
		return nil
	case l.IsMirror():
		return l.Items[0].Items[:1]
	case both:
		return []*Node{l.Items[0], l.Items[len(l.Items)-1]}
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
	n.Kind, n.Count = Group, min(n.Count*max(1, fills.Of(out)[n]), MaxCount)
	n.collapse()
	out.number()
	return out
}
