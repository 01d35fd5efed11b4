// Package edit is the designer's hands on a bead line: it puts in, takes out,
// groups, mirrors, turns round and fills at a place of the laid-out sequence,
// and gives the line that follows. Mirrors and groups survive.
package edit

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// Do names an edit.
type Do string

// The edits. All work on the selection From to To, gaps of the sequence.
const (
	Insert  Do = "insert"  // put Text in the selection's place
	Delete  Do = "delete"  // take the selection out
	Group   Do = "group"   // bracket it
	Mirror  Do = "mirror"  // let it come back turned round
	Reverse Do = "reverse" // turn it round
	Fill    Do = "fill"    // repeat it to fill the length that is left
	Unwrap  Do = "unwrap"  // write out the group or mirror round it
	Copy    Do = "copy"    // spell it, changing nothing
	Count   Do = "count"   // give node Node the count N
	Move    Do = "move"    // take the selection to gap N
	Shuffle Do = "shuffle" // put it into another order, by the seed N, no two alike touching
	Letter  Do = "letter"  // change letters: Text is the old one and the new one
)

// Edit is one edit of a row's line.
type Edit struct {
	Do       Do
	From, To int
	Text     string // for insert and letter
	Node, N  int    // for count; N for move and shuffle
}

// Result is the line after the edit, what to select in it, and for a copy the
// selection spelled out.
type Result struct {
	Line     string
	From, To int
	Text     string
}

// Apply edits the line of the piece's one row. The error is a *pattern.Fault.
func Apply(p *piece.Piece, e Edit) (Result, error) {
	m, err := measure.Measure(p)
	if err != nil {
		return Result{}, err
	}
	h := hand{piece: p, line: p.Sections[0].Rows[0].Line, measured: m}
	var out Result
	switch e.Do {
	case Insert:
		out, err = h.insert(e)
	case Delete:
		var at pattern.Anchor
		at, err = h.line.Delete(e.From, e.To, h.fills())
		out, err = h.done(at, at, err)
	case Group, Mirror, Reverse, Fill:
		var from, to pattern.Anchor
		from, to, err = h.line.Wrap(pattern.Wrap(e.Do), e.From, e.To, h.fills())
		out, err = h.done(from, to, err)
	case Unwrap:
		err = h.line.Unwrap(e.From, e.To, h.fills())
		out = Result{Line: h.line.String(), From: e.From, To: e.To}
	case Copy:
		out = Result{Line: h.line.String(), From: e.From, To: e.To}
		out.Text, err = h.line.Copy(e.From, e.To, h.fills(), h.turns)
	case Count:
		err = h.line.SetCount(e.Node, e.N)
		out = Result{Line: h.line.String(), From: e.From, To: e.To}
	case Move:
		out, err = h.move(e)
	case Shuffle:
		out, err = h.shuffle(e)
	case Letter:
		err = h.changeLetter(e.Text)
		out = Result{Line: h.line.String(), From: e.From, To: e.To}
	default:
		err = &pattern.Fault{Wrong: pattern.BadEdit, Col: 1, Says: fmt.Sprintf("There is no edit called %q.", string(e.Do)), Expected: "an edit"}
	}
	if err != nil {
		return Result{}, err
	}
	if h.line.Size(h.fills()) > pattern.MaxBeads {
		_, err := h.line.Expand(h.fills())
		return Result{}, err
	}
	return out, nil
}

type hand struct {
	piece    *piece.Piece
	line     *pattern.Line
	measured *measure.Measured
}

func (h *hand) fills() pattern.Fills { return h.measured.Strands[0].Fills }

// insert puts the text in the place of the selection.
func (h *hand) insert(e Edit) (Result, error) {
	put, err := pattern.Parse(e.Text)
	if err != nil {
		return Result{}, err
	}
	h.faceCap(e.From, put.Items)
	at := e.From
	if e.To > e.From {
		gone, err := h.line.Delete(e.From, e.To, h.fills())
		if err != nil {
			return Result{}, err
		}
		at = h.line.Find(gone, h.fills())
	}
	end, err := h.line.Insert(at, put.Items, h.fills(), h.turns)
	return h.done(end, end, err)
}

// turns says of a letter whether its bead shows which way round it is.
func (h *hand) turns(key string) bool {
	m := h.piece.Palette[key]
	return m != nil && m.Bead.Turns()
}

// changeLetter gives the beads of one letter another. If that one is in use, the
// two change places.
func (h *hand) changeLetter(text string) error {
	pair, err := pattern.Parse(text)
	if err != nil {
		return err
	}
	if len(pair.Items) != 2 || len(pair.Nodes) != 2 || pair.Items[0].Kind != pattern.Bead || pair.Items[1].Kind != pattern.Bead {
		return &pattern.Fault{Wrong: pattern.BadEdit, Col: 1, Says: "A dish's letter is A to Z, with at most one small letter behind it.", Expected: "two letters"}
	}
	old, fresh := pair.Items[0].Key, pair.Items[1].Key
	for _, n := range h.line.Nodes {
		switch n.Key {
		case old:
			n.Key = fresh
		case fresh:
			n.Key = old
		}
	}
	return nil
}

// faceCap lets a cap dropped alone after a wider bead open towards that bead.
func (h *hand) faceCap(at int, items []*pattern.Node) {
	beads := h.measured.Strands[0].Beads
	if len(items) != 1 || items[0].Kind != pattern.Bead || items[0].Reversed || at < 1 || at > len(beads) {
		return
	}
	dropped, before := h.piece.Palette[items[0].Key], beads[at-1].Material.Bead
	if dropped == nil || dropped.Bead.Facing != material.FacingForeAft || before.Facing == material.FacingForeAft {
		return
	}
	items[0].Reversed = before.Across >= dropped.Bead.Across
}

// done finds the places again in the line as its fills now stand.
func (h *hand) done(from, to pattern.Anchor, err error) (Result, error) {
	if err != nil {
		return Result{}, err
	}
	fills := h.fills()
	if after, err := measure.Measure(h.piece); err == nil {
		fills = after.Strands[0].Fills
	}
	return Result{Line: h.line.String(), From: h.line.Find(from, fills), To: h.line.Find(to, fills)}, nil
}
