package edit

import (
	"slices"

	"mala/core/component"
	"mala/core/material"
	"mala/core/piece"
)

// changeComponent makes the component in the dish of the letter Text again: on N
// rings, on the pin Material, or with Material in the place of its ring N. Every
// dish that holds it changes; the catalogue's stays as it is.
func changeComponent(p *piece.Piece, op Op) error {
	was := p.Palette[op.Text]
	if was == nil {
		return refuse("This piece has no dish %q.", op.Text)
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
	for key, m := range p.Palette {
		if m == was {
			p.Palette[key] = made
		}
	}
	return nil
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

// hang puts Material on a fitting, or takes the N-th thing off it.
func hang(p *piece.Piece, op Op) error {
	for _, list := range p.Fittings() {
		for i := range *list {
			f := &(*list)[i]
			if f.ID != op.At.Fitting {
				continue
			}
			switch {
			case op.Do == Unhang && (op.N < 0 || op.N >= len(f.Hung)):
				return refuse("Nothing hangs there.")
			case op.Do == Unhang:
				f.Hung = slices.Delete(slices.Clone(f.Hung), op.N, op.N+1)
				return nil
			case op.Material == nil || !op.Material.Hangs():
				return refuse("Hang a charm, or a component that hangs.")
			case !f.Carries():
				return refuse("Nothing can hang on %s. Hang it on a ring, an extender or a clasp.", f.Of.Name)
			}
			f.Hung = append(slices.Clone(f.Hung), op.Material)
			return nil
		}
	}
	return refuse("This piece has no fitting %q.", string(op.At.Fitting))
}
