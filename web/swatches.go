package web

import (
	"context"

	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/swatch"
)

// Swatches keeps the swatch book, the yarns and the needles.
type Swatches interface {
	Yarns(ctx context.Context) ([]swatch.Yarn, error)
	AddYarn(ctx context.Context, y swatch.Yarn) (swatch.Yarn, error)
	SaveYarn(ctx context.Context, y swatch.Yarn) (swatch.Yarn, error)
	MarkYarn(ctx context.Context, id string, deleted bool) error
	Needles(ctx context.Context) ([]swatch.Needle, error)
	AddNeedle(ctx context.Context, n swatch.Needle) (swatch.Needle, error)
	MarkNeedle(ctx context.Context, id string, deleted bool) error
	Swatches(ctx context.Context) ([]swatch.Swatch, error)
	Swatch(ctx context.Context, id string) (swatch.Swatch, error)
	AddSwatch(ctx context.Context, w swatch.Swatch) (swatch.Swatch, error)
	SaveSwatch(ctx context.Context, w swatch.Swatch) (swatch.Swatch, error)
	MarkSwatch(ctx context.Context, id string, deleted bool) error
	AddReading(ctx context.Context, swatchID string, t swatch.Noted) error
	MarkReading(ctx context.Context, swatchID, id string, deleted bool) error
}

// Book is the swatch book with its yarns and needles.
type Book struct {
	Swatches []SwatchView    `json:"swatches"`
	Yarns    []swatch.Yarn   `json:"yarns"`
	Needles  []swatch.Needle `json:"needles"`
}

// SwatchView is a swatch with what it comes to.
type SwatchView struct {
	Swatch swatch.Swatch  `json:"swatch"`
	Judged swatch.Judged  `json:"judged"`
	Yarn   *swatch.Yarn   `json:"yarn,omitempty"`
	Needle *swatch.Needle `json:"needle,omitempty"`
	// Taken is what a design takes; left out while the swatch lacks counts.
	Taken  *basket.SwatchTaken `json:"taken,omitempty"`
	UsedBy []Used              `json:"used_by"`
}

// NewYarn asks for a yarn; numbers as they were typed.
type NewYarn struct {
	Revision int    `json:"revision"`
	Name     string `json:"name"`
	Grams    string `json:"ball_g"`
	Metres   string `json:"ball_m"`
	Fibre    string `json:"fibre"`
	Note     string `json:"note"`
	// Unit says whether a length of yarn without its own is in metres (cm) or yards (in).
	Unit string `json:"unit,omitempty" enum:"cm,in"`
}

// NewNeedle asks for a needle; its size as it was typed, in mm.
type NewNeedle struct {
	Size string `json:"size_mm"`
	Name string `json:"name"`
}

// NewSwatch asks for a swatch, or replaces what is said of one.
type NewSwatch struct {
	Revision int    `json:"revision"`
	YarnID   string `json:"yarn_id"`
	NeedleID string `json:"needle_id"`
	Form     string `json:"form" enum:"round,flat,sock"`
	Washed   bool   `json:"washed"`
	Note     string `json:"note"`
}

// NewReading is a count as it was typed, over a width in the unit that is in use.
type NewReading struct {
	What  string `json:"what" enum:"stitches,rounds"`
	Count string `json:"count"`
	Width string `json:"width"`
	Unit  string `json:"unit" enum:"cm,in"`
}

// AimQuestion asks which needle would give a gauge; a count over 10 cm or 4 in as it was typed.
type AimQuestion struct {
	Stitches string `json:"stitches"`
	Unit     string `json:"unit" enum:"cm,in"`
}

func (s *server) getBook(c call[nothing]) (Book, error) { return s.book(c) }

func (s *server) getSwatch(c call[nothing]) (SwatchView, error) { return s.swatchView(c, c.ID) }

func (s *server) book(ctx context.Context) (Book, error) {
	var b Book
	var err error
	if b.Yarns, err = s.Swatches.Yarns(ctx); err != nil {
		return b, err
	}
	if b.Needles, err = s.Swatches.Needles(ctx); err != nil {
		return b, err
	}
	swatches, err := s.Swatches.Swatches(ctx)
	if err != nil {
		return b, err
	}
	uses, err := s.Basket.Uses(ctx)
	b.Swatches = []SwatchView{}
	for _, w := range swatches {
		b.Swatches = append(b.Swatches, viewOfSwatch(w, &b, uses))
	}
	return b, err
}

func viewOfSwatch(w swatch.Swatch, b *Book, uses []basket.Use) SwatchView {
	v := SwatchView{Swatch: w, UsedBy: []Used{}}
	for i := range b.Yarns {
		if b.Yarns[i].ID == w.YarnID {
			v.Yarn = &b.Yarns[i]
		}
	}
	for i := range b.Needles {
		if b.Needles[i].ID == w.NeedleID {
			v.Needle = &b.Needles[i]
		}
	}
	v.Judged = swatch.Judge(&w, v.Yarn)
	if taken, ready := basket.TakeSwatch(&w); ready {
		v.Taken = &taken
	}
	for _, u := range uses {
		if u.SwatchID == w.ID {
			v.UsedBy = append(v.UsedBy, Used{u.ID, u.Name})
		}
	}
	return v
}

