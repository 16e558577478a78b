package knit

import "acornstep/sock/rows/needle"

// slipColumns says of each stitch from the right edge whether it stands in a column that was slipped.
type slipColumns []bool

// columnsOfFlap are those of a flap: every other stitch, from the first on.
func columnsOfFlap(n int) slipColumns {
	c := make(slipColumns, n)
	for i := range c {
		c[i] = i%2 == 0 && i < n-1
	}
	return c
}

// along knits the next n stitches of the heel, from the i-th on, and slips those of its columns, never two side by side.
func (w *worker) along(c slipColumns, i, n int) {
	for end := i + n; i < end; i++ {
		if last := len(w.ops) - 1; i < len(c) && c[i] && (last < w.rowOps || w.ops[last].Code != needle.Sl) {
			w.do(needle.Sl, 1)
		} else {
			w.do(needle.K, 1)
		}
	}
}

// together takes two stitches at a place for one: it goes on with the column of either, unless the stitch beside
// it, on the inside of the turn, is slipped.
func (c slipColumns) together(at, inside int) slipColumns {
	either := c[at] || c[at+1]
	c = append(c[:at], c[at+1:]...)
	c[at] = either && !c[inside]
	return c
}
