package kit

import (
	"slices"
	"strings"

	"mala/core/material"
)

// Bag is a bag that the designer wants, and the ids of what is packed into it.
type Bag struct {
	Name string
	Of   []string
}

// Packed is a bag as it is filled. Why is what it is for, where that is not plain.
type Packed struct {
	Name, Why string
	Items     []Item
}

// Item is what of a line lies in a bag.
type Item struct {
	Line  *Line
	Count int // what the maker counts
	Spare int
	Cuts  []Cut
}

// The names of the bags that fill themselves.
const (
	bagComponents = "Components"
	bagBeads      = "Beads"
	bagFindings   = "Findings and cord"
	bagRepair     = "For repairs"
)

// Pack puts every line of a bill into bags, in the order they are needed: what components
// are made of, the beads, findings and cords, and what is kept for repairs. A material that
// the designer named a bag for lies in that, whatever it is needed for; what the buyer has
// in none.
func (k *Kit) Pack(bill []*Line) []Packed {
	out := make([]Packed, 0, len(k.Bags)+4)
	for _, b := range k.Bags {
		out = append(out, Packed{Name: b.Name})
	}
	usual := []Packed{{Name: bagComponents}, {Name: bagBeads}, {Name: bagFindings}, {Name: bagRepair}}
	for _, l := range bill {
		if l.Own {
			continue
		}
		if i := slices.IndexFunc(k.Bags, func(b Bag) bool { return slices.Contains(b.Of, l.Of.ID) }); i >= 0 {
			out[i].Items = append(out[i].Items, Item{l, l.Count, l.Spare, l.Cuts})
			continue
		}
		made, strung := l.split()
		to := 1
		if l.Of.Class != material.ClassBead && l.Of.Class != material.ClassComponent {
			to = 2
		}
		switch {
		case repairs[l.Class] != "":
			usual[3].add(Item{Line: l, Spare: l.Spare})
		case strung.Count > 0:
			strung.Spare = l.Spare
		default:
			made.Spare = l.Spare
		}
		usual[0].add(made)
		usual[to].add(strung)
	}
	usual[3].Why = whyRepair(usual[3].Items)
	// A kit's own bags of beads come between what is made first and what ends the strands.
	all := slices.Concat(usual[:1], out, usual[1:])
	return slices.DeleteFunc(all, func(p Packed) bool { return len(p.Items) == 0 })
}

// repairs are the classes whose spares are kept for repairs, and what each is for.
var repairs = map[Class]string{ClassRing: "a ring that bends open", ClassCrimp: "a crimp that was pressed badly", ClassExtender: "a link of the extender that gives way"}

// whyRepair says what the bag for repairs is kept for.
func whyRepair(items []Item) string {
	var out []string
	for _, c := range []Class{ClassRing, ClassCrimp, ClassExtender} {
		if slices.ContainsFunc(items, func(i Item) bool { return i.Line.Class == c }) {
			out = append(out, repairs[c])
		}
	}
	if len(out) == 0 {
		return ""
	}
	last := len(out) - 1
	says := out[last]
	if last > 0 {
		says = strings.Join(out[:last], ", ") + " or " + says
	}
	says = "Keep it: " + says + " is replaced from it."
	if out[last] == repairs[ClassExtender] {
		says += " Hung in the last link, the spare one makes the piece longer."
	}
	return says
}

// split is what of a line components take, and the rest.
func (l *Line) split() (made, strung Item) {
	made, strung = Item{Line: l, Count: l.For}, Item{Line: l, Count: l.Count - l.For}
	for _, c := range l.Cuts {
		if c.Made {
			made.Cuts = append(made.Cuts, c)
		} else {
			strung.Cuts = append(strung.Cuts, c)
		}
	}
	return made, strung
}

func (p *Packed) add(i Item) {
	if i.Count > 0 || i.Spare > 0 {
		p.Items = append(p.Items, i)
	}
}
