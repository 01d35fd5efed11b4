package check

import (
	"context"
	"fmt"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// randomLine makes a line of the necklace's beads, with groups and a mirror now
// and then.
func randomLine(rng *rand.Rand) string {
	var items []string
	for range 2 + rng.IntN(5) {
		key := string("PGSTZ"[rng.IntN(5)])
		item := fmt.Sprintf("%d%s", 1+rng.IntN(9), key)
		if rng.IntN(4) == 0 {
			item = fmt.Sprintf("%d(%s %s)", 2+rng.IntN(3), item, string("PGST"[rng.IntN(4)]))
		}
		items = append(items, item)
	}
	line := strings.Join(items, " ")
	if rng.IntN(2) == 0 {
		return "<" + line + " | P>"
	}
	return line
}

// randomPiece makes a necklace or a stretch bracelet with ends, slack, body and
// cut that may suit it or not.
func randomPiece(t *testing.T, rng *rand.Rand) *piece.Piece {
	pick := func(from ...*material.Material) *material.Material { return from[rng.IntN(len(from))] }
	if rng.IntN(3) == 0 {
		return stretch(t, randomLine(rng), cordOf(elastic([]length.MM{0.4, 0.7, 0.8}[rng.IntN(3)])), sometimes(rng, 2, wrist(length.MM(80+rng.IntN(150)), "")))
	}
	left := []*material.Material{pick(crimp18, tinyCrimp, wideCrimp)}
	if rng.IntN(4) == 0 {
		left = append(left, pick(cover, bigCover))
	}
	if rng.IntN(8) == 0 {
		left = nil
	}
	if rng.IntN(5) == 0 {
		return necklace(t, randomLine(rng), closed(pick(jump, soldered)))
	}
	return necklace(t, randomLine(rng), closed(pick(lobster, toggle10, chainShut), pick(jump, fine, soldered, silver)), leftEnd(left...),
		sometimes(rng, 3, slack(length.MM(rng.IntN(12)))), sometimes(rng, 4, cutTo(length.MM(100+rng.IntN(400)))),
		sometimes(rng, 2, wrist(length.MM(80+rng.IntN(150)), "")))
}

func sometimes(rng *rand.Rand, oneIn int, c change) change {
	if rng.IntN(oneIn) == 0 {
		return c
	}
	return func(*piece.Piece, *piece.Row) {}
}

// written is a finding as it is distinguished from others, without the code under test.
func written(f *Problem) string { return fmt.Sprint(f.Code, f.At.Side, f.cause) }

func TestAFixRepairsAndAddsNoStopAndNoWarning(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 4))
	offered := map[string]int{}
	trials := 300
	if testing.Short() {
		trials = 60
	}
	for range trials {
		p := randomPiece(t, rng)
		m := measuredPiece(t, p)
		target(m.Finished+length.MM(rng.IntN(60)-30), 4)(p, p.Leading())
		if p.Target.Finished < 10 {
			continue
		}
		m = measuredPiece(t, p)
		before := All(m)
		worst := map[string]Severity{}
		for i := range before {
			worst[written(&before[i])] = before[i].Severity
		}
		for i := range before {
			f := &before[i]
			fix := FixOf(context.Background(), m, before, f, Shelf{Materials: shelf(t)})
			if fix == nil {
				continue
			}
			offered[f.Code]++
			after, _, err := edit.Apply(p, shelf(t), fix.Ops...)
			if err != nil {
				t.Fatalf("%q of %q cannot be carried out: %v", spoken(fix), spoken(f), err)
			}
			if p.Target.Finished != after.Target.Finished && !strings.Contains(spoken(fix), "target") {
				t.Errorf("%s: %q moves the target", f.Code, spoken(fix))
			}
			left := all(t, after)
			for k := range left {
				g := &left[k]
				was, there := worst[written(g)]
				switch {
				case written(g) == written(f) && g.places() >= f.places():
					t.Errorf("%s: %q leaves %q", f.Code, spoken(fix), spoken(g))
				case g.Severity != Advise && (!there || was == Advise || was == Warn && g.Severity == Stop):
					t.Errorf("%s on %s: %q brings %s: %s", f.Code, p.Leading().Line, spoken(fix), g.Code, spoken(g))
				}
			}
		}
	}
	for _, code := range strings.Fields("hole-too-small crimp-swallowed bead-swallowed length-off crimp-misfit cover-misfit slack-short slack-long " +
		"ease-off toggle-blocked ring-too-small clasp-closed-eye chain-soldered metals-differ elastic-misfit knot-shows leg-short end-unheld no-clasp") {
		if offered[code] < max(1, trials/100) {
			t.Errorf("%s was fixed only %d times; the pieces are too tame", code, offered[code])
		}
	}
}

func TestJudgingLeavesThePieceAsItIs(t *testing.T) {
	p := necklace(t, "G 3(P S) 20Z", target(300, 2))
	line, dishes := p.Leading().Line.String(), len(p.Palette)
	m := measuredPiece(t, p)
	found := All(m)
	for i := range found {
		FixOf(context.Background(), m, found, &found[i], Shelf{Materials: shelf(t)})
	}
	if after := p.Leading().Line.String(); after != line || len(p.Palette) != dishes || !reflect.DeepEqual(p.House, piece.DefaultHouse()) {
		t.Errorf("%q became %q", line, after)
	}
}

// What is found on a ring depends neither on where its line starts nor on the way
// it is read.
func TestFindingsOfARingDoNotDependOnWhereItsLineStarts(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 4))
	for range 300 {
		unit := make([]string, 1+rng.IntN(4))
		for i := range unit {
			unit[i] = string("PTSARBDFI"[rng.IntN(9)])
		}
		var beads []string
		for range 3 + rng.IntN(6) {
			beads = append(beads, unit...)
		}
		for range rng.IntN(3) {
			at := rng.IntN(len(beads))
			beads = append(beads[:at:at], append([]string{string("PTSAQ"[rng.IntN(5)])}, beads[at:]...)...)
		}
		codes := func(order []string) string {
			var out []string
			for _, f := range all(t, stretch(t, strings.Join(order, " "))) {
				out = append(out, fmt.Sprint(f.Code, f.Severity, f.places()))
			}
			slices.Sort(out)
			return strings.Join(out, " ")
		}
		want := codes(beads)
		for range 5 {
			cut := rng.IntN(len(beads))
			if got := codes(append(beads[cut:len(beads):len(beads)], beads[:cut]...)); got != want {
				t.Fatalf("%v: %s; begun at %d: %s", beads, want, cut, got)
			}
		}
		back := slices.Clone(beads)
		slices.Reverse(back)
		if got := codes(back); got != want {
			t.Fatalf("%v: %s; read backwards: %s", beads, want, got)
		}
	}
}
