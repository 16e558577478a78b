// Package words says rows the way knitters do: in abbreviations with repeats
// folded, and in whole words for those who are new to them. It names the
// needle on which each part is worked.
package words
