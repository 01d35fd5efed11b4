package edit

import (
	"strconv"

	"mala/core/pattern"
	"mala/core/piece"
)

func setHolder(row *piece.Row, op Op) error {
	h := piece.Holder{Way: piece.HolderWay(op.Text)}
	if h.Way == piece.HeldByCrimps {
		h.Of = op.Material
	}
	if says := h.Check(); says != "" {
		return refuse("%s", says)
	}
	row.Holder = h
	return nil
}

// spacing gives a gap another length, or reads it from middle to middle or as clear.
func (e *lineEditor) spacing(op Op) error {
	if op.Node < 0 || op.Node >= len(e.line.Nodes) {
		return refuse("There is no gap there.")
	}
	node := e.line.Nodes[op.Node]
	gap, is := node.Unit.(pattern.Gap)
	if !is {
		return refuse("There is no gap there.")
	}
	text := gap.Typed()
	if op.Length != nil {
		text = strconv.FormatFloat(float64(*op.Length), 'f', -1, 64) + "mm"
	}
	read, err := pattern.Parse(pattern.WriteGap(text, op.Text == Pitch))
	if err != nil {
		return err
	}
	node.Unit = read.Nodes[0].Unit
	return nil
}

// Pitch reads a gap from middle to middle; any other reading is clear, from bead to bead.
const Pitch = "pitch"
