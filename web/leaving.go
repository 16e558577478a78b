package web

import (
	"fmt"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"

	"acornstep/files/tables"
	"acornstep/scale"
	"acornstep/sock/figures/document"
	"acornstep/sock/needles/tally"
	"acornstep/sock/rows/needle"
)

// ScaleReading is the weight on the kitchen scale.
type ScaleReading struct {
	Grams float64 `json:"grams"`
}

func (s *server) readScale(c call[nothing]) (ScaleReading, error) {
	if s.Scale == "" {
		return ScaleReading{}, document.Faults{{Message: "no scale is connected: start the program with --scale and its address, or type the grams"}}
	}
	grams, err := scale.Read(c, s.Scale)
	if err != nil {
		return ScaleReading{}, document.Faults{{Message: err.Error()}}
	}
	return ScaleReading{grams}, nil
}

func (s *server) logCSV(c *gin.Context) {
	o, err := s.shelf.sock(c, c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	text, err := tables.CSV(o.Courses.Today(o.events), func(sock int) []needle.Row { return o.PlanOf(sock).Rows })
	if err != nil {
		s.failWith(c, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="log.csv"`)
	c.Data(http.StatusOK, "text/csv; charset=utf-8", text)
}

func (s *server) calendar(c *gin.Context) {
	o, err := s.shelf.sock(c, c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	t := o.tally(s.today())
	var entries []tables.Entry
	for _, a := range t.Sections {
		entries = append(entries, tables.Entry{Text: aheadText(&a), From: a.From, To: a.DoneOn})
	}
	if t.Due != nil {
		entries = append(entries, tables.Entry{Text: "the present", From: t.Due.On, To: t.Due.On})
	}
	sock, err := s.Basket.Get(c, o.id)
	if err != nil {
		s.failWith(c, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="plan.ics"`)
	c.Data(http.StatusOK, "text/calendar; charset=utf-8", tables.Calendar(sock.ID, sock.Name, entries, s.Now()))
}

// aheadText names a section that is still to be knitted, as "second sock, leg, 61 rows".
func aheadText(a *tally.Ahead) string {
	sock, rows := "", "rows"
	if a.Sock == 2 {
		sock = "second sock, "
	}
	if a.Rows == 1 {
		rows = "row"
	}
	return fmt.Sprintf("%s%s, %d %s", sock, strings.ReplaceAll(a.Section, "_", " "), a.Rows, rows)
}
