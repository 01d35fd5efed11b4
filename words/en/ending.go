package en

import (
	"fmt"
	"strings"

	"mala/core/piece"
	"mala/core/steps"
)

// knots names the house's knots.
var knots = map[string]string{piece.KnotSurgeons: "surgeon's knot", piece.KnotSquare: "square knot", piece.KnotTriple: "triple knot"}

// folding says what is done at the fold of a cord.
func (p Speaker) folding(d steps.Doing) (string, bool) {
	switch d := d.(type) {
	case steps.Hitch:
		return fmt.Sprintf("Fold the cord in the middle, lay the fold round %s at the %s, and draw both ends through it.", thing(&d.On), d.Side), true
	case steps.FoldRound:
		return fmt.Sprintf("Fold the cord in the middle round %s at the %s.", thing(&d.On), d.Side), true
	case steps.FoldThrough:
		says := fmt.Sprintf("String %s to the middle of the cord, and bring both ends together below it.", lower(d.Bead.Name))
		if d.Neck > 0 {
			says += fmt.Sprintf(" Leave %s of both cords below it: the loop that closes the piece lies round them there.", p.in(d.Neck))
		}
		return says, true
	case steps.FoldIntoLoop:
		return fmt.Sprintf("Fold the cord in the middle, leave a loop of %s round its inside at the fold, and tie both halves in one overhand knot below it.", p.in(d.Girth)), true
	case steps.FoldIntoBeads:
		return fmt.Sprintf("String %s to the middle of the cord, thread both ends through %s, and draw the loop round.", loopOf(d.Loop), lower(d.Crimp.Name)), true
	case steps.CloseOverLegs:
		return "Close the crimp over both legs.", true
	case steps.EvenLegs:
		if d.Both {
			return fmt.Sprintf("Pull both halves equally long, %s each, and string over both together.", p.in(d.Each)), true
		}
		return fmt.Sprintf("Pull both legs equally long, %s each. String this row on one of them.", p.in(d.Each)), true
	case steps.OtherLeg:
		return fmt.Sprintf("String this row on the other leg of row %d, from the fold.", d.Of), true
	case steps.JoinCrimp:
		return fmt.Sprintf("Bring the leg of row %d into the same crimp from the side of its beads; it is clipped there and goes no further.", d.Row), true
	case steps.ClipLeg:
		return title(d.End) + " end: thread both legs through the crimp; clip one of them there and go on with the other.", true
	}
	return "", false
}

// ending says what is done at an end that is crimped.
func (p Speaker) ending(d steps.Doing) (string, bool) {
	switch d := d.(type) {
	case steps.ThreadCrimp:
		way := "the crimp"
		if rest := p.around(d.Around); rest != "" {
			way += ", " + rest
		}
		return fmt.Sprintf("%s end: thread %s, and go back through the crimp. %s", title(d.End), way, p.tailOf(d)), true
	case steps.LeaveRoom:
		return fmt.Sprintf("Leave %s of bare cord on either side of the crimp: the cover needs the room.", p.in(d.Each)), true
	case steps.CloseCrimp:
		return closeCrimp(d), true
	case steps.SlideOver:
		return fmt.Sprintf("Slide the last bead, %s, over the crimp.", lower(d.Bead.Name)), true
	case steps.CloseCover:
		return fmt.Sprintf("Close %s over the crimp.", lower(d.Cover.Name)), true
	case steps.TrimTail:
		if d.Named {
			return title(d.End) + " end: trim the tail flush where it comes out.", true
		}
		return "Trim the tail flush where it comes out.", true
	case steps.PressAtTip:
		return fmt.Sprintf("%s end: thread %s, press it at the tip of the cord, and trim what stands out below it flush.", title(d.End), lower(d.Crimp.Name)), true
	case steps.KnotAtTip:
		return title(d.End) + " end: tie an overhand knot, draw it tight against the bead, and trim the end.", true
	}
	return "", false
}

func (p Speaker) tailOf(d steps.ThreadCrimp) string {
	switch {
	case d.Trim:
		return "Trim the tail close."
	case d.Leave:
		return fmt.Sprintf("Leave a tail of %s.", p.in(d.Tail))
	case d.Shared != nil:
		return fmt.Sprintf("Tuck the tail back through %s and on through %s, %s.", Plural(d.Beads, "bead"), lower(d.Shared.Name), p.in(d.Tail))
	case d.Beads == 0:
		return fmt.Sprintf("Leave a tail of %s.", p.in(d.Tail))
	}
	return fmt.Sprintf("Tuck the tail back through %s, %s.", Plural(d.Beads, "bead"), p.in(d.Tail))
}

