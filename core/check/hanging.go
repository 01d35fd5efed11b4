package check

import (
	"fmt"
	"math"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// loopTooSmall stops a top loop that does not go over what it hangs on, or over the ornament
// that is to be drawn through it, and warns of one that is tight.
var loopTooSmall = Check{
	Code: "loop-too-small", Step: StepEnds,
	Piece: func(v *View) []Problem {
		need, what := loopNeeds(v)
		s := v.Leading()
		at := s.Row.AtEnd(piece.Right)
		loop := s.Right.FindLoop()
		switch {
		case need == 0:
			return nil
		case loop == nil:
			return []Problem{{Severity: Warn, At: at, Title: "No loop to hang it by",
				Says: fmt.Sprintf("Its loop is to go over %s, and the top ends in none. Make the right end a loop, or hang it by what is there.", what)}}
		}
		f := Problem{Severity: Stop, At: at, Title: "The loop is too small"}
		switch girth := loop.LoopGirth(); {
		case girth < need-tiny:
		case girth < need+loopEase-tiny:
			f.Severity, f.Title = Warn, "The loop is tight"
		default:
			return nil
		}
		f.Says = fmt.Sprintf("The loop at the top is %s round inside; %s takes %s, and goes on easily with %s.", v.in(loop.LoopGirth()), what, v.atLeast(need), v.atLeast(need+loopEase))
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		need, _ := loopNeeds(v)
		wide := length.MM(math.Ceil(float64(need + loopEase)))
		s := v.Leading()
		if s.Right.Find(measure.RoleBeads) != nil {
			return nil
		}
		ops := []edit.Op{{Do: edit.SetEnd, At: s.Row.AtEnd(piece.Right), Field: edit.EndGirth, Length: &wide}}
		if s.Right.FindLoop() == nil {
			ops = append([]edit.Op{{Do: edit.SetEnd, At: s.Row.AtEnd(piece.Right), Field: edit.EndWay, Text: string(piece.WayCordLoop)}}, ops...)
		}
		return []Fix{{Says: "Make the loop " + v.in(wide) + " round", Ops: ops}}
	},
}

// loopEase is how much wider than what it goes over a loop is, in mm.
const loopEase = length.MM(3)

// loopNeeds is the inside girth that the top loop needs at least, and what it goes over; 0
// where nobody has said.
func loopNeeds(v *View) (need length.MM, what string) {
	h := v.Piece.Hanging
	switch {
	case !v.Piece.Hangs() || h == nil:
		return 0, ""
	case h.Over == piece.OverSupport:
		return h.Girth, "what it hangs on"
	case h.Over == piece.OverItself:
		return v.Hanger().Widest, "its own widest part"
	}
	return 0, ""
}

// footLight advises where too little hangs below the wire to pull its curl out.
var footLight = Check{
	Code: "foot-light", Step: StepFit,
	Piece: func(v *View) []Problem {
		h := v.Hanger()
		if h == nil {
			return nil
		}
		s := v.Leading()
		need := measure.Straightens(s.Row.Cord.Cord, v.Piece.House)
		if h.Foot >= need-tiny || len(s.Beads) == 0 {
			return nil
		}
		light := 0
		for light < len(h.Below) && h.Below[light] < need-tiny {
			light++
		}
		says := fmt.Sprintf("%.3g g hang below the lowest bead; this wire takes about %.3g g to hang straight.", h.Foot, need)
		switch {
		case len(v.Unweighed) > 0:
			says += " Some beads have no weight yet."
		case light == len(h.Below):
			says += " Nowhere does so much hang below it."
		default:
			says += fmt.Sprintf(" From bead %d up it does.", light+1)
		}
		return []Problem{{Severity: Advise, At: s.Row.AtEnd(piece.Left), Title: "The foot is light", Says: says}}
	},
}

// leans advises of beads that lean to their heavier side as they hang.
var leans = Check{
	Code: "leans", Step: StepLayOut,
	Piece: func(v *View) []Problem {
		h := v.Hanger()
		if h == nil {
			return nil
		}
		s := v.Leading()
		g := gather{strand: s}
		for i := range s.Beads {
			if h.Tips[i] <= mostLean {
				continue
			}
			b := s.Beads[i].Material
			g.add(b.ID, i, func() Problem {
				return Problem{Severity: Advise, Title: "Leans to one side", Says: fmt.Sprintf("The hole of %s lies %s off its middle, and %.3g g hang below it here: it leans by %.0f° to its heavier side.",
					b.Name, mm(b.Bead.HoleOff), h.Below[i], h.Tips[i]*180/math.Pi)}
			})
		}
		return g.found
	},
}

// mostLean is by how much a bead may lean unseen, in radians: 5 degrees.
const mostLean = 5 * math.Pi / 180
