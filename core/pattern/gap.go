package pattern

import (
	"fmt"
	"regexp"
	"strings"
	"unicode"

	"mala/core/length"
)

// The signs of a gap: a clear one, from bead to bead, and a pitch, from the middle of a
// bead to the middle of the next.
const (
	clearGap = '_'
	pitch    = '@'
)

// The limits of a gap.
const (
	leastGap = length.MM(0.1)
	mostGap  = length.MM(1000)
)

// IsGapKey says whether what stands in a sequence is a gap and no dish's letter.
func IsGapKey(key string) bool { return key != "" && (key[0] == clearGap || key[0] == pitch) }

// WriteGap writes a gap of that length, clear or from middle to middle.
func WriteGap(text string, middles bool) string {
	sign := string(clearGap)
	if middles {
		sign = string(pitch)
	}
	return sign + joined(text)
}

// mixed is a whole number of inches with a fraction behind it: what stands between them is no blank
// between two things of the line.
var mixed = regexp.MustCompile(`^[_@]?\d+ +\d+/\d+`)

// joined writes a length without blanks, whole inches and a fraction with a hyphen between.
func joined(text string) string {
	text = strings.TrimSpace(text)
	if m := mixed.FindString(text); m != "" {
		whole, fraction, _ := strings.Cut(m, " ")
		text = whole + "-" + strings.TrimSpace(fraction) + text[len(m):]
	}
	return strings.ReplaceAll(text, " ", "")
}

// gap reads a sign and its length, up to the next blank or bracket.
func (l *lexer) gap() (token, error) {
	t := token{kind: tokenGap, col: l.col}
	end := strings.IndexFunc(l.rest, endsGap)
	if end < 0 {
		end = len(l.rest)
	}
	if m := mixed.FindString(l.rest); len(m) > end {
		rest := strings.IndexFunc(l.rest[len(m):], endsGap)
		if end = len(m) + rest; rest < 0 {
			end = len(l.rest)
		}
	}
	t.text = joined(l.take(end))
	const expected = "a gap such as _10mm, or a pitch such as @25mm"
	if strings.ContainsAny(t.text[1:], "_@") {
		return t, fault(BadLength, t.col, "Leave a blank between two gaps.", expected)
	}
	mm, err := length.Parse(t.text[1:], length.InMillimetres)
	switch {
	case len(t.text) == 1:
		return t, fault(BadLength, t.col, fmt.Sprintf("%s needs a length behind it: %s10mm.", t.text, t.text), expected)
	case err != nil:
		return t, fault(BadLength, t.col, err.Error(), expected)
	case mm < leastGap || mm > mostGap:
		return t, fault(BadLength, t.col, fmt.Sprintf("A gap is %v mm to 1 m long.", float64(leastGap)), expected)
	}
	t.mm = mm
	return t, nil
}

func endsGap(r rune) bool { return unicode.IsSpace(r) || strings.ContainsRune("(){}[]<>|~", r) }

// NotLaced is the fault for a bead that cannot be laced, for a reason.
func NotLaced(n *Node, says string) *Fault {
	return &Fault{Code: BadLacing, Col: n.Col, Says: says, Expected: "a flat with two or four holes"}
}

// NoPitch is the fault for a pitch that does not stand between two beads.
func NoPitch(n *Node) *Fault {
	return fault(BadLength, n.Col, "A pitch goes from the middle of a bead to the middle of the next: put it between two beads, or use a clear gap, _10mm.", "a bead on both sides")
}

// ShortPitch is the fault for a pitch that its two beads fill up.
func ShortPitch(n *Node, takes length.MM) *Fault {
	return fault(BadLength, n.Col, fmt.Sprintf("A pitch of %s is too short: from middle to middle these beads take %s already.", n.Key()[1:], takes.In(length.InMillimetres)), "a longer pitch")
}

// NoGap is the fault for a gap where there can be none.
func NoGap(n *Node, where string) *Fault {
	return fault(BadLength, n.Col, fmt.Sprintf("There are no gaps %s.", where), "a dish's letter")
}
