package desk

import (
	"math"

	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/format"
	"mala/words/en"
)

// ComponentFacts is what follows from how a component is made.
type ComponentFacts struct {
	Outline    Outline   `json:"outline"`
	Hangs      bool      `json:"hangs" doc:"It hangs on the cord; else it is strung through."`
	Pin        *PinFacts `json:"pin,omitempty"`
	TakesMm    length.MM `json:"takesMm" doc:"Along the cord, alone on a thin one."`
	DropMm     length.MM `json:"dropMm" doc:"How far it hangs below the middle of the cord, or stands off it."`
	WidthMm    length.MM `json:"widthMm"`
	MassG      float64   `json:"massG"`
	Unweighed  []string  `json:"unweighed" doc:"Parts that are not weighed, by id."`
	Faces      string    `json:"faces" enum:"any,front,side" doc:"Which way its charms face."`
	HoleMm     length.MM `json:"holeMm" doc:"Of what the cord goes through."`
	Parts      []PartOf  `json:"parts"`
	Bought     []Count   `json:"bought" doc:"The same, broken down to what is bought."`
	Checks     []Check   `json:"checks"`
	SpreadOver int       `json:"spreadOver,omitempty" doc:"How many neighbouring coils lie round the cord before their beads would touch."`
}

// PinFacts holds the pin that is needed against the pin there is.
type PinFacts struct {
	StackMm  length.MM `json:"stackMm" doc:"The beads on it."`
	LoopMm   length.MM `json:"loopMm" doc:"Wire that the loop takes by its size."`
	FixedMm  length.MM `json:"fixedMm" doc:"Wire for a loop where the shop allows a fixed length."`
	NeededMm length.MM `json:"neededMm" doc:"The house's way."`
	HeldMm   length.MM `json:"heldMm"`
	CutOffMm length.MM `json:"cutOffMm" doc:"What is left over; negative if it is too short."`
	StemMm   length.MM `json:"stemMm" doc:"The stem above the last bead to bend for the loop."`
	Turns    float64   `json:"turns,omitempty" doc:"Of a coil."`
	CoiledMm length.MM `json:"coiledMm,omitempty"`
}

// FactsOf works out what follows from a component in a shop of this house method.
func FactsOf(m *material.Material, house format.House) ComponentFacts {
	h := house.Resolve()
	c := m.Component
	out := ComponentFacts{Outline: *OutlineOf(m), Hangs: c.Kind.Hangs(), TakesMm: Exact(m.Bead.Length()), DropMm: Exact(m.Bead.Drop), WidthMm: Exact(c.Across),
		MassG: Thousandth(m.MassG), Unweighed: []string{}, Faces: "any", HoleMm: Exact(m.Bead.Hole), Parts: partsOfMaterial(m, 1), Checks: []Check{}}
	switch c.Kind {
	case material.Carrier:
		out.DropMm = Exact(c.StandsOff)
	case material.Coil:
		out.DropMm, out.SpreadOver = Exact(c.StandsOff), spreadOver(c)
	case material.InTurn:
		out.DropMm = 0
	}
	if c.Faces {
		out.Faces = map[bool]string{false: "front", true: "side"}[c.Sideways]
	}
	if pin := c.Pin; pin != nil {
		needed := check.PinNeeded(pin, h)
		out.Pin = &PinFacts{StackMm: Exact(pin.Stack), LoopMm: Exact(pin.LoopTakes), FixedMm: Exact(h.FixedLoop), NeededMm: Exact(needed), HeldMm: Exact(pin.Held),
			CutOffMm: Exact(pin.Held - needed), StemMm: Exact(needed - pin.Stack), Turns: Thousandth(pin.Turns), CoiledMm: Exact(pin.Coiled)}
		if c.Kind == material.Coil {
			out.Pin.NeededMm, out.Pin.CutOffMm = out.Pin.HeldMm, 0
		}
	}
	at := map[string]int{}
	m.Each(func(of *material.Material, n int, mm length.MM) {
		i, known := at[of.ID]
		if !known {
			i = len(out.Bought)
			at[of.ID] = i
			out.Bought = append(out.Bought, Count{Material: of.ID, ByStrand: []int{}})
			if of.Cord == nil && of.MassG <= 0 && m.MassG <= 0 {
				out.Unweighed = append(out.Unweighed, of.ID)
			}
		}
		out.Bought[i].Count += n
		if mm > 0 {
			sum := Exact(mm)
			out.Bought[i].CutMm = &sum
		}
	})
	speak := en.In(h.Unit)
	for _, f := range check.Component(m, h) {
		title, says := speak.Problem(&f)
		out.Checks = append(out.Checks, Check{Code: f.Code, Severity: string(f.Severity), Title: title, Says: says, Step: string(check.StepLayOut), Place: format.PlaceOf(piece.Whole())})
	}
	return out
}

// spreadOver is how many coils side by side turn their beads to different sides of
// the cord: as many as stand within the width of one bead.
func spreadOver(c *material.Component) int {
	wide := length.MM(0)
	for _, b := range c.Pin.Beads {
		wide = max(wide, b.Material.Bead.Across)
	}
	return int(max(1, math.Ceil(float64(wide/c.Pin.Coiled))))
}
