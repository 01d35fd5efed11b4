package written

import (
	"fmt"
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// cordOf is the stringing material that a statement speaks of; nil for whatever the piece
// is strung on.
func (s *Statement) cordOf() *material.Material {
	if s.Of != nil && s.Of.Cord != nil {
		return s.Of
	}
	return nil
}

// holdCut holds pieces of cord to be cut against what each of the rows takes. A cord that
// reaches along its path is no contradiction even where the house would leave more.
func (a *auditor) holdCut(s *Statement) {
	if s.Of != nil && s.Of.Cord == nil {
		a.holdChain(s, s.figure.mm()*length.MM(s.times))
		return
	}
	cords := a.cords(s.cordOf(), s.row)
	if len(cords) == 0 {
		s.State, s.Why = NoFigure, "The piece has no such cord to cut."
		return
	}
	pieces := s.times
	if s.each {
		pieces *= len(cords)
	}
	most, _ := lengthsOf(cords, (*measure.Strand).CutLength)
	s.State, s.Derived = Agrees, fmt.Sprintf("%d × %s", len(cords), s.figure.shown(most))
	_, all := lengthsOf(cords, (*measure.Strand).LeastCut)
	// One length that all cords are cut from is as good as a piece for each.
	inOne := pieces == 1 && s.pieces.to == 0 && s.figure.mm() >= all
	if pieces != len(cords) && !inOne && a.cuts[s.cordKey()].pieces != len(a.cords(s.cordOf(), whole)) {
		s.differ(fmt.Sprintf("The text cuts %s; the piece takes %d.", count(pieces, "piece"), len(cords)), a.recut(s, len(cords))...)
	}
	a.reaches(s, s.figure.mm(), cords, !inOne)
	a.holdUnits(s)
	if s.State == Differs && len(cords) == 1 {
		cut := s.figure.mm()
		if least := cords[0].LeastCut(); cut >= least {
			s.Take.Cut, s.Take.Row = &cut, string(cords[0].Row.ID)
		}
	}
}

// reaches says where a length of cord is less than the path of the longest row, and
// where it leaves less than the house would.
func (a *auditor) reaches(s *Statement, mm length.MM, cords []*measure.Strand, longest bool) {
	least, leastSum := lengthsOf(cords, (*measure.Strand).LeastCut)
	cut, cutSum := lengthsOf(cords, (*measure.Strand).CutLength)
	if !longest {
		least, cut = leastSum, cutSum
	}
	switch {
	case mm < least-0.05:
		s.differ(fmt.Sprintf("%s is too short: the path alone takes %s.", s.figure.shown(mm), s.figure.shown(least)), a.relength(s.figure, s.figure.up(cut))...)
	case mm < cut-s.figure.roughly() && s.State == Agrees:
		s.Why = fmt.Sprintf("Enough for the path of %s; your house method cuts %s.", s.figure.shown(least), s.figure.shown(cut))
	}
}

// up rounds a length up to the last place of this figure: nothing is cut short.
func (t *token) up(mm length.MM) length.MM {
	last := length.MM(t.step) * t.unit
	if t.unit >= 1000 {
		last = min(last, t.unit/10)
	}
	return length.MM(math.Ceil(float64(mm/last)-1e-9)) * last
}

// cutting is what a text cuts of one stringing material.
type cutting struct {
	first  *Statement
	pieces int
	sum    length.MM
}

func (c cutting) with(s *Statement, rows int) cutting {
	n := s.times
	if s.each {
		n *= rows
	}
	if c.first == nil {
		c.first = s
	}
	return cutting{c.first, c.pieces + n, c.sum + s.figure.mm()*length.MM(n)}
}

func (s *Statement) cordKey() string {
	if of := s.cordOf(); of != nil {
		return of.ID
	}
	return ""
}

func (a *auditor) recut(s *Statement, pieces int) []Edit {
	if s.second != nil && s.times == 1 || s.pieces.to == s.pieces.from || s.each {
		return nil
	}
	return []Edit{{s.pieces.from, s.pieces.end, s.pieces.number(pieces)}}
}

func (a *auditor) holdCord(s *Statement) {
	if s.Of != nil && s.Of.Cord == nil {
		a.holdChain(s, s.figure.mm())
		return
	}
	cords := a.cords(s.cordOf(), s.row)
	if len(cords) == 0 {
		s.State, s.Why = NoFigure, "The piece has no such cord."
		return
	}
	most, sum := lengthsOf(cords, (*measure.Strand).CutLength)
	s.State, s.Derived = Agrees, s.figure.shown(sum)
	if s.each {
		s.Derived = s.figure.shown(most)
	}
	a.reaches(s, s.figure.mm(), cords, s.each)
	a.holdUnits(s)
}

// holdChain holds a length of chain against its links.
func (a *auditor) holdChain(s *Statement, said length.MM) {
	c := a.strung[s.Of.ID]
	if c.Length == 0 {
		s.State, s.Why = NoFigure, fmt.Sprintf("%s is not measured by length in this piece.", s.Of.Name)
		return
	}
	s.State, s.Derived = Agrees, s.figure.shown(c.Length)
	if said < c.Length-s.figure.roughly() {
		s.differ(fmt.Sprintf("%s is too short: the piece takes %s.", s.figure.shown(said), s.figure.shown(c.Length)), a.relength(s.figure, s.figure.up(c.Length))...)
	}
	a.holdUnits(s)
}

// holdPacks holds what is bought in packs against what is needed.
func (a *auditor) holdPacks(s *Statement) {
	if s.per == nil {
		s.State, s.Why = NoFigure, "The text does not say how many are in one."
		return
	}
	packs := int(s.figure.value)
	if s.per.sort == size && s.Of.Bead == nil {
		a.holdSpools(s, packs)
		return
	}
	each := int(s.per.value)
	if s.per.sort == size {
		each = a.holds(s.Of, s.per.mm())
	}
	need := a.counts(s.Of, s.row, a.inComponents[s.Of.ID])[0]
	s.State, s.Derived = Agrees, fmt.Sprintf("%d needed", need)
	if s.per.sort == size {
		s.Why = fmt.Sprintf("%s holds %d as strung.", s.per.shown(s.per.mm()), each)
	}
	if each > 0 && packs*each < need {
		packsNeeded := (need + each - 1) / each
		s.differ(fmt.Sprintf("%d × %d are %d; the piece takes %d.", packs, each, packs*each, need), s.recount(packsNeeded)...)
	}
}

func (a *auditor) holdSpools(s *Statement, packs int) {
	need := length.MM(0)
	switch {
	case s.Of.Cord != nil:
		_, need = lengthsOf(a.cords(s.Of, s.row), (*measure.Strand).CutLength)
	default:
		need = a.strung[s.Of.ID].Length
	}
	s.State, s.Derived = Agrees, s.per.shown(need)
	if have := s.per.mm() * length.MM(packs); have < need {
		s.differ(fmt.Sprintf("%s is too little: the piece takes %s.", s.per.shown(have), s.per.shown(need)), s.recount(int(math.Ceil(float64(need/s.per.mm()))))...)
	}
}
