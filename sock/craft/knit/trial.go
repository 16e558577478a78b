//go:build trial

package knit

import (
	"fmt"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Two techniques that nobody needs, to show that one is a file and a line. They
// are built with the tag trial only.
func init() {
	add(at.ToeKind, &toes, Toe(bluntToe{}))
	add(at.HeelTurn, &turnings, turning(tuckTurn{}))
}

// add puts a technique at the end of its list.
func add[T Technique](field at.Path, list *[]T, t T) {
	*list = append(*list, t)
	register(field, t.About())
}

// bluntToe increases in every round until the count is reached.
type bluntToe struct{}

var aboutBlunt = About{
	Name: "blunt", Label: "Blunt toe", Said: "blunt toe", Reason: "increases in every round: short and square", Term: "wedge",
	Rows: "rounds", Counts: 1,
	Uses:   []at.Path{at.ToeStartLoop},
	Resets: []at.Path{at.ToeCastOn, at.ToeStartStitches, at.ToeFastRounds, at.ToeTurnsPerSide},
	Allows: twoNeedleCastOns,
}

func (bluntToe) About() *About                         { return &aboutBlunt }
func (bluntToe) Ways() []Way                           { return usualWay }
func (bluntToe) Pin(*Sock, *design.Design)             {}
func (bluntToe) Drag(*Sock) (Drag, bool)               { return Drag{}, false }
func (bluntToe) FewestFootRounds() int                 { return 0 }
func (bluntToe) Ridged() bool                          { return false }
func (bluntToe) Summarise(s *Sock, into *plan.Summary) { into.IncreaseRounds = &s.Toe.IncreaseRounds }

func (bluntToe) Size(s *Sock) {
	castOn := halfStart(s)
	k := (s.Stitches - castOn) / 4
	s.Toe = ToeSize{CastOn: castOn, IncreaseRounds: k, FastRounds: k, Rounds: k + 2}
	s.Toe.Length = s.Gauge.Height(float64(s.Toe.Rounds))
}

func (bluntToe) Work(w *worker, s *Sock) {
	w.castOnRing(s, s.Toe.CastOn, false)
	w.enter(needle.Toe)
	s.setUpRound(w)
	for range s.Toe.IncreaseRounds {
		each := w.instep
		w.round(func() {
			w.wedge(s, each, 1, 1)
			w.instep += 2
		}, func() { w.wedge(s, each, 1, 1) })
	}
	w.plainRound()
}

func (bluntToe) Explain(s *Sock, on *sheet.Sheet) {
	on.Add("toe_rounds", "Rounds of the toe", fmt.Sprint(s.Toe.Rounds), "Nothing: it is as short as it can be.",
		"%d increases, one round before and one after", s.Toe.IncreaseRounds)
}

func (bluntToe) Stitches(s *Sock) float64 { return wedgeToe{}.Stitches(s) }

func (bluntToe) Caution(_ *Sock, say *verdict.Checks) {
	say.Say(verdict.OnToe, verdict.Note, "toe_blunt", "A blunt toe is short: look whether the toes have room.")
}

// tuckTurn is the German turn begun on the right side, without a round between the halves.
type tuckTurn struct{ germanTurn }

var aboutTuck = About{Name: "tuck", Label: "Tucked stitches", Said: "tucked stitches",
	Reason: "for those who like to begin on the right side", Term: "turn", Resets: turnResets, Counts: 1}

func (tuckTurn) About() *About          { return &aboutTuck }
func (tuckTurn) firstSide() needle.Side { return needle.RS }
func (tuckTurn) roundsBetween() int     { return 0 }
