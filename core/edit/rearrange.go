package edit

import (
	"fmt"
	"math/rand/v2"
	"strings"

	"mala/core/pattern"
)

// move takes the selection out and puts it in at another gap. Groups that are
// selected whole stay groups.
func (h *hand) move(e Edit) (Result, error) {
	n := len(h.measured.Strands[0].Beads)
	if e.N < 0 || e.N > n || e.From < 0 || e.To > n || e.From >= e.To {
		return Result{}, &pattern.Fault{Wrong: pattern.BadEdit, Col: 1, Says: "Select some beads, and a gap of the strand to move them to.", Expected: "a gap of this line"}
	}
	if e.N >= e.From && e.N <= e.To {
		return Result{Line: h.line.String(), From: e.From, To: e.To}, nil
	}
	text, err := h.line.Copy(e.From, e.To, h.fills(), h.turns)
	if err != nil {
		return Result{}, err
	}
	var beside pattern.Mark
	if e.N > 0 {
		if beside, err = h.line.Mark(e.N-1, h.fills()); err != nil {
			return Result{}, err
		}
	}
	if _, err := h.line.Delete(e.From, e.To, h.fills()); err != nil {
		return Result{}, err
	}
	at := e.N
	if e.N > 0 {
		if found, ok := h.line.Refind(beside, h.fills()); ok {
			at = found + 1
		} else if at > e.To {
			at -= e.To - e.From
		}
	}
	return h.put(min(at, h.line.Size(h.fills())), text)
}

// shuffle puts the selected beads into another order in which no two alike
// touch, as far as their numbers allow it. The seed decides the order.
func (h *hand) shuffle(e Edit) (Result, error) {
	beads := h.measured.Strands[0].Beads
	if e.From < 0 || e.To > len(beads) || e.From >= e.To {
		return Result{}, &pattern.Fault{Wrong: pattern.BadEdit, Col: 1, Says: "Select the beads to shuffle first.", Expected: "beads of this line"}
	}
	var keys []string
	for _, b := range beads[e.From:e.To] {
		key := b.Key
		if b.Turned {
			key = "~" + key
		}
		keys = append(keys, key)
	}
	before := ""
	if e.From > 0 {
		before = beads[e.From-1].Key
	}
	order := apart(keys, before, rand.New(rand.NewPCG(uint64(e.N), 1)))
	gone, err := h.line.Delete(e.From, e.To, h.fills())
	if err != nil {
		return Result{}, err
	}
	return h.put(h.line.Find(gone, h.fills()), strings.Join(order, " "))
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
func (h *hand) put(at int, text string) (Result, error) {
	items, err := pattern.Parse(text)
	if err != nil {
		return Result{}, fmt.Errorf("putting back %q: %w", text, err)
	}
	size := items.Size(h.fills())
	end, err := h.line.Insert(at, items.Items, h.fills(), h.turns)
	out, err := h.done(end, end, err)
	if err != nil {
		return Result{}, err
	}
	out.From = max(0, out.To-size)
	return out, nil
}
