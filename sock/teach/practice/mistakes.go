package practice

import (
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/hands"
)

// worksWrong carries out the two commonest mistakes: a turned loop that is worked through its front, and a double stitch of which one leg alone
// is caught. The stitch stands as if it had been worked right, and shows what went wrong. False where nothing of that kind lies ahead.
func (l *learner) worksWrong(code needle.Code) (string, bool) {
	if code != needle.K && code != needle.P {
		return "", false
	}
	purls := code == needle.P
	next := l.m.Peek(0)
	wrong, text := hands.Wrong(0), ""
	switch {
	case next.Turned && next.Kind == needle.Plain && next.Wraps == 0:
		code = map[bool]needle.Code{true: needle.Ptbl, false: needle.Ktbl}[purls]
		wrong, text = hands.Twisted, "This loop lay with its leading leg behind and was worked through its front: its legs cross, and it is twisted shut. Through the back loop it lies open."
	case next.Kind == needle.Double:
		code = map[bool]needle.Code{true: needle.Pds, false: needle.Kds}[purls]
		wrong, text = hands.OneLeg, "Only one leg was caught: the other one lies as a loose strand before the stitch. Take it back, and put the needle through both."
	default:
		return "", false
	}
	if l.do(code) != nil {
		return "", false
	}
	l.wrong[int32(len(l.history.Loops())-1)] = wrong
	return text, true
}

// refusal says why a move cannot be made where the needle stands: by what lies there, else by what the move asks for.
func (l *learner) refusal(did, want Action) string {
	if l.m.Count() == 0 {
		return "Nothing is on the needles yet: cast on first."
	}
	if want == Unzip {
		return "What comes next is still in the waste yarn: take it on to the needle first."
	}
	next := l.m.Peek(0)
	switch works := did == Knit || did == Purl || did == Bind || did == Increase; {
	case next.Kind == needle.Double && (works || did == Twist):
		return "Two legs lie here for one stitch: put the needle through both."
	case next.Kind == needle.YarnOver && (works || did == Twist):
		return "Here the yarn of a turn lies over the needle: it goes together with the stitch beyond it."
	case next.Wraps > 0 && (works || did == Twist || did == Together):
		return "A wrap lies round the foot of this stitch and would stay in front: lift it on to the needle first."
	case next.Turned && works:
		return "This loop lies with its leading leg behind: it would twist shut. Work it through the back loop."
	case want == Lift && (works || did == Together || did == Twist):
		return "What the turn left would stay in front: lift it on to the needle first."
	}
	if why := asksFor[did]; why != "" {
		return why
	}
	return "The needle does not take that here. Take another move."
}

// asksFor is what a move needs that is not there.
var asksFor = map[Action]string{
	Together: "No two stitches lie here that can go together.",
	Twist:    "This loop lies as it should: through the back it would twist shut.",
	Lift:     "Nothing lies here that could be lifted.",
	Pick:     "No edge lies here along which to pick up.",
	Bind:     "Nothing is bound off in this row.",
	Over:     "No yarn-over can be laid here: one of a turn comes right after the turn.",
	Turn:     "The work has just been turned: work a stitch first.",
	Slip:     "There is nothing to slip: what lies next was worked already, or has to be worked.",
	Increase: "No stitch can be made out of what lies next.",
	Knit:     "What lies next cannot be knitted as it is.",
	Purl:     "What lies next cannot be purled as it is.",
}

// slipText names a slip and what it looks like.
func slipText(did, want Action, extra bool) string {
	if extra {
		if did == Purl {
			return "The yarn was behind: it went over the needle to the front, and a loop too many lies there. Bring it to the front between the tips first."
		}
		return "The yarn was in front: it went over the needle to the back, and a loop too many lies there. Bring it to the back between the tips first."
	}
	switch want {
	case Front, Back: // the yarn was to come there for a stitch
		return slipText(did, map[Action]Action{Front: Purl, Back: Knit}[want], false)
	case Over:
		if did == Knit || did == Purl {
			return "The yarn was not pulled over: the turn leaves a hole. After slipping, pull the yarn up and over the needle; in the yarn-over style lay it over right after turning."
		}
	case Pin:
		return "No pin hangs at this turn: its loop will be hard to find again. Hang the pin right after slipping."
	case Slip:
		return "The first stitch after a turn is slipped here. Worked, it leaves a hole at the turn."
	case Wrap:
		return "Turned without a wrap: a hole will show at the turn."
	case Turn:
		return "You went past the turn: one stitch too many is worked on this side."
	case Lift:
		return "What lies at the gap was left: it will show as a loose strand."
	case Together:
		return "Two belonged together here: the gap stays open, and the count is one too many."
	case Increase:
		return "No increase was made: the round will be a stitch short."
	case Pick:
		return "Nothing was picked up: the edge stays open here, and the count is short."
	case Bind:
		return "That one was not bound off: it stays on the needle."
	case Knit, Purl:
		switch did {
		case Turn:
			return "You turned too soon: the stitches up to the gap are still to be worked."
		case Knit, Purl:
			return "Knit and purl were taken for each other: a bump lies among the Vs, or a V among the bumps."
		case Together:
			return "Two were worked together: the count is one short."
		case Bind:
			return "A stitch was bound off that is still needed: the count is one short."
		case Increase, Lift, Over, Pick:
			return "A stitch was made that nobody asked for: the count is one too many."
		case Slip:
			return "A stitch was slipped that is worked here: a float lies behind it."
		}
	}
	return "That was not the move that comes here."
}
