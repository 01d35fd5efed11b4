package format

import (
	"errors"
	"fmt"
	"strings"

	"mala/core/pattern"
	"mala/core/piece"
)

// Fault is one thing wrong with what was given, at its place.
type Fault struct {
	Where    string // the field: materials[2].holeMm; empty for the whole
	Column   int    // of a bead line, from 1; 0 elsewhere
	Says     string // one sentence: what is wrong and what would be right
	Expected string // for a bead line: what is expected there
	Place    Place  // the thing in the piece, if it is one
}

func (f Fault) Error() string {
	switch {
	case f.Where == "":
		return f.Says
	case f.Column > 0:
		return fmt.Sprintf("%s: column %d: %s", f.Where, f.Column, f.Says)
	}
	return f.Where + ": " + f.Says
}

// Faults is everything that is wrong, in reading order.
type Faults []Fault

func (f Faults) Error() string {
	lines := make([]string, len(f))
	for i := range f {
		lines[i] = f[i].Error()
	}
	return strings.Join(lines, "\n")
}

// OfLine says whether the bead line alone is at fault: the rest can be kept, and
// the line be typed on.
func (f Faults) OfLine() bool {
	for _, one := range f {
		if one.Column == 0 {
			return false
		}
	}
	return len(f) > 0
}

// LineFault puts the fault of a row's bead line in its place in the document.
func (d *Document) LineFault(row piece.ID, err error) Faults {
	where := "line"
	for i, s := range d.Sections {
		for j, r := range s.Rows {
			if r.ID == string(row) {
				where = fmt.Sprintf("sections[%d].rows[%d].line", i, j)
			}
		}
	}
	var f *pattern.Fault
	if errors.As(err, &f) {
		return Faults{{Where: where, Column: f.Col, Says: f.Says, Expected: f.Expected, Place: Place{Strand: string(row)}}}
	}
	return Faults{{Where: where, Says: err.Error(), Place: Place{Strand: string(row)}}}
}
