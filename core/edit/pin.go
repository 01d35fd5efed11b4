package edit

import (
	"slices"

	"mala/core/material"
	"mala/core/piece"
)

// SetPinned keeps a row as it is while the piece is brought to a length, or a run of it, or a letter;
// done again it lets it go. What names the run with PinRun is the number of its node.
type SetPinned struct {
	At     piece.Place
	Letter string `op:"Text"`
	What   string `op:"Field"` // PinRun for the run
	Node   int
}

// Do names it.
func (SetPinned) Do() Do { return "set-pinned" }

// apply pins, or lets go. The error is a *Refused.
func (o SetPinned) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	pin := piece.Pin{Row: row.ID}
	switch {
	case o.Letter != "":
		if p.Palette[o.Letter] == nil {
			return refuse("There is no dish %s.", o.Letter)
		}
		pin = piece.Pin{Letter: o.Letter}
	case o.What == PinRun:
		if o.Node < 0 || o.Node >= len(row.Line.Nodes) {
			return refuse("The line has no run %d.", o.Node)
		}
		n := row.Line.Nodes[o.Node]
		pin.Run = n.String()
		for _, other := range row.Line.Nodes[:o.Node] {
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
