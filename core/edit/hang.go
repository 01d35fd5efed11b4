package edit

import (
	"slices"

	"mala/core/material"
	"mala/core/piece"
)

// The operations on what hangs on fittings, and on loops of beads at an end.
type (
	Hang struct {
		At piece.Place
		Of *material.Material `op:"Material"`
	}
	Unhang struct { // what hangs N-th there, from 0
		At piece.Place
		N  int
	}
)

func (Hang) Do() Do   { return "hang" }
func (Unhang) Do() Do { return "unhang" }

func (o Hang) apply(p *piece.Piece, _ []*material.Material) error {
	if f := p.Fitting(o.At.Fitting); f != nil && !f.Carries() {
		return refuse("Nothing can hang on %s. Hang it on a ring, an extender or a clasp.", f.Of.Name)
	}
	list, err := hangsAt(p, o.At)
	switch {
	case err != nil:
		return err
	case o.Of == nil || !o.Of.Hangs():
		return refuse("Hang a charm, or a component that hangs.")
	}
	*list = append(slices.Clone(*list), o.Of)
	return nil
}

func (o Unhang) apply(p *piece.Piece, _ []*material.Material) error {
	list, err := hangsAt(p, o.At)
	switch {
	case err != nil:
		return err
	case o.N < 0 || o.N >= len(*list):
		return refuse("Nothing hangs there.")
	}
	*list = slices.Delete(slices.Clone(*list), o.N, o.N+1)
	return nil
}

// hangsAt gives the list of what hangs on the fitting at a place, or on the loop of
// the end there.
func hangsAt(p *piece.Piece, at piece.Place) (*[]*material.Material, error) {
	if at.Fitting == "" && at.Side != "" {
		row, err := rowOf(p, at)
		if err != nil {
			return nil, err
		}
		ending := row.Ending(at.Side)
		if ending.Way != piece.WayLoop {
			return nil, refuse("The %s end has no loop of beads to hang it on.", at.Side)
		}
		return &ending.Hung, nil
	}
	f := p.Fitting(at.Fitting)
	if f == nil {
		return nil, refuse("This piece has no fitting %q.", string(at.Fitting))
	}
	return &f.Hung, nil
}
