package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/rows/needle"
)

// spelling is how one operation is written: a pattern for its abbreviation
// once and for n times, and the same in whole words.
type spelling struct {
	short, shortMany string
	long, longMany   string
}

// Patterns contain one %d where the number stands, or none.
var spellings = map[needle.Code]spelling{
	needle.CO: {"cast on %d", "cast on %d", "cast on %d stitches", "cast on %d stitches"},
	needle.COChain: {"provisionally cast on %d", "provisionally cast on %d", "pick up %d stitches from the bumps of a waste-yarn chain",
		"pick up %d stitches from the bumps of a waste-yarn chain"},
	needle.K:    {"k%d", "k%d", "knit %d", "knit %d"},
	needle.P:    {"p%d", "p%d", "purl %d", "purl %d"},
	needle.Ktbl: {"k%d tbl", "k%d tbl", "knit %d through the back loop", "knit %d through the back loops"},
	needle.Ptbl: {"p%d tbl", "p%d tbl", "purl %d through the back loop", "purl %d through the back loops"},
	needle.Kfb: {"kfb", "kfb %d times", "knit into the front and the back of the next stitch",
		"knit into the front and the back of each of the next %d stitches"},
	needle.Pfb: {"pfb", "pfb %d times", "purl into the front and the back of the next stitch",
		"purl into the front and the back of each of the next %d stitches"},
	needle.M1: {"m1", "m1 %d times", "lift the strand between the needles and knit it twisted",
		"make %d stitches from the strand between the needles"},
	needle.M1L: {"m1l", "m1l %d times", "make one stitch that leans left", "make %d stitches that lean left"},
	needle.M1R: {"m1r", "m1r %d times", "make one stitch that leans right", "make %d stitches that lean right"},
	needle.M1P: {"m1p", "m1p %d times", "lift the strand between the needles and purl it twisted",
		"make %d purl stitches from the strand between the needles"},
	needle.PU:    {"pu%d", "pu%d", "pick up %d in the corner or along the edge", "pick up %d along the edge"},
	needle.PC:    {"pc%d", "pc%d", "make %d in the corner", "make %d in the corner"},
	needle.Sl:    {"sl%d", "sl%d", "slip %d", "slip %d"},
	needle.K2tog: {"k2tog", "k2tog %d times", "knit 2 together", "knit 2 together, %d times"},
	needle.SSK: {"ssk", "ssk %d times", "slip 2 as if to knit, then knit them together through the back",
		"slip, slip, knit, %d times"},
	needle.P2tog: {"p2tog", "p2tog %d times", "purl 2 together", "purl 2 together, %d times"},
	needle.SSP: {"ssp", "ssp %d times", "slip 2 as if to knit, then purl them together through the back",
		"slip, slip, purl, %d times"},
	needle.K3tog: {"k3tog", "k3tog %d times", "knit 3 together", "knit 3 together, %d times"},
	needle.SSSK: {"sssk", "sssk %d times", "slip 3 as if to knit, then knit them together through the back",
		"slip 3, knit together, %d times"},
	needle.P3tog: {"p3tog", "p3tog %d times", "purl 3 together", "purl 3 together, %d times"},
	needle.SSSP: {"sssp", "sssp %d times", "slip 3 as if to knit, then purl them together through the back",
		"slip 3, purl together, %d times"},
	needle.YO: {"yo", "yo %d times", "yarn over the needle", "yarn over, %d times"},
	needle.DS: {"ds", "ds", "pull the first stitch up into a double stitch", "make a double stitch"},
	needle.Kds: {"kds", "kds %d times", "knit both legs of the double stitch as one",
		"knit %d double stitches, both legs of each as one"},
	needle.Pds: {"pds", "pds %d times", "purl both legs of the double stitch as one",
		"purl %d double stitches, both legs of each as one"},
	needle.WT: {"wrap the next, turn", "wrap the next, turn", "bring the yarn round the base of the next stitch and turn the work",
		"wrap and turn"},
	needle.KW: {"kw", "kw %d times", "lift the wrap and knit it together with its stitch",
		"knit %d stitches, each together with its wrap"},
	needle.PW: {"pw", "pw %d times", "lift the wrap and purl it together with its stitch",
		"purl %d stitches, each together with its wrap"},
	needle.SlPin: {"sl1, pin", "sl1, pin", "slip the first stitch purlwise and hang a removable pin round the working yarn",
		"slip and pin"},
	needle.KPin: {"kpin", "kpin %d times", "lift the pinned loop on to the needle and knit it together with the next stitch",
		"knit %d stitches, each with its pinned loop"},
	needle.PPin: {"ppin", "ppin %d times", "lift the pinned loop on to the needle and purl it together with the next stitch",
		"purl %d stitches, each with its pinned loop"},
	needle.KLift: {"klift", "klift %d times", "lift the strand in the gap on to the needle and knit it together with the next stitch",
		"knit %d stitches, each with the strand lifted in its gap"},
	needle.PLift: {"plift", "plift %d times", "lift the strand in the gap on to the needle and purl it together with the next stitch",
		"purl %d stitches, each with the strand lifted in its gap"},
	needle.Turn: {"turn", "turn", "turn the work", "turn the work"},
	needle.Unzip: {"unzip %d", "unzip %d", "undo the waste-yarn chain and put its %d stitches on the needle",
		"undo the waste-yarn chain and put its %d stitches on the needle"},
	needle.Start: {"new round start", "new round start", "the round begins here from now on", "the round begins here from now on"},
	needle.BO:    {"bind off %d", "bind off %d", "bind off %d", "bind off %d"},
}

