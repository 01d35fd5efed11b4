package check

import (
	"fmt"
	"math/rand/v2"
	"reflect"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
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
	p := dishes(t, necklace(t, randomLine(rng)))
	if rng.IntN(3) == 0 {
		p = with(stretch(t, randomLine(rng)), cordOf(elastic([]length.MM{0.4, 0.7, 0.8}[rng.IntN(3)])))
	}
	row := &p.Sections[0].Rows[0]
	if p.Closure.Type == piece.Clasp {
		p.Closure.Left = []*material.Material{pick(lobster, toggle10, chainShut), pick(jump, fine, soldered, silver)}
		crimp := pick(row.Left[0], tinyCrimp, wideCrimp)
		row.Left = []*material.Material{crimp}
		if rng.IntN(4) == 0 {
			row.Right = append(row.Right, pick(cover, bigCover))
		}
		if rng.IntN(3) == 0 {
			slack(length.MM(rng.IntN(12)))(p, row)
		}
		if rng.IntN(4) == 0 {
			cutTo(length.MM(100+rng.IntN(400)))(p, row)
		}
	}
	if rng.IntN(2) == 0 {
		wrist(length.MM(80+rng.IntN(150)), "")(p, row)
	}
	return p
}

func TestAFixNeverLeavesAsMuchNorBringsANewStop(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 4))
	offered := map[string]int{}
	for range 400 {
		p := randomPiece(t, rng)
		m, err := measure.Measure(p)
		if err != nil {
			t.Fatal(err)
		}
		withTarget(p, m.Finished+length.MM(rng.IntN(60)-30), 4)
		if p.Target.Finished < 10 {
			continue
		}
		before := all(t, p, shelf(t)...)
		for _, f := range before {
			if f.Fix == nil {
				continue
			}
			offered[f.Code]++
			after, err := f.Fix.Edit.Try(p)
			if err != nil {
				t.Fatalf("the fix %q of %q cannot be made: %v", f.Fix.Says, f.Says, err)
			}
			left := judge(after, "")
			if count(left, f.Code, "") >= count(before, f.Code, "") || count(left, "", Stop) > count(before, "", Stop) {
				t.Errorf("%s: %q leaves %v", f.Code, f.Fix.Says, left)
			}
		}
	}
	for _, code := range strings.Fields("hole-too-small crimp-swallowed bead-swallowed length-off crimp-misfit cover-misfit slack-short slack-long " +
		"ease-off toggle-blocked ring-too-small clasp-closed-eye chain-soldered metals-differ elastic-misfit knot-shows leg-short") {
		if offered[code] < 5 {
			t.Errorf("%s was mended only %d times; the pieces are too tame", code, offered[code])
		}
	}
}

func TestJudgingLeavesThePieceAsItIs(t *testing.T) {
	p := withTarget(necklace(t, "G 3(P S) 20Z"), 300, 2)
	before := p.Sections[0].Rows[0].Line.String()
	all(t, p)
	if after := p.Sections[0].Rows[0].Line.String(); after != before || len(p.Palette) != 5 || !reflect.DeepEqual(p.House, piece.DefaultHouse()) {
		t.Errorf("%q became %q", before, after)
	}
}

func TestEveryFindingHasAPlaceAndASentence(t *testing.T) {
	for _, f := range all(t, withTarget(necklace(t, "G 3(G S) 20Z G"), 900, 2)) {
		if f.Title == "" || !strings.HasSuffix(f.Says, ".") || f.Strand != "1.1" {
			t.Errorf("%+v says too little", f)
		}
		if f.Element >= 0 && f.Column < 1 {
			t.Errorf("%s is at bead %d but at no column", f.Code, f.Element)
		}
	}
	line, _ := pattern.Parse("3P 2G 4P")
	p := necklace(t, "3P")
	p.Sections[0].Rows[0].Line = line
	for _, f := range all(t, p) {
		t.Errorf("a sound strand has a finding: %+v", f)
	}
}
