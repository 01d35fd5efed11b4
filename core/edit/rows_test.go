package edit

import (
	"slices"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

func inRow(id piece.ID) piece.Place { return piece.Place{Row: id, Element: piece.NoElement} }

// linesOf gives the rows' ids with their lines, in order.
func linesOf(p *piece.Piece) []string {
	var out []string
	for _, r := range p.Rows() {
		out = append(out, string(r.ID)+": "+r.Line.String())
	}
	return out
}

func TestRowsAreAddedMovedMirroredAndRemoved(t *testing.T) {
	p := tiedBench(t, "9P L")
	ring := p.Closure.Right[0]
	p.Leading().Left = []piece.Fitting{{ID: "own", Of: ring.Of}}
	for _, tt := range []struct {
		name string
		ops  []Op
		want []string
	}{
		{"a copy", []Op{{Do: AddRow, At: inRow("r1")}}, []string{"r1: 9P L", "r2: 9P L"}},
		{"two copies", []Op{{Do: AddRow, At: inRow("r1"), N: 2}}, []string{"r1: 9P L", "r2: 9P L", "r3: 9P L"}},
		{"one with a line of its own", []Op{{Do: AddRow, At: inRow("r1"), Text: "4L"}}, []string{"r1: 9P L", "r2: 4L"}},
		{"behind the row it copies", []Op{{Do: AddRow, At: inRow("r1"), Text: "L"}, {Do: AddRow, At: inRow("r1"), Text: "P"}}, []string{"r1: 9P L", "r3: P", "r2: L"}},
		{"moved to the front", []Op{{Do: AddRow, At: inRow("r1"), Text: "L"}, {Do: MoveRow, At: inRow("r2"), N: 1}}, []string{"r2: L", "r1: 9P L"}},
		{"mirrored", []Op{{Do: MirrorRow, At: inRow("r1")}}, []string{"r1: ~(9P L)"}},
		{"mirrored and back", []Op{{Do: MirrorRow, At: inRow("r1")}, {Do: MirrorRow, At: inRow("r1")}}, []string{"r1: 9P L"}},
		{"the first removed", []Op{{Do: AddRow, At: inRow("r1"), Text: "L"}, {Do: RemoveRow, At: inRow("r1")}}, []string{"r2: L"}},
		{"beads change places in one row", []Op{{Do: AddRow, At: inRow("r1")}, {Do: SwapBeads, At: inRow("r2"), Text: "P L"}}, []string{"r1: 9P L", "r2: 9L P"}},
		{"letters change in every row", []Op{{Do: AddRow, At: inRow("r1")}, {Do: Letter, At: inRow("r2"), Text: "P X"}}, []string{"r1: 9X L", "r2: 9X L"}},
		{"rows alike edited together", []Op{{Do: AddRow, At: inRow("r1")}, {Do: AddRow, At: inRow("r2"), Text: "L"}, {Do: Insert, At: inRow("r2"), Alike: true, From: 9, To: 9, Text: "C"}}, []string{"r1: 9P C L", "r2: 9P C L", "r3: L"}},
		{"one of those alike", []Op{{Do: AddRow, At: inRow("r1")}, {Do: Insert, At: inRow("r2"), From: 9, To: 9, Text: "C"}}, []string{"r1: 9P L", "r2: 9P C L"}},
	} {
		after, _, err := Apply(p, nil, tt.ops...)
		if err != nil || !slices.Equal(linesOf(after), tt.want) {
			t.Errorf("%s: %v %v, want %v", tt.name, err, linesOf(after), tt.want)
			continue
		}
		if faults := after.Check(); len(faults) > 0 {
			t.Errorf("%s: %v", tt.name, faults)
		}
	}
	if !slices.Equal(linesOf(p), []string{"r1: 9P L"}) {
		t.Error("the piece itself is left alone")
	}
	mirrored := applied(t, p, nil, Op{Do: MirrorRow})
	if mirrored.Leading().Left[0].ID != "f5" || mirrored.Leading().Right[0].ID != "own" {
		t.Errorf("its ends change sides: %+v", mirrored.Leading())
	}
	copied, _, _ := Apply(p, nil, Op{Do: AddRow})
	if own := copied.Rows()[1].Left; len(own) != 1 || own[0].ID == "own" || own[0].Of != ring.Of {
		t.Errorf("a copy has fittings of its own: %+v", own)
	}
}

func TestANewRowFollowsAsRowsUsuallyDo(t *testing.T) {
	p := tiedBench(t, "9P L")
	p.Kind = piece.Necklace
	necklace := applied(t, p, nil, Op{Do: AddRow, N: 2})
	for i, r := range necklace.Rows() {
		want := piece.Follow{Rule: piece.Longer, Step: 20} // four times a pearl of 4, to the next 5
		if i == 0 {
			want = piece.Follow{}
		}
		if r.Follow != want {
			t.Errorf("row %d: %+v", i+1, r.Follow)
		}
	}
	p.Kind = piece.Bracelet
	bracelet, _, _ := Apply(p, nil, Op{Do: AddRow})
	if bracelet.Rows()[1].Follow.Rule != piece.Equal {
		t.Errorf("%+v", bracelet.Rows()[1].Follow)
	}
	step := length.MM(12)
	after := applied(t, necklace, nil, Op{Do: SetFollow, At: inRow("r2"), Text: "longer", Length: &step}, Op{Do: SetFollow, At: inRow("r3"), Text: "equal"}, Op{Do: MoveRow, At: inRow("r3"), N: 1})
	rows := after.Rows()
	if rows[0].ID != "r3" || rows[0].Follow != (piece.Follow{}) || rows[1].Follow != (piece.Follow{Rule: piece.Longer, Step: 12}) || rows[2].Follow != (piece.Follow{Rule: piece.Equal}) {
		t.Errorf("rules stay with the places: %+v %+v %+v", rows[0], rows[1], rows[2])
	}
}

func TestPortsGoWithWhatTheyAreOn(t *testing.T) {
	p := applied(t, tiedBench(t, "9P"), nil, Op{Do: AddRow})
	ring := p.Closure.Right[0]
	at := piece.Place{Row: "r2", Side: piece.Right, Element: piece.NoElement}
	p = applied(t, p, nil, Op{Do: AddFitting, At: piece.Place{Side: piece.Right, Element: -1}, Closure: true, N: 9, Material: ring.Of},
		Op{Do: SetPort, At: at, Field: string(ring.ID)})
	if p.Rows()[1].RightPort.On != ring.ID || p.Joined(p.Rows()[1], piece.Right).ID != ring.ID || p.Joined(p.Rows()[0], piece.Right).ID == ring.ID {
		t.Fatalf("%+v", p.Rows()[1].RightPort)
	}
	gone := applied(t, p, nil, Op{Do: DropFitting, At: piece.Place{Fitting: ring.ID, Element: -1}})
	if gone.Rows()[1].RightPort != (piece.Port{}) || len(gone.Check()) > 0 {
		t.Errorf("on a fitting that is gone: %+v %v", gone.Rows()[1].RightPort, gone.Check())
	}
	slide := &material.Material{ID: "slide", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Slide, Closed: 9, Holes: 3, Spacing: 6}}
	p.Closure = piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "k", Of: slide}}}
	p.Rows()[1].RightPort = piece.Port{}
	moved := applied(t, p, nil, Op{Do: SetPort, At: at, N: 1})
	if moved.Hole(moved.Rows()[1], piece.Right) != 1 || moved.Hole(moved.Rows()[0], piece.Right) != 2 || moved.Hole(moved.Rows()[0], piece.Left) != 1 || len(moved.Check()) > 0 {
		t.Errorf("a row moved into a taken hole changes places: %v", moved.Check())
	}
	moved = applied(t, moved, nil, Op{Do: SetPort, At: at, N: 3})
	if moved.Hole(moved.Rows()[1], piece.Right) != 3 || moved.Hole(moved.Rows()[0], piece.Right) != 2 {
		t.Error("into an empty one it moves alone")
	}
	twisted, _, _ := Apply(p, nil, Op{Do: SetTwist, Text: piece.Yes})
	if !twisted.Sections[0].Twisted || p.Sections[0].Twisted {
		t.Error("twisted together")
	}
	one, _, _ := Apply(twisted, nil, Op{Do: RemoveRow, At: inRow("r1")})
	if one.Sections[0].Twisted || one.Leading().RightPort != (piece.Port{}) {
		t.Errorf("one row left: %+v", one.Leading())
	}
}

