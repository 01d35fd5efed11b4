package length

import (
	"errors"
	"fmt"
	"math"
	"strconv"
	"strings"
	"unicode/utf8"
)

// longestText is how much a typed length may measure in bytes; no length a
// person types comes near it.
const longestText = 64

// unitWords are the endings a typed length may have.
var unitWords = map[string]MM{
	"mm": Millimetre, "millimetre": Millimetre, "millimetres": Millimetre, "millimeter": Millimetre, "millimeters": Millimetre,
	"cm": Centimetre, "centimetre": Centimetre, "centimetres": Centimetre, "centimeter": Centimetre, "centimeters": Centimetre,
	"in": Inch, "in.": Inch, "inch": Inch, "inches": Inch, `"`: Inch, "''": Inch,
}

// fractions are the single-character fractions of Unicode, spelled out.
var fractions = map[rune]string{
	'½': "1/2", '⅓': "1/3", '⅔': "2/3", '¼': "1/4", '¾': "3/4", '⅕': "1/5", '⅖': "2/5", '⅗': "3/5", '⅘': "4/5",
	'⅙': "1/6", '⅚': "5/6", '⅛': "1/8", '⅜': "3/8", '⅝': "5/8", '⅞': "7/8",
}

// plainer turns what phones and word processors make of a typed length back
// into the characters of a keyboard.
var plainer = strings.NewReplacer(
	"“", `"`, "”", `"`, "„", `"`, "″", `"`, "‘", "'", "’", "'", "′", "'",
	"⁄", "/", "∕", "/", "\u00a0", " ", "\u2009", " ", "\u202f", " ",
	"⁰", "0", "¹", "1", "²", "2", "³", "3", "⁴", "4", "⁵", "5", "⁶", "6", "⁷", "7", "⁸", "8", "⁹", "9",
	"₀", "0", "₁", "1", "₂", "2", "₃", "3", "₄", "4", "₅", "5", "₆", "6", "₇", "7", "₈", "8", "₉", "9",
)

// Parse reads a length as people type it: 7 1/2", 7.5 in, 19cm, 19,5 cm,
// 190 mm. A bare number is in the house unit; a bare fraction is in inches,
// since no one counts millimetres in halves and eighths. The error is one
// sentence for the person who typed it.
func Parse(text string, house Unit) (MM, error) {
	if len(text) > longestText || !utf8.ValidString(text) {
		return 0, errors.New(`That is not a length. Type one like 7 1/2", 19 cm or 190 mm.`)
	}
	number, unit, err := splitUnit(tidy(text))
	if err != nil {
		return 0, err
	}
	if strings.HasPrefix(number, "-") {
		return 0, errors.New("A length cannot be negative. Remove the minus sign.")
	}
	value, fraction, err := parseNumber(number)
	if err != nil {
		return 0, err
	}
	if unit == 0 {
		unit = bareUnit(house, fraction)
	}
	l := MM(value) * unit
	if math.IsNaN(value) || l > Longest {
		return 0, fmt.Errorf("%s is too long. The most is 100 m.", strings.TrimSpace(text))
	}
	return l, nil
}

// ParseSigned reads a length that may be negative, as an ease may: -6 mm.
func ParseSigned(text string, house Unit) (MM, error) {
	plain := strings.TrimSpace(strings.Replace(text, "−", "-", 1))
	if rest, less := strings.CutPrefix(plain, "-"); less {
		l, err := Parse(rest, house)
		return -l, err
	}
	return Parse(text, house)
}

// tidy spells out fractions and closes up white space.
func tidy(text string) string {
	var b strings.Builder
	for _, r := range plainer.Replace(text) {
		if f, ok := fractions[r]; ok {
			b.WriteString(" " + f + " ")
			continue
		}
		b.WriteRune(r)
	}
	return strings.Join(strings.Fields(strings.ToLower(b.String())), " ")
}

// splitUnit parts the number from the unit behind it; unit 0 means none.
func splitUnit(s string) (number string, unit MM, err error) {
	end := strings.LastIndexAny(s, "0123456789") + 1
	if end == 0 {
		return "", 0, errors.New(`A length starts with a number. Type one like 7 1/2", 19 cm or 190 mm.`)
	}
	word := strings.TrimSpace(s[end:])
	if word == "." || word == "," || word == "" {
		return s[:end], 0, nil
	}
	unit, ok := unitWords[word]
	if !ok {
		return "", 0, fmt.Errorf(`"%s" is not a unit Mala knows. Use mm, cm, in or ".`, word)
	}
	return s[:end], unit, nil
}

func bareUnit(house Unit, fraction bool) MM {
	switch {
	case fraction || house == InInches:
		return Inch
	case house == InCentimetres:
		return Centimetre
	}
	return Millimetre
}

// parseNumber reads "190", "19,5", "7.5", "1/2", "7 1/2" or "7-1/2", and says
// whether it held a fraction.
func parseNumber(s string) (value float64, fraction bool, err error) {
	bad := fmt.Errorf(`"%s" is not a number. Type one like 190, 19.5 or 7 1/2.`, s)
	top, bottom, fraction := strings.Cut(s, "/")
	if !fraction {
		value, err = parseDecimal(s)
		if err != nil {
			return 0, false, bad
		}
		return value, false, nil
	}
	whole := 0.0
	top = strings.TrimSpace(strings.Replace(top, "-", " ", 1))
	if w, n, ok := strings.Cut(top, " "); ok {
		n = strings.TrimSpace(n)
		i, err := strconv.ParseUint(w, 10, 32)
		if err != nil {
			return 0, true, bad
		}
		whole, top = float64(i), n
	}
	n, errTop := strconv.ParseUint(top, 10, 32)
	d, errBottom := strconv.ParseUint(strings.TrimSpace(bottom), 10, 32)
	if errTop != nil || errBottom != nil {
		return 0, true, bad
	}
	if d == 0 {
		return 0, true, errors.New("A fraction cannot be over 0.")
	}
	return whole + float64(n)/float64(d), true, nil
}

// parseDecimal reads digits with at most one decimal point or comma.
func parseDecimal(s string) (float64, error) {
	for _, r := range s {
		if (r < '0' || r > '9') && r != '.' && r != ',' {
			return 0, strconv.ErrSyntax
		}
	}
	return strconv.ParseFloat(strings.Replace(s, ",", ".", 1), 64)
}
