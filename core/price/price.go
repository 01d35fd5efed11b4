// Package price works out what a kit costs the shop and what it is sold for, in whole
// hundredths of the shop's one currency.
package price

import (
	"errors"

	"mala/core/money"
)

// Percent is a number of hundredths of a per cent.
type Percent int64

// all is a hundred per cent.
const all Percent = 100_00

// Of is the share of an amount, to the nearest hundredth, a half upwards.
func (p Percent) Of(a money.Amount) money.Amount { return a.Share(int64(p), int64(all)) }

// Way is how a price follows from a cost.
type Way string

// The ways: a share of the price stays with the shop, or a share of the cost is added.
const (
	Margin Way = "margin"
	MarkUp Way = "mark-up"
)

// Rules are the shop's.
type Rules struct {
	PerHour  money.Amount
	Overhead Percent // on materials and labour
	Way      Way
	Keeps    Percent      // the margin or the mark-up
	Tax      Percent      // 0 where none is shown
	Step     money.Amount // prices are whole numbers of it,
	Less     money.Amount // less so much
}

// Costs are what one kit costs the shop.
type Costs struct {
	Materials, Spares, Extras money.Amount
	Seconds                   int64 // of work
}

// Price is what follows. Gross is what the buyer pays; Net is without the tax in it.
type Price struct {
	Labour, Overhead, Cost money.Amount
	Net, Tax, Gross        money.Amount
	Gain                   money.Amount // the net price less the cost
}

// Errors of rules, as sentences.
var (
	ErrMargin = errors.New("A margin is less than 100 %. To add more than the cost, set a mark-up.")
	ErrStep   = errors.New("What prices end in is less than the step that they are rounded to.")
)

// Check says what cannot be.
func (r *Rules) Check() error {
	if r.Way == Margin && r.Keeps >= all {
		return ErrMargin
	}
	if r.Less > 0 && r.Less >= r.Step {
		return ErrStep
	}
	return nil
}

// Of works the price out. The rules have been checked.
func (r *Rules) Of(c Costs) Price {
	p := r.cost(c)
	net := r.before(p.Cost)
	return r.paid(p, r.round(net+r.Tax.Of(net)))
}

// At is the same of a price that someone set, with the tax.
func (r *Rules) At(c Costs, gross money.Amount) Price { return r.paid(r.cost(c), gross) }

func (r *Rules) cost(c Costs) Price {
	p := Price{Labour: r.PerHour.Share(c.Seconds, 3600)}
	direct := c.Materials + c.Spares + c.Extras + p.Labour
	p.Overhead = r.Overhead.Of(direct)
	p.Cost = direct + p.Overhead
	return p
}

func (r *Rules) paid(p Price, gross money.Amount) Price {
	p.Gross = gross
	p.Tax = gross.Share(int64(r.Tax), int64(all+r.Tax))
	p.Net = p.Gross - p.Tax
	p.Gain = p.Net - p.Cost
	return p
}

// before is the least price that leaves the shop what it wants, before rounding.
func (r *Rules) before(cost money.Amount) money.Amount {
	if r.Way == MarkUp {
		return cost + up(cost, r.Keeps, all)
	}
	return cost + up(cost, r.Keeps, all-r.Keeps)
}

// up is a share of an amount, rounded up.
func up(a money.Amount, n, of Percent) money.Amount {
	return (a*money.Amount(n) + money.Amount(of) - 1) / money.Amount(of)
}

// round takes a price up to the next that the shop asks.
func (r *Rules) round(a money.Amount) money.Amount {
	if r.Step <= 1 {
		return a
	}
	steps := (a + r.Less + r.Step - 1) / r.Step
	return steps*r.Step - r.Less
}

// EvenAt is how many kits of a batch have to be sold until what was spent on the whole
// batch has come in, or 0 if even all of them are not enough.
func EvenAt(spent, net money.Amount, batch int) int {
	if net <= 0 {
		return 0
	}
	n := int((spent + net - 1) / net)
	if n > batch {
		return 0
	}
	return n
}
