package check

import (
	"cmp"
	"math"
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// loopTooSmall stops a top loop that does not go over what it hangs on, or over the ornament
// that is to be drawn through it, and warns of one that is tight.
var loopTooSmall = Check{
	Code: "loop-too-small", Step: StepEnds,
	Piece: func(v *View) []Problem {
		need := loopNeeds(v)
		s := v.Leading()
		at := s.Row.AtEnd(piece.Right)
		loop := s.Right.FindLoop()
		switch {
		case need == 0:
			return nil
		case loop == nil:
			return []Problem{{Severity: Warn, At: at, Fact: NoLoop{v.Piece.Hanging.Over}}}
		}
		fact := TopLoopSmall{v.Piece.Hanging.Over, loop.LoopGirth(), need, need + loopEase, loop.LoopGirth() >= need-tiny}
		switch {
		case fact.Girth >= fact.Easy-tiny:
			return nil
		case fact.Tight:
			return []Problem{{Severity: Warn, At: at, Fact: fact}}
		}
		return []Problem{{Severity: Stop, At: at, Fact: fact}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		need := loopNeeds(v)
		wide := length.MM(math.Ceil(float64(need + loopEase)))
		s := v.Leading()
		if s.Right.Find(measure.RoleBeads) != nil {
			return nil
		}
		ops := []edit.Op{edit.SetEndGirth{At: s.Row.AtEnd(piece.Right), Girth: &wide}}
		if s.Right.FindLoop() == nil {
			ops = append([]edit.Op{edit.SetEndWay{At: s.Row.AtEnd(piece.Right), Way: piece.WayCordLoop}}, ops...)
		}
		return []Fix{fix(WidenLoop{wide}, ops...)}
	},
}

// loopEase is how much wider than what it goes over a loop is, in mm.
const loopEase = length.MM(3)

// loopNeeds is the inside girth that the top loop needs at least; 0 where it is not specified.
func loopNeeds(v *View) length.MM {
	h := v.Piece.Hanging
	switch {
	case !v.Piece.Hangs() || h == nil:
		return 0
	case h.Over == piece.OverSupport:
		return h.Girth
	case h.Over == piece.OverItself:
		return v.Hanger().Widest
	}
	return 0
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
		from := light + 1
		if light == len(h.Below) {
			from = 0
		}
		return []Problem{{Severity: Advise, At: s.Row.AtEnd(piece.Left), Fact: FootLight{h.Foot, need, from, len(v.Unweighed) > 0}}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		fact := f.Fact.(FootLight)
		if fact.Unweighed {
			return nil
		}
		return heavierFoot(v, fact.Needs-fact.Foot, shelf)
	},
}

// feet are the shapes of beads that a maker lets hang at the foot.
var feet = []material.Shape{material.Round, material.Oval, material.Rondelle, material.Bicone, material.Cube, material.Coin, material.Drop,
	material.Nugget, material.LargeHole, material.Focal}

// heavierFoot offers the beads of the shelf that are heavier than the foot by a number of grams, in its
// place: those in stock first, the one nearest in weight first. An end without a foot bead gets one.
func heavierFoot(v *View, more float64, shelf Shelf) []Fix {
	s := v.Leading()
	end, at, has := s.Row.Ending(piece.Left), s.Row.AtEnd(piece.Left), 0.0
	switch {
	case end.Bead != nil:
		has = end.Bead.MassG
	case end.Way != "" || len(end.Hung) > 0:
		return nil
	}
	var heavy []*material.Material
	for _, c := range shelf.Materials {
		if c.Bead != nil && c.Component == nil && !c.Bead.Hangs() && slices.Contains(feet, c.Bead.Shape) && c.MassG >= has+more-tiny {
			heavy = append(heavy, c)
		}
	}
	slices.SortStableFunc(heavy, func(a, b *material.Material) int {
		buys := func(m *material.Material) int { return map[bool]int{true: 1}[shelf.toBuy(m)] }
		return cmp.Or(cmp.Compare(buys(a), buys(b)), cmp.Compare(a.MassG, b.MassG), cmp.Compare(a.ID, b.ID))
	})
	var fixes []Fix
	for _, c := range heavy {
		ops := []edit.Op{edit.SetEndBead{At: at, Bead: c}}
		if end.Bead == nil {
			ops = append([]edit.Op{edit.SetEndWay{At: at, Way: piece.WayFootBead}}, ops...)
		}
		fixes = append(fixes, fix(UseFoot{c, shelf.toBuy(c)}, ops...))
	}
	return fixes
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
				return Problem{Severity: Advise, Fact: Leans{b, h.Below[i], h.Tips[i]}}
			})
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		h, more := v.Hanger(), 0.0
		if len(v.Unweighed) > 0 {
			return nil
		}
		beads := v.Leading().Beads
		for _, at := range append([]piece.Place{f.At}, f.More...) {
			b := beads[at.Element].Material
			grams, long := b.MassG, float64(b.Bead.Length())
			upright := grams * (float64(b.Bead.HoleOff)/math.Tan(mostLean)/long - 0.5) // below it, by the formula of Tips
			more = max(more, upright-h.Below[at.Element])
		}
		return heavierFoot(v, more, shelf)
	},
}

// mostLean is by how much a bead may lean unseen, in radians: 5 degrees.
const mostLean = 5 * math.Pi / 180

// What may be wrong with how a piece hangs. Weights are in grams.
type (
	NoLoop       struct{ Over string } // at its top, to go over what it hangs on or over itself
	TopLoopSmall struct {
		Over               string
		Girth, Needs, Easy length.MM // inside, what it needs, and with what it goes on easily
		Tight              bool      // it goes over
	}
	FootLight struct {
		Foot, Needs float64
		From        int // the bead below which enough hangs; 0 for none
		Unweighed   bool
	}
	Leans struct {
		Bead  *material.Material
		Below float64
		By    float64 // in radians
	}
)

// UseFoot hangs a heavier bead at the foot.
type UseFoot struct {
	Bead *material.Material
	Buy  bool // there is none in stock
}

// WidenLoop makes the loop so wide round inside.
type WidenLoop struct{ To length.MM }

func (NoLoop) fact()       {}
func (TopLoopSmall) fact() {}
func (FootLight) fact()    {}
func (Leans) fact()        {}

func (WidenLoop) effect() {}
func (UseFoot) effect()   {}
