package drape

import (
	"math"
	"math/rand/v2"
	"testing"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/statics"
	"mala/core/testparts"
)

// fine is a length of fine chain in many parts.
func fine(length, perMM float64, n int) []statics.Part {
	parts := make([]statics.Part, n)
	each := length / float64(n)
	for i := range parts {
		parts[i] = statics.Part{Length: each, Weight: perMM * each, At: each / 2}
	}
	return parts
}

// joinRows hangs rows between two places that shared parts lead to, and gives every way
// through as one chain.
func joinRows(t *testing.T, width float64, left, right []statics.Part, spacing float64, rows ...[]statics.Part) []*statics.Hanging {
	t.Helper()
	var stages []*stage
	one := func(parts []statics.Part) {
		if len(parts) > 0 {
			stages = append(stages, &stage{rows: []*hangingRow{{parts: parts}}})
		}
	}
	one(left)
	st := &stage{}
	for k, parts := range rows {
		off := spacing * (float64(k) - float64(len(rows)-1)/2)
		st.rows = append(st.rows, &hangingRow{parts: parts, left: off, right: off})
	}
	stages = append(stages, st)
	one(right)
	s := newSeries(stages, width)
	if !s.hang() {
		t.Fatal("they do not hang")
	}
	var out []*statics.Hanging
	for k := range rows {
		var joints []statics.Point
		pull := 0.0
		for i, one := range stages {
			r := one.rows[min(k, len(one.rows)-1)]
			if i == 0 {
				joints = append(joints, r.path...)
			} else if one == st {
				joints = append(joints[:len(joints)-1], r.path...)
			} else {
				joints = append(joints, r.path[1:]...)
			}
		}
		for _, r := range st.rows {
			pull += r.pull.h
		}
		out = append(out, &statics.Hanging{Joints: joints, Pull: pull})
	}
	return out
}

// Domain's own figures: 40 of chain in front at each side, three rows between them.
func TestRowsHangFromTheEndsOfChain(t *testing.T) {
	rows := joinRows(t, 360/math.Pi+2, fine(40, 0.3, 400), fine(40, 0.3, 400), 0, fine(120, 1, 600), fine(140, 1, 700), fine(160, 1, 800))
	for k, want := range []float64{73.48, 86.38, 98.25} {
		depth, _ := rows[k].Lowest()
		near(t, "how deep", depth, want, 0.02)
		left, right := rows[k].Joints[400], rows[k].Joints[400+[]int{600, 700, 800}[k]]
		near(t, "the join from the middle", left.X, -44.39, 0.01)
		near(t, "the join from the middle", right.X, 44.39, 0.01)
		near(t, "how far down the join is", left.Y, 37.50, 0.01)
		near(t, "how far down the join is", right.Y, 37.50, 0.01)
	}
}

// One row with chain hangs as the chain that it is, wherever it is cut in two.
func TestOneRowFromItsChainHangsAsOne(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 3))
	for range 60 {
		n := 6 + r.IntN(40)
		parts := make([]statics.Part, n)
		whole := 0.0
		for i := range parts {
			l := 0.5 + 4*r.Float64()
			parts[i] = statics.Part{Length: l, Weight: 3 * r.Float64(), At: l * r.Float64()}
			whole += l
		}
		width := whole * (0.3 + 0.6*r.Float64())
		from, to := r.IntN(3), n-r.IntN(3)
		if from == 0 && to == n {
			from = 1
		}
		one := hung(t, parts, width)
		cut := joinRows(t, width, parts[:from], parts[to:], 0, parts[from:to])[0]
		for i := range one.Joints {
			near(t, "x", cut.Joints[i].X, one.Joints[i].X, 1e-5*width)
			near(t, "y", cut.Joints[i].Y, one.Joints[i].Y, 1e-5*width)
		}
	}
}

// Random rows with chain at both sides: at either join the pulls balance.
func TestAtEveryJoinThePullsBalance(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 8))
	for range 40 {
		k := 2 + r.IntN(5)
		left := fine(10+40*r.Float64(), r.Float64(), 20)
		var parts [][]statics.Part
		for range k {
			parts = append(parts, fine(120+120*r.Float64(), 0.1+r.Float64(), 60))
		}
		rows := joinRows(t, 110, left, fine(10+40*r.Float64(), r.Float64(), 20), 0, parts...)
		at := func(n *statics.Hanging, i int) (x, y float64) { // along part i, of length 1
			a, b := n.Joints[i], n.Joints[i+1]
			l := math.Hypot(b.X-a.X, b.Y-a.Y)
			return (b.X - a.X) / l, (b.Y - a.Y) / l
		}
		// The horizontal pull of a row follows from how it turns at a joint inside it.
		pull := func(n *statics.Hanging, i int, load float64) float64 {
			ax, ay := at(n, i)
			bx, by := at(n, i+1)
			return load / (ay/ax - by/bx)
		}
		sum := 0.0
		for q, n := range rows {
			near(t, "it ends across", n.Joints[100].X, 55, 1e-4)
			near(t, "at the same height", n.Joints[100].Y, 0, 1e-4)
			load := parts[q][0].Weight
			sum += pull(n, 40, load)
			near(t, "the row pulls alike along it", pull(n, 25, load), pull(n, 60, load), 1e-3*(1+math.Abs(pull(n, 60, load))))
		}
		chain := pull(rows[0], 5, left[0].Weight)
		near(t, "what the chain pulls", chain, sum, 2e-3*(1+sum))
		near(t, "as it says", rows[0].Pull, sum, 2e-3*(1+sum))
	}
}

