package en

import (
	"fmt"

	"mala/core/caution"
)

// Caution says what to mind.
func Caution(c caution.Caution) string {
	says := cautions[c]
	if says == "" {
		panic(fmt.Sprintf("en: no sentence for the caution %q", c))
	}
	return says
}

var cautions = map[caution.Caution]string{
	"small-parts": "Small parts choke: not for children under three. Length and breakaway rules for children are set locally; see your local rules.",
	"cut-ends":    "Cut wire ends fly: wear eye protection, and hold the end as you cut.",
	"cut-pins":    "Cut pin ends fly: wear eye protection, and hold the end as you cut. Press every tip in, so that none scratches.",
	"magnet":      "Magnets are dangerous if swallowed and can disturb medical implants; see your local rules.",
	"metal":       "Plated and base metals may hold nickel or lead: keep to your local limits for what touches skin.",
	"child":       "For a child: a cord that does not break away can strangle; never at night or unwatched. See your local rules.",
	"glue":        "Glue: open a window, keep it off skin and eyes, and let it dry as its label says.",
	"stones":      "Make no health claims for stones; see your local rules.",
	"oils":        "Oils put on porous beads can irritate skin and stain clothes.",
	"tight-band":  "A band that is too tight cuts circulation: it should turn freely.",
	"vehicle":     "In a vehicle it must not block or draw away the driver's view; many places forbid it. See your local law.",
	"snag":        "Long strands and tassels snag: keep them from machines, cots and pets.",
}

// Care says what the wearer does to keep a piece as it is.
func Care(c caution.Care) string {
	says := cares[c]
	if says == "" {
		panic(fmt.Sprintf("en: no sentence for the care %q", c))
	}
	return says
}

var cares = map[caution.Care]string{
	"take-off":    "Take it off to bathe, swim and sleep, and keep it in a soft pouch.",
	"dust":        "Dust it with a soft, dry brush.",
	"roll-on":     "Roll it over the hand; pulling it wide wears the elastic.",
	"thread-dry":  "Keep it dry: wet thread stretches.",
	"leather-dry": "Keep the cord dry, and let it dry in the air if it gets wet.",
	"pearl":       "Put it on after perfume and lotion, and wipe the pearls with a soft cloth.",
	"wood":        "Keep wood away from water and heat.",
	"lined":       "Lined glass fades in strong sun and in cleaning fluids.",
	"metal":       "Metal darkens in time: polish it with a dry, soft cloth.",
}
