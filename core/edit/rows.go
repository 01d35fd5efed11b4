package edit

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// The operations on rows.
const (
	AddRow    Do = "add-row"    // put N copies of the row behind it, or rows with the line Text, or of the chain Material
	RemoveRow Do = "remove-row" // remove it
	MoveRow   Do = "move-row"   // make it the N-th, from 1
	MirrorRow Do = "mirror-row" // reverse it with its ends
	SwapBeads Do = "swap-beads" // let the two letters of Text change places in the row
	SetFollow Do = "set-follow" // let it follow the row before it by the rule Text, longer by Length
	SetPort   Do = "set-port"   // let its end go on the fitting Field, in hole N; a row that is there changes places with it
	SetGap    Do = "set-gap"    // let rows hang Length apart at the front before it is too wide; without, three times the wider one
	SetFold   Do = "set-fold"   // string the row on the other half of the cord of the row Field, folded at the left; none gives it a cord of its own
	SetTwist  Do = "set-twist"  // twist the rows together: Text is yes or no

	AddSection    Do = "add-section"    // put a section of as many rows behind that of the row, joined by Material
	RemoveSection Do = "remove-section" // remove the section that the row is in, with the join before it
)

func editRows(p *piece.Piece, op Op) error {
	row, err := rowOf(p, op)
	if err != nil {
		return err
	}
	if !row.Corded() && (op.Do == SwapBeads || op.Do == MirrorRow) {
		return refuse("This row is chain: it has no beads.")
	}
	switch op.Do {
	case AddSection:
		return addSection(p, row, op)
	case RemoveSection:
		return removeSection(p, row)
	case AddRow:
		return addRows(p, row, op)
	case RemoveRow:
		return removeRow(p, row)
	case MoveRow:
		return moveRow(p, row, op.N)
	case MirrorRow:
		return mirrorRow(p, row)
	case SwapBeads:
		old, fresh, err := twoLetters(op.Text)
		if err == nil {
			row.Line = row.Line.Clone()
			swapLetters(row.Line, old, fresh)
		}
		return err
	case SetFold:
		return setFold(p, row, piece.ID(op.Field))
	case SetFollow:
		return setFollow(p, row, op)
	case SetPort:
		return setPort(p, row, op)
	}
	for i := range p.Sections {
		if op.Do == SetGap {
			p.Sections[i].Gap = op.Length
			continue
		}
		p.Sections[i].Twisted = op.Text == piece.Yes
	}
	return nil
}

// addRows puts copies of a row behind it, with ends of their own. The first of them
// follows it as the house's rows usually do.
func addRows(p *piece.Piece, row *piece.Row, op Op) error {
	n := max(1, op.N)
	if p.Closure.Type != piece.Clasp {
		return refuse("Several rows go on a clasp or on rings. Close the piece with a clasp first.")
	}
	if len(p.Rows())+n > piece.MostRows {
		return refuse("A piece has at most %d rows.", piece.MostRows)
	}
	line := row.Line
	if op.Text != "" {
		parsed, err := pattern.Parse(op.Text)
		if err != nil {
			return err
		}
		line = parsed
	}
	follow, err := firstFollow(p, row)
	if err != nil {
		return err
	}
	if op.Material != nil {
		return addChains(p, row, op, n)
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
func addChains(p *piece.Piece, row *piece.Row, op Op, n int) error {
	if !op.Material.HasLinks() {
		return refuse("%s has no links. A row is strung on a cord, or is one of chain or bead links.", op.Material.Name)
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
		chain := p.NewFitting(op.Material)
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

// firstFollow is how a new row follows until somebody says: as long on a wrist or where
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

func setFollow(p *piece.Piece, row *piece.Row, op Op) error {
	if _, at := sectionOf(p, row); at == 0 {
		return refuse("The first row follows no other. Set the target instead.")
	}
	f := piece.Follow{Rule: piece.Rule(op.Text), Step: row.Follow.Step}
	switch {
	case op.Length != nil:
		f.Step = *op.Length
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

func setPort(p *piece.Piece, row *piece.Row, op Op) error {
	side := op.At.Side
	if side != piece.Left && side != piece.Right {
		return refuse("Name the end: left or right.")
	}
	was := p.Hole(row, side)
	*row.Port(side) = piece.Port{On: piece.ID(op.Field), Hole: op.N}
	on := p.Joined(row, side)
	if on == nil || op.N == 0 {
		return nil
	}
	for _, r := range p.AllOf(on.ID, side) {
		if r != row && p.Hole(r, side) == op.N {
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
