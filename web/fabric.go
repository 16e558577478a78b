package web

import (
	"fmt"

	"acornstep/sock/cloth/fabric"
	"acornstep/sock/figures/document"
	"acornstep/sock/rows/needle"
)

// FabricQuestion asks for pictures of the fabric before some rows.
type FabricQuestion struct {
	// Sock is 1 or 2; 0 for the first.
	Sock int `query:"sock"`
	// Row is the first of them, Rows how many.
	Row  int `query:"row"`
	Rows int `query:"rows"`
}

// FabricList is what the knitting looks like before some rows, the first of them Row.
type FabricList struct {
	Row      int          `json:"row"`
	Pictures []FabricView `json:"pictures"`
}

// FabricView is the fabric before a row from both sides: as it is held, and turned.
type FabricView struct {
	Held   fabric.Picture `json:"held"`
	Turned fabric.Picture `json:"turned"`
}

// ofPair is the place in a pair of the sock that was asked for by its number; 0 stands for the first.
func ofPair(sock int) (int, error) {
	if sock < 0 || sock > 2 {
		return 0, document.Faults{{Field: "sock", Message: fmt.Sprintf("read %d; a pair has socks 1 and 2", sock)}}
	}
	return max(0, sock-1), nil
}

// mostPictures are answered at once.
const mostPictures = 12

func (s *server) fabric(c call[FabricQuestion]) (FabricList, error) {
	q := c.Asked
	which, err := ofPair(q.Sock)
	if err != nil {
		return FabricList{}, err
	}
	if q.Rows < 1 || q.Rows > mostPictures {
		return FabricList{}, document.Faults{{Field: "rows",
			Message: fmt.Sprintf("read %d; 1 to %d are answered at once", q.Rows, mostPictures)}}
	}
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return FabricList{}, err
	}
	list := FabricList{Row: q.Row, Pictures: []FabricView{}}
	by := o.pair()[which]
	f := o.Fabric(which + 1)
	for row := q.Row; row < q.Row+q.Rows && row <= len(by.Plan.Rows); row++ {
		if row < 0 {
			return FabricList{}, document.Faults{{Field: "row", Message: fmt.Sprintf("read %d; the first row is 0", row)}}
		}
		held := by.Knitted.Before(row).Side
		if held == "" {
			held = needle.RS
		}
		var view FabricView
		if view.Held, err = f.At(row, held); err != nil {
			return FabricList{}, document.Faults{{Field: "row", Message: err.Error()}}
		}
		other := needle.WS
		if held == needle.WS {
			other = needle.RS
		}
		if view.Turned, err = f.At(row, other); err != nil {
			return FabricList{}, document.Faults{{Field: "row", Message: err.Error()}}
		}
		list.Pictures = append(list.Pictures, view)
	}
	return list, nil
}
