package check

import (
	"strings"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// centreParity fires when a mirrored or repeating design cannot have the centre
// it seems to want: the middle of a mirror is not symmetrical, or
// whole repeats end on another bead than they began with.
var centreParity = Check{
	Code: "centre-parity", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		order := v.order(s)
		n := len(order)
		if s.Ring || n < fewestRound {
			return nil
		}
		switch {
		case s.Row.Line.IsMirror() && !design.ReadsBothWays(order):
			return []Problem{{Severity: Warn, At: s.Row.AtBead(n / 2), Fact: MiddleOff{}}}
		case !s.Row.Line.IsMirror() && ending(order) > 0:
			more := ending(order)
			severity := Warn
			if design.Runs(order[:design.Period(order)]) <= plainAlternation {
				severity = Advise // as many of one as of the other is a design as well
			}
			return []Problem{{Severity: severity, At: s.Row.AtBead(n / 2), Fact: NoCentre{n, more, s.Beads[0].Material, s.Beads[n-1].Material}}}
		}
		return nil
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		if s.Row.Line.IsMirror() {
			return nil
		}
		more := ending(design.Order(s))
		return []Fix{fix(FinishAsBegun{}, appended(s, spell(s, 0, more)))}
	},
}

// plainAlternation is of how many runs a repeat is that only alternates.
const plainAlternation = 2

// appended puts text behind the whole line.
func appended(s *measure.Strand, text string) edit.Op {
	text = s.Row.Line.String() + " " + text
	if line, err := pattern.Parse(text); err == nil {
		text = line.Merged().String()
	}
	return edit.SetLine{At: s.Row.At(), Line: text}
}

// spell writes beads of the strand as a line.
func spell(s *measure.Strand, from, to int) string {
	var b strings.Builder
	for i := from; i < to; i++ {
		if s.Beads[i].Turned {
			b.WriteByte('~')
		}
		b.WriteString(s.Beads[i].Key + " ")
	}
	line, err := pattern.Parse(b.String())
	if err != nil {
		return b.String()
	}
	return line.Merged().String()
}

// ending is how many beads of its beginning an order of whole repeats lacks at its
// end to be its own mirror image about a bead; 0 if it is none, or is one already.
func ending(order []design.Seen) int {
	n, p := len(order), design.Period(order)
	if p < 2 || n < 3*p || n%p != 0 || design.ReadsBothWays(order) {
		return 0
	}
	for more := 1; more < p; more++ {
		if (n+more)%2 == 1 && design.ReadsBothWays(append(order[:n:n], order[:more]...)) {
			return more
		}
	}
	return 0
}

// MiddleOff says that the middle of a mirror is not symmetrical.
type MiddleOff struct{}

// NoCentre says that with this many beads more at its end a bead would be at the centre and both ends alike.
type NoCentre struct {
	Beads, More int
	First, Last *material.Material
}

// FinishAsBegun adds at the end what the strand begins with.
type FinishAsBegun struct{}

func (MiddleOff) fact() {}
func (NoCentre) fact()  {}

func (FinishAsBegun) effect() {}
