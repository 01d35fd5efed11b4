package edit

import (
	"strconv"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// SetSpacing gives the gap that is a node another length, or reads it from middle to middle or as
// clear.
type SetSpacing struct {
	At     piece.Place
	Node   int
	Length *length.MM // as it is without
	Read   string     `op:"Text"` // Pitch, or clear
	Alike  bool
}

// Pitch reads a gap from middle to middle; any other reading is clear, from bead to bead.
const Pitch = "pitch"

// Do names it.
func (SetSpacing) Do() Do { return "set-spacing" }

func (o SetSpacing) where() onLine { return onLine{o.At, o.Alike} }

func (o SetSpacing) edit(e *lineEditor) (Result, error) {
	if o.Node < 0 || o.Node >= len(e.line.Nodes) {
		return Result{}, refuse("There is no gap there.")
	}
	node := e.line.Nodes[o.Node]
	gap, is := node.Unit.(pattern.Gap)
	if !is {
		return Result{}, refuse("There is no gap there.")
	}
	text := gap.Typed()
	if o.Length != nil {
		text = strconv.FormatFloat(float64(*o.Length), 'f', -1, 64) + "mm"
	}
	read, err := pattern.Parse(pattern.WriteGap(text, o.Read == Pitch))
	if err != nil {
		return Result{}, err
	}
	node.Unit = read.Nodes[0].Unit
	return stays, nil
}

func (o SetSpacing) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
