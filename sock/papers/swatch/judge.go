package swatch

import (
	"fmt"
	"math"
	"slices"

	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
)

// Judged is what a swatch comes to.
type Judged struct {
	Stitches *Counted `json:"stitches,omitempty"`
	Rounds   *Counted `json:"rounds,omitempty"`
	// Density is the share of the fabric's width that is yarn; 0 while it cannot be told.
	Density float64         `json:"density"`
	Checks  []verdict.Check `json:"checks"`
	Ready   bool            `json:"ready"`
}

// wantedReadings is in how many places a swatch is counted.
const wantedReadings = 3

// Judge takes the means of a swatch and says what is wrong with it.
func Judge(s *Swatch, y *Yarn) Judged {
	j := Judged{Checks: []verdict.Check{}}
	say := func(level verdict.Level, code, format string, args ...any) {
		j.Checks = append(j.Checks, verdict.Check{Code: code, Level: level, Text: fmt.Sprintf(format, args...)})
	}
	for _, of := range []struct {
		what string
		into **Counted
	}{{"stitches", &j.Stitches}, {"rounds", &j.Rounds}} {
		readings := s.Of(of.what)
		counted, err := Count(readings)
		if err != nil {
			say(verdict.Caution, "none_"+of.what, "No %s are counted yet.", of.what)
			continue
		}
		*of.into = &counted
		if counted.Short {
			say(verdict.Caution, "short_"+of.what,
				"Some %s are counted over less than 5 cm (2 in): half a stitch more or less is a lot there. Count over a wider piece.",
				of.what)
		}
		if len(readings) < wantedReadings {
			say(verdict.Note, "few_"+of.what, "%s are counted in %s: count in three, the fabric is not the same everywhere.",
				title(of.what), places(len(readings)))
		}
		if share := counted.Spread / counted.Mean; share > 0.08 {
			say(verdict.Caution, "spread_"+of.what, "The counts of %s lie %.0f %% apart. Was the tape straight, and did the edges roll?",
				of.what, 100*share)
		}
	}
	if j.Stitches != nil && j.Rounds != nil && yarn.Exchanged(measure.Gauge{Stitches: j.Stitches.Mean, Rounds: j.Rounds.Mean}) {
		say(verdict.Caution, "exchanged", "More stitches than rounds in the same length: was one counted for the other? In stockinette a stitch is wider than it is tall.")
	}
	j.Ready = j.Stitches != nil && j.Rounds != nil
	switch s.Form {
	case "flat":
		say(verdict.Caution, "flat", "Knitted flat: many purl looser than they knit, so a sock in the round often comes out tighter. Knit one round and round, or leave long strands at the back.")
	case "sock":
		say(verdict.Note, "sock", "Counted on the sock itself: the best swatch there is.")
	}
	if !s.Washed {
		say(verdict.Caution, "unwashed", "Not washed yet: wool relaxes in its first bath, and rounds change most. Wash and dry it as the socks will be.")
	}
	j.judgeDensity(y, say)
	return j
}

// Doubted says whether the stitches of a swatch are too uncertain to reckon with: counts far apart, or taken for the rounds.
func (j *Judged) Doubted() bool {
	return j.Stitches == nil || slices.ContainsFunc(j.Checks, func(c verdict.Check) bool {
		return c.Code == "spread_stitches" || c.Code == "exchanged"
	})
}

func (j *Judged) judgeDensity(y *Yarn, say func(level verdict.Level, code, format string, args ...any)) {
	if j.Stitches == nil || y == nil {
		return
	}
	j.Density = yarn.Density(j.Stitches.Mean/100, design.Yarn{BallGrams: y.Grams, BallMetres: y.Metres})
	switch {
	case j.Density < yarn.Loosest:
		say(verdict.Caution, "loose", "A loose fabric for this yarn: %s. It pills and wears through sooner; a smaller needle makes it last.", yarn.SaidOf(j.Density))
	case j.Density > yarn.HardOnHands:
		say(verdict.Caution, "stiff", "A very tight fabric: %s. It is stiff, and hard on the hands: rest them often, or take a larger needle.", yarn.SaidOf(j.Density))
	case j.Density > yarn.Tightest:
		say(verdict.Note, "tight", "A tight fabric: %s. It wears hard, and tires the hands.", yarn.SaidOf(j.Density))
	}
}

