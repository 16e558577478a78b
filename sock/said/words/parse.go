package words

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"acornstep/sock/rows/needle"
)

// Nobody knits on more needles, or repeats something more often in one row: what is beyond was not written by hand.
const (
	mostNeedles  = 16
	mostTimes    = 1000
	mostStitches = 5000
)

// Parse reads the abbreviations of a part of a row on a side back into the sentence of which they are the words, and the needle on which
// its stitches come to lie, counted from 0; -1 where none is named. The error names the words that say nothing.
func Parse(p Part, side needle.Side) (said Sentence, on int, err error) {
	if p.On == "first" {
		step, err := parseFirst(p.Short)
		return Sentence{step}, -1, err
	}
	if on = needleNamed(p.On); on >= mostNeedles {
		return nil, on, fmt.Errorf("%.40q: nobody knits on so many needles", p.On)
	}
	text := p.Short
	var lies Step
	if what, _, laid := strings.Cut(text, ": "); laid && strings.HasPrefix(text, "cast on ") {
		if lies, err = parseLay(text); err != nil {
			return nil, on, err
		}
		text = what
	}
	for _, piece := range pieces(text) {
		steps, err := parseSteps(piece.text, side)
		switch {
		case err != nil:
			return nil, on, err
		case piece.times > mostTimes:
			return nil, on, fmt.Errorf("%.60q: that is repeated too often to be a row", piece.text)
		case piece.toEnd || piece.times > 0:
			said = append(said, Again{Steps: steps, Times: piece.times, ToEnd: piece.toEnd})
		default:
			said = append(said, steps...)
		}
	}
	if lies != nil {
		said = append(said, lies)
	}
	return said, on, nil
}

// reaching is a run of knits or purls up to something.
var reaching = regexp.MustCompile(`^(knit|purl) to (the end|the last stitch|the last \d+|one before [a-z -]+|the [a-z -]+)(?:, |$)`)

// piece is a run of operations, said once or as a repeat.
type piece struct {
	text  string
	times int
	toEnd bool
}

var repeat = regexp.MustCompile(`\*(.*?); rep from \* (?:(\d+) times in all|to the end)`)

// pieces are the repeats of a part and what stands between them.
func pieces(text string) []piece {
	var list []piece
	plain := func(text string) {
		if text = strings.Trim(text, ", "); text != "" {
			list = append(list, piece{text: text})
		}
	}
	for {
		at := repeat.FindStringSubmatchIndex(text)
		if at == nil {
			plain(text)
			return list
		}
		plain(text[:at[0]])
		found := piece{text: text[at[2]:at[3]], toEnd: at[4] < 0}
		if !found.toEnd {
			found.times, _ = strconv.Atoi(text[at[4]:at[5]])
		}
		list = append(list, found)
		text = text[at[1]:]
	}
}

// parseSteps reads steps with commas between them; a few have a comma of their own.
func parseSteps(text string, side needle.Side) (Sentence, error) {
	var said Sentence
	for rest := text; rest != ""; {
		if at := reaching.FindStringSubmatch(rest); at != nil {
			code := map[string]needle.Code{"knit": needle.K, "purl": needle.P}[at[1]]
			said, rest = append(said, UpTo{Code: code, Place: at[2]}), rest[len(at[0]):]
			continue
		}
		d, long := longestSaid(rest, side)
		if long == 0 {
			return nil, fmt.Errorf("%q says nothing", rest)
		}
		if d.Op.N > mostStitches {
			return nil, fmt.Errorf("%.40q: no sock has so many stitches", rest)
		}
		said, rest = append(said, d), strings.TrimPrefix(rest[long:], ", ")
	}
	return said, nil
}

// saying is the pattern of an abbreviation.
type saying struct {
	code    needle.Code
	pattern *regexp.Regexp
}

// sayings are the patterns of all abbreviations, by the letter with which they begin.
var sayings = func() map[byte][]saying {
	all := map[byte][]saying{}
	for code, s := range spellings {
		for _, pattern := range []string{s.short, s.shortMany} {
			text := strings.ReplaceAll(regexp.QuoteMeta(pattern), "%d", `(\d+)`)
			switch code {
			case needle.Sl:
				text += ` (wyib|wyif)`
			case needle.WT:
				text = strings.Replace(text, "the next", `the next(?: \(on ([a-z]+(?: [a-z]+)*(?: \d+)?)\))?`, 1)
			case needle.KW, needle.PW:
				text += `(?:` + regexp.QuoteMeta(bothWrapsSaid) + `)?`
			}
			all[text[0]] = append(all[text[0]], saying{code, regexp.MustCompile(`^` + text + `(?:, |$)`)})
		}
	}
	return all
}()

