package check

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// beads counts beads: "1 bead", "12 beads".
func beads(n int) string {
	if n == 1 {
		return "1 bead"
	}
	return fmt.Sprintf("%d beads", n)
}

// times counts passes of a cord.
func times(passes int) string {
	if passes == 1 {
		return "1 pass"
	}
	return fmt.Sprintf("%d passes", passes)
}

// it names a row at the start of a sentence: of several by its number.
func (v *View) it(s *measure.Strand) string {
	if !v.Piece.Several() {
		return "It"
	}
	return v.row(s)
}

// row names a row by its number.
func (v *View) row(s *measure.Strand) string { return fmt.Sprintf("Row %d", v.Piece.Number(s.Row.ID)) }

// number is the number among all rows of the k-th of those that are judged together.
func (v *View) number(k int) int { return v.Piece.Number(v.Main()[k].Row.ID) }

// mm writes a bead's measure, which the trade always gives in millimetres, to a
// hundredth: holes and cords are told apart by less than a tenth.
func mm(l length.MM) string { return fmt.Sprintf("%.4g mm", float64(int(l*100+0.5))/100) }

// in writes a length that may be long in the unit that is spoken in, and to a hundredth of a
// millimetre where it is short or that is the unit.
func (v *View) in(l length.MM) string {
	if text := l.In(v.Unit); v.Unit == length.InInches && strings.HasSuffix(text, " in") && l != 0 {
		return text
	}
	return mm(l)
}

// atLeast is that of a length that must be reached.
func (v *View) atLeast(l length.MM) string {
	if text := l.AtLeast(v.Unit); v.Unit == length.InInches && strings.HasSuffix(text, " in") && l != 0 {
		return text
	}
	return needs(l)
}

// against writes what is needed and what there is, the first never rounded down, with as many
// digits as tell the two apart.
func against(need, has length.MM) (needed, held string) {
	const most = 6
	for digits := 2; ; digits++ {
		scale := math.Pow10(digits)
		up := math.Ceil(float64(need)*scale-1e-6) / scale
		near := math.Round(float64(has)*scale) / scale
		if up > near || has >= need-tiny || digits == most {
			write := func(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) + " mm" }
			return write(up), write(near)
		}
	}
}

// needs is what is needed alone.
func needs(l length.MM) string {
	needed, _ := against(l, l)
	return needed
}

// lower begins a sentence's words in small letters.
func lower(says string) string { return material.InSentence(says) }
