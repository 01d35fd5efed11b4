package kit

import (
	"math"

	"mala/core/length"
	"mala/core/material"
)

// Class says what a material is when spares are counted.
type Class string

// The classes.
const (
	ClassSeed      Class = "seed"  // a bead of at most SeedAcross
	ClassFocal     Class = "focal" // a bead or component that a piece has once
	ClassBead      Class = "bead"
	ClassComponent Class = "component" // made by the shop
	ClassCrimp     Class = "crimp"
	ClassRing      Class = "ring"
	ClassExtender  Class = "extender" // a spare is one of its links
	ClassFinding   Class = "finding"
	ClassCord      Class = "cord"
)

// Classes lists them in the order they are shown.
func Classes() []Class {
	return []Class{ClassSeed, ClassBead, ClassFocal, ClassComponent, ClassCrimp, ClassRing, ClassExtender, ClassFinding, ClassCord}
}

// SeedAcross is the widest that a seed bead is.
const SeedAcross = length.MM(4)

// Rule is how many spares go with a class: this many, or a share rounded up, whichever is
// more. Of cords the share alone counts, of the length.
type Rule struct {
	Class     Class
	Least     int
	Hundredth int // of a per cent
}

// DefaultRules are those that a shop starts from.
func DefaultRules() []Rule {
	return []Rule{{ClassSeed, 3, 500}, {ClassBead, 1, 200}, {ClassFocal, 0, 0}, {ClassComponent, 0, 0}, {ClassCrimp, 1, 0}, {ClassRing, 1, 0}, {ClassExtender, 1, 0}, {ClassFinding, 0, 0}, {ClassCord, 0, 0}}
}

// Spares is how many spares go with this many of a class.
func Spares(rules []Rule, of Class, count int) int {
	for _, r := range rules {
		if r.Class == of && count > 0 && of != ClassCord {
			return max(r.Least, (count*r.Hundredth+9999)/10000)
		}
	}
	return 0
}

// shareOf is the share of a length, rounded up to whole millimetres.
func shareOf(rules []Rule, of Class, l length.MM) length.MM {
	for _, r := range rules {
		if r.Class == of {
			return length.MM(math.Ceil(float64(l)*float64(r.Hundredth)/10000 - 1e-9))
		}
	}
	return 0
}

func classOf(l *Line, pieces []Piece) Class {
	m := l.Of
	switch {
	case m.Class == material.ClassCord:
		return ClassCord
	case m.Finding != nil && m.Component == nil:
		switch {
		case m.Finding.IsCrimp():
			return ClassCrimp
		case m.Finding.IsRing():
			return ClassRing
		case m.Finding.Type == material.Extender:
			return ClassExtender
		}
		return ClassFinding
	case once(l, pieces):
		return ClassFocal
	case m.Component != nil:
		return ClassComponent
	case m.Bead != nil && m.Bead.Across <= SeedAcross:
		return ClassSeed
	}
	return ClassBead
}

// once says whether no piece has more than one of it.
func once(l *Line, pieces []Piece) bool {
	for i, n := range l.ByPiece {
		if n > pieces[i].Quantity {
			return false
		}
	}
	return true
}
