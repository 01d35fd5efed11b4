package pattern

import (
	"errors"
	"fmt"
)

// Code names what is wrong with a line.
type Code string

// What can be wrong with a line.
const (
	BadCharacter Code = "bad-character"
	BadCount     Code = "bad-count"
	BadLength    Code = "bad-length"
	Missing      Code = "missing"
	Unopened     Code = "unopened"
	Unclosed     Code = "unclosed"
	Empty        Code = "empty"
	NoCentre     Code = "no-centre"
	BadFill      Code = "bad-fill"
	BadFree      Code = "bad-free"
	UnknownKey   Code = "unknown-key"
	TooLong      Code = "too-long"
	TooDeep      Code = "too-deep"
	TooMany      Code = "too-many-beads"
	BadLacing    Code = "bad-lacing"
	BadEdit      Code = "bad-edit"
)

// Fault is one thing wrong with a line, at its place.
type Fault struct {
	Code     Code
	Col      int    // column, in characters from 1
	Says     string // one sentence for the designer
	Expected string // what would have been right there
}

func (f *Fault) Error() string { return fmt.Sprintf("column %d: %s", f.Col, f.Says) }

func fault(code Code, col int, says, expected string) *Fault {
	return &Fault{Code: code, Col: col, Says: says, Expected: expected}
}

// List is several things wrong with a line, in reading order.
type List []*Fault

func (l List) Error() string { return l[0].Error() }

// Unwrap gives the faults one by one.
func (l List) Unwrap() []error {
	out := make([]error, len(l))
	for i, f := range l {
		out[i] = f
	}
	return out
}

// Faults takes an error apart into what is wrong with a line; nil for no error.
func Faults(err error) []*Fault {
	var list List
	var one *Fault
	switch {
	case errors.As(err, &list):
		return list
	case errors.As(err, &one):
		return []*Fault{one}
	}
	return nil
}

// NoDish is the fault of a bead whose letter has no dish.
func NoDish(n *Node) *Fault {
	return &Fault{Code: UnknownKey, Col: max(1, n.End-len(n.Key())), Expected: "the letter of a dish",
		Says: "No dish has the letter " + n.Key() + ". Add a dish for it, or use another letter."}
}
