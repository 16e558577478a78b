package logbook

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
}

// Read folds events, in any order and with any repeated, into a book.
func Read(events []Event) Book {
	merged := Merge(events)
	gone := takenBack(merged)
	var b Book
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
	}
	return b
}

func (p *Place) take(e Event) {
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
