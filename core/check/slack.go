package check

import (
	"fmt"

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
		return []Problem{{Severity: Advise, At: s.Row.At(), Title: "Cord will show",
			Says: fmt.Sprintf("%s of slack is planned, %s more than bending needs.", s.Slack.In(v.Unit), (s.Slack - s.SlackNeeded).In(v.Unit))}}
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
		return []Problem{{Severity: Warn, At: s.Row.At(), Title: "Too little slack",
			Says: fmt.Sprintf("Too stiff to curve: bending needs %s, at least %s; %s is planned.",
				s.SlackNeeded.In(v.Unit), least.In(v.Unit), s.Slack.In(v.Unit))}}
	},
	Fix: followHouseSlack,
}

// bends says whether the strand needs slack to bend.
func bends(v *View, s *measure.Strand) bool {
	return !v.Piece.Hangs() && s.Row.Cord.Cord.Type != material.Elastic && len(s.Beads) > 0
}

// followHouseSlack lets the slack follow the house again.
func followHouseSlack(v *View, f *Problem, _ Shelf) []Fix {
	s := v.Strand(f.At.Row)
	return []Fix{fix(fmt.Sprintf("Use the house's %s", v.Piece.House.PlannedSlack(s.SlackNeeded).In(v.Unit)), edit.Op{Do: edit.SetSlack, At: s.Row.At()})}
}
