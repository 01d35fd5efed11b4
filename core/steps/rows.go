package steps

import (
	"mala/core/measure"
	"mala/core/piece"
)

// eachRow goes through the rows in their order.
func (w *writer) eachRow(do func()) {
	for i, s := range w.m.Strands {
		w.s, w.row = s, i+1
		do()
	}
	w.s, w.row = nil, 0
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
	must := []Point{RowsInOrder{}, w.twist()}
	if !w.m.Piece.Twisted() {
		must = append(must, w.lengths()...)
	}
	w.gate("clasp", BeforeClasp{}, must...)
	for i, s := range w.m.Piece.Sections {
		if i == 0 || !w.m.Piece.Joins[i-1].Through() {
			w.s = w.m.Strand(s.Rows[0].ID)
			w.attachAll()
		}
	}
	w.s = nil
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
		w.start(w.cutter())
		w.stop()
		w.runOn()
	})
	w.gate("ends", BeforeAnyEnd{}, append([]Point{SideBySide{}}, w.lengths()...)...)
	w.eachRow(func() {
		switch {
		case w.begins():
			w.open()
			w.end(&w.s.Left)
		case !w.s.Row.Corded():
			w.hangChain(piece.Left)
		}
	})
	w.gate("second-ends", BeforeSecond{}, RowsInOrder{true}, w.twist())
	if w.m.Piece.Twisted() {
		w.do("twist", TwistRows{})
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
		w.do("run-on", RunOn{join.Fittings[0].Of})
		w.countOut()
		w.stringRuns()
	}
}

// hangChain hangs an end of a row of chain on what it goes on.
func (w *writer) hangChain(side piece.Side) {
	if on := w.m.Piece.Joined(w.s.Row, side); on != nil {
		w.do("hang-chain:"+string(side), HangChain{End{side, w.m.Piece.Hangs()}, on.Of})
	}
}

// lengths is what every row must measure.
func (w *writer) lengths() []Point {
	var out []Point
	for i, s := range w.m.Strands {
		if s.Row.Corded() {
			out = append(out, RowLong{i + 1, s.Strung})
		}
	}
	return out
}

func (w *writer) twist() Point { return RowsTwisted{w.m.Piece.Twisted()} }
