package papers_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"mala/demo"
	"mala/papers"
)

// Every finding of the demo is drawn as large as it is, and within the row of the list that is
// made for it: a ring as wide as its inside with its wire twice.
func TestFindingsAreDrawnAsLargeAsTheyAre(t *testing.T) {
	seen := map[string]bool{}
	for _, name := range demo.Pieces() {
		doc, err := demo.Piece(name)
		if err != nil {
			t.Fatal(err)
		}
		for i := range doc.Materials {
			m := &doc.Materials[i]
			if m.Class != "finding" || seen[m.ID] || m.Type == "button" { // a button is drawn from its face
				continue
			}
			seen[m.ID] = true
			wide, high, row := papers.DrawnFinding(m)
			if high > row+0.7 {
				t.Errorf("%s: %.2f high in a row for %.2f", m.ID, high, row)
			}
			if want := float64(m.InsideMm + 2*m.WireMm); strings.HasSuffix(string(m.Type), "-ring") && m.Type != "spring-ring" && (math.Abs(wide-want) > 0.01 || math.Abs(high-want) > 0.01) {
				t.Errorf("%s: %.2f by %.2f, want %.2f", m.ID, wide, high, want)
			}
		}
	}
	for _, id := range []string{"ring-7", "ring-9", "lobster-10", "extender-12", "connector-4"} {
		if !seen[id] {
			t.Errorf("the demo has no %s", id)
		}
	}
}

// A heading stands on the page of what it is over, wherever the page before it ends.
func TestNoHeadingStandsAlone(t *testing.T) {
	for rows := range 9 {
		k := kitNamed(t, "Three evenings, the stack")
		k.Pieces = k.Pieces[:1]
		doc, err := demo.Piece("slipway.json")
		if err != nil {
			t.Fatal(err)
		}
		doc.Sections[0].Rows[0].Line = strings.TrimSpace(strings.Repeat("F P ", 9*rows+9))
		k.Pieces[0].Document = *doc
		pages, err := papers.TextsByPage(printed(t, k, order("instructions")))
		if err != nil {
			t.Fatal(err)
		}
		headings := 0
		for n, texts := range pages {
			for i, text := range texts {
				if !strings.Contains(text, "at true size, ") {
					continue
				}
				if headings++; i+1 == len(texts) || !strings.Contains(texts[i+1], " mm to ") {
					t.Errorf("%d runs: %q stands alone on page %d", 18*rows+18, text, n+1)
				}
			}
		}
		if headings != 5 {
			t.Errorf("%d rows have a heading", headings)
		}
	}
}

// The cord is drawn to where it is made fast, not on through rings and clasp: a crimp of 2 mm
// and a loop of 2 mm beyond both ends of Harbour Lights, beyond one of a cord folded round a
// ring, and nothing beyond the beads of a ring.
func TestTheCordEndsWhereItIsMadeFast(t *testing.T) {
	for name, beyond := range map[string]float64{"harbour-lights.json": 8, "twin-halyards.json": 4, "moored-twice.json": 0} {
		doc, a := analysed(t, name)
		svg, err := papers.DiagramOf(doc, a, 0)
		if err != nil {
			t.Fatal(err)
		}
		_, path, _ := strings.Cut(svg, "<path d=")
		var from, to, y float64
		if _, err := fmt.Sscanf(path, "\"M %f %f L %f", &from, &y, &to); err != nil {
			t.Fatalf("%s: %v of %.80s", name, err, path)
		}
		if want := float64(a.Strands[0].StrungMm+a.Strands[0].SlackMm) + beyond; math.Abs(to-from-want) > 0.01 {
			t.Errorf("%s: the cord is drawn %.2f mm long, want %.2f", name, to-from, want)
		}
	}
}
