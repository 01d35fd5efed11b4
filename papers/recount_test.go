package papers_test

import (
	"fmt"
	"math/rand/v2"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"mala/demo"
	"mala/format"
)

// Papers are held to a count of their own: a bead line is written out here, by code that shares
// nothing with the core, and every figure that a paper prints of its beads follows from that.
func TestPapersAgainstACountOfTheirOwn(t *testing.T) {
	random := rand.New(rand.NewPCG(28, 3))
	doc, err := demo.Piece(demo.Pieces()[0])
	if err != nil || len(doc.Sections[0].Rows) != 1 {
		t.Fatal(err)
	}
	letters := []string{}
	for letter := range doc.Palette {
		letters = append(letters, letter)
	}
	slices.Sort(letters)
	for range 40 {
		one := *doc
		one.Sections = slices.Clone(doc.Sections)
		one.Sections[0].Rows = slices.Clone(doc.Sections[0].Rows)
		one.Sections[0].Rows[0].Line, one.Sizes, one.Colourways, one.Pinned, one.Waived, one.Written, one.Target = lineOf(random, letters), nil, nil, nil, nil, nil, nil
		line := one.Sections[0].Rows[0].Line
		strung := writtenOut(line)
		if len(strung) < 12 {
			continue // its tails go through more beads than there are
		}
		quantity, copies := 1+random.IntN(3), 2+random.IntN(11)
		k := &format.Kit{Format: format.KitFormat, Name: "Counted", Pieces: []format.KitPiece{{Quantity: quantity, Document: one}}}
		counts := map[string]int{}
		for _, letter := range strung {
			counts[letter]++
		}
		o := order("packing")
		o.Copies = copies
		for letter, n := range counts {
			packs(t, line, textsOf(t, printed(t, k, o)), letter, n*quantity, copies)
		}
		instructs(t, line, textsOf(t, printed(t, k, order("instructions"))), counts)
	}
}

// writtenOut spells a line bead by bead: counts, groups and mirrors.
func writtenOut(line string) []string {
	var out []string
	for len(line) > 0 {
		switch {
		case line[0] == ' ':
			line = line[1:]
			continue
		case line[0] == '<':
			half, centre, _ := strings.Cut(strings.TrimSuffix(line[1:], ">"), "|")
			there := writtenOut(half)
			out = append(append(out, there...), writtenOut(centre)...)
			for i := len(there) - 1; i >= 0; i-- {
				out = append(out, there[i])
			}
			return out
		}
		digits := 0
		for digits < len(line) && line[digits] >= '0' && line[digits] <= '9' {
			digits++
		}
		n := 1
		if digits > 0 {
			n, _ = strconv.Atoi(line[:digits])
		}
		line = line[digits:]
		item := []string{line[:1]}
		if line[0] == '(' {
			end := strings.IndexByte(line, ')')
			item, line = writtenOut(line[1:end]), line[end:]
		}
		line = line[1:]
		for range n {
			out = append(out, item...)
		}
	}
	return out
}

var spare = regexp.MustCompile(`^\+ (\d+)$`)

// packs holds the line of a bead in a packing list: how many are in one kit, the spares, and all.
func packs(t *testing.T, line string, texts []string, letter string, count, copies int) {
	t.Helper()
	at := slices.Index(texts, letter)
	if at < 0 {
		t.Fatalf("%s: the packing list has no %s", line, letter)
	}
	row := texts[at+2:] // behind its name
	if strings.HasPrefix(row[0], "about ") {
		row = row[1:]
	}
	more := 0
	if found := spare.FindStringSubmatch(row[1]); found != nil {
		more, _ = strconv.Atoi(found[1])
	}
	if all := row[slices.IndexFunc(row[1:], func(s string) bool { return !spare.MatchString(s) })+1]; row[0] != fmt.Sprint(count) || all != fmt.Sprint(copies*(count+more)) {
		t.Errorf("%s, %s: %v for %d kits, want %d and %d spare each", line, letter, row[:3], copies, count, more)
	}
}

var reached = regexp.MustCompile(`^([\d.]+) mm$`)

// instructs adds up the runs that the instructions list, and looks at how far they have come.
func instructs(t *testing.T, line string, texts []string, counts map[string]int) {
	t.Helper()
	sums, furthest := map[string]int{}, 0.0
	for i := 0; i+2 < len(texts); i++ {
		n, err := strconv.Atoi(texts[i])
		letter, _, named := strings.Cut(texts[i+1], " ")
		if err != nil || !named || len(letter) != 1 || counts[letter] == 0 {
			continue
		}
		sums[letter] += n
		for _, next := range texts[i+2 : min(len(texts), i+4)] {
			if found := reached.FindStringSubmatch(next); found != nil {
				mm, _ := strconv.ParseFloat(found[1], 64)
				furthest = max(furthest, mm)
				break
			}
		}
	}
	for letter, n := range counts {
		if sums[letter] != n {
			t.Errorf("%s: the instructions string %d of %s, the line has %d", line, sums[letter], letter, n)
		}
	}
	if long := regexp.MustCompile(`(?i)at true size, ([\d.]+) mm long`).FindStringSubmatch(strings.Join(texts, "\n")); long == nil {
		t.Errorf("%s: nothing is drawn at true size", line)
	} else if all, _ := strconv.ParseFloat(long[1], 64); furthest > all || furthest < all/4 {
		t.Errorf("%s: the runs come to %v mm of %v", line, furthest, all)
	}
}
