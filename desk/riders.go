package desk

import "mala/core/measure"

func ridersOf(s *measure.Strand) *RidersOf {
	r := s.Riders
	if r == nil {
		return nil
	}
	return &RidersOf{Placed: placedOf(r.Beads), LongMm: exact(r.Long), RunMm: exact(r.Run()), FreeMm: exact(r.Free()), FromMm: exact(r.From), HoleMm: r.Hole, ShownMm: exact(max(0, r.Free()))}
}
