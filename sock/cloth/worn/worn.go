// Package worn puts the cloth of a sock on a foot: its loops settle on the body, from coarse to fine, until nothing pulls any more.
//
// It starts from where each row should lie and shortens the threads in passes;
// what it comes to is a map of stretch, not a simulation of a moment.
package worn

import (
	"context"

	"acornstep/sock/cloth/body"
	"acornstep/sock/cloth/cloth"
	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/pattern"
)

// Worn is a sock on a foot.
type Worn struct {
	Cloth *cloth.Cloth
	Foot  *body.Foot
	// Places of its loops, in mm, by their number.
	Places []body.Vec
	frames []frame
}

// ClothOf is the cloth of a sock that was knitted.
func ClothOf(s *knit.Sock, t *knitted.Sock) *cloth.Cloth {
	cuff := 1.0
	if p := pattern.Find(s.Design.Cuff.Pattern, s.Design.Patterns); p != nil {
		cuff = p.Width
	}
	return cloth.Of(t, cloth.Sizes{
		Gauge: s.Gauge, Leg: s.LegWidth(), Cuff: cuff, Slipped: s.Design.Heel.FlapRowFactor,
		Instep: s.InstepWidth(), InstepStitches: s.Stitches / 2,
	})
}

// Care is how long the cloth is given to settle.
type Care int

// Rough is for the eye while a hand rests for a moment, Fine for figures and for paper.
const (
	Rough Care = iota
	Fine
)

// legRoom is how much higher than the sock the leg is made, as a share of the foot's length.
const legRoom = 0.5

// Of draws a sock over its foot. Its error is that of a context that ended.
func Of(ctx context.Context, s *knit.Sock, t *knitted.Sock, care Care) (*Worn, error) {
	high := float64(s.Design.Leg.Height) + legRoom*float64(s.Design.Foot.Length)
	return On(ctx, ClothOf(s, t), body.Of(&s.Design.Foot, sideOf(s.Design), high), care)
}

// sideOf is the foot for which a sock is knitted: mirrored rows are those of the right one.
func sideOf(d *design.Design) body.Side {
	if d.Mirror {
		return body.Right
	}
	return body.Left
}

// fewestRound is how many knots the coarsest net has round the ball of the foot, at least.
const fewestRound = 16

// nets are a sock as nets, from every loop a knot to the coarsest that still goes round a foot.
func nets(c *cloth.Cloth, f *body.Foot) []*net {
	ball, _ := f.Station("ball")
	most := f.Girth(ball) / fewestRound
	list := []*net{netOf(c)}
	for wide, high := 1/c.Gauge.Stitches, 1/c.Gauge.Rounds; ; {
		up := high <= wide
		if up {
			high *= 2
		} else {
			wide *= 2
		}
		if max(high, wide) > most {
			return list
		}
		list = append(list, list[len(list)-1].halved(up))
	}
}

// steps are how often each net moves: the coarsest while the sock is put on, and
// then as it is worn; one between; and the finest.
type steps struct{ on, worn, between, last int }

var stepsOf = map[Care]steps{
	Rough: {40, 12, 0, 1},
	Fine:  {180, 40, 36, 26},
}

// On lets cloth settle on a foot, from coarse to fine: the coarsest net finds
// the place of everything while a hand pulls it up, then the skin holds it, and
// the finer ones fill in what lies between. Its error is that of a context that ended.
func On(ctx context.Context, c *cloth.Cloth, f *body.Foot, care Care) (*Worn, error) {
	list, n := nets(c, f), stepsOf[care]
	last := len(list) - 1
	cl := begin(list[last], f)
	firm := 1.0
	if cl.onLeg() < 0.5 { // it is tried on half done: pulled on by hand, and held
		firm = held
	}
	cl.hand = firm * donning
	cl.settle(ctx, n.on)
	cl.hand, cl.worn = firm*resting, true
	cl.settle(ctx, n.worn)
	for i := last - 1; i >= 0; i-- {
		cl = cl.refined(list[i])
		switch i {
		case 0:
			cl.settle(ctx, n.last)
		case last / 2:
			if n.between > 0 { // the others only pass on what they were given
				cl.settle(ctx, n.between)
			}
		}
	}
	if err := ctx.Err(); err != nil {
		return nil, err
	}
	return &Worn{c, f, cl.place, framesOf(list[0], cl.place)}, nil
}
