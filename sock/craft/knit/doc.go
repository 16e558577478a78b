// Package knit turns a design into counts and then knits the sock, row by row,
// on a needle machine. Nothing is written down that was not worked: a worker
// follows the needle, sees what hangs there and records what it did.
//
// A toe, a heel, a turning style, a cast-on, a bind-off and a stitch pattern
// are each one file, and one line where their kind is listed.
package knit
