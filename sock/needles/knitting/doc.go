// Package knitting is a sock on the needles: the plan that is kept, whole, and
// never made again, and what the screens read from it.
//
// Knitting begins with an [Edition]: the document of the plan, rows and all. A
// plan that changes on the way is a new edition, which keeps the knitted rows
// as they are, letter for letter ([Splice]). An edition never changes, so what
// is derived from it is worked out once ([Edition.Work]).
package knitting
