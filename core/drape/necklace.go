// Package drape works out how a necklace hangs: part of it lies round the neck, the
// rest hangs in front between the neck's sides as a chain of stiff parts under its
// own weight. Lengths are in millimetres, weights in grams; x runs to the right and
// y down.
package drape

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/statics"
)

// The neck that a necklace for no one in particular is hung on, and from how much
// longer than the way round its own neck on it hangs in front at all: below that it
// follows the neck.
const (
	middleNeck = length.MM(360)
	hangsFrom  = length.MM(25)
)

// usualFitting is what a fitting that is not weighed counts, in grams.
const usualFitting = 0.1

// foreshortened is how much of its depth the way round the back of the neck shows,
// seen from the front and a little above.
const foreshortened = 0.16

// Seat is where something lies in the picture of a necklace: its place, and which way
// the cord runs there, as an angle from x.
type Seat struct {
	X, Y, Angle float64
	Behind      bool // it lies round the back of the neck
}

func (s Seat) point() statics.Point { return statics.Point{X: s.X, Y: s.Y} }

// Necklace is how a necklace lies: a length π W/2, centred on its closure, round the
// back of the neck, W being the width between the neck's sides; the rest hangs in
// front.
type Necklace struct {
	Girth   length.MM // of the neck
	OfBody  bool      // the girth is that of the body it is for
	Width   float64   // W: the girth / π and the thickness of the first row, and how far outside that it lies
	Depth   float64   // of the lowest place below the neck's sides
	Assumed []string  // materials whose weight was assumed, by id

	strand        *measure.Strand
	assumed       map[*material.Bead]float64 // what beads that are not weighed would weigh, of all rows
	fromJoin      bool                       // it hangs from the end of what rows share in front
	inner         float64                    // W of the first row
	whole, middle float64                    // the way round, and where the closure's middle is along it
	parts         []statics.Part             // that hang in front, once they were asked for
	cuts          []float64                  // where each of them begins, and the last ends, along the way round
	hanging       *statics.Hanging
	reached       []float64       // how far along the front each joint is
	places        []statics.Point // own, once it was asked for
	beads         []Seat          // of the row's own beads, once they were asked for
}

// Of works out how the first row of a necklace lies; nil if it is none, or follows the
// neck too closely to hang.
func Of(m *measure.Measured) *Necklace {
	if rows := Rows(m); rows != nil {
		return For(m, rows, m.Leading())
	}
	return nil
}

// lie begins a row's necklace: round the neck as the first row lies, and as much wider
// as it lies outside that.
func lie(m *measure.Measured, s *measure.Strand, outside float64, assumed map[*material.Bead]float64) *Necklace {
	n := &Necklace{strand: s, assumed: assumed, whole: float64(s.Finished()), middle: float64(s.ClosureMiddle())}
	n.Girth, n.OfBody = neckOf(m.Piece)
	n.inner = float64(n.Girth)/math.Pi + float64(m.Leading().Thickness())
	n.Width = n.inner + 2*outside
	return n
}

// hangs takes over how the row hangs in front.
func (n *Necklace) hangs(parts []statics.Part, hanging *statics.Hanging) {
	n.hanging = hanging
	n.Depth, _ = hanging.Lowest()
	n.reached = make([]float64, len(parts)+1)
	for i, p := range parts {
		n.reached[i+1] = n.reached[i] + p.Length
	}
}

// neckOf is the girth of the neck: the body's, that in the middle of the house's
// necks, or the usual one.
func neckOf(p *piece.Piece) (girth length.MM, ofBody bool) {
	if b := p.Body; b != nil && b.Part == "neck" && b.Measure > 0 {
		return b.Measure, true
	}
	var necks []length.MM
	for _, size := range p.House.Sizes {
		if size.Part == "neck" && !size.Child {
			necks = append(necks, size.Measure)
		}
	}
	if len(necks) == 0 {
		return middleNeck, false
	}
	slices.Sort(necks)
	return necks[len(necks)/2], false
}

// around is the length that lies round the back of the neck, the same for every row.
func (n *Necklace) around() float64 { return math.Pi * n.inner / 2 }

