package desk_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// told writes a piece down as someone might, from its analysis alone: a line a statement,
// with the figure of each that a slip of the pen may change.
type told struct {
	lines   []string // with one %s for the figure
	figures []int
	bought  []int // what may be said as well: with what components are made of
}

func (w *told) say(line string, figure, bought int) {
	w.lines, w.figures, w.bought = append(w.lines, line), append(w.figures, figure), append(w.bought, bought)
}

// text writes it with one figure changed by off; none for -1.
func (w *told) text(slip, off int) string {
	var b strings.Builder
	for i, line := range w.lines {
		n := w.figures[i]
		if i == slip {
			n += off
		}
		fmt.Fprintf(&b, line+"\n", strconv.Itoa(n))
	}
	return b.String()
}

// tell writes the piece down; alike are names that several of its materials have.
func tell(doc *format.Document, a *desk.Analysis, rng *rand.Rand) *told {
	w := &told{}
	named := map[string]string{}
	alike := map[string]int{}
	sized := map[string]string{}
	for _, m := range doc.Materials {
		named[m.ID] = m.Name
		alike[m.Name]++
		if m.Class == "bead" && m.Shape != "charm" && m.Shape != "seed" {
			sized[m.ID] = strconv.FormatFloat(float64(m.AcrossMm), 'f', -1, 64)
		}
	}
	bought, byRow := map[string]int{}, map[string][]int{}
	for _, c := range a.Bought {
		bought[c.Material], byRow[c.Material] = c.Count, c.ByStrand
	}
	pick := func(ways ...string) string { return ways[rng.IntN(len(ways))] }
	for _, c := range a.Tally {
		name := named[c.Material]
		if c.CutMm != nil || strings.Contains(name, "turn") || alike[name] > 1 && sized[c.Material] == "" {
			continue
		}
		if size := sized[c.Material]; size != "" && (alike[name] > 1 || rng.IntN(2) == 0) {
			way := pick("%s NAME, SIZE mm", "%s NAME SIZEmm", "NAME SIZE mm: %s", "%s x SIZE mm NAME", "NAME | SIZE mm | %s", "NAME (SIZE mm) x %s", "%s SIZE mm NAME", "SIZE-mm NAME .... %s")
			w.say(strings.NewReplacer("NAME", name, "SIZE", size).Replace(way), c.Count, bought[c.Material])
			continue
		}
		w.say(strings.ReplaceAll(pick("%s NAME", "NAME: %s", "NAME x %s", "- %s NAME", "NAME | | %s", "You need %s NAME"), "NAME", name), c.Count, bought[c.Material])
		for row, n := range c.ByStrand {
			if len(a.Strands) > 1 && n > 0 && rng.IntN(3) == 0 {
				w.say(strings.ReplaceAll(pick("Row ROW: %s NAME", "In row ROW there are %s NAME", "%s NAME in row ROW"), "ROW", strconv.Itoa(row+1)), n, append(byRow[c.Material], make([]int, row+1)...)[row])
				last := len(w.lines) - 1
				w.lines[last] = strings.ReplaceAll(w.lines[last], "NAME", name)
			}
		}
	}
	inches := a.FinishedMm / 25.4
	w.say(pick("Length %s mm", "Finished length: %s mm", "It measures %s mm", fmt.Sprintf("Finished %%s mm (%.1f in)", inches)), int(math.Round(float64(a.FinishedMm))), 0)
	w.say(pick("%s beads in all", "Total: %s beads", "%s beads altogether"), a.Beads, 0)
	return w
}

