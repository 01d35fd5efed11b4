package written

import "fmt"

// cross holds statements of one text against each other, where the piece does not
// already say which is wrong.
func (a *auditor) cross() {
	type what struct {
		kind Kind
		of   string
		rows string
	}
	first := map[what]*Statement{}
	for _, s := range a.Statements {
		switch s.Kind {
		case OfCount, OfTotal:
			key := what{s.Kind, s.Phrase, s.scope()}
			if s.Of != nil {
				key.of = s.Of.ID
			}
			if o := first[key]; o == nil {
				first[key] = s
			} else if s.count() != o.count() {
				s.crosses(o)
			}
		case OfCord:
			a.crossCut(s)
		}
	}
}

// crosses says that another statement counts the same otherwise, where the piece does not
// hold both right: components are counted as such and by their parts.
func (s *Statement) crosses(o *Statement) {
	if s.State == Agrees {
		return
	}
	if s.State == NoFigure || s.State == Asks {
		s.State = Crosses
	}
	s.Why = fmt.Sprintf("%s Line %d says %d.", s.Why, o.Line, o.count())
}

// crossCut holds the cord that the text asks for in all against the pieces it cuts.
func (a *auditor) crossCut(total *Statement) {
	cut := a.cuts[total.cordKey()]
	if total.State != Agrees || total.each || total.row != whole || cut.first == nil || cut.first.State != Agrees || total.Of != nil && total.Of.Cord == nil {
		return
	}
	if total.figure.mm() >= cut.sum-total.figure.roughly() {
		return
	}
	total.State = Crosses
	total.Why = fmt.Sprintf("Line %d cuts %s, %s in all.", cut.first.Line, count(cut.pieces, "piece"), total.figure.shown(cut.sum))
	total.Edits = a.relength(total.figure, total.figure.up(cut.sum))
}
