package kits_test

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/demo"
	"mala/desk"
	"mala/desk/buying"
	"mala/desk/kits"
	"mala/desk/testdesk"
	"mala/format"
)

func kitOf(t testing.TB, pieces ...string) *format.Kit {
	t.Helper()
	k := &format.Kit{Format: format.KitFormat, Name: "A kit"}
	for _, name := range pieces {
		k.Pieces = append(k.Pieces, format.KitPiece{Quantity: 1, Document: *testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+name+".json"))})
	}
	return k
}

func packing(t testing.TB) kits.Packing {
	return kits.Packing{Supplies: testdesk.Supplies(t), Selling: format.DefaultSelling()}
}

func billOf(t testing.TB, k *format.Kit, cell kits.CellOf, copies int, from kits.Packing) *kits.KitBill {
	t.Helper()
	b, err := kits.KitBillOf(t.Context(), k, cell, copies, from, desk.Options{Unit: length.InMillimetres})
	if err != nil {
		t.Fatal(err)
	}
	return b
}

func lineIn(t testing.TB, b *kits.KitBill, id string) kits.BillLine {
	t.Helper()
	for _, l := range b.Lines {
		if l.Material == id {
			return l
		}
	}
	t.Fatalf("%s is not in the bill", id)
	return kits.BillLine{}
}

// Every kit's bill is what an independent recount of its pieces gives; its bags hold all of it,
// once, and so much is bought.
func TestBillsAgreeWithARecount(t *testing.T) {
	from := packing(t)
	for i, name := range demo.Pieces() {
		name = strings.TrimSuffix(name, ".json")
		k := kitOf(t, name, []string{"tide-table", "last-ferry", "ferry-bell"}[i%3])
		k.Pieces[0].Quantity = 1 + i%3
		if err := k.Check(); err != nil {
			t.Fatal(err)
		}
		b := billOf(t, k, kits.CellOf{}, 7, from)
		count, mm := map[string]int{}, map[string]float64{}
		for _, p := range k.Pieces {
			a := testdesk.Analysed(t, &p.Document, desk.Options{})
			for _, c := range a.Bought {
				count[c.Material] += c.Count * p.Quantity
				if c.CutMm != nil {
					mm[c.Material] += float64(*c.CutMm) * float64(p.Quantity)
				}
			}
		}
		for _, l := range b.Lines {
			more := 0.0
			for _, c := range l.Cuts {
				more += float64(c.MoreMm) * float64(c.N)
			}
			if cord := l.Class == "cord"; !cord && l.Count != count[l.Material] {
				t.Errorf("%s: %d %s, want %d", name, l.Count, l.Material, count[l.Material])
			}
			if len(l.Cuts) > 0 && math.Abs(float64(l.TotalMm)-more-mm[l.Material]) > 0.01 {
				t.Errorf("%s: %v of %s, %v more, want %v", name, l.TotalMm, l.Material, more, mm[l.Material])
			}
			if l.Class == "cord" && more <= 0 && !strings.Contains(name, "spool") {
				hasRow := slices.ContainsFunc(l.Cuts, func(c kits.KitCut) bool { return c.Row > 0 })
				if hasRow && l.Material == "wire-036-19" {
					t.Errorf("%s: a learner gets no more of %s", name, l.Material)
				}
			}
			delete(count, l.Material)
		}
		if len(count) > 0 {
			t.Errorf("%s: not in the bill: %v", name, count)
		}
		packed := make([][2]int, len(b.Lines))
		cuts := make([]int, len(b.Lines))
		for _, bag := range b.Bags {
			for _, item := range bag.Items {
				packed[item.Line][0] += item.Count
				packed[item.Line][1] += item.Spare
				for _, c := range item.Cuts {
					cuts[item.Line] += c.N
				}
			}
		}
		for i, l := range b.Lines {
			n := 0
			for _, c := range l.Cuts {
				n += c.N
			}
			if packed[i] != [2]int{l.Count, l.Spare} || cuts[i] != n {
				t.Errorf("%s: bags hold %v and %d cuts of %s, want %d and %d, %d", name, packed[i], cuts[i], l.Material, l.Count, l.Spare, n)
			}
			need := b.Buying.Needs[slices.IndexFunc(b.Buying.Needs, func(n buying.BuyNeed) bool { return n.Material == l.Material })]
			want := 7 * (l.Count + l.Spare)
			if l.Class == "extender" { // seven spare links come out of one of twelve
				want = 7*l.Count + 1
			}
			if len(l.Cuts) == 0 && need.Count != want {
				t.Errorf("%s: %d of %s are bought for, want %d", name, need.Count, l.Material, want)
			}
			if want := 7 * float64(l.TotalMm); len(l.Cuts) > 0 && math.Abs(float64(need.Mm)-want) > 0.01 {
				t.Errorf("%s: %v of %s, want %v", name, need.Mm, l.Material, want)
			}
		}
	}
}

