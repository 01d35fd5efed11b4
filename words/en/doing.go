package en

import (
	"fmt"
	"strings"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/steps"
)

// doing says what is done in a step.
func (p Speaker) doing(d steps.Doing) string {
	if says, is := p.stringing(d); is {
		return says
	}
	if says, is := p.folding(d); is {
		return says
	}
	if says, is := p.ending(d); is {
		return says
	}
	if says, is := p.tying(d); is {
		return says
	}
	if says, is := p.attaching(d); is {
		return says
	}
	panic(fmt.Sprintf("en: no sentence for %T", d))
}

// stoppers names what stops a cord.
var stoppers = map[string]string{
	piece.StopStopper: "a bead stopper", piece.StopTape: "a fold of tape", piece.StopClip: "a clip", piece.StopSlipKnot: "a slip knot",
	piece.StopTiedBead: "a bead tied in that is no part of the piece", piece.StopSpareCrimp: "a spare crimp pressed flat",
}

// with names a cutter behind what it cuts.
func with(c steps.Cutter) string {
	switch c {
	case steps.WireCutters:
		return " with wire cutters"
	case steps.Scissors:
		return " with scissors"
	}
	return ""
}

func places(n int) string {
	if n == 1 {
		return "the place"
	}
	return fmt.Sprintf("each of the %d places", n)
}

// stringing says what is done to cut a cord and string a row.
func (p Speaker) stringing(d steps.Doing) (string, bool) {
	switch d := d.(type) {
	case steps.Note:
		return fmt.Sprintf("%s: %s.", d.Of.Name, strings.TrimSuffix(d.Of.Note, ".")), true
	case steps.Make:
		return p.make(d), true
	case steps.UseOwn:
		return fmt.Sprintf("Have your own %s at hand.", names(d.Of)), true
	case steps.CountOut:
		return fmt.Sprintf("Count out %s from the list and lay them out in order.", Plural(d.Beads, "bead")), true
	case steps.Cut:
		if d.InBag {
			if d.N > 1 {
				return fmt.Sprintf("Take %d pieces of %s, cut to %s each.", d.N, lower(d.Cord.Name), p.in(d.Length)), true
			}
			return fmt.Sprintf("Take %s, cut to %s.", lower(d.Cord.Name), p.in(d.Length)), true
		}
		if d.N > 1 {
			return fmt.Sprintf("Cut %d pieces of %s%s, %s each.", d.N, lower(d.Cord.Name), with(d.Tool), p.in(d.Length)), true
		}
		return fmt.Sprintf("Cut %s of %s%s.", p.in(d.Length), lower(d.Cord.Name), with(d.Tool)), true
	case steps.KeepOnSpool:
		if d.Cord.Cord.Type == material.Elastic {
			return fmt.Sprintf("Leave the elastic on its spool, %s. Draw off a little more than the beads take and stretch it by hand a few times, so that it does not grow later.", lower(d.Cord.Name)), true
		}
		return fmt.Sprintf("Leave the cord on its spool, %s. String from the free end: the run that goes on first ends up by the spool.", lower(d.Cord.Name)), true
	case steps.CutFromSpool:
		if d.Free > 0 {
			return fmt.Sprintf("Leave %s of the free end to tie with, and cut from the spool %s beyond the beads,%s.", p.in(d.Free), p.in(d.Beyond), with(d.Tool)), true
		}
		return fmt.Sprintf("Push the beads up and cut from the spool %s beyond the last bead,%s.", p.in(d.Beyond), with(d.Tool)), true
	case steps.Stretch:
		return "Stretch the elastic by hand a few times, so that it does not grow later.", true
	case steps.MarkMiddle:
		return fmt.Sprintf("Mark the middle of the cord. Whenever it is set down, hold either end with %s, %s from the left tip and %s from the right.", stoppers[d.By], p.in(d.Left), p.in(d.Right)), true
	case steps.Hold:
		if d.N == 2 {
			return fmt.Sprintf("Hold the %s ends of both cords together with %s, %s from their tips.", d.Side, stoppers[d.By], p.in(d.Tip)), true
		}
		if d.N > 1 {
			return fmt.Sprintf("Hold the %s ends of all %d cords together with %s, %s from their tips.", d.Side, d.N, stoppers[d.By], p.in(d.Tip)), true
		}
		return fmt.Sprintf("Hold the %s end with %s, %s from its tip.", d.Side, stoppers[d.By], p.in(d.Tip)), true
	case steps.Release:
		return release(d.By) + " and hold the strand level.", true
	case steps.String:
		return strung(d), true
	case steps.AnyOrder:
		return fmt.Sprintf("The runs marked “any order” may be mixed as you like, each with those beside it: the finished length then lies between %s and %s.", p.in(d.Least), p.in(d.Most)), true
	case steps.OnOneCord:
		return fmt.Sprintf("String %s on one of the cords alone; the other runs beside it.", names(d.Beads)), true
	case steps.OverTail:
		cord := "cord"
		if d.Wire {
			cord = "wire"
		}
		return fmt.Sprintf("String the first %s over %s and tail together.", Plural(d.Beads, "bead"), cord), true
	case steps.RunOn:
		return fmt.Sprintf("With the same cord go through %s, and on.", lower(d.Bead.Name)), true
	case steps.TwistRows:
		return "Twist the rows together, evenly from end to end, and hold the twist.", true
	}
	return p.onTheWay(d)
}

