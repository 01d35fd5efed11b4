package en

import "mala/core/technique"

// Technique is what a technique is called.
func Technique(t technique.Technique) string { return techniques[t].title }

// TechniqueSays says how it is done.
func TechniqueSays(t technique.Technique) string { return techniques[t].says }

var techniques = map[technique.Technique]struct{ title, says string }{
	technique.FoldCrimp: {"Folding a crimp",
		"Press it in the notched jaws so that each cord lies in a groove of its own. Turn it a quarter and fold it in two. Tug."},
	technique.FlatCrimp: {"Flattening a crimp",
		"Lay both cords side by side in it; they must not cross. Press it flat once, with even force. Tug."},
	technique.ThreeSided: {"Pressing from three sides",
		"Close the three jaws round it at once, so that it takes the shape of a rounded triangle. Tug."},
	technique.Guard: {"Leading the wire through a guard",
		"Up through one tube, over the saddle, down through the other. Hook the ring in before the crimp is closed."},
	technique.Cover: {"Closing a cover over a crimp",
		"Lay the pressed crimp into the open cover, its seam to the back. Press gently until the edges meet."},
	technique.Overhand: {"An overhand knot",
		"Make a loop, lead the end through it, and draw it up with a needle close to where it has to sit."},
	technique.Square: {"A square knot",
		"Right over left and through, then left over right and through. A triple knot gets one turn more. Draw it tight."},
	technique.Surgeons: {"A surgeon's knot",
		"Right over left, and twice round; then left over right, and once or twice round. Stretch the cord and draw it tight."},
	technique.HideKnot: {"Hiding a knot",
		"Put a drop of glue on the knot if the house glues, and pull it into the hole of the bead beside it before it dries."},
	technique.OpenRing: {"Opening a ring",
		"Hold it at both sides of its cut. Turn one side towards you and the other away; never pull it apart. Close it the same way, past the cut and back."},
	technique.SimpleLoop: {"A simple loop",
		"Bend the pin to a right angle at the bead. Grip its end with round-nose pliers and roll it back to the bead, until the loop is closed."},
	technique.WrappedLoop: {"A wrapped loop",
		"Leave room for the turns between bead and bend. Turn the loop, hold it with pliers, and wind the end down to the bead. Cut it off close."},
	technique.Coil: {"Winding a coil",
		"Hold the pin beside the rod and wind it, turn by turn and close together, as many turns as the list says. Slide it off."},
	technique.CordEnd: {"A cord end",
		"The knot lies in the open shell, the cord out through its hole. Fold the shell over the knot and close its loop."},
	technique.Cone: {"A cone over the knots",
		"All cords are knotted to a pin or a ring. Draw the cone down over the knots, and make a loop above it."},
	technique.FoldOver: {"A fold-over end",
		"Lay the cord into the trough, with a drop of glue if the house glues. Fold one flap over it, then the other, and press."},
}
