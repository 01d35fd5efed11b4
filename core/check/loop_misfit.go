package check

import (
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// loopGives is how much wider in mm than what just passes it a loop may be before
// its button slips out by itself.
const loopGives = length.MM(9)

// loopMisfit stops a loop of beads or of bare cord that its button does not go through, and warns of
// one that is tight or so wide that the button slips out.
var loopMisfit = Check{
	Code: "loop-misfit", Step: StepEnds,
	End: func(v *View, s *measure.Strand, e *measure.End) []Problem {
		button, of, loop := buttonAndLoop(v, e)
		if button == nil || loop == nil || loop.With {
			return nil
		}
		f := Problem{Severity: Warn, At: s.Row.AtEnd(e.Side)}
		fact := ButtonLoop{Side: e.Side, Girth: loop.LoopGirth(), Button: of.Material, Passes: button.Passes(), Easy: button.LoopFor()}
		switch {
		case fact.Girth < fact.Passes-tiny:
			f.Severity, fact.Fit = Stop, LoopSmall
		case fact.Girth < fact.Easy-tiny:
			fact.Fit = LoopTight
		case fact.Girth > fact.Passes+loopGives+tiny:
			fact.Fit = LoopWide
		default:
			return nil
		}
		f.Fact = fact
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		button, _, _ := buttonAndLoop(v, s.End(f.At.Side))
		if s.End(f.At.Side).Find(measure.RoleCordLoop) != nil {
			wide := button.LoopFor()
			return []Fix{fix(WidenLoop{wide}, edit.SetEndGirth{At: s.Row.AtEnd(f.At.Side), Girth: &wide})}
		}
		return loopsFor(v, s, s.End(f.At.Side), button)
	},
}

// buttonAndLoop gives the button that the loop at an end goes over, what it is, and that
// loop; nil for what is not there.
func buttonAndLoop(v *View, e *measure.End) (*material.Finding, *measure.Part, *measure.Part) {
	button, of := v.Leading().End(e.Side.Other()).Button()
	return button, of, e.FindLoop()
}

// loopsFor makes the loop of more or fewer of the bead that it has most of, the
// narrowest that is easy to close.
func loopsFor(v *View, s *measure.Strand, e *measure.End, button *material.Finding) []Fix {
	line := s.Row.Ending(e.Side).Loop
	most := -1
	for i, n := range line.Nodes {
		if n.IsBead() && line.Top(n.ID) == n && (most < 0 || n.Count > line.Nodes[most].Count) {
			most = i
		}
	}
	if most < 0 {
		return nil
	}
	for n := 1; n <= pattern.MaxBeads; n++ {
		try := line.Clone()
		try.Nodes[most].Count = n
		loop, err := measure.LoopOf(v.Piece, s.Row, try)
		if err != nil || loop.Girth > button.Passes()+loopGives {
			return nil
		}
		if loop.Girth >= button.LoopFor() {
			return []Fix{fix(LoopOf{len(loop.Beads)}, edit.SetEndLoop{At: s.Row.AtEnd(e.Side), Beads: try.String()})}
		}
	}
	return nil
}

// openLoop finds a button that has no loop to go through: the end it should be at.
func openLoop(v *View) *measure.End {
	for _, e := range v.Leading().Ends() {
		if button, _, loop := buttonAndLoop(v, e); button != nil && loop == nil {
			return e
		}
	}
	return nil
}

// LoopFit is how a loop goes over its button.
type LoopFit string

// How loops may not fit: too small to go over, tight, or so wide that the button slips out.
const (
	LoopSmall LoopFit = "small"
	LoopTight LoopFit = "tight"
	LoopWide  LoopFit = "wide"
)

// ButtonLoop says how a loop does not fit its button.
type ButtonLoop struct {
	Side                piece.Side
	Fit                 LoopFit
	Button              *material.Material
	Girth, Passes, Easy length.MM // round inside; where the button just passes, and is easy to close
}

// LoopOf makes the loop of this many beads.
type LoopOf struct{ Beads int }

func (ButtonLoop) fact() {}

func (LoopOf) effect() {}
