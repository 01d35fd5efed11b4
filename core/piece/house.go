package piece

import (
	"mala/core/length"
	"mala/core/material"
)

// House is the shop's way of working. Each choice has its schools; a piece may
// override any of them.
type House struct {
	Crimp          string    // how a crimp is closed: folded, flat or three-sided
	Guards         string    // wire guards: always, single (not on rows side by side) or never
	GuardThreads   string    // how often the cord is led through a guard: once or twice
	Covers         string    // crimp covers: yes or no
	Attach         string    // how a clasp is put on: direct, jump-rings or split-rings
	Slack          string    // snug: what bending needs; easy: 2 mm more
	Tail           string    // tucked back through the beads, trimmed short, or through this many beads
	TailLength     length.MM // how far a tail is tucked
	TailBeads      int       // through how many beads it goes, if that is counted
	Allowance      string    // working allowance at the ends: spool, standard, generous
	Stopper        string    // how the end strung first is held: stopped by something, crimped, or on the spool
	Loop           length.MM // inside of the wire's own loop beyond a crimp
	OrnamentCounts string    // loop: the target of an ornament counts the loop it hangs by; foot: only what hangs below it
	TargetCounts   string    // closed: a target counts the clasp; beads: the beads alone
	ElasticTail    length.MM // left at each end of an elastic to tie it
	ChildTail      length.MM // the same in a child's batch
	Knot           string    // surgeons, square or triple
	KnotPlace      string    // hidden in a bead where one takes it, hidden, or shown
	Glue           string    // yes or no, on knots
	Thread         string    // single or doubled
	Order          string    // strung from the left, or from the centre outwards
	PinLoops       string    // what a loop takes of its pin: by its size, or a fixed length
	FixedLoop      length.MM // that length
	Needle         length.MM // thickness of the needle that thread goes on with
	// What has to hang below wire of this many strands to pull its curl out, in grams.
	Curl7, Curl19, Curl49 float64
	Unit                  length.Unit
	Ease                  []Ease
	Sizes                 []BodySize
	Lengths               []NamedLength
}

// Ease is a range of inside length less body measure, and the word for it.
type Ease struct {
	Part     string // wrist, neck, ankle
	Stretch  bool   // for pieces that slip on, not for ones that open
	Word     string
	From, To length.MM // To is 0 where there is no upper limit
}

// BodySize is a measure of the body that stands for a standard size or an age.
type BodySize struct {
	Part    string
	Name    string
	Measure length.MM
	Child   bool
}

// NamedLength is a finished length that the trade has a name for.
type NamedLength struct {
	Kind     Kind
	Name     string
	From, To length.MM // To is 0 where there is no upper limit
}

// stoppers are the ways to hold the end strung first.
var stoppers = []string{StopStopper, StopTape, StopClip, StopSlipKnot, StopTiedBead, StopSpareCrimp, StopCrimped, StopSpool}

// The choices of a house method.
const (
	CrimpFolded       = "folded"
	CrimpFlat         = "flat"
	CrimpThreeSided   = "three-sided"
	GuardsAlways      = "always"
	GuardsSingle      = "single"
	GuardsNever       = "never"
	GuardsOnce        = "once"
	GuardsTwice       = "twice"
	Yes               = "yes"
	No                = "no"
	AttachDirect      = "direct"
	AttachJump        = "jump-rings"
	AttachSplit       = "split-rings"
	SlackSnug         = "snug"
	SlackEasy         = "easy"
	TailTucked        = "tucked"
	TailTrimmed       = "trimmed"
	TailBeads         = "beads"
	AllowanceSpool    = "spool"
	AllowanceStandard = "standard"
	AllowanceGenerous = "generous"
	StopStopper       = "stopper"
	StopTape          = "tape"
	StopClip          = "clip"
	StopSlipKnot      = "slip-knot"
	StopTiedBead      = "tied-bead"
	StopSpareCrimp    = "spare-crimp"
	StopCrimped       = "crimped"
	StopSpool         = "spool"
	CountsClosed      = "closed"
	CountsBeads       = "beads"
	CountsLoop        = "loop"
	CountsFoot        = "foot"
	KnotSurgeons      = "surgeons"
	KnotSquare        = "square"
	KnotTriple        = "triple"
	KnotFits          = "fits" // hidden where a hole takes it
	KnotHidden        = "hidden"
	KnotShown         = "shown"
	ThreadSingle      = "single"
	ThreadDoubled     = "doubled"
	OrderLeft         = "left"
	OrderCentre       = "centre"
	LoopsBySize       = "size"
	LoopsFixed        = "fixed"
)

// Choice is one field of the house method with what may be chosen, the house's
// first choice first.
type Choice struct {
	Field   string // as the open file names it
	Of      func(h *House) *string
	Allowed []string
}

// Choices lists the fields of the house method that are picked from a few.
func Choices() []Choice { return choices }

