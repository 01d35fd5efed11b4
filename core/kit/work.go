package kit

import (
	"mala/core/material"
	"mala/core/measure"
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
// the components that are sold made; the rest only where the pieces are sold made up.
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
		out[Stringing] += p.Of.AllBeads() * p.Quantity
		for _, s := range p.Of.Strands {
			out[Knotting] += knots(s) * p.Quantity
		}
	}
	return out
}

// made counts the components that are made, their parts among them, and of what is sold
// made up the crimps and rings.
func (k *Kit) made(out map[Work]int, of *material.Material, n int, madeUp bool) {
	switch {
	case of.Component != nil:
		if !madeUp && !k.Premade[of.ID] {
			return
		}
		out[Making] += n
		for _, part := range of.Component.Parts {
			if part.Of.Component != nil {
				k.made(out, part.Of, part.Count*n, true)
			}
		}
	case of.Finding == nil || !madeUp:
	case of.Finding.IsCrimp():
		out[Crimping] += n
	case of.Finding.IsRing() && of.Finding.IsOpen():
		out[Opening] += n
	}
}

func knots(s *measure.Strand) int {
	if s.Ring {
		return 1
	}
	n := 0
	for _, e := range s.Ends() {
		switch e.Hold {
		case measure.HeldByKnot, measure.HeldByCordEnd, measure.HeldByCone, measure.HeldByRing:
			n++
		case measure.HeldByLeg:
			n += 2
		case measure.HeldByStop:
			if e.Find(measure.RoleCrimp) == nil {
				n++
			}
		}
	}
	return n
}
