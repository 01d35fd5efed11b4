package buying_test

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"mala/desk"
	"mala/desk/buying"
	"mala/desk/testdesk"
	"mala/format"
)

func bought(t testing.TB, piece string, copies int, fromStock bool, from buying.Supplies) *buying.Buying {
	t.Helper()
	out, err := buying.Buy(testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+piece+".json")), copies, fromStock, from, format.House{})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// said writes what is bought in short.
func said(b *buying.Buying) string {
	var out []string
	for _, p := range b.Packs {
		out = append(out, fmt.Sprintf("%d %s %s %s", p.N, p.Sold, p.Material, p.Sum))
	}
	return strings.Join(out, ", ")
}

func need(t *testing.T, b *buying.Buying, id string) buying.BuyNeed {
	t.Helper()
	for _, n := range b.Needs {
		if n.Material == id {
			return n
		}
	}
	t.Fatalf("%s is not needed: %+v", id, b.Needs)
	return buying.BuyNeed{}
}

// Harbour Lights takes 90 pearls of 4 mm: a strand of 400 mm holds 102 of them, of 3.92 mm
// each as they are measured.
func TestWhatToBuyForAPiece(t *testing.T) {
	one := bought(t, "harbour-lights", 1, false, testdesk.Supplies(t))
	if got := need(t, one, "sea-pearl-4"); got.Count != 90 || got.Held != 102 || got.Left != 12 || got.Used != "5.65" {
		t.Errorf("%+v", got)
	}
	// 612.8 mm of wire from the spool of 9 m.
	if got := need(t, one, "wire-036-19"); got.Mm < 612.79 || got.Mm > 612.81 || got.HeldMm != 9000 || got.LeftMm < 8387.19 || got.LeftMm > 8387.21 || got.Used != "0.65" {
		t.Errorf("%+v", got)
	}
	// The chips are on sale, and 2 crimps come in the small bag.
	for _, want := range []string{"1 bag amber-chip 5.50", "1 strand sea-pearl-4 6.40", "1 bag crimp-18 0.72"} {
		if !strings.Contains(said(one), want) {
			t.Errorf("no %s in %s", want, said(one))
		}
	}
	later := testdesk.Supplies(t)
	later.Day = time.Date(2027, 1, 7, 0, 0, 0, 0, time.UTC)
	if got := said(bought(t, "harbour-lights", 1, false, later)); !strings.Contains(got, "1 bag amber-chip 6.60") {
		t.Errorf("after the sale: %s", got)
	}
	many := bought(t, "harbour-lights", 40, false, testdesk.Supplies(t))
	if got := need(t, many, "sea-pearl-4"); got.Count != 3600 || got.Held != 36*102 {
		t.Errorf("%+v", got)
	}
	// 40 cuts of 612.8 mm: 14 from each spool of 9 m, 48 from one of 30 m.
	if !strings.Contains(said(many), "1 spool wire-036-19 26.00") || !strings.Contains(said(many), "36 strand sea-pearl-4 202.68") {
		t.Error(said(many))
	}
}

func TestStockIsUsedFirst(t *testing.T) {
	from := testdesk.Supplies(t)
	one := bought(t, "harbour-lights", 1, true, from)
	if got := need(t, one, "sea-pearl-4"); got.Stock != 90 || got.Held != 0 || got.Used != "0.00" {
		t.Errorf("%+v", got)
	}
	if len(one.Packs) != 0 || one.Bought != "0.00" {
		t.Errorf("there is enough of everything: %s", said(one))
	}
	// 240 pearls, and 1.5 m of wire for two cuts: the third is bought.
	three := bought(t, "harbour-lights", 3, true, from)
	if got := need(t, three, "sea-pearl-4"); got.Stock != 240 || got.Held != 102 || got.Left != 72 {
		t.Errorf("%+v", got)
	}
	if got := need(t, three, "wire-036-19"); got.Stock != 1226 || got.HeldMm != 9000 {
		t.Errorf("%+v", got)
	}
}

// Components are bought by what they are made of; letters in a set where that is cheaper.
func TestComponentsAndSets(t *testing.T) {
	if got := need(t, bought(t, "barnacle-row", 1, false, testdesk.Supplies(t)), "head-pin-50"); got.Count != 28 || got.Held != 30 {
		t.Errorf("%+v", got)
	}
	word := bought(t, "lamp-word", 1, false, testdesk.Supplies(t))
	if got := said(word); !strings.Contains(got, "1 set letter-l 4.20") || strings.Contains(got, "letter-a") {
		t.Error(got)
	}
	if got := need(t, word, "letter-m"); got.Held != 4 || got.Left != 3 || got.Used != "0.21" {
		t.Errorf("%+v", got)
	}
	bought, used := 0.0, 0.0
	for _, p := range word.Packs {
		bought += asFloat(t, p.Sum)
	}
	for _, n := range word.Needs {
		used += asFloat(t, n.Used)
	}
	if fmt.Sprintf("%.2f %.2f", bought, used) != word.Bought+" "+word.Used {
		t.Errorf("%v and %v in all, it says %s and %s", bought, used, word.Bought, word.Used)
	}
}

