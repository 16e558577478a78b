// Package said is the rows in words, steps and pictures of the hands, as knitters say them, and the same words read back.
//
// A room here may know papers and the rows in them. It says what is there and
// never asks who made it.
package said
