package material

import (
	"fmt"
	"math"

	"mala/core/length"
)

// FindingType names a finding.
type FindingType string

// The findings.
const (
	CrimpTube  FindingType = "crimp-tube"
	CrimpBead  FindingType = "crimp-bead"
	CrimpCover FindingType = "crimp-cover"
	WireGuard  FindingType = "wire-guard"
	CordEnd    FindingType = "cord-end"  // folds over the end of a cord, with an eye
	ConeEnd    FindingType = "cone-end"  // a cone over the knot, its outside the mouth's width, its inside that of its tip, with an eye
	FoldOver   FindingType = "fold-over" // a trough of two flaps, its inside the trough's width, with an eye
	JumpRing   FindingType = "jump-ring"
	SplitRing  FindingType = "split-ring"
	Lobster    FindingType = "lobster"
	SpringRing FindingType = "spring-ring"
	Toggle     FindingType = "toggle"
	Hook       FindingType = "hook"
	SHook      FindingType = "s-hook"
	Magnetic   FindingType = "magnetic"
	Slide      FindingType = "slide"
	ButtonEnd  FindingType = "button" // its outside is its width, its length how thick it is, its inside the shank's; a loop goes over it
	Extender   FindingType = "extender"
	Chain      FindingType = "chain"     // by the link: its inside is a link's
	Connector  FindingType = "connector" // a bar with a hole for each row on one side and an eye on the other
	FocalBar   FindingType = "focal-bar" // tied at both ends: its length is from hole to hole, its outside its width, its wire how thick it is, its inside a hole's
	HeadPin    FindingType = "head-pin"  // its length is the stem's; outside is its head
	EyePin     FindingType = "eye-pin"   // its length is the stem's; inside is its eye
)

// FindingTypes lists every type of finding there is.
func FindingTypes() []FindingType {
	return []FindingType{CrimpTube, CrimpBead, CrimpCover, WireGuard, CordEnd, ConeEnd, FoldOver, JumpRing, SplitRing,
		Lobster, SpringRing, Toggle, Hook, SHook, Magnetic, Slide, ButtonEnd, Extender, Chain, Connector, FocalBar, HeadPin, EyePin}
}

// Finding is a metal part that ends, joins or closes a strand.
type Finding struct {
	Type     FindingType
	Inside   length.MM // inside diameter of a crimp, cover or ring; inside length of an extender's links
	Outside  length.MM // outside diameter of a crimp or cover; width of a bead link
	Length   length.MM // along the strand
	Closed   length.MM // a clasp, from the inside of one eye to the inside of the other
	Wire     length.MM // gauge of a ring's, link's or clasp's wire
	Joint    string    // open, soldered or split, for rings and links
	Form     string    // round or oval, for rings; flat or ball, for buttons
	Eye      string    // open or closed, for clasps
	Holes    int       // for rows, of a slide clasp or a connector
	Spacing  length.MM // from hole to hole
	Rise     length.MM // of a bar: how far its middle rises above the line between its holes, away from the body
	Links    int       // of an extender
	Strength float64   // newtons; 0 if not known

	RingInside   length.MM // toggle: inside of the ring
	RingEye      length.MM // toggle: inside of the ring's eye
	Bar          length.MM // toggle: length of the bar
	BarThickness length.MM // toggle
	BarEye       length.MM // toggle: inside of the bar's eye
}

// IsCrimp says whether the finding grips the cord.
func (f *Finding) IsCrimp() bool { return f.Type == CrimpTube || f.Type == CrimpBead }

// IsRing says whether the finding is a jump or split ring.
func (f *Finding) IsRing() bool { return f.Type == JumpRing || f.Type == SplitRing }

// IsPin says whether the finding is a pin, for components.
func (f *Finding) IsPin() bool { return f.Type == HeadPin || f.Type == EyePin }

// IsClasp says whether the finding closes the piece.
func (f *Finding) IsClasp() bool {
	switch f.Type {
	case Lobster, SpringRing, Toggle, Hook, SHook, Magnetic, Slide, ButtonEnd:
		return true
	}
	return false
}

