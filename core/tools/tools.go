// Package tools gives what is needed beside the materials to make a piece, as its steps use it.
package tools

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/steps"
)

// Kind is which tool or consumable it is.
type Kind string

// The tools.
const (
	Ruler       Kind = "ruler"
	Cutters     Kind = "wire-cutters"
	Scissors    Kind = "scissors"
	FlatPliers  Kind = "flat-pliers"
	TwoPliers   Kind = "two-pliers"
	RoundPliers Kind = "round-pliers"
	Rod         Kind = "rod"
	CrimpPliers Kind = "crimping-pliers"
	ThreeSided  Kind = "three-sided-pliers"
	SplitPliers Kind = "split-ring-pliers"
	Needle      Kind = "needle"
	WireNeedle  Kind = "wire-needle"
	Stopper     Kind = "bead-stopper"
	Tape        Kind = "tape"
	Clip        Kind = "clip"
	Glue        Kind = "glue"
)

// Use is what a tool is needed for.
type Use string

// The uses.
const (
	ToMeasure   Use = "measure"
	ToTrimPins  Use = "trim-pins"
	ToCutWire   Use = "cut-wire"
	ToCutThread Use = "cut-thread"
	ToCutElast  Use = "cut-elastic"
	ToCutCord   Use = "cut-cord"
	ToTrim      Use = "trim-tails"
	ToPartChain Use = "part-chain"
	ToTassels   Use = "trim-tassels"
	ToOpenRings Use = "open-rings"
	ToOpenEyes  Use = "open-eyes"
	ToTurnLoops Use = "turn-loops"
	ToHoldLoop  Use = "hold-loop"
	ToWindCoils Use = "wind-coils"
	ToCovers    Use = "close-covers"
	ToFoldEnds  Use = "fold-ends"
	ToFlatten   Use = "flatten-crimps"
	ToFold      Use = "fold-crimps"
	ToPress     Use = "press-crimps"
	ToPressOn   Use = "press-beads"
	ToSpread    Use = "spread-rings"
	ToString    Use = "string-thread"
	ToDraw      Use = "draw-elastic"
	ToDrawKnots Use = "draw-knots"
	ToTuck      Use = "tuck-tails"
	ToHoldEnd   Use = "hold-end"
	OnKnots     Use = "on-knots"
	InEnds      Use = "in-ends"
)

// Tool is one thing to have at hand, and what it is for. Without an optional one the work
// is harder, but can be done.
type Tool struct {
	Kind     Kind
	For      []Use
	Rod      length.MM // of a rod its thickness
	Optional bool
}

// For lists the tools and consumables that steps use, in the order they are first needed.
func For(all []steps.Step, house piece.House) []Tool {
	l := &lister{house: house}
	l.need(Ruler, ToMeasure)
	for _, s := range all {
		l.step(s.Does)
	}
	return l.out
}

type lister struct {
	house piece.House
	cord  material.CordType // of the row that is spoken of
	out   []Tool
}

// need adds a tool, or to one that is there already what else it is for.
func (l *lister) need(kind Kind, use Use) { l.add(Tool{Kind: kind, For: []Use{use}}) }

func (l *lister) add(t Tool) {
	i := slices.IndexFunc(l.out, func(o Tool) bool { return o.Kind == t.Kind && o.Rod == t.Rod })
	if i < 0 {
		l.out = append(l.out, t)
		return
	}
	o := &l.out[i]
	o.Optional = o.Optional && t.Optional
	for _, use := range t.For {
		if !slices.Contains(o.For, use) {
			o.For = append(o.For, use)
		}
	}
}

func (l *lister) step(d steps.Doing) {
	switch d := d.(type) {
	case steps.Make:
		for _, part := range d.Parts {
			l.making(part)
		}
	case steps.CountChain, steps.CountBetween:
		l.need(Cutters, ToPartChain)
	case steps.HookUp:
		l.need(TwoPliers, ToOpenEyes)
	case steps.Cut:
		l.strings(d.Cord, !d.InBag)
	case steps.KeepOnSpool:
		l.strings(d.Cord, true)
	case steps.Hold:
		l.stop(d.By)
	case steps.MarkMiddle:
		l.stop(d.By)
	case steps.CloseCrimp:
		l.crimp(d.School)
	case steps.PressAtTip:
		l.crimp(l.house.Crimp)
		l.need(l.cutter(), ToTrim)
	case steps.CloseOverLegs:
		l.crimp(l.house.Crimp)
	case steps.HoldApart:
		l.holdApart(d)
	default:
		l.ending(d)
	}
}

