package papers

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"mala/desk/kits"
	"mala/words"
	"mala/words/en"
)

// packing is for the packer: bag by bag, to be ticked, readable at arm's length.
func (p *paper) packing() {
	p.head()
	if p.order.Copies > 1 {
		p.text(en.ForKits(p.order.Copies))
	}
	for _, bag := range p.bill.Bags {
		p.heading(en.Bag(bag.Name))
		if bag.Why != "" {
			p.text(bag.Why)
		}
		columns := []column{{title: "", mm: 8}, {title: "", mm: 9, bold: true, big: true}, {title: en.Says(words.TrueSize), mm: p.pictureWide()}, {title: en.Says(words.What)}, {title: en.Says(words.Count), mm: 28, right: true, bold: true, big: true}, {title: en.Says(words.Spare), mm: 14, right: true}}
		if p.order.Copies > 1 {
			columns = append(columns, column{title: en.For(p.order.Copies), mm: 20, right: true})
		}
		if p.places() {
			columns = append(columns, column{title: en.Says(words.PlaceOf), mm: 20})
		}
		var rows [][]cell
		for _, item := range bag.Items {
			rows = append(rows, p.packed(item))
		}
		p.table(columns, rows)
	}
	p.beside()
	p.own()
}

// places says whether the shop has named where things lie.
func (p *paper) places() bool {
	return slices.ContainsFunc(p.bill.Lines, func(l kits.BillLine) bool { return p.placeOf(l.Material) != "" })
}

func (p *paper) packed(item kits.BagItem) []cell {
	l := &p.bill.Lines[item.Line]
	count, all := number(item.Count), allOf(l, item, p.order.Copies)
	what := l.Name
	if len(item.Cuts) > 0 {
		var cuts []string
		count, all = "", ""
		for _, c := range item.Cuts {
			cuts = append(cuts, en.In(p.unit).CutOfRow(c.N, c.Mm, 0))
		}
		count = strings.Join(cuts, "\n")
		if l.Class != "cord" {
			what += "\n" + en.LinksOfBeads(number(item.Count))
		}
	}
	if m := item.Measured; m != nil {
		what += "\n" + p.measured(m)
	}
	row := []cell{p.tick(), says(lettersOf(l)), p.pictureIn(l, item), says(what), {text: count, low: len(item.Cuts) > 0}, says(spare(l, item.Spare))}
	if p.order.Copies > 1 {
		row = append(row, says(all))
	}
	if p.places() {
		row = append(row, says(p.placeOf(l.Material)))
	}
	return row
}

func (p *paper) measured(m *kits.ByMeasure) string {
	return en.In(p.unit).ByMeasure(m.MassG, m.LeastG, m.MostG, m.TubeMm)
}

func number(n int) string {
	if n == 0 {
		return ""
	}
	return strconv.Itoa(n)
}

// spare is how many spares there are: of an extender links.
func spare(l *kits.BillLine, n int) string {
	switch {
	case n == 0:
		return ""
	case l.Class == "extender":
		return "+ " + en.Plural(n, "link")
	}
	return fmt.Sprintf("+ %d", n)
}

// allOf is how many of an item all kits take.
func allOf(l *kits.BillLine, item kits.BagItem, copies int) string {
	if l.Class != "extender" || item.Spare == 0 {
		return number((item.Count + item.Spare) * copies)
	}
	return strings.TrimPrefix(number(item.Count*copies)+" + "+en.Plural(item.Spare*copies, "link"), " + ")
}

func lettersOf(l *kits.BillLine) string {
	var out []string
	for _, letter := range l.Letters {
		if letter != "" && !slices.Contains(out, letter) {
			out = append(out, letter)
		}
	}
	return strings.Join(out, " ")
}

// pictureWide is how wide the column of pictures is: pins are long.
func (p *paper) pictureWide() float64 {
	wide := 26.0
	for i := range p.bill.Lines {
		if m := p.materialOf(p.bill.Lines[i].Material); m.Type == "head-pin" || m.Type == "eye-pin" {
			wide = max(wide, min(float64(m.LengthMm)+6, 60))
		}
	}
	return wide
}

// beside lists what goes into the kit beside its bags.
func (p *paper) beside() {
	var rows [][]cell
	for _, e := range p.bill.Extras {
		rows = append(rows, []cell{p.tick(), says(e.Name), says(number(e.Count))})
	}
	for _, t := range p.bill.Tools {
		if t.InKit {
			rows = append(rows, []cell{p.tick(), says(t.Name), says("1")})
		}
	}
	if len(rows) == 0 {
		return
	}
	p.heading(en.Says(words.BesideBags))
	p.table([]column{{mm: 8}, {title: en.Says(words.What)}, {title: en.Says(words.Count), mm: 24, right: true, bold: true, big: true}}, rows)
}

// own lists what the buyer has.
func (p *paper) own() {
	var rows [][]cell
	for i := range p.bill.Lines {
		l := &p.bill.Lines[i]
		if !l.Own {
			continue
		}
		count := number(l.Count)
		if len(l.Cuts) > 0 {
			count = l.TotalMm.In(p.unit)
		}
		rows = append(rows, []cell{says(lettersOf(l)), p.picture(l), says(l.Name), says(count)})
	}
	if len(rows) == 0 {
		return
	}
	p.heading(en.Says(words.BuyersOwn))
	p.table([]column{{mm: 12, bold: true}, {title: en.Says(words.TrueSize), mm: p.pictureWide()}, {title: en.Says(words.What)}, {title: en.Says(words.Count), mm: 30, right: true, bold: true}}, rows)
}

// materials is for the buyer: all that is in the kit.
func (p *paper) materials() {
	p.head()
	p.heading(en.Says(words.InThisKit))
	var rows [][]cell
	for i := range p.bill.Lines {
		l := &p.bill.Lines[i]
		if l.Own {
			continue
		}
		count := number(l.Count)
		if len(l.Cuts) > 0 {
			var cuts []string
			for _, c := range l.Cuts {
				row := 0
				if len(p.each[p.at(c.Piece)].analysis.Strands) > 1 {
					row = c.Row
				}
				cuts = append(cuts, en.In(p.unit).CutOfRow(c.N, c.Mm, row))
			}
			count = strings.Join(cuts, "\n")
		}
		rows = append(rows, []cell{says(lettersOf(l)), p.picture(l), says(l.Name), says(count), says(spare(l, l.Spare))})
	}
	p.table([]column{{mm: 12, bold: true}, {title: en.Says(words.TrueSize), mm: p.pictureWide()}, {title: en.Says(words.What)}, {title: en.Says(words.Count), mm: 40, right: true, bold: true}, {title: en.Says(words.Spare), mm: 18, right: true}}, rows)
	p.beside()
	p.own()
	p.tools()
}

// at is which of the pieces printed a piece of the kit is.
func (p *paper) at(piece int) int { return min(piece, len(p.each)-1) }

// tools lists them, those of the kit and the buyer's own.
func (p *paper) tools() {
	p.heading(en.Says(words.Tools))
	var rows [][]cell
	for _, t := range p.bill.Tools {
		where := en.Says(words.YourOwn)
		if t.InKit {
			where = en.Says(words.InTheKit)
		}
		if t.Optional {
			where += ", " + en.Says(words.Optional)
		}
		rows = append(rows, []cell{says(t.Name), says(t.For), says(where)})
	}
	p.table([]column{{mm: 52, bold: true}, {title: ""}, {mm: 36, right: true}}, rows)
}
