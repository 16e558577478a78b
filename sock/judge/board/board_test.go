package board_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/draft"
	"acornstep/sock/rows/needle"
)

const foot = `"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}`

func drafted(t *testing.T, design, entries string) draft.Draft {
	t.Helper()
	var d draft.Draft
	require.NoError(t, json.Unmarshal(fmt.Appendf(nil, `{"design":{%s},"entries":{%s}}`, design, entries), &d))
	return d
}

func worked(t *testing.T, design string) board.Answer {
	t.Helper()
	a, err := board.Of("Roof", draft.Read(drafted(t, design, ""), measure.Centimetres), false)
	require.NoError(t, err)
	return a
}

// A draft is worked out as far as it goes: nothing but faults, then counts, then everything.
func TestADraftIsWorkedOutAsFarAsItGoes(t *testing.T) {
	none := worked(t, "")
	require.NotEmpty(t, none.Faults)
	assert.Nil(t, none.Plan)

	tight := worked(t, foot+`,"leg":{"stitches":44}`)
	assert.Empty(t, tight.Faults)
	require.NotNil(t, tight.Plan.Stopped())
	assert.NotEmpty(t, tight.Counts, "what could be chosen instead")
	assert.Empty(t, tight.Fit)
	assert.Empty(t, tight.Words)

	whole := worked(t, foot)
	assert.Len(t, whole.Words, len(whole.Plan.Rows))
	assert.Len(t, whole.Fingers, len(whole.Plan.Rows))
	assert.Equal(t, "Roof", whole.Plan.Design.Name)
	assert.Equal(t, len(whole.Plan.Rows), whole.Effort.Rows)
	chosen := 0
	for _, c := range whole.Counts {
		if c.Chosen {
			chosen++
			assert.Equal(t, whole.Plan.Summary.FootStitches, c.Stitches)
		}
	}
	assert.Equal(t, 1, chosen)
}

// A brief answer leaves out rows and words; what it says is the same.
func TestABriefAnswerSaysTheSame(t *testing.T) {
	r := draft.Read(drafted(t, foot, ""), measure.Centimetres)
	brief, err := board.Of("Roof", r, true)
	require.NoError(t, err)
	whole := worked(t, foot)
	assert.Empty(t, brief.Plan.Rows)
	assert.Empty(t, brief.Words)
	assert.Equal(t, whole.Plan.Summary, brief.Plan.Summary)
	assert.Equal(t, whole.Grams, brief.Grams)
	assert.Equal(t, whole.Strip, brief.Strip)
	assert.Equal(t, whole.Schools, brief.Schools)
}

// The sections in a contrast yarn are weighed apart, and nothing is lost between the two.
func TestGramsOfTwoYarns(t *testing.T) {
	one, two := worked(t, foot), worked(t, foot+`,"yarn":{"contrast":["toe","cuff"]}`)
	assert.Zero(t, one.Grams.Contrast)
	assert.Positive(t, two.Grams.Contrast)
	assert.InDelta(t, one.Grams.Own, two.Grams.Own+two.Grams.Contrast, 1e-9)
	contrast := 0.0
	for _, n := range two.Yarn {
		if n.Colour == needle.Contrast {
			contrast += n.Grams
		}
	}
	assert.InDelta(t, contrast, two.Grams.Contrast, 1e-9)
}

// At 44 rounds in 100 mm a round is 2.27 mm: what another school knits more of is as much longer.
func TestSchoolsAreComparedWithTheSocksOwnRows(t *testing.T) {
	list := worked(t, foot).Schools
	require.NotEmpty(t, list)
	assert.Equal(t, "exact", list[0].Name)
	assert.Zero(t, list[0].Longer)
	for _, s := range list[1:] {
		assert.InDelta(t, float64(s.Rounds-list[0].Rounds)*100/44, float64(s.Longer), 0.05, s.Name)
	}
}

func TestOnlyTheCountsThatDifferAreListed(t *testing.T) {
	const rest = `,"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}`
	left := worked(t, `"foot":{"length_mm":251,"ball_girth_mm":236}`+rest)
	assert.Empty(t, board.Differences(left, left))
	right := worked(t, `"foot":{"length_mm":256,"ball_girth_mm":236}`+rest)
	list := board.Differences(left, right)
	require.Len(t, list, 1, "a longer foot of the same girth is more rounds to the heel and nothing else")
	assert.Equal(t, board.Difference{Label: "Rounds to the heel", Left: left.Plan.Summary.FootRounds,
		Right: right.Plan.Summary.FootRounds}, list[0])
	assert.Empty(t, board.Differences(left, worked(t, "")), "a draft with faults has no counts")
}

// What is typed and reads becomes part of the design; what a list shows says what comes next.
func TestTheDigestOfASock(t *testing.T) {
	digest := func(design, entries string) basket.Sock {
		sock, err := board.Digest(basket.Sock{Name: "Roof", Draft: drafted(t, design, entries)}, measure.Centimetres)
		require.NoError(t, err)
		return sock
	}
	assert.Equal(t, "measure the length", digest("", "").Digest.Missing)
	assert.Equal(t, "count the stitches of the swatch", digest(`"foot":{"length_mm":251}`, "").Digest.Missing)
	assert.Equal(t, "count the rounds of the swatch",
		digest(`"foot":{"length_mm":251},"gauge":{"stitches_per_100mm":32}`, "").Digest.Missing)
	assert.Contains(t, digest(foot+`,"leg":{"stitches":44}`, "").Digest.Missing, "cannot be pulled on")

	// Half of 68 is 34, from which 68 is not reached by fours; 32 is the next.
	sock := digest(foot, `"leg.height_mm":"17"`)
	assert.Equal(t, basket.Digest{FootStitches: 68, CastOn: 32, Rows: worked(t, foot+`,"leg":{"height_mm":170}`).Effort.Rows},
		sock.Digest)
	assert.Empty(t, sock.Draft.Entries)
	assert.Equal(t, map[string]any{"height_mm": 170.0}, sock.Draft.Design["leg"])

	_, err := board.Digest(basket.Sock{}, measure.Centimetres)
	require.Error(t, err, "a sock without a name")
}
