package material

import (
	"fmt"

	"mala/core/length"
)

// Shape names the form of a bead. Two-hole beads and components have no shape
// here: they are no single thing that slides on one cord.
type Shape string

// The shapes.
const (
	Round     Shape = "round"
	Oval      Shape = "oval"
	Rondelle  Shape = "rondelle"
	Bicone    Shape = "bicone"
	Tube      Shape = "tube"
	Cube      Shape = "cube"
	Coin      Shape = "coin"
	Disc      Shape = "disc"
	Drop      Shape = "drop"
	Nugget    Shape = "nugget"
	Chip      Shape = "chip"
	Seed      Shape = "seed"
	LargeHole Shape = "large-hole"
	Cap       Shape = "cap"
	Button    Shape = "button"
	Spacer    Shape = "spacer"
	Letter    Shape = "letter"
	Beaded    Shape = "beaded"
	Focal     Shape = "focal"
	// Charm hangs from a ring on the cord: it takes the ring's wire of strand.
	Charm Shape = "charm"
	// Coiled is the wire of a pin wound round the cord; only components have it.
	Coiled Shape = "coil"
	// Fringe is the cord that leaves the strand, hangs with its own beads, and comes back.
	Fringe Shape = "fringe"
	// Looped is a bead with a loop of the strand's own cord through it.
	Looped Shape = "looped"
	// Gap is bare cord between two beads, which stands in a sequence like one.
	Gap Shape = "gap"
)

// Shapes lists every shape there is.
func Shapes() []Shape {
	return []Shape{Round, Oval, Rondelle, Bicone, Tube, Cube, Coin, Disc, Drop, Nugget, Chip, Seed,
		LargeHole, Cap, Button, Spacer, Letter, Beaded, Focal, Charm}
}

// Bead is anything that slides on one cord through one hole.
type Bead struct {
	Shape  Shape
	Across length.MM // diameter across the hole, the wide way of a flat bead
	Thick  length.MM // front to back
	Along  length.MM // along the hole, at its rim; not for rounds and caps
	Hole   length.MM // diameter of the hole
	Depth  length.MM // inner depth of a cap
	Wall   length.MM // wall of a cap
	Drop   length.MM // how far a charm hangs below the cord; its hole is its ring's inside, its length the ring's wire
	// StandsOff is how far the beads of a coil reach from the middle of the cord, and
	// Inwards how far towards the body: coils turn, and their beads lean aside there.
	StandsOff, Inwards length.MM
	// Loop is the inside of a bead's own loop below it, of LoopWire; 0 without one.
	Loop, LoopWire length.MM
	// HoleOff is how far the hole lies from the bead's middle, and HoleTo towards what:
	// the heavier side hangs down, lies in front, or lies to the body.
	HoleOff length.MM
	HoleTo  Toward
	// Holes are those through the face of a flat that can be laced, 2 or 4 in a square, Apart
	// from middle to middle; 0 with one hole.
	Holes   int
	Apart   length.MM
	Flat    *Flat // how it lies, of one that is laced
	OneCord bool  // it hangs on one of the cords that run side by side
	Facing  Facing
	Drilled Drilled
	Sized   Sized
	Run     Run

	faces [2]Face // the left and the right one, round the hole
	body  [2]Face // those round the bead's middle, as it is drawn
	scale float64
}

// Hides says whether a bead of the shape closes round a knot in its hole: a cap
// and a charm's ring are open, and a coil is.
func Hides(s Shape) bool {
	return s != Cap && s != Charm && s != Coiled && s != Gap && s != Fringe && s != Looped && s != Laced
}

// Hangs says whether the bead hangs on the cord, by a ring or as the cord itself.
func (b *Bead) Hangs() bool { return b.Shape == Charm || b.Shape == Fringe }

// Swallows says whether the other bead passes into the hole of this one. What
// hangs on the cord does so only with its whole ring.
func (b *Bead) Swallows(other *Bead) bool {
	if b.Hangs() {
		return false
	}
	if other.Hangs() {
		return other.Hole+2*other.Along < b.Hole
	}
	return b.Hole > other.Across
}

// Look is what a thing is drawn from: a colour as #rrggbb, a finish, and a
// second colour for patterns and linings.
type Look struct {
	Colour, Finish, Second string
}

// Finishes lists the surfaces a bead can be drawn with.
func Finishes() []string {
	return []string{"glass", "pearl", "metal", "matte", "wood", "stone", "faceted", "lined", "lava", "translucent", "pattern"}
}

// The sizes that are taken for real. A bead below the least or above the most
// is a slip of the pen.
const (
	LeastSize = length.MM(0.1)
	MostSize  = length.MM(200)
	// mostRun is how many beads one measured run may hold.
	mostRun = 1000
)

