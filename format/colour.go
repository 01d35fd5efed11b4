package format

import "strconv"

// ColourFamilies lists the families that colours are filtered by.
func ColourFamilies() []string {
	return []string{"red", "orange", "yellow", "green", "blue", "purple", "pink", "brown", "white", "grey", "black"}
}

// ColourFamily names the family that the material's colour belongs to; empty for
// a material without a colour.
func (d *Material) ColourFamily() string {
	if d.Look == nil || !isColour(d.Look.Colour) {
		return ""
	}
	n, err := strconv.ParseUint(d.Look.Colour[1:], 16, 32)
	if err != nil {
		return ""
	}
	r, g, b := float64(n>>16), float64(n>>8&255), float64(n&255)
	most, least := max(r, g, b), min(r, g, b)
	light, chroma := (most+least)/2/255, most-least
	switch {
	case light > 0.82 && chroma < 50:
		return "white"
	case light < 0.22 && chroma < 40:
		return "black"
	case chroma < 28:
		return "grey"
	}
	return familyOfHue(hue(r, g, b, most, chroma), light)
}

// hue is the angle on the colour circle, in degrees.
func hue(r, g, b, most, chroma float64) float64 {
	switch most {
	case r:
		h := 60 * (g - b) / chroma
		if h < 0 {
			h += 360
		}
		return h
	case g:
		return 60*(b-r)/chroma + 120
	}
	return 60*(r-g)/chroma + 240
}

func familyOfHue(h, light float64) string {
	switch {
	case h < 14 || h >= 345:
		if light > 0.6 {
			return "pink"
		}
		return "red"
	case h < 45 && light < 0.48:
		return "brown"
	case h < 40:
		return "orange"
	case h < 66:
		return "yellow"
	case h < 170:
		return "green"
	case h < 255:
		return "blue"
	case h < 305:
		return "purple"
	}
	return "pink"
}
