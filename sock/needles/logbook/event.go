package logbook

import (
	"cmp"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/document"
)

// Kind is what an event says.
type Kind string

// The kinds of event.
const (
	// RowDone: the row is done, and all before it.
	RowDone Kind = "row"
	// HalfDone: the first half of the row is done.
	HalfDone Kind = "half"
	// Placed: the row is next, whatever was counted before.
	Placed Kind = "place"
	// Undone takes another event back.
	Undone Kind = "undo"
	// Paused: the time until the next event is a break.
	Paused Kind = "pause"
	// Noted: a text, and perhaps a picture, at the row.
	Noted Kind = "note"
	// Slipped: a mistake and how it was mended, at the row.
	Slipped Kind = "mistake"
	// Weighed: what is left of a yarn, in grams.
	Weighed Kind = "weigh"
	// Tried: the length from the tip of the toe, measured before the row.
	Tried Kind = "tried"
	// Striped: the yarn in one repeat of its stripes, and where in it the sock began.
	Striped Kind = "stripes"
	// Changed: another needle.
	Changed Kind = "needle"
	// Promised: the pair is a present for a day; without one it is none any more.
	Promised Kind = "due"
	// Finished: the sock is off the needles.
	Finished Kind = "finish"
	// Worn: how the finished sock fares.
	Worn Kind = "wear"
	// Bent: from here on the pair is knitted by the version that the event names, with the socks at its places. It is
	// said by the program itself, so that every device hears of the version; where the socks are follows from [Course].
	Bent Kind = "plan"
)

// kinds that a device may say.
var kinds = []Kind{RowDone, HalfDone, Placed, Undone, Paused, Noted, Slipped, Weighed, Tried, Striped, Changed, Promised, Finished, Worn}

// Event is one thing that happened.
type Event struct {
	// ID is made by the device and never used again.
	ID     string `json:"id"`
	Device string `json:"device"`
	// Clock is larger than that of every event that the device had seen.
	Clock int64 `json:"clock"`
	// At is the device's time in milliseconds since 1970; it may be wrong.
	At   int64 `json:"at_ms"`
	Kind Kind  `json:"kind" enum:"row,half,place,undo,pause,note,mistake,weigh,tried,stripes,needle,due,finish,wear,plan"`
	// Version is that of the plan on which it was made, from 1.
	Version int `json:"version"`
	// Sock is 1 or 2 of the pair; Row counts from 0.
	Sock int `json:"sock"`
	Row  int `json:"row"`
	// Of is the event that an undo takes back.
	Of string `json:"of,omitempty"`
	// Text of a note, mistake, needle or wear; the name of the yarn that was weighed; where its stripes began; the day of a present.
	Text string `json:"text,omitempty"`
	// Grams of a weighing; Length in mm of a try-on, or of the yarn in one repeat of its stripes.
	Grams  float64 `json:"grams,omitempty"`
	Length float64 `json:"length_mm,omitempty"`
	// Picture is a small JPEG as a data URL.
	Picture string `json:"picture,omitempty"`
	// Places of the first and the second sock in the version that begins with the event.
	Places []int `json:"places,omitempty"`
	// Stray is worked out by [Courses.Today]: it counts rows that became others after it was made. Held is
	// how many rows of the newest version it says are done all the same.
	Stray bool `json:"-"`
	Held  int  `json:"-"`
	// counted is how many rows of its own version a stray counts.
	counted int
}

// rows is how many rows of its version an event says are done or begun; 0 for what counts none.
func (e *Event) rows() int {
	switch e.Kind {
	case RowDone, HalfDone:
		return e.Row + 1
	case Placed:
		return e.Row
	default:
		return 0
	}
}

// MaxPicture is the longest picture that is kept, in bytes of its data URL.
const MaxPicture = 80 << 10

// Limits of one event.
const (
	maxID     = 64
	maxText   = 2000
	maxRow    = 100_000
	maxGrams  = 5000
	maxLength = 1000
	maxRepeat = 100_000
	// maxClock is the largest number that every browser counts exactly.
	maxClock = 1<<53 - 1
	// MostAhead is how far a clock may be beyond all that was seen: a device that
	// was away for years of evenings, and no more, or one mad clock would be the last.
	MostAhead = 100_000
)

// Validate says what is wrong with an event.
func (e *Event) Validate() document.Faults {
	var faults document.Faults
	name := func(field, text string, required bool) {
		if n := len(text); n > maxID || required && n == 0 ||
			strings.ContainsFunc(text, func(r rune) bool { return r < '!' || r > '~' }) {
			faults.Add(field, "read %.70q; it has 1 to %d plain characters", text, maxID)
		}
	}
	name("id", e.ID, true)
	name("device", e.Device, true)
	name("of", e.Of, e.Kind == Undone)
	whole := func(field string, value, low, high int64) {
		if value < low || value > high {
			faults.Add(field, "read %d, possible is %d to %d", value, low, high)
		}
	}
	whole("clock", e.Clock, 1, maxClock)
	whole("at_ms", e.At, 0, maxClock)
	whole("version", int64(e.Version), 1, maxRow)
	whole("sock", int64(e.Sock), 1, 2)
	whole("row", int64(e.Row), 0, maxRow)
	if !slices.Contains(kinds, e.Kind) {
		faults.Add("kind", "read %.20q, which is nothing that happens", e.Kind)
	}
	if e.Grams < 0 || e.Grams > maxGrams {
		faults.Add("grams", "read %g; a ball weighs 0 to %d g", e.Grams, maxGrams)
	}
	switch {
	case e.Kind == Striped && (e.Length <= 0 || e.Length > maxRepeat):
		faults.Add("length_mm", "read %g; a repeat of stripes takes up to %d m of yarn", e.Length, maxRepeat/1000)
	case e.Kind != Striped && (e.Length < 0 || e.Length > maxLength):
		faults.Add("length_mm", "read %g; a sock measures 0 to %d mm", e.Length, maxLength)
	}
	if n := utf8.RuneCountInString(e.Text); n > maxText {
		faults.Add("text", "read %d characters, at most %d are kept", n, maxText)
	}
	if e.Kind == Promised && e.Text != "" {
		if _, err := day.Parse(e.Text); err != nil {
			faults.Add("text", "%s", err)
		}
	}
	if len(e.Places) > 0 {
		faults.Add("places", "a device says no places: they follow from the rows")
	}
	if len(e.Picture) > MaxPicture {
		faults.Add("picture", "read %d bytes, at most %d are kept", len(e.Picture), MaxPicture)
	}
	return faults
}

