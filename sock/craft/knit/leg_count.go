package knit

import (
	"math"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
)

// worthChanging is the smallest difference for which the count changes at the ankle.
const worthChanging = 4

// countLeg finds the stitches round the ankle and at the end of the leg. The
// patterns of leg and cuff have to repeat in the latter.
func (s *Sock) countLeg() {
	d := s.Design
	leg, cuff := s.legPattern(), s.cuffPattern()
	repeat := lcm(lcm(leg.Repeat, cuff.Repeat), 2)
	if given := d.Leg.Stitches; given != nil {
		s.AnkleStitches, s.CalfStitches, s.LegStitches = *given, *given, *given
		if low := *given / repeat * repeat; low != *given {
			s.Checks.Of(verdict.OnLeg, at.LegStitches, verdict.Stop, "leg_pattern",
				"leg.pattern %s and cuff.pattern %s repeat over %d stitches, which does not go into %d. The nearest counts that do are %d and %d.",
				leg.Name, cuff.Name, repeat, *given, low, low+repeat)
		}
		if d.Ankle.Change == "none" && *given != s.Stitches {
			s.Checks.Say(verdict.OnAnkle, verdict.Caution, "ankle_none",
				"ankle.change none keeps the foot's %d stitches, but leg.stitches asks for %d: the count changes after the heel.",
				s.Stitches, *given)
		}
		return
	}
	s.AnkleStitches = s.countAnkle()
	s.LegStitches = max(NearestMultiple(float64(s.AnkleStitches), repeat), (FewestStitches+repeat-1)/repeat*repeat)
	if s.LegStitches != s.AnkleStitches {
		s.Checks.Say(verdict.OnLeg, verdict.Note, "leg_pattern",
			"The leg has %d stitches instead of %d, so that %s and %s repeat all round.", s.LegStitches, s.AnkleStitches, leg.Label,
			cuff.Label)
	}
	s.AnkleStitches, s.CalfStitches = s.LegStitches, s.LegStitches
	s.countCalf(repeat)
}

func (s *Sock) countAnkle() int {
	if s.Design.Ankle.Change == "none" {
		return s.Stitches
	}
	if foot := &s.Design.Foot; s.Design.Stitches != nil && foot.AnkleGirth == foot.BallGirth && !foot.Guessed("ankle_girth_mm") {
		return s.Stitches // whoever typed a count for this girth wants it again where the girth is the same
	}
	n := max(NearestMultiple(LegTarget(s.Design), s.Design.Fit.Multiple), FewestStitches)
	if abs(n-s.Stitches) < worthChanging {
		return s.Stitches
	}
	if least := s.fewestOverHeel(); n < least && least <= s.Stitches {
		s.Checks.Say(verdict.OnAnkle, verdict.Caution, "ankle_thin",
			"The ankle alone would take %d stitches, which cannot be pulled over the heel: the leg has %d, and sits looser. A rib holds it.",
			n, least)
		return least
	}
	return n
}

// fewestOverHeel is the fewest stitches of a leg, in the multiple of the fit, that can be pulled over the heel at all.
func (s *Sock) fewestOverHeel() int {
	perStitch := s.Gauge.Girth(1)
	least := int(math.Ceil(float64(s.Design.Foot.HeelDiagonal/(PassStop*perStitch)) - 1e-9))
	m := s.Design.Fit.Multiple
	return (least + m - 1) / m * m
}

// ankleShare is how high above the floor the ankle is measured, as a share of the length of the foot: an estimate for feet at large.
const ankleShare = 0.4

// heelShare is how high above the floor a heel ends and the leg begins, as a share of the length of the foot: the length of the usual
// short-row heel, whatever the heel is, so that the count of a leg does not depend on it.
const heelShare = 0.2

// HeelEnd is how high above the floor the leg begins.
func (s *Sock) HeelEnd() measure.Length { return heelShare * s.Design.Foot.Length }

// station is a place of the leg: how high above the floor it lies, and the girth there.
type station struct{ height, girth measure.Length }

