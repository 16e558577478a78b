package web

import (
	"encoding/json"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/people/feet"
	"acornstep/sock/people/tracing"
)

// TracingQuestion are the marks on a picture.
type TracingQuestion struct {
	Marks tracing.Marks `json:"marks"`
	// Apart is the distance of the two points of the scale as it was typed, in the unit in use; without it known_mm counts.
	Apart string `json:"apart,omitempty"`
	Unit  string `json:"unit,omitempty" enum:"cm,in"`
}

// NewTracing keeps a tracing that was measured on the screen, and the lengths read from it.
type NewTracing struct {
	Side       string        `json:"side" enum:"left,right"`
	MeasuredOn string        `json:"measured_on"`
	Marks      tracing.Marks `json:"marks"`
	// Apart and Unit as in [TracingQuestion].
	Apart string `json:"apart,omitempty"`
	Unit  string `json:"unit,omitempty" enum:"cm,in"`
	// Preview is a small JPEG as a data URL; empty for none.
	Preview string `json:"preview"`
}

// marksOf reads the typed distance into the marks.
func marksOf(marks tracing.Marks, apart, unitName string) (tracing.Marks, error) {
	if marks.Sheet != "" || apart == "" {
		return marks, nil
	}
	unit, err := unitOf(unitName)
	if err != nil {
		return marks, err
	}
	if marks.Known, err = measure.ParseLength(apart, unit); err != nil {
		return marks, document.Faults{{Field: "apart", Message: err.Error()}}
	}
	return marks, nil
}

func (s *server) measureTracing(c call[TracingQuestion]) (tracing.Foot, error) {
	marks, err := marksOf(c.Asked.Marks, c.Asked.Apart, c.Asked.Unit)
	if err != nil {
		return tracing.Foot{}, err
	}
	return tracing.Measure(marks)
}

func (s *server) addTracing(c call[NewTracing]) (WearerView, error) {
	q := c.Asked
	marks, err := marksOf(q.Marks, q.Apart, q.Unit)
	if err != nil {
		return WearerView{}, err
	}
	found, err := tracing.Measure(marks)
	if err != nil {
		return WearerView{}, err
	}
	var list []feet.Measurement
	for _, f := range []struct {
		what  string
		found *tracing.Found
	}{
		{"length_mm", &found.Length}, {"toe_depth_mm", found.ToeDepth}, {"ball_width_mm", found.Width},
		{"toe_tip_aside_mm", found.ToeTipAside}, {"little_toe_aside_mm", found.LittleToeAside},
	} {
		if f.found == nil {
			continue
		}
		m := feet.Measurement{Side: feet.Side(q.Side), What: f.what, Length: f.found.Length.Tenth(), On: day.Date(q.MeasuredOn),
			Source: "tracing", Uncertainty: f.found.Uncertainty.Tenth()}
		faults := m.Validate(measure.Centimetres)
		s.notToCome(&faults, m.On)
		if err := faults.Err(); err != nil {
			return WearerView{}, err
		}
		list = append(list, m)
	}
	if err := checkPreview(q.Preview); err != nil {
		return WearerView{}, document.Faults{{Field: "preview", Message: err.Error()}}
	}
	points, err := json.Marshal(marks)
	if err != nil {
		return WearerView{}, err
	}
	kept := feet.Tracing{Side: feet.Side(q.Side), On: day.Date(q.MeasuredOn), Points: string(points), Preview: q.Preview}
	if err := s.Feet.AddMeasurements(c, c.ID, list, &kept); err != nil {
		return WearerView{}, err
	}
	return s.wearerView(c, c.ID)
}
