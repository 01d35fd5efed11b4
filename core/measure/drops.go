package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Drop is what hangs on the strand's own cord: down through its beads, round the last one,
// and back up through the others.
type Drop struct {
	Key      string // as the line has it
	Material *material.Material
	Beads    []HungBead // from the strand down, the one that the cord turns round last
	Deep     length.MM  // from the strand to the foot of the last bead
	Round    length.MM  // the cord's way round the outside of the last bead
	Path     length.MM  // all the cord that it takes
}

// HungBead is a bead of a drop, its middle so far below the strand.
type HungBead struct {
	Material *material.Material
	Turned   bool
	At       length.MM
	Passes   int // how often each of the strand's cords goes through it
}

// drop gives a drop, alike ones once. The error is a *pattern.Fault.
func (mk *strandMaker) drop(n *pattern.Node) (*Drop, error) {
	key := n.DropKey()
	if d := mk.drops[key]; d != nil {
		return d, nil
	}
	d, err := mk.hang(n, key)
	if err != nil {
		return nil, err
	}
	if mk.drops == nil {
		mk.drops = map[string]*Drop{}
	}
	mk.drops[key] = d
	return d, nil
}

// hang lays a drop's beads against each other. Its cord goes down and up through all but
// the last, through that once and round its outside: path = 2 (deep - through) + through +
// round. The error is a *pattern.Fault.
func (mk *strandMaker) hang(n *pattern.Node, key string) (*Drop, error) {
	placed, err := n.Hanging()
	if err != nil {
		return nil, err
	}
	d := &Drop{Key: key}
	st, turns := &stack{table: mk.table}, newTurns()
	for i, b := range placed {
		look := mk.look(b.Node.Key)
		if look.material.Bead.Hangs() {
			return nil, pattern.NoHanging(b.Node, look.material.Name)
		}
		l := look.next(turns, b)
		way := 0
		if b.Reversed && l.turns {
			way = 1
		}
		hung := HungBead{Material: l.material, Turned: way == 1, Passes: 2}
		if i == len(placed)-1 {
			hung.Passes = 1
		}
		d.Beads, st.beads = append(d.Beads, hung), append(st.beads, l.faces[way])
	}
	lies := st.straight()
	last := d.Beads[len(d.Beads)-1].Material.Bead
	through := last.Face(false).AtRim() + last.Face(true).AtRim()
	d.Deep, d.Round = lies.strung, last.WayRound()
	d.Path = 2*(d.Deep-through) + through + d.Round
	d.Material = mk.madeOf(d, lies)
	return d, nil
}

// madeOf is the drop as a thing that hangs: its parts, and where they lie.
func (mk *strandMaker) madeOf(d *Drop, lies layout) *material.Material {
	across := length.MM(0)
	counts := map[*material.Material]int{}
	var parts []material.PartCount
	seats := []material.Seat{{Role: material.SeatStem, Of: mk.row.Cord, Y: float64(d.Deep) / 2, Long: d.Deep, Wide: mk.row.Cord.Cord.Diameter, Wire: mk.row.Cord.Cord.Diameter}}
	for i := range d.Beads {
		b := &d.Beads[i]
		b.At = lies.at[i]
		across = max(across, b.Material.Bead.Across)
		seats = append(seats, material.Seat{Role: material.SeatBead, Of: b.Material, Y: float64(b.At), Long: b.Material.Bead.Length(), Wide: b.Material.Bead.Across, Turned: b.Turned})
		if counts[b.Material]++; counts[b.Material] == 1 {
			parts = append(parts, material.PartCount{Of: b.Material})
		}
	}
	for i := range parts {
		parts[i].Count = counts[parts[i].Of]
	}
	return material.Leaves(d.Key, mk.row.Cord.Cord.Diameter, d.Deep, across, parts, seats)
}

// dropsTake is the cord that the strand's drops use.
func (s *Strand) dropsTake() length.MM {
	sum := length.MM(0)
	for i := range s.Beads {
		if d := s.Beads[i].Drop; d != nil {
			sum += d.Path * length.MM(s.Row.Passes)
		}
	}
	return sum
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
