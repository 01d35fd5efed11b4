package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// Measured is a piece with everything that follows from its sequence.
type Measured struct {
	Piece       *piece.Piece
	Strands     []*Strand
	Finished    length.MM // round the closed loop along the cord
	ForTarget   length.MM // what the house holds against the target
	Rule        *Rule     // the rule of thumb for the inside length
	MassG       float64
	Unweighed   []string // materials nobody weighed, by ID
	Tally       []Count
	Sensitivity []Sensitivity

	lie *Lie // worked out when first asked for
	lay bool
}

// Lie gives how the piece lies round a body; nil if it goes round nothing.
func (m *Measured) Lie() *Lie {
	if !m.lay {
		m.lie, m.lay = m.Strands[0].lie(), true
	}
	return m.lie
}

// Inside is the inside length, what the wearer feels; false if the piece goes
// round nothing.
func (m *Measured) Inside() (length.MM, bool) {
	if l := m.Lie(); l != nil {
		return l.Inside, true
	}
	return 0, false
}

// Measure works out a well-formed piece. The error is a *pattern.Fault: too
// many beads, a letter without a dish, or an open fill without a target.
func Measure(p *piece.Piece) (*Measured, error) {
	s, err := strandOf(p)
	if err != nil {
		return nil, err
	}
	m := &Measured{Piece: p, Finished: s.finish(p), ForTarget: s.forTarget(p)}
	s.tails(p.House)
	s.cut(p)
	s.Knot, s.Start = s.knot(p), s.start(p)
	m.Strands = []*Strand{s}
	m.Rule = s.rule(m.Finished)
	m.count()
	m.weigh()
	m.sense()
	return m, nil
}

// ForTarget gives only the length that is held against the target, for a piece
// that is tried out. The error is as Measure's.
func ForTarget(p *piece.Piece) (length.MM, error) {
	s, err := strandOf(p)
	if err != nil {
		return 0, err
	}
	s.finish(p)
	return s.forTarget(p), nil
}

// strandOf lays out the piece's one row, its fills solved.
func strandOf(p *piece.Piece) (*Strand, error) {
	row := &p.Sections[0].Rows[0]
	if err := checkKeys(p, row.Line); err != nil {
		return nil, err
	}
	table := newContactTable(len(p.Palette))
	fills, err := solveFills(p, row, table)
	if err != nil {
		return nil, err
	}
	return layOut(p, row, table, fills)
}

// checkKeys holds every letter of the line to a dish.
func checkKeys(p *piece.Piece, line *pattern.Line) error {
	for _, n := range line.Nodes {
		if n.Kind != pattern.Bead {
			continue
		}
		if m := p.Palette[n.Key]; m == nil || m.Bead == nil {
			col := n.End - len(n.Key)
			return &pattern.Fault{Wrong: pattern.UnknownKey, Col: max(1, col), Expected: "the letter of a dish",
				Says: "No dish has the letter " + n.Key + ". Add a dish for it, or use another letter."}
		}
	}
	return nil
}

// finish works out slack and gives the finished length: strung length, slack,
// both ends and the clasp as closed.
func (s *Strand) finish(p *piece.Piece) length.MM {
	rigid := s.Strung + s.Left.Length + s.Right.Length
	s.Slack, s.SlackNeeded = 0, 0
	if s.Row.Cord.Cord.Type != material.Elastic && rigid > 0 {
		s.SlackNeeded = slackNeeded(s.Joints, rigid)
		s.Slack = p.House.PlannedSlack(s.SlackNeeded)
	}
	if s.Row.Slack != nil {
		s.Slack = *s.Row.Slack
	}
	return rigid + s.Slack
}

// forTarget is the length the house compares with the target.
func (s *Strand) forTarget(p *piece.Piece) length.MM {
	if p.House.TargetCounts == piece.CountsBeads {
		return s.Strung
	}
	return s.Strung + s.Slack + s.Left.Length + s.Right.Length
}
