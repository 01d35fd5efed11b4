package written

import (
	"math"
	"slices"
	"strconv"
	"strings"

	"mala/core/length"
)

var unitsOf = map[string]length.MM{
	"mm": 1, "millimetre": 1, "millimetres": 1, "millimeter": 1, "millimeters": 1,
	"cm": 10, "centimetre": 10, "centimetres": 10, "centimeter": 10, "centimeters": 10,
	"m": 1000, "metre": 1000, "metres": 1000, "meter": 1000, "meters": 1000,
	"in": length.Inch, "inch": length.Inch, "inches": length.Inch, `"`: length.Inch, "”": length.Inch, "″": length.Inch,
	"ft": 12 * length.Inch, "foot": 12 * length.Inch, "feet": 12 * length.Inch,
	"yd": 36 * length.Inch, "yard": 36 * length.Inch, "yards": 36 * length.Inch,
}

// "102 in all" is no length of 102 inches.
var notInches = []string{"all", "total", "each", "every", "row", "rows", "a", "the", "this", "one", "order", "between", "pairs", "two", "any", "turn", "your", "that", "it", "both", "place"}

// spelledNumbers are the numbers that people write in words.
var spelledNumbers = []string{"", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen", "fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen", "twenty"}

var tens = map[string]float64{"twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60, "seventy": 70, "eighty": 80, "ninety": 90}

// spelledOut makes numbers of those in words: four, forty-two, a dozen.
func spelledOut(in []token) []token {
	var out []token
	for i := 0; i < len(in); i++ {
		t := in[i]
		value := 0.0
		if t.sort == word {
			value = tens[t.text]
			if n := slices.Index(spelledNumbers, t.text); n > 0 {
				value = float64(n)
			}
		}
		// A four-hole bar is no four bars.
		inName := i+1 < len(in) && in[i+1].joined && !in[i+1].is("row", "rows", "strand", "strands") && (tens[t.text] == 0 || slices.Index(spelledNumbers, in[i+1].text) < 1)
		switch {
		case value == 0 || inName:
		case tens[t.text] > 0 && i+1 < len(in) && in[i+1].joined:
			value += float64(slices.Index(spelledNumbers, in[i+1].text))
			t.sort, t.value, t.step, t.spelled, t.to = number, value, 1, true, in[i+1].to
			t.end = t.to
			i++
		default:
			t.sort, t.value, t.step, t.spelled, t.end = number, value, 1, true, t.to
		}
		if t.is("dozen", "pair", "pairs") {
			n := 12.0
			if t.text != "dozen" {
				n = 2
			}
			t.sort, t.value, t.step, t.spelled, t.end = number, n, 1, true, t.to
			if last := len(out) - 1; last >= 0 && (out[last].is("a") || out[last].sort == number) {
				if out[last].sort == number {
					t.value *= out[last].value
				}
				t.from, out = out[last].from, out[:last]
			}
		}
		out = append(out, t)
	}
	return out
}

// units makes lengths of the numbers that have one; a list of numbers has the unit of
// its last.
func units(in []token) []token {
	var out []token
	for i := 0; i < len(in); i++ {
		t := in[i]
		if t.is("half") && i+2 < len(in) && in[i+1].is("a", "an") && unitsOf[in[i+2].text] > 0 {
			out = append(out, token{sort: size, value: 0.5, step: 0.1, unit: unitsOf[in[i+2].text], from: t.from, to: in[i+2].to})
			i += 2
			continue
		}
		if t.sort == number && i+1 < len(in) {
			next := in[i+1]
			unit := unitsOf[next.text]
			short := next.is("in", "m") && i+2 < len(in) && in[i+2].is(notInches...)
			if unit > 0 && (next.sort == word || next.sort == mark) && !short {
				t.sort, t.unit, t.to = size, unit, next.to
				i++
				if next.is("in") && i+1 < len(in) && in[i+1].is(".") && i+2 < len(in) && in[i+2].sort == word && !in[i+2].capital {
					i++ // the dot of "in." before more of the sentence
				}
			}
		}
		out = append(out, t)
	}
	return out
}

// counts says whether the number may be a count of things.
func (t *token) counts() bool {
	return t.sort == number && t.value >= 1 && t.value == math.Trunc(t.value) && t.value < 1e6
}

// roughly is how far a length as written may be from what it says: half of its last
// place, never more than 5 mm.
func (t *token) roughly() length.MM {
	return min(5, length.MM(t.step)*t.unit/2)
}

// number writes another count in the manner of this one.
func (t *token) number(n int) string {
	if t.spelled && n > 0 && n < len(spelledNumbers) {
		return spelledNumbers[n]
	}
	return strconv.Itoa(n)
}

// length writes another length in the manner of this one, without its unit.
func (t *token) length(mm length.MM, text string) string {
	value := float64(mm / t.unit)
	whole := math.Abs(value-math.Round(value)) < 1./16
	if strings.ContainsAny(text, "/½¼¾⅛⅜⅝⅞⅓⅔⁄") || t.unit == length.Inch && t.step == 1 && !whole {
		eighths := int(math.Round(value * 8))
		whole, part := eighths/8, eighths%8
		fraction := ""
		if part > 0 {
			over := 8
			for part%2 == 0 {
				part, over = part/2, over/2
			}
			fraction = strconv.Itoa(part) + "/" + strconv.Itoa(over)
		}
		if whole == 0 && fraction != "" {
			return fraction
		}
		return strings.TrimSpace(strconv.Itoa(whole) + " " + fraction)
	}
	places := max(0, int(math.Round(-math.Log10(t.step))))
	if t.unit > 1 && places == 0 && math.Abs(value-math.Round(value)) > 0.05 {
		places = 1
	}
	out := strconv.FormatFloat(value, 'f', places, 64)
	if strings.Contains(text, ",") {
		out = strings.Replace(out, ".", ",", 1)
	}
	return out
}
