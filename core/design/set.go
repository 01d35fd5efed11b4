package design

import (
	"math"
	"strconv"

	"mala/core/length"
	"mala/core/pattern"
)

// inchStep is how finely bare cord is set that is written in inches.
const inchStep = length.Inch / 16

// Range is how far a knob may be turned, in steps, either way.
func (k *Knob) Range() (least, most int) {
	switch {
	case k.Stretch != nil:
		return 1 - k.Stretch.Times, pattern.MaxCount
	case len(k.Gaps) > 0:
		shortest := length.MM(math.Inf(1))
		for _, n := range k.Gaps {
			shortest = min(shortest, n.Unit.(pattern.Gap).Length)
		}
		return -int(shortest/gapStep(k.Gaps[0].Unit.(pattern.Gap))) + 1, pattern.MaxCount
	}
	low, high := pattern.MaxCount, 0
	for _, n := range k.Counts {
		low, high = min(low, n.Count), max(high, n.Count)
	}
	return -((low - min(k.Least, low)) / k.Step), (max(min(k.Most, pattern.MaxCount), high) - high) / k.Step
}

// Unusual says whether a number of steps takes it beyond what is usual.
func (k *Knob) Unusual(steps int) bool {
	for _, n := range k.Counts {
		if steps > 0 && n.Count+steps*k.Step > k.Usual {
			return true
		}
	}
	return false
}

// Turn changes a copy of the strand's line by a number of steps, each run where it is. Repeats that are
// written out it leaves to Repeat.
func (k *Knob) Turn(line *pattern.Line, steps int) {
	for _, n := range k.Counts {
		line.Nodes[n.ID].Count += steps * k.Step
	}
	for _, n := range k.Gaps {
		line.Nodes[n.ID].Unit = longer(n.Unit.(pattern.Gap), steps)
	}
}

// Repeat is the line with more repeats of those that are written out; the line itself of
// another knob, and nil where it cannot be written.
func (k *Knob) Repeat(line *pattern.Line, steps int) *pattern.Line {
	if k.Stretch == nil {
		return line
	}
	return k.Stretch.with(line, steps)
}

// Touches lists the nodes it changes.
func (k *Knob) Touches(line *pattern.Line) []*pattern.Node {
	out := append(append([]*pattern.Node{}, k.Counts...), k.Gaps...)
	for s := k.Stretch; s != nil; s = s.Also {
		out = append(out, itemsOf(line)[s.From:s.From+s.Items*s.Times]...)
	}
	return out
}

// Written is one repeat of those written out.
func (k *Knob) Written(line *pattern.Line) string { return k.Stretch.of(line) }

func inInches(gap pattern.Gap) bool {
	for _, r := range gap.Typed() {
		if r == '"' || r == 'n' || r == '\'' { // 1/2", 1in
			return true
		}
	}
	return false
}

func gapStep(gap pattern.Gap) length.MM {
	if inInches(gap) {
		return inchStep
	}
	return GapStep
}

// longer is bare cord longer by a number of steps, written in its own unit.
func longer(gap pattern.Gap, steps int) pattern.Gap {
	mm, unit, name := gap.Length+gapStep(gap)*length.MM(steps), length.Millimetre, "mm"
	if inInches(gap) {
		unit, name = length.Inch, "in"
	}
	const places = 4
	text := strconv.FormatFloat(math.Round(float64(mm/unit)*math.Pow10(places))/math.Pow10(places), 'f', -1, 64)
	return pattern.Gap{Text: gap.Text[:1] + text + name, Length: mm, Middles: gap.Middles}
}
