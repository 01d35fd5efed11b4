package check

import (
	"slices"
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/measure"
)

func groups(m *measure.Measured, code string) []Alike {
	var out []Alike
	for _, a := range ByRow(All(m)) {
		if a[0].Code == code {
			out = append(out, a)
		}
	}
	return out
}

// What is the same in three rows is one problem that names them; with another figure it is another.
func TestWhatIsTheSameInSeveralRowsIsOneProblem(t *testing.T) {
	m := measuredPiece(t, rowsOf(t, []string{"20Z", "20P", "20Z", "20Z"}))
	one := groups(m, "hole-too-small")
	if len(one) != 1 || !slices.Equal(one[0].Rows(), []int{1, 3, 4}) {
		t.Fatalf("%v", one)
	}
	if says := spoken(one[0]); !strings.HasPrefix(says, "Rows 1, 3 and 4: 2 passes of") {
		t.Error(says)
	}
	if two := groups(measuredPiece(t, rowsOf(t, []string{"20Z", "21Z 9P"})), "hole-too-small"); len(two) != 2 && !strings.HasPrefix(spoken(two[0]), "Rows 1 and 2: ") {
		t.Errorf("%v", two)
	}
	if alone := groups(measuredPiece(t, necklace(t, "20Z")), "hole-too-small"); len(alone) != 1 || strings.Contains(spoken(alone[0]), "Row") {
		t.Errorf("one row needs no name: %v", spoken(alone[0]))
	}
	for _, a := range ByRow(All(measuredPiece(t, rowsOf(t, []string{"56R", "53R"})))) {
		if strings.HasPrefix(spoken(a), "Row ") && a[0].Code == "rows-cross" {
			t.Errorf("it says itself which rows it is about: %s", spoken(a))
		}
	}
}

// The fix of what is alike mends it in every row, in one.
func TestTheFixOfAlikeRowsMendsAll(t *testing.T) {
	m := measuredPiece(t, rowsOf(t, []string{"9P ~C H 9P", "9P ~C H 9P", "9P ~C H 9P"}, twisted))
	found := All(m)
	for _, a := range ByRow(found) {
		if a[0].Code != "cap-misfit" {
			continue
		}
		fix := FixOfAlike(t.Context(), m, found, a, Shelf{Materials: shelf(t)})
		if len(a) != 3 || fix == nil || fix.Rows != 3 || !strings.HasSuffix(spoken(fix), ", in 3 rows") {
			t.Fatalf("%d rows: %+v", len(a), fix)
		}
		after, err := edit.Try(m.Piece, nil, fix.Ops...)
		if err != nil || of(All(after), "cap-misfit") != nil {
			t.Errorf("%v leaves %v", spoken(fix), of(All(after), "cap-misfit"))
		}
		return
	}
	t.Error("nothing to mend")
}
