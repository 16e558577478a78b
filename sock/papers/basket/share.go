package basket

import "time"

// Share is a link that lets somebody read the pattern of a sock, and nothing else, until it is taken back.
type Share struct {
	// Hash is that of the link's secret; the secret itself is kept nowhere.
	Hash    string    `json:"hash"`
	Created time.Time `json:"created"`
	// Key tells under which passphrase it was made; it ends with that.
	Key string `json:"-"`
}
