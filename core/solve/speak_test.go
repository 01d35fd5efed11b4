package solve

import "mala/core/length"

// Changed and ReasonIn say a change and a reason in English: what a person reads is what is held
// here. They are set from outside of the package, which the words import.
var (
	Changed  func(Change) string
	ReasonIn func(Why, length.Unit) string
)

// Reasoned says a reason in millimetres.
func Reasoned(why Why) string { return ReasonIn(why, length.InMillimetres) }

func changed(of []Change) []string {
	var out []string
	for _, c := range of {
		out = append(out, Changed(c))
	}
	return out
}
