// Package note words what rows say beside their stitches. What a note states of the fabric is a value that is worded here and read back
// from the words, so that somebody who did not write it can look it up; whatever else a note says is advice, and states nothing.
package note

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"acornstep/sock/figures/measure"
)

// Code says what kind of thing a fact is.
type Code string

// What notes state of the row before which they stand.
const (
	// FirstIsRight: of a cast-on whose second half lies turned, the first loop is not.
	FirstIsRight Code = "first is right"
	// LegsInCorners, StrandsInCorners: stitches are made at each corner, in one way or the other.
	LegsInCorners    Code = "legs in corners"
	StrandsInCorners Code = "strands in corners"
	// BeginsHalf, EndsHalf: where the stitches of the corners stand.
	BeginsHalf Code = "begins half"
	EndsHalf   Code = "ends half"
	// BeforeRest, AfterHeel: where they stand beside a heel that laps over the instep.
	BeforeRest Code = "before rest"
	AfterHeel  Code = "after heel"
	// GoesWithNext, GoesWithLast: the stitch with which one of a corner leaves.
	GoesWithNext Code = "goes with next"
	GoesWithLast Code = "goes with last"
	// WrapBeside, WrapsBeside: one stitch beside the heel carries a wrap, or both do.
	WrapBeside  Code = "wrap beside"
	WrapsBeside Code = "wraps beside"
	// YarnWaits, YarnBroken: what becomes of the sock's yarn where a strand of the heel's own begins; StrandTakes how long that is.
	YarnWaits   Code = "yarn waits"
	YarnBroken  Code = "yarn broken"
	StrandTakes Code = "strand takes"
	// YarnTaken, YarnJoined: how the sock's yarn goes on after it.
	YarnTaken  Code = "yarn taken"
	YarnJoined Code = "yarn joined"
	// TakesUp, ChangesTo: another yarn is worked from here on, carried along or begun.
	TakesUp   Code = "takes up"
	ChangesTo Code = "changes to"
	// CentreMarked: markers hang in the fabric on either side of the stitches on which no short row turns.
	CentreMarked Code = "centre marked"
	// NoStep: the row is the second round of a stripe.
	NoStep Code = "no step"
	// OnToShort, OnToOthers: the stitches go over to other needles.
	OnToShort  Code = "on to short"
	OnToOthers Code = "on to others"
)

// Fact is something that a note states of the fabric.
type Fact struct {
	Code Code
	// Yarn is the colour of the yarn that is meant, empty for the sock's own.
	Yarn string
	// Long is the length of a strand, in whole metres when it is read.
	Long measure.Length
	// First and Last are stitches of the heel, counted from its right edge, from 1.
	First, Last int
}

// Sentences in which facts are worded; %s is a yarn, %l a length, %a and %b are the first and the last of some stitches.
var sentences = map[Code]string{
	FirstIsRight: "The first loop of the second half is right already if its strands were crossed; if it was only laid, its leading leg is behind: work it through the back like the others.",
	LegsInCorners: "At each corner lift the leg away from the corner of the second stitch below on either side, and knit the two legs together. " +
		"Tug first; where a hole opens take the one above or below.",
	StrandsInCorners: "At each corner find a strand that does not pull when you tug it, put the needle under it, two threads, and draw a loop through.",
	BeginsHalf:       "It is the first stitch of its half.",
	EndsHalf:         "It is the last stitch of its half.",
	BeforeRest:       "It stands before the first stitch that rested, and before the first of the heel.",
	AfterHeel:        "It stands after the last stitch of the heel, and after the last that rested.",
	GoesWithNext:     "Each corner stitch goes together with the stitch after it.",
	GoesWithLast:     "Each corner stitch goes together with the stitch before it.",
	WrapBeside:       "The stitch beside the heel carries a wrap: knit it with its wrap.",
	WrapsBeside:      "The stitches beside the heel carry a wrap: knit each with its wrap, the far one through the back, as in ssk.",
	YarnWaits: "Leave the sock's yarn hanging. Lay the heel's strand once round it before the first stitch, so that no hole stays, and weave its end along behind. " +
		"The first stitch on the far side keeps the sock's yarn for a while: right so.",
	YarnBroken: "Break the sock's yarn off: the heel ends away from here. Lay the heel's strand once round it before the first stitch, so that no hole stays, and weave both ends along behind.",
	YarnTaken:  "Break the heel's strand off. Take up the waiting yarn and lay it once round the strand before the first stitch.",
	YarnJoined: "Break the heel's strand off. Join the sock's yarn anew, laid once round the strand before the first stitch, and weave its end along behind.",

	CentreMarked: "Hang a removable marker in the fabric on either side of the centre, before stitch %a of the heel and after stitch %b: between them no row turns.",
	StrandTakes:  "The heel takes %l of its strand.",
	TakesUp:      "Take up the %s yarn, laid once round the other before the first stitch.",
	ChangesTo:    "Change to the %s yarn: lay it once round the yarn so far before the first stitch, so that no hole stays, and weave its end along behind.",
	NoStep:       "For a stripe without a step: before the first stitch of this round lift the stitch below it on to the needle and knit both.",
	OnToShort:    "Knit this round on to the short circular needle; hang a marker where the round begins and another between the halves.",
	OnToOthers:   "Knit this round on to the other needles, as they are named.",
}

