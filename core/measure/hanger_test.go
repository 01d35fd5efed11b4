package measure

import (
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// hung is an ornament of rounds R 8 wide (hole 1, 2 g) on wire of 0.38: a crimp of 2 and a foot
// 14 wide (hole 1.2, 12 g) below, a crimp and a loop of 130 at its top.
func hung(t testing.TB, line string, change func(p *piece.Piece, r *piece.Row)) *Measured {
	t.Helper()
	crimp := &material.Material{ID: "crimp", Name: "crimp", Class: material.ClassFinding, MassG: 0.1,
		Finding: &material.Finding{Type: material.CrimpTube, Inside: 0.9, Outside: 1.8, Length: 2}}
	row := &piece.Row{ID: "r1", Cord: cord(material.Wire, 0.38), Line: testparts.Line(t, line), Passes: 1, Left: fittings("l", crimp), Right: fittings("t", crimp),
		LeftEnding: piece.Ending{Way: piece.WayFootBead, Bead: bead(t, "foot", material.Bead{Shape: material.Round, Across: 14, Hole: 1.2}, 12)}, RightEnding: piece.Ending{Way: piece.WayCordLoop, Girth: 130}}
	p := &piece.Piece{Kind: piece.Ornament, House: piece.DefaultHouse(), Closure: piece.Closure{Type: piece.Hung}, Sections: []piece.Section{{Rows: []*piece.Row{row}}},
		Palette: map[string]*material.Material{"R": bead(t, "round", material.Bead{Shape: material.Round, Across: 8, Hole: 1}, 2),
			"P": bead(t, "paddle", material.Bead{Shape: material.Oval, Across: 16, Along: 9, Thick: 4, Hole: 1, HoleOff: 5}, 3)}}
	if change != nil {
		change(p, row)
	}
	return measured(t, p)
}

func parts(s *Strand) map[string]length.MM {
	out := map[string]length.MM{}
	for _, c := range s.Cut() {
		out[ItemName(c.Item)] += c.Length
	}
	return out
}

func TestAnOrnamentIsAsLongAsItHangsAndItsCordAsItRuns(t *testing.T) {
	m := hung(t, "10R", nil)
	s := m.Leading()
	foot := math.Sqrt(14*14 - 1.2*1.2)
	if want := float64(s.Strung) + 2 + foot + 2 + 65; math.Abs(float64(m.Finished)-want) > 1e-9 || s.Slack != 0 || s.SlackNeeded != 0 || m.Rule != nil {
		t.Errorf("%v long, want %v; %+v", m.Finished, want, m.Rule)
	}
	around := 7 * (math.Pi - 2*math.Asin(1.2/14))
	cut := parts(s)
	for part, want := range map[string]float64{"through the foot and round it, left": foot + around, "left crimp x 2": 4, "right loop": 130 + math.Pi*0.38, "right crimp x 2": 4, "left tail": 25, "slack": 0} {
		if math.Abs(float64(cut[part])-want) > 0.001 {
			t.Errorf("%s: %v, want %v", part, cut[part], want)
		}
	}
	if s.Left.Hold != HeldByCrimp || s.Start.By != StartFoot || s.AllBeads() != 11 || s.Left.Find(RoleLoop) != nil || s.Right.Find(RoleLoop) != nil {
		t.Errorf("%+v, %+v", s.Left, s.Start)
	}
	stopped := hung(t, "10R", func(_ *piece.Piece, r *piece.Row) { r.LeftEnding = piece.Ending{Way: piece.WayStopped} }).Leading()
	if cut := parts(stopped); stopped.Left.Hold != HeldByStop || cut["left crimp"] != 2 || cut["left tail"] != 0 || cut["left working end"] != 60 || stopped.Left.Length != 2 || stopped.AllBeads() != 10 {
		t.Errorf("%v, %+v", stopped.Cut(), stopped.Left)
	}
	tied := func(way piece.Ending) *Strand {
		return hung(t, "10R", func(_ *piece.Piece, r *piece.Row) {
			r.Cord, r.Left, r.Right, r.LeftEnding = cord(material.Waxed, 0.5), nil, nil, way
		}).Leading()
	}
	if s := tied(piece.Ending{Way: piece.WayStopped}); s.Left.Hold != HeldByStop || parts(s)["left knot"] != piece.OverhandCord*0.5 {
		t.Errorf("%v, %+v", s.Cut(), s.Left)
	}
	if s := tied(s.Row.LeftEnding); s.Left.Hold != HeldByKnot || parts(s)["left knot"] != 25*0.5 || s.Right.Parts[0].Length != 65+piece.OverhandAcross*0.5 {
		t.Errorf("%v, %+v", s.Cut(), s.Right)
	}
	bare := hung(t, "10R", func(_ *piece.Piece, r *piece.Row) { r.Left, r.LeftEnding = nil, piece.Ending{Way: piece.WayStopped} }).Leading()
	if bare.Left.Hold != Unheld {
		t.Errorf("%+v", bare.Left)
	}
}

// The weights and their middle, by hand: 12 g of foot and 0.1 of its crimp below three rounds.
func TestWhereTheMassOfAnOrnamentLies(t *testing.T) {
	m := hung(t, "3R", nil)
	h := m.Hanger()
	foot, pitch := math.Sqrt(14*14-1.2*1.2), math.Sqrt(63)
	turn := 12*foot/2 + 0.1*(foot+1)
	for i := range 3 {
		turn += 2 * (foot + 2 + pitch*(float64(i)+0.5))
	}
	turn += 0.1 * (foot + 2 + 3*pitch + 1)
	if want := float64(m.Finished) - turn/18.2; math.Abs(float64(h.Middle)-want) > 1e-9 {
		t.Errorf("%v below the top, want %v", h.Middle, want)
	}
	for i, want := range []float64{12.1, 14.1, 16.1} {
		if math.Abs(h.Below[i]-want) > 1e-12 {
			t.Errorf("below bead %d: %v, want %v", i, h.Below[i], want)
		}
	}
	if math.Abs(h.Foot-12.1) > 1e-12 || math.Abs(float64(h.Widest)-math.Pi*14) > 1e-9 {
		t.Errorf("foot %v, widest %v", h.Foot, h.Widest)
	}
	if measured(t, threeRows(t, "3R")).Hanger() != nil {
		t.Error("a necklace hangs round a neck")
	}
}

// A paddle of 3 g, long L, its middle 5 beside its hole, leans by m e / (m L/2 + W L).
func TestABeadLeansToItsHeavierSide(t *testing.T) {
	m := hung(t, "R P R", nil)
	h, long := m.Hanger(), float64(m.Leading().Beads[1].Material.Bead.Length())
	if want := math.Atan(3 * 5 / (3*long/2 + 14.1*long)); math.Abs(h.Tips[1]-want) > 1e-9 || h.Tips[0] != 0 || h.Tips[2] != 0 {
		t.Errorf("%v, want %v", h.Tips, want)
	}
	if h.Widest != math.Pi*14 {
		t.Errorf("%v round", h.Widest)
	}
	wide := hung(t, "P", func(_ *piece.Piece, r *piece.Row) { r.LeftEnding = piece.Ending{Way: piece.WayStopped} }).Hanger()
	if wide.Widest != 40 { // 2 (16 + 4), less than π 16
		t.Errorf("%v round", wide.Widest)
	}
}

// What hangs beside the cord is not what a loop goes over; slack lies above the beads.
func TestTheWidestPartAndTheSlackOfAnOrnament(t *testing.T) {
	stopped := func(p *piece.Piece, r *piece.Row) {
		r.LeftEnding = piece.Ending{Way: piece.WayStopped}
		p.Palette["C"] = bead(t, "charm", material.Bead{Shape: material.Charm, Across: 40, Along: 1, Hole: 3, Drop: 30}, 1)
		p.Palette["F"] = bead(t, "thick flat", material.Bead{Shape: material.Oval, Across: 16, Along: 9, Thick: 12, Hole: 1}, 3)
	}
	for line, want := range map[string]float64{"R C R": 8 * math.Pi, "R F": 16 * math.Pi} {
		if got := hung(t, line, stopped).Hanger().Widest; math.Abs(float64(got)-want) > 1e-9 {
			t.Errorf("%s: %v round", line, got)
		}
	}
	h := &Hanger{}
	h.widen(&Part{Material: &material.Material{Finding: &material.Finding{Inside: 6, Wire: 1}}})
	if h.Widest != 8*math.Pi {
		t.Errorf("a ring is %v round", h.Widest)
	}
	tight, loose := hung(t, "3R", nil), hung(t, "3R", func(_ *piece.Piece, r *piece.Row) { three := length.MM(3); r.Slack = &three })
	if by := loose.Hanger().Middle - tight.Hanger().Middle; loose.Finished != tight.Finished+3 || math.Abs(float64(by)-3*(1-0.1/18.2)) > 1e-9 {
		t.Errorf("%v lower, of %v", by, loose.Finished)
	}
	chain := &material.Material{ID: "chain", Class: material.ClassFinding, MassG: 0.05, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6}}
	if got := tight.massOfPart(&Part{Material: chain, Links: 5}); math.Abs(got-0.25) > 1e-12 {
		t.Errorf("5 links weigh %v", got)
	}
}

func TestWhatStraightensAWireGoesByItsStrands(t *testing.T) {
	h := piece.DefaultHouse()
	for strands, want := range map[int]float64{0: h.Curl19, 7: h.Curl7, 8: h.Curl19, 19: h.Curl19, 20: h.Curl49, 49: h.Curl49} {
		if got := Straightens(&material.Cord{Type: material.Wire, Filaments: strands}, h); got != want {
			t.Errorf("%d strands: %v", strands, got)
		}
	}
	if got := Straightens(&material.Cord{Type: material.Waxed}, h); got != 0 {
		t.Errorf("waxed cord: %v", got)
	}
}
