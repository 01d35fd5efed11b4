// Package tools says what is needed beside the materials to make a piece: by what it is
// strung on, how its ends are made, and the house method.
package tools

import (
	"fmt"
	"slices"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Tool is one thing to have at hand, and what it is for. Without an optional one the work
// is harder, but can be done.
type Tool struct {
	Name     string
	For      string
	Optional bool
}

// For lists the tools and consumables of a piece in the order they are first needed.
func For(m *measure.Measured, unit length.Unit) []Tool {
	l := &lister{m: m, house: m.Piece.House, unit: unit}
	l.need("Ruler", "to measure the cord and the strand")
	l.components()
	l.cords()
	l.starts()
	l.findings()
	l.knots()
	return l.out
}

type lister struct {
	m     *measure.Measured
	house piece.House
	unit  length.Unit
	out   []Tool
}

// need adds a tool, or to one that is there already what else it is for.
func (l *lister) need(name, what string) { l.add(Tool{Name: name, For: what}) }

func (l *lister) add(t Tool) {
	i := slices.IndexFunc(l.out, func(o Tool) bool { return o.Name == t.Name })
	if i < 0 {
		l.out = append(l.out, t)
		return
	}
	o := &l.out[i]
	o.Optional = o.Optional && t.Optional
	if !strings.Contains(o.For, strings.TrimPrefix(t.For, "to ")) {
		o.For += ", " + t.For
	}
}

const (
	cutters    = "Wire cutters"
	scissors   = "Scissors"
	flatPliers = "Flat-nose pliers"
	twoPliers  = "Two pairs of flat-nose pliers"
	needle     = "Beading needle"
	glue       = "Jeweller's glue"
)

// components need round-nose pliers for their loops, and a rod for what is wound.
func (l *lister) components() {
	for _, c := range l.m.Tally {
		l.component(c.Material)
	}
}

func (l *lister) component(m *material.Material) {
	of := m.Component
	if of == nil {
		return
	}
	for _, below := range slices.Concat(of.Below, of.Turn) {
		l.component(below)
	}
	for _, part := range of.Parts {
		l.component(part.Of)
	}
	if len(of.Rings) > 0 {
		l.need(twoPliers, "to open and close rings")
	}
	if of.Strands > 0 {
		l.need(scissors, "to trim tassels")
	}
	if of.Pin == nil {
		return
	}
	l.need(cutters, "to trim pins")
	if of.Kind == material.Coil {
		l.need("Rod of "+of.Pin.Rod.In(l.unit), "to wind coils on")
		return
	}
	l.need("Round-nose pliers", "to turn loops")
	if of.Pin.Loop.Kind == material.WrappedLoop {
		l.need(flatPliers, "to hold a loop while its end is wound")
	}
}

// cords are cut, wire with cutters and everything else with scissors; what is limp goes on
// with a needle.
func (l *lister) cords() {
	for _, c := range l.m.Tally {
		if c.Material.Cord == nil {
			continue
		}
		switch c.Material.Cord.Type {
		case material.Wire:
			l.need(cutters, "to cut the wire")
		case material.Thread:
			l.need(scissors, "to cut the thread")
			l.need(needle, fmt.Sprintf("to string on thread, no thicker than %s", l.house.Needle.In(l.unit)))
		case material.Elastic:
			l.need(scissors, "to cut the elastic")
			l.add(Tool{Name: "Needle of thin folded wire", For: "to draw the elastic through", Optional: true})
		default:
			l.need(scissors, "to cut the cord")
		}
	}
}

// starts hold the end that is strung first.
func (l *lister) starts() {
	for _, s := range l.m.Strands {
		if !s.Row.Corded() {
			continue
		}
		switch s.Start.By {
		case piece.StopStopper:
			l.need("Bead stopper", "to hold the end that is strung first")
		case piece.StopTape:
			l.need("Tape", "to hold the end that is strung first")
		case piece.StopClip:
			l.need("Clip", "to hold the end that is strung first")
		}
	}
}

// findings are pressed, folded, opened and closed.
func (l *lister) findings() {
	for _, c := range l.m.Tally {
		f := c.Material.Finding
		if f == nil || c.Material.Component != nil {
			continue
		}
		switch {
		case f.IsCrimp():
			l.crimps()
		case f.Type == material.CrimpCover:
			l.need(flatPliers, "to close crimp covers")
		case f.Type == material.FoldOver, f.Type == material.CordEnd:
			l.need(flatPliers, "to fold the ends over")
		case f.Type == material.JumpRing && f.Joint != "soldered":
			l.need(twoPliers, "to open and close rings")
		case f.Type == material.SplitRing:
			l.add(Tool{Name: "Split-ring pliers", For: "to spread split rings", Optional: true})
		case f.Type == material.Chain:
			l.need(cutters, "to part the chain")
		}
	}
}

// crimps are closed by the house's school.
func (l *lister) crimps() {
	switch l.house.Crimp {
	case piece.CrimpFlat:
		l.need(flatPliers, "to flatten crimps")
	case piece.CrimpThreeSided:
		l.need("Three-sided crimping pliers", "to press crimps")
	default:
		l.need("Crimping pliers", "to fold crimps")
	}
}

// knots are drawn up with a needle where they hold beads apart, and glued where the house
// does.
func (l *lister) knots() {
	knotted := slices.Contains([]piece.ClosureType{piece.Knot, piece.OnBar}, l.m.Piece.Closure.Type)
	for _, s := range l.m.Strands {
		if len(s.Holders()) > 0 && s.Row.Holder.Way == piece.HeldByKnots {
			l.need(needle, "to draw knots up to their beads")
		}
		for _, e := range s.Ends() {
			knotted = knotted || e.Hold == measure.HeldByKnot || e.Hold == measure.HeldByCone
			if l.house.Glue == piece.Yes && (e.Hold == measure.HeldByFold || e.Hold == measure.HeldByCordEnd) {
				l.need(glue, "inside the ends")
			}
		}
	}
	if knotted && l.house.Glue == piece.Yes {
		l.need(glue, "on the knots")
	}
}
