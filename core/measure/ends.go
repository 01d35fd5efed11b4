package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Part is one thing between the last bead and the middle of the clasp.
type Part struct {
	Does      string             // what it is there for: crimp, cover, guard, loop, ring, clasp, extender
	Material  *material.Material // nil for the wire's own loop
	Length    length.MM          // what it adds to the piece pulled tight
	Swallowed bool               // it slips into its bead and adds nothing
}

// The things a part does.
const (
	DoesCrimp = "crimp"
	DoesCover = "cover"
	DoesGuard = "guard"
	DoesLoop  = "loop"
	DoesRing  = "ring"
	DoesClasp = "clasp"
	DoesChain = "extender"
)

// End is one end of a strand, its parts in threading order from the last bead
// outwards.
type End struct {
	Parts   []Part
	Length  length.MM
	Crimped bool
	// Turn is what the cord goes through twice at this end: crimp and loop.
	Turn length.MM
	// Tail is how far the cord's tail goes back through the beads, and TailBeads
	// how many it passes.
	Tail      length.MM
	TailBeads int
}

// endOf puts the row's fittings and the closure's in a series. A ring in a
// chain pulled tight adds its inside, since its wire lies inside its neighbour;
// a swallowed crimp adds nothing; a cover stands in the place of its crimp; a
// crimped end ends in a loop of the wire, or in a guard's length.
func endOf(p *piece.Piece, fittings, closure []*material.Material, beside *Bead) End {
	e := End{}
	crimp, guarded := -1, false
	for _, m := range fittings {
		part := Part{Material: m, Length: m.Finding.InSeries()}
		switch f := m.Finding; {
		case f.IsCrimp():
			part.Does, e.Crimped = DoesCrimp, true
			e.Turn += f.Length
			if part.Swallowed = crimp < 0 && slipsInto(f, beside); part.Swallowed {
				part.Length = 0
			}
			crimp = len(e.Parts)
		case f.Type == material.CrimpCover:
			part.Does = DoesCover
			if part.Swallowed = slipsInto(f, beside); part.Swallowed {
				part.Length = 0
			} else if crimp >= 0 {
				e.Parts[crimp].Length, e.Parts[crimp].Swallowed = 0, false
			}
		case f.Type == material.WireGuard:
			part.Does, guarded = DoesGuard, true
			e.Turn += part.Length
		default:
			if e.Crimped && !guarded {
				e.loop(p.House.Loop)
				guarded = true
			}
			part.Does = DoesRing
		}
		e.Parts = append(e.Parts, part)
	}
	if e.Crimped && !guarded {
		e.loop(p.House.Loop)
	}
	for i := len(closure) - 1; i >= 0; i-- {
		part := Part{Does: DoesRing, Material: closure[i], Length: closure[i].Finding.InSeries()}
		switch {
		case closure[i].Finding.IsClasp():
			part.Does = DoesClasp
		case closure[i].Finding.Type == material.Extender:
			part.Does = DoesChain
		}
		e.Parts = append(e.Parts, part)
	}
	for _, part := range e.Parts {
		e.Length += part.Length
	}
	return e
}

func (e *End) loop(inside length.MM) {
	e.Parts = append(e.Parts, Part{Does: DoesLoop, Length: inside})
	e.Turn += inside
}

// slipsInto says whether the crimp or cover passes into the hole of the bead
// beside it: by the rule for beads, if they have no radius in common.
func slipsInto(f *material.Finding, beside *Bead) bool {
	if beside == nil {
		return false
	}
	b := beside.Material.Bead
	return max(b.Hole, f.Inside) > min(b.Across, f.Outside)
}
