package supply

import (
	"math/rand/v2"
	"testing"
	"time"

	"mala/core/length"
	"mala/core/material"
	"mala/core/money"
)

var day = time.Date(2026, 11, 27, 12, 0, 0, 0, time.UTC)

func round(t *testing.T, across, hole length.MM, massG float64) *material.Material {
	t.Helper()
	b, err := material.NewBead(material.Bead{Shape: material.Round, Across: across, Hole: hole})
	if err != nil {
		t.Fatal(err)
	}
	return &material.Material{ID: "round", Name: "Round", Class: material.ClassBead, Bead: b, MassG: massG}
}

// A strand holds what its length comes to, whatever its label says.
func TestAPackHoldsWhatItsMeasureComesTo(t *testing.T) {
	eight, six := round(t, 8, 1, 0.6), round(t, 6, 1, 0)
	for _, tt := range []struct {
		h           Holding
		sure, about int
	}{
		{Holding{Of: eight, Length: 400}, 50, 50}, {Holding{Of: eight, Length: 396.8}, 49, 49}, {Holding{Of: six, Length: 360}, 60, 60}, {Holding{Of: six, Length: 5}, 0, 0},
		{Holding{Of: eight, Count: 48}, 48, 48}, {Holding{Of: eight, MassG: 12}, 19, 20}, {Holding{Of: eight, MassG: 60}, 95, 100},
	} {
		if sure, about, err := tt.h.Number(); err != nil || sure != tt.sure || about != tt.about {
			t.Errorf("%+v: %d, about %d, %v", tt.h, sure, about, err)
		}
	}
	ring := &material.Material{Name: "Ring", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing}}
	for _, h := range []Holding{{Of: six, MassG: 12}, {Of: ring, Length: 400}, {Of: six}} {
		if n, _, err := h.Number(); err == nil {
			t.Errorf("%+v holds %d", h, n)
		}
	}
}

func TestWhatAPackCosts(t *testing.T) {
	on := func(d int) time.Time { return time.Date(2026, 11, d, 9, 0, 0, 0, time.UTC) }
	p := &Pack{Price: 420, Breaks: []Break{{From: 5, Price: 400}, {From: 10, Price: 380}}, Sale: &Sale{Price: 390, From: time.Date(2026, 11, 20, 0, 0, 0, 0, time.UTC), Until: time.Date(2026, 11, 22, 0, 0, 0, 0, time.UTC)}}
	for _, tt := range []struct {
		n, day int
		want   money.Amount
	}{{1, 19, 420}, {4, 19, 420}, {5, 19, 400}, {9, 19, 400}, {10, 19, 380}, {1, 20, 390}, {1, 22, 390}, {1, 23, 420}, {10, 21, 380}} {
		if got := p.Each(tt.n, on(tt.day)); got != tt.want {
			t.Errorf("each of %d on the %d.: %s, want %s", tt.n, tt.day, got, tt.want)
		}
	}
}

func TestTheCheapestMix(t *testing.T) {
	pack := func(price money.Amount, breaks []Break, holds ...int) Choice {
		return Choice{&Pack{Price: price, Breaks: breaks}, holds}
	}
	for name, tt := range map[string]struct {
		need    []int
		choices []Choice
		want    []int
	}{
		"rounded up":                         {[]int{90}, []Choice{pack(400, nil, 60)}, []int{2}},
		"a small pack beside a large one":    {[]int{70}, []Choice{pack(400, nil, 60), pack(100, nil, 10)}, []int{1, 1}},
		"ten cost less than nine":            {[]int{90}, []Choice{pack(100, []Break{{10, 80}}, 10)}, []int{10}},
		"a break beyond what is needed":      {[]int{70}, []Choice{pack(100, []Break{{10, 65}}, 10)}, []int{10}},
		"a mixed set for several":            {[]int{10, 10, 10}, []Choice{pack(100, nil, 10, 0, 0), pack(100, nil, 0, 10, 0), pack(100, nil, 0, 0, 10), pack(250, nil, 10, 10, 10)}, []int{0, 0, 0, 1}},
		"a mixed set and the rest by itself": {[]int{30, 10}, []Choice{pack(100, nil, 10, 0), pack(150, nil, 0, 10), pack(180, nil, 10, 10)}, []int{2, 0, 1}},
		"the fewest of what costs the same":  {[]int{20}, []Choice{pack(100, nil, 10), pack(200, nil, 20)}, []int{0, 1}},
		"nothing to be had":                  {[]int{1, 1}, []Choice{pack(100, nil, 10, 0)}, nil},
		"nothing needed":                     {[]int{0}, []Choice{pack(100, nil, 10)}, []int{0}},
		"what is free":                       {[]int{25}, []Choice{pack(0, nil, 10)}, []int{3}},
	} {
		got := Cheapest(tt.need, tt.choices, day)
		if len(got) != len(tt.want) || (got == nil) != (tt.want == nil) {
			t.Errorf("%s: %v, want %v", name, got, tt.want)
			continue
		}
		for i := range got {
			if got[i] != tt.want[i] {
				t.Errorf("%s: %v, want %v", name, got, tt.want)
			}
		}
	}
}

// Every mix of small numbers costs no less than what is found.
func TestTheCheapestMixAgainstAllMixes(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 1))
	for range 400 {
		need := make([]int, 1+rng.IntN(3))
		for k := range need {
			need[k] = rng.IntN(40)
		}
		choices := make([]Choice, 1+rng.IntN(4))
		for i := range choices {
			p := &Pack{Price: money.Amount(rng.IntN(500))}
			if rng.IntN(2) == 0 {
				p.Breaks = []Break{{2 + rng.IntN(8), money.Amount(rng.IntN(400))}}
			}
			choices[i] = Choice{p, make([]int, len(need))}
			for k := range need {
				choices[i].Holds[k] = max(0, rng.IntN(30)-10)
			}
		}
		least, found := money.Amount(-1), Cheapest(need, choices, day)
		var all func(i int, left []int, cost money.Amount)
		all = func(i int, left []int, cost money.Amount) {
			done := true
			for _, n := range left {
				done = done && n <= 0
			}
			if done && (least < 0 || cost < least) {
				least = cost
			}
			if i == len(choices) {
				return
			}
			for n := 0; n <= 12; n++ {
				rest := make([]int, len(left))
				for k := range left {
					rest[k] = left[k] - n*choices[i].Holds[k]
				}
				all(i+1, rest, cost+money.Amount(n)*choices[i].Pack.Each(n, day))
			}
		}
		all(0, need, 0)
		cost := money.Amount(0)
		for i, n := range found {
			cost += money.Amount(n) * choices[i].Pack.Each(n, day)
			for k := range need {
				need[k] -= n * choices[i].Holds[k]
			}
		}
		if found == nil {
			if least >= 0 {
				t.Fatalf("%v of %+v: nothing, and %s would do", need, choices, least)
			}
			continue
		}
		for _, n := range need {
			if n > 0 {
				t.Fatalf("%v leaves %v", found, need)
			}
		}
		if least >= 0 && cost > least {
			t.Fatalf("%v of %+v costs %s, and %s would do", found, choices, cost, least)
		}
	}
}
