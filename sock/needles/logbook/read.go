package logbook

import "slices"

// Place is where one sock is.
type Place struct {
	// Row is the next row to knit, counted from 0; it is the number of rows done.
	Row int `json:"row"`
	// Half: the first half of that row is done.
	Half     bool `json:"half"`
	Finished bool `json:"finished"`
	// Last is the event that brought the sock here; empty before the first.
	Last string `json:"last"`
}

// Book is what a list of events comes to.
type Book struct {
	// Places of the first and the second sock.
	Places [2]Place `json:"places"`
	// Standing are the events that nobody took back, in order.
	Standing []Event `json:"-"`
	// Clock is the largest that was seen.
	Clock int64 `json:"clock"`
	// Strays are ticks, not taken back, of rows that became others before they were heard: somebody has to say what is on the needles.
	Strays []Stray `json:"strays"`
}

// Stray is a tick of rows that became others.
type Stray struct {
	ID string `json:"id"`
	// Sock is 1 or 2; Version the one of the plan on which it was made, Rows how many of its rows it says are done.
	Sock    int `json:"sock"`
	Version int `json:"version"`
	Rows    int `json:"rows"`
	// Held is how many of them are rows of the newest version too.
	Held int `json:"held"`
}

// Read folds events, in any order and with any repeated, into a book.
func Read(events []Event) Book {
	merged := Merge(events)
	gone := takenBack(merged)
	b := Book{Strays: []Stray{}}
	for _, e := range merged {
		b.Clock = max(b.Clock, e.Clock)
		if e.Kind == Undone || gone[e.ID] {
			continue
		}
		b.Standing = append(b.Standing, e)
		if e.Sock < 1 || e.Sock > len(b.Places) {
			continue
		}
		b.Places[e.Sock-1].take(e)
		switch {
		case e.Stray:
			b.Strays = append(b.Strays, Stray{ID: e.ID, Sock: e.Sock, Version: e.Version, Rows: e.counted, Held: e.Held})
		case e.Kind == Placed:
			// Whoever says where the sock is has answered what was asked of it.
			b.Strays = slices.DeleteFunc(b.Strays, func(s Stray) bool { return s.Sock == e.Sock })
		}
	}
	return b
}

func (p *Place) take(e Event) {
	if e.Stray {
		if e.Held > p.Row {
			*p = Place{Row: e.Held, Last: e.ID}
		}
		return
	}
	switch e.Kind {
	case RowDone:
		// What is done stays done: a device that lags behind never takes a row back.
		if e.Row+1 > p.Row {
			*p = Place{Row: e.Row + 1, Last: e.ID}
		}
	case HalfDone:
		if e.Row >= p.Row {
			*p = Place{Row: e.Row, Half: true, Last: e.ID}
		}
	case Placed:
		*p = Place{Row: e.Row, Last: e.ID}
	case Finished:
		p.Finished, p.Last = true, e.ID
	}
}

// takenBack are the events that an undo names. An undo can itself be undone:
// the later one decides, and an undo always comes after what it names.
func takenBack(merged []Event) map[string]bool {
	gone := map[string]bool{}
	for i := len(merged) - 1; i >= 0; i-- {
		if e := merged[i]; e.Kind == Undone && !gone[e.ID] {
			gone[e.Of] = true
		}
	}
	return gone
}
