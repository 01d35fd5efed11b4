package pattern

import (
	"math/rand/v2"
	"strings"
	"testing"
)

// These tests hold the edits against what they must do to the beads themselves,
// read off the unrolled strand, whatever line it is written as.

// instance is one repeat of a node on the strand, from one bead up to another.
type instance struct {
	node     *Node
	repeat   int
	from, to int
	depth    int
}

// unrolled lists every repeat of every node as the strand is strung, and of every
// bead the repeats it is part of, the outermost first.
func unrolled(line *Line, fills Fills) (all []instance, of [][]int) {
	var walk func(items []*Node, reversed bool, holds []int)
	walk = func(items []*Node, reversed bool, holds []int) {
		for i := range items {
			n := items[i]
			if reversed {
				n = items[len(items)-1-i]
			}
			for j := range n.Count {
				repeat := j
				if reversed {
					repeat = n.Count - 1 - j
				}
				me := len(all)
				all = append(all, instance{node: n, repeat: repeat, from: len(of), depth: len(holds)})
				in := append(append([]int{}, holds...), me)
				inner := reversed != n.Reversed
				switch u := n.Unit.(type) {
				case Bead:
					of = append(of, in)
				case *Group:
					walk(u.Items, inner, in)
				case *Fill:
					for range fills[n] {
						walk(u.Items, inner, in)
					}
				case *Mirror:
					walk(u.Half, false, in)
					walk(u.Centre, inner, in)
					walk(u.Half, true, in)
				}
				all[me].to = len(of)
			}
		}
	}
	walk(line.Items, false, nil)
	return all, of
}

func randomLine(t *testing.T, rng *rand.Rand) (*Line, string) {
	line := mustParse(t, randomItems(rng, 2))
	return line, spell(t, line, 2)
}

func TestDeletingTakesWholeRepeatsFromEveryShowing(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 9))
	for range 3000 {
		line, before := randomLine(t, rng)
		text := line.String()
		all, of := unrolled(line, fillsOf(line))
		from := rng.IntN(len(before))
		to := from + rng.IntN(len(before)-from+1)
		// Of every bead in the selection its largest repeat that lies inside goes.
		type repeat struct {
			node *Node
			n    int
		}
		gone := map[repeat]bool{}
		for i := from; i < to; i++ {
			for _, k := range of[i] {
				if in := all[k]; in.from >= from && in.to <= to {
					gone[repeat{in.node, in.repeat}] = true
					break
				}
			}
		}
		want, caret := strings.Builder{}, 0
		for i := range before {
			keeps := true
			for _, k := range of[i] {
				keeps = keeps && !gone[repeat{all[k].node, all[k].repeat}]
			}
			if keeps {
				want.WriteByte(before[i])
				if i < from {
					caret++
				}
			}
		}
		anchor, err := line.Delete(from, to, fillsOf(line))
		if err != nil {
			t.Fatal(err)
		}
		if got := spell(t, line, 2); got != want.String() {
			t.Fatalf("%q without beads %d to %d: %q, want %q", text, from, to, got, want.String())
		}
		if got := mustParse(t, line.String()); spell(t, got, 2) != want.String() {
			t.Fatalf("%q is written %q", want.String(), got)
		}
		if at := line.Find(anchor, fillsOf(line)); at > len(want.String()) || at < 0 {
			t.Fatalf("%q: the caret is at %d", text, at)
		}
	}
}

// What is put in stands in the gap it was put in, reads as it was typed, and
// every bead that was there is still there in its place.
func TestWhatIsInsertedStandsInItsGap(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 4))
	turns := func(string) bool { return true }
	for round := range 4000 {
		line, before := randomLine(t, rng)
		text := line.String()
		at := rng.IntN(len(before) + 1)
		insert, typed := line.Insert, "XYZ"
		if round%2 == 1 {
			insert = line.InsertBetween
		}
		anchor, err := insert(at, mustParse(t, "X Y Z").Items, fillsOf(line), turns)
		if err != nil {
			t.Fatal(err)
		}
		after := spell(t, line, 2)
		rest := strings.Map(func(r rune) rune {
			if strings.ContainsRune("xyzXYZ", r) {
				return -1
			}
			return r
		}, after)
		if rest != before {
			t.Fatalf("%q with XYZ at %d is %q: its own beads are %q, were %q", text, at, after, rest, before)
		}
		caret := line.Find(anchor, fillsOf(line))
		if caret < len(typed) || after[caret-len(typed):caret] != typed {
			t.Fatalf("%q with XYZ at %d is %q, the caret at %d", text, at, after, caret)
		}
		own := 0
		for _, r := range after[:caret-len(typed)] {
			if !strings.ContainsRune("xyzXYZ", r) {
				own++
			}
		}
		if own != at {
			t.Fatalf("%q with XYZ at %d is %q: the caret stands behind %d of its own beads", text, at, after, own)
		}
	}
}

func TestGroupingChangesNoBeadAndUngroupingNeither(t *testing.T) {
	rng := rand.New(rand.NewPCG(8, 1))
	grouped, ungrouped := 0, 0
	for range 3000 {
		line, before := randomLine(t, rng)
		text := line.String()
		from := rng.IntN(len(before))
		to := from + 1 + rng.IntN(len(before)-from)
		enclosed := false
		if start, end, err := line.Enclose(InGroup, from, to, fillsOf(line)); err == nil {
			grouped++
			enclosed = true
			if got := spell(t, line, 2); got != before {
				t.Fatalf("%q grouped from %d to %d: %q, want %q", text, from, to, got, before)
			}
			if a, b := line.Find(start, fillsOf(line)), line.Find(end, fillsOf(line)); a != from || b != to {
				t.Fatalf("%q grouped from %d to %d is selected from %d to %d", text, from, to, a, b)
			}
		}
		if err := line.Ungroup(from, to, fillsOf(line)); err == nil {
			ungrouped++
			if got := spell(t, line, 2); !strings.EqualFold(got, before) {
				t.Fatalf("%q ungrouped from %d to %d: %q, want %q", text, from, to, got, before)
			}
		} else if enclosed {
			t.Fatalf("%q, grouped from %d to %d, was not ungrouped: %v", text, from, to, err)
		}
	}
	if grouped < 500 || ungrouped < 500 {
		t.Errorf("only %d were grouped and %d ungrouped", grouped, ungrouped)
	}
}

