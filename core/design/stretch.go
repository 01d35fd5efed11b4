package design

import (
	"slices"
	"strings"

	"mala/core/pattern"
)

// Stretch is repeats that are written out: the same items of a line again and again.
type Stretch struct {
	From, Items, Times int      // in the items of the line, or of the half of its mirror
	Also               *Stretch // the same on the other side of the piece
}

// The bounds of what counts as repeats written out: their items, and how often they come at least.
const (
	mostItems   = 8
	fewestTimes = 3
)

// stretches finds the repeats that are written out. Where a strand reads the same from both ends and
// has two of them, they change together.
func (k *knobs) stretches() []*Stretch {
	items := itemsOf(k.Row.Line)
	text := make([]string, len(items))
	for i, n := range items {
		if text[i] = n.String(); !n.IsBead() && !n.Hangs() && !n.IsGroup() || k.pinned(n) {
			text[i] = ""
		}
	}
	var out []*Stretch
	for from := 0; from < len(items); {
		best := (*Stretch)(nil)
		for size := 2; size <= min(mostItems, (len(items)-from)/fewestTimes); size++ {
			times := 1
			for same(text, from, from+times*size, size) {
				times++
			}
			if times >= fewestTimes && (best == nil || times*size > best.Times*best.Items) {
				best = &Stretch{From: from, Items: size, Times: times}
			}
		}
		if best == nil {
			from++
			continue
		}
		out = append(out, best)
		from += best.Items * best.Times
	}
	if len(out) == 2 && k.Mirror && !k.Row.Line.IsMirror() && out[0].Items == out[1].Items && out[0].Times == out[1].Times {
		out[0].Also = out[1]
		out = out[:1]
	}
	return out
}

func same(text []string, a, b, size int) bool {
	if b+size > len(text) {
		return false
	}
	for i := range size {
		if text[a+i] == "" || text[a+i] != text[b+i] {
			return false
		}
	}
	return true
}

// itemsOf is what a line is written of: the half of one that is a mirror as a whole.
func itemsOf(line *pattern.Line) []*pattern.Node {
	if line.IsMirror() {
		return line.Items[0].Items()
	}
	return line.Items
}

// String is one repeat as it is written.
func (s *Stretch) of(line *pattern.Line) string {
	var words []string
	for _, n := range itemsOf(line)[s.From : s.From+s.Items] {
		words = append(words, n.String())
	}
	return strings.Join(words, " ")
}

// with is the line with more repeats, or fewer; nil where it cannot be written.
func (s *Stretch) with(line *pattern.Line, more int) *pattern.Line {
	items := slices.Clone(itemsOf(line))
	for _, one := range []*Stretch{s.Also, s} { // from the right, so that the left one keeps its place
		if one == nil {
			continue
		}
		if more < 0 {
			items = slices.Delete(items, one.From, one.From-more*one.Items)
			continue
		}
		repeat := slices.Clone(items[one.From : one.From+one.Items])
		for range more {
			items = slices.Insert(items, one.From, repeat...)
		}
	}
	text := (&pattern.Line{Items: items}).String()
	if line.IsMirror() {
		text = "<" + text + " |" + strings.TrimPrefix(afterHalf(line), " ") + ">"
	}
	parsed, err := pattern.Parse(text)
	if err != nil {
		return nil
	}
	return parsed
}

func afterHalf(line *pattern.Line) string {
	return (&pattern.Line{Items: line.Items[0].Centre()}).String()
}
