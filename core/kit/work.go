package kit

import (
	"mala/core/material"
	"mala/core/steps"
)

// Work is one kind of thing that hands do.
type Work string

// The works.
const (
	Counting  Work = "count"  // one line of the bill
	Cutting   Work = "cut"    // one length
	Making    Work = "make"   // one component
	Stringing Work = "string" // one bead
	Crimping  Work = "crimp"
	Knotting  Work = "knot"
	Opening   Work = "open" // a ring, and closing it
	Packing   Work = "pack" // one bag
)

// Works lists them in the order they are done.
func Works() []Work {
	return []Work{Counting, Cutting, Making, Stringing, Crimping, Knotting, Opening, Packing}
}

// Work counts what the shop's hands do for one kit: they count out, cut and pack, and make
// the components that are sold made; the rest, by the steps, only where the pieces are sold made up.
func (k *Kit) Work(bill []*Line, bags int, madeUp bool) map[Work]int {
	out := map[Work]int{Packing: bags}
	for _, l := range bill {
		if l.Own {
			continue
		}
		out[Counting]++
		for _, c := range l.Cuts {
			out[Cutting] += c.N
		}
	}
	for _, p := range k.Pieces {
		for _, c := range p.Of.Tally {
			k.made(out, c.Material, c.Count*p.Quantity, madeUp)
		}
		if !madeUp {
			continue
		}
		work := steps.WorkOf(steps.For(p.Of, steps.Given{Premade: k.Premade}))
		out[Stringing] += p.Of.AllBeads() * p.Quantity
		out[Crimping] += work.Crimps * p.Quantity
		out[Knotting] += work.Knots * p.Quantity
		out[Opening] += work.Rings * p.Quantity
	}
	return out
}

// made counts the components that are made, their parts among them.
func (k *Kit) made(out map[Work]int, of *material.Material, n int, madeUp bool) {
	if of.Component == nil || !madeUp && !k.Premade[of.ID] {
		return
	}
	out[Making] += n
	for _, part := range of.Component.Parts {
		if part.Of.Component != nil {
			k.made(out, part.Of, part.Count*n, true)
		}
	}
}
