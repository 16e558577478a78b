// Package at names the fields of a design: each path in its document is a constant, so that a field which does not exist does not compile.
package at

import "fmt"

// Path is the path of a field in the document of a design, such as heel.turn.
type Path string

// Nth is the path of one entry of a list, from 0.
func (p Path) Nth(i int) Path { return Path(fmt.Sprintf("%s[%d]", p, i)) }

// Of is the path of what a table has under a name.
func (p Path) Of(name string) Path { return p + "." + Path(name) }

// Foot is the path of a measurement of the foot by its name, such as length_mm.
func Foot(measurement string) Path { return "foot." + Path(measurement) }

// Second is the path of a measurement of the second foot by its name.
func Second(measurement string) Path { return "second_foot." + Path(measurement) }

// Enum lists all paths for whoever describes the type: the interface is compiled against them.
func (Path) Enum() []any {
	list := make([]any, len(All))
	for i, path := range All {
		list[i] = path
	}
	return list
}

// The sock as a whole.
const (
	BindOff          Path = "bind_off"
	Format           Path = "format"
	Mirror           Path = "mirror"
	Name             Path = "name"
	Needles          Path = "needles"
	NeedlesBySection Path = "needles_by_section"
	Patterns         Path = "patterns"
	RoundStart       Path = "round_start"
	Stitches         Path = "stitches"
	Version          Path = "version"
)

// The ankle.
const (
	AnkleChange Path = "ankle.change"
	AnklePlace  Path = "ankle.place"
)

// The corners.
const (
	CornerHoldRounds Path = "corner.hold_rounds"
	CornerMethod     Path = "corner.method"
	CornerPickUp     Path = "corner.pick_up"
)

// The cuff.
const (
	CuffHeight  Path = "cuff.height_mm"
	CuffElastic Path = "cuff.elastic"
	CuffPattern Path = "cuff.pattern"
	CuffRounds  Path = "cuff.rounds"
)

// The fit.
const (
	FitGirthEase  Path = "fit.girth_ease_pct"
	FitLengthEase Path = "fit.length_ease_mm"
	FitMultiple   Path = "fit.multiple"
)

// The foot, in millimetres where it is measured.
const (
	FootAnkleGirth     Path = "foot.ankle_girth_mm"
	FootBallGirth      Path = "foot.ball_girth_mm"
	FootCalfGirth      Path = "foot.calf_girth_mm"
	FootCalfHeight     Path = "foot.calf_height_mm"
	FootCautions       Path = "foot.cautions"
	FootEstimated      Path = "foot.estimated"
	FootHeelDiagonal   Path = "foot.heel_diagonal_mm"
	FootInstepGirth    Path = "foot.instep_girth_mm"
	FootKneeGirth      Path = "foot.knee_girth_mm"
	FootKneeHeight     Path = "foot.knee_height_mm"
	FootHeelWidth      Path = "foot.heel_width"
	FootLength         Path = "foot.length_mm"
	FootLittleToeAside Path = "foot.little_toe_aside_mm"
	FootToeDepth       Path = "foot.toe_depth_mm"
	FootToeTipAside    Path = "foot.toe_tip_aside_mm"
)

// What is reckoned of the foot before the heel.
const (
	FootLengthHeel   Path = "foot_length.heel_mm"
	FootLengthRounds Path = "foot_length.rounds"
	FootLengthSchool Path = "foot_length.school"
	FootLengthSole   Path = "foot_length.sole"
	FootLengthToe    Path = "foot_length.toe_mm"
)

// The gauge, counted in 100 mm.
const (
	GaugeRounds   Path = "gauge.rounds_per_100mm"
	GaugeStitches Path = "gauge.stitches_per_100mm"
)

// The heel.
const (
	HeelFabric          Path = "heel.fabric"
	HeelFirstRow        Path = "heel.first_row"
	HeelFlapRowFactor   Path = "heel.flap_row_factor"
	HeelFlapRows        Path = "heel.flap_rows"
	HeelGussetIncreases Path = "heel.gusset_increases"
	HeelKind            Path = "heel.kind"
	HeelOwnStrand       Path = "heel.own_strand"
	HeelPickedUp        Path = "heel.picked_up"
	HeelRoundsBetween   Path = "heel.rounds_between"
	HeelShare           Path = "heel.share"
	HeelSlipColumns     Path = "heel.slip_columns"
	HeelStitches        Path = "heel.stitches"
	HeelTurn            Path = "heel.turn"
	HeelTurnsPerSide    Path = "heel.turns_per_side"
)

