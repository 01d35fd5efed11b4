package en

import (
	"fmt"
	"strings"

	"mala/core/check"
)

// Fix says in a few words what a fix does, with how many beads and how much length come or go.
func (p Speaker) Fix(f *check.Fix) string {
	var does []string
	for _, e := range f.Does {
		says := p.effect(e)
		if len(does) > 0 {
			says = lower(says)
		}
		does = append(does, says)
	}
	says := strings.Join(does, " and ")
	if f.Rows > 1 {
		says += fmt.Sprintf(", in %d rows", f.Rows)
	}
	if f.More != 0 {
		says += fmt.Sprintf(" (%s%s, %s%s)", sign(f.More < 0), Plural(max(f.More, -f.More), "bead"), sign(f.Longer < 0), p.in(max(f.Longer, -f.Longer)))
	}
	return says
}

func sign(less bool) string {
	if less {
		return "−"
	}
	return "+"
}

func (p Speaker) effect(e check.Effect) string {
	for _, speak := range []func(check.Effect) string{p.onBeads, p.onRows, p.onCord, p.onEnds} {
		if says := speak(e); says != "" {
			return says
		}
	}
	panic(fmt.Sprintf("en: no words for %T", e))
}

// changes says from what to what counts change, of alike ones how often.
func changes(of check.ChangeCounts) string {
	var out []string
	times := map[string]int{}
	for _, c := range of.Counts {
		says := shorten(c.From, onButton) + " to " + shorten(c.To, onButton)
		if times[says]++; times[says] == 1 {
			out = append(out, says)
		}
	}
	for i, says := range out {
		if n := times[says]; n > 1 {
			out[i] = fmt.Sprintf("%s %d times", says, n)
		}
	}
	return strings.Join(out, " and ")
}

// where a bead is put.
var where = map[check.Where]string{
	check.Between: "between", check.OnEitherSide: "on either side", check.BesideBar: "beside the bar", check.AtJoin: "at the join", check.OnLeg: "on the leg", check.There: "there",
}

// onBeads says what a fix does with beads.
func (p Speaker) onBeads(e check.Effect) string {
	switch e := e.(type) {
	case check.PutBead:
		return fmt.Sprintf("Put %s %s", e.Bead.Name, where[e.At])
	case check.ReplaceBead:
		return "Replace it with " + e.With.Name
	case check.RemoveBead:
		return fmt.Sprintf("Remove bead %d", e.N)
	case check.RemoveBeads:
		return "Remove " + Plural(e.Beads, "bead")
	case check.MoveAcross:
		return fmt.Sprintf("Move %d × %s to the %s side", e.Beads, lower(e.Bead.Name), e.To)
	case check.PutOnSide:
		return fmt.Sprintf("Put %d × %s more on the %s side", e.Beads, lower(e.Bead.Name), e.To)
	case check.ReverseCap:
		if e.All {
			return "Reverse the caps"
		}
		return "Reverse the cap"
	case check.FinishAsBegun:
		return "Finish it as it begins"
	case check.FinishRepeat:
		return "Finish the repeat"
	case check.ChangeCounts:
		return "Change " + changes(e)
	case check.HangMore:
		return fmt.Sprintf("Hang %d more %s in it", e.More, e.Bead.Name)
	case check.LeaveRiders:
		return "Leave " + Plural(e.Riders, "sliding bead")
	case check.EndRun:
		return "End the run with " + e.Bead.Name
	case check.LaceAlone:
		return "Lace it alone, with nothing on it"
	case check.LayFlats:
		if e.Pitch {
			return "Lay them at a pitch of " + p.fine(e.By)
		}
		return "Let them overlap by " + p.fine(e.By)
	case check.HangOnRings:
		return fmt.Sprintf("Hang %s on %s", e.Of.Name, Plural(e.Rings, "ring"))
	case check.MakeOnPin:
		return fmt.Sprintf("Make %s on %s", e.Of.Name, e.Pin.Name)
	case check.UseRingIn:
		return fmt.Sprintf("Use %s in %s", e.Ring.Name, e.Of.Name)
	case check.WidenGaps:
		if e.Pitch {
			return "Make the gaps " + p.in(e.To) + " from middle to middle"
		}
		return "Make the gaps " + p.in(e.To)
	case check.HoldBy:
		if e.Crimp == nil {
			return "Hold them by knots"
		}
		return "Hold them by " + e.Crimp.Name
	}
	return ""
}

