package tracing

import "fmt"

// homography is the map of the plane that takes four points to four others and
// straight lines to straight lines: what a camera does to a sheet, undone.
// It solves u = (ax+by+c)/(gx+hy+1), v = (dx+ey+f)/(gx+hy+1) for a … h.
func homography(from, to [4]Point) func(Point) Point {
	var rows [8][9]float64
	for i := range 4 {
		x, y, u, v := from[i][0], from[i][1], to[i][0], to[i][1]
		rows[2*i] = [9]float64{x, y, 1, 0, 0, 0, -u * x, -u * y, u}
		rows[2*i+1] = [9]float64{0, 0, 0, x, y, 1, -v * x, -v * y, v}
	}
	h := solve(rows)
	return func(p Point) Point {
		w := h[6]*p[0] + h[7]*p[1] + 1
		return Point{(h[0]*p[0] + h[1]*p[1] + h[2]) / w, (h[3]*p[0] + h[4]*p[1] + h[5]) / w}
	}
}

// solve is Gauss's elimination with the largest pivot. The corners of a convex
// quadrilateral always give a solution; anything else is a bug of the caller.
func solve(rows [8][9]float64) [8]float64 {
	for i := range rows {
		best := i
		for j := i + 1; j < len(rows); j++ {
			if abs(rows[j][i]) > abs(rows[best][i]) {
				best = j
			}
		}
		rows[i], rows[best] = rows[best], rows[i]
		if rows[i][i] == 0 {
			panic(fmt.Sprintf("tracing: the corners make no sheet: %v", rows))
		}
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

func abs(x float64) float64 {
	if x < 0 {
		return -x
	}
	return x
}