func title(what string) string {
	if what == "stitches" {
		return "Stitches"
	}
	return "Rounds"
}

func places(n int) string {
	if n == 1 {
		return "one place"
	}
	return fmt.Sprintf("%d places", n)
}

// Try is what a needle would probably give with a yarn.
type Try struct {
	Size     float64 `json:"size_mm"`
	Stitches float64 `json:"stitches_per_100mm"`
	// Knitted: a swatch of this yarn was knitted on this needle.
	Knitted bool `json:"knitted"`
	// Beyond says why this yarn makes no sock like that; empty where it does, and where the yarn is not known.
	Beyond string `json:"beyond"`
}

// Aim is the advice for the next swatch.
type Aim struct {
	Tries []Try `json:"tries"`
	// Best is the needle that comes nearest to the gauge that is aimed at, among those that suit the yarn; 0 for none.
	Best float64 `json:"best_size_mm"`
	Text string  `json:"text"`
}

// Sizes of needles that are sold, in mm, from lace to house socks.
var Sizes = []float64{1.25, 1.5, 1.75, 2, 2.25, 2.5, 2.75, 3, 3.25, 3.5, 3.75, 4, 4.5, 5, 5.5, 6}

// usualStep is by what share of the stitches a gauge falls for each mm of needle, where only one
// needle was tried: an estimate, about four percent for a quarter of a millimetre.
const usualStep = 0.16

// Knitted is a swatch of the yarn in question: its needle in mm, its stitches per 100 mm.
type Knitted struct{ Size, Stitches float64 }

// NextNeedle reckons what each needle would give from the knitter's own
// swatches of that yarn: along the line of least squares through them, or with
// the usual step where all were knitted on one needle. What the yarn makes no sock of is never the best.
func NextNeedle(own []Knitted, wanted float64, y *Yarn) (Aim, error) {
	if len(own) == 0 {
		return Aim{}, fmt.Errorf("no swatch of this yarn has its stitches counted yet, so that one can reckon with them")
	}
	size, stitches := 0.0, 0.0
	for _, k := range own {
		size += k.Size / float64(len(own))
		stitches += k.Stitches / float64(len(own))
	}
	slope, how := -usualStep*stitches, "One needle was tried, so the usual step between needles is reckoned with: about 4 % for a quarter of a millimetre."
	if s, ok := slopeOf(own, size, stitches); ok {
		slope, how = s, fmt.Sprintf("From your own swatches: each mm of needle takes %.1f stitches off 10 cm.", -s)
	}
	aim := Aim{}
	best := math.Inf(1)
	for _, try := range Sizes {
		if math.Abs(try-size) > 1.3 {
			continue
		}
		t := Try{Size: try, Stitches: stitches + slope*(try-size)}
		for _, k := range own {
			t.Knitted = t.Knitted || math.Abs(k.Size-try) < 0.01
		}
		t.Beyond = beyond(t.Stitches, y)
		aim.Tries = append(aim.Tries, t)
		if miss := math.Abs(t.Stitches - wanted); t.Beyond == "" && miss < best-1e-9 {
			best, aim.Best = miss, try
		}
	}
	aim.Text = how
	if why := beyond(wanted, y); why != "" {
		aim.Text += fmt.Sprintf(" %.1f stitches in 10 cm are %s: take another yarn, or another gauge.", wanted, why)
	}
	return aim, nil
}

// beyond says why a yarn makes no sock of so many stitches in 100 mm; empty where it does, or is not known.
func beyond(stitches float64, y *Yarn) string {
	if y == nil {
		return ""
	}
	switch d := yarn.Density(stitches/100, design.Yarn{BallGrams: y.Grams, BallMetres: y.Metres}); {
	case d < yarn.Loosest:
		return "too loose for this yarn"
	case d > yarn.HardOnHands:
		return "too tight for this yarn"
	}
	return ""
}

// slopeOf is the line of least squares; ok is false for one needle only, or for
// swatches that would have thicker needles give more stitches.
func slopeOf(own []Knitted, size, stitches float64) (slope float64, ok bool) {
	var xy, xx float64
	for _, k := range own {
		xy += (k.Size - size) * (k.Stitches - stitches)
		xx += (k.Size - size) * (k.Size - size)
	}
	if xx < 0.01 || xy >= 0 {
		return 0, false
	}
	return xy / xx, true
}