var choices = []Choice{
	{"crimp", func(h *House) *string { return &h.Crimp }, []string{CrimpFolded, CrimpFlat, CrimpThreeSided}},
	{"guards", func(h *House) *string { return &h.Guards }, []string{GuardsNever, GuardsSingle, GuardsAlways}},
	{"guardThreads", func(h *House) *string { return &h.GuardThreads }, []string{GuardsOnce, GuardsTwice}},
	{"covers", func(h *House) *string { return &h.Covers }, []string{No, Yes}},
	{"attach", func(h *House) *string { return &h.Attach }, []string{AttachJump, AttachSplit, AttachDirect}},
	{"slack", func(h *House) *string { return &h.Slack }, []string{SlackSnug, SlackEasy}},
	{"tail", func(h *House) *string { return &h.Tail }, []string{TailTucked, TailBeads, TailTrimmed}},
	{"allowance", func(h *House) *string { return &h.Allowance }, []string{AllowanceStandard, AllowanceGenerous, AllowanceSpool}},
	{"stopper", func(h *House) *string { return &h.Stopper }, stoppers},
	{"targetCounts", func(h *House) *string { return &h.TargetCounts }, []string{CountsClosed, CountsBeads}},
	{"ornamentCounts", func(h *House) *string { return &h.OrnamentCounts }, []string{CountsLoop, CountsFoot}},
	{"knot", func(h *House) *string { return &h.Knot }, []string{KnotSurgeons, KnotSquare, KnotTriple}},
	{"knotPlace", func(h *House) *string { return &h.KnotPlace }, []string{KnotFits, KnotHidden, KnotShown}},
	{"glue", func(h *House) *string { return &h.Glue }, []string{Yes, No}},
	{"thread", func(h *House) *string { return &h.Thread }, []string{ThreadSingle, ThreadDoubled}},
	{"order", func(h *House) *string { return &h.Order }, []string{OrderLeft, OrderCentre}},
	{"pinLoops", func(h *House) *string { return &h.PinLoops }, []string{LoopsBySize, LoopsFixed}},
}

// The measures of a house method unless they are chosen otherwise.
const (
	easyExtra     = length.MM(2)
	handSpool     = length.MM(25)
	handStandard  = length.MM(60)
	handGenerous  = length.MM(120)
	defaultTail   = length.MM(25)
	defaultBeads  = 3
	defaultLoop   = length.MM(2)
	elasticToTie  = length.MM(75)
	childToTie    = length.MM(30)
	fixedLoop     = length.MM(9)
	needle        = length.MM(0.45)
	curl7         = 20 // grams, roughly
	curl19        = 10
	curl49        = 5
	mostCurl      = 1000
	mostAllowance = length.MM(500)
	mostTailBeads = 50
)

// DefaultHouse is the way a shop works until it chooses otherwise.
func DefaultHouse() House {
	h := House{
		TailLength: defaultTail, TailBeads: defaultBeads, Loop: defaultLoop, ElasticTail: elasticToTie, ChildTail: childToTie, FixedLoop: fixedLoop, Needle: needle,
		Curl7: curl7, Curl19: curl19, Curl49: curl49,
		Unit: length.InMillimetres, Ease: defaultEase(), Sizes: defaultSizes(), Lengths: defaultLengths(),
	}
	for _, c := range Choices() {
		*c.Of(&h) = c.Allowed[0]
	}
	return h
}

// WorkingAllowance is the extra cord to hold at the end strung first and at the
// end finished last. From the spool only the last one is needed.
func (h House) WorkingAllowance() (first, last length.MM) {
	switch {
	case h.FromSpool():
		return 0, handSpool
	case h.Allowance == AllowanceGenerous:
		return handGenerous, handGenerous
	}
	return handStandard, handStandard
}

// GuardTurns is how often the cord goes round through a guard.
func (h House) GuardTurns() int {
	if h.GuardThreads == GuardsTwice {
		return 2
	}
	return 1
}

// FromSpool says whether the strand is strung from the spool and cut off last.
func (h House) FromSpool() bool { return h.Allowance == AllowanceSpool || h.Stopper == StopSpool }

// ToTie is what is left at each end of an elastic to tie it.
func (h House) ToTie(child bool) length.MM {
	if child {
		return h.ChildTail
	}
	return h.ElasticTail
}

// PlannedSlack is the house's slack for a strand that needs so much to bend.
func (h House) PlannedSlack(needed length.MM) length.MM {
	if h.Slack == SlackEasy {
		return needed + easyExtra
	}
	return needed
}

// ClosedCrimp is how wide a crimp is once closed the house's way: folded to about
// 0.8 of its outside, pressed from three sides to 0.9, flattened to 1.5.
func (h House) ClosedCrimp(f *material.Finding) length.MM {
	switch h.Crimp {
	case CrimpFlat:
		return 1.5 * f.Outside
	case CrimpThreeSided:
		return 0.9 * f.Outside
	}
	return 0.8 * f.Outside
}

// KnotCord is how much cord the house's knot takes in all over both ends, in
// diameters of its cord; an overhand knot takes OverhandCord.
func (h House) KnotCord() float64 {
	switch h.Knot {
	case KnotSquare:
		return 20
	case KnotTriple:
		return 30
	}
	return 25
}

// An overhand knot pulled tight takes so much cord, and is so thick, in diameters of
// its cord.
const (
	OverhandCord   = 10
	OverhandAcross = 2.5
)

// KnotAcross is how thick the house's knot is, in diameters of its cord.
func (h House) KnotAcross() float64 {
	switch h.Knot {
	case KnotSquare:
		return 2.5
	case KnotTriple:
		return 3.5
	}
	return 3
}