// reversedText is the beads back to front, each turned round.
func reversedText(text string) string {
	out := []byte{}
	for i := len(text) - 1; i >= 0; i-- {
		out = append(out, text[i]^('a'-'A'))
	}
	return string(out)
}

func TestReversingAndMirroringASelectionOfRuns(t *testing.T) {
	rng := rand.New(rand.NewPCG(2, 6))
	for range 1000 {
		text := randomItems(rng, 0)
		before := spell(t, mustParse(t, text), 0)
		from := rng.IntN(len(before))
		to := from + 1 + rng.IntN(len(before)-from)
		picked := before[from:to]
		for how, want := range map[Bracket]string{
			InReverse: before[:from] + reversedText(picked) + before[to:],
			InMirror:  before[:from] + picked + reversedText(picked) + before[to:],
			InFill:    before[:from] + picked + picked + before[to:],
		} {
			line := mustParse(t, text)
			start, end, err := line.Enclose(how, from, to, nil)
			if err != nil {
				t.Fatalf("%q, %s from %d to %d: %v", text, how, from, to, err)
			}
			if got := spell(t, line, 2); got != want {
				t.Fatalf("%q, %s from %d to %d: %q, want %q", text, how, from, to, got, want)
			}
			selected := map[Bracket]int{InReverse: to, InMirror: to + len(picked), InFill: to}[how]
			if a, b := line.Find(start, fillsOf(line)), line.Find(end, fillsOf(line)); a != from || b != selected {
				t.Fatalf("%q, %s from %d to %d is selected from %d to %d", text, how, from, to, a, b)
			}
		}
	}
}

func TestACopySpellsItsBeads(t *testing.T) {
	rng := rand.New(rand.NewPCG(5, 5))
	turns := func(string) bool { return true }
	for range 3000 {
		line, before := randomLine(t, rng)
		text := line.String()
		from := rng.IntN(len(before))
		to := from + 1 + rng.IntN(len(before)-from)
		copied, err := line.Copy(from, to, fillsOf(line), turns)
		if err != nil {
			t.Fatal(err)
		}
		if got := spell(t, mustParse(t, copied), 2); got != before[from:to] {
			t.Fatalf("%q copied from %d to %d: %q spells %q, want %q", text, from, to, copied, got, before[from:to])
		}
		if line.String() != text || spell(t, line, 2) != before {
			t.Fatalf("copying changed %q to %q", text, line)
		}
	}
}

// Places that are not in the line are refused at every edit, the outermost ones
// that are in it are not.
func TestEditsOutsideTheLineAreRefused(t *testing.T) {
	for _, tt := range []struct {
		name     string
		from, to int
		ok       bool
	}{{"all", 0, 5, true}, {"before it", -1, 2, false}, {"behind it", 3, 6, false}, {"back to front", 3, 2, false}} {
		for what, edit := range map[string]func(l *Line) error{
			"delete":  func(l *Line) error { _, err := l.Delete(tt.from, tt.to, nil); return err },
			"enclose": func(l *Line) error { _, _, err := l.Enclose(InGroup, tt.from, tt.to, nil); return err },
			"ungroup": func(l *Line) error { return l.Ungroup(tt.from, tt.to, nil) },
			"copy":    func(l *Line) error { _, err := l.Copy(tt.from, tt.to, nil, capsTurn); return err },
		} {
			err := edit(mustParse(t, "(2A 3B)"))
			if (err == nil) != tt.ok {
				t.Errorf("%s %s: %v", what, tt.name, err)
			}
		}
	}
	for _, at := range []int{-1, 6} {
		for what, insert := range map[string]func(*Line) error{
			"insert":         func(l *Line) error { _, err := l.Insert(at, mustParse(t, "X").Items, nil, capsTurn); return err },
			"insert between": func(l *Line) error { _, err := l.InsertBetween(at, mustParse(t, "X").Items, nil, capsTurn); return err },
		} {
			if err := insert(mustParse(t, "2A 3B")); err == nil {
				t.Errorf("%s at %d was done", what, at)
			}
		}
	}
	for _, tt := range []struct {
		id, n int
		want  string
	}{{0, 0, "3B"}, {1, 1, "2A B"}, {1, MaxCount, "2A 9999B"}, {-1, 1, ""}, {2, 1, ""}, {0, -1, ""}, {0, MaxCount + 1, ""}} {
		line := mustParse(t, "2A 3B")
		err := line.SetCount(tt.id, tt.n)
		if (err == nil) != (tt.want != "") || err == nil && line.String() != tt.want {
			t.Errorf("item %d %d times: %q, %v", tt.id, tt.n, line, err)
		}
	}
	// Runs are joined up to the most a count can be, and no further.
	for put, want := range map[string]string{"9998A": "9999A", "9999A": "9999A A"} {
		line := mustParse(t, "A")
		if _, err := line.Insert(0, mustParse(t, put).Items, nil, nil); err != nil || line.String() != want && line.String() != "A 9999A" {
			t.Errorf("A beside %s is written %q: %v", put, line, err)
		}
	}
}
