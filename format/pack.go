package format

import (
	"fmt"
	"time"
	"unicode/utf8"

	"mala/core/length"
	"mala/core/material"
	"mala/core/money"
	"mala/core/supply"
)

// Pack is what a material is bought in. It belongs to the catalogue; pieces do not carry it.
type Pack struct {
	Sold     string      `json:"sold" enum:"strand,bag,spool,card,set,piece"`
	Holds    PackHolds   `json:"holds"`
	With     []PackWith  `json:"with,omitempty" maxItems:"24" doc:"Of a mixed set: what else is in it."`
	Supplier string      `json:"supplier,omitempty" maxLength:"60"`
	Code     string      `json:"code,omitempty" maxLength:"60" doc:"The supplier's."`
	Price    string      `json:"price" maxLength:"12" doc:"Of one pack: 4.20"`
	Breaks   []PackBreak `json:"breaks,omitempty" maxItems:"8" doc:"What each costs from this many on."`
	Sale     *PackSale   `json:"sale,omitempty"`
}

// PackHolds is how much a pack holds: one of the three.
type PackHolds struct {
	Count    int       `json:"count,omitempty"`
	MassG    float64   `json:"massG,omitempty" doc:"By weight."`
	LengthMm length.MM `json:"lengthMm,omitempty" doc:"Strung, of beads; else as it is."`
}

// PackWith is another material of a mixed set.
type PackWith struct {
	Of    string `json:"of" maxLength:"64"`
	Count int    `json:"count"`
}

// PackBreak is what each pack costs from this many on.
type PackBreak struct {
	From  int    `json:"from"`
	Price string `json:"price" maxLength:"12"`
}

// PackSale is what a pack costs for a time, both days included.
type PackSale struct {
	Price string `json:"price" maxLength:"12"`
	From  string `json:"from" doc:"2026-11-20"`
	Until string `json:"until"`
}

// The limits of packs.
const (
	mostPacks   = 12
	mostBreaks  = 8
	mostWith    = 24
	mostInPack  = 1_000_000
	longestWord = 60
)

// packs holds what the document says of packs to what can be.
func (r *materialReader) packs() {
	if len(r.doc.Packs) > mostPacks {
		r.add("packs", "A material has at most %d packs.", mostPacks)
		return
	}
	for i := range r.doc.Packs {
		r.pack(fmt.Sprintf("packs[%d]", i), &r.doc.Packs[i])
	}
}

func (r *materialReader) pack(at string, p *Pack) {
	r.oneOf(at+".sold", p.Sold, "strand", "bag", "spool", "card", "set", "piece")
	ways := 0
	for _, v := range []float64{float64(p.Holds.Count), p.Holds.MassG, float64(p.Holds.LengthMm)} {
		if v != 0 {
			ways++
		}
		if !(v >= 0 && v <= mostInPack) {
			r.add(at+".holds", "A pack holds up to a million of anything.")
			return
		}
	}
	if ways != 1 {
		r.add(at+".holds", "A pack holds something: give its count, its weight or its length, one of them.")
	}
	if len(p.Breaks) > mostBreaks || len(p.With) > mostWith {
		r.add(at, "A pack has at most %d price breaks, and %d materials beside its own.", mostBreaks, mostWith)
	}
	for _, text := range []string{p.Supplier, p.Code} {
		if text != "" && (checkName(text) != "" || utf8.RuneCountInString(text) > longestWord) {
			r.add(at, "Supplier and code are plain text of at most %d characters.", longestWord)
		}
	}
	r.amount(at+".price", p.Price)
	before := 1
	for k, b := range p.Breaks {
		if b.From <= before {
			r.add(fmt.Sprintf("%s.breaks[%d]", at, k), "A price break begins at more packs than the one before, from 2 on.")
		}
		before = b.From
		r.amount(fmt.Sprintf("%s.breaks[%d].price", at, k), b.Price)
	}
	for k, w := range p.With {
		if !isID(w.Of) || w.Of == r.doc.ID || w.Count < 1 || w.Count > mostInPack {
			r.add(fmt.Sprintf("%s.with[%d]", at, k), "A mixed set names another material by its id, and how many of it there are.")
		}
	}
	if s := p.Sale; s != nil {
		r.amount(at+".sale.price", s.Price)
		from, errFrom := time.Parse(time.DateOnly, s.From)
		until, errUntil := time.Parse(time.DateOnly, s.Until)
		if errFrom != nil || errUntil != nil || until.Before(from) {
			r.add(at+".sale", "A sale goes from one day to the same or a later one, written like 2026-11-20.")
		}
	}
}

func (r *materialReader) amount(at, text string) {
	if _, err := money.Parse(text); err != nil {
		r.add(at, "%s", err.Error())
	}
}

// Core is the pack as the core has it, its materials found by their ids; nil where
// something in it is wrong.
func (p *Pack) Core(of *material.Material, find func(id string) *material.Material) *supply.Pack {
	price, err := money.Parse(p.Price)
	out := &supply.Pack{Sold: p.Sold, Supplier: p.Supplier, Code: p.Code, Price: price}
	if err != nil {
		return nil
	}
	out.Holds = []supply.Holding{{Of: of, Count: p.Holds.Count, MassG: p.Holds.MassG, Length: p.Holds.LengthMm}}
	for _, w := range p.With {
		other := find(w.Of)
		if other == nil {
			other = &material.Material{ID: w.Of} // not needed here
		}
		out.Holds = append(out.Holds, supply.Holding{Of: other, Count: w.Count})
	}
	for _, b := range p.Breaks {
		each, err := money.Parse(b.Price)
		if err != nil {
			return nil
		}
		out.Breaks = append(out.Breaks, supply.Break{From: b.From, Price: each})
	}
	if p.Sale != nil {
		each, err := money.Parse(p.Sale.Price)
		from, errFrom := time.Parse(time.DateOnly, p.Sale.From)
		until, errUntil := time.Parse(time.DateOnly, p.Sale.Until)
		if err != nil || errFrom != nil || errUntil != nil {
			return nil
		}
		out.Sale = &supply.Sale{Price: each, From: from, Until: until}
	}
	return out
}
