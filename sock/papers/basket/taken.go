package basket

import (
	"math"
	"slices"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
)

// FootTaken is the foot that a sock was designed for, as it was then.
type FootTaken struct {
	WearerID string                    `json:"wearer_id"`
	Side     feet.Side                 `json:"side"`
	Lengths  map[string]measure.Length `json:"lengths"`
	// Estimated lists the lengths that rest on a guess.
	Estimated []string `json:"estimated"`
	Cautions  []string `json:"cautions"`
	// Second are the lengths in which the wearer's other foot differs; none where it was not measured, or is as this one.
	Second map[string]measure.Length `json:"second"`
}

// SwatchTaken is the swatch that a sock was designed with, as it was then.
type SwatchTaken struct {
	SwatchID string  `json:"swatch_id"`
	Stitches float64 `json:"stitches_per_100mm"`
	Rounds   float64 `json:"rounds_per_100mm"`
}

// News is what has changed since a sock took its foot or swatch.
type News struct {
	// Of is foot or swatch; Name whose.
	Of   string `json:"of" enum:"foot,swatch"`
	Name string `json:"name"`
	// Gone: it was deleted. The sock keeps what it took.
	Gone bool `json:"gone"`
	// Feet lists the measurements that changed; Cautions that the ticks did.
	Feet     []feet.Change `json:"feet"`
	Cautions bool          `json:"cautions"`
	// Foot and Swatch are what to take now; nil when it is gone or has nothing to give.
	Foot   *FootTaken   `json:"foot,omitempty"`
	Swatch *SwatchTaken `json:"swatch,omitempty"`
}

// TakeFoot is a wearer's foot as a design takes it now.
func TakeFoot(w *feet.Wearer, side feet.Side) FootTaken {
	cautions := w.Cautions
	if cautions == nil {
		cautions = []string{}
	}
	foot := w.Foot(side, "")
	return FootTaken{w.ID, side, foot.Lengths(), foot.Estimated(), cautions, foot.Other(w.Foot(side.Other(), ""))}
}

// FootNews compares the foot that was taken with the wearer's now; w is nil
// when the wearer is deleted. It is nil when nothing has changed.
func (t *FootTaken) FootNews(w *feet.Wearer) *News {
	if w == nil {
		return &News{Of: "foot", Gone: true, Feet: []feet.Change{}}
	}
	now := TakeFoot(w, t.Side)
	changes := w.Foot(t.Side, "").ChangesSince(t.Lengths)
	ticks := !slices.Equal(t.Cautions, now.Cautions)
	if t.Second != nil { // a sock of before took one foot only, and is knitted for that
		changes = append(changes, feet.SecondChanges(t.Second, now.Second)...)
	}
	if len(changes) == 0 && !ticks {
		return nil
	}
	if changes == nil {
		changes = []feet.Change{}
	}
	return &News{Of: "foot", Name: w.Name, Feet: changes, Cautions: ticks, Foot: &now}
}

// TakeSwatch is a swatch as a design takes it now; ok is false while it lacks counts.
func TakeSwatch(s *swatch.Swatch) (SwatchTaken, bool) {
	j := swatch.Judge(s, nil)
	if !j.Ready {
		return SwatchTaken{SwatchID: s.ID}, false
	}
	return SwatchTaken{s.ID, j.Stitches.Mean, j.Rounds.Mean}, true
}

// SwatchNews compares the swatch that was taken with what it is now, as FootNews does.
func (t *SwatchTaken) SwatchNews(s *swatch.Swatch, name string) *News {
	if s == nil {
		return &News{Of: "swatch", Gone: true, Feet: []feet.Change{}}
	}
	now, ready := TakeSwatch(s)
	const noticeable = 0.05 // stitches or rounds in 10 cm
	if !ready || math.Abs(now.Stitches-t.Stitches) < noticeable && math.Abs(now.Rounds-t.Rounds) < noticeable {
		return nil
	}
	return &News{Of: "swatch", Name: name, Feet: []feet.Change{}, Swatch: &now}
}
