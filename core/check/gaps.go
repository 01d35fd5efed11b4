package check

import (
	"fmt"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// gapUnheld advises where beads stand apart and nothing holds them there.
var gapUnheld = Check{
	Code: "gap-unheld", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		held := s.Holders()
		if len(held) == 0 || s.Row.Holder.Way != piece.HeldNotYet {
			return nil
		}
		return []Problem{{Severity: Advise, At: s.Row.AtBead(held[0].Bead), Title: "Nothing holds the beads apart",
			Says: fmt.Sprintf("Gaps lie beside beads at %s. Choose crimps or knots to hold them, or say that friction does.", places(len(held)))}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		for _, e := range s.Ends() {
			if crimp := e.Find(measure.RoleCrimp); crimp != nil {
				return []Fix{fix("Hold them by "+crimp.Material.Name, edit.Op{Do: edit.SetHolder, At: s.Row.At(), Text: string(piece.HeldByCrimps), Material: crimp.Material})}
			}
		}
		return []Fix{fix("Hold them by knots", edit.Op{Do: edit.SetHolder, At: s.Row.At(), Text: string(piece.HeldByKnots)})}
	},
}

// gapShort stops where a gap has no room for what holds the beads at its sides.
var gapShort = Check{
	Code: "gap-short", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		long := s.HolderLong()
		in := map[int]int{} // holders by the gap they are in
		for _, h := range s.Holders() {
			in[h.Gap]++
		}
		g := gather{strand: s}
		for i := range s.Beads {
			gap := s.Beads[i].To - s.Beads[i].From
			if takes := length.MM(in[i]) * long; in[i] > 0 && takes > gap+tiny {
				g.add(fmt.Sprint("short ", s.Beads[i].Key), i, func() Problem {
					return Problem{Severity: Stop, Title: "No room in the gap",
						Says: fmt.Sprintf("%s %s; this gap is %s. Make it longer, or hold them another way.", holdersTake(s, in[i]), v.atLeast(takes), v.in(gap))}
				})
			}
		}
		return g.found
	},
}

// gapSlips stops where what holds a bead beside a gap passes into its hole.
var gapSlips = Check{
	Code: "gap-slips", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		across := s.HolderLong() // a knot is as thick as it is long
		if s.Row.Holder.Way == piece.HeldByCrimps {
			across = v.Piece.House.ClosedCrimp(s.Row.Holder.Of.Finding)
		}
		g := gather{strand: s}
		for _, h := range s.Holders() {
			b := &s.Beads[h.Bead]
			if across == 0 || b.Material.Bead.Hangs() || b.Material.Bead.Hole < across-tiny {
				continue
			}
			g.add("slips "+b.Material.ID, h.Bead, func() Problem {
				return Problem{Severity: Stop, Title: "What holds it slips into its bead",
					Says: fmt.Sprintf("%s is about %s thick; %s has a hole of %s. Use something thicker, or a bead with a finer hole.", holders(s, 1), mm(across), b.Material.Name, mm(b.Material.Bead.Hole))}
			})
		}
		return g.found
	},
}

// holders names so many of what holds the beads of a strand apart.
func holders(s *measure.Strand, n int) string {
	what := "knot"
	if s.Row.Holder.Way == piece.HeldByCrimps {
		what = "crimp"
	}
	if n == 1 {
		return "A " + what
	}
	return fmt.Sprintf("%d %ss", n, what)
}

// holdersTake begins to say how much of a gap so many of them take.
func holdersTake(s *measure.Strand, n int) string {
	if n == 1 {
		return holders(s, n) + " to hold what lies beside it takes"
	}
	return holders(s, n) + " to hold what lies beside it take"
}

func places(n int) string {
	if n == 1 {
		return "one place"
	}
	return fmt.Sprintf("%d places", n)
}
