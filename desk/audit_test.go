package desk_test

import (
	"fmt"
	"math/rand/v2"
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"
	"unicode/utf16"

	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// writtenText is a text of testdata/written: planted contradictions stand in it as
// {{right|wrong}}.
type writtenText struct {
	name, text string
	piece      *format.Document
	answers    map[string]string
}

var planted = regexp.MustCompile(`(?s)\{\{(.*?)\|(.*?)\}\}`)

func writtenTexts(t testing.TB) []writtenText {
	t.Helper()
	files, err := os.ReadDir("testdata/written")
	if err != nil {
		t.Fatal(err)
	}
	var out []writtenText
	for _, f := range files {
		data, err := os.ReadFile("testdata/written/" + f.Name())
		if err != nil {
			t.Fatal(err)
		}
		head, text, _ := strings.Cut(string(data), "\n\n")
		one := writtenText{name: f.Name(), text: text, answers: map[string]string{}}
		for _, line := range strings.Split(head, "\n") {
			if piece, ok := strings.CutPrefix(line, "piece: "); ok {
				one.piece = testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+piece+".json"))
			} else if phrase, id, ok := strings.Cut(line, " means "); ok {
				one.answers[phrase] = id
			}
		}
		out = append(out, one)
	}
	return out
}

// with gives the text with the contradictions of these numbers, and where they are.
func (w *writtenText) with(wrong func(i int) bool) (text string, at [][2]int) {
	var b strings.Builder
	end := 0
	for i, m := range planted.FindAllStringSubmatchIndex(w.text, -1) {
		b.WriteString(w.text[end:m[0]])
		k := 2
		if wrong(i) {
			k = 4
		}
		from := b.Len()
		b.WriteString(w.text[m[k]:m[k+1]])
		if wrong(i) {
			at = append(at, [2]int{from, b.Len()})
		}
		end = m[1]
	}
	b.WriteString(w.text[end:])
	return b.String(), at
}

func isWrong(s desk.Statement) bool {
	return slices.Contains([]string{"differs", "crosses", "left-out"}, s.State)
}

func covers(places [][2]int, p [2]int) bool {
	return slices.ContainsFunc(places, func(at [2]int) bool { return at[0] < p[1] && at[1] > p[0] })
}

// Twenty texts with forty planted contradictions: each is found where it is, alone and
// with the other of its text, and nothing else is; in their clean twins nothing is.
func TestPlantedContradictionsAreFoundAndNothingElse(t *testing.T) {
	found := 0
	for _, w := range writtenTexts(t) {
		ways := []func(i int) bool{func(int) bool { return false }, func(i int) bool { return i == 0 }, func(i int) bool { return i == 1 }, func(int) bool { return true }}
		for _, way := range ways {
			text, at := w.with(way)
			audit, err := desk.AuditText(w.piece, text, w.answers, format.House{})
			if err != nil {
				t.Fatalf("%s: %v", w.name, err)
			}
			if len(audit.Questions) > 0 {
				t.Errorf("%s: asks %+v", w.name, audit.Questions)
			}
			left := slices.Clone(at)
			for _, s := range audit.Statements {
				if !isWrong(s) {
					continue
				}
				before := len(left)
				left = slices.DeleteFunc(left, func(p [2]int) bool {
					return s.State == "left-out" && p[0] == p[1] || covers(append(s.Also, [2]int{s.From, s.To}), p)
				})
				if len(left) == before {
					t.Errorf("%s, %d planted: false: line %d %q: %s %s", w.name, len(at), s.Line, text[s.From:s.To], s.State, s.Why)
				}
			}
			w.settles(t, text, audit)
			for _, p := range left {
				t.Errorf("%s: %q is not found", w.name, text[max(0, p[0]-20):min(len(text), p[1]+20)])
			}
			if len(at) == 2 {
				found += len(at) - len(left)
			}
		}
	}
	if found != 40 {
		t.Errorf("%d of 40 contradictions are found", found)
	}
}

