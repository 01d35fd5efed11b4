// Package edit is everything that can be done to a piece: each thing one
// operation, the same for keys, hands, fixes and the command line. An operation
// leaves the piece it is given alone and gives a changed one; mirrors and groups
// survive.
package edit

import (
	"fmt"
	"slices"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Op is one operation: each is a type of its own, with exactly what it needs. At is where it is done:
// a row, an end, a fitting, or the whole piece.
type Op interface {
	// Do names it, as calls have it.
	Do() Do
	apply(p *piece.Piece, shelf []*material.Material) error
}

// lineOp is an operation on the bead line of a row.
type lineOp interface {
	Op
	where() onLine
	edit(e *lineEditor) (Result, error)
}

// Do names an operation.
type Do string

// Result is what an operation leaves selected, and for a copy the selection
// spelled out.
type Result struct {
	From, To int
	Text     string
	Stays    bool // what was selected still is
}

// Apply carries the operations out one after another on a copy of the piece and
// gives that, with the result of the last. The shelf is what may be fetched for a
// new closure. The error is a *pattern.Fault, a *measure.Fault or a *Refused.
func Apply(p *piece.Piece, shelf []*material.Material, ops ...Op) (*piece.Piece, Result, error) {
	var out Result
	p = p.Clone()
	for _, op := range ops {
		var err error
		out = Result{Stays: true}
		if line, is := op.(lineOp); is {
			out, err = editLines(p, line)
		} else {
			err = op.apply(p, shelf)
		}
		if err != nil {
			return nil, Result{}, err
		}
	}
	if !slices.ContainsFunc(ops, func(op Op) bool { _, sizes := op.(SetSizes); return sizes }) { // new ones are refused
		p.ForgetGone()
	}
	return fillUp(p), out, nil
}

// Refused says in a sentence why an operation cannot be carried out.
type Refused struct{ Says string }

func (r *Refused) Error() string { return r.Says }

func refuse(says string, args ...any) error { return &Refused{fmt.Sprintf(says, args...)} }

// rowOf gives the row that a place names, or the leading one.
func rowOf(p *piece.Piece, at piece.Place) (*piece.Row, error) {
	if at.Row == "" {
		return p.Leading(), nil
	}
	if row := p.Row(at.Row); row != nil {
		return row, nil
	}
	return nil, refuse("This piece has no row %q.", string(at.Row))
}

// Try gives the piece measured as it would be after the operations.
func Try(p *piece.Piece, shelf []*material.Material, ops ...Op) (*measure.Measured, error) {
	after, _, err := Apply(p, shelf, ops...)
	if err != nil {
		return nil, err
	}
	return measure.Measure(after)
}
