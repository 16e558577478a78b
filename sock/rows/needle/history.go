package needle

// Made is how one loop came to be.
type Made struct {
	// Row and Op that made it, counted from 0: the row in the order in which rows were begun, the operation within it.
	Row, Op int32
	Code    Code
	// From are the loops that it was drawn through, as numbers in the history
	// counted from 1; 0 stands for none, as in a cast-on.
	From [3]int32
}

// History is every loop that was made on a machine, in order.
type History struct{ made []Made }

// Loops are the loops of the history; the number of a loop is its index.
func (h *History) Loops() []Made { return h.made }

func (h *History) add(m Made, from []int32) {
	copy(m.From[:], from)
	h.made = append(h.made, m)
}

// Remember makes the machine keep the history of its loops, with room for so
// many. It has to be asked before the first one is cast on.
func (m *Machine) Remember(room int) *History {
	m.history = &History{made: make([]Made, 0, room)}
	return m.history
}
