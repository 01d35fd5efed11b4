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
	if op.Node < 0 || op.Node >= len(e.line.Nodes) || !e.line.Nodes[op.Node].IsGap() {
		return refuse("There is no gap there.")
	}
	node := e.line.Nodes[op.Node]
	text := node.LengthText
	if op.Length != nil {
		text = strconv.FormatFloat(float64(*op.Length), 'f', -1, 64) + "mm"
	}
	key := pattern.Gap(text, op.Text == Pitch)
	read, err := pattern.Parse(key)
	if err != nil {
		return err
	}
	node.Key, node.Length, node.LengthText = key, read.Nodes[0].Length, read.Nodes[0].LengthText
	return nil
}

// Pitch reads a gap from middle to middle; any other reading is clear, from bead to bead.
const Pitch = "pitch"
