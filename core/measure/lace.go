package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Lace is the way of all cords through a laced row: over the fronts, through the holes, along
// the back from flat to flat, and at the back from the outermost holes to the ends.
type Lace struct {
	LacePath            // of all cords together
	Each     []LacePath // of each cord
	Step     length.MM  // by which neighbours in two layers stand in front of one another; 0 without layers
	Tilt     float64    // in radians, of flats that lean on one another; 0 where they lie flat
	Tops     int        // smaller flats laced on others
	Covered  length.MM  // by which a flat covers its neighbour at most
}

// LacePath is the cord that a laced row takes, in mm.
type LacePath struct{ Front, Through, Back, Edges length.MM }

// Path is all of it.
func (l *LacePath) Path() length.MM { return l.Front + l.Through + l.Back + l.Edges }

func (l *LacePath) add(one LacePath) {
	l.Front, l.Through, l.Back, l.Edges = l.Front+one.Front, l.Through+one.Through, l.Back+one.Back, l.Edges+one.Edges
}

// laced gives a flat as it lies in the row.
func (mk *strandMaker) laced(key string, m *material.Material) *material.Material {
	l := mk.row.Lacing
	var top *material.Material
	if small := l.Tops[key]; small != "" {
		top = mk.piece.Palette[small]
	}
	return material.Lie(m, top, material.Lying{Reach: l.Reach, Tilted: l.Tilted, Cord: mk.row.Cord.Cord.Diameter})
}

// lacedPasses is how many cords go through each of a flat's holes: those that run side by side
// or cross share out four holes.
func (mk *strandMaker) lacedPasses(b *material.Bead) int {
	if b.Holes < 4 || mk.row.Lacing.Way == piece.LacedDiagonal {
		return mk.row.Passes
	}
	return (mk.row.Passes + 1) / 2
}

// point is a place along the row, upwards beside it, and forwards from what it lies on, in mm.
type point struct{ x, y, z float64 }

func (p point) to(q point) length.MM {
	return length.MM(math.Sqrt((p.x-q.x)*(p.x-q.x) + (p.y-q.y)*(p.y-q.y) + (p.z-q.z)*(p.z-q.z)))
}

// lyingFlat is a flat of the row where it lies.
type lyingFlat struct {
	*material.Flat
	middle point   // of its back
	at     float64 // its middle along the row
	holes  int
	apart  float64
}

// hole is where a hole comes out at the back: at its left or right, above or below.
func (f *lyingFlat) hole(x, y float64) point {
	along := x * f.apart / 2
	return point{f.middle.x + along*math.Cos(f.Tilt), y * f.apart / 2, f.middle.z + along*math.Sin(f.Tilt)}
}

// lyingFlats places the flats of the row. Tilted ones rest on an edge; those of the front layer
// lie on the one before.
func (s *Strand) lyingFlats() []lyingFlat {
	var out []lyingFlat
	below := 0.0
	for i := range s.Beads {
		b := &s.Beads[i]
		if b.Flat() == nil {
			continue
		}
		f := lyingFlat{Flat: b.Flat(), at: float64(b.At), holes: b.Material.Bead.Holes, apart: float64(b.Material.Bead.Apart)}
		sin := math.Sin(f.Tilt)
		f.middle = point{x: float64(b.At) + float64(f.Through)/2*sin, z: float64(f.Wide) / 2 * sin}
		if f.Layers && len(out)%2 == 1 {
			f.middle.z = below
		}
		below = float64(f.Through)
		out = append(out, f)
	}
	return out
}

// Flat is how the bead lies in a laced row; nil of one that is strung.
func (b *Bead) Flat() *material.Flat { return b.Material.Bead.Flat }

// lace follows every cord through the row.
func (s *Strand) lace() {
	if s.Row.Lacing == nil {
		return
	}
	out := &Lace{Each: make([]LacePath, s.Row.Passes)}
	s.Lace = out
	flats := s.lyingFlats()
	if len(flats) == 0 {
		return
	}
	for i := range flats {
		f := &flats[i]
		if f.Top != nil {
			out.Tops++
		}
		if i > 0 {
			before := &flats[i-1]
			out.Covered = max(out.Covered, (before.Wide+f.Wide)/2-length.MM(f.at-before.at))
		}
		out.Tilt = max(out.Tilt, f.Tilt)
		if f.Layers && len(flats) > 1 {
			out.Step = max(out.Step, f.Through)
		}
	}
	for cord := range s.Row.Passes {
		out.Each[cord] = s.laceOne(flats, cord)
		out.add(out.Each[cord])
	}
}

// laceOne follows one cord, numbered from 0.
func (s *Strand) laceOne(flats []lyingFlat, cord int) (out LacePath) {
	var leaves point // the hole at the back that it left the flat before by
	for i := range flats {
		f := &flats[i]
		from, to := s.Row.Lacing.Rows(f.holes, cord, i)
		enters := f.hole(-1, from)
		front := float64(f.FrontSpan)
		out.Front += length.MM(math.Hypot(front, front*(to-from)/2))
		out.Through += 2 * f.Through
		if i > 0 {
			out.Back += leaves.to(enters)
		}
		leaves = f.hole(1, to)
	}
	from, _ := s.Row.Lacing.Rows(flats[0].holes, cord, 0)
	begins := flats[0].hole(-1, from)
	if s.Ring {
		begins.x += float64(s.Strung)
		out.Back += leaves.to(begins)
		return out
	}
	out.Edges += length.MM(begins.x) + s.Strung - length.MM(leaves.x)
	return out
}
