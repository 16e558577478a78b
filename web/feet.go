package web

import (
	"context"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/day"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
	"acornstep/sock/people/feet"
)

// Feet keeps the people socks are knitted for.
type Feet interface {
	Wearers(ctx context.Context) ([]feet.Wearer, error)
	Wearer(ctx context.Context, id string) (feet.Wearer, error)
	AddWearer(ctx context.Context, w feet.Wearer) (feet.Wearer, error)
	SaveWearer(ctx context.Context, w feet.Wearer) (feet.Wearer, error)
	MarkWearer(ctx context.Context, id string, deleted bool) error
	AddMeasurements(ctx context.Context, wearerID string, list []feet.Measurement, tracing *feet.Tracing) error
	MarkMeasurement(ctx context.Context, wearerID, id string, deleted bool) error
	MarkTracing(ctx context.Context, wearerID, id string, deleted bool) error
}

// WearerView is a wearer with what the measurements come to.
type WearerView struct {
	Wearer feet.Wearer `json:"wearer"`
	Left   FootView    `json:"left"`
	Right  FootView    `json:"right"`
	// UsedBy are the socks that were designed for one of these feet.
	UsedBy []Used `json:"used_by"`
}

// FootView is one foot as it is known now.
type FootView struct {
	Newest []feet.Measurement `json:"newest"`
	// Guesses stand in for what was not measured, by field.
	Guesses map[string]measure.Length `json:"guesses"`
	// Taken is what a design takes of this foot.
	Taken  basket.FootTaken `json:"taken"`
	Checks []verdict.Check  `json:"checks"`
	// Grows says whether it is asked how long the foot will be.
	Grows bool `json:"grows"`
}

// Used is a sock that uses something.
type Used struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// WearerList is everybody.
type WearerList struct {
	Wearers []WearerView `json:"wearers"`
}

// NewWearer asks for a new wearer.
type NewWearer struct {
	Name     string   `json:"name"`
	Cautions []string `json:"cautions"`
	Note     string   `json:"note"`
}

// SaveWearer replaces what is said of a wearer; measurements have their own calls.
type SaveWearer struct {
	Revision int      `json:"revision"`
	Name     string   `json:"name"`
	Cautions []string `json:"cautions"`
	Note     string   `json:"note"`
}

// NewMeasurement is a length as it was typed, in the unit that is in use.
type NewMeasurement struct {
	Side       string `json:"side" enum:"left,right"`
	What       string `json:"what"`
	Length     string `json:"length"`
	Unit       string `json:"unit" enum:"cm,in"`
	MeasuredOn string `json:"measured_on"`
	Guessed    bool   `json:"guessed"`
}

// GrowthQuestion asks how long a foot will be on a day.
type GrowthQuestion struct {
	Side string `json:"side" enum:"left,right"`
	Day  string `json:"day"`
	Unit string `json:"unit" enum:"cm,in"`
}

func (s *server) listWearers(c call[nothing]) (WearerList, error) {
	wearers, err := s.Feet.Wearers(c)
	if err != nil {
		return WearerList{}, err
	}
	uses, err := s.Basket.Uses(c)
	if err != nil {
		return WearerList{}, err
	}
	list := WearerList{Wearers: []WearerView{}}
	for _, w := range wearers {
		list.Wearers = append(list.Wearers, viewOf(w, uses))
	}
	return list, nil
}

func viewOf(w feet.Wearer, uses []basket.Use) WearerView {
	v := WearerView{Wearer: w, Left: footView(&w, feet.Left), Right: footView(&w, feet.Right), UsedBy: []Used{}}
	for _, u := range uses {
		if u.WearerID == w.ID {
			v.UsedBy = append(v.UsedBy, Used{u.ID, u.Name})
		}
	}
	return v
}

