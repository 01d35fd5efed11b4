package solve_test

import (
	"mala/core/length"
	"mala/core/solve"
	"mala/words/en"
)

func init() {
	speak := en.In(length.InMillimetres)
	solve.Changed = func(c solve.Change) string { return speak.Changes([]solve.Change{c})[0] }
	solve.ReasonIn = func(why solve.Why, unit length.Unit) string { return en.In(unit).Why(why) }
}
