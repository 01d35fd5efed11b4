package format

import (
	"fmt"
	"strconv"

	"mala/core/length"
	"mala/core/material"
)

// SizeText writes the size of a bead, finding or cord in the trade's way, always in millimetres; empty
// of a component, which is known by its name.
func (d *Material) SizeText() string {
	switch {
	case d.Component != nil:
		return ""
	case d.Class == string(material.ClassCord):
		return sized("%s mm", d.DiameterMm)
	case d.Class == string(material.ClassFinding):
		return d.findingSize()
	case d.Shape == "round":
		return sized("%s mm", d.AcrossMm)
	case d.Shape == "charm":
		return sized("hanging %s mm", d.DropMm)
	case d.Shape == "cap":
		return sized("%s mm", d.AcrossMm)
	}
	return sized("%s × %s mm", d.AcrossMm, d.AlongMm)
}

// sized writes the lengths, without their unit, in their places.
func sized(how string, lengths ...length.MM) string {
	plain := make([]any, len(lengths))
	for i, l := range lengths {
		plain[i] = strconv.FormatFloat(float64(l), 'f', -1, 64)
	}
	return fmt.Sprintf(how, plain...)
}

func (d *Material) findingSize() string {
	switch {
	case d.Type == "toggle":
		return sized("of %s mm", d.RingInsideMm)
	case d.Type == "head-pin", d.Type == "eye-pin":
		return sized("%s × %s mm", d.WireMm, d.LengthMm)
	case d.InsideMm > 0 && d.WireMm > 0:
		return sized("%s mm inside", d.InsideMm)
	case d.OutsideMm > 0 && d.LengthMm > 0:
		return sized("%s × %s mm", d.OutsideMm, d.LengthMm)
	case d.LengthMm > 0:
		return sized("%s mm", d.LengthMm)
	}
	return ""
}
