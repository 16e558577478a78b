// Package cloth is the sock as a thing: its loops and links, the fabric under the yarn, the body in it, and every drawing made of these.
//
// A drawing may know the rows, the papers they stand on and how a sock is
// sized. It knows no judgement: whether a sock is good is a matter of the
// storey above.
package cloth
