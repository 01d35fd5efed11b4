package check

import (
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

func inStock(m *measure.Measured, stock Stock) []string {
	var out []string
	for _, f := range AllOf(m, stock) {
		if f.Code == "shelf-short" {
			out = append(out, titled(&f)+": "+spoken(&f))
		}
	}
	return out
}

// One bead fewer in stock than the strand takes is found, with the number, exactly enough is not; what a
// stock does not name, and a shop that counts nothing, is left alone.
func TestWhatIsShortOfStockIsTold(t *testing.T) {
	m := measuredPiece(t, necklace(t, "20P 3G"))
	cord := m.Leading().Row.Cord.ID
	cut := int(m.Leading().CutLength()) + 1
	for _, tt := range []struct {
		stock Stock
		want  string
	}{
		{Stock{"pearl": 19}, "Too few in stock: pearl: 20 needed, 19 in stock, 1 short."},
		{Stock{"pearl": 20}, ""},
		{Stock{"pearl": 0, "glass": 0}, ""}, // counted nowhere
		{Stock{"pearl": 0, "lantern": 8}, "Too few in stock: pearl: 20 needed, 0 in stock, 20 short."},
		{Stock{"pearl": 20, cord: cut}, ""},
		{Stock{"pearl": 20, cord: cut - 2}, "Too little in stock: "},
		{Stock{"pearl": 20, cord: 0}, ""}, // of no cord a length is noted
		{nil, ""},
	} {
		got := strings.Join(inStock(m, tt.stock), "; ")
		if got != tt.want && (tt.want == "" || !strings.HasPrefix(got, tt.want)) {
			t.Errorf("%v: %q, want %q", tt.stock, got, tt.want)
		}
	}
	if f := AllOf(m, Stock{"pearl": 19}); of(f, "shelf-short").Column != 1 {
		t.Error("the finding does not say where the pearls are")
	}
}

// Made-up components are used first, then parts; what a piece has of a bead a search may leave as it is.
func TestEnoughOfComponentsAndOfWhatIsThere(t *testing.T) {
	p := necklace(t, "9P V 9P")
	p.Palette["V"].Component = &material.Component{Parts: []material.PartCount{{Of: p.Palette["G"], Count: 2}}}
	m := measuredPiece(t, p)
	v, g := p.Palette["V"].ID, p.Palette["G"].ID
	for _, tt := range []struct {
		stock  Stock
		before *measure.Measured
		enough bool
	}{
		{Stock{"pearl": 18, v: 1}, nil, true},
		{Stock{"pearl": 18, g: 2}, nil, true},
		{Stock{"pearl": 18, g: 1}, nil, false},
		{Stock{"pearl": 17, v: 1}, nil, false},
		{Stock{"pearl": 17, v: 1}, m, true},
		{Stock{"pearl": 17, v: 1}, measuredPiece(t, necklace(t, "9P")), false},
	} {
		if tt.stock.Enough(m, tt.before) != tt.enough {
			t.Errorf("%v: enough is %v", tt.stock, !tt.enough)
		}
	}
}

// A chain of which a length is noted is held against it, also where all of it is taken elsewhere.
func TestAChainIsHeldAgainstItsLength(t *testing.T) {
	p := necklace(t, "20P")
	links := finding("links", "brass", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"})
	p.Closure.Right = []piece.Fitting{{ID: "c", Of: links, Links: 10}}
	m := measuredPiece(t, p)
	long := 0
	for _, u := range (Stock{}).Uses(m) {
		if u.Of.ID == links.ID {
			long = u.Takes()
		}
	}
	for noted, enough := range map[int]bool{long: true, long - 1: false, 0: true, -1: false} {
		if (Stock{"pearl": 20, links.ID: noted}).Enough(m, nil) != enough {
			t.Errorf("%d mm of %d: enough is %v", noted, long, !enough)
		}
	}
}

// A fix takes what is in stock; where none of that fits, the nearest to be bought, and says so.
func TestAFixTakesWhatIsInStock(t *testing.T) {
	crimp := func(id string, inside float64) *material.Material {
		return finding(id, "brass", material.Finding{Type: material.CrimpTube, Inside: mmOf(inside), Outside: 2, Length: 2})
	}
	near, far := crimp("near crimp", 0.9), crimp("far crimp", 1.4)
	for name, tt := range map[string]struct {
		stock Stock
		says  string
	}{
		"nothing is counted":  {nil, "Use near crimp instead"},
		"the near one is out": {Stock{"near crimp": 0, "far crimp": 20}, "Use far crimp instead"},
		"both are out":        {Stock{"near crimp": 0, "far crimp": 0, "pearl": 9}, "Use near crimp instead, to be bought"},
	} {
		m := measuredPiece(t, necklace(t, "20P", leftEnd(tinyCrimp)))
		found := All(m)
		fix := FixOf(t.Context(), m, found, of(found, "crimp-misfit"), Shelf{Materials: []*material.Material{far, near}, Stock: tt.stock})
		if fix == nil || spoken(fix) != tt.says {
			t.Errorf("%s: %+v", name, fix)
		}
	}
	alone := measuredPiece(t, necklace(t, "20P", leftEnd(tinyCrimp)))
	if says := spoken(of(All(alone), "crimp-misfit")); !strings.HasSuffix(says, "One of 0.76 mm to 1.52 mm grips.") {
		t.Error(says)
	}
}

// Of two materials short in one row one is accepted alone, and counted again alone.
func TestOneShortageIsAcceptedAlone(t *testing.T) {
	p := necklace(t, "20P 3G")
	stock := Stock{"pearl": 19, p.Palette["G"].ID: 1}
	open := func() string {
		var out []string
		for _, f := range AllOf(measuredPiece(t, p), stock) {
			if f.Code == "shelf-short" && f.Waived == "" {
				out = append(out, f.About())
			}
		}
		return strings.Join(out, " ")
	}
	both := open()
	if both != "pearl "+p.Palette["G"].ID {
		t.Fatalf("short: %q", both)
	}
	row := p.Leading().At()
	for _, step := range []struct {
		op   edit.Op
		want string
	}{
		{edit.Waive{Code: "shelf-short", At: row, Of: p.Palette["P"], Reason: "on its way"}, p.Palette["G"].ID},
		{edit.Waive{Code: "shelf-short", At: row, Of: p.Palette["G"], Reason: "lent out"}, ""},
		{edit.Unwaive{Code: "shelf-short", At: row, Of: p.Palette["P"]}, "pearl"},
		{edit.Unwaive{Code: "shelf-short", At: row}, both},
		{edit.Waive{Code: "shelf-short", At: row, Reason: "all of it is on its way"}, ""},
	} {
		after, _, err := edit.Apply(p, nil, step.op)
		if err != nil {
			t.Fatal(err)
		}
		if p = after; open() != step.want {
			t.Errorf("after %+v: %q, want %q", step.op, open(), step.want)
		}
	}
}