// settles says where the corrected text, or the piece that has taken over a figure, still
// disagrees.
func (w *writtenText) settles(t *testing.T, text string, audit *desk.Audit) {
	t.Helper()
	again, err := desk.AuditText(w.piece, audit.Corrected, w.answers, format.House{})
	if err != nil {
		t.Fatal(err)
	}
	uncorrected := 0
	for _, s := range audit.Statements {
		if isWrong(s) && len(s.Edits) == 0 {
			uncorrected++
		}
		// A target is what the solver works to; the others are there at once.
		if s.Take == nil || s.Kind == "length" {
			continue
		}
		taken, err := desk.AuditText(testdesk.Apply(t, w.piece, s.Take...), text, w.answers, format.House{})
		if err != nil {
			t.Fatalf("%s: %v", w.name, err)
		}
		if !slices.ContainsFunc(taken.Statements, func(after desk.Statement) bool {
			return after.From == s.From && after.Kind == s.Kind && after.State == "agrees"
		}) {
			t.Errorf("%s: line %d is taken into the piece by %+v and still differs", w.name, s.Line, s.Take)
		}
	}
	for _, s := range again.Statements {
		if isWrong(s) && uncorrected == 0 {
			t.Errorf("%s: corrected, line %d still %s: %s", w.name, s.Line, s.State, s.Why)
		}
	}
}

// auditOf holds a text against a demo piece.
func auditOf(t testing.TB, piece, text string, answers map[string]string) *desk.Audit {
	t.Helper()
	audit, err := desk.AuditText(testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+piece+".json")), text, answers, format.House{})
	if err != nil {
		t.Fatal(err)
	}
	return audit
}

