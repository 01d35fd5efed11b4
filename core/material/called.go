package material

import (
	"fmt"
	"strings"

	"mala/core/length"
)

// called is what each measure is called where a person reads it, by its field in files.
var called = map[string]string{
	"acrossMm": "The diameter", "thickMm": "The thickness", "depthMm": "The inner depth", "wallMm": "The wall", "alongMm": "The length along the hole",
	"dropMm": "How far it hangs below the cord", "loopMm": "The inside of its own loop", "loopWireMm": "The wire of its own loop", "holeMm": "The hole",
	"holeOffMm": "How far the hole is off the middle", "spacingMm": "The distance from hole to hole", "riseMm": "The rise of its middle",
	"insideMm": "The inside", "outsideMm": "The outside", "lengthMm": "The length", "wireMm": "The wire", "closedMm": "The length closed, eye to eye",
	"ringInsideMm": "The inside of the ring", "ringEyeMm": "The inside of its eye", "barEyeMm": "The inside of the bar's eye", "diameterMm": "The diameter",
	"runMm": "The length of the measured run",
}

// measured says what a measure is, at the start of a sentence: "The hole is 0.1 mm", "The hole is missing".
func measured(field string, value length.MM) string {
	if value == 0 {
		return called[field] + " is missing"
	}
	return fmt.Sprintf("%s is %v mm", called[field], float64(value))
}

// a names a shape or a type with its article.
func a[T ~string](of T) string {
	word := strings.ReplaceAll(string(of), "-", " ")
	if of == T(SHook) {
		word = "S-hook"
	}
	if strings.ContainsAny(word[:1], "aeio") || of == T(SHook) {
		return "an " + word
	}
	return "a " + word
}
