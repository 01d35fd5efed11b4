package steps

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// beforeCutting is the gate of the cutters.
func (w *writer) beforeCutting() {
	must := []Point{AllThere{}, LaidLong{w.s.Strung, w.hasGaps()}}
	if t := w.m.Piece.TargetOf(w.s.Row); t != nil {
		must = append(must, WillBe{w.s.Finished(), t.Finished})
	}
	if w.given.Cuts != nil {
		w.gate("cut", BeforeString{}, must...)
		return
	}
	w.gate("cut", BeforeCut{}, must...)
}

// start cuts the row's cords, each as long as it is in the bag.
func (w *writer) start(with Cutter) {
	w.beforeCutting()
	cut := Cut{Row: w.s.Row.ID, Cord: w.s.Row.Cord, N: 1, Length: w.s.CutLength(), Tool: with}
	if legs := w.s.Legs(); legs != nil && !legs.Folded {
		cut.N, cut.Length = legs.Count, legs.Each
	}
	if long, in := w.given.Cuts[w.s.Row.ID]; in {
		cut.Length, cut.InBag = long, true
		w.do("cut", cut)
		return
	}
	w.final("cut", cut)
}

// startedBy is what stops the end strung first. A cord that lies cut in a bag is on no spool.
func (w *writer) startedBy() string {
	if by := w.s.Start.By; by != piece.StopSpool || w.given.Cuts == nil {
		return by
	}
	return piece.StopTape
}

// tip is how far from its tip the first end is stopped.
func (w *writer) tip() length.MM {
	if w.s.Start.By == piece.StopSpool {
		return w.m.Beyond(w.s, &w.s.Left)
	}
	return w.s.Start.Tip
}

// cutter is what the cord is cut with.
func (w *writer) cutter() Cutter {
	if w.s.Row.Cord.Cord.Type == material.Wire {
		return WireCutters
	}
	return Scissors
}

// stop holds the end that is strung first, and strings the row.
func (w *writer) stop() {
	if w.s.Half() != nil {
		w.foldInTwo()
		return
	}
	if w.s.Start.By == measure.StartFold {
		w.foldDoubled()
		w.stringRuns()
		return
	}
	if w.s.FromCentre(w.h) {
		w.do("mark-middle", MarkMiddle{w.startedBy(), w.m.Beyond(w.s, &w.s.Left), w.m.Beyond(w.s, &w.s.Right)})
		w.stringRuns()
		return
	}
	n := 1
	if legs := w.s.Legs(); legs != nil {
		n = legs.Count
	}
	w.do("hold", Hold{w.s.Start.Side, w.startedBy(), w.tip(), n})
	w.stringRuns()
}

// open takes off what stops the end strung first.
func (w *writer) open() {
	if w.s.Start.By != measure.StartFold {
		w.do("release", Release{w.startedBy()})
	}
}

// stringRuns strings the row, and adds the steps for what is made while it is strung.
func (w *writer) stringRuns() {
	if w.s.Lace != nil {
		w.laceRow()
		return
	}
	w.do("string", w.runs())
	w.inAnyOrder()
	if !w.s.Folded() {
		w.ridesOnOne()
	}
	w.dropsInCord()
	w.holdApart()
	w.ride()
	w.hanging()
}

// runs are the row's runs in the order of the work.
func (w *writer) runs() String {
	out := String{FromCentre: w.s.FromCentre(w.h), FromRight: w.s.Start.Side == piece.Right}
	drops, _ := w.s.Drops()
	for _, d := range drops {
		out.Drops = out.Drops || d.Through == nil
		out.Loops = out.Loops || d.Through != nil
	}
	out.Crimps = w.s.Row.Holder.Way == piece.HeldByCrimps && len(w.s.Holders()) > 0
	count := map[string]int{}
	add := func(runs []measure.Run, side piece.Side) {
		for _, r := range runs {
			about := r.Material.ID
			if r.Key != "" && r.Material.ID == "" {
				about = r.Key
			}
			count[about]++
			out.Runs = append(out.Runs, Run{fmt.Sprintf("%s:run:%s:%d", w.s.Row.ID, about, count[about]), r, side})
		}
	}
	switch {
	case out.FromCentre:
		right, left := w.s.Outwards()
		add(right, piece.Right)
		add(left, piece.Left)
	case out.FromRight:
		add(w.s.RunsFromRight(), "")
	default:
		add(w.s.Runs(), "")
	}
	return out
}

// inAnyOrder says which beads may be mixed, and what that does to the length.
func (w *writer) inAnyOrder() {
	if least, most, free := w.anyOrder(); free {
		w.do("any-order", AnyOrder{least, most})
	}
}