// phrases are what stands still in all ways of writing the operation. A knit or
// purl that opens the sentence of another operation belongs to that one's end.
func (s spelling) phrases() []string {
	plain := []string{"k", "p", "knit", "purl"}
	var list []string
	for _, pattern := range []string{s.short, s.shortMany, s.long, s.longMany} {
		pieces := strings.Split(pattern, "%d")
		for i := range pieces {
			pieces[i] = strings.Trim(pieces[i], " ,")
		}
		phrase := pieces[0]
		if len(pieces) > 1 && pieces[1] != "" && slices.Contains(plain, phrase) {
			phrase = pieces[1]
		}
		if !slices.Contains(list, phrase) {
			list = append(list, phrase)
		}
	}
	return list
}

func fill(pattern string, n int) string {
	if strings.Contains(pattern, "%d") {
		return fmt.Sprintf(pattern, n)
	}
	return pattern
}

// slipped says where the yarn lies while a stitch is slipped, so that its float never shows on the right side.
func slipped(o needle.Op, side needle.Side, short bool) string {
	switch {
	case o.Code != needle.Sl:
		return ""
	case side == needle.WS && short:
		return " wyif"
	case short:
		return " wyib"
	case side == needle.WS:
		return " purlwise with the yarn in front"
	}
	return " purlwise with the yarn behind"
}

// wraps says that a stitch carries two wraps, of which one is easily forgotten.
func wraps(long bool) string {
	if long {
		return ", both wraps"
	}
	return bothWrapsSaid
}

const bothWrapsSaid = " (both wraps)"

// Short is the operation in abbreviations, in a row on this side.
func Short(o needle.Op, side needle.Side) string {
	return short(o) + slipped(o, side, true)
}

// Long is the operation in whole words, in a row on this side.
func Long(o needle.Op, side needle.Side) string {
	return long(o) + slipped(o, side, false)
}

func short(o needle.Op) string {
	s := spellings[o.Code]
	if o.N == 1 {
		return fill(s.short, 1)
	}
	return fill(s.shortMany, o.N)
}

func long(o needle.Op) string {
	s := spellings[o.Code]
	if o.N == 1 {
		return fill(s.long, 1)
	}
	return fill(s.longMany, o.N)
}
