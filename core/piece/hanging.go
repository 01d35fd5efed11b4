package piece

import (
	"slices"

	"mala/core/length"
)

// Hanging is where an ornament hangs, and what its top loop goes over.
type Hanging struct {
	At    string    // window, mirror or key; empty where it is not said
	Over  string    // what hangs it up, or itself: it is drawn through its own loop; empty takes neither
	Girth length.MM // round what hangs it up, at its widest; 0 where not known
}

// Where an ornament hangs, and what its loop goes over.
const (
	AtWindow    = "window"
	AtMirror    = "mirror" // of a vehicle
	AtKey       = "key"
	OverSupport = "support"
	OverItself  = "itself"
)

// Hangs says whether the piece is an ornament that hangs by its right end, its foot at the
// left, and is worn on no body.
func (p *Piece) Hangs() bool { return p.Closure.Type == Hung }

// mostSupport is how far round what hangs an ornament up is at most.
const mostSupport = length.MM(1000)

// checkHanging holds an ornament to what hangs, and everything else to what does not.
func (p *Piece) checkHanging(add adder) {
	if (p.Kind == Ornament) != p.Hangs() {
		add("closure.type", "An ornament hangs, and only ornaments do: kind ornament goes with closure hung.")
	}
	if p.Hangs() && p.Body != nil {
		add("body", "Ornaments are not worn. Leave the body out.")
	}
	h := p.Hanging
	switch {
	case h == nil:
		return
	case !p.Hangs():
		add("hanging", "Only an ornament hangs. Leave it out, or make the piece one.")
		return
	}
	if h.At != "" && !slices.Contains([]string{AtWindow, AtMirror, AtKey}, h.At) {
		add("hanging.at", "%q is no place to hang it. Use window, mirror or key.", h.At)
	}
	if h.Over != "" && !slices.Contains([]string{OverSupport, OverItself}, h.Over) {
		add("hanging.over", "%q is nothing that a loop goes over. Use support or itself.", h.Over)
	}
	checkRange(add, "hanging.girthMm", h.Girth, 0, mostSupport)
}
