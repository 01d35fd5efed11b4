package edit

import (
	"slices"

	"mala/core/component"
	"mala/core/material"
	"mala/core/piece"
)

// changeComponent makes a component again, that in the dish of the letter Text or
// that of the id Field: on N rings, on the pin Material, or with Material in the
// place of its ring N. It changes wherever the piece holds it; the catalogue's stays
// as it is.
func changeComponent(p *piece.Piece, op Op) error {
	was := p.Palette[op.Text]
	if op.Field != "" {
		was = held(p, op.Field)
	}
	if was == nil {
		return refuse("This piece has no dish %q.", op.Text+op.Field)
	}
	if was.Component == nil || was.Component.Kind == material.InTurn {
		return refuse("%s is not a component.", was.Name)
	}
	plan := component.PlanOf(was)
	switch op.Do {
	case SetRings:
		if err := setRings(&plan, op); err != nil {
			return err
		}
	case SetPin:
		if plan.Pin == nil || op.Material == nil || op.Material.Finding == nil {
			return refuse("Name the pin to make it on.")
		}
		plan.Pin = op.Material
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

// setRings hangs the plan on N rings more or less of the kind that is there, or
// puts Material in the place of ring N.
func setRings(plan *component.Plan, op Op) error {
	switch n := len(plan.Rings); {
	case op.Material != nil:
		if op.N < 0 || op.N >= n {
			return refuse("There is no ring %d to change.", op.N+1)
		}
		plan.Rings[op.N] = op.Material
	case n == 0 || op.N < 0:
		return refuse("Choose a ring for it first.")
	case op.N < n:
		plan.Rings = plan.Rings[:op.N]
	default:
		for len(plan.Rings) < op.N {
			plan.Rings = append(plan.Rings, plan.Rings[n-1])
		}
	}
	return nil
}

// hang puts Material on a fitting or a loop of beads, or takes the N-th thing off it.
func hang(p *piece.Piece, op Op) error {
	list, err := hangsAt(p, op)
	switch {
	case err != nil:
		return err
	case op.Do == Unhang && (op.N < 0 || op.N >= len(*list)):
		return refuse("Nothing hangs there.")
	case op.Do == Unhang:
		*list = slices.Delete(slices.Clone(*list), op.N, op.N+1)
	case op.Material == nil || !op.Material.Hangs():
		return refuse("Hang a charm, or a component that hangs.")
	default:
		*list = append(slices.Clone(*list), op.Material)
	}
	return nil
}

// hangsAt gives the list of what hangs on the fitting at a place, or on the loop of
// the end there.
func hangsAt(p *piece.Piece, op Op) (*[]*material.Material, error) {
	if op.At.Fitting == "" && op.At.Side != "" {
		row, err := rowOf(p, op)
		if err != nil {
			return nil, err
		}
		ending := row.Ending(op.At.Side)
		if ending.Way != piece.WayLoop {
			return nil, refuse("The %s end has no loop of beads to hang it on.", op.At.Side)
		}
		return &ending.Hung, nil
	}
	f := p.Fitting(op.At.Fitting)
	switch {
	case f == nil:
		return nil, refuse("This piece has no fitting %q.", string(op.At.Fitting))
	case op.Do == Hang && !f.Carries():
		return nil, refuse("Nothing can hang on %s. Hang it on a ring, an extender or a clasp.", f.Of.Name)
	}
	return &f.Hung, nil
}
