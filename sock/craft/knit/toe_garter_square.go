package knit

import (
	"fmt"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/lengths"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// garterSquareToe knits a square on needle 1 in garter stitch and picks up
// along both its edges: the full count from the start.
type garterSquareToe struct{}

var aboutSquare = About{
	Name: "garter_square", Label: "Garter-square toe", Said: "garter-square toe", Reason: "straight on at the full count; bumpy inside",
	Term: "garter", Rows: "rows", Counts: 2,
	Shows:  []string{"garter-edge"},
	Uses:   []at.Path{at.ToeStartLoop, at.ToeOdd},
	Resets: []at.Path{at.ToeCastOn, at.ToeStartStitches, at.ToeFastRounds, at.ToeTurnsPerSide},
	Allows: twoNeedleCastOns,
}

func (garterSquareToe) About() *About                  { return &aboutSquare }
func (garterSquareToe) Ways() []Way                    { return usualWay }
func (garterSquareToe) Summarise(*Sock, *plan.Summary) {}
func (garterSquareToe) Pin(*Sock, *design.Design)      {}
func (garterSquareToe) Drag(*Sock) (Drag, bool)        { return Drag{}, false } // as deep as its stitches are wide
func (garterSquareToe) FewestFootRounds() int          { return 0 }
func (garterSquareToe) Ridged() bool                   { return true }

func (garterSquareToe) Explain(s *Sock, on *sheet.Sheet) {
	t, q := s.Toe, s.Toe.CastOn/2
	on.Add("cast_on_stitches", "Stitches to cast on", fmt.Sprint(t.CastOn), "The stitches round the foot.", "2 × ⌊%d ÷ 4⌋ = %d",
		s.Stitches, t.CastOn)
	on.Add("toe_rounds", "Rows of the square", fmt.Sprint(t.Rounds), "A ridge takes two rows and is as tall as a stitch is wide.",
		"%d ridges on each face", q)
	on.Add("toe_length", "Length of the toe", on.Long(t.Length), "An estimate: nothing at the sides, more in the middle.",
		"%d ÷ (2 × %s) = %s", q, on.Per(s.Gauge.Stitches), on.Long(t.Length))
}

// Stitches are the square on a quarter of the stitches, and the round that picks up.
func (garterSquareToe) Stitches(s *Sock) float64 {
	n := float64(s.Stitches)
	return float64(s.Toe.Rounds)*n/4 + n
}

func (garterSquareToe) Caution(s *Sock, say *verdict.Checks) {
	say.Say(verdict.OnToe, verdict.Note, "toe_square",
		"A garter square feels bumpy under sensitive toes, and it slants over them: with stripes let the second sock mirror the first.")
	if s.colourOf("toe") != "" {
		if s.Design.Toe.ColourExtra == 0 {
			say.Say(verdict.OnToe, verdict.Note, "toe_square_colour",
				"A contrast toe in a garter square wants another %s of foot in the toe colour.", measure.Length(25))
		}
	}
}

// squareEdge is what is picked up along each edge of a square of q. Where the count leaves two of a
// multiple of four there is one ridge more, or one stitch is made in each half.
func (s *Sock) squareEdge() (q, edge, made int) {
	q, odd := s.Stitches/4, s.Stitches%4/2
	if s.Design.Toe.Odd == "pair" {
		return q, q, odd
	}
	return q, q + odd, 0
}

func (garterSquareToe) Size(s *Sock) {
	q, edge, _ := s.squareEdge()
	s.Toe = ToeSize{
		CastOn: 2 * q, Rounds: 2*edge - 1,
		Length: lengths.SquareToe(q, s.Gauge),
	}
}

func (garterSquareToe) Work(w *worker, s *Sock) {
	q, edge, made := s.squareEdge()
	w.castOnRing(s, 2*q, true)
	w.enter(needle.Toe)
	w.fabric = needle.Garter
	for i := range s.Toe.Rounds {
		w.begin(needle.FlatRow)
		w.settle(q)
		if i < s.Toe.Rounds-1 {
			w.do(needle.Turn, 1)
		}
		w.end()
	}
	w.fabric = ""
	w.begin(needle.FlatRow)
	w.do(needle.PU, edge)
	w.do(needle.M1L, made)
	w.instep = q + edge + made
	w.nextNeedle()
	w.settle(q)
	if !s.Design.Mirror {
		w.do(needle.PU, edge)
		w.do(needle.M1L, made)
		w.end()
		return
	}
	// Mirrored, the instep is the second edge and the live stitches: the round begins q stitches earlier.
	w.end()
	w.begin(needle.Round)
	w.slide(needle.Move{Of: 1, To: 1 + w.lay.now.Fronts, N: edge + made}) // the first edge belongs to the sole
	w.do(needle.PU, edge)
	w.do(needle.M1L, made)
	w.do(needle.K, 2*q+edge+made)
	w.end()
}
