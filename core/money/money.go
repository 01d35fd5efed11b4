// Package money holds amounts of the shop's one currency, exact to its hundredth.
package money

import (
	"errors"
	"fmt"
	"math/big"
	"strings"
)

// Amount is a number of hundredths.
type Amount int64

// Most is the largest amount that is read: ten million.
const Most Amount = 1_000_000_000

var errNoAmount = errors.New("That is no amount. Type one like 4, 4.20 or 4,20.")

// Parse reads an amount as people type it, with a point or a comma before at most two
// digits. The error is a sentence.
func Parse(text string) (Amount, error) {
	whole, part, cut := strings.Cut(strings.Replace(strings.TrimSpace(text), ",", ".", 1), ".")
	if whole == "" || cut && part == "" || len(whole) > 8 || len(part) > 2 {
		return 0, errNoAmount
	}
	var out Amount
	for _, r := range whole + (part + "00")[:2] {
		if r < '0' || r > '9' {
			return 0, errNoAmount
		}
		out = out*10 + Amount(r-'0')
	}
	if out > Most {
		return 0, fmt.Errorf("%s is too much. The most is %s.", strings.TrimSpace(text), Most)
	}
	return out, nil
}

// String writes the amount with two digits behind the point.
func (a Amount) String() string {
	sign := ""
	if a < 0 {
		sign, a = "-", -a
	}
	return fmt.Sprintf("%s%d.%02d", sign, a/100, a%100)
}

// Share is the part n of all of the amount, to the nearest hundredth, a half upwards. Of
// nothing it is all of it. Neither n nor all is less than 0.
func (a Amount) Share(n, all int64) Amount {
	if all <= 0 {
		return a
	}
	twice := func(n int64) *big.Int { return new(big.Int).Mul(big.NewInt(2), big.NewInt(n)) }
	part := new(big.Int).Mul(big.NewInt(int64(a)), twice(n))
	return Amount(part.Add(part, big.NewInt(all)).Div(part, twice(all)).Int64())
}
