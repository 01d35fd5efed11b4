package en

import (
	"fmt"
	"math"

	"mala/core/check"
	"mala/core/piece"
	"mala/core/size"
)

// closest is the least distance in mm at which two rows count as apart.
const closest = 0.1

// ofFit says what is wrong with the length, and with how it fits a body.
func (p Speaker) ofFit(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.LengthOff:
		title, way := "Too long", "over"
		off := f.Is - f.Target.Finished
		if off < 0 {
			title, way = "Too short", "under"
		}
		says = fmt.Sprintf("%s measures %s, %s %s the target of %s (± %s).", row(f.Row), p.in(f.Is), p.in(max(off, -off)), way, p.in(f.Target.Finished), p.in(f.Target.Tolerance))
		if f.Suits != nil {
			title = "Target and wearer disagree"
			says += fmt.Sprintf(" As it is, it sits %s on %s, and at the target it would not suit.", f.Suits.Word, p.in(f.Suits.Measure))
		}
		return title, says
	case check.WillNotPass:
		return "Will not pass the " + f.Over, fmt.Sprintf("It opens to %s inside; the %s needs %s%s.", p.in(f.Stretched), f.Over, p.in(f.Need), reckoned(f.Passage))
	case check.EaseOff:
		title = "Too loose on the " + f.Part
		if f.Ease < f.Wanted[0].From {
			title = "Too tight on the " + f.Part
		}
		each := ""
		if f.Turns > 1 {
			each = fmt.Sprintf(" at each of its %d turns", f.Turns)
		}
		return title, fmt.Sprintf("%s measures %s inside%s, an ease of %s on %s; %s is right.", row(f.Row), p.in(f.Inside), each, p.in(f.Ease), p.in(f.Measure), p.easeRange(f.Wanted))
	}
	return "", ""
}

func reckoned(of *size.Passage) string {
	switch {
	case of.Measured:
		return ""
	case of.Over == "hand":
		return ", worked out from the wrist"
	}
	return ", a typical head"
}

func (p Speaker) easeRange(wanted []piece.Ease) string {
	first, last := wanted[0], wanted[len(wanted)-1]
	if size.Unlimited(last) {
		return p.in(first.From) + " or more"
	}
	return p.in(first.From) + " to " + p.in(last.To)
}

// over names what a top loop goes over.
func over(what string) string {
	if what == piece.OverItself {
		return "its own widest part"
	}
	return "what it hangs on"
}

// ofHanging says what is wrong with how a piece, or what hangs on it, hangs.
func (p Speaker) ofHanging(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.NoLoop:
		return "No loop to hang it by", fmt.Sprintf("Its loop is to go over %s, and the top ends in none. Make the right end a loop, or hang it by what is there.", over(f.Over))
	case check.TopLoopSmall:
		title = "The loop is too small"
		if f.Tight {
			title = "The loop is tight"
		}
		return title, fmt.Sprintf("The loop at the top is %s round inside; %s takes %s, and goes on easily with %s.", p.fine(f.Girth), over(f.Over), p.atLeast(f.Needs), p.atLeast(f.Easy))
	case check.FootLight:
		says = fmt.Sprintf("%.3g g hang below the lowest bead; this wire takes about %.3g g to hang straight.", f.Foot, f.Needs)
		switch {
		case f.Unweighed:
			says += " Some beads have no weight yet."
		case f.From == 0:
			says += " Nowhere does so much hang below it."
		default:
			says += fmt.Sprintf(" From bead %d up it does.", f.From)
		}
		return "The foot is light", says
	case check.Leans:
		return "Leans to one side", fmt.Sprintf("The hole of %s lies %s off its middle, and %.3g g hang below it here: it leans by %.0f° to its heavier side.",
			f.Bead.Name, mm(f.Bead.Bead.HoleOff), f.Below, f.By*180/math.Pi)
	case check.LoopShort:
		return "The loop does not reach round its bead", fmt.Sprintf("The beads of the loop come to %s, and the way round %s is %s: bare cord shows. Hang more beads in it.", p.fine(f.Strung), f.Through.Name, p.fine(f.Round))
	case check.DropStiff:
		if f.Loop {
			return "The loop stands off", fmt.Sprintf("Wire of %d strands is stiff: a loop of it keeps its own curve instead of hanging. Wire of 19 hangs nearly as drawn, wire of 49 and thread hang freely.", f.Filaments)
		}
		return "The drop stands off", fmt.Sprintf("Wire of %d strands is stiff: a drop of it stands off instead of hanging. Wire of 19 hangs nearly straight, wire of 49 and thread hang freely.", f.Filaments)
	}
	return "", ""
}