// The second foot, where it differs.
const (
	SecondFootAnkleGirth   Path = "second_foot.ankle_girth_mm"
	SecondFootBallGirth    Path = "second_foot.ball_girth_mm"
	SecondFootCalfGirth    Path = "second_foot.calf_girth_mm"
	SecondFootCalfHeight   Path = "second_foot.calf_height_mm"
	SecondFootHeelDiagonal Path = "second_foot.heel_diagonal_mm"
	SecondFootHeelWidth    Path = "second_foot.heel_width"
	SecondFootInstepGirth  Path = "second_foot.instep_girth_mm"
	SecondFootKneeGirth    Path = "second_foot.knee_girth_mm"
	SecondFootKneeHeight   Path = "second_foot.knee_height_mm"
	SecondFootLength       Path = "second_foot.length_mm"
	SecondFootToeDepth     Path = "second_foot.toe_depth_mm"
)

// The leg.
const (
	LegHeight        Path = "leg.height_mm"
	LegInstepPattern Path = "leg.instep_pattern"
	LegPanels        Path = "leg.panels"
	LegPattern       Path = "leg.pattern"
	LegPlainRounds   Path = "leg.plain_rounds"
	LegRounds        Path = "leg.rounds"
	LegStitches      Path = "leg.stitches"
)

// The toe.
const (
	ToeCastOn        Path = "toe.cast_on"
	ToeColourExtra   Path = "toe.colour_extra_mm"
	ToeFastRounds    Path = "toe.fast_rounds"
	ToeIncrease      Path = "toe.increase"
	ToeKind          Path = "toe.kind"
	ToeOdd           Path = "toe.odd"
	ToeStart         Path = "toe.start"
	ToeStartLoop     Path = "toe.start_loop"
	ToeStartStitches Path = "toe.start_stitches"
	ToeTurnsPerSide  Path = "toe.turns_per_side"
)

// The yarn.
const (
	YarnBallGrams      Path = "yarn.ball_g"
	YarnBallMetres     Path = "yarn.ball_m"
	YarnContrast       Path = "yarn.contrast"
	YarnRepeat         Path = "yarn.repeat_mm"
	YarnRepeatRounds   Path = "yarn.repeat_rounds"
	YarnRepeatStitches Path = "yarn.repeat_stitches"
	YarnStripes        Path = "yarn.stripes"
)

// All are the paths of all fields, in order.
var All = []Path{
	AnkleChange,
	AnklePlace,
	BindOff,
	CornerHoldRounds,
	CornerMethod,
	CornerPickUp,
	CuffElastic,
	CuffHeight,
	CuffPattern,
	CuffRounds,
	FitGirthEase,
	FitLengthEase,
	FitMultiple,
	FootAnkleGirth,
	FootBallGirth,
	FootCalfGirth,
	FootCalfHeight,
	FootCautions,
	FootEstimated,
	FootHeelDiagonal,
	FootHeelWidth,
	FootInstepGirth,
	FootKneeGirth,
	FootKneeHeight,
	FootLength,
	FootLittleToeAside,
	FootToeDepth,
	FootToeTipAside,
	FootLengthHeel,
	FootLengthRounds,
	FootLengthSchool,
	FootLengthSole,
	FootLengthToe,
	Format,
	GaugeRounds,
	GaugeStitches,
	HeelFabric,
	HeelFirstRow,
	HeelFlapRowFactor,
	HeelFlapRows,
	HeelGussetIncreases,
	HeelKind,
	HeelOwnStrand,
	HeelPickedUp,
	HeelRoundsBetween,
	HeelShare,
	HeelSlipColumns,
	HeelStitches,
	HeelTurn,
	HeelTurnsPerSide,
	LegHeight,
	LegInstepPattern,
	LegPanels,
	LegPattern,
	LegPlainRounds,
	LegRounds,
	LegStitches,
	Mirror,
	Name,
	Needles,
	NeedlesBySection,
	Patterns,
	RoundStart,
	SecondFootAnkleGirth,
	SecondFootBallGirth,
	SecondFootCalfGirth,
	SecondFootCalfHeight,
	SecondFootHeelDiagonal,
	SecondFootHeelWidth,
	SecondFootInstepGirth,
	SecondFootKneeGirth,
	SecondFootKneeHeight,
	SecondFootLength,
	SecondFootToeDepth,
	Stitches,
	ToeCastOn,
	ToeColourExtra,
	ToeFastRounds,
	ToeIncrease,
	ToeKind,
	ToeOdd,
	ToeStart,
	ToeStartLoop,
	ToeStartStitches,
	ToeTurnsPerSide,
	Version,
	YarnBallGrams,
	YarnBallMetres,
	YarnContrast,
	YarnRepeat,
	YarnRepeatRounds,
	YarnRepeatStitches,
	YarnStripes,
}
