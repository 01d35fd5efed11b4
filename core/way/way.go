// Package way holds the way of a cord: what one physical length does from tip to tip. The
// cut, the passes through beads, what is left at an end and the steps follow from it.
package way

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Does is what a cord does on one leg of its way.
type Does string

// What a cord does along the piece, and at an end from the last bead outwards.
const (
	Along    Does = "along"    // the beads of a row
	Front    Does = "front"    // of a laced row: across the fronts of its flats
	Holes    Does = "holes"    // through the holes of its flats
	Behind   Does = "behind"   // from flat to flat at the back
	ToEnds   Does = "to-ends"  // from the outermost holes to the ends of the row
	Slack    Does = "slack"    // bare, so that the strand bends
	Hang     Does = "hang"     // down through a drop and back up, or round a loop
	Knot     Does = "knot"     // ties
	Through  Does = "through"  // runs through a crimp, a guard or a bead
	Room     Does = "room"     // lies bare beside a crimp, for its cover
	Loop     Does = "loop"     // lies in a loop of itself or of beads
	Round    Does = "round"    // lies round a wire or a bead
	Back     Does = "back"     // goes back through a bead before a knot
	Tail     Does = "tail"     // goes back through beads and is trimmed
	OnLeg    Does = "leg"      // hangs on beyond the strand
	Neck     Does = "neck"     // runs to the bead it is folded through
	Trough   Does = "trough"   // lies in a fold-over end
	Even     Does = "even"     // makes both legs of a fold equally long
	Hold     Does = "hold"     // is held while the end is made, and cut off
	Tie      Does = "tie"      // is left to tie with, and cut off
	Stopping Does = "stopping" // is used by what stops the end strung first
)

// Leg is one stretch of a cord's way.
type Leg struct {
	Does  Does
	At    piece.Place        // its row, and its end or fitting if it has one
	Of    *material.Material // what it goes through, round or by; nil of bare cord
	Beads []int              // of its row, that it runs through once each
	All   bool               // it runs through every bead of its row, but for those that it skips
	Skips []int

	Uses     length.MM // cord
	Advances length.MM // along the piece
	Spare    bool      // cut off in the end: the path does not cover it
	Least    length.MM // of what is spare, what the making needs at least
	Item     Item      // under which it stands in the sum of the cut
}

// Cord is one physical length.
type Cord struct {
	Row    piece.ID // that it is cut for
	Legs   []Leg    // from one tip to the other
	Folded bool     // its middle is an end of the row
	Behind int      // of a folded cord the first leg behind its middle
}

// Length is what the cord is cut to, in mm.
func (c *Cord) Length() length.MM {
	return c.sum(func(l *Leg) length.MM { return l.Uses })
}

// Path is what its way covers, in mm, with nothing over to hold or to tie.
func (c *Cord) Path() length.MM {
	return c.sum(func(l *Leg) length.MM {
		if l.Spare {
			return 0
		}
		return l.Uses
	})
}

// Least is the shortest the cord can be, in mm: its path, and what the making of each end
// needs at least.
func (c *Cord) Least() length.MM {
	return c.sum(func(l *Leg) length.MM {
		if l.Spare {
			return l.Least
		}
		return l.Uses
	})
}

func (c *Cord) sum(of func(l *Leg) length.MM) length.MM {
	sum := length.MM(0)
	for i := range c.Legs {
		sum += of(&c.Legs[i])
	}
	return sum
}

// Meets is how often the cord runs through a bead of a row.
func (c *Cord) Meets(row piece.ID, bead int) int {
	n := 0
	for i := range c.Legs {
		l := &c.Legs[i]
		if l.At.Row != row {
			continue
		}
		if l.All && !slices.Contains(l.Skips, bead) {
			n++
		}
		for _, b := range l.Beads {
			if b == bead {
				n++
			}
		}
	}
	return n
}

// MeetsFitting is how often the cord runs through or round a fitting.
func (c *Cord) MeetsFitting(id piece.ID) int {
	n := 0
	for i := range c.Legs {
		if c.Legs[i].At.Fitting == id {
			n++
		}
	}
	return n
}

// Backwards gives legs in the opposite order.
func Backwards(legs []Leg) []Leg {
	out := slices.Clone(legs)
	slices.Reverse(out)
	return out
}

// Items adds the legs of all cords up by what they stand under, those along the rows first,
// then those of the left end, of the right end, and what stops the first.
func Items(cords []Cord) []Entry {
	const orders = 4
	var lists [orders][]Entry
	known := map[Item]int{}
	take := func(l *Leg, left bool) {
		at := orderOf(l)
		if l.Uses <= 0 || (at == 1) != left {
			return
		}
		if first, is := known[l.Item]; is {
			at = first
		}
		known[l.Item] = at
		lists[at] = addTo(lists[at], l)
	}
	for i := range cords {
		c := &cords[i]
		for k := c.Behind; k < len(c.Legs); k++ {
			take(&c.Legs[k], false)
		}
		for k := range slices.Backward(c.Legs[:c.Behind]) { // the other half of a fold, from there
			take(&c.Legs[k], false)
		}
		for k := range slices.Backward(c.Legs) { // a left end is described from its last bead outwards too
			take(&c.Legs[k], true)
		}
	}
	return slices.Concat(lists[:]...)
}

func orderOf(l *Leg) int {
	switch {
	case l.Does == Stopping:
		return 3
	case l.At.Side == piece.Left:
		return 1
	case l.At.Side == piece.Right:
		return 2
	}
	return 0
}

func addTo(list []Entry, l *Leg) []Entry {
	for i := range list {
		if list[i].Item == l.Item {
			list[i].Length += l.Uses
			return list
		}
	}
	return append(list, Entry{l.Item, l.Uses, l.Spare})
}