// What is the buyer's own is counted, but neither packed nor priced; what the shop makes is one
// thing; and a bag holds in every colourway what takes the place of what it names.
func TestOwnPremadeAndNamedBags(t *testing.T) {
	from := packing(t)
	k := kitOf(t, "last-ferry")
	plain := billOf(t, k, kits.CellOf{}, 10, from)
	if plain.Bags[0].Name != "Components" || lineIn(t, plain, "rain-drop").Count != 1 || lineIn(t, plain, "rain-drop").Class != "focal" || lineIn(t, plain, "rain-drop").Spare != 0 {
		t.Errorf("%+v", plain.Bags[0])
	}
	if repairs := plain.Bags[len(plain.Bags)-1]; repairs.Name != "For repairs" || repairs.Why == "" || len(repairs.Items) == 0 || repairs.Items[0].Count != 0 {
		t.Errorf("%+v", repairs)
	}
	k.Premade, k.Own = []string{"lantern-pendant"}, []string{"tide-stone-6"}
	k.Bags = []format.KitBag{{Name: "Pearls", Of: []string{"sea-pearl-4"}}}
	dusk := slices.Index(k.ColourwaysSold(), "Dusk")
	b := billOf(t, k, kits.CellOf{Colourway: dusk, Size: slices.Index(k.SizesSold(), "20 in")}, 10, from)
	if made := lineIn(t, b, "lantern-pendant"); made.Count != 1 || len(b.Bags) == 0 {
		t.Errorf("%+v", made)
	}
	if slices.ContainsFunc(b.Lines, func(l kits.BillLine) bool { return l.Material == "rain-drop" }) {
		t.Error("the parts of what the shop makes are in the kit too")
	}
	if b.Bags[0].Name != "Pearls" || len(b.Bags[0].Items) != 1 || b.Lines[b.Bags[0].Items[0].Line].Material != "dusk-pearl-4" || b.Bags[0].Items[0].Count != 114 {
		t.Errorf("%+v", b.Bags[0])
	}
	k.Own = []string{"sea-pearl-4"}
	if line := lineIn(t, billOf(t, k, kits.CellOf{Colourway: dusk}, 10, from), "dusk-pearl-4"); !line.Own {
		t.Errorf("in another colour it is not the buyer's own: %+v", line)
	}
	k.Premade = nil // its pearls would be the shop's
	own := billOf(t, k, kits.CellOf{}, 10, from)
	line := lineIn(t, own, "sea-pearl-4")
	if !line.Own || line.Count != 101 || line.Spare != 0 || slices.ContainsFunc(own.Buying.Needs, func(n buying.BuyNeed) bool { return n.Material == "sea-pearl-4" }) || slices.ContainsFunc(own.Price.Parts, func(p kits.KitShare) bool { return p.Material == "sea-pearl-4" }) {
		t.Errorf("%+v", line)
	}
}

func cents(t *testing.T, text string) int {
	t.Helper()
	var whole, part int
	if _, err := fmt.Sscanf(strings.TrimPrefix(text, "-"), "%d.%d", &whole, &part); err != nil {
		t.Fatal(text, err)
	}
	if n := whole*100 + part; !strings.HasPrefix(text, "-") {
		return n
	}
	return -whole*100 - part
}

func sum(t *testing.T, all ...string) (n int) {
	for _, text := range all {
		n += cents(t, text)
	}
	return n
}