// HasTwoHalves says whether a clasp's other half hangs at the other end, so that
// it closes in one place only. The others hook into a ring or link.
func (f *Finding) HasTwoHalves() bool {
	return f.Type == Toggle || f.Type == Magnetic || f.Type == Slide || f.Type == ButtonEnd
}

// MostLinks is how many links an extender may have.
const MostLinks = 200

// MostHoles is how many rows a clasp or a connector may take in holes of their own.
const MostHoles = 7

func leastHoles(t FindingType) int {
	if t == Connector {
		return 2
	}
	return 1
}

// LinkMass is the mass in grams of one link of a chain that is not weighed, from its
// wire at the density of brass.
func (f *Finding) LinkMass() float64 {
	w := float64(f.Wire)
	return math.Pi * float64(f.Inside+f.Wire) * math.Pi / 4 * w * w * 8.5 / 1000
}

// LinkWidth is how wide a chain lies: a bead link as wide as its widest bead; of a link
// that is not measured across three fifths of its length inside, and its wire on both
// sides.
func (f *Finding) LinkWidth() length.MM {
	if f.Outside > 0 {
		return f.Outside
	}
	return f.Inside*3/5 + 2*f.Wire
}

// LostInCutting is how many links are lost where a length is cut off: none of a chain
// whose links open.
func (f *Finding) LostInCutting() int {
	if f.IsOpen() {
		return 0
	}
	return 1
}

// MeanRadius is the radius of a ring's wire line, where a load bends it.
func (f *Finding) MeanRadius() length.MM { return (f.Inside + f.Wire) / 2 }

// Holds is the load in newtons that the finding bears: its own figure if it has
// one; an open round ring bends open at about 300 N/mm² x wire³ / (6 x mean
// radius). False where nothing is known.
func (f *Finding) Holds() (newtons float64, known bool) {
	if f.Strength > 0 {
		return f.Strength, true
	}
	if f.Type == JumpRing && f.IsOpen() && f.Form != "oval" {
		w := float64(f.Wire)
		return 300 * w * w * w / (6 * float64(f.MeanRadius())), true
	}
	return 0, false
}

// IsOpen says whether a ring or a clasp's eye can be opened to go onto a closed
// one. A ring that is not said to be soldered is a cut one; the eye of a clasp
// that is not said to be open is closed.
func (f *Finding) IsOpen() bool {
	switch {
	case f.Type == SplitRing:
		return true
	case f.IsRing():
		return f.Joint != "soldered"
	case f.Type == Extender || f.Type == Chain:
		return f.Joint == "open"
	}
	return f.Eye == "open"
}

// InSeries is the length the finding adds to a piece pulled tight: a ring its
// inside; a chain that of each link; an extender the inside of the one link its clasp is hooked into
// nearest the piece; a fold-over end its trough and its eye, a cone end without a
// bead in it its length and its eye; a button its shank, round which its loop
// lies; a clasp as closed, from eye to eye, measured if known, else its overall
// length less twice its wire; a toggle the ring's eye, its wire, the ring's inside
// and the bar's eye; all else its length.
func (f *Finding) InSeries() length.MM {
	switch {
	case f.IsRing() || f.Type == Extender || f.Type == Chain:
		return f.Inside
	case f.Type == FoldOver || f.Type == ConeEnd:
		return f.Length + f.RingEye
	case f.Type == ButtonEnd:
		return f.Inside
	case f.IsClasp() && f.Closed > 0:
		return f.Closed
	case f.Type == Toggle:
		return f.RingEye + f.Wire + f.RingInside + f.BarEye
	case f.IsClasp():
		return f.Length - 2*f.Wire
	}
	return f.Length
}