// stations are the ankle and, where the calf and its height were measured, the widest place of the calf and the place below the knee, measured
// or guessed, in the order of their heights.
func (s *Sock) stations() []station {
	foot := &s.Design.Foot
	list := []station{{ankleShare * foot.Length, foot.AnkleGirth}}
	if foot.CalfGirth == nil || foot.CalfHeight == nil || *foot.CalfHeight <= list[0].height {
		return list
	}
	calf := station{*foot.CalfHeight, *foot.CalfGirth}
	knee := station{max(design.KneeHeight*foot.Length, calf.height+1), design.KneeGirth * calf.girth}
	if foot.KneeHeight != nil {
		knee.height = *foot.KneeHeight
	}
	if foot.KneeGirth != nil {
		knee.girth = *foot.KneeGirth
	}
	if list = append(list, calf); knee.height > calf.height {
		list = append(list, knee)
	}
	return list
}

// GirthAt is the girth of the leg at a height above the floor: between two stations it changes evenly, beyond the last it stays.
func (s *Sock) GirthAt(height measure.Length) measure.Length {
	list := s.stations()
	for i := 1; i < len(list); i++ {
		if below, above := list[i-1], list[i]; height < above.height {
			part := max(0, (height-below.height)/(above.height-below.height))
			return below.girth + part*(above.girth-below.girth)
		}
	}
	return list[len(list)-1].girth
}

// CuffBegins is how high above the floor the leg ends and its cuff begins.
func (s *Sock) CuffBegins() measure.Length {
	d := s.Design
	return s.HeelEnd() + d.Leg.Height - min(d.Cuff.Height, d.Leg.Height)
}

// countCalf is the count that the leg has at the widest place of the calf, and where its cuff begins: it follows the leg, which grows from
// the ankle to the calf, and narrows again below the knee. A leg that ends lower has the count of the place where it ends.
func (s *Sock) countCalf(repeat int) {
	list, top := s.stations(), s.CuffBegins()
	if len(list) == 1 || top <= list[0].height {
		return
	}
	// Pairs are taken from the back alone: beside the front two columns and a stitch on either side stay there.
	const stayBehind = 4
	fewest := max(FewestStitches, max(s.Stitches, s.AnkleStitches)/2+stayBehind)
	fewest = (fewest + repeat - 1) / repeat * repeat
	end := max(NearestMultiple(target(s.Design, s.GirthAt(top)), repeat), fewest)
	calf := list[1]
	if top <= calf.height {
		s.LegStitches = max(s.LegStitches, end)
		s.CalfStitches = s.LegStitches
		return
	}
	s.CalfStitches = max(NearestMultiple(target(s.Design, calf.girth), 2), s.AnkleStitches)
	s.LegStitches = end
}

func lcm(a, b int) int {
	x, y := a, b
	for y != 0 {
		x, y = y, x%y
	}
	return a / x * b
}

// sizeLeg finds the rounds of leg and cuff, and what happens in them.
func (s *Sock) sizeLeg() {
	d := s.Design
	cuff := d.Cuff.Height
	if cuff > d.Leg.Height {
		cuff = d.Leg.Height
		s.Checks.Of(verdict.OnCuff, at.CuffHeight, verdict.Note, "cuff_clamped",
			"a cuff of %s is taller than the leg, so the whole leg of %s is cuff.", d.Cuff.Height, cuff)
	}
	s.CuffRounds = s.Gauge.RoundsIn(cuff)
	if given := d.Cuff.Rounds; given != nil {
		s.CuffRounds = *given
	}
	all := s.Gauge.RoundsIn(d.Leg.Height)
	s.LegRounds = max(0, all-s.CuffRounds)
	if given := d.Leg.Rounds; given != nil {
		s.LegRounds = *given
	}
	if s.Heel.FlapRows > 0 {
		s.sizeLegAboveGusset(all)
	} else {
		s.sizeCorner(s.roundsAtCorner())
	}
	if s.LegRounds+s.CuffRounds+len(s.Heel.GussetRounds) == 0 {
		s.LegRounds = 1 // the heel's last turns must be settled before the bind-off
		s.Checks.Of(verdict.OnLeg, at.LegHeight, verdict.Caution, "no_leg",
			"with no leg at all one round is knitted after the heel, so that it can be bound off.")
	}
	s.placeAnkle()
	s.keepColumns()
	s.PlainRounds = s.plainRounds()
	s.sayCuff(cuff)
}

