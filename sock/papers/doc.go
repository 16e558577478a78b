// Package papers is every document that a knitter writes or is handed: design, draft, plan, swatches, yarn and the
// basket that keeps them.
//
// A room here may know people and rows. It says what a paper holds, what may
// stand in it and what its numbers come to; it makes no rows.
package papers
