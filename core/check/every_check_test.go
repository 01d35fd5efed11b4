package check

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

func finding(id, metal string, f material.Finding) *material.Material {
	return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Metal: metal, Finding: &f}
}

// stretch is a ring of the necklace's beads on 0.7 elastic, H a wooden bead with
// a hole of 2.5, C a cap, E a heart drilled through its height, W one through its
// width.
func stretch(t *testing.T, line string) *piece.Piece {
	p := necklace(t, line)
	p.Kind, p.Closure = piece.Bracelet, piece.Closure{Type: piece.Knot}
	p.Sections[0].Rows[0].Left, p.Sections[0].Rows[0].Right = nil, nil
	p.Sections[0].Rows[0].Cord = elastic(0.7)
	return dishes(t, p)
}

func dishes(t *testing.T, p *piece.Piece) *piece.Piece {
	p.Palette["H"] = bead(t, "wood", material.Bead{Shape: material.Round, Across: 8, Hole: 2.5})
	p.Palette["C"] = bead(t, "cap", material.Bead{Shape: material.Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 0.9})
	p.Palette["Q"] = bead(t, "charm", material.Bead{Shape: material.Charm, Across: 4.4, Hole: 3, Along: 0.7, Drop: 18})
	p.Palette["E"] = bead(t, "heart", material.Bead{Shape: material.Focal, Across: 9, Along: 9, Hole: 0.9, Facing: material.FacingUpright, Drilled: material.ThroughHeight})
	p.Palette["W"] = bead(t, "letter", material.Bead{Shape: material.Letter, Across: 6, Along: 6, Hole: 0.9, Facing: material.FacingUpright, Drilled: material.ThroughWidth})
	return p
}

func elastic(d length.MM) *material.Material {
	return &material.Material{ID: "elastic", Name: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: d}}
}

// with changes a piece and gives it back.
func with(p *piece.Piece, change func(p *piece.Piece, row *piece.Row)) *piece.Piece {
	change(p, &p.Sections[0].Rows[0])
	return p
}

func ends(left ...*material.Material) func(*piece.Piece, *piece.Row) {
	return func(p *piece.Piece, _ *piece.Row) { p.Closure.Left = left }
}

func slack(mm length.MM) func(*piece.Piece, *piece.Row) {
	return func(_ *piece.Piece, row *piece.Row) { row.Slack = &mm }
}

func wrist(measure length.MM, fit string) func(*piece.Piece, *piece.Row) {
	return func(p *piece.Piece, _ *piece.Row) { p.Body = &piece.Body{Part: "wrist", Measure: measure, Fit: fit} }
}

var (
	lobster   = finding("lobster", "brass", material.Finding{Type: material.Lobster, Closed: 8.6, Wire: 1, Eye: "closed"})
	jump      = finding("jump ring", "brass", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open", Form: "round"})
	fine      = finding("fine ring", "brass", material.Finding{Type: material.JumpRing, Inside: 1.2, Wire: 0.5, Joint: "open", Form: "round"})
	soldered  = finding("soldered ring", "brass", material.Finding{Type: material.JumpRing, Inside: 4, Wire: 0.8, Joint: "soldered", Form: "round"})
	split     = finding("split ring", "brass", material.Finding{Type: material.SplitRing, Inside: 4, Wire: 1})
	silver    = finding("silver ring", "silver", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open"})
	chainShut = finding("chain", "brass", material.Finding{Type: material.Extender, Inside: 3, Wire: 0.6, Links: 10, Joint: "soldered"})
	chainOpen = finding("open chain", "brass", material.Finding{Type: material.Extender, Inside: 3, Wire: 0.6, Links: 10, Joint: "open"})
	wideCrimp = finding("wide crimp", "brass", material.Finding{Type: material.CrimpTube, Inside: 1.8, Outside: 2.4, Length: 2})
	tinyCrimp = finding("tiny crimp", "brass", material.Finding{Type: material.CrimpTube, Inside: 0.7, Outside: 1.2, Length: 2})
	cover     = finding("cover 3", "brass", material.Finding{Type: material.CrimpCover, Outside: 3, Length: 3})
	bigCover  = finding("cover 5", "brass", material.Finding{Type: material.CrimpCover, Outside: 5, Length: 4})
	toggle10  = finding("toggle", "brass", material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 18, BarThickness: 2, BarEye: 2})
)

func crimps(c *material.Material) func(*piece.Piece, *piece.Row) {
	return func(_ *piece.Piece, row *piece.Row) {
		row.Left, row.Right = []*material.Material{c}, []*material.Material{c}
	}
}

func covered(c *material.Material) func(*piece.Piece, *piece.Row) {
	return func(_ *piece.Piece, row *piece.Row) { row.Left = append(row.Left, c) }
}

func heavy(g float64) func(*piece.Piece, *piece.Row) {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Closure.Left = []*material.Material{lobster, jump}
		p.Palette["P"].MassG = g
	}
}

