package knit

import (
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// Where a contrast toe goes on to the heel no strand begins there, and none is broken off after it.
func TestAToesYarnThatGoesOnThroughTheHeelIsNoStrandOfItsOwn(t *testing.T) {
	p := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":128,"ball_girth_mm":160},"gauge":{"stitches_per_100mm":20,"rounds_per_100mm":26},
		"toe":{"colour_extra_mm":60},"heel":{"kind":"flap_under"},"leg":{"height_mm":60},"yarn":{"contrast":["toe","heel"]}}`)
	require.Nil(t, p.Stopped())
	for i := range p.Rows {
		assert.NotContains(t, p.Rows[i].Note, "strand off", p.Rows[i].ID)
		assert.NotContains(t, p.Rows[i].Note, "The heel takes", p.Rows[i].ID)
	}
}

// A strand of the heel's own begins once and ends once; where the sock's yarn was left hanging it is taken up, where it was broken off it
// is joined anew; and it is as long as the rows between take.
func TestAStrandOfTheHeelsOwnBeginsAndEnds(t *testing.T) {
	metres := regexp.MustCompile(`The heel takes about (\d+) m \((\d+) yd\) of its strand\.`)
	for _, heel := range design.Registered("heel.kind") {
		for _, turn := range design.Registered("heel.turn") {
			for _, strand := range []string{`"heel":{"kind":"` + heel + `","turn":"` + turn + `","own_strand":true}`,
				`"yarn":{"contrast":["heel"]},"heel":{"kind":"` + heel + `","turn":"` + turn + `"}`} {
				p := makePlan(t, with(strand))
				require.Nil(t, p.Stopped())
				if !p.Design.HeelHasOwnStrand() {
					continue
				}
				from, to := -1, -1
				for i := range p.Rows {
					note := p.Rows[i].Note
					if strings.Contains(note, "Lay the heel's strand") {
						assert.Negative(t, from, "%s begins twice", strand)
						from = i
					}
					if strings.Contains(note, "Break the heel's strand off") {
						assert.Negative(t, to, "%s ends twice", strand)
						to = i
						assert.Equal(t, strings.Contains(p.Rows[from].Note, "Leave the sock's yarn hanging"), strings.Contains(note, "Take up the waiting yarn"), strand)
						assert.Equal(t, strings.Contains(p.Rows[from].Note, "Break the sock's yarn off"), strings.Contains(note, "Join the sock's yarn anew"), strand)
					}
				}
				if heel == "flap_under" && !p.Design.ContrastHeel() {
					continue // a flap in the sock's own yarn goes straight on
				}
				require.True(t, from >= 0 && to > from, "%s: from %d to %d", strand, from, to)
				assert.Equal(t, needle.Heel, p.Rows[from].Section)
				took := 0.0
				for _, need := range yarn.Needs(&p.Design, p.Rows[from:to]) {
					took += need.Metres
				}
				said := metres.FindStringSubmatch(p.Rows[from].Note)
				require.NotNil(t, said, "%s: %s", strand, p.Rows[from].Note)
				long, err := strconv.Atoi(said[1])
				require.NoError(t, err)
				assert.InDelta(t, took+0.9, float64(long), 0.51, strand)
			}
		}
	}
}

// Who reads takes a waiting yarn up only where it hangs: a row too soon or too late it is out of reach.
func TestAWaitingYarnIsTakenUpWhereItHangs(t *testing.T) {
	p := makePlan(t, with(`"heel":{"own_strand":true}`))
	require.NoError(t, literal(p))
	at := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return strings.Contains(r.Note, "Take up the waiting yarn") })
	require.Positive(t, at)
	note := p.Rows[at].Note
	for _, other := range []int{at - 1, at + 1} {
		p.Rows[at].Note, p.Rows[other].Note = "", note
		assert.ErrorContains(t, literal(p), "a yarn is taken up", p.Rows[other].ID)
		p.Rows[other].Note = ""
	}
}

// A yarn is taken up where it was carried along, and begun where it never was: no note says that something hangs there that does not.
func TestAYarnIsTakenUpOnlyWhereItHangs(t *testing.T) {
	says := regexp.MustCompile(`(Take up|Change to) the ((?:sock's own|[a-z ]+?)) yarn[,:]`)
	taken, begun := 0, 0
	for _, stripes := range []string{`[["own",2],["amber",3]]`, `[["amber",1],["own",1],["sea green",2]]`, `[["own",4],["moss",4],["amber",4]]`} {
		for _, contrast := range []string{``, `,"contrast":["toe"]`, `,"contrast":["heel","cuff"]`, `,"contrast":["toe","heel","cuff"]`} {
			for _, heel := range []string{`{"kind":"short_row"}`, `{"kind":"flap_under"}`} {
				p := makePlan(t, with(`"heel":`+heel+`,"yarn":{"stripes":`+stripes+contrast+`}`))
				worked := map[string]bool{}
				for i := range p.Rows {
					row := &p.Rows[i]
					for _, m := range says.FindAllStringSubmatch(row.Note, -1) {
						yarn := map[bool]string{true: "", false: m[2]}[m[2] == "sock's own"]
						switch m[1] {
						case "Take up":
							taken++
							assert.True(t, worked[yarn], "%s %s %s: %s", stripes, contrast, row.ID, row.Note)
						case "Change to":
							begun++
						}
					}
					worked[row.Colour] = true
				}
			}
		}
	}
	assert.Greater(t, taken, 100)
	assert.Greater(t, begun, 20)
}
