package knit

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/rows/needle"
)

// on gives hands that hold ten stitches and have worked the rows, each a list of operations.
func on(t *testing.T, rows ...[]needle.Op) *worker {
	t.Helper()
	h := newWorker(16)
	h.enter(needle.CastOn)
	h.begin(needle.FlatRow)
	h.do(needle.CO, 10)
	h.end()
	h.instep = 5
	h.enter(needle.Heel)
	for _, ops := range rows {
		h.begin(needle.FlatRow)
		for _, o := range ops {
			h.do(o.Code, o.N)
		}
		h.end()
	}
	require.NoError(t, h.err)
	return h
}

// Hands look at what hangs on the needle and do what a knitter would.
func TestHandsSettleWhatTheySee(t *testing.T) {
	turn := op(needle.Turn, 1)
	cases := []struct {
		name   string
		rows   [][]needle.Op
		settle func(h *worker)
		want   string
	}{
		{"a double stitch", [][]needle.Op{{op(needle.K, 4), turn}, {op(needle.DS, 1), op(needle.P, 2), turn}},
			func(w *worker) { w.settle(4) }, "[k×2 kds×1 k×1]"},
		{"two wraps", [][]needle.Op{{op(needle.K, 4), op(needle.WT, 1)}, {op(needle.P, 3), turn}, {op(needle.K, 3), op(needle.WT, 1)},
			{op(needle.P, 3), turn}},
			func(w *worker) { w.settle(5) }, "[k×3 kw×1 k×1]"},
		{"a yarn-over before its stitch", [][]needle.Op{{op(needle.K, 4), turn}, {op(needle.YO, 1), op(needle.P, 3), turn}},
			func(w *worker) { w.settle(5) }, "[k×3 k2tog×1 k×1]"},
		{"a yarn-over beyond its stitch", [][]needle.Op{{op(needle.K, 5), turn}, {op(needle.P, 3), turn},
			{op(needle.YO, 1), op(needle.K, 8)}},
			func(w *worker) { w.settle(1); w.settleFar(1); w.settle(3) }, "[k×1 ssk×1 k×3]"},
		{"a pin", [][]needle.Op{{op(needle.K, 4), turn}, {op(needle.SlPin, 1), op(needle.P, 2), turn}}, func(w *worker) { w.settle(5) },
			"[k×3 kpin×1 k×1]"},
		{"on the wrong side", [][]needle.Op{{op(needle.K, 6), op(needle.WT, 1)}, {op(needle.P, 2), turn}, {op(needle.K, 5), turn}},
			func(w *worker) { w.settle(4) }, "[p×2 pw×1 p×1]"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			if c.name == "on the wrong side" {
				c.rows[2] = []needle.Op{op(needle.K, 2), op(needle.Sl, 3), turn} // pass the wrap by, and come back to it
			}
			h := on(t, c.rows...)
			h.begin(needle.FlatRow)
			c.settle(h)
			require.NoError(t, h.err)
			assert.Equal(t, c.want, fmt.Sprint([]needle.Op(h.end().Ops)))
		})
	}
}

func TestGarterLeavesTheWrapWhereItIs(t *testing.T) {
	h := on(t, []needle.Op{op(needle.K, 4), op(needle.WT, 1)}, []needle.Op{op(needle.P, 3), op(needle.Turn, 1)})
	h.fabric = needle.Garter
	h.begin(needle.FlatRow)
	h.settle(6)
	assert.Equal(t, "[k×6]", fmt.Sprint([]needle.Op(h.end().Ops)))
	doubles, overs, wraps, pins := h.machine.Unsettled()
	assert.Zero(t, doubles+overs+wraps+pins)
}

func TestHandsStopAtTheFirstImpossibleThing(t *testing.T) {
	h := on(t)
	h.begin(needle.FlatRow)
	h.do(needle.Kds, 1)
	h.do(needle.K, 3)
	h.end()
	assert.ErrorContains(t, h.err, "heel-1: kds needs a double stitch")
	assert.Empty(t, h.rows[len(h.rows)-1].Ops, "nothing is written down that was not worked")
}

// Where the needle changes, what comes is kept apart from what was worked.
func TestRunsArePutTogetherWithinANeedleOnly(t *testing.T) {
	h := on(t)
	row := h.round(func() { h.do(needle.K, 2); h.do(needle.K, 3) }, func() { h.do(needle.K, 5) })
	assert.Equal(t, "[k×5 k×5]", fmt.Sprint([]needle.Op(row.Ops)))
}

func op(code needle.Code, n int) needle.Op { return needle.Op{Code: code, N: n} }

// countOf is how often operations of a name are done.
func countOf(ops []needle.Op, name string) int {
	n := 0
	for _, o := range ops {
		if o.Code.String() == name {
			n += o.N
		}
	}
	return n
}
