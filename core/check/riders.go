package check

import (
	"maps"
	"math"
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// ridersBlocked stops riders that slide over no bead of their row, or that find no room
// on it.
var ridersBlocked = Check{
	Code: "riders-blocked", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		r := s.Riders
		if r == nil || len(s.Beads) == 0 {
			return nil
		}
		f := Problem{Severity: Stop, At: s.Row.At(), cause: "riders"}
		switch finest := finestBead(s); {
		case r.First < 0 && finest != nil:
			f.Fact = RidersStuck{r.Hole, finest}
		case r.Free() < -tiny:
			f.Fact = RidersMany{len(r.Beads), r.Long, r.Run()}
		default:
			return nil
		}
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		if s.Riders.First < 0 {
			return nil
		}
		return fewerRiders(s)
	},
}

// finestBead is the narrowest bead of a strand that is strung through.
func finestBead(s *measure.Strand) *material.Material {
	var finest *material.Material
	for i := range s.Beads {
		b := &s.Beads[i]
		if b.IsGap() || b.Drop != nil || b.Material.Bead.Hangs() {
			continue
		}
		if finest == nil || b.Material.Bead.Across < finest.Bead.Across {
			finest = b.Material
		}
	}
	return finest
}

// fewerRiders leaves as many of the kind that there is most of as find room.
func fewerRiders(s *measure.Strand) []Fix {
	line := s.Row.Riders.Clone()
	var most *pattern.Node
	for _, n := range line.Items {
		if n.IsBead() && (most == nil || n.Count > most.Count) {
			most = n
		}
	}
	if most == nil {
		return nil
	}
	pitch := length.MM(0)
	for i := range s.Riders.Beads {
		if b := &s.Riders.Beads[i]; b.Key == most.Key() {
			pitch = b.Material.Bead.Pitch()
		}
	}
	fewer := int(math.Ceil(float64(-s.Riders.Free()/pitch) - 1e-9))
	if pitch <= 0 {
		return nil
	}
	most.Count -= fewer // none or less is no bead line, and then there is no fix
	return []Fix{fix(LeaveRiders{len(s.Riders.Beads) - fewer}, edit.SetRiders{At: s.Row.At(), Beads: line.String()})}
}

// riderSlips warns of riders that nothing stops at an end of their run.
var riderSlips = Check{
	Code: "rider-slips", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		r := s.Riders
		if r == nil || r.First < 0 || s.Ring && r.First == 0 && r.Last == len(s.Beads)-1 {
			return nil
		}
		var open []piece.Side
		for _, side := range piece.Sides() {
			if at := outermost(s, side); (r.First == at || r.Last == at) && !stopsAt(s.End(side), r.Hole) {
				open = append(open, side)
			}
		}
		if len(open) == 0 {
			return nil
		}
		return []Problem{{Severity: Warn, At: s.Row.At(), cause: "slips", Fact: RidersSlip{open, r.Hole}}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		var fixes []Fix
		for _, key := range slices.Sorted(maps.Keys(v.Piece.Palette)) {
			b := v.Piece.Palette[key].Bead
			if b.Hangs() || b.Across < s.Riders.Hole || b.Hole < material.HoleFor(s.Row.Passes, s.Row.Cord.Cord.Diameter) {
				continue
			}
			// The right end first: what is put in at the left would move it.
			var ops []edit.Op
			for _, side := range []piece.Side{piece.Right, piece.Left} {
				at := outermost(s, side)
				if s.Riders.First != at && s.Riders.Last != at || stopsAt(s.End(side), s.Riders.Hole) {
					continue
				}
				gap := at
				if side == piece.Right {
					gap = at + 1
				}
				ops = append(ops, edit.Between{At: s.Row.At(), Beads: key, Gap: gap})
			}
			end := EndRun{v.Piece.Palette[key]}
			if len(ops) > 1 {
				fixes = append(fixes, fix(end, ops[0])) // in a mirror one end brings the other
			}
			fixes = append(fixes, fix(end, ops...))
		}
		return fixes
	},
}

func outermost(s *measure.Strand, side piece.Side) int {
	if side == piece.Right {
		return len(s.Beads) - 1
	}
	return 0
}

// stopsAt says whether something at an end is wider than a hole.
func stopsAt(e *measure.End, hole length.MM) bool {
	for i := range e.Parts {
		p := &e.Parts[i]
		if p.Loop != nil || p.Role == measure.RoleShared || p.Role == measure.RoleRow {
			return true
		}
		if p.Material == nil || p.Material.Finding == nil {
			continue
		}
		f := p.Material.Finding
		if f.IsClasp() || f.IsRing() && f.Inside+2*f.Wire > hole || max(f.Outside, f.Wire) > hole {
			return true
		}
	}
	return false
}

// What may be wrong with riders. Hole is their finest.
type (
	RidersStuck struct {
		Hole   length.MM
		Finest *material.Material // the narrowest bead of the row
	}
	RidersMany struct {
		Riders    int
		Long, Run length.MM // together, and the run that they slide over
	}
	RidersSlip struct {
		Sides []piece.Side
		Hole  length.MM
	}
)

// LeaveRiders leaves this many riders.
type LeaveRiders struct{ Riders int }

// EndRun ends the run of riders with a bead.
type EndRun struct{ Bead *material.Material }

func (RidersStuck) fact() {}
func (RidersMany) fact()  {}
func (RidersSlip) fact()  {}

func (LeaveRiders) effect() {}
func (EndRun) effect()      {}
