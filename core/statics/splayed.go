package statics

import (
	"cmp"
	"math"
	"slices"
)

// mostThrusts is how many parts are tried as the one that is thrust together.
const mostThrusts = 12

// Belly finds how parts hang that may be longer than their supports are apart, as in a
// small loop: what carries a long part at the foot then splays outwards, and the cord
// thrusts that part together instead of pulling at it. The parts nearest to the middle of
// the weight are tried, and of all lies found the one whose weight lies lowest is taken.
// The error is ErrShort or ErrStiff.
func Belly(parts []Part, width float64) (*Hanging, error) {
	whole, weight := 0.0, 0.0
	for _, p := range parts {
		whole, weight = whole+p.Length, weight+p.Weight
	}
	if !(whole > width*(1+1e-6)) || width <= 0 {
		return nil, ErrShort
	}
	c := &chain{parts, Loads(parts, weight), width}
	if h, v, ok := c.newton(whole); ok {
		return &Hanging{Joints: c.joints(h, v), Pull: h}, nil
	}
	var best *Hanging
	lowest := math.Inf(-1)
	for _, i := range c.thrusts() {
		h, v, ok := c.splay(i, whole)
		if !ok {
			continue
		}
		hanging := &Hanging{Joints: c.splayed(h, v, i), Pull: h}
		if low := c.low(hanging); low > lowest {
			best, lowest = hanging, low
		}
	}
	if best == nil {
		return nil, ErrStiff
	}
	return best, nil
}

// thrusts lists the parts that may be thrust together, the one nearest to the middle of the
// weight first.
func (c *chain) thrusts() []int {
	middle := c.below[len(c.below)-1] / 2
	out := make([]int, len(c.parts))
	for i := range out {
		out[i] = i
	}
	slices.SortStableFunc(out, func(a, b int) int {
		return cmp.Compare(math.Abs(c.below[a]-middle), math.Abs(c.below[b]-middle))
	})
	return out[:min(len(out), mostThrusts)]
}

// splay finds H, which is less than nothing where the part thrusts, and V by Newton's
// method from a part that lies level; false where it does not settle.
func (c *chain) splay(thrust int, whole float64) (h, v float64, ok bool) {
	total := c.below[len(c.below)-1]
	h, v = -0.2*total, c.below[thrust]
	x, y, jac := c.spread(h, v, thrust)
	for range mostSteps {
		miss := math.Hypot(x, y)
		if miss < enough*whole {
			return h, v, true
		}
		det := jac[0]*jac[2] - jac[1]*jac[1]
		if det == 0 || math.IsNaN(det) {
			return 0, 0, false
		}
		dh, dv := -(jac[2]*x-jac[1]*y)/det, -(jac[0]*y-jac[1]*x)/det
		step := 1.0
		for {
			nx, ny, next := c.spread(h+step*dh, v+step*dv, thrust)
			if math.Hypot(nx, ny) < miss*(1-1e-4*step) {
				h, v, x, y, jac = h+step*dh, v+step*dv, nx, ny, next
				break
			}
			if step /= 2; step < 1e-9 {
				return 0, 0, false
			}
		}
	}
	return 0, 0, false
}

// spread is by how much the ends miss the width and each other's height, and how that
// changes with H, with both, and with V.
func (c *chain) spread(h, v float64, thrust int) (x, y float64, by [3]float64) {
	x = -c.width
	for i, p := range c.parts {
		u, sign := v-c.below[i], 1.0
		if i == thrust {
			sign = -1
		}
		t := math.Hypot(h, u)
		x += sign * p.Length * h / t
		y += sign * p.Length * u / t
		cube := sign * p.Length / (t * t * t)
		by[0] += cube * u * u
		by[1] -= cube * h * u
		by[2] += cube * h * h
	}
	return x, y, by
}

func (c *chain) splayed(h, v float64, thrust int) []Point {
	out := []Point{{X: -c.width / 2}}
	for i, p := range c.parts {
		along := p.Length / math.Hypot(h, v-c.below[i])
		if i == thrust {
			along = -along
		}
		last := out[i]
		out = append(out, Point{X: last.X + along*h, Y: last.Y + along*(v-c.below[i])})
	}
	return out
}

// low is how low the weight lies in all: the sum of every load times its depth.
func (c *chain) low(h *Hanging) float64 {
	sum := 0.0
	for i := 1; i < len(c.parts); i++ {
		sum += (c.below[i] - c.below[i-1]) * h.Joints[i].Y
	}
	return sum
}
