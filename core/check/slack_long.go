package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// muchSlack is how far over what bending needs slack may go before cord shows.
const muchSlack = length.MM(5)

// slackLong fires when so much slack is planned that cord will show.
var slackLong = judgement{
	code: "slack-long",
	find: func(m *measure.Measured, unit length.Unit) []Finding {
		s := m.Strands[0]
		if s.Row.Cord.Cord.Type == material.Elastic || len(s.Beads) == 0 || s.Slack <= s.SlackNeeded+muchSlack {
			return nil
		}
		return []Finding{{
			Code: "slack-long", Severity: Advise, Strand: s.ID, Element: -1, Title: "Cord will show",
			Says: fmt.Sprintf("%s of slack is planned, %s more than bending needs.", s.Slack.In(unit), (s.Slack - s.SlackNeeded).In(unit)),
		}}
	},
	mend: followHouseSlack,
}
