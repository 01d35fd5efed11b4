package solve

import (
	"math/rand/v2"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

// The longest way of each run and group is the last before something runs out, found by trying
// one count after another; what runs out then is what it names.
func TestTheLongestIsTheLastBeforeSomethingRunsOut(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 7))
	lines := []string{"4(P [S . G] S) T", "5(2P S) G", "<6P 2S G | T>", "20P", "3(2P 2(S G)) 4T"}
	found := 0
	for range 60 {
		m := necklace(t, lines[r.IntN(len(lines))])
		hand := Hand{Beads: map[string]int{}}
		for _, key := range []string{"P", "S", "G"} {
			if r.IntN(2) == 0 {
				hand.Beads[m.Piece.Palette[key].ID] = r.IntN(40)
			}
		}
		if r.IntN(2) == 0 || !hand.Limits() {
			hand.Cord = length.MM(150 + r.IntN(400))
		}
		ways := LongestOf(t.Context(), m, "r1", hand, nil)
		for i, way := range ways {
			found++
			if i > 0 && way.Value > ways[i-1].Value {
				t.Errorf("%s comes behind the shorter %s", way.Line, ways[i-1].Line)
			}
			if lacks := hand.lacks(way.Measured, way.Measured.Leading()); lacks != "" {
				t.Errorf("%s takes more %s than in hand", way.Line, lacks)
			}
		}
		task := newTask(t.Context(), m, Goal{Row: "r1"}, Rules{})
		for _, k := range task.counted() {
			best, limit := "", ""
			least, most := k.Range()
			for by := least; by <= min(most, 200); by++ {
				after, err := edit.Try(m.Piece, nil, edit.SetLine{At: m.Piece.Leading().At(), Line: task.turned(k.Knob, by).String()})
				if err != nil {
					break
				}
				if limit = hand.lacks(after, after.Leading()); limit != "" {
					break
				}
				best = after.Leading().Row.Line.String()
			}
			if best == "" || limit == "" || len(ways) == mostLongest {
				continue
			}
			seen := false
			for _, way := range ways {
				seen = seen || way.Line == best && way.Limit == limit
			}
			if !seen {
				t.Errorf("%s of %v, %v: no way to %s that lacks %s: %+v", m.Leading().Row.Line, hand.Beads, hand.Cord, best, limit, ways)
			}
		}
	}
	if found < 60 {
		t.Errorf("only %d ways", found)
	}
}

func TestWhatIsInHandLimitsProposalsToo(t *testing.T) {
	m := necklace(t, "10(2P S)")
	goal := to(float64(m.Finished)+24, 6)
	free := solved(t, m, goal, Rules{LineOnly: true})
	few := Hand{Beads: map[string]int{"pearl": 20}}
	for _, p := range solved(t, m, goal, Rules{LineOnly: true, Hand: &few}).Proposals {
		if lacks := few.lacks(p.Measured, p.Measured.Leading()); lacks != "" {
			t.Errorf("%s takes more %s than in hand", p.Line, lacks)
		}
	}
	short := Hand{Cord: m.Leading().CutLength() - 0.5}
	if !few.Makes(m, m.Leading()) || short.Makes(m, m.Leading()) || (&Hand{Cord: m.Leading().CutLength()}).lacks(m, m.Leading()) != "" {
		t.Error("20 pearls make it, half a millimetre less of cord does not")
	}
	if a := solved(t, m, goal, Rules{LineOnly: true, Hand: &short}); len(free.Proposals) == 0 || len(a.Proposals) > 0 || a.Why != (NotInHand{}) {
		t.Errorf("%+v", a)
	}
	pinned := LongestOf(t.Context(), m, "r1", Hand{Cord: 600}, []piece.Pin{{}})
	if len(pinned) > 0 {
		t.Errorf("everything is pinned: %+v", pinned)
	}
}

// A fill becomes a count, so that it can change.
func TestAFillIsCounted(t *testing.T) {
	for text, want := range map[string]string{"{P}": "7P", "<{2P S} G | T>": "<7(2P S) G | T>", "3P": "3P", "2(S {G})": "2(S 7G)"} {
		line := testparts.Line(t, text)
		if got := line.Counted(map[*pattern.Node]int{line.OpenFill(): 7}).String(); got != want {
			t.Errorf("%s: %s, want %s", text, got, want)
		}
	}
}
