package check

import (
	"cmp"
	"context"
	"math"
	"slices"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// Shelf is what a fix may fetch beside the piece's own materials, and what there is of it.
type Shelf struct {
	Materials []*material.Material
	Stock     Stock
}

// toBuy says whether a material would have to be bought: there is none of it, in a shop that counts others.
func (s Shelf) toBuy(m *material.Material) bool {
	n, known := s.Stock[m.ID]
	return known && n <= 0
}

// Fix is a list of operations that put a finding right.
type Fix struct {
	Does   []Effect
	Ops    []edit.Op
	More   int       // how many beads it adds; less than 0 where it removes some
	Longer length.MM // where it does, how much longer the row gets that changes most

	Rows  int // of a fix of alike rows, how many it changes; else 0
	tiers int // how much of the design it touches, where it changes counts
}

// fix makes one that does one thing.
func fix(does Effect, ops ...edit.Op) Fix { return Fix{Does: []Effect{does}, Ops: ops} }

// mostTried bounds how many changes are tried for one finding, and enough is how
// few beads a change may move for the search to end with it.
const (
	mostTried = 12
	enough    = 1
)

// FixOf finds what puts a finding right; nil if nothing does. A fix is offered
// only if trying it shows that it mends the finding, or some of its places, and
// leaves no stop and no warning that was not there before, of another kind, cause
// or place; that a strand which reads the same from both sides still does; and of
// several the one that moves the fewest beads. The search ends when the context
// does.
func FixOf(ctx context.Context, m *measure.Measured, found []Problem, f *Problem, shelf Shelf) *Fix {
	i := slices.IndexFunc(checks, func(c *Check) bool { return c.Code == f.Code })
	if i < 0 || checks[i].Fix == nil {
		return nil
	}
	tried := trial{measured: m, before: known(found), symmetric: symmetricRows(m)}
	var best *Fix
	least, tiers := math.MaxInt, math.MaxInt
	candidates := checks[i].Fix(&View{Measured: m}, f, shelf)
	for k := range candidates[:min(len(candidates), mostTried)] {
		if ctx.Err() != nil {
			return nil
		}
		c := &candidates[k]
		moved, ok := tried.mends(f, c, shelf)
		if !ok {
			c, moved, ok = tried.withLength(f, *c, shelf)
		}
		if ok && cmp.Or(cmp.Compare(c.tiers, tiers), cmp.Compare(moved, least)) < 0 {
			best, least, tiers = c, moved, c.tiers
			if least <= enough {
				break
			}
		}
	}
	return best
}

// mostRecounts is how many changes of the counts are tried beside a change that
// takes the piece off its target.
const mostRecounts = 4

// withLength tries a change together with one of the counts that brings the piece
// back to its target.
func (t *trial) withLength(f *Problem, c Fix, shelf Shelf) (*Fix, int, bool) {
	after, err := edit.Try(t.measured.Piece, shelf.Materials, c.Ops...)
	if err != nil {
		return nil, 0, false
	}
	v := &View{Measured: after}
	off := lengthOff.judge(v)
	if len(off) == 0 || t.before[key(&off[0])] != nil {
		return nil, 0, false
	}
	recounts := lengthOff.Fix(v, &off[0], shelf)
	for _, r := range recounts[:min(len(recounts), mostRecounts)] {
		both := Fix{Does: slices.Concat(c.Does, r.Does), Ops: slices.Concat(c.Ops, r.Ops)}
		if moved, ok := t.mends(f, &both, shelf); ok {
			return &both, moved, true
		}
	}
	return nil, 0, false
}

// trial is what a change is held against.
type trial struct {
	measured  *measure.Measured
	before    map[string]*Problem
	symmetric map[string]bool // rows that read the same from both sides
}

func key(f *Problem) string {
	return f.Code + "|" + string(f.At.Row) + "|" + string(f.At.Side) + "|" + f.cause
}

func known(found []Problem) map[string]*Problem {
	out := map[string]*Problem{}
	for i := range found {
		out[key(&found[i])] = &found[i]
	}
	return out
}

func symmetricRows(m *measure.Measured) map[string]bool {
	out := map[string]bool{}
	for _, s := range m.Strands {
		out[string(s.Row.ID)] = design.Symmetric(s)
	}
	return out
}

// mends tries a change; it gives how many beads it moves, and notes with it how many it adds and
// how much longer the piece gets.
func (t *trial) mends(f *Problem, c *Fix, shelf Shelf) (moved int, ok bool) {
	after, err := edit.Try(t.measured.Piece, shelf.Materials, c.Ops...)
	if err != nil {
		return 0, false
	}
	for id, was := range t.symmetric {
		if was && !symmetricRows(after)[id] {
			return 0, false
		}
	}
	left := All(after)
	for i := range left {
		g := &left[i]
		was := t.before[key(g)]
		switch {
		case key(g) == key(f):
			if g.places() >= f.places() || g.Severity.rank() < f.Severity.rank() {
				return 0, false
			}
		case g.Severity == Advise || g.Waived != "":
		case was == nil || g.Severity.rank() < was.Severity.rank() || g.places() > was.places():
			return 0, false
		}
	}
	if c.More = beadsOf(after) - beadsOf(t.measured); c.More != 0 {
		c.Longer = longest(t.measured, after)
	}
	return max(c.More, -c.More), true
}

// Worsens says whether a change brings a stop or a warning that was not there, of another kind,
// cause or place. What the length is off its target by is left aside: a target moves along.
func Worsens(before, after []Problem) bool { return len(New(before, after)) > 0 }

// New gives those stops and warnings.
func New(before, after []Problem) []Problem {
	was := known(before)
	var out []Problem
	for i := range after {
		g := &after[i]
		if g.Severity == Advise || g.Waived != "" || g.Code == lengthOff.Code {
			continue
		}
		if b := was[key(g)]; b == nil || g.Severity.rank() < b.Severity.rank() || g.places() > b.places() {
			out = append(out, *g)
		}
	}
	return out
}

// longest is by how much the row that changes most gets longer.
func longest(before, after *measure.Measured) length.MM {
	most := length.MM(0)
	for _, s := range after.Strands {
		was := before.Strand(s.Row.ID)
		if was == nil {
			continue
		}
		if by := s.Finished() - was.Finished(); max(by, -by) > max(most, -most) {
			most = by
		}
	}
	return most
}

func beadsOf(m *measure.Measured) int {
	n := 0
	for _, s := range m.Strands {
		n += s.Count()
	}
	return n
}

// instead offers, for one fitting of an end, the shelf's others that pass, those in stock first, the
// one nearest in size and metal first.
func instead(v *View, part *measure.Part, shelf Shelf, ok func(f *material.Finding) bool) []Fix {
	var fit []*material.Material
	for _, c := range shelf.Materials {
		if c.Finding != nil && c.ID != part.Material.ID && ok(c.Finding) && !slices.ContainsFunc(fit, func(o *material.Material) bool { return o.ID == c.ID }) {
			fit = append(fit, c)
		}
	}
	const behindAll = 1e6 // what has to be bought
	far := func(c *material.Material) float64 {
		if shelf.toBuy(c) {
			return behindAll + unlike(part.Material, c)
		}
		return unlike(part.Material, c)
	}
	slices.SortStableFunc(fit, func(a, b *material.Material) int { return cmp.Compare(far(a), far(b)) })
	var fixes []Fix
	for _, c := range fit {
		at := v.Leading().Row.At()
		at.Fitting = part.Fitting
		fixes = append(fixes, fix(UseInstead{c, shelf.toBuy(c)}, edit.SetFitting{At: at, Of: c}))
	}
	return fixes
}

// unlike says how far one fitting is from another: another metal weighs as much
// as some millimetres.
func unlike(a, b *material.Material) float64 {
	const otherMetal, otherType = 8, 3
	by := 0.0
	if a.Metal != b.Metal {
		by += otherMetal
	}
	if a.Finding.Type != b.Finding.Type {
		by += otherType
	}
	for _, d := range []length.MM{a.Finding.Inside - b.Finding.Inside, a.Finding.Length - b.Finding.Length, a.Finding.InSeries() - b.Finding.InSeries()} {
		by += math.Abs(float64(d))
	}
	return by
}

// strungOn offers the shelf's cords that pass instead of the strand's, the
// thickest first.
func strungOn(s *measure.Strand, shelf []*material.Material, ok func(c *material.Cord) bool) []Fix {
	var fit []*material.Material
	for _, c := range shelf {
		if c.Cord != nil && c.ID != s.Row.Cord.ID && ok(c.Cord) {
			fit = append(fit, c)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(b.Cord.Diameter, a.Cord.Diameter), cmp.Compare(a.ID, b.ID))
	})
	var fixes []Fix
	for _, c := range fit {
		fixes = append(fixes, fix(StringOn{c}, edit.SetCord{At: s.Row.At(), Cord: c}))
	}
	return fixes
}

// thinner says of cords whether they are like the strand's but thinner.
func thinner(than *material.Cord) func(c *material.Cord) bool {
	return func(c *material.Cord) bool { return c.Type == than.Type && c.Diameter < than.Diameter }
}