func (s *server) swatchView(ctx context.Context, id string) (SwatchView, error) {
	if _, err := s.Swatches.Swatch(ctx, id); err != nil {
		return SwatchView{}, err
	}
	b, err := s.book(ctx)
	for _, v := range b.Swatches {
		if v.Swatch.ID == id {
			return v, err
		}
	}
	return SwatchView{}, err
}

// number reads a typed number into faults.
func number(faults *document.Faults, field, text string) float64 {
	value, err := measure.ParseNumber(text)
	if err != nil {
		faults.Add(field, "%s", err)
	}
	return value
}

func (q *NewYarn) yarn(id string) (swatch.Yarn, error) {
	var faults document.Faults
	unit, err := unitOf(q.Unit)
	if err != nil {
		return swatch.Yarn{}, err
	}
	metres, err := measure.ParseYarn(q.Metres, unit)
	if err != nil {
		faults.Add("ball_m", "%s", err)
	}
	y := swatch.Yarn{ID: id, Revision: q.Revision, Name: q.Name, Grams: number(&faults, "ball_g", q.Grams), Metres: metres,
		Fibre: q.Fibre, Note: q.Note}
	if len(faults) == 0 {
		faults = y.Validate()
	}
	return y, faults.Err()
}

func (s *server) addYarn(c call[NewYarn]) (swatch.Yarn, error) {
	y, err := c.Asked.yarn("")
	if err != nil {
		return y, err
	}
	return s.Swatches.AddYarn(c, y)
}

func (s *server) saveYarn(c call[NewYarn]) (swatch.Yarn, error) {
	y, err := c.Asked.yarn(c.ID)
	if err != nil {
		return y, err
	}
	return s.Swatches.SaveYarn(c, y)
}

func (s *server) addNeedle(c call[NewNeedle]) (swatch.Needle, error) {
	var faults document.Faults
	n := swatch.Needle{Size: measure.Length(number(&faults, "size_mm", c.Asked.Size)), Name: c.Asked.Name}
	if len(faults) == 0 {
		faults = n.Validate()
	}
	if err := faults.Err(); err != nil {
		return n, err
	}
	return s.Swatches.AddNeedle(c, n)
}

func (q *NewSwatch) swatch(id string) (swatch.Swatch, error) {
	w := swatch.Swatch{ID: id, Revision: q.Revision, YarnID: q.YarnID, NeedleID: q.NeedleID, Form: q.Form, Washed: q.Washed, Note: q.Note}
	faults := w.Validate()
	if w.YarnID == "" {
		faults.Add("yarn_id", "is empty: which yarn is it?")
	}
	if w.NeedleID == "" {
		faults.Add("needle_id", "is empty: which needle was it?")
	}
	return w, faults.Err()
}

func (s *server) addSwatch(c call[NewSwatch]) (SwatchView, error) {
	w, err := c.Asked.swatch("")
	if err != nil {
		return SwatchView{}, err
	}
	if w, err = s.Swatches.AddSwatch(c, w); err != nil {
		return SwatchView{}, err
	}
	return s.swatchView(c, w.ID)
}

func (s *server) saveSwatch(c call[NewSwatch]) (SwatchView, error) {
	w, err := c.Asked.swatch(c.ID)
	if err != nil {
		return SwatchView{}, err
	}
	if _, err := s.Swatches.SaveSwatch(c, w); err != nil {
		return SwatchView{}, err
	}
	return s.swatchView(c, c.ID)
}

func (s *server) addReading(c call[NewReading]) (SwatchView, error) {
	q := c.Asked
	unit, err := unitOf(q.Unit)
	if err != nil {
		return SwatchView{}, err
	}
	var faults document.Faults
	t := swatch.Noted{What: q.What, Count: number(&faults, "count", q.Count)}
	if t.Width, err = measure.ParseLength(q.Width, unit); err != nil {
		faults.Add("width", "%s", err)
	}
	if len(faults) == 0 {
		faults = t.Validate(unit)
	}
	if err := faults.Err(); err != nil {
		return SwatchView{}, err
	}
	if err := s.Swatches.AddReading(c, c.ID, t); err != nil {
		return SwatchView{}, err
	}
	return s.swatchView(c, c.ID)
}

// aim reckons the next needle from all swatches of the same yarn.
func (s *server) aim(c call[AimQuestion]) (swatch.Aim, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return swatch.Aim{}, err
	}
	wanted, err := measure.ParseGauge(c.Asked.Stitches, unit)
	if err != nil {
		return swatch.Aim{}, document.Faults{{Field: "stitches", Message: err.Error()}}
	}
	this, err := s.swatchView(c, c.ID)
	if err != nil {
		return swatch.Aim{}, err
	}
	b, err := s.book(c)
	if err != nil {
		return swatch.Aim{}, err
	}
	var own []swatch.Knitted
	for _, v := range b.Swatches {
		if v.Swatch.YarnID == this.Swatch.YarnID && !v.Judged.Doubted() && v.Needle != nil {
			own = append(own, swatch.Knitted{Size: float64(v.Needle.Size), Stitches: v.Judged.Stitches.Mean})
		}
	}
	found, err := swatch.NextNeedle(own, wanted, this.Yarn)
	if err != nil {
		return found, document.Faults{{Field: "", Message: err.Error()}}
	}
	return found, nil
}
