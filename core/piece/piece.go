// Package piece is the structure of what is strung: sections of rows between
// the two halves of a closure, the materials they use, and what is asked of the
// finished length.
package piece

import (
	"fmt"
	"maps"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
)

// Kind is what is made.
type Kind string

// The kinds; an ornament hangs, on a window, a mirror or a key.
const (
	Necklace Kind = "necklace"
	Bracelet Kind = "bracelet"
	Anklet   Kind = "anklet"
	Ornament Kind = "ornament"
)

// ClosureType is how a piece closes.
type ClosureType string

// The closures: a clasp, a ring knotted on itself, a ring that slips over, two ends that
// the wearer ties or draws one through the other, or a bar with a knot at either end; an
// ornament hangs by its right end, and closes round nothing.
const (
	Clasp ClosureType = "clasp"
	Knot  ClosureType = "knot"
	None  ClosureType = "none"
	Tied  ClosureType = "tied"
	OnBar ClosureType = "bar"
	Hung  ClosureType = "hung"
)

// Closure joins the two ends. Left and Right list their fittings from the
// outside in.
type Closure struct {
	Type        ClosureType
	Left, Right []Fitting
}

// Fitting is one finding in its place in the piece: two equal rings are two
// fittings.
type Fitting struct {
	ID    ID
	Of    *material.Material
	Hung  []*material.Material // charms and components hanging on it; of an extender on its last link
	Links int                  // of a chain, or of bead links that hang in one another
	Fill  bool                 // a chain that takes as many links as bring its row to its target

	Between *Between // of bead links: chain between each two; nil where they hang in one another
}

// Target is the finished length asked for, and how far off is still right.
type Target struct {
	Finished, Tolerance length.MM
}

// Body is the part of the wearer a piece goes round, with its measures; 0 where
// not known.
type Body struct {
	Part                string
	Measure, Hand, Head length.MM
	For                 string // the standard size or age the measure stands for
	Child               bool
	Fit                 string // the word for the ease that is wanted; empty takes any
	Times               int    // how often the piece goes round it; 0 is once
}

// MostTimes is how often a piece goes round a body at most.
const MostTimes = 12

// Times is how often the piece goes round the body it is worn on.
func (p *Piece) Times() int {
	if p.Body == nil {
		return 1
	}
	return max(1, p.Body.Times)
}

// Waiver accepts a finding as it is, with a reason.
type Waiver struct {
	Code string
	At   Place  // where; a zero side, fitting or row stands for any
	Of   string // the id of the material it is about; empty stands for any
	Note string
}

// Piece is a whole piece with every material it uses.
type Piece struct {
	Name, Notes string
	Kind        Kind
	Target      *Target // nil if none is set
	Body        *Body
	Hanging     *Hanging                      // of an ornament; nil where it is not said
	Palette     map[string]*material.Material // beads by the letter of their dish
	Closure     Closure
	Sections    []Section
	Joins       []*Join // between each section and the next
	House       House
	Waived      []Waiver
	Sizes       []Size          // the same pattern in other sizes
	Pins        []Pin           // what stays as it is while the piece is brought to a length
	OneCord     map[string]bool // letters of dishes whose beads ride on one of the cords that run side by side
}

// Child says whether the piece is for a child.
func (p *Piece) Child() bool { return p.Body != nil && p.Body.Child }

// NewJoin gives an id for a join that nothing in the piece has.
func (p *Piece) NewJoin() ID { return p.newID("j") }

// Section is a number of rows side by side between two joins.
type Section struct {
	Rows    []*Row
	Twisted bool       // the rows are twisted together, and cross each other on purpose
	Gap     *length.MM // how far apart at the front two rows may hang; nil follows the wider row
}

// Row is one strand: its cord, its bead line, and its end fittings listed from
// the strand outwards.
type Row struct {
	ID          ID
	Cord        *material.Material
	Line        *pattern.Line
	Slack       *length.MM // nil follows the house
	Passes      int        // how often the cord runs through every bead
	Cut         *length.MM // what the cord has been cut to already; nil if it has not
	Left, Right []Fitting

	LeftEnding, RightEnding Ending

	Lacing *Lacing       // of a row of flats that is laced; nil where the cord runs through all holes
	Holder Holder        // of beads that stand apart
	FoldOf ID            // the row whose cord it is the other half of, folded at the left; empty of a cord of its own
	Riders *pattern.Line // beads that slide over those of the line; nil without any

	LeftPort, RightPort Port
	Follow              Follow // of any row but the first
}

// Rows lists every row of the piece, section by section.
func (p *Piece) Rows() []*Row {
	var rows []*Row
	for _, s := range p.Sections {
		rows = append(rows, s.Rows...)
	}
	return rows
}

// Row finds a row by its id; nil if the piece has none of that id.
func (p *Piece) Row(id ID) *Row {
	for _, r := range p.Rows() {
		if r.ID == id {
			return r
		}
	}
	return nil
}

