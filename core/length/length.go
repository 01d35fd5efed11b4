// Package length holds the one quantity every rule of the job is written in:
// a length in millimetres, with the ways people type it and read it.
package length

import (
	"cmp"
	"math"
	"slices"
	"strconv"
	"strings"
)

// MM is a length in millimetres. 25.4 of them are exactly one inch.
type MM float64

// The units lengths are typed and shown in, in millimetres.
const (
	Millimetre MM = 1
	Centimetre MM = 10
	Inch       MM = 25.4
)

// Longest is the longest length that is read: a hundred metres, more than any
// spool holds.
const Longest MM = 100_000

// Unit says how a length is shown, and what a bare number typed means.
type Unit string

// The house units.
const (
	InMillimetres Unit = "mm"
	InCentimetres Unit = "cm"
	InInches      Unit = "in"
)

// The fractions of an inch that lengths are shown in.
const (
	Sixteenths    = 16
	ThirtySeconds = 32
)

// String gives the length in millimetres to the nearest tenth: "190.5 mm".
func (l MM) String() string { return l.In(InMillimetres) }

// small is below what lengths are given in millimetres in every unit: a sixteenth of an inch is
// too coarse for a ring or a rod.
const small = Inch / 2

// In writes the length in the unit: millimetres to 0.1, centimetres to 0.01
// (the same tenth of a millimetre), inches to the nearest sixteenth, but below half an inch
// millimetres.
func (l MM) In(unit Unit) string {
	switch {
	case unit == InCentimetres:
		return decimal(float64(l/Centimetre), 2) + " cm"
	case unit == InInches && (l == 0 || l >= small || l <= -small):
		return l.Inches(Sixteenths)
	}
	return decimal(float64(l), 1) + " mm"
}

// AtLeast writes a length that something must reach, rounded up to what the unit shows.
func (l MM) AtLeast(unit Unit) string { return l.towards(unit, math.Ceil).In(unit) }

// AtMost writes a length that nothing may go beyond, rounded down to what the unit shows.
func (l MM) AtMost(unit Unit) string { return l.towards(unit, math.Floor).In(unit) }

func (l MM) towards(unit Unit, round func(float64) float64) MM {
	step := MM(0.1)
	if unit == InInches && (l >= small || l <= -small) {
		step = Inch / Sixteenths
	}
	const nearly = 1e-6 // of a step: what is as good as on it stays
	n := float64(l / step)
	if near := math.Round(n); math.Abs(n-near) < nearly {
		return MM(near) * step
	}
	return MM(round(n)) * step
}

// Parts writes lengths and their sum so that what is read adds up to what is read of the sum: each
// is rounded down, and those cut off most are rounded up. All are in the unit itself, however
// small.
func Parts(of []MM, unit Unit) (parts []string, sum string) {
	step, write := MM(0.1), func(l MM) string { return l.In(unit) }
	if unit == InInches {
		step, write = Inch/Sixteenths, func(l MM) string { return l.Inches(Sixteenths) }
	}
	total := MM(0)
	steps, rest, order := make([]int, len(of)), make([]float64, len(of)), make([]int, len(of))
	left := 0
	for i, l := range of {
		total += l
		n := float64(l / step)
		down := math.Floor(n + 1e-9)
		steps[i], rest[i], order[i] = int(down), n-down, i
		left -= int(down)
	}
	left += int(math.Round(float64(total / step)))
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(rest[b], rest[a]) })
	for k := range min(max(left, 0), len(order)) {
		steps[order[k]]++
	}
	for _, n := range steps {
		parts = append(parts, write(MM(n)*step))
	}
	return parts, write(MM(math.Round(float64(total/step))) * step)
}

// Inches writes the length in inches to the nearest 1/parts, in lowest terms:
// "7 1/2 in", "11/16 in", "0 in". Parts is Sixteenths or ThirtySeconds.
func (l MM) Inches(parts int) string {
	sign := ""
	if l < 0 {
		sign, l = "-", -l
	}
	n := int(math.Round(float64(l/Inch) * float64(parts)))
	if n == 0 {
		sign = ""
	}
	whole, num, den := n/parts, n%parts, parts
	for num > 0 && num%2 == 0 {
		num, den = num/2, den/2
	}
	fraction := strconv.Itoa(num) + "/" + strconv.Itoa(den)
	switch {
	case num == 0:
		return sign + strconv.Itoa(whole) + " in"
	case whole == 0:
		return sign + fraction + " in"
	}
	return sign + strconv.Itoa(whole) + " " + fraction + " in"
}

// decimal writes v with at most the given decimals and no trailing zeros, and
// never "-0".
func decimal(v float64, decimals int) string {
	s := strconv.FormatFloat(v, 'f', decimals, 64)
	if strings.Contains(s, ".") {
		s = strings.TrimRight(strings.TrimRight(s, "0"), ".")
	}
	if s == "-0" {
		return "0"
	}
	return s
}