// Each line of the text, and how what it says stands: a + agrees, a - differs, ? asks, and
// = has nothing to compare; / is not understood.
func TestWhatIsReadAndHowItStands(t *testing.T) {
	signs := map[string]string{"agrees": "+", "differs": "-", "crosses": "x", "asks": "?", "nothing": "=", "left-out": "o"}
	for _, tt := range []struct{ piece, text, want string }{
		// counts, as people write them
		{"harbour-lights", "ninety 4mm sea pearls", "+"},
		{"harbour-lights", "Sea-pearl round, 4 mm: 90", "+"},
		{"harbour-lights", "90 x sea-pearl", "+"},
		{"harbour-lights", "sea pearls ........ 90", "+"},
		{"harbour-lights", "2 dozen pearls", "-"},
		{"harbour-lights", "a pair of caps and the enamel sail", "++"},
		{"harbour-lights", "90 S, 8 P", "--"},
		{"harbour-lights", "8 S, 90 P", "++"},
		{"harbour-lights", "a crimp and a ring at each end, 1 clasp", "+++"},
		{"harbour-lights", "2 crimps, one at each end", "+/"},
		{"harbour-lights", "45 pearls on each side", "+"},
		{"harbour-lights", "46 pearls on each side", "-"},
		{"harbour-lights", "90 sea pearls 6 mm", "-"},
		{"harbour-lights", "1,090 pearls", "-"},
		{"harbour-lights", "3 bails", "?"},
		{"harbour-lights", "109 beads in all", "+"},
		{"harbour-lights", "Bead total: 108", "-"},
		// lengths
		{"harbour-lights", "17 3/4\" long", "+"},
		{"harbour-lights", "Length 450 mm (17 3/4 in)", "+"},
		{"harbour-lights", "Length 450 mm (18 1/2 in)", "x"},
		{"harbour-lights", "Length 44,5 cm", "-"},
		{"harbour-lights", "17½ in necklace", "-"},
		{"harbour-lights", "Finished length 453 mm", "+"},
		{"harbour-lights", "Finished length 454.2 mm", "-"},
		// cord: the path is 492.8 mm, the house cuts 612.8
		{"harbour-lights", "Cut 49 cm of wire", "-"},
		{"harbour-lights", "Cut 493 mm of wire", "+"},
		{"harbour-lights", "Cut 492 mm of wire", "-"},
		{"harbour-lights", "wire 0.36 mm: 2 feet", "+"},
		{"harbour-lights", "half a metre of wire", "+"},
		{"harbour-lights", "1 spool of wire (10 m)", "+"},
		{"harbour-lights", "cut 2 pieces of wire 50 cm each", "-"},
		{"harbour-lights", "Wire: 55 cm in all. Cut 60 cm of wire.", "x+"},
		// packs
		{"harbour-lights", "2 strands of sea-pearls (45 each)", "+"},
		{"harbour-lights", "2 strands of sea-pearls, 44 each", "-"},
		{"harbour-lights", "1 strand of pearls", "="},
		{"harbour-lights", "1 strand of sea-pearls (40 cm)", "+"},
		{"harbour-lights", "1 strand of sea-pearls (35 cm)", "-"},
		// steps
		{"ferry-bell", "String 2 tide stones, 1 spacer, 1 rondelle. Repeat 10 more times.", "++++"},
		{"ferry-bell", "(2 tide stones, 1 spacer, 1 rondelle) x 11", "++++"},
		{"ferry-bell", "String 2 tide stones, 1 spacer. Repeat steps 1 to 3.", "=="},
		{"slack-tide", "String 6 steel rounds, a spacer, 3 steel rounds. Pass back through 3 rounds.", "=--/"},
		// rows
		{"crossed-lines", "two-strand necklace", "+"},
		{"crossed-lines", "3 rows", "-"},
		{"crossed-lines", "Row 1: 43 green rounds, 42 spacers", "++"},
		{"crossed-lines", "43 green rounds in the first row and 1 in the lower row", "+/"},
		{"crossed-lines", "Row 3: 43 green rounds", "-"},
		{"crossed-lines", "174 beads: row 1: 85, row 2: 88", "++-"},
		{"crossed-lines", "2 crimps on each row", "+"},
		{"crossed-lines", "rows of 431 and 436 mm", "+"},
		{"crossed-lines", "rows of 431 and 446 mm", "-"},
		{"crossed-lines", "each row 5 mm longer than the one before", "+"},
		{"crossed-lines", "each row 30 mm longer than the one before", "-"},
		{"crossed-lines", "cut a wire for each row, 60 cm", "+"},
		{"crossed-lines", "wire: 2 x 60 cm", "+"},
		{"crossed-lines", "Cut 1.2 m of wire", "+"},
		{"crossed-lines", "Cut 90 cm of wire", "-"},
		{"crossed-lines", "Cut 46 cm of wire for each row", "-"},
		{"slipway", "Rows 1 and 5: 43 rondelles each", "+"},
		{"slipway", "Rows 2 and 4: 40 tide stones", "+"},
		{"slipway", "Rows 2 and 3: 20 tide stones each", "-"},
		// components
		{"barnacle-row", "14 sea pearls", "+"},
		{"barnacle-row", "14 pearl coils, 14 sea-pearls, 28 head pins", "+++"},
		{"barnacle-row", "7 pearl coils", "-"},
		{"three-moorings", "60 cm of brass chain", "-"},
		{"three-moorings", "61 cm of brass chain", "+"},
		{"slack-tide", "String 6 steel rounds, a spacer, then as the picture shows", "==/"},
		{"tidewrack", "Row 4 is 33 mm longer than the one before", "+"},
		{"tidewrack", "Row 2 is 33 mm longer than the one before", "-"},
		{"tidewrack", "steps of 29 mm", "+"},
		{"tidewrack", "steps of 20 mm", "-"},
		{"tidewrack", "29 mm longer", "/"},
		{"tidewrack", "4 rows of 429, 456, 485 and 517 mm", "+"},
		{"tidewrack", "rows of 429, 456, 485 and 537 mm", "-"},
		{"crossed-lines", "Row 2:\n60 sea-pearls, 28 spacers\n\n174 beads in all", "+++"},
		{"slipway", "Cut 5 wires 36 cm long. 1.8 m in all.", "++"},
		{"slipway", "Cut 5 wires 36 cm long. 1.7 m in all.", "+x"},
		{"harbour-lights", "Cut 60 cm", "+"},
		{"harbour-lights", "Cut 45 cm of gimp", "-"},
		{"harbour-lights", "2 jump rings, 5 mm", "+"},
		{"harbour-lights", "2 jump rings, 6 mm", "-"},
		{"harbour-lights", "8 x 3 x 1.2 mm brass spacers", "+"},
		{"harbour-lights", "8 x 4 x 1.2 mm brass spacers", "-"},
		{"barnacle-row", "jump rings 5 mm x 1, 7 mm x 1", "++"},
		{"barnacle-row", "6 brine, 7 doodads, 3 brine", "=?="},
		{"tide-table", "1 extender chain with buoy charm and a lobster clasp", "+++"},
		// what says nothing that can be compared
		{"harbour-lights", "I made this one for the fair", "/"},
		{"harbour-lights", "Man nimmt 50 Perlen", "/"},
		{"harbour-lights", "8/0 seeds", "/"},
	} {
		audit := auditOf(t, tt.piece, tt.text, nil)
		got := ""
		for _, s := range audit.Statements {
			got += signs[s.State]
		}
		got += strings.Repeat("/", len(audit.Unread))
		if got != tt.want {
			t.Errorf("%s, %q: %s, want %s: %+v, unread %+v", tt.piece, tt.text, got, tt.want, audit.Statements, audit.Unread)
		}
	}
}