// Kept says what is wrong with an event that is said to have been written down behind others, of which the largest clock is known:
// whatever neither a device nor the program could have said. rows is how many rows a sock has in a version; false where there is no such
// version, and less than nothing where nobody knows.
func (e *Event) Kept(clock int64, rows func(sock, version int) (int, bool)) document.Faults {
	var faults document.Faults
	if e.Kind == Bent {
		plain := *e
		plain.Kind, plain.Places, plain.Text = Noted, nil, ""
		faults = plain.Validate()
		if len(e.Places) != 2 || e.Version < 2 || e.Sock != 1 {
			faults.Add("places", "read %d places of version %d and sock %d; the program says two, of a version after the first",
				len(e.Places), e.Version, e.Sock)
			return faults
		}
		for i, place := range e.Places {
			if last, there := rows(i+1, e.Version); there && (place < 0 || last >= 0 && place > last) {
				faults.Add("places", "read %d; sock %d has rows 0 to %d", place, i+1, last)
			}
		}
	} else {
		faults = e.Validate()
	}
	if e.Clock > clock+MostAhead {
		faults.Add("clock", "read %d; the largest before it is %d, and no device is more than %d ahead", e.Clock, clock, MostAhead)
	}
	last, there := rows(e.Sock, e.Version)
	if e.Kind == RowDone || e.Kind == HalfDone {
		last--
	}
	switch {
	case !there:
		faults.Add("version", "read %d, of which there is no plan", e.Version)
	case last >= -1 && e.Row > max(last, 0):
		faults.Add("row", "stands at row %d; its plan has %d", e.Row, last)
	}
	return faults
}

// compare orders events the same way on every device.
func compare(a, b Event) int {
	return cmp.Or(cmp.Compare(a.Clock, b.Clock), cmp.Compare(a.Device, b.Device), cmp.Compare(a.ID, b.ID))
}

// Merge puts lists of events together: each event once, in the order of all devices.
func Merge(lists ...[]Event) []Event {
	all := slices.Concat(lists...)
	slices.SortFunc(all, compare)
	return slices.CompactFunc(all, func(a, b Event) bool { return a.ID == b.ID })
}

// String says the event in a line of the log.
func (e *Event) String() string {
	switch e.Kind {
	case RowDone:
		return fmt.Sprintf("row %d done", e.Row+1)
	case HalfDone:
		return fmt.Sprintf("half of row %d", e.Row+1)
	case Placed:
		return fmt.Sprintf("put at row %d", e.Row+1)
	case Undone:
		return "undone"
	case Paused:
		return "pause"
	case Weighed:
		return fmt.Sprintf("%g g left", e.Grams)
	case Tried:
		return fmt.Sprintf("tried on: %.1f cm from the tip", e.Length/10)
	case Striped:
		return strings.TrimSpace(fmt.Sprintf("stripes repeat after %.1f m. %s", e.Length/1000, e.Text))
	case Promised:
		if e.Text == "" {
			return "no present any more"
		}
		return "a present for " + e.Text
	case Finished:
		return "off the needles"
	case Bent:
		return fmt.Sprintf("version %d of the plan: %s", e.Version, e.Text)
	default:
		return e.Text
	}
}

// Undecided is a question that was put off: whether a sock is to be knitted as the other one will be.
type Undecided struct {
	// Sock is the one that waits for an answer, 1 or 2.
	Sock int `json:"sock"`
	// Text says what happened to the other.
	Text string `json:"text"`
	// Before is the version of the plan before it happened first.
	Before int `json:"before"`
	// Versions of the plan are those that each thing made that happened since and is not decided either; none for the one after Before.
	Versions []int `json:"versions,omitempty"`
}

// Check says what of it cannot have been left open in a version of a plan.
func (u *Undecided) Check(version int) error {
	switch {
	case u.Sock < 1 || u.Sock > 2:
		return fmt.Errorf("undecided: sock: read %d; a pair has socks 1 and 2", u.Sock)
	case u.Before < 1 || u.Before >= version:
		return fmt.Errorf("undecided: before: read %d; it is a version before %d", u.Before, version)
	case len(u.Text) > maxUndecided:
		return fmt.Errorf("undecided: text: read %d bytes; %d at most", len(u.Text), maxUndecided)
	case len(u.Versions) > version || !slices.IsSorted(u.Versions) || len(u.Versions) > 0 && (u.Versions[0] <= u.Before || u.Versions[len(u.Versions)-1] > version):
		return fmt.Errorf("undecided: versions: read %.60q; they lie between %d and %d, each after the one before", fmt.Sprint(u.Versions), u.Before+1, version)
	}
	return nil
}

// maxUndecided are the bytes of all that can have happened and is still to be decided.
const maxUndecided = 20_000

// Made are the versions of the plan that what happened made, the oldest first.
func (u *Undecided) Made() []int {
	if len(u.Versions) == 0 {
		return []int{u.Before + 1}
	}
	return u.Versions
}
