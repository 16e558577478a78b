package web

import (
	"sync"
	"time"
)

const (
	freeTries   = 3                // wrong tries before waiting begins
	longestWait = 5 * time.Minute  // after many wrong tries
	forgetAfter = 30 * time.Minute // without a try
	mostCallers = 10_000           // whose wrong tries are remembered
	// All strangers together have freeStrangers tries, and then one every strangerEvery:
	// with a new address for each guess a passphrase is no sooner found.
	freeStrangers = 30
	strangerEvery = 10 * time.Second
)

// brake slows those down who guess: from the fourth wrong try on a caller waits,
// twice as long each time, and strangers wait for each other. A device that
// knew the passphrase once is no stranger: nobody else's guessing keeps it out.
type brake struct {
	now func() time.Time

	mu      sync.Mutex
	callers map[string]wrongTries
	// strangers is when the tries of all of them would be paid off.
	strangers time.Time
}

type wrongTries struct {
	count int
	last  time.Time
}

func newBrake(now func() time.Time) *brake {
	return &brake{now: now, callers: map[string]wrongTries{}}
}

// reserve counts a try, or says how long the caller has to wait for it. The try
// counts as wrong until it is forgiven, so that many at once are no way round the waiting.
func (b *brake) reserve(caller string, known bool) time.Duration {
	b.mu.Lock()
	defer b.mu.Unlock()
	now := b.now()
	t := b.callers[caller]
	if now.Sub(t.last) > forgetAfter {
		t.count = 0
	}
	if wait := t.last.Add(pauseAfter(t.count)).Sub(now); wait > 0 {
		return wait
	}
	if !known {
		if b.strangers.Before(now) {
			b.strangers = now
		}
		if wait := b.strangers.Sub(now) - (freeStrangers-1)*strangerEvery; wait > 0 {
			return wait
		}
		b.strangers = b.strangers.Add(strangerEvery)
	}
	b.makeRoom(now)
	b.callers[caller] = wrongTries{t.count + 1, now}
	return 0
}

// pauseAfter is how long nobody may try again after so many wrong tries.
func pauseAfter(count int) time.Duration {
	pause := time.Duration(0)
	for i := freeTries; i <= count && pause < longestWait; i++ {
		pause = max(time.Second, 2*pause)
	}
	return min(pause, longestWait)
}

// makeRoom keeps the list of callers bounded: who has not tried for long is
// forgotten. Strangers are too few in that time to fill it.
func (b *brake) makeRoom(now time.Time) {
	if len(b.callers) < mostCallers {
		return
	}
	for name, t := range b.callers {
		if now.Sub(t.last) > forgetAfter {
			delete(b.callers, name)
		}
	}
}

// forgive takes back the tries of somebody who knew the passphrase.
func (b *brake) forgive(caller string, known bool) {
	b.mu.Lock()
	defer b.mu.Unlock()
	delete(b.callers, caller)
	if !known {
		b.strangers = b.strangers.Add(-strangerEvery)
	}
}
