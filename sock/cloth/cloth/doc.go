// Package cloth is a sock as a piece of cloth: its loops, the links of yarn
// between them with the lengths that they have when nothing pulls, and the
// facets of which its surface is made.
//
// It reads the rows as they were knitted and knows no technique. What lies on
// the needles is the edge of the cloth, as a ring of loops; a row takes loops
// from the ring and puts others in their place, and what lies between both is
// new cloth. Where rows turn, the edge remembers the loops down its side, until
// a row passes there and closes it, or loops are picked up along it. So heels
// and toes close by themselves, also those that nobody has drawn before.
package cloth
