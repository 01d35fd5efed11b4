package measure

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// CutPart is one item of the sum that the cord is cut to.
type CutPart struct {
	Part   string
	Length length.MM
	Spare  bool // held while working, or left to tie: the path does not cover it
}

// CutLength is the sum.
func (s *Strand) CutLength() length.MM {
	sum := length.MM(0)
	for _, c := range s.Cut {
		sum += c.Length
	}
	return sum
}

// PathLength is what the cord covers, with nothing over to hold or to tie.
func (s *Strand) PathLength() length.MM {
	sum := length.MM(0)
	for _, c := range s.Cut {
		if !c.Spare {
			sum += c.Length
		}
	}
	return sum
}

// leastToTie is what an elastic needs over its strand in all to be tied.
const leastToTie = length.MM(50)

// LeastCut is the shortest cord that the piece can be made of: its path, and for
// an elastic enough over in all to tie.
func (s *Strand) LeastCut() length.MM {
	if s.Ring && s.Row.Cord.Cord.Type == material.Elastic {
		return s.PathLength() + leastToTie
	}
	return s.PathLength()
}

// cut follows the cord: once along the beads for every pass, its slack, and what
// each end takes, with what stops the first.
func (s *Strand) cut(p *piece.Piece) {
	if s.Left.Hold == HeldByRunning || !s.Row.Corded() {
		return // its cord is that of the row before, or it has none
	}
	passes := length.MM(s.Row.Passes)
	if s.Cut = []CutPart{{Part: "beads", Length: s.Strung * passes}}; s.Lace != nil {
		s.Cut = s.Lace.parts()
	}
	if s.Slack > 0 {
		s.Cut = append(s.Cut, CutPart{Part: "slack", Length: s.Slack * passes})
	}
	if takes := s.dropsTake(); takes > 0 {
		s.Cut = append(s.Cut, CutPart{Part: "drops", Length: takes})
	}
	if takes := s.holdersTake(); takes > 0 {
		s.Cut = append(s.Cut, CutPart{Part: "knots between beads", Length: takes})
	}
	s.Cut = append(s.Cut, s.cutAtEnd(p, &s.Left, true)...)
	last := s.runsOn(p, passes)
	s.Cut = append(s.Cut, last.cutAtEnd(p, &last.Right, true)...)
	if takes := s.startTakes(p, s.startedBy(p.HouseOf(s.Row))); takes > 0 {
		s.Cut = append(s.Cut, CutPart{"left start", takes, true})
	}
}

// runsOn adds the rows that the cord runs on in, through the beads between them, and
// gives the last of them.
func (s *Strand) runsOn(p *piece.Piece, passes length.MM) *Strand {
	last := s
	for _, e := range s.Right.Parts {
		if last.Right.Hold != HeldByRunning {
			break
		}
		switch e.Role {
		case RoleShared:
			s.Cut = append(s.Cut, CutPart{Part: "through " + e.Material.Name, Length: e.Length * passes})
		case RoleRow:
			last = e.Across
			s.Cut = append(s.Cut, CutPart{Part: fmt.Sprintf("beads of row %d", p.Number(last.Row.ID)), Length: last.Strung * passes})
			if e.Slack > 0 {
				s.Cut = append(s.Cut, CutPart{Part: fmt.Sprintf("slack of row %d", p.Number(last.Row.ID)), Length: e.Slack * passes})
			}
		}
	}
	return last
}

// cutAtEnd lists what an end takes: through crimp and loop twice, a tail, or a
// knot with its own tail, and with held the working allowance.
func (s *Strand) cutAtEnd(p *piece.Piece, e *End, held bool) []CutPart {
	var out []CutPart
	add := func(part string, l length.MM, spare bool) {
		if l > 0 {
			out = append(out, CutPart{string(e.Side) + " " + part, l, spare})
		}
	}
	elastic := s.Row.Cord.Cord.Type == material.Elastic
	passes := length.MM(s.Row.Passes)
	d := s.Row.Cord.Cord.Diameter * passes
	legs := length.MM(1) // of a folded cord each half is made by itself
	if s.folded(e) {
		legs = passes
	}
	if loop := e.Find(RoleCordLoop); loop != nil && e.Hold != HeldByMiddle {
		add("loop", s.cordLoopTakes(loop.Girth)*passes, false)
	}
	if loop := e.Find(RoleBeads); loop != nil && !loop.With {
		add("loop of beads", loop.Loop.Strung*passes, false)
	}
	if foot := e.Find(RoleFootBead); foot != nil {
		add("through the foot and round it", foot.foldThrough()*passes, false)
	}
	switch e.Hold {
	case HeldByRunning:
		return nil
	case HeldByStop:
		if crimp := e.Find(RoleCrimp); crimp != nil {
			add("crimp", crimp.Material.Finding.Length*passes, false)
			if held {
				add("working end", s.allowance(p, e), true)
			}
			return out
		}
		add("knot", piece.OverhandCord*d*passes, false)
	case HeldByMiddle:
		if p.FoldedWith(s.Row) != nil {
			if crimp := e.Find(RoleCrimp); crimp != nil {
				add("crimp", crimp.Material.Finding.Length, false)
			}
			if e.Find(RoleCordLoop) != nil {
				add("knot", piece.OverhandCord*2*d, false)
			}
			add("neck", s.neck(e), false)
			return out
		}
		if loop := e.Find(RoleCordLoop); loop != nil {
			add("loop", s.cordLoopTakes(loop.Girth)*length.MM(s.Row.Passes/2), false)
			add("knot", piece.OverhandCord*d*passes, false)
			return out
		}
		add("round the fold", s.foldTakes(e), false)
		add("neck", s.neck(e)*passes, false)
		return out
	case HeldByLeg:
		add("leg", legTakes(s.Row.Ending(e.Side))*passes, false)
		add("knots", 2*piece.OverhandCord*d*passes, false)
	case HeldByCrimp:
		if e.With() {
			add("crimp", e.Find(RoleCrimp).Material.Finding.Length, false)
			if held {
				add("working end", s.allowance(p, e), true)
			}
			return out
		}
		add(crimpItem(e, p.House.GuardTurns()), 2*e.Turn*legs, false)
		add("tail", e.Tail*legs, false)
		if held {
			add("working end", s.allowance(p, e)*legs, true)
		}
		return out
	case HeldByKnot:
		if guard := e.Find(RoleGuard); guard != nil {
			turns := p.House.GuardTurns()
			add(guardItem(turns), 2*guard.Length*length.MM(turns), false)
		}
		if !elastic {
			add("knot", length.MM(p.House.KnotCord())*d, false)
		}
	case HeldByCordEnd, HeldByCone:
		add("knot", piece.OverhandCord*d*passes, false)
	case HeldByFold:
		add("in the fold-over end", e.Find(RoleFold).Material.Finding.Length*length.MM(s.Row.Passes), false)
		if held {
			add("working end", s.allowance(p, e), true)
		}
		return out
	case HeldByRing:
		if !elastic {
			add("knot", length.MM(p.House.KnotCord()/2)*d, false)
		}
	case Unheld:
		if held {
			add("working end", s.allowance(p, e), true)
		}
		return out
	}
	add("knot tail", p.House.ToTie(p.Child())*legs, true)
	return out
}

