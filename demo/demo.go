// Package demo holds the made-up socks of the Lantern Hill Observers, amateur
// astronomers who keep watch on a cold roof and knit for each other.
package demo

import (
	"context"
	"fmt"

	"acornstep/http"
	"acornstep/sock/basket"
	"acornstep/sock/draft"
	"acornstep/sock/measure"
	"acornstep/sqlite"
)

type object = map[string]any

// socks are put into the basket in this order, so that the last is on top.
var socks = []struct {
	name, wearer string
	design       object
	entries      map[string]string
}{
	{"Comet hunter's short socks", "Oswin", object{
		"foot":  object{"length_mm": 228, "ball_girth_mm": 212},
		"gauge": object{"stitches_per_100mm": 34, "rounds_per_100mm": 48},
		"leg":   object{"height_mm": 110}, "cuff": object{"height_mm": 30},
	}, nil},
	{"Dome keeper's thick socks", "Marit", object{
		"foot":  object{"length_mm": 268, "ball_girth_mm": 252},
		"gauge": object{"stitches_per_100mm": 22, "rounds_per_100mm": 30},
		"leg":   object{"height_mm": 210},
	}, nil},
	{"First frost, for the youngest", "Pim", object{
		"foot":  object{"length_mm": 162, "ball_girth_mm": 164},
		"gauge": object{"stitches_per_100mm": 34, "rounds_per_100mm": 46},
	}, nil},
	{"Eclipse trip socks", "Teodor", object{
		"foot": object{"length_mm": 259},
	}, map[string]string{"foot.ball_girth_mm": "ask him!"}},
	{"Observatory roof socks", "Isolde", object{
		"foot":  object{"length_mm": 251, "ball_girth_mm": 236},
		"gauge": object{"stitches_per_100mm": 32, "rounds_per_100mm": 44},
		"leg":   object{"height_mm": 180},
	}, nil},
}

// Fill puts the demo socks into a basket that is still empty.
func Fill(ctx context.Context, store *sqlite.Store) error {
	kept, err := store.List(ctx)
	if err != nil || len(kept) > 0 {
		return err
	}
	for _, s := range socks {
		sock, err := http.Digested(basket.Sock{
			Name: s.name, Wearer: s.wearer, Draft: draft.Draft{Design: s.design, Entries: s.entries},
		}, measure.Centimetres)
		if err != nil {
			return fmt.Errorf("%s: %w", s.name, err)
		}
		if _, err := store.Add(ctx, sock); err != nil {
			return err
		}
	}
	return nil
}
