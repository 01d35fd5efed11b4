package en

import (
	"fmt"

	"mala/core/check"
)

// Problem gives what is wrong in a few words, and one sentence with the figures.
func (p Speaker) Problem(f *check.Problem) (title, says string) {
	for _, speak := range []func(check.Fact) (string, string){p.ofHoles, p.ofCaps, p.ofOrder, p.ofFit, p.ofHanging, p.ofApart, p.ofSideBySide, p.ofOpenEnds, p.ofCrimps, p.ofClosing, p.ofCord, p.ofComponents, p.ofLoads, p.ofStock} {
		if title, says := speak(f.Fact); title != "" {
			return title, says
		}
	}
	panic(fmt.Sprintf("en: no words for %T", f.Fact))
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