// several is a necklace with a row for each line, all on the same fittings.
func several(t *testing.T, girth length.MM, change func(p *piece.Piece), lines ...string) *measure.Measured {
	t.Helper()
	return strand(t, lines[0], girth, func(p *piece.Piece) {
		lead := p.Leading()
		for i, line := range lines[1:] {
			parsed := testparts.Line(t, line)
			row := *lead
			row.ID, row.Line = piece.ID(rune('s'+i)), parsed
			p.Sections[0].Rows = append(p.Sections[0].Rows, &row)
		}
		change(p)
	})
}

// Domain's rows of 8 on a neck of 360 with 50 of ease: with steps of 25 and 35.
func TestRowsOfEightAtTheirSteps(t *testing.T) {
	for _, tt := range []struct{ step, gap, least float64 }{{25, 0.80, 7.16}, {35, 6.42, 7.80}, {23.58, 0, 0}} {
		w := 360/math.Pi + 8
		rows := make([]*Necklace, 2)
		for k := range rows {
			n := &Necklace{inner: w, Width: w + 16*float64(k), whole: math.Pi*w + 50 + tt.step*float64(k)}
			front := fine(n.whole-n.around(), 1, 4000)
			hanging, err := statics.Hang(front, n.Width)
			if err != nil {
				t.Fatal(err)
			}
			n.hangs(front, hanging)
			rows[k] = n
		}
		near(t, "the gap", rows[1].Depth-rows[0].Depth-8, tt.gap, 0.01)
		if tt.least == 0 {
			continue
		}
		least := math.Inf(1)
		for _, p := range rows[0].hanging.Joints {
			for i, q := range rows[1].hanging.Joints[1:] {
				at := nearestOn(p, rows[1].hanging.Joints[i], q)
				least = min(least, math.Hypot(p.X-at.X, p.Y-at.Y))
			}
		}
		near(t, "the least distance", least, tt.least, 0.01)
	}
}

// Rows of one piece lie beside one another at the neck's sides, use the same length
// round it, and the longer one hangs deeper.
func TestRowsOfAPieceLieSideBySide(t *testing.T) {
	m := several(t, 360, as, "<25G | G>", "<28G | G>")
	rows := Rows(m)
	if len(rows) != 2 {
		t.Fatal("they do not hang")
	}
	near(t, "the second lies outside", rows[1].Width-rows[0].Width, 16, 1e-9)
	near(t, "as long round the neck", rows[1].around(), rows[0].around(), 1e-9)
	near(t, "the rows' gap", Beside(m)[0].Gap, rows[1].Depth-rows[0].Depth-8, 1e-9)
	if Beside(m)[0].Gap < 5 {
		t.Errorf("with six beads more it hangs %.2f deeper", Beside(m)[0].Gap)
	}
	if d := nearest(rows[0], rows[1]); d < 7 || d > 8.1 {
		t.Errorf("they come as near as %.2f", d)
	}
	crossed := Rows(several(t, 360, as, "<28G | G>", "<25G | G>"))
	if d := nearest(crossed[0], crossed[1]); d != 0 {
		t.Errorf("the shorter one outside crosses the other: %v", d)
	}
}

func TestHowNearRowsComeIsGivenOfEachAndTheNext(t *testing.T) {
	m := several(t, 360, as, "<25G | G>", "<28G | G>", "<26G | G>", "<33G | G>")
	rows, near := Rows(m), Beside(m)
	if len(near) != 3 || near[0].Near < 7 || near[1].Near != 0 || near[2].Near < 7 {
		t.Fatalf("the third crosses the second: %v", near)
	}
	for k, p := range near {
		if want := nearest(rows[k], rows[k+1]); p.Near != want {
			t.Errorf("row %d and the next: %v, on their own %v", k, p.Near, want)
		}
	}
	if one := Beside(several(t, 360, as, "<25G | G>")); len(one) != 0 {
		t.Errorf("one row comes near none: %v", one)
	}
	bracelet := several(t, 0, func(p *piece.Piece) { p.Kind, p.Body = piece.Bracelet, nil }, "<25G | G>", "<28G | G>")
	if near := Beside(bracelet); near != nil {
		t.Errorf("rows that do not hang: %v", near)
	}
}

