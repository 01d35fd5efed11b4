package en

import (
	"fmt"

	"mala/core/piece"
	"mala/core/steps"
)

// when says before or after what a gate stands.
func when(at steps.When) string {
	switch at := at.(type) {
	case steps.BeforeCut:
		return "Before you cut"
	case steps.BeforeString:
		return "Before you string"
	case steps.BeforeEnd:
		return fmt.Sprintf("Before the %s end", at.Side)
	case steps.BeforeCrimp:
		return fmt.Sprintf("Before the %s crimp is closed", at.Side)
	case steps.BeforeMade:
		return fmt.Sprintf("Before the %s end is made", at.Side)
	case steps.BeforeKnot:
		return fmt.Sprintf("Before the %s knot", at.Side)
	case steps.BeforeFlaps:
		return fmt.Sprintf("Before the %s flaps are pressed", at.Side)
	case steps.BeforeRingKnot:
		return "Before you knot"
	case steps.BeforeGlue:
		return "Before the glue"
	case steps.BeforeTrim:
		return "Before you trim"
	case steps.BeforeTails:
		return "Before either tail is clipped"
	case steps.BeforeLoop:
		return "Before the loop is made"
	case steps.BeforeLoopFixed:
		return "Before the loop is fixed"
	case steps.BeforeAnyEnd:
		return "Before any end is made"
	case steps.BeforeSecond:
		return "Before the second ends"
	case steps.BeforeClasp:
		return "Before the clasp"
	case steps.BeforeNext:
		return "Before the next one, each time"
	case steps.BeforeNextBead:
		return "Before the next bead"
	case steps.BeforeNextEnd:
		return "Before the next end is made"
	case steps.BeforeFinished:
		return "Before it is finished"
	case steps.BeforeMore:
		switch {
		case at.Other == 0:
			return fmt.Sprintf("Before %s is used", lower(at.Of.Name))
		case at.Other == 1:
			return "Before you make the other one"
		}
		return fmt.Sprintf("Before you make the other %d", at.Other)
	case steps.After:
		return "After " + made[at.What]
	}
	panic(fmt.Sprintf("en: no words for %T", at))
}

var made = map[steps.Made]string{
	steps.MadeCrimp: "the crimp", steps.MadeCordEnd: "the cord end", steps.MadeFoldOver: "the fold-over end", steps.MadeKnot: "the knot",
	steps.MadeLoop: "the loop", steps.MadeLeg: "the leg", steps.MadeCone: "the cone", steps.MadeTails: "the tails",
}

// point says what must be true at a gate.
func (p Speaker) point(m steps.Point) string {
	for _, speak := range []func(steps.Point) string{p.ofStrand, p.ofEnd, p.ofRows, p.ofOrnament, p.ofMade} {
		if says := speak(m); says != "" {
			return says
		}
	}
	panic(fmt.Sprintf("en: no words for %T", m))
}

// ofStrand says what must be true of what is strung.
func (p Speaker) ofStrand(m steps.Point) string {
	switch m := m.(type) {
	case steps.AllThere:
		return "the beads are all there and in order"
	case steps.LaidLong:
		if m.Gaps {
			return "laid out with their gaps they measure " + p.in(m.Length)
		}
		return "laid tight they measure " + p.in(m.Length)
	case steps.WillBe:
		return fmt.Sprintf("the finished length will be %s, and %s is wanted", p.in(m.Finished), p.in(m.Wanted))
	case steps.BeadsLong:
		return fmt.Sprintf("the beads measure %s and none is missing or reversed by mistake", p.in(m.Length))
	case steps.RoundLoop:
		return "round the loop it measures " + p.in(m.Length)
	case steps.NoneMissing:
		return "no bead is missing or reversed by mistake"
	case steps.TriedOn:
		return "it has been tried on"
	case steps.TriedOverHand:
		return "it has been tried on, over the hand where it must pass"
	case steps.Untwisted:
		if m.Hole > 0 {
			return fmt.Sprintf("the row runs untwisted to hole %d", m.Hole)
		}
		return "the strand is not twisted and the order is right"
	case steps.SlackLeft:
		return fmt.Sprintf("in its wearing curve, %s of slack is left between the beads and %s", p.in(m.Length), made[m.Before])
	case steps.HeldPlace:
		return p.heldPlace(m)
	case steps.DropDeep:
		return fmt.Sprintf("the drop hangs %s deep, with no cord showing", p.in(m.Deep))
	case steps.LoopDeep:
		return fmt.Sprintf("the loop hangs %s deep and lies round %s", p.in(m.Deep), lower(m.Round.Name))
	case steps.PulledUp:
		if m.Loop {
			return "the cord is pulled up on both sides of it"
		}
		return "the strand beside it is pulled up to it"
	case steps.RidersSlide:
		return "every sliding bead slides over its run without force"
	case steps.RidersFree:
		return fmt.Sprintf("pushed together they leave %s of the run free", p.in(m.Free))
	case steps.RidersStop:
		return "they stop at both ends of it"
	case steps.LacedLong:
		return "the row measures " + p.in(m.Length)
	case steps.FrontsAlike:
		return "every front looks the same way"
	case steps.LiesClose:
		return "the cord lies close to fronts and backs, and nothing buckles"
	}
	return ""
}

