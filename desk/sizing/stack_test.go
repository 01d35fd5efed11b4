package sizing_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/desk/testdesk"
	"mala/format"
)

// rounds is a stretch band of n rounds of this many mm.
func rounds(t *testing.T, name string, n string, across length.MM) format.Document {
	doc := *testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json"))
	doc.Name, doc.Stack, doc.Target, doc.Sizes = name, "bands", nil, nil
	doc.Palette = map[string]string{"R": "round"}
	doc.Materials = append(slices.DeleteFunc(slices.Clone(doc.Materials), func(m format.Material) bool { return m.Class == "bead" }),
		format.Material{ID: "round", Class: "bead", Name: "Round", Shape: "round", AcrossMm: across, HoleMm: 1})
	doc.Sections = []format.Section{{Rows: []format.Row{doc.Sections[0].Rows[0]}}}
	doc.Sections[0].Rows[0].Line = n + "R"
	return doc
}

// Rounds of 4 and of 10 of one strung length differ by about 20 mm inside; of one inside length
// by about as much in strung length. What a way says is what the piece becomes.
func TestAStackIsBroughtTogether(t *testing.T) {
	small, big := rounds(t, "Small", "46", 4), rounds(t, "Big", "15", 10)
	own, other := testdesk.Analysed(t, &small, desk.Options{}), testdesk.Analysed(t, &big, desk.Options{})
	tolerance := length.MM(5)
	for _, strung := range []bool{false, true} {
		in := sizing.StackWanted{Document: small, ID: "a", Strung: strung, ToleranceMm: &tolerance}
		st, err := sizing.BringTogether(t.Context(), &in, []sizing.Stacked{{ID: "b", Revision: 7, Document: big}}, desk.Options{Unit: length.InMillimetres})
		if err != nil || len(st.Members) != 2 {
			t.Fatalf("%v, %+v", err, st)
		}
		first, second := st.Members[0], st.Members[1]
		if !first.Alike || first.OffMm != 0 || len(first.Items) > 0 || second.Alike || second.Revision != 7 || len(second.Items) == 0 {
			t.Fatalf("strung %v: %+v", strung, st)
		}
		way := second.Items[0]
		after := testdesk.Analysed(t, testdesk.Apply(t, &big, way.Operations...), desk.Options{})
		want, is, now := *own.InsideMm, *after.InsideMm, *other.InsideMm
		if strung {
			want, is, now = own.Strands[0].StrungMm, after.Strands[0].StrungMm, other.Strands[0].StrungMm
		}
		if math.Abs(float64(is-want)) > 5 || st.WantMm != want || math.Abs(float64(second.OffMm-(now-want))) > 1e-3 || way.StrungMm != after.Strands[0].StrungMm || *way.InsideMm != *after.InsideMm {
			t.Errorf("strung %v: %v, wanted %v, was off by %v", strung, is, want, second.OffMm)
		}
		inside, strungBy := *own.InsideMm-*after.InsideMm, after.Strands[0].StrungMm-own.Strands[0].StrungMm
		differ, says := strungBy, "in strung length: thicker beads need more of it"
		if strung {
			differ, says = inside, "inside: the thicker the beads, the less room they leave"
		}
		if !strings.Contains(st.Says, "differ by "+differ.In(length.InMillimetres)+" "+says) || differ < 14 || differ > 25 {
			t.Errorf("strung %v: %s", strung, st.Says)
		}
	}
}

// A piece of the stack that cannot be brought along says why, and the others are.
func TestAStackSaysWhatCannotBeBroughtAlong(t *testing.T) {
	small, big := rounds(t, "Small", "46", 4), rounds(t, "Big", "15", 10)
	broken, pinned, target := rounds(t, "Broken", "3(", 10), rounds(t, "Pinned", "15", 10), rounds(t, "Target", "15", 10)
	pinned.Pinned = []format.Pin{{Strand: pinned.Sections[0].Rows[0].ID}}
	target.Target = &format.Target{FinishedMm: 149, ToleranceMm: 2}
	rows := *testdesk.Read(t, testdesk.DemoFile(t, "pieces/three-moorings.json"))
	others := []sizing.Stacked{{ID: "b", Document: broken}, {ID: "c", Document: pinned}, {ID: "d", Document: rows}, {ID: "e", Document: target}, {ID: "f", Document: big}}
	tolerance := length.MM(5)
	st, err := sizing.BringTogether(t.Context(), &sizing.StackWanted{Document: small, ID: "a", ToleranceMm: &tolerance}, others, desk.Options{Unit: length.InMillimetres})
	if err != nil {
		t.Fatal(err)
	}
	for i, says := range []string{"", "has an error", "pinned", "several rows", "", ""} {
		if got := st.Members[i]; says == "" && got.Why != "" || !strings.Contains(got.Why, says) {
			t.Errorf("%s: %q", got.Document.Name, got.Why)
		}
	}
	ops := st.Members[4].Items[0].Operations
	if last := ops[len(ops)-1]; last.Do != "set-target" || *last.Mm != st.Members[4].Items[0].FinishedMm {
		t.Errorf("its target moves along: %+v", ops)
	}
	big.Stack = "bands"
	for others, left := range map[int]bool{8: false, 9: true} {
		st, err := sizing.BringTogether(t.Context(), &sizing.StackWanted{Document: small}, make([]sizing.Stacked, others), desk.Options{})
		if err != nil || len(st.Members) != 9 || strings.Contains(st.Why, "At most 9 pieces") != left {
			t.Errorf("%d others: %v, %d members, %q", others, err, len(st.Members), st.Why)
		}
	}
	if _, err := sizing.BringTogether(t.Context(), &sizing.StackWanted{Document: small, ToMm: 1e308}, nil, desk.Options{}); err == nil {
		t.Error("1e308 mm")
	}
	few := rounds(t, "Few", "2", 4)
	if st, err := sizing.BringTogether(t.Context(), &sizing.StackWanted{Document: few}, nil, desk.Options{}); err != nil || !strings.Contains(st.Why, "too few beads") {
		t.Errorf("%v, %+v", err, st)
	}
}

// A stack has a name of plain text, which a piece is given and loses.
func TestAPieceJoinsAStack(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/tidewrack.json"))
	joined := testdesk.Apply(t, doc, desk.Operation{Do: "set-stack", Text: "  Evenings "})
	if joined.Stack != "Evenings" || testdesk.Apply(t, joined, desk.Operation{Do: "set-stack"}).Stack != "" {
		t.Errorf("%q", joined.Stack)
	}
	for _, bad := range []string{strings.Repeat("x", 41), "a\nb"} {
		if _, err := desk.Apply(doc, []desk.Operation{{Do: "set-stack", Text: bad}}, desk.Options{}); err == nil || !strings.Contains(err.Error(), "A stack has a name") {
			t.Errorf("%q: %v", bad, err)
		}
	}
}
