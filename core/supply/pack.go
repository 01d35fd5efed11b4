// Package supply is what materials are bought in, and which packs are the cheapest that
// hold what is needed.
package supply

import (
	"fmt"
	"math"
	"time"

	"mala/core/length"
	"mala/core/material"
	"mala/core/money"
)

// Pack is what one or several materials are bought in.
type Pack struct {
	Sold           string // strand, bag, spool, card, set or piece
	Supplier, Code string
	Price          money.Amount
	Breaks         []Break // in rising order
	Sale           *Sale   // nil without one
	Holds          []Holding
}

// Break is what each pack costs from this many on.
type Break struct {
	From  int
	Price money.Amount
}

// Sale is what a pack costs for a time, both days included.
type Sale struct {
	Price       money.Amount
	From, Until time.Time
}

// Holding is how much of a material a pack holds: one of a count, a weight or a length,
// strung of beads, else as it is.
type Holding struct {
	Of     *material.Material
	Count  int
	MassG  float64
	Length length.MM
}

// spread is how much lighter than its share of beads a weight may hold: beads differ.
const spread = 0.05

// Number is how many of a material the pack surely holds, and about how many where it
// goes by weight. The error is a sentence: no one can count by a weight or a length of
// what has none.
func (h *Holding) Number() (sure, about int, err error) {
	switch {
	case h.Count > 0:
		return h.Count, h.Count, nil
	case h.MassG > 0:
		one := h.Of.MassG
		if one <= 0 {
			return 0, 0, fmt.Errorf("%s is sold by weight. Weigh some of it, so that Mala knows how many that are.", h.Of.Name)
		}
		each := h.MassG / one
		return int(math.Floor(each*(1-spread) + 1e-9)), int(math.Floor(each + 1e-9)), nil
	case h.Length > 0 && h.Of.Bead != nil && h.Of.Bead.Pitch() > 0:
		// What a strand holds is its length by what each bead adds to it, whatever its label says.
		n := int(math.Floor(float64(h.Length/h.Of.Bead.Pitch()) + 1e-9))
		return n, n, nil
	}
	return 0, 0, fmt.Errorf("A pack of %s needs a count or a weight.", material.InSentence(h.Of.Name))
}

// Each is what one of n packs costs on a day: the lowest of its breaks and a sale.
func (p *Pack) Each(n int, day time.Time) money.Amount {
	price := p.Price
	for _, b := range p.Breaks {
		if n >= b.From {
			price = min(price, b.Price)
		}
	}
	if s := p.Sale; s != nil && !day.Before(s.From) && day.Before(s.Until.AddDate(0, 0, 1)) {
		price = min(price, s.Price)
	}
	return price
}
