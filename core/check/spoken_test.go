package check_test

import (
	"mala/core/check"
	"mala/core/length"
	"mala/words/en"
)

func init() {
	check.Speak = func(of any) (title, says string) {
		speak := en.In(length.InMillimetres)
		switch of := of.(type) {
		case *check.Problem:
			return speak.Problem(of)
		case check.Alike:
			return speak.ProblemOf(of)
		case *check.Fix:
			return "", speak.Fix(of)
		}
		panic("neither a problem nor a fix")
	}
}