// along is how far round from the closure's middle a place of the strand is.
func (n *Necklace) along(mm float64) float64 {
	u := mm - n.middle
	if u >= 0 && u < n.whole {
		return u
	}
	if u = math.Mod(u, n.whole); u < 0 {
		u += n.whole
	}
	return u
}

// front lists the stiff parts that hang in front, those across the neck's sides cut
// there, with where each begins along the way round and where the last ends. The slack
// is shared out over the beads.
func (n *Necklace) front() ([]statics.Part, []float64) {
	if n.cuts == nil {
		n.parts, n.cuts = n.cutFront()
	}
	return n.parts, n.cuts
}

func (n *Necklace) cutFront() ([]statics.Part, []float64) {
	s := n.strand
	from, to := n.around()/2, n.whole-n.around()/2
	cuts := append(make([]float64, 0, len(s.Round())+8), from, to)
	cut := func(u float64) {
		if u > from && u < to {
			cuts = append(cuts, u)
		}
	}
	for _, u := range n.joins() {
		cut(u)
	}
	for _, o := range s.Others() {
		cut(n.along(float64(o.Start - o.Strand.Left.Length)))
		cut(n.along(float64(o.Start + o.Strand.Strung + o.Slack + o.Strand.Right.Length)))
	}
	at := 0.0
	for _, l := range s.Round() {
		cut(n.along(at))
		at += l.Segment.Length * l.Stretch
	}
	slices.Sort(cuts)
	cuts = slices.CompactFunc(cuts, func(a, b float64) bool { return math.Abs(b-a) < 1e-9 })
	parts := make([]statics.Part, 0, len(cuts)-1)
	for i := range cuts[1:] {
		parts = append(parts, statics.Part{Length: cuts[i+1] - cuts[i]})
	}
	n.load(parts, cuts)
	return parts, cuts
}

// joins are where what the row alone is made of begins and ends along the way round:
// beyond lies what it shares with other rows.
func (n *Necklace) joins() [2]float64 {
	own := func(e *measure.End) float64 {
		sum := 0.0
		for _, p := range e.Parts {
			if p.Shared {
				break
			}
			sum += float64(p.Length)
		}
		return sum
	}
	s := n.strand
	return [2]float64{n.along(-own(&s.Left)), n.along(float64(s.Strung+s.Slack) + own(&s.Right))}
}

// stretched is how much longer a strand is with so much slack than without.
func stretched(s *measure.Strand, slack length.MM) float64 {
	if s.Strung <= 0 {
		return 1
	}
	return float64((s.Strung + slack) / s.Strung)
}

// load puts the weight of every bead and fitting on the part that it lies in.
func (n *Necklace) load(parts []statics.Part, cuts []float64) {
	s := n.strand
	within := func(i int, u float64) bool { return i >= 0 && i < len(parts) && cuts[i] <= u && u < cuts[i+1] }
	i := 0
	put := func(mm, grams float64) {
		u := n.along(mm)
		if i++; !within(i, u) { // mostly it lies in the part after the last
			var exact bool
			if i, exact = slices.BinarySearch(cuts, u); !exact {
				i--
			}
		}
		if i < 0 || i >= len(parts) {
			return
		}
		p := &parts[i]
		p.At = (p.At*p.Weight + (u-cuts[i])*grams) / max(p.Weight+grams, 1e-300)
		p.Weight += grams
	}
	n.loadRow(s, 0, s.Slack, put)
	for _, o := range s.Others() {
		n.loadRow(o.Strand, float64(o.Start), o.Slack, put)
	}
}

