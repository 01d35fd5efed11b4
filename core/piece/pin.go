package piece

import (
	"slices"

	"mala/core/pattern"
)

// Pin keeps something as it is while a piece is brought to a length: a whole row, a run or
// group of it as it is written, or the beads of a letter.
type Pin struct {
	Row    ID     // empty for any
	Run    string // as the line has it: 9P
	Nth    int    // which of several written alike, from 0
	Letter string
}

// Names says whether the pin names the node of a line.
func (p Pin) Names(line *pattern.Line, n *pattern.Node) bool {
	seen := 0
	for _, other := range line.Nodes {
		if other.String() != p.Run {
			continue
		}
		if other == n {
			return seen == p.Nth
		}
		seen++
	}
	return false
}

// Pinned says whether a run or group of a row may not change: it is pinned itself or a part of a
// group that is, holds a letter that is, or lies in a row that is.
func Pinned(pins []Pin, row *Row, n *pattern.Node) bool {
	for _, pin := range pins {
		switch {
		case pin.Row != "" && pin.Row != row.ID:
		case pin.Letter != "":
			if n.Has(pin.Letter) {
				return true
			}
		case pin.Run == "":
			return true
		default:
			for _, other := range row.Line.Nodes {
				if (other == n || other.Contains(n)) && pin.Names(row.Line, other) {
					return true
				}
			}
		}
	}
	return false
}

// RowPinned says whether nothing of a row may change.
func RowPinned(pins []Pin, row *Row) bool {
	return slices.ContainsFunc(pins, func(pin Pin) bool {
		return pin.Letter == "" && pin.Run == "" && (pin.Row == "" || pin.Row == row.ID)
	})
}

// mostPins is how many things are pinned at most.
const mostPins = 100

// mostRun is how long a run is written at most, in bytes.
const mostRun = 4096

// checkPins holds pins to rows and letters that are there; a run that is written otherwise now
// is pinned no more.
func (p *Piece) checkPins(add adder) {
	if len(p.Pins) > mostPins {
		add("pins", "At most %d things are pinned. Unpin some.", mostPins)
	}
	for _, pin := range p.Pins {
		switch {
		case pin.Row != "" && p.Row(pin.Row) == nil:
			add("pins", "%q is no row of this piece. Unpin it.", string(pin.Row))
		case pin.Letter != "" && p.Palette[pin.Letter] == nil:
			add("pins", "There is no dish %s. Unpin it.", pin.Letter)
		case pin.Nth < 0 || len(pin.Run) > mostRun:
			add("pins", "A pin names a run as the line has it, and which of several, from 0.")
		}
	}
}
