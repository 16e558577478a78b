package feet

import (
	"cmp"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
)

// Side is left or right.
type Side string

// The two sides.
const (
	Left  Side = "left"
	Right Side = "right"
)

// ParseSide reads left or right.
func ParseSide(name string) (Side, error) {
	if side := Side(name); side == Left || side == Right {
		return side, nil
	}
	return "", fmt.Errorf("read %.20q, expected left or right", name)
}

// Other is the other foot.
func (s Side) Other() Side {
	if s == Left {
		return Right
	}
	return Left
}

// Wearer is somebody who wears socks.
type Wearer struct {
	ID       string `json:"id"`
	Revision int    `json:"revision"`
	Name     string `json:"name"`
	// Cautions are names of the Cautions list.
	Cautions []string `json:"cautions"`
	Note     string   `json:"note"`
	// Measurements of both feet, the oldest first.
	Measurements []Measurement `json:"measurements"`
	Tracings     []Tracing     `json:"tracings"`
}

// Measurement is one length or girth of one foot on one day.
type Measurement struct {
	ID   string `json:"id"`
	Side Side   `json:"side"`
	// What names a Kind.
	What   string         `json:"what"`
	Length measure.Length `json:"length_mm"`
	On     day.Date       `json:"measured_on"`
	Source string         `json:"source" enum:"tape,tracing,shoe,guess"`
	// Uncertainty is how far it may be off; 0 where nobody knows.
	Uncertainty measure.Length `json:"uncertainty_mm"`
}

// Guessed says that nobody laid a tape there.
func (m Measurement) Guessed() bool { return m.Source == "shoe" || m.Source == "guess" }

// Tracing is what is kept of a tracing that was measured on the screen.
type Tracing struct {
	ID   string   `json:"id"`
	Side Side     `json:"side"`
	On   day.Date `json:"measured_on"`
	// Points are the marks, as they were set, in the picture's pixels.
	Points string `json:"points"`
	// Preview is a small JPEG as a data URL.
	Preview string `json:"preview"`
}

// Kind is a thing to measure on a foot.
type Kind struct {
	Name  string `json:"name"`
	Label string `json:"label"`
	// How says where the tape goes.
	How string         `json:"how"`
	Min measure.Length `json:"min_mm"`
	Max measure.Length `json:"max_mm"`
	// Design: the measurement is a field of a design's foot.
	Design bool `json:"design"`
	// Noun is what it is called in a sentence.
	Noun string `json:"-"`
}

// Kinds lists what is measured, in the order of measuring.
var Kinds = []Kind{
	{"length_mm", "Length", "Standing with the whole weight on it, from the heel to the longest toe.", 80, 350, true, "a foot's length"},
	{"ball_girth_mm", "Girth round the ball", "Round the widest place, behind the toes; the tape touches and does not press.", 90, 350,
		true, "the girth round the ball"},
	{"toe_depth_mm", "Depth of the toes", "From the tip of the longest toe back to where the little toe begins.", 10, 110, true,
		"the depth of the toes"},
	{"ball_width_mm", "Width", "Across the ball, on the tracing. No sock is reckoned from it; it shows how two feet differ.", 30, 150,
		false, "the width of the foot"},
	{"instep_girth_mm", "Instep", "Round the foot halfway from the ball to the bend of the ankle, where it is highest.", 90, 400, true,
		"the girth over the instep"},
	{"heel_diagonal_mm", "Heel diagonal", "Round the point of the heel and the bend of the ankle.", 90, 600, true, "the heel diagonal"},
	{"ankle_girth_mm", "Ankle", "Round the thinnest place above the ankle bones.", 60, 460, true, "the girth of the ankle"},
	{"calf_girth_mm", "Calf", "Round the thickest place of the calf, for knee socks.", 80, 700, true, "the girth of the calf"},
	{"calf_height_mm", "Height of the calf", "From the floor up to that place.", 50, 600, true, "the height of the calf"},
	{"knee_girth_mm", "Below the knee", "Round the leg just below the knee, where the cuff of a knee sock sits.", 80, 700, true,
		"the girth below the knee"},
	{"knee_height_mm", "Height below the knee", "From the floor up to that place.", 80, 700, true, "the height below the knee"},
	{"toe_tip_aside_mm", "Longest toe, inward", "From the middle of the foot, heel to ball, over to its tip. A tracing tells it; it shapes the toes of the picture, no count.", 0, 60, true, "how far the longest toe lies inward"},
	{"little_toe_aside_mm", "Little toe, outward",
		"From the same line out to where the little toe begins. A tracing tells it; it shapes the toes of the picture, no count.", 10, 90,
		true, "how far the little toe lies outward"},
}

