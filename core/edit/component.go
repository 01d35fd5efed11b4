package edit

import (
	"slices"

	"mala/core/component"
	"mala/core/material"
	"mala/core/piece"
)

// The operations that make a component of the piece again: that in the dish of a letter, or that of
// an id wherever it hangs. The catalogue's stays as it is.
type (
	SetRings struct { // hang it on this many rings of its kind
		Letter    string             `op:"Text"`
		Component string             `op:"Field"`
		Rings     int                `op:"N"`
		Ring      *material.Material `op:"Material"` // that instead takes the place of ring Rings, from 0
	}
	SetPin struct { // make it on another pin
		Letter    string             `op:"Text"`
		Component string             `op:"Field"`
		Pin       *material.Material `op:"Material"`
	}
)

func (SetRings) Do() Do { return "set-rings" }
func (SetPin) Do() Do   { return "set-pin" }

func (o SetRings) apply(p *piece.Piece, _ []*material.Material) error {
	return makeAgain(p, o.Letter, o.Component, func(plan *component.Plan) error { return setRings(plan, o.Rings, o.Ring) })
}

func (o SetPin) apply(p *piece.Piece, _ []*material.Material) error {
	return makeAgain(p, o.Letter, o.Component, func(plan *component.Plan) error {
		if plan.Pin == nil || o.Pin == nil || o.Pin.Finding == nil {
			return refuse("Name the pin to make it on.")
		}
		plan.Pin = o.Pin
		return nil
	})
}

// makeAgain makes a component by a changed plan, wherever the piece holds it.
func makeAgain(p *piece.Piece, letter, id string, change func(plan *component.Plan) error) error {
	was := p.Palette[letter]
	if id != "" {
		was = held(p, id)
	}
	if was == nil {
		return refuse("This piece has no dish %q.", letter+id)
	}
	if was.Component == nil || was.Component.Kind == material.InTurn {
		return refuse("%s is not a component.", was.Name)
	}
	plan := component.PlanOf(was)
	if err := change(&plan); err != nil {
		return err
	}
	made, err := component.Make(was.ID, was.Name, plan)
	if err != nil {
		return refuse("%s", err.Error())
	}
	made.Metal, made.Note, made.Look = was.Metal, was.Note, was.Look
	putInPlaceOf(p, was, made)
	return nil
}

// held finds the material of an id among what the piece strings, hangs or has as links;
// nil if it has none.
func held(p *piece.Piece, id string) *material.Material {
	for _, m := range p.Palette {
		if m.ID == id {
			return m
		}
	}
	for _, list := range hungLists(p) {
		if i := slices.IndexFunc(*list, func(m *material.Material) bool { return m.ID == id }); i >= 0 {
			return (*list)[i]
		}
	}
	for _, list := range p.Fittings() {
		if i := slices.IndexFunc(*list, func(f piece.Fitting) bool { return f.Of.ID == id }); i >= 0 {
			return (*list)[i].Of
		}
	}
	return nil
}

// putInPlaceOf puts one material in the place of another, in dishes, where it hangs and
// as links.
func putInPlaceOf(p *piece.Piece, was, made *material.Material) {
	for key, m := range p.Palette {
		if m == was {
			p.Palette[key] = made
		}
	}
	for _, list := range p.Fittings() {
		for i := range *list {
			if (*list)[i].Of == was {
				(*list)[i].Of = made
			}
		}
	}
	for _, list := range hungLists(p) {
		*list = slices.Clone(*list)
		for i, m := range *list {
			if m == was {
				(*list)[i] = made
			}
		}
	}
}

// hungLists gives every list of what hangs on fittings and loops of beads, so that
// it can be changed.
func hungLists(p *piece.Piece) []*[]*material.Material {
	var out []*[]*material.Material
	for _, fittings := range p.Fittings() {
		for i := range *fittings {
			out = append(out, &(*fittings)[i].Hung)
		}
	}
	for _, r := range p.Rows() {
		out = append(out, &r.LeftEnding.Hung, &r.RightEnding.Hung)
	}
	return out
}

// setRings hangs the plan on this many rings of the kind that is there, or puts a ring in the place of
// one of them.
func setRings(plan *component.Plan, rings int, ring *material.Material) error {
	switch n := len(plan.Rings); {
	case ring != nil:
		if rings < 0 || rings >= n {
			return refuse("There is no ring %d to change.", rings+1)
		}
		plan.Rings[rings] = ring
	case n == 0 || rings < 0:
		return refuse("Choose a ring for it first.")
	case rings < n:
		plan.Rings = plan.Rings[:rings]
	default:
		for len(plan.Rings) < rings {
			plan.Rings = append(plan.Rings, plan.Rings[n-1])
		}
	}
	return nil
}
