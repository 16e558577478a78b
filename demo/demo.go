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
		"foot":  object{"length_mm": 268, "ball_girth_mm": 252, "heel_diagonal_mm": 388},
		"gauge": object{"stitches_per_100mm": 22, "rounds_per_100mm": 30},
		"heel":  object{"kind": "flap_under"}, "toe": object{"start": "rounded"},
		"leg": object{"height_mm": 210, "pattern": "rib_3x1"}, "cuff": object{"pattern": "rib_2x2"},
	}, nil},
	{"First frost, for the youngest", "Pim", object{
		"foot":  object{"length_mm": 162, "ball_girth_mm": 164},
		"gauge": object{"stitches_per_100mm": 34, "rounds_per_100mm": 46},
		"heel":  object{"turn": "yarn_over"}, "toe": object{"kind": "short_row"},
	}, nil},
	{"Transit socks", "Ravna", object{
		"foot":  object{"length_mm": 243, "ball_girth_mm": 228, "heel_diagonal_mm": 342},
		"gauge": object{"stitches_per_100mm": 33, "rounds_per_100mm": 45},
		"heel":  object{"kind": "gusset_turn", "turn": "wrap"}, "toe": object{"kind": "garter_square"},
		"leg": object{"height_mm": 150}, "yarn": object{"contrast": []string{"toe", "heel", "cuff"}},
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
