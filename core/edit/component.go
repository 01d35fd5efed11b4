package edit

import (
	"mala/core/component"
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
	if was.Component == nil {
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
