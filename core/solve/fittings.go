package solve

import (
	"cmp"
	"math"
	"slices"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// The bounds of what is tried at the ends: links of a chain, and other clasps.
const (
	mostLinks  = 12
	mostClasps = 4
)

// links makes the chains of the loop longer or shorter by whole links: those at both sides alike.
func links(t *task) []knob {
	if t.rowPinned() {
		return nil
	}
	var out []knob
	for _, chains := range t.chains() {
		var k knob
		for by := -mostLinks; by <= mostLinks; by++ {
			n := chains[0].Links + by
			if by == 0 || n < 1 {
				continue
			}
			var ops []edit.Op
			for _, p := range chains {
				ops = append(ops, edit.SetLinks{At: piece.Place{Fitting: p.Fitting, Element: piece.NoElement}, Links: n})
			}
			longer, s := t.step(ops...)
			if s == nil || math.Abs(float64(longer)) > float64(t.reach()) {
				continue
			}
			k.settings = append(k.settings, setting{does: SetLinks{n, chains[0].Links, chains[0].Material, len(chains) > 1}, tier: design.Fittings, steps: by, by: longer, moved: max(by, -by) * len(chains), ops: ops})
		}
		out = append(out, k)
	}
	return out
}

// chains lists those at the ends of the strand, alike ones of both sides together.
func (t *task) chains() [][]*measure.Part {
	var out [][]*measure.Part
	for _, e := range t.strand.Ends() {
		for i := range e.Parts {
			p := &e.Parts[i]
			if p.Role != measure.RoleLinks || p.Fitting == "" {
				continue
			}
			other := slices.IndexFunc(out, func(had []*measure.Part) bool {
				return e == &t.strand.Right && len(had) == 1 && had[0].Links == p.Links && had[0].Material.ID == p.Material.ID
			})
			if other < 0 {
				out = append(out, []*measure.Part{p})
			} else {
				out[other] = append(out[other], p)
			}
		}
	}
	return out
}

// rings puts one more jump ring into the closure beside one that is there, or takes one of several off.
// The last one of a side stays: a clasp closes on it, or hangs on it.
func rings(t *task) []knob {
	var out []knob
	for _, side := range piece.Sides() {
		list := *t.measured.Piece.End(nil, side, true)
		isRing := func(f piece.Fitting) bool {
			return f.Of.Finding != nil && f.Of.Finding.Type == material.JumpRing
		}
		i := slices.IndexFunc(list, isRing)
		if i < 0 || t.rowPinned() {
			continue
		}
		ring := list[i]
		several := slices.ContainsFunc(list[i+1:], isRing)
		at := piece.Place{Fitting: ring.ID, Element: piece.NoElement}
		k := knob{}
		for _, one := range []struct {
			less bool
			op   edit.Op
		}{
			{false, edit.AddFitting{At: at, Closure: true, Of: ring.Of}},
			{true, edit.DropFitting{At: at}},
		} {
			if one.less && !several {
				continue
			}
			by, s := t.step(one.op)
			if s != nil && math.Abs(float64(by)) >= float64(leastStep) {
				k.settings = append(k.settings, setting{does: AddRing{ring.Of, side, one.less}, tier: design.Fittings, by: by, moved: 1, ops: []edit.Op{one.op}})
			}
		}
		out = append(out, k)
	}
	return out
}

// clasps closes the piece with another clasp of the same kind of closing and metal.
func clasps(t *task) []knob {
	if t.rowPinned() {
		return nil
	}
	for _, side := range piece.Sides() {
		for _, f := range *t.measured.Piece.End(nil, side, true) {
			if f.Of.Finding != nil && f.Of.Finding.IsClasp() {
				return []knob{t.otherClasps(f)}
			}
		}
	}
	return nil
}

func (t *task) otherClasps(f piece.Fitting) knob {
	var fit []*material.Material
	for _, c := range t.rules.Shelf {
		if c.Finding != nil && c.Finding.IsClasp() && c.ID != f.Of.ID && c.Metal == f.Of.Metal && c.Finding.HasTwoHalves() == f.Of.Finding.HasTwoHalves() && c.Finding.Holes == f.Of.Finding.Holes {
			fit = append(fit, c)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int { return cmp.Compare(a.ID, b.ID) })
	var k knob
	for _, c := range fit[:min(len(fit), mostClasps)] {
		op := edit.SetFitting{At: piece.Place{Fitting: f.ID, Element: piece.NoElement}, Of: c}
		if by, s := t.step(op); s != nil && math.Abs(float64(by)) >= float64(leastStep) {
			k.settings = append(k.settings, setting{does: SwapClasp{c, f.Of}, tier: design.Clasps, by: by, moved: 1, ops: []edit.Op{op}})
		}
	}
	return k
}
