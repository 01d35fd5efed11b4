package check

import (
	"math"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// muchSlack is how far over what bending needs slack may go before cord shows.
const muchSlack = length.MM(5)

// slackLong advises when so much slack is planned that cord will show.
var slackLong = Check{
	Code: "slack-long", Step: StepEnds,
	Strand: func(v *View, s *measure.Strand) []Problem {
		if !bends(v, s) || s.Slack <= s.SlackNeeded+muchSlack+tiny {
			return nil
		}
		return []Problem{{Severity: Advise, At: s.Row.At(), Fact: SlackLong{s.Slack, s.Slack - s.SlackNeeded}}}
	},
	Fix: followHouseSlack,
}

// slackShort fires when the planned slack is under what bending needs even with
// the cord lying to the inside of its holes.
var slackShort = Check{
	Code: "slack-short", Step: StepEnds,
	Strand: func(v *View, s *measure.Strand) []Problem {
		if !bends(v, s) {
			return nil
		}
		least := s.SlackLeast()
		if s.Slack >= least-rulerShows {
			return nil
		}
		return []Problem{{Severity: Warn, At: s.Row.At(), Fact: SlackShort{s.Slack, s.SlackNeeded, least}}}
	},
	Fix: followHouseSlack,
}

// bends says whether the strand needs slack to bend.
func bends(v *View, s *measure.Strand) bool {
	return !v.Piece.Hangs() && s.Row.Cord.Cord.Type != material.Elastic && len(s.Beads) > 0
}

// followHouseSlack lets the slack follow the house again; where it is short and the house plans more than
// bending needs, it plans that alone.
func followHouseSlack(v *View, f *Problem, _ Shelf) []Fix {
	s := v.Strand(f.At.Row)
	if _, short := f.Fact.(SlackShort); short && v.Piece.House.PlannedSlack(s.SlackNeeded) > s.SlackNeeded+rulerShows {
		needed := length.MM(math.Ceil(float64(s.SlackNeeded)*10)) / 10
		return []Fix{fix(PlanSlack{needed}, edit.SetSlack{At: s.Row.At(), Slack: &needed})}
	}
	return []Fix{fix(HouseSlack{v.Piece.House.PlannedSlack(s.SlackNeeded)}, edit.SetSlack{At: s.Row.At()})}
}

// What may be wrong with the slack.
type (
	SlackLong  struct{ Planned, More length.MM } // more than bending needs
	SlackShort struct{ Planned, Needs, Least length.MM }
)

// HouseSlack plans what the house method gives.
type HouseSlack struct{ Slack length.MM }

// PlanSlack plans a length of slack.
type PlanSlack struct{ Slack length.MM }

func (SlackLong) fact()  {}
func (SlackShort) fact() {}

func (HouseSlack) effect() {}
func (PlanSlack) effect()  {}
