package needle

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// ops reads "k 3, kfb, turn" as a row would print it.
func ops(t *testing.T, text string) []Op {
	t.Helper()
	var out []Op
	for part := range strings.SplitSeq(text, ",") {
		name, count, found := strings.Cut(strings.TrimSpace(part), " ")
		code, ok := ParseCode(name)
		require.True(t, ok, "operation %q", name)
		n := 1
		if found {
			for _, digit := range count {
				require.True(t, digit >= '0' && digit <= '9')
			}
			n = 0
			for _, digit := range count {
				n = n*10 + int(digit-'0')
			}
		}
		out = append(out, Op{code, n})
	}
	return out
}

// work casts nothing on: it works rows of one kind in turn and fails on the first fault.
func work(t *testing.T, m *Machine, rows ...Row) {
	t.Helper()
	for i := range rows {
		require.NoError(t, m.Work(&rows[i]), "row %d", i+1)
	}
}

func castOn(t *testing.T, text string, turned ...[2]int) *Machine {
	t.Helper()
	m := &Machine{}
	list := ops(t, text)
	side := RS
	if list[0].Code == COChain {
		side = WS
	}
	row := Row{ID: "cast-1", Section: CastOn, Kind: FlatRow, Side: side, Ops: list, Stitches: list[0].N, Turned: turned}
	require.NoError(t, m.Work(&row))
	return m
}

// shape draws the ring: k plain, d double, o yarn-over, digits for wraps, ' for a pin above, | for the cursor.
func shape(m *Machine) string {
	s := m.Snapshot()
	var b strings.Builder
	for i, l := range s.Loops {
		if i == s.Cursor {
			b.WriteByte('|')
		}
		switch {
		case l.Wraps > 0:
			b.WriteByte(byte('0' + l.Wraps))
		case l.Turned:
			b.WriteByte('t')
		default:
			b.WriteByte("kdo"[l.Kind])
		}
		b.WriteString(strings.Repeat("'", int(l.Pins)))
	}
	if s.Cursor == len(s.Loops) {
		b.WriteByte('|')
	}
	return b.String()
}

func TestOpsByHand(t *testing.T) {
	type step struct {
		kind  RowKind
		side  Side
		ops   string
		count int
		want  string
	}
	cases := []struct {
		name   string
		castOn string
		steps  []step
	}{
		{"German turn on both sides", "co 6", []step{
			{FlatRow, RS, "turn", 6, "|kkkkkk"},
			{FlatRow, WS, "ds, p 3, turn", 6, "kk|kkkd"},
			{FlatRow, RS, "ds, k 2, turn", 6, "kkdkk|d"},
			{FlatRow, WS, "ds, p, turn", 6, "kkd|kdd"},
			{FlatRow, RS, "ds, kds 2", 6, "|kkddkk"},
			{Round, RS, "k 2, kds 2, k 2", 6, "|kkkkkk"},
		}},
		{"two wraps lifted together", "co 5", []step{
			{FlatRow, RS, "k 3, wt", 5, "kkk|1k"},
			{FlatRow, WS, "p 2, turn", 5, "k|kk1k"},
			{FlatRow, RS, "k 2, wt", 5, "kkk|2k"},
			{FlatRow, WS, "p 3, turn", 5, "|kkk2k"},
			{Round, RS, "k 3, kw, k", 5, "|kkkkk"},
		}},
		{"a yarn-over belongs to its turn", "co 4", []step{
			{FlatRow, RS, "k 3, turn", 4, "kkk|k"},
			{FlatRow, WS, "yo, p, turn", 5, "kk|kok"},
			{FlatRow, RS, "yo, k, k2tog", 5, "|kkokk"},
			{FlatRow, RS, "k 1, ssk", 4, "kk|kk"},
		}},
		{"lace yarn-over is a plain loop", "co 4", []step{
			{Round, RS, "k 2, yo, k2tog", 4, "|kkkk"},
			{Round, RS, "k 4", 4, "|kkkk"},
		}},
		{"pins hang at the gap behind the slipped loop", "co 5", []step{
			{FlatRow, RS, "k 4, turn", 5, "kkkk|k"},
			{FlatRow, WS, "slpin, p 2, turn", 5, "k|kkk'k"},
			{FlatRow, RS, "slpin, k 2, kpin", 5, "|k'kkkk"},
			{Round, RS, "kpin, k 4", 5, "|kkkkk"},
		}},
		{"a loop added first in a round becomes loop 0", "co 4", []step{
			{Round, RS, "m1, k 4, m1", 6, "|kkkkkk"},
		}},
		{"knit front and back", "co 4", []step{
			{Round, RS, "k 3, kfb", 5, "|kkkkk"},
			{FlatRow, RS, "turn", 5, "|kkkkk"},
			{FlatRow, WS, "p 4, pfb, turn", 6, "|kkkkkk"},
		}},
		{"provisional cast-on unzipped with crossing yarn-overs", "co_chain 4", []step{
			{FlatRow, WS, "p 4, turn", 4, "|kkkk"},
			{FlatRow, RS, "k 4, turn", 4, "kkkk|"},
			{FlatRow, WS, "yo, p 4, turn", 5, "|kkkko"},
			{FlatRow, RS, "yo, k 4, unzip 4, k2tog, k 2, ssk", 8, "|kkkkkkkk"},
		}},
		{"a new start of the round", "co 4", []step{
			{FlatRow, RS, "k 1, start", 4, "|kkkk"},
			{Round, RS, "k 4", 4, "|kkkk"},
		}},
		{"garter leaves a wrap behind", "co 3", []step{
			{FlatRow, RS, "k 1, wt", 3, "k|1k"},
			{FlatRow, WS, "p 1, turn", 3, "|k1k"},
		}},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			m := castOn(t, c.castOn)
			for i, s := range c.steps {
				work(t, m, Row{ID: "r", Section: Heel, Kind: s.kind, Side: s.side, Ops: ops(t, s.ops), Stitches: s.count})
				assert.Equal(t, s.want, shape(m), "after step %d: %s", i+1, s.ops)
			}
		})
	}
}

