package knit

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/rows/needle"
)

// Slip columns follow the columns, not the count, through the turn, and up the back in every second round.
func TestSlipColumnsGoOn(t *testing.T) {
	plain := makePlan(t, with(`"heel":{"kind":"flap_under"}`))
	assert.Equal(t, "RS [sl×1 k×18 ssk×1 k×1 turn×1] 67", rowText(rowNamed(t, plain, "heel-39")))
	turn := makePlan(t, with(`"heel":{"kind":"flap_under","slip_columns":"turn"}`))
	// Stitch 20 and 21 go together: of the flap's columns 1, 3, 5 … that leaves those up to 19.
	assert.Equal(t, "RS [sl×1 k×1 sl×1 k×1 sl×1 k×1 sl×1 k×1 sl×1 k×1 sl×1 k×1 sl×1 k×1 sl×1 k×1 sl×1 k×1 sl×1 ssk×1 k×1 turn×1] 67",
		rowText(rowNamed(t, turn, "heel-39")))
	// Twelve wait at the right and the thirteenth is slipped as the first; where two were purled together two knits stand side by side.
	assert.Equal(t, "RS [sl×1 k×2 sl×1 k×1 sl×1 k×1 ssk×1 k×1 turn×1] 65", rowText(rowNamed(t, turn, "heel-41")))
	assert.Equal(t, "RS [k×20 pu×18 pc×1] 73", rowText(rowNamed(t, turn, "gusset-1")))

	back := makePlan(t, with(`"heel":{"kind":"flap_under","slip_columns":"back"}`))
	heel := rowNamed(t, back, "gusset-1")
	require.Equal(t, needle.Sl, heel.Ops[0].Code)
	slips := func(id string) (n int) {
		for _, o := range rowNamed(t, back, id).Ops {
			if o.Code == needle.Sl {
				n += o.N
			}
		}
		return n
	}
	assert.Positive(t, slips("gusset-4"), "a round that decreases")
	assert.Zero(t, slips("gusset-5"), "a plain round between")
	assert.Equal(t, slips("gusset-4"), slips("gusset-24"), "the columns go up to the leg")
	assert.Equal(t, slips("gusset-1"), slips("gusset-4"))
}

// A square over 4q + 2 stitches has one ridge more, or one stitch is made in each half in the round that picks up.
func TestASquareOverAnOddPair(t *testing.T) {
	square := func(fields string) string { return with(`"stitches":70,"toe":{"kind":"garter_square"` + fields + `}`) }
	ridge := makePlan(t, square(""))
	assert.Equal(t, 35, ridge.Summary.ToeRounds, "2·17 + 1")
	assert.Equal(t, "RS [pu×18 k×1 ktbl×16 pu×18] 70", rowText(rowNamed(t, ridge, "toe-36")))
	for _, mirror := range []string{"false", "true"} {
		pair := makePlan(t, `{"mirror":`+mirror+`,`+square(`,"odd":"pair"`)[1:])
		assert.Equal(t, 33, pair.Summary.ToeRounds, "2·17 − 1")
		assert.Equal(t, 70, rowNamed(t, pair, "foot-1").Stitches)
		assert.Equal(t, []int{35, 35}, rowNamed(t, pair, "foot-1").OnNeedles)
	}
	assert.Equal(t, "RS [pu×17 m1l×1 k×1 ktbl×16 pu×17 m1l×1] 70", rowText(rowNamed(t, makePlan(t, square(`,"odd":"pair"`)), "toe-34")))
}

// 25 mm at 44 rounds in 100 mm: eleven rounds of the foot in the toe's colour.
func TestTheColourOfTheToeGoesOn(t *testing.T) {
	p := makePlan(t, with(`"toe":{"kind":"garter_square","colour_extra_mm":25},"yarn":{"contrast":["toe"]}`))
	assert.Equal(t, needle.Contrast, rowNamed(t, p, "foot-11").Colour)
	assert.Empty(t, rowNamed(t, p, "foot-12").Colour)
	assert.Contains(t, rowNamed(t, p, "foot-12").Note, "Change to the sock's own yarn")
	none := makePlan(t, with(`"toe":{"colour_extra_mm":25}`))
	assert.Empty(t, rowNamed(t, none, "foot-1").Colour, "a toe in the sock's own yarn has no colour to go on in")
}

