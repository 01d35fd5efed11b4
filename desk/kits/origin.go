package kits

import (
	"reflect"

	"mala/core/length"
	"mala/core/measure"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// DiffersFrom says in short what is different in a piece now from what it was, nothing where
// it comes to the same, with lengths in the unit. Both stand by themselves, with the house method
// they are made by.
func DiffersFrom(was, now *format.Document, unit length.Unit) []string {
	before, err := desk.Measured(was, format.House{})
	after, afterErr := desk.Measured(now, format.House{})
	if err != nil || afterErr != nil {
		return []string{en.Says(words.LineHasError)}
	}
	var out []string
	say := func(text string) { out = append(out, text) }
	if was.Name != now.Name {
		say(en.CalledNow(now.Name))
	}
	if len(before.Strands) != len(after.Strands) {
		say(en.RowsNow(len(after.Strands), len(before.Strands)))
	}
	for i := range min(len(before.Strands), len(after.Strands)) {
		if n := runsChanged(before.Strands[i].Runs(), after.Strands[i].Runs()); n > 0 {
			row := 0
			if len(after.Strands) > 1 {
				row = i + 1
			}
			say(en.RunsChanged(n, row))
		}
	}
	if a, b := before.Finished, after.Finished; !closeTo(a, b) {
		say(en.In(unit).LongNow(b, a))
	}
	if len(out) > 0 {
		return out
	}
	if !reflect.DeepEqual(tallied(before), tallied(after)) {
		say(en.Says(words.OtherFindings))
	}
	if !reflect.DeepEqual(cutsIn(before), cutsIn(after)) {
		say(en.Says(words.OtherCut))
	}
	if !reflect.DeepEqual(was.Sizes, now.Sizes) {
		say(en.Says(words.OtherSizes))
	}
	if !reflect.DeepEqual(was.Colourways, now.Colourways) {
		say(en.Says(words.OtherColours))
	}
	return out
}

func closeTo(a, b length.MM) bool { return a-b < 0.05 && b-a < 0.05 }

// runsChanged counts the runs that differ, between those that begin and end alike.
func runsChanged(was, now []measure.Run) int {
	same := func(a, b measure.Run) bool {
		return a.Count == b.Count && a.Turned == b.Turned && a.Material.ID == b.Material.ID
	}
	for len(was) > 0 && len(now) > 0 && same(was[0], now[0]) {
		was, now = was[1:], now[1:]
	}
	for len(was) > 0 && len(now) > 0 && same(was[len(was)-1], now[len(now)-1]) {
		was, now = was[:len(was)-1], now[:len(now)-1]
	}
	if len(was) != len(now) {
		return max(len(was), len(now))
	}
	n := 0
	for i := range was {
		if !same(was[i], now[i]) {
			n++
		}
	}
	return n
}

func tallied(m *measure.Measured) map[string]int {
	out := map[string]int{}
	for _, c := range m.Tally {
		out[c.Material.ID] += c.Count
	}
	return out
}

func cutsIn(m *measure.Measured) []length.MM {
	var out []length.MM
	for _, s := range m.Strands {
		out = append(out, desk.Exact(s.CutLength()))
	}
	return out
}
