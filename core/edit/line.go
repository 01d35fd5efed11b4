package edit

import (
	"maps"
	"slices"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// IsLineOp says whether an operation works on a row's bead line.
func IsLineOp(do Do) bool {
	return slices.Contains([]Do{Insert, Between, Delete, Group, Mirror, Reverse, AnyOrder, Fill, Ungroup, Copy, Count, Step, Turn, Move, Shuffle, Letter, SetLine, SetSpacing, HangDrop, HangLoop}, do)
}

// lineEditor edits the line of one row of a piece, whose beads lie as measured
// before.
type lineEditor struct {
	piece *piece.Piece
	row   *piece.Row
	line  *pattern.Line
	beads []measure.Bead
	fills pattern.Fills
}

// editLine carries out an operation on a line.
func editLine(p *piece.Piece, op Op) (Result, error) {
	row, err := rowOf(p, op)
	if err != nil {
		return Result{}, err
	}
	if op.Do == SetLine {
		row.Line, err = pattern.Parse(op.Text)
		return Result{From: op.From, To: op.To}, err
	}
	m, err := measure.Measure(p)
	if err != nil {
		return Result{}, err
	}
	s := m.Strand(row.ID)
	e := &lineEditor{piece: p, row: row, line: row.Line.Clone(), beads: s.Beads}
	e.fills = s.Fills.Of(e.line)
	row.Line = e.line
	out, err := e.apply(op)
	if err != nil {
		return Result{}, err
	}
	if e.line.Size(e.fills) > pattern.MaxBeads {
		_, err := e.line.Expand(e.fills)
		return Result{}, err
	}
	return out, nil
}

func (e *lineEditor) apply(op Op) (Result, error) {
	keep := Result{From: op.From, To: op.To}
	switch op.Do {
	case Insert:
		return e.insert(op)
	case Between:
		return e.between(op)
	case Delete:
		at, err := e.line.Delete(op.From, op.To, e.fills)
		return e.done(at, at, err)
	case Group, Mirror, Reverse, AnyOrder, Fill:
		from, to, err := e.line.Enclose(pattern.Bracket(op.Do), op.From, op.To, e.fills)
		return e.done(from, to, err)
	case Ungroup:
		return keep, e.line.Ungroup(op.From, op.To, e.fills)
	case Copy:
		text, err := e.line.Copy(op.From, op.To, e.fills, e.turns)
		keep.Text = text
		return keep, err
	case Count:
		return keep, e.line.SetCount(op.Node, op.N)
	case Step:
		return keep, e.line.Step(op.Node, op.N)
	case Turn:
		if op.Node < 0 || op.Node >= len(e.line.Nodes) {
			return keep, refuse("The bead line has no item %d.", op.Node)
		}
		e.line.Nodes[op.Node].Reversed = !e.line.Nodes[op.Node].Reversed
		return keep, nil
	case HangDrop:
		return e.hangDrop(op)
	case HangLoop:
		return e.hangLoop(op)
	case SetSpacing:
		return keep, e.spacing(op)
	case Move:
		return e.move(op)
	case Shuffle:
		return e.shuffle(op)
	}
	return keep, e.changeLetter(op.Text)
}

// insert puts the text in the place of the selection.
func (e *lineEditor) insert(op Op) (Result, error) {
	put, err := pattern.Parse(op.Text)
	if err != nil {
		return Result{}, err
	}
	if err := e.holds(put); err != nil {
		return Result{}, err
	}
	e.faceCap(op.From, put.Items)
	at := op.From
	if op.To > op.From {
		gone, err := e.line.Delete(op.From, op.To, e.fills)
		if err != nil {
			return Result{}, err
		}
		at = e.line.Find(gone, e.fills)
	}
	end, err := e.line.Insert(at, put.Items, e.fills, e.turns)
	return e.done(end, end, err)
}

// holds refuses what would make the line too long before it is laid out.
func (e *lineEditor) holds(put *pattern.Line) error {
	if put.Size(nil) > pattern.MaxBeads {
		_, err := put.Expand(nil)
		return err
	}
	return nil
}

// between puts the text into a gap, outside of a group that begins or ends there.
func (e *lineEditor) between(op Op) (Result, error) {
	put, err := pattern.Parse(op.Text)
	if err != nil {
		return Result{}, err
	}
	if err := e.holds(put); err != nil {
		return Result{}, err
	}
	end, err := e.line.InsertBetween(op.From, put.Items, e.fills, e.turns)
	return e.done(end, end, err)
}

// turns says of a letter whether its bead shows which way round it is.
func (e *lineEditor) turns(key string) bool {
	m := e.piece.Palette[key]
	return m != nil && m.Bead.Turns()
}

// changeLetter gives the beads of one letter another, and its dish. If that one
// is in use, the two change places.
func (e *lineEditor) changeLetter(text string) error {
	old, fresh, err := twoLetters(text)
	if err != nil {
		return err
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
	return nil
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