// sizeLegAboveGusset takes the gusset's rounds off the leg: it is counted from the turn.
// Leg rounds that were given come after it: it had the room it wanted, unless none were left.
func (s *Sock) sizeLegAboveGusset(all int) {
	if s.Design.Leg.Rounds != nil && s.LegRounds > 0 {
		s.planGusset(math.MaxInt)
		return
	}
	room := max(0, all-s.CuffRounds)
	s.planGusset(room)
	gusset := len(s.Heel.GussetRounds)
	if gusset > room {
		s.Checks.Say(verdict.OnHeel, verdict.Caution, "gusset_leg",
			"The gusset needs %s after the turn and the leg below its cuff has %d: the leg comes out taller by %s.",
			measure.Count(gusset, "round"), room, s.Gauge.Height(float64(gusset-room)))
	}
	s.LegRounds = max(0, room-gusset)
	if given := s.Design.Leg.Rounds; given != nil {
		s.LegRounds = *given
	}
}

// defaultPlainRounds come before a pattern when no corner stitches are held, so
// that nothing rubs at the back of the shoe.
const defaultPlainRounds = 3

// plainRounds is at least until the corner stitches are gone and the count is the leg's.
func (s *Sock) plainRounds() int {
	plain := max(defaultPlainRounds, s.Corner.lastRound())
	if given := s.Design.Leg.PlainRounds; given != nil {
		plain = *given
	}
	for _, c := range s.Ankle.legRounds {
		plain = max(plain, c.round)
	}
	return max(plain, s.Corner.lastRound())
}

// placeAnkle finds the rounds of the leg that change the count.
func (s *Sock) placeAnkle() {
	s.Ankle.After = s.AnkleStitches - s.Stitches - s.Ankle.Before
	if s.Heel.FlapRows > 0 {
		s.Ankle.After = s.AnkleStitches - s.afterGusset() // the gusset may have too few stitches for the leg
	}
	first := max(s.Corner.lastRound()+1+restAfterChange, 2)
	s.Ankle.legRounds = s.spreadAtAnyCost(s.Ankle.After, first)
	lost := s.Ankle.After
	from := first
	for _, c := range s.Ankle.legRounds {
		lost -= c.stitches
		from = c.round + 1 + restAfterChange
	}
	if lost != 0 && (s.AnkleStitches-lost)%s.cuffPattern().Repeat != 0 {
		s.growLeg(first)
		s.placeCalf(s.LegRounds + 1 + restAfterChange)
		return
	}
	if lost != 0 {
		s.clampLeg(lost)
		return
	}
	s.placeCalf(from)
}

// afterGusset is the count that the gusset leaves.
func (s *Sock) afterGusset() int {
	sides := s.Heel.PickedUp[0] + s.Heel.PickedUp[1] + 2*s.Heel.CornerStitches
	return min(s.Heel.Ring-s.Heel.Stitches+s.Heel.TurnStitches+sides, s.gussetTarget())
}

// spreadAtAnyCost finds rounds for the changes. Where the leg is short they
// come closer together, then more stitches change at once, and at last the
// corners do without their extra stitches.
func (s *Sock) spreadAtAnyCost(difference, first int) []change {
	if difference == 0 {
		return nil
	}
	for _, from := range []int{first, max(s.Corner.lastRound()+1, 2)} {
		// A round can lose at most half its stitches, so never more than the leg keeps.
		for most := 4; most < abs(difference)+4 && most <= s.AnkleStitches; most += 4 {
			list := changesOf(difference, most)
			if placed := s.spread(list, from, s.LegRounds, false); len(placed) == len(list) {
				if most > 4 {
					s.Checks.Say(verdict.OnAnkle, verdict.Caution, "ankle_hurried",
						"The leg is short: up to %d stitches change in one round.", most)
				}
				return placed
			}
		}
	}
	if s.Corner.PickUp == 0 {
		return nil
	}
	s.Corner = CornerPlan{}
	s.Checks.Say(verdict.OnCorners, verdict.Caution, "corner_no_room",
		"The leg is too short to pick up stitches at the corners of the heel and lose them again: close the holes with the tail instead.")
	return s.spreadAtAnyCost(difference, 2)
}

