package desk

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// touches is the gap in mm below which a bead is said to touch.
const touches = 0.02

// wrapOf draws the loop round a body.
func wrapOf(s *measure.Strand, w *measure.Wrap) *Wrap {
	out := &Wrap{Strand: string(s.Row.ID), InsideMm: Exact(w.Inside), RadiusMm: Exact(length.MM(w.Chain.Radius)), Turns: s.Times(), Beads: []SeatOfBead{}, Fittings: []SeatOfLink{}}
	angle := -math.Pi/2 - toClosure(w)
	along := helix(s, angle)
	for i, link := range w.Links {
		next := angle + w.Chain.Sweeps[i]
		from, to := along(w.Chain.Joints[i], angle), along(w.Chain.Joints[(i+1)%len(w.Links)], next)
		out.draw(s, link, w.Chain.Gaps[i] < touches, from, to)
		angle = next
	}
	return out
}

// helix places the hinges of a loop. Several turns lie beside one another on the body, and
// are drawn a little from the side.
func helix(s *measure.Strand, begin float64) func(r, angle float64) [2]float64 {
	apart, turns := 1.15*float64(s.Width()), float64(s.Times())
	return func(r, angle float64) [2]float64 {
		at := polar(r, angle)
		if turns > 1 {
			by := apart * ((angle-begin)/(2*math.Pi) - turns/2)
			at[0], at[1] = at[0]+0.8*by, at[1]+0.45*by
		}
		return at
	}
}

// toClosure is the angle from the first hinge to the middle of the fittings, or of
// a ring to the middle of its first bead.
func toClosure(w *measure.Wrap) float64 {
	angle, from, to := 0.0, -1.0, 0.0
	for i, l := range w.Links {
		if l.Part != nil {
			if from < 0 {
				from = angle
			}
			to = angle + w.Chain.Sweeps[i]
		}
		angle += w.Chain.Sweeps[i]
	}
	if from < 0 {
		return w.Chain.Sweeps[0] / 2
	}
	return (from + to) / 2
}

func polar(r, angle float64) [2]float64 { return [2]float64{r * math.Cos(angle), r * math.Sin(angle)} }

// draw places what lies between two hinges. Beads hinge nearer to the body than
// their own middle lies.
func (w *Wrap) draw(s *measure.Strand, link measure.Link, touching bool, from, to [2]float64) {
	dx, dy := to[0]-from[0], to[1]-from[1]
	whole := math.Hypot(dx, dy)
	angle := math.Atan2(dy, dx)
	seat := func(part, out float64) Seat {
		return Seat{X: fine(from[0] + dx*part + out*math.Sin(angle)), Y: fine(from[1] + dy*part - out*math.Cos(angle)), Angle: fine(angle)}
	}
	if link.Covered {
		return // a rider hides it
	}
	if link.Rider != nil {
		thick := link.Rider.Material.Bead.Thick
		w.Fittings = append(w.Fittings, SeatOfLink{Seat: seat(0.5, inwards(link.Rider.Material.Bead)-link.Segment.Reach), LengthMm: fine(whole), ThickMm: fine(float64(thick)), Material: link.Rider.Material.ID, Count: 1})
		w.ReachMm = max(w.ReachMm, math.Hypot(from[0], from[1])+float64(thick))
		return
	}
	if link.Part != nil {
		out := SeatOfLink{Seat: seat(0.5, 0), LengthMm: fine(whole), ThickMm: fine(2 * link.Segment.Reach)}
		switch loop := link.Part.Loop; {
		case loop != nil:
			out.Material, out.Count = loop.Beads[0].Material.ID, (len(loop.Beads)+1)/2
		case link.Material != nil:
			out.Material = link.Material.ID
			if link.Part.Role == measure.RoleFoldBead {
				out.Count = 1
			}
		}
		w.Fittings = append(w.Fittings, out)
		return
	}
	if link.Of != nil {
		s = link.Of
	}
	beads := s.Beads
	if len(link.Beads) == 1 && beads[link.Beads[0].Bead].IsGap() {
		w.drawBare(s, link.Beads[0].Bead, seat(0.5, 0), from, to)
		return
	}
	for k, b := range link.Beads {
		bead := beads[b.Bead].Material.Bead
		forward := 0.0
		if bead.Flat != nil {
			forward = forwardOf(bead, b.Bead)
		}
		outwards := max(inwards(bead), float64(bead.StandsOff))
		if bead.Flat != nil {
			outwards = float64(bead.Thick)
		}
		if bead.Hangs() {
			outwards = float64(bead.Drop)
		}
		out := SeatOfBead{Strand: string(s.Row.ID), Seat: seat(b.Before/whole, furthestIn(s, link)-link.Segment.Reach+forward), Element: b.Bead}
		if touching && k == len(link.Beads)/2 {
			w.Touching++
			at := [2]float64{from[0] + dx/2, from[1] + dy/2}
			scale := float64(w.RadiusMm) / math.Hypot(at[0], at[1])
			out.Touch = &[2]float64{fine(at[0] * scale), fine(at[1] * scale)}
		}
		w.ReachMm = max(w.ReachMm, math.Hypot(out.X, out.Y)+outwards)
		w.Beads = append(w.Beads, out)
	}
}

// drawBare draws a stretch of bare cord; of all that make up one gap the middle one is
// its seat.
func (w *Wrap) drawBare(s *measure.Strand, gap int, seat Seat, from, to [2]float64) {
	w.Bare = append(w.Bare, [4]float64{fine(from[0]), fine(from[1]), fine(to[0]), fine(to[1])})
	w.ReachMm = max(w.ReachMm, math.Hypot(seat.X, seat.Y))
	if n := len(w.Beads); n > 0 && w.Beads[n-1].Element == gap && w.Beads[n-1].Strand == string(s.Row.ID) {
		return
	}
	w.Beads = append(w.Beads, SeatOfBead{Strand: string(s.Row.ID), Seat: seat, Element: gap})
}

// forwardOf is how far in front of the cord at its back the middle of a laced flat lies: of
// two layers every other one lies on the one before.
func forwardOf(b *material.Bead, element int) float64 {
	through := float64(b.Flat.Through)
	switch {
	case b.Flat.Tilt > 0:
		return float64(b.Thick) / 2
	case b.Flat.Layers && element%2 == 1:
		return 1.5 * through
	}
	return through / 2
}

// furthestIn is how far the beads of a link reach from the cord towards the body.
func furthestIn(s *measure.Strand, link measure.Link) float64 {
	most := 0.0
	for _, b := range link.Beads {
		most = max(most, inwards(s.Beads[b.Bead].Material.Bead))
	}
	return most
}

func inwards(b *material.Bead) float64 {
	if b.Hangs() {
		return 0
	}
	return max(float64(b.ToBody()), float64(b.Inwards))
}

// fine rounds to a ten thousandth of a millimetre.
func fine(v float64) float64 { return math.Round(v*1e4) / 1e4 }