// longestSaid is the step with which a text begins, and how many characters of it say that.
func longestSaid(text string, side needle.Side) (found Do, length int) {
	for _, s := range sayings[text[0]] {
		at := s.pattern.FindStringSubmatch(text)
		if at == nil {
			continue
		}
		said := strings.TrimSuffix(at[0], ", ")
		if len(said) <= length || s.code == needle.Sl && (at[2] == "wyif") != (side == needle.WS) {
			continue
		}
		found, length = Do{Op: needle.Op{Code: s.code, N: 1}, Both: strings.HasSuffix(said, bothWrapsSaid)}, len(said)
		switch {
		case s.code == needle.WT:
			found.On = at[1]
		case len(at) > 1:
			found.Op.N, _ = strconv.Atoi(at[1])
		}
	}
	return found, length
}

// halfNames name a part that no marker begins.
var halfNames = []string{"instep", "sole", "heel", "front", "back"}

var number = regexp.MustCompile(`\d+`)

// needleNamed is the needle of a name, counted from 0; -1 for none.
func needleNamed(name string) int {
	switch {
	case name == "":
		return -1
	case name == "holder", name == "the holder", strings.HasPrefix(name, "from "), strings.HasPrefix(name, "back from "),
		strings.HasPrefix(name, "on the "), slices.Contains(halfNames, name), strings.HasPrefix(name, "it; "):
		return 0
	}
	n, _ := strconv.Atoi(number.FindString(name))
	if strings.HasPrefix(name, "heel needle") {
		return n // the holder comes before them
	}
	return n - 1
}

var sliding = regexp.MustCompile(`^slide the (first|last) (?:(\d+) )?(?:stitch|stitches|loop|loops) of (.+) on to (.+)$`)

// parseSlide reads which loops go to a neighbouring needle before a row.
func parseSlide(text string) (Step, error) {
	var s Slide
	for _, one := range strings.Split(text, ", then ") {
		at := sliding.FindStringSubmatch(one)
		if at == nil {
			return s, fmt.Errorf("%.60q does not say which loops go to which needle", one)
		}
		n := 1
		if at[2] != "" {
			n, _ = strconv.Atoi(at[2])
		}
		of, to := needleNamed(at[3])+1, needleNamed(at[4])+1
		if of < 1 || to < 1 || max(of, to) > mostNeedles || n > mostStitches {
			return s, fmt.Errorf("%.60q: there are no such needles", one)
		}
		if at[1] == "first" {
			of, to, n = to, of, -n
		}
		s.Moves = append(s.Moves, needle.Move{Of: of, To: to, N: n})
	}
	return s, nil
}

var parking = regexp.MustCompile(`^put (\d+) stitches on a holder, all but the first (\d+) .* on two needles, (\d+) and (\d+), from its right edge$`)

// parseFirst reads what is done before anything is worked.
func parseFirst(text string) (Step, error) {
	if strings.HasPrefix(text, "slide ") {
		return parseSlide(text)
	}
	return parseLay(text)
}

// parseLay reads how stitches are laid.
func parseLay(text string) (Step, error) {
	whole := func(text string) int { n, _ := strconv.Atoi(text); return n }
	if at := parking.FindStringSubmatch(text); at != nil {
		return Lay{From: whole(at[2]), On: []int{whole(at[1]), whole(at[3]), whole(at[4])}}, nil
	}
	_, list, found := strings.Cut(text, ": ")
	if !found {
		return Lay{}, fmt.Errorf("%q does not say how the stitches are laid", text)
	}
	l := Lay{On: []int{}}
	for _, one := range strings.Split(list, ", ") {
		loops, name, _ := strings.Cut(one, " on ")
		on := max(0, needleNamed(name))
		if on >= mostNeedles {
			return Lay{}, fmt.Errorf("%.40q: nobody knits on so many needles", name)
		}
		for len(l.On) <= on {
			l.On = append(l.On, 0)
		}
		if l.On[len(l.On)-1] = whole(loops); l.On[len(l.On)-1] > mostStitches {
			return Lay{}, fmt.Errorf("%.40q: no sock has so many stitches", one)
		}
	}
	return l, nil
}
