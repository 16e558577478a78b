package shape

import "acornstep/sock/knit"

// Across are the two ends of the line along which a place of the fit is measured.
type Across struct {
	Place string   `json:"place"`
	Ends  [2]Point `json:"ends"`
}

// Places are where the fit is measured, on the drawing of a sock.
func Places(s *knit.Sock, drawn Shape) []Across {
	whole := float64(s.Gauge.Girth(float64(s.Stitches))) / 2
	leg := float64(s.Gauge.Girth(float64(s.LegStitches))) / 2
	toes := float64(s.Toe.Length)
	front := drawn.Ankle[0] - whole/2 // where the mitre of the ankle begins to cut
	ball := min(toes+0.06*float64(s.FinishedLength), front)
	arch := (ball + front) / 2
	legRight := drawn.Width
	list := []Across{
		{"toes", [2]Point{{toes * 0.6, whole * 0.12}, {toes * 0.6, whole * 0.88}}},
		{"ball", [2]Point{{ball, 0}, {ball, whole}}},
		{"arch", [2]Point{{arch, 0}, {arch, whole}}},
		{"heel", [2]Point{{drawn.Ankle[0] - whole*0.25, drawn.Ankle[1] + whole*0.25}, {float64(s.FinishedLength), 0}}},
		{"ankle", [2]Point{{legRight - leg, drawn.Ankle[1] + whole*0.5}, {legRight, drawn.Ankle[1] + whole*0.5}}},
		{"cuff", [2]Point{{legRight - leg, drawn.Height}, {legRight, drawn.Height}}},
	}
	if height := s.Design.Foot.CalfHeight; height != nil {
		y := min(drawn.Height, float64(*height))
		list = append(list, Across{"calf", [2]Point{{legRight - leg, y}, {legRight, y}}})
	}
	return list
}
