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
	Waived   string // why it may stand; empty if nobody said so
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
	// stops says whether a finding on the piece may be a Stop; nil for never.
	stops func(m *measure.Measured) bool
	find  func(m *measure.Measured, unit length.Unit) []Finding
	mend  func(m *measure.Measured, f Finding, bench Bench) []Fix
}

// judgements lists every check there is.
var judgements = []judgement{
	holeTooSmall, crimpSwallowed, beadSwallowed, crimpMisfit, coverMisfit, // what goes through what
	lengthOff, slackShort, slackLong, easeOff, // how it lies
	loopBreak, centreParity, patternBreak, capMisfit, liesSideways, charmHidden, // the order of the beads
	toggleBlocked, ringTooSmall, claspClosedEye, chainSoldered, weakLink, metalsDiffer, // the ends
	elasticMisfit, knotShows, legShort, // the cord
}

// may is for judgements that may stop the work on any piece.
func may(*measure.Measured) bool { return true }

// All judges the piece, gravest first, those that were waived last. A fix is only offered if trying it shows
// that it leaves fewer of its code and brings no new stop.
func All(m *measure.Measured, bench Bench) []Finding {
	found := judge(m, bench.Unit)
	for i := range found {
		for _, j := range judgements {
			if j.code == found[i].Code && j.mend != nil {
				found[i].Fix = firstThatMends(m, found, found[i], j.mend(m, found[i], bench))
			}
		}
	}
	return found
}

func judge(m *measure.Measured, unit length.Unit) []Finding {
	return judgeBy(m, unit, func(judgement) bool { return true })
}

// judgeBy judges by some of the judgements only.
func judgeBy(m *measure.Measured, unit length.Unit, by func(judgement) bool) []Finding {
	var found []Finding
	for _, j := range judgements {
		if by(j) {
			found = append(found, j.find(m, unit)...)
		}
	}
	for i := range found {
		for _, w := range m.Piece.Waived {
			if w.Code == found[i].Code && w.End == found[i].End {
				found[i].Waived = w.Note
			}
		}
	}
	rank := func(f Finding) int {
		if f.Waived != "" {
			return 3
		}
		return map[Severity]int{Stop: 0, Warn: 1, Advise: 2}[f.Severity]
	}
	slices.SortStableFunc(found, func(a, b Finding) int { return cmp.Compare(rank(a), rank(b)) })
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
		// What neither is mended here nor can stop the work decides nothing.
		left := judgeBy(after, "", func(j judgement) bool { return j.code == f.Code || j.stops != nil && j.stops(after) })
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