// closeCrimp tells the house's school, by how many cords lie in the crimp.
func closeCrimp(d steps.CloseCrimp) string {
	cords := "cords"
	if d.Wire {
		cords = "wires"
	}
	several := fmt.Sprintf("the %d %s", d.Cords, cords)
	if d.Cords == 2 {
		several = "the two " + cords
	}
	switch {
	case d.School == piece.CrimpFlat:
		return fmt.Sprintf("Press the crimp flat over %s. They lie side by side, not crossed.", several)
	case d.School == piece.CrimpThreeSided:
		return fmt.Sprintf("Press the crimp from three sides around %s. They lie side by side, not crossed.", several)
	case d.Cords == 2:
		return fmt.Sprintf("Close the crimp: press it between %s, which lie side by side, then turn it and fold it.", several)
	}
	return fmt.Sprintf("Close the crimp: part %s evenly, not crossed, and press it between them, then turn it and fold it.", several)
}

// tying says what is done at an end that is tied or pressed.
func (p Speaker) tying(d steps.Doing) (string, bool) {
	switch d := d.(type) {
	case steps.TieOn:
		return p.tieOn(d), true
	case steps.Tie:
		return fmt.Sprintf("Tie a %s round the cord.", knots[d.Knot]), true
	case steps.TieOff:
		return fmt.Sprintf("%s end: tie an overhand knot close to the beads, lay it in %s, and fold the cord end over it.", title(d.End), lower(d.CordEnd.Name)), true
	case steps.TieInCone:
		return fmt.Sprintf("%s end: tie an overhand knot through the eye inside %s, close to the beads.", title(d.End), lower(d.Cone.Name)), true
	case steps.DrawCone:
		return "Trim the cord and draw the cone down over the knot until it meets the last bead.", true
	case steps.LayInTrough:
		return fmt.Sprintf("%s end: trim the cord square, %s beyond the last bead, and lay it in the trough of %s.", title(d.End), p.in(d.Beyond), lower(d.Of.Name)), true
	case steps.PressFlaps:
		return "Press one flap down on the cord, then the other over that.", true
	case steps.LoopOfCord:
		return fmt.Sprintf("%s end: lay the cord back in a loop of %s round its inside, and tie it with an overhand knot close to the beads.", title(d.End), p.in(d.Girth)), true
	case steps.TieLeg:
		return p.tieLeg(d), true
	case steps.TieTails:
		return p.tieTails(d), true
	case steps.TieRing:
		return fmt.Sprintf("Tie a %s, pulled tight to the beads.", knots[d.Knot]), true
	case steps.PullAgain:
		return "Pull the knot, wait a minute, and pull it again: elastic settles.", true
	}
	return p.finishing(d)
}

// finishing says how a knot is glued, hidden and trimmed.
func (p Speaker) finishing(d steps.Doing) (string, bool) {
	switch d := d.(type) {
	case steps.Glue:
		return glue(d), true
	case steps.LetDry:
		if d.Of == steps.InTrough {
			return "Let the glue dry as its label says.", true
		}
		return "Let it dry as the glue's label says.", true
	case steps.HideKnot:
		how := map[steps.HidingWhile]string{steps.WhileWet: ", while the glue is wet", steps.ByEnds: ", by pulling on the ends"}[d.How]
		return fmt.Sprintf("Draw the knot into %s, bead %d%s.", lower(d.Bead.Name), d.Number, how), true
	case steps.TrimAtBead:
		if d.Both {
			return "Trim both tails close to the beads that hide the knots.", true
		}
		return "Trim the ends close to the bead.", true
	case steps.TrimAtKnot:
		if d.Both {
			return "Trim both tails close to their knots, which stay visible.", true
		}
		if d.Ends == 1 {
			return "Trim the end close to the knot, which stays visible.", true
		}
		return "Trim the ends close to the knot, which stays visible.", true
	case steps.TuckTail:
		if d.Both {
			return fmt.Sprintf("Thread both tails back through %s each, %s, and trim them.", Plural(d.Beads, "bead"), p.in(d.Tail)), true
		}
		return fmt.Sprintf("Thread the tail back through %s, %s, and trim it.", Plural(d.Beads, "bead"), p.in(d.Tail)), true
	}
	return "", false
}

