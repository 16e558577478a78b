// Package feet knows the people socks are knitted for: each foot with its dated
// measurements, what a shoe size says about a foot that nobody has measured,
// how a child's foot grows, and what to be careful of.
//
// A measurement is never overwritten. The foot of a day is made of the newest
// measurement of each kind up to that day, so that a sock can say which foot it
// was designed for and what has changed since.
package feet
