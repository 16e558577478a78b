package practice

import (
	"encoding/json"
	"fmt"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/papers/draft"
)

// Piece is something small to knit on real needles: 24 stitches in thick yarn, the part to be learned in a contrast.
type Piece struct {
	Name  string `json:"name"`
	Title string `json:"title"`
	About string `json:"about"`

	// contrast is what is knitted in the other yarn.
	contrast string
	fields   string
}

// Pieces are all that there are: a toe, a heel, a turn or a bind-off of every kind.
func Pieces() []Piece {
	var list []Piece
	for _, kind := range knit.Kinds {
		group, known := map[at.Path]Piece{
			at.ToeKind:  {About: "The toe in a contrast, then a few rounds and off.", contrast: "toe", fields: `,"toe":{"kind":%q}`},
			at.HeelKind: {About: "A toe, a little foot, and the heel in a contrast.", contrast: "heel", fields: `,"heel":{"kind":%q}`},
			at.HeelTurn: {About: "A heel of short rows in a contrast, turned in this way.", contrast: "heel",
				fields: `,"heel":{"turn":%q}`},
			at.BindOff: {About: "A short tube with a cuff, and its edge.", contrast: "cuff", fields: `,"bind_off":%q`},
		}[kind.Field]
		if !known {
			continue
		}
		for i, t := range kind.List() {
			if kind.Field == at.HeelKind && i == 0 {
				continue // the usual heel is there for each way of turning
			}
			a := t.About()
			piece := group
			piece.Name, piece.Title, piece.fields = string(kind.Field)+":"+a.Name, a.Label, fmt.Sprintf(group.fields, a.Name)
			list = append(list, piece)
		}
	}
	return list
}

// Begin is the draft of a piece. A name that nobody knows is document.Faults.
func Begin(name string) (Piece, draft.Draft, error) {
	for _, p := range Pieces() {
		if p.Name != name {
			continue
		}
		fields := fmt.Sprintf(`%s,"yarn":{"ball_g":100,"ball_m":120,"contrast":[%q]}`, p.fields, p.contrast)
		d := draft.Draft{Entries: map[string]string{}}
		err := json.Unmarshal(fmt.Appendf(nil, piece, p.Title, fields), &d.Design)
		return p, d, err
	}
	return Piece{}, draft.Draft{}, document.Faults{{Field: "piece", Message: fmt.Sprintf("read %.40q; there is no such piece", name)}}
}

// piece is a sock of 24 stitches in thick yarn with hardly a leg; it fits nobody.
const piece = `{"format":"acorn-step.design","version":1,"name":"Practice piece: %s","stitches":24,"foot":{"length_mm":200,"ball_girth_mm":170},"gauge":{"stitches_per_100mm":16,"rounds_per_100mm":22},"leg":{"height_mm":70}%s}`
