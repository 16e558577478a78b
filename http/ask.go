package http

import (
	nethttp "net/http"

	"github.com/gin-gonic/gin"

	"acornstep/sock/advise"
	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/feet"
	"acornstep/sock/knit"
	"acornstep/sock/plan"
	"acornstep/sock/position"
	"acornstep/sock/words"
)

// mostCandidates of the ranking are answered.
const mostCandidates = 60

// readDesign reads a draft that has to be complete; false means that the problem is sent.
func readDesign(c *gin.Context, unitName string, typed draft.Draft) (design.Design, bool) {
	unit, ok := readUnit(c, unitName)
	if !ok {
		return design.Design{}, false
	}
	r := draft.Read(typed, unit)
	if len(r.Faults) > 0 {
		refuse(c, r.Faults)
		return design.Design{}, false
	}
	return r.Design, true
}

func (s *server) compare(c *gin.Context) {
	var q PlanQuestion
	if !read(c, &q) {
		return
	}
	d, ok := readDesign(c, q.Unit, q.Draft)
	if !ok {
		return
	}
	report := advise.Rank(d)
	report.Candidates = report.Candidates[:min(len(report.Candidates), mostCandidates)]
	c.JSON(nethttp.StatusOK, report)
}

func (s *server) position(c *gin.Context) {
	var q PositionQuestion
	if !read(c, &q) {
		return
	}
	d, ok := readDesign(c, q.Unit, q.Draft)
	if !ok {
		return
	}
	p, err := plan.Make(d)
	if err != nil {
		s.failWith(c, err)
		return
	}
	at, err := position.Of(p.Rows, q.Row)
	if err != nil {
		refuse(c, document.Faults{{Field: "row", Message: err.Error()}})
		return
	}
	c.JSON(nethttp.StatusOK, at)
}

func (s *server) shoe(c *gin.Context) {
	var q ShoeQuestion
	if !read(c, &q) {
		return
	}
	length, uncertainty, source, err := feet.FootOfShoe(q.System, q.Size)
	if err != nil {
		refuse(c, document.Faults{{Field: "size", Message: err.Error()}})
		return
	}
	c.JSON(nethttp.StatusOK, ShoeAnswer{length, uncertainty, source})
}

func (s *server) reference(c *gin.Context) {
	r := Reference{Glossary: words.Glossary()}
	for _, p := range knit.Patterns {
		r.Patterns = append(r.Patterns, PatternName{p.Name, p.Label, p.Repeat, p.Shoe})
	}
	c.JSON(nethttp.StatusOK, r)
}
