package solve

import (
	"math"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
)

// slackStep is how finely slack is set, in mm, and slackOver how much more than bending needs
// may show.
const (
	slackStep = length.MM(0.5)
	slackOver = length.MM(5)
)

// slack plans more or less of it, within what bending needs and what does not show.
func slack(t *task) []knob {
	s := t.strand
	if !s.Row.Corded() || s.Row.Cord.Cord.Type == material.Elastic || s.Lace != nil || t.measured.Piece.Hangs() || s.Ring || t.rowPinned() {
		return nil
	}
	least, most := s.SlackNeeded, s.SlackNeeded+slackOver
	from := length.MM(math.Ceil(float64(least/slackStep))) * slackStep
	var k knob
	for at := from; at <= most+tiny; at += slackStep {
		by := at - s.Slack
		if math.Abs(float64(by)) < float64(leastStep) {
			continue
		}
		to := at
		k.settings = append(k.settings, setting{does: SetSlack{at, s.Slack}, tier: design.Slack, by: by,
			ops: []edit.Op{edit.SetSlack{At: s.Row.At(), Slack: &to}}})
	}
	return []knob{k}
}