// Two rounds of one colour and three of the other, from the first round of the foot on; the heel stands aside.
func TestStripesOfWholeRounds(t *testing.T) {
	p := makePlan(t, with(`"yarn":{"stripes":[["own",2],["amber",3]]}`))
	var colours []string
	for _, id := range []string{"foot-1", "foot-2", "foot-3", "foot-4", "foot-5", "foot-6"} {
		colours = append(colours, rowNamed(t, p, id).Colour)
	}
	assert.Equal(t, []string{"", "", "amber", "amber", "amber", ""}, colours)
	assert.Empty(t, rowNamed(t, p, "heel-5").Colour)
	// 65 rounds of foot are thirteen repeats.
	assert.Equal(t, "", rowNamed(t, p, "leg-2").Colour)
	assert.Equal(t, "amber", rowNamed(t, p, "leg-3").Colour)
	// Nothing of amber hangs there before its first round: it is begun. Afterwards it was carried along.
	assert.Contains(t, rowNamed(t, p, "foot-3").Note, "Change to the amber yarn")
	assert.Contains(t, rowNamed(t, p, "foot-6").Note, "Take up the sock's own yarn")
	assert.Contains(t, rowNamed(t, p, "foot-8").Note, "Take up the amber yarn")
	assert.Contains(t, rowNamed(t, p, "foot-4").Note, "without a step")
	// Amber ends the foot: the heel goes on in the sock's own yarn, which hangs there and is no strand of its own.
	for _, row := range p.Rows {
		assert.NotContains(t, row.Note, "heel's strand", row.ID)
	}
	assert.Contains(t, rowNamed(t, p, "heel-1").Note, "Take up the sock's own yarn")
}

// 106.25 mm of instep and (36 + 20) ÷ 0.32 behind are easy to 337.8 mm; two rows more, to 345.3.
func TestAFlapFollowsAMeasuredDiagonal(t *testing.T) {
	rows := func(diagonal string) int {
		p := makePlan(t, strings.Replace(with(`"heel":{"kind":"flap_under"}`), `"ball_girth_mm":236`, `"ball_girth_mm":236`+diagonal, 1))
		return *p.Summary.FlapRows
	}
	assert.Equal(t, 36, rows(""), "a guess asks for nothing")
	assert.Equal(t, 36, rows(`,"heel_diagonal_mm":337`))
	assert.Equal(t, 38, rows(`,"heel_diagonal_mm":345`))
	assert.Equal(t, 46, rows(`,"heel_diagonal_mm":400`), "twelve more than its stitches at most")
}

// A sole that is smooth inside is purled in the rounds that change the count, too.
func TestAReverseSoleIsPurledInEveryRound(t *testing.T) {
	p := makePlan(t, strings.Replace(with(`"foot_length":{"sole":"reverse"},"ankle":{"change":"before_heel","place":"back"}`),
		`"ball_girth_mm":236`, `"ball_girth_mm":236,"ankle_girth_mm":208`, 1))
	for i := range p.Rows {
		row := &p.Rows[i]
		if row.Section != needle.Foot || row.N == 1 {
			continue
		}
		taken := 0
		for _, o := range row.Ops {
			if taken >= 34 {
				assert.True(t, o.Code.IsPurl() || o.Code == needle.M1P, "%s: %v", row.ID, row.Ops)
			}
			taken += o.N * o.Code.Takes()
		}
	}
}

func TestOtherNeedlesAreTakenUpInWords(t *testing.T) {
	p := makePlan(t, with(`"needles":"short_circular"`))
	assert.Contains(t, rowNamed(t, p, "cast_on-1").Note, "cannot hold a toe")
	assert.Contains(t, rowNamed(t, p, "foot-1").Note, "on to the short circular needle")
	assert.Empty(t, rowNamed(t, p, "foot-2").Note)
	assert.Equal(t, []int{68}, rowNamed(t, p, "foot-1").OnNeedles)
	dpn := makePlan(t, with(`"needles_by_section":{"leg":"dpn5"}`))
	assert.Contains(t, rowNamed(t, dpn, "leg-1").Note, "on to the other needles")
	assert.Equal(t, []int{18, 17, 18, 17}, rowNamed(t, dpn, "leg-1").OnNeedles)
}

// The round begins at the centre of the back, or where the slip columns do, with the same stitches in the same rounds.
func TestTheRoundBeginsElsewhere(t *testing.T) {
	centre := makePlan(t, with(`"heel":{"kind":"flap_under"},"round_start":"centre_back"`))
	assert.Equal(t, "RS [k×34 pc×1 pu×18 k×10] 92", rowText(rowNamed(t, centre, "gusset-2")), "on to the middle of the heel")
	assert.Equal(t, "RS [start×1 k×29 k×34 k×29] 92", rowText(rowNamed(t, centre, "gusset-3")))
	assert.Equal(t, "RS [k×26 k2tog×1 k×1 k×34 k×1 ssk×1 k×26] 90", rowText(rowNamed(t, centre, "gusset-4")))
	assert.Equal(t, "RS [k×17 k×34 k×17] 68", rowText(rowNamed(t, centre, "leg-1")))
	assert.Equal(t, 17, rowNamed(t, centre, "leg-1").From)
	columns := makePlan(t, with(`"heel":{"kind":"flap_under","slip_columns":"back"},"round_start":"columns"`))
	assert.Equal(t, "RS [k×34 pc×1 pu×18] 92", rowText(rowNamed(t, columns, "gusset-2")), "up to the heel's own stitches")
	assert.Equal(t, needle.Sl, rowNamed(t, columns, "gusset-4").Ops[0].Code, "where the strengthening begins")
	plain := makePlan(t, with(`"heel":{"kind":"flap_under"}`))
	assert.Equal(t, plain.Summary, centre.Summary, "no count is another")
}
