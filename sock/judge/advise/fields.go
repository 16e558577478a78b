package advise

import (
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// these are ways that are written down here.
func these(ways ...way) func(*design.Design) []way {
	return func(*design.Design) []way { return ways }
}

// listed are the ways of a field for which techniques are listed, without those that no design of this sock may choose.
func listed(field at.Path, leaving ...string) func(*design.Design) []way {
	return func(*design.Design) []way {
		var ways []way
		for _, kind := range knit.Kinds {
			if kind.Field != field {
				continue
			}
			for _, t := range kind.List() {
				if a := t.About(); len(leaving) == 0 || a.Name != leaving[0] {
					ways = append(ways, way{a.Name, a.Label, a.Reason})
				}
			}
		}
		return ways
	}
}

// patterns are the ways of a field that names a stitch pattern, those that the design brings along among them; a cuff is not left plain.
func patterns(cuff bool) func(*design.Design) []way {
	return func(d *design.Design) []way {
		var ways []way
		for _, p := range pattern.All(d.Patterns) {
			if cuff && p.Plain() {
				continue
			}
			reason := p.Draws()
			if p.Shoe != "" && !cuff {
				reason = p.Shoe
			}
			ways = append(ways, way{p.Name, p.Label, reason})
		}
		return ways
	}
}

// mainYarn says that the heel is knitted with the sock's own strand.
func mainYarn(d *design.Design) bool { return !d.HeelHasOwnStrand() }

// twoNeedles says that the toe may begin with more than one cast-on.
func twoNeedles(d *design.Design) bool { return d.Uses(at.ToeStartLoop) }

// oddSquare says that a garter square meets a count that leaves two of a multiple of four.
func oddSquare(d *design.Design) bool {
	return d.Uses(at.ToeOdd) && knit.Measure(d).Stitches%4 == 2
}

// slipStitches says that the heel has a flap whose slip stitches can go on.
func slipStitches(d *design.Design) bool { return d.Uses(at.HeelSlipColumns) }

// ribbedLeg says that the leg has a rib, which can run in panels.
func ribbedLeg(d *design.Design) bool {
	p := pattern.Find(d.Leg.Pattern, d.Patterns)
	return p != nil && p.Rib()
}

// roundsBetween are the full rounds between the halves of a heel, as it comes out.
func roundsBetween(s *knit.Sock) string {
	if s.Heel.RoundsBetween == 0 {
		return "none"
	}
	return measure.Count(s.Heel.RoundsBetween, "round")
}

// firstSide is the side of the first row of a heel, as it comes out.
func firstSide(s *knit.Sock) string {
	if s.HeelBegins() == needle.WS {
		return "on the wrong side"
	}
	return "on the right side"
}

// fields are the decisions in the order of the work, the default of the school first.
var fields = []field{
	{name: at.FitMultiple, part: "round", phrase: "counted in", label: "Count in", here: roundHere, ways: these(
		way{4, "Fours", "both needles have the same even count"}, way{2, "Twos", "closest to the foot"},
		way{6, "Sixes", "for a pattern over six"}, way{8, "Eights", "for a pattern over eight"})},
	{name: at.ToeKind, part: "toe", label: "Kind of toe", here: toeHere, ways: listed(at.ToeKind)},
	{name: at.ToeStart, part: "toe", phrase: "begins with", label: "Begins with", here: toeHere, ways: these(
		way{"half", "Half the stitches", "flat and wide, increases every other round"},
		way{"rounded", "A third, rounded", "quick at first, follows round toes"},
		way{"fitted", "Fitted to the toes", "as deep as these toes"})},
	{name: at.ToeCastOn, part: "toe", phrase: "cast on", label: "Cast-on", here: toeHere, ways: listed(at.ToeCastOn, "provisional"),
		asked: twoNeedles},
	{name: at.ToeStartLoop, part: "toe", phrase: "its first loop", label: "First loop", here: toeHere, ways: these(
		way{"twist", "From a twist", "no knot in the toe"},
		way{"slip_knot", "From a slip knot", "holds at once; a small knot"},
		way{"laid", "From a loop that is laid", "nothing to undo; all of needle 2 through the back"},
		way{"plain", "No loop turned", "where your loops all lie right: look first"})},
	{name: at.ToeIncrease, part: "toe", phrase: "increased by", label: "Increases", here: toeHere, ways: these(
		way{"kfb", "kfb", "each bump counts an increase round"},
		way{"kfb_mirrored", "kfb, mirrored", "the bumps lie alike on both sides"},
		way{"m1", "Made stitches", "no bumps; slants to count by"})},
	{name: at.ToeOdd, part: "toe", phrase: "two more than fours:", label: "Two more than fours", here: toeHere, asked: oddSquare,
		ways: these(
			way{"ridge", "One ridge more", "the square is two rows longer"},
			way{"pair", "One stitch in each half", "made in the round that picks up"})},
	{name: at.FootLengthSchool, part: "length", phrase: "reckoned by", label: "Foot length by", here: footHere, ways: these(
		way{"exact", "Toe's and heel's own rows", "counts what is really knitted"},
		way{"thumb", "Rule of thumb", "so much for each, typed below: with most 4 to 5 cm (1½ to 2 in)"},
		way{"from_sock", "A sock that fits", "measure its toe and its heel, and type them below"})},
	{name: at.FootLengthSole, part: "length", phrase: "sole", label: "Sole", here: footHere, ways: these(
		way{"stockinette", "Smooth outside", "as everywhere else"},
		way{"reverse", "Smooth inside", "for skin that dislikes purl bumps"})},
	{name: at.HeelKind, part: "heel", label: "Kind of heel", here: heelHere, ways: listed(at.HeelKind)},
	{name: at.HeelTurn, part: "heel", phrase: "turned with", label: "Turning style", here: turnsHere, ways: listed(at.HeelTurn)},
	{name: at.HeelShare, part: "heel", phrase: "over", label: "Worked over", here: turnsHere, ways: these(
		way{0.5, "Half the stitches", "the usual heel"}, way{0.6, "60 %", "spreads the bend, roomier"},
		way{0.65, "65 %", "roomier still"}, way{0.7, "70 %", "padded and wide, with garter"})},
	{name: at.HeelFabric, part: "heel", phrase: "in", label: "Heel fabric", here: heelHere, ways: these(
		way{"stockinette", "Stockinette", "smooth, like the rest"},
		way{"garter", "Garter", "gives more, wears harder, ridges inside"})},
	{name: at.HeelRoundsBetween, part: "heel", phrase: "between the halves", label: "Rounds between the halves", here: deepHere,
		comes: roundsBetween, asked: mainYarn, ways: these(
			way{nil, "As the style has it", "one in the German style, none in the others"},
			way{0, "None: stacked", "shallower by half a round"}, way{1, "One round", "all turns are settled in it"},
			way{2, "Two rounds", "deeper"})},
	{name: at.HeelFirstRow, part: "heel", phrase: "first row", label: "First row of the heel", here: deepHere, comes: firstSide,
		asked: mainYarn, ways: these(
			way{nil, "As the style begins", "wrong side in the German style, right side in the others"},
			way{"RS", "Right side", "knit over the sole first"}, way{"WS", "Wrong side", "turn where the round ends"})},
	{name: at.HeelSlipColumns, part: "heel", phrase: "slip stitches", label: "Slip stitches", here: heelHere, asked: slipStitches,
		ways: these(
			way{"flap", "On the flap", "they end where the turn begins"},
			way{"turn", "Through the turn", "grips a narrow heel, wears harder"},
			way{"back", "And up the back", "every second round, to the leg"})},
	{name: at.RoundStart, part: "heel", phrase: "the round begins", label: "The round begins", here: heelHere, asked: slipStitches,
		ways: these(
			way{"instep", "At the instep", "as on the foot"},
			way{"centre_back", "At the centre of the back", "both sides of the gusset in one sweep"},
			way{"columns", "Where the heel's columns begin", "the strengthening comes first in each round"})},
	{name: at.CornerMethod, part: "corners", label: "Corners", here: cornerHere, ways: listed(at.CornerMethod)},
	{name: at.AnkleChange, part: "ankle", phrase: "the count changes", label: "The count changes", here: ankleHere, ways: these(
		way{"after_heel", "After the heel", "the heel has the foot's count"},
		way{"before_heel", "Before the heel", "the heel has the leg's count"},
		way{"split", "Half and half", "between the two"},
		way{"none", "Not at all", "the leg keeps the foot's count"})},
	{name: at.AnklePlace, part: "ankle", phrase: "where", label: "Where it changes", here: ankleHere, ways: these(
		way{"sides", "At the sides", "two on each side"},
		way{"spread", "Spread round", "least to be seen"},
		way{"back", "All in the back", "where the instep has a pattern"})},
	{name: at.LegPattern, part: "leg", label: "Pattern of the leg", here: legHere, ways: patterns(false)},
	{name: at.LegPanels, part: "leg", phrase: "the rib runs", label: "The rib runs", here: legHere, asked: ribbedLeg, ways: these(
		way{"all", "All round", "holds best"},
		way{"front", "In front", "the instep's columns go on"},
		way{"back", "At the back", "holds, and the front lies smooth"},
		way{"sides", "On each side", "a third of the leg, between plain columns"})},
	{name: at.LegInstepPattern, part: "length", phrase: "on the instep", label: "Pattern on the instep", here: footHere,
		ways: patterns(false)},
	{name: at.CuffPattern, part: "cuff", label: "Pattern of the cuff", here: cuffHere, ways: patterns(true)},
	{name: at.BindOff, part: "cuff", phrase: "bound off", label: "Bind-off", here: bindOffHere, ways: listed(at.BindOff)},
	{name: at.Needles, part: "needles", label: "Needles", here: needlesHere, ways: these(
		way{"magic_loop", "Magic loop", "one long circular, two halves"},
		way{"two_circulars", "Two circulars", "each half has its own"},
		way{"dpn4", "Four double-pointed", "three hold, one knits"},
		way{"dpn5", "Five double-pointed", "four hold, one knits"},
		way{"short_circular", "Short circular", "round and round, with markers"})},
}
