package body

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
)

// anyFoot is a foot from a baby's to a large man's, with any proportion that is taken without a question.
func anyFoot(t *rapid.T) *design.Foot {
	long := rapid.Float64Range(90, 330).Draw(t, "length")
	share := func(name string, low, high float64) measure.Length {
		return measure.Length(rapid.Float64Range(low, high).Draw(t, name))
	}
	m := &design.Foot{Length: measure.Length(long)}
	m.BallGirth = measure.Length(long) * share("ball", 0.85, 1.15)
	m.ToeDepth = measure.Length(long) * share("toes", 0.14, 0.26)
	m.HeelDiagonal = m.BallGirth * share("diagonal", 1.22, 1.6)
	m.AnkleGirth = m.BallGirth * share("ankle", 0.8, 1.2)
	if rapid.Bool().Draw(t, "knee sock") {
		girth, height := m.AnkleGirth*share("calf", 1.1, 1.7), measure.Length(long)*share("calf height", 1, 1.5)
		m.CalfGirth, m.CalfHeight = &girth, &height
		if rapid.Bool().Draw(t, "knee") {
			below, above := girth*share("below the knee", 0.85, 1), height+measure.Length(long)*share("above the calf", 0.15, 0.5)
			m.KneeGirth, m.KneeHeight = &below, &above
		}
	}
	return m
}

// Every girth that was measured, and every guess of the fit, is the girth of the body there.
func TestTheBodyHasTheGirthsOfTheFoot(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		m, side := anyFoot(t), rapid.SampledFrom([]Side{Left, Right}).Draw(t, "side")
		f := Of(m, side, 150)
		want := map[string]float64{
			"toes": ToesShare * float64(m.BallGirth), "ball": float64(m.BallGirth), "arch": ArchShare * float64(m.BallGirth),
			"heel": float64(m.HeelDiagonal), "ankle": float64(m.AnkleGirth),
		}
		if m.CalfGirth != nil {
			want["calf"] = float64(*m.CalfGirth)
			want["knee"] = 0.92 * float64(*m.CalfGirth)
			if m.KneeGirth != nil {
				want["knee"] = float64(*m.KneeGirth)
			}
			if m.KneeHeight != nil {
				f = Of(m, side, float64(*m.KneeHeight)+20)
			} else {
				f = Of(m, side, 1.9*float64(m.Length))
			}
		}
		for name, girth := range want {
			at, ok := f.Station(name)
			if !ok {
				t.Fatalf("nobody knows where the %s is", name)
			}
			if got := tapeRound(f, at); math.Abs(got/girth-1) > 0.01 {
				t.Fatalf("%s: %.1f mm, measured %.1f", name, got, girth)
			}
		}
	})
}

// tapeRound measures over the skin, place by place, and knows nothing of how the body is made.
func tapeRound(f *Foot, at float64) float64 {
	const places = 720
	sum, last := 0.0, f.Skin(at, 0)
	for i := 1; i <= places; i++ {
		p := f.Skin(at, 2*math.Pi*float64(i)/places)
		sum += math.Sqrt((p[0]-last[0])*(p[0]-last[0]) + (p[1]-last[1])*(p[1]-last[1]) + (p[2]-last[2])*(p[2]-last[2]))
		last = p
	}
	return sum
}

// The foot is as long as it was measured, stands on the floor, and its instep rises from the toes to the ankle.
func TestTheBodyStandsOnTheFloor(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		m, side := anyFoot(t), rapid.SampledFrom([]Side{Left, Right}).Draw(t, "side")
		f := Of(m, side, 150)
		least, most, floor := math.Inf(1), math.Inf(-1), math.Inf(1)
		for _, p := range f.Line() {
			if math.IsNaN(p[0]) || math.IsNaN(p[1]) {
				t.Fatal("the outline is no line")
			}
			if p[1] < 0.3*f.Length {
				least, most = math.Min(least, p[0]), math.Max(most, p[0])
			}
			floor = math.Min(floor, p[1])
		}
		if math.Abs(most-least-f.Length) > 0.02*f.Length {
			t.Fatalf("%.1f mm long, measured %.1f", most-least, f.Length)
		}
		if math.Abs(floor) > 0.01*f.Length {
			t.Fatalf("it stands %.1f mm above the floor", floor)
		}
		ball, _ := f.Station("ball")
		up := 0.0
		for at := f.toes; at < f.Hinge[0]; at += 2 {
			p := f.Skin(at, 0)
			if at > ball && p[1] < up-0.5 {
				t.Fatalf("the instep sinks at %.0f mm from %.1f to %.1f", at, up, p[1])
			}
			up = p[1]
		}
	})
}

