// Package demo holds the made-up basket of the Lantern Hill Observers, amateur
// astronomers who keep watch on a cold roof and knit for each other.
package demo

import (
	"context"
	"fmt"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/draft"
	"acornstep/sock/people/feet"
	"acornstep/sqlite"
)

type object = map[string]any

// socks are put into the basket in this order, so that the last is on top. Foot
// and swatch name a wearer and a swatch of the demo; empty where figures were typed.
var socks = []struct {
	name, wearer string
	side         feet.Side
	swatch       string
	design       object
	entries      map[string]string
	notes        string
}{
	{"Comet hunter's short socks", "Oswin", "", "", object{
		"foot":  object{"length_mm": 228, "ball_girth_mm": 212},
		"gauge": object{"stitches_per_100mm": 34, "rounds_per_100mm": 48},
		"leg":   object{"height_mm": 110}, "cuff": object{"height_mm": 30},
	}, nil, ""},
	{"Dome keeper's thick socks", "Marit", feet.Left, "bracken 3.5", object{
		"heel": object{"kind": "flap_under"}, "toe": object{"start": "rounded"},
		"leg": object{"height_mm": 210, "pattern": "rib_3x1"}, "cuff": object{"pattern": "rib_2x2"},
		"yarn": object{"ball_g": 100, "ball_m": 210},
	}, nil, "For the iron stairs: the flap may be long."},
	{"First frost, for the youngest", "Pim", feet.Left, "", object{
		"gauge": object{"stitches_per_100mm": 34, "rounds_per_100mm": 46},
		"heel":  object{"turn": "yarn_over"}, "toe": object{"kind": "short_row"},
	}, nil, ""},
	{"Transit socks", "Ravna", feet.Right, "", object{
		"gauge": object{"stitches_per_100mm": 33, "rounds_per_100mm": 45},
		"heel":  object{"kind": "gusset_turn", "turn": "wrap"}, "toe": object{"kind": "garter_square"},
		"leg": object{"height_mm": 150}, "yarn": object{"contrast": []string{"toe", "heel", "cuff"}},
	}, nil, ""},
	{"Eclipse trip socks", "Teodor", "", "", object{
		"foot": object{"length_mm": 259},
	}, map[string]string{string(at.FootBallGirth): "ask him!"}, ""},
	{"Observatory roof socks", "Isolde", feet.Left, "dusk 2.5", object{
		"leg": object{"height_mm": 180},
	}, nil, "She stands on the roof for hours: no seam under the toes."},
}

// Fill puts the demo's feet, swatches and socks into a database that is still empty.
func Fill(ctx context.Context, store *sqlite.Store) error {
	kept, err := store.List(ctx)
	if err != nil || len(kept) > 0 {
		return err
	}
	wearers, err := fillFeet(ctx, store)
	if err != nil {
		return err
	}
	swatches, err := fillSwatches(ctx, store)
	if err != nil {
		return err
	}
	for _, s := range socks {
		sock := basket.Sock{Name: s.name, Wearer: s.wearer, Notes: s.notes, Draft: draft.Draft{Design: s.design, Entries: s.entries}}
		if s.side != "" {
			taken := basket.TakeFoot(wearers[s.wearer], s.side)
			sock.Foot = &taken
			foot := object{"estimated": taken.Estimated, "cautions": taken.Cautions}
			for name, length := range taken.Lengths {
				foot[name] = float64(length)
			}
			second := object{}
			for name, length := range taken.Second {
				second[name] = float64(length)
			}
			sock.Draft.Design["foot"], sock.Draft.Design["second_foot"], sock.Draft.Design["mirror"] = foot, second, s.side == feet.Right
		}
		if s.swatch != "" {
			taken, _ := basket.TakeSwatch(swatches[s.swatch])
			sock.Swatch = &taken
			sock.Draft.Design["gauge"] = object{"stitches_per_100mm": taken.Stitches, "rounds_per_100mm": taken.Rounds}
		}
		sock, err := board.Digest(sock, measure.Centimetres)
		if err != nil {
			return fmt.Errorf("%s: %w", s.name, err)
		}
		if sock, err = store.Add(ctx, sock); err != nil {
			return err
		}
		if s.name == onTheNeedles {
			if err := castOn(ctx, store, sock); err != nil {
				return fmt.Errorf("%s: %w", s.name, err)
			}
		}
	}
	return grow(ctx, store, wearers["Marit"])
}