// loadRow puts the weights of a row that starts at a place of the loop, without what
// lies beyond its section.
func (n *Necklace) loadRow(s *measure.Strand, start float64, slack length.MM, put func(mm, grams float64)) {
	stretch := stretched(s, slack)
	var last *material.Material
	grams := 0.0
	for i := range s.Beads {
		b := &s.Beads[i]
		if b.IsGap() {
			continue // the cord is not weighed
		}
		if b.Material != last {
			last, grams = b.Material, n.weigh(b.Material)
		}
		put(start+float64(b.At)*stretch, grams)
	}
	if s.Riders != nil {
		for i := range s.Riders.Beads {
			put(start+float64(s.Riders.Beads[i].At)*stretch, n.weigh(s.Riders.Beads[i].Material))
		}
	}
	for _, e := range s.Ends() {
		at, out := start, -1.0
		if e.Side == piece.Right {
			at, out = start+float64(s.Strung+slack), 1
		}
		for _, p := range e.Parts {
			middle := at + out*float64(p.Length)/2
			at += out * float64(p.Length)
			if p.Role == measure.RoleRow {
				continue // loaded as a row of its own
			}
			if p.Material != nil {
				from := at - out*float64(p.Length)
				for _, one := range p.Pieces() {
					put(from+out*float64(one.Length)/2, n.weigh(one.Of))
					from += out * float64(one.Length)
				}
			}
			for _, h := range p.Hung {
				put(middle, n.weigh(h))
			}
		}
	}
}

// weigh is what the material weighs; of what is not weighed its volume at the usual
// density.
func (n *Necklace) weigh(m *material.Material) float64 {
	if m.MassG > 0 {
		return m.MassG
	}
	if m.Component == nil && m.HasLinks() {
		return m.Finding.LinkMass()
	}
	if c := m.Component; c != nil && len(c.Parts) > 0 {
		sum := 0.0
		for _, p := range c.Parts {
			sum += n.weigh(p.Of) * float64(p.Count)
		}
		return sum
	}
	if !slices.Contains(n.Assumed, m.ID) {
		n.Assumed = append(n.Assumed, m.ID)
	}
	if m.Bead == nil {
		return usualFitting
	}
	g, known := n.assumed[m.Bead]
	if !known {
		g = m.About()
		n.assumed[m.Bead] = g
	}
	return g
}

// At is where a place of the strand lies, in mm from its start: the left half runs
// down on the left.
func (n *Necklace) At(mm float64) Seat {
	u := n.along(mm)
	quarter := n.around() / 2
	half := n.Width / 2
	switch {
	case u < quarter:
		phi := u / quarter * math.Pi / 2
		return Seat{-half * math.Sin(phi), -foreshortened * half * math.Cos(phi), math.Atan2(foreshortened*math.Sin(phi), -math.Cos(phi)), true}
	case u > n.whole-quarter:
		phi := (n.whole - u) / quarter * math.Pi / 2
		return Seat{half * math.Sin(phi), -foreshortened * half * math.Cos(phi), math.Atan2(-foreshortened*math.Sin(phi), -math.Cos(phi)), true}
	}
	u -= quarter
	i, _ := slices.BinarySearch(n.reached, u)
	i = min(max(i, 1), len(n.reached)-1)
	a, b := n.hanging.Joints[i-1], n.hanging.Joints[i]
	t := (u - n.reached[i-1]) / max(n.reached[i]-n.reached[i-1], 1e-300)
	return Seat{X: a.X + (b.X-a.X)*t, Y: a.Y + (b.Y-a.Y)*t, Angle: math.Atan2(b.Y-a.Y, b.X-a.X)}
}

// AtBead is where the middle of a bead lies, of the strand or of one of another section
// in its loop.
func (n *Necklace) AtBead(s *measure.Strand, bead int) Seat { return n.AlongBeads(s, s.Beads[bead].At) }

// AlongBeads is where a place among the beads of such a strand lies, in mm from its
// start as they lie tight.
func (n *Necklace) AlongBeads(s *measure.Strand, mm length.MM) Seat {
	start, slack := n.starts(s)
	return n.At(start + float64(mm)*stretched(s, slack))
}

// AlongCord is where a place along the cord of such a strand lies, in mm from its start.
func (n *Necklace) AlongCord(s *measure.Strand, mm length.MM) Seat {
	start, _ := n.starts(s)
	return n.At(start + float64(mm))
}

// starts is where a strand starts in the loop, and its slack there.
func (n *Necklace) starts(s *measure.Strand) (start float64, slack length.MM) {
	for _, o := range n.strand.Others() {
		if o.Strand.Row == s.Row {
			return float64(o.Start), o.Slack
		}
	}
	return 0, s.Slack
}
