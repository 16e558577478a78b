package shape

import (
	"slices"

	"acornstep/sock/measure"
	"acornstep/sock/needle"
	"acornstep/sock/trace"
)

// nearPurls are purls so close that they are of one pattern, in stitches.
const nearPurls = 6

// purls are the stretches of a round of foot or leg in which purls stand, as
// shares of its line. What shows is half of the instep and half of the sole or back beside it.
func purls(t *trace.Trace, i int) [][2]float64 {
	row, before := &t.Rows[i], t.Before(i)
	if row.Kind != needle.Round || row.Section != needle.Foot && row.Section != needle.Leg || before.Sole == 0 {
		return nil
	}
	// From the middle of the front to the middle of the back, by the loops that are taken.
	front := before.Sole - row.InstepBegins()
	if row.InstepBegins() > 0 {
		return nil // a round that begins on the back passes the middle twice
	}
	from, to := front/2, front+(len(before.Loops)-front)/2
	var stretches [][2]int
	at := 0
	for _, o := range row.Ops {
		takes := max(o.N*o.Code.Takes(), 0)
		if first, last := max(at, from), min(at+takes, to); o.Code.IsPurl() && first < last {
			if n := len(stretches) - 1; n >= 0 && first-stretches[n][1] <= nearPurls {
				stretches[n][1] = last
			} else {
				stretches = append(stretches, [2]int{first, last})
			}
		}
		at += takes
	}
	var shares [][2]float64
	for _, s := range stretches {
		a, b := hundredth(s[0]-from, to-from), hundredth(s[1]-from, to-from)
		if row.Section == needle.Foot { // its line rises from the sole to the instep
			a, b = float64(measure.HalfUp(100-100*b))/100, float64(measure.HalfUp(100-100*a))/100
		}
		shares = append(shares, [2]float64{a, b})
	}
	slices.SortFunc(shares, func(a, b [2]float64) int { return int(100*a[0]) - int(100*b[0]) })
	return shares
}

func hundredth(n, all int) float64 { return float64(measure.HalfUp(100*share(n, all))) / 100 }
