// Package design is the document in which somebody asks for a sock: a foot, a
// gauge and choices. It knows the defaults, what may be chosen and which
// values are possible. It knows no stitches.
package design

import (
	"slices"

	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/pattern"
)

// Format and Version name the document; older versions stay readable.
const (
	Format  = "acorn-step.design"
	Version = 1
)

// Length is a length in millimetres as the document writes it.
type Length = measure.Length

// Design is one sock as it was asked for. Pointers are nil where the program
// is to work the value out.
type Design struct {
	Format  string `json:"format"`
	Version int    `json:"version"`
	Name    string `json:"name"`
	Foot    Foot   `json:"foot"`
	// SecondFoot is where the foot of the second sock differs from the first's; nothing is the usual case.
	SecondFoot OtherFoot  `json:"second_foot,omitzero"`
	Gauge      Gauge      `json:"gauge"`
	Fit        Fit        `json:"fit"`
	Stitches   *int       `json:"stitches"`
	Toe        Toe        `json:"toe"`
	FootLength FootLength `json:"foot_length"`
	Heel       Heel       `json:"heel"`
	Corner     Corner     `json:"corner"`
	Ankle      Ankle      `json:"ankle"`
	Leg        Leg        `json:"leg"`
	Cuff       Cuff       `json:"cuff"`
	BindOff    string     `json:"bind_off"`
	Needles    string     `json:"needles"`
	// NeedlesBySection are other needles for a section, by its name.
	NeedlesBySection map[string]string `json:"needles_by_section,omitempty"`
	// RoundStart is where the round begins from the gusset of a flap heel on.
	RoundStart string `json:"round_start"`
	Yarn       Yarn   `json:"yarn"`
	Mirror     bool   `json:"mirror"`
	// Patterns are definitions of stitch patterns that the design brings along, by their names.
	Patterns []pattern.Pattern `json:"patterns,omitempty"`
}

// Foot is one foot, measured with its full weight on it.
type Foot struct {
	Length       Length  `json:"length_mm"`
	BallGirth    Length  `json:"ball_girth_mm"`
	ToeDepth     Length  `json:"toe_depth_mm"`
	HeelDiagonal Length  `json:"heel_diagonal_mm"`
	AnkleGirth   Length  `json:"ankle_girth_mm"`
	HeelWidth    string  `json:"heel_width"`
	CalfGirth    *Length `json:"calf_girth_mm"`
	CalfHeight   *Length `json:"calf_height_mm"`
	// ToeTipAside and LittleToeAside shape the toes: how far the tip of the longest toe lies to the inner side of the line from the
	// heel to the middle of the ball, and the root of the little toe to its outer side. Feet at large where they are not told.
	ToeTipAside    *Length `json:"toe_tip_aside_mm,omitempty"`
	LittleToeAside *Length `json:"little_toe_aside_mm,omitempty"`
	// InstepGirth is the girth over the instep, halfway from the ball to the bend of the ankle.
	InstepGirth *Length `json:"instep_girth_mm,omitempty"`
	// KneeGirth is the girth below the knee, KneeHeight how high above the floor that place is.
	KneeGirth  *Length  `json:"knee_girth_mm,omitempty"`
	KneeHeight *Length  `json:"knee_height_mm,omitempty"`
	Estimated  []string `json:"estimated"`
	// Cautions name what changes the advice for this person; none is the usual case.
	Cautions []string `json:"cautions,omitempty"`
}

// Guessed says whether a measurement of the foot was guessed or marked as estimated, by its name, such as toe_depth_mm.
func (f *Foot) Guessed(name string) bool { return slices.Contains(f.Estimated, name) }

// Careful says whether a caution was given for the wearer.
func (f *Foot) Careful(caution string) bool { return slices.Contains(f.Cautions, caution) }

// Gauge is counted on washed fabric knitted in the round.
type Gauge struct {
	Stitches float64 `json:"stitches_per_100mm"`
	Rounds   float64 `json:"rounds_per_100mm"`
}

// Fit is how much smaller than the foot the sock is.
type Fit struct {
	GirthEasePct float64 `json:"girth_ease_pct"`
	LengthEase   Length  `json:"length_ease_mm"`
	Multiple     int     `json:"multiple"`
}

