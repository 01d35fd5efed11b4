package edit

import (
	"slices"

	"mala/core/material"
	"mala/core/piece"
)

// setFitting adds, replaces or removes a fitting. What is listed from the outside
// in is added in front, so that it lies outermost; beside another it goes on the
// strand's side of that one.
func setFitting(p *piece.Piece, op Op) error {
	if op.Do != DropFitting && (op.Material == nil || op.Material.Finding == nil) && !isShared(p, op) {
		return refuse("An end is made of findings.")
	}
	if op.At.Fitting == "" {
		return addToEnd(p, op)
	}
	for i, list := range p.Fittings() {
		at := slices.IndexFunc(*list, func(f piece.Fitting) bool { return f.ID == op.At.Fitting })
		if at < 0 {
			continue
		}
		was := (*list)[at].Links
		switch op.Do {
		case SetFitting:
			if op.Material.IsBead() != (*list)[at].Of.IsBead() {
				return refuse("A join is a bead that cords run through, or something they end on. Remove the section, and add it anew.")
			}
			f := &(*list)[at]
			f.Of, f.Links = op.Material, 0
			if op.Material.Finding != nil {
				f.Links = linksOf(op.Material, was)
			}
			f.Fill = f.Fill && f.Links > 0
			if f.Links == 0 || f.Of.Component == nil {
				f.Between = nil
			}
		case DropFitting:
			if len(*list) == 1 && isJoin(p, list) {
				return refuse("Something must join the sections. Put another in its place, or remove a section.")
			}
			*list = slices.Delete(*list, at, at+1)
			freePorts(p, op.At.Fitting)
		case AddFitting:
			const closures = 2 // the first two lists are the closure's, from the outside in
			if i < closures {
				at++
			}
			*list = slices.Insert(*list, at, newFitting(p, op.Material))
		}
		return nil
	}
	return refuse("This piece has no fitting %q.", string(op.At.Fitting))
}

// isShared says whether the operation is about a bead that cords run through.
func isShared(p *piece.Piece, op Op) bool {
	return op.Do == SetFitting && op.Material != nil && op.Material.Bead != nil && slices.ContainsFunc(p.Joins, func(j *piece.Join) bool {
		return slices.ContainsFunc(j.Fittings, func(f piece.Fitting) bool { return f.ID == op.At.Fitting })
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

func addToEnd(p *piece.Piece, op Op) error {
	row, err := rowOf(p, op)
	switch {
	case err != nil:
		return err
	case op.Do != AddFitting:
		return refuse("Name the fitting to change.")
	case op.At.Side != piece.Left && op.At.Side != piece.Right:
		return refuse("Name the end to add it to: left or right.")
	}
	fitting := newFitting(p, op.Material)
	list := p.End(row, op.At.Side, op.Closure)
	if op.Closure {
		*list = slices.Insert(*list, min(op.N, len(*list)), fitting)
		return nil
	}
	*list = slices.Insert(*list, threadedAt(*list, op.Material.Finding), fitting)
	return nil
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
