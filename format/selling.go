package format

import (
	"fmt"
	"math"
	"slices"
	"unicode/utf8"

	"mala/core/kit"
	"mala/core/money"
	"mala/core/price"
)

// Selling is how the shop packs and prices its kits.
type Selling struct {
	Currency string         `json:"currency" maxLength:"8" doc:"The shop's one currency, as it is written behind amounts."`
	Spares   []SpareRule    `json:"spares" maxItems:"9"`
	Learner  bool           `json:"learner" doc:"Every cord is longer by a second working allowance."`
	Extras   []Extra        `json:"extras" maxItems:"24" doc:"What goes into every kit: a needle, the card, the bag."`
	PerHour  string         `json:"perHour" maxLength:"12" doc:"What an hour of work costs."`
	Seconds  map[string]int `json:"seconds" doc:"What each kind of work takes."`
	Overhead float64        `json:"overhead" doc:"Per cent on all costs."`
	Way      string         `json:"way" enum:"margin,mark-up"`
	Keeps    float64        `json:"keeps" doc:"Per cent of the price, or added to the cost."`
	Tax      float64        `json:"tax" doc:"Per cent; shown apart, none if 0."`
	Step     string         `json:"step" maxLength:"12" doc:"Prices are whole numbers of it,"`
	Less     string         `json:"less" maxLength:"12" doc:"less so much."`
}

// SpareRule is how many spares go with a class: this many, or a share rounded up, whichever
// is more; of cords the share alone.
type SpareRule struct {
	Class   string  `json:"class" enum:"seed,bead,focal,component,crimp,ring,extender,finding,cord"`
	Least   int     `json:"least"`
	Percent float64 `json:"percent"`
}

// Extra is a thing that goes into every kit.
type Extra struct {
	Name  string `json:"name" maxLength:"60"`
	Count int    `json:"count"`
	Cost  string `json:"cost" maxLength:"12" doc:"Of one."`
}

// DefaultSelling is what a shop starts from.
func DefaultSelling() Selling {
	out := Selling{Currency: "", Learner: true, PerHour: "18.00", Overhead: 15, Way: string(price.Margin), Keeps: 45, Step: "0.50", Less: "0.00",
		Extras:  []Extra{{"Bag and card", 1, "0.35"}, {"Instructions", 1, "0.20"}},
		Seconds: map[string]int{"count": 40, "cut": 25, "make": 120, "string": 4, "crimp": 60, "knot": 45, "open": 30, "pack": 30}}
	for _, r := range kit.DefaultRules() {
		out.Spares = append(out.Spares, SpareRule{string(r.Class), r.Least, float64(r.Hundredth) / 100})
	}
	return out
}

// Complete adds the usual rules of classes that were not there yet when it was saved.
func (s *Selling) Complete() {
	usual := DefaultSelling()
	for i, r := range usual.Spares {
		if !slices.ContainsFunc(s.Spares, func(o SpareRule) bool { return o.Class == r.Class }) {
			s.Spares = slices.Insert(s.Spares, min(i, len(s.Spares)), r)
		}
	}
}

// The limits of selling.
const (
	mostPercent = 1000.0
	mostSeconds = 36_000
	mostSpare   = 1000
)

// Rules are the rules of spares.
func (s *Selling) Rules() []kit.Rule {
	var out []kit.Rule
	for _, r := range s.Spares {
		out = append(out, kit.Rule{Class: kit.Class(r.Class), Least: r.Least, Hundredth: int(hundredths(r.Percent))})
	}
	return out
}

// Prices are the rules of prices. It has been checked.
func (s *Selling) Prices() price.Rules {
	return price.Rules{PerHour: amount(s.PerHour), Overhead: hundredths(s.Overhead), Way: price.Way(s.Way), Keeps: hundredths(s.Keeps),
		Tax: hundredths(s.Tax), Step: amount(s.Step), Less: amount(s.Less)}
}

func hundredths(percent float64) price.Percent { return price.Percent(math.Round(percent * 100)) }

func amount(text string) money.Amount {
	a, _ := money.Parse(text)
	return a
}

// Check says what cannot be, and writes lists out that are not there. The error is Faults.
func (s *Selling) Check() error {
	if s.Spares == nil {
		s.Spares = []SpareRule{}
	}
	if s.Extras == nil {
		s.Extras = []Extra{}
	}
	if s.Seconds == nil {
		s.Seconds = map[string]int{}
	}
	var faults Faults
	add := func(where, says string, args ...any) {
		faults = append(faults, Fault{Where: where, Says: fmt.Sprintf(says, args...)})
	}
	percent := func(where string, v float64) {
		if !(v >= 0 && v <= mostPercent) {
			add(where, "Use 0 to %v per cent.", mostPercent)
		}
	}
	sum := func(where, text string) {
		if _, err := money.Parse(text); err != nil {
			add(where, "%s", err.Error())
		}
	}
	if utf8.RuneCountInString(s.Currency) > 8 {
		add("currency", "Write the currency in at most 8 characters.")
	}
	for i, r := range s.Spares {
		at := fmt.Sprintf("spares[%d]", i)
		if !slices.Contains(kit.Classes(), kit.Class(r.Class)) || slices.ContainsFunc(s.Spares[:i], func(o SpareRule) bool { return o.Class == r.Class }) {
			add(at+".class", "%q is no class of spares, or there twice.", r.Class)
		}
		if r.Least < 0 || r.Least > mostSpare {
			add(at+".least", "Use 0 to %d spares.", mostSpare)
		}
		percent(at+".percent", r.Percent)
	}
	if len(s.Extras) > mostBags {
		add("extras", "At most %d things go into every kit.", mostBags)
	}
	for i, e := range s.Extras {
		at := fmt.Sprintf("extras[%d]", i)
		if checkName(e.Name) != "" || utf8.RuneCountInString(e.Name) > longestWord || e.Count < 1 || e.Count > mostQuantity {
			add(at, "What goes into every kit has a name of at most %d characters and a number from 1 to %d.", longestWord, mostQuantity)
		}
		sum(at+".cost", e.Cost)
	}
	for work, n := range s.Seconds {
		if !slices.Contains(kit.Works(), kit.Work(work)) || n < 0 || n > mostSeconds {
			add("seconds."+work, "Work takes 0 to %d seconds.", mostSeconds)
		}
	}
	if s.Way != string(price.Margin) && s.Way != string(price.MarkUp) {
		add("way", "Choose margin or mark-up.")
	}
	percent("overhead", s.Overhead)
	percent("keeps", s.Keeps)
	percent("tax", s.Tax)
	sum("perHour", s.PerHour)
	sum("step", s.Step)
	sum("less", s.Less)
	if faults == nil {
		if rules := s.Prices(); rules.Check() != nil {
			add("keeps", "%s", rules.Check().Error())
		}
	}
	if faults != nil {
		return faults
	}
	return nil
}
