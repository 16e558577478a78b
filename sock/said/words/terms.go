package words

// Term is a word of the craft with its explanation.
type Term struct {
	// Name is its key, and that of its drawing.
	Name  string `json:"name"`
	Label string `json:"label"`
	// UK is what it is called in Britain where that differs; empty where it does not.
	UK   string `json:"uk"`
	Text string `json:"text"`
}

// Terms lists the words that the interface explains, by name.
var Terms = []Term{
	{"ankle", "ankle girth", "", "The thinnest place above the ankle bones. Where it differs much from the ball, the leg gets another count than the foot."},
	{"ball", "ball of the foot", "", "The widest place, just behind the toes. Its girth decides how many stitches go round."},
	{"bind_off", "bind-off", "cast-off", "The end of the knitting. Here it has to stretch as far as the heel is round, or the sock does not go on."},
	{"cast_on", "toe-up cast-on", "", "Loops on two needles held together, so that the sock begins closed, with no seam over the toes."},
	{"centre", "centre of the heel", "", "The stitches that are never turned on. The turns stop on both sides of them."},
	{"corner", "corner of the heel", "", "The place where heel and instep meet. The fabric is pulled in three directions there, so a small hole opens if nothing is done."},
	{"cuff", "cuff", "welt", "The ribbed end of the leg. It holds the sock up, and has to pass over the heel."},
	{"density", "density of the fabric", "", "How thick the strand is beside the width of a stitch: stitches per mm times the thickness of the yarn. 23 to 27 % wear well."},
	{"double_stitch", "double stitch", "", "After a turn the yarn is pulled over the needle until both legs of the stitch show. Both legs count as one stitch."},
	{"ease", "negative ease", "", "The sock is smaller than the foot and stretches to fit. A tenth is usual; without it the sock wanders."},
	{"flap", "heel flap", "", "A straight piece under the heel, slipped every other stitch so that it is thick. Stitches are picked up along its edges."},
	{"garter", "garter stitch", "", "Every row knit. It draws together in height, two rows to a ridge, and gives more than stockinette."},
	{"gauge", "gauge", "tension", "How many stitches and rounds lie in 10 cm or 4 inches of your fabric. Stitches decide the girth, rounds every length."},
	{"gusset", "gusset", "", "The extra stitches at the sides of the heel that make room for the instep, and are taken away again."},
	{"heel_diagonal", "heel diagonal", "", "Round the point of the heel and the bend of the ankle: the widest place that the sock has to pass."},
	{"instep", "instep", "", "The top of the foot, and the half of the stitches on needle 1."},
	{"kfb", "kfb", "", "Knit into the front and the back of a stitch: one becomes two. It leaves a bump to count by."},
	{"length_ease", "length ease", "", "The sock is a little shorter than the foot: it stretches lengthwise too, and a long one wrinkles at the heel."},
	{"magic_loop", "magic loop", "", "One long circular needle for both halves: the cable is drawn out between them."},
	{"multiple", "multiple", "", "The count round the foot is a whole number of these, so that both halves are alike and patterns repeat."},
	{"picking_up", "picking up", "", "New stitches drawn through an edge: one in each chain of the flap, which stands for two rows."},
	{"rib", "rib", "", "Columns of knit and purl. It draws in and springs back."},
	{"round_gauge", "round gauge", "row tension", "How many rounds lie in a length. People forget it; it decides where the heel starts."},
	{"short_rows", "short rows", "", "Rows that turn before the end. The middle grows and the sides wait: flat fabric becomes a cup."},
	{"sole", "sole", "", "The underside, and the half of the stitches on needle 2. The heel is knitted on it."},
	{"stockinette", "stockinette", "stocking stitch", "Smooth outside, bumps inside: every round knit."},
	{"swatch", "swatch", "tension square", "A piece knitted to count on, treated as the socks will be: in the round, washed and dried."},
	{"toe_depth", "depth of the toes", "", "From the tip of the longest toe back to where the little toe begins. The toe of the sock should be as deep."},
	{"turn", "turn", "", "The work is turned round in mid-row. A trick at each turn keeps the gap closed: a double stitch, a wrap, a yarn-over, a pin."},
	{"wedge", "wedge toe", "", "Four more stitches every other round, two on each side, until the full count is reached."},
	{"working", "the working", "", "The arithmetic behind a number, from your own measurements."},
	{"wrap", "wrap", "", "The yarn laid round the base of a resting stitch. It is lifted and worked with its stitch later."},
}