// Whatever is pasted is read within bounds, and every place is one of the text.
func TestAnyTextIsRead(t *testing.T) {
	rng := rand.New(rand.NewPCG(13, 4))
	words := strings.Fields("2 90 1/2 17½ 0.5 .36 45 cm mm in \" pearls crimps wire row rows 1 : ; , . and ( ) x 3 repeat times each end cut strand of bag beads total sea-pearl Tide stone \n \n … .. A B ~ 🙂 é 9999999999999999999 8/0 1,200 string then reverse long - a the half")
	for range 3000 {
		var b strings.Builder
		for range rng.IntN(40) {
			b.WriteString(words[rng.IntN(len(words))])
			b.WriteString([]string{" ", "", "\t"}[rng.IntN(3)])
		}
		text := b.String()
		audit, err := desk.AuditText(testdesk.Read(t, example), text, nil, format.House{})
		if strings.TrimSpace(text) == "" {
			if err == nil {
				t.Fatalf("%q is read", text)
			}
			continue
		}
		if err != nil {
			t.Fatalf("%q: %v", text, err)
		}
		units := len(utf16.Encode([]rune(text)))
		for _, s := range audit.Statements {
			if s.From < 0 || s.To < s.From || s.To > units || s.Line < 1 {
				t.Fatalf("%q: %+v", text, s)
			}
			for _, e := range s.Edits {
				if e.From < 0 || e.To < e.From || e.To > units {
					t.Fatalf("%q: %+v", text, e)
				}
			}
		}
	}
}

func TestNamesAreAsked(t *testing.T) {
	text := "88 ivory pearls, 6 lanterns\n2 cups of tea, 3 gold bails\nAgain 88 ivory pearls"
	if odd := auditOf(t, "quay-lanterns", "3 brass doodads", nil); len(odd.Questions) != 1 || len(odd.Questions[0].Likely) != 0 {
		t.Errorf("what is only of the same metal is likely: %+v", odd.Questions)
	}
	asked := auditOf(t, "quay-lanterns", text, nil)
	var phrases []string
	for _, q := range asked.Questions {
		phrases = append(phrases, fmt.Sprint(q.Phrase, " ", q.Asked, q.Likely))
	}
	if got := strings.Join(phrases, " "); got != "ivory pearls 2 [dusk-pearl-4] cups tea 1 [] gold bails 1 []" {
		t.Error(got)
	}
	told := auditOf(t, "quay-lanterns", text, map[string]string{"ivory pearls": "dusk-pearl-4", "cups tea": "nothing", "gold bails": "none"})
	var states []string
	for _, s := range told.Statements {
		states = append(states, s.State)
	}
	if got := strings.Join(states, " "); got != "agrees agrees nothing differs agrees" || len(told.Questions) > 0 {
		t.Error(got, told.Questions)
	}
	if wrong := auditOf(t, "quay-lanterns", text, map[string]string{"ivory pearls": "no-such-id"}); len(wrong.Questions) != 3 {
		t.Errorf("an answer that is no material answers: %+v", wrong.Questions)
	}
}

