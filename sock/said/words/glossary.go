package words

import "acornstep/sock/rows/needle"

// Entry explains one operation: its steps, its usual mistake, and how to see
// it on the needles.
type Entry struct {
	Op    string `json:"op"`
	Name  string `json:"name"`
	Steps string `json:"steps"`
	Slip  string `json:"slip"`
	Look  string `json:"look"`
	// Words are how it is written in rows: its abbreviation, and what stands still in its sentences.
	Words []string `json:"words"`
}

type entry struct{ name, steps, slip, look string }

var glossary = map[needle.Code]entry{
	needle.CO: {"cast on", "Put the loops on both needles by the cast-on of the pattern; half of them lie on each.",
		"The last loop is not locked and slips off: cross the tail over the working yarn and hold it.",
		"As many loops on one needle as on the other."},
	needle.COChain: {"provisional cast-on", "Chain a few more than needed in waste yarn; knit up one stitch in the back bump of each.",
		"A split bump sticks when the chain is undone.", "Smooth waste yarn along the lower edge, its tail knotted."},
	needle.K: {"knit", "Into the front leg from left to right, yarn round, draw the loop through, let the old one go.",
		"Splitting the yarn leaves a strand beside the stitch.", "A smooth V below the needle."},
	needle.P: {"purl", "Yarn in front, into the front leg from right to left, yarn round, draw through.",
		"The yarn lies behind and makes an extra loop.", "A bump below the needle."},
	needle.Ktbl: {"knit through the back loop (k tbl)", "Knit into the leg that lies behind the needle.",
		"A loop that was already right gets twisted.", "The legs cross when they should not, or lie open when they were turned."},
	needle.Ptbl: {"purl through the back loop (p tbl)", "Purl into the leg that lies behind the needle, from the back.",
		"The front leg is taken out of habit.", "As for k tbl, seen from the other side."},
	needle.Kfb: {"knit front and back (kfb)", "Knit into the front leg, keep the stitch on the left needle, knit into its back leg, let it go.", "The old stitch slips off after the first half: one stitch instead of two.", "A bump at the left of the V: one for each increase round in the column."},
	needle.Pfb: {"purl front and back (pfb)", "Purl into the front leg, keep the stitch, purl into its back leg, let it go.",
		"The old stitch slips off after the first half.", "Two bumps from one stitch."},
	needle.M1: {"make one (m1)", "Lift the strand between the needles and knit it twisted.", "Knitted untwisted it leaves a hole.",
		"A twisted bar between two stitches."},
	needle.M1L: {"make one left (m1l)", "Lift the strand from front to back, knit its back leg.", "The front leg is taken: a hole.",
		"The new stitch leans left."},
	needle.M1R: {"make one right (m1r)", "Lift the strand from back to front, knit its front leg.", "The back leg is taken: a hole.",
		"The new stitch leans right."},
	needle.M1P: {"make one purlwise (m1p)", "Lift the strand between the needles and purl it twisted.",
		"Purled untwisted it leaves a hole.", "A twisted bump."},
	needle.PC: {"make one in the corner (pc)", "By the remedy of the sock: two outer legs knitted together, one strand, or beside a flap the corner's strand, twisted.",
		"The nearest strand opens a new hole: tug it first, and take the one above or below.", "One stitch more where heel and instep meet, and no hole."},
	needle.PU: {"pick up along an edge (pu)", "Needle under both legs of the edge stitch; draw a loop of yarn through.",
		"One leg only stretches into a hole.", "A ridge of the edge turned inward, one stitch in each."},
	needle.Sl: {"slip (UK: slip)", "Move the stitch over purlwise without working it.", "Slipped knitwise it gets twisted.",
		"It is a row taller than its neighbours."},
	needle.K2tog: {"knit two together (k2tog)", "Knit two stitches as one.", "Three are caught, or one.",
		"It leans right; the left one lies on top."},
	needle.SSK: {"slip, slip, knit (ssk)", "Slip two one after the other as if to knit, then knit them together through the back.",
		"Slipped purlwise they come out twisted.", "It leans left; the right one lies on top."},
	needle.P2tog: {"purl two together (p2tog)", "Purl two stitches as one.", "The second one is missed.",
		"From the right side it leans right."},
	needle.SSP: {"slip, slip, purl (ssp)", "Slip two as if to knit, put them back, purl them together through the back.",
		"Purled through the front it leans the wrong way.", "From the right side it leans left."},
	needle.K3tog: {"knit three together (k3tog)", "Knit three loops as one.",
		"A yarn-over is left out: the loops on the needle are one too many.", "Three loops lie in one stitch, leaning right."},
	needle.SSSK: {"slip, slip, slip, knit (sssk)", "Slip three as if to knit, knit them together through the back.",
		"A yarn-over is left out.", "Three loops in one stitch, leaning left."},
	needle.P3tog: {"purl three together (p3tog)", "Purl three loops as one.", "A yarn-over is left out.",
		"Three loops in one purl stitch."},
	needle.SSSP: {"slip, slip, slip, purl (sssp)", "Slip three as if to knit, put them back, purl them together through the back.",
		"A yarn-over is left out.", "From the right side it leans left."},
	needle.YO: {"yarn over (yo)", "Lay the yarn over the needle.", "It is forgotten right after a turn: the loop count shows it.",
		"A slanting strand with nothing below it."},
	needle.DS: {"double stitch (ds)", "After the turn slip the first stitch purlwise with the yarn in front; pull the yarn up and over the needle until two legs show; hold it firm through the next stitch.", "Pulled too little it looks single; before a purl row the yarn must come under the needle to the front.", "Two legs of one stitch over the needle."},
	needle.Kds: {"knit the double stitch", "Knit both legs together as one stitch.", "One leg only leaves a loose strand.",
		"One V where two legs were."},
	needle.Pds: {"purl the double stitch", "Purl both legs together as one stitch.", "One leg only leaves a loose strand.",
		"One bump where two legs were."},
	needle.WT: {"wrap and turn", "Slip the next stitch, bring the yarn round its base, slip it back, turn.",
		"The yarn goes over the needle and makes a loop.", "A collar round the foot of a resting stitch."},
	needle.KW: {"knit with its wrap", "Lift the wrap on to the needle and knit it together with its stitch; let the stitch lie in front.",
		"One of two wraps is lifted: it leaves a bar.", "No bar across the stitch."},
	needle.PW: {"purl with its wrap", "Find the wrap from the right side, lift it on to the needle, purl it together with its stitch.",
		"The wrap of the neighbour is lifted.", "No bar across the stitch."},
	needle.SlPin: {"slip and pin", "Slip the first stitch purlwise and hang a removable pin round the working yarn.",
		"The pin catches the stitch instead of the yarn.", "A pin inside at each turn: count both sides."},
	needle.KPin: {"knit with the pinned loop", "Lift the pinned loop on to the left needle, right leg in front, take the pin out, knit it with the next stitch.", "The loop twists when lifted from the left.", "The pin is free, the gap is closed."},
	needle.PPin: {"purl with the pinned loop", "Slip the stitch, lift the pinned loop, put the stitch back, purl both together.",
		"Loop and stitch change places.", "The pin is free, the gap is closed."},
	needle.KLift: {"knit with the lifted strand (klift)",
		"Lift the strand that lies in the gap on to the left needle and knit it together with the stitch beyond; where that stitch comes first, slip it, lift the strand, give the stitch back, knit both.", "The strand is left where it is: a hole at the turn.", "No gap is left between the two stitches."},
	needle.PLift: {"purl with the lifted strand (plift)",
		"Lift the strand that lies in the gap on to the left needle and purl it together with the stitch beyond.",
		"The strand is left where it is: a hole at the turn.", "No gap is left between the two stitches."},
	needle.Turn: {"turn", "Turn the work; draw the yarn snug before the first stitch back.", "Slack at the turn becomes a hole.",
		"The other side of the fabric faces you."},
	needle.Unzip: {"undo the chain", "From its finished end, take the right leg of each stitch on to a needle before pulling the waste yarn out.", "Pulled from the starting end it sticks; the last loop hides at the edge.", "As many live loops as were cast on."},
	needle.Start: {"new start of the round", "Move the marker here.", "The old marker stays and misleads.",
		"The marker hangs before the next stitch."},
	needle.BO: {"bind off", "By the bind-off of the pattern; it has to stretch over the heel.",
		"Worked tightly it will not go over the foot.", "An even chain that gives as much as the rib."},
}

// Glossary lists an entry for every operation.
func Glossary() []Entry {
	entries := make([]Entry, 0, len(glossary))
	for _, c := range needle.Codes() {
		e := glossary[c]
		entries = append(entries, Entry{c.String(), e.name, e.steps, e.slip, e.look, spellings[c].phrases()})
	}
	return entries
}
