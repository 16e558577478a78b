package knit

import (
	"fmt"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/words"
)

// literal has a sock knitted from nothing but its words, with their counts and as they are written up to places, by readers who go by
// counts, by landmarks alone, and by the needle in the hand.
func literal(p *plan.Plan) error {
	traced, err := knitted.Of(p.Rows)
	if err != nil {
		return err
	}
	counted, written := words.Rows(traced, &p.Design), make([]words.Row, len(p.Rows))
	for i, parts := range words.Written(traced, &p.Design) {
		written[i].Parts = parts
	}
	for _, read := range []struct {
		by   words.Reader
		said []words.Row
	}{{words.ByCounts, counted}, {words.ByNeedles, counted}, {words.ByLandmarks, written}, {words.ByNeedles, written}} {
		if err := read.by.Knit(p, read.said); err != nil {
			return err
		}
	}
	return nil
}

// One number, one needle or one operation of the words that is another is noticed by whoever reads them literally.
func TestAWrongWordIsNoticed(t *testing.T) {
	number := regexp.MustCompile(`\d+`)
	rapid.Check(t, func(t *rapid.T) {
		p := anySock(t)
		traced, err := knitted.Of(p.Rows)
		if err != nil {
			t.Fatal(err)
		}
		said := words.Rows(traced, &p.Design)
		row := &said[rapid.IntRange(1, len(said)-1).Draw(t, "row")]
		row.Parts = slices.Clone(row.Parts)
		part := &row.Parts[rapid.IntRange(0, len(row.Parts)-1).Draw(t, "part")]
		was := *part
		switch rapid.IntRange(0, 2).Draw(t, "what") {
		case 0:
			numbers := number.FindAllStringIndex(part.Short, -1)
			if len(numbers) == 0 {
				t.Skip()
			}
			at := rapid.SampledFrom(numbers).Draw(t, "number")
			part.Short = part.Short[:at[0]] + "9" + part.Short[at[0]:] // nine and tens more
		case 1:
			for from, to := range map[string]string{"k": "p", "p": "k", "ds": "k1", "sl": "k", "ssk": "k2tog", "k2tog": "ssk",
				"bind off": "k", "yo": "m1", "kds": "pds", "pds": "kds"} {
				if rest, found := strings.CutPrefix(part.Short, from); found &&
					(rest == "" || rest[0] == ',' || rest[0] >= '0' && rest[0] <= '9') {
					part.Short = to + rest
					break
				}
			}
		default:
			switch {
			case row.ID == "bind_off-1": // what was bound off is gone: both markers hang at the same place
			case strings.Contains(part.On, "start marker"):
				part.On = strings.Replace(part.On, "start marker", "sole marker", 1)
			case strings.HasPrefix(part.On, "from the") && strings.Contains(part.On, "marker"):
				part.On = "from the start marker (sole)"
			case strings.Contains(part.On, "needle 1") && len(p.Rows[0].OnNeedles) > 1:
				part.On = strings.Replace(part.On, "needle 1", "needle 2", 1)
			}
		}
		if part.On == was.On && part.Short == was.Short {
			t.Skip()
		}
		if err := words.Literally(p, said); err == nil {
			t.Fatalf("%s: %v is read as %v", row.ID, *part, was)
		}
	})
}

// A place that is another one is noticed by who looks for places alone; where the other place is met just there, it is no other row.
func TestAWrongPlaceIsNoticed(t *testing.T) {
	places := []string{"the double stitch", "the wrapped stitch", "the yarn-over", "the pair", "the marker", "the gap", "one before the gap", "the end", "the last 2", "the last stitch"}
	noticed, same := 0, 0
	rapid.Check(t, func(t *rapid.T) {
		p := anySock(t)
		traced, err := knitted.Of(p.Rows)
		if err != nil {
			t.Fatal(err)
		}
		written := make([]words.Row, len(p.Rows))
		for i, parts := range words.Written(traced, &p.Design) {
			written[i].Parts = slices.Clone(parts)
		}
		at := rapid.IntRange(1, len(written)-1).Draw(t, "row")
		part := &written[at].Parts[rapid.IntRange(0, len(written[at].Parts)-1).Draw(t, "part")]
		step := slices.IndexFunc(part.Said, func(s words.Step) bool { _, is := s.(words.UpTo); return is })
		if step < 0 {
			t.Skip()
		}
		place := part.Said[step].(words.UpTo).Place
		other := rapid.SampledFrom(places).Draw(t, "place")
		part.Short = strings.Replace(part.Short, "to "+place, "to "+other, 1)
		if words.ByLandmarks.Knit(p, written) != nil {
			noticed++
			return
		}
		same++
		// It was not noticed: then that place comes after as many stitches, so that the sentence with the count is the row.
		if words.ByCounts.Knit(p, words.Rows(traced, &p.Design)) != nil {
			t.Fatalf("%s: %q", p.Rows[at].ID, part.Short)
		}
	})
	assert.Greater(t, noticed, same)
}

