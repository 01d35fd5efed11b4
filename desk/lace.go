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
	return &LaceOf{FrontMm: exact(l.Front), ThroughMm: exact(l.Through), BackMm: exact(l.Back), EdgesMm: exact(l.Edges), StepMm: exact(l.Step),
		TiltDeg: math.Round(l.Tilt*180/math.Pi*10) / 10, OverlapMm: exact(max(0, l.Covered-length.MM(closeEnough)))}
}

// closeEnough keeps the rounding of sums from being told, in mm.
const closeEnough = 1e-9
