// Package people is whoever a sock is knitted for: feet with their dated measurements, and the outline of a foot on a picture.
//
// A room here may know figures. It knows no yarn, no stitch and no design.
package people
