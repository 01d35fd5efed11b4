package en

import (
	"strings"
	"testing"

	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
)

func TestWhatAFixAddsIsSaid(t *testing.T) {
	for _, tt := range []struct {
		more   int
		longer length.MM
		unit   length.Unit
		want   string
	}{
		{2, 12.34, "mm", "Finish the repeat (+2 beads, +12.3 mm)"}, {1, 4, "mm", "Finish the repeat (+1 bead, +4 mm)"}, {-1, -4.06, "mm", "Finish the repeat (−1 bead, −4.1 mm)"},
		{-3, 0.5, "mm", "Finish the repeat (−3 beads, +0.5 mm)"}, {0, 3, "mm", "Finish the repeat"}, {4, 25.4, "in", "Finish the repeat (+4 beads, +1 in)"},
	} {
		if got := In(tt.unit).Fix(&check.Fix{Does: []check.Effect{check.FinishRepeat{}}, More: tt.more, Longer: tt.longer}); got != tt.want {
			t.Errorf("%q, want %q", got, tt.want)
		}
	}
}

func TestSeveralEffectsAreOneSentence(t *testing.T) {
	f := &check.Fix{Does: []check.Effect{
		check.PutBead{Bead: &material.Material{Name: "Cinder"}, At: check.OnLeg},
		check.ChangeCounts{Counts: []check.CountChange{{From: "<2S 19P B L B 17P", To: "<2S 19P B L B 17P S"}, {From: "3P", To: "4P"}}},
		check.SetTarget{To: 180},
	}}
	if got := In("mm").Fix(f); got != "Put Cinder on the leg and change <2S 19P B L B 17P to <2S 19P B L B 17P … and 3P to 4P and set the target to 180 mm" {
		t.Errorf("%q", got)
	}
}

// What changes alike in several places is said once; rows at one place do not come within 0 mm.
func TestWhatIsAlikeIsSaidOnce(t *testing.T) {
	spacer := check.CountChange{From: "S", To: "2S"}
	f := &check.Fix{Does: []check.Effect{check.ChangeCounts{Counts: []check.CountChange{{From: "8(B P)", To: "9(B P)"}, spacer, spacer}}}}
	if got := In("mm").Fix(f); got != "Change 8(B P) to 9(B P) and S to 2S 2 times" {
		t.Errorf("%q", got)
	}
	for near, want := range map[length.MM]string{0: "crosses row 1", 0.09: "come to the same place", 0.11: "come within 0.11 mm"} {
		if _, says := In("mm").Problem(&check.Problem{Fact: check.RowsClose{Row: 1, Next: 2, Near: near, Need: 8}}); !strings.Contains(says, want) {
			t.Errorf("%v: %s", near, says)
		}
	}
}

func TestFiguresThatAreToldApart(t *testing.T) {
	for _, tt := range []struct {
		need, has    length.MM
		needs, holds string
	}{{0.76, 0.759, "0.76 mm", "0.759 mm"}, {0.7601, 0.76, "0.77 mm", "0.76 mm"}, {1, 1.2, "1 mm", "1.2 mm"}, {2.001, 3, "2.01 mm", "3 mm"}} {
		if needed, held := against(tt.need, tt.has); needed != tt.needs || held != tt.holds {
			t.Errorf("%v against %v: %s, %s", tt.need, tt.has, needed, held)
		}
	}
	if got := mm(12345.678); got != "12345.68 mm" {
		t.Error(got)
	}
}