func TestTurnedLoopsWantTheBackLoop(t *testing.T) {
	m := castOn(t, "co 6", [2]int{4, 6})
	assert.Equal(t, "|kkkktt", shape(m))
	err := m.Work(&Row{ID: "toe-1", Section: Toe, Kind: Round, Side: RS, Ops: ops(t, "k 6"), Stitches: 6})
	var fault *Fault
	require.ErrorAs(t, err, &fault)
	assert.Equal(t, 0, fault.Op)
	m = castOn(t, "co 6", [2]int{4, 6})
	work(t, m, Row{ID: "toe-1", Section: Toe, Kind: Round, Side: RS, Ops: ops(t, "k 4, ktbl 2"), Stitches: 6})
	assert.Equal(t, "|kkkkkk", shape(m))
}

func TestRefusals(t *testing.T) {
	cases := []struct {
		name string
		row  Row
		want string
	}{
		{"wrong side", Row{Kind: FlatRow, Side: WS, Ops: ops(t, "p 2"), Stitches: 6}, "the work shows RS"},
		{"half a round", Row{Kind: Round, Side: RS, Ops: ops(t, "k 5"), Stitches: 6}, "works 5 of 6"},
		{"more than a round", Row{Kind: Round, Side: RS, Ops: ops(t, "k 7"), Stitches: 6}, "past its end"},
		{"wrong count", Row{Kind: Round, Side: RS, Ops: ops(t, "k 6"), Stitches: 7}, "says 7 stitches, 6 are"},
		{"turn in mid-row", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "k 1, turn, k 1"), Stitches: 6}, "ends a row"},
		{"two turns", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "turn 2"), Stitches: 6}, "ends a row"},
		{"double stitch without a turn", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "ds"), Stitches: 6}, "first operation after a turn"},
		{"pin without a turn", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "slpin"), Stitches: 6}, "first operation after a turn"},
		{"no double stitch there", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "kds"), Stitches: 6}, "needs a double stitch"},
		{"no wrap there", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "kw"), Stitches: 6}, "needs a wrapped loop"},
		{"no pin there", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "kpin"), Stitches: 6}, "no pin"},
		{"nothing to unzip", Row{Kind: FlatRow, Side: RS, Ops: ops(t, "unzip 6"), Stitches: 6}, "no waste yarn"},
		{"a second cast-on", Row{Section: CastOn, Kind: FlatRow, Side: RS, Ops: ops(t, "co 6"), Stitches: 6}, "needs empty needles"},
		{"binding off too early", Row{Section: Leg, Kind: Round, Side: RS, Ops: ops(t, "bo 6"), Stitches: 0}, "belongs to the bind-off"},
		{"empty row", Row{Kind: Round, Side: RS}, "no operations"},
		{"unknown kind", Row{Kind: "spiral", Side: RS, Ops: ops(t, "k 6")}, `"spiral"`},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			m := castOn(t, "co 6")
			if c.row.Section == "" {
				c.row.Section = Foot
			}
			err := m.Work(&c.row)
			require.Error(t, err)
			assert.Contains(t, err.Error(), c.want)
		})
	}
}

