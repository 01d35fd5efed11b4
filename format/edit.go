package format

import "mala/core/edit"

// Edit is one edit of the bead line at a place of the laid-out sequence.
type Edit struct {
	Do   string `json:"do" enum:"insert,delete,group,mirror,reverse,fill,unwrap,copy,count,letter,move,shuffle"`
	From int    `json:"from" doc:"Gap before the first selected bead."`
	To   int    `json:"to" doc:"Gap behind the last selected bead."`
	Text string `json:"text,omitempty" doc:"What to insert, as a bead line; of a change of letters, the old one and the new one." maxLength:"65536"`
	Node int    `json:"node,omitempty" doc:"Whose count to set."`
	N    int    `json:"n,omitempty" doc:"The count; of a move the gap to move to; of a shuffle its seed."`
}

// Edited is the line after an edit and what to select in it.
type Edited struct {
	Line string `json:"line"`
	From int    `json:"from"`
	To   int    `json:"to"`
	Text string `json:"text,omitempty" doc:"Of a copy: the selection, spelled."`
}

// ApplyEdit edits the document's bead line in a shop of this house method. The error is Faults.
func ApplyEdit(doc *Document, e Edit, house House) (Edited, error) {
	p, err := doc.pieceOf(house)
	if err != nil {
		return Edited{}, err
	}
	out, err := edit.Apply(p, edit.Edit{Do: edit.Do(e.Do), From: e.From, To: e.To, Text: e.Text, Node: e.Node, N: e.N})
	if err != nil {
		return Edited{}, lineFault("edit", err)
	}
	return Edited(out), nil
}
