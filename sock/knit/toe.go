package knit

// Toe is a way to begin the sock.
type Toe interface {
	// Size works out s.Toe; it may stop the sock.
	Size(s *Sock)
	// Work casts on and knits up to the full count.
	Work(h *hands, s *Sock)
}

var toes = map[string]Toe{
	"wedge": wedgeToe{},
}
