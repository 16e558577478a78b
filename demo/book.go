package demo

import (
	"context"
	"fmt"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
	"acornstep/sqlite"
)

// taped is a measurement by tape, in the order of the tables below.
type taped struct {
	side   feet.Side
	what   string
	length measure.Length
	on     day.Date
}

// wearers of the demo: varied feet, measured on the nights of the watch.
var wearers = []struct {
	name     string
	cautions []string
	note     string
	measured []taped
}{
	{"Isolde", []string{}, "Wears through under the left heel. Hand wash, dried flat.", []taped{
		{feet.Left, "length_mm", 251, "2026-10-04"}, {feet.Left, "ball_girth_mm", 236, "2026-10-04"},
		{feet.Right, "length_mm", 255, "2026-10-04"}, {feet.Right, "ball_girth_mm", 234, "2026-10-04"},
	}},
	{"Marit", []string{"circulation"}, "Iron stairs and a dome without heating.", []taped{
		{feet.Left, "length_mm", 268, "2026-09-12"}, {feet.Left, "ball_girth_mm", 252, "2026-09-12"},
		{feet.Left, "heel_diagonal_mm", 388, "2026-09-12"},
	}},
	{"Oswin", []string{"smooth_floors"}, "", []taped{
		{feet.Left, "length_mm", 228, "2026-08-21"}, {feet.Right, "length_mm", 228, "2026-08-21"},
	}},
	{"Pim", []string{"smooth_floors"}, "Grows like a comet's tail.", []taped{
		{feet.Left, "length_mm", 152, "2026-01-17"}, {feet.Left, "length_mm", 157, "2026-06-13"},
		{feet.Left, "length_mm", 162, "2026-11-14"},
		{feet.Left, "ball_girth_mm", 164, "2026-11-14"},
	}},
	{"Ravna", []string{}, "", []taped{
		{feet.Right, "length_mm", 243, "2026-10-30"}, {feet.Right, "ball_girth_mm", 228, "2026-10-30"},
		{feet.Right, "heel_diagonal_mm", 342, "2026-10-30"},
		{feet.Left, "length_mm", 243, "2026-10-30"}, {feet.Left, "ball_girth_mm", 228, "2026-10-30"},
	}},
}

func fillFeet(ctx context.Context, store *sqlite.Store) (map[string]*feet.Wearer, error) {
	kept := map[string]*feet.Wearer{}
	for _, w := range wearers {
		added, err := store.AddWearer(ctx, feet.Wearer{Name: w.name, Cautions: w.cautions, Note: w.note})
		if err != nil {
			return nil, err
		}
		list := make([]feet.Measurement, 0, len(w.measured))
		for _, m := range w.measured {
			list = append(list, feet.Measurement{Side: m.side, What: m.what, Length: m.length, On: m.on, Source: "tape"})
		}
		if err := store.AddMeasurements(ctx, added.ID, list, nil); err != nil {
			return nil, err
		}
		if added, err = store.Wearer(ctx, added.ID); err != nil {
			return nil, err
		}
		kept[w.name] = &added
	}
	return kept, nil
}

// grow measures a foot anew after its sock was designed, so that the demo shows what is said then.
func grow(ctx context.Context, store *sqlite.Store, w *feet.Wearer) error {
	return store.AddMeasurements(ctx, w.ID, []feet.Measurement{{Side: feet.Left, What: "length_mm", Length: 272, On: "2026-11-20",
		Source: "tape"}}, nil)
}

// book is the swatch book of the demo.
var book = []struct {
	name   string
	yarn   swatch.Yarn
	needle measure.Length
	form   string
	washed bool
	counts []swatch.Noted
}{
	{"dusk 2.5", swatch.Yarn{Name: "Dusk, fine sock yarn", Grams: 100, Metres: 420, Fibre: "wool with a quarter of nylon"}, 2.5, "round",
		true, []swatch.Noted{
			{What: "stitches", Count: 32, Width: 100}, {What: "stitches", Count: 16, Width: 50},
			{What: "stitches", Count: 32, Width: 100},
			{What: "rounds", Count: 44, Width: 100}, {What: "rounds", Count: 22, Width: 50}, {What: "rounds", Count: 44, Width: 100},
		}},
	{"dusk 2.25", swatch.Yarn{Name: "Dusk, fine sock yarn"}, 2.25, "flat", false, []swatch.Noted{
		{What: "stitches", Count: 34, Width: 100}, {What: "stitches", Count: 10.5, Width: 30}, {What: "rounds", Count: 47, Width: 100},
	}},
	{"bracken 3.5", swatch.Yarn{Name: "Bracken, thick house yarn", Grams: 100, Metres: 210, Fibre: "wool"}, 3.5, "round", true,
		[]swatch.Noted{
			{What: "stitches", Count: 22, Width: 100}, {What: "stitches", Count: 22, Width: 100},
			{What: "stitches", Count: 22, Width: 100},
			{What: "rounds", Count: 30, Width: 100}, {What: "rounds", Count: 30, Width: 100}, {What: "rounds", Count: 30, Width: 100},
		}},
}

func fillSwatches(ctx context.Context, store *sqlite.Store) (map[string]*swatch.Swatch, error) {
	yarns, needles, kept := map[string]string{}, map[measure.Length]string{}, map[string]*swatch.Swatch{}
	for _, s := range book {
		if _, has := yarns[s.yarn.Name]; !has {
			y, err := store.AddYarn(ctx, s.yarn)
			if err != nil {
				return nil, fmt.Errorf("%s: %w", s.name, err)
			}
			yarns[y.Name] = y.ID
		}
		if _, has := needles[s.needle]; !has {
			n, err := store.AddNeedle(ctx, swatch.Needle{Size: s.needle})
			if err != nil {
				return nil, fmt.Errorf("%s: %w", s.name, err)
			}
			needles[s.needle] = n.ID
		}
		w, err := store.AddSwatch(ctx, swatch.Swatch{YarnID: yarns[s.yarn.Name], NeedleID: needles[s.needle], Form: s.form,
			Washed: s.washed})
		if err != nil {
			return nil, fmt.Errorf("%s: %w", s.name, err)
		}
		for _, c := range s.counts {
			if err := store.AddReading(ctx, w.ID, c); err != nil {
				return nil, fmt.Errorf("%s: %w", s.name, err)
			}
		}
		if w, err = store.Swatch(ctx, w.ID); err != nil {
			return nil, fmt.Errorf("%s: %w", s.name, err)
		}
		kept[s.name] = &w
	}
	return kept, nil
}
