package shape

import (
	"acornstep/sock/knit"
)

// Ghost is the outline of the foot and leg as they would lie flat beside the
// sock: half of each girth tall, so that what the sock has to stretch shows as
// a rim. It is a closed curve, drawn through its points.
func Ghost(s *knit.Sock) Points {
	foot := s.Design.Foot
	ball, ankle, diagonal := float64(foot.BallGirth)/2, float64(foot.AnkleGirth)/2, float64(foot.HeelDiagonal)/2
	long, toes := float64(foot.Length), float64(foot.ToeDepth)
	heel := float64(s.FinishedLength) + (long-float64(s.FinishedLength))/2
	tip := heel - long
	below := (ball - float64(s.Gauge.Girth(float64(s.Stitches)))/2) / 2 // the rim is shared by sole and instep
	top := float64(s.Heel.Stitches)/2/s.Gauge.Stitches + float64(s.Design.Leg.Height)
	leg := float64(s.Gauge.Girth(float64(s.LegStitches))) / 2
	right := float64(s.FinishedLength) + (ankle-leg)/2
	left := right - ankle
	calf := 0.0
	if foot.CalfGirth != nil && foot.CalfHeight != nil && s.Design.Leg.Height >= *foot.CalfHeight {
		calf = (float64(*foot.CalfGirth)/2 - ankle) / 2
	}
	bend := diagonal * 0.72 // the heel diagonal runs from the heel's point to the bend of the ankle
	return curve([]Point{
		{tip, ball * 0.28}, {tip + toes*0.18, ball * 0.56}, {tip + toes, ball*0.78 - below},
		{tip + long*0.42, ball - below}, {left - ball*0.10, max(bend*0.78, ball*1.02) - below},
		{left, bend + ball*0.10}, {left - calf*0.4, top * 0.62}, {left - calf, top},
		{right + calf, top}, {right + calf*0.5, top * 0.62}, {right - ankle*0.03, ball * 1.05},
		{heel, ball * 0.42}, {heel - ball*0.10, ball * 0.04}, {heel - ball*0.38, -below},
		{tip + long*0.5, -below * 0.2}, {tip + toes*1.3, -below}, {tip + toes*0.35, -below * 0.2},
	})
}

// pointsBetween two corners of a curve.
const pointsBetween = 5

// curve goes smoothly through the points and back to the first: Catmull and Rom's spline.
func curve(through []Point) Points {
	n := len(through)
	at := func(i int) Point { return through[(i+n)%n] }
	points := make(Points, 0, n*pointsBetween)
	for i := range through {
		p0, p1, p2, p3 := at(i-1), at(i), at(i+1), at(i+2)
		for step := range pointsBetween {
			t := float64(step) / pointsBetween
			var p Point
			for axis := range p {
				p[axis] = 0.5 * (2*p1[axis] + (p2[axis]-p0[axis])*t +
					(2*p0[axis]-5*p1[axis]+4*p2[axis]-p3[axis])*t*t +
					(3*p1[axis]-p0[axis]-3*p2[axis]+p3[axis])*t*t*t)
			}
			points = append(points, p)
		}
	}
	return rounded(points)
}