// NewFinding checks the measurements the type needs. The error is a sentence
// naming the one that is missing or out of range.
func NewFinding(f Finding) (*Finding, error) {
	var needs map[string]length.MM
	switch {
	case f.IsCrimp():
		needs = map[string]length.MM{"insideMm": f.Inside, "outsideMm": f.Outside, "lengthMm": f.Length}
	case f.IsRing() || f.Type == Extender || f.Type == Chain:
		needs = map[string]length.MM{"insideMm": f.Inside, "wireMm": f.Wire}
	case f.Type == ButtonEnd || f.Type == ConeEnd:
		needs = map[string]length.MM{"insideMm": f.Inside, "outsideMm": f.Outside, "lengthMm": f.Length}
	case f.Type == FoldOver:
		needs = map[string]length.MM{"insideMm": f.Inside, "lengthMm": f.Length, "ringEyeMm": f.RingEye}
	case f.Type == FocalBar:
		needs = map[string]length.MM{"lengthMm": f.Length, "outsideMm": f.Outside, "wireMm": f.Wire, "insideMm": f.Inside}
	case f.Type == HeadPin:
		needs = map[string]length.MM{"lengthMm": f.Length, "wireMm": f.Wire, "outsideMm": f.Outside}
	case f.Type == EyePin:
		needs = map[string]length.MM{"lengthMm": f.Length, "wireMm": f.Wire, "insideMm": f.Inside}
	case f.Type == CrimpCover:
		needs = map[string]length.MM{"outsideMm": f.Outside, "lengthMm": f.Length}
	case f.IsClasp() && f.Closed > 0:
		needs = map[string]length.MM{"closedMm": f.Closed}
	case f.Type == Toggle:
		needs = map[string]length.MM{"ringInsideMm": f.RingInside, "ringEyeMm": f.RingEye, "wireMm": f.Wire, "barEyeMm": f.BarEye}
	default:
		needs = map[string]length.MM{"lengthMm": f.Length}
	}
	for _, name := range []string{"insideMm", "outsideMm", "lengthMm", "wireMm", "closedMm", "ringInsideMm", "ringEyeMm", "barEyeMm"} {
		value, needed := needs[name]
		if needed && !(value >= LeastSize && value <= MostSize) {
			return nil, fmt.Errorf("%s; that of %s is between %v and %v mm.", measured(name, value), a(f.Type), float64(LeastSize), float64(MostSize))
		}
	}
	if f.IsCrimp() && f.Inside >= f.Outside {
		return nil, fmt.Errorf("The inside is %v mm, but the crimp is only %v mm outside; a tube has a wall.", float64(f.Inside), float64(f.Outside))
	}
	if f.Type == ConeEnd && f.Inside >= f.Outside {
		return nil, fmt.Errorf("The inside of the tip is %v mm, but the mouth is only %v mm wide; a cone narrows to its tip.", float64(f.Inside), float64(f.Outside))
	}
	if f.Type == Connector && f.Holes < 2 || f.Holes != 0 && (f.Holes < 1 || f.Holes > MostHoles) {
		return nil, fmt.Errorf("It has %d holes; %s has between %d and %d.", f.Holes, a(f.Type), leastHoles(f.Type), MostHoles)
	}
	if f.Holes > 1 && !(f.Spacing >= LeastSize && f.Spacing <= MostSize) {
		return nil, fmt.Errorf("%s; with %d holes say how far apart they are, between %v and %v mm.", measured("spacingMm", f.Spacing), f.Holes, float64(LeastSize), float64(MostSize))
	}
	if f.Type == Extender && (f.Links < 1 || f.Links > MostLinks) {
		return nil, fmt.Errorf("It has %d links; an extender has between 1 and %d links.", f.Links, MostLinks)
	}
	if f.Rise != 0 && (f.Type != FocalBar || !(f.Rise > 0 && f.Rise <= f.Length/2)) {
		return nil, fmt.Errorf("The rise of its middle is %v mm; a bar's middle rises by up to half of its length.", float64(f.Rise))
	}
	if f.InSeries() <= 0 {
		return nil, fmt.Errorf("The length is %v mm, which twice its wire of %v mm uses up; give the length closed, from eye to eye.", float64(f.Length), float64(f.Wire))
	}
	return &f, nil
}
