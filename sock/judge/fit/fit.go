// Package fit holds a sock against the foot: how far it stretches at each
// place, and whether that is sensible.
package fit

import (
	"fmt"
	"math"

	"acornstep/sock/cloth/body"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
)

// Place is one girth of the foot and the sock's there.
type Place struct {
	// Name is toes, ball, arch, heel, ankle, cuff or calf.
	Name string `json:"name"`
	// Label is what it is called beside a figure, Said in a sentence.
	Label string `json:"label"`
	Said  string `json:"said"`
	// Foot and Sock are girths; the sock's is relaxed.
	Foot measure.Length `json:"foot_mm"`
	Sock measure.Length `json:"sock_mm"`
	// StretchPct is how far the sock stretches there; LowPct to HighPct is sensible.
	StretchPct float64 `json:"stretch_pct"`
	LowPct     float64 `json:"low_pct"`
	HighPct    float64 `json:"high_pct"`
	// Estimated: the foot's girth there was not measured.
	Estimated bool          `json:"estimated"`
	Level     verdict.Level `json:"level"`
	// Word is how it sits, in one word that every screen uses: slack, sits, snug or tight.
	Word string `json:"word" enum:"slack,sits,snug,tight"`
	// Text is what a knowing friend would say.
	Text string `json:"text"`
}

// Sensible negative ease of the stitches round a foot: of plain fabric, and the most of a foot that is ribbed all round.
const (
	leastEase      = 0.05
	mostEase       = 0.15
	mostRibbedEase = 0.20
)

// Of judges a sock that was measured without a stop.
func Of(s *knit.Sock) []Place {
	d := s.Design
	wearer, g := &d.Foot, s.Gauge
	round := g.Girth(float64(s.Stitches))
	drawn, most := s.FootGirth(), mostEase
	if s.InstepWidth() < 1 { // halfway to a foot that is ribbed all round
		most = (mostEase + mostRibbedEase) / 2
	}
	toes := drawn
	if s.Toe.Length >= wearer.ToeDepth { // the pattern begins behind them
		toes = round
	}
	places := []Place{
		stretch("toes", body.ToesShare*wearer.BallGirth, toes, Stretch(round, toes), Stretch(round, toes*(1-measure.Length(most))), true),
		stretch("ball", wearer.BallGirth, drawn, Stretch(round, drawn*(1-leastEase)), Stretch(round, drawn*(1-measure.Length(most))),
			wearer.Guessed("ball_girth_mm")),
		stretch("arch", body.ArchShare*wearer.BallGirth, drawn, Stretch(round, drawn), Stretch(round, drawn*(1-measure.Length(most))),
			true),
		Heel(s),
		Ankle(s),
		cuff(stretch("cuff", wearer.HeelDiagonal, g.Girth(float64(s.LegStitches)), 0, 100*(knit.PassCaution-1),
			wearer.Guessed("heel_diagonal_mm"))),
	}
	if wearer.CalfGirth != nil && wearer.CalfHeight != nil && s.HeelEnd()+d.Leg.Height >= *wearer.CalfHeight {
		places = append(places, leg(s, "calf", *wearer.CalfGirth, s.CalfStitches, false))
		if top := s.CuffBegins(); top > *wearer.CalfHeight {
			places = append(places, leg(s, "knee", s.GirthAt(top), s.LegStitches, wearer.KneeGirth == nil || wearer.KneeHeight == nil))
		}
	}
	return places
}

// Heel is the place over the instep and round the point of the heel.
func Heel(s *knit.Sock) Place {
	foot, limit := s.Design.Foot, 100*s.HeelStretch()
	return heel(stretch("heel", foot.HeelDiagonal, s.HeelGirth(), 0, knit.EasyShare*limit, foot.Guessed("heel_diagonal_mm")), limit)
}

// Ankle is the place where the leg is thinnest.
func Ankle(s *knit.Sock) Place {
	foot := s.Design.Foot
	return leg(s, "ankle", foot.AnkleGirth, s.AnkleStitches, foot.Guessed("ankle_girth_mm"))
}

// leg is a place of the leg, which stretches as its pattern does.
func leg(s *knit.Sock, name string, girth measure.Length, stitches int, guessed bool) Place {
	return stretch(name, girth, s.Gauge.Girth(float64(stitches))*measure.Length(s.LegWidth()), 0, 100*s.LegGives(), guessed)
}

// Stretch is how far a sock has to stretch to go round a foot, in percent of its own girth.
func Stretch(foot, sock measure.Length) float64 { return 100 * float64(foot/sock-1) }

// called are the places as people call them.
var called = map[string]struct{ label, said string }{
	"toes": {"toes", "the toes"}, "ball": {"ball", "the ball of the foot"}, "arch": {"arch", "the arch"},
	"heel":  {"instep", "the instep and heel"},
	"ankle": {"ankle", "the ankle"}, "cuff": {"over heel", "the cuff over the heel"}, "calf": {"calf", "the calf"},
	"knee": {"below the knee", "the place below the knee"},
}

func stretch(name string, foot, sock measure.Length, low, high float64, estimated bool) Place {
	p := Place{Name: name, Label: called[name].label, Said: called[name].said, Foot: foot, Sock: sock, StretchPct: Stretch(foot, sock),
		LowPct: low, HighPct: high, Estimated: estimated, Level: verdict.Note, Word: "sits"}
	switch {
	case p.StretchPct < low-0.05:
		p.Level, p.Word, p.Text = verdict.Caution, "slack", "It hardly stretches here: it may sag."
		if estimated {
			p.Level, p.Text = verdict.Note, "Roomy here, if the guess is right."
		}
	case p.StretchPct > high+0.05:
		p.Level, p.Word, p.Text = verdict.Caution, "tight", "It is tight here."
	default:
		p.Text = "It sits well."
	}
	return p
}

// heel knows two limits: up to the first it goes on easily, up to the second it is snug.
func heel(p Place, limit float64) Place {
	switch {
	case p.StretchPct > limit:
		p.Level, p.Word = verdict.Caution, "tight"
		p.Text = fmt.Sprintf("Tight: the fabric gives %.0f %%, and it will pull the heel down.", limit)
	case p.StretchPct > p.HighPct:
		p.Level, p.Word, p.Text = verdict.Note, "snug", "Snug over the instep."
	case p.StretchPct < 0:
		p.Level, p.Word, p.Text = verdict.Note, "slack", "Roomy round the heel."
	}
	return p
}

func cuff(p Place) Place {
	switch {
	case p.StretchPct > 100*(knit.PassStop-1):
		p.Level, p.Word, p.Text = verdict.Stop, "tight", "It cannot be pulled on over the heel."
	case p.StretchPct > p.HighPct:
		p.Level, p.Word, p.Text = verdict.Caution, "tight", "It is hard to pull on over the heel."
	default:
		p.Text = "It goes over the heel."
	}
	return p
}

// Misfit sums up how far the places lie outside their sensible range, in
// percent points; 0 fits everywhere. Cuff and heel count by their own limits. What is guessed recommends nothing.
func Misfit(places []Place) float64 {
	sum := 0.0
	for _, p := range places {
		if p.Estimated {
			continue
		}
		sum += math.Max(0, p.StretchPct-p.HighPct) + math.Max(0, p.LowPct-p.StretchPct)
	}
	return sum
}
