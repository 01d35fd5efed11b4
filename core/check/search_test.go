package check

import (
	"fmt"
	"testing"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

func TestTheFittingMostLikeTheOldOneIsOfferedFirst(t *testing.T) {
	ring := func(id, metal string, typ material.FindingType, inside length.MM) *material.Material {
		return finding(id, metal, material.Finding{Type: typ, Inside: inside, Wire: 0.7, Joint: "open"})
	}
	shelf := []*material.Material{
		ring("far silver", "silver", material.JumpRing, 9), ring("near silver", "silver", material.JumpRing, 4.2), ring("split", "brass", material.SplitRing, 4.2),
		ring("smaller", "brass", material.JumpRing, 3.2), ring("larger", "brass", material.JumpRing, 4.4), ring("was", "brass", material.JumpRing, 4), ring("larger", "brass", material.JumpRing, 4.4),
	}
	m := measuredPiece(t, necklace(t, "20P", closed(lobster, ring("was", "brass", material.JumpRing, 4))))
	part := m.Leading().Left.Parts[len(m.Leading().Left.Parts)-2]
	if part.Material.ID != "was" {
		t.Fatalf("%+v", part)
	}
	var got []string
	for _, f := range instead(&View{Measured: m}, &part, Shelf{Materials: shelf}, func(*material.Finding) bool { return true }) {
		got = append(got, edit.FieldsOf(f.Ops[0]).Material.ID)
	}
	// Inside counts twice, since it is the length too; another type 3, another metal 8.
	if fmt.Sprint(got) != "[larger smaller split near silver far silver]" {
		t.Errorf("offered %v", got)
	}
}

func TestNeighboursAreFoundPastWhatHangsAndRoundARing(t *testing.T) {
	id := func(p *measure.Bead) string {
		if p == nil {
			return "-"
		}
		return p.Key
	}
	for _, tt := range []struct {
		line string
		ring bool
		want string // before and behind each bead
	}{
		{"P R G", false, "-R PG R-"},
		{"P R G", true, "GR PG RP"},
		{"P Q R", false, "-R PR P-"},
		{"Q P R", true, "RP RR PP"},
		{"2Q P", true, "PP PP --"},
		{"P", true, "--"},
	} {
		p := necklace(t, tt.line)
		if tt.ring {
			p = stretch(t, tt.line)
		}
		s := measuredPiece(t, p).Leading()
		got := ""
		for i := range s.Beads {
			before, next := neighboursOf(s, i)
			if i > 0 {
				got += " "
			}
			got += id(before) + id(next)
		}
		if got != tt.want {
			t.Errorf("%s, ring %v: %s, want %s", tt.line, tt.ring, got, tt.want)
		}
	}
}

func TestACapOpensToTheWiderNeighbour(t *testing.T) {
	s := measuredPiece(t, necklace(t, "P R G P")).Leading()
	c := candidate{key: "C", bead: dishes(t)["C"]}
	for gap, want := range []string{"C", "C", "C", "~C", "~C"} {
		if got := facing(s, gap, c); got != want {
			t.Errorf("at gap %d: %s, want %s", gap, got, want)
		}
	}
	if got := facing(s, 3, candidate{key: "P", bead: dishes(t)["P"]}); got != "P" {
		t.Errorf("a pearl is put in as %s", got)
	}
}

func TestGapsAreMirroredWhereTheStrandIsButItsLineIsNot(t *testing.T) {
	for line, want := range map[string]string{"P R G R P": "[4 1]", "P R G R R": "[1]", "<P R | G>": "[1]"} {
		if got := fmt.Sprint(mirroredGaps(measuredPiece(t, necklace(t, line)).Leading(), []int{1})); got != want {
			t.Errorf("%s: %s, want %s", line, got, want)
		}
	}
	if got := fmt.Sprint(mirroredGaps(measuredPiece(t, necklace(t, "P R R P")).Leading(), []int{2, 0})); got != "[4 2 0]" {
		t.Errorf("the middle and an end: %s", got)
	}
}

func TestWholeStepsOnEitherSideOfWhatIsWanted(t *testing.T) {
	for _, tt := range []struct {
		want  float64
		count int
		steps string
	}{{10, 3, "[2 3]"}, {8, 3, "[2]"}, {-10, 3, "[-2]"}, {-10, 4, "[-3 -2]"}, {-12, 3, "[]"}, {1, 3, "[1]"}, {-1, 3, "[-1]"}, {10, pattern.MaxCount - 2, "[2]"}, {0, 5, "[]"}} {
		k := knob{&design.Knob{Counts: []*pattern.Node{{Unit: pattern.Bead{}, Count: tt.count}}, Step: 1, Least: 1, Most: pattern.MaxCount}, 4}
		if got := fmt.Sprint(wholeSteps(tt.want, k)); got != tt.steps {
			t.Errorf("%v in steps of 4 from %d: %s, want %s", tt.want, tt.count, got, tt.steps)
		}
	}
}

// Within the tolerance the smallest change comes first, else the nearest.
func TestCountsAreChangedByTheLeastThatWillDo(t *testing.T) {
	for _, tt := range []struct {
		line            string
		want, tolerance float64
		says            string
	}{
		{"10P 20R", 8, 1, "Change 20R to 21R"},
		{"10P 20R", -8, 1, "Change 20R to 19R"},
		{"10P 20R", 3.9, 0.5, "Change 10P to 11P"},
		{"10P 20R", 12, 0.5, "Change 10P to 13P"},
		{"20P 3R", 8, 1, "Change 20P to 22P"},
		{"5(P R) G", 12, 1, "Change 5(P R) to 6(P R)"},
		{"P 9R", 8, 1, "Change 9R to 10R"},
	} {
		m := measuredPiece(t, necklace(t, tt.line))
		v := &View{Measured: m}
		fixes := changedCounts(v, m.Leading(), tt.want, tt.tolerance)
		if len(fixes) == 0 || spoken(fixes[0]) != tt.says {
			says := []string{}
			for _, f := range fixes {
				says = append(says, spoken(f))
			}
			t.Errorf("%s by %v: %q, want %q first", tt.line, tt.want, says, tt.says)
		}
	}
}