func TestWhatRowsCannotDoIsRefused(t *testing.T) {
	p := tiedBench(t, "9P")
	two := applied(t, p, nil, Op{Do: AddRow})
	folded := tiedBench(t, "9P")
	folded.Leading().LeftEnding.Way = piece.WayFold
	for says, tt := range map[string]struct {
		p  *piece.Piece
		op Op
	}{
		"A piece needs a row":          {p, Op{Do: RemoveRow}},
		"There are rows 1 to 2":        {two, Op{Do: MoveRow, At: inRow("r2"), N: 3}},
		"at most 20 rows":              {p, Op{Do: AddRow, N: 20}},
		"The first row follows no":     {two, Op{Do: SetFollow, At: inRow("r1"), Text: "equal"}},
		"has no row \"r9\"":            {two, Op{Do: RemoveRow, At: inRow("r9")}},
		"Close the piece with a clasp": {bench(t, "9P"), Op{Do: AddRow}},
		"Remove rows first":            {two, Op{Do: SetClosure, Text: "knot"}},
		"The fold of the cord lies":    {folded, Op{Do: MirrorRow}},
		"A dish's letter is":           {two, Op{Do: SwapBeads, At: inRow("r2"), Text: "2P"}},
	} {
		refuses(t, tt.p, says, tt.op)
	}
	if _, _, err := Apply(p, nil, Op{Do: AddRow, N: 19}); err != nil {
		t.Errorf("twenty in all: %v", err)
	}
}

