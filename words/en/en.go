// Package en speaks what the core gives as values in English: steps, gates, tools. Sentences
// stand here and nowhere in the core; a value without a sentence fails a test.
package en

import (
	"fmt"
	"strings"

	"mala/core/length"
	"mala/core/material"
)

// Speaker speaks with lengths in one unit.
type Speaker struct{ unit length.Unit }

// In gives a speaker for the unit.
func In(unit length.Unit) Speaker { return Speaker{unit} }

func (p Speaker) in(l length.MM) string { return l.In(p.unit) }

// Plural gives a number with its noun: "1 bead", "12 beads".
func Plural(n int, noun string) string {
	if n == 1 {
		return "1 " + noun
	}
	return fmt.Sprintf("%d %ss", n, noun)
}

// list joins names: "a, b and c".
func list(names []string) string {
	if n := len(names); n > 1 {
		return strings.Join(names[:n-1], ", ") + " and " + names[n-1]
	}
	return strings.Join(names, "")
}

// lower writes a name inside a sentence.
func lower(name string) string {
	if name == "" {
		return "cord"
	}
	return material.InSentence(name)
}

// small writes words, as the name of a metal, in small letters.
func small(words string) string { return strings.ToLower(words) }

// counted lists materials, alike ones once: "2 × drop and ring".
func counted(of []*material.Material) string {
	var order []string
	count := map[string]int{}
	for _, m := range of {
		if count[m.Name] == 0 {
			order = append(order, m.Name)
		}
		count[m.Name]++
	}
	for i, name := range order {
		order[i] = lower(name)
		if n := count[name]; n > 1 {
			order[i] = fmt.Sprintf("%d × %s", n, lower(name))
		}
	}
	return list(order)
}

// runs lists materials in the order they come, alike neighbours once: "3 × seed, 1 × pearl".
func runs(names []string) string {
	var out []string
	for i := 0; i < len(names); {
		n := 1
		for i+n < len(names) && names[i+n] == names[i] {
			n++
		}
		out = append(out, fmt.Sprintf("%d × %s", n, names[i]))
		i += n
	}
	return strings.Join(out, ", ")
}
