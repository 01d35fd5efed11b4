package en

import (
	"fmt"

	"mala/core/length"
)

// CalledNow says that a piece has another name.
func CalledNow(name string) string { return fmt.Sprintf("it is called %s now", name) }

// RowsNow says that it has another number of rows.
func RowsNow(now, was int) string { return fmt.Sprintf("%s, not %d", Plural(now, "row"), was) }

// RunsChanged says how many runs changed, of several rows in which.
func RunsChanged(runs, row int) string {
	of := ""
	if row > 0 {
		of = fmt.Sprintf(" of row %d", row)
	}
	return fmt.Sprintf("%s%s changed", Plural(runs, "run"), of)
}

// LongNow says that it has another length.
func (p Speaker) LongNow(now, was length.MM) string {
	return fmt.Sprintf("%s long, not %s", p.in(now), p.in(was))
}
