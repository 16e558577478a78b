// Package hands shows every move of the hands: a sequence of steps, each one
// sentence and one picture, with what must be seen at the end and the usual slip.
//
// Pictures are written in a small language. A [scene] has needles, loops on
// them, the fabric below and strands of yarn, all at points whose third number says
// how near they are to whoever looks; [scene.strokes] turns it into lines in
// the order in which they lie over one another. A new move is steps in a list;
// it needs no code that draws.
//
// Lengths are in stitches: x grows to the right, y downwards, z towards the
// knitter. The left needle lies along y = 0, and the tips of both meet at the origin.
package hands
