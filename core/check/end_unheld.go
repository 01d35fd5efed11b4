package check

import (
	"cmp"
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// endUnheld fires when nothing keeps the cord from running out of an end: wire
// without a crimp, another cord with nothing to tie it to, or a knot on a leg that
// slips through the hole of the bead that it holds.
var endUnheld = Check{
	Code: "end-unheld", Step: StepEnds,
	End: func(_ *View, s *measure.Strand, e *measure.End) []Problem {
		if e.Hold == measure.HeldByLeg || e.Hold == measure.HeldByStop && e.Find(measure.RoleCrimp) == nil {
			return slipsOffLeg(s, e)
		}
		if e.Hold != measure.Unheld {
			return nil
		}
		return []Problem{{Severity: Stop, At: s.Row.AtEnd(e.Side), Fact: EndUnheld{s.Row.Cord, e.Side}}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		if s.Row.Ending(f.At.Side).Way == piece.WayLeg {
			return heldOnLeg(s, f, shelf)
		}
		if s.Row.Cord.Cord.Type != material.Wire {
			return foldedOver(s, f, shelf)
		}
		need := material.HoleFor(2*s.Row.Passes, s.Row.Cord.Cord.Diameter)
		var fixes []Fix
		for _, c := range shelf.Materials {
			if c.Finding != nil && Grips(c.Finding, need) {
				fixes = append(fixes, fix(CrimpWith{c}, edit.AddFitting{At: s.Row.AtEnd(f.At.Side), Of: c}))
			}
		}
		return fixes
	},
}

// foldedOver ends a cord in a fold-over end that takes it, the narrowest first.
func foldedOver(s *measure.Strand, f *Problem, shelf Shelf) []Fix {
	var fit []*material.Material
	for _, c := range shelf.Materials {
		if c.Finding != nil && FoldsOver(c.Finding, s) {
			fit = append(fit, c)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int { return cmp.Compare(a.Finding.Inside, b.Finding.Inside) })
	var fixes []Fix
	for _, c := range fit {
		fixes = append(fixes, fix(EndIn{c}, edit.AddFitting{At: s.Row.AtEnd(f.At.Side), Of: c}))
	}
	return fixes
}

// slipsOffLeg stops a knot that is no thicker than the hole of the bead it holds: the
// last of the strand, or the one on the leg.
func slipsOffLeg(s *measure.Strand, e *measure.End) []Problem {
	held := []*material.Material{s.Row.Ending(e.Side).Bead}
	if i := s.Beside(e.Side); i >= 0 {
		held = append(held, s.Beads[i].Material)
	}
	for _, m := range held {
		if m == nil || m.Bead.Hangs() || s.OverhandAcross() > m.Bead.Hole+tiny {
			continue
		}
		return []Problem{{Severity: Stop, At: s.Row.AtEnd(e.Side), cause: m.ID, Fact: KnotSlips{s.OverhandAcross(), m, e.Side}}}
	}
	return nil
}

// heldOnLeg puts another bead on the leg, or strings on a thicker cord, so that the
// knot holds.
func heldOnLeg(s *measure.Strand, f *Problem, shelf Shelf) []Fix {
	var fixes []Fix
	if on := s.Row.Ending(f.At.Side).Bead; on != nil && on.ID == f.cause {
		for _, c := range shelf.Materials {
			if c.Class == material.ClassBead && !c.Bead.Hangs() && c.Bead.Hole < s.OverhandAcross() && c.Bead.Hole >= material.HoleFor(s.Row.Passes, s.Row.Cord.Cord.Diameter) &&
				c.Bead.Across >= on.Bead.Across/2 && c.Bead.Across <= on.Bead.Across*2 {
				fixes = append(fixes, fix(PutBead{c, OnLeg}, edit.SetEndBead{At: s.Row.AtEnd(f.At.Side), Bead: c}))
			}
		}
	}
	was := s.Row.Cord.Cord
	return append(fixes, strungOn(s, shelf.Materials, func(c *material.Cord) bool { return c.Type == was.Type && c.Diameter > was.Diameter })...)
}

// noClasp fires when a piece that closes by a clasp has none, or a button no loop.
var noClasp = Check{
	Code: "no-clasp", Step: StepEnds,
	Piece: func(v *View) []Problem {
		if e := openLoop(v); e != nil {
			return []Problem{{Severity: Stop, At: v.Leading().Row.AtEnd(e.Side), Fact: NoLoopForButton{e.Side}}}
		}
		if shut := shutIn(v); shut != nil {
			return []Problem{*shut}
		}
		if e := bareEnd(v); e != nil {
			clasp, _ := v.Piece.Clasp()
			return []Problem{{Severity: Advise, At: v.Leading().Row.AtEnd(e.Side), cause: "bare", Fact: NothingToCloseOn{clasp.Type, e.Side}}}
		}
		if clasp, _ := v.Piece.Clasp(); v.Piece.Closure.Type != piece.Clasp || clasp != nil || v.FoldsThroughBead() {
			return nil
		}
		return []Problem{{Severity: Stop, At: piece.Whole(), Fact: NoClasp{}}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		if _, bare := f.Fact.(NothingToCloseOn); bare {
			var fixes []Fix
			for _, ring := range ringsFor(v, shelf.Materials) {
				fixes = append(fixes, fix(PutRing{ring}, edit.AddFitting{At: v.Leading().Row.AtEnd(f.At.Side), Closure: true, Of: ring}))
			}
			return fixes
		}
		if shut, is := f.Fact.(ShutIn); is {
			return []Fix{fix(MoveInwards{shut.Outside}, edit.MoveFitting{At: f.At, N: -len(shut.Outside)})}
		}
		if f.At.Side != "" {
			in := func(way piece.Way) edit.Op {
				return edit.SetEndWay{At: v.Leading().Row.AtEnd(f.At.Side), Way: way}
			}
			return []Fix{fix(MakeLoop{true}, in(piece.WayLoop)), fix(MakeLoop{}, in(piece.WayCordLoop))}
		}
		var fixes []Fix
		for _, c := range shelf.Materials {
			if c.Finding != nil && c.Finding.IsClasp() && !c.Finding.HasTwoHalves() {
				at := v.Leading().Row.AtEnd(piece.Left)
				fixes = append(fixes, fix(CloseWith{c}, edit.AddFitting{At: at, Closure: true, Of: c}))
			}
		}
		return fixes
	},
}

// bareEnd is the end that a clasp of one part closes on, where there is nothing to take hold of but the
// loop of the cord, which it would wear through; nil where there is.
func bareEnd(v *View) *measure.End {
	clasp, side := v.Piece.Clasp()
	if clasp == nil || clasp.HasTwoHalves() || clasp.Type == material.ButtonEnd || v.Piece.Closure.Type != piece.Clasp {
		return nil
	}
	e := v.Leading().End(side.Other())
	for i := range e.Parts {
		switch e.Parts[i].Role {
		case measure.RoleCrimp, measure.RoleCover, measure.RoleLoop, measure.RoleLeg, measure.RoleTailBead:
		default:
			return nil
		}
	}
	return e
}

// shutIn finds what lies outside of the clasp at its end: with that in the way it takes hold of nothing.
func shutIn(v *View) *Problem {
	for _, side := range piece.Sides() {
		var outside []*material.Material
		for _, f := range *v.Piece.End(nil, side, true) {
			if !f.Of.Finding.IsClasp() {
				outside = append(outside, f.Of)
				continue
			}
			if len(outside) == 0 {
				break
			}
			at := v.Leading().Row.AtEnd(side)
			at.Fitting = f.ID
			return &Problem{Severity: Stop, At: at, cause: "outside", Fact: ShutIn{f.Of, outside, side}}
		}
	}
	return nil
}

// What may hold nothing at an end.
type (
	EndUnheld struct {
		Cord *material.Material
		Side piece.Side
	}
	KnotSlips struct {
		Knot length.MM // how thick it is
		Bead *material.Material
		Side piece.Side
	}
	NoLoopForButton struct{ Side piece.Side }
	NoClasp         struct{}
	// ShutIn says that fittings lie outside of the clasp, from the outermost on.
	ShutIn struct {
		Clasp   *material.Material
		Outside []*material.Material
		Side    piece.Side
	}
	// NothingToCloseOn says that there is no ring for the clasp.
	NothingToCloseOn struct {
		Clasp material.FindingType
		Side  piece.Side
	}
)

// What holds an end, or closes a piece.
type (
	CrimpWith struct{ Crimp *material.Material }
	EndIn     struct{ Of *material.Material }
	MakeLoop  struct{ OfBeads bool } // else of the cord
	CloseWith struct{ Clasp *material.Material }
	// MoveInwards moves fittings to the strand's side of the clasp.
	MoveInwards struct{ Of []*material.Material }
)

func (EndUnheld) fact()        {}
func (KnotSlips) fact()        {}
func (NoLoopForButton) fact()  {}
func (NoClasp) fact()          {}
func (NothingToCloseOn) fact() {}
func (ShutIn) fact()           {}

func (CrimpWith) effect()   {}
func (EndIn) effect()       {}
func (MakeLoop) effect()    {}
func (CloseWith) effect()   {}
func (MoveInwards) effect() {}