func (l *lister) ending(d steps.Doing) {
	switch d := d.(type) {
	case steps.CloseCover:
		l.need(FlatPliers, ToCovers)
	case steps.TieOff, steps.PressFlaps:
		l.need(FlatPliers, ToFoldEnds)
	case steps.TrimTail, steps.TrimAtBead, steps.TrimAtKnot, steps.TieLeg, steps.TieTails, steps.DrawCone, steps.LayInTrough, steps.KnotAtTip:
		l.need(l.cutter(), ToTrim)
	case steps.ThreadCrimp:
		if d.Trim {
			l.need(l.cutter(), ToTrim)
		}
	case steps.TuckTail:
		l.need(l.cutter(), ToTrim)
		if l.cord == material.Thread {
			l.need(Needle, ToTuck)
		}
	case steps.Attach:
		switch d.Opens {
		case steps.JumpRing:
			l.need(TwoPliers, ToOpenRings)
		case steps.SplitRing:
			l.add(Tool{Kind: SplitPliers, For: []Use{ToSpread}, Optional: true})
		}
	case steps.Glue:
		use := OnKnots
		if d.On != steps.OnKnot {
			use = InEnds
		}
		l.need(Glue, use)
	}
}

// strings is what a cord is strung with, and cut with where it is: wire with cutters and
// everything else with scissors; what is limp goes on with a needle.
func (l *lister) strings(cord *material.Material, cut bool) {
	l.cord = cord.Cord.Type
	if cut {
		use, known := map[material.CordType]Use{material.Wire: ToCutWire, material.Thread: ToCutThread, material.Elastic: ToCutElast}[l.cord]
		if !known {
			use = ToCutCord
		}
		l.need(l.cutter(), use)
	}
	switch l.cord {
	case material.Thread:
		l.need(Needle, ToString)
	case material.Elastic:
		l.add(Tool{Kind: WireNeedle, For: []Use{ToDraw}, Optional: true})
	}
}

func (l *lister) cutter() Kind {
	if l.cord == material.Wire {
		return Cutters
	}
	return Scissors
}

// stop holds the end that is strung first.
func (l *lister) stop(by string) {
	switch by {
	case piece.StopStopper:
		l.need(Stopper, ToHoldEnd)
	case piece.StopTape:
		l.need(Tape, ToHoldEnd)
	case piece.StopClip:
		l.need(Clip, ToHoldEnd)
	case piece.StopSpareCrimp:
		l.need(FlatPliers, ToFlatten)
	}
}

// crimp closes one by the house's school.
func (l *lister) crimp(school string) {
	switch school {
	case piece.CrimpFlat:
		l.need(FlatPliers, ToFlatten)
	case piece.CrimpThreeSided:
		l.need(ThreeSided, ToPress)
	default:
		l.need(CrimpPliers, ToFold)
	}
}

func (l *lister) holdApart(d steps.HoldApart) {
	switch d.Way {
	case piece.HeldByCrimps:
		l.crimp(l.house.Crimp)
	case piece.HeldByKnots:
		l.need(Needle, ToDrawKnots)
	case piece.HeldByPressing:
		l.need(FlatPliers, ToPressOn)
	}
}

func (l *lister) making(d steps.Making) {
	switch d := d.(type) {
	case steps.BendStem:
		l.need(Cutters, ToTrimPins)
	case steps.TurnLoop:
		l.need(RoundPliers, ToTurnLoops)
		if d.Turns > 0 {
			l.need(FlatPliers, ToHoldLoop)
		}
	case steps.Wind:
		l.need(Cutters, ToTrimPins)
		l.add(Tool{Kind: Rod, For: []Use{ToWindCoils}, Rod: d.Rod})
	case steps.Bind:
		l.need(Scissors, ToTassels)
	case steps.PutOnRings, steps.CloseRings:
		l.need(TwoPliers, ToOpenRings)
	}
}
