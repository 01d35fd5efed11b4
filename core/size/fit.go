// Package size holds a measured piece against the body it is worn on: ease and
// its words, what it must pass to go on, and the finished length that would
// suit.
package size

import (
	"cmp"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// What stands in for a measure that was not taken, and how far elastic goes that
// does not say: domain figures.
const (
	handPerWrist   = 1.25
	headUnknown    = length.MM(600)
	elasticStretch = 1.4
)

// Fit is how a piece sits on the body it is for.
type Fit struct {
	Inside  length.MM
	Measure length.MM
	Ease    length.MM
	Tied    length.MM    // cord of the legs that must stay between the ends for that ease
	Word    string       // of the range the ease lies in; too tight or too loose outside all
	Wanted  []piece.Ease // the ranges that are right: the one that was asked for, or all
	Passage *Passage     // of a piece that does not open
	Middle  length.MM    // the ease in the middle of what is wanted
}

// Passage is what a piece that does not open must go over.
type Passage struct {
	Over      string // hand, head
	Need      length.MM
	Measured  bool      // the need was measured, not taken from the wrist or the usual head
	Stretched length.MM // the inside length at full stretch
	Stretch   float64   // how many times its length the cord goes
	Passes    bool
}

// Words for an ease outside every range.
const (
	TooTight = "too tight"
	TooLoose = "too loose"
)

// Of works out the fit; nil if the piece has no inside length, or for no one
// whose measure is known.
func Of(m *measure.Measured) *Fit {
	if m.Piece.Body == nil || m.Piece.Body.Measure <= 0 {
		return nil
	}
	return OfRow(m, m.Binding())
}

// OfRow is that of one row, as worn by itself.
func OfRow(m *measure.Measured, s *measure.Strand) *Fit {
	p := m.Piece
	if p.Body == nil || p.Body.Measure <= 0 {
		return nil
	}
	inside, ok := s.Inside()
	if !ok {
		return nil
	}
	f := &Fit{Inside: inside, Measure: p.Body.Measure, Ease: inside - p.Body.Measure}
	f.Wanted = Ranges(p)
	if p.Closure.Type == piece.Tied && len(f.Wanted) > 0 {
		f.Tied = max(0, min(legs(m), f.Wanted[0].From-f.Ease))
		f.Ease += f.Tied
	}
	f.Word = f.word(allRanges(p))
	f.Middle = middle(f.Wanted)
	if p.SlipsOn() {
		f.Passage = passage(m, s, inside)
	}
	return f
}

// legs is how far apart the wearer can tie a piece: both legs, less what the knot
// takes of them.
func legs(m *measure.Measured) length.MM {
	row, sum := m.Leading().Row, length.MM(0)
	for _, side := range piece.Sides() {
		if e := row.Ending(side); e.Way == piece.WayLeg {
			sum += e.Leg
		}
	}
	return max(0, sum-length.MM(m.Piece.House.KnotCord())*row.Cord.Cord.Diameter)
}

// stretches says whether the piece is strung on elastic.
func stretches(p *piece.Piece) bool { return p.Leading().Cord.Cord.Type == material.Elastic }

// allRanges are the house's ranges of ease for this part of the body and way of
// closing, the tightest first. What slips on without stretching has none: it has
// to pass the hand, so it cannot sit close.
func allRanges(p *piece.Piece) []piece.Ease {
	if p.SlipsOn() && !stretches(p) {
		return nil
	}
	var out []piece.Ease
	for _, e := range p.House.Ease {
		if e.Part == p.Body.Part && e.Stretch == p.SlipsOn() {
			out = append(out, e)
		}
	}
	slices.SortStableFunc(out, func(a, b piece.Ease) int { return cmp.Compare(a.From, b.From) })
	return out
}

// Ranges are those of them that are right for the piece: the one with the word
// its body asks for, or all.
func Ranges(p *piece.Piece) []piece.Ease {
	if p.Body == nil {
		return nil
	}
	all := allRanges(p)
	for i, e := range all {
		if e.Word == p.Body.Fit {
			return all[i : i+1]
		}
	}
	return all
}

// Unlimited says whether the range has no upper end.
func Unlimited(e piece.Ease) bool { return e.To == 0 && e.From >= 0 }

// nearly keeps a rounding from deciding.
const nearly = length.MM(0.05)

func within(e piece.Ease, ease length.MM) bool {
	return ease >= e.From-nearly && (Unlimited(e) || ease <= e.To+nearly)
}

// Suits says whether the ease lies in what is wanted.
func (f *Fit) Suits() bool {
	for _, e := range f.Wanted {
		if within(e, f.Ease) {
			return true
		}
	}
	return len(f.Wanted) == 0
}

// Loosen is the fit with so much more inside, as at another link of an extender.
func (f *Fit) Loosen(p *piece.Piece, by length.MM) {
	f.Inside += by
	f.Ease += by
	f.Word = f.word(allRanges(p))
}

// AsItIs says whether the piece suits, passes, and could be longer and suit still.
func (f *Fit) AsItIs() bool {
	n := len(f.Wanted)
	return n > 0 && Unlimited(f.Wanted[n-1]) && f.Suits() && (f.Passage == nil || f.Passage.Passes)
}

func (f *Fit) word(all []piece.Ease) string {
	if len(all) == 0 {
		return ""
	}
	for _, e := range all {
		if within(e, f.Ease) {
			return e.Word
		}
	}
	if f.Ease < all[0].From {
		return TooTight
	}
	return TooLoose
}

// comfortable is the word of the range that is aimed at where there is one.
const comfortable = "comfortable"

// middle is the ease to aim at: the middle of what is comfortable, else of the range in the
// middle, or the least where that has no upper end.
func middle(wanted []piece.Ease) length.MM {
	if len(wanted) == 0 {
		return 0
	}
	e := wanted[(len(wanted)-1)/2]
	for _, one := range wanted {
		if one.Word == comfortable {
			e = one
		}
	}
	if Unlimited(e) {
		return e.From
	}
	return (e.From + e.To) / 2
}

// passage works out what a piece that does not open must go over. A beaded
// elastic opens by its own stretch: what the cord gains, the inside gains.
func passage(m *measure.Measured, s *measure.Strand, inside length.MM) *Passage {
	b := m.Piece.Body
	pass := &Passage{Stretch: stretch(m)}
	pass.Stretched = inside + length.MM(pass.Stretch-1)*s.Finished()
	if times := length.MM(m.Piece.Times()); times > 1 {
		// The last turn goes on while the others lie round the body already.
		pass.Stretched = times*inside + length.MM(pass.Stretch-1)*s.Finished() - (times-1)*b.Measure
	}
	switch b.Part {
	case "wrist":
		pass.Over, pass.Need, pass.Measured = "hand", b.Hand, b.Hand > 0
		if !pass.Measured {
			pass.Need = handPerWrist * b.Measure
		}
	case "neck":
		pass.Over, pass.Need, pass.Measured = "head", b.Head, b.Head > 0
		if !pass.Measured {
			pass.Need = headUnknown
		}
	default:
		return nil // what a foot takes is not known
	}
	pass.Passes = pass.Stretched >= pass.Need-nearly
	return pass
}

// stretch is how many times its length the strand's cord stretches to.
func stretch(m *measure.Measured) float64 {
	c := m.Leading().Row.Cord.Cord
	switch {
	case c.Type != material.Elastic:
		return 1
	case c.Stretch > 0:
		return c.Stretch
	}
	return elasticStretch
}

// Suited is the finished length, or the strung one where the target counts the
// beads alone, at which the piece would have the wanted ease: what it measures
// now and the ease it lacks. Where ease has no upper limit a piece that suits is
// right as it is. It is rounded to the whole millimetre.
func (f *Fit) Suited(m *measure.Measured) length.MM {
	if f.AsItIs() || f.Tied > 0 && f.Suits() {
		return whole(m.ForTarget)
	}
	want := f.Measure + f.Middle
	if p := f.Passage; p != nil {
		want = max(want, f.Inside+(p.Need-p.Stretched)/length.MM(p.Stretch)/length.MM(m.Piece.Times()))
	}
	return whole(m.ForTarget + length.MM(m.Piece.Times())*(want-f.Inside))
}

func whole(l length.MM) length.MM { return length.MM(math.Round(float64(l))) }

// Band is the ease that is right: from the least that is not too tight to the most that is not too
// loose; where that has no upper end, to a little over what is aimed at.
func (f *Fit) Band() (least, most length.MM) {
	const some = 5
	if len(f.Wanted) == 0 {
		return f.Middle - some, f.Middle + some
	}
	first, last := f.Wanted[0], f.Wanted[len(f.Wanted)-1]
	if Unlimited(last) {
		return max(first.From, f.Middle-some), f.Middle + some
	}
	return first.From, last.To
}

// Tolerated is how far from what is aimed at the ease may lie, in mm, on the side where that is more.
func (f *Fit) Tolerated() float64 {
	least, most := f.Band()
	return max(1, float64(f.Middle-least), float64(most-f.Middle))
}
