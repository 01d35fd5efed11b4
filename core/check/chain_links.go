package check

import (
	"math"

	"mala/core/edit"
	"mala/core/measure"
	"mala/core/piece"
)

// changedLinks makes the piece longer by this many mm with links of chain: of both sides
// alike where they are alike, else of one; nil where there is no chain, or where whole
// links come no nearer than the tolerance.
func changedLinks(v *View, s *measure.Strand, want, tolerance float64) []Fix {
	var sides []piece.Fitting
	if !s.Row.Corded() {
		return ofLinks([]piece.Fitting{*s.Row.Chain()}, want, tolerance)
	}
	if v.Piece.Several() {
		return nil // they would move every row
	}
	for _, side := range piece.Sides() {
		for _, f := range *v.Piece.End(nil, side, true) {
			if f.Links > 0 {
				sides = append(sides, f)
			}
		}
	}
	if len(sides) == 0 {
		return nil
	}
	return ofLinks(sides, want, tolerance)
}

func ofLinks(sides []piece.Fitting, want, tolerance float64) []Fix {
	alike := len(sides) == 2 && sides[0].Links == sides[1].Links && sides[0].Of == sides[1].Of && sides[0].Grows() == sides[1].Grows()
	if !alike {
		sides = sides[:1]
	}
	each := float64(sides[0].Grows()) * float64(len(sides))
	more := int(math.Round(want / each))
	links := sides[0].Links + more
	if more == 0 || links < 1 || math.Abs(want-float64(more)*each) > tolerance+tiny {
		return nil
	}
	out := fix(GiveLinks{links, alike})
	for _, f := range sides {
		out.Ops = append(out.Ops, edit.SetLinks{At: piece.Place{Fitting: f.ID, Element: piece.NoElement}, Links: links})
	}
	return []Fix{out}
}

// GiveLinks gives the chain, or both alike ones, this many links.
type GiveLinks struct {
	Links int
	Both  bool
}

func (GiveLinks) effect() {}