func asFloat(t *testing.T, text string) (v float64) {
	t.Helper()
	if _, err := fmt.Sscan(text, &v); err != nil {
		t.Fatal(err)
	}
	return v
}

func TestWhatIsNotToBeHad(t *testing.T) {
	from := testdesk.Supplies(t)
	for i := range from.Materials {
		switch m := &from.Materials[i]; m.ID {
		case "tide-stone-6":
			m.Packs = nil
		case "wire-036-19":
			m.Packs = m.Packs[:1]
			m.Packs[0].Holds.LengthMm = 612
		}
	}
	b := bought(t, "harbour-lights", 1, false, from)
	for _, id := range []string{"tide-stone-6", "wire-036-19"} {
		if got := need(t, b, id); !strings.Contains(got.Lacks, "No pack of it is known") || got.Used != "" {
			t.Errorf("%+v", got)
		}
	}
	if need(t, b, "sea-pearl-4").Lacks != "" {
		t.Error("pearls are to be had")
	}
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	for _, copies := range []int{0, -1, 10_001} {
		if _, err := buying.Buy(doc, copies, false, from, format.House{}); err == nil {
			t.Errorf("%d copies", copies)
		}
	}
}

func TestPacksThatCannotBe(t *testing.T) {
	for name, change := range map[string]func(p *format.Pack){
		"nothing in it":           func(p *format.Pack) { p.Holds = format.PackHolds{} },
		"a count and a weight":    func(p *format.Pack) { p.Holds.MassG = 3 },
		"less than nothing":       func(p *format.Pack) { p.Holds = format.PackHolds{Count: -3} },
		"no price":                func(p *format.Pack) { p.Price = "" },
		"a price in words":        func(p *format.Pack) { p.Price = "four" },
		"a break from one":        func(p *format.Pack) { p.Breaks = []format.PackBreak{{From: 1, Price: "3"}} },
		"breaks that fall":        func(p *format.Pack) { p.Breaks = []format.PackBreak{{From: 9, Price: "3"}, {From: 5, Price: "2"}} },
		"a sale that ends first":  func(p *format.Pack) { p.Sale = &format.PackSale{Price: "3", From: "2026-12-02", Until: "2026-12-01"} },
		"a day that is none":      func(p *format.Pack) { p.Sale = &format.PackSale{Price: "3", From: "2026-02-30", Until: "2026-12-01"} },
		"a set of itself":         func(p *format.Pack) { p.With = []format.PackWith{{Of: "sea-pearl-4", Count: 3}} },
		"a set of nothing":        func(p *format.Pack) { p.With = []format.PackWith{{Of: "tide-stone-6"}} },
		"sold in an unknown way":  func(p *format.Pack) { p.Sold = "crate" },
		"a supplier of two lines": func(p *format.Pack) { p.Supplier = "a\nb" },
		"more than a million":     func(p *format.Pack) { p.Holds.Count = 1_000_001 },
	} {
		m := testdesk.Supplies(t).Materials[0]
		m.Packs = []format.Pack{{Sold: "bag", Holds: format.PackHolds{Count: 50}, Price: "4,20", Breaks: []format.PackBreak{{From: 5, Price: "4"}}}}
		if _, faults := m.Material(""); faults != nil {
			t.Fatal(faults)
		}
		change(&m.Packs[0])
		if _, faults := m.Material("material"); len(faults) != 1 || !strings.HasPrefix(faults[0].Where, "material.packs[0]") || !strings.HasSuffix(faults[0].Says, ".") {
			t.Errorf("%s: %v", name, faults)
		}
	}
}

// Packs are the catalogue's: a piece that fetches a material does not carry them.
func TestPiecesDoNotCarryPacks(t *testing.T) {
	from := testdesk.Supplies(t)
	doc := testdesk.Read(t, testdesk.Example(t))
	edited, err := desk.Apply(doc, []desk.Operation{{Do: "set-dish", Material: "amber-chip"}}, desk.Options{Shelf: desk.NewShelf(from.Materials)})
	if err != nil {
		t.Fatal(err)
	}
	found := false
	for _, m := range edited.Document.Materials {
		found = found || m.ID == "amber-chip"
		if m.Packs != nil {
			t.Errorf("%s carries %+v", m.ID, m.Packs)
		}
	}
	if !found || from.Materials[0].Packs == nil {
		t.Errorf("amber chips fetched: %v; the catalogue's own packs: %+v", found, from.Materials[0].Packs)
	}
}
