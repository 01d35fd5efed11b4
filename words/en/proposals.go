package en

import (
	"fmt"
	"strings"

	"mala/core/check"
	"mala/core/length"
	"mala/core/pattern"
	"mala/core/solve"
	"mala/core/suggest"
	"mala/core/together"
)

// Changes says each change of a proposal in a few words.
func (p Speaker) Changes(of []solve.Change) []string {
	var out []string
	for _, c := range of {
		out = append(out, p.change(c))
	}
	return out
}

func (p Speaker) change(c solve.Change) string {
	switch c := c.(type) {
	case solve.Recount:
		return recount(c)
	case solve.RecountAll:
		return recountAll(c)
	case solve.AddRepeats:
		return addRepeats(c)
	case solve.Regap:
		return p.regap(c)
	case solve.AddBeads:
		return fmt.Sprintf("%d × %s more %s", c.Beads, lower(c.Bead.Name), atEnds[c.At])
	case solve.AddPart:
		return fmt.Sprintf("%s more %s", shorten(c.Part, inList), atEnds[c.At])
	case solve.Resize:
		along := ""
		if c.Along {
			along = " along the cord"
		}
		return fmt.Sprintf("%s of %s%s in place of %s%s", lower(c.Bead.Name), mm(c.To), along, mm(c.Was), along)
	case solve.SetLinks:
		each := ""
		if c.Both {
			each = " at each side"
		}
		return fmt.Sprintf("%s of %s in place of %d%s", Plural(c.Links, "link"), lower(c.Chain.Name), c.Was, each)
	case solve.AddRing:
		if c.Less {
			return fmt.Sprintf("one %s less at the %s", lower(c.Ring.Name), c.Side)
		}
		return fmt.Sprintf("one more %s at the %s", lower(c.Ring.Name), c.Side)
	case solve.SwapClasp:
		return fmt.Sprintf("%s in place of %s", lower(c.To.Name), lower(c.Was.Name))
	case solve.SetSlack:
		return fmt.Sprintf("slack of %s in place of %s", p.in(c.To), p.in(c.Was))
	case solve.FillTo:
		return "fill up to a target of " + p.in(c.Target)
	case solve.CloseAtLink:
		return fmt.Sprintf("close it at link %d of the extender", c.Link)
	}
	panic(fmt.Sprintf("en: no words for %T", c))
}

func recount(c solve.Recount) string {
	which := ""
	if c.Nth > 0 {
		which = ordinal(c.Nth) + " "
	}
	return which + shorten(c.From, inList) + " to " + shorten(c.To, inList)
}

// recountAll says of runs that change together what each does; of alike ones once.
func recountAll(c solve.RecountAll) string {
	alike := true
	for _, r := range c.Runs {
		alike = alike && r.From == c.Runs[0].From && r.To == c.Runs[0].To
	}
	var each, nth []string
	for _, r := range c.Runs {
		each, nth = append(each, recount(r)), append(nth, ordinal(r.Nth))
	}
	if !alike {
		return list(each)
	}
	from, to := shorten(c.Runs[0].From, inList), shorten(c.Runs[0].To, inList)
	switch {
	case !c.All:
		return fmt.Sprintf("%s %s to %s", list(nth), from, to)
	case len(c.Runs) == 2:
		return fmt.Sprintf("both %s to %s", from, to)
	}
	return fmt.Sprintf("all %d %s to %s", len(c.Runs), from, to)
}

func addRepeats(c solve.AddRepeats) string {
	side := ""
	if c.Twice {
		side = " at each side"
	}
	n, more := c.More, "more"
	if n < 0 {
		n, more = -n, "fewer"
	}
	if n == 1 {
		return fmt.Sprintf("one %s repeat of %s%s", more, shorten(c.Repeat, inList), side)
	}
	return fmt.Sprintf("%d %s repeats of %s%s", n, more, shorten(c.Repeat, inList), side)
}

// regap says how bare cord changes: what it becomes where all of it is alike, else by how much.
func (p Speaker) regap(c solve.Regap) string {
	alike := true
	for _, g := range c.Gaps {
		alike = alike && g.From == c.Gaps[0].From
	}
	switch {
	case alike && len(c.Gaps) == 1:
		return fmt.Sprintf("bare cord of %s in place of %s", c.Gaps[0].To, c.Gaps[0].From)
	case alike:
		return fmt.Sprintf("bare cord of %s each in place of %s", c.Gaps[0].To, c.Gaps[0].From)
	case c.By < 0:
		return fmt.Sprintf("bare cord shorter by %s each", p.fine(-c.By))
	}
	return fmt.Sprintf("bare cord longer by %s each", p.fine(c.By))
}

var atEnds = map[pattern.Ends]string{pattern.RightEnd: "at the right", pattern.LeftEnd: "at the left", pattern.BothEnds: "at each end"}

// ordinal writes a number as one of an order: "2nd".
func ordinal(n int) string {
	if rest := n % 100; rest < 11 || rest > 13 {
		switch n % 10 {
		case 1:
			return fmt.Sprintf("%dst", n)
		case 2:
			return fmt.Sprintf("%dnd", n)
		case 3:
			return fmt.Sprintf("%drd", n)
		}
	}
	return fmt.Sprintf("%dth", n)
}

