// Package technique gives the techniques that the steps of a piece use, so that each is
// shown once, and no other.
package technique

import (
	"slices"

	"mala/core/piece"
	"mala/core/steps"
)

// Technique is a way of working by hand that can be shown in a picture.
type Technique string

// The techniques.
const (
	FoldCrimp   Technique = "fold-crimp"
	FlatCrimp   Technique = "flat-crimp"
	ThreeSided  Technique = "three-sided-crimp"
	Guard       Technique = "guard"
	Cover       Technique = "cover"
	Surgeons    Technique = "surgeons-knot"
	Square      Technique = "square-knot"
	Overhand    Technique = "overhand-knot"
	HideKnot    Technique = "hide-knot"
	OpenRing    Technique = "open-ring"
	SimpleLoop  Technique = "simple-loop"
	WrappedLoop Technique = "wrapped-loop"
	Coil        Technique = "coil"
	FoldOver    Technique = "fold-over-end"
	CordEnd     Technique = "cord-end"
	Cone        Technique = "cone-end"
)

// All lists them in the order they are shown.
func All() []Technique {
	return []Technique{SimpleLoop, WrappedLoop, Coil, Guard, FoldCrimp, FlatCrimp, ThreeSided, Cover, Overhand, Square, Surgeons, HideKnot, CordEnd, Cone, FoldOver, OpenRing}
}

// For lists those that steps use, in a house of that school of crimps.
func For(all []steps.Step, house piece.House) []Technique {
	used := map[Technique]bool{}
	for _, s := range all {
		for _, t := range of(s.Does, house) {
			used[t] = true
		}
	}
	return slices.DeleteFunc(All(), func(t Technique) bool { return !used[t] })
}

func of(d steps.Doing, house piece.House) []Technique {
	switch d := d.(type) {
	case steps.Make:
		return made(d)
	case steps.ThreadCrimp:
		return guarded(d.Around)
	case steps.CloseCrimp:
		return []Technique{crimps[d.School]}
	case steps.CloseOverLegs, steps.PressAtTip:
		return []Technique{crimps[house.Crimp]}
	case steps.HoldApart:
		switch d.Way {
		case piece.HeldByCrimps:
			return []Technique{crimps[house.Crimp]}
		case piece.HeldByKnots:
			return []Technique{Overhand}
		}
	case steps.CloseCover:
		return []Technique{Cover}
	case steps.Attach:
		if d.Opens == steps.JumpRing {
			return []Technique{OpenRing}
		}
	}
	return knotted(d)
}

func knotted(d steps.Doing) []Technique {
	switch d := d.(type) {
	case steps.TieOn:
		return append(guarded(d.Around), knot(d.Knot))
	case steps.Tie:
		return []Technique{knot(d.Knot)}
	case steps.TieRing:
		return []Technique{knot(d.Knot)}
	case steps.TieOff:
		return []Technique{CordEnd, Overhand}
	case steps.TieInCone:
		return []Technique{Cone, Overhand}
	case steps.TieLeg, steps.TieTails, steps.LoopOfCord, steps.FoldIntoLoop, steps.KnotAtTip:
		return []Technique{Overhand}
	case steps.LayInTrough:
		return []Technique{FoldOver}
	case steps.HideKnot:
		return []Technique{HideKnot}
	}
	return nil
}

func made(d steps.Make) []Technique {
	var out []Technique
	for _, part := range d.Parts {
		switch part := part.(type) {
		case steps.Wind:
			out = append(out, Coil)
		case steps.TurnLoop:
			if part.Turns > 0 {
				out = append(out, WrappedLoop)
			} else {
				out = append(out, SimpleLoop)
			}
		case steps.PutOnRings, steps.CloseRings:
			out = append(out, OpenRing)
		}
	}
	return out
}

func guarded(a steps.Around) []Technique {
	if a.Guard > 0 {
		return []Technique{Guard}
	}
	return nil
}

var crimps = map[string]Technique{piece.CrimpFolded: FoldCrimp, piece.CrimpFlat: FlatCrimp, piece.CrimpThreeSided: ThreeSided}

// knot is the house's: a triple knot is a square one tied once more.
func knot(house string) Technique {
	if house == piece.KnotSurgeons {
		return Surgeons
	}
	return Square
}
