// Package needle is the needle machine: loops on needles, the small fixed set
// of operations that knitting in the round and back and forth is made of, and
// the rules that say when an operation is possible.
//
// The loops form a ring. Loop 0 is the first of needle 1 (the instep). The
// cursor stands between two loops, where the yarn is. On the right side it
// moves up the ring, on the wrong side down. After a provisional cast-on the
// loops lie on an open line until the chain is unzipped.
//
// A [Row] is a list of operations; [Machine.Work] works it loop by loop, or
// says at which operation and why that is impossible, as a [Fault].
package needle
