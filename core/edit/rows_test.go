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
		{"a copy", []Op{AddRow{At: inRow("r1")}}, []string{"r1: 9P L", "r2: 9P L"}},
		{"two copies", []Op{AddRow{At: inRow("r1"), Rows: 2}}, []string{"r1: 9P L", "r2: 9P L", "r3: 9P L"}},
		{"one with a line of its own", []Op{AddRow{At: inRow("r1"), Line: "4L"}}, []string{"r1: 9P L", "r2: 4L"}},
		{"behind the row it copies", []Op{AddRow{At: inRow("r1"), Line: "L"}, AddRow{At: inRow("r1"), Line: "P"}}, []string{"r1: 9P L", "r3: P", "r2: L"}},
		{"moved to the front", []Op{AddRow{At: inRow("r1"), Line: "L"}, MoveRow{At: inRow("r2"), To: 1}}, []string{"r2: L", "r1: 9P L"}},
		{"mirrored", []Op{MirrorRow{At: inRow("r1")}}, []string{"r1: ~(9P L)"}},
		{"mirrored and back", []Op{MirrorRow{At: inRow("r1")}, MirrorRow{At: inRow("r1")}}, []string{"r1: 9P L"}},
		{"the first removed", []Op{AddRow{At: inRow("r1"), Line: "L"}, RemoveRow{At: inRow("r1")}}, []string{"r2: L"}},
		{"beads change places in one row", []Op{AddRow{At: inRow("r1")}, SwapBeads{At: inRow("r2"), Letters: "P L"}}, []string{"r1: 9P L", "r2: 9L P"}},
		{"letters change in every row", []Op{AddRow{At: inRow("r1")}, Letter{At: inRow("r2"), Letters: "P X"}}, []string{"r1: 9X L", "r2: 9X L"}},
		{"rows alike edited together", []Op{AddRow{At: inRow("r1")}, AddRow{At: inRow("r2"), Line: "L"}, Insert{At: inRow("r2"), Alike: true, From: 9, To: 9, Beads: "C"}}, []string{"r1: 9P C L", "r2: 9P C L", "r3: L"}},
		{"one of those alike", []Op{AddRow{At: inRow("r1")}, Insert{At: inRow("r2"), From: 9, To: 9, Beads: "C"}}, []string{"r1: 9P L", "r2: 9P C L"}},
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
	mirrored := applied(t, p, nil, MirrorRow{})
	if mirrored.Leading().Left[0].ID != "f5" || mirrored.Leading().Right[0].ID != "own" {
		t.Errorf("its ends change sides: %+v", mirrored.Leading())
	}
	copied, _, _ := Apply(p, nil, AddRow{})
	if own := copied.Rows()[1].Left; len(own) != 1 || own[0].ID == "own" || own[0].Of != ring.Of {
		t.Errorf("a copy has fittings of its own: %+v", own)
	}
}

func TestANewRowFollowsAsRowsUsuallyDo(t *testing.T) {
	p := tiedBench(t, "9P L")
	p.Kind = piece.Necklace
	necklace := applied(t, p, nil, AddRow{Rows: 2})
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
	bracelet, _, _ := Apply(p, nil, AddRow{})
	if bracelet.Rows()[1].Follow.Rule != piece.Equal {
		t.Errorf("%+v", bracelet.Rows()[1].Follow)
	}
	step := length.MM(12)
	after := applied(t, necklace, nil, SetFollow{At: inRow("r2"), Rule: "longer", Step: &step}, SetFollow{At: inRow("r3"), Rule: "equal"}, MoveRow{At: inRow("r3"), To: 1})
	rows := after.Rows()
	if rows[0].ID != "r3" || rows[0].Follow != (piece.Follow{}) || rows[1].Follow != (piece.Follow{Rule: piece.Longer, Step: 12}) || rows[2].Follow != (piece.Follow{Rule: piece.Equal}) {
		t.Errorf("rules stay with the places: %+v %+v %+v", rows[0], rows[1], rows[2])
	}
}

