// Package written reads a pattern as people write it down, statement by statement,
// and holds each against the figures that follow from a piece, and against the other
// statements of the same text.
package written

import (
	"math"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"mala/core/length"
)

// sort is what a token is.
type sort int

const (
	word   sort = iota
	number      // without a unit
	size        // a length with its unit
	name        // a material's whole name
	mark        // punctuation
)

// token is a word, a figure or a sign of the text. From and to are bytes of the whole
// text.
type token struct {
	sort     sort
	text     string // in small letters
	from, to int
	end      int       // where the figure ends, before its unit
	value    float64   // of a number, or of a length in its unit
	unit     length.MM // of a length
	spelled  bool      // a number in words
	step     float64   // what the last written place is worth: 1 of 45, 0.1 of 4.5, 0.25 of 17 1/4
	what     int       // of a name: which material
	capital  bool      // a word with a capital letter
	joined   bool      // a hyphen joins it to the token before
}

func (t *token) mm() length.MM { return length.MM(t.value) * t.unit }

func (t *token) is(texts ...string) bool {
	return (t.sort == word || t.sort == mark) && slices.Contains(texts, t.text)
}

// lex reads a line that begins at byte base of the text into words, figures and signs.
func lex(line string, base int) []token {
	var out []token
	for i := 0; i < len(line); {
		r, n := utf8.DecodeRuneInString(line[i:])
		switch {
		case r == '\t':
			out = append(out, token{sort: mark, text: ",", from: base + i, to: base + i + n})
		case unicode.IsSpace(r):
		case unicode.IsDigit(r) && r < 128 || fractionOf(r) != 0 || startsDecimal(line, i):
			t, end := lexNumber(line, i)
			t.from, t.to, t.end = base+i, base+end, base+end
			t.joined = joinedTo(line, i)
			out, i = append(out, t), end
			continue
		case unicode.IsLetter(r):
			end := i
			for end < len(line) {
				r, n := utf8.DecodeRuneInString(line[end:])
				if !unicode.IsLetter(r) && r != '\'' && r != '’' {
					break
				}
				end += n
			}
			text := strings.ToLower(strings.TrimRight(line[i:end], "'’"))
			out = append(out, token{sort: word, text: text, from: base + i, to: base + end, capital: unicode.IsUpper(r), joined: joinedTo(line, i)})
			i = end
			continue
		case r == '-' && joinedTo(line, i+1):
		case r == '…' || r == '.' && strings.HasPrefix(line[i:], ".."):
			end := i + len(line[i:]) - len(strings.TrimLeft(line[i:], ".… "))
			out = append(out, token{sort: mark, text: ":", from: base + i, to: base + end})
			i = end
			continue
		default:
			out = append(out, token{sort: mark, text: string(r), from: base + i, to: base + i + n})
		}
		i += n
	}
	return units(spelledOut(out))
}

// joinedTo says whether a hyphen with a letter or digit before it ends at byte i.
func joinedTo(line string, i int) bool {
	if i < 2 || line[i-1] != '-' || i >= len(line) {
		return false
	}
	before, _ := utf8.DecodeLastRuneInString(line[:i-1])
	behind, _ := utf8.DecodeRuneInString(line[i:])
	return (unicode.IsLetter(before) || unicode.IsDigit(before)) && (unicode.IsLetter(behind) || unicode.IsDigit(behind))
}

func fractionOf(r rune) float64 {
	switch r {
	case '½':
		return 1. / 2
	case '¼':
		return 1. / 4
	case '¾':
		return 3. / 4
	case '⅛':
		return 1. / 8
	case '⅜':
		return 3. / 8
	case '⅝':
		return 5. / 8
	case '⅞':
		return 7. / 8
	case '⅓':
		return 1. / 3
	case '⅔':
		return 2. / 3
	}
	return 0
}

// lexNumber reads 102, 1,200, 19.5, 19,5, 1/2, 17 1/2, 17-1/2 and 17½ from byte i; 8/0 is
// a word, the name of a seed size.
func lexNumber(line string, i int) (token, int) {
	if r, n := utf8.DecodeRuneInString(line[i:]); fractionOf(r) != 0 {
		return token{sort: number, value: fractionOf(r), step: 1. / 8}, i + n
	}
	digits := func(from int) int {
		for from < len(line) && line[from] >= '0' && line[from] <= '9' {
			from++
		}
		return from
	}
	if line[i] == '.' || line[i] == ',' {
		to := digits(i + 1)
		v, _ := strconv.ParseFloat("0."+line[i+1:min(to, i+12)], 64)
		return token{sort: number, value: v, step: math.Pow(10, -float64(to-i-1))}, to
	}
	end := digits(i)
	whole, _ := strconv.ParseFloat(line[i:min(end, i+15)], 64)
	t := token{sort: number, value: whole, step: 1}
	over := func(from int) (value, step float64, to int, ok bool) {
		top := digits(from)
		if top == from || top >= len(line) || line[top] != '/' && !strings.HasPrefix(line[top:], "⁄") {
			return 0, 0, 0, false
		}
		_, slash := utf8.DecodeRuneInString(line[top:])
		bottom := digits(top + slash)
		n, errN := strconv.ParseFloat(line[from:top], 64)
		d, errD := strconv.ParseFloat(line[top+slash:bottom], 64)
		return n / d, 1 / d, bottom, errN == nil && errD == nil && d > 0 && d <= 64
	}
	if v, step, to, ok := over(i); ok {
		return token{sort: number, value: v, step: step}, to
	}
	if end < len(line) && line[end] == '/' && digits(end+1) > end+1 {
		to := digits(end + 1)
		return token{sort: word, text: line[i:to]}, to
	}
	behind := end
	if behind < len(line) && line[behind] == ' ' {
		behind++
	}
	if r, n := utf8.DecodeRuneInString(line[behind:]); fractionOf(r) != 0 {
		t.value, t.step = whole+fractionOf(r), 1./8
		return t, behind + n
	}
	if end < len(line) && (line[end] == ' ' || line[end] == '-') {
		if v, step, to, ok := over(end + 1); ok && v < 1 {
			t.value, t.step = whole+v, step
			return t, to
		}
	}
	for end+4 <= len(line) && line[end] == ',' && digits(end+1) == end+4 && whole >= 1 && whole < 1e9 && !followedByUnit(line[end+4:]) {
		group, _ := strconv.ParseFloat(line[end+1:end+4], 64)
		whole = whole*1000 + group
		t.value, end = whole, end+4
	}
	if end+1 < len(line) && (line[end] == '.' || line[end] == ',') {
		if to := digits(end + 1); to > end+1 && to-end < 10 {
			t.value, _ = strconv.ParseFloat(line[i:end]+"."+line[end+1:to], 64)
			for range to - end - 1 {
				t.step /= 10
			}
			return t, to
		}
	}
	return t, end
}

// startsDecimal says whether a number without its nought begins at byte i: .36
func startsDecimal(line string, i int) bool {
	digit := func(k int) bool { return k >= 0 && k < len(line) && line[k] >= '0' && line[k] <= '9' }
	return line[i] == '.' && digit(i+1) && !digit(i-1)
}

func followedByUnit(rest string) bool {
	for unit := range unitsOf {
		if strings.HasPrefix(strings.ToLower(strings.TrimLeft(rest, " ")), unit) {
			return true
		}
	}
	return false
}
