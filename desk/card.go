package desk

import (
	"context"

	"mala/core/pattern"
	"mala/format"
)

// Card is what lists show of a piece.
type Card struct {
	FinishedMm *float64 // nil if its bead line has errors
	Beads      int
	Worst      string // severity of its worst check that was not waived, "line" if its line has errors
}

// CardOf works it out, to its end: what it returns is saved.
func CardOf(ctx context.Context, doc *format.Document, house format.House) Card {
	a, err := Analyse(context.WithoutCancel(ctx), doc, Options{House: house})
	if err != nil {
		return Card{Worst: "line"}
	}
	finished := float64(a.FinishedMm)
	c := Card{FinishedMm: &finished, Beads: a.Beads}
	if len(a.Checks) > 0 && a.Checks[0].Waived == "" {
		c.Worst = a.Checks[0].Severity
	}
	return c
}

// BeadsIn counts the beads that the document's lines spell out, open fills apart, without laying
// them out; lines with errors count nothing.
func BeadsIn(doc *format.Document) int {
	sum := 0
	for _, section := range doc.Sections {
		for _, row := range section.Rows {
			if line, err := pattern.Parse(row.Line); err == nil {
				sum += line.Size(nil)
			}
		}
	}
	return sum
}
