package written

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// auditor holds the statements of a text against a piece.
type auditor struct {
	*facts
	*Audit
	names   *names
	answers map[string]string
	text    string
	open    bool // not every step was understood, so what is strung in them does not add up
	mirror  bool // the steps come back the way they went

	inComponents map[string]bool // by material: parts of components that the text names
	cuts         map[string]cutting
	takes        map[wanted]Take
}

func (a *auditor) hold() {
	a.gather()
	for _, s := range a.Statements {
		if s.ignored || s.State == Asks || s.State == Differs || s.Phrase != "" && s.Of == nil && s.Kind != OfCut && s.Kind != OfCord {
			continue
		}
		if slices.ContainsFunc(a.rowsOf(s), func(row int) bool { return a.strand(row) == nil && row != whole }) {
			s.differ(fmt.Sprintf("The piece has %s.", count(len(a.m.Strands), "row")))
			continue
		}
		switch s.Kind {
		case OfCount:
			a.holdCount(s)
		case OfTotal:
			a.holdTotal(s)
		case OfPacks:
			a.holdPacks(s)
		case OfName:
			s.State = Agrees
		case OfLength:
			a.holdLength(s)
		case OfRows:
			a.holdRows(s)
		case OfStep:
			a.holdStep(s)
		case OfCut:
			a.holdCut(s)
		case OfCord:
			a.holdCord(s)
		}
		a.holdSize(s)
	}
	a.holdStrung()
	a.cross()
	a.forgotten()
}

func (s *Statement) differ(why string, edits ...Edit) {
	s.State = Differs
	s.Why = strings.TrimSpace(s.Why + " " + why)
	s.Edits = append(s.Edits, edits...)
}

// count writes this many things, in the plural where there are several.
func count(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}

// recount gives the text another count at a figure, where it can be written there.
func (s *Statement) recount(n int) []Edit {
	factor := max(1, s.times)
	if s.ends {
		factor *= 2
	}
	if n <= 0 || n%factor != 0 || s.figure.to == s.figure.from {
		return nil
	}
	return []Edit{{s.figure.from, s.figure.end, s.figure.number(n / factor)}}
}

// gather looks once through all statements for what single ones are held against.
func (a *auditor) gather() {
	a.inComponents, a.cuts, a.takes = map[string]bool{}, map[string]cutting{}, map[wanted]Take{}
	for _, s := range a.Statements {
		if s.Of != nil && s.Of.Component != nil {
			s.Of.Each(func(part *material.Material, _ int, _ length.MM) { a.inComponents[part.ID] = true })
		}
		if s.Kind == OfCut && s.State != Asks && (s.Of == nil || s.Of.Cord != nil) {
			key := s.cordKey()
			a.cuts[key] = a.cuts[key].with(s, len(a.cords(s.cordOf(), whole)))
		}
	}
}

// rowsOf are the rows that the statement speaks of, whole for all of them at once.
func (a *auditor) rowsOf(s *Statement) []int {
	if s.rows != nil {
		return s.rows
	}
	if !s.each {
		return []int{s.row}
	}
	var out []int
	for i := range a.m.Strands {
		out = append(out, i+1)
	}
	return out
}

func (a *auditor) holdCount(s *Statement) {
	said, named := s.count(), a.inComponents[s.Of.ID]
	if s.sides {
		a.holdSides(s, said)
		return
	}
	var have []int
	for _, row := range a.rowsOf(s) {
		counts := a.counts(s.Of, row, named)
		if slices.Contains(counts, said) {
			have = append(have, said)
		} else {
			have = append(have, counts[0])
		}
	}
	sum := 0
	for _, n := range have {
		sum += n
	}
	if s.rows != nil && sum == said && !s.apiece {
		have = []int{sum} // of them together
	}
	s.derive(said, have, "the sequence has")
	if s.State == Differs && len(have) == 1 {
		s.Take = a.takeCount(s, said)
	}
}

// holdSides holds what is said of each side: there may be more in the middle.
func (a *auditor) holdSides(s *Statement, said int) {
	have := a.counts(s.Of, s.row, true)[0]
	s.State, s.Derived = Agrees, fmt.Sprintf("%d in all", have)
	if have < said {
		s.differ(fmt.Sprintf("The text says %d on each side, %d in all; the sequence has %d.", said/2, said, have))
	}
}

// derive holds a count against those of the rows it speaks of.
func (s *Statement) derive(said int, have []int, who string) {
	texts := make([]string, len(have))
	for i, n := range have {
		texts[i] = fmt.Sprint(n)
	}
	s.Derived = strings.Join(texts, ", ")
	if !slices.ContainsFunc(have, func(n int) bool { return n != said }) {
		s.State, s.Derived = Agrees, fmt.Sprint(said)
		return
	}
	var edits []Edit
	if !slices.ContainsFunc(have, func(n int) bool { return n != have[0] }) {
		edits, s.Derived = s.recount(have[0]), texts[0]
	}
	if have[0] == 0 && len(have) == 1 && s.Of != nil {
		s.differ(fmt.Sprintf("%s has no %s.", rowOrPiece(s.row), material.InSentence(s.Of.Name)))
		return
	}
	s.differ(fmt.Sprintf("The text says %d; %s %s.", said, who, s.Derived), edits...)
}

func rowOrPiece(row int) string {
	if row == whole {
		return "The piece"
	}
	return fmt.Sprintf("Row %d", row)
}

func (a *auditor) holdTotal(s *Statement) {
	var have []int
	for _, row := range a.rowsOf(s) {
		have = append(have, a.beads(row))
	}
	s.derive(s.count(), have, "the sequence has")
}

