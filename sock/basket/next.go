package basket

import "fmt"

// Next is the next thing to do on a sock.
type Next struct {
	Text string `json:"text"`
	// To is the page where it is done: board, rows or knit.
	To string `json:"to" enum:"board,rows,knit"`
}

// NextStep says what to do next on a sock, with what has changed since it was designed.
func NextStep(s *Sock, news []News) Next {
	switch {
	case s.OnNeedles:
		return Next{"Knit on", "knit"}
	case s.Digest.Rows == 0 && s.Digest.Missing == "":
		return Next{"Begin with the foot", "board"}
	case s.Digest.Rows == 0:
		return Next{"To do: " + s.Digest.Missing, "board"}
	}
	for _, n := range news {
		switch {
		case n.Gone:
			continue // the sock keeps what it took
		case n.Of == "foot":
			return Next{fmt.Sprintf("%s's foot has changed: look at it", n.Name), "board"}
		default:
			return Next{"The swatch has changed: look at it", "board"}
		}
	}
	return Next{fmt.Sprintf("Cast on %d stitches", s.Digest.CastOn), "knit"}
}
