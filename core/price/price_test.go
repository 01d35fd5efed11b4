package price_test

import (
	"math/big"
	"math/rand/v2"
	"testing"

	"mala/core/money"
	"mala/core/price"
)

func TestAPriceByHand(t *testing.T) {
	// 12 of materials, 1 of spares, 2 of extras, 20 min at 18 an hour: 21; a tenth more, 23.10;
	// to keep 45 % of the price 42.00, with a fifth of tax 50.40, up to the next half less five.
	r := price.Rules{PerHour: 1800, Overhead: 1000, Way: price.Margin, Keeps: 4500, Tax: 2000, Step: 50, Less: 5}
	c := price.Costs{Materials: 1200, Spares: 100, Extras: 200, Seconds: 1200}
	want := price.Price{Labour: 600, Overhead: 210, Cost: 2310, Net: 4204, Tax: 841, Gross: 5045, Gain: 1894}
	if got := r.Of(c); got != want {
		t.Errorf("%+v, want %+v", got, want)
	}
	set := r.At(c, 3000)
	if set.Gross != 3000 || set.Tax != 500 || set.Net != 2500 || set.Gain != 190 || set.Cost != 2310 {
		t.Errorf("as set: %+v", set)
	}
	r.Way, r.Tax, r.Step, r.Less = price.MarkUp, 0, 1, 0
	if got := r.Of(c); got.Gross != 3350 || got.Tax != 0 || got.Gain != 1040 { // 23.10 and 45 % of it, 10.395 upwards
		t.Errorf("by mark-up: %+v", got)
	}
	r = price.Rules{Way: price.Margin, Keeps: 5000, Step: 1} // half of it is exactly as much again
	if got := r.Of(price.Costs{Materials: 1000}); got.Gross != 2000 || got.Gain != 1000 {
		t.Errorf("by half: %+v", got)
	}
}

// Every price is the least that is wanted, by exact fractions.
func TestPricesKeepWhatIsAskedAndNoMore(t *testing.T) {
	random := rand.New(rand.NewPCG(1, 2))
	for range 3000 {
		r := price.Rules{PerHour: money.Amount(random.IntN(9000)), Overhead: price.Percent(random.IntN(5000)), Way: price.Margin, Keeps: price.Percent(random.IntN(9900)), Tax: price.Percent(random.IntN(3000)), Step: money.Amount(1 + random.IntN(200))}
		r.Less = money.Amount(random.Int64N(int64(r.Step)))
		if random.IntN(2) == 0 {
			r.Way = price.MarkUp
		}
		c := price.Costs{Materials: money.Amount(random.IntN(1e6)), Spares: money.Amount(random.IntN(1e4)), Extras: money.Amount(random.IntN(1e4)), Seconds: random.Int64N(90_000)}
		p := r.Of(c)
		if p.Net+p.Tax != p.Gross || p.Net-p.Cost != p.Gain || c.Materials+c.Spares+c.Extras+p.Labour+p.Overhead != p.Cost {
			t.Fatalf("%+v of %+v does not add up", p, c)
		}
		if r.Step > 1 && (p.Gross+r.Less)%r.Step != 0 {
			t.Fatalf("%v is no step of %v less %v", p.Gross, r.Step, r.Less)
		}
		// The gross price that is asked, as a fraction.
		keeps := big.NewRat(int64(r.Keeps), 10_000)
		net := new(big.Rat).SetInt64(int64(p.Cost))
		if r.Way == price.MarkUp {
			net.Mul(net, new(big.Rat).Add(big.NewRat(1, 1), keeps))
		} else {
			net.Quo(net, new(big.Rat).Sub(big.NewRat(1, 1), keeps))
		}
		asked, _ := new(big.Rat).Mul(net, big.NewRat(int64(10_000+r.Tax), 10_000)).Float64()
		if got := float64(p.Gross); got < asked-0.51 || got > asked+float64(max(r.Step, 1))+2 {
			t.Fatalf("%+v of cost %v: %v, asked %v", r, p.Cost, got, asked)
		}
	}
}

func TestRulesThatCannotBe(t *testing.T) {
	for _, tt := range []struct {
		rules price.Rules
		want  error
	}{
		{price.Rules{Way: price.Margin, Keeps: 9999}, nil},
		{price.Rules{Way: price.Margin, Keeps: 10_000}, price.ErrMargin},
		{price.Rules{Way: price.MarkUp, Keeps: 20_000}, nil},
		{price.Rules{Step: 50, Less: 49}, nil},
		{price.Rules{Step: 50, Less: 50}, price.ErrStep},
	} {
		if got := tt.rules.Check(); got != tt.want {
			t.Errorf("%+v: %v, want %v", tt.rules, got, tt.want)
		}
	}
}

func TestWhenABatchHasComeIn(t *testing.T) {
	for _, tt := range []struct {
		spent, net money.Amount
		batch      int
		want       int
	}{{10_000, 2500, 10, 4}, {10_001, 2500, 10, 5}, {10_000, 1000, 10, 10}, {10_001, 1000, 10, 0}, {5, 0, 10, 0}} {
		if got := price.EvenAt(tt.spent, tt.net, tt.batch); got != tt.want {
			t.Errorf("%v of %v each: %d, want %d", tt.spent, tt.net, got, tt.want)
		}
	}
}