func crimpItem(e *End, guardTurns int) string {
	name := "crimp"
	if e.Find(RoleCover) != nil {
		name = "cover"
	}
	if e.Find(RoleBeads) != nil || e.Find(RoleCordLoop) != nil || e.Find(RoleFootBead) != nil {
		return name + " x 2"
	}
	if e.Find(RoleGuard) != nil {
		if guardTurns == 1 {
			return name + " + guard x 2"
		}
		return fmt.Sprintf("%s x 2 + %s", name, guardItem(guardTurns))
	}
	return name + " + loop x 2"
}

// guardItem names a guard in the sum: each turn goes up one leg and down the other.
func guardItem(turns int) string { return fmt.Sprintf("guard x %d", 2*turns) }

// allowance is what is held at an end while it is made. From the spool the free
// end is made first, and the end by the spool is cut and made last.
func (s *Strand) allowance(p *piece.Piece, e *End) length.MM {
	h := p.HouseOf(s.Row)
	first, last := h.WorkingAllowance()
	if (e.Side == piece.Left) != h.FromSpool() {
		return first
	}
	return last
}

// tails works out how far the tail of each crimped end goes back, as the end or
// else the house has it, and adds its way to the passes of the beads it goes
// through.
func (s *Strand) tails(h piece.House) {
	for _, e := range s.Ends() {
		if !e.Crimped() || e.With() {
			continue
		}
		switch own := s.Row.Ending(e.Side).Tail; {
		case s.Lace != nil: // no hole of a flat runs along the row
			if own.Length != nil {
				e.Tail = *own.Length
			}
		case own.Beads != nil:
			s.tailOfBeads(e, *own.Beads)
		case own.Length != nil:
			s.tailOfLength(e, *own.Length)
		case h.Tail == piece.TailBeads:
			s.tailOfBeads(e, h.TailBeads)
		case h.Tail == piece.TailTucked:
			s.tailOfLength(e, h.TailLength)
		}
		tails := 1
		if s.folded(e) {
			tails = s.Row.Passes
		}
		for _, i := range e.TailBeads {
			s.Beads[i].Passes += tails
		}
	}
}

// fromEnd numbers the beads from an end inwards.
func (s *Strand) fromEnd(side piece.Side, k int) int {
	if side == piece.Right {
		return len(s.Beads) - 1 - k
	}
	return k
}

// tailOfBeads takes the tail through exactly so many beads, whatever lies over
// what; never beyond a gap.
func (s *Strand) tailOfBeads(e *End, count int) {
	for k := range s.Beads {
		i := s.fromEnd(e.Side, k)
		if len(e.TailBeads) == count || s.Beads[i].IsGap() {
			break
		}
		e.TailBeads = append(e.TailBeads, i)
		if e.Side == piece.Right {
			e.Tail = max(e.Tail, s.Strung-s.Beads[i].From)
		} else {
			e.Tail = max(e.Tail, s.Beads[i].To)
		}
	}
}

// tailOfLength takes the tail through the beads that begin before its end. It is trimmed
// where a gap begins, for bare cord hides nothing.
func (s *Strand) tailOfLength(e *End, goes length.MM) {
	e.Tail = goes
	for k := range s.Beads {
		b := &s.Beads[s.fromEnd(e.Side, k)]
		begins := b.From
		if e.Side == piece.Right {
			begins = s.Strung - b.To
		}
		if b.IsGap() {
			e.Tail = min(goes, max(0, begins))
			break
		}
		if begins < goes-closeEnough {
			e.TailBeads = append(e.TailBeads, s.fromEnd(e.Side, k))
		}
	}
}

// closeEnough keeps the rounding of sums from deciding anything.
const closeEnough = length.MM(1e-6)
