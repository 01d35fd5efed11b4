package written

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"mala/core/material"
)

// know finds which materials the statements speak of, and asks where that is not sure.
func (a *auditor) know() {
	asked := map[string]int{}
	for _, s := range a.Statements {
		if s.row == lastRow {
			s.row = len(a.m.Strands)
		}
		if s.Phrase == "" {
			continue
		}
		likely := a.mean(s)
		if s.State != Asks {
			continue
		}
		a.open = a.open || s.Kind == OfStrung
		i, known := asked[s.Phrase]
		if !known {
			i = len(a.Questions)
			asked[s.Phrase] = i
			a.Questions = append(a.Questions, Question{Phrase: s.Phrase, Likely: likely})
		}
		a.Questions[i].Asked++
	}
	a.sequences()
	a.dropProse()
}

// mean finds the material that a statement speaks of: without doubt, as it was answered,
// or else it asks. It gives the materials that are likely.
func (a *auditor) mean(s *Statement) []*material.Material {
	likely, sure := a.names.find(s)
	answer, answered := a.answers[s.Phrase]
	meant := slices.IndexFunc(a.names.all, func(m *material.Material) bool { return answered && m.ID == answer })
	s.State = NoFigure
	switch {
	case sure:
		s.Of = likely[0]
	case (s.Kind == OfCut || s.Kind == OfCord) && len(stringing(likely)) == 1:
		s.Of = stringing(likely)[0]
	case answered && answer == NoMaterial:
		s.Why, s.ignored = "No material.", true
		if s.Kind == OfStrung {
			s.Kind = OfCount
		}
	case answered && answer == NotInPiece:
		s.State, s.Why = Differs, fmt.Sprintf("The piece has no %s.", s.Phrase)
		a.open = a.open || s.Kind == OfStrung
	case meant >= 0:
		s.Of = a.names.all[meant]
	case (s.Kind == OfCut || s.Kind == OfCord) && len(likely) == 0:
		// The piece may have one cord alone.
	case s.Kind == OfName, len(likely) == 0 && !s.clear:
	default:
		s.State = Asks
	}
	return likely
}

// dropProse takes words that name nothing of the piece out of the statements.
func (a *auditor) dropProse() {
	a.Statements = slices.DeleteFunc(a.Statements, func(s *Statement) bool {
		prose := (s.Kind == OfName || !s.clear && s.Kind != OfCut && s.Kind != OfCord) && s.Phrase != "" && s.Of == nil && s.State == NoFigure
		if prose {
			a.Unread = append(a.Unread, Unread{s.Line, s.From, s.To, s.Kind != OfName && s.figure.sort == number && !s.article})
		}
		return prose
	})
	slices.SortStableFunc(a.Unread, func(x, y Unread) int { return cmp.Compare(x.From, y.From) })
}

// sequences finds lines that string without saying so: they count one material twice.
func (a *auditor) sequences() {
	type place struct {
		line int
		of   string
		row  int
	}
	seen, twice := map[place]bool{}, map[int]bool{}
	for _, s := range a.Statements {
		if s.Kind != OfCount || s.Of == nil || len(s.sizes) > 0 {
			continue
		}
		at := place{s.Line, s.Of.ID, s.row}
		twice[s.Line] = twice[s.Line] || seen[at]
		seen[at] = true
	}
	for _, s := range a.Statements {
		if twice[s.Line] && s.Kind == OfCount {
			s.Kind = OfStrung
			a.open = a.open || s.Of == nil
		}
	}
	for _, u := range a.Unread {
		a.open = a.open || twice[u.Line] && (u.Figures || strings.Contains(a.text[u.From:u.To], "back"))
	}
}

// stringing are those of the materials that are cut to a length.
func stringing(likely []*material.Material) []*material.Material {
	return slices.DeleteFunc(slices.Clone(likely), func(m *material.Material) bool { return m.Cord == nil && !m.HasLinks() })
}