// A row of chain comes with the links that bring it nearest to its length, and takes no
// beads.
func TestARowOfChainIsAdded(t *testing.T) {
	chain := &material.Material{ID: "chain", Name: "chain", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"}}
	p := tiedBench(t, "20P")
	p.Target = nil
	for name, target := range map[string]*piece.Target{"as the row before": nil, "to the target": {Finished: 150, Tolerance: 3}} {
		p.Target = target
		after, _, err := Apply(p, nil, Op{Do: AddRow, Material: chain})
		if err != nil || len(after.Check()) > 0 {
			t.Fatalf("%s: %v %v", name, err, after.Check())
		}
		m, err := measure.Measure(after)
		if err != nil {
			t.Fatal(err)
		}
		want := m.Strands[0].Finished()
		if target != nil {
			want = target.Finished
		}
		if off := m.Strands[1].Finished() - want; off > 1.5 || off < -1.5 || after.Rows()[1].Corded() {
			t.Errorf("%s: off by %v", name, off)
		}
		for says, op := range map[string]Op{
			"Beads need a cord": {Do: Insert, At: inRow(after.Rows()[1].ID), Text: "P"},
			"it has no beads":   {Do: MirrorRow, At: inRow(after.Rows()[1].ID)},
		} {
			refuses(t, after, says, op)
		}
		corded := applied(t, after, nil, Op{Do: SetCord, At: inRow(after.Rows()[1].ID), Material: p.Leading().Cord}, Op{Do: Insert, At: inRow(after.Rows()[1].ID), Text: "3P"})
		if corded.Rows()[1].Line.String() != "3P" {
			t.Error("with a cord it takes beads")
		}
	}
	refuses(t, p, "ring has no links", Op{Do: AddRow, Material: p.Closure.Left[0].Of})
}

func TestSectionsAreAddedAndRemoved(t *testing.T) {
	focal := testparts.Bead(t, "focal", material.Bead{Shape: material.Round, Across: 12, Hole: 2}, 0)
	ring := &material.Material{ID: "r", Name: "r", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 5, Wire: 1}}
	p := applied(t, tiedBench(t, "9P"), nil, Op{Do: AddRow})
	for _, of := range []*material.Material{focal, ring} {
		made, _, err := Apply(p, nil, Op{Do: AddSection, At: inRow("r1"), Material: of})
		if err != nil || len(made.Check()) > 0 || len(made.Sections) != 2 || len(made.Sections[1].Rows) != 2 {
			t.Fatalf("%s: %v %v", of.ID, err, made.Check())
		}
		first, second := made.Sections[0].Rows[0], made.Sections[1].Rows[0]
		if through := of == focal; through != (len(first.Right) == 0) || through != (len(second.Left) == 0) || len(second.Right) == 0 || through != (made.RunsOn(first) == second) {
			t.Errorf("%s: %+v then %+v", of.ID, first.Right, second.Left)
		}
		for _, id := range []piece.ID{first.ID, second.ID} {
			left, _, err := Apply(made, nil, Op{Do: RemoveSection, At: inRow(id)})
			if err != nil || len(left.Sections) != 1 || len(left.Joins) != 0 || len(left.Check()) > 0 {
				t.Fatalf("%s without %s: %v %v", of.ID, id, err, left.Check())
			}
			if r := left.Leading(); len(r.Left) == 0 || len(r.Right) == 0 || len(left.Rows()) != 2 {
				t.Errorf("%s without %s both ends are made: %+v", of.ID, id, r)
			}
		}
		at := piece.Place{Fitting: made.Joins[0].Fittings[0].ID, Element: piece.NoElement}
		other := *of
		other.ID = "other"
		if changed, _, err := Apply(made, nil, Op{Do: SetFitting, At: at, Material: &other}); err != nil || changed.Joins[0].Fittings[0].Of.ID != "other" || made.Joins[0].Fittings[0].Of.ID == "other" {
			t.Errorf("%s: another in its place: %v", of.ID, err)
		}
		swap := map[*material.Material]*material.Material{focal: ring, ring: focal}[of]
		for says, op := range map[string]Op{"Something must join": {Do: DropFitting, At: at}, "add it anew": {Do: SetFitting, At: at, Material: swap}, "closes with a clasp already": {Do: SetClosure, Text: "clasp"}} {
			refuses(t, made, says, op)
		}
	}
	for says, tt := range map[string]Op{"Choose what joins": {Do: AddSection, At: inRow("r1")}, "A piece needs a section": {Do: RemoveSection, At: inRow("r1")}} {
		refuses(t, p, says, tt)
	}
}

