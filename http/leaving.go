package http

import (
	nethttp "net/http"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/export"
	"acornstep/scale"
	"acornstep/sock/document"
	"acornstep/sock/tally"
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
	o, events, _, err := s.knitted(c, c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	text, err := export.CSV(events, o.plan.Rows)
	if err != nil {
		s.failWith(c, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="log.csv"`)
	c.Data(nethttp.StatusOK, "text/csv; charset=utf-8", text)
}

func (s *server) calendar(c *gin.Context) {
	o, events, _, err := s.knitted(c, c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	t := tally.Of(o.plan, o.said, events)
	parts := make([]export.Part, 0, len(t.Sections))
	for _, a := range t.Sections {
		parts = append(parts, export.Part{Name: a.Section, Rows: a.Rows, Takes: time.Duration(a.Seconds) * time.Second})
	}
	c.Header("Content-Disposition", `attachment; filename="plan.ics"`)
	c.Data(nethttp.StatusOK, "text/calendar; charset=utf-8", export.Calendar(o.sock.ID, o.sock.Name, parts, s.Now()))
}
