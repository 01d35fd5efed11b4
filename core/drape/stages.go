package drape

import (
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/statics"
)

// fronts cuts the fronts of all loops into stages.
type fronts struct {
	m     *measure.Measured
	rows  []*Necklace // by strand
	lead  *Necklace
	of    map[int]*stage // by section, of those that hang in front
	order []*stage
}

// stretch is a piece of the way round a loop.
type stretch struct{ from, to float64 }

// stagesOf cuts the loops where sections begin and end; nil where only one thing hangs
// in front, or nothing side by side: then every loop hangs by itself.
func stagesOf(m *measure.Measured, rows []*Necklace) *fronts {
	f := &fronts{m: m, rows: rows, lead: For(m, rows, m.Leading()), of: map[int]*stage{}}
	at := 0.0
	sections := f.lead.sections(m)
	beside := false
	for i := range m.Piece.Sections {
		f.shared(stretch{at, sections[i].from})
		if st := f.section(i); st != nil {
			f.of[i], f.order = st, append(f.order, st)
			beside = beside || len(st.rows) > 1
		}
		at = sections[i].to
	}
	f.shared(stretch{at, f.lead.whole})
	if len(f.order) < 2 || !beside {
		return nil
	}
	return f
}

// shared adds what all rows share between two places of the leading loop.
func (f *fronts) shared(along stretch) {
	if parts := f.lead.within(along); len(parts) > 0 {
		f.order = append(f.order, &stage{rows: []*hangingRow{{parts: parts}}})
	}
}

// section is the stage of a section's rows; nil if it lies behind the neck.
func (f *fronts) section(i int) *stage {
	st := &stage{}
	for _, r := range f.m.Piece.Sections[i].Rows {
		n := For(f.m, f.rows, f.m.Strand(r.ID))
		along := n.sections(f.m)[i]
		parts := n.within(along)
		if len(parts) == 0 {
			return nil
		}
		row := &hangingRow{parts: parts, left: f.offset(r, piece.Left), right: f.offset(r, piece.Right)}
		if along.from <= n.neck() {
			row.left = (n.Width - n.inner) / 2
		} else {
			n.fromJoin = n.fromJoin || f.m.Piece.Hole(r, piece.Left) == 0
		}
		if along.to >= n.whole-n.neck() {
			row.right = (n.Width - n.inner) / 2
		} else {
			n.fromJoin = n.fromJoin || f.m.Piece.Hole(r, piece.Right) == 0
		}
		st.rows = append(st.rows, row)
	}
	return st
}

// offset is how far outside the middle of a bar a row hangs, which is taken to lie
// level; 0 of what has one eye.
func (f *fronts) offset(r *piece.Row, side piece.Side) float64 {
	hole := f.m.Piece.Hole(r, side)
	if hole == 0 {
		return 0
	}
	on := f.m.Piece.Joined(r, side)
	sum, rows := 0, f.m.Piece.AllOf(on.ID, side)
	for _, other := range rows {
		sum += f.m.Piece.Hole(other, side)
	}
	return float64(on.Of.Finding.Spacing) * (float64(hole) - float64(sum)/float64(len(rows)))
}

// neck is how far along the way round the front begins.
func (n *Necklace) neck() float64 { return n.around() / 2 }

// sections is where each section begins and ends along the way round the loop.
func (n *Necklace) sections(m *measure.Measured) map[int]stretch {
	out := map[int]stretch{}
	own := n.joins()
	out[sectionOf(m, n.strand)] = stretch{own[0], own[1]}
	for _, o := range n.strand.Others() {
		start := o.Start - o.Strand.Left.Length
		out[sectionOf(m, o.Strand)] = stretch{n.along(float64(start)), n.along(float64(o.Start + o.Strand.Strung + o.Slack + o.Strand.Right.Length))}
	}
	return out
}

func sectionOf(m *measure.Measured, s *measure.Strand) int {
	for i := range m.Piece.Sections {
		if m.Piece.SectionOf(s.Row) == &m.Piece.Sections[i] {
			return i
		}
	}
	return -1
}

// within lists the parts of the front between two places of the loop.
func (n *Necklace) within(along stretch) []statics.Part {
	parts, cuts := n.front()
	from, to := 0, len(parts)
	for from < len(parts) && cuts[from] < along.from-1e-6 {
		from++
	}
	for to > from && cuts[to] > along.to+1e-6 {
		to--
	}
	return parts[from:to]
}

// hang lets all stages hang together; false if they do not.
func (f *fronts) hang() bool {
	s := newSeries(f.order, f.lead.inner)
	if !s.hang() {
		return false
	}
	pull := 0.0
	for _, r := range f.order[0].rows {
		pull += r.pull.h
	}
	for _, n := range f.rows {
		var parts []statics.Part
		var joints []statics.Point
		for _, st := range f.order {
			r := f.rowOf(st, n)
			parts = append(parts, r.parts...)
			switch {
			case joints == nil:
				joints = append(joints, r.path...)
			case len(st.rows) > 1:
				joints = append(joints[:len(joints)-1], r.path...)
			default:
				joints = append(joints, r.path[1:]...)
			}
		}
		if len(f.order[0].rows) == 1 {
			n.Width = n.inner
		}
		n.hangs(parts, &statics.Hanging{Joints: joints, Pull: pull})
	}
	return true
}

// rowOf is what of a stage lies in a loop.
func (f *fronts) rowOf(st *stage, n *Necklace) *hangingRow {
	for i, of := range f.of {
		if of != st {
			continue
		}
		in := f.m.Piece.In(n.strand.Row, &f.m.Piece.Sections[i])
		for k, r := range f.m.Piece.Sections[i].Rows {
			if r == in {
				return st.rows[k]
			}
		}
	}
	return st.rows[0]
}