func cutTo(mm length.MM) func(*piece.Piece, *piece.Row) {
	return func(_ *piece.Piece, row *piece.Row) { row.Cut = &mm }
}

func TestEveryCheckFiresAndItsNearMissDoesNot(t *testing.T) {
	m, err := measure.Measure(necklace(t, "20P"))
	if err != nil {
		t.Fatal(err)
	}
	path, cut := m.Strands[0].PathLength(), m.Strands[0].CutLength()
	shown := func(p *piece.Piece, _ *piece.Row) { p.House.KnotPlace = piece.KnotShown }
	for _, tt := range []struct {
		code         string
		severity     Severity
		says         string
		fires, quiet *piece.Piece
	}{
		{"crimp-misfit", Stop, "2 passes of 0.38 mm cord measure 0.76 mm; tiny crimp", with(necklace(t, "20P"), crimps(tinyCrimp)), necklace(t, "20P")},
		{"crimp-misfit", Warn, "wide crimp at the left end is 1.8 mm inside", with(necklace(t, "20P"), crimps(wideCrimp)), necklace(t, "20P")},
		{"cover-misfit", Advise, "cover 5 is 5 mm wide", with(necklace(t, "20P"), covered(bigCover)), with(necklace(t, "20P"), covered(cover))},
		{"slack-short", Warn, "Pulled tight it will not lie round", with(necklace(t, "20P"), slack(0.2)), with(necklace(t, "20P"), slack(2.5))},
		{"slack-long", Advise, "more than bending needs", with(necklace(t, "20P"), slack(9)), with(necklace(t, "20P"), slack(7))},
		{"ease-off", Stop, "the hand needs 206.2 mm, taken from the wrist", with(stretch(t, "20R"), wrist(165, "")), with(stretch(t, "24R"), wrist(165, ""))},
		{"ease-off", Warn, "of ease on 190 mm; 0 mm to 25 mm is right", with(necklace(t, "43P"), wrist(190, "")), with(necklace(t, "43P"), wrist(165, ""))},
		{"ease-off", Warn, "15 mm to 25 mm is right", with(necklace(t, "43P"), wrist(168, "loose")), with(necklace(t, "43P"), wrist(150, "loose"))},
		{"loop-break", Warn, "the repeat of 3 beads comes 5 times and 1 beads more", stretch(t, "5(P 2T) P"), stretch(t, "5(P 2T)")},
		{"loop-break", Warn, "two pearl lie side by side", stretch(t, "<P T P T H P T | H>"), stretch(t, "<T P T P | H> P")},
		{"centre-parity", Warn, "one more pearl would put a bead at the centre", necklace(t, "8(P T)"), necklace(t, "8(P T) P")},
		{"centre-parity", Warn, "does not read the same from both sides", necklace(t, "<9P | G T>"), necklace(t, "<9P | T G T>")},
		{"pattern-break", Warn, "With one more pearl before bead 25", necklace(t, "5P T 3P T 4P G 4P T 3P T 4P"), necklace(t, "5P T 3P T 4P G 4P T 3P T 5P")},
		{"pattern-break", Warn, "Bead 8 is spacer; with pearl in its place", necklace(t, "P P T P P T P T T 4(P P T)"), necklace(t, "P P T P P T P P T 4(P P T)")},
		{"pattern-break", Warn, "Without bead 13, spacer", necklace(t, "3(P P T) P P T T 4(P P T)"), necklace(t, "3(P P T) P P T 4(P P T)")},
		{"cap-misfit", Warn, "cap opens away from wood", dishes(t, necklace(t, "3P ~C H C 3P")), dishes(t, necklace(t, "3P C H ~C 3P"))},
		{"cap-misfit", Warn, "6 mm across, pearl under it only 4 mm", dishes(t, necklace(t, "3T C P ~C 3T")), dishes(t, necklace(t, "3T C H ~C 3T"))},
		{"lies-sideways", Warn, "drilled through its height", dishes(t, necklace(t, "<20P | E>")), dishes(t, necklace(t, "<3P E 18P | P>"))},
		{"lies-sideways", Warn, "drilled through its width", dishes(t, necklace(t, "<3P W 18P | P>")), dishes(t, necklace(t, "<20P | W>"))},
		{"charm-hidden", Advise, "lets it down 3.51 mm below the cord; wood beside it reaches 4 mm", dishes(t, necklace(t, "9P H Q H 9P")), dishes(t, necklace(t, "9P H P Q P H 9P"))},
		{"toggle-blocked", Stop, "Beside the 2 mm bar the 9 mm ring leaves 7 mm; round, 8 mm across", with(necklace(t, "20P R"), ends(toggle10)), with(necklace(t, "20P R P"), ends(toggle10))},
		{"ring-too-small", Stop, "fine ring at the left end is 1.2 mm inside", with(necklace(t, "20P"), ends(lobster, fine)), with(necklace(t, "20P"), ends(lobster, jump))},
		{"clasp-closed-eye", Stop, "soldered ring and lobster at the left end are both closed", with(necklace(t, "20P"), ends(lobster, soldered)), with(necklace(t, "20P"), ends(lobster, jump, soldered))},
		{"chain-soldered", Stop, "soldered ring and chain", with(necklace(t, "20P"), ends(chainShut, soldered)), with(necklace(t, "20P"), ends(chainOpen, soldered))},
		{"weak-link", Advise, "weighs 60 g and hangs on jump ring", with(necklace(t, "20P"), heavy(3)), with(necklace(t, "20P"), heavy(2.4))},
		{"weak-link", Warn, "jump ring at the left end bears 8.0 N", with(necklace(t, "20P"), heavy(4.2)), with(necklace(t, "20P"), heavy(2.4))},
		{"metals-differ", Advise, "silver ring is silver, the other findings are brass", with(necklace(t, "20P"), ends(lobster, jump, silver)), with(necklace(t, "20P"), ends(lobster, jump, jump))},
		{"elastic-misfit", Warn, "2.5 mm of wood, takes elastic of up to 2.27 mm", with(stretch(t, "20H"), cordOf(elastic(0.6))), with(stretch(t, "20H"), cordOf(elastic(0.8)))},
		{"elastic-misfit", Warn, "this is 0.85 mm", with(stretch(t, "20P"), cordOf(elastic(0.85))), with(stretch(t, "20P"), cordOf(elastic(0.8)))},
		{"knot-shows", Warn, "about 2.1 mm thick; the widest hole, of pearl, is 0.9 mm", stretch(t, "20P"), stretch(t, "20P H")},
		{"knot-shows", Warn, "", stretch(t, "20P"), with(stretch(t, "20P"), shown)},
		{"leg-short", Stop, "its path alone takes", with(necklace(t, "20P"), cutTo(path-1)), with(necklace(t, "20P"), cutTo(cut))},
		{"leg-short", Warn, "with what the hand needs", with(necklace(t, "20P"), cutTo(path+1)), with(necklace(t, "20P"), cutTo(cut))},
	} {
		for _, p := range []*piece.Piece{tt.fires, tt.quiet} {
			p.Palette["R"] = bead(t, "round", material.Bead{Shape: material.Round, Across: 8, Hole: 1})
		}
		f := of(all(t, tt.fires), tt.code)
		if f == nil || f.Severity != tt.severity || !strings.Contains(f.Says, tt.says) {
			t.Errorf("%s: %+v, want %s saying %q", tt.code, f, tt.severity, tt.says)
		}
		if f := of(all(t, tt.quiet), tt.code); f != nil {
			t.Errorf("%s fired on its near miss: %s", tt.code, f.Says)
		}
	}
}