// heldPlace names what holds a bead, or the bead itself where nothing else does.
func (p Speaker) heldPlace(m steps.HeldPlace) string {
	what := fmt.Sprintf("the %s edge of %s %d", m.Side, lower(m.Bead.Name), m.N)
	switch m.Way {
	case piece.HeldByCrimps:
		what = fmt.Sprintf("crimp %d", m.N)
	case piece.HeldByKnots:
		what = fmt.Sprintf("knot %d", m.N)
	}
	if m.Before <= 0 {
		return fmt.Sprintf("%s lies %s from the start", what, p.in(m.At))
	}
	return fmt.Sprintf("%s lies %s from the start, %s from the one before", what, p.in(m.At), p.in(m.Before))
}

// ofEnd says what must be true of an end.
func (p Speaker) ofEnd(m steps.Point) string {
	switch m := m.(type) {
	case steps.FirmPull:
		return "it holds a firm pull"
	case steps.KnotsHold:
		if m.Both {
			return "both knots hold a firm pull"
		}
		return "the knot holds a firm pull"
	case steps.LoopKnotHolds:
		return fmt.Sprintf("the knot of the %s loop holds a firm pull", m.Side)
	case steps.GlueDry:
		if m.Both {
			return "the glue on both knots is dry"
		}
		return "the glue is dry"
	case steps.LiesRight:
		return "the strand lies as it should"
	case steps.Held:
		return "something holds it: as planned nothing keeps the cord from slipping out"
	case steps.LegsHold:
		return "both legs hold a firm pull"
	case steps.LegsEven:
		return "they are equally long"
	case steps.KnotStays:
		return "it holds a firm pull and does not slip into the bead"
	case steps.LoopRound:
		return fmt.Sprintf("the loop is %s round inside", p.in(m.Girth))
	case steps.ButtonPasses:
		return fmt.Sprintf("%s goes through it with a little push and does not slip out by itself", lower(m.Of.Name))
	}
	return ""
}

// ofRows says what must be true of the finished piece and of rows side by side.
func (p Speaker) ofRows(m steps.Point) string {
	switch m := m.(type) {
	case steps.SideBySide:
		return "all rows lie side by side, their middles over one another"
	case steps.RowLong:
		return fmt.Sprintf("the beads of row %d measure %s", m.Row, p.in(m.Length))
	case steps.RowsInOrder:
		if m.Innermost {
			return "the rows hang in order at the left, the first innermost"
		}
		return "the rows lie in order from end to end"
	case steps.RowsTwisted:
		if m.On {
			return "the rows are twisted as they are meant to be"
		}
		return "no row is twisted round another"
	case steps.RowsClosed:
		var out []string
		for _, l := range m.Lengths {
			out = append(out, p.in(l))
		}
		return "closed, its rows measure " + list(out)
	case steps.Closed:
		return "closed it measures " + p.in(m.Length)
	case steps.ClosedBetween:
		return fmt.Sprintf("closed it measures %s to %s", p.in(m.Least), p.in(m.Most))
	case steps.LiesInCurve:
		return "lying in its curve no more cord shows than planned"
	case steps.NothingSharp:
		return "no end feels sharp to a finger"
	}
	return ""
}

// ofOrnament says what must be true of one.
func (p Speaker) ofOrnament(m steps.Point) string {
	switch m := m.(type) {
	case steps.HangsStraight:
		if m.Gaps {
			return "it hangs straight, and no more cord shows than planned"
		}
		return "it hangs straight, and no cord shows between the beads"
	case steps.HangsFromTop:
		return "held up by the cord, it hangs straight from top to foot"
	case steps.NoCurl:
		return "no curl shows in the cord above the foot"
	case steps.OrnamentLong:
		return fmt.Sprintf("from the top of its loop to its foot it measures %s, and %s without the loop", p.in(m.WithLoop), p.in(m.Below))
	}
	return ""
}

// ofMade says what must be true of a component.
func (p Speaker) ofMade(m steps.Point) string {
	switch m := m.(type) {
	case steps.CoilLong:
		return fmt.Sprintf("the coil is %s long and slides on the cord", p.in(m.Length))
	case steps.TipSmooth:
		return "the tip does not scratch"
	case steps.BeadSize:
		return fmt.Sprintf("it measures %s across and %s along its hole", p.in(m.Across), p.in(m.Along))
	case steps.ReachesDown:
		return fmt.Sprintf("it reaches %s down from the middle of the cord", p.in(m.Length))
	case steps.LinkInside:
		return "between the insides of its loops it measures " + p.in(m.Length)
	case steps.HangsDown:
		return fmt.Sprintf("it hangs %s down from the cord", p.in(m.Length))
	case steps.LoopClosed:
		return "the loop is closed and centred over the stem"
	case steps.LoopsLie:
		if m.Crosswise {
			return "both loops lie crosswise"
		}
		return "both loops lie in one plane"
	case steps.RingsShut:
		return "no gap shows where a ring is closed"
	case steps.FacesForward:
		return "the charm faces forward"
	}
	return ""
}
