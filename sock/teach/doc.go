// Package teach is the sock handed on: its pattern on paper, and a practice needle for whoever has never made the move.
//
// The top floor: a room here may know every other storey, and nothing in the
// core knows it.
package teach
