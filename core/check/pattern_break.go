package check

import (
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
)

// patternBreak fires when one bead breaks an otherwise regular mirror or repeat:
// as a rule one was missed. What stands nowhere else is an accent, and meant.
var patternBreak = Check{
	Code: "pattern-break", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		slip := slipIn(v, s)
		if slip == nil {
			return oddIn(v, s)
		}
		at := min(slip.at, len(s.Beads)-1)
		f := Problem{Severity: Warn, At: s.Row.AtBead(at), cause: slip.kind + string(slip.of)}
		if slip.perhaps {
			f.Severity = Advise
		}
		want := slip.like(s).Material
		switch slip.kind {
		case missing:
			before := slip.at + 1
			if slip.at == len(s.Beads) {
				before = 0
			}
			f.Fact = BeadMissing{want, before, slip.of}
		case extra:
			f.Fact = BeadExtra{s.Beads[at].Material, at + 1, slip.of}
		default:
			f.Fact = BeadOther{s.Beads[at].Material, want, at + 1, slip.of}
		}
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		slip := slipIn(v, s)
		if slip == nil {
			return oddFixes(v, s)
		}
		at := s.Row.At()
		remove := edit.Delete{At: at, From: slip.at, To: slip.at + 1}
		if slip.kind == extra {
			return []Fix{fix(RemoveBead{slip.at + 1}, remove)}
		}
		put := edit.Between{At: at, Gap: slip.at, Beads: slip.spell(s)}
		if slip.kind == missing {
			return []Fix{fix(PutBead{slip.like(s).Material, There}, put)}
		}
		return []Fix{fix(ReplaceBead{slip.like(s).Material}, remove, put)}
	},
}

// oddIn says what is odd of a strand that one bead more or less does not make regular.
func oddIn(v *View, s *measure.Strand) []Problem {
	if a := asideIn(v, s); a != nil {
		return []Problem{a.problem(s)}
	}
	if i := loneIn(v, s); i >= 0 {
		return []Problem{{Severity: Advise, At: s.Row.AtBead(i), cause: "lone", Fact: BeadAlone{s.Beads[i].Material, s.Beads[0].Material, i + 1, len(s.Beads)}}}
	}
	return nil
}

func oddFixes(v *View, s *measure.Strand) []Fix {
	if a := asideIn(v, s); a != nil {
		return a.fixes(s)
	}
	if i := loneIn(v, s); i >= 0 {
		at := s.Row.At()
		return []Fix{fix(ReplaceBead{s.Beads[0].Material}, edit.Delete{At: at, From: i, To: i + 1}, edit.Between{At: at, Gap: i, Beads: s.Beads[0].Key})}
	}
	return nil
}

// Order is what would be regular but for one bead.
type Order string

// The orders that are looked at.
const (
	InMirror  Order = "mirror"
	InRepeat  Order = "repeat"
	InCapping Order = "capping"
)

// How one bead may break an order. Beads count from 1.
type (
	BeadMissing struct {
		Bead   *material.Material
		Before int // the bead that it is missing before; 0 at the end
		In     Order
	}
	BeadExtra struct {
		Bead *material.Material
		N    int
		In   Order
	}
	BeadOther struct {
		Is, Wants *material.Material
		N         int
		In        Order
	}
)

// RemoveBead removes a bead.
type RemoveBead struct{ N int }

// ReplaceBead replaces it.
type ReplaceBead struct{ With *material.Material }

func (BeadMissing) fact() {}
func (BeadExtra) fact()   {}
func (BeadOther) fact()   {}

func (RemoveBead) effect()  {}
func (ReplaceBead) effect() {}
