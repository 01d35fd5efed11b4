package en

import (
	"fmt"
	"math"

	"mala/core/check"
)

// ofHoles says what does not take its cord.
func (p Speaker) ofHoles(f check.Fact) (title, says string) {
	const small, tight = "Hole too small for the cord", "The cord only just passes"
	switch f := f.(type) {
	case check.HoleSmall:
		needed, held := against(f.Needs, f.Bead.Bead.Hole)
		title = small
		if f.Tight {
			title = tight
		}
		return title, fmt.Sprintf("%s need a hole of %s; %s, %s here, has %s.", through(f.Passing), needed, f.Bead.Name, Plural(f.Beads, "bead"), held) + comesBack(f.Back)
	case check.NeedleHoleSmall:
		needed, held := against(f.Needs, f.Bead.Bead.Hole)
		return "Hole too small for the needle", fmt.Sprintf("Thread of %s on a needle of %s needs a hole of %s; %s, %s here, has %s. Use a finer needle or thread.",
			mm(f.Thread), mm(f.Needle), needed, f.Bead.Name, Plural(f.Beads, "bead"), held) + comesBack(f.Back)
	case check.EndHoleSmall:
		needed, held := against(f.Needs, f.Bead.Bead.Hole)
		return small, fmt.Sprintf("%s need a hole of %s; %s in the %s at the %s end has %s.", through(f.Passing), needed, f.Bead.Name, f.In, f.Side, held)
	case check.DropHoleSmall:
		needed, held := against(f.Needs, f.Bead.Bead.Hole)
		in := "the drop"
		if f.Loop {
			in = "the loop"
		}
		if f.Tight {
			return tight, fmt.Sprintf("%s fill a hole of %s; %s in %s has %s, and the last one jams.", through(f.Passing), needed, f.Bead.Name, in, held)
		}
		return small, fmt.Sprintf("%s need a hole of %s; %s in %s has %s.", through(f.Passing), needed, f.Bead.Name, in, held)
	case check.SharedHoleSmall:
		needed, held := against(f.Needs, f.Bead.Bead.Hole)
		title = "Hole too small for all cords"
		if f.Tight {
			title = "The cords only just pass"
		}
		return title, fmt.Sprintf("%s, shared by %s, needs a hole of %s and has %s.", f.Bead.Name, through(f.Passing), needed, held)
	case check.BarHoleSmall:
		needed, held := against(f.Needs, f.Bar.Finding.Inside)
		return "Hole of the bar too small", fmt.Sprintf("%s need a hole of %s; %s has %s at each end.", through(f.Passing), needed, f.Bar.Name, held)
	case check.BeadSwallowed:
		return "A bead slips into its neighbour", fmt.Sprintf("%s is %s across and slips into the %s hole of %s.", f.Bead.Name, mm(f.Bead.Bead.Across), mm(f.Into.Bead.Hole), f.Into.Name)
	}
	return "", ""
}

// comesBack says why a bead is passed more often than the cord runs along.
func comesBack(b *check.ComesBack) string {
	switch {
	case b == nil:
		return ""
	case b.Tail:
		return fmt.Sprintf(" The tail of the %s knot goes back through it.", b.Side)
	}
	return fmt.Sprintf(" The cord comes back through it before the %s knot.", b.Side)
}

