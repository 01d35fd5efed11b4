package edit

import (
	"slices"

	"mala/core/piece"
)

// setPin pins a row, a run of it or a letter, or lets it go again: the run that is node Node of
// the row's line, or the letter Text, or else the whole row. The error is a *Refused.
func setPin(p *piece.Piece, op Op) error {
	row, err := rowOf(p, op)
	if err != nil {
		return err
	}
	pin := piece.Pin{Row: row.ID}
	switch {
	case op.Text != "":
		if p.Palette[op.Text] == nil {
			return refuse("There is no dish %s.", op.Text)
		}
		pin = piece.Pin{Letter: op.Text}
	case op.Field == PinRun:
		if op.Node < 0 || op.Node >= len(row.Line.Nodes) {
			return refuse("The line has no run %d.", op.Node)
		}
		n := row.Line.Nodes[op.Node]
		pin.Run = n.String()
		for _, other := range row.Line.Nodes[:op.Node] {
			if other.String() == pin.Run {
				pin.Nth++
			}
		}
	}
	// Pins of runs that are written otherwise now hold nothing any more.
	kept := slices.DeleteFunc(slices.Clone(p.Pins), func(q piece.Pin) bool { return q == pin || gone(p, q) })
	if slices.Contains(p.Pins, pin) {
		p.Pins = kept
		return nil
	}
	p.Pins = append(kept, pin)
	return nil
}

// PinRun is the field of a pin that is about a run.
const PinRun = "run"

// gone says whether a pin names a run that is not there.
func gone(p *piece.Piece, pin piece.Pin) bool {
	row := p.Row(pin.Row)
	if pin.Run == "" || row == nil || row.Line == nil {
		return pin.Run != ""
	}
	for _, n := range row.Line.Nodes {
		if pin.Names(row.Line, n) {
			return false
		}
	}
	return true
}
