package desk

import (
	"math"

	"mala/core/length"
	"mala/core/measure"
)

func laceOf(s *measure.Strand) *LaceOf {
	l := s.Lace
	if l == nil {
		return nil
	}
	return &LaceOf{FrontMm: Exact(l.Front), ThroughMm: Exact(l.Through), BackMm: Exact(l.Back), EdgesMm: Exact(l.Edges), StepMm: Exact(l.Step),
		TiltDeg: math.Round(l.Tilt*180/math.Pi*10) / 10, OverlapMm: Exact(max(0, l.Covered-length.MM(closeEnough)))}
}

// closeEnough keeps the rounding of sums from being shown, in mm.
const closeEnough = 1e-9
