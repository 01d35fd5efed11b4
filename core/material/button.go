package material

import (
	"math"

	"mala/core/length"
)

// ball is the form of a button that is a ball; any other is flat.
const ball = "ball"

// ease is how much wider in mm a loop is than what it goes over.
const ease = length.MM(3)

// Passes is the least inside girth of a loop that the button goes through at all:
// once round its edge, 2 (D + t) for a flat one of width D and thickness t, π D for
// a ball.
func (f *Finding) Passes() length.MM {
	if f.Form == ball {
		return math.Pi * f.Outside
	}
	return 2 * (f.Outside + f.Length)
}

// AsButton is the bead as a button that a loop goes over, tipped on its edge where that passes
// more easily than its whole width.
func (b *Bead) AsButton() *Finding {
	f := &Finding{Type: ButtonEnd, Outside: b.Across, Length: min(b.Length(), b.Across), Form: ball}
	if flat := 2 * (f.Outside + f.Length); flat < math.Pi*f.Outside {
		f.Form = ""
	}
	return f
}

// LoopFor is the inside girth of a loop that goes over the button with ease: 3 mm
// more than it passes.
func (f *Finding) LoopFor() length.MM { return f.Passes() + ease }

// ConeDepth is how far inside the mouth of a cone end the middle of a round thing
// of that width stops, where it meets the wall; 0 if it is as wide as the mouth.
func (f *Finding) ConeDepth(across length.MM) length.MM {
	if across >= f.Outside {
		return 0
	}
	return min(f.Length, (f.Outside-across)*f.Length/(f.Outside-f.Inside))
}

// KeepsOut is how far outside the mouth of a cone end, in mm, the middle of a bead stays whose
// face stands in it: the greatest of face less wall over the radii that both have. It is
// negative of a bead whose middle lies inside.
func (f *Finding) KeepsOut(face Face) length.MM {
	from, to := face.rim, min(face.edge, float64(f.Outside)/2)
	apart := func(r float64) float64 { return face.At(r) - float64(f.ConeDepth(length.MM(2*r))) }
	if from >= to {
		return length.MM(apart(to))
	}
	_, off := highest(apart, from, to)
	return length.MM(off)
}
