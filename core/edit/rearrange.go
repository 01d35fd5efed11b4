package edit

import (
	"fmt"
	"math/rand/v2"
	"strings"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// The operations that put beads into another order.
type (
	Move struct { // to another gap
		At       piece.Place
		From, To int
		Gap      int `op:"N"`
		Alike    bool
	}
	Shuffle struct { // no two alike touching; the seed decides the order
		At       piece.Place
		From, To int
		Seed     int `op:"N"`
		Alike    bool
	}
)

func (Move) Do() Do    { return "move" }
func (Shuffle) Do() Do { return "shuffle" }

func (o Move) where() onLine    { return onLine{o.At, o.Alike} }
func (o Shuffle) where() onLine { return onLine{o.At, o.Alike} }

// edit moves the selection to another gap. Groups that are selected whole stay groups.
func (o Move) edit(e *lineEditor) (Result, error) {
	n := len(e.beads)
	if o.Gap < 0 || o.Gap > n || o.From < 0 || o.To > n || o.From >= o.To {
		return Result{}, &pattern.Fault{Code: pattern.BadEdit, Col: 1, Says: "Select the beads to move and the place to move them to.", Expected: "a gap of this line"}
	}
	if o.Gap >= o.From && o.Gap <= o.To {
		return Result{From: o.From, To: o.To}, nil
	}
	text, err := e.line.Copy(o.From, o.To, e.fills, e.turns)
	if err != nil {
		return Result{}, err
	}
	var beside pattern.Mark
	if o.Gap > 0 {
		if beside, err = e.line.Mark(o.Gap-1, e.fills); err != nil {
			return Result{}, err
		}
	}
	if _, err := e.line.Delete(o.From, o.To, e.fills); err != nil {
		return Result{}, err
	}
	at := o.Gap
	switch {
	case e.line.Size(e.fills) == n-(o.To-o.From): // nothing went with them, so every place is known
		if at > o.To {
			at -= o.To - o.From
		}
	case o.Gap > 0:
		if found, ok := e.line.Refind(beside, e.fills); ok {
			at = found + 1
		} else if at > o.To {
			at -= o.To - o.From
		}
	}
	return e.put(min(at, e.line.Size(e.fills)), text)
}

// edit puts the selected beads into another order in which no two alike touch, as far as their
// numbers allow it.
func (o Shuffle) edit(e *lineEditor) (Result, error) {
	beads := e.beads
	if o.From < 0 || o.To > len(beads) || o.From >= o.To {
		return Result{}, &pattern.Fault{Code: pattern.BadEdit, Col: 1, Says: "Select the beads to shuffle first.", Expected: "beads of this line"}
	}
	var keys []string
	for _, b := range beads[o.From:o.To] {
		key := b.Key
		if b.Turned {
			key = "~" + key
		}
		keys = append(keys, key)
	}
	before := ""
	if o.From > 0 {
		before = beads[o.From-1].Key
	}
	order := apart(keys, before, rand.New(rand.NewPCG(uint64(o.Seed), 1)))
	gone, err := e.line.Delete(o.From, o.To, e.fills)
	if err != nil {
		return Result{}, err
	}
	return e.put(e.line.Find(gone, e.fills), strings.Join(order, " "))
}

// apart orders the keys by chance so that no two alike stand side by side,
// unless one kind is more than half of what is left.
func apart(keys []string, before string, rng *rand.Rand) []string {
	left := map[string]int{}
	var kinds []string
	for _, key := range keys {
		if left[key]++; left[key] == 1 {
			kinds = append(kinds, key)
		}
	}
	var out []string
	for rest := len(keys); rest > 0; rest-- {
		pick, weight := "", 0
		for _, kind := range kinds {
			if left[kind] == 0 || kind == before && left[kind] < rest {
				continue
			}
			// A kind that fills every second place from here on has to go now.
			if 2*left[kind] > rest {
				pick = kind
				break
			}
			if weight += left[kind]; rng.IntN(weight) < left[kind] {
				pick = kind
			}
		}
		left[pick]--
		out = append(out, pick)
		before = pick
	}
	return out
}

// put puts the text in at a gap and selects it.
func (e *lineEditor) put(at int, text string) (Result, error) {
	items, err := pattern.Parse(text)
	if err != nil {
		return Result{}, fmt.Errorf("putting back %q: %w", text, err)
	}
	size := items.Size(e.fills)
	end, err := e.line.Insert(at, items.Items, e.fills, e.turns)
	out, err := e.done(end, end, err)
	if err != nil {
		return Result{}, err
	}
	out.From = max(0, out.To-size)
	return out, nil
}

func (o Move) apply(p *piece.Piece, _ []*material.Material) error    { return applyLine(p, o) }
func (o Shuffle) apply(p *piece.Piece, _ []*material.Material) error { return applyLine(p, o) }