// In the holes of a bar the rows begin apart, the first innermost, and still end where
// the shared chain does; apart by nothing they hang as from one place.
func TestRowsInHolesOfABarBeginApart(t *testing.T) {
	hang := func(spacing float64) []*statics.Hanging {
		return joinRows(t, 116, fine(40, 0.3, 40), fine(40, 0.3, 40), spacing, fine(120, 1, 60), fine(140, 1, 70), fine(160, 1, 80))
	}
	rows, together := hang(7), hang(0)
	deeper := make([]float64, 3)
	for k, n := range rows {
		end := 40 + []int{60, 70, 80}[k]
		near(t, "it ends across", n.Joints[len(n.Joints)-1].X, 58, 1e-4)
		near(t, "on both sides alike", n.Joints[40].X, -n.Joints[end].X, 1e-4)
		near(t, "apart by the holes", n.Joints[40].X, rows[1].Joints[40].X-7*float64(k-1), 1e-4)
		near(t, "at one height", n.Joints[40].Y, rows[1].Joints[40].Y, 1e-4)
		apart, _ := n.Lowest()
		one, _ := together[k].Lowest()
		deeper[k] = apart - one
	}
	if deeper[0] <= 0 || deeper[2] >= 0 {
		t.Errorf("the inner row hangs over less and so deeper, the outer less deep: %v", deeper)
	}
}

// Several rows on both sides of a bead that all share: at the bead the pulls of both
// sides balance with its weight, and turned round it hangs as its mirror image.
func TestRowsOnBothSidesOfABeadMeetThere(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 12))
	for range 30 {
		rows := func(n int) *stage {
			st := &stage{}
			for range n {
				st.rows = append(st.rows, &hangingRow{parts: fine(90+40*r.Float64(), 0.1+r.Float64(), 40)})
			}
			return st
		}
		n := 2 + r.IntN(3)
		bead := statics.Part{Length: 10, Weight: 5 * r.Float64(), At: 5}
		stages := []*stage{rows(n), {rows: []*hangingRow{{parts: []statics.Part{bead}}}}, rows(n)}
		s := newSeries(stages, 115)
		if !s.hang() {
			t.Fatal("they do not hang")
		}
		before, behind := pull{}, pull{}
		for _, one := range stages[0].rows {
			last := one.links[len(one.links)-1]
			before.h, before.v = before.h+one.pull.h, before.v+one.pull.v-last.before
			near(t, "every row ends at the bead", one.path[40].X, stages[1].rows[0].path[0].X, 1e-5)
			near(t, "every row ends at the bead", one.path[40].Y, stages[1].rows[0].path[0].Y, 1e-5)
		}
		for _, one := range stages[2].rows {
			behind.h, behind.v = behind.h+one.pull.h, behind.v+one.pull.v
			near(t, "every row ends at the neck", one.path[40].X, 57.5, 1e-5)
			near(t, "every row ends at the neck", one.path[40].Y, 0, 1e-5)
		}
		_, tips := 0.0, bead.Weight
		for _, one := range append(append([]*hangingRow(nil), stages[0].rows...), stages[2].rows...) {
			tips += one.parts[0].Weight / 2 // the half part that each row hangs on the bead
		}
		near(t, "across the pulls balance", before.h, behind.h, 1e-6*(1+before.h))
		near(t, "down they carry the bead", before.v-behind.v, tips, 1e-6*(1+tips))
		turned := []*stage{{}, {rows: []*hangingRow{{parts: []statics.Part{bead}}}}, {}}
		for i, st := range stages {
			if i == 1 {
				continue
			}
			for _, one := range st.rows {
				turned[2-i].rows = append(turned[2-i].rows, &hangingRow{parts: one.parts})
			}
		}
		if back := newSeries(turned, 115); !back.hang() {
			t.Fatal("turned round they do not hang")
		}
		near(t, "turned round", turned[1].rows[0].path[0].X, -stages[1].rows[0].path[1].X, 1e-4)
	}
}

// A strand whose cord runs on through a bead hangs as the same beads on one strand.
func TestASeriesHangsAsOneStrand(t *testing.T) {
	whole := strand(t, "100P 5H 100P", 360, as)
	series := strand(t, "100P 2H", 360, func(p *piece.Piece) {
		row := *p.Leading()
		line := testparts.Line(t, "2H 100P")
		row.ID, row.Line, row.Left = "second", line, nil
		p.Leading().Right = nil
		p.Sections = append(p.Sections, piece.Section{Rows: []*piece.Row{&row}})
		p.Joins = []*piece.Join{{ID: "j", Fittings: []piece.Fitting{{ID: "shared", Of: p.Palette["H"]}}}}
	})
	a, b := Of(whole), Of(series)
	if a == nil || b == nil {
		t.Fatal("it does not hang")
	}
	near(t, "how deep", b.Depth, a.Depth, 0.05)
	second := series.Strand("second")
	for _, i := range []int{0, 20, 101} {
		p, q := b.AtBead(second, i), a.AtBead(whole.Leading(), 103+i)
		near(t, "across", p.X, q.X, 0.1)
		near(t, "down", p.Y, q.Y, 0.1)
	}
	if For(series, Rows(series), second) == nil {
		t.Error("it lies in the loop of the first")
	}
}
