package measure

import (
	"math"
	"slices"
	"sync"

	"mala/core/chain"
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// Measured is a piece with everything that follows from its sequence.
type Measured struct {
	Piece       *piece.Piece
	Strands     []*Strand
	Finished    length.MM // round the closed loop along the cord, at the shortest place it closes
	ForTarget   length.MM // what the house holds against the target
	Rule        *Rule     // the rule of thumb for the inside length, of the first row
	Tally       []Count
	MassG       float64
	Unweighed   []string // materials that are not weighed, by id
	Sensitivity []Sensitivity

	keeping sync.Mutex
	kept    map[any]func() any
}

// Kept gives what is worked out from the measures elsewhere, worked out when first asked
// for, by the first to ask.
func (m *Measured) Kept(what any, work func() any) any {
	m.keeping.Lock()
	out, ok := m.kept[what]
	if !ok {
		if m.kept == nil {
			m.kept = map[any]func() any{}
		}
		out = sync.OnceValue(work)
		m.kept[what] = out
	}
	m.keeping.Unlock()
	return out()
}

// Strand gives the measured row of an id; nil if the piece has none.
func (m *Measured) Strand(id piece.ID) *Strand {
	if i := slices.IndexFunc(m.Strands, func(s *Strand) bool { return s.Row.ID == id }); i >= 0 {
		return m.Strands[i]
	}
	return nil
}

// Main lists the strands of the section with the most rows, whose lengths are asked for.
func (m *Measured) Main() []*Strand {
	var out []*Strand
	for _, r := range m.Piece.Main().Rows {
		out = append(out, m.Strand(r.ID))
	}
	return out
}

// Leading is the strand whose length the target names.
func (m *Measured) Leading() *Strand { return m.Strand(m.Piece.Leading().ID) }

// Wrap gives how the row that binds lies round a body: the one with the smallest
// inside length. The error says why there is none: chain.ErrOpen if a row has too few
// beads to close, chain.ErrNothing if no room is left inside, chain.ErrLost if no
// solution was found.
func (m *Measured) Wrap() (*Wrap, error) { return m.Binding().Wrap() }

// asTight is how little two inside lengths differ, in mm, where rows are as tight as each
// other: a little more than each may be off.
const asTight = length.MM(1e-4)

// Binding is the row that the wearer feels first: the one with the smallest inside
// length, the first of several as tight, or the first that has none.
func (m *Measured) Binding() *Strand {
	binding := m.Strands[0]
	if len(m.Strands) == 1 {
		return binding
	}
	sideBySide(len(m.Strands), func(i int) { _, _ = m.Strands[i].Wrap() })
	least := length.MM(math.Inf(1))
	for _, s := range m.Strands {
		w, err := s.Wrap()
		if err != nil {
			return s
		}
		if w.Inside < least-asTight {
			binding, least = s, w.Inside
		}
	}
	return binding
}

// Wrap gives how the row lies round a body, worked out when first asked for. The error
// is as Measured.Wrap's.
func (s *Strand) Wrap() (*Wrap, error) {
	return s.wrap()
}

// Inside is the inside length, what the wearer feels; false if there is none.
func (m *Measured) Inside() (length.MM, bool) { return m.Binding().Inside() }

// Inside is that of the row; false if it has none.
func (s *Strand) Inside() (length.MM, bool) {
	if w, err := s.Wrap(); err == nil {
		return w.Inside, true
	}
	return 0, false
}

// Unsolved says whether the inside length could not be worked out, as against
// there being none.
func (m *Measured) Unsolved() bool {
	_, err := m.Wrap()
	return err == chain.ErrLost
}

// Measure works out a well-formed piece. The error is a *Fault with the row that
// is wrong: too many beads, a letter without a dish, or an open fill without a
// target.
func Measure(p *piece.Piece) (*Measured, error) {
	p, err := Filled(p)
	if err != nil {
		return nil, err
	}
	m := &Measured{Piece: p}
	rows := p.Rows()
	m.Strands = make([]*Strand, len(rows))
	errs := make([]error, len(rows))
	sideBySide(len(rows), func(i int) {
		s, err := strandOf(p, rows[i])
		if err != nil {
			errs[i] = &Fault{Row: rows[i].ID, Err: err}
			return
		}
		s.Knot = s.knot(p)
		m.Strands[i] = s
	})
	for _, err := range errs {
		if err != nil {
			return nil, err
		}
	}
	m.tailsOn()
	m.layCords()
	lead := m.Leading()
	m.Finished, m.ForTarget = lead.Finished(), lead.ForTarget(p)
	if !p.Hangs() {
		m.Rule = lead.rule(m.Finished)
	}
	m.count()
	m.weigh()
	m.sensitivities()
	return m, nil
}

// Fault is what keeps a row from being measured.
type Fault struct {
	Row piece.ID
	Err error // most often a *pattern.Fault
}

func (f *Fault) Error() string { return f.Err.Error() }

// Unwrap gives the cause.
func (f *Fault) Unwrap() error { return f.Err }

// ForTarget gives only the length of a row that is held against what is asked of it,
// for a piece that is tried out. The error is as Measure's.
func ForTarget(p *piece.Piece, row *piece.Row) (length.MM, error) {
	s, err := Row(p, row)
	if err != nil {
		return 0, err
	}
	return s.ForTarget(p), nil
}

// Row measures one row of a piece, without its cut: for a row that is tried out. The
// error is a *Fault.
func Row(p *piece.Piece, row *piece.Row) (*Strand, error) {
	s, err := strandOf(p, row)
	if err != nil {
		return nil, &Fault{Row: row.ID, Err: err}
	}
	return s, nil
}

// strandOf lays out a row with its fills solved and its tails led back.
func strandOf(p *piece.Piece, row *piece.Row) (*Strand, error) {
	if err := checkKeys(p, row.Line); err != nil {
		return nil, err
	}
	mk, err := newStrandMaker(p, row)
	if err != nil {
		return nil, err
	}
	if err := mk.beyondOf(); err != nil {
		return nil, err
	}
	fills, err := mk.solveFills()
	if err != nil {
		return nil, err
	}
	s, err := mk.layOut(fills, nil)
	if err != nil {
		return nil, err
	}
	s.tails(p)
	if s.hangsInTail() {
		// More cord in a hung ring holds its neighbours further apart.
		if s, err = mk.layOut(fills, s); err != nil {
			return nil, err
		}
		s.tails(p)
	}
	s.finish(p)
	return s, nil
}

// hangsInTail says whether a tail goes through a ring that hangs on the cord.
func (s *Strand) hangsInTail() bool {
	return slices.ContainsFunc(s.Beads, func(b Bead) bool {
		return b.Passes > s.Row.Passes && b.Material.Bead.Hangs() && !b.Material.Bead.OneCord
	})
}

// checkKeys holds every letter of the line to a dish.
func checkKeys(p *piece.Piece, line *pattern.Line) error {
	for _, n := range line.Nodes {
		if !n.IsBead() {
			continue
		}
		if m := p.Palette[n.Key()]; m == nil || m.Bead == nil {
			return pattern.NoDish(n)
		}
	}
	return nil
}

// finish works out the slack, of the row and of those in its loop.
func (s *Strand) finish(p *piece.Piece) {
	s.tight = s.Strung + s.Left.Length + s.Right.Length
	s.Slack, s.SlackNeeded = s.planned(p, s.tight)
	s.slackAcross(p)
}

// planned is the slack that is planned for a strand in a loop of this length pulled
// tight, and what bending into it needs.
func (s *Strand) planned(p *piece.Piece, loop length.MM) (slack, needed length.MM) {
	if s.Row.Corded() && s.Lace == nil && !p.Hangs() && s.Row.Cord.Cord.Type != material.Elastic && loop > 0 {
		needed = s.slackNeeded(loop)
		slack = p.House.PlannedSlack(needed)
	}
	if s.Row.Slack != nil {
		slack = *s.Row.Slack
	}
	return slack, needed
}

// Finished is the length round the closed loop that the row lies in, along the cord.
func (s *Strand) Finished() length.MM { return s.Strung + s.Slack + s.Left.Length + s.Right.Length }

// ForTarget is the length the house compares with what is asked of the row.
func (s *Strand) ForTarget(p *piece.Piece) length.MM {
	switch {
	case p.Hangs() && p.House.OrnamentCounts == piece.CountsFoot:
		return s.BelowLoop()
	case p.House.TargetCounts == piece.CountsBeads:
		return s.Strung
	}
	return s.Finished()
}