// names joins the names of materials, each as it stands in a sentence.
func names(of []*material.Material) string {
	out := make([]string, len(of))
	for i, m := range of {
		out[i] = lower(m.Name)
	}
	return list(out)
}

func release(by string) string {
	switch by {
	case piece.StopSlipKnot:
		return "Undo the slip knot"
	case piece.StopTiedBead:
		return "Take off the tied bead"
	case piece.StopSpareCrimp:
		return "Cut off the spare crimp"
	}
	return "Remove the stop"
}

func strung(d steps.String) string {
	says := "String the runs in order and tick each one; the length after each run is given beside it."
	switch {
	case d.FromCentre:
		says = "String from the middle outwards and tick each run: first all to the right, then all to the left. The length from the middle is given beside each."
	case d.FromRight:
		says = "String from the right and tick each run, the last of the order first; the length after each run is given beside it."
	}
	return says + alongside(d)
}

// alongside says what is made or strung while the runs are, as the steps after it tell.
func alongside(d steps.String) string {
	says := ""
	switch {
	case d.Drops && d.Loops:
		says = " Where the order comes to a drop or a loop, make it as told next."
	case d.Drops:
		says = " Where the order comes to a drop, make it as told next."
	case d.Loops:
		says = " Where the order comes to a loop, make it as told next."
	}
	if d.Crimps {
		says += " Thread the crimps that hold the beads apart on the way, as told next."
	}
	return says
}

