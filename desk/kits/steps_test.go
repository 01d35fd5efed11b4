package kits_test

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"mala/core/length"
	"mala/demo"
	"mala/desk"
	"mala/desk/kits"
	"mala/format"
)

var (
	cutInSteps   = regexp.MustCompile(`(?:cut to|Cut \d+ pieces of .*,|[Cc]ut) ([0-9.]+ mm)`)
	linksInSteps = regexp.MustCompile(`ount off (\d+) links of (.+), ([0-9.]+ mm), and`)
	madeInSteps  = regexp.MustCompile(`Make (.+?)(?: \(the first of (\d+)\))?: `)
)

// cells are all that a kit is sold in.
func cells(t *testing.T, k *format.Kit, from kits.Packing) []kits.CellOf {
	t.Helper()
	m, err := kits.KitMatrixOf(t.Context(), k, 1, from, desk.Options{Unit: length.InMillimetres})
	if err != nil {
		t.Fatal(err)
	}
	var out []kits.CellOf
	for _, c := range m.Cells {
		out = append(out, c.CellOf)
	}
	return out
}

// In every kit of the shop, as it is and packed for a learner, in every size and colourway: what
// the steps cut lies cut in the bag at that length, links that they count off are in it, what comes
// made is not made again, and nothing else is asked of the maker's tools than the steps use.
func TestTheStepsOfAKitAreTrueOfItsBag(t *testing.T) {
	kits, err := demo.Kits()
	if err != nil {
		t.Fatal(err)
	}
	cuts, made := 0, 0
	for _, k := range kits {
		for _, learner := range []bool{false, true} {
			from := packing(t)
			from.Selling.Learner = learner
			for _, cell := range cells(t, k, from) {
				b := billOf(t, k, cell, 1, from)
				for i := range b.Documents {
					c, m := holdsWhatItsStepsSay(t, k, b, i)
					cuts, made = cuts+c, made+m
				}
			}
		}
	}
	if cuts < 40 || made < 5 {
		t.Errorf("only %d cuts and %d components were looked at", cuts, made)
	}
}

func holdsWhatItsStepsSay(t *testing.T, k *format.Kit, b *kits.KitBill, i int) (cuts, made int) {
	t.Helper()
	doc := b.Documents[i].Document
	a, err := desk.Analyse(t.Context(), &doc, desk.Options{Unit: length.InMillimetres, Given: b.Given(i)})
	if err != nil {
		t.Fatal(err)
	}
	where := fmt.Sprintf("%s, %+v, piece %d", k.Name, b.CellOf, i+1)
	premade := map[string]bool{}
	for _, m := range doc.Materials {
		if slices.ContainsFunc(b.Lines, func(l kits.BillLine) bool { return l.Material == m.ID && l.Class == "component" }) {
			premade[strings.ToLower(m.Name)] = true
		}
	}
	for _, s := range a.Steps {
		if found := cutInSteps.FindStringSubmatch(s.Says); found != nil && !strings.Contains(s.Says, "from the spool") && !strings.Contains(s.Says, "strands of") && !strings.HasPrefix(s.Says, "Make") {
			cuts++
			if !slices.ContainsFunc(b.Lines, func(l kits.BillLine) bool {
				return slices.ContainsFunc(l.Cuts, func(c kits.KitCut) bool { return c.Mm.In(length.InMillimetres) == found[1] })
			}) {
				t.Errorf("%s: %q, and the bag holds no such length", where, s.Says)
			}
		}
		if found := linksInSteps.FindStringSubmatch(s.Says); found != nil {
			n, _ := strconv.Atoi(found[1])
			if !slices.ContainsFunc(b.Lines, func(l kits.BillLine) bool { return strings.EqualFold(l.Name, found[2]) && l.Count >= n }) {
				t.Errorf("%s: %q, and the bag holds no %d links", where, s.Says, n)
			}
		}
		if found := madeInSteps.FindStringSubmatch(s.Says); found != nil {
			made++
			if premade[strings.ToLower(found[1])] {
				t.Errorf("%s: %q, and it comes made", where, s.Says)
			}
		}
		if strings.Contains(s.Says, "its spool") || strings.Contains(s.Says, "Before you cut") {
			t.Errorf("%s: %q, and the cord in the bag is cut", where, s.Says)
		}
	}
	for _, tool := range a.Tools {
		if !slices.ContainsFunc(b.Tools, func(o kits.KitTool) bool { return o.Name == tool.Name }) {
			t.Errorf("%s: the steps use %s, and the kit does not say so", where, tool.Name)
		}
	}
	if len(b.Documents) == 1 && len(b.Tools) != len(a.Tools) {
		t.Errorf("%s: the kit names %d tools, its steps use %d", where, len(b.Tools), len(a.Tools))
	}
	return cuts, made
}
