package tracing

import "math"

// homography is the map of the plane that takes four points to four others and
// straight lines to straight lines: what a camera does to a sheet, undone. It
// solves u = (ax+by+c)/(gx+hy+1), v = (dx+ey+f)/(gx+hy+1) for a … h, with x and
// y seen from the middle of the points and in their own size, so that the 1 is
// never a 0 and no figure dwarfs another. A place on or beyond the horizon of
// the sheet, where the picture shows none of its plane, becomes NaN.
func homography(from, to [4]Point) func(Point) Point {
	seen := inTheirMiddle(from)
	var rows [8][9]float64
	for i := range 4 {
		p := seen(from[i])
		x, y, u, v := p[0], p[1], to[i][0], to[i][1]
		rows[2*i] = [9]float64{x, y, 1, 0, 0, 0, -u * x, -u * y, u}
		rows[2*i+1] = [9]float64{0, 0, 0, x, y, 1, -v * x, -v * y, v}
	}
	h := solve(rows)
	return func(p Point) Point {
		p = seen(p)
		w := h[6]*p[0] + h[7]*p[1] + 1
		if !(w > 0) {
			return Point{math.NaN(), math.NaN()}
		}
		return Point{(h[0]*p[0] + h[1]*p[1] + h[2]) / w, (h[3]*p[0] + h[4]*p[1] + h[5]) / w}
	}
}

// inTheirMiddle sees a point from the middle of four, with their spread as 1.
func inTheirMiddle(points [4]Point) func(Point) Point {
	var x, y, spread float64
	for _, p := range points {
		x, y = x+p[0]/4, y+p[1]/4
	}
	for _, p := range points {
		spread += math.Hypot(p[0]-x, p[1]-y) / 4
	}
	return func(p Point) Point { return Point{(p[0] - x) / spread, (p[1] - y) / spread} }
}

// solve is Gauss's elimination with the largest pivot. Corners of which three
// lie in a line have no solution: its figures are then no numbers.
func solve(rows [8][9]float64) [8]float64 {
	for i := range rows {
		best := i
		for j := i + 1; j < len(rows); j++ {
			if math.Abs(rows[j][i]) > math.Abs(rows[best][i]) {
				best = j
			}
		}
		rows[i], rows[best] = rows[best], rows[i]
		for j := range rows {
			if j == i {
				continue
			}
			factor := rows[j][i] / rows[i][i]
			for k := i; k < len(rows[j]); k++ {
				rows[j][k] -= factor * rows[i][k]
			}
		}
	}
	var x [8]float64
	for i := range x {
		x[i] = rows[i][8] / rows[i][i]
	}
	return x
}
