package en

import (
	"fmt"
	"strings"

	"mala/core/steps"
)

// make says how a component is made.
func (p Speaker) make(d steps.Make) string {
	first := ""
	if d.N > 1 {
		first = fmt.Sprintf(" (the first of %d)", d.N)
	}
	var does []string
	for _, part := range d.Parts {
		does = append(does, p.making(part))
	}
	return fmt.Sprintf("Make %s%s: %s.", lower(d.Of.Name), first, strings.Join(does, "; "))
}

func (p Speaker) making(d steps.Making) string {
	switch d := d.(type) {
	case steps.PutOn:
		return fmt.Sprintf("put %s on %s", onPin(d.Beads), lower(d.Pin.Name))
	case steps.Wind:
		return fmt.Sprintf("wind the free end of the pin from its tip round a rod of %s, turn beside turn, down to the bead, about %.0f turns", p.in(d.Rod), d.Turns)
	case steps.SlideOff:
		return "slide the coil off and press the tip inwards"
	case steps.BendStem:
		return fmt.Sprintf("bend the stem over at a right angle above the last bead, leave %s of it and cut off the rest", p.in(d.Leave))
	case steps.TurnLoop:
		says := fmt.Sprintf("turn a loop round a rod of %s", p.in(d.Inside))
		if d.Turns > 0 {
			says += fmt.Sprintf("; wind the end %s round the stem and press its tip in", Plural(d.Turns, "time"))
		}
		return says
	case steps.CutStrands:
		return fmt.Sprintf("cut %s of %s, each of %s", Plural(d.N, "strand"), lower(d.Cord.Name), p.in(d.Each))
	case steps.FoldOver:
		return "fold them over " + lower(d.Ring.Name)
	case steps.Bind:
		return fmt.Sprintf("bind them with one more strand just below the fold, and trim the ends to %s", p.in(d.Leg))
	case steps.Weave:
		var parts []string
		for _, part := range d.Parts {
			parts = append(parts, fmt.Sprintf("%d %s", part.Count, lower(part.Of.Name)))
		}
		return "weave it of " + list(parts)
	case steps.HangBelow:
		return fmt.Sprintf("hang %s on %s", counted(d.What), linkOf(d.On))
	case steps.PutOnRings:
		them := "it"
		if len(d.Rings) > 1 {
			them = "them"
		}
		return fmt.Sprintf("open %s by twisting %s sideways, put %s on, and twist %s shut", counted(d.Rings), them, them, them)
	case steps.CloseRings:
		return "close every ring"
	}
	panic(fmt.Sprintf("en: no words for %T", d))
}

func onPin(beads []steps.PinRun) string {
	var out []string
	for _, b := range beads {
		text := lower(b.Of.Name)
		if b.Turned {
			text = "reversed " + text
		}
		if b.N > 1 {
			text = fmt.Sprintf("%d %s", b.N, text)
		}
		out = append(out, text)
	}
	return strings.Join(out, ", ")
}

func linkOf(l steps.Link) string {
	switch {
	case l.Eye:
		return "the eye of the pin"
	case l.LoopOf != nil:
		return "the loop of " + lower(l.LoopOf.Name)
	}
	return lower(l.Ring.Name)
}