// KindOf finds a kind by its name.
func KindOf(name string) (Kind, bool) {
	i := slices.IndexFunc(Kinds, func(k Kind) bool { return k.Name == name })
	if i < 0 {
		return Kind{}, false
	}
	return Kinds[i], true
}

// Longest texts, in characters.
const (
	maxName = 80
	maxNote = 2000
)

// Validate tidies the texts of a wearer and says what is wrong with them.
func (w *Wearer) Validate() document.Faults {
	var faults document.Faults
	w.Name, w.Note = strings.TrimSpace(w.Name), strings.TrimSpace(w.Note)
	if n := utf8.RuneCountInString(w.Name); n == 0 || n > maxName {
		faults.Add("name", "read %d characters; a name has 1 to %d", n, maxName)
	}
	if n := utf8.RuneCountInString(w.Note); n > maxNote {
		faults.Add("note", "read %d characters; a note has at most %d", n, maxNote)
	}
	if n := len(w.Cautions); n > len(Cautions) {
		faults.Add("cautions", "read %d; there are %d", n, len(Cautions))
		faults.Unprintable("name", w.Name)
		return faults
	}
	for i, name := range w.Cautions {
		if !slices.ContainsFunc(Cautions, func(c Caution) bool { return c.Name == name }) {
			faults.Add(fmt.Sprintf("cautions[%d]", i), "read %.40q, expected one of %s", name, strings.Join(CautionNames(), ", "))
		}
	}
	slices.SortFunc(w.Cautions, func(a, b string) int {
		return cmp.Compare(slices.Index(CautionNames(), a), slices.Index(CautionNames(), b))
	})
	w.Cautions = slices.Compact(w.Cautions)
	return faults
}

var sources = []string{"tape", "tracing", "shoe", "guess"}

// Validate says what is wrong with a measurement; unit is how lengths are shown.
func (m *Measurement) Validate(unit measure.Unit) document.Faults {
	var faults document.Faults
	kind, known := KindOf(m.What)
	switch {
	case !known:
		faults.Add("what", "read %.40q, which is nothing that is measured on a foot", m.What)
	case m.Length < kind.Min || m.Length > kind.Max:
		faults.Add("length", "read %s; %s is %s to %s", unit.Show(m.Length), strings.ToLower(kind.Label), unit.Show(kind.Min),
			unit.Show(kind.Max))
	}
	if _, err := ParseSide(string(m.Side)); err != nil {
		faults.Add("side", "%s", err)
	}
	if _, err := day.Parse(string(m.On)); err != nil {
		faults.Add("measured_on", "%s", err)
	}
	if !slices.Contains(sources, m.Source) {
		faults.Add("source", "read %.20q, expected one of %s", m.Source, strings.Join(sources, ", "))
	}
	return faults
}

// Foot is one foot of one day: the newest measurement of each kind.
type Foot map[string]Measurement

// Foot gives the foot as it was known on a day; "" means with everything known.
// It is empty when nothing had been measured.
func (w *Wearer) Foot(side Side, on day.Date) Foot {
	foot := Foot{}
	for _, m := range w.Measurements {
		if m.Side != side || on != "" && m.On > on {
			continue
		}
		if kept, has := foot[m.What]; !has || m.On >= kept.On {
			foot[m.What] = m
		}
	}
	return foot
}

// Lengths are the measurements that a design's foot has, in millimetres by field.
func (f Foot) Lengths() map[string]measure.Length {
	lengths := map[string]measure.Length{}
	for _, k := range Kinds {
		if m, has := f[k.Name]; has && k.Design {
			lengths[k.Name] = m.Length
		}
	}
	return lengths
}

// Estimated lists the design's fields that rest on a guess.
func (f Foot) Estimated() []string {
	names := []string{}
	for _, k := range Kinds {
		if m, has := f[k.Name]; has && k.Design && m.Guessed() {
			names = append(names, k.Name)
		}
	}
	return names
}
