// Package figures is the ground floor: lengths, days and documents as people spell them, and what a figure or a judgement on it is.
//
// A room here may know the standard library and its neighbours, and no stitch:
// nothing in it would change if the house made mittens.
package figures
