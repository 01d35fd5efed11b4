package en

import (
	"fmt"

	"mala/core/check"
	"mala/core/length"
)

// ofStock says what there is not enough of.
func (p Speaker) ofStock(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.Lack:
		title = "Too few in stock"
		if f.Long > 0 {
			title = "Too little in stock"
		}
		needs, has, short := p.stocked(&f)
		return title, fmt.Sprintf("%s: %s needed, %s in stock, %s short.", f.Of.Name, needs, has, short)
	}
	return "", ""
}

// Short says of each thing that a piece takes too much of how much there is too little.
func (p Speaker) Short(lacks []check.Lack) []string {
	var out []string
	for i := range lacks {
		_, _, short := p.stocked(&lacks[i])
		out = append(out, fmt.Sprintf("%s of %s more than in stock", short, lower(lacks[i].Of.Name)))
	}
	return out
}

func (p Speaker) stocked(l *check.Lack) (needs, has, short string) {
	if l.Long > 0 {
		return p.in(l.Long), p.in(length.MM(l.Has)), p.in(length.MM(l.Short()))
	}
	return fmt.Sprint(l.Count), fmt.Sprint(l.Has), fmt.Sprint(l.Short())
}
