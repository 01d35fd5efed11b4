package pattern

import "fmt"

// Wrong says what kind of thing is wrong with a line.
type Wrong string

// What can be wrong with a line.
const (
	BadCharacter Wrong = "bad-character"
	BadCount     Wrong = "bad-count"
	BadLength    Wrong = "bad-length"
	Missing      Wrong = "missing"
	Unopened     Wrong = "unopened"
	Unclosed     Wrong = "unclosed"
	Empty        Wrong = "empty"
	NoCentre     Wrong = "no-centre"
	BadFill      Wrong = "bad-fill"
	UnknownKey   Wrong = "unknown-key"
	TooLong      Wrong = "too-long"
	TooDeep      Wrong = "too-deep"
	TooMany      Wrong = "too-many-beads"
	BadEdit      Wrong = "bad-edit"
)

// Fault is one thing wrong with a line, at its place.
type Fault struct {
	Wrong    Wrong
	Col      int    // column, in characters from 1
	Says     string // one sentence for the designer
	Expected string // what would have been right there
}

func (f *Fault) Error() string { return fmt.Sprintf("column %d: %s", f.Col, f.Says) }

func fault(wrong Wrong, col int, says, expected string) *Fault {
	return &Fault{Wrong: wrong, Col: col, Says: says, Expected: expected}
}