func footView(w *feet.Wearer, side feet.Side) FootView {
	foot := w.Foot(side, "")
	v := FootView{
		Newest: []feet.Measurement{}, Guesses: map[string]measure.Length{},
		Taken: basket.TakeFoot(w, side), Checks: []verdict.Check{}, Grows: w.MayGrow(side),
	}
	for _, k := range feet.Kinds {
		if m, has := foot[k.Name]; has {
			v.Newest = append(v.Newest, m)
		}
	}
	if v.Taken.Lengths["length_mm"] > 0 {
		known := design.FootOf(v.Taken.Lengths)
		for _, name := range known.Estimated {
			v.Guesses[name] = known.Measured(name)
		}
		v.Checks = append(v.Checks, knit.AskAboutFoot(known).In(measure.Centimetres)...)
	}
	return v
}

func (s *server) wearerView(ctx context.Context, id string) (WearerView, error) {
	w, err := s.Feet.Wearer(ctx, id)
	if err != nil {
		return WearerView{}, err
	}
	uses, err := s.Basket.Uses(ctx)
	return viewOf(w, uses), err
}

func (s *server) getWearer(c call[nothing]) (WearerView, error) { return s.wearerView(c, c.ID) }

func (s *server) addWearer(c call[NewWearer]) (WearerView, error) {
	w := feet.Wearer{Name: c.Asked.Name, Cautions: c.Asked.Cautions, Note: c.Asked.Note}
	if err := w.Validate().Err(); err != nil {
		return WearerView{}, err
	}
	w, err := s.Feet.AddWearer(c, w)
	return viewOf(w, nil), err
}

func (s *server) saveWearer(c call[SaveWearer]) (WearerView, error) {
	w := feet.Wearer{ID: c.ID, Revision: c.Asked.Revision, Name: c.Asked.Name, Cautions: c.Asked.Cautions, Note: c.Asked.Note}
	if err := w.Validate().Err(); err != nil {
		return WearerView{}, err
	}
	if _, err := s.Feet.SaveWearer(c, w); err != nil {
		return WearerView{}, err
	}
	return s.wearerView(c, c.ID)
}

func (s *server) addMeasurement(c call[NewMeasurement]) (WearerView, error) {
	q := c.Asked
	unit, err := unitOf(q.Unit)
	if err != nil {
		return WearerView{}, err
	}
	length, err := measure.ParseLength(q.Length, unit)
	if err != nil {
		return WearerView{}, document.Faults{{Field: "length", Message: err.Error()}}
	}
	m := feet.Measurement{Side: feet.Side(q.Side), What: q.What, Length: length, On: day.Date(q.MeasuredOn), Source: "tape"}
	if q.Guessed {
		m.Source = "guess"
	}
	faults := m.Validate(unit)
	s.notToCome(&faults, m.On)
	if err := faults.Err(); err != nil {
		return WearerView{}, err
	}
	if err := s.Feet.AddMeasurements(c, c.ID, []feet.Measurement{m}, nil); err != nil {
		return WearerView{}, err
	}
	return s.wearerView(c, c.ID)
}

// unitOf reads cm or in; nothing means cm.
func unitOf(name string) (measure.Unit, error) {
	if name == "" {
		return measure.Centimetres, nil
	}
	unit, err := measure.ParseUnit(name)
	if err != nil {
		return "", document.Faults{{Field: "unit", Message: err.Error()}}
	}
	return unit, nil
}

func (s *server) growth(c call[GrowthQuestion]) (feet.Growth, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return feet.Growth{}, err
	}
	side, err := feet.ParseSide(c.Asked.Side)
	if err != nil {
		return feet.Growth{}, document.Faults{{Field: "side", Message: err.Error()}}
	}
	on, err := day.Parse(c.Asked.Day)
	if err != nil {
		return feet.Growth{}, document.Faults{{Field: "day", Message: err.Error()}}
	}
	w, err := s.Feet.Wearer(c, c.ID)
	if err != nil {
		return feet.Growth{}, err
	}
	g, err := w.GrowthUntil(side, on, unit)
	if err != nil {
		return g, document.Faults{{Field: "day", Message: err.Error()}}
	}
	return g, nil
}

// notToCome refuses a measurement of a day that nobody has seen yet; where the
// reader lives it may be tomorrow already.
func (s *server) notToCome(faults *document.Faults, on day.Date) {
	if on > day.Of(s.Now()).Add(1) {
		faults.Add("measured_on", "read %s, which is still to come", on)
	}
}
