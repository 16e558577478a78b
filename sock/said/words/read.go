package words

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"acornstep/sock/rows/needle"
)

// Reading is one part of a row as its words say it: on which needle the
// stitches come to lie, and what is worked.
type Reading struct {
	// Needle counts from 0; -1 when none is named.
	Needle int
	Ops    []needle.Op
	// Lay are the loops on each needle that are laid before the row, from loop From on, or as they are cast on; nil when nothing is.
	Lay  []int
	From int
	// Wraps is the needle of the stitch that is wrapped, where the words name one; -1 where they do not.
	Wraps int
	// Moves slide loops to a neighbouring needle before the row.
	Moves []needle.Move
}

// Nobody knits on more needles, or repeats something more often in one row: what is beyond was not written by hand.
const (
	mostNeedles  = 16
	mostTimes    = 1000
	mostStitches = 5000
)

// Eyes see what lies on the needles where a part of a row begins.
type Eyes struct {
	// Ahead counts the stitches ahead of the yarn on a needle, by its number from 0.
	Ahead func(needle int) int
	// Find counts the stitches up to something that can be seen, with so many of them taken already; false when it is not there.
	Find func(landmark string, taken int) (int, bool)
}

// Read reads the abbreviations of one part of a row back. What the eyes see says how often "to the end" is, and
// how far "to the double stitch". The error names the words that say nothing.
func Read(p Part, side needle.Side, eyes Eyes) (Reading, error) {
	if p.On == "first" {
		return readLay(p.Short)
	}
	r := Reading{Needle: needleNamed(p.On), Wraps: -1}
	if at := wrapping.FindStringSubmatch(p.Short); at != nil {
		r.Wraps = needleNamed(at[1])
	}
	if r.Needle >= mostNeedles {
		return r, fmt.Errorf("%.40q: nobody knits on so many needles", p.On)
	}
	text := p.Short
	if what, _, laid := strings.Cut(text, ": "); laid && strings.HasPrefix(text, "cast on ") {
		lay, err := readLay(text)
		if err != nil {
			return r, err
		}
		r.Lay, text = lay.Lay, what
	}
	for _, piece := range pieces(text) {
		taken := 0
		for _, o := range r.Ops {
			taken += o.N * o.Code.Takes()
		}
		ops, err := readPiece(piece, side, func(until string, before int) (int, error) { return r.far(eyes, until, taken+before) })
		if err != nil {
			return r, err
		}
		times := 1
		if piece.times > mostTimes {
			return r, fmt.Errorf("%.60q: that is repeated too often to be a row", piece.text)
		}
		switch {
		case piece.toEnd:
			each := 0
			for _, o := range ops {
				each += o.N * o.Code.Takes()
			}
			if all := eyes.Ahead(r.Needle); each == 0 || all%each != 0 {
				return r, fmt.Errorf("%q: %d stitches do not go into the %d of the needle", piece.text, each, all)
			} else {
				times = all / each
			}
		case piece.times > 0:
			times = piece.times
		}
		for range times {
			r.Ops = append(r.Ops, ops...)
		}
	}
	return r, nil
}

// reaching is a run of knits or purls up to something.
var reaching = regexp.MustCompile(`^(knit|purl) to (the end|the last stitch|the last \d+|one before [a-z -]+|the [a-z -]+)(?:, |$)`)

// far counts the stitches up to the end of the needle, to its last ones, or to something that is seen.
func (r *Reading) far(eyes Eyes, until string, taken int) (int, error) {
	n, seen := 0, true
	last, counted := strings.CutPrefix(strings.Replace(until, "last stitch", "last 1", 1), "the last ")
	switch {
	case until == "the end":
		n = eyes.Ahead(r.Needle) - taken
	case counted:
		left, err := strconv.Atoi(last)
		if err != nil {
			return 0, fmt.Errorf("%q: %w", until, err)
		}
		n = eyes.Ahead(r.Needle) - taken - left
	default:
		n, seen = eyes.Find(until, taken)
	}
	if !seen || n < 1 {
		return 0, fmt.Errorf("to %s: there is no such place ahead", until)
	}
	return n, nil
}

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

// readPiece reads operations with commas between them; a few have a comma of their own.
func readPiece(p piece, side needle.Side, far func(until string, taken int) (int, error)) ([]needle.Op, error) {
	var ops []needle.Op
	taken := 0
	for rest := p.text; rest != ""; {
		if at := reaching.FindStringSubmatch(rest); at != nil {
			n, err := far(at[2], taken)
			if err != nil {
				return nil, err
			}
			code := map[string]needle.Code{"knit": needle.K, "purl": needle.P}[at[1]]
			ops = append(ops, needle.Op{Code: code, N: n})
			taken, rest = taken+n, rest[len(at[0]):]
			continue
		}
		o, said := longestSaid(rest, side)
		if said == 0 {
			return nil, fmt.Errorf("%q says nothing", rest)
		}
		if o.N > mostStitches {
			return nil, fmt.Errorf("%.40q: no sock has so many stitches", rest)
		}
		ops, taken = append(ops, o), taken+o.N*o.Code.Takes()
		rest = strings.TrimPrefix(rest[said:], ", ")
	}
	return ops, nil
}

