package edit

import (
	"strings"

	"mala/core/pattern"
)

// hangDrop puts a drop in the place of the selected beads: they hang on the strand's own
// cord, which turns round the last of them.
func (e *lineEditor) hangDrop(op Op) (Result, error) {
	if op.From < 0 || op.To > len(e.beads) || op.To-op.From < 2 {
		return Result{}, refuse("Select two beads or more: the last one hangs at the foot of the drop.")
	}
	var keys []string
	for _, b := range e.beads[op.From:op.To] {
		if b.IsGap() || b.Drop != nil || b.Material.Bead.Hangs() {
			return Result{}, refuse("%s cannot hang in a drop. Select beads with a hole.", b.Material.Name)
		}
		key := b.Key
		if b.Turned {
			key = "~" + key
		}
		keys = append(keys, key)
	}
	last := len(keys) - 1
	line, err := pattern.Parse(strings.Join(keys[:last], " "))
	if err != nil {
		return Result{}, err
	}
	op.Text = "[" + line.Merged().String() + " . " + keys[last] + "]"
	return e.insert(op)
}
