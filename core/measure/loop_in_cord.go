package measure

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/statics"
)

// loopThrough hangs a loop through a bead of the strand: the cord goes through it, takes
// up the loop's beads, and comes back through it the same way, path = the loop's beads, what
// of it lies bare, and through the bead once more. How deep it hangs is its statics between
// the two ends of the bead. The error is a *pattern.Fault.
func (mk *strandMaker) loopThrough(n *pattern.Node, key string) (*Drop, error) {
	on := n.Centre()[0]
	look := mk.look(on.Key())
	if len(look.inTurn) > 0 {
		look = look.inTurn[0] // alike loops are one, so each begins again
	}
	if look.material.Bead.Hangs() {
		return nil, pattern.NoHanging(on, look.material.Name)
	}
	beads, st, err := mk.setHanging(n)
	if err != nil {
		return nil, err
	}
	bead, cord := look.material.Bead, mk.row.Cord.Cord.Diameter
	lies := st.straight()
	d := &Drop{Key: key, Beads: beads, Through: &HungBead{Material: look.material, Passes: 2}, Strung: lies.strung, Round: mk.wayRound(look.material)}
	through := bead.Face(false).AtRim() + bead.Face(true).AtRim()
	parts := st.partsOf(lies)
	joints := d.belly(mk, parts, float64(through+cord))
	seats := d.seatLoop(mk, parts, joints)
	d.Path = d.Strung + d.Bare + through
	for i := range beads {
		if in := beads[i].Drop; in != nil {
			d.Path += in.Path
		}
	}
	d.Material = material.LoopsThrough(key, look.material, cord, d.Deep, d.parts(), seats)
	return d, nil
}

// belly is where the joints of a loop's stiff parts come to rest between two ends a width
// apart. Cord lies bare at both ends where the beads do not reach round the bead they hang
// from, and where one or two are too long to hang between its ends.
func (d *Drop) belly(mk *strandMaker, parts []stiffPart, width float64) []statics.Point {
	d.Bare = max(0, d.Round-d.Strung)
	for tried := 0; ; tried++ {
		chain := d.chain(mk, parts)
		hanging, err := statics.Belly(chain, width)
		switch {
		case err == nil:
			return hanging.Joints[1 : len(hanging.Joints)-1]
		case len(parts) > 2 || tried == mostBare:
			round := statics.Round(chain, width)
			return round[1 : len(round)-1]
		}
		d.Bare += d.Through.Material.Bead.Across
	}
}

// mostBare is how often more cord is left bare for what is too long, the width of the
// loop's bead each time.
const mostBare = 8

// chain is the loop's stiff parts with their weights, between two stretches of bare cord.
func (d *Drop) chain(mk *strandMaker, parts []stiffPart) []statics.Part {
	bare := statics.Part{Length: float64(d.Bare) / 2}
	chain := []statics.Part{bare}
	for _, p := range parts {
		one := statics.Part{Length: p.length}
		for _, b := range p.beads {
			weight := mk.weigh(d.Beads[b.Bead].Material)
			one.At = (one.At*one.Weight + b.Before*weight) / max(one.Weight+weight, math.SmallestNonzeroFloat64)
			one.Weight += weight
		}
		chain = append(chain, one)
	}
	return append(chain, bare)
}

// seatLoop seats the beads of a loop between its joints. What hangs in it hangs straight
// down.
func (d *Drop) seatLoop(mk *strandMaker, parts []stiffPart, joints []statics.Point) []material.Seat {
	own := d.Through.Material.Bead
	seats := []material.Seat{{Role: material.SeatBead, Of: d.Through.Material, Angle: -math.Pi / 2, Long: own.Length(), Wide: own.Across}}
	var cord, hung []material.Seat
	low := float64(own.Across) / 2
	for i, p := range parts {
		from, to := joints[i], joints[i+1]
		dx, dy := to.X-from.X, to.Y-from.Y
		long := math.Hypot(dx, dy)
		angle := math.Atan2(-dx, dy)
		cord = append(cord, mk.cordSeat(-(from.X+to.X)/2, (from.Y+to.Y)/2, -angle, length.MM(long)))
		for _, b := range p.beads {
			one := &d.Beads[b.Bead]
			share := b.Before / p.length
			// The cord leaves at the right of the bead and comes back at its left.
			x, y := -(from.X + share*dx), from.Y+share*dy
			one.At = length.MM(y)
			bead := one.Material.Bead
			reach := math.Abs(dx)/long*float64(bead.Across)/2 + math.Abs(dy)/long*float64(bead.Length())/2
			switch {
			case one.Drop != nil:
				reach = max(reach, float64(one.Drop.Deep))
				hung = append(hung, seatsBelow(one.Drop, x, y, -angle)...)
			case bead.Hangs():
				reach = max(reach, float64(bead.Drop))
				hung = append(hung, charmAt(one.Material, x, y)...)
			default:
				hung = append(hung, material.Seat{Role: material.SeatBead, Of: one.Material, X: x, Y: y, Angle: -angle, Long: bead.Length(), Wide: bead.Across, Turned: one.Turned})
			}
			low = max(low, y+reach)
		}
	}
	d.Deep = length.MM(low)
	return append(append(seats, cord...), hung...)
}

// charmAt are the seats of a charm, or of a component that hangs, on the cord at x and y: it hangs
// straight down.
func charmAt(m *material.Material, x, y float64) []material.Seat {
	if m.Component == nil {
		return []material.Seat{{Role: material.SeatCharm, Of: m, X: x, Y: y + float64(m.Bead.Drop)/2, Long: m.Bead.Drop, Wide: m.Bead.Across}}
	}
	out := slices.Clone(m.Component.Seats)
	for i := range out {
		out[i].X, out[i].Y = out[i].X+x, out[i].Y+y
	}
	return out
}

// wayRound is the way round the outside of a bead, worked out once.
func (mk *strandMaker) wayRound(m *material.Material) length.MM {
	way, known := mk.ways[m]
	if !known {
		if mk.ways == nil {
			mk.ways = map[*material.Material]length.MM{}
		}
		way = m.Bead.WayRound()
		mk.ways[m] = way
	}
	return way
}

// weigh is about what a bead weighs.
func (mk *strandMaker) weigh(m *material.Material) float64 {
	grams, known := mk.weights[m]
	if !known {
		if mk.weights == nil {
			mk.weights = map[*material.Material]float64{}
		}
		grams = m.About()
		mk.weights[m] = grams
	}
	return grams
}

// seatsBelow are the seats of what hangs in a loop at x and y: a bead with a loop of its
// own lies along the cord there, turned by the angle, the rest hangs.
func seatsBelow(d *Drop, x, y, angle float64) []material.Seat {
	var out []material.Seat
	for i, seat := range d.Material.Component.Seats {
		if d.Through != nil && i == 0 {
			seat.Angle = angle
		}
		seat.X, seat.Y = seat.X+x, seat.Y+y
		out = append(out, seat)
	}
	return out
}