// Every demo piece, written down in several manners, agrees with itself; one figure more or
// less is found in its line, and no other line is said to differ.
func TestAPieceWrittenDownAgreesAndASlipIsFound(t *testing.T) {
	files, err := os.ReadDir("../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	rng := rand.New(rand.NewPCG(4, 8))
	for _, f := range files {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+f.Name()))
		a := testdesk.Analysed(t, doc, desk.Options{})
		for range 3 {
			w := tell(doc, a, rng)
			for slip := -1; slip < len(w.lines); slip++ {
				off := 1
				if slip >= 0 && w.figures[slip] > 1 && rng.IntN(2) == 0 {
					off = -1
				}
				if slip >= 0 && w.figures[slip]+off == w.bought[slip] {
					continue
				}
				if slip == len(w.lines)-2 {
					off *= 20 // beyond what any piece lets pass
				}
				text := w.text(slip, off)
				audit, err := desk.AuditText(doc, text, nil, format.House{})
				if err != nil {
					t.Fatalf("%s: %v", f.Name(), err)
				}
				found := false
				for _, s := range audit.Statements {
					if s.State == "asks" || s.State == "differs" && s.Line != slip+1 || s.State == "crosses" {
						t.Fatalf("%s, slip in line %d: line %d %s: %s %q\n%s", f.Name(), slip+1, s.Line, s.State, s.Why, s.Phrase, text)
					}
					found = found || s.State == "differs"
				}
				if slip >= 0 && !found {
					t.Fatalf("%s: the slip in line %d is not found\n%s", f.Name(), slip+1, text)
				}
			}
		}
	}
}

// The steps of every demo piece, string by string, agree with its runs, from either end; one
// bead more in a run is found in that run.
func TestStepsAreHeldRunByRun(t *testing.T) {
	files, err := os.ReadDir("../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	rng := rand.New(rand.NewPCG(9, 7))
	told := 0
	for _, f := range files {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+f.Name()))
		a := testdesk.Analysed(t, doc, desk.Options{})
		named, alike := map[string]string{}, map[string]int{}
		for _, m := range doc.Materials {
			named[m.ID] = m.Name
			alike[m.Name]++
		}
		for row, strand := range a.Strands {
			var runs []desk.RunOf
			plain := len(strand.Runs) > 0 && strand.Riders == nil && strand.Lace == nil
			for _, r := range strand.Runs {
				plain = plain && named[r.Material] != "" && alike[named[r.Material]] == 1
				if last := len(runs) - 1; last >= 0 && runs[last].Material == r.Material {
					runs[last].Count += r.Count
					continue
				}
				runs = append(runs, r)
			}
			if !plain {
				continue
			}
			told++
			if rng.IntN(2) == 0 {
				slices.Reverse(runs)
			}
			for slip := -1; slip < len(runs); slip += 1 + rng.IntN(8) {
				text, at := stepsOf(runs, named, slip, rng)
				if len(a.Strands) > 1 {
					text = strings.ReplaceAll("\n"+text, "\nString", fmt.Sprintf("\nRow %d: string", row+1))[1:]
				}
				audit, err := desk.AuditText(doc, text, nil, format.House{})
				if err != nil {
					t.Fatal(err)
				}
				var wrong []string
				for _, s := range audit.Statements {
					if s.State != "agrees" {
						wrong = append(wrong, text[s.From:s.To])
					}
				}
				if slip < 0 && len(wrong) > 0 || slip >= 0 && (len(wrong) != 1 || !strings.Contains(wrong[0], at)) {
					t.Fatalf("%s, row %d, %q is wrong: found %q in\n%s", f.Name(), row+1, at, wrong, text)
				}
			}
		}
	}
	if told < 30 {
		t.Errorf("%d rows are told", told)
	}
}

// stepsOf writes runs as steps, one of them with a bead more, and gives how that is written.
func stepsOf(runs []desk.RunOf, named map[string]string, slip int, rng *rand.Rand) (text, at string) {
	var b strings.Builder
	for i := 0; i < len(runs); {
		n := min(len(runs)-i, 1+rng.IntN(6))
		var parts []string
		for k, r := range runs[i : i+n] {
			count := r.Count
			if i+k == slip {
				count++
			}
			one := fmt.Sprintf("%d %s", count, named[r.Material])
			if i+k == slip {
				at = one
			}
			parts = append(parts, one)
		}
		last := parts[n-1]
		if n > 1 {
			last = strings.Join(parts[:n-1], ", ") + []string{" and ", ", then ", ", "}[rng.IntN(3)] + last
		}
		b.WriteString("String " + last + ".\n")
		i += n
	}
	return b.String(), at
}
