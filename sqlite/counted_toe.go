package sqlite

import (
	"math"
)

func (c *counted) sizeToe() bool {
	n := c.foot
	switch c.d.Toe.Kind {
	case "wedge":
		return c.sizeWedge()
	case "garter_square":
		edge := n/4 + n%4/2
		c.toeRows, c.toeLength = 2*edge, float64(n/4)/(2*c.gs)
		if c.d.Mirror {
			c.toeRows++
		}
		return true
	case "short_row":
		turns := thirdsThen(n / 2)
		if c.d.Toe.TurnsPerSide != nil {
			turns = *c.d.Toe.TurnsPerSide
		}
		c.toeRows, c.toeLength = 4*turns+3, float64(2*turns)/c.gr
		if c.d.Heel.Turn == "pinned" {
			c.toeRows -= 2
		}
		return turns >= 1 && n/2-2*turns >= thenFewestCentre
	default:
		return false
	}
}

func thirdsThen(stitches int) int { return min(stitches/3, (stitches-thenFewestCentre)/2) }

func largestStartThen(n, most int) int {
	return max(most-((most-n)%4+4)%4, thenFewestToStart+n%4)
}

func wedgeRoundsThen(k, fast int) int {
	rounds := 1 + fast + 2*(k-fast)
	if fast == k {
		rounds++
	}
	return rounds
}

// fastFitted is the number of fast rounds with which a toe comes nearest to the depth of the toes, and by how much it misses it.
func (c *counted) fastFitted(k int) (fast int, miss float64) {
	miss = math.Inf(1)
	for f := range k + 1 {
		if m := math.Abs(float64(wedgeRoundsThen(k, f)) - float64(c.d.Foot.ToeDepth)*c.gr); m < miss-1e-9 {
			fast, miss = f, m
		}
	}
	return fast, miss
}

func (c *counted) sizeWedge() bool {
	n, toe := c.foot, &c.d.Toe
	start := largestStartThen(n, n/2)
	switch toe.Start {
	case "rounded":
		start = largestStartThen(n, n/3)
		if high := start + 4; math.Abs(float64(high)-float64(n)/3) < math.Abs(float64(start)-float64(n)/3) && high <= n {
			start = high
		}
	case "fitted":
		best := math.Inf(1)
		for s := start; s >= thenFewestToStart && 4*s >= n; s -= 4 {
			if _, miss := c.fastFitted((n - s) / 4); miss < best-1e-9 {
				start, best = s, miss
			}
		}
	}
	if toe.StartStitches != nil {
		if start = *toe.StartStitches; (n-start)%4 != 0 || start > n {
			return false
		}
	}
	k := (n - start) / 4
	fast := 0
	switch {
	case toe.FastRounds != nil:
		fast = min(*toe.FastRounds, k)
	case toe.Start == "rounded":
		fast = min(thenRoundedFast, k)
	case toe.Start == "fitted":
		fast, _ = c.fastFitted(k)
	}
	c.toeRows = wedgeRoundsThen(k, fast)
	c.toeLength = float64(c.toeRows) / c.gr
	return true
}

// changesBefore is what the count changes by before the heel.
func (c *counted) changesBefore() int {
	difference, change := c.ankle-c.foot, c.d.Ankle.Change
	if c.d.Leg.InstepPattern != "stockinette" && difference != 0 && (change == "before_heel" || change == "split") {
		if c.d.Heel.Kind != "short_row" {
			return 0
		}
		if change == "split" {
			difference /= 2
		}
		return difference / 4 * 4
	}
	switch change {
	case "before_heel":
		return difference
	case "split":
		return difference / 4 * 2
	}
	return 0
}

// placedThen is how many of so many changes have a round between first and last.
func placedThen(n, first, last int) int {
	rest := thenRest
	for rest > 0 && first+(n-1)*(rest+1) > last {
		rest--
	}
	room := 0
	if last >= first {
		room = (last-first)/(rest+1) + 1
	}
	return min(n, room)
}

// stepsThen are the changes of so many stitches at most that make a difference.
func stepsThen(difference, most int) []int {
	var steps []int
	for difference != 0 {
		step := min(max(difference, -most), most)
		steps, difference = append(steps, step), difference-step
	}
	return steps
}
