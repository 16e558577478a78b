package web

import (
	"context"
)

// nothing is the question, or the answer, of a call that has none.
type nothing struct{}

// call is one request with its question read.
type call[Q any] struct {
	context.Context
	// ID is the id in the path, Part that of a part of the thing.
	ID, Part string
	Asked    Q
	// token is what the device carries that asks; empty without a passphrase.
	token string
	// base is where the program is reached through a proxy; empty without one.
	base string
}
