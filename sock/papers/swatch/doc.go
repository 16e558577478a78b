// Package swatch is the book of swatches: pieces knitted to find a gauge, with
// every count that was read on them, the yarn and the needle they were knitted
// with, and what they say about the next one.
package swatch
