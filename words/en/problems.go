package en

import (
	"fmt"

	"mala/core/check"
)

// Problem gives what is wrong in a few words, and one sentence with the figures, which begins with the
// row that it is about.
func (p Speaker) Problem(f *check.Problem) (title, says string) {
	return p.ProblemOf(check.Alike{f})
}

// ProblemOf gives the same of a problem that several rows have, and names them.
func (p Speaker) ProblemOf(alike check.Alike) (title, says string) {
	title, says = p.fact(alike[0].Fact)
	if rows := alike.Rows(); rows != nil {
		says = numbered("Row", rows) + ": " + says
	}
	return title, says
}

func (p Speaker) fact(f check.Fact) (title, says string) {
	for _, speak := range []func(check.Fact) (string, string){p.ofHoles, p.ofCaps, p.ofOrder, p.ofFit, p.ofHanging, p.ofApart, p.ofSideBySide, p.ofOpenEnds, p.ofCrimps, p.ofClosing, p.ofCord, p.ofComponents, p.ofLoads, p.ofStock} {
		if title, says := speak(f); title != "" {
			return title, says
		}
	}
	panic(fmt.Sprintf("en: no words for %T", f))
}

// numbered names rows: "Row 2", "Rows 1 and 3", "Rows 1 to 4".
func numbered(what string, of []int) string {
	first, last := of[0], of[len(of)-1]
	switch {
	case len(of) == 1:
		return fmt.Sprintf("%s %d", what, first)
	case len(of) > 2 && last-first == len(of)-1:
		return fmt.Sprintf("%ss %d to %d", what, first, last)
	}
	numbers := make([]string, len(of))
	for i, n := range of {
		numbers[i] = fmt.Sprint(n)
	}
	return what + "s " + list(numbers)
}

// passes counts passes of a cord.
func passes(n int) string {
	if n == 1 {
		return "1 pass"
	}
	return fmt.Sprintf("%d passes", n)
}

// through begins to say what passes of a cord need: "2 passes of 0.5 mm cord".
func through(of check.Passing) string {
	return fmt.Sprintf("%s of %s cord", passes(of.Passes), mm(of.Cord))
}

// row names a row at the start of a sentence, "It" where there is one.
func row(n int) string {
	if n == 0 {
		return "It"
	}
	return fmt.Sprintf("Row %d", n)
}
