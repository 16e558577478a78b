package advise

import (
	"acornstep/sock/design"
	"acornstep/sock/knit"
)

// text makes a field whose values are names.
func text(name, label string, at func(*design.Design) *string, here func(*words) string, ways ...way) field {
	return field{
		name: name, label: label, ways: ways, here: here,
		set: func(d *design.Design, value any) { *at(d) = value.(string) },
		get: func(d *design.Design) any { return *at(d) },
	}
}

func (f field) when(asked func(*design.Design) bool) field { f.asked = asked; return f }

func (f field) choosing(best func(*design.Design, []*knit.Sock) (int, string)) field {
	f.best = best
	return f
}

func (f field) setting(set func(*design.Design, any)) field { f.set = set; return f }

func wedge(d *design.Design) bool     { return d.Toe.Kind == "wedge" }
func shortRows(d *design.Design) bool { return d.Heel.Kind == "short_row" }
func notFlap(d *design.Design) bool   { return d.Heel.Kind != "flap_under" }
func turned(d *design.Design) bool    { return notFlap(d) || d.Toe.Kind == "short_row" }

// fields are the decisions in the order of the work, the default of the school first.
var fields = []field{
	{
		name: "fit.multiple", label: "Count in", here: roundHere,
		ways: []way{{4, "Fours", "both needles have the same even count"}, {2, "Twos", "closest to the foot"}, {6, "Sixes", "for a pattern over six"}, {8, "Eights", "for a pattern over eight"}},
		set:  func(d *design.Design, value any) { d.Fit.Multiple, d.Stitches = value.(int), nil },
		get:  func(d *design.Design) any { return d.Fit.Multiple },
	},
	text("toe.kind", "Kind of toe", func(d *design.Design) *string { return &d.Toe.Kind }, toeHere,
		way{"wedge", "Wedge", "smooth, two lines of increases at the sides"},
		way{"garter_square", "Garter square", "straight on at the full count; bumpy inside"},
		way{"short_row", "Short rows", "a cup like the heel's, from a provisional cast-on"},
	).choosing(bestToe).setting(func(d *design.Design, value any) {
		d.Toe.Kind, d.Toe.CastOn = value.(string), "magic"
		if d.Toe.Kind == "short_row" {
			d.Toe.CastOn = "provisional"
		}
	}),
	text("toe.start", "Begins with", func(d *design.Design) *string { return &d.Toe.Start }, toeHere,
		way{"half", "Half the stitches", "flat and wide, increases every other round"},
		way{"rounded", "A third, rounded", "quick at first, follows round toes"},
		way{"fitted", "Fitted to the toes", "as deep as these toes"},
	).when(wedge).setting(func(d *design.Design, value any) {
		d.Toe.Start, d.Toe.StartStitches, d.Toe.FastRounds = value.(string), nil, nil
	}),
	text("toe.cast_on", "Cast-on", func(d *design.Design) *string { return &d.Toe.CastOn }, toeHere,
		way{"magic", "Magic, loops in turn", "no seam, and nothing to tighten later"},
		way{"turkish", "Turkish, wound", "fewest movements; the side stitch is loose"},
		way{"figure_eight", "Figure eight", "simple; the middle is tightened afterwards"},
	).when(func(d *design.Design) bool { return d.Toe.Kind != "short_row" }),
	text("toe.start_loop", "First loop", func(d *design.Design) *string { return &d.Toe.StartLoop }, toeHere,
		way{"twist", "From a twist", "no knot in the toe"},
		way{"slip_knot", "From a slip knot", "holds at once; a small knot"},
		way{"plain", "No loop turned", "where your loops all lie right: look first"},
	).when(func(d *design.Design) bool { return d.Toe.Kind != "short_row" }),
	text("toe.increase", "Increases", func(d *design.Design) *string { return &d.Toe.Increase }, toeHere,
		way{"kfb", "kfb", "each bump counts an increase round"},
		way{"kfb_mirrored", "kfb, mirrored", "the bumps lie alike on both sides"},
		way{"m1", "Made stitches", "no bumps; slants to count by"},
	).when(wedge),
	text("foot_length.school", "Foot length by", func(d *design.Design) *string { return &d.FootLength.School }, footHere,
		way{"exact", "Toe's and heel's own rows", "counts what is really knitted"},
		way{"thumb", "Rule of thumb", "an inch for the toe, an inch for the heel"},
	),
	text("foot_length.sole", "Sole", func(d *design.Design) *string { return &d.FootLength.Sole }, footHere,
		way{"stockinette", "Smooth outside", "as everywhere else"},
		way{"reverse", "Smooth inside", "for skin that dislikes purl bumps"},
	),
	text("heel.kind", "Kind of heel", func(d *design.Design) *string { return &d.Heel.Kind }, heelHere,
		way{"short_row", "Short rows", "least yarn, nothing interrupts a pattern"},
		way{"flap_under", "Flap below", "a padded sole of the heel, and a gusset"},
		way{"gusset_turn", "Gusset first", "most room for a high instep"},
	).choosing(bestHeel).setting(func(d *design.Design, value any) {
		if kind := value.(string); kind != d.Heel.Kind {
			d.Heel = reset(d.Heel, kind, d.Heel.Fabric, d.Heel.Share, d.Heel.Turn)
		}
	}),
	text("heel.turn", "Turning style", func(d *design.Design) *string { return &d.Heel.Turn }, turnsHere,
		way{"german", "Double stitch (German)", "quick, and the doubles count themselves"},
		way{"wrap", "Wrap and turn", "well hidden, if each wrap is lifted"},
		way{"yarn_over", "Yarn-over", "nothing to lift; never forget the yarn-over"},
		way{"pinned", "Pinned (Japanese)", "the neatest gap; needs pins"},
		way{"lift", "Slip and lift", "least bulk"},
	).when(turned).setting(func(d *design.Design, value any) {
		d.Heel.Turn, d.Heel.RoundsBetween, d.Heel.FirstRow = value.(string), nil, nil
	}),
	{
		name: "heel.share", label: "Worked over", here: turnsHere, asked: shortRows,
		ways: []way{{0.5, "Half the stitches", "the usual heel"}, {0.6, "60 %", "spreads the bend, roomier"}, {0.65, "65 %", "roomier still"}, {0.7, "70 %", "padded and wide, with garter"}},
		set: func(d *design.Design, value any) {
			d.Heel.Share, d.Heel.Stitches, d.Heel.TurnsPerSide = value.(float64), nil, nil
		},
		get: func(d *design.Design) any { return d.Heel.Share },
	},
	text("heel.fabric", "Heel fabric", func(d *design.Design) *string { return &d.Heel.Fabric }, heelHere,
		way{"stockinette", "Stockinette", "smooth, like the rest"},
		way{"garter", "Garter", "gives more, wears harder, ridges inside"},
	).when(shortRows),
	{
		name: "heel.rounds_between", label: "Rounds between the halves", here: deepHere,
		asked: func(d *design.Design) bool { return shortRows(d) && !d.HeelHasOwnStrand() },
		ways:  []way{{nil, "As the style has it", "one in the German style, none in the others"}, {0, "None: stacked", "shallower by half a round"}, {1, "One round", "all turns are settled in it"}, {2, "Two rounds", "deeper"}},
		set: func(d *design.Design, value any) {
			d.Heel.RoundsBetween = nil
			if n, given := value.(int); given {
				d.Heel.RoundsBetween = &n
			}
		},
		get: func(d *design.Design) any {
			if d.Heel.RoundsBetween == nil {
				return nil
			}
			return *d.Heel.RoundsBetween
		},
	},
	{
		name: "heel.first_row", label: "First row of the heel", here: deepHere,
		asked: func(d *design.Design) bool { return notFlap(d) && !d.HeelHasOwnStrand() },
		ways:  []way{{nil, "As the style begins", "wrong side in the German style, right side in the others"}, {"RS", "Right side", "knit over the sole first"}, {"WS", "Wrong side", "turn where the round ends"}},
		set: func(d *design.Design, value any) {
			d.Heel.FirstRow = nil
			if side, given := value.(string); given {
				d.Heel.FirstRow = &side
			}
		},
		get: func(d *design.Design) any {
			if d.Heel.FirstRow == nil {
				return nil
			}
			return *d.Heel.FirstRow
		},
	},
	text("corner.method", "Corners", func(d *design.Design) *string { return &d.Corner.Method }, cornerHere,
		way{"outer_legs", "Pick up outer legs", "closes the hole with fabric that is there"},
		way{"lift", "Lift one loop", "quick; tug it first"},
		way{"wrap_instep", "Wrap the instep", "no extra stitches; two wraps to lift"},
	),
	text("ankle.change", "The count changes", func(d *design.Design) *string { return &d.Ankle.Change }, ankleHere,
		way{"after_heel", "After the heel", "the heel has the foot's count"},
		way{"before_heel", "Before the heel", "the heel has the leg's count"},
		way{"split", "Half and half", "between the two"},
		way{"none", "Not at all", "the leg keeps the foot's count"},
	),
	text("ankle.place", "Where it changes", func(d *design.Design) *string { return &d.Ankle.Place }, ankleHere,
		way{"sides", "At the sides", "two on each side"},
		way{"spread", "Spread round", "least to be seen"},
		way{"back", "All in the back", "where the instep has a pattern"},
	),
	pattern("leg.pattern", "Pattern of the leg", func(d *design.Design) *string { return &d.Leg.Pattern }, legHere, false),
	pattern("leg.instep_pattern", "Pattern on the instep", func(d *design.Design) *string { return &d.Leg.InstepPattern }, footHere, false),
	pattern("cuff.pattern", "Pattern of the cuff", func(d *design.Design) *string { return &d.Cuff.Pattern }, cuffHere, true),
	text("bind_off", "Bind-off", func(d *design.Design) *string { return &d.BindOff }, bindOffHere,
		way{"k2tog", "Two together", "stretchy, and as quick as a plain one"},
		way{"yarn_over", "With yarn-overs", "stretchier; ruffles when loose"},
		way{"sewn", "Sewn", "as elastic as the cast-on; needs a long tail"},
	),
	text("needles", "Needles", func(d *design.Design) *string { return &d.Needles }, needlesHere,
		way{"magic_loop", "Magic loop", "one long circular, two halves"},
		way{"two_circulars", "Two circulars", "each half has its own"},
		way{"dpn4", "Four double-pointed", "three hold, one knits"},
		way{"dpn5", "Five double-pointed", "four hold, one knits"},
		way{"short_circular", "Short circular", "round and round, with markers"},
	),
}

// pattern makes a field of the pattern book; a cuff is not left plain.
func pattern(name, label string, at func(*design.Design) *string, here func(*words) string, cuff bool) field {
	var ways []way
	for _, p := range knit.Patterns {
		if cuff && p.Name == "stockinette" {
			continue
		}
		reason := "does not draw in"
		switch {
		case p.Width < 0.85:
			reason = "draws in and holds the leg up"
		case p.Width < 1:
			reason = "draws in a little"
		case p.Width > 1:
			reason = "widens a little"
		}
		if p.Shoe != "" && !cuff {
			reason = p.Shoe
		}
		ways = append(ways, way{p.Name, p.Label, reason})
	}
	return text(name, label, at, here, ways...)
}
