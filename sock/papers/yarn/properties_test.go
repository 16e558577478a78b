package yarn_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// planned is a sock of some foot, shape and leg; contrast names its sections in the other yarn.
func planned(t *rapid.T, leg int, contrast string) *plan.Plan {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":%d},"gauge":{"stitches_per_100mm":%d,"rounds_per_100mm":%d},"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q},"leg":{"height_mm":%d},"yarn":{"contrast":[%s]}}`,
		rapid.IntRange(180, 290).Draw(t, "foot"), rapid.IntRange(26, 36).Draw(t, "stitches"), rapid.IntRange(36, 48).Draw(t, "rounds"),
		rapid.SampledFrom(design.Registered("toe.kind")).Draw(t, "toe"),
		rapid.SampledFrom(design.Registered("heel.kind")).Draw(t, "heel"),
		rapid.SampledFrom(design.Registered("heel.turn")).Draw(t, "turn"), leg, contrast))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	return p
}

// total adds the grams of one colour; the sock's own yarn has no name.
func total(needs []yarn.Need, colour string) (grams float64) {
	for _, n := range needs {
		if n.Colour == colour {
			grams += n.Grams
		}
	}
	return grams
}

// Which sections are knitted in the other yarn moves grams from one ball to the other, and makes none. Its heel has a
// strand of its own and begins on the right side, so a row or two differ.
func TestContrastMovesYarnAndMakesNone(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		leg := rapid.IntRange(80, 200).Draw(t, "leg")
		contrast := rapid.SampledFrom([]string{`"toe"`, `"cuff"`, `"toe","cuff"`}).Draw(t, "contrast")
		p := planned(t, leg, contrast)
		needs := yarn.Needs(&p.Design, p.Rows)
		main := total(needs, "")
		other := total(needs, needle.Contrast)
		plain := p.Design
		plain.Yarn.Contrast = nil
		q, err := knit.Make(plain)
		require.NoError(t, err)
		all := total(yarn.Needs(&q.Design, q.Rows), "")
		if off := main + other - all; off > 0.01 || off < -0.01 {
			t.Fatalf("%.2f g and %.2f g are not %.2f g", main, other, all)
		}
		if other <= 0 {
			t.Fatalf("%s take nothing", contrast)
		}
	})
}

// A taller leg takes more yarn, by what its rounds hold.
func TestATallerLegTakesMore(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		leg := rapid.IntRange(140, 200).Draw(t, "leg") // a gusset takes up to 70 mm of it
		p := planned(t, leg, "")
		taller := p.Design
		taller.Leg.Height += 50
		q, err := knit.Make(taller)
		require.NoError(t, err)
		grams := total(yarn.Needs(&p.Design, p.Rows), "")
		more := total(yarn.Needs(&q.Design, q.Rows), "")
		rounds := float64(q.Summary.LegRounds - p.Summary.LegRounds)
		want := rounds * float64(q.Summary.LegStitches) * yarn.GramsPerStitch(&p.Design)
		if got := more - grams; got < 0.95*want || got > 1.1*want {
			t.Fatalf("%.0f rounds of %d take %.2f g, expected about %.2f g", rounds, q.Summary.LegStitches, got, want)
		}
	})
}

// What the sizes say of the stitches below the leg is what the rows say, within a twentieth: it decides how long a leg the ball allows.
func TestTheStitchesBelowTheLegAreThoseOfTheRows(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := planned(t, 150, "")
		counted, perStitch := 0.0, yarn.PerStitch(p.Design.Gauge.PerMM(), yarn.Thickness(p.Design.Yarn))
		for i := range p.Rows {
			switch p.Rows[i].Section {
			case needle.Leg, needle.Cuff, needle.BindOff, needle.CastOn:
			default:
				counted += float64(yarn.InRow(&p.Design, &p.Rows[i]) / perStitch)
			}
		}
		toe, foot, heel := knit.Measure(&p.Design).StitchesBelowLeg()
		if reckoned := toe + foot + heel; reckoned < 0.95*counted || reckoned > 1.05*counted {
			t.Fatalf("reckoned %.0f, the rows have %.0f (%s toe, %s heel)", reckoned, counted, p.Design.Toe.Kind, p.Design.Heel.Kind)
		}
	})
}

// ribbed is what a stitch of rib takes, in stitches of stockinette.
const ribbed = 1.05

// The rounds that are promised never take more than there is without the reserve, and one more would.
func TestWhatIsPromisedIsThere(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		s := yarn.Leg{Stitches: 4 * rapid.IntRange(8, 24).Draw(t, "quarter"), CuffRounds: rapid.IntRange(0, 30).Draw(t, "cuff")}
		left, reserve := rapid.Float64Range(0, 120).Draw(t, "left"), rapid.Float64Range(0, 0.2).Draw(t, "reserve")
		per := rapid.Float64Range(0.001, 0.01).Draw(t, "grams a stitch")
		rounds := yarn.LegRoundsLeft(left, reserve, per, s)
		takes := func(rounds int) float64 {
			return (float64(rounds) + float64(s.CuffRounds)*ribbed + 2) * float64(s.Stitches) * per
		}
		if rounds > 0 && takes(rounds) > left*(1-reserve)+1e-9 {
			t.Fatalf("%d rounds take %.2f g of %.2f", rounds, takes(rounds), left)
		}
		if takes(rounds+1) <= left*(1-reserve) {
			t.Fatalf("%d rounds are promised, one more is there", rounds)
		}
	})
}

// Rounds that were counted are found again on as many stitches, however thick the yarn; on fewer stitches the same yarn gives more.
func TestCountedRoundsAreFoundAgain(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := design.Blank()
		d.Gauge = design.Gauge{Stitches: rapid.Float64Range(24, 40).Draw(t, "stitches"),
			Rounds: rapid.Float64Range(32, 56).Draw(t, "rounds")}
		d.Yarn.BallMetres = rapid.Float64Range(150, 600).Draw(t, "metres")
		d.Yarn.RepeatRounds = []float64{rapid.Float64Range(0.5, 30).Draw(t, "first"), rapid.Float64Range(0.5, 30).Draw(t, "second")}
		counted := 4 * rapid.IntRange(10, 22).Draw(t, "counted on")
		d.Yarn.RepeatStitches = &counted
		for i, long := range yarn.Repeat(&d, 40) {
			got := yarn.StripeRounds(long, counted, d.Gauge.PerMM(), yarn.Thickness(d.Yarn))
			if want := d.Yarn.RepeatRounds[i]; math.Abs(got-want) > 1e-9*want {
				t.Fatalf("%g rounds were counted, %g are found", want, got)
			}
			if yarn.StripeRounds(long, counted-4, d.Gauge.PerMM(), yarn.Thickness(d.Yarn)) <= got {
				t.Fatal("fewer stitches take less yarn in a round")
			}
		}
	})
}

// A repeat of the stripes is fewer rounds on more stitches, and twice the repeat twice the rounds.
func TestStripesGrowWithTheRepeat(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		g := measure.GaugePer100(rapid.Float64Range(18, 38).Draw(t, "stitches"), rapid.Float64Range(24, 52).Draw(t, "rounds"))
		n, repeat := rapid.IntRange(32, 96).Draw(t, "n"), measure.Length(rapid.Float64Range(500, 40_000).Draw(t, "repeat"))
		one, two, wider := yarn.StripeRounds(repeat, n, g, 0.7), yarn.StripeRounds(2*repeat, n, g, 0.7),
			yarn.StripeRounds(repeat, n+4, g, 0.7)
		if two < 1.999*one || two > 2.001*one || wider >= one {
			t.Fatalf("%.2f rounds, of twice the repeat %.2f, on four stitches more %.2f", one, two, wider)
		}
	})
}