func TestPortsGoWithWhatTheyAreOn(t *testing.T) {
	p := applied(t, tiedBench(t, "9P"), nil, AddRow{})
	ring := p.Closure.Right[0]
	at := piece.Place{Row: "r2", Side: piece.Right, Element: piece.NoElement}
	p = applied(t, p, nil, AddFitting{At: piece.Place{Side: piece.Right, Element: -1}, Closure: true, N: 9, Of: ring.Of},
		SetPort{At: at, On: ring.ID})
	if p.Rows()[1].RightPort.On != ring.ID || p.Joined(p.Rows()[1], piece.Right).ID != ring.ID || p.Joined(p.Rows()[0], piece.Right).ID == ring.ID {
		t.Fatalf("%+v", p.Rows()[1].RightPort)
	}
	gone := applied(t, p, nil, DropFitting{At: piece.Place{Fitting: ring.ID, Element: -1}})
	if gone.Rows()[1].RightPort != (piece.Port{}) || len(gone.Check()) > 0 {
		t.Errorf("on a fitting that is gone: %+v %v", gone.Rows()[1].RightPort, gone.Check())
	}
	slide := &material.Material{ID: "slide", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Slide, Closed: 9, Holes: 3, Spacing: 6}}
	p.Closure = piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "k", Of: slide}}}
	p.Rows()[1].RightPort = piece.Port{}
	moved := applied(t, p, nil, SetPort{At: at, Hole: 1})
	if moved.Hole(moved.Rows()[1], piece.Right) != 1 || moved.Hole(moved.Rows()[0], piece.Right) != 2 || moved.Hole(moved.Rows()[0], piece.Left) != 1 || len(moved.Check()) > 0 {
		t.Errorf("a row moved into a taken hole changes places: %v", moved.Check())
	}
	moved = applied(t, moved, nil, SetPort{At: at, Hole: 3})
	if moved.Hole(moved.Rows()[1], piece.Right) != 3 || moved.Hole(moved.Rows()[0], piece.Right) != 2 {
		t.Error("into an empty one it moves alone")
	}
	twisted, _, _ := Apply(p, nil, SetTwist{Twist: piece.Yes})
	if !twisted.Sections[0].Twisted || p.Sections[0].Twisted {
		t.Error("twisted together")
	}
	one, _, _ := Apply(twisted, nil, RemoveRow{At: inRow("r1")})
	if one.Sections[0].Twisted || one.Leading().RightPort != (piece.Port{}) {
		t.Errorf("one row left: %+v", one.Leading())
	}
}

func TestWhatRowsCannotDoIsRefused(t *testing.T) {
	p := tiedBench(t, "9P")
	two := applied(t, p, nil, AddRow{})
	folded := tiedBench(t, "9P")
	folded.Leading().LeftEnding.Way = piece.WayFold
	for says, tt := range map[string]struct {
		p  *piece.Piece
		op Op
	}{
		"A piece needs a row":          {p, RemoveRow{}},
		"There are rows 1 to 2":        {two, MoveRow{At: inRow("r2"), To: 3}},
		"at most 20 rows":              {p, AddRow{Rows: 20}},
		"The first row follows no":     {two, SetFollow{At: inRow("r1"), Rule: "equal"}},
		"has no row \"r9\"":            {two, RemoveRow{At: inRow("r9")}},
		"Close the piece with a clasp": {bench(t, "9P"), AddRow{}},
		"Remove rows first":            {two, SetClosure{Closure: "knot"}},
		"The fold of the cord lies":    {folded, MirrorRow{}},
		"A dish's letter is":           {two, SwapBeads{At: inRow("r2"), Letters: "2P"}},
	} {
		refuses(t, tt.p, says, tt.op)
	}
	if _, _, err := Apply(p, nil, AddRow{Rows: 19}); err != nil {
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
		after, _, err := Apply(p, nil, AddRow{Chain: chain})
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
			"Beads need a cord": Insert{At: inRow(after.Rows()[1].ID), Beads: "P"},
			"it has no beads":   MirrorRow{At: inRow(after.Rows()[1].ID)},
		} {
			refuses(t, after, says, op)
		}
		corded := applied(t, after, nil, SetCord{At: inRow(after.Rows()[1].ID), Cord: p.Leading().Cord}, Insert{At: inRow(after.Rows()[1].ID), Beads: "3P"})
		if corded.Rows()[1].Line.String() != "3P" {
			t.Error("with a cord it takes beads")
		}
	}
	refuses(t, p, "ring has no links", AddRow{Chain: p.Closure.Left[0].Of})
}