// sayings are patterns of all abbreviations, by operation.
var sayings = func() map[needle.Code][]*regexp.Regexp {
	all := map[needle.Code][]*regexp.Regexp{}
	for code, s := range spellings {
		for _, pattern := range []string{s.short, s.shortMany} {
			text := strings.ReplaceAll(regexp.QuoteMeta(pattern), "%d", `(\d+)`)
			switch code {
			case needle.Sl:
				text += ` (wyib|wyif)`
			case needle.WT:
				text = strings.Replace(text, "the next", `the next(?: \((?:on [a-z]+(?: [a-z]+)*(?: \d+)?)\))?`, 1)
			case needle.KW, needle.PW:
				text += `(?:` + regexp.QuoteMeta(bothWrapsSaid) + `)?`
			}
			all[code] = append(all[code], regexp.MustCompile(`^`+text+`(?:, |$)`))
		}
	}
	return all
}()

// longestSaid is the operation with which a text begins, and how many characters of it say that.
func longestSaid(text string, side needle.Side) (found needle.Op, length int) {
	for code, patterns := range sayings {
		for _, pattern := range patterns {
			at := pattern.FindStringSubmatch(text)
			if at == nil {
				continue
			}
			said := strings.TrimSuffix(at[0], ", ")
			if len(said) <= length || code == needle.Sl && (at[2] == "wyif") != (side == needle.WS) {
				continue
			}
			found, length = needle.Op{Code: code, N: 1}, len(said)
			if len(at) > 1 {
				found.N, _ = strconv.Atoi(at[1])
			}
		}
	}
	return found, length
}

// wrapping names the needle of a stitch that is wrapped.
var wrapping = regexp.MustCompile(`wrap the next \(on ([a-z]+(?: [a-z]+)*(?: \d+)?)\), turn`)

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

// readSlide reads which loops go to a neighbouring needle before a row.
func readSlide(text string) (Reading, error) {
	r := Reading{Needle: -1}
	for _, one := range strings.Split(text, ", then ") {
		at := sliding.FindStringSubmatch(one)
		if at == nil {
			return r, fmt.Errorf("%.60q does not say which loops go to which needle", one)
		}
		n := 1
		if at[2] != "" {
			n, _ = strconv.Atoi(at[2])
		}
		of, to := needleNamed(at[3])+1, needleNamed(at[4])+1
		if of < 1 || to < 1 || max(of, to) > mostNeedles || n > mostStitches {
			return r, fmt.Errorf("%.60q: there are no such needles", one)
		}
		if at[1] == "first" {
			of, to, n = to, of, -n
		}
		r.Moves = append(r.Moves, needle.Move{Of: of, To: to, N: n})
	}
	return r, nil
}

var parking = regexp.MustCompile(`^put (\d+) stitches on a holder, all but the first (\d+) .* on two needles, (\d+) and (\d+), from its right edge$`)

// readLay reads how stitches are laid before a row.
func readLay(text string) (Reading, error) {
	if strings.HasPrefix(text, "slide ") {
		return readSlide(text)
	}
	whole := func(text string) int { n, _ := strconv.Atoi(text); return n }
	if at := parking.FindStringSubmatch(text); at != nil {
		return Reading{Needle: -1, From: whole(at[2]), Lay: []int{whole(at[1]), whole(at[3]), whole(at[4])}}, nil
	}
	_, list, found := strings.Cut(text, ": ")
	if !found {
		return Reading{}, fmt.Errorf("%q does not say how the stitches are laid", text)
	}
	r := Reading{Needle: -1, Lay: []int{}}
	for _, one := range strings.Split(list, ", ") {
		loops, name, _ := strings.Cut(one, " on ")
		on := max(0, needleNamed(name))
		if on >= mostNeedles {
			return Reading{}, fmt.Errorf("%.40q: nobody knits on so many needles", name)
		}
		for len(r.Lay) <= on {
			r.Lay = append(r.Lay, 0)
		}
		if r.Lay[len(r.Lay)-1] = whole(loops); r.Lay[len(r.Lay)-1] > mostStitches {
			return Reading{}, fmt.Errorf("%.40q: no sock has so many stitches", one)
		}
	}
	return r, nil
}
