package working

import (
	"fmt"
	"math"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
)

// about is a number as it was printed: so much, and at most so far off.
type about struct{ value, off float64 }

// reckoner reads a printed sum and reckons it again: it knows numbers and signs, and passes over words.
type reckoner struct {
	tokens []string
	at     int
}

var signs = regexp.MustCompile(`\d+(?:\.\d+)?(?:(?: cm| in| mm| m| yd| g)\b)?|[×÷−+()⌊⌋√=→;:]`)

// sums reckons every "=" of a line; the error names the one that does not come out.
func sums(line string) (checked int, err error) {
	r := &reckoner{tokens: signs.FindAllString(line, -1)}
	for r.at < len(r.tokens) {
		value, ok := r.sum()
		if !ok {
			r.at++ // a sign that begins nothing
			continue
		}
		for r.next("=") {
			said, isNumber := r.number()
			if !isNumber {
				return checked, fmt.Errorf("%q: nothing comes after =", line)
			}
			checked++
			room := value.off + said.off + 1e-3
			if said.off == 0 && value.off > 0 {
				room += 0.5 // a whole number that was rounded
			}
			if math.Abs(said.value-value.value) > room {
				return checked, fmt.Errorf("%q: it is %.3f and not %.3f (± %.3f)", line, value.value, said.value, room)
			}
			if r.next("→") {
				said, _ = r.number()
			}
			value = r.rest(said) // what is added or taken off then goes on from there
		}
	}
	return checked, nil
}

func (r *reckoner) next(token string) bool {
	if r.at < len(r.tokens) && r.tokens[r.at] == token {
		r.at++
		return true
	}
	return false
}

// number is a count, which is what it says, or a length or a gauge, of which two places are printed at most.
func (r *reckoner) number() (about, bool) {
	if r.at >= len(r.tokens) {
		return about{}, false
	}
	text, unit, measured := strings.Cut(r.tokens[r.at], " ")
	value, err := strconv.ParseFloat(text, 64)
	if err != nil {
		return about{}, false
	}
	r.at++
	switch {
	case unit == "mm":
		return about{value, 0.05}, true
	case unit == "m", unit == "yd", unit == "g" && !strings.Contains(text, "."):
		return about{value, 0.5}, true
	case measured || strings.Contains(text, "."):
		return about{value, 0.005}, true
	}
	return about{value, 0}, true
}

func (r *reckoner) sum() (about, bool) {
	value, ok := r.product()
	if !ok {
		return about{}, false
	}
	return r.rest(value), true
}

func (r *reckoner) rest(value about) about {
	for {
		at, sign := r.at, 1.0
		if !r.next("+") {
			if sign = -1; !r.next("−") {
				return value
			}
		}
		more, ok := r.product()
		if !ok {
			r.at = at
			return value
		}
		value = about{value.value + sign*more.value, value.off + more.off}
	}
}

func (r *reckoner) product() (about, bool) {
	value, ok := r.factor()
	for ok {
		at, divides := r.at, false
		if !r.next("×") {
			if divides = true; !r.next("÷") {
				return value, true
			}
		}
		by, more := r.factor()
		if !more {
			r.at = at
			return value, true
		}
		if divides {
			by = about{1 / by.value, by.off / (by.value * by.value)}
		}
		value = about{value.value * by.value, math.Abs(value.value)*by.off + math.Abs(by.value)*value.off}
	}
	return value, ok
}

func (r *reckoner) factor() (about, bool) {
	at := r.at
	switch {
	case r.next("("):
		if value, ok := r.sum(); ok && r.next(")") {
			return value, true
		}
	case r.next("⌊"):
		if value, ok := r.sum(); ok && r.next("⌋") {
			return about{math.Floor(value.value), 0}, true
		}
	case r.next("√"):
		if value, ok := r.factor(); ok {
			root := math.Sqrt(value.value)
			return about{root, value.off / (2 * root)}, true
		}
	default:
		if value, ok := r.number(); ok {
			return value, true
		}
	}
	r.at = at
	return about{}, false
}

// By hand: a sum that is right, one that goes on, and one that was inherited from another figure.
func TestTheReckonerReckons(t *testing.T) {
	for _, right := range []string{"(24.2 cm − 4.32 cm − 5.11 cm) × 4.4 = 64.98 → 65", "18 cm × 4.4 = 79.20 → 79, − 18 of the cuff = 61",
		"2 × ⌊68 ÷ 4⌋ = 34", "23.6 cm ÷ 21.25 cm = 1.11: stretches 11 %; 5 to 18 % is sensible"} {
		n, err := sums(right)
		assert.NoError(t, err)
		assert.Positive(t, n, right)
	}
	for _, wrong := range []string{"2 × 11 ÷ 4.4 + 1 ÷ (2 × 4.4) = 7.39", "68 − 4 × 9 = 33", "18 cm × 4.4 = 79.20 → 79, − 18 of the cuff = 62"} {
		_, err := sums(wrong)
		assert.Error(t, err, wrong)
	}
}

// Whatever the sock, in centimetres and in inches, the arithmetic that is printed comes out.
func TestPrintedSumsComeOut(t *testing.T) {
	reckoned := map[string]int{}
	rapid.Check(t, func(t *rapid.T) {
		pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
		d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":%d,"ball_girth_mm":%d%s},"gauge":{"stitches_per_100mm":%d,"rounds_per_100mm":%d},
			"toe":{"kind":%q,"start":%q},"heel":{"kind":%q,"turn":%q,"share":%s,"fabric":%q},"foot_length":{"school":%q},"fit":{"girth_ease_pct":%d},"leg":{"height_mm":%d,"pattern":%q}}`,
			rapid.IntRange(180, 300).Draw(t, "length"), rapid.IntRange(190, 280).Draw(t, "girth"),
			pick("calf", "", `,"calf_girth_mm":360,"calf_height_mm":310`), rapid.IntRange(24, 36).Draw(t, "stitches"),
			rapid.IntRange(30, 50).Draw(t, "rounds"), pick("toe", design.Registered("toe.kind")...), pick("start", "half", "rounded", "fitted"),
			pick("heel", design.Registered("heel.kind")...), pick("turn", design.Registered("heel.turn")...), pick("share", "0.5", "0.6"),
			pick("fabric", "stockinette", "garter"), pick("school", "exact", "thumb"), rapid.IntRange(5, 18).Draw(t, "ease"),
			rapid.IntRange(90, 380).Draw(t, "leg"), pick("pattern", "stockinette", "rib_2x2")))
		if err != nil {
			t.Skip(err)
		}
		p, err := knit.Make(d)
		if err != nil {
			t.Fatal(err)
		}
		if p.Stopped() != nil {
			t.Skip("stopped")
		}
		for _, unit := range []measure.Unit{measure.Centimetres, measure.Inches} {
			for _, line := range Of(p, unit) {
				n, err := sums(line.Working)
				if err != nil {
					t.Fatalf("%s: %v", line.Name, err)
				}
				reckoned[line.Name] += n
			}
		}
	})
	for _, name := range []string{"foot_stitches", "foot_rounds", "heel_starts_at_mm", "finished_length_mm", "leg_stitches", "leg_rounds", "cuff_rounds"} {
		assert.Positive(t, reckoned[name], name)
	}
}
