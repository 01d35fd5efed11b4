// Package check holds the judgements a designer would make at the bench, one
// file each: what fires, how grave it is, where, why with its numbers, and
// where it can a fix that is a real edit of the piece.
package check

import (
	"cmp"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// Severity says how grave a finding is.
type Severity string

// The severities, the gravest first: the piece cannot be made as it is; it will
// come out wrong; it could be better.
const (
	Stop   Severity = "stop"
	Warn   Severity = "warn"
	Advise Severity = "advise"
)

// Finding is one judgement on a measured piece.
type Finding struct {
	Code     string
	Severity Severity
	Strand   string
	End      string // left or right, for a finding at an end
	Element  int    // the bead it is about, from 0; -1 for none
	Column   int    // of the bead line, from 1; 0 for none
	Title    string // what is wrong, in a few words
	Says     string // one sentence with the numbers
	Fix      *Fix
}

// Bench is what the judgements know beside the piece: what else lies on the
// shelf to mend it with, and the unit to speak in.
type Bench struct {
	Shelf []*material.Material
	Unit  length.Unit
}

// judgement finds what it looks for and, asked about one finding, tries edits
// that mend it, best first.
type judgement struct {
	code string
	find func(m *measure.Measured, unit length.Unit) []Finding
	mend func(m *measure.Measured, f Finding, shelf []*material.Material) []Fix
}

// judgements lists every check there is.
var judgements = []judgement{holeTooSmall, crimpSwallowed, beadSwallowed, lengthOff}

// All judges the piece, gravest first. A fix is only offered if trying it shows
// that it leaves fewer of its code and brings no new stop.
func All(m *measure.Measured, bench Bench) []Finding {
	found := judge(m, bench.Unit)
	for i := range found {
		for _, j := range judgements {
			if j.code == found[i].Code {
				found[i].Fix = firstThatMends(m, found, found[i], j.mend(m, found[i], bench.Shelf))
			}
		}
	}
	return found
}

func judge(m *measure.Measured, unit length.Unit) []Finding {
	var found []Finding
	for _, j := range judgements {
		found = append(found, j.find(m, unit)...)
	}
	rank := map[Severity]int{Stop: 0, Warn: 1, Advise: 2}
	slices.SortStableFunc(found, func(a, b Finding) int { return cmp.Compare(rank[a.Severity], rank[b.Severity]) })
	return found
}

// mostTried bounds how many fixes are tried for one finding.
const mostTried = 12

func firstThatMends(m *measure.Measured, found []Finding, f Finding, fixes []Fix) *Fix {
	for i := range fixes[:min(len(fixes), mostTried)] {
		after, err := fixes[i].Edit.Try(m.Piece)
		if err != nil {
			continue
		}
		left := judge(after, "")
		if count(left, f.Code, "") < count(found, f.Code, "") && count(left, "", Stop) <= count(found, "", Stop) {
			return &fixes[i]
		}
	}
	return nil
}

// count counts the findings of a code, or of a severity.
func count(found []Finding, code string, severity Severity) int {
	n := 0
	for _, f := range found {
		if f.Code == code || f.Severity == severity {
			n++
		}
	}
	return n
}

// columnOf is where the bead's node stands in the line.
func columnOf(s *measure.Strand, bead int) int {
	return s.Row.Line.Nodes[s.Beads[bead].Node].Col
}

// Fix is an edit that mends a finding.
type Fix struct {
	Says string // what it does, in a few words
	Edit Edit
}

// Edit changes some fields of a piece of one row; a nil one stays as it is.
type Edit struct {
	Line *string
	Cord *material.Material
	Dish *Dish // a dish to set out first
	Tail *string
}

// Dish gives a bead a letter.
type Dish struct {
	Key      string
	Material *material.Material
}

// Try measures the piece as it would be after the edit, leaving it untouched.
func (e Edit) Try(p *piece.Piece) (*measure.Measured, error) {
	after, err := e.on(p)
	if err != nil {
		return nil, err
	}
	return measure.Measure(after)
}

// on gives the piece as it would be after the edit.
func (e Edit) on(p *piece.Piece) (*piece.Piece, error) {
	after := *p
	row := p.Sections[0].Rows[0]
	if e.Dish != nil {
		palette := map[string]*material.Material{e.Dish.Key: e.Dish.Material}
		for key, m := range p.Palette {
			palette[key] = m
		}
		after.Palette = palette
	}
	if e.Line != nil {
		line, err := pattern.Parse(*e.Line)
		if err != nil {
			return nil, err
		}
		row.Line = line
	}
	if e.Cord != nil {
		row.Cord = e.Cord
	}
	if e.Tail != nil {
		after.House.Tail = *e.Tail
	}
	after.Sections = []piece.Section{{Rows: []piece.Row{row}}}
	return &after, nil
}
