// Package needles is a sock while it is knitted: the editions of its plan that are kept, what happened, what it
// comes to, and where it was put down.
//
// A room here may know how a plan is made and drawn. Rows that are knitted
// never change here.
package needles