// anyOrder is how long the strand is finished with its free runs in any order; not free
// where it has none.
func (w *writer) anyOrder() (least, most length.MM, free bool) {
	stretches, err := w.m.Free(w.s)
	if err != nil || len(stretches) == 0 {
		return 0, 0, false
	}
	least, most = w.s.Finished(), w.s.Finished()
	for _, f := range stretches {
		least, most = least+f.Shortest-w.s.Finished(), most+f.Longest-w.s.Finished()
	}
	return least, most, true
}

// ridesOnOne tells which beads go on one of the cords that run side by side.
func (w *writer) ridesOnOne() {
	var beads []*material.Material
	seen := map[string]bool{}
	for i := range w.s.Beads {
		b := &w.s.Beads[i]
		if !b.OneCord || b.Material.Bead.OneCord || seen[b.Key] {
			continue
		}
		seen[b.Key] = true
		beads = append(beads, b.Material)
	}
	if len(beads) > 0 {
		w.do("one-cord", OnOneCord{beads})
	}
}

// hanging says when what hangs goes on: a closed ring only while stringing, an open
// one also round the finished strand, tassels last.
func (w *writer) hanging() {
	seen := map[*material.Material]bool{}
	for i := range w.s.Beads {
		m := w.s.Beads[i].Material
		if seen[m] || m.Component == nil || !m.Bead.Hangs() || w.s.Beads[i].Drop != nil {
			continue
		}
		seen[m] = true
		switch {
		case holdsTassel(m) && opens(m):
			w.later = append(w.later, HangLast{m})
		case len(m.Component.Rings) == 0:
			w.do("on-cord:"+m.ID, OnCord{m, ByLoop})
		case opens(m):
			w.do("on-cord:"+m.ID, OnCord{m, ByRing})
		default:
			w.do("on-cord:"+m.ID, OnCord{m, ByClosed})
		}
	}
}

// opens says whether the ring on the cord can be opened.
func opens(m *material.Material) bool {
	return len(m.Component.Rings) > 0 && m.Component.Rings[0].Finding.IsOpen()
}

func holdsTassel(m *material.Material) bool {
	found := false
	m.Each(func(of *material.Material, _ int, mm length.MM) { found = found || of.Cord != nil && mm > 0 })
	return found && m.Component != nil && m.Component.Kind.Hangs()
}

// holdApart holds the beads beside every gap, one after the other from the left: each is
// looked at before the next, by its distance from the one before and from the start.
func (w *writer) holdApart() {
	held := w.s.Holders()
	if len(held) == 0 {
		return
	}
	h := w.s.Row.Holder
	w.do("hold-apart", HoldApart{h.Way, len(held), h.Of})
	var must []Point
	before := length.MM(0)
	number := map[int]int{}
	for i, one := range held {
		p := HeldPlace{Way: h.Way, N: i + 1, Bead: w.s.Beads[one.Bead].Material, Side: one.Side, At: one.At}
		if h.Way != piece.HeldByCrimps && h.Way != piece.HeldByKnots { // the beads themselves, in their order
			if number[one.Bead] == 0 {
				number[one.Bead] = len(number) + 1
			}
			p.N = number[one.Bead]
		}
		if i > 0 {
			p.Before = one.At - before
		}
		must = append(must, p)
		before = one.At
	}
	w.gate("held-apart", BeforeNext{}, must...)
}

// ride tells of the beads that slide over the others: they go on over a finished run,
// before its second end is made.
func (w *writer) ride() {
	r := w.s.Riders
	if r == nil {
		return
	}
	beads := make([]*material.Material, len(r.Beads))
	for i := range r.Beads {
		beads[i] = r.Beads[i].Material
	}
	w.do("ride", Ride{beads})
	if r.Free() >= 0 && r.First >= 0 {
		w.gate("riders", BeforeNextEnd{}, RidersSlide{}, RidersFree{r.Free()}, RidersStop{})
	}
}

// dropsInCord tells how each different drop is made, where its place in the order comes.
func (w *writer) dropsInCord() {
	drops, count := w.s.Drops()
	for _, d := range drops {
		if d.Through != nil {
			w.loopInCord(d, count[d])
			continue
		}
		w.do("drop:"+d.Key, Drop{d, count[d]})
		w.gate("drop:"+d.Key, BeforeNextBead{}, DropDeep{d.Deep}, PulledUp{})
	}
}

// loopInCord tells how a loop through a bead is made.
func (w *writer) loopInCord(d *measure.Drop, count int) {
	w.do("loop:"+d.Key, LoopThrough{d, count})
	told := map[*measure.Drop]bool{}
	for _, b := range d.Beads {
		if in := b.Drop; in != nil && !told[in] {
			told[in] = true
			w.do("in-loop:"+in.Key, InLoop{in})
		}
	}
	w.gate("loop:"+d.Key, BeforeNextBead{}, LoopDeep{d.Deep, d.Through.Material}, PulledUp{true})
}