// Of words a fact that has nothing to tell but itself.
func Of(code Code) string { return Fact{Code: code}.String() }

// String is the fact in words.
func (f Fact) String() string {
	return strings.NewReplacer("%s", yarnNamed(f.Yarn), "%l", f.Long.AboutYarn(), "%a", strconv.Itoa(f.First), "%b", strconv.Itoa(f.Last)).Replace(sentences[f.Code])
}

// ownYarn is what the sock's own yarn is called, which has no colour.
const ownYarn = "sock's own"

func yarnNamed(colour string) string {
	if colour == "" {
		return ownYarn
	}
	return colour
}

// patterns find the facts in words.
var patterns = func() map[Code]*regexp.Regexp {
	all := map[Code]*regexp.Regexp{}
	for code, sentence := range sentences {
		text := strings.NewReplacer("%s", `(?P<yarn>[^,.:]+?)`, "%l", `about (?P<metres>\d{1,6}) m \(\d{1,6} yd\)`,
			"%a", `(?P<first>\d{1,6})`, "%b", `(?P<last>\d{1,6})`).Replace(regexp.QuoteMeta(sentence))
		all[code] = regexp.MustCompile(text)
	}
	return all
}()

// Read finds the facts that a note states, in the order in which it does.
func Read(text string) []Fact {
	if text == "" {
		return nil
	}
	type said struct {
		at   int
		fact Fact
	}
	var list []said
	for code, pattern := range patterns {
		for _, at := range pattern.FindAllStringSubmatchIndex(text, -1) {
			list = append(list, said{at[0], factOf(code, pattern, text, at)})
		}
	}
	slices.SortFunc(list, func(a, b said) int { return a.at - b.at })
	facts := make([]Fact, len(list))
	for i := range list {
		facts[i] = list[i].fact
	}
	return facts
}

// factOf is the fact that a pattern found at a place of a text.
func factOf(code Code, pattern *regexp.Regexp, text string, at []int) Fact {
	named := func(name string) string {
		if k := 2 * pattern.SubexpIndex(name); k > 0 {
			return text[at[k]:at[k+1]]
		}
		return ""
	}
	f := Fact{Code: code}
	if colour := named("yarn"); colour != ownYarn {
		f.Yarn = colour
	}
	whole := func(name string) int {
		digits := named(name)
		if digits == "" {
			return 0
		}
		n, err := strconv.Atoi(digits)
		if err != nil {
			panic(fmt.Sprintf("note: %q is no number", digits)) // six digits are one
		}
		return n
	}
	f.Long, f.First, f.Last = measure.Length(whole("metres"))*1000, whole("first"), whole("last")
	return f
}

// Codes are all kinds of facts.
func Codes() []Code {
	list := make([]Code, 0, len(sentences))
	for code := range sentences {
		list = append(list, code)
	}
	slices.Sort(list)
	return list
}
