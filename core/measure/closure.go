package measure

import "mala/core/length"

// ClosureMiddle is where the middle of the closure lies along the strand and its ends,
// in mm from where the strand starts: in the middle of its clasp, or where the outer
// parts of the ends meet.
func (s *Strand) ClosureMiddle() length.MM {
	at := length.MM(0)
	for _, p := range s.Left.Parts {
		if p.Role == RoleClasp {
			return at - p.Length/2
		}
		at -= p.Length
	}
	behind := s.Strung + s.Slack
	for _, p := range s.Right.Parts {
		if p.Role == RoleClasp {
			return behind + p.Length/2
		}
		behind += p.Length
	}
	return at
}
