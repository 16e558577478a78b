package advise

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/judge/fit"
)

// One judgement for every screen: how a way suits the foot comes first, then
// the usual way, then what is least to learn, and yarn last of all.

// felt is the least difference of stretch that a foot feels, in percent points: our estimate.
const felt = 1.0

// alikeWithin is how far two heels of one kind may differ in stretch and still feel alike, in percent points: our estimate.
const alikeWithin = 4.0

// deeperToe is how much longer or shorter than measured toes a toe may be before they feel it, in mm: our estimate.
const deeperToe = 10.0

// ridgeMisfit keeps ridges under a foot that does not feel them from ever being the best way.
const ridgeMisfit = 100

// What leaving the usual way weighs: another count most, since nothing but the
// fit speaks for it, a heel least, since that is where feet differ.
const (
	unusualCount   = 200
	unusualToe     = 40
	unusualToeWay  = 3
	unusualHeelWay = 5
	unusualHeel    = 1
)

// suits sums up how far the sock lies outside what the foot wants, in percent points of stretch, and says what speaks for its heel.
func suits(s *knit.Sock, places []fit.Place) (misfit float64, reason string) {
	misfit = fit.Misfit(places)
	// A heel that is roomier than the foot slips; how much is too much depends on the foot.
	if room := -heelStretch(s); room > 0 {
		misfit += room / 2
	}
	reason, less := s.Suits()
	misfit += less
	d := s.Design
	if (d.Foot.Careful("numb_feet") || d.Foot.Careful("circulation")) && s.Ridged() {
		misfit += ridgeMisfit
	}
	if d.Uses(at.ToeStart) && !d.Foot.Guessed("toe_depth_mm") { // how deep it is was decided
		misfit += math.Max(0, math.Abs(float64(s.Toe.Length-d.Foot.ToeDepth))-deeperToe)
	}
	return misfit, reason
}

// better orders two ways of one foot by the judgement.
func better(a, b *Candidate) int {
	if by := cmp.Compare(math.Round(a.Misfit/felt), math.Round(b.Misfit/felt)); by != 0 {
		return by
	}
	if a.high { // of two heels that sit alike a high instep gets the roomier one
		if by := cmp.Or(cmp.Compare(a.unusual-a.unusualHeel, b.unusual-b.unusualHeel),
			cmp.Compare(math.Round(a.HeelStretchPct/alikeWithin), math.Round(b.HeelStretchPct/alikeWithin))); by != 0 {
			return by
		}
	}
	return cmp.Or(cmp.Compare(a.unusual, b.unusual), cmp.Compare(a.Counting, b.Counting),
		cmp.Compare(math.Round(a.Grams), math.Round(b.Grams)))
}

// feelsLike says that two ways are one to a knitter: the same kind of heel in the same fabric, as roomy, or only roomier by the count.
func (c *Candidate) feelsLike(other *Candidate) bool {
	return c.Heel == other.Heel && c.fabric == other.fabric &&
		(c.Stitches != other.Stitches || math.Abs(c.HeelStretchPct-other.HeelStretchPct) < alikeWithin)
}

// Different keeps the best of all ways that feel alike, at most so many, and says of each why it is one of them.
func Different(ranked []Candidate, most int) []Candidate {
	kept := []Candidate{}
	for i := range ranked {
		c := ranked[i]
		if len(kept) == most {
			break
		}
		if slices.ContainsFunc(kept, func(k Candidate) bool { return c.feelsLike(&k) }) {
			continue
		}
		if len(kept) == 0 {
			c.Why = c.whyFirst()
		} else {
			c.Why = c.whyInstead(&kept[0])
		}
		kept = append(kept, c)
	}
	return kept
}

// whyFirst is what speaks for the best way.
func (c *Candidate) whyFirst() string {
	why := []string{c.Word + " over the instep"}
	if c.reason != "" {
		why = append(why, c.reason)
	}
	if c.unusual == 0 {
		why = append(why, "the usual way")
	}
	return strings.Join(why, "; ")
}

// whyInstead is what a way has over the best one, and what it costs.
func (c *Candidate) whyInstead(best *Candidate) string {
	why := []string{c.Word + " over the instep"}
	switch less := best.HeelStretchPct - c.HeelStretchPct; {
	case less >= alikeWithin:
		why[0] += fmt.Sprintf(", roomier by %.0f %%", less)
	case less <= -alikeWithin:
		why[0] += fmt.Sprintf(", closer by %.0f %%", -less)
	}
	if c.reason != "" {
		why = append(why, c.reason)
	}
	if c.unusual == 0 {
		why = append(why, "the usual way")
	}
	if c.fabric != best.fabric && c.fabric == "garter" {
		why = append(why, "garter wears harder")
	}
	if c.Stitches != best.Stitches {
		why = append(why, fmt.Sprintf("on %d stitches", c.Stitches))
	}
	switch fewer := best.Counting - c.Counting; {
	case fewer == 1:
		why = append(why, "one thing less to count")
	case fewer > 1:
		why = append(why, fmt.Sprintf("%d things fewer to count", fewer))
	}
	if less := math.Round(best.Grams) - math.Round(c.Grams); math.Abs(less) >= 1 {
		word := "less"
		if less < 0 {
			word = "more"
		}
		why = append(why, fmt.Sprintf("%.0f g %s yarn", math.Abs(less), word))
	}
	return strings.Join(why, "; ")
}