// ofApart says what is wrong with beads that stand apart or slide.
func (p Speaker) ofApart(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.KnotsInWire:
		return "Wire cannot be knotted", fmt.Sprintf("Knots are to hold the beads apart, and %s cannot be knotted. Hold them by crimps, or string them on thread or cord.", lower(f.Wire.Name))
	case check.GapUnheld:
		at := "one place"
		if f.Places != 1 {
			at = Plural(f.Places, "place")
		}
		return "Nothing holds the beads apart", fmt.Sprintf("Gaps lie beside beads at %s. Choose crimps or knots to hold them, or say that friction does.", at)
	case check.GapShort:
		what, takes := "A "+holder(f.Way), "takes"
		if f.N != 1 {
			what, takes = Plural(f.N, holder(f.Way)), "take"
		}
		return "No room in the gap", fmt.Sprintf("%s to hold what lies beside it %s %s; this gap is %s. Make it longer, or hold them another way.", what, takes, p.atLeast(f.Takes), p.fine(f.Gap))
	case check.HolderSlips:
		return "What holds it slips into its bead", fmt.Sprintf("A %s is about %s thick; %s has a hole of %s. Use something thicker, or a bead with a finer hole.", holder(f.Way), mm(f.Thick), f.Bead.Name, mm(f.Bead.Bead.Hole))
	case check.RidersStuck:
		return "The sliding beads do not slide", fmt.Sprintf("A hole of %s passes over nothing here: %s, the finest bead of the row, is %s wide.", mm(f.Hole), f.Finest.Name, mm(f.Finest.Bead.Across))
	case check.RidersMany:
		return "Too many sliding beads", fmt.Sprintf("%s take %s; the run that they slide over has %s.", Plural(f.Riders, "sliding bead"), p.in(f.Long), p.in(f.Run))
	case check.RidersSlip:
		at := string(f.Sides[0])
		if len(f.Sides) > 1 {
			at += " and the " + string(f.Sides[1])
		}
		return "The sliding beads slip off", fmt.Sprintf("At the %s nothing is wider than the sliding beads' hole of %s. End the run with a bead that is, or with a fitting.", at, mm(f.Hole))
	}
	return "", ""
}

// holder names what holds a bead.
func holder(way piece.HolderWay) string {
	if way == piece.HeldByCrimps {
		return "crimp"
	}
	return "knot"
}

// ofSideBySide says what is wrong with rows side by side.
func (p Speaker) ofSideBySide(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.RowsSwap:
		return "Rows change places", fmt.Sprintf("Rows %d and %d are in holes %d and %d at the left and %d and %d at the right: they cross on the way.", f.Rows[0], f.Rows[1], f.Left[0], f.Left[1], f.Right[0], f.Right[1])
	case check.HolesEmpty:
		in, numbers := "hole ", []string{}
		if len(f.Holes) > 1 {
			in = "holes "
		}
		for _, n := range f.Holes {
			numbers = append(numbers, fmt.Sprint(n))
		}
		tilts := ""
		if f.Askew {
			tilts = ", so it hangs askew"
		}
		return "A hole without a row", fmt.Sprintf("%s at the %s has %d holes; no row is in %s%s.", f.On.Name, f.Side, f.On.Finding.Holes, in+list(numbers), tilts)
	case check.StepsUneven:
		return "Rows step unevenly", fmt.Sprintf("Row %d is %s longer than row %d, but row %d only %s longer than row %d.", f.Wide.Next, p.in(f.Wide.By), f.Wide.Row, f.Narrow.Next, p.in(f.Narrow.By), f.Narrow.Row)
	case check.CentresDiffer:
		return "Centres do not line up", fmt.Sprintf("Row %d has a bead at its centre, row %d two beads that meet there.", f.With, f.Without)
	case check.RowsClose:
		if f.Near > 0 && f.Near < closest {
			return "Rows lie on each other", fmt.Sprintf("As they hang, rows %d and %d come to the same place. Make one longer, or twist them together on purpose.", f.Row, f.Next)
		}
		if f.Near == 0 {
			return "Rows cross", fmt.Sprintf("As they hang, row %d crosses row %d. Make the outer one longer, or twist them together on purpose.", f.Next, f.Row)
		}
		needed, within := against(f.Need, f.Near)
		return "Rows lie on each other", fmt.Sprintf("As they hang, the middles of rows %d and %d come within %s; side by side they need %s.", f.Row, f.Next, within, needed)
	case check.BeadOnRow:
		needed, within := against(f.Need, f.Near)
		return "A wide bead lies on the next row", fmt.Sprintf("As it hangs, the middle of %s in row %d comes within %s of row %d; beside it, it needs %s.", f.Bead.Name, f.Row, within, f.Other, needed)
	case check.HangsOntoRow:
		return "Hangs onto the next row", fmt.Sprintf("%s of row %d hangs down %s; row %d lies %s from its cord there.", f.Of.Name, f.Row, p.fine(f.Drop), f.Next, p.fine(f.Away))
	case check.RowsApart:
		than := "three times the wider row"
		if f.Wanted != nil {
			than = "the " + p.fine(*f.Wanted) + " that are wanted"
		}
		return "A wide gap between rows", fmt.Sprintf("At the front rows %d and %d hang %s apart, more than %s.", f.Row, f.Next, p.fine(f.Gap), than)
	}
	return "", ""
}