func glue(d steps.Glue) string {
	switch d.On {
	case steps.InCordEnd:
		return "Put a drop of glue inside before the last fold, with the window open, and let it dry as its label says."
	case steps.InTrough:
		return "Put a drop of glue in the trough, with the window open."
	}
	if d.Dry {
		return "Put one drop of glue on the knot, with the window open, and let it dry as its label says."
	}
	return "Put one drop of glue on the knot, with the window open."
}

func (p Speaker) tieOn(d steps.TieOn) string {
	way := strings.ReplaceAll(p.around(d.Around), ", ", " and ")
	if d.Loop {
		way = loopOf(d.Around.Loop)
		back := ", come back to the beads"
		if d.Back {
			back = " and go back into the last bead of the strand, so that the loop closes"
		}
		return fmt.Sprintf("%s end: thread %s%s.", title(d.End), way, back)
	}
	return fmt.Sprintf("%s end: thread %s, come back to the beads and tie a %s round the cord.", title(d.End), way, knots[d.Knot])
}

func (p Speaker) tieLeg(d steps.TieLeg) string {
	says := title(d.End) + " end: tie an overhand knot close to the beads. "
	if d.Bead != nil {
		return says + fmt.Sprintf("String %s, tie an overhand knot below it %s from the strand, and trim the end.", lower(d.Bead.Name), p.in(d.Leg))
	}
	return says + fmt.Sprintf("Leave a leg of %s, tie an overhand knot at its end, and trim it.", p.in(d.Leg))
}

func (p Speaker) tieTails(d steps.TieTails) string {
	tails := "On the loose tail"
	if d.N > 1 {
		tails = "On each loose tail"
	}
	if d.Bead != nil {
		return fmt.Sprintf("%s string %s, tie an overhand knot below it %s from the knot of the piece, and trim the end.", tails, lower(d.Bead.Name), p.in(d.Leg))
	}
	return fmt.Sprintf("%s tie an overhand knot %s from the knot of the piece, and trim the end.", tails, p.in(d.Leg))
}

// attaching says what is counted off, hooked up and hung.
func (p Speaker) attaching(d steps.Doing) (string, bool) {
	switch d := d.(type) {
	case steps.CountChain:
		where := title(steps.End{Side: d.Side, Hangs: d.Hangs}) + " end: count"
		if d.OwnRow {
			where = "Count"
		}
		return fmt.Sprintf("%s off %d links of %s, %s, and %s.", where, d.Links, lower(d.Of.Name), p.in(d.Length), parting(d.Through)), true
	case steps.CountBetween:
		return fmt.Sprintf("Count off %d times %d links of %s: %s each time.", d.Times, d.Links, lower(d.Of.Name), parting(d.Through)), true
	case steps.HookUp:
		if d.Between > 0 {
			return fmt.Sprintf("Hook %d × %s into a row with %d links of chain between each two, %s: open each eye sideways, hang the chain in it, and close it.", d.N, lower(d.Of.Name), d.Between, p.in(d.Length)), true
		}
		return fmt.Sprintf("Hook %d × %s into one another, %s: open the eye of each sideways, hang it in the loop of the next, and close it.", d.N, lower(d.Of.Name), p.in(d.Length)), true
	case steps.Attach:
		return fmt.Sprintf("%s end: hang %s on %s.%s", title(d.End), thing(&d.What), thing(&d.On), opening(d.Opens)), true
	case steps.HangOn:
		on := "the loop of beads"
		if d.On != nil {
			on = lower(d.On.Name)
		}
		if d.Last {
			on = "the last link of " + on
		}
		return fmt.Sprintf("%s end: hang %s on %s.", title(d.End), counted(d.What), on), true
	case steps.HangChain:
		link := map[piece.Side]string{piece.Left: "first", piece.Right: "last"}[d.Side]
		return fmt.Sprintf("%s end: hang its %s link on %s.", title(d.End), link, lower(d.On.Name)), true
	}
	return "", false
}

func parting(through bool) string {
	if through {
		return "cut through the next link, which is lost"
	}
	return "open the next link"
}

func opening(o steps.Opening) string {
	switch o {
	case steps.JumpRing:
		return " Open the ring sideways, never apart, and close it until nothing can be felt at the joint."
	case steps.SplitRing:
		return " Wind on the split ring."
	}
	return ""
}
