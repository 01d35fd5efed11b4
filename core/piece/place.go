package piece

// ID names a row or a fitting within its piece. It stays the same as long as
// the thing does, whatever is put in before it.
type ID string

// Side is one of the two ends of a row or a closure.
type Side string

// The two sides.
const (
	Left  Side = "left"
	Right Side = "right"
)

// Sides lists both sides, the left one first.
func Sides() []Side { return []Side{Left, Right} }

// Other is the side across.
func (s Side) Other() Side {
	if s == Left {
		return Right
	}
	return Left
}

// NoElement is the Element of a place that is no bead.
const NoElement = -1

// Place names anything in a piece that can be found, selected, edited or judged:
// the piece itself, a row, one of its ends, a fitting, a bead. What does not
// apply is left empty; Element is NoElement where it is no bead.
type Place struct {
	Row     ID
	Side    Side
	Fitting ID
	Element int // which bead of the row, from 0
}

// Whole is the place of the piece as a whole.
func Whole() Place { return Place{Element: NoElement} }

// At is the place of the row as a whole.
func (r *Row) At() Place { return Place{Row: r.ID, Element: NoElement} }

// AtEnd is the place of one end of the row.
func (r *Row) AtEnd(side Side) Place { return Place{Row: r.ID, Side: side, Element: NoElement} }

// AtBead is the place of one bead of the row.
func (r *Row) AtBead(element int) Place { return Place{Row: r.ID, Element: element} }

// Covers says whether the place is the other or holds it.
func (p Place) Covers(other Place) bool {
	return (p.Row == "" || p.Row == other.Row) && (p.Side == "" || p.Side == other.Side) &&
		(p.Fitting == "" || p.Fitting == other.Fitting) && (p.Element == NoElement || p.Element == other.Element)
}