// onTheWay says what is done while a row is strung or laced.
func (p Speaker) onTheWay(d steps.Doing) (string, bool) {
	switch d := d.(type) {
	case steps.LayFlats:
		return fmt.Sprintf("Lay the flats out in order, fronts up, %s.", p.lie(d)), true
	case steps.LayTops:
		var out []string
		for _, t := range d.Tops {
			out = append(out, fmt.Sprintf("%s on every %s", lower(t.Small.Name), lower(t.On.Name)))
		}
		return fmt.Sprintf("Lay %s, hole over hole, and lace both together.", list(out)), true
	case steps.Lace:
		return lacing(d), true
	case steps.Drop:
		last := len(d.Of.Beads) - 1
		return fmt.Sprintf("At %s of this drop go down through %s, round the outside of %s, and back up through the others to the strand; it takes %s of cord.",
			places(d.Places), hungRuns(d.Of.Beads[:last]), lower(d.Of.Beads[last].Material.Name), p.in(d.Of.Path)), true
	case steps.LoopThrough:
		through := lower(d.Of.Through.Material.Name)
		return fmt.Sprintf("At %s of this loop go through %s, take up %s, and go through %s again from the same side, so that the beads hang below it; it takes %s of cord.",
			places(d.Places), through, hungRuns(d.Of.Beads), through, p.in(d.Of.Path)), true
	case steps.InLoop:
		return inLoop(d.Of), true
	case steps.HoldApart:
		return holdApart(d), true
	case steps.Ride:
		all := make([]string, len(d.Riders))
		for i, m := range d.Riders {
			all[i] = lower(m.Name)
		}
		return "Slide the sliding beads over the others, from the end that is still open: " + runs(all) + ".", true
	case steps.OnCord:
		switch d.By {
		case steps.ByLoop:
			return d.Of.Name + " goes on the cord by its own loop, in its place in the order.", true
		case steps.ByRing:
			return d.Of.Name + " goes on the cord by its ring, in its place in the order; opened, the ring also goes round the finished strand.", true
		}
		return d.Of.Name + " has a closed ring: it goes on the cord while stringing, in its place in the order.", true
	case steps.HangLast:
		return fmt.Sprintf("Hang %s last, by its ring, between the same two beads as in the order.", lower(d.Of.Name)), true
	}
	return "", false
}

func inLoop(d *measure.Drop) string {
	if d.Through == nil {
		last := len(d.Beads) - 1
		return fmt.Sprintf("In it drop %s hangs: down through %s, round the outside of %s, and back up through the others.", d.Key, hungRuns(d.Beads[:last]), lower(d.Beads[last].Material.Name))
	}
	return fmt.Sprintf("In it %s has a loop of its own: go through it, take up %s, and go through it again from the same side.", lower(d.Through.Material.Name), hungRuns(d.Beads))
}

func holdApart(d steps.HoldApart) string {
	switch d.Way {
	case piece.HeldByCrimps:
		return fmt.Sprintf("Thread %d × %s among the beads, one on each side of every bead that a gap lies beside. Close them from the left, one after the other.", d.N, lower(d.Of.Name))
	case piece.HeldByPressing:
		return "From the left, press each of these beads onto the cord where it lies, both cords in it side by side."
	case piece.HeldByKnots:
		return fmt.Sprintf("From the left, tie an overhand knot tight against every bead on each side where a gap lies, %d in all: draw each up to its bead with a needle.", d.N)
	}
	return "Push the beads to their places: nothing holds them but friction."
}

// lie says how flats lie.
func (p Speaker) lie(d steps.LayFlats) string {
	switch {
	case d.TiltDeg > 0:
		return fmt.Sprintf("each leaning on the one before it, by about %.0f degrees", d.TiltDeg)
	case d.Step > 0:
		return fmt.Sprintf("every other one in front of its neighbours, %s further forward", p.in(d.Step))
	case d.Pitch > 0:
		return fmt.Sprintf("%s from middle to middle", p.in(d.Pitch))
	}
	return "side by side, edge to edge"
}

// lacing tells how each way goes, by how many cords there are.
func lacing(d steps.Lace) string {
	switch d.Way {
	case piece.LacedStraight:
		says := "From the back, come up through the left hole of a flat, go over its front, down through the right hole, and along the back to the next."
		if d.Cords > 1 {
			says += " Through four holes one cord takes the upper two, the other the lower two."
		}
		return says
	case piece.LacedDiagonal:
		return "From the back, come up through the upper left hole of a flat, cross its front to the lower right hole, go down, and at the back run up to the upper left hole of the next."
	}
	return "From the back, come up with one cord through the upper left hole of a flat and down through the lower right; with the other from the lower left to the upper right, over the first. At the back each runs straight on to the next flat. Keep the cord that comes from the lower left on top on every front."
}
