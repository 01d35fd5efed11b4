package edit

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// The operations on rows.
type (
	AddRow struct { // copies of the row behind it, or rows with another line, or of chain
		At    piece.Place
		Rows  int                `op:"N"`
		Line  string             `op:"Text"`
		Chain *material.Material `op:"Material"`
	}
	RemoveRow struct{ At piece.Place }
	MoveRow   struct { // make it the To-th, from 1
		At piece.Place
		To int `op:"N"`
	}
	MirrorRow struct{ At piece.Place } // reverse it with its ends
	SwapBeads struct {                 // let two letters change places in the row
		At      piece.Place
		Letters string `op:"Text"`
	}
	SetFollow struct { // let it follow the row before it by a rule, longer by a step
		At   piece.Place
		Rule piece.Rule `op:"Text"`
		Step *length.MM `op:"Length"`
	}
	SetPort struct { // let its end go on a fitting, in a hole; a row that is there changes places with it
		At   piece.Place
		On   piece.ID `op:"Field"`
		Hole int      `op:"N"`
	}
	SetGap struct { // between rows at the front before it is too wide; without, three times the wider one
		At  piece.Place
		Gap *length.MM `op:"Length"`
	}
	SetTwist struct { // twist the rows together: yes or no
		At    piece.Place
		Twist string `op:"Text"`
	}
)

func (AddRow) Do() Do    { return "add-row" }
func (RemoveRow) Do() Do { return "remove-row" }
func (MoveRow) Do() Do   { return "move-row" }
func (MirrorRow) Do() Do { return "mirror-row" }
func (SwapBeads) Do() Do { return "swap-beads" }
func (SetFollow) Do() Do { return "set-follow" }
func (SetPort) Do() Do   { return "set-port" }
func (SetGap) Do() Do    { return "set-gap" }
func (SetTwist) Do() Do  { return "set-twist" }

func (o RemoveRow) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	return removeRow(p, row)
}

func (o MoveRow) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	return moveRow(p, row, o.To)
}

func (o MirrorRow) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := strungAt(p, o.At)
	if err != nil {
		return err
	}
	return mirrorRow(p, row)
}

func (o SwapBeads) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := strungAt(p, o.At)
	if err != nil {
		return err
	}
	old, fresh, err := twoLetters(o.Letters)
	if err != nil {
		return err
	}
	row.Line = row.Line.Clone()
	swapLetters(row.Line, old, fresh)
	return nil
}

// strungAt gives a row that has beads. The error is a *Refused.
func strungAt(p *piece.Piece, at piece.Place) (*piece.Row, error) {
	row, err := rowOf(p, at)
	if err == nil && !row.Corded() {
		return nil, refuse("This row is chain: it has no beads.")
	}
	return row, err
}

func (o SetGap) apply(p *piece.Piece, _ []*material.Material) error {
	if _, err := rowOf(p, o.At); err != nil {
		return err
	}
	for i := range p.Sections {
		p.Sections[i].Gap = o.Gap
	}
	return nil
}

func (o SetTwist) apply(p *piece.Piece, _ []*material.Material) error {
	if _, err := rowOf(p, o.At); err != nil {
		return err
	}
	for i := range p.Sections {
		p.Sections[i].Twisted = o.Twist == piece.Yes
	}
	return nil
}

// apply puts copies of a row behind it, with ends of their own. The first of them follows it as the
// house's rows usually do.
func (o AddRow) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	n := max(1, o.Rows)
	if p.Closure.Type != piece.Clasp {
		return refuse("Several rows go on a clasp or on rings. Close the piece with a clasp first.")
	}
	if len(p.Rows())+n > piece.MostRows {
		return refuse("A piece has at most %d rows.", piece.MostRows)
	}
	line := row.Line
	if o.Line != "" {
		parsed, err := pattern.Parse(o.Line)
		if err != nil {
			return err
		}
		line = parsed
	}
	follow, err := firstFollow(p, row)
	if err != nil {
		return err
	}
	if o.Chain != nil {
		return addChains(p, row, o.Chain, n)
	}
	section, at := sectionOf(p, row)
	for i := range n {
		next := *row
		next.ID, next.Line, next.Cut, next.Follow = p.NewRow(), line.Clone(), nil, follow
		next.LeftPort, next.RightPort = piece.Port{}, piece.Port{}
		next.Left, next.Right = nil, nil
		section.Rows = slices.Insert(section.Rows, at+1+i, &next)
		copyEnds(p, row, &next)
		ownCord(p, &next)
		unbend(&next)
	}
	return nil
}

// addChains puts rows of chain behind a row, of as many links as bring each nearest to
// what is asked of it, or else to the length of the row before it.
func addChains(p *piece.Piece, row *piece.Row, of *material.Material, n int) error {
	if !of.HasLinks() {
		return refuse("%s has no links. A row is strung on a cord, or is one of chain or bead links.", of.Name)
	}
	follow, err := firstFollow(p, row)
	if err != nil {
		return err
	}
	section, at := sectionOf(p, row)
	for i := range n {
		next := &piece.Row{ID: p.NewRow(), Passes: 1, Follow: follow}
		next.OfChain()
		section.Rows = slices.Insert(section.Rows, at+1+i, next)
		chain := p.NewFitting(of)
		chain.Links = 1
		next.Left = []piece.Fitting{chain}
		m, err := measure.Measure(p)
		if err != nil {
			return err
		}
		want := m.Strand(row.ID).Finished() + length.MM(i+1)*follow.Step
		if t := p.TargetOf(next); t != nil {
			want = t.Finished
		}
		first := &next.Left[0]
		first.Links = first.LinksFor(first.ChainLength() + want - m.Strand(next.ID).Finished())
	}
	return nil
}