// Why says why there is no proposal; empty where there is no reason.
func (p Speaker) Why(of solve.Why) string {
	switch of := of.(type) {
	case nil:
		return ""
	case solve.NoGoal:
		return "There is no length to come to. Set a target, or a wearer's measure."
	case solve.NoRoom:
		return fmt.Sprintf("Ends, clasp and slack take %s, so %s leaves nothing for beads. Set a longer target, or choose a shorter clasp.", p.in(of.Taken), p.in(of.Want))
	case solve.FillsItself:
		return "This row fills up to its target by itself. Change what is filled in, or give it a count."
	case solve.RowPinned:
		return "The whole row is pinned. Unpin it to change it."
	case solve.AllPinned:
		return "Everything that could change is pinned. Unpin a run."
	case solve.NothingChanges:
		return "Nothing of this row can change."
	case solve.NotInHand:
		return "There is not enough in hand."
	case solve.Already:
		return fmt.Sprintf("It comes to %s already, and nothing that suits it comes nearer to %s.", p.in(of.Now), p.in(of.Want))
	case solve.NothingWithin:
		return p.nothingWithin(of)
	}
	panic(fmt.Sprintf("en: no words for %T", of))
}

// least is the shortest length that is not written as nothing, in any unit.
const least = length.MM(0.1)

func (p Speaker) nothingWithin(of solve.NothingWithin) string {
	says := fmt.Sprintf("Nothing comes within ± %s", p.in(of.Tolerance))
	switch {
	case of.Comes != nil:
		_, comes := p.Problem(of.Comes)
		says += " without a problem that is not there now: " + comes
	case of.Nearest == nil:
		says += " without a problem that is not there now."
	default:
		off := p.in(*of.Nearest)
		if *of.Nearest < least {
			off = "less than " + p.in(least)
		}
		says += fmt.Sprintf(". The nearest is off by %s: a tolerance of ± %s would take it.", off, max(*of.Nearest, least).AtLeast(p.unit))
	}
	switch of.Without {
	case solve.Pins:
		says += " Without the pins something does."
	case solve.Stock:
		says += " With more in stock something does."
	}
	return says
}

// Together says what changes in which row.
func (p Speaker) Together(of *together.Proposal) string {
	if len(of.Rows) == 0 {
		return "Leave the beads as they are"
	}
	var rows []string
	for _, r := range of.Rows {
		rows = append(rows, fmt.Sprintf("row %d: %s", r.Row, strings.Join(p.Changes(r.Changes), " and ")))
	}
	return "R" + strings.Join(rows, "; ")[1:]
}

// NotTogether says why rows cannot be sized together: what the best way would bring, if it is known.
func (p Speaker) NotTogether(comes []check.Problem) string {
	if len(comes) == 0 {
		return "No change of the rows brings them there. Change a row by hand, or choose another step."
	}
	_, says := p.Problem(&comes[0])
	return "No change of the rows brings them there without a problem that is not there now: " + says
}

// Lacks says what the catalogue has not to join rows by.
func Lacks(of *suggest.Lacks) string {
	what := "ring that opens"
	switch {
	case of.Holes > 0:
		what = fmt.Sprintf("clasp with %d holes", of.Holes)
	case of.Rows > 0:
		what = fmt.Sprintf("ring that takes %d rows", of.Rows)
	}
	return fmt.Sprintf("The catalogue has no %s. Add one to the materials first.", what)
}

// LacksBead says what a pattern asks for that the catalogue has not.
func LacksBead(of suggest.Pattern) string {
	what := "larger bead"
	switch of {
	case suggest.Spaced:
		what = "spacer"
	case suggest.InTurn:
		what = "second bead"
	case suggest.Pendant:
		what = "charm"
	}
	return fmt.Sprintf("The catalogue has no %s that goes with this bead. Add one to the materials, or choose another pattern.", what)
}

// Reason says in a sentence what speaks for a suggestion.
func (p Speaker) Reason(s *suggest.Suggestion) string {
	says := p.reason(s.Reason)
	if s.Metal != "" {
		says += ", " + small(s.Metal) + " like the rest"
	}
	return says + "."
}

func (p Speaker) reason(of suggest.Reason) string {
	none := func(is bool) string {
		if is {
			return "; the house method uses none"
		}
		return ""
	}
	switch of := of.(type) {
	case suggest.EasyLoop:
		says := fmt.Sprintf("%s closes easily into a loop of %s round inside", of.Button.Name, mm(of.Needs))
		if of.Is != nil {
			says += fmt.Sprintf("; this one has %s", mm(*of.Is))
		}
		return says
	case suggest.TakesKnot:
		return fmt.Sprintf("Its hole of %s takes the knot, about %s thick", mm(of.Hole), mm(of.Knot))
	case suggest.TakesCord:
		return fmt.Sprintf("Its trough of %s takes the cord's %s", mm(of.Trough), mm(of.Cord))
	case suggest.GripsCord:
		says := fmt.Sprintf("%s of %s need %s; it is %s inside", passes(of.Passes), mm(of.Cord), mm(of.Needs), mm(of.Inside))
		if of.Hole > 0 {
			says += fmt.Sprintf(", and closed to %s it stays out of the %s hole", mm(of.Closed), mm(of.Hole))
		}
		return says
	case suggest.CoversCrimp:
		return fmt.Sprintf("It covers the crimp, %s wide once closed, with a ball of %s", mm(of.Closed), mm(of.Ball)) + none(of.HouseNot)
	case suggest.GuardsWire:
		return "It keeps the ring from wearing through the wire" + none(of.HouseNot)
	case suggest.JoinsClasp:
		says := "It opens to take the clasp"
		if of.Split {
			says = "A split ring does not pull open"
		}
		if of.Holds > 0 {
			says += fmt.Sprintf(", and bears %.0f N; tugged, the piece pulls with %.1f N", of.Holds, of.Load)
		}
		return says
	case suggest.ClosesAt:
		return "It closes at " + mm(of.Length)
	}
	panic(fmt.Sprintf("en: no words for %T", of))
}
