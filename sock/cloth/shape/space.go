package shape

import (
	"encoding/base64"
	"encoding/binary"
	"math"
	"slices"

	"acornstep/sock/cloth/worn"
	"acornstep/sock/rows/knitted"
)

// Space is a sock on its foot as a surface in space, packed for a screen that turns it.
type Space struct {
	// Side is the foot that it is on.
	Side string `json:"side" enum:"left,right"`
	// Places are x, y and z (to the wearer's left) of every loop in fiftieths of a millimetre, as int16, little endian, in base64.
	Places string `json:"places"`
	// Facets are three loops each, as uint32.
	Facets string `json:"facets"`
	// Looks are a byte for each facet: in its lowest two bits how it lies in its stitch, then a bit for a purl,
	// two for the word of its stretch from slack to tight, and three for its yarn.
	Looks string `json:"looks"`
	// Yarns are the colours by their number, as the plan names them.
	Yarns []string `json:"yarns"`
	// Foot is the skin, a little within itself: places as those of the loops, so many rings of so many each.
	Foot  string `json:"foot"`
	Rings int    `json:"rings"`
	Round int    `json:"round"`
}

const fiftieths = 50

// under is how far the skin is drawn under its true place, in mm, so that cloth that is flat between two loops lies over it.
const under = 2.5

// SpaceOf packs a sock. Words are those of the stretch of its loops, colours those of their yarn.
func SpaceOf(w *worn.Worn, t *knitted.Sock, words, colours []string) Space {
	s := Space{Side: w.Foot.Side.String(), Yarns: []string{}}
	places := make([]byte, 0, 6*len(w.Places))
	for _, p := range w.Places {
		places = packed(places, p[:])
	}
	sight := &sight{worn: w, knitted: t}
	facets, looks := make([]byte, 0, 12*len(w.Cloth.Facets)), make([]byte, 0, len(w.Cloth.Facets))
	for i, f := range w.Cloth.Facets {
		top := max(f[0], f[1], f[2]) // the loop that was made last is the stitch that shows
		for _, id := range f {
			facets = binary.LittleEndian.AppendUint32(facets, uint32(id))
		}
		colour := colours[top]
		yarn := slices.Index(s.Yarns, colour)
		if yarn < 0 {
			yarn = len(s.Yarns)
			s.Yarns = append(s.Yarns, colour)
		}
		look := byte(w.Cloth.Lies[i]) | byte(max(0, slices.Index(Words, words[top])))<<3 | byte(yarn&7)<<5
		if sight.purl(top) {
			look |= 4
		}
		looks = append(looks, look)
	}
	const round, apart = 24, 6.0 // places of a ring; mm from ring to ring
	var skin []byte
	for at := 0.0; at < w.Foot.Reach(); at += apart {
		for k := range round {
			p := w.Foot.Skin(at, 2*math.Pi*float64(k)/round)
			_, out := w.Foot.Depth(p)
			for axis := range p {
				p[axis] -= under * out[axis]
			}
			skin = packed(skin, p[:])
		}
		s.Rings++
	}
	s.Round = round
	encode := base64.StdEncoding.EncodeToString
	s.Places, s.Facets, s.Looks, s.Foot = encode(places), encode(facets), encode(looks), encode(skin)
	return s
}

func packed(into []byte, place []float64) []byte {
	for _, mm := range place {
		steps := math.Max(math.MinInt16, math.Min(math.MaxInt16, math.Round(mm*fiftieths)))
		into = binary.LittleEndian.AppendUint16(into, uint16(int16(steps)))
	}
	return into
}
