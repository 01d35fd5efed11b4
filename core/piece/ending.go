package piece

import (
	"slices"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Way is how the cord ends beyond what its fittings say.
type Way string

// The ways: as the fittings have it; in a loop of beads that goes over a button or
// carries a clasp; on a leg of cord with a bead and a knot; with the middle of the
// cord, folded round what is there; tied, with the knot drawn into the last bead;
// crimped, with the crimp inside the last bead, which covers it; in a loop of the bare cord
// that goes over a button, at the left of a doubled cord its fold; folded through a bead that
// a loop goes over; of an ornament down through a bead at its foot and round that, or stopped
// by a crimp or a knot alone.
const (
	WayFittings   Way = ""
	WayLoop       Way = "loop"
	WayLeg        Way = "leg"
	WayFold       Way = "fold"
	WayHiddenKnot Way = "hidden-knot"
	WayUnderBead  Way = "under-bead"
	WayCordLoop   Way = "cord-loop"
	WayFoldBead   Way = "fold-bead"
	WayFootBead   Way = "foot-bead"
	WayStopped    Way = "stopped"
	WayFoldLoop   Way = "fold-loop" // the middle of a doubled cord in a loop of beads, one crimp over both legs
	WayLegLoop    Way = "leg-loop"  // of the legs of a fold one is trimmed in the crimp, the other goes on in a loop of beads
	WayTails      Way = "tails"     // tied as the fittings have it, with a bead and a knot on each loose tail
	WayWith       Way = "with"      // in the crimp of the other half of a folded cord, clipped there
)

// Ways lists every way.
func Ways() []Way {
	return []Way{WayFittings, WayLoop, WayLeg, WayFold, WayHiddenKnot, WayUnderBead, WayCordLoop, WayFoldBead, WayFootBead, WayStopped, WayFoldLoop, WayLegLoop, WayTails, WayWith}
}

// Ending is how one end of a row is made beyond its fittings.
type Ending struct {
	Way  Way
	Loop *pattern.Line        // of a loop, from where it leaves the strand round to where it comes back
	Hung []*material.Material // charms and components hanging on that loop
	Leg  length.MM            // cord between the strand and what ends a leg, or the bead that it is folded through
	Bead *material.Material   // on a leg, above its knot, nil for the knot alone; or in the fold, or at the foot

	Girth length.MM // of a loop of bare cord, once round its inside
	Tail  Tail
	Stop  string // how the end is held while the strand is strung, as House.Stopper; empty follows the house
}

// Tail is how far the cord's tail goes back at one end: so long, or through this many
// beads; neither follows the house.
type Tail struct {
	Length *length.MM // 0 trims it short
	Beads  *int
}

// Ending gives how the row's end is made, so that it can be changed.
func (r *Row) Ending(side Side) *Ending {
	if side == Right {
		return &r.RightEnding
	}
	return &r.LeftEnding
}

// HouseOf is the house method as it is for a row, whose first end may be held in a way
// of its own.
func (p *Piece) HouseOf(r *Row) House {
	h := p.House
	if stop := r.LeftEnding.Stop; stop != "" {
		h.Stopper = stop
		if h.Allowance == AllowanceSpool && stop != StopSpool {
			h.Allowance = AllowanceStandard
		}
	}
	return h
}

// The limits of an ending.
const (
	shortestLeg   = length.MM(5)
	longestLeg    = length.MM(1000)
	longestNeck   = length.MM(100)
	leastGirth    = length.MM(5)
	mostGirth     = length.MM(500)
	mostLoopBeads = 400
)

func (p *Piece) checkEnding(r *Row, side Side, add adder, where string) {
	f := r.Ending(side)
	if !slices.Contains(Ways(), f.Way) {
		add(where+".way", "%q is no way to make an end. Use one of loop, leg, fold, hidden-knot, under-bead, cord-loop, fold-bead, foot-bead, stopped, fold-loop, leg-loop, tails, or none.", string(f.Way))
	}
	if p.SlipsOn() && (f.Way == WayLoop || f.Way == WayLeg || f.Way == WayFold || f.Way == WayCordLoop || f.Way == WayFoldBead) {
		add(where+".way", "A ring has no end to make in that way. Close it with a clasp, or tie it, first.")
		return
	}
	if f.Stop != "" && (side == Right || !slices.Contains(stoppers, f.Stop)) {
		add(where+".stop", "%q does not hold the %s end. At the left, where stringing begins, use one of %s.", f.Stop, side, strings.Join(stoppers, ", "))
	}
	if l := f.Tail.Length; l != nil {
		checkRange(add, where+".tailMm", *l, 0, mostAllowance)
	}
	if n := f.Tail.Beads; n != nil && (*n < 0 || *n > mostTailBeads) {
		add(where+".tailBeads", "A tail goes back through 0 to %d beads, not %d.", mostTailBeads, *n)
	}
	if f.LoopOfBeads() {
		p.checkLoop(f, add, where+".loop")
	}
	p.checkLegs(r, side, add, where)
	if f.Way == WayCordLoop {
		checkRange(add, where+".girthMm", f.Girth, leastGirth, mostGirth)
		if r.Cord != nil && r.Cord.Cord != nil && r.Cord.Cord.Type == material.Wire && !r.crimped(p, side) {
			add(where+".way", "A loop of bare cord is knotted, and wire takes no knot. Crimp it, use another cord, or make the end another way.")
		}
	}
	if f.Way == WayLeg {
		checkRange(add, where+".legMm", f.Leg, shortestLeg, longestLeg)
		if len(*p.End(r, side, false))+len(*p.End(r, side, true)) > 0 {
			add(where+".way", "An end on a leg carries no fittings. Remove them, or make the end another way.")
		}
		if f.Bead != nil && (f.Bead.Bead == nil || f.Bead.Hangs()) {
			add(where+".bead", "%s cannot be strung on a leg. Beads can.", f.Bead.Name)
		}
	}
	if f.Way == WayFootBead || f.Way == WayStopped {
		p.checkFoot(r, side, add, where)
	}
	if f.Way == WayFoldBead {
		p.checkFoldBead(r, side, add, where)
	}
	if f.Way == WayFold && (side == Right || r.Passes%2 != 0) {
		add(where+".way", "The fold of the cord lies at the left end, and the cord runs twice through every bead.")
	}
	if len(f.Hung) > mostHung {
		add(where+".hung", "At most %d things hang on one loop. Remove some.", mostHung)
	}
	for _, m := range f.Hung {
		if !m.Hangs() {
			add(where+".hung", "%s does not hang. Charms do, and components that hang.", m.Name)
		}
	}
}

// LoopOfBeads says whether the end is made with one.
func (f *Ending) LoopOfBeads() bool {
	return f.Way == WayLoop || f.Way == WayFoldLoop || f.Way == WayLegLoop
}

// checkLegs holds loops on the legs of a fold to a fold and a crimp, and loose tails to what can be
// on them.
func (p *Piece) checkLegs(r *Row, side Side, add adder, where string) {
	f := r.Ending(side)
	switch {
	case f.Way == WayFoldLoop && (side == Right || r.Passes%2 != 0):
		add(where+".way", "The fold of the cord lies at the left end, and the cord runs twice through every bead.")
	case f.Way == WayLegLoop && (side == Left || r.Passes != 2 || !r.FoldsAtLeft()):
		add(where+".way", "One leg goes on in a loop only at the right of a cord that is folded at the left and runs twice through every bead.")
	case (f.Way == WayFoldLoop || f.Way == WayLegLoop) && !r.crimped(p, side):
		add(where+".way", "One crimp closes over both legs. Add a crimp, or make the end another way.")
	case f.Way == WayTails:
		checkRange(add, where+".legMm", f.Leg, shortestLeg, longestLeg)
		if r.Corded() && r.Cord.Cord.Type == material.Wire {
			add(where+".way", "Beads are knotted on loose tails, and wire takes no knot. Use another cord, or make the end another way.")
		}
		if f.Bead != nil && (f.Bead.Bead == nil || f.Bead.Hangs()) {
			add(where+".bead", "%s cannot be strung on a tail. Beads can.", f.Bead.Name)
		}
	}
}

// checkFoot holds the foot of an ornament to what can be one.
func (p *Piece) checkFoot(r *Row, side Side, add adder, where string) {
	f := r.Ending(side)
	bare := func(x Fitting) bool { return x.Of.Finding != nil && x.Of.Finding.IsCrimp() }
	switch {
	case !p.Hangs() || side == Right:
		add(where+".way", "Only the foot of an ornament ends so: its left end.")
	case slices.ContainsFunc(r.Left, func(x Fitting) bool { return !bare(x) }):
		add(where+".way", "Nothing but a crimp holds such a foot. Remove the other fittings, or make the end another way.")
	case f.Way == WayFootBead && f.Bead == nil:
		add(where+".bead", "Name the bead at the foot.")
	case f.Way == WayFootBead && (f.Bead.Bead == nil || f.Bead.Hangs() || f.Bead.Component != nil):
		add(where+".bead", "No cord goes round %s. Use a bead.", f.Bead.Name)
	}
}

// crimped says whether a crimp holds the row's end.
func (r *Row) crimped(p *Piece, side Side) bool {
	return slices.ContainsFunc(*p.End(r, side, false), func(f Fitting) bool { return f.Of.Finding != nil && f.Of.Finding.IsCrimp() })
}

// checkLoop holds a loop's line to beads that there are, counted out.
func (p *Piece) checkLoop(f *Ending, add adder, where string) {
	if f.Loop == nil || len(f.Loop.Items) == 0 {
		add(where, "Put beads on the loop: a bead line such as 24S.")
		return
	}
	fills := func(n *pattern.Node) bool { return n.IsFill() }
	if slices.ContainsFunc(f.Loop.Nodes, fills) {
		add(where, "A loop has no length to fill. Give its beads a count, such as 24S.")
		return
	}
	if n := f.Loop.Size(nil); n > mostLoopBeads {
		add(where, "A loop has at most %d beads; this one has %d.", mostLoopBeads, n)
	}
	for _, fault := range pattern.Faults(checkLetters(f.Loop, p.Palette)) {
		add(where, "%s", fault.Says)
	}
}
