package check

import (
	"context"

	"mala/core/edit"
	"mala/core/measure"
)

// mostFixes is how many fixes are carried out one after the other.
const mostFixes = 20

// AllFixes puts right all that is wrong: the fixes of every stop and every warning, one after the other, each of the
// piece as the one before left it.
type AllFixes struct {
	Fixes []Fix
	Left  []Problem // the stops and warnings that nothing mends
	After *measure.Measured
}

// FixAll finds them, the stops first. What is waived stays. The search ends when the context does, with
// what was found by then. What is short of stock is left.
func FixAll(ctx context.Context, m *measure.Measured, shelf Shelf, stock Stock) AllFixes {
	out := AllFixes{After: m}
	for range mostFixes {
		found := AllOf(out.After, stock)
		out.Left = nil
		var next *Fix
		for _, alike := range ByRow(found) {
			if f := alike[0]; f.Severity == Advise || f.Waived != "" {
				continue
			}
			if next == nil {
				next = FixOfAlike(ctx, out.After, found, alike, shelf)
			}
			for _, f := range alike {
				out.Left = append(out.Left, *f)
			}
		}
		if next == nil || ctx.Err() != nil {
			break
		}
		after, err := edit.Try(out.After.Piece, shelf.Materials, next.Ops...)
		if err != nil {
			break
		}
		out.Fixes, out.After = append(out.Fixes, *next), after
	}
	return out
}
