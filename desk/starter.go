package desk

import (
	"errors"

	"mala/core/length"
	"mala/core/piece"
	"mala/core/start"
	"mala/core/suggest"
	"mala/format"
	"mala/words/en"
)

// startTolerance is how far off its target a new piece may be.
const startTolerance = length.MM(3)

// leastStart is the shortest length that a new piece is begun with: a small ornament's, or a doll's bracelet.
const leastStart = length.MM(50)

// Starter is a new piece from three answers: what it is, how it closes, and how
// long it should be; 0 leaves that open. It opens with a strand of one bead that fills the
// length, to type over, or with several, joined in one of the ways of suggest. The error is
// format.Faults.
func Starter(name, kind, closure string, target length.MM, rows int, join string, shelf *Shelf, house format.House) (format.Document, error) {
	if !(target >= 0 && target <= length.Longest) {
		return format.Document{}, format.Faults{{Where: "targetMm", Says: "Give a length up to 100 m, or leave it open."}}
	}
	if target > 0 && target < leastStart {
		return format.Document{}, format.Faults{{Where: "targetMm", Says: "That is too short for a piece. Give at least 50 mm."}}
	}
	doc := format.Document{Format: format.PieceFormat, Name: name, Kind: kind, Palette: map[string]string{}, Closure: format.Closure{Type: closure},
		Sections: []format.Section{{Rows: []format.Row{{ID: "r1"}}}}}
	p, err := start.New(piece.Kind(kind), piece.ClosureType(closure), target, startTolerance, house.Resolve(), shelf.Beside(&doc))
	if err != nil {
		return doc, format.Faults{{Where: "closure", Says: err.Error()}}
	}
	if rows > 1 {
		if p, err = suggest.Rows(p, rows, suggest.Join(join), shelf.Beside(&doc)); err != nil {
			says := err.Error()
			var lacks *suggest.Lacks
			if errors.As(err, &lacks) {
				says = en.Lacks(lacks)
			}
			return doc, format.Faults{{Where: "rows", Says: says}}
		}
	}
	empty := &piece.Piece{House: p.House}
	doc.Take(empty, p, shelf.find)
	return doc, nil
}
