package pattern

import (
	"fmt"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"mala/core/length"
)

// kind names what a token is.
type kind int

const (
	tokenEnd       kind = iota
	tokenKey            // a dish's letter: P, or Pa
	tokenCount          // how many: 1 to 9999
	tokenReverse        // ~ turns round what follows
	tokenFree           // ? says that a group's beads may come in any order
	tokenGroup          // ( opens a group
	tokenGroupEnd       // )
	tokenMirror         // < opens a mirror
	tokenCentre         // | stands before the mirror's centre
	tokenMirrorEnd      // >
	tokenFill           // { opens a fill
	tokenFillEnd        // }
	tokenLength         // the length of a fill, up to and with its colon
	tokenDrop           // [ opens a drop
	tokenTurn           // . stands before the bead that its cord turns round
	tokenDropEnd        // ]
	tokenGap            // a clear gap, _10mm, or a pitch, @25mm
)

// token is one word of the bead line.
type token struct {
	kind kind
	col  int // characters before it, plus one
	text string
	num  int
	mm   length.MM
}

// signs are the tokens of one character.
var signs = map[rune]kind{
	'~': tokenReverse, '?': tokenFree, '(': tokenGroup, ')': tokenGroupEnd, '<': tokenMirror, '|': tokenCentre,
	'>': tokenMirrorEnd, '{': tokenFill, '}': tokenFillEnd, '[': tokenDrop, '.': tokenTurn, ']': tokenDropEnd,
}

// MaxCount is the greatest count of a bead or group.
const MaxCount = 9999

// lexer cuts a bead line into tokens.
type lexer struct {
	rest string
	col  int
	prev kind
}

// next gives the next token, or a Fault at its place.
func (l *lexer) next() (token, error) {
	t, err := l.scan()
	l.prev = t.kind
	return t, err
}

func (l *lexer) scan() (token, error) {
	for {
		r, size := utf8.DecodeRuneInString(l.rest)
		if size == 0 || !unicode.IsSpace(r) {
			break
		}
		l.take(size)
	}
	t := token{col: l.col}
	if l.rest == "" {
		return t, nil
	}
	if l.prev == tokenFill {
		if i := strings.IndexByte(l.rest, ':'); i >= 0 && !strings.ContainsAny(l.rest[:i], "{}()<>|~[]") {
			return l.fillLength(i)
		}
	}
	r, size := utf8.DecodeRuneInString(l.rest)
	if k, ok := signs[r]; ok {
		t.kind, t.text = k, l.take(size)
		return t, nil
	}
	switch {
	case r == clearGap || r == pitch:
		return l.gap()
	case r >= '0' && r <= '9':
		return l.count()
	case r >= 'A' && r <= 'Z':
		t.kind = tokenKey
		if len(l.rest) > 1 && l.rest[1] >= 'a' && l.rest[1] <= 'z' {
			size = 2
		}
		t.text = l.take(size)
		return t, nil
	case r == utf8.RuneError && size == 1:
		return t, fault(BadCharacter, t.col, "There is an unreadable character here. Remove it.", "a dish's letter")
	case r >= 'a' && r <= 'z':
		t.kind, t.text = tokenKey, strings.ToUpper(l.take(size)) // as it is typed in a hurry; it is written as a capital
		return t, nil
	}
	return t, fault(BadCharacter, t.col, fmt.Sprintf("%q has no meaning in a bead line. Remove it.", string(r)), "a dish's letter, a number, or one of ~ ? ( ) < | > { } [ ] . _ @")
}

func (l *lexer) count() (token, error) {
	end := strings.IndexFunc(l.rest, func(r rune) bool { return r < '0' || r > '9' })
	if end < 0 {
		end = len(l.rest)
	}
	t := token{kind: tokenCount, col: l.col}
	t.text = l.take(end)
	n, err := strconv.Atoi(t.text)
	if err != nil || n < 1 || n > MaxCount {
		return t, fault(BadCount, t.col, fmt.Sprintf("A count goes from 1 to %d.", MaxCount), "a number from 1 to 9999")
	}
	t.num = n
	return t, nil
}

func (l *lexer) fillLength(colon int) (token, error) {
	t := token{kind: tokenLength, col: l.col}
	t.text = strings.TrimSpace(strings.TrimSuffix(l.take(colon+1), ":"))
	mm, err := length.Parse(t.text, length.InMillimetres)
	if err != nil {
		return t, fault(BadLength, t.col, err.Error(), "a length such as 25mm")
	}
	t.mm = mm
	return t, nil
}

// take moves past the next size bytes and gives them.
func (l *lexer) take(size int) string {
	s := l.rest[:size]
	l.rest = l.rest[size:]
	l.col += utf8.RuneCountInString(s)
	return s
}
