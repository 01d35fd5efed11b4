package en

import (
	"fmt"

	"mala/core/way"
)

// CutItem names what stands in the sum that cords are cut to.
func CutItem(of way.Item) string {
	name := cutItem(of)
	if of.Row > 0 {
		return fmt.Sprintf("%s of row %d", name, of.Row)
	}
	return name
}

// cutItem names an item without its row: what is made at an end as "left tail", where the cord
// runs as "round the ring, left".
func cutItem(of way.Item) string {
	if along := alongRow[of.What]; along != "" {
		return along
	}
	if of.What == way.SharedBead {
		return "through " + lower(of.Of.Name)
	}
	if runs := runsAtEnd[of.What]; runs != "" {
		return runs + ", " + string(of.Side)
	}
	name := madeAtEnd[of.What]
	crimp := "crimp"
	if of.Cover {
		crimp = "cover"
	}
	switch of.What {
	case way.Crimp:
		name = crimp
	case way.CrimpTwice:
		name = crimp + " x 2"
	case way.CrimpLoop:
		name = crimp + " + loop x 2"
	case way.CrimpGuard:
		name = crimp + " + guard x 2"
		if of.Turns > 1 {
			name = fmt.Sprintf("%s x 2 + guard x %d", crimp, 2*of.Turns)
		}
	case way.Guard:
		name = fmt.Sprintf("guard x %d", 2*of.Turns)
	}
	if name == "" {
		panic("en: no words for the item " + string(of.What))
	}
	if of.Side == "" {
		return name
	}
	return string(of.Side) + " " + name
}

var alongRow = map[way.What]string{
	way.Beads: "beads", way.SlackLeft: "slack", way.Drops: "drops", way.Between: "knots between beads", way.Fronts: "across the fronts", way.FlatHoles: "through the holes",
	way.Backs: "along the back", way.RowEnds: "to the ends of the row", way.EvenLegs: "to even the legs",
}

var runsAtEnd = map[way.What]string{
	way.RoundFoot: "through the foot and round it", way.RoundFold: "round the fold", way.RoundRing: "round the ring", way.InTrough: "in the fold-over end", way.BackThrough: "back through the end bead",
}

var madeAtEnd = map[way.What]string{
	way.OtherLeg: "leg", way.Start: "start", way.BeadLoop: "loop of beads", way.CordLoop: "loop", way.FoldNeck: "neck", way.KnotTied: "knot", way.KnotsTied: "knots", way.BareLeg: "leg",
	way.LooseTail: "loose tail", way.TailKnot: "knot on the tail", way.TailBack: "tail", way.WorkingEnd: "working end", way.KnotTail: "knot tail",
}