func TestSectionsAreAddedAndRemoved(t *testing.T) {
	focal := testparts.Bead(t, "focal", material.Bead{Shape: material.Round, Across: 12, Hole: 2}, 0)
	ring := &material.Material{ID: "r", Name: "r", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 5, Wire: 1}}
	p := applied(t, tiedBench(t, "9P"), nil, AddRow{})
	for _, of := range []*material.Material{focal, ring} {
		made, _, err := Apply(p, nil, AddSection{At: inRow("r1"), Join: of})
		if err != nil || len(made.Check()) > 0 || len(made.Sections) != 2 || len(made.Sections[1].Rows) != 2 {
			t.Fatalf("%s: %v %v", of.ID, err, made.Check())
		}
		first, second := made.Sections[0].Rows[0], made.Sections[1].Rows[0]
		if through := of == focal; through != (len(first.Right) == 0) || through != (len(second.Left) == 0) || len(second.Right) == 0 || through != (made.RunsOn(first) == second) {
			t.Errorf("%s: %+v then %+v", of.ID, first.Right, second.Left)
		}
		for _, id := range []piece.ID{first.ID, second.ID} {
			left, _, err := Apply(made, nil, RemoveSection{At: inRow(id)})
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
		if changed, _, err := Apply(made, nil, SetFitting{At: at, Of: &other}); err != nil || changed.Joins[0].Fittings[0].Of.ID != "other" || made.Joins[0].Fittings[0].Of.ID == "other" {
			t.Errorf("%s: another in its place: %v", of.ID, err)
		}
		swap := map[*material.Material]*material.Material{focal: ring, ring: focal}[of]
		for says, op := range map[string]Op{"Something must join": DropFitting{At: at}, "add another": SetFitting{At: at, Of: swap}, "closes with a clasp already": SetClosure{Closure: "clasp"}} {
			refuses(t, made, says, op)
		}
	}
	for says, tt := range map[string]Op{"Choose what joins": AddSection{At: inRow("r1")}, "A piece needs a section": RemoveSection{At: inRow("r1")}} {
		refuses(t, p, says, tt)
	}
}

// Beside a cord that runs on, every strand still ends at both its sides and nowhere else.
func TestSectionsBesideACordThatRunsOn(t *testing.T) {
	focal := testparts.Bead(t, "focal", material.Bead{Shape: material.Round, Across: 12, Hole: 2}, 0)
	ring := &material.Material{ID: "r", Name: "r", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 5, Wire: 1}}
	p := applied(t, tiedBench(t, "9P"), nil, AddSection{At: inRow("r1"), Join: focal})
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
	ends("a ring before the bead", "[]-[.o.]", AddSection{At: inRow("r1"), Join: ring})
	ends("a ring behind it", "[.o.]-[]", AddSection{At: inRow(last), Join: ring})
	ends("a bead more", "[.o..o.]", AddSection{At: inRow("r1"), Join: focal})
	ends("the middle one removed", "[]-[]", AddSection{At: inRow("r1"), Join: ring}, RemoveSection{At: inRow("r3")})
	ends("mirrored", "[.o.]", MirrorRow{At: inRow("r1")})
	refuses(t, p, "The first row follows no other", SetFollow{At: inRow(last), Rule: piece.Equal})
}
