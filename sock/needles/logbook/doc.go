// Package logbook is what happened on the needles: an append-only list of
// events, and what they come to.
//
// An event is made by a device, which may be without a connection for a while.
// It says what was done in absolute words ("row 41 of the first sock is done"),
// never "one more", so that hearing it twice changes nothing. Events carry a
// logical clock, larger than every clock the device had seen; together with the
// device's name and the event's id that orders all events the same way
// everywhere, whatever the clocks on the wall say. Undoing is an event that
// names another. Everything else — place, pace, yarn, real gauge — is computed
// from the list by pure functions.
package logbook
