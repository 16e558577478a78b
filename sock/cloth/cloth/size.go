package cloth

import (
	"acornstep/sock/figures/lengths"
	"acornstep/sock/rows/needle"
)

// manySlips is from how many of its loops on, as a share, a row draws together that slips them.
const manySlips = 0.25

// size is how wide and how high the loops of a row are at rest; those of the instep may be as wide as their pattern makes them.
type size struct {
	wide, high float64
	begins     int // the first loop of the instep in its round, and how many there are
	instep     int
	instepWide float64
}

// of is how wide the k-th loop of the row is.
func (s *size) of(k int) float64 {
	if k >= s.begins && k < s.begins+s.instep {
		return s.instepWide
	}
	return s.wide
}

// sizesOf are the sizes of every row.
func sizesOf(rows []needle.Row, s Sizes) []size {
	list := make([]size, len(rows))
	legBegan, slipped := false, false
	for i := range rows {
		row := &rows[i]
		plain := size{wide: 1 / s.Gauge.Stitches, high: 1 / s.Gauge.Rounds}
		slips := slipsMany(row)
		if slips || slipped {
			plain.high *= s.Slipped
		}
		if row.Kind == needle.FlatRow {
			slipped = slips
		} else {
			slipped = false
		}
		switch {
		case row.Fabric == needle.Garter:
			plain.high = 1 / lengths.GarterRows(s.Gauge)
		case row.Section == needle.Leg:
			if legBegan = legBegan || patterned(row); legBegan {
				plain.wide *= s.Leg
			}
		case row.Section == needle.Cuff:
			plain.wide *= s.Cuff
		case row.Section != needle.Toe && row.Kind == needle.Round:
			plain.begins = row.InstepBegins()
			plain.instep, plain.instepWide = s.InstepStitches, plain.wide*s.Instep
		}
		list[i] = plain
	}
	return list
}

func patterned(row *needle.Row) bool {
	for _, o := range row.Ops {
		if o.Code.IsPurl() || o.Code == needle.YO {
			return true
		}
	}
	return false
}

// slipsMany says whether a row slips every other stitch or so; the first after a turn does not count.
func slipsMany(row *needle.Row) bool {
	slips, all := 0, 0
	for i, o := range row.Ops {
		all += o.N * o.Code.Takes()
		if o.Code == needle.Sl && i > 0 {
			slips += o.N
		}
	}
	return float64(slips) > manySlips*float64(all)
}
