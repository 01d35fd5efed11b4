package piece

import "mala/core/length"

// House is the shop's way of working. Each choice has its schools; a piece may
// override any of them.
type House struct {
	Slack        string    // snug: what bending needs; easy: 2 mm more
	Tail         string    // tucked back through the beads, or trimmed short
	TailLength   length.MM // how far a tail is tucked
	Hand         string    // what the hand needs at the ends: spool, standard, generous
	Loop         length.MM // inside of the wire's own loop beyond a crimp
	TargetCounts string    // closed: a target counts the clasp; beads: the beads alone
	ElasticTail  length.MM // left at each end of an elastic to tie it
}

// The choices of a house method.
const (
	SlackSnug     = "snug"
	SlackEasy     = "easy"
	TailTucked    = "tucked"
	TailTrimmed   = "trimmed"
	HandSpool     = "spool"
	HandStandard  = "standard"
	HandGenerous  = "generous"
	CountsClosed  = "closed"
	CountsBeads   = "beads"
	easyExtra     = length.MM(2)
	handSpool     = length.MM(25)
	handStandard  = length.MM(60)
	handGenerous  = length.MM(125)
	defaultTail   = length.MM(25)
	defaultLoop   = length.MM(2)
	elasticToTie  = length.MM(75)
	mostAllowance = length.MM(500)
)

// DefaultHouse is the way a shop works until it chooses otherwise.
func DefaultHouse() House {
	return House{
		Slack: SlackSnug, Tail: TailTucked, TailLength: defaultTail, Hand: HandStandard,
		Loop: defaultLoop, TargetCounts: CountsClosed, ElasticTail: elasticToTie,
	}
}

// TuckedTail is how far the tail goes back into the beads.
func (h House) TuckedTail() length.MM {
	if h.Tail == TailTrimmed {
		return 0
	}
	return h.TailLength
}

// HandAllowance is the extra cord to hold at the end strung first and at the
// end finished last. From the spool only the last one is needed.
func (h House) HandAllowance() (first, last length.MM) {
	switch h.Hand {
	case HandSpool:
		return 0, handSpool
	case HandGenerous:
		return handGenerous, handGenerous
	}
	return handStandard, handStandard
}

// PlannedSlack is the house's slack for a strand that needs so much to bend.
func (h House) PlannedSlack(needed length.MM) length.MM {
	if h.Slack == SlackEasy {
		return needed + easyExtra
	}
	return needed
}
