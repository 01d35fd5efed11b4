package desk

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/format"
)

// PartOf is this many of one part; of a component its own parts below it, counted
// together.
type PartOf struct {
	Material string    `json:"material"`
	Count    int       `json:"count"`
	Mm       length.MM `json:"mm,omitempty" doc:"Of a cord: its length in all."`
	Parts    []PartOf  `json:"parts,omitempty"`
}

// partsOfMaterial lists the parts of this many of a component; none of another
// material.
func partsOfMaterial(m *material.Material, times int) []PartOf {
	if m.Component == nil {
		return nil
	}
	out := []PartOf{}
	for _, p := range m.Component.Parts {
		out = append(out, PartOf{Material: p.Of.ID, Count: times * p.Count, Mm: Exact(p.Length * length.MM(times)), Parts: partsOfMaterial(p.Of, times*p.Count)})
	}
	return out
}

// SeatDrawn is where a part of a component lies, in mm from the middle of the cord:
// x to the right, y away from it.
type SeatDrawn struct {
	Role   string    `json:"role" enum:"ring,loop,stem,bead,head,charm,coil,tassel"`
	Of     int       `json:"of" doc:"Which of the component's looks; -1 for the component's own."`
	X      float64   `json:"x"`
	Y      float64   `json:"y"`
	Angle  float64   `json:"angle" doc:"Of its axis from straight down, in radians."`
	LongMm length.MM `json:"longMm"`
	WideMm length.MM `json:"wideMm"`
	WireMm length.MM `json:"wireMm,omitempty"`
	EdgeOn bool      `json:"edgeOn,omitempty"`
	Turned bool      `json:"turned,omitempty"`
}

// SeatLook is what a part of a component is drawn from.
type SeatLook struct {
	Material format.Material `json:"material"`
	Outline  *Outline        `json:"outline,omitempty"`
}

// OutlineOf draws what a strand meets of a material, and of a component where all
// its parts lie; nil of what is neither bead nor component.
func OutlineOf(m *material.Material) *Outline {
	if m == nil || m.Bead == nil {
		return nil
	}
	out := facesOf(m.Bead)
	c := m.Component
	if c == nil {
		return &out
	}
	looks := map[*material.Material]int{}
	for _, s := range c.Seats {
		of := -1
		if s.Of != nil {
			var known bool
			if of, known = looks[s.Of]; !known {
				of = len(out.Looks)
				looks[s.Of] = of
				out.Looks = append(out.Looks, lookOf(s.Of))
			}
		}
		out.Seats = append(out.Seats, SeatDrawn{Role: string(s.Role), Of: of, X: Thousandth(s.X), Y: Thousandth(s.Y), Angle: Thousandth(s.Angle),
			LongMm: rounded(s.Long), WideMm: rounded(s.Wide), WireMm: rounded(s.Wire), EdgeOn: s.EdgeOn, Turned: s.Turned})
	}
	out.DropMm, out.WidthMm = rounded(m.Bead.Drop), rounded(c.Across)
	switch c.Kind {
	case material.Coil, material.Carrier, material.LoopInCord:
		out.DropMm = rounded(c.StandsOff)
	case material.InTurn:
		out.DropMm = 0
	}
	return &out
}

func rounded(mm length.MM) length.MM { return length.MM(math.Round(float64(mm)*1e4) / 1e4) }

// lookOf is as much of a part as it is drawn from.
func lookOf(m *material.Material) SeatLook {
	out := SeatLook{Material: format.Sketch(m)}
	if m.Component == nil {
		out.Outline = OutlineOf(m)
	}
	return out
}
