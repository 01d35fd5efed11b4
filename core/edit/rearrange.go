package edit

import (
	"fmt"
	"math/rand/v2"
	"strings"

	"mala/core/pattern"
)

// move moves the selection to another gap. Groups that are
// selected whole stay groups.
func (e *lineEditor) move(op Op) (Result, error) {
	n := len(e.beads)
	if op.N < 0 || op.N > n || op.From < 0 || op.To > n || op.From >= op.To {
		return Result{}, &pattern.Fault{Code: pattern.BadEdit, Col: 1, Says: "Select the beads to move and the place to move them to.", Expected: "a gap of this line"}
	}
	if op.N >= op.From && op.N <= op.To {
		return Result{From: op.From, To: op.To}, nil
	}
	text, err := e.line.Copy(op.From, op.To, e.fills, e.turns)
	if err != nil {
		return Result{}, err
	}
	var beside pattern.Mark
	if op.N > 0 {
		if beside, err = e.line.Mark(op.N-1, e.fills); err != nil {
			return Result{}, err
		}
	}
	if _, err := e.line.Delete(op.From, op.To, e.fills); err != nil {
		return Result{}, err
	}
	at := op.N
	if op.N > 0 {
		if found, ok := e.line.Refind(beside, e.fills); ok {
			at = found + 1
		} else if at > op.To {
			at -= op.To - op.From
		}
	}
	return e.put(min(at, e.line.Size(e.fills)), text)
}

// shuffle puts the selected beads into another order in which no two alike
// touch, as far as their numbers allow it. The seed decides the order.
func (e *lineEditor) shuffle(op Op) (Result, error) {
	beads := e.beads
	if op.From < 0 || op.To > len(beads) || op.From >= op.To {
		return Result{}, &pattern.Fault{Code: pattern.BadEdit, Col: 1, Says: "Select the beads to shuffle first.", Expected: "beads of this line"}
	}
	var keys []string
	for _, b := range beads[op.From:op.To] {
		key := b.Key
		if b.Turned {
			key = "~" + key
		}
		keys = append(keys, key)
	}
	before := ""
	if op.From > 0 {
		before = beads[op.From-1].Key
	}
	order := apart(keys, before, rand.New(rand.NewPCG(uint64(op.N), 1)))
	gone, err := e.line.Delete(op.From, op.To, e.fills)
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
