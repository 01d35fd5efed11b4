package written

import (
	"fmt"

	"mala/core/length"
)

// cross holds statements of one text against each other, where the piece does not
// already say which is wrong.
func (a *auditor) cross() {
	for i, s := range a.Statements {
		for _, o := range a.Statements[:i] {
			switch {
			case s.Kind == OfCount && o.Kind == OfCount && a.same(s, o) && s.count() != o.count():
				a.crossed(s, o, fmt.Sprintf("Line %d says %d.", o.Line, o.count()))
			case s.Kind == OfTotal && o.Kind == OfTotal && s.row == o.row && s.each == o.each && s.count() != o.count():
				a.crossed(s, o, fmt.Sprintf("Line %d says %d.", o.Line, o.count()))
			case s.Kind == OfCord && o.Kind == OfCut || s.Kind == OfCut && o.Kind == OfCord:
				a.crossCut(s, o)
			}
		}
	}
}

func (a *auditor) same(s, o *Statement) bool {
	if s.row != o.row || s.each != o.each {
		return false
	}
	return s.Of != nil && s.Of == o.Of || s.Of == nil && o.Of == nil && s.Phrase == o.Phrase
}

func (a *auditor) crossed(s, o *Statement, why string) {
	if s.State == Agrees && o.State == Agrees {
		return // one counts what the other counts otherwise, as components and their parts
	}
	if s.State == NoFigure || s.State == Asks {
		s.State = Crosses
	}
	if s.State != Agrees {
		s.Why += " " + why
	}
}

// crossCut holds the cord that the text asks for in all against the pieces it cuts.
func (a *auditor) crossCut(s, o *Statement) {
	total, cut := s, o
	if s.Kind == OfCut {
		total, cut = o, s
	}
	if total.row != cut.row || total.each || total.cordOf() != nil && cut.cordOf() != nil && total.cordOf() != cut.cordOf() || total.Of != nil && total.Of.Cord == nil || cut.Of != nil && cut.Of.Cord == nil {
		return
	}
	pieces := 0
	sum := length.MM(0)
	for _, c := range a.Statements {
		if c.Kind != OfCut || c.cordOf() != cut.cordOf() {
			continue
		}
		n := c.times
		if c.each {
			n *= len(a.cords(c.cordOf(), whole))
		}
		pieces += n
		sum += c.figure.mm() * length.MM(n)
	}
	if total.State != Agrees || cut.State != Agrees || total.figure.mm() >= sum-total.figure.roughly() {
		return
	}
	total.State = Crosses
	total.Why = fmt.Sprintf("Line %d cuts %s, %s in all.", cut.Line, count(pieces, "piece"), total.figure.shown(sum))
	total.Edits = a.relength(total.figure, total.figure.up(sum))
}
