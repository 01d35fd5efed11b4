package edit

import (
	"errors"
	"testing"

	"mala/core/measure"
	"mala/core/pattern"
)

// lineOps are the operations that work on a line, for a number to pick from.
var lineOps = []Do{"insert", "between", "delete", "group", "mirror", "reverse", "fill", "ungroup", "copy", "count", "step", "turn", "move", "shuffle", "letter", "set-line", "hang-drop", "hang-loop"}

// Whatever is asked of whatever line: it is refused in words, or gives a line that
// reads back the same and a selection inside of it, and the piece it was asked of
// stays as it was.
func FuzzEdit(f *testing.F) {
	f.Add("<2P L 3(P C) | L>", "3P", byte(0), 2, 5, 4)
	f.Add("{P} L ~C 2(P {12mm: L})", "P L", byte(13), 0, 1, 0)
	f.Add("({7:C})", "C", byte(0), 10, 10, 0) // a fill to a length that takes fewer repeats afterwards
	f.Add("2P B[S P S] <P L[2P] | P[L[P]]>", "P[2L]", byte(0), 2, 4, 1)
	f.Add("2(P _5mm) [2P L . P] @20mm P", "[P . L] _3mm", byte(0), 2, 4, 1)
	f.Add("9999(P)", "9999P", byte(0), 1, 1, 0)
	f.Fuzz(func(t *testing.T, line, text string, do byte, from, to, n int) {
		if _, err := pattern.Parse(line); err != nil {
			return
		}
		p := bench(t, line)
		if _, err := measure.Measure(p); err != nil {
			return
		}
		before := p.Leading().Line.String()
		op, err := Fields{Text: text, From: from, To: to, N: n, Node: n}.Op(lineOps[int(do)%len(lineOps)])
		if err != nil {
			t.Fatal(err)
		}
		out, got, err := Apply(p, nil, op)
		if p.Leading().Line.String() != before {
			t.Fatalf("the piece it was asked of changed to %s", p.Leading().Line)
		}
		if err != nil {
			var refused *Refused
			if !errors.As(err, &refused) && pattern.Faults(err) == nil {
				t.Fatalf("%v is not said as a refusal or a fault", err)
			}
			return
		}
		written := out.Leading().Line.String()
		again, err := pattern.Parse(written)
		if err != nil || again.String() != written {
			t.Fatalf("%s reads back as %v, %v", written, again, err)
		}
		m, err := measure.Measure(out)
		if err != nil {
			return
		}
		if beads := len(m.Leading().Beads); beads > pattern.MaxBeads || IsLineOp(op.Do()) && !got.Stays && got.Text == "" && (got.From > beads || got.To > beads) && (got.From != from || got.To != to) {
			t.Fatalf("of %d beads %d to %d are selected", beads, got.From, got.To)
		}
	})
}
