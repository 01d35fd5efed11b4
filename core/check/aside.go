package check

import (
	"fmt"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// aside is a focal that has more beads on one side than on the other, though both sides are alike but
// for one run.
type aside struct {
	from, to    int // the focal with what belongs to it, in the sequence
	longer      piece.Side
	at          int // the first bead of the run that is longer
	shorter     int // and of the other one
	more        int // by how many
	left, right int // beads of the sides
}

// The sides that are looked at: how many beads each has at least, by how many they differ at most, and
// by what part of the longer one.
const (
	fewestAside = 5
	mostAside   = 3
	partAside   = 5
)

// asideIn finds it; nil for none.
func asideIn(v *View, s *measure.Strand) *aside {
	n := len(s.Beads)
	if s.Ring || n < fewestPattern || n > mostPattern {
		return nil
	}
	a := &aside{from: -1}
	roles := v.design(s).Roles
	for i, role := range roles {
		switch role {
		case design.Feature, design.Hanging, design.Capped, design.Word:
			if a.from < 0 {
				a.from = i
			} else if a.to != i {
				return nil // there are several
			}
			a.to = i + 1
		}
	}
	if a.from < fewestAside || n-a.to < fewestAside {
		return nil
	}
	a.left, a.right = a.from, n-a.to
	if !a.compare(v.order(s)) {
		return nil
	}
	return a
}

// compare walks both sides from the focal outward, run by run.
func (a *aside) compare(order []design.Seen) bool {
	n := len(order)
	i, j := a.from-1, a.to
	for i >= 0 && j < n {
		bead := order[j]
		if order[i].Mirrored() != bead {
			return false
		}
		left, right := i, j
		for i >= 0 && order[i].Mirrored() == bead {
			i--
		}
		for j < n && order[j] == bead {
			j++
		}
		by := left - i - (j - right)
		if by == 0 {
			continue
		}
		if a.more > 0 {
			return false
		}
		a.more, a.longer, a.at, a.shorter = by, piece.Left, i+1, right
		if by < 0 {
			a.more, a.longer, a.at, a.shorter = -by, piece.Right, right, i+1
		}
	}
	return i < 0 && j >= n && a.more > 0 && a.more <= min(mostAside, max(a.left, a.right)/partAside)
}

func (a *aside) problem(s *measure.Strand) Problem {
	return Problem{Severity: Warn, At: s.Row.AtBead(a.from), cause: "aside", Fact: FocalAside{s.Beads[a.from].Material, a.left, a.right}}
}

// fixes moves half of what is more to the other side, where that comes out; else the shorter side gets
// more, or the longer one less.
func (a *aside) fixes(s *measure.Strand) []Fix {
	at, bead := s.Row.At(), s.Beads[a.at]
	beads := func(n int) string {
		return fmt.Sprint(n, (&slip{want: design.Seen{Material: bead.Material, Turned: bead.Turned}}).spell(s))
	}
	put := func(n int) edit.Op { return edit.Between{At: at, Gap: a.shorter, Beads: beads(n)} }
	remove := func(n int) edit.Op { return edit.Delete{At: at, From: a.at, To: a.at + n} }
	both := func(n int) []edit.Op { // what lies behind first, so that places stay
		if a.at > a.shorter {
			return []edit.Op{remove(n), put(n)}
		}
		return []edit.Op{put(n), remove(n)}
	}
	var out []Fix
	if a.more%2 == 0 {
		out = append(out, fix(MoveAcross{bead.Material, a.more / 2, a.longer.Other()}, both(a.more/2)...))
	}
	return append(out, fix(PutOnSide{bead.Material, a.more, a.longer.Other()}, put(a.more)), fix(RemoveBeads{a.more}, remove(a.more)))
}

// mostAlike is by what part a lone bead may be larger than those round it, and still not be a focal.
const mostAlike = 1.3

// loneIn finds a single bead of another kind inside of a long run of alike ones, away from the middle;
// -1 for none.
func loneIn(v *View, s *measure.Strand) int {
	n := len(s.Beads)
	if s.Ring || n < fewestPattern || n > mostPattern {
		return -1
	}
	order, found := v.order(s), -1
	for i := 1; i < n; i++ {
		if order[i] == order[0] {
			continue
		}
		if found >= 0 || i == n-1 {
			return -1
		}
		found = i
	}
	if found < 0 || found == n/2 || found == (n-1)/2 {
		return -1
	}
	bead, run := s.Beads[found].Material.Bead, s.Beads[0].Material.Bead
	if bead.Hangs() || bead.IsGap() || bead.Shape == material.Letter || run.IsGap() || bead.Length() > mostAlike*run.Length() || bead.Across > mostAlike*run.Across {
		return -1
	}
	return found
}

// FocalAside says that a focal has more beads on one side.
type FocalAside struct {
	Bead        *material.Material
	Left, Right int
}

// BeadAlone says that one bead is of another kind than all the others.
type BeadAlone struct {
	Bead, Others *material.Material
	N, Of        int
}

// MoveAcross moves beads from one side to the other.
type MoveAcross struct {
	Bead  *material.Material
	Beads int
	To    piece.Side
}

// PutOnSide adds beads on a side.
type PutOnSide struct {
	Bead  *material.Material
	Beads int
	To    piece.Side
}

func (FocalAside) fact() {}
func (BeadAlone) fact()  {}

func (MoveAcross) effect() {}
func (PutOnSide) effect()  {}
