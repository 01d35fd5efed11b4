package desk

import (
	"cmp"

	"mala/core/check"
	"mala/core/pattern"
	"mala/format"
)

// Card is what lists show of a piece.
type Card struct {
	FinishedMm *float64 // nil if its bead line has errors
	Beads      int
	Worst      string // severity of its worst problem that is not ignored, "line" if its line has errors
	Problems   int    // how many it has that are not ignored, apart from what is short of stock
	Takes      []check.Taken
}

// CardOf works it out.
func CardOf(doc *format.Document, house format.House) Card {
	m, err := Measured(doc, house)
	if err != nil {
		return Card{Worst: "line", Problems: 1}
	}
	found := check.ByRow(check.All(m))
	finished := float64(Exact(m.Finished))
	c := Card{FinishedMm: &finished, Beads: m.AllBeads(), Takes: check.Takes(m)}
	for _, alike := range found {
		if alike[0].Waived == "" {
			c.Worst, c.Problems = cmp.Or(c.Worst, string(alike[0].Severity)), c.Problems+1
		}
	}
	return c
}

// InStock is the worst of its problems and how many there are, with what is short of stock.
func (c *Card) InStock(stock check.Stock) (worst string, problems int) {
	short := stock.TooLittle(c.Takes)
	worst, problems = c.Worst, c.Problems+short
	if short > 0 && (worst == "" || worst == string(check.Advise)) {
		worst = string(check.Warn)
	}
	return worst, problems
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
