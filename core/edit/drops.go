package edit

import (
	"strings"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// The operations that let the selected beads hang on the strand's own cord.
type (
	HangDrop struct { // the last one at the foot
		At       piece.Place
		From, To int
		Alike    bool
	}
	HangLoop struct { // in a loop through the first of them
		At       piece.Place
		From, To int
		Alike    bool
	}
)

func (HangDrop) Do() Do { return "hang-drop" }
func (HangLoop) Do() Do { return "hang-loop" }

func (o HangDrop) where() onLine { return onLine{o.At, o.Alike} }
func (o HangLoop) where() onLine { return onLine{o.At, o.Alike} }

// edit puts a drop in the place of the selected beads: they hang on the strand's own cord, which
// turns round the last of them.
func (o HangDrop) edit(e *lineEditor) (Result, error) {
	keys, err := e.toHang(o.From, o.To, false, "the last one hangs at the foot of the drop")
	if err != nil {
		return Result{}, err
	}
	last := len(keys) - 1
	line, err := hung(keys[:last])
	if err != nil {
		return Result{}, err
	}
	return Insert{From: o.From, To: o.To, Beads: "[" + line + " . " + keys[last] + "]"}.edit(e)
}

// edit leaves the first of the selected beads in its place, and hangs the others in a loop of the
// strand's own cord through it.
func (o HangLoop) edit(e *lineEditor) (Result, error) {
	keys, err := e.toHang(o.From, o.To, true, "the first one stays in the strand, and the others hang in a loop through it")
	if err != nil {
		return Result{}, err
	}
	line, err := hung(keys[1:])
	if err != nil {
		return Result{}, err
	}
	return Insert{From: o.From, To: o.To, Beads: keys[0] + "[" + line + "]"}.edit(e)
}

// toHang spells the selected beads one by one. Drops may hang in a loop. The error is a *Refused.
func (e *lineEditor) toHang(from, to int, inLoop bool, how string) ([]string, error) {
	if from < 0 || to > len(e.beads) || to-from < 2 {
		return nil, refuse("Select two beads or more: %s.", how)
	}
	var keys []string
	for _, b := range e.beads[from:to] {
		if b.IsGap() || b.Drop != nil && (!inLoop || len(keys) == 0) || b.Material.Bead.Hangs() && b.Drop == nil {
			return nil, refuse("%s cannot hang there. Select beads with a hole.", b.Material.Name)
		}
		key := b.Key
		if b.Turned {
			key = "~" + key
		}
		keys = append(keys, key)
	}
	return keys, nil
}

// hung writes beads as runs.
func hung(keys []string) (string, error) {
	line, err := pattern.Parse(strings.Join(keys, " "))
	if err != nil {
		return "", err
	}
	return line.Merged().String(), nil
}

func (o HangDrop) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
func (o HangLoop) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
