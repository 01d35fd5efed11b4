package design

import (
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// Symmetric says whether a strand reads the same from both ends.
func Symmetric(s *measure.Strand) bool { return !s.Ring && ReadsBothWays(Order(s)) }

// EndsOf is where beads come to a strand: at both ends of one that reads the same from both;
// else at the right, or at the left of one whose right lies in the piece and not at its closure.
func EndsOf(p *piece.Piece, s *measure.Strand) pattern.Ends {
	switch {
	case Symmetric(s) || s.Row.Line.IsMirror():
		return pattern.BothEnds
	case p.JoinAt(s.Row, piece.Right) != nil && p.JoinAt(s.Row, piece.Left) == nil:
		return pattern.LeftEnd
	}
	return pattern.RightEnd
}
