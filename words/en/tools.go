package en

import (
	"fmt"
	"strings"

	"mala/core/length"
	"mala/core/tools"
)

// Tool names a tool, and says what it is for.
func (p Speaker) Tool(t tools.Tool, needle length.MM) (name, what string) {
	name = toolNames[t.Kind]
	if t.Kind == tools.Rod {
		name = "Rod of " + p.in(t.Rod)
	}
	var uses []string
	for _, use := range t.For {
		says := toolUses[use]
		if use == tools.ToString {
			says = fmt.Sprintf("%s, no thicker than %s", says, needle.AtMost(p.unit))
		}
		if says == "" {
			panic(fmt.Sprintf("en: no words for a tool's use %q", use))
		}
		uses = append(uses, says)
	}
	if name == "" {
		panic(fmt.Sprintf("en: no name for the tool %q", t.Kind))
	}
	return name, strings.Join(uses, ", ")
}

var toolNames = map[tools.Kind]string{
	tools.Ruler: "Ruler", tools.Cutters: "Wire cutters", tools.Scissors: "Scissors", tools.FlatPliers: "Flat-nose pliers", tools.TwoPliers: "Two pairs of flat-nose pliers",
	tools.RoundPliers: "Round-nose pliers", tools.Rod: "Rod", tools.CrimpPliers: "Crimping pliers", tools.ThreeSided: "Three-sided crimping pliers",
	tools.SplitPliers: "Split-ring pliers", tools.Needle: "Beading needle", tools.WireNeedle: "Needle of thin folded wire", tools.Stopper: "Bead stopper",
	tools.Tape: "Tape", tools.Clip: "Clip", tools.Glue: "Jeweller's glue",
}

var toolUses = map[tools.Use]string{
	tools.ToMeasure: "to measure the cord and the strand", tools.ToTrimPins: "to trim pins", tools.ToCutWire: "to cut the wire", tools.ToCutThread: "to cut the thread",
	tools.ToCutElast: "to cut the elastic", tools.ToCutCord: "to cut the cord", tools.ToPartChain: "to part the chain", tools.ToTrim: "to trim the ends", tools.ToTassels: "to trim tassels",
	tools.ToOpenRings: "to open and close rings", tools.ToOpenEyes: "to open and close eyes", tools.ToTurnLoops: "to turn loops", tools.ToHoldLoop: "to hold a loop while its end is wound",
	tools.ToWindCoils: "to wind coils on", tools.ToCovers: "to close crimp covers", tools.ToFoldEnds: "to fold the ends over", tools.ToFlatten: "to flatten crimps",
	tools.ToFold: "to fold crimps", tools.ToPress: "to press crimps", tools.ToPressOn: "to press beads onto the cord", tools.ToSpread: "to spread split rings",
	tools.ToString: "to string on thread", tools.ToDraw: "to draw the elastic through", tools.ToDrawKnots: "to draw knots up to their beads",
	tools.ToTuck: "to take tails back through beads", tools.ToHoldEnd: "to hold the end that is strung first", tools.OnKnots: "on the knots", tools.InEnds: "inside the ends",
}
