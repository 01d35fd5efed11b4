package format

import (
	"fmt"
	"slices"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// ending gives where the row keeps how an end of it is made.
func (r *Row) ending(side piece.Side) **Ending {
	if side == piece.Right {
		return &r.RightEnd
	}
	return &r.LeftEnd
}

// ending reads how an end is made.
func (b *builder) ending(where string, e *Ending) piece.Ending {
	if e == nil {
		return piece.Ending{}
	}
	out := piece.Ending{Way: piece.Way(e.Way), Leg: e.LegMm, Girth: e.GirthMm, Tail: piece.Tail{Length: e.TailMm, Beads: e.TailBeads}, Stop: e.Stop}
	if e.Loop != "" {
		line, err := pattern.Parse(e.Loop)
		for _, f := range pattern.Faults(err) {
			b.add(where+".loop", "%s", f.Says)
		}
		out.Loop = line
	}
	for i, id := range e.Hung {
		if m := b.find(fmt.Sprintf("%s.hung[%d]", where, i), id); m != nil {
			out.Hung = append(out.Hung, m)
		}
	}
	if e.Bead != "" {
		out.Bead = b.find(where+".bead", e.Bead)
	}
	return out
}

// endingOf writes how an end is made; nil if its fittings say all.
func endingOf(e *piece.Ending) *Ending {
	out := Ending{Way: Way(e.Way), LegMm: e.Leg, GirthMm: e.Girth, TailMm: e.Tail.Length, TailBeads: e.Tail.Beads, Stop: e.Stop}
	if e.Loop != nil {
		out.Loop = e.Loop.String()
	}
	for _, m := range e.Hung {
		out.Hung = append(out.Hung, m.ID)
	}
	if e.Bead != nil {
		out.Bead = e.Bead.ID
	}
	if out.Way == "" && out.TailMm == nil && out.TailBeads == nil && out.Stop == "" {
		return nil
	}
	return &out
}

// endingMaterials lists what the ending needs beside the dishes.
func endingMaterials(e *piece.Ending) []*material.Material {
	out := slices.Clone(e.Hung)
	if e.Bead != nil {
		out = append(out, e.Bead)
	}
	return out
}
