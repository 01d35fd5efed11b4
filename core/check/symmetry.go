package check

import "mala/core/measure"

// Symmetric says whether a strand reads the same from both ends.
func Symmetric(s *measure.Strand) bool { return !s.Ring && readsBothWays(orderOf(s)) }