// ofCaps says what is wrong with caps, charms and flats.
func (p Speaker) ofCaps(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.CapFacesAway:
		return "Cap faces away from its bead", fmt.Sprintf("%s opens away from %s. Reverse it so that it sits on the bead.", f.Cap.Name, f.Bead.Name)
	case check.CapWide:
		return "Cap wider than its bead", fmt.Sprintf("%s is %s wide; %s under it is only %s.", f.Cap.Name, mm(f.Cap.Bead.Across), f.Bead.Name, mm(f.Bead.Bead.Across))
	case check.CapOffRim:
		return "Cap does not meet its bead", fmt.Sprintf("The rim of %s stands off %s, which is too small or too pointed for it.", f.Cap.Name, f.Bead.Name)
	case check.CharmHidden:
		return "Charm hides behind its neighbours", fmt.Sprintf("%s hangs down to %s below the cord, and %s beside it reaches %s. Use a longer drop or smaller beads beside it.",
			f.Charm.Name, mm(f.Charm.Bead.Drop), f.Beside.Name, mm(f.Reach))
	case check.LiesDown:
		return "Lies down where the strand runs across", fmt.Sprintf("%s is drilled through its height; here the strand runs %s, and it lies down.", f.Bead.Name, slope(f.Steep))
	case check.TipsOver:
		return "Tips over at the side", fmt.Sprintf("%s is drilled through its width; here the strand runs %s, and it lies on its side.", f.Bead.Name, slope(f.Steep))
	case check.HolesUnlike:
		holes := func(n int, apart string) string { return fmt.Sprintf("%d holes %s apart", n, apart) }
		return "The holes do not line up", fmt.Sprintf("%s has %s; %s under it has %s. A cord does not go straight through both.",
			f.Top.Name, holes(f.Top.Bead.Holes, mm(f.Top.Bead.Apart)), lower(f.Under.Name), holes(f.Under.Bead.Holes, mm(f.Under.Bead.Apart)))
	case check.TopWide:
		return "The flat on top is the wider one", fmt.Sprintf("%s is %s wide and hides %s, which has %s. Lace the small on the large.", f.Top.Name, mm(f.Top.Bead.Across), lower(f.Under.Name), mm(f.Under.Bead.Across))
	case check.HoleCovered:
		return "A flat covers its neighbour's hole", fmt.Sprintf("Middle to middle they lie %s apart here, and one covers the other's hole by %s: the cord lies between them and holds them apart.", mm(f.Apart), mm(f.By))
	}
	return "", ""
}

func slope(steep float64) string { return fmt.Sprintf("%.0f° from level", steep*180/math.Pi) }

// ofOrder says what is wrong with the order of the beads.
func (p Speaker) ofOrder(f check.Fact) (title, says string) {
	switch f := f.(type) {
	case check.MiddleOff:
		return "The middle is off centre", "The middle of the mirror is not symmetrical, so no bead is at the centre."
	case check.NoCentre:
		return "No bead at the centre", fmt.Sprintf("Its %d beads begin with %s and end with %s. %s more at the end would put a bead at the centre and make both ends alike.",
			f.Beads, f.First.Name, f.Last.Name, Plural(f.More, "bead"))
	case check.RepeatCut:
		return "The pattern does not meet itself", fmt.Sprintf("The repeat of %s fits %d times round the ring with %s left over, so the join shows.", Plural(f.Repeat, "bead"), f.Times, Plural(f.Left, "bead"))
	case check.TwinsMeet:
		return "Two alike meet at the join", fmt.Sprintf("Two beads of %s touch at the join and nowhere else. A mirrored ring needs a second centre.", f.Bead.Name)
	case check.BeadMissing:
		where := "at the end"
		if f.Before > 0 {
			where = fmt.Sprintf("before bead %d", f.Before)
		}
		return "A bead seems to be missing", fmt.Sprintf("With 1 more %s %s the %s would be regular.", f.Bead.Name, where, f.In)
	case check.BeadExtra:
		return "One bead too many", fmt.Sprintf("Without bead %d, %s, the %s would be regular.", f.N, f.Bead.Name, f.In)
	case check.FocalAside:
		return "More on one side than on the other", fmt.Sprintf("%s lie left of %s, and %d right of it.", Plural(f.Left, "bead"), f.Bead.Name, f.Right)
	case check.BeadAlone:
		return "One bead is of another kind", fmt.Sprintf("Bead %d is %s; the other %d are %s. Ignore this if it is meant.", f.N, f.Bead.Name, f.Of-1, f.Others.Name)
	case check.BeadOther:
		if f.Is == f.Wants {
			return "One bead lies the other way round", fmt.Sprintf("Bead %d, %s, turned round, would make the %s regular.", f.N, f.Is.Name, f.In)
		}
		return "One bead breaks the pattern", fmt.Sprintf("Bead %d is %s; with %s in its place the %s would be regular.", f.N, f.Is.Name, f.Wants.Name, f.In)
	}
	return "", ""
}
