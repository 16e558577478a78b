package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/rows/needle"
)

// Sentence is what a row has the hands do on one needle, as a tree. Whatever is said of it, in abbreviations, in whole words or on paper, is
// printed from it; printed words are parsed back into the same sentence, and readers carry it out.
type Sentence []Step

// Step is one step of a sentence: [Do], [UpTo], [Again], [Lay] or [Slide].
type Step interface {
	// say puts the step in words of a row on this side.
	say(side needle.Side, long bool) string
	// heard is the step as its words tell it.
	heard() Step
}

// Do works one kind of operation so often.
type Do struct {
	Op needle.Op
	// Both: each stitch carries two wraps, and both are lifted.
	Both bool
	// On names the needle of a stitch that is wrapped, where it is another than the one in the hand.
	On string
}

// UpTo works knits or purls up to a place that can be seen on the needles.
type UpTo struct {
	Code  needle.Code
	Place string
	// N is how many they are, as whoever made the sentence counted. Words do not tell it.
	N int
}

// Again is steps that are worked several times over.
type Again struct {
	Steps Sentence
	// Times is how often in all. Where they go on to the end of the needle words do not tell it.
	Times int
	ToEnd bool
}

// Lay says how many loops come to lie on each needle, from loop From on, before anything is worked; or, after a cast-on, as they are.
type Lay struct {
	From int
	On   []int
	text string
}

// Slide moves loops to a neighbouring needle.
type Slide struct {
	Moves []needle.Move
	text  string
}

// Words is the sentence in abbreviations, or in whole words, in a row on this side.
func (s Sentence) Words(side needle.Side, long bool) string {
	var b strings.Builder
	for i, step := range s {
		if _, lies := step.(Lay); i > 0 && lies {
			b.WriteString(": ") // of a cast-on
		} else if i > 0 {
			b.WriteString(", ")
		}
		b.WriteString(step.say(side, long))
	}
	return b.String()
}

// Heard is the sentence as its words tell it: without the counts that a place stands for.
func (s Sentence) Heard() Sentence {
	heard := make(Sentence, len(s))
	for i, step := range s {
		heard[i] = step.heard()
	}
	return heard
}

// does says whether anything is worked in the sentence: others only lay loops.
func (s Sentence) does() bool {
	return slices.ContainsFunc(s, func(step Step) bool {
		switch step.(type) {
		case Lay, Slide:
			return false
		}
		return true
	})
}

func (d Do) say(side needle.Side, long bool) string {
	text := Short(d.Op, side)
	if long {
		text = Long(d.Op, side)
	}
	if d.Both {
		text += wraps(long)
	}
	if d.On == "" {
		return text
	}
	next := "the next"
	if strings.Contains(text, "the next stitch") {
		next = "the next stitch"
	}
	return strings.Replace(text, next, next+" (on "+d.On+")", 1)
}

func (u UpTo) say(needle.Side, bool) string { return verbs[u.Code] + " to " + u.Place }
func (a Again) say(side needle.Side, long bool) string {
	if a.ToEnd {
		return fmt.Sprintf("*%s; rep from * to the end", a.Steps.Words(side, long))
	}
	return fmt.Sprintf("*%s; rep from * %d times in all", a.Steps.Words(side, long), a.Times)
}
func (l Lay) say(needle.Side, bool) string   { return l.text }
func (s Slide) say(needle.Side, bool) string { return s.text }

func (d Do) heard() Step   { return d }
func (u UpTo) heard() Step { return UpTo{Code: u.Code, Place: u.Place} }
func (a Again) heard() Step {
	if a.ToEnd {
		return Again{Steps: a.Steps.Heard(), ToEnd: true}
	}
	return Again{Steps: a.Steps.Heard(), Times: a.Times}
}
func (l Lay) heard() Step {
	on := slices.Clone(l.On)
	for len(on) > 0 && on[len(on)-1] == 0 { // an empty needle is not named
		on = on[:len(on)-1]
	}
	return Lay{From: l.From, On: on}
}
func (s Slide) heard() Step { return Slide{Moves: s.Moves} }

// verbs are what is worked up to a place.
var verbs = map[needle.Code]string{needle.K: "knit", needle.P: "purl"}

// folded makes a sentence of operations, with what repeats at least twice said once, and so what stands before and after it; to the end
// only where they are all that a needle has.
func folded(ops []needle.Op, whole bool, do func(needle.Op) Do) Sentence {
	at, length, times := bestRepeat(ops)
	if times < 2 {
		return plainly(ops, do)
	}
	rest := ops[at+length*times:]
	again := Again{Steps: plainly(ops[at:at+length], do), Times: times, ToEnd: whole && len(rest) == 0 && at == 0}
	return append(append(folded(ops[:at], false, do), again), folded(rest, false, do)...)
}

// plainly makes a sentence of operations one after the other.
func plainly(ops []needle.Op, do func(needle.Op) Do) Sentence {
	s := make(Sentence, len(ops))
	for i, o := range ops {
		s[i] = do(o)
	}
	return s
}

// bestRepeat finds the run of at least two operations that repeats and saves the most words.
func bestRepeat(ops []needle.Op) (at, length, times int) {
	const fewest = 2
	best := 0
	for size := fewest; size <= len(ops)/2; size++ {
		for from := 0; from+2*size <= len(ops); from++ {
			n := 1
			for same(ops, from, from+n*size, size) {
				n++
			}
			if saved := (n - 1) * size; n > 1 && saved > best {
				at, length, times, best = from, size, n, saved
			}
		}
	}
	return at, length, times
}

func same(ops []needle.Op, a, b, size int) bool {
	return b+size <= len(ops) && slices.Equal(ops[a:a+size], ops[b:b+size])
}
