package size

import (
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// Covers lists the house's standard sizes that an inside length suits, of the part of the body
// that the piece is worn on, however tight or loose.
func Covers(p *piece.Piece, inside length.MM) []string {
	var at Position
	at.Inside = inside
	at.coversSizes(p)
	return at.Covers
}

// SatWords are the words for how a piece of this kind sat when it was tried on, the tightest
// first; none where the house has no ranges for it.
func SatWords(p *piece.Piece) []string {
	all := allRanges(worn(p))
	if len(all) == 0 {
		return nil
	}
	out := []string{TooTight}
	for _, e := range all {
		out = append(out, e.Word)
	}
	if !Unlimited(all[len(all)-1]) {
		out = append(out, TooLoose)
	}
	return out
}

// TriedOn is the measure in mm of the wearer on whom an inside length sat like that: it, less the ease
// that the word stands for in pieces of this kind, in the middle of its range. What was too tight
// had at most the least ease, what was too loose at least the most. It is false where the house
// has no range with the word.
func TriedOn(p *piece.Piece, inside length.MM, sat string) (measure, ease length.MM, ok bool) {
	all := allRanges(worn(p))
	if len(all) == 0 {
		return 0, 0, false
	}
	last := all[len(all)-1]
	switch {
	case sat == TooTight:
		ease, ok = all[0].From, true
	case sat == TooLoose && !Unlimited(last):
		ease, ok = last.To, true
	default:
		for i, e := range all {
			if e.Word == sat {
				ease, ok = middle(all[i:i+1]), true
			}
		}
	}
	return inside - ease, ease, ok && inside > ease
}

// worn is the piece on the part of the body that its kind is worn on, where it is not said.
func worn(p *piece.Piece) *piece.Piece {
	if p.Body != nil {
		return p
	}
	on := *p
	on.Body = &piece.Body{Part: PartOf(p.Kind)}
	return &on
}

// ForInside is the length for its target at which the piece would have an inside length, to the
// whole millimetre: what it has now and what that lacks; false where it has none.
func ForInside(m *measure.Measured, inside length.MM) (length.MM, bool) {
	now, ok := m.Inside()
	return whole(m.ForTarget + length.MM(m.Piece.Times())*(inside-now)), ok
}