// Toe is how the sock begins.
type Toe struct {
	Kind          string `json:"kind"`
	CastOn        string `json:"cast_on"`
	StartLoop     string `json:"start_loop"`
	Start         string `json:"start"`
	Increase      string `json:"increase"`
	StartStitches *int   `json:"start_stitches"`
	FastRounds    *int   `json:"fast_rounds"`
	TurnsPerSide  *int   `json:"turns_per_side"`
	// Odd is how a garter square reaches a count that leaves two of a multiple of four.
	Odd string `json:"odd"`
	// ColourExtra is how far the toe's colour goes on over the foot.
	ColourExtra Length `json:"colour_extra_mm"`
}

// FootLength is the school by which toe and heel are taken off the foot.
type FootLength struct {
	School string  `json:"school"`
	Toe    *Length `json:"toe_mm"`
	Heel   *Length `json:"heel_mm"`
	Sole   string  `json:"sole"`
	// Rounds, when given, are the rounds to the heel whatever the lengths say: what really happened.
	Rounds *int `json:"rounds,omitempty"`
}

// Heel is the heel and its turns.
type Heel struct {
	Kind            string  `json:"kind"`
	Turn            string  `json:"turn"`
	Share           float64 `json:"share"`
	Stitches        *int    `json:"stitches"`
	TurnsPerSide    *int    `json:"turns_per_side"`
	Fabric          string  `json:"fabric"`
	RoundsBetween   *int    `json:"rounds_between"`
	FirstRow        *string `json:"first_row"`
	OwnStrand       bool    `json:"own_strand"`
	FlapRows        *int    `json:"flap_rows"`
	FlapRowFactor   float64 `json:"flap_row_factor"`
	PickedUp        *[2]int `json:"picked_up"`
	GussetIncreases *int    `json:"gusset_increases"`
	// SlipColumns is how far the slipped stitches of a flap go on: no further, through its turn, or up the back as well.
	SlipColumns string `json:"slip_columns"`
}

// Corner is the remedy for the holes where heel and instep meet.
type Corner struct {
	Method     string `json:"method"`
	PickUp     int    `json:"pick_up"`
	HoldRounds int    `json:"hold_rounds"`
}

// Ankle is where the foot's count becomes the leg's.
type Ankle struct {
	Change string `json:"change"`
	Place  string `json:"place"`
}

// Leg is what stands between heel and cuff.
type Leg struct {
	Height        Length `json:"height_mm"`
	PlainRounds   *int   `json:"plain_rounds"`
	Pattern       string `json:"pattern"`
	InstepPattern string `json:"instep_pattern"`
	Stitches      *int   `json:"stitches"`
	// Panels is where the leg's rib runs.
	Panels string `json:"panels"`
	// Rounds, when given, are the rounds up to the cuff whatever the height says.
	Rounds *int `json:"rounds,omitempty"`
}

// Cuff is the ribbed end of the leg.
type Cuff struct {
	Pattern string `json:"pattern"`
	Height  Length `json:"height_mm"`
	// Rounds, when given, are the rounds of the cuff whatever its height says.
	Rounds *int `json:"rounds,omitempty"`
	// Elastic is a fine elastic thread that is drawn in inside the cuff.
	Elastic bool `json:"elastic,omitempty"`
}

// Yarn is the ball, and the sections knitted in another colour.
type Yarn struct {
	BallGrams  float64  `json:"ball_g"`
	BallMetres float64  `json:"ball_m"`
	Contrast   []string `json:"contrast"`
	// Stripes are the rounds of each colour in turn, over foot and leg; none is the usual case.
	Stripes []Stripe `json:"stripes,omitempty"`
	// Repeat are the lengths of yarn of each colour of a yarn that stripes by itself, from where the sock begins; none is the usual case.
	Repeat []Length `json:"repeat_mm,omitempty"`
	// RepeatRounds are instead the rounds that were counted of each of its colours, on RepeatStitches round; those
	// of this foot where it is nil.
	RepeatRounds   []float64 `json:"repeat_rounds,omitempty"`
	RepeatStitches *int      `json:"repeat_stitches,omitempty"`
}

// PerMM is the gauge in the unit that sums use.
func (g Gauge) PerMM() measure.Gauge { return measure.GaugePer100(g.Stitches, g.Rounds) }
