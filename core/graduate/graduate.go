// Package graduate strings beads of several sizes so that they rise to the centre: how many of
// each size make a length, as smoothly as can be.
package graduate

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Asked is what is to be graduated.
type Asked struct {
	Rows   []piece.ID     // in any order; a shorter one never has fewer of a size than it must
	Ladder []string       // letters of the sizes, in any order
	Centre string         // the letter of the one bead at the centre; empty where the halves meet
	Stock  map[string]int // what there is of each material by its id; nil where that is not asked
	Unit   length.Unit    // that sentences speak in
	Most   int            // how many proposals one row has at most
}

// Counts is how many of each size come on either side of the centre, the smallest first.
type Counts []int

// Rough is the sum of the squared steps between the counts of neighbouring sizes: the less, the
// smoother.
func (c Counts) Rough() int {
	sum := 0
	for i := 1; i < len(c); i++ {
		sum += (c[i] - c[i-1]) * (c[i] - c[i-1])
	}
	return sum
}

// Row is one row as it would be.
type Row struct {
	ID     piece.ID
	Line   string
	Counts Counts
	Value  length.MM // what is held against its target, as it would be
	Off    length.MM // of its target
}

// Proposal is one way, of all rows.
type Proposal struct {
	Rows     []Row
	Ops      []edit.Op
	Measured *measure.Measured
	Within   bool // every row lies within its tolerance
	Forced   bool // a longer row has fewer of some size than a shorter one: the stock does not do otherwise
}

// Answer is what the search came to.
type Answer struct {
	Proposals []Proposal // the smoothest first; one of several rows
	Why       string     // the reason that there is none, or that the one there is lies outside its tolerance
}

// Of finds the counts. From the ends to the centre sizes never fall, and each comes at least once
// on either side. Of what lies within the tolerance the smoothest comes first; of two alike the
// one nearer the target. It changes nothing; the search ends with the context.
func Of(ctx context.Context, m *measure.Measured, asked Asked) Answer {
	ladder, why := ladderOf(m, &asked)
	if why != "" {
		return Answer{Why: why}
	}
	rows, why := rowsOf(ctx, m, &asked, ladder)
	if why != "" {
		return Answer{Why: why}
	}
	if len(rows) == 1 {
		return rows[0].alone(m, asked.Most)
	}
	return allTogether(m, rows)
}

// size is one rung of the ladder.
type size struct {
	key  string
	of   *material.Material
	most int // on either side of one row, by the stock
	had  int // that there are in all; -1 for no limit
}

const (
	mostRungs = 12
	mostSide  = 500 // of one size on one side
)

// ladderOf reads the ladder, the smallest across first.
func ladderOf(m *measure.Measured, asked *Asked) ([]size, string) {
	var out []size
	seen := map[string]bool{}
	for _, key := range asked.Ladder {
		of := m.Piece.Palette[key]
		switch {
		case of == nil:
			return nil, fmt.Sprintf("There is no dish %s.", key)
		case seen[key]:
			return nil, fmt.Sprintf("The dish %s comes twice. Choose each size once.", key)
		case of.Bead.Hangs() || of.Bead.IsGap() || of.Bead.Turns():
			return nil, fmt.Sprintf("%s has a top or a way to face, so it is no size of a ladder. Choose plain beads.", of.Name)
		}
		seen[key] = true
		out = append(out, size{key: key, of: of, most: mostSide, had: -1})
	}
	slices.SortStableFunc(out, func(a, b size) int {
		return cmp.Or(cmp.Compare(a.of.Bead.Across, b.of.Bead.Across), cmp.Compare(a.of.Bead.Length(), b.of.Bead.Length()))
	})
	switch {
	case len(out) < 2:
		return nil, "Choose at least two sizes to graduate."
	case len(out) > mostRungs:
		return nil, fmt.Sprintf("At most %d sizes are graduated.", mostRungs)
	case asked.Centre != "" && m.Piece.Palette[asked.Centre] == nil:
		return nil, fmt.Sprintf("There is no dish %s.", asked.Centre)
	}
	if asked.Stock == nil {
		return out, ""
	}
	elsewhere := usedElsewhere(m, asked)
	for i := range out {
		s := &out[i]
		s.had = asked.Stock[s.of.ID] - elsewhere[s.of.ID]
		if s.key == asked.Centre {
			s.had -= len(asked.Rows)
		}
		if s.most = min(mostSide, s.had/2); s.most < len(asked.Rows) {
			return nil, fmt.Sprintf("There is too little of %s in stock: %d, and each row takes at least one on either side.", s.of.Name, asked.Stock[s.of.ID])
		}
	}
	if c := m.Piece.Palette[asked.Centre]; c != nil && c.Component == nil && !seen[asked.Centre] && asked.Stock[c.ID]-elsewhere[c.ID] < len(asked.Rows) {
		return nil, fmt.Sprintf("There is too little of %s in stock for the centre: %d.", c.Name, asked.Stock[c.ID])
	}
	return out, ""
}

