package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// slackShort fires when the planned slack is under what bending needs even with
// the cord lying to the inside of its holes.
var slackShort = judgement{
	code: "slack-short",
	find: func(m *measure.Measured, unit length.Unit) []Finding {
		s := m.Strands[0]
		if s.Row.Cord.Cord.Type == material.Elastic || len(s.Beads) == 0 {
			return nil
		}
		least := s.SlackLeast()
		if s.Slack >= least-0.05 {
			return nil
		}
		return []Finding{{
			Code: "slack-short", Severity: Warn, Strand: s.ID, Element: -1, Title: "Too little slack",
			Says: fmt.Sprintf("Pulled tight it will not lie round: bending needs %s, at least %s; %s is planned.",
				s.SlackNeeded.In(unit), least.In(unit), s.Slack.In(unit)),
		}}
	},
	mend: followHouseSlack,
}

// followHouseSlack lets go of a slack that was set by hand.
func followHouseSlack(m *measure.Measured, _ Finding, bench Bench) []Fix {
	s := m.Strands[0]
	return []Fix{{Says: fmt.Sprintf("Give it the house's %s", m.Piece.House.PlannedSlack(s.SlackNeeded).In(bench.Unit)), Edit: Edit{HouseSlack: true}}}
}