func TestTextsThatCannotBeRead(t *testing.T) {
	doc := testdesk.Read(t, example)
	for name, text := range map[string]string{"empty": " \n ", "too long": strings.Repeat("90 pearls\n", 7000), "too many lines": strings.Repeat("a\n", 2001), "no text": "90\x00 pearls", "no UTF-8": "90 \xff pearls"} {
		if _, err := desk.AuditText(doc, text, nil, format.House{}); err == nil || !strings.HasSuffix(err.Error(), ".") {
			t.Errorf("%s: %v", name, err)
		}
	}
	for name, text := range map[string]string{
		"counts": strings.Repeat("9 pearls,", 7000), "one word": strings.Repeat("a", 64<<10), "brackets": strings.Repeat("(", 64<<10), "multiplied": strings.Repeat("9999 x (", 8000),
		"steps": "Steps:\n" + strings.Repeat("2 pearls, ", 6000), "repeats": strings.Repeat("1P 1L. repeat 99 times. ", 2600), "cuts": strings.Repeat("cut 60 cm of wire;", 3500), "numbers": strings.Repeat("1", 64<<10),
		"totals": strings.Repeat("90 beads;", 7000), "names": strings.Repeat("2 things", 8000), "fractions": strings.Repeat("1/", 32<<10), "dots": strings.Repeat(". .", 21000),
	} {
		mb, took := taken(func() {
			if _, err := desk.AuditText(doc, text, nil, format.House{}); err != nil {
				t.Errorf("%s: %v", name, err)
			}
		})
		if mb > 200 || took > 3*time.Second {
			t.Errorf("%s: it takes %.0f MB and %v", name, mb, took)
		}
	}
}

