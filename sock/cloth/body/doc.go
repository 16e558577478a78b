// Package body is the body of a foot and leg, made from its measurements: what
// a sock is drawn over.
//
// The body is a pile of slices. They stand upright along the foot, turn about a
// hinge in front of the ankle like the pages of an open book, and lie level
// along the leg; so each girth that a tape measures is the edge of one slice,
// the heel diagonal that of the page in the middle. How wide a slice is for its
// depth, and where its back lies (the sole, the heel, the calf), is that of feet
// at large; how large it is, its girth decides. Between the girths that are
// known it runs smoothly and does not swing past them.
//
// x runs along the foot from the tip of the toes, y up from the floor, z to
// the wearer's left, in millimetres: the outer side of a left foot, the inner one of a right foot.
package body
