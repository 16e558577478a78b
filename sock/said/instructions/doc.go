// Package instructions writes the rows of a sock as knitters write them on
// paper: up to a place instead of so many stitches, rows that are worked alike
// said once, and what repeats said as a repeat. The words are exact: [Read] turns them back into every row.
//
// A line is "Round 3: knit all round." or "Row 4 (WS): ds, purl to the double
// stitch, turn."; "Rows 4 and 5, 8 times more (to row 21)." works lines again. What follows " – " is
// for the eyes: stitches, groups at the fingers, a note.
package instructions