func (a *auditor) holdRows(s *Statement) {
	said := int(s.figure.value)
	s.derive(said, []int{a.rows()}, "the piece has")
	if said == len(a.m.Strands) || slices.ContainsFunc(a.m.Piece.Sections, func(x piece.Section) bool { return len(x.Rows) == said }) {
		s.State, s.Why, s.Edits, s.Derived = Agrees, "", nil, fmt.Sprint(said)
	}
}

// tolerance is how far off a length of the piece may be and still be right.
func (a *auditor) tolerance() length.MM {
	if t := a.m.Piece.Target; t != nil {
		return t.Tolerance
	}
	return 0
}

func (a *auditor) holdLength(s *Statement) {
	var have []length.MM
	switch {
	case s.all != nil:
		if len(s.all) != len(a.m.Strands) {
			s.State, s.Why = NoFigure, fmt.Sprintf("The text has %d lengths for %s.", len(s.all), count(len(a.m.Strands), "row"))
			return
		}
		for _, strand := range a.m.Strands {
			have = append(have, strand.Finished())
		}
	case s.row == whole && !s.each && s.rows == nil:
		have = []length.MM{a.m.Finished}
	default:
		for _, row := range a.rowsOf(s) {
			have = append(have, a.strand(row).Finished())
		}
	}
	s.State = Agrees
	var derived []string
	for i, mm := range have {
		t := s.figure
		if s.all != nil {
			t = s.all[i]
		}
		derived = append(derived, t.shown(mm))
		if off := t.mm() - mm; abs(off) > max(t.roughly(), a.tolerance())+1e-6 {
			s.differ(fmt.Sprintf("The text says %s; the piece measures %s.", t.shown(t.mm()), t.shown(mm)), a.relength(t, mm)...)
		}
	}
	s.Derived = strings.Join(derived, ", ")
	if s.State == Differs && s.all == nil && s.row == whole && !s.each {
		target := s.figure.mm()
		s.Take.Target = &target
	}
	a.holdUnits(s)
}

func abs(mm length.MM) length.MM { return length.MM(math.Abs(float64(mm))) }

// relength gives the text another length at a figure, in the manner of that.
func (a *auditor) relength(t token, mm length.MM) []Edit {
	if t.to == t.from {
		return nil
	}
	return []Edit{{t.from, t.end, t.length(mm, a.text[t.from:t.end])}}
}

// shown is a length in the unit of this figure.
func (t *token) shown(mm length.MM) string {
	switch t.unit {
	case length.Inch, 12 * length.Inch, 36 * length.Inch:
		return mm.In(length.InInches)
	case 10, 1000:
		return mm.In(length.InCentimetres)
	}
	return mm.In(length.InMillimetres)
}

// holdUnits holds a length against itself in the other unit.
func (a *auditor) holdUnits(s *Statement) {
	if s.second == nil {
		return
	}
	if off := abs(s.second.mm() - s.figure.mm()); off > s.second.roughly()+s.figure.roughly() {
		why := fmt.Sprintf("%s are %s, and the text says %s.", s.figure.shown(s.figure.mm()), s.second.shown(s.figure.mm()), s.second.shown(s.second.mm()))
		right := s.figure.mm()
		if s.State == Differs {
			why, right = "Its two units are different lengths.", a.m.Finished
		} else {
			s.State = Crosses
		}
		s.Why = strings.TrimSpace(s.Why + " " + why)
		s.Edits = append(s.Edits, a.relength(*s.second, right)...)
	} else if s.State == Differs && len(s.Edits) == 1 && s.Kind == OfLength && s.all == nil {
		s.Edits = append(s.Edits, a.relength(*s.second, a.m.Finished)...)
	}
}

func (a *auditor) holdStep(s *Statement) {
	said, off := s.figure.mm(), length.MM(0)
	main := a.m.Main()
	if len(main) < 2 {
		s.differ("The piece has one row.")
		return
	}
	var steps []string
	for i := range main[1:] {
		if s.row > 1 && !s.each && i != s.row-2 {
			continue
		}
		step := abs(main[i+1].Finished() - main[i].Finished())
		steps = append(steps, s.figure.shown(step))
		if d := abs(step - said); d > off {
			off = d
		}
	}
	s.State, s.Derived = Agrees, strings.Join(steps, ", ")
	if off > max(s.figure.roughly(), a.tolerance(), 1) {
		first := abs(main[1].Finished() - main[0].Finished())
		s.differ(fmt.Sprintf("The text says %s; from row to row it is %s.", s.figure.shown(said), s.Derived), a.relength(s.figure, first)...)
	}
}

// sizes are written from the figures of the piece; which of several measures is meant is
// the one that comes nearest.
func (a *auditor) holdSize(s *Statement) {
	if s.Of == nil || len(s.sizes) == 0 || hasSizes(s.Of, s.sizes) || s.Kind == OfCut || s.Kind == OfCord {
		return
	}
	own := sizesOf(s.Of)
	if len(own) == 0 {
		return
	}
	if s.Of.Bead != nil {
		own = own[:1] // the size a bead is sold by
	}
	for i, mm := range s.sizes {
		if hasSizes(s.Of, []length.MM{mm}) {
			continue
		}
		nearest := slices.MinFunc(own, func(x, y length.MM) int { return cmp.Compare(abs(x-mm), abs(y-mm)) })
		t := s.sizeAt[i]
		if abs(nearest-mm) <= max(t.roughly()/10, 0.06) {
			continue
		}
		s.differ(fmt.Sprintf("%s measures %s; the text says %s.", s.Of.Name, t.shown(nearest), t.shown(mm)), a.relength(t, nearest)...)
	}
}

func lengthsOf(strands []*measure.Strand, of func(s *measure.Strand) length.MM) (most, sum length.MM) {
	for _, s := range strands {
		most = max(most, of(s))
		sum += of(s)
	}
	return most, sum
}