// A text of 200 lines, over one of 50.
func BenchmarkAudit(b *testing.B) {
	doc := testdesk.Read(b, testdesk.DemoFile(b, "pieces/crossed-lines.json"))
	for _, lines := range []int{200, 50} {
		text := strings.Repeat("Row 1: 43 bottle-green rounds and 42 brass spacers, 8 mm; 2 crimp tubes\n60 sea-pearls 6 mm, of which 4 ivory ones; cut 60 cm of wire\n", lines/2)
		b.Run(fmt.Sprint(lines, " lines"), func(b *testing.B) {
			for b.Loop() {
				if _, err := desk.AuditText(doc, text, nil, format.House{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// What disagrees is corrected as it is written, or taken into the piece.
func TestTextsAreCorrectedInTheirOwnManner(t *testing.T) {
	list := "90 sea-pearls, 8 spacers, 4 tide stones, 2 lanterns, 2 amber chips, 2 caps, 1 enamel sail, 2 crimps, 2 jump rings"
	for _, tt := range []struct{ piece, text, want, take string }{
		{"harbour-lights", "Length 470 mm (18 1/2 in)", "Length 451 mm (17 3/4 in)", "set-target 470"},
		{"harbour-lights", "Length 450 mm (18 1/2 in)", "Length 450 mm (17 3/4 in)", ""},
		{"harbour-lights", "eight amber chips", "two amber chips", "count 8 4"},
		{"harbour-lights", "three crimps at each end", "one crimps at each end", ""},
		{"harbour-lights", "sea-pearls 6 mm: 92", "sea-pearls 4 mm: 90", "count 2 20"},
		{"harbour-lights", "Cut 45,5 cm of wire", "Cut 61,3 cm of wire", ""},
		{"harbour-lights", list, list + "\n1 lobster clasp\n612.8 mm of beading wire, 19 strands", ""},
		{"harbour-lights", list + "\nCut 62 cm. I like it.", list + "\n1 lobster clasp\nCut 62 cm. I like it.", ""},
		{"tidewrack", "steps of 20 mm", "steps of 27 mm", ""},
		{"crossed-lines", "Row 1 is 470 mm long", "Row 1 is 431 mm long", ""},
		{"crossed-lines", "Row 2: 62 sea-pearls", "Row 2: 60 sea-pearls", "count 4 3"},
		{"crossed-lines", "Row 1: 44 green rounds", "Row 1: 43 green rounds", "count 4 2"},
		{"crossed-lines", "Cut a wire of 50 cm", "Cut a wire of 50 cm", ""},
		{"crossed-lines", "Cut 1 wire of 60 cm", "Cut 2 wire of 60 cm", ""},
		{"ferry-bell", "(2 tide stones, 1 spacer, 1 rondelle) x 12", "(2 tide stones, 1 spacer, 1 rondelle) x 11", ""},
		{"quay-lanterns", "1 strand of dusk-pearls (60 each)", "2 strand of dusk-pearls (60 each)", ""},
	} {
		audit := auditOf(t, tt.piece, tt.text, nil)
		if audit.Corrected != tt.want {
			t.Errorf("%q: %q, want %q", tt.text, audit.Corrected, tt.want)
		}
		var takes []string
		for _, s := range audit.Statements {
			for _, op := range s.Take {
				if op.Mm != nil {
					takes = append(takes, fmt.Sprintf("%s %.0f", op.Do, float64(*op.Mm)))
				} else {
					takes = append(takes, fmt.Sprint(op.Do, " ", op.Node, " ", op.N))
				}
			}
		}
		if got := strings.Join(takes, ", "); got != tt.take {
			t.Errorf("%q is taken over by %q, want %q", tt.text, got, tt.take)
		}
	}
}

// A count that the piece takes over keeps its design: both halves change, and a count that would spoil
// a mirror is not offered.
func TestACountTakenOverKeepsTheDesign(t *testing.T) {
	for _, tt := range []struct{ line, text, want string }{
		{"40P L 40P", "82 %s", "41P L 41P"},
		{"40P L 40P", "83 %s", ""},
		{"<40P | L>", "78 %s", "<39P | L>"},
		{"9P L 9P L 9P", "30 %s", "10P L 10P L 10P"},
		{"9P L 9P L 9P", "28 %s", ""},
		{"20P L", "21 %s", "21P L"},
	} {
		doc := testdesk.Read(t, example)
		doc.Row("r1").Line = tt.line
		name := doc.Materials[slices.IndexFunc(doc.Materials, func(m format.Material) bool { return m.ID == doc.Palette["P"] })].Name
		audit, err := desk.AuditText(doc, fmt.Sprintf(tt.text, name), nil, format.House{})
		if err != nil {
			t.Fatal(err)
		}
		got := ""
		for _, s := range audit.Statements {
			if len(s.Take) > 0 {
				got = testdesk.Apply(t, doc, s.Take...).Row("r1").Line
			}
		}
		if got != tt.want {
			t.Errorf("%s holds %q: %q, want %q", tt.line, tt.text, got, tt.want)
		}
	}
}

// Steps may be read from the right: what is taken over is the run that they speak of.
func TestARunReadFromTheRightIsTheOneThatChanges(t *testing.T) {
	doc := testdesk.Read(t, example)
	name := map[string]string{}
	for key, id := range doc.Palette {
		for _, m := range doc.Materials {
			if m.ID == id {
				name[key] = m.Name
			}
		}
	}
	doc.Row("r1").Line = "9P L 4P 2L 2P"
	text := fmt.Sprintf("String 2 %[1]s, 2 %[2]s, 5 %[1]s, 1 %[2]s, 9 %[1]s", name["P"], name["L"])
	audit, err := desk.AuditText(doc, text, nil, format.House{})
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range audit.Statements {
		if !isWrong(s) {
			continue
		}
		if len(s.Take) != 1 || s.Take[0].N != 5 {
			t.Fatalf("%+v", s)
		}
		if line := testdesk.Apply(t, doc, s.Take...).Row("r1").Line; line != "9P L 5P 2L 2P" {
			t.Errorf("taken over as %s", line)
		}
		return
	}
	t.Errorf("nothing differs: %+v", audit.Statements)
}
