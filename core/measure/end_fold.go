package measure

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/way"
)

// ofMiddle is the middle of a cord: folded round what is there, hitched to it, through a bead,
// or in a loop of its own or of beads. No cord ends in it.
var ofMiddle = making{hold: HeldByMiddle, held: func(b *endBuilder) bool {
	switch b.ending.Way {
	case piece.WayFold, piece.WayFoldBead, piece.WayFoldLoop:
		return len(b.end.Parts) > 0
	}
	return len(b.end.Parts) > 0 && (b.foldsIntoLoop() || b.end.Side == piece.Left && b.piece.FoldedWith(b.row) != nil)
}}

// middle is what the middle of one cord does at the end where it is folded, both legs of it.
func (w *walk) middle(s *Strand, e *End) []way.Leg {
	f := &endWalk{p: w.p, s: s, e: e}
	apart := s.half != nil // each leg in a row of its own
	if crimp := e.Find(RoleCrimp); crimp != nil && (apart || e.Find(RoleBeads) != nil) {
		for range 2 {
			f.through(way.Through, crimp, way.Crimp, crimp.Material.Finding.Length)
		}
	}
	neck := e.Find(RoleFoldBead)
	if neck != nil && neck.Length > 0 {
		for range 2 {
			f.add(way.Neck, way.FoldNeck, neck.Length).Advances = neck.Length
		}
	}
	switch loop := e.Find(RoleCordLoop); {
	case loop != nil:
		knot := s.overhand()
		if apart {
			knot *= 2 // tied in both legs
		}
		f.add(way.Loop, way.CordLoop, s.cordLoopTakes(loop.Girth)).Advances = loop.Length
		for range 2 {
			f.add(way.Knot, way.KnotTied, knot)
		}
	case e.Find(RoleBeads) != nil:
		f.roundLoop()
	case neck != nil:
		f.through(way.Round, neck, way.RoundFold, neck.foldThrough())
	case e.Hitched:
		f.through(way.Round, &e.Parts[0], way.RoundFold, hitch(e.Wire, s.Row.Cord.Cord.Diameter)).Advances = e.Wire
	case e.Wire > 0:
		f.through(way.Round, &e.Parts[0], way.RoundFold, roundWire(e.Wire, s.Row.Cord.Cord.Diameter)).Advances = e.Wire
	}
	return f.legs
}

// hitched says whether the fold is laid round what it goes on and both ends drawn through it:
// a lark's head.
func (b *endBuilder) hitched() bool {
	return b.end.Hold == HeldByMiddle && b.ending.Way == piece.WayFold
}

// hitch is the way of a cord of thickness d in a lark's head round a wire of thickness w, from
// the bead that lies against it on one leg to that on the other. Each leg rises past the hitch
// (w/2 + d) in front of the wire, goes three quarters round it at (w + d)/2, comes forward
// below it to the front of both legs ((w + d)/2 + d), and runs across one of them (3d/2):
// w + 7d + (3 pi/2 + 1)(w + d) in all.
func hitch(wire, cord length.MM) length.MM {
	return wire + 7*cord + (3*math.Pi/2+1)*(wire+cord)
}

// addFoldBead ends the cord in a bead that it is folded through, on a neck of both cords. A
// loop that goes over the bead lies round the neck.
func (b *endBuilder) addFoldBead() {
	b.end.Parts = append(b.end.Parts, Part{Role: RoleFoldBead, Material: b.ending.Bead, Length: b.ending.Leg})
}

// foldThrough is what the fold takes of the cord in its bead: through its hole, and along its
// outside from either rim to where both cords meet. It is as long as round a fringe's last bead.
func (p *Part) foldThrough() length.MM {
	return p.Material.Bead.Length() + p.Material.Bead.WayRound()
}

// FoldsThroughBead says whether a cord of the piece is folded through a bead, which closes
// into a loop.
func (m *Measured) FoldsThroughBead() bool {
	return slices.ContainsFunc(m.Strands, func(s *Strand) bool { return s.Left.Find(RoleFoldBead) != nil })
}

// Button is what a loop at the other end goes over: a button, or the bead that the cord is
// folded through; nil if the part is neither.
func (p *Part) Button() *material.Finding {
	switch {
	case p.Role == RoleFoldBead:
		return p.Material.Bead.AsButton()
	case p.Role == RoleClasp && p.Material.Finding.Type == material.ButtonEnd:
		return p.Material.Finding
	}
	return nil
}

// Button finds it at the end, with the part that it is; nil if there is none.
func (e *End) Button() (*material.Finding, *Part) {
	for i := range e.Parts {
		if b := e.Parts[i].Button(); b != nil {
			return b, &e.Parts[i]
		}
	}
	return nil, nil
}

// Half is the row on the other half of the strand's cord; nil if it has none.
func (s *Strand) Half() *Strand { return s.half }