// What lies on the skin is at no depth; a step out of it is outside by about as much, and the way out leads back to it.
func TestDepthIsTheWayOut(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		m, side := anyFoot(t), rapid.SampledFrom([]Side{Left, Right}).Draw(t, "side")
		f := Of(m, side, 150)
		at := rapid.Float64Range(0.25*f.toes, f.Reach()-20).Draw(t, "along")
		angle := rapid.Float64Range(0, 2*math.Pi).Draw(t, "round")
		p := f.Skin(at, angle)
		depth, out := f.Depth(p)
		if math.Abs(depth) > 0.25 {
			t.Fatalf("the skin at %.0f, %.2f lies %.2f mm deep", at, angle, depth)
		}
		step := 0.006 * f.Length
		q := Vec{p[0] - step*out[0], p[1] - step*out[1], p[2] - step*out[2]}
		depth, out = f.Depth(q)
		if depth < 0.5*step || depth > 2*step {
			t.Fatalf("%.1f mm under the skin at %.0f, %.2f is said to be %.2f", step, at, angle, depth)
		}
		for range 3 {
			depth, out = f.Depth(q)
			q = Vec{q[0] + depth*out[0], q[1] + depth*out[1], q[2] + depth*out[2]}
		}
		if depth, _ = f.Depth(q); math.Abs(depth) > 0.1*step+0.1 {
			t.Fatalf("the way out from %.0f, %.2f ends %.2f mm deep", at, angle, depth)
		}
	})
}

// By hand: a foot of 250 mm with usual girths bends in front of the ankle at about six tenths of its length, and
// its ankle lies behind that.
func TestAUsualFoot(t *testing.T) {
	f := Of(&design.Foot{Length: 250, BallGirth: 235, ToeDepth: 50, HeelDiagonal: 324, AnkleGirth: 235}, Left, 120)
	at, _ := f.Station("heel")
	bend, heel := f.Skin(at, 0), f.Skin(at, math.Pi)
	assert.InDelta(t, 155, bend[0], 12, "the bend")
	assert.InDelta(t, 245, heel[0], 4, "the point of the heel")
	assert.InDelta(t, 9, heel[1], 6)
	assert.Greater(t, f.Top, 120.)
	require.GreaterOrEqual(t, f.Skin(f.Reach()-1, 0)[1], 120.)
	assert.InDelta(t, 41.6, toeTip(f), 12, "half a toe deep the foot is most of its width")
}

// The big toe is longest, and on the inner side: to the right of a left foot.
func TestAFootIsLeftOrRight(t *testing.T) {
	m := &design.Foot{Length: 250, BallGirth: 235, ToeDepth: 50, HeelDiagonal: 324, AnkleGirth: 235}
	left, right := Of(m, Left, 120), Of(m, Right, 120)
	assert.Less(t, left.Aside(5), -10.)
	for at := 1.; at < left.Reach(); at += 9 {
		for angle := 0.; angle < 6; angle++ {
			p, q := left.Skin(at, angle), right.Skin(at, -angle)
			assert.InDelta(t, p[0], q[0], 1e-9)
			assert.InDelta(t, p[1], q[1], 1e-9)
			assert.InDelta(t, p[2], -q[2], 1e-9)
		}
	}
}

// A tracing shapes the toes: they end at the tip of the longest toe, and their outer side goes through the root of the little one.
func TestATracingShapesTheToes(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		m := anyFoot(t)
		usual := Of(m, Left, 120)
		outer := usual.Skin(usual.toes, math.Pi/2)[2]
		tip := measure.Length(rapid.Float64Range(0.02, 0.12).Draw(t, "tip") * usual.Length)
		little := measure.Length(outer + rapid.Float64Range(-0.01, 0.01).Draw(t, "little toe")*usual.Length)
		m.ToeTipAside, m.LittleToeAside = &tip, &little
		// The toes bend along one curve: its root of the little toe lies between two shares of the way that the tip goes. Marks beyond
		// them are no foot's; the tip and the girth hold for them too.
		bent := math.Pow(usual.Aside(usual.toes)/usual.Aside(0), 1/1.6)
		inward := outer - usual.Aside(usual.toes) - float64(little)
		reached := inward <= float64(tip)*math.Pow(bent, 0.7) && inward >= float64(tip)*math.Pow(bent, 6)
		for _, side := range []Side{Left, Right} {
			f := Of(m, side, 120)
			if got := -float64(side) * f.Aside(0); math.Abs(got-float64(tip)) > 0.01 {
				t.Fatalf("the tip lies %.1f mm inward, traced %.1f", got, float64(tip))
			}
			p := f.Skin(f.toes, float64(side)*math.Pi/2)
			if got := float64(side) * p[2]; reached && math.Abs(got-float64(little)) > 4 {
				t.Fatalf("the little toe begins %.1f mm outward, traced %.1f", got, float64(little))
			}
			if a, b := tapeRound(f, f.toes), ToesShare*float64(m.BallGirth); math.Abs(a/b-1) > 0.01 {
				t.Fatalf("the toes are %.1f mm round, not %.1f", a, b)
			}
		}
	})
}

// toeTip is half the width of the foot a few millimetres behind the tip.
func toeTip(f *Foot) float64 {
	outer, inner := f.Skin(12, math.Pi/2), f.Skin(12, -math.Pi/2)
	return (outer[2] - inner[2]) / 2
}