func cordOf(c *material.Material) func(*piece.Piece, *piece.Row) {
	return func(_ *piece.Piece, row *piece.Row) { row.Cord = c }
}

func TestEveryCheckHasItsTest(t *testing.T) {
	fired := map[string]bool{}
	for _, code := range strings.Fields(`hole-too-small crimp-swallowed bead-swallowed length-off crimp-misfit cover-misfit slack-short slack-long ease-off
		loop-break centre-parity pattern-break cap-misfit lies-sideways toggle-blocked ring-too-small clasp-closed-eye chain-soldered weak-link metals-differ
		elastic-misfit knot-shows leg-short charm-hidden`) {
		fired[code] = true
	}
	for _, j := range judgements {
		if !fired[j.code] {
			t.Errorf("%s has no piece that fires it", j.code)
		}
	}
}

// shelf is what fixes may fetch.
func shelf(t *testing.T) []*material.Material {
	crimp := finding("crimp", "brass", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2})
	thin, stout := wire(0.25), elastic(0.8)
	thin.ID, stout.ID = "thin", "stout"
	return []*material.Material{lobster, jump, fine, soldered, split, chainOpen, wideCrimp, crimp, cover, thin, stout, elastic(0.5),
		bead(t, "shelf spacer", material.Bead{Shape: material.Spacer, Across: 3, Along: 1.2, Hole: 1})}
}

