package worn

import (
	"math"

	"acornstep/sock/cloth/body"
)

type vec = body.Vec

func add(a, b vec) vec           { return vec{a[0] + b[0], a[1] + b[1], a[2] + b[2]} }
func sub(a, b vec) vec           { return vec{a[0] - b[0], a[1] - b[1], a[2] - b[2]} }
func times(a vec, t float64) vec { return vec{a[0] * t, a[1] * t, a[2] * t} }
func dot(a, b vec) float64       { return a[0]*b[0] + a[1]*b[1] + a[2]*b[2] }
func long(a vec) float64         { return math.Sqrt(dot(a, a)) }
func cross(a, b vec) vec {
	return vec{a[1]*b[2] - a[2]*b[1], a[2]*b[0] - a[0]*b[2], a[0]*b[1] - a[1]*b[0]}
}
