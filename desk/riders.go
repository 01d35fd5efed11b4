package desk

import "mala/core/measure"

func ridersOf(s *measure.Strand) *RidersOf {
	r := s.Riders
	if r == nil {
		return nil
	}
	return &RidersOf{Placed: placedOf(r.Beads), LongMm: Exact(r.Long), RunMm: Exact(r.Run()), FreeMm: Exact(r.Free()), FromMm: Exact(r.From), HoleMm: r.Hole, ShownMm: Exact(max(0, r.Free()))}
}
