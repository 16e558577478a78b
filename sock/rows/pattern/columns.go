package pattern

import "acornstep/sock/rows/needle"

// Columns is a pattern laid out once round the sock: which face each stitch
// shows in each of its rounds. It is of knits and purls alone, so that a row may cross any part of it.
type Columns struct {
	// faces of one repeat by round and column; true is a purl, as seen from the right side.
	faces [][]bool
	// first is the column of the first stitch of the round.
	first int
	// wide are the faces of each round from stitch -reach to stitch reach: nearly every question, without a division.
	wide [][2 * reach]bool
}

// reach is more than half of the stitches of nearly every sock.
const reach = 128

// Flat says whether the pattern is of knits and purls alone: each stitch stands on the one below it.
func (p *Pattern) Flat() bool {
	for _, round := range p.Rounds {
		for _, o := range round {
			if o.Code != needle.K && o.Code != needle.P {
				return false
			}
		}
	}
	return true
}

// Rib says whether it is of columns: every round the same, knits beside purls.
func (p *Pattern) Rib() bool { return len(p.Rounds) == 1 && p.Flat() && !p.Plain() }

// LayOut lays a flat pattern out over the front of a sock, centred: of all
// columns with which it could begin, the one that mirrors best, with as much knitted at the edges as there can be.
func (p *Pattern) LayOut(front int) *Columns {
	c := &Columns{faces: make([][]bool, len(p.Rounds))}
	for i, round := range p.Rounds {
		for _, o := range round {
			for range o.N {
				c.faces[i] = append(c.faces[i], o.Code == needle.P)
			}
		}
	}
	best, least := 0, -1
	for first := range p.Repeat {
		c.first = first
		if cost := c.unlike(front); least < 0 || cost < least {
			best, least = first, cost
		}
	}
	c.first = best
	wide := make([][2 * reach]bool, len(c.faces))
	for round := range wide {
		for at := range wide[round] {
			wide[round][at] = c.Purl(round, at-reach)
		}
	}
	c.wide = wide
	return c
}

// unlike counts what does not mirror over the front, and a little for purls at its edges.
func (c *Columns) unlike(front int) int {
	const dear = 4
	cost := 0
	for round := range c.faces {
		for at := range front / 2 {
			if c.Purl(round, at) != c.Purl(round, front-1-at) {
				cost += dear * dear
			}
		}
		if c.Purl(round, 0) {
			cost += dear // where only one edge can be of knits, the first
		}
		if c.Purl(round, front-1) {
			cost += dear - 1
		}
		if front > 1 && c.Purl(round, 1) {
			cost++ // a whole column of knits at the edge rather than a part of one, where both mirror
		}
	}
	return cost
}

// Purl says whether stitch at of the round, counted from its start, is a purl in a round of the pattern.
// Stitches before the start have negative numbers.
func (c *Columns) Purl(round, at int) bool {
	if rounds := len(c.faces); round >= rounds {
		if rounds == 1 {
			round = 0
		} else {
			round %= rounds
		}
	}
	if place := uint(at + reach); c.wide != nil && place < 2*reach {
		return c.wide[round][place]
	}
	faces := c.faces[round]
	column := (c.first + at) % len(faces)
	if column < 0 {
		column += len(faces)
	}
	return faces[column]
}
