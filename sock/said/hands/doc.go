// Package hands shows every move of the hands: a sequence of steps, each one
// sentence and one picture, with what must be seen at the end and the usual mistake.
//
// A sequence is what lies on two needles ([rs], [ws]) and verbs ([enter], [wrap],
// [draw], [drop], [slip], [turn] …): a step is a sentence and the verbs that are done
// in it. A [work] that was changed by them is drawn as it lies then, so the loops of a
// step are those of the one before but for what was done to them. A new move is steps
// in a list; it needs no code that draws.
//
// Everything drawn is a [body]: a line with depth through the middle of a strand of
// yarn, a needle or a finger. [painted] lays bodies down, the deepest first.
//
// Lengths are in pixels of a picture: x grows to the right, y upwards, z towards the
// knitter. The first loop of the left needle hangs at the origin.
package hands
