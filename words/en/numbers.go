package en

import (
	"math"
	"strconv"
	"strings"

	"mala/core/length"
)

// mm writes a bead's measure, which the trade always gives in millimetres, to a
// hundredth: holes and cords are distinguished by less than a tenth.
func mm(l length.MM) string {
	digits := 4
	if l >= 10000 {
		digits = 7
	}
	return strconv.FormatFloat(float64(int(l*100+0.5))/100, 'g', digits, 64) + " mm"
}

// fine writes a length that may be long in the unit that is spoken in, and to a hundredth of a
// millimetre where it is short or that is the unit.
func (p Speaker) fine(l length.MM) string {
	if text := l.In(p.unit); p.unit == length.InInches && strings.HasSuffix(text, " in") && l != 0 {
		return text
	}
	return mm(l)
}

// atLeast is that of a length that must be reached.
func (p Speaker) atLeast(l length.MM) string {
	if text := l.AtLeast(p.unit); p.unit == length.InInches && strings.HasSuffix(text, " in") && l != 0 {
		return text
	}
	return needs(l)
}

// against writes what is needed and what there is, the first never rounded down, with as many
// digits as tell the two apart.
func against(need, has length.MM) (needed, held string) {
	const most, tiny = 6, 1e-9
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
