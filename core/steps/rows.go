package steps

import (
	"fmt"
	"strings"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// ofRow puts the row that is spoken of before a sentence.
func (w *writer) ofRow(says string) string {
	switch {
	case w.row == 0:
		return says
	case strings.HasPrefix(says, "Left end") || strings.HasPrefix(says, "Right end"):
		return fmt.Sprintf("Row %d, %s", w.row, lower(says))
	}
	return fmt.Sprintf("Row %d: %s", w.row, lower(says))
}

// eachRow goes through the rows in their order.
func (w *writer) eachRow(do func()) {
	for i, s := range w.m.Strands {
		w.s, w.row = s, i+1
		do()
	}
	w.row = 0
}

// rows makes a piece of several rows. Rows in holes of their own are made one at a
// time, both ends. On rings that they share, or each on its own, all are strung first
// and laid side by side; then all first ends are made, and then the second ones. So are
// rows whose first end is made before they are strung, or that stay on the spool,
// one at a time.
func (w *writer) rows() {
	if w.oneAtATime() {
		w.eachRow(func() {
			if w.s.Row.Corded() {
				w.countOut()
				w.strand()
				return
			}
			w.hangChain(piece.Left)
			w.hangChain(piece.Right)
		})
	} else {
		w.allTogether()
	}
	w.s = w.m.Leading()
	must := []string{"the rows lie in order from end to end", w.twist()}
	if !w.m.Piece.Twisted() {
		must = append(must, w.lengths()...)
	}
	w.gate("Before the clasp", must...)
	for i, s := range w.m.Piece.Sections {
		if i == 0 || !w.m.Piece.Joins[i-1].Through() {
			w.s = w.m.Strand(s.Rows[0].ID)
			w.attachAll()
		}
	}
}

// toldEnd is an end that has been told in full.
type toldEnd struct {
	row   int
	steps []Step
}

// likeBefore tells the end that was just written by that of a row before with the same
// steps: what differs in its figures in full, and every gate.
func (w *writer) likeBefore(from int, side piece.Side) {
	steps := append([]Step(nil), w.out[from:]...)
	shape := string(side)
	for _, s := range steps {
		shape += withoutFigures(s.Says)
	}
	before, known := w.told[shape]
	if !known {
		w.told[shape] = toldEnd{w.row, steps}
		return
	}
	w.out = w.out[:from]
	differs := false
	for i, s := range steps {
		if s.Must == nil && withoutRow(s.Says) != withoutRow(before.steps[i].Says) {
			w.out, differs = append(w.out, s), true
		}
	}
	if differs {
		w.do("Go on as with row %d.", before.row)
	} else {
		w.do("%s end: make it as that of row %d.", w.title(side), before.row)
	}
	for _, s := range steps {
		if s.Must != nil {
			w.out = append(w.out, s)
		}
	}
}

// withoutRow leaves out which row a sentence is about.
func withoutRow(says string) string {
	if _, rest, ok := strings.Cut(says, ": "); ok {
		return rest
	}
	return says
}

// withoutFigures leaves out every digit.
func withoutFigures(says string) string {
	return strings.Map(func(r rune) rune {
		if r >= '0' && r <= '9' || r == '.' {
			return -1
		}
		return r
	}, says)
}

// closed says what the finished piece measures.
func (w *writer) closed() string {
	if !w.m.Piece.Several() {
		if least, most, free := w.anyOrder(); free {
			return fmt.Sprintf("closed it measures %s to %s", w.in(least), w.in(most))
		}
		return fmt.Sprintf("closed it measures %s", w.in(w.m.Finished))
	}
	var lengths []string
	for _, s := range w.m.Strands {
		lengths = append(lengths, w.in(s.Finished()))
	}
	return "closed, its rows measure " + strings.Join(lengths, ", ")
}

func (w *writer) oneAtATime() bool {
	for _, s := range w.m.Strands {
		if len(w.m.Piece.Joins) > 0 || s.Half() != nil {
			return false
		}
		if w.m.Piece.Hole(s.Row, piece.Left) > 0 || s.Start.By == piece.StopSpool || s.Start.By == piece.StopCrimped {
			return true
		}
	}
	return false
}

func (w *writer) allTogether() {
	w.eachRow(func() {
		if w.s.Row.FoldOf != "" {
			w.otherHalf()
			return
		}
		if !w.begins() {
			return
		}
		w.countOut()
		w.start(w.cutters())
		w.stop()
		w.runOn()
	})
	w.gate("Before any end is made", append([]string{"all rows lie side by side, their middles over one another"}, w.lengths()...)...)
	w.eachRow(func() {
		switch {
		case w.begins():
			w.open()
			w.end(&w.s.Left)
		case !w.s.Row.Corded():
			w.hangChain(piece.Left)
		}
	})
	w.gate("Before the second ends", "the rows hang in order at the left, the first innermost", w.twist())
	if w.m.Piece.Twisted() {
		w.do("Twist the rows together, evenly from end to end, and hold the twist.")
	}
	w.eachRow(func() {
		switch {
		case !w.s.Row.Corded():
			w.hangChain(piece.Right)
		case w.s.Right.With():
			// closed with the other leg
		case w.s.Right.Hold != measure.HeldByRunning:
			w.bothInOneCrimp()
			w.secondEnd(&w.s.Right)
		}
	})
}

// begins says whether the row's cord begins in it, and not in the row before.
func (w *writer) begins() bool {
	return w.s.Row.Corded() && w.s.Left.Hold != measure.HeldByRunning && w.s.Row.FoldOf == ""
}

// runOn strings the rows that the cord runs on in.
func (w *writer) runOn() {
	for next := w.m.Piece.RunsOn(w.s.Row); next != nil; next = w.m.Piece.RunsOn(next) {
		join := w.m.Piece.JoinAt(next, piece.Left)
		w.s, w.row = w.m.Strand(next.ID), w.m.Piece.Number(next.ID)
		w.do("With the same cord go through %s, and on.", lower(join.Fittings[0].Of.Name))
		w.countOut()
		w.stringRuns()
	}
}

// hangChain hangs an end of a row of chain on what it goes on.
func (w *writer) hangChain(side piece.Side) {
	link := map[piece.Side]string{piece.Left: "first", piece.Right: "last"}[side]
	on := w.m.Piece.Joined(w.s.Row, side)
	if on == nil {
		return
	}
	w.do("%s end: hang its %s link on %s.", w.title(side), link, lower(on.Of.Name))
}

// cutters are what the cord is cut with.
func (w *writer) cutters() string {
	if w.s.Row.Cord.Cord.Type == material.Wire {
		return " with wire cutters"
	}
	return " with scissors"
}

// lengths is what every row must measure.
func (w *writer) lengths() []string {
	var out []string
	for i, s := range w.m.Strands {
		if !s.Row.Corded() {
			continue
		}
		out = append(out, fmt.Sprintf("the beads of row %d measure %s", i+1, w.in(s.Strung)))
	}
	return out
}

func (w *writer) twist() string {
	if w.m.Piece.Twisted() {
		return "the rows are twisted as they are meant to be"
	}
	return "no row is twisted round another"
}

// straight is how the strand must run before its second end.
func (w *writer) straight(e *measure.End) string {
	if hole := w.m.Piece.Hole(w.s.Row, e.Side); hole > 0 && w.row > 0 {
		return fmt.Sprintf("the row runs untwisted to hole %d", hole)
	}
	return "the strand is not twisted and the order is right"
}