// Beside a cord that runs on, every strand still ends at both its sides and nowhere else.
func TestSectionsBesideACordThatRunsOn(t *testing.T) {
	focal := testparts.Bead(t, "focal", material.Bead{Shape: material.Round, Across: 12, Hole: 2}, 0)
	ring := &material.Material{ID: "r", Name: "r", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 5, Wire: 1}}
	p := applied(t, tiedBench(t, "9P"), nil, Op{Do: AddSection, At: inRow("r1"), Material: focal})
	last := p.Rows()[1].ID
	ends := func(name, want string, ops ...Op) {
		t.Helper()
		after, _, err := Apply(p, nil, ops...)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			return
		}
		got := ""
		for i, s := range after.Sections {
			if i > 0 {
				got += map[bool]string{true: "o", false: "-"}[after.Joins[i-1].Through()]
			}
			got += map[bool]string{true: "[", false: "."}[len(s.Rows[0].Left) > 0] + map[bool]string{true: "]", false: "."}[len(s.Rows[0].Right) > 0]
		}
		if got != want {
			t.Errorf("%s: %s, want %s", name, got, want)
		}
	}
	ends("through a bead", "[.o.]")
	ends("a ring before the bead", "[]-[.o.]", Op{Do: AddSection, At: inRow("r1"), Material: ring})
	ends("a ring behind it", "[.o.]-[]", Op{Do: AddSection, At: inRow(last), Material: ring})
	ends("a bead more", "[.o..o.]", Op{Do: AddSection, At: inRow("r1"), Material: focal})
	ends("the middle one removed", "[]-[]", Op{Do: AddSection, At: inRow("r1"), Material: ring}, Op{Do: RemoveSection, At: inRow("r3")})
	ends("mirrored", "[.o.]", Op{Do: MirrorRow, At: inRow("r1")})
	refuses(t, p, "The first row follows no other", Op{Do: SetFollow, At: inRow(last), Text: string(piece.Equal)})
}