// The longest groups that are written whole on a button, and in a list of proposals.
const (
	onButton = 18
	inList   = 24
)

// shorten keeps a long group from filling it.
func shorten(text string, most int) string {
	if r := []rune(text); len(r) > most {
		return string(r[:most]) + "…"
	}
	return text
}

// onRows says what a fix does with rows and the length.
func (p Speaker) onRows(e check.Effect) string {
	switch e := e.(type) {
	case check.SetTarget:
		return "Set the target to " + p.in(e.To)
	case check.OrderSides:
		return "Order the right side as the left"
	case check.CentreRow:
		return fmt.Sprintf("Put one %s at the centre of row %d", lower(e.Bead.Name), e.Row)
	case check.ResizeRow:
		if e.Own {
			return fmt.Sprintf("Make row %d %s long", e.Row, p.in(e.To))
		}
		return fmt.Sprintf("Make row %d %s longer than row %d", e.Row, p.in(e.To), e.Row-1)
	case check.GiveLinks:
		if e.Both {
			return fmt.Sprintf("Give both chains %s", Plural(e.Links, "link"))
		}
		return fmt.Sprintf("Give the chain %s", Plural(e.Links, "link"))
	}
	return ""
}

// onCord says what a fix does with the cord.
func (p Speaker) onCord(e check.Effect) string {
	switch e := e.(type) {
	case check.StringOn:
		return "String it on " + e.Cord.Name + ", " + mm(e.Cord.Cord.Diameter)
	case check.NewCut:
		return "Cut a new one of " + p.in(e.Length)
	case check.PlanSlack:
		return "Plan " + p.in(e.Slack) + " of slack"
	case check.HouseSlack:
		return "Use the house's " + p.in(e.Slack)
	case check.TailThrough:
		return fmt.Sprintf("Take the tail back through %s only", Plural(e.Beads, "bead"))
	case check.TrimTails:
		switch {
		case e.Glue:
			return "Trim the tails at their knots, and glue those"
		case e.AtKnots:
			return "Trim the tails at their glued knots"
		}
		return "Trim the tails short"
	case check.ShowKnot:
		return "Leave the knot visible"
	}
	return ""
}

// onEnds says what a fix does with the ends and the closure.
func (p Speaker) onEnds(e check.Effect) string {
	switch e := e.(type) {
	case check.Use:
		return "Use " + e.Of.Name
	case check.DrawKnotIn:
		return "Draw the knot into it"
	case check.BuildByHouse:
		return "Build both ends by the house method"
	case check.UseInstead:
		if e.Buy {
			return "Use " + e.Of.Name + " instead, to be bought"
		}
		return "Use " + e.Of.Name + " instead"
	case check.RemoveFitting:
		return "Remove " + e.Of.Name
	case check.HangInMiddle:
		return "Hang the rows in " + numbered("hole", e.Holes)
	case check.MoveInwards:
		return "Move " + names(e.Of) + " inwards"
	case check.PutRing:
		return "Put " + e.Ring.Name + " between"
	case check.RingsAtBar:
		if e.Rings > 1 {
			return fmt.Sprintf("Add %d x %s at the bar", e.Rings, e.Ring.Name)
		}
		return "Add " + e.Ring.Name + " at the bar"
	case check.CrimpWith:
		return "Crimp it with " + e.Crimp.Name
	case check.CrimpBesideBead:
		return "Leave the crimp beside the bead"
	case check.CoverCrimp:
		return "Let " + e.Bead.Name + " cover the crimp"
	case check.EndIn:
		return "End it in " + e.Of.Name
	case check.CloseWith:
		return "Close it with " + e.Clasp.Name
	case check.MakeLoop:
		if e.OfBeads {
			return "Make a loop of beads"
		}
		return "Make a loop of the cord"
	case check.LoopOf:
		return "Make the loop of " + Plural(e.Beads, "bead")
	case check.UseFoot:
		if e.Buy {
			return "Hang " + e.Bead.Name + " at the foot, to be bought"
		}
		return "Hang " + e.Bead.Name + " at the foot"
	case check.WidenLoop:
		return "Make the loop " + p.fine(e.To) + " round"
	}
	return ""
}