func TestEveryFixMends(t *testing.T) {
	for _, tt := range []struct {
		code, says string
		piece      *piece.Piece
	}{
		{"crimp-misfit", "Use crimp instead", with(necklace(t, "20P"), crimps(tinyCrimp))},
		{"cover-misfit", "Use cover 3 instead", with(necklace(t, "20P"), covered(bigCover))},
		{"slack-short", "Give it the house's", with(necklace(t, "20P"), slack(0))},
		{"slack-long", "Give it the house's", with(necklace(t, "20P"), slack(12))},
		{"ease-off", "Make 20", with(stretch(t, "20R"), wrist(165, ""))},
		{"loop-break", "Finish the last repeat", stretch(t, "5(P 2T) P")},
		{"centre-parity", "Add a pearl at the end", necklace(t, "8(P T)")},
		{"pattern-break", "Put a pearl there", necklace(t, "5P T 3P T 4P G 4P T 3P T 4P")},
		{"pattern-break", "Change it for a pearl", necklace(t, "P P T P P T P T T 4(P P T)")},
		{"pattern-break", "Take out bead 13", necklace(t, "3(P P T) P P T T 4(P P T)")},
		{"cap-misfit", "Turn it round", dishes(t, necklace(t, "3P ~C H 3P"))},
		{"charm-hidden", "on either side", dishes(t, necklace(t, "9P H Q H 9P"))},
		{"toggle-blocked", "Add jump ring at the bar", with(necklace(t, "20P R"), ends(toggle10))},
		{"ring-too-small", "Use jump ring instead", with(necklace(t, "20P"), ends(lobster, fine))},
		{"clasp-closed-eye", "Put jump ring between", with(necklace(t, "20P"), ends(lobster, soldered))},
		{"chain-soldered", "Put jump ring between", with(necklace(t, "20P"), ends(chainShut, soldered))},
		{"weak-link", "Use split ring instead", with(necklace(t, "20P"), heavy(4.2))},
		{"metals-differ", "Use jump ring instead", with(necklace(t, "20P"), ends(lobster, jump, silver))},
		{"elastic-misfit", "String it on elastic", with(stretch(t, "20H"), cordOf(elastic(0.4)))},
		{"knot-shows", "Let the knot show", stretch(t, "20P")},
		{"leg-short", "Cut a new one of", with(necklace(t, "20P"), cutTo(40))},
	} {
		tt.piece.Palette["R"] = bead(t, "round", material.Bead{Shape: material.Round, Across: 8, Hole: 1})
		before := all(t, tt.piece, shelf(t)...)
		f := of(before, tt.code)
		if f == nil || f.Fix == nil || !strings.Contains(f.Fix.Says, tt.says) {
			t.Errorf("%s: %+v, want a fix saying %q", tt.code, f, tt.says)
			continue
		}
		after, err := f.Fix.Edit.Try(tt.piece)
		if err != nil {
			t.Fatal(err)
		}
		if left := judge(after, ""); count(left, tt.code, "") >= count(before, tt.code, "") || count(left, "", Stop) > count(before, "", Stop) {
			t.Errorf("%s: %q leaves %+v", tt.code, f.Fix.Says, left)
		}
	}
}

func TestAShopWithoutWordsOfEaseStillSeesWhatWillNotPass(t *testing.T) {
	p := with(stretch(t, "20P"), wrist(165, ""))
	p.House.Ease = nil
	found := all(t, p, shelf(t)...)
	if f := of(found, "ease-off"); f == nil || f.Severity != Stop || f.Fix == nil {
		t.Errorf("found %+v", found)
	}
	p = with(stretch(t, "60P"), wrist(165, ""))
	p.House.Ease = nil
	if f := of(all(t, p), "ease-off"); f != nil {
		t.Errorf("with nothing to hold it to: %s", f.Says)
	}
}

func TestAWaivedFindingComesLastWithItsNote(t *testing.T) {
	p := necklace(t, "3P G")
	p.Waived = []piece.Waiver{{Code: "crimp-swallowed", End: "right", Note: "glued, as asked"}}
	found := all(t, withTarget(p, 400, 3))
	last := found[len(found)-1]
	if last.Code != "crimp-swallowed" || last.Waived != "glued, as asked" {
		t.Errorf("last is %+v", last)
	}
	p.Waived[0].End = "left"
	if f := of(all(t, p), "crimp-swallowed"); f.Waived != "" {
		t.Error("a waiver for the other end waives nothing here")
	}
}

// Orders that a designer may well mean are left alone.
func TestRegularAndFreeOrdersHaveNoSlip(t *testing.T) {
	for _, line := range []string{
		"5(3P L) 3P", "6(P T) G 6(P T)", "20P", "7P G 30P", "<5P T 3P | G>", "4P 2T 5P G 3P 2T 9P T G", "<2T 9P | G> 3T", "3P T 4P T 5P T 6P T 7P",
	} {
		p := necklace(t, strings.ReplaceAll(line, "L", "G"))
		for _, code := range []string{"pattern-break", "centre-parity"} {
			if f := of(all(t, p), code); f != nil {
				t.Errorf("%s: %s", line, f.Says)
			}
		}
	}
	if _, err := pattern.Parse("P"); err != nil {
		t.Fatal(err)
	}
}
