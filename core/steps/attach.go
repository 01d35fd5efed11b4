package steps

import (
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// attachAll hangs on what the cord itself does not go through; of several rows what is
// the row's own, and once all are made what they share.
func (w *writer) attachAll() {
	for _, side := range piece.Sides() {
		w.attach(side)
	}
	w.hangOnFittings()
}

// now says whether what two parts are hung together by is done now: what rows share
// comes last.
func (w *writer) now(shared bool) bool { return !w.m.Piece.Several() || shared == (w.row == 0) }

// hangOnFittings hangs what is carried by rings, clasp and extender.
func (w *writer) hangOnFittings() {
	for _, e := range w.s.Ends() {
		for _, p := range e.Parts {
			if len(p.Hung) == 0 || !w.now(p.Shared) {
				continue
			}
			w.do("hang:"+string(e.Side)+":"+string(p.Fitting), HangOn{w.at(e), p.Hung, p.Material, p.Role == measure.RoleChain})
		}
	}
}

// attach hangs on what the cord itself does not go through: each fitting on the
// one before it.
func (w *writer) attach(side piece.Side) {
	hung := w.hung(side)
	for i := 1; i < len(hung); i++ {
		a, b := hung[i-1], hung[i]
		if !w.now(a.shared && b.shared) || w.hungUp[a.id+" "+b.id] {
			continue
		}
		w.hungUp[a.id+" "+b.id], w.hungUp[b.id+" "+a.id] = true, true
		w.do("attach:"+string(b.id), Attach{w.at(w.s.End(side)), b.Thing, a.Thing, howItOpens(a.Of.Finding, b.Of.Finding)})
	}
}

// hanging is one fitting at an end.
type hanging struct {
	Thing
	shared bool
	id     piece.ID
}

// hung lists what hangs at an end from the cord outwards. A toggle is listed at
// its ring; its bar hangs at the other end.
func (w *writer) hung(side piece.Side) []hanging {
	var out []hanging
	for _, p := range w.s.End(side).Parts {
		if p.Role == measure.RoleRow {
			return out
		}
		switch p.Role {
		case measure.RoleRing, measure.RoleClasp, measure.RoleChain, measure.RoleLinks, measure.RoleConnector, measure.RoleBar:
			h := hanging{Thing{Of: p.Material}, p.Shared, p.Fitting}
			if p.Role == measure.RoleLinks {
				h.Links = p.Links
			}
			if p.Material.Finding.Type == material.Toggle {
				h.Half = ItsRing
			}
			if hole := w.m.Piece.Hole(w.s.Row, side); hole > 0 && len(out) == 0 {
				h.Hole, h.Half = hole, WholeClasp
			}
			out = append(out, h)
		}
	}
	if clasp := w.s.End(side.Other()).Find(measure.RoleClasp); clasp != nil && clasp.Material.Finding.HasTwoHalves() && clasp.Material.Finding.Type != material.ButtonEnd {
		h := hanging{Thing{Of: clasp.Material, Half: OtherHalf}, true, clasp.Fitting + "'"}
		if clasp.Material.Finding.Type == material.Toggle {
			h.Half = ItsBar
		}
		h.Hole = w.m.Piece.Hole(w.s.Row, side)
		out = append(out, h)
	}
	return out
}

// firstHung is what the cord goes round first at an end; nil where there is nothing.
func (w *writer) firstHung(side piece.Side) *Thing {
	if hung := w.hung(side); len(hung) > 0 {
		return &hung[0].Thing
	}
	return nil
}

// howItOpens is how the one of two fittings that opens is opened.
func howItOpens(a, b *material.Finding) Opening {
	for _, f := range []*material.Finding{a, b} {
		switch {
		case f.Type == material.JumpRing && f.IsOpen():
			return JumpRing
		case f.Type == material.SplitRing:
			return SplitRing
		}
	}
	return NoOpening
}

// chains cuts the lengths of chain first, counted by their links.
func (w *writer) chains() {
	seen := map[piece.ID]bool{}
	for i, s := range w.m.Strands {
		for _, e := range s.Ends() {
			for _, p := range e.Parts {
				if p.Role != measure.RoleLinks || seen[p.Fitting] {
					continue
				}
				seen[p.Fitting] = true
				if w.m.Piece.Several() && !p.Shared {
					w.row = i + 1
				}
				w.chainAt(e, p)
				w.row = 0
			}
		}
	}
}

func (w *writer) chainAt(e *measure.End, p measure.Part) {
	about := "chain:" + string(p.Fitting)
	if p.Material.Component != nil {
		w.hookUp(about, p)
		return
	}
	ownRow := w.row > 0 && !w.m.Strands[w.row-1].Row.Corded()
	w.final(about, CountChain{e.Side, p.Material, p.Links, p.Length, !p.Material.Finding.IsOpen(), ownRow, w.m.Piece.Hangs()})
}

// hookUp hangs bead links in one another, this many in a row.
func (w *writer) hookUp(about string, p measure.Part) {
	b := p.Between
	if p.Links < 2 {
		return
	}
	links := 0
	if b != nil {
		links = b.Links
		w.final(about+":between", CountBetween{p.Links - 1, b.Links, b.Of, !b.Of.Finding.IsOpen()})
	}
	w.do(about, HookUp{p.Links, p.Material, links, p.Length})
}
