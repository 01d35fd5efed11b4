package en

import (
	"fmt"

	"mala/core/check"
	"mala/core/material"
)

// ofOpenEnds says what holds nothing, and which knot shows.
func (p Speaker) ofOpenEnds(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.EndUnheld:
		lacks := "no crimp, and no ring, guard or cord end to tie it to"
		if f.Cord.Cord.Type == material.Wire {
			lacks = "no crimp, and wire cannot be knotted"
		}
		return "Nothing holds the " + string(f.Side) + " end", fmt.Sprintf("%s at the %s end has %s.", f.Cord.Name, f.Side, lacks)
	case check.KnotSlips:
		return "The knot slips through its bead", fmt.Sprintf("An overhand knot in this cord is about %s thick; %s on the %s leg has a hole of %s.", mm(f.Knot), f.Bead.Name, f.Side, mm(f.Bead.Bead.Hole))
	case check.KnotTight:
		return "The knot is tight in its bead", fmt.Sprintf("The knot is about %s thick; tied tight it can be pulled into the %s hole of %s.", mm(f.Knot), mm(f.Bead.Bead.Hole), f.Bead.Name)
	case check.KnotShows:
		if f.Widest == nil {
			return "The knot will show", fmt.Sprintf("The knot is about %s thick, and no bead here has a hole that takes it.", mm(f.Knot))
		}
		return "The knot will show", fmt.Sprintf("The knot is about %s thick; the widest hole, of %s, is %s.", mm(f.Knot), f.Widest.Name, mm(f.Widest.Bead.Hole))
	case check.EndKnotShows:
		return "The knot will show", fmt.Sprintf("The knot is about %s thick; %s at the %s end, that should hide it, has a hole of %s.", mm(f.Knot), f.Bead.Name, f.Side, mm(f.Bead.Bead.Hole))
	}
	return "", ""
}

// ofCrimps says what does not take the cords of an end, or does not suit the crimp.
func (p Speaker) ofCrimps(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.CrimpWrong:
		title = "Crimp too small"
		if f.Loose {
			title = "Crimp too loose to grip"
		}
		needed, held := against(f.Needs, f.Crimp.Finding.Inside)
		return title, fmt.Sprintf("%s need %s; %s at the %s end is %s inside. One of %s to %s grips.", through(f.Passing), needed, f.Crimp.Name, f.Side, held, mm(f.Needs), mm(f.Most))
	case check.FoldNarrow:
		cords, takes := against(f.Cords, f.Of.Finding.Inside)
		return "Fold-over end too narrow", fmt.Sprintf("%s at the %s end takes cord of %s side by side; here it is %s.", f.Of.Name, f.Side, takes, cords)
	case check.GuardNarrow:
		needed, held := against(f.Needs, f.Guard.Finding.Inside)
		return "Guard too narrow", fmt.Sprintf("For %s each leg of %s at the %s end must be %s inside; it is %s.", through(f.Passing), f.Guard.Name, f.Side, needed, held)
	case check.ConeNarrow:
		knot, room := against(f.Knot, f.Room)
		return "No room for the knot in the cone", fmt.Sprintf("The knot is about %s thick; behind the last bead %s at the %s end has room for %s.", knot, f.Cone.Name, f.Side, room)
	case check.CrimpSwallowed:
		return "Crimp slips into the bead", fmt.Sprintf("%s is %s wide once closed and slips into the %s hole of %s at the %s end.", f.Crimp.Name, mm(f.Closed), mm(f.Bead.Bead.Hole), f.Bead.Name, f.Side)
	case check.CrimpBare:
		return "The bead does not cover the crimp", fmt.Sprintf("%s is %s wide once closed; %s at the %s end, that should cover it, has a hole of %s.", f.Crimp.Name, mm(f.Closed), f.Bead.Name, f.Side, mm(f.Bead.Bead.Hole))
	case check.CoverAlone:
		return "Cover without a crimp", fmt.Sprintf("%s at the %s end has no crimp to cover.", f.Cover.Name, f.Side)
	case check.CoverUnlike:
		return "Cover and crimp do not match", fmt.Sprintf("%s at the %s end is %s wide and %s long; %s under it is %s wide once closed and %s long.",
			f.Cover.Name, f.Side, mm(f.Room), mm(f.Cover.Finding.Length), f.Crimp.Name, mm(f.Closed), mm(f.Crimp.Finding.Length))
	}
	return "", ""
}

