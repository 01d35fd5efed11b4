// Package length holds the one quantity every rule of the job is written in:
// a length in millimetres, with the ways people type it and read it.
package length

import (
	"math"
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

// In writes the length in the unit: millimetres to 0.1, centimetres to 0.01
// (the same tenth of a millimetre), inches to the nearest sixteenth.
func (l MM) In(unit Unit) string {
	switch unit {
	case InCentimetres:
		return decimal(float64(l/Centimetre), 2) + " cm"
	case InInches:
		return l.Inches(Sixteenths)
	}
	return decimal(float64(l), 1) + " mm"
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
