package basket

import "fmt"

// Next is the next thing to do on a sock.
type Next struct {
	Text string `json:"text"`
	// Do is what kind of thing that is: something to decide, or to knit.
	Do string `json:"do" enum:"decide,knit"`
}

// NextStep says what to do next on a sock, with what has changed since it was designed.
func NextStep(s *Sock, news []News) Next {
	switch {
	case s.OnNeedles:
		return Next{"Knit on", "knit"}
	case s.Digest.Rows == 0 && s.Digest.Missing == "":
		return Next{"Begin with the foot", "decide"}
	case s.Digest.Rows == 0:
		return Next{"To do: " + s.Digest.Missing, "decide"}
	}
	for _, n := range news {
		switch {
		case n.Gone:
			continue // the sock keeps what it took
		case n.Of == "foot":
			return Next{fmt.Sprintf("%s's foot has changed: look at it", n.Name), "decide"}
		default:
			return Next{"The swatch has changed: look at it", "decide"}
		}
	}
	return Next{fmt.Sprintf("Cast on %d stitches", s.Digest.CastOn), "knit"}
}