// ofClosing says why a piece does not close.
func (p Speaker) ofClosing(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.NoClasp:
		return "No clasp", "The piece closes by a clasp, and neither end has one. Add a clasp, or choose another way to close it."
	case check.NothingToCloseOn:
		return "Nothing for the clasp to close on", fmt.Sprintf("At the %s end the clasp would take hold of the cord's own loop, and wear it through. Put a ring there.", f.Side)
	case check.ShutIn:
		return "The clasp cannot close", fmt.Sprintf("%s at the %s has %s outside of it, so it takes hold of nothing.", f.Clasp.Name, f.Side, names(f.Outside))
	case check.NoLoopForButton:
		return "No loop for the button", fmt.Sprintf("The button has nothing to close into. Make a loop of beads at the %s end, or choose another clasp.", f.Side)
	case check.ClosedInside:
		where := ""
		if f.Of != nil {
			where = " in " + f.Of.Name
		}
		return "Neither opens", fmt.Sprintf("%s and %s%s are both closed, so one cannot hang in the other. Take a ring that opens for one of them.", f.One.Name, lower(f.Other.Name), where)
	case check.BothClosed:
		title = "Neither eye opens"
		if f.Chain {
			title = "The chain cannot be put on"
		}
		return title, fmt.Sprintf("%s and %s at the %s end are both closed. Add a ring that opens between them.", f.One.Name, f.Other.Name, f.Side)
	case check.ButtonLoop:
		title = map[check.LoopFit]string{check.LoopSmall: "The loop does not go over its button", check.LoopTight: "The loop is tight on its button", check.LoopWide: "The loop slips off its button"}[f.Fit]
		return title, fmt.Sprintf("The loop at the %s end is %s round inside; %s just passes at %s and is easy to close at %s.", f.Side, p.fine(f.Girth), f.Button.Name, p.atLeast(f.Passes), p.atLeast(f.Easy))
	case check.BarBlocked:
		return "The bar cannot pass the ring", fmt.Sprintf("The %s ring leaves %s beside the %s bar, but %s, %s wide, is within half a bar of it.", mm(f.Ring), mm(f.Room), mm(f.Bar), f.Bead.Name, mm(f.Bead.Bead.Across))
	case check.RingSmall:
		holds := "the parts it holds are"
		if f.Rows > 1 {
			holds = fmt.Sprintf("%d rows go on it, and with what lies beyond they are", f.Rows)
		}
		return "Ring too small for what it holds", fmt.Sprintf("%s at the %s end is %s inside; %s %s thick together.", f.Ring.Name, f.Side, mm(f.Ring.Finding.Inside), holds, mm(f.Holds))
	case check.OtherMetal:
		return "Findings of different metals", fmt.Sprintf("%s is %s, the other findings are %s.", f.Of.Name, small(f.Of.Metal), small(f.Most))
	}
	return "", ""
}

// ofCord says what is wrong with the cord, its cut and its slack.
func (p Speaker) ofCord(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.CutShort:
		if f.Legs == 0 {
			return "Cut too short", fmt.Sprintf("The cord is cut to %s; it needs at least %s.", p.in(f.Cut), f.Needs.AtLeast(p.unit))
		}
		what := "cord"
		if f.Folded {
			what = "half of the fold"
		}
		return "Cut too short", fmt.Sprintf("The cord is cut to %s in all, so each %s has %s; it needs at least %s.", p.in(f.Cut), what, p.in(f.Each), f.Needs.AtLeast(p.unit))
	case check.LittleLeft:
		title = "Little left to hold"
		if f.Elastic {
			title = "Little left to tie"
		}
		return title, fmt.Sprintf("The cord is cut to %s; with the house's allowance it would be %s.", p.in(f.Cut), p.in(f.Would))
	case check.ElasticUnlike:
		if f.Thin {
			return "Elastic too thin", fmt.Sprintf("%s takes elastic of up to %s. %s wears through sooner and its knot slips.", finest(f), mm(f.Most), mm(f.Is))
		}
		return "Elastic passes with a pull", fmt.Sprintf("%s takes elastic of up to %s easily; this is %s.", finest(f), mm(f.Most), mm(f.Is))
	case check.SlackLong:
		return "Cord will show", fmt.Sprintf("%s of slack is planned, %s more than bending needs.", p.in(f.Planned), p.in(f.More))
	case check.SlackShort:
		return "Too little slack", fmt.Sprintf("Too stiff to curve: bending needs %s, at least %s; %s is planned.", p.in(f.Needs), p.in(f.Least), p.in(f.Planned))
	}
	return "", ""
}

func finest(f check.ElasticUnlike) string {
	return fmt.Sprintf("The finest hole, %s of %s,", mm(f.Finest.Bead.Hole), f.Finest.Name)
}

