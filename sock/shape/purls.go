package shape

import (
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
	// Places are counted from the instep on, wherever the round begins; what shows lies from the middle of the front to that of the back.
	all, begins := len(before.Loops), row.InstepBegins()
	front := before.Sole - begins
	from, to := front/2, front+(all-front)/2
	purl := make([]bool, all)
	at := t.Steps[i].From - begins + all
	for _, o := range row.Ops {
		for range o.N * o.Code.Takes() {
			purl[at%all] = o.Code.IsPurl()
			at++
		}
	}
	var shares [][2]float64
	share := func(place int) float64 { return float64(measure.HalfUp(100*share(place-from, to-from))) / 100 }
	for place := from; place < to; place++ {
		if !purl[place] {
			continue
		}
		begin, end := place, place+1
		for k := end; k < min(to, end+nearPurls); k++ {
			if purl[k] {
				end = k + 1
			}
		}
		a, b := share(begin), share(end)
		if row.Section == needle.Foot { // its line rises from the sole to the instep
			a, b = float64(measure.HalfUp(100-100*b))/100, float64(measure.HalfUp(100-100*a))/100
		}
		shares = append(shares, [2]float64{a, b})
		place = end
	}
	return shares
}
