package hands

import "slices"

// work is what lies on two needles with their tips together, and where the yarn is. Verbs change it, one after the other: so the loops of a
// picture are those of the one before it but for what was done to them.
type work struct {
	// left and right are the loops on each needle, from its tip outward.
	left, right []loop
	// purls: the purl side faces the knitter.
	purls bool
	// entered is how the right needle went into loops of the left one, taken into how many; both stay while a new loop is drawn through them.
	entered way
	taken   int
	// yarn is where the strand to the hand is.
	yarn yarnAt
	// under: the right needle went under the wraps of the loops that it entered, from below.
	under bool
	// wrapOnly: it is under the wrap, and not in the loop yet.
	wrapOnly bool
	// moved: a loop came to the right needle, and nothing was entered since: its tip lies a loop farther to the left.
	moved bool
	// bar: the strand below the gap between the needles is looked at.
	bar bool
	// turnedAt is the loop that was worked last before a turn: the strand to the hand comes from it until another is worked; 0 for none.
	turnedAt int
	// flat: the right needle lies flatter, in a wider picture.
	flat bool
	// sewn: a blunt needle sews, no right needle is there.
	sewn bool
	// last numbers the loops.
	last int
	// extra is what is drawn beside: arrows, rings, pins, fingers. It belongs to one step.
	extra []func(*work) []body
}

// loop is what hangs on a needle.
type loop struct {
	id   int
	part Part
	kind loopKind
	// purl: it lies above a purl bump, as it is seen.
	purl bool
	// turned: its leading leg is behind the needle.
	turned bool
	// wraps lie round its foot.
	wraps int
	// from is what it was made of.
	from source
	// low is how many steps of a gap its fabric lies lower, and how many lie between it and the tip.
	low int
	// below are the loops that it was drawn through.
	below []loop
}

type loopKind uint8

const (
	stitch   loopKind = iota
	double            // a stitch with two legs over the needle
	over              // a yarn-over: nothing below it
	lifted            // a strand that was lifted on to the needle
	wrapOver          // a wrap that was lifted on to the left needle
	marker            // hangs on the needle and is no loop
	place             // nothing: a place left empty
)

// source is how a loop came about.
type source uint8

const (
	_ source = iota // as stitches are
	// Two together: the one that leans to the right, or to the left, lies before.
	leaning
	leaningL
	// A strand, twisted: the leg before leans to the left, or to the right.
	crossed
	crossedR
	barred  // the second loop of a stitch: a bar lies at its foot
	slipped // as it is, over a row
	chained // along an edge
	laid    // cast on: the loops of the other half hang below
	twisted // through the wrong leg: its legs cross
	oneLeg  // of a stitch with two legs one alone: a strand lies loose before it
)

// yarnAt is where the strand to the hand is.
type yarnAt uint8

const (
	none yarnAt = iota
	behind
	inFront
	// roundTip: it was laid round the tip of the right needle.
	roundTip
	// drawnThrough: a new loop hangs on the right needle, its foot is in the old one still.
	drawnThrough
	// overBack and overFront: it lies over the right needle, to the back or to the front.
	overBack
	overFront
	// pulled: it pulls a stitch over the needle; pulledRound: and comes round to the front again.
	pulled
	pulledRound
	// toFront and toBack: on its way between the tips.
	toFront
	toBack
	// wrapping: it goes round the first loop on the right needle.
	wrapping
)

// way is how the right needle goes into a loop of the left one.
type way uint8

const (
	out way = iota
	// knitwise goes from the front to the back, in front of the right leg and behind the left one.
	knitwise
	// purlwise stays in front of the needle, behind the right leg.
	purlwise
	// backLoop stays behind the needle.
	backLoop
	// fromBehind comes round from behind to the front.
	fromBehind
)

// back says whether a loop that is drawn so goes to the back of the work: it is purled.
func (w way) back() bool { return w == purlwise || w == fromBehind }