// flat are operations one by one.
func flat(ops []needle.Op) []needle.Code {
	var list []needle.Code
	for _, o := range ops {
		for range o.N {
			list = append(list, o.Code)
		}
	}
	return list
}

// Whoever reads the printed words and nothing else, on any needles, ends with the plan's loops on the plan's needles.
func TestTheWordsReadLiterallyAreTheSock(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anySock(t)
		if err := literal(p); err != nil {
			t.Fatal(err)
		}
	})
}

func TestTheUsualSocksReadLiterally(t *testing.T) {
	for _, needles := range []string{"magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"} {
		for _, heel := range design.Registered("heel.kind") {
			for _, turn := range design.Registered("heel.turn") {
				for _, toe := range design.Registered("toe.kind") {
					for _, share := range []string{"0.5", "0.65"} {
						p := makePlan(t, with(`"needles":"`+needles+`","heel":{"kind":"`+heel+`","turn":"`+turn+`","share":`+share+
							`},"toe":{"kind":"`+toe+`"}`))
						require.Nil(t, p.Stopped())
						require.NoError(t, literal(p), "%s heel %s %s, toe %s, on %s", share, heel, turn, toe, needles)
					}
				}
			}
		}
	}
}

// Stitches that go over to a short circular needle for the heel are counted by who lays them: 32 are not 932.
func TestACountOfWhatIsLaidIsNoticed(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"needles_by_section":{"heel":"short_circular"}}`))
	require.NoError(t, err)
	p, err := Make(d)
	require.NoError(t, err)
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	said := words.Rows(traced, &p.Design)
	require.NoError(t, words.Literally(p, said))
	found := 0
	for i := range said {
		for k := range said[i].Parts {
			if part := &said[i].Parts[k]; strings.Contains(part.Short, " on it") {
				found++
				was := part.Short
				part.Short = strings.Replace(was, "68 on it", "968 on it", 1)
				assert.ErrorContains(t, words.Literally(p, said), "968 stitches are to be laid on the needles")
				part.Short = was
			}
		}
	}
	assert.Positive(t, found)
}

// Where stitches of two needles are worked together, those of one are slid on to the other first, and said to be: in lace over any
// count, where a toe of yarn-overs closes, and where three go together. Whoever is not told notices.
func TestLoopsOfTwoNeedlesAreSlidFirst(t *testing.T) {
	slid := map[string]int{}
	for _, needles := range []string{"magic_loop", "dpn5"} {
		for _, pattern := range []string{"dew_lace", "eyelet_cable"} {
			for stitches := 48; stitches <= 78; stitches += 6 {
				for _, toe := range []string{"wedge", "short_row"} {
					p := makePlan(t, fmt.Sprintf(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},
						"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"needles":%q,"stitches":%d,"toe":{"kind":%q},
						"heel":{"turn":"yarn_over"},"leg":{"pattern":%q,"instep_pattern":%q}}`, needles, stitches, toe, pattern, pattern))
					require.Nil(t, p.Stopped())
					require.NoError(t, literal(p), "%s, %s over %d", needles, pattern, stitches)
					for i := range p.Rows {
						row := &p.Rows[i]
						if len(row.Moves) == 0 {
							continue
						}
						slid[string(row.Section)]++
						if slid[string(row.Section)]%40 == 1 {
							assert.Error(t, unsaid(t, p, i), "%s of %s, %s over %d", row.ID, needles, pattern, stitches)
							was := row.Moves
							row.Moves = nil
							assert.NotEmpty(t, check.Plan(p), row.ID)
							row.Moves = was
						}
					}
				}
			}
		}
	}
	assert.Positive(t, slid["toe"])
	assert.Positive(t, slid["leg"])
}

// unsaid knits a sock from its words, without what stands first in a row.
func unsaid(t *testing.T, p *plan.Plan, row int) error {
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	said := words.Rows(traced, &p.Design)
	said[row].Parts = slices.DeleteFunc(slices.Clone(said[row].Parts), func(part words.Part) bool { return part.On == "first" })
	return words.Literally(p, said)
}
