package graduate

import (
	"math"

	"mala/core/length"
)

// outlook knows how smooth what is still to be strung can be: by the rung, the count there, and
// the length that is still wanted. Lengths are known to a bin, and what it says is never
// rougher than the truth.
type outlook struct {
	row  *row
	wide float64 // mm on either side of the target that still do
	bin  float64 // mm
	bins int
	from float64     // mm, where the first bin begins
	rest [][][]int32 // [rung][count - low][bin]
}

// never stands for what cannot be reached.
const never = math.MaxInt32 / 2

// The size of a bin in mm, and how many entries there are at most: more take coarser bins.
const (
	finest      = 0.2
	mostEntries = 6_000_000
)

// newOutlook works it out, from the last rung to the first; nil where there is no time for that.
func (r *row) newOutlook() *outlook {
	o := &outlook{row: r, wide: float64(r.target.Tolerance + around), bin: finest}
	all := float64(r.target.Finished - r.base)
	counts := 0
	for i := range r.ladder {
		counts += r.span(i)
	}
	for {
		o.from = -o.wide - o.bin
		o.bins = int((all-o.from)/o.bin) + 2
		if counts*o.bins <= mostEntries {
			break
		}
		o.bin *= 2
	}
	o.rest = make([][][]int32, len(r.ladder))
	for i := len(r.ladder) - 1; i >= 0; i-- {
		if r.ctx.Err() != nil {
			return nil
		}
		o.rest[i] = o.rung(i)
	}
	return o
}

// span is how many counts a size may have.
func (r *row) span(i int) int { return max(0, r.ladder[i].most-r.low[i]+1) }

// rung works out one rung from the one behind it.
func (o *outlook) rung(i int) [][]int32 {
	out := make([][]int32, o.row.span(i))
	for n := range out {
		out[n] = make([]int32, o.bins)
	}
	if i == len(o.row.ladder)-1 {
		for b := range o.bins {
			value := int32(never)
			if at := o.from + float64(b)*o.bin; at <= o.wide { // it begins within what does; the first ones end there
				value = 0
			}
			for n := range out {
				out[n][b] = value
			}
		}
		return out
	}
	next := o.rest[i+1]
	one, low := make([]int32, len(next)), o.row.low[i+1]
	shift := o.row.low[i] - low
	for b := range o.bins {
		for n := range next {
			one[n] = o.behind(i+1, n, b, low)
		}
		nearest(one, shift, func(n int, value int32) { out[n][b] = value }, len(out))
	}
	return out
}

// behind is the least of the rung i with a count of n over its low one, where so much was wanted
// before it: what is left lies in one of two bins.
func (o *outlook) behind(i, n, b, low int) int32 {
	left := float64(b) - float64(o.row.step[i])*float64(n+low)/o.bin
	j := int(math.Floor(left))
	best := int32(never)
	for _, at := range []int{j, j + 1} {
		if at >= 0 && at < o.bins {
			best = min(best, o.rest[i][n][at])
		}
	}
	return best
}

// nearest gives for each place n the least of values[k] + (n + shift - k)², by the lower envelope
// of those parabolas.
func nearest(values []int32, shift int, put func(n int, value int32), places int) {
	var at []int         // the parabolas of the envelope, by the place of their foot
	var starts []float64 // where each begins to be the lowest
	crosses := func(p, q int) float64 {
		return (float64(values[q]) + float64(q*q) - float64(values[p]) - float64(p*p)) / float64(2*(q-p))
	}
	for k, v := range values {
		if v >= never {
			continue
		}
		from := math.Inf(-1)
		for len(at) > 0 {
			if from = crosses(at[len(at)-1], k); from > starts[len(starts)-1] {
				break
			}
			at, starts = at[:len(at)-1], starts[:len(starts)-1]
			from = math.Inf(-1)
		}
		at, starts = append(at, k), append(starts, from)
	}
	p := 0
	for n := range places {
		if len(at) == 0 {
			put(n, never)
			continue
		}
		x := n + shift
		for p+1 < len(at) && starts[p+1] <= float64(x) {
			p++
		}
		d := x - at[p]
		put(n, values[at[p]]+int32(d*d))
	}
}

// ahead is how smooth the rest can be at best behind a count of a rung, where so much has been
// strung in all.
func (o *outlook) ahead(i, count int, sum length.MM) int {
	b := int(math.Floor((float64(o.row.target.Finished-sum) - o.from) / o.bin))
	if b < 0 || b >= o.bins {
		return never
	}
	return int(o.rest[i][count-o.row.low[i]][b])
}

// least is how smooth the smoothest counts of about the right length can be at best; never where
// there are none.
func (o *outlook) least() int {
	r, out := o.row, never
	for n := r.low[0]; n <= r.ladder[0].most; n++ {
		out = min(out, o.ahead(0, n, r.base+r.step[0]*length.MM(n)))
	}
	return out
}

// nearestLength is about how far from the target the nearest length is that any counts have.
func (r *row) nearestLength() float64 {
	bin, longest, counts := finest, 0.0, 0
	for i, s := range r.ladder {
		longest += float64(r.step[i]) * float64(s.most)
		counts += r.span(i)
	}
	for longest/bin*float64(counts) > mostEntries {
		bin *= 2
	}
	reached := make([]bool, int(longest/bin)+len(r.ladder)+2)
	reached[0] = true
	for i := range r.ladder {
		next := make([]bool, len(reached))
		for _, b := range indicesOf(reached) {
			for n := r.low[i]; n <= r.ladder[i].most; n++ {
				next[b+int(math.Round(float64(r.step[i])*float64(n)/bin))] = true
			}
		}
		reached = next
	}
	best := math.Inf(1)
	for _, b := range indicesOf(reached) {
		best = min(best, math.Abs(float64(r.base)+float64(b)*bin-float64(r.target.Finished)))
	}
	return best + float64(len(r.ladder))*bin
}

func indicesOf(set []bool) []int {
	var out []int
	for i, in := range set {
		if in {
			out = append(out, i)
		}
	}
	return out
}
