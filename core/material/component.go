package material

import "mala/core/length"

// ComponentKind names what is made first and then used as one thing.
type ComponentKind string

// The kinds: a charm on its rings, a bead link on an eye pin, a drop on a head
// pin, a pendant that carries others, a tassel of cord, a pin coiled round the
// cord, a bead of beads, a bead whose own loop carries something, and several taken
// in turn.
const (
	CharmOnRings ComponentKind = "charm"
	BeadLink     ComponentKind = "link"
	PinDrop      ComponentKind = "drop"
	Pendant      ComponentKind = "pendant"
	Tassel       ComponentKind = "tassel"
	Coil         ComponentKind = "coil"
	BeadedBead   ComponentKind = "beaded"
	Carrier      ComponentKind = "carrier"
	// InCord is a drop of the strand's own cord; only lines have it.
	InCord ComponentKind = "in-cord"
	// LoopInCord is a bead with a loop of the strand's own cord through it.
	LoopInCord ComponentKind = "loop-in-cord"
	// InTurn is no thing of its own: each use takes the next of several.
	InTurn ComponentKind = "turn"
)

// ComponentKinds lists every kind of component.
func ComponentKinds() []ComponentKind {
	return []ComponentKind{CharmOnRings, BeadLink, PinDrop, Pendant, Tassel, Coil, BeadedBead, Carrier, InTurn}
}

// Hangs says whether such a component hangs on the cord; the others are strung
// through like a bead.
func (k ComponentKind) Hangs() bool {
	return k != Coil && k != BeadedBead && k != Carrier && k != InTurn
}

// Component is how a component is made and what that comes to. Its Bead is what a
// strand meets of it.
type Component struct {
	Kind    ComponentKind
	Parts   []PartCount // its own parts, from the top; components among them with theirs
	Rings   []*Material // from the cord down
	Pin     *Pin        // nil without one
	Below   []*Material // what hangs below
	Turn    []*Material // what is taken in turn
	Back    bool        // a mirror runs them back, each bead the same as the one it mirrors
	Strung  *Material   // of a carrier: the bead with a loop of its own
	OneCord bool        // it hangs on one of the cords that run side by side
	Cord    *Material   // of a tassel, in this many strands of this length
	Strands int
	Leg     length.MM
	Seats   []Seat // where all of it lies, to the last part

	Across    length.MM // hung: the greatest width; strung: across the cord
	Drop      length.MM // how far it reaches below the middle of a thin cord
	StandsOff length.MM // how far a coil's beads, or what a carrier carries, reach from the middle of the cord
	Sideways  bool      // a charm in it faces to the side
	Faces     bool      // it holds a charm that has a face
	Levels    int       // components in components, 1 for one of materials alone
}

// PartCount is this many of one material; of a cord, its length.
type PartCount struct {
	Of     *Material
	Count  int
	Length length.MM
}

// LoopKind says how a loop is made from a pin.
type LoopKind string

// A simple loop is turned and closed; a wrapped one winds its end round the stem.
const (
	SimpleLoop  LoopKind = "simple"
	WrappedLoop LoopKind = "wrapped"
)

// Loop is a loop turned from a pin.
type Loop struct {
	Kind   LoopKind
	Inside length.MM
	Turns  int // of a wrapped loop round the stem
}

// Pin is a pin with what is on it.
type Pin struct {
	Of        *Material
	Loop      Loop
	Crosswise bool // an eye pin's two loops lie crosswise
	Beads     []PinBead
	Stack     length.MM // the beads on it
	LoopTakes length.MM // wire that the loop takes
	Needed    length.MM // stack and loop
	Held      length.MM // the pin's own length
	Rod       length.MM // that a coil is wound on
	Turns     float64   // of a coil
	Coiled    length.MM // along the cord
}

// PinBead is a bead on a pin, its middle so far from the beginning of the stack.
type PinBead struct {
	Material *Material
	Turned   bool
	At       length.MM
}

// SeatRole says what lies in a seat.
type SeatRole string

// What a component is drawn of.
const (
	SeatRing   SeatRole = "ring"
	SeatLoop   SeatRole = "loop"
	SeatStem   SeatRole = "stem"
	SeatBead   SeatRole = "bead"
	SeatHead   SeatRole = "head"
	SeatCharm  SeatRole = "charm"
	SeatCoil   SeatRole = "coil"
	SeatTassel SeatRole = "tassel"
)

// Seat is where a part of a component lies, in mm from the middle of the cord:
// X along it to the right, Y away from it. Angle is how far its axis is turned from
// straight down, in radians. Long is its length along its axis, Wide across, Wire
// its gauge.
type Seat struct {
	Role             SeatRole
	Of               *Material
	X, Y, Angle      float64
	Long, Wide, Wire length.MM
	EdgeOn           bool // a ring or loop seen from its edge; a charm that faces to the side
	Turned           bool
}

// Hangs says whether the material is one thing that hangs: a charm, or a component
// that does.
func (m *Material) Hangs() bool {
	return m.Bead != nil && m.Bead.Hangs() && (m.Component == nil || m.Component.Kind != InTurn)
}

// HasLinks says whether the material is used by the link: a chain, or a bead link that
// hangs in others of its kind.
func (m *Material) HasLinks() bool { return m.Finding != nil && m.Finding.Type == Chain }

// LinkThick is how thick a chain of the material lies, from front to back: a link and
// the next one's wire in it, or the thickest bead of a bead link.
func (m *Material) LinkThick() length.MM {
	thick := 2 * m.Finding.Wire
	if m.Component != nil {
		for _, b := range m.Component.Pin.Beads {
			thick = max(thick, b.Material.Bead.Thick)
		}
	}
	return thick
}

// Each calls do for every part of the material, components broken down to what is
// bought, with how many there are of it. A material that is no component is its
// only part.
func (m *Material) Each(do func(of *Material, count int, mm length.MM)) { m.each(1, do) }

func (m *Material) each(times int, do func(of *Material, count int, mm length.MM)) {
	if m.Component == nil {
		do(m, times, 0)
		return
	}
	for _, p := range m.Component.Parts {
		if p.Of.Component != nil {
			p.Of.each(times*p.Count, do)
			continue
		}
		do(p.Of, times*p.Count, p.Length*length.MM(times))
	}
}
