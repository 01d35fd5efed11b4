package edit

import (
	"strings"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// SetRiders lets beads slide over a row; none removes them.
type SetRiders struct {
	At    piece.Place
	Beads string `op:"Text"`
}

// Do names it.
func (SetRiders) Do() Do { return "set-riders" }

// apply lets beads slide over a row. The error is a *pattern.Fault or a *Refused.
func (o SetRiders) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	if strings.TrimSpace(o.Beads) == "" {
		row.Riders = nil
		return nil
	}
	line, err := pattern.Parse(o.Beads)
	if err != nil {
		return refuseLine(err)
	}
	row.Riders = line
	return nil
}

// refuseLine says what is wrong with a line other than that of the row.
func refuseLine(err error) error {
	fault := pattern.Faults(err)[0]
	return refuse("Column %d: %s", fault.Col, fault.Says)
}
