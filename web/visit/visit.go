// Package visit says who is logged in: a device that gave the passphrase.
package visit

import "time"

// Visit is a session of one device. The token that the device carries is kept
// nowhere; Hash is what it is known by.
type Visit struct {
	Hash string
	// Key follows from the passphrase: visits of another one are none any more.
	Key string
	// Device is what the browser says of itself, as "Firefox on Android".
	Device            string
	Began, Seen, Ends time.Time
}
