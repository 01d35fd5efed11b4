package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Run is a number of alike beads in a row, as they are strung.
type Run struct {
	Key      string
	Material *material.Material
	Turned   bool
	First    int // its first bead in the sequence
	Count    int
	Reached  length.MM // from the first face of the strand to the end of the run
}

// Runs gives the strand as it reads from the left.
func (s *Strand) Runs() []Run {
	return s.runsOver(len(s.Beads), func(k int) int { return k }, func(b *Bead) length.MM { return b.To })
}

// RunsFromRight gives the strand as it is strung from its right end, where its fold lies. What
// they reach is from the last face.
func (s *Strand) RunsFromRight() []Run {
	n := len(s.Beads)
	return s.runsOver(n, func(k int) int { return n - 1 - k }, func(b *Bead) length.MM { return s.Strung - b.From })
}

// runsOver gathers n beads, in the order at gives them, into runs; far says how far
// the strand reaches with a bead.
func (s *Strand) runsOver(n int, at func(k int) int, far func(b *Bead) length.MM) []Run {
	var runs []Run
	loose := s.Loose()
	reached := length.MM(0)
	for k := range n {
		i := at(k)
		b := &s.Beads[i]
		reached = max(reached, far(b))
		last := len(runs) - 1
		if last < 0 || b.IsGap() || runs[last].Material != b.Material || runs[last].Turned != b.Turned || loose(runs[last].First) != loose(i) {
			runs = append(runs, Run{Key: b.Key, Material: b.Material, Turned: b.Turned, First: i})
			last++
		}
		runs[last].First = min(runs[last].First, i)
		runs[last].Count++
		runs[last].Reached = reached
	}
	return runs
}

// FromCentre says whether the house strings this strand from its centre outwards: a
// ring has none, and what is on its spool or folded begins at an end.
func (s *Strand) FromCentre(h piece.House) bool {
	return h.Order == piece.OrderCentre && !s.Ring && s.Start.By != piece.StopSpool && s.Start.By != StartFold && s.Start.By != StartFoot && len(s.Beads) > 1
}

// Outwards gives the strand as it is strung from its centre: the runs to the right,
// the centre bead first, then those to the left. What they reach is from the middle
// of the centre bead, or from midway between the two in the middle.
func (s *Strand) Outwards() (right, left []Run) {
	n := len(s.Beads)
	first := n / 2
	middle := s.Beads[first].At
	if n%2 == 0 {
		middle = (s.Beads[first-1].To + s.Beads[first].From) / 2
	}
	right = s.runsOver(n-first, func(k int) int { return first + k }, func(b *Bead) length.MM { return b.To - middle })
	left = s.runsOver(first, func(k int) int { return first - 1 - k }, func(b *Bead) length.MM { return middle - b.From })
	return right, left
}
