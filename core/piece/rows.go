package piece

import (
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Port is where a row goes on at a join: on which fitting of it, in which hole. The
// zero port is the innermost fitting, and of one with several holes the row's own
// place in the order of the rows.
type Port struct {
	On   ID
	Hole int // from 1
}

// StandardTolerance is how far off a target is still right until it is set.
const StandardTolerance = length.MM(3)

// Rule is how the length of a row follows from that of the row before it.
type Rule string

// The rules: as long; longer by a step; longer by the step at which it touches the row
// before it where it hangs; to a length of its own, as a row that is worn alone as well;
// as long as it comes.
const (
	Equal    Rule = "equal"
	Longer   Rule = "longer"
	Touching Rule = "touching"
	Own      Rule = "own"
	Free     Rule = ""
)

// Rules lists every rule.
func Rules() []Rule { return []Rule{Equal, Longer, Touching, Own, Free} }

// Follow is a rule with its step; of touching rows that which was worked out last, of a row
// of its own length that length.
type Follow struct {
	Rule Rule
	Step length.MM
}

// TargetOf gives what the row is to measure in the loop it lies in: the target names
// the first row of the section with the most rows, others of it follow the row before
// them by their rule; a row of another section is asked what the one in its loop is. It
// is nil for a row that nothing is asked of.
func (p *Piece) TargetOf(row *Row) *Target {
	main := p.Main()
	row = p.In(row, main)
	if p.Target == nil {
		if row != main.Rows[0] && row.Follow.Rule == Own {
			return &Target{row.Follow.Step, StandardTolerance}
		}
		return nil
	}
	t := *p.Target
	for i, r := range main.Rows {
		if i > 0 && r.Follow.Rule == Free {
			if r == row {
				return nil
			}
			continue
		}
		switch {
		case i == 0 || r.Follow.Rule == Equal:
		case r.Follow.Rule == Own:
			t.Finished = r.Follow.Step
		default:
			t.Finished += r.Follow.Step
		}
		if r == row {
			return &t
		}
	}
	return nil
}

// noCord is what a row of chain is strung on.
var noCord = &material.Material{Class: material.ClassCord, Name: "no cord", Cord: &material.Cord{}}

// OfChain makes the row one of chain: its links hang in one another and need no cord.
func (r *Row) OfChain() { r.Cord, r.Line = noCord, &pattern.Line{} }

// Corded says whether the row is strung on a cord, and not one of chain.
func (r *Row) Corded() bool { return r.Cord != noCord }

// Chain is the first chain at the row's ends: of a row of chain what it is made of; nil
// if it has none.
func (r *Row) Chain() *Fitting {
	for _, list := range []*[]Fitting{&r.Left, &r.Right} {
		for i := range *list {
			if f := &(*list)[i]; f.Of.HasLinks() {
				return f
			}
		}
	}
	return nil
}

// Number is the row's place among the rows, from 1; 0 if the piece does not have it.
func (p *Piece) Number(row ID) int {
	return 1 + slices.IndexFunc(p.Rows(), func(r *Row) bool { return r.ID == row })
}

// Twisted says whether the rows are twisted together.
func (p *Piece) Twisted() bool { return p.Main().Twisted }

// Several says whether the piece has more than one row.
func (p *Piece) Several() bool {
	rows := 0
	for i := range p.Sections {
		rows += len(p.Sections[i].Rows)
	}
	return rows > 1
}

// Port gives where the row goes on at a side, so that it can be changed.
func (r *Row) Port(side Side) *Port {
	if side == Right {
		return &r.RightPort
	}
	return &r.LeftPort
}

// Joined is the fitting that a row goes on at a side, of the join there or of the
// closure; nil where it goes on none.
func (p *Piece) Joined(r *Row, side Side) *Fitting {
	if j := p.JoinAt(r, side); j != nil {
		return &j.Fittings[j.goneOn(r, side)]
	}
	if at := p.JoinedAt(r, side); at >= 0 {
		return &(*p.End(nil, side, true))[at]
	}
	return p.otherHalf(side)
}

// JoinedAt is where that fitting is in the closure's list at the side; -1 where the row
// goes on none of it.
func (p *Piece) JoinedAt(r *Row, side Side) int {
	list := *p.End(nil, side, true)
	if on := r.Port(side).On; on != "" {
		if at := slices.IndexFunc(list, func(f Fitting) bool { return f.ID == on }); at >= 0 {
			return at
		}
	}
	return len(list) - 1
}

// otherHalf is a clasp with holes that is listed at the other side: its second half is
// here.
func (p *Piece) otherHalf(side Side) *Fitting {
	list := *p.End(nil, side.Other(), true)
	for i := range list {
		if f := list[i].Of.Finding; f.IsClasp() && f.HasTwoHalves() && f.Type != material.ButtonEnd {
			return &list[i]
		}
	}
	return nil
}

// Hole is the hole of what it goes on that the row hangs in at a side, from 1; 0 where
// that has a single eye.
func (p *Piece) Hole(r *Row, side Side) int {
	on := p.Joined(r, side)
	if on == nil || on.Of.Finding == nil || on.Of.Finding.Holes < 2 {
		return 0
	}
	if hole := r.Port(side).Hole; hole > 0 {
		return hole
	}
	_, j := p.place(r)
	return j + 1
}

// The limits of rows.
const (
	MostRows = 20
	mostStep = length.MM(2000)
)

// checkRows holds every section to rows that can be: not too many, each going on what
// is there, no two in one hole.
func (p *Piece) checkRows(add adder) {
	if !p.checkJoins(add) {
		return
	}
	p.checkFilling(add)
	if len(p.Rows()) > 1 && p.Closure.Type != Clasp {
		add("closure.type", "Several rows go on a clasp or on rings. Close the piece with a clasp, or keep one row.")
		return
	}
	for i := range p.Sections {
		if gap := p.Sections[i].Gap; gap != nil {
			checkRange(add, fmt.Sprintf("sections[%d].gapMm", i), *gap, 0, mostStep)
		}
		for _, side := range Sides() {
			p.checkPorts(i, side, add)
		}
		for j, r := range p.Sections[i].Rows {
			r.checkFollow(add, rowAt(i, j), j == 0)
		}
	}
}

func (r *Row) checkFollow(add adder, at string, first bool) {
	f := r.Follow
	if !slices.Contains(Rules(), f.Rule) {
		add(at+".follow", "%q is no rule for a row. Use equal, longer, touching, own, or none.", string(f.Rule))
	}
	switch f.Rule {
	case Longer, Touching:
		checkRange(add, at+".followMm", f.Step, -mostStep, mostStep)
	case Own:
		checkRange(add, at+".followMm", f.Step, 1, length.Longest)
	default:
		return
	}
	if first {
		add(at+".follow", "The first row follows no other: the target is its own.")
	}
}

func (p *Piece) checkPorts(section int, side Side, add adder) {
	taken := map[ID]map[int]int{} // by fitting and hole the row's number
	for j, r := range p.Sections[section].Rows {
		at := rowAt(section, j) + "." + string(side) + "Port"
		if on := r.Port(side).On; on != "" && !slices.ContainsFunc(p.goesOn(r, side), func(f Fitting) bool { return f.ID == on }) {
			add(at+".on", "There is no fitting %q for it to go on at the %s. Name one that is there.", string(on), side)
			continue
		}
		on, hole := p.Joined(r, side), p.Hole(r, side)
		switch {
		case on == nil && r.Port(side).Hole > 0:
			add(at+".hole", "There is nothing with holes at the %s. Leave the hole out.", side)
		case on == nil:
		case (on.Of.Finding == nil || on.Of.Finding.Holes < 2) && r.Port(side).Hole > 1:
			add(at+".hole", "%s has one eye, and no hole %d.", on.Of.Name, r.Port(side).Hole)
		case hole > 0 && hole > on.Of.Finding.Holes:
			add(at+".hole", "Row %d is in hole %d of %s, which has %d. Use one with more holes, or fewer rows.", j+1, hole, on.Of.Name, on.Of.Finding.Holes)
		case hole > 0 && taken[on.ID][hole] > 0:
			add(at+".hole", "Rows %d and %d are both in hole %d of %s. Give each its own.", taken[on.ID][hole], j+1, hole, on.Of.Name)
		case hole > 0:
			if taken[on.ID] == nil {
				taken[on.ID] = map[int]int{}
			}
			taken[on.ID][hole] = j + 1
		}
	}
}

// IsShared says whether a fitting belongs to the closure or a join, which rows share.
func (p *Piece) IsShared(fitting ID) bool {
	of := func(f Fitting) bool { return f.ID == fitting }
	return fitting != "" && slices.ContainsFunc(p.sharedLists(), func(list *[]Fitting) bool { return slices.ContainsFunc(*list, of) })
}

// AllOf lists a fitting's rows at a side: those that go on it there.
func (p *Piece) AllOf(on ID, side Side) []*Row {
	var out []*Row
	for _, r := range p.Rows() {
		if f := p.Joined(r, side); f != nil && f.ID == on {
			out = append(out, r)
		}
	}
	return out
}

// EmptyHoles lists the holes of a fitting that no row is in at a side.
func (p *Piece) EmptyHoles(on ID, side Side) []int {
	rows := p.AllOf(on, side)
	if len(rows) == 0 {
		return nil
	}
	var out []int
	for hole := 1; hole <= p.Joined(rows[0], side).Of.Finding.Holes; hole++ {
		if !slices.ContainsFunc(rows, func(r *Row) bool { return p.Hole(r, side) == hole }) {
			out = append(out, hole)
		}
	}
	return out
}

// Spacing is how far apart the rows of the section with the most are kept by what they
// go on; 0 where that keeps them no distance.
func (p *Piece) Spacing(side Side) length.MM {
	if on := p.Joined(p.Leading(), side); on != nil && on.Of.Finding != nil && on.Of.Finding.Holes > 1 {
		return on.Of.Finding.Spacing
	}
	return 0
}