// clampLeg keeps the count where there is no round to change it in.
func (s *Sock) clampLeg(lost int) {
	wanted := s.LegStitches
	s.LegStitches = s.AnkleStitches - lost
	s.AnkleStitches, s.CalfStitches, s.Ankle.legRounds = s.LegStitches, s.LegStitches, nil
	s.Checks.Say(verdict.OnAnkle, verdict.Caution, "ankle_no_room",
		"There are too few rounds to change to %d stitches: the leg keeps %d.", wanted, s.LegStitches)
}

// growLeg adds the rounds that the leg lacks to change its count, where the cuff would not repeat in the count without them.
func (s *Sock) growLeg(first int) {
	rounds := s.LegRounds
	for s.Ankle.legRounds = nil; len(s.Ankle.legRounds) == 0; s.LegRounds++ {
		if list := changes(s.Ankle.After); len(s.spread(list, first, s.LegRounds, false)) == len(list) {
			s.Ankle.legRounds = s.spread(list, first, s.LegRounds, false)
			break
		}
	}
	s.Checks.Say(verdict.OnLeg, verdict.Caution, "leg_grown",
		"The leg is taller by %s, in which the count changes to %d: %s does not repeat in the %d that the heel leaves.",
		measure.Count(s.LegRounds-rounds, "round"), s.AnkleStitches, s.cuffPattern().Label, s.AnkleStitches-s.Ankle.After)
}

// placeCalf spreads pairs of increases evenly from the ankle to the widest place of the calf, or to the top of a leg that ends below it, and
// pairs of decreases from there to below the knee.
func (s *Sock) placeCalf(from int) {
	grow, narrow := (s.CalfStitches-s.AnkleStitches)/2, (s.CalfStitches-s.LegStitches)/2
	if grow == 0 && narrow == 0 {
		return
	}
	first, widest, last := from, s.LegRounds, s.LegRounds
	if list := s.stations(); len(list) > 1 {
		ankle, calf := max(from, s.roundAt(list[0].height)), min(s.LegRounds, s.roundAt(list[1].height))
		if calf-ankle+1 >= grow {
			first, widest = ankle, calf
		}
		if len(list) > 2 {
			last = min(last, max(s.roundAt(list[2].height), widest+abs(narrow)))
		}
	}
	if narrow == 0 {
		last = widest
	}
	up, upFits := pairs(grow, first, widest)
	down, downFits := pairs(-narrow, widest+1, last)
	if !downFits && s.LegStitches >= s.AnkleStitches {
		// It ends so little above the calf that no rounds are left to narrow in: it grows to the count under its cuff and no further.
		s.CalfStitches = s.LegStitches
		up, upFits = pairs((s.LegStitches-s.AnkleStitches)/2, first, widest)
		down, downFits = nil, true
	}
	if !upFits || !downFits {
		s.Checks.Say(verdict.OnLeg, verdict.Caution, "calf_no_room", "The leg has no rounds for %s at the calf: it keeps %d stitches.",
			measure.Count(2*(grow+abs(narrow)), "change"), s.AnkleStitches)
		s.CalfStitches, s.LegStitches = s.AnkleStitches, s.AnkleStitches
		return
	}
	s.Ankle.calfRounds = append(up, down...)
}

// pairs spreads so many pairs, negative ones going, evenly over the rounds from one to another; fits is false where there are too few.
func pairs(n, from, to int) (list []change, fits bool) {
	step := 2
	if n < 0 {
		n, step = -n, -2
	}
	room := to - from + 1
	if n > max(0, room) {
		return nil, false
	}
	for i := range n {
		list = append(list, change{from + i*room/n, step})
	}
	return list, true
}

// roundAt is the round of the leg at a height above the floor.
func (s *Sock) roundAt(height measure.Length) int {
	return s.Gauge.RoundsIn(max(0, height-s.HeelEnd())) - len(s.Heel.GussetRounds)
}

// sayCuff remarks on cuffs that are likely to roll.
func (s *Sock) sayCuff(height measure.Length) {
	const least, wide, better measure.Length = 38, 45, 50
	switch {
	case height > 0 && height < least:
		s.Checks.Of(verdict.OnCuff, at.CuffHeight, verdict.Note, "cuff_short", "a cuff under %s tends to roll outward.", least)
	case height > 0 && height < wide && s.LegStitches >= 72:
		s.Checks.Say(verdict.OnCuff, verdict.Note, "cuff_wide", "From 72 stitches up a cuff of about %s holds better.", better)
	}
}
