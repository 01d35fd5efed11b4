package edit

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/start"
)

// The operations on the piece as a whole.
type (
	SetKind struct {
		Kind piece.Kind `op:"Text"`
	}
	SetClosure struct {
		Closure piece.ClosureType `op:"Text"`
	} // with what that needs
	SetTarget struct { // without either the target is removed
		Length, Tolerance *length.MM
	}
	SetBody    struct{ Body *piece.Body } // what it is made for
	SetHanging struct{ Hanging *piece.Hanging }
	SetSizes   struct{ Sizes []piece.Size } // that the piece is kept in
	SetHouse   struct {                     // a choice of the house method, for this piece
		Field  string
		Choice string `op:"Text"`
	}
	Waive struct { // accept a problem, for a reason
		Code   string `op:"Field"`
		At     piece.Place
		Of     *material.Material `op:"Material"` // that it is about; none for any
		Reason string             `op:"Text"`
	}
	Unwaive struct { // count it again
		Code string `op:"Field"`
		At   piece.Place
		Of   *material.Material `op:"Material"`
	}
)

func (SetKind) Do() Do    { return "set-kind" }
func (SetClosure) Do() Do { return "set-closure" }
func (SetTarget) Do() Do  { return "set-target" }
func (SetBody) Do() Do    { return "set-body" }
func (SetHanging) Do() Do { return "set-hanging" }
func (SetSizes) Do() Do   { return "set-sizes" }
func (SetHouse) Do() Do   { return "set-house" }
func (Waive) Do() Do      { return "waive" }
func (Unwaive) Do() Do    { return "unwaive" }

// apply makes the piece another kind. An ornament hangs; what was one closes by a clasp.
func (o SetKind) apply(p *piece.Piece, shelf []*material.Material) error {
	was := p.Kind
	switch {
	case o.Kind != piece.Ornament && was != piece.Ornament:
		p.Kind = o.Kind
		return nil
	case o.Kind == was:
		return nil
	case p.Several() || len(p.Joins) > 0:
		return refuse("An ornament hangs on one strand. Remove the other rows and sections first.")
	}
	p.Kind = o.Kind
	if o.Kind == piece.Ornament {
		return closeBy(p, piece.Hung, shelf)
	}
	return closeBy(p, piece.Clasp, shelf)
}

func (o SetClosure) apply(p *piece.Piece, shelf []*material.Material) error {
	switch {
	case p.Several() && o.Closure != piece.Clasp:
		return refuse("Several rows go on a clasp or on rings. Remove rows first.")
	case len(p.Joins) > 0:
		return refuse("It closes with a clasp already. Change its fittings one by one, or remove sections first.")
	}
	return closeBy(p, o.Closure, shelf)
}

// closeBy closes the piece another way; what hangs is an ornament, and is made for no body.
func closeBy(p *piece.Piece, closure piece.ClosureType, shelf []*material.Material) error {
	p.Hanging = nil
	switch {
	case closure == piece.Hung:
		p.Kind, p.Body = piece.Ornament, nil
	case p.Kind == piece.Ornament:
		p.Kind = piece.Necklace
	}
	return start.Close(p, closure, shelf)
}

func (o SetTarget) apply(p *piece.Piece, _ []*material.Material) error {
	if o.Length == nil && o.Tolerance == nil {
		p.Target = nil
		return nil
	}
	t := piece.Target{Tolerance: piece.StandardTolerance}
	if p.Target != nil {
		t = *p.Target
	}
	if o.Length != nil {
		t.Finished = *o.Length
	}
	if o.Tolerance != nil {
		t.Tolerance = *o.Tolerance
	}
	p.Target = &t
	return nil
}

func (o SetBody) apply(p *piece.Piece, _ []*material.Material) error {
	p.Body = o.Body
	return nil
}

func (o SetHanging) apply(p *piece.Piece, _ []*material.Material) error {
	p.Hanging = o.Hanging
	return nil
}

func (o SetSizes) apply(p *piece.Piece, _ []*material.Material) error {
	p.Sizes = o.Sizes
	return nil
}

func (o SetHouse) apply(p *piece.Piece, _ []*material.Material) error {
	for _, c := range piece.Choices() {
		if c.Field == o.Field {
			if !slices.Contains(c.Allowed, o.Choice) {
				return refuse("%q is not one of the choices. Use one of %v.", o.Choice, c.Allowed)
			}
			*c.Of(&p.House) = o.Choice
			return nil
		}
	}
	return refuse("The house method has no choice called %q.", o.Field)
}

func (o Waive) apply(p *piece.Piece, shelf []*material.Material) error {
	if err := (Unwaive{o.Code, o.At, o.Of}).apply(p, shelf); err != nil {
		return err
	}
	p.Waived = append(p.Waived, piece.Waiver{Code: o.Code, At: o.At, Of: idOf(o.Of), Note: o.Reason})
	return nil
}

func (o Unwaive) apply(p *piece.Piece, _ []*material.Material) error {
	p.Waived = slices.DeleteFunc(p.Waived, func(w piece.Waiver) bool {
		return w.Code == o.Code && w.At.Covers(o.At) && (o.Of == nil || w.Of == "" || w.Of == o.Of.ID)
	})
	return nil
}

// idOf is the id of a material; empty for none.
func idOf(m *material.Material) string {
	if m == nil {
		return ""
	}
	return m.ID
}