// on lays loops on two needles, each list counted from the tips outward, with the yarn where the next stitch needs it.
//
// A letter is a loop with the fabric below it: v a knit stitch, b a purl bump; V and B the same of the row at hand; t sits with its leading leg
// behind; s was slipped over a row; d is a double stitch, w wrapped, W wrapped twice, u a wrap that was lifted on to the needle, U the same turned,
// y a yarn-over, g a lifted strand, e the chain at an edge; r and l were worked together and lean right or left, i was made of the bar below, f
// has the bar of a second loop; c is in another yarn; n was cast on, T the same turned. | is a marker, / the gap of a turn, _ a place left empty.
func on(purls bool, left, right string) work {
	w := work{purls: purls, yarn: behind}
	if purls {
		w.yarn = inFront
	}
	w.left, w.right = w.read(left), w.read(right)
	return w
}

// rs and ws lay loops with the right or the wrong side in front.
func rs(left, right string) work { return on(false, left, right) }
func ws(left, right string) work { return on(true, left, right) }

func (w *work) read(letters string) []loop {
	var list []loop
	low := 0
	for _, letter := range letters {
		l := loop{part: Yarn, purl: w.purls, low: low}
		switch letter {
		case '/':
			low++
			continue
		case 'v':
			l.purl = false
		case 'b':
			l.purl = true
		case 'V':
			l.part, l.purl = Now, false
		case 'B':
			l.part, l.purl = Now, true
		case 't':
			l.turned = true
		case 'n', 'T':
			l.from, l.turned = laid, letter == 'T'
		case 's':
			l.from = slipped
		case 'd':
			l.kind, l.part = double, About
		case 'w':
			l.wraps = 1
		case 'W':
			l.wraps = 2
		case 'u', 'U':
			l.kind, l.part, l.turned = wrapOver, About, letter == 'U'
		case 'y':
			l.kind, l.part = over, About
		case 'g':
			l.kind, l.part = lifted, About
		case 'e':
			l.from = chained
		case 'r':
			l.part, l.from = Now, leaning
		case 'l':
			l.part, l.from = Now, leaningL
		case 'i':
			l.part, l.from = Now, crossed
		case 'f':
			l.part, l.from = Now, barred
		case 'c':
			l.part = Other
		case '|':
			l.kind = marker
		case '_':
			l.kind = place
		}
		list = append(list, w.named(l))
	}
	return list
}

// named gives a loop its number.
func (w *work) named(l loop) loop {
	w.last++
	l.id = w.last
	return l
}

// told is a step before it is drawn.
type told struct {
	text  string
	verbs []verb
	// from is what lies on the needles anew, where the view goes to another place; nil where it goes on.
	from *work
	// other is a picture of something else.
	other scene
}

// do is a step that goes on from the one before.
func do(text string, verbs ...verb) told { return told{text: text, verbs: verbs} }

// cut is a step at another place of the row.
func cut(text string, from work, verbs ...verb) told { return told{text, verbs, &from, nil} }

// see is a step that shows something else than two tips.
func see(text string, s scene) told { return told{text: text, other: s} }

// shown carries the steps of a move out from what lies on the needles, and has a picture of each.
func shown(from work, steps ...told) []Step {
	w := from
	var list []Step
	for _, t := range steps {
		if t.other != nil {
			list = append(list, Step{Text: t.text, draw: t.other})
			continue
		}
		goesOn := t.from == nil && len(list) > 0 && list[len(list)-1].at != nil
		if t.from != nil {
			w = *t.from
		}
		w.left, w.right, w.extra = slices.Clone(w.left), slices.Clone(w.right), nil
		for _, v := range t.verbs {
			v(&w)
		}
		now := w
		now.left, now.right = slices.Clone(w.left), slices.Clone(w.right)
		step := Step{Text: t.text, draw: now.draw, at: &now, goesOn: goesOn}
		if len(list) == 0 {
			step.from = &from
		}
		list = append(list, step)
	}
	return list
}
