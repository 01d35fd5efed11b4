package check

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// looseCrimp is how many times wider than its cords a crimp may be and still
// close on them.
const looseCrimp = 2

// crimpMisfit fires when a crimp cannot take the passes of its cord, which stops
// the work, or is so wide that it will not grip them.
var crimpMisfit = Check{
	Code: "crimp-misfit", Step: StepEnds,
	End: func(v *View, s *measure.Strand, e *measure.End) []Problem {
		var found []Problem
		if e.With() {
			return nil // judged with the half that it belongs to
		}
		passes := s.CrimpPasses(e)
		need := material.HoleFor(passes, s.Row.Cord.Cord.Diameter)
		for _, p := range e.Parts {
			switch p.Role {
			case measure.RoleFold:
				found = append(found, foldMisfit(s, e, &p)...)
			case measure.RoleGuard:
				found = append(found, guardMisfit(v, s, e, &p)...)
			case measure.RoleCone:
				found = append(found, coneMisfit(s, e, &p)...)
			}
			if p.Role != measure.RoleCrimp {
				continue
			}
			inside := p.Material.Finding.Inside
			loose := inside > looseCrimp*need+tiny
			if inside >= need-tiny && !loose {
				continue
			}
			f := atPart(s, e, &p, CrimpWrong{Passing{passes, s.Row.Cord.Cord.Diameter, need}, p.Material, e.Side, loose, looseCrimp * need})
			if loose {
				f.Severity = Warn
			}
			found = append(found, f)
		}
		return found
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		parts := s.End(f.At.Side).Parts
		for i := range parts {
			if p := &parts[i]; p.Fitting == f.At.Fitting {
				return instead(v, p, shelf, takesCords(v, s, s.End(f.At.Side), p.Role))
			}
		}
		return nil
	},
}

// takesCords gives what a finding must be to take the strand's cords in that role.
func takesCords(v *View, s *measure.Strand, e *measure.End, role measure.Role) func(c *material.Finding) bool {
	switch role {
	case measure.RoleFold:
		return func(c *material.Finding) bool { return FoldsOver(c, s) }
	case measure.RoleCone:
		return func(c *material.Finding) bool { return c.Type == material.ConeEnd && c.Outside >= s.OverhandAcross() }
	case measure.RoleGuard:
		return func(c *material.Finding) bool {
			return c.Type == material.WireGuard && c.Inside > 0 && guardNeeds(v, s) <= c.Inside+tiny
		}
	}
	need := material.HoleFor(s.CrimpPasses(e), s.Row.Cord.Cord.Diameter)
	return func(c *material.Finding) bool { return Grips(c, need) }
}

// foldMisfit stops a fold-over end that is too narrow for the cords laid side by
// side in it.
func foldMisfit(s *measure.Strand, e *measure.End, p *measure.Part) []Problem {
	if FoldsOver(p.Material.Finding, s) {
		return nil
	}
	return []Problem{atPart(s, e, p, FoldNarrow{p.Material, sideBySide(s), e.Side})}
}

// guardMisfit stops a guard too narrow for the turns of cord through each of its
// legs. One whose bore is not known is let pass.
func guardMisfit(v *View, s *measure.Strand, e *measure.End, p *measure.Part) []Problem {
	inside := p.Material.Finding.Inside
	if inside == 0 || guardNeeds(v, s) <= inside+tiny {
		return nil
	}
	through := Passing{v.Piece.House.GuardTurns() * s.Row.Passes, s.Row.Cord.Cord.Diameter, guardNeeds(v, s)}
	return []Problem{atPart(s, e, p, GuardNarrow{through, p.Material, e.Side})}
}

// coneMisfit stops a cone too narrow, or too full of beads, for the knot in it.
func coneMisfit(s *measure.Strand, e *measure.End, p *measure.Part) []Problem {
	room := min(p.Material.Finding.Outside, p.Length-p.Material.Finding.RingEye)
	if s.OverhandAcross() <= room+tiny {
		return nil
	}
	return []Problem{atPart(s, e, p, ConeNarrow{p.Material, s.OverhandAcross(), max(0, room), e.Side})}
}

// atPart is a stop at one part of an end, caused by the fitting it stands for.
func atPart(s *measure.Strand, e *measure.End, p *measure.Part, fact Fact) Problem {
	at := s.Row.AtEnd(e.Side)
	at.Fitting = p.Fitting
	return Problem{Severity: Stop, At: at, Fact: fact, cause: string(p.Fitting)}
}

func guardNeeds(v *View, s *measure.Strand) length.MM {
	return material.HoleFor(v.Piece.House.GuardTurns()*s.Row.Passes, s.Row.Cord.Cord.Diameter)
}

// FoldsOver says whether a fold-over end takes the cords of the strand side by side.
func FoldsOver(f *material.Finding, s *measure.Strand) bool {
	return f.Type == material.FoldOver && sideBySide(s) <= f.Inside+tiny
}

func sideBySide(s *measure.Strand) length.MM {
	return s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes)
}

// tiny keeps the rounding of sums from deciding, in mm.
const tiny = 1e-9

// Grips says whether a crimp takes cords that need so wide a hole, and closes on
// them.
func Grips(c *material.Finding, need length.MM) bool {
	return c.IsCrimp() && c.Inside >= need-tiny && c.Inside <= looseCrimp*need+tiny
}

// What may not take the cords of an end.
type (
	CrimpWrong struct {
		Passing
		Crimp *material.Material
		Side  piece.Side
		Loose bool      // it does not close on them; else they do not go in
		Most  length.MM // how wide inside a crimp that grips them may be
	}
	FoldNarrow struct {
		Of    *material.Material
		Cords length.MM // how wide the cords lie side by side
		Side  piece.Side
	}
	GuardNarrow struct {
		Passing
		Guard *material.Material
		Side  piece.Side
	}
	ConeNarrow struct {
		Cone       *material.Material
		Knot, Room length.MM // how thick the knot is, and what is left behind the last bead
		Side       piece.Side
	}
)

func (CrimpWrong) fact()  {}
func (FoldNarrow) fact()  {}
func (GuardNarrow) fact() {}
func (ConeNarrow) fact()  {}
