package edit

import (
	"strings"

	"mala/core/pattern"
	"mala/core/piece"
)

// setRiders lets beads slide over a row. The error is a *pattern.Fault or a *Refused.
func setRiders(p *piece.Piece, op Op) error {
	row, err := rowOf(p, op)
	if err != nil {
		return err
	}
	if strings.TrimSpace(op.Text) == "" {
		row.Riders = nil
		return nil
	}
	line, err := pattern.Parse(op.Text)
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
