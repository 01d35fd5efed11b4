package kits

import (
	"fmt"
	"reflect"

	"mala/core/length"
	"mala/core/measure"
	"mala/desk"
	"mala/format"
	"mala/words/en"
)

// DiffersFrom says in short what is different in a piece now from what it was, nothing where
// it comes to the same, with lengths in the unit. Both stand by themselves, with the house method
// they are made by.
func DiffersFrom(was, now *format.Document, unit length.Unit) []string {
	before, err := desk.Measured(was, format.House{})
	after, afterErr := desk.Measured(now, format.House{})
	if err != nil || afterErr != nil {
		return []string{"its bead line has an error now"}
	}
	var out []string
	say := func(text string, args ...any) { out = append(out, fmt.Sprintf(text, args...)) }
	if was.Name != now.Name {
		say("it is called %s now", now.Name)
	}
	if len(before.Strands) != len(after.Strands) {
		say("%d rows, not %d", len(after.Strands), len(before.Strands))
	}
	for i := range min(len(before.Strands), len(after.Strands)) {
		if n := runsChanged(before.Strands[i].Runs(), after.Strands[i].Runs()); n > 0 {
			of := ""
			if len(after.Strands) > 1 {
				of = fmt.Sprintf(" of row %d", i+1)
			}
			say("%s%s changed", en.Plural(n, "run"), of)
		}
	}
	if a, b := before.Finished, after.Finished; !closeTo(a, b) {
		say("%s long, not %s", b.In(unit), a.In(unit))
	}
	if len(out) > 0 {
		return out
	}
	if !reflect.DeepEqual(tallied(before), tallied(after)) {
		say("other findings or cord")
	}
	if !reflect.DeepEqual(cutsIn(before), cutsIn(after)) {
		say("the cord is cut to another length")
	}
	if !reflect.DeepEqual(was.Sizes, now.Sizes) {
		say("other sizes")
	}
	if !reflect.DeepEqual(was.Colourways, now.Colourways) {
		say("other colourways")
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
