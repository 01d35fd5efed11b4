package measure

import (
	"math"

	"mala/core/chain"
	"mala/core/length"
)

// Riders are beads with large holes that slide over a run of finer beads, between the beads
// or ends that stop them.
type Riders struct {
	Beads []Bead // as they rest, gathered in the middle of their run
	Long  length.MM
	Hole  length.MM // the finest of theirs
	// First and Last are the outermost beads of the run they slide over, -1 for none, and
	// From and To where it begins and ends.
	First, Last int
	From, To    length.MM

	parts []stiffPart
}

// Run is how long the run is that they slide over.
func (r *Riders) Run() length.MM { return r.To - r.From }

// Free is how far they can slide; less than nothing where they find no room.
func (r *Riders) Free() length.MM { return r.Run() - r.Long }

// Passes says whether the riders slide over a bead.
func (r *Riders) Passes(b *Bead) bool {
	return b.IsGap() || b.Drop == nil && !b.Material.Bead.Hangs() && b.Material.Bead.Across < r.Hole-closeEnough
}

// ride lays the row's riders out over the longest run of its beads that they slide over.
// The error is a *pattern.Fault: too many beads.
func (mk *strandMaker) ride(s *Strand) error {
	line := mk.row.Riders
	if line == nil || len(line.Items) == 0 {
		return nil
	}
	over := &strandMaker{piece: mk.piece, row: mk.row, table: mk.table, byItself: true}
	own, err := over.lay(line, nil, nil, false)
	if err != nil {
		return err
	}
	r := &Riders{Beads: own.Beads, Long: own.Strung, Hole: length.MM(math.Inf(1)), First: -1, Last: -1, parts: own.parts}
	for i := range r.Beads {
		r.Beads[i].Passes = 0
		r.Hole = min(r.Hole, r.Beads[i].Material.Bead.Hole)
	}
	r.longestRun(s)
	if r.First >= 0 {
		r.From, r.To = s.Beads[r.First].From, s.Beads[r.Last].To
	}
	rest := r.From + max(0, r.Free())/2
	for i := range r.Beads {
		b := &r.Beads[i]
		b.At, b.From, b.To = b.At+rest, b.From+rest, b.To+rest
	}
	s.Riders = r
	s.rode = own.kinds
	return nil
}

// longestRun finds the longest stretch of beads that the riders slide over.
func (r *Riders) longestRun(s *Strand) {
	most := length.MM(-1)
	for i := 0; i < len(s.Beads); i++ {
		if !r.Passes(&s.Beads[i]) {
			continue
		}
		last := i
		for last+1 < len(s.Beads) && r.Passes(&s.Beads[last+1]) {
			last++
		}
		if long := s.Beads[last].To - s.Beads[i].From; long > most+closeEnough {
			most, r.First, r.Last = long, i, last
		}
		i = last
	}
}

// over lays the riders over the links of their run. The finished run bends under them as it
// is, so they turn at its cord, and hold it off the body by half of what they are thick.
func (r *Riders) over(list []Link) []Link {
	if r.First < 0 || r.Free() < 0 {
		return list
	}
	from := float64(r.From) + float64(r.Free())/2
	to := from + float64(r.Long)
	var out []Link
	at, ridden := 0.0, false
	ride := func() {
		if ridden {
			return
		}
		ridden = true
		for _, p := range r.parts {
			out = append(out, Link{Rider: &r.Beads[p.beads[len(p.beads)/2].Bead], Stretch: list[0].Stretch, Segment: chain.Segment{Length: p.length, Reach: p.inwards}})
		}
	}
	for _, l := range list {
		begin, end := at, at+l.Segment.Length
		at = end
		if before := min(end, from) - begin; before > 0 {
			out = append(out, l.cut(0, before))
		}
		if end > from {
			ride()
		}
		if behind := end - max(begin, to); behind > 0 {
			out = append(out, l.cut(l.Segment.Length-behind, l.Segment.Length))
		}
	}
	return out
}

// cut is the link from a place of it to another, with the beads whose middle lies there.
func (l Link) cut(from, to float64) Link {
	if from <= 0 && to >= l.Segment.Length {
		return l
	}
	var beads []BeadInLink
	for _, b := range l.Beads {
		if b.Before >= from && b.Before <= to {
			beads = append(beads, BeadInLink{b.Bead, b.Before - from})
		}
	}
	l.Beads, l.Segment.Length = beads, to-from
	l.Covered = len(beads) == 0
	return l
}
