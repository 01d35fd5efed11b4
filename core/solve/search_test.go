package solve

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
)

// What a way adds up to is what it measures, nearly: also of runs in a group that comes more
// often, and of beads of another size of which some come or go.
func TestWhatAWayAddsUpToIsNearlyWhatItMeasures(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 9))
	shelf := []*material.Material{round(t, "pearl 5", 5), round(t, "pearl 3", 3), round(t, "glass 7", 7)}
	crossing := 0
	for _, line := range []string{"4(3P 2S G) 5P", "<6P 3(2S G) | T>", "2(2P 3(S P) G) 4P", "20P 5G 10S"} {
		m := necklace(t, line)
		task := newTask(t.Context(), m, to(float64(m.Finished)+14, 3), Rules{Shelf: shelf})
		task.gather()
		for range 300 {
			var at []*setting
			for _, i := range r.Perm(len(task.knobs))[:2+r.IntN(2)] {
				k := &task.knobs[i]
				at = append(at, &k.settings[r.IntN(len(k.settings))])
			}
			w := task.wayOf(at)
			ops := task.opsOf(&w)
			if ops == nil {
				continue
			}
			after, err := edit.Try(m.Piece, shelf, ops...)
			if err != nil {
				continue
			}
			apart := 0.0
			for i, a := range at {
				for _, b := range at[:i] {
					apart += cross(a, b)
				}
			}
			if math.Abs(apart) > 2 {
				crossing++
			}
			off := float64(after.ForTarget - task.goal.Want)
			if math.Abs(off-w.off) > task.around(w.moves())+0.1*math.Abs(apart) {
				t.Errorf("%s, %v: off by %.2f, added up %.2f", line, saysAll(at), off, w.off)
			}
			if moves := w.moves(); moves < math.Abs(float64(at[0].by)) || w.cost.changes != len(at) {
				t.Errorf("%v moves %v, %+v", saysAll(at), moves, w.cost)
			}
		}
	}
	if crossing < 80 {
		t.Errorf("only %d ways cross", crossing)
	}
}

func saysAll(at []*setting) []string {
	var out []string
	for _, s := range at {
		out = append(out, Changed(s.does))
	}
	return out
}

// Of a knob's settings those are looked at that bring the others about to the goal, and one on
// either side.
func TestSettingsThatFit(t *testing.T) {
	settings := make([]setting, 41)
	for i := range settings {
		settings[i].by = length.MM(i - 20)
	}
	for _, tt := range []struct{ goal, chosen, tolerance, from, to float64 }{{5, 0, 1, 3, 7}, {5, 2, 1, 1, 5}, {-15, 0, 2, -18, -12}, {100, 0, 1, 20, 20}, {-100, 0, 1, -20, -20}} {
		task := &task{goal: to(tt.goal, tt.tolerance)}
		var chosen []*setting
		if tt.chosen != 0 {
			chosen = append(chosen, &setting{by: length.MM(tt.chosen)})
		}
		var got []float64
		for s := range task.fitting(settings, chosen) {
			got = append(got, float64(s.by))
		}
		wide := tt.tolerance + task.around(math.Abs(tt.chosen)+math.Abs(tt.goal-tt.chosen))
		for _, by := range got {
			if off := math.Abs(tt.goal - tt.chosen - by); off > wide+1.001 && len(got) > 1 {
				t.Errorf("%+v: %v is %v off", tt, by, off)
			}
		}
		if !slices.Contains(got, tt.from) || !slices.Contains(got, tt.to) {
			t.Errorf("%+v: %v", tt, got)
		}
	}
}

// What there is too little of is known before it is measured, where nothing else decides; and
// what may be taken by that is never left out.
func TestWhatMayBeTaken(t *testing.T) {
	m := necklace(t, "6P 4S 3G")
	task := newTask(t.Context(), m, to(float64(m.Finished)+10, 3), Rules{Stock: map[string]int{"pearl": 7, "spacer": 4, "glass": 9}})
	task.gather()
	left, kept := 0, 0
	for i := range task.knobs {
		for k := range task.knobs[:i] {
			for a := range task.knobs[i].settings {
				for b := range task.knobs[k].settings {
					w := task.wayOf([]*setting{&task.knobs[k].settings[b], &task.knobs[i].settings[a]})
					after, err := edit.Try(m.Piece, nil, task.opsOf(&w)...)
					if err != nil {
						continue
					}
					may, short := task.mayTake(&w), task.short(after)
					if may == short {
						t.Errorf("%v: may take %v, short %v", saysAll(w.at), may, short)
					}
					if may {
						kept++
					} else {
						left++
					}
				}
			}
		}
	}
	if left < 20 || kept < 20 {
		t.Errorf("%d kept, %d left out", kept, left)
	}
	pairs := 0
	for i := range task.knobs {
		for k := range task.knobs[:i] {
			pairs += len(task.knobs[i].settings) * len(task.knobs[k].settings)
		}
	}
	if task.pairs() != pairs {
		t.Errorf("%d pairs, counted %d", task.pairs(), pairs)
	}
}

// The counts go to where the goal is, and some way past it, from one bead on.
func TestCountsReachTheGoal(t *testing.T) {
	m := necklace(t, "30P 2G")
	for _, by := range []float64{-60, 40} {
		task := newTask(t.Context(), m, to(float64(m.Finished)+by, 2), Rules{})
		task.gather()
		least, most := 0, 0
		for _, s := range task.knobs[0].settings {
			least, most = min(least, s.steps), max(most, s.steps)
			if got := float64(s.by); math.Abs(got-3.92*float64(s.steps)) > 0.6+0.03*math.Abs(got) || s.moved != max(s.steps, -s.steps) || s.adds["P"] != s.steps {
				t.Errorf("%s: %v, %+v", Changed(s.does), got, s.adds)
			}
		}
		reach := math.Abs(by) + 2 + 15
		if want := int(math.Ceil(reach / float64(task.knobs[0].settings[len(task.knobs[0].settings)-1].by) * float64(most))); most < want-1 || most > want+1 || least != -min(29, most) {
			t.Errorf("to %v: from %d to %d, want %d", by, least, most, want)
		}
	}
}
