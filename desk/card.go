package desk

import (
	"context"

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