// NewBead checks the measurements, fills in what they imply and works out the
// faces. The error is a sentence naming the measurement that is out of range.
func NewBead(b Bead) (*Bead, error) {
	if b.Thick == 0 {
		b.Thick = b.Across
	}
	if b.Facing == "" {
		b.Facing = FacingNone
		if b.Shape == Cap {
			b.Facing = FacingForeAft
		}
	}
	if b.Shape == Round {
		b.Along = 0
	}
	if err := b.checkSizes(); err != nil {
		return nil, err
	}
	if err := b.checkHole(); err != nil {
		return nil, err
	}
	if err := b.checkHoles(); err != nil {
		return nil, err
	}
	b.scale = 1
	b.body = b.shapeFaces()
	b.faces = b.roundHole()
	if b.Run.Count > 0 {
		if err := b.scaleToRun(); err != nil {
			return nil, err
		}
	}
	return &b, nil
}

// shapeFaces gives the two faces of the shape before any measured run.
func (b *Bead) shapeFaces() [2]Face {
	if b.Shape == Charm {
		b.scale = 1
		return [2]Face{b.Hung(0), b.Hung(0)}
	}
	p := b.shapeProfile()
	f := Face{rim: float64(b.Hole) / 2, edge: float64(b.Across) / 2, falls: p.falls, flat: p.flat, hole: b.Hole}
	left, right := f, f
	left.z, right.z, right.mouth = p.left, p.right, p.mouth
	return [2]Face{left.scaled(1), right.scaled(1)}
}

// scaleTo stretches the faces along the hole.
func (b *Bead) scaleTo(scale float64) {
	b.scale = scale
	for i := range b.faces {
		b.faces[i], b.body[i] = b.faces[i].scaled(scale), b.body[i].scaled(scale)
	}
}

func (b *Bead) checkSizes() error {
	type size struct {
		name  string
		value length.MM
	}
	sizes := []size{{"acrossMm", b.Across}, {"thickMm", b.Thick}}
	switch b.Shape {
	case Round:
	case Cap:
		sizes = append(sizes, size{"depthMm", b.Depth}, size{"wallMm", b.Wall})
	default:
		sizes = append(sizes, size{"alongMm", b.Along})
	}
	if b.Shape == Charm {
		sizes = append(sizes, size{"dropMm", b.Drop})
	}
	if b.Loop != 0 {
		sizes = append(sizes, size{"loopMm", b.Loop}, size{"loopWireMm", b.LoopWire})
	}
	for _, s := range sizes {
		if !(s.value >= LeastSize && s.value <= MostSize) {
			return fmt.Errorf("%s; a bead measures between %v and %v mm.", measured(s.name, s.value), float64(LeastSize), float64(MostSize))
		}
	}
	if !(b.Hole >= LeastSize) {
		return fmt.Errorf("%s; a hole measures at least %v mm.", measured("holeMm", b.Hole), float64(LeastSize))
	}
	if b.Hole >= b.Across || b.Hole >= b.Thick {
		return fmt.Errorf("The hole is %v mm, but the bead is only %v mm thick; a hole is narrower than its bead.", float64(b.Hole), float64(min(b.Across, b.Thick)))
	}
	if b.Shape == Round && b.Thick != b.Across {
		return fmt.Errorf("The thickness is %v mm on a round bead %v mm across; a flattened one is an oval or a coin.", float64(b.Thick), float64(b.Across))
	}
	return nil
}

// scaleToRun stretches the faces along the hole so that the run measures what
// it was measured to.
func (b *Bead) scaleToRun() error {
	n, long := b.Run.Count, b.Run.Measured
	if n > mostRun || n < 1 {
		return fmt.Errorf("The measured run has %d beads; measure between 1 and %d beads.", n, mostRun)
	}
	if !(long >= LeastSize && long <= MostSize*mostRun) {
		return fmt.Errorf("%s; type what the %d beads measure together.", measured("runMm", long), n)
	}
	left, right := b.Face(false), b.Face(true)
	plain := left.Reach() + right.Reach()
	if n > 1 {
		joint, _ := Touch(right, left)
		plain += joint.Distance * length.MM(n-1)
	}
	if plain <= 0 {
		return fmt.Errorf("A measured run does not apply: by their other sizes %d of these beads have no length.", n)
	}
	scale := float64(long / plain)
	if scale < 0.2 || scale > 5 {
		return fmt.Errorf("The measured run is %v mm long, but by their other sizes %d beads measure about %.1f mm; measure again.", float64(long), n, float64(plain))
	}
	b.scaleTo(scale)
	return nil
}
