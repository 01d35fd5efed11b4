package check

import (
	"mala/core/length"
	"mala/core/measure"
)

// chainSoldered fires when a chain of soldered links meets another closed
// fitting.
var chainSoldered = judgement{
	code:  "chain-soldered",
	stops: may,
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		return closedPairs(m, "chain-soldered", "The chain cannot be put on", true)
	},
	mend: openBetween,
}
