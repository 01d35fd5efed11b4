package measure

import (
	"mala/core/length"
	"mala/core/material"
)

// Run is a number of alike beads in a row, as they are strung.
type Run struct {
	Key      string
	Material *material.Material
	Turned   bool
	First    int // its first bead in the sequence
	Count    int
	Reached  length.MM // from the first face of the strand to the end of the run
}

// Runs gives the strand as it is strung from the left.
func (s *Strand) Runs() []Run {
	var runs []Run
	reached := length.MM(0)
	for i, b := range s.Beads {
		reached = max(reached, b.To)
		last := len(runs) - 1
		if last < 0 || runs[last].Material != b.Material || runs[last].Turned != b.Turned {
			runs = append(runs, Run{Key: b.Key, Material: b.Material, Turned: b.Turned, First: i})
			last++
		}
		runs[last].Count++
		runs[last].Reached = reached
	}
	return runs
}