func TestLeavingAWrapInStockinetteIsRefused(t *testing.T) {
	for fabric, refused := range map[string]bool{"": true, Garter: false} {
		m := castOn(t, "co 3")
		work(t, m, Row{ID: "a", Section: Heel, Kind: FlatRow, Side: RS, Ops: ops(t, "k 1, wt"), Stitches: 3},
			Row{ID: "b", Section: Heel, Kind: FlatRow, Side: WS, Ops: ops(t, "p 1, turn"), Stitches: 3})
		err := m.Work(&Row{ID: "c", Section: Heel, Kind: Round, Side: RS, Ops: ops(t, "k 3"), Stitches: 3, Fabric: fabric})
		if refused {
			assert.ErrorContains(t, err, "lift the wraps")
		} else {
			assert.NoError(t, err)
			assert.Equal(t, "|kkk", shape(m))
		}
	}
}

func TestDecreaseMayNotCloseOverAPin(t *testing.T) {
	m := castOn(t, "co 5")
	work(t, m, Row{ID: "a", Section: Heel, Kind: FlatRow, Side: RS, Ops: ops(t, "k 4, turn"), Stitches: 5},
		Row{ID: "b", Section: Heel, Kind: FlatRow, Side: WS, Ops: ops(t, "slpin, turn"), Stitches: 5})
	err := m.Work(&Row{ID: "c", Section: Heel, Kind: FlatRow, Side: RS, Ops: ops(t, "k2tog"), Stitches: 4})
	assert.ErrorContains(t, err, "close over a pin")
}

func TestOpJSON(t *testing.T) {
	var o Op
	require.NoError(t, o.UnmarshalJSON([]byte(`["k2tog", 3]`)))
	assert.Equal(t, Op{K2tog, 3}, o)
	for _, bad := range []string{`["k"]`, `["knit",1]`, `["k",0]`, `["k",1.5]`, `[1,"k"]`, `{}`, `["k",1e9]`} {
		assert.Error(t, o.UnmarshalJSON([]byte(bad)), bad)
	}
}

// Every operation of the set is worked somewhere by the plans; here only its spelling is pinned.
func TestCodesReadBackTheirOwnNames(t *testing.T) {
	for _, c := range Codes() {
		back, ok := ParseCode(c.String())
		assert.True(t, ok)
		assert.Equal(t, c, back)
	}
	assert.Len(t, Codes(), 39)
}

// Two loops are worked together across the start of the round, and a strand is lifted after them: the new
// loop stands in the place of loop 0, so that each half has as many as before. On the wrong side it stands in that of the last.
func TestADecreaseAcrossTheStartKeepsBothHalves(t *testing.T) {
	for _, side := range []Side{RS, WS} {
		var m Machine
		begin := func(row Row) {
			t.Helper()
			row.Section = Heel
			require.NoError(t, m.Begin(&row))
		}
		do := func(code Code, n int) {
			t.Helper()
			require.NoError(t, m.Do(Op{Code: code, N: n}))
		}
		require.NoError(t, m.Begin(&Row{Section: CastOn, Kind: FlatRow, Side: RS}))
		do(CO, 8)
		begin(Row{Kind: FlatRow, Side: RS})
		together, lifted := K2tog, M1
		if side == RS {
			do(K, 7)
		} else {
			do(K, 1)
			do(Turn, 1)
			begin(Row{Kind: FlatRow, Side: WS})
			together, lifted = P2tog, M1P
		}
		do(together, 1)
		do(lifted, 1)
		assert.Equal(t, 8, m.Count())
		want := 1 // past loop 0, which is the lifted one
		if side == WS {
			want = 7 // before the last, which is the lifted one
		}
		assert.Equal(t, want, m.Cursor(), side)
	}
}

// What was said of the needle of one loop is forgotten with it, also where another rule has put it there.
func TestTheNeedleOfALoopIsSaidOnce(t *testing.T) {
	m := castOn(t, "co 8")
	m.Lay(0, 4, 4)
	if err := m.Begin(&Row{ID: "foot-1", Section: Foot, Kind: Round, Side: RS}); err != nil {
		t.Fatal(err)
	}
	for _, o := range ops(t, "k 2, k2tog 1") {
		if err := m.Do(o); err != nil {
			t.Fatal(err)
		}
	}
	m.Onto()
	if err := m.Do(Op{M1, 1}); err != nil {
		t.Fatal(err)
	}
	m.Lay(0, 8)
	if err := m.Do(Op{M1, 1}); err != nil {
		t.Fatal(err)
	}
	var on [2]int
	if m.Lying(on[:]); on != [2]int{9, 0} {
		t.Fatalf("the needles hold %v: all nine were laid on one", on)
	}
}
