package edit

import (
	"strings"

	"mala/core/pattern"
)

// hangDrop puts a drop in the place of the selected beads: they hang on the strand's own
// cord, which turns round the last of them.
func (e *lineEditor) hangDrop(op Op) (Result, error) {
	keys, err := e.toHang(op, "the last one hangs at the foot of the drop")
	if err != nil {
		return Result{}, err
	}
	last := len(keys) - 1
	line, err := hung(keys[:last])
	if err != nil {
		return Result{}, err
	}
	op.Text = "[" + line + " . " + keys[last] + "]"
	return e.insert(op)
}

// hangLoop leaves the first of the selected beads in its place, and hangs the others in a
// loop of the strand's own cord through it.
func (e *lineEditor) hangLoop(op Op) (Result, error) {
	keys, err := e.toHang(op, "the first one stays in the strand, and the others hang in a loop through it")
	if err != nil {
		return Result{}, err
	}
	line, err := hung(keys[1:])
	if err != nil {
		return Result{}, err
	}
	op.Text = keys[0] + "[" + line + "]"
	return e.insert(op)
}

// toHang spells the selected beads one by one. The error is a Refusal.
func (e *lineEditor) toHang(op Op, how string) ([]string, error) {
	if op.From < 0 || op.To > len(e.beads) || op.To-op.From < 2 {
		return nil, refuse("Select two beads or more: %s.", how)
	}
	var keys []string
	for _, b := range e.beads[op.From:op.To] {
		if b.IsGap() || b.Drop != nil && (op.Do != HangLoop || len(keys) == 0) || b.Material.Bead.Hangs() && b.Drop == nil {
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
