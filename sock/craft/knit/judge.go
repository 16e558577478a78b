package knit

import (
	"math"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// HeelDiagonalGirth is the relaxed girth of the sock round the point of the
// heel and the bend of the ankle, its instep in stockinette; 0 for a heel that has no size.
func (s *Sock) HeelDiagonalGirth() measure.Length {
	if s.Heel.Stitches == 0 {
		return 0
	}
	return s.heel().DiagonalGirth(s)
}

// Judge looks at the finished numbers and says what a knowing friend would say.
func (s *Sock) Judge() {
	s.askAboutFoot()
	s.askAboutGauge()
	if s.Stopped() {
		return
	}
	s.judgeHeel()
}

// ratio is a proportion of a human foot; outside it a measurement is asked about.
type ratio struct {
	code      string
	field     at.Path
	question  string
	value     func(s *Sock) float64
	low, high float64
}

var footRatios = []ratio{
	{"foot_ball_girth", at.FootBallGirth, "the girth round the ball is %.0f %% of the foot's length; %.0f to %.0f %% is usual",
		func(s *Sock) float64 { return float64(s.Design.Foot.BallGirth / s.Design.Foot.Length) }, 0.8, 1.25},
	{"foot_ankle_girth", at.FootAnkleGirth, "the ankle is %.0f %% of the girth round the ball; %.0f to %.0f %% is usual",
		func(s *Sock) float64 { return float64(s.Design.Foot.AnkleGirth / s.Design.Foot.BallGirth) }, 0.75, 1.3},
	{"foot_heel_diagonal", at.FootHeelDiagonal, "the heel diagonal is %.0f %% of the girth round the ball; %.0f to %.0f %% is usual",
		func(s *Sock) float64 { return float64(s.Design.Foot.HeelDiagonal / s.Design.Foot.BallGirth) }, 1.15, 1.7},
}

// askAboutFoot asks about measurements whose proportions no foot has.
func (s *Sock) askAboutFoot() {
	for _, r := range footRatios {
		value := r.value(s)
		if value >= r.low-1e-9 && value <= r.high+1e-9 {
			continue
		}
		meant := "Were inches typed as centimetres, or did the tape lie elsewhere?"
		if inches := value * 2.54; inches >= r.low && inches <= r.high {
			meant = "Did you mean inches instead of centimetres?"
		}
		s.Checks.Of(verdict.OnFoot, r.field, verdict.Caution, r.code, r.question+". %s", 100*value, 100*r.low, 100*r.high, meant)
	}
}

// fewestGrown is the fewest stitches of a grown person's sock; below, its gauge is asked about. grownFoot is the shortest foot of one.
const (
	fewestGrown                = 30
	grownFoot   measure.Length = 220
)

// askAboutGauge asks about a gauge that was counted in an inch, and says when the fabric is loose or hard on the hands.
func (s *Sock) askAboutGauge() {
	d := s.Design
	if inch := 100 / float64(measure.Inch); d.Foot.Length >= grownFoot && FootTarget(d) < fewestGrown &&
		FootTarget(d)*inch >= fewestGrown {
		s.Checks.Of(verdict.OnSwatch, at.GaugeStitches, verdict.Caution, "gauge_asked",
			"on this gauge a grown foot would have a sock of %.0f stitches. Were they counted in 1 inch? Then write “8 in 1 inch”, and the rounds alike.", FootTarget(d))
		return
	}
	if yarn.Exchanged(s.Gauge) {
		s.Checks.Of(verdict.OnSwatch, at.GaugeStitches, verdict.Caution, "gauge_exchanged",
			"there are more stitches than rounds in the same length. Were the two exchanged? In stockinette a stitch is wider than it is tall.")
	}
	switch density := yarn.Density(s.Gauge.Stitches, d.Yarn); {
	case density < yarn.Loosest:
		s.Checks.Say(verdict.OnSwatch, verdict.Caution, "gauge_loose",
			"A loose fabric for a ball of %g m in %g g: %s. It pills and wears through sooner; take a smaller needle, or say which yarn it is.",
			d.Yarn.BallMetres, d.Yarn.BallGrams, yarn.SaidOf(density))
	case density > yarn.HardOnHands:
		s.Checks.Say(verdict.OnSwatch, verdict.Caution, "gauge_stiff",
			"A very tight fabric for a ball of %g m in %g g: %s. It is stiff, and hard on the hands: rest them often, or take a larger needle.",
			d.Yarn.BallMetres, d.Yarn.BallGrams, yarn.SaidOf(density))
	}
}

// AskAboutFoot asks about measurements whose proportions no foot has.
func AskAboutFoot(foot design.Foot) verdict.Checks {
	s := Sock{Design: &design.Design{Foot: foot}}
	s.askAboutFoot()
	return s.Checks
}

// Stretch of the fabric over the heel: our estimates, which finished pairs correct.
const (
	stockinetteStretch = 0.30
	garterStretch      = 0.45
	// EasyShare of the possible stretch is where a sock still goes on easily.
	EasyShare = 0.67
	// PassCaution and PassStop are the heel diagonal over the leg's girth: hard to pull on, and impossible.
	PassCaution = 1.7
	PassStop    = 2.0
)

// restingInstep is what of the heel diagonal lies over the stitches that rest while the heel is knitted, in stockinette.
func (s *Sock) restingInstep() measure.Length {
	return s.Gauge.Girth(float64(max(0, s.Stitches-s.Heel.Stitches)))
}

// HeelGirth is the relaxed girth round the point of the heel and the bend of the ankle, drawn in by the pattern on the instep.
func (s *Sock) HeelGirth() measure.Length {
	if s.Heel.Stitches == 0 {
		return 0
	}
	return s.HeelDiagonalGirth() - s.restingInstep()*measure.Length(1-s.InstepWidth())
}

// HeelStretch is the share of that girth by which it stretches before it is tight: the heel's fabric and the instep's pattern together.
func (s *Sock) HeelStretch() float64 {
	limit := s.heel().Stretch(s)
	instep := s.instepPattern()
	if instep.Plain() {
		return limit
	}
	resting := float64(s.restingInstep())
	heel := float64(s.HeelDiagonalGirth()) - resting
	return (resting*instep.Width*(1+instep.Gives())+heel*(1+limit))/float64(s.HeelGirth()) - 1
}

// Gives is the share by which the cloth of a row can stretch before it is tight.
func (s *Sock) Gives(row *needle.Row) float64 {
	switch {
	case row.Fabric == needle.Garter:
		return garterStretch
	case row.Section == needle.Heel:
		return s.HeelStretch()
	case row.Section == needle.Leg:
		return math.Max(s.LegGives(), stockinetteStretch)
	case row.Section == needle.Cuff:
		return math.Max(pattern.Find(s.Design.Cuff.Pattern, s.Design.Patterns).Gives(), stockinetteStretch)
	case row.Section == needle.Toe || row.Kind != needle.Round:
		return stockinetteStretch
	}
	return math.Max(s.footGives(), stockinetteStretch)
}

// InstepWidth is the width that the pattern on the instep gives it, compared with stockinette.
func (s *Sock) InstepWidth() float64 { return s.instepPattern().Width }

// FootGirth is the relaxed girth of the foot, half of it sole, drawn in by the pattern on its instep.
func (s *Sock) FootGirth() measure.Length {
	return s.Gauge.Girth(float64(s.Stitches)) * measure.Length(1+s.InstepWidth()) / 2
}

// footGives is the share of its own girth by which the foot stretches before it is tight, instep and sole together.
func (s *Sock) footGives() float64 {
	instep := s.instepPattern()
	if instep.Plain() {
		return stockinetteStretch
	}
	return (instep.Width*(1+instep.Gives())+1+stockinetteStretch)/(1+instep.Width) - 1
}

// panelShare is how much of a leg its rib takes, by where it runs.
var panelShare = map[string]float64{"front": 0.5, "back": 0.5, "sides": 1.0 / 3}

// LegWidth is the girth that the leg's pattern gives, compared with stockinette. Between panels of rib the leg is plain.
func (s *Sock) LegWidth() float64 {
	width := s.legPattern().Width
	if s.legPanel() == nil {
		return width
	}
	return 1 - panelShare[s.Design.Leg.Panels]*(1-width)
}

// LegGives is the share of its own girth by which the leg stretches before it is tight, its panels of rib and what
// lies between them together.
func (s *Sock) LegGives() float64 {
	p := s.legPattern()
	if s.legPanel() == nil {
		return p.Gives()
	}
	share, plain := panelShare[s.Design.Leg.Panels], pattern.Find("stockinette", nil)
	return (share*p.Width*(1+p.Gives())+(1-share)*(1+plain.Gives()))/s.LegWidth() - 1
}

func (s *Sock) judgeHeel() {
	foot := s.Design.Foot
	if why := s.turning().About().InGarter; why != "" && s.Design.Heel.Fabric == needle.Garter && s.Design.Uses(at.HeelTurn) && s.Design.Uses(at.HeelFabric) {
		s.Checks.Say(verdict.OnHeel, verdict.Note, "turn_in_garter", "%s", why)
	}
	stretch, limit := float64(foot.HeelDiagonal/s.HeelGirth())-1, s.HeelStretch()
	switch from := s.HeelGirth() * measure.Length(1+EasyShare*limit); {
	case s.Design.Foot.Guessed("heel_diagonal_mm"):
		if s.heel().LapsOver() {
			s.Checks.Say(verdict.OnHeel, verdict.Note, "heel_measure",
				"Measure round heel and instep: from %s on take a heel with a gusset.", from)
		}
	case stretch > limit:
		s.Checks.Say(verdict.OnHeel, verdict.Caution, "heel_tight",
			"Tight over the instep: the heel would have to stretch %.0f %%, and %.0f %% is what the fabric gives. It will pull the heel down; %s",
			100*stretch, 100*limit, s.heel().Roomier())
	case stretch > EasyShare*limit:
		s.Checks.Say(verdict.OnHeel, verdict.Note, "heel_snug", "Snug over the instep: the heel stretches %.0f %%.", 100*stretch)
	}
	over := float64(foot.HeelDiagonal / s.Gauge.Girth(float64(s.LegStitches)))
	switch {
	case over > PassStop:
		s.Checks.Of(verdict.OnLeg, at.LegStitches, verdict.Stop, "leg_over_heel",
			"a leg of %d stitches cannot be pulled on: it would have to stretch to %.2f times its girth to pass the heel. Give the leg more stitches or less ease.", s.LegStitches, over)
	case over > PassCaution:
		s.Checks.Say(verdict.OnLeg, verdict.Caution, "leg_over_heel",
			"The leg must stretch to %.2f times its girth to pass over the heel. Take more stitches, and a very stretchy bind-off.", over)
	}
	s.cautions()
}

// seeClinician is what every caution about health ends with.
const seeClinician = "With swollen legs, diabetes, numb feet or poor circulation wear no tight bands and no ridges under the foot, and ask your clinician first."

// cautions are about people, not about stitches.
func (s *Sock) cautions() {
	const highEase = 15
	foot := &s.Design.Foot
	if s.Design.Fit.GirthEasePct > highEase {
		s.Checks.Say(verdict.OnRound, verdict.Caution, "ease_high", "%g %% smaller than the foot is a tight sock. %s",
			s.Design.Fit.GirthEasePct, seeClinician)
	}
	if top := s.HeelEnd() + s.Design.Leg.Height; foot.CalfHeight != nil && top >= *foot.CalfHeight {
		if s.CuffBegins() <= *foot.CalfHeight {
			s.Checks.Say(verdict.OnCuff, verdict.Caution, "cuff_slides",
				"The cuff lies on the widest place of the calf, where it slides down: let the leg end below it, or go on to below the knee.")
		} else if list := s.stations(); len(list) == 1 {
			s.Checks.Of(verdict.OnLeg, at.FootCalfHeight, verdict.Caution, "calf_below_ankle",
				"the widest place of the calf lies no higher than the ankle, so that the leg keeps the ankle's count. Measure its height again, from the floor.")
		} else if len(list) == 2 {
			s.Checks.Of(verdict.OnLeg, at.FootKneeHeight, verdict.Caution, "knee_below_calf",
				"the place below the knee lies no higher than the widest place of the calf, so that the leg keeps the calf's count. Measure both again.")
		} else if foot.KneeGirth == nil || foot.KneeHeight == nil {
			s.Checks.Of(verdict.OnLeg, at.FootKneeGirth, verdict.Note, "knee_guessed",
				"below the knee the leg is guessed: %s round at %s above the floor. Measure both.", list[2].girth, list[2].height)
		}
		s.Checks.Say(verdict.OnLeg, verdict.Caution, "knee_band",
			"A band of rib at the knee can be too tight. Where it slips, fold it over a loose elastic and no tighter. %s", seeClinician)
	}
	if s.Design.Cuff.Elastic {
		s.Checks.Say(verdict.OnCuff, verdict.Caution, "cuff_elastic",
			"Draw the elastic through the bumps inside the cuff without any pull: it keeps the band from sliding, and must not squeeze. %s", seeClinician)
	}
	if foot.CalfGirth != nil && foot.CalfHeight == nil && s.HeelEnd()+s.Design.Leg.Height > ankleShare*foot.Length+s.Design.Cuff.Height {
		s.Checks.Of(verdict.OnLeg, at.FootCalfHeight, verdict.Caution, "calf_height_asked",
			"how high above the floor is the calf widest? Without its height the leg keeps the count of the ankle.")
	}
	const smallFoot = 180
	if foot.Length < smallFoot || foot.Careful("smooth_floors") {
		s.Checks.Say(verdict.OnFoot, verdict.Note, "small_foot",
			"Socks slip on smooth floors: add a grip to the sole for small children and the unsteady, and leave no long ends inside, where toes catch in them.")
	}
	s.carefulFeet(foot)
}

// Ridged says whether toe or heel have ridges that a foot can feel.
func (s *Sock) Ridged() bool { return s.toe().Ridged() || s.heel().Ridged(s) }

// carefulFeet are the cautions that were ticked for the wearer.
func (s *Sock) carefulFeet(foot *design.Foot) {
	const gentleEase, gentleCuff = 8, 0.85
	if foot.Careful("circulation") {
		if ease := s.Design.Fit.GirthEasePct; ease > gentleEase {
			s.Checks.Say(verdict.OnFoot, verdict.Caution, "circulation_ease",
				"For poor circulation this sock is tight: %g %% smaller than the foot. Take %d %% or less, and ask their clinician first.", ease, gentleEase)
		}
		if cuff := s.cuffPattern(); cuff.Width < gentleCuff {
			s.Checks.Say(verdict.OnFoot, verdict.Caution, "circulation_cuff",
				"For poor circulation %s draws the cuff in too much: choose a rib that gives, bind off very loosely, and ask their clinician first.", cuff.Label)
		}
		s.Checks.Say(verdict.OnFoot, verdict.Caution, "circulation",
			"For swollen legs, diabetes or poor circulation no band may leave a mark: try it on for an hour, and ask their clinician first.")
	}
	if foot.Careful("numb_feet") {
		if s.Ridged() {
			s.Checks.Say(verdict.OnFoot, verdict.Caution, "numb_ridges",
				"Garter has ridges that a numb foot does not feel until they have rubbed: take a smooth toe and heel.")
		}
		s.Checks.Say(verdict.OnFoot, verdict.Caution, "numb_feet",
			"Numb feet do not feel a ridge or an end: weave in on the outside, look at the skin after wearing, and ask their clinician first.")
	}
	if foot.Careful("allergy") {
		s.Checks.Say(verdict.OnFoot, verdict.Caution, "allergy",
			"Ask which fibres and dyes are well borne before you choose the yarn; for a baby also whether it is moth-proofed.")
	}
}
