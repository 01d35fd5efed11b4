package piece

import (
	"fmt"
	"testing"

	"mala/core/pattern"
)

// The loop of a row is the row in every section that has its number, or the last of one with
// fewer rows, and what its cord is folded with.
func TestTheLoopOfARowAlone(t *testing.T) {
	p := withRows(3, 4)
	p.Rows()[1].Follow, p.Rows()[2].Follow = Follow{Rule: Equal}, Follow{Rule: Longer, Step: 20}
	single := *p.Leading()
	single.ID = "s1"
	p.Sections = append(p.Sections, Section{Rows: []*Row{&single}})
	p.Joins = []*Join{{ID: "j1", Fittings: []Fitting{{ID: "x1", Of: p.Closure.Left[0].Of}}}}
	ids := func(p *Piece) (out string) {
		for _, s := range p.Sections {
			out += "|"
			for _, r := range s.Rows {
				out += fmt.Sprintf(" %s", r.ID)
			}
		}
		return out
	}
	all := ids(p)
	rows := p.Sections[0].Rows
	for i, row := range rows {
		alone := p.Alone(row.ID)
		if got, want := ids(alone), fmt.Sprintf("| %s| s1", row.ID); got != want || alone.Row(row.ID).Follow != (Follow{}) {
			t.Errorf("row %d: %s, want %s, following %+v", i+1, got, want, alone.Row(row.ID).Follow)
		}
	}
	if got := ids(p.Alone("s1")); got != fmt.Sprintf("| %s| s1", rows[0].ID) {
		t.Errorf("of the single one: %s", got)
	}
	rows[2].FoldOf = rows[0].ID
	if got, want := ids(p.Alone(rows[2].ID)), fmt.Sprintf("| %s %s| s1", rows[0].ID, rows[2].ID); got != want {
		t.Errorf("folded: %s, want %s", got, want)
	}
	if ids(p) != all || rows[1].Follow.Rule != Equal {
		t.Errorf("the piece itself changed: %s", ids(p))
	}
}

// A size keeps lines and links by the ids of rows and chains, and forgets those that are gone.
func TestASizeForgetsWhatIsGone(t *testing.T) {
	p := withRows(2, 2)
	line, err := pattern.Parse("5P")
	if err != nil {
		t.Fatal(err)
	}
	second := p.Rows()[1].ID
	rows := map[ID]*pattern.Line{p.Leading().ID: line, second: line}
	p.Sizes = []Size{{Name: "M", Finished: 180, Line: line, Rows: rows, OfRows: rows, Links: map[ID]int{"c1": 3}}}
	before := p.Clone()
	p.ForgetGone()
	if len(p.Sizes[0].Rows) != 2 || len(p.Sizes[0].Links) != 0 { // the clasp has no links
		t.Errorf("%+v", p.Sizes[0])
	}
	p.Sections[0].Rows = p.Sections[0].Rows[:1]
	p.ForgetGone()
	if s := p.Sizes[0]; len(s.Rows) != 1 || len(s.OfRows) != 1 || s.Rows[second] != nil {
		t.Errorf("%+v", s)
	}
	if s := before.Sizes[0]; len(s.Rows) != 2 || len(s.Links) != 1 || len(rows) != 2 {
		t.Errorf("what was before changed: %+v", s)
	}
	written := p.Sizes[0].Rewritten(func(l *pattern.Line) { l.Items[0].Count = 9 })
	if written.Line.String() != "9P" || written.Rows[p.Leading().ID].String() != "9P" || written.OfRows[p.Leading().ID].String() != "9P" || written.Of != nil || line.String() != "5P" {
		t.Errorf("%+v", written)
	}
}
