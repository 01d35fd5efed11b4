package desk_test

import (
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"

	"mala/desk"
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
				one.piece = read(t, demoFile(t, "pieces/"+piece+".json"))
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
				left = slices.DeleteFunc(left, func(p [2]int) bool { return s.State == "left-out" && p[0] == p[1] || covers(append(s.Also, [2]int{s.From, s.To}), p) })
				if len(left) == before {
					t.Errorf("%s, %d planted: false: line %d %q: %s %s", w.name, len(at), s.Line, text[s.From:s.To], s.State, s.Why)
				}
			}
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