// stepTo is what the step of a new row is rounded to.
const stepTo = 5

// firstFollow is how a new row follows until it is set: as long on a wrist or where
// holes keep the rows apart, and on a necklace longer by four times its width, so that
// the rows hang clear of each other.
func firstFollow(p *piece.Piece, row *piece.Row) (piece.Follow, error) {
	if p.Kind != piece.Necklace {
		return piece.Follow{Rule: piece.Equal}, nil
	}
	m, err := measure.Measure(p)
	if err != nil {
		return piece.Follow{}, err
	}
	step := length.MM(math.Ceil(4*float64(m.Strand(row.ID).Width())/stepTo) * stepTo)
	return piece.Follow{Rule: piece.Longer, Step: max(stepTo, step)}, nil
}

func sectionOf(p *piece.Piece, row *piece.Row) (*piece.Section, int) {
	for i := range p.Sections {
		if at := slices.Index(p.Sections[i].Rows, row); at >= 0 {
			return &p.Sections[i], at
		}
	}
	return nil, -1
}

func removeRow(p *piece.Piece, row *piece.Row) error {
	section, at := sectionOf(p, row)
	if len(section.Rows) == 1 && len(p.Sections) == 1 {
		return refuse("A piece needs a row. Remove its beads instead.")
	}
	if at == 0 && len(p.Sections) > 1 && len(section.Rows) == 1 {
		return removeSection(p, row)
	}
	if mate := p.FoldedWith(row); mate != nil {
		unfold(p, mate, row)
	}
	section.Rows = slices.Delete(section.Rows, at, at+1)
	section.Rows[0].Follow = piece.Follow{}
	if len(section.Rows) == 1 {
		section.Twisted = false
		section.Rows[0].LeftPort, section.Rows[0].RightPort = piece.Port{}, piece.Port{}
	}
	p.Waived = slices.DeleteFunc(p.Waived, func(w piece.Waiver) bool { return w.At.Row == row.ID })
	return nil
}

// moveRow makes the row the n-th. The rules stay with the places: what the second row
// is to be longer by than the first does not move with a row.
func moveRow(p *piece.Piece, row *piece.Row, n int) error {
	section, at := sectionOf(p, row)
	if n < 1 || n > len(section.Rows) {
		return refuse("There are rows 1 to %d.", len(section.Rows))
	}
	follows := make([]piece.Follow, len(section.Rows))
	for i, r := range section.Rows {
		follows[i] = r.Follow
	}
	section.Rows = slices.Insert(slices.Delete(section.Rows, at, at+1), n-1, row)
	for i, r := range section.Rows {
		r.Follow = follows[i]
	}
	return nil
}

// mirrorRow reverses the row's beads and lets its ends change sides.
func mirrorRow(p *piece.Piece, row *piece.Row) error {
	if way := row.LeftEnding.Way; way == piece.WayFold || way == piece.WayFoldBead || p.FoldedWith(row) != nil {
		return refuse("The fold of the cord lies at the left. Make that end another way first.")
	}
	line, err := row.Line.Turned()
	if err != nil {
		return err
	}
	row.Line = line
	if p.Hangs() {
		return nil // its foot stays below
	}
	for _, side := range piece.Sides() {
		if j := p.JoinAt(row, side); j != nil && j.Through() {
			return nil // its cord runs on there, and ends elsewhere
		}
	}
	row.Left, row.Right = row.Right, row.Left
	row.LeftEnding, row.RightEnding = row.RightEnding, row.LeftEnding
	row.LeftEnding.Stop, row.RightEnding.Stop = row.RightEnding.Stop, ""
	return nil
}

func (o SetFollow) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	if _, at := sectionOf(p, row); at == 0 {
		return refuse("The first row follows no other. Set the target instead.")
	}
	f := piece.Follow{Rule: o.Rule, Step: row.Follow.Step}
	switch {
	case o.Step != nil:
		f.Step = *o.Step
	case (f.Rule == piece.Own) != (row.Follow.Rule == piece.Own):
		f.Step = 0 // a length is no step
		if f.Rule == piece.Own {
			return refuse("Give the length that the row is to have.")
		}
	}
	if f.Rule == piece.Equal || f.Rule == piece.Free {
		f.Step = 0
	}
	row.Follow = f
	return nil
}

func (o SetPort) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	side := o.At.Side
	if side != piece.Left && side != piece.Right {
		return refuse("Name the end: left or right.")
	}
	was := p.Hole(row, side)
	*row.Port(side) = piece.Port{On: o.On, Hole: o.Hole}
	on := p.Joined(row, side)
	if on == nil || o.Hole == 0 {
		return nil
	}
	for _, r := range p.AllOf(on.ID, side) {
		if r != row && p.Hole(r, side) == o.Hole {
			r.Port(side).Hole = was
		}
	}
	return nil
}

// twoLetters reads two letters of dishes.
func twoLetters(text string) (first, second string, err error) {
	pair, err := pattern.Parse(text)
	if err != nil {
		return "", "", err
	}
	if len(pair.Items) != 2 || len(pair.Nodes) != 2 || !pair.Items[0].IsBead() || !pair.Items[1].IsBead() {
		return "", "", &pattern.Fault{Code: pattern.BadEdit, Col: 1, Says: "A dish's letter is A to Z, optionally followed by one small letter.", Expected: "two letters"}
	}
	return pair.Items[0].Key(), pair.Items[1].Key(), nil
}
