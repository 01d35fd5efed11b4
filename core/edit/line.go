package edit

import (
	"maps"
	"slices"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// The operations on a row's bead line. Most work on the selection From to To, gaps of the
// sequence. With Alike it is done in every row with the same line.
type (
	Insert struct { // put beads in the selection's place
		At       piece.Place
		From, To int
		Beads    string `op:"Text"`
		Alike    bool
	}
	Between struct { // put beads into a gap, outside of a group that ends there
		At    piece.Place
		Gap   int    `op:"From"`
		Beads string `op:"Text"`
		Alike bool
	}
	Delete struct {
		At       piece.Place
		From, To int
		Alike    bool
	}
	Enclose struct { // make it a group, a mirror's half, a fill, turned, or of any order
		By       pattern.Bracket `op:"-"`
		At       piece.Place
		From, To int
		Alike    bool
	}
	Ungroup struct { // write out the group or mirror round it
		At       piece.Place
		From, To int
		Alike    bool
	}
	Copy struct { // spell it, changing nothing
		At       piece.Place
		From, To int
	}
	Count struct { // give a node a count
		At    piece.Place
		Node  int
		To    int `op:"N"`
		Alike bool
	}
	Step struct { // give it more, or fewer; it keeps at least one
		At    piece.Place
		Node  int
		By    int `op:"N"`
		Alike bool
	}
	Turn struct { // reverse it where it stands
		At    piece.Place
		Node  int
		Alike bool
	}
	Letter struct { // change letters everywhere: the old one and the new one
		At      piece.Place
		Letters string `op:"Text"`
	}
	SetLine struct { // take a text for the whole line
		At    piece.Place
		Line  string `op:"Text"`
		Alike bool
	}
)

func (Insert) Do() Do    { return "insert" }
func (Between) Do() Do   { return "between" }
func (Delete) Do() Do    { return "delete" }
func (o Enclose) Do() Do { return Do(o.By) }
func (Ungroup) Do() Do   { return "ungroup" }
func (Copy) Do() Do      { return "copy" }
func (Count) Do() Do     { return "count" }
func (Step) Do() Do      { return "step" }
func (Turn) Do() Do      { return "turn" }
func (Letter) Do() Do    { return "letter" }
func (SetLine) Do() Do   { return "set-line" }

// onLine is the row whose line an operation works on, and whether it is done in rows with the same
// line too.
type onLine struct {
	at    piece.Place
	alike bool
}

func (o Insert) where() onLine  { return onLine{o.At, o.Alike} }
func (o Between) where() onLine { return onLine{o.At, o.Alike} }
func (o Delete) where() onLine  { return onLine{o.At, o.Alike} }
func (o Enclose) where() onLine { return onLine{o.At, o.Alike} }
func (o Ungroup) where() onLine { return onLine{o.At, o.Alike} }
func (o Copy) where() onLine    { return onLine{at: o.At} }
func (o Count) where() onLine   { return onLine{o.At, o.Alike} }
func (o Step) where() onLine    { return onLine{o.At, o.Alike} }
func (o Turn) where() onLine    { return onLine{o.At, o.Alike} }
func (o Letter) where() onLine  { return onLine{at: o.At} }
func (o SetLine) where() onLine { return onLine{o.At, o.Alike} }

// IsLineOp says whether an operation works on a row's bead line.
func IsLineOp(do Do) bool {
	_, is := blank[named{do, ""}].(lineOp)
	return is
}

func applyLine(p *piece.Piece, op lineOp) error {
	_, err := editLines(p, op)
	return err
}

// stays is the result of an operation that leaves the selection as it is.
var stays = Result{Stays: true}

// lineEditor edits the line of one row of a piece, whose beads lie as measured
// before.
type lineEditor struct {
	piece *piece.Piece
	row   *piece.Row
	line  *pattern.Line
	beads []measure.Bead
	fills pattern.Fills
}

// editLines edits the line of a row, and where that is asked of every row whose line is the same.
func editLines(p *piece.Piece, op lineOp) (Result, error) {
	at := op.where()
	row, err := rowOf(p, at.at)
	switch {
	case err != nil:
		return Result{}, err
	case !row.Corded():
		return Result{}, refuse("This row is chain. Beads need a cord: give it one first.")
	case !at.alike:
		return editLine(p, row, op)
	}
	var out Result
	line := row.Line.String()
	for _, r := range p.Rows() {
		if r.Line.String() != line {
			continue
		}
		result, err := editLine(p, r, op)
		if err != nil {
			return Result{}, err
		}
		if r == row {
			out = result
		}
	}
	return out, nil
}

// editLine carries out an operation on the line of one row.
func editLine(p *piece.Piece, row *piece.Row, op lineOp) (Result, error) {
	if _, whole := op.(SetLine); whole { // whatever is in the line as it was
		return op.edit(&lineEditor{piece: p, row: row})
	}
	m, err := measure.Measure(p)
	if err != nil {
		return Result{}, err
	}
	s := m.Strand(row.ID)
	e := &lineEditor{piece: p, row: row, line: row.Line.Clone(), beads: s.Beads}
	e.fills = s.Fills.Of(e.line)
	row.Line = e.line
	out, err := op.edit(e)
	if err != nil {
		return Result{}, err
	}
	if e.line.Size(e.fills) > pattern.MaxBeads {
		_, err := e.line.Expand(e.fills)
		return Result{}, err
	}
	return out, nil
}

func (o SetLine) edit(e *lineEditor) (Result, error) {
	line, err := pattern.Parse(o.Line)
	e.row.Line = line
	return stays, err
}

func (o Delete) edit(e *lineEditor) (Result, error) {
	at, err := e.line.Delete(o.From, o.To, e.fills)
	return e.done(at, at, err)
}

func (o Enclose) edit(e *lineEditor) (Result, error) {
	from, to, err := e.line.Enclose(o.By, o.From, o.To, e.fills)
	return e.done(from, to, err)
}

func (o Ungroup) edit(e *lineEditor) (Result, error) {
	return Result{From: o.From, To: o.To}, e.line.Ungroup(o.From, o.To, e.fills)
}

func (o Copy) edit(e *lineEditor) (Result, error) {
	text, err := e.line.Copy(o.From, o.To, e.fills, e.turns)
	return Result{From: o.From, To: o.To, Text: text}, err
}

func (o Count) edit(e *lineEditor) (Result, error) { return stays, e.line.SetCount(o.Node, o.To) }

func (o Step) edit(e *lineEditor) (Result, error) { return stays, e.line.Step(o.Node, o.By) }

func (o Turn) edit(e *lineEditor) (Result, error) {
	if o.Node < 0 || o.Node >= len(e.line.Nodes) {
		return Result{}, refuse("The bead line has no item %d.", o.Node)
	}
	e.line.Nodes[o.Node].Reversed = !e.line.Nodes[o.Node].Reversed
	return stays, nil
}

// edit puts the beads in the place of the selection. At a caret in a fill they go beside it: inside,
// they would come as often as it repeats.
func (o Insert) edit(e *lineEditor) (Result, error) {
	put, err := pattern.Parse(o.Beads)
	if err != nil {
		return Result{}, err
	}
	if err := e.holds(put); err != nil {
		return Result{}, err
	}
	e.faceCap(o.From, put.Items)
	at := o.From
	if beside, in := e.besideFill(at); in && o.To == o.From {
		end, err := e.line.InsertBetween(beside, put.Items, e.fills, e.turns)
		return e.done(end, end, err)
	}
	if o.To > o.From {
		gone, err := e.line.Delete(o.From, o.To, e.fills)
		if err != nil {
			return Result{}, err
		}
		at = e.line.Find(gone, e.fills)
	}
	end, err := e.line.Insert(at, put.Items, e.fills, e.turns)
	return e.done(end, end, err)
}

// besideFill is the nearer end of the fill that a gap lies in, or at.
func (e *lineEditor) besideFill(gap int) (at int, in bool) {
	for _, n := range e.line.Nodes {
		if _, fills := n.Unit.(*pattern.Fill); !fills {
			continue
		}
		inFill := func(i int) bool { return i >= 0 && i < len(e.beads) && n.Contains(e.line.Nodes[e.beads[i].Node]) }
		from, to := gap, gap
		for inFill(from - 1) {
			from--
		}
		for inFill(to) {
			to++
		}
		switch {
		case from == to:
		case gap-from < to-gap:
			return from, true
		default:
			return to, true
		}
	}
	return gap, false
}

// holds refuses what would make the line too long before it is laid out.
func (e *lineEditor) holds(put *pattern.Line) error {
	if put.Size(nil) > pattern.MaxBeads {
		_, err := put.Expand(nil)
		return err
	}
	return nil
}

// edit puts the beads into the gap, outside of a group that begins or ends there.
func (o Between) edit(e *lineEditor) (Result, error) {
	put, err := pattern.Parse(o.Beads)
	if err != nil {
		return Result{}, err
	}
	if err := e.holds(put); err != nil {
		return Result{}, err
	}
	end, err := e.line.InsertBetween(o.Gap, put.Items, e.fills, e.turns)
	return e.done(end, end, err)
}

// turns says of a letter whether its bead shows which way round it is.
func (e *lineEditor) turns(key string) bool {
	m := e.piece.Palette[key]
	return m != nil && m.Bead.Turns()
}

// edit gives the beads of one letter another, and its dish. If that one is in use, the two change
// places.
func (o Letter) edit(e *lineEditor) (Result, error) {
	old, fresh, err := twoLetters(o.Letters)
	if err != nil {
		return Result{}, err
	}
	swapLetters(e.line, old, fresh)
	for _, r := range e.piece.Rows() {
		if r.ID != e.row.ID {
			r.Line = r.Line.Clone()
			swapLetters(r.Line, old, fresh)
		}
		for _, side := range piece.Sides() {
			if side == piece.Left {
				r.Lacing = reletter(r.Lacing, old, fresh)
			}
			if r.Riders != nil && side == piece.Left {
				r.Riders = r.Riders.Clone()
				swapLetters(r.Riders, old, fresh)
			}
			if loop := r.Ending(side).Loop; loop != nil {
				r.Ending(side).Loop = loop.Clone()
				swapLetters(r.Ending(side).Loop, old, fresh)
			}
		}
	}
	for i, s := range e.piece.Sizes {
		e.piece.Sizes[i] = s.Rewritten(func(line *pattern.Line) { swapLetters(line, old, fresh) })
	}
	palette := map[string]*material.Material{}
	for key, m := range e.piece.Palette {
		switch key {
		case old:
			key = fresh
		case fresh:
			key = old
		}
		palette[key] = m
	}
	e.piece.Palette = palette
	if one := e.piece.OneCord; one[old] != one[fresh] {
		one[old], one[fresh] = one[fresh], one[old]
		maps.DeleteFunc(one, func(_ string, rides bool) bool { return !rides })
	}
	return stays, nil
}

func swapLetters(line *pattern.Line, old, fresh string) {
	for _, n := range line.Nodes {
		switch n.Unit {
		case pattern.Bead{Key: old}:
			n.Unit = pattern.Bead{Key: fresh}
		case pattern.Bead{Key: fresh}:
			n.Unit = pattern.Bead{Key: old}
		}
	}
}

// faceCap lets a cap dropped alone after a wider bead open towards that bead.
func (e *lineEditor) faceCap(at int, items []*pattern.Node) {
	if len(items) != 1 || !items[0].IsBead() || items[0].Reversed || at < 1 || at > len(e.beads) {
		return
	}
	dropped, before := e.piece.Palette[items[0].Key()], e.beads[at-1].Material.Bead
	if dropped == nil || dropped.Bead.Facing != material.FacingForeAft || before.Facing == material.FacingForeAft {
		return
	}
	items[0].Reversed = before.Across >= dropped.Bead.Across
}

// done finds the places again in the line as its fills now stand.
func (e *lineEditor) done(from, to pattern.Anchor, err error) (Result, error) {
	if err != nil {
		return Result{}, err
	}
	fills := func(n *pattern.Node) bool { return n.IsFill() }
	if slices.ContainsFunc(e.line.Nodes, fills) && e.line.Size(e.fills) <= pattern.MaxBeads {
		if after, err := measure.Measure(e.piece); err == nil {
			e.fills = after.Strand(e.row.ID).Fills
		}
	}
	return Result{From: e.line.Find(from, e.fills), To: e.line.Find(to, e.fills)}, nil
}

func (o Insert) apply(p *piece.Piece, _ []*material.Material) error  { return applyLine(p, o) }
func (o Between) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
func (o Delete) apply(p *piece.Piece, _ []*material.Material) error  { return applyLine(p, o) }
func (o Enclose) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
func (o Ungroup) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
func (o Copy) apply(p *piece.Piece, _ []*material.Material) error    { return applyLine(p, o) }
func (o Count) apply(p *piece.Piece, _ []*material.Material) error   { return applyLine(p, o) }
func (o Step) apply(p *piece.Piece, _ []*material.Material) error    { return applyLine(p, o) }
func (o Turn) apply(p *piece.Piece, _ []*material.Material) error    { return applyLine(p, o) }
func (o Letter) apply(p *piece.Piece, _ []*material.Material) error  { return applyLine(p, o) }
func (o SetLine) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
