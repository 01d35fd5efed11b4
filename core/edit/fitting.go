package edit

import (
	"slices"

	"mala/core/material"
	"mala/core/piece"
)

// The operations on the fittings of ends, of the closure, and of joins.
type (
	AddFitting struct { // behind the last one of an end, or beside the one at At
		At      piece.Place
		Of      *material.Material `op:"Material"`
		Closure bool               // it belongs to the closure, not to the row
		N       int                // of the closure: its place from the outside in
	}
	SetFitting struct { // put another in its place
		At piece.Place
		Of *material.Material `op:"Material"`
	}
	DropFitting struct{ At piece.Place }
	MoveFitting struct { // N places further in its list, less than 0 back
		At piece.Place
		N  int
	}
)

func (AddFitting) Do() Do  { return "add-fitting" }
func (SetFitting) Do() Do  { return "set-fitting" }
func (DropFitting) Do() Do { return "drop-fitting" }
func (MoveFitting) Do() Do { return "move-fitting" }

// apply adds a fitting. What is listed from the outside in is added in front, so that it lies
// outermost; beside another it goes on the strand's side of that one.
func (o AddFitting) apply(p *piece.Piece, _ []*material.Material) error {
	if !isFinding(o.Of) {
		return refuse("An end is made of findings.")
	}
	if o.At.Fitting == "" {
		return o.toEnd(p)
	}
	i, list, at, err := listOf(p, o.At.Fitting)
	if err != nil {
		return err
	}
	const closures = 2 // the first two lists are the closure's, from the outside in
	if i < closures {
		at++
	}
	*list = slices.Insert(*list, at, newFitting(p, o.Of))
	return nil
}

func (o AddFitting) toEnd(p *piece.Piece) error {
	row, err := rowOf(p, o.At)
	switch {
	case err != nil:
		return err
	case o.At.Side != piece.Left && o.At.Side != piece.Right:
		return refuse("Name the end to add it to: left or right.")
	}
	fitting := newFitting(p, o.Of)
	list := p.End(row, o.At.Side, o.Closure)
	if o.Closure {
		*list = slices.Insert(*list, min(o.N, len(*list)), fitting)
		return nil
	}
	*list = slices.Insert(*list, threadedAt(*list, o.Of.Finding), fitting)
	return nil
}

func (o SetFitting) apply(p *piece.Piece, _ []*material.Material) error {
	if !isFinding(o.Of) && !o.isShared(p) {
		return refuse("An end is made of findings.")
	}
	if o.At.Fitting == "" {
		return refuse("Name the fitting to change.")
	}
	_, list, at, err := listOf(p, o.At.Fitting)
	if err != nil {
		return err
	}
	f := &(*list)[at]
	was := f.Links
	if o.Of.IsBead() != f.Of.IsBead() {
		return refuse("A join is a bead that cords run through, or something they end on. Remove the section, and add another.")
	}
	f.Of, f.Links = o.Of, 0
	if o.Of.Finding != nil {
		f.Links = linksOf(o.Of, was)
	}
	f.Fill = f.Fill && f.Links > 0
	if f.Links == 0 || f.Of.Component == nil {
		f.Between = nil
	}
	return nil
}

func (o DropFitting) apply(p *piece.Piece, _ []*material.Material) error {
	if o.At.Fitting == "" {
		return refuse("Name the fitting to change.")
	}
	_, list, at, err := listOf(p, o.At.Fitting)
	if err != nil {
		return err
	}
	if len(*list) == 1 && isJoin(p, list) {
		return refuse("Something must join the sections. Put another in its place, or remove a section.")
	}
	*list = slices.Delete(*list, at, at+1)
	freePorts(p, o.At.Fitting)
	return nil
}

// apply moves a fitting in the list that it is in: a row's from its strand outwards, the closure's from
// the outside in.
func (o MoveFitting) apply(p *piece.Piece, _ []*material.Material) error {
	if o.At.Fitting == "" {
		return refuse("Name the fitting to move.")
	}
	_, list, at, err := listOf(p, o.At.Fitting)
	if err != nil {
		return err
	}
	to := at + o.N
	if to < 0 || to >= len(*list) {
		return refuse("There is no place there. This fitting is number %d of %d.", at+1, len(*list))
	}
	fitting := (*list)[at]
	*list = slices.Insert(slices.Delete(slices.Clone(*list), at, at+1), to, fitting)
	return nil
}

func isFinding(m *material.Material) bool { return m != nil && m.Finding != nil }

// listOf finds a fitting: which of the piece's lists it is in, the list, and its place there. The
// error is a *Refused.
func listOf(p *piece.Piece, id piece.ID) (i int, list *[]piece.Fitting, at int, err error) {
	for i, list := range p.Fittings() {
		if at := slices.IndexFunc(*list, func(f piece.Fitting) bool { return f.ID == id }); at >= 0 {
			return i, list, at, nil
		}
	}
	return 0, nil, 0, refuse("This piece has no fitting %q.", string(id))
}

// isShared says whether a bead is put in the place of one that cords run through.
func (o SetFitting) isShared(p *piece.Piece) bool {
	return o.Of != nil && o.Of.Bead != nil && slices.ContainsFunc(p.Joins, func(j *piece.Join) bool {
		return slices.ContainsFunc(j.Fittings, func(f piece.Fitting) bool { return f.ID == o.At.Fitting })
	})
}

func isJoin(p *piece.Piece, list *[]piece.Fitting) bool {
	return slices.ContainsFunc(p.Joins, func(j *piece.Join) bool { return &j.Fittings == list })
}

// freePorts lets rows that went on a fitting go on the innermost one.
func freePorts(p *piece.Piece, fitting piece.ID) {
	for _, r := range p.Rows() {
		for _, side := range piece.Sides() {
			if port := r.Port(side); port.On == fitting {
				*port = piece.Port{}
			}
		}
	}
}

// threadedAt is where a fitting is threaded among a row's: crimp, cover, guard,
// then rings.
func threadedAt(list []piece.Fitting, f *material.Finding) int {
	rank := func(f *material.Finding) int {
		switch {
		case f.IsCrimp() || f.Type == material.CordEnd || f.Type == material.ConeEnd || f.Type == material.FoldOver:
			return 0
		case f.Type == material.CrimpCover:
			return 1
		case f.Type == material.WireGuard:
			return 2
		}
		return 3
	}
	at := 0
	for at < len(list) && rank(list[at].Of.Finding) <= rank(f) {
		at++
	}
	return at
}
