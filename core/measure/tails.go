package measure

import (
	"mala/core/length"
	"mala/core/piece"
)

// tails works out how far the tail of each end goes back, as the end or else the house has it,
// and adds its way, and that of cord that goes back through a bead before its knot, to the
// passes of the beads it goes through.
func (s *Strand) tails(p *piece.Piece) {
	for _, e := range s.Ends() {
		e.Hidden = s.hidden(p, e)
		e.Back = s.backThrough(e)
		if e.Back >= 0 {
			s.Beads[e.Back].Passes += s.cordsIn(e.Back)
		}
		if !s.keepsTail(e) {
			continue
		}
		switch own, h := s.Row.Ending(e.Side).Tail, p.House; {
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
		for _, i := range e.TailBeads {
			s.Beads[i].Passes += min(s.cordsIn(i), s.tailsAt(e))
		}
	}
}

// cordsIn is how many of the row's cords run through a bead, so that their tails do.
func (s *Strand) cordsIn(i int) int {
	if s.Beads[i].OneCord {
		return 1
	}
	return s.Row.Passes
}

// keepsTail says whether what is over at an end goes back through beads: behind a crimp or a
// knot. It is trimmed at a knot that a bead takes, and at one that holds a loop of bare cord.
func (s *Strand) keepsTail(e *End) bool {
	switch e.Hold {
	case HeldByCrimp:
		return !e.With()
	case HeldByKnot:
		return e.Find(RoleCordLoop) == nil && s.Row.Ending(e.Side).Way != piece.WayTails && (e.Hidden == nil || e.Hidden.Bead < 0)
	}
	return false
}

// backThrough is the bead that the cord of a loop of beads goes back through before it is tied
// round itself, -1 for none.
func (s *Strand) backThrough(e *End) int {
	i := s.Beside(e.Side)
	if e.Hold != HeldByKnot || e.Find(RoleBeads) == nil || s.Lace != nil || i < 0 || s.Beads[i].Material.Bead.Hangs() {
		return -1
	}
	return i
}

// fromEnd numbers the beads from an end inwards.
func (s *Strand) fromEnd(side piece.Side, k int) int {
	if side == piece.Right {
		return len(s.Beads) - 1 - k
	}
	return k
}

// behindKnot is how many beads lie between an end and where its tail begins, and how far that
// lies from the end's outermost face.
func (s *Strand) behindKnot(e *End) (beads int, far length.MM) {
	if e.Back < 0 {
		return 0, 0
	}
	return 1, s.innerFace(e, 0)
}

// innerFace is how far the further face of the k-th bead from an end lies from its outermost.
func (s *Strand) innerFace(e *End, k int) length.MM {
	b := &s.Beads[s.fromEnd(e.Side, k)]
	if e.Side == piece.Right {
		return s.Strung - b.From
	}
	return b.To
}

// outerFace is how far the nearer face of the k-th bead from an end lies from its outermost.
func (s *Strand) outerFace(e *End, k int) length.MM {
	b := &s.Beads[s.fromEnd(e.Side, k)]
	if e.Side == piece.Right {
		return s.Strung - b.To
	}
	return b.From
}

// tailOfBeads takes the tail through exactly this many beads, whatever lies over
// what; never beyond a gap.
func (s *Strand) tailOfBeads(e *End, count int) {
	first, from := s.behindKnot(e)
	for k := first; k < len(s.Beads); k++ {
		i := s.fromEnd(e.Side, k)
		if len(e.TailBeads) == count || s.Beads[i].IsGap() {
			break
		}
		e.TailBeads = append(e.TailBeads, i)
		e.Tail = max(e.Tail, s.innerFace(e, k)-from)
	}
}

// tailOfLength takes the tail through the beads that begin before its end. It is trimmed
// where a gap begins, for bare cord hides nothing.
func (s *Strand) tailOfLength(e *End, goes length.MM) {
	e.Tail = goes
	first, from := s.behindKnot(e)
	for k := first; k < len(s.Beads); k++ {
		begins := max(0, s.outerFace(e, k)-from)
		i := s.fromEnd(e.Side, k)
		if s.Beads[i].IsGap() {
			e.Tail = min(goes, begins)
			break
		}
		if begins < goes-closeEnough {
			e.TailBeads = append(e.TailBeads, i)
		}
	}
}

// closeEnough keeps the rounding of sums from deciding anything.
const closeEnough = length.MM(1e-6)

// tailsOn leads tails that are longer than their row on through the bead that its cord runs on
// through, and into the beads of the row beyond.
func (m *Measured) tailsOn() {
	for _, s := range m.Strands {
		for _, e := range s.Ends() {
			if e.Tail > s.Strung+closeEnough && len(e.TailBeads) == len(s.Beads) {
				m.tailOn(s, e)
			}
		}
	}
}

func (m *Measured) tailOn(s *Strand, e *End) {
	far := e.Side.Other()
	shared := s.End(far).Find(RoleShared)
	next := m.Piece.Beyond(s.Row, far)
	if s.End(far).Hold != HeldByRunning || shared == nil || next == nil || s.Lace != nil {
		e.Tail = min(e.Tail, s.Strung) // it goes no further than its beads
		return
	}
	e.TailShared, e.TailRow = shared.Fitting, next.ID
	into := m.Strand(next.ID)
	for k := range into.Beads {
		i := into.fromEnd(e.Side, k)
		begins := s.Strung + shared.Length + into.outerFace(&End{Side: e.Side}, k)
		if into.Beads[i].IsGap() || begins >= e.Tail-closeEnough {
			break
		}
		into.Beads[i].Passes += s.Row.Passes
		e.TailInto = append(e.TailInto, i)
	}
}

// SharedPasses is how often cords run through a bead that rows share, with the tails that go
// back through it.
func (m *Measured) SharedPasses(shared piece.ID, rows []*piece.Row) int {
	passes := 0
	for _, r := range rows {
		passes += r.Passes
	}
	for _, s := range m.Strands {
		for _, e := range s.Ends() {
			if e.TailShared == shared {
				passes += s.Row.Passes
			}
		}
	}
	return passes
}
