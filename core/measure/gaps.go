package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// IsGap says whether it is bare cord between beads.
func (b *Bead) IsGap() bool { return b.Material.Bead.IsGap() }

// layGaps lays bare cord into the sequence. A pitch is as long as it leaves room between
// the beads beside it. The error is a *pattern.Fault.
func (mk *strandMaker) layGaps(s *Strand, st *stack, placed []pattern.Placed) error {
	for i, b := range placed {
		bare, is := b.Node.Unit.(pattern.Gap)
		if !is {
			continue
		}
		long := bare.Length
		if bare.Middles {
			before, passed := mk.pitchedTo(s, st, placed, i, -1)
			behind, more := mk.pitchedTo(s, st, placed, i, 1)
			if before < 0 || behind < 0 || before == behind {
				return pattern.NoPitch(b.Node)
			}
			takes := mk.table.faces[st.beads[before].right].Reach() + mk.table.faces[st.beads[behind].left].Reach() + passed + more
			if long -= takes; long < length.MM(0) {
				return pattern.ShortPitch(b.Node, takes)
			}
		}
		gap := mk.gap(long)
		s.gaps = append(s.gaps, i)
		s.Beads[i] = Bead{Key: bare.Text, Material: gap, Node: b.Node.ID, Passes: mk.row.Passes}
		st.beads[i] = mk.table.of(gap, false, 0, 0)
	}
	return nil
}

// pitchedTo is the bead that a pitch goes to on one side of it, across what hangs before it, and
// what that takes of the cord; -1 where there is none. What hangs between two gaps has a pitch
// of its own.
func (mk *strandMaker) pitchedTo(s *Strand, st *stack, placed []pattern.Placed, at, by int) (bead int, takes length.MM) {
	n := len(placed)
	next := -1
	for k := at + by; ; k += by {
		if (k < 0 || k >= n) && !s.Ring {
			return next, 0
		}
		k = (k + n) % n
		switch {
		case k == at || placed[k].Node.IsGap():
			return next, 0
		case !s.Beads[k].Material.Bead.Hangs() || s.Beads[k].Drop != nil:
			return k, takes
		}
		if next < 0 {
			next = k
		}
		f := st.beads[k]
		takes += mk.table.faces[f.left].Reach() + mk.table.faces[f.right].Reach()
	}
}

// gap is bare cord of a length, each length one material.
func (mk *strandMaker) gap(long length.MM) *material.Material {
	m := mk.gaps[long]
	if m == nil {
		if mk.gaps == nil {
			mk.gaps = map[length.MM]*material.Material{}
		}
		m = material.BareCord(long)
		mk.gaps[long] = m
	}
	return m
}

// Count is how many beads there are with those of drops, gaps apart.
func (s *Strand) Count() int {
	n := 0
	for i := range s.Beads {
		switch b := &s.Beads[i]; {
		case b.Drop != nil:
			n += b.Drop.Count()
		case !b.IsGap():
			n++
		}
	}
	return n
}

// bendsBy is how much bare cord, in mm, is taken for straight as it goes round a body, and
// mostBends into how many such stretches a strand's is parted at most.
const (
	bendsBy   = 3
	mostBends = 2000
)

// bends is how much of the strand's bare cord, in mm, is taken for straight.
func (s *Strand) bends() float64 {
	bare := 0.0
	for _, i := range s.gaps {
		bare += float64(s.Beads[i].To - s.Beads[i].From)
	}
	return max(bendsBy, bare/mostBends)
}

// Held is a place where something holds a bead beside a gap.
type Held struct {
	Bead int
	Side piece.Side // of the bead
	At   length.MM  // its face there, from the start of the strand
	Gap  int        // the gap's place in the sequence
}

// Holders lists where beads are held beside gaps, from the left; those at the strand's own
// ends are held there already.
func (s *Strand) Holders() []Held {
	if len(s.gaps) == 0 || s.Lace != nil {
		return nil
	}
	n := len(s.Beads)
	var out []Held
	for i := range s.Beads {
		b := &s.Beads[i]
		if b.IsGap() || b.Material.Bead.Hangs() && b.Drop == nil {
			continue // a charm hangs loose: what is held are beads
		}
		if before := i - 1; before >= 0 || s.Ring {
			if before = (before + n) % n; s.Beads[before].IsGap() {
				out = append(out, Held{i, piece.Left, b.From, before})
			}
		}
		if next := i + 1; next < n || s.Ring {
			if next %= n; s.Beads[next].IsGap() {
				out = append(out, Held{i, piece.Right, b.To, next})
			}
		}
	}
	return out
}

// HolderLong is how much of a gap one holder takes: a crimp its length, an overhand knot
// what it is across; 0 of friction.
func (s *Strand) HolderLong() length.MM {
	switch s.Row.Holder.Way {
	case piece.HeldByCrimps:
		return s.Row.Holder.Of.Finding.Length
	case piece.HeldByKnots:
		return s.OverhandAcross()
	}
	return 0
}
