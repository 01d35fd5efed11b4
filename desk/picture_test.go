package desk_test

import (
	"fmt"
	"math"
	"os"
	"strings"
	"testing"

	"mala/desk"
	"mala/desk/testdesk"
)

func TestEveryPieceOfTheShopIsDrawnWhole(t *testing.T) {
	entries, err := os.ReadDir("../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range entries {
		a := testdesk.Analysed(t, testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+e.Name())), desk.Options{Drawing: true, Picture: true})
		p := a.Drawing.Picture
		if a.Hanger != nil {
			hangsStraight(t, a)
			continue
		}
		if a.InsideMm == nil || len(p.Wraps) != len(a.Strands) {
			t.Errorf("%s has no inside length", e.Name())
			continue
		}
		if p.Wraps[0].Turns > 1 {
			continue // drawn from the side
		}
		for k := range a.Strands {
			drawnWhole(t, fmt.Sprintf("%s, row %d", e.Name(), k+1), p, k, &a.Strands[k])
		}
	}
}

func drawnWhole(t *testing.T, name string, p *desk.Picture, k int, strand *desk.Strand) {
	t.Helper()
	row, wrap := p.Whole.Rows[k], p.Wraps[k]
	if wrap.Touching < 3 && strand.Beads > 0 || wrap.Strand != strand.ID || row.Strand != strand.ID {
		t.Errorf("%s: %d beads touch", name, wrap.Touching)
	}
	if len(row.Beads) != len(strand.Placed) || len(row.Gaps) != len(strand.Placed)+1 || (p.Whole.Shape == "wrap") != strand.Ring {
		t.Errorf("%s: %d seats of %d beads, lying as %s", name, len(row.Beads), strand.Beads, p.Whole.Shape)
	}
	for _, b := range wrap.Beads {
		if r := math.Hypot(b.X, b.Y); r < float64(wrap.RadiusMm) {
			t.Errorf("%s: bead %d lies inside the body", name, b.Element)
		}
	}
	for i, b := range row.Beads {
		half := float64(strand.Placed[i].AcrossMm) / 2
		if b.X-half < p.Whole.Box[0]-1e-3 || b.X+half > p.Whole.Box[2]+1e-3 || b.Y-half < p.Whole.Box[1]-1e-3 || b.Y+half > p.Whole.Box[3]+1e-3 {
			t.Errorf("%s: bead %d lies outside the box", name, i)
		}
	}
}

// On the circle beads lie as far from each other as along the cord, and the clasp
// is at the top.
func TestTheWholePieceLiesOnTheCircleOfItsLength(t *testing.T) {
	a := testdesk.Analysed(t, testdesk.Read(t, example), desk.Options{Drawing: true, Picture: true})
	w, s := a.Drawing.Picture.Laid, a.Strand("r1")
	radius := float64(a.FinishedMm) / (2 * math.Pi)
	for i := 1; i < len(w.Rows[0].Beads); i++ {
		turn := math.Abs(math.Remainder(math.Atan2(w.Rows[0].Beads[i].Y, w.Rows[0].Beads[i].X)-math.Atan2(w.Rows[0].Beads[i-1].Y, w.Rows[0].Beads[i-1].X), 2*math.Pi))
		if want := float64(s.Placed[i].AtMm - s.Placed[i-1].AtMm); math.Abs(turn*radius-want) > 0.01 {
			t.Fatalf("beads %d and %d lie %v apart, want %v", i-1, i, turn*radius, want)
		}
	}
	for _, p := range w.Rows[0].Parts {
		if part := s.Left[p.Index]; p.End == "left" && part.Role == "clasp" && (math.Abs(p.X) > 0.01 || p.Y > -radius+0.01) {
			t.Errorf("the clasp lies at %v, %v", p.X, p.Y)
		}
	}
	if first := s.Left[0]; first.FromMm != 0 || first.ToMm != -2 {
		t.Errorf("the left crimp lies from %v to %v", first.FromMm, first.ToMm)
	}
}

// Hanging, beads lie along the cord in front, the closure behind the neck, and what hangs
// deepest is in the middle.
func TestANecklaceHangsOnItsNeck(t *testing.T) {
	a := testdesk.Analysed(t, testdesk.Read(t, example), desk.Options{Drawing: true, Picture: true})
	w, s := a.Drawing.Picture.Whole, a.Strand("r1")
	if w.Shape != "hanging" || w.Neck == nil || w.Neck.GirthMm != 368 || !w.Neck.OfBody {
		t.Fatalf("%s, %+v", w.Shape, w.Neck)
	}
	deepest := 0.0
	for i := range w.Rows[0].Beads {
		deepest = max(deepest, w.Rows[0].Beads[i].Y)
		if i == 0 || w.Rows[0].Beads[i].Y < 5 || w.Rows[0].Beads[i-1].Y < 5 {
			continue // round the back lengths are foreshortened
		}
		apart, want := math.Hypot(w.Rows[0].Beads[i].X-w.Rows[0].Beads[i-1].X, w.Rows[0].Beads[i].Y-w.Rows[0].Beads[i-1].Y), float64(s.Placed[i].AtMm-s.Placed[i-1].AtMm)
		if apart > want*1.02 || apart < want*0.95 {
			t.Errorf("beads %d and %d lie %v apart, %v along the cord", i-1, i, apart, want)
		}
	}
	if math.Abs(deepest-w.Neck.DepthMm) > 2 || w.Rows[0].Beads[len(w.Rows[0].Beads)/2].Y < deepest-1 {
		t.Errorf("the middle hangs at %v, the deepest at %v of %v", w.Rows[0].Beads[len(w.Rows[0].Beads)/2].Y, deepest, w.Neck.DepthMm)
	}
	for _, p := range w.Rows[0].Parts {
		if p.Y >= 0 {
			t.Errorf("a fitting at %v hangs in front", p.Y)
		}
	}
	if a := testdesk.Analysed(t, testdesk.Read(t, strings.Replace(example, `"measureMm": 368`, `"measureMm": 440`, 1)), desk.Options{Drawing: true, Picture: true}); a.Drawing.Picture.Whole.Shape != "circle" || a.Drawing.Picture.Laid != nil {
		t.Errorf("on a neck that it follows it lies as %s", a.Drawing.Picture.Whole.Shape)
	}
}
