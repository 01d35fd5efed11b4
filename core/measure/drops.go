package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Drop is what hangs on the strand's own cord: down through beads, round the last one, and
// back up through the others; or in a loop through one bead of the strand.
type Drop struct {
	Key      string // as the line has it
	Material *material.Material
	Through  *HungBead  // the bead of the strand that a loop runs through; nil of a drop
	Beads    []HungBead // from the strand down, the one that the cord turns round last; of a loop as the cord takes them up
	Deep     length.MM  // from the cord of the strand to the foot of what hangs
	Round    length.MM  // the cord's way round the outside of the last bead, or of the one a loop runs through
	Strung   length.MM  // the beads of a loop
	Bare     length.MM  // cord of a loop that its beads leave bare, half of it on each side
	Path     length.MM  // all the cord that it takes, whatever hangs in it as well
}

// HungBead is a bead of a drop, its middle so far below the strand.
type HungBead struct {
	Material *material.Material
	Turned   bool
	At       length.MM
	Passes   int   // how often each of the strand's cords goes through it
	Drop     *Drop // what hangs there in its turn, in a loop
}

// Short says whether a loop's beads do not reach round the bead that it runs through, so
// that its cord lies bare.
func (d *Drop) Short() bool { return d.Bare > 1e-9 }

// Each calls do for every bead, those that hang in a loop in their turn and the one that
// it runs through among them.
func (d *Drop) Each(do func(one *HungBead)) {
	if d.Through != nil {
		do(d.Through)
	}
	for i := range d.Beads {
		if b := &d.Beads[i]; b.Drop != nil {
			b.Drop.Each(do)
		} else {
			do(b)
		}
	}
}

// Count is how many beads it has.
func (d *Drop) Count() int {
	n := 0
	d.Each(func(*HungBead) { n++ })
	return n
}

// drop gives what hangs at a node, alike ones once. The error is a *pattern.Fault.
func (mk *strandMaker) drop(n *pattern.Node) (*Drop, error) {
	key := n.DropKey()
	if d := mk.drops[key]; d != nil {
		return d, nil
	}
	make := mk.hang
	if _, loop := n.Unit.(*pattern.Loop); loop {
		make = mk.loopThrough
	}
	d, err := make(n, key)
	if err != nil {
		return nil, err
	}
	if mk.drops == nil {
		mk.drops = map[string]*Drop{}
	}
	mk.drops[key] = d
	return d, nil
}

// setHanging sets the beads of a drop or a loop against each other.
func (mk *strandMaker) setHanging(n *pattern.Node) ([]HungBead, *stack, error) {
	placed, err := n.Hanging()
	if err != nil {
		return nil, nil, err
	}
	var hung []HungBead
	st, turns := &stack{table: mk.table}, newTurns()
	for _, b := range placed {
		look, err := mk.lookAt(b.Node)
		if err != nil {
			return nil, nil, err
		}
		l, one := look.next(turns, b), HungBead{Passes: 1}
		if b.Node.Hangs() {
			if one.Drop, err = mk.drop(b.Node); err != nil {
				return nil, nil, err
			}
		} else if _, loop := n.Unit.(*pattern.Loop); l.material.Bead.Hangs() && !loop { // on a loop it slides onto the cord
			return nil, nil, pattern.NoHanging(b.Node, l.material.Name)
		}
		way := 0
		if b.Reversed && l.turns {
			way = 1
		}
		one.Material, one.Turned = l.material, way == 1
		hung, st.beads = append(hung, one), append(st.beads, l.faces[way])
	}
	return hung, st, nil
}

// hang lays a drop's beads against each other. Its cord goes down and up through all but
// the last, through that once and round its outside: path = 2 (deep - through) + through +
// round. The error is a *pattern.Fault.
func (mk *strandMaker) hang(n *pattern.Node, key string) (*Drop, error) {
	beads, st, err := mk.setHanging(n)
	if err != nil {
		return nil, err
	}
	d := &Drop{Key: key, Beads: beads}
	for i := range len(beads) - 1 {
		beads[i].Passes = 2
	}
	lies := st.straight()
	last := beads[len(beads)-1].Material.Bead
	through := last.Face(false).AtRim() + last.Face(true).AtRim()
	d.Deep, d.Round = lies.strung, mk.wayRound(beads[len(beads)-1].Material)
	d.Path = 2*(d.Deep-through) + through + d.Round
	across := length.MM(0)
	seats := []material.Seat{mk.cordSeat(0, float64(d.Deep)/2, 0, d.Deep)}
	for i := range beads {
		b := &beads[i]
		b.At = lies.at[i]
		across = max(across, b.Material.Bead.Across)
		seats = append(seats, material.Seat{Role: material.SeatBead, Of: b.Material, Y: float64(b.At), Long: b.Material.Bead.Length(), Wide: b.Material.Bead.Across, Turned: b.Turned})
	}
	d.Material = material.Leaves(key, mk.row.Cord.Cord.Diameter, d.Deep, across, d.parts(), seats)
	return d, nil
}

// cordSeat is a stretch of cord in a drop, its middle at x and y.
func (mk *strandMaker) cordSeat(x, y, angle float64, long length.MM) material.Seat {
	cord := mk.row.Cord.Cord.Diameter
	return material.Seat{Role: material.SeatStem, Of: mk.row.Cord, X: x, Y: y, Angle: angle, Long: long, Wide: cord, Wire: cord}
}

// parts counts its beads by material.
func (d *Drop) parts() []material.PartCount {
	at := map[*material.Material]int{}
	var parts []material.PartCount
	d.Each(func(one *HungBead) {
		i, known := at[one.Material]
		if !known {
			i = len(parts)
			at[one.Material], parts = i, append(parts, material.PartCount{Of: one.Material})
		}
		parts[i].Count++
	})
	return parts
}

// Drops lists the different drops of the strand, in the order they come, with how many
// there are of each.
func (s *Strand) Drops() (drops []*Drop, count map[*Drop]int) {
	count = map[*Drop]int{}
	for i := range s.Beads {
		if d := s.Beads[i].Drop; d != nil {
			if count[d]++; count[d] == 1 {
				drops = append(drops, d)
			}
		}
	}
	return drops, count
}
