package drape

import (
	"math"
	"math/rand/v2"
	"testing"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// fine is a length of fine chain in many parts.
func fine(length, perMM float64, n int) []Part {
	parts := make([]Part, n)
	each := length / float64(n)
	for i := range parts {
		parts[i] = Part{each, perMM * each, each / 2}
	}
	return parts
}

// Domain's own figures: 40 of chain in front at each side, three rows between them.
func TestRowsHangFromTheEndsOfChain(t *testing.T) {
	w := 360/math.Pi + 2
	rows := []*Necklace{{inner: w, Width: w}, {inner: w, Width: w}, {inner: w, Width: w}}
	sh := &sharing{left: fine(40, 0.3, 400), right: fine(40, 0.3, 400), rows: [][]Part{fine(120, 1, 600), fine(140, 1, 700), fine(160, 1, 800)}}
	if !sh.hang(rows) {
		t.Fatal("they do not hang")
	}
	for k, want := range []float64{73.48, 86.38, 98.25} {
		near(t, "how deep", rows[k].Depth, want, 0.02)
		left, right := rows[k].hanging.Joints[400], rows[k].hanging.Joints[400+[]int{600, 700, 800}[k]]
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
		parts := make([]Part, n)
		whole := 0.0
		for i := range parts {
			l := 0.5 + 4*r.Float64()
			parts[i] = Part{l, 3 * r.Float64(), l * r.Float64()}
			whole += l
		}
		width := whole * (0.3 + 0.6*r.Float64())
		from, to := r.IntN(3), n-r.IntN(3)
		if from == 0 && to == n {
			from = 1
		}
		one := hung(t, parts, width)
		n0 := &Necklace{inner: width, Width: width}
		sh := &sharing{left: parts[:from], right: parts[to:], rows: [][]Part{parts[from:to]}}
		if !sh.hang([]*Necklace{n0}) {
			t.Fatalf("from %d to %d of %d over %.1f of %.1f: it does not hang", from, to, n, width, whole)
		}
		for i := range one.Joints {
			near(t, "x", n0.hanging.Joints[i].X, one.Joints[i].X, 1e-5*width)
			near(t, "y", n0.hanging.Joints[i].Y, one.Joints[i].Y, 1e-5*width)
		}
	}
}

// Random rows with chain at both sides: at either join the pulls balance.
func TestAtEveryJoinThePullsBalance(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 8))
	for range 40 {
		k := 2 + r.IntN(5)
		sh := &sharing{left: fine(10+40*r.Float64(), r.Float64(), 20), right: fine(10+40*r.Float64(), r.Float64(), 20)}
		var rows []*Necklace
		for range k {
			sh.rows = append(sh.rows, fine(120+120*r.Float64(), 0.1+r.Float64(), 60))
			rows = append(rows, &Necklace{inner: 110, Width: 110})
		}
		if !sh.hang(rows) {
			t.Fatal("they do not hang")
		}
		at := func(n *Necklace, i int) (x, y float64) { // along part i, of length 1
			a, b := n.hanging.Joints[i], n.hanging.Joints[i+1]
			l := math.Hypot(b.X-a.X, b.Y-a.Y)
			return (b.X - a.X) / l, (b.Y - a.Y) / l
		}
		// The horizontal pull of a row follows from how it turns at a joint inside it.
		pull := func(n *Necklace, i int, load float64) float64 {
			ax, ay := at(n, i)
			bx, by := at(n, i+1)
			return load / (ay/ax - by/bx)
		}
		sum := 0.0
		for q, n := range rows {
			near(t, "it ends across", n.hanging.Joints[100].X, 55, 1e-4)
			near(t, "at the same height", n.hanging.Joints[100].Y, 0, 1e-4)
			load := sh.rows[q][0].Weight
			sum += pull(n, 40, load)
			near(t, "the row pulls alike along it", pull(n, 25, load), pull(n, 60, load), 1e-3*(1+math.Abs(pull(n, 60, load))))
		}
		chain := pull(rows[0], 5, sh.left[0].Weight)
		near(t, "what the chain pulls", chain, sum, 2e-3*(1+sum))
		near(t, "as it says", rows[0].hanging.Pull, sum, 2e-3*(1+sum))
	}
}

// several is a necklace with a row for each line, all on the same fittings.
func several(t *testing.T, girth length.MM, change func(p *piece.Piece), lines ...string) *measure.Measured {
	t.Helper()
	return strand(t, lines[0], girth, func(p *piece.Piece) {
		lead := p.Leading()
		for i, line := range lines[1:] {
			parsed, err := pattern.Parse(line)
			if err != nil {
				t.Fatal(err)
			}
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
			hanging, err := Hang(front, n.Width)
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
	near(t, "the rows' gap", Gap(rows, 0), rows[1].Depth-rows[0].Depth-8, 1e-9)
	if Gap(rows, 0) < 5 {
		t.Errorf("with six beads more it hangs %.2f deeper", Gap(rows, 0))
	}
	if d := Nearest(rows[0], rows[1]).Distance; d < 7 || d > 8.1 {
		t.Errorf("they come as near as %.2f", d)
	}
	crossed := Rows(several(t, 360, as, "<28G | G>", "<25G | G>"))
	if d := Nearest(crossed[0], crossed[1]).Distance; d != 0 {
		t.Errorf("the shorter one outside crosses the other: %v", d)
	}
}

// In the holes of a bar the rows begin apart, the first innermost, and still end where
// the shared chain does; apart by nothing they hang as from one place.
func TestRowsInHolesOfABarBeginApart(t *testing.T) {
	hang := func(spacing float64) []*Necklace {
		sh := &sharing{left: fine(40, 0.3, 40), right: fine(40, 0.3, 40), spacing: spacing, rows: [][]Part{fine(120, 1, 60), fine(140, 1, 70), fine(160, 1, 80)}}
		rows := []*Necklace{{inner: 116}, {inner: 116}, {inner: 116}}
		if !sh.hang(rows) {
			t.Fatal("they do not hang")
		}
		return rows
	}
	rows, together := hang(7), hang(0)
	for k, n := range rows {
		end := 40 + []int{60, 70, 80}[k]
		near(t, "it ends across", n.hanging.Joints[len(n.hanging.Joints)-1].X, 58, 1e-4)
		near(t, "on both sides alike", n.hanging.Joints[40].X, -n.hanging.Joints[end].X, 1e-4)
		near(t, "apart by the holes", n.hanging.Joints[40].X, rows[1].hanging.Joints[40].X-7*float64(k-1), 1e-4)
		near(t, "at one height", n.hanging.Joints[40].Y, rows[1].hanging.Joints[40].Y, 1e-4)
		if n.fromJoin || !together[k].fromJoin {
			t.Error("only rows from one place lie on each other there")
		}
	}
	if rows[0].Depth <= together[0].Depth || rows[2].Depth >= together[2].Depth {
		t.Errorf("the inner row hangs over less and so deeper, the outer less deep: %.2f %.2f", rows[0].Depth-together[0].Depth, rows[2].Depth-together[2].Depth)
	}
}

// A strand whose cord runs on through a bead hangs as the same beads on one strand.
func TestASeriesHangsAsOneStrand(t *testing.T) {
	whole := strand(t, "100P 5H 100P", 360, as)
	series := strand(t, "100P 2H", 360, func(p *piece.Piece) {
		row := *p.Leading()
		line, err := pattern.Parse("2H 100P")
		if err != nil {
			t.Fatal(err)
		}
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