// Leading is the row whose length the target names: the first of the section with the
// most rows.
func (p *Piece) Leading() *Row { return p.Main().Rows[0] }

// IsRing says whether the row closes on itself bead to bead: no clasp, and no
// fitting between its last bead and its first.
func (p *Piece) IsRing(r *Row) bool {
	return p.SlipsOn() && p.Closure.Type != OnBar && len(r.Left) == 0 && len(r.Right) == 0
}

// SlipsOn says whether the piece never opens, so that it must pass over what it
// goes on.
func (p *Piece) SlipsOn() bool {
	return p.Closure.Type == Knot || p.Closure.Type == None || p.Closure.Type == OnBar
}

// End gives the list of a row's end, from the strand outwards, or that of the
// closure beyond it, from the outside in.
func (p *Piece) End(r *Row, side Side, closure bool) *[]Fitting {
	switch {
	case closure && side == Right:
		return &p.Closure.Right
	case closure:
		return &p.Closure.Left
	case side == Right:
		return &r.Right
	}
	return &r.Left
}

// Clasp gives the clasp and the side it is listed at; nil if the piece has none.
func (p *Piece) Clasp() (*material.Finding, Side) {
	for _, side := range Sides() {
		for _, f := range *p.End(nil, side, true) {
			if f.Of.Finding.IsClasp() {
				return f.Of.Finding, side
			}
		}
	}
	return nil, ""
}

// Clone copies the piece so far that rows, fittings and dishes can be changed
// without changing it; lines and materials are shared.
func (p *Piece) Clone() *Piece {
	out := *p
	out.Palette, out.OneCord = maps.Clone(p.Palette), maps.Clone(p.OneCord)
	out.Closure.Left, out.Closure.Right = slices.Clone(p.Closure.Left), slices.Clone(p.Closure.Right)
	out.Sections = make([]Section, len(p.Sections))
	for i, s := range p.Sections {
		out.Sections[i].Twisted, out.Sections[i].Gap = s.Twisted, s.Gap
		for _, r := range s.Rows {
			row := *r
			row.Left, row.Right = slices.Clone(r.Left), slices.Clone(r.Right)
			out.Sections[i].Rows = append(out.Sections[i].Rows, &row)
		}
	}
	out.Joins = nil
	for _, j := range p.Joins {
		out.Joins = append(out.Joins, &Join{j.ID, slices.Clone(j.Fittings)})
	}
	out.Waived, out.Pins, out.Sizes = slices.Clone(p.Waived), slices.Clone(p.Pins), slices.Clone(p.Sizes)
	return &out
}

// Fittings gives every list of fittings in the piece, so that it can be changed.
func (p *Piece) Fittings() []*[]Fitting {
	lists := []*[]Fitting{&p.Closure.Left, &p.Closure.Right}
	for _, r := range p.Rows() {
		lists = append(lists, &r.Left, &r.Right)
	}
	for _, j := range p.Joins {
		lists = append(lists, &j.Fittings)
	}
	return lists
}

// Fitting finds a fitting by its id, wherever it is; nil if the piece has none of that id.
func (p *Piece) Fitting(id ID) *Fitting {
	for _, list := range p.Fittings() {
		for i := range *list {
			if (*list)[i].ID == id {
				return &(*list)[i]
			}
		}
	}
	return nil
}

// NewFitting gives a finding an id that no row or fitting of the piece has.
func (p *Piece) NewFitting(of *material.Material) Fitting { return Fitting{ID: p.newID("f"), Of: of} }

// NewRow gives an id for a row that no row or fitting of the piece has.
func (p *Piece) NewRow() ID { return p.newID("r") }

func (p *Piece) newID(prefix string) ID {
	used := map[ID]bool{}
	for _, r := range p.Rows() {
		used[r.ID] = true
	}
	for _, j := range p.Joins {
		used[j.ID] = true
	}
	for _, list := range p.Fittings() {
		for _, f := range *list {
			used[f.ID] = true
		}
	}
	n := 1
	for used[ID(fmt.Sprint(prefix, n))] {
		n++
	}
	return ID(fmt.Sprint(prefix, n))
}

// TakeLine gives the row a line whose letters all have a dish. The error is a
// pattern.List of every letter that has none.
func (r *Row) TakeLine(line *pattern.Line, palette map[string]*material.Material) error {
	if err := checkLetters(line, palette); err != nil {
		return err
	}
	if r.Lacing != nil {
		if err := r.Lacing.CheckLine(line, palette); err != nil {
			return err
		}
	}
	r.Line = line
	return nil
}

func checkLetters(line *pattern.Line, palette map[string]*material.Material) error {
	var missing pattern.List
	for _, n := range line.Nodes {
		if !n.IsBead() {
			continue
		}
		if m := palette[n.Key()]; m == nil || m.Bead == nil {
			missing = append(missing, pattern.NoDish(n))
		}
	}
	if missing != nil {
		return missing
	}
	return nil
}