// ofComponents says what is wrong with a component by itself.
func (p Speaker) ofComponents(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.PinShort:
		return "Pin too short", fmt.Sprintf("%s needs %s of pin: beads %s, loop %s. %s is %s. Use a longer pin.", f.Of.Name, needs(f.Needs), mm(f.Stack), mm(f.Needs-f.Stack), f.Pin.Name, mm(f.Long))
	case check.PinThick:
		return "Hole too small for the pin", fmt.Sprintf("%s in %s has a hole of %s; %s is %s thick. Use a finer pin.", f.Bead.Name, f.Of.Name, mm(f.Bead.Bead.Hole), f.Pin.Name, mm(f.Pin.Finding.Wire))
	case check.RingThick:
		by := ""
		if f.By != nil {
			by = f.By.Name
		}
		return "Ring too thick for the charm", fmt.Sprintf("%s has a hole of %s; %s is made of %s wire. Use a finer ring.", f.Charm.Name, mm(f.Charm.Bead.Hole), by, mm(f.Wire))
	case check.PinSlips:
		return "The pin slips through", fmt.Sprintf("The %s of %s is %s wide and passes the hole of %s, %s. Put a small bead there.", f.End, f.Pin.Name, mm(f.Wide), f.Bead.Name, mm(f.Bead.Bead.Hole))
	case check.LinkCrowded:
		holds := "what hangs on it"
		if f.Below != 1 {
			holds = fmt.Sprintf("the %d things on it", f.Below)
		}
		return "Ring too small for what it holds", fmt.Sprintf("%s in %s is %s inside; %s and what carries it do not fit. Use a larger ring.", f.Ring.Name, f.Of.Name, mm(f.Ring.Finding.Inside), holds)
	case check.LoopCrowded:
		holds := "what hangs on it does"
		if f.Below != 1 {
			holds = fmt.Sprintf("the %d things on it do", f.Below)
		}
		return "Loop too small for what it holds", fmt.Sprintf("The loop of %s in %s is %s inside; %s not fit. Hang less on it, or choose one with a larger loop.", f.Bead.Name, f.Of.Name, mm(f.Bead.Bead.Loop), holds)
	case check.FirstRingSmall:
		sum := f.Carrier
		for _, thick := range f.Below {
			sum += thick
		}
		return "Ring too small for what it holds", fmt.Sprintf("%s in %s is %s inside; what it hangs on and what hangs on it are %s thick together. Use a larger ring.", f.Ring.Name, f.Of.Name, mm(f.Ring.Finding.Inside), mm(sum))
	case check.CharmSideways:
		return "Charm faces sideways", fmt.Sprintf("Each ring or loop turns what hangs on it by a quarter; on %s the charm in %s shows its edge. Use one ring more or one less.", Plural(f.Rings, "ring"), f.Of.Name)
	case check.PartOfOtherMetal:
		return "Findings of different metals", fmt.Sprintf("%s in %s is %s, another finding in it is %s.", f.Part.Name, f.Of.Name, small(f.Part.Metal), small(f.Other.Metal))
	}
	return "", ""
}

// ofLoads says what gives when the piece is tugged.
func (p Speaker) ofLoads(f check.Fact) (title, says string) {
	const weak = "Too weak for its weight"
	tug := func(by check.Pull) string {
		return fmt.Sprintf("A sharp tug on a piece of %.0f g pulls with %.1f N", by.Grams, by.Load)
	}
	switch f := f.(type) {
	case check.CordWeak:
		return "Cord too weak for its weight", fmt.Sprintf("%s; %s holds %.1f N.", tug(f.Pull), f.Cord.Name, f.Holds)
	case check.FittingWeak:
		return weak, fmt.Sprintf("%s; %s at the %s end holds %.1f N.", tug(f.Pull), f.Of.Name, f.Side, f.Holds)
	case check.HeavyOnRing:
		return "Heavy on an open ring", fmt.Sprintf("It weighs %.0f g and hangs on %s at the %s end. An oval, split or soldered ring, or a heavier one, is safer.", f.Grams, f.Ring.Name, f.Side)
	case check.LinkWeak:
		pulls := fmt.Sprintf("A sharp tug on %s, %.1f g, pulls with %.1f N", f.Of.Name, f.Of.MassG, f.Load)
		if f.Ring == nil {
			return weak, fmt.Sprintf("%s; its open loop holds %.1f N. Wrap the loop, or use a heavier pin.", pulls, f.Holds)
		}
		return weak, fmt.Sprintf("%s; %s holds %.1f N. Use a soldered or split ring, or a heavier one.", pulls, f.Ring.Name, f.Holds)
	}
	return "", ""
}
