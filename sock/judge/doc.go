// Package judge is what is thought of a sock before it is knitted: how it fits, what would be better, and what
// follows if a measure was off.
//
// A room here may know all that is drawn and said of a sock. It knows nothing
// of one that is on the needles.
package judge
