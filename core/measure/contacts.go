package measure

import (
	"mala/core/length"
	"mala/core/material"
)

// face numbers one face of one kind of bead in the contact table: twice the
// kind, and one more for its right face.
type face int32

func (f face) kind() int { return int(f) / 2 }

// faces is the two faces of a bead as it lies.
type faces struct{ left, right face }

// contactTable remembers how any two faces meet, so that each pair is worked
// out once however often it stands in the strand.
type contactTable struct {
	kinds   []kindOfBead
	faces   []material.Face
	index   map[kindOfBead]int
	known   []*contact // nil of those that were not asked for
	breadth int
}

// kindOfBead is a bead as the contact table tells them apart: one that hangs on
// the cord meets its neighbours by how thick the cord is there.
type kindOfBead struct {
	material *material.Material
	passes   int // 0 for beads that are strung through
}

// contact is how a right face meets a left face.
type contact struct {
	material.Contact
	share   [2]float64 // what each of the two faces gives to the distance, in mm
	hinge   float64    // the radius in mm at which the joint turns
	stiff   bool       // a cap seated on a bead: the joint does not turn
	hole    length.MM  // the finer of the two holes
	touches bool
}

// newContactTable makes room for some different beads; it grows when there are more.
func newContactTable(beads int) *contactTable {
	n := max(2, 2*beads)
	return &contactTable{index: make(map[kindOfBead]int, beads), known: make([]*contact, n*n), breadth: n}
}

// of gives the faces of the bead as it lies. One that hangs does so on this many
// passes of the cord.
func (t *contactTable) of(m *material.Material, turned bool, passes int, cord length.MM) faces {
	key := kindOfBead{material: m}
	if m.Bead.Hangs() {
		key.passes = passes
	}
	i, ok := t.index[key]
	if !ok {
		i = t.add(key, cord)
	}
	if turned {
		return faces{left: face(2*i + 1), right: face(2 * i)}
	}
	return faces{left: face(2 * i), right: face(2*i + 1)}
}

func (t *contactTable) add(key kindOfBead, cord length.MM) int {
	i := len(t.kinds)
	t.index[key] = i
	t.kinds = append(t.kinds, key)
	if key.passes > 0 {
		hung := key.material.Bead.Hung(material.HoleFor(key.passes, cord))
		t.faces = append(t.faces, hung, hung)
	} else {
		t.faces = append(t.faces, key.material.Bead.Face(false), key.material.Bead.Face(true))
	}
	if len(t.faces) > t.breadth {
		t.breadth *= 2
		t.known = make([]*contact, t.breadth*t.breadth)
	}
	return i
}

// between gives how a right face meets a left face.
func (t *contactTable) between(right, left face) *contact {
	c := &t.known[int(right)*t.breadth+int(left)]
	if *c == nil {
		*c = t.workOut(right, left)
	}
	return *c
}

func (t *contactTable) workOut(right, left face) *contact {
	a, b, c := t.faces[right], t.faces[left], &contact{}
	c.Contact, c.touches = material.Touch(a, b)
	if !c.touches {
		return c
	}
	one, other := t.bead(right), t.bead(left)
	c.share = [2]float64{a.At(c.Radius), b.At(c.Radius)}
	c.hole = min(one.Hole, other.Hole)
	if one.IsGap() || other.IsGap() {
		c.hole = max(one.Hole, other.Hole) // bare cord has none
	}
	c.hinge = min(c.Radius, t.halfThick(right), t.halfThick(left))
	if one.HoleOff > 0 || other.HoleOff > 0 {
		c.hinge = offCentre(one, other, a, b, c)
	}
	if c.Seated {
		// A cap in a cap turns about its pole.
		c.stiff = (one.Shape == material.Cap) != (other.Shape == material.Cap)
		c.hinge = 0
	}
	return c
}

// offCentre is the radius at which a joint turns whose holes lie off the middle of a bead.
// Where most of it lies in front of the cord, away from the body, its rounded faces meet
// there, outside the cord: the radius is negative. Where it hangs below the cord they meet
// at the height of the cord.
func offCentre(one, other *material.Bead, a, b material.Face, c *contact) float64 {
	if a.IsFlat() && b.IsFlat() {
		return c.hinge // they turn at the edge that lies to the body
	}
	way := func(bead *material.Bead) float64 {
		switch {
		case bead.HoleOff == 0 || bead.HoleTo == material.TowardTop:
			return 0
		case bead.HoleTo == material.TowardBack:
			return -1
		}
		return 1
	}
	switch sum := way(one) + way(other); {
	case sum < 0:
		return -c.Radius
	case sum > 0:
		return c.Radius
	}
	return min(c.hinge, float64(max(one.Hole, other.Hole))/2)
}

func (t *contactTable) bead(f face) *material.Bead { return t.kinds[f.kind()].material.Bead }

// halfThick is half of what the bead measures from front to back, in mm: a
// strand bends towards the body, so no joint turns further out than that. A hung
// ring has only its wire about the cord.
func (t *contactTable) halfThick(f face) float64 {
	b := t.bead(f)
	if b.Hangs() {
		return t.faces[f].Rim() + float64(b.Along)
	}
	return float64(b.ToBody())
}

// inwards is how far the bead reaches from the cord towards the body, in mm. What
// hangs never reaches it; the beads of coils lean aside.
func (t *contactTable) inwards(f face) float64 {
	b := t.bead(f)
	if b.Hangs() {
		return 0
	}
	return max(float64(b.ToBody()), float64(b.Inwards))
}