// usedElsewhere counts the beads of each material that the piece takes apart from the rows that
// are graduated.
func usedElsewhere(m *measure.Measured, asked *Asked) map[string]int {
	out := map[string]int{}
	for _, c := range m.Tally {
		out[c.Material.ID] = c.Count
	}
	for _, id := range asked.Rows {
		if s := m.Strand(id); s != nil {
			for i := range s.Beads {
				if b := &s.Beads[i]; b.Drop != nil {
					b.Drop.Each(func(one *measure.HungBead) { out[one.Material.ID]-- })
				} else {
					out[b.Material.ID]--
				}
			}
		}
	}
	return out
}

// row is one row with what each bead adds to it.
type row struct {
	id     piece.ID
	at     piece.Place
	target piece.Target
	ladder []size
	centre string
	m      *measure.Measured
	before []check.Problem
	ctx    context.Context

	base length.MM   // the length with none of any size, so that base + sum of counts times steps is about the length
	step []length.MM // that one more of a size on either side adds
	low  Counts      // of each size at least
}

// rowsOf looks at each row, the shortest first. It says why one cannot be graduated.
func rowsOf(ctx context.Context, m *measure.Measured, asked *Asked, ladder []size) ([]*row, string) {
	var out []*row
	before := check.All(m)
	for _, id := range asked.Rows {
		s := m.Strand(id)
		switch {
		case s == nil || !s.Row.Corded():
			return nil, fmt.Sprintf("The row %s takes no beads.", string(id))
		case m.Piece.TargetOf(s.Row) == nil:
			return nil, "A graduated strand is strung to a length. Set a target first."
		case len(m.Piece.Pins) > 0:
			return nil, "Something of the piece is pinned, and graduating changes all of a line. Unpin it first."
		case s.Row.Lacing != nil || s.Row.Riders != nil || s.Row.FoldOf != "":
			return nil, "A row that is laced, ridden on or folded is not graduated."
		}
		r := &row{id: id, at: s.Row.At(), target: *m.Piece.TargetOf(s.Row), ladder: slices.Clone(ladder), centre: asked.Centre, m: m, before: before, ctx: ctx}
		if why := r.learn(asked.Unit); why != "" {
			return nil, why
		}
		out = append(out, r)
	}
	slices.SortStableFunc(out, func(a, b *row) int { return cmp.Compare(a.target.Finished, b.target.Finished) })
	return out, ""
}

// learn measures what one more of each size adds, near the length that is asked for.
func (r *row) learn(unit length.Unit) string {
	ones := make(Counts, len(r.ladder))
	for i := range ones {
		ones[i] = 1
	}
	r.low = slices.Clone(ones)
	least, err := r.value(ones)
	if err != nil {
		return err.Error()
	}
	if least > r.target.Finished+r.target.Tolerance {
		return fmt.Sprintf("One of each size on either side is %s long already, longer than the target of %s. Choose fewer sizes, or a longer target.", least.In(unit), r.target.Finished.In(unit))
	}
	all := length.MM(0)
	for _, s := range r.ladder {
		all += 2 * s.of.Bead.Length()
	}
	even := slices.Clone(ones)
	for i := range even {
		even[i] = max(1, min(1+int((r.target.Finished-least)/all), r.ladder[i].most))
	}
	now, err := r.value(even)
	if err != nil {
		return err.Error()
	}
	r.base = now
	r.step = make([]length.MM, len(even))
	for i := range even {
		even[i]++
		more, err := r.value(even)
		even[i]--
		if err != nil {
			return err.Error()
		}
		r.step[i] = more - now
		r.base -= r.step[i] * length.MM(even[i])
	}
	for i, step := range r.step { // no more of one size than make the whole length
		r.ladder[i].most = min(r.ladder[i].most, 1+int((r.target.Finished+r.target.Tolerance-r.base)/step))
	}
	return ""
}

// line writes the counts as a mirror.
func (r *row) line(c Counts) string {
	var b strings.Builder
	b.WriteByte('<')
	for i, s := range r.ladder {
		if i > 0 {
			b.WriteByte(' ')
		}
		if c[i] > 1 {
			fmt.Fprint(&b, c[i])
		}
		b.WriteString(s.key)
	}
	b.WriteString(" |")
	if r.centre != "" {
		b.WriteString(" " + r.centre)
	}
	b.WriteByte('>')
	return b.String()
}

// op strings the row so.
func (r *row) op(c Counts) edit.Op {
	return edit.SetLine{At: r.at, Line: r.line(c)}
}

// value is the length of the row with counts that is held against its target.
func (r *row) value(c Counts) (length.MM, error) {
	after, _, err := edit.Apply(r.m.Piece, nil, r.op(c))
	if err != nil {
		return 0, err
	}
	return measure.ForTarget(after, after.Row(r.id))
}

// about is the length by what each bead adds.
func (r *row) about(c Counts) length.MM {
	sum := r.base
	for i, n := range c {
		sum += r.step[i] * length.MM(n)
	}
	return sum
}

func (r *row) within(value length.MM) bool {
	return math.Abs(float64(value-r.target.Finished)) <= float64(r.target.Tolerance)+1e-9
}