// A matrix has every cell once, each with what its own piece comes to; a choice has them for each.
func TestMatrixOfAKit(t *testing.T) {
	from := packing(t)
	k := kitOf(t, "last-ferry")
	k.Sizes, k.Colourways = []string{"16 in", "18 in", "20 in"}, []string{"First light", "Dusk", "Bottle", "Ember"}
	m, err := kits.KitMatrixOf(t.Context(), k, 10, from, desk.Options{})
	if err != nil || len(m.Cells) != 12 || len(m.Documents) != 12 {
		t.Fatal(len(m.Cells), err)
	}
	for _, c := range m.Cells {
		a := testdesk.Analysed(t, &m.Documents[c.Pieces[0].Document], desk.Options{})
		b := billOf(t, k, c.CellOf, 10, from)
		if a.Beads != c.Beads || math.Abs(c.Pieces[0].FinishedMm-float64(a.FinishedMm)) > 1e-6 || b.Price.Gross != c.Price || b.Price.Cost != c.Cost || len(c.Wrong) > 0 {
			t.Errorf("%+v: %d beads, %v, %s", c, a.Beads, a.FinishedMm, b.Price.Gross)
		}
		short := from
		short.Stock = map[string]int{}
		for _, l := range b.Lines {
			short.Stock[l.Material] = 3 * max(l.Count+l.Spare, int(math.Ceil(float64(l.TotalMm))))
		}
		short.Stock["lobster-10"] = 2
		again, err := kits.KitMatrixOf(t.Context(), k, 10, short, desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range again.Cells {
			if s.CellOf == c.CellOf && (s.Makeable != 2 || s.RunsOut != "Lobster clasp") {
				t.Errorf("%d, then %s runs out", s.Makeable, s.RunsOut)
			}
		}
	}
	choice := kitOf(t, "harbour-lights", "first-tide")
	choice.Choice = true
	m, err = kits.KitMatrixOf(t.Context(), choice, 1, from, desk.Options{})
	if err != nil || len(m.Cells) != 2 || m.Options[1] != "First Tide" || len(m.Cells[1].Pieces) != 1 || m.Cells[1].Pieces[0].Piece != 1 {
		t.Fatalf("%+v, %v", m, err)
	}
}

func countIn(a *desk.Analysis, id string) int {
	for _, c := range a.Bought {
		if c.Material == id {
			return c.Count
		}
	}
	return 0
}

func TestKitsThatCannotBe(t *testing.T) {
	for name, tt := range map[string]struct {
		change func(k *format.Kit)
		want   string
	}{
		"no name":         {func(k *format.Kit) { k.Name = " " }, "name is needed"},
		"none of a piece": {func(k *format.Kit) { k.Pieces[0].Quantity = 0 }, "1 to 100 of a piece"},
		"an unknown size": {func(k *format.Kit) { k.Sizes = []string{"22 in"} }, `No piece of the kit has "22 in"`},
		"a size twice":    {func(k *format.Kit) { k.Sizes = []string{"16 in", "16 in"} }, "there twice"},
		"one in two bags": {func(k *format.Kit) {
			k.Bags = []format.KitBag{{Name: "a", Of: []string{"x"}}, {Name: "b", Of: []string{"x"}}}
		}, `in bag "a" already`},
		"a price in words": {func(k *format.Kit) { k.Price = "dear" }, "no amount"},
		"a bad piece":      {func(k *format.Kit) { k.Pieces[0].Document.Closure.Type = "glue" }, "Last Ferry: "},
		"of later":         {func(k *format.Kit) { k.Format = "mala-kit/9" }, "newer Mala"},
		"no kit":           {func(k *format.Kit) { k.Format = "mala-piece/2" }, "not a kit file"},
		"sold too much":    {func(k *format.Kit) { k.Pieces = slices.Repeat(k.Pieces, 12) }, "come to 240 finished ones"},
		"too many":         {func(k *format.Kit) { k.Pieces = slices.Repeat(k.Pieces, 13) }, "at most 12 pieces"},
	} {
		k := kitOf(t, "last-ferry")
		tt.change(k)
		if err := k.Check(); err == nil || !strings.Contains(err.Error(), tt.want) {
			t.Errorf("%s: %v", name, err)
		}
		if _, err := kits.KitBillOf(t.Context(), k, kits.CellOf{}, 1, packing(t), desk.Options{}); err == nil {
			t.Errorf("%s: it was packed", name)
		}
	}
	k := kitOf(t, "last-ferry")
	for _, cell := range []kits.CellOf{{Option: 1}, {Size: 4}, {Colourway: -1}} {
		if _, err := kits.KitBillOf(t.Context(), k, cell, 1, packing(t), desk.Options{}); err == nil || !strings.Contains(err.Error(), "not sold in that size") {
			t.Errorf("%+v: %v", cell, err)
		}
	}
	for _, n := range []int{0, 10_001} {
		if _, err := kits.KitMatrixOf(t.Context(), k, n, packing(t), desk.Options{}); err == nil {
			t.Errorf("%d at a time", n)
		}
	}
}

// A piece that goes on says what it was when a kit took it.
func TestHowAPieceHasGoneOn(t *testing.T) {
	was := testdesk.Read(t, testdesk.DemoFile(t, "pieces/last-ferry.json"))
	for _, tt := range []struct {
		change func(d *format.Document)
		want   string
	}{
		{func(*format.Document) {}, ""},
		{func(d *format.Document) { d.Notes = "other" }, ""},
		{func(d *format.Document) { d.Sections[0].Rows[0].Line = "<41P S T S 5P S T S 4P | L>" }, "4 runs changed"},
		{func(d *format.Document) { d.Sections[0].Rows[0].Line = "<43P S T S 5P S T S 3P | L>" }, "2 runs changed, 458.4 mm long, not 450.6 mm"},
		{func(d *format.Document) { d.Sizes = nil }, "other sizes"},
		{func(d *format.Document) { d.Sections[0].Rows[0].Line = "<42P" }, "its bead line has an error now"},
	} {
		now := testdesk.Read(t, testdesk.DemoFile(t, "pieces/last-ferry.json"))
		tt.change(now)
		if got := strings.Join(kits.DiffersFrom(was, now, length.InMillimetres), ", "); got != tt.want {
			t.Errorf("%q, want %q", got, tt.want)
		}
	}
	longer := testdesk.Read(t, testdesk.DemoFile(t, "pieces/last-ferry.json"))
	longer.Sections[0].Rows[0].Line = "<43P S T S 5P S T S 3P | L>"
	if got, want := strings.Join(kits.DiffersFrom(was, longer, length.InInches), ", "), "2 runs changed, 18 1/16 in long, not 17 3/4 in"; got != want {
		t.Errorf("%q, want %q", got, want)
	}
	older := kitOf(t, "last-ferry")
	older.Pieces[0].Document.Sections[0].Rows[0].Line = "<42P S 2T S 5P S T S 3P | L>"
	m, err := kits.KitMatrixOf(t.Context(), older, 1, packing(t), desk.Options{})
	if err != nil || m.Cells[0].Wrong != nil && strings.Contains(m.Cells[0].Wrong[0], "older pattern") || !slices.ContainsFunc(m.Cells[1].Wrong, func(s string) bool {
		return strings.Contains(s, "16 in was made of an older pattern: 1 item of it changed")
	}) {
		t.Errorf("%v, %+v", err, m.Cells[1].Wrong)
	}
}

func BenchmarkKitMatrix12Cells200Beads(b *testing.B) {
	k := kitOf(b, "last-ferry")
	d := &k.Pieces[0].Document
	for i := range d.Sizes {
		d.Sizes[i].Line = fmt.Sprintf("<%dP S T S 5P S T S 3P | L>", 86+i)
	}
	k.Sizes, k.Colourways = []string{"16 in", "18 in", "20 in"}, []string{"First light", "Dusk", "Bottle", "Ember"}
	from := packing(b)
	for b.Loop() {
		if _, err := kits.KitMatrixOf(b.Context(), k, 10, from, desk.Options{}); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkBillOf1000Kits(b *testing.B) {
	k, from := kitOf(b, "last-ferry", "three-moorings"), packing(b)
	for b.Loop() {
		if _, err := kits.KitBillOf(b.Context(), k, kits.CellOf{}, 1000, from, desk.Options{Unit: length.InMillimetres}); err != nil {
			b.Fatal(err)
		}
	}
}
