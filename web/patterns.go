package web

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"github.com/gin-gonic/gin"

	"acornstep/files/pdf"
	"acornstep/files/tables"
	"acornstep/sock/cloth/svg"
	"acornstep/sock/craft/check"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/instructions"
	"acornstep/sock/teach/leaflet"
)

// PatternQuestion is how a pattern is to be written.
type PatternQuestion struct {
	// Rows is repeats or every; Unit is cm or in. Empty for the first of either.
	Rows string `query:"rows"`
	Unit string `query:"unit"`
}

// knittedPair is a sock with the plans of both that it is knitted from, or would be today.
type knittedPair struct {
	sock   basket.Sock
	plan   *plan.Plan
	second *plan.Plan
}

// knittedFrom are the plans of a sock: those on the needles, or what its design comes to.
func (s *server) knittedFrom(c context.Context, id string) (knittedPair, error) {
	sock, err := s.Basket.Get(c, id)
	if err != nil {
		return knittedPair{}, err
	}
	versions, err := s.Logbook.Editions(c, id)
	if err != nil {
		return knittedPair{}, err
	}
	if len(versions) > 0 {
		o, err := s.shelf.sock(c, id)
		if err != nil {
			return knittedPair{}, err
		}
		return knittedPair{sock, o.Plan, o.Second}, nil
	}
	r := draft.Read(sock.Draft, measure.Centimetres)
	if err := r.Faults.Err(); err != nil {
		return knittedPair{}, err
	}
	e, err := knitting.Begin(r.Design)
	if err != nil {
		return knittedPair{}, err
	}
	return knittedPair{sock, e.Plan, e.Second}, nil
}

// nameOfPrint names what is printed of a sock as it is now: the same while neither the sock nor its plan is another.
func (s *server) nameOfPrint(c context.Context, id string, how ...any) (string, error) {
	sock, err := s.Basket.Get(c, id)
	if err != nil {
		return "", err
	}
	versions, err := s.Logbook.Editions(c, id)
	return fmt.Sprint(id, sock.Revision, len(versions), how), err
}

// asWished reads how a pattern is wished: rows, unit, the hands of whoever reads it, and the lessons whose moves it leaves out.
func asWished(rows, unit, yarn, knits, without string) (leaflet.Wish, error) {
	wish := leaflet.Wish{Every: rows == "every"}
	if rows != "" && rows != "repeats" && rows != "every" {
		return wish, document.Faults{{Field: "rows", Message: fmt.Sprintf("read %.20q; it is repeats or every", rows)}}
	}
	if unit == "" {
		unit = string(measure.Centimetres)
	}
	var err error
	if wish.Unit, err = unitOf(unit); err != nil {
		return wish, err
	}
	if wish.View, err = handsOf(yarn, knits); err != nil {
		return wish, err
	}
	if without == "" {
		return wish, nil
	}
	wish.Without = strings.Split(without, ",")
	for _, name := range wish.Without {
		if name != "all" && !slices.ContainsFunc(hands.Sequences, func(q hands.Sequence) bool { return q.Lesson == name }) {
			return wish, document.Faults{{Field: "without", Message: fmt.Sprintf("read %.40q; it is all, or lessons of the practice needle with commas between them", name)}}
		}
	}
	return wish, nil
}

// leafletOf is the pattern of a sock as it is wished; one that is the knitter's own says what was ticked for the wearer.
func (s *server) leafletOf(c context.Context, id string, wish leaflet.Wish) (*leaflet.Leaflet, error) {
	k, err := s.knittedFrom(c, id)
	if err != nil {
		return nil, err
	}
	wish.Name, wish.Wearer = k.sock.Name, k.sock.Wearer
	return leaflet.Of(k.plan, k.second, wish)
}

// Pattern is a sock's pattern for the screen: without the moves, which the page has.
func (s *server) patternOf(c call[PatternQuestion]) (leaflet.Leaflet, error) {
	wish, err := asWished(c.Asked.Rows, c.Asked.Unit, "", "", "")
	if err != nil {
		return leaflet.Leaflet{}, err
	}
	wish.Own = true
	l, err := shared(c, s.heavy, ofPattern, func() (*leaflet.Leaflet, error) { return s.leafletOf(c, c.ID, wish) })
	if err != nil {
		return leaflet.Leaflet{}, err
	}
	l.Moves = []hands.Move{}
	return *l, nil
}

// attached answers with a file of a name, made of the sock's own where letters allow it.
func attached(c *gin.Context, name, ending, kind string, text []byte) {
	c.Header("Content-Disposition", fmt.Sprintf(`attachment; filename="%s.%s"`, fileName(name), ending))
	c.Data(http.StatusOK, kind, text)
}

var unsafeInNames = regexp.MustCompile(`[^A-Za-z0-9]+`)

// fileName is a name in letters that every system takes.
func fileName(name string) string {
	name = strings.Trim(unsafeInNames.ReplaceAllString(name, "-"), "-")
	if name == "" {
		return "sock"
	}
	return strings.ToLower(name[:min(len(name), 60)])
}

// files are what can be taken away of a sock.
func (s *server) files(c *gin.Context) {
	switch c.Param("file") {
	case "pattern.pdf", "pattern.txt":
		s.patternFile(c)
	case "archive.zip":
		s.archiveFile(c)
	case "design.json", "plan.json", "rows.csv", "drawing.svg":
		s.documentFile(c)
	default:
		s.failWith(c, basket.ErrNotFound)
	}
}

func (s *server) patternFile(c *gin.Context) {
	id := c.Param("id")
	wish, err := asWished(c.Query("rows"), c.Query("unit"), c.Query("yarn"), c.Query("knits"), c.Query("without"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	wish.Own = true
	how := pdf.Print{Paper: c.Query("paper"), Large: c.Query("large") == "1", Black: c.Query("black") == "1"}
	plainly := c.Param("file") == "pattern.txt"
	name, err := s.nameOfPrint(c, id, wish, how, plainly)
	if err != nil {
		s.failWith(c, err)
		return
	}
	text, err := s.prints.of(c, name, func(ctx context.Context) ([]byte, error) {
		return shared(ctx, s.heavy, ofPattern, func() ([]byte, error) {
			l, err := s.leafletOf(ctx, id, wish)
			if err != nil {
				return nil, err
			}
			if plainly {
				return []byte(l.Text()), nil
			}
			return s.print(ctx, l, how)
		})
	})
	if err != nil {
		s.failWith(c, err)
		return
	}
	sock, err := s.Basket.Get(c, id)
	if err != nil {
		s.failWith(c, err)
		return
	}
	if plainly {
		attached(c, sock.Name+" pattern", "txt", "text/plain; charset=utf-8", text)
		return
	}
	attached(c, sock.Name+" pattern", "pdf", "application/pdf", text)
}

// print draws a pattern and sets it on paper.
func (s *server) print(c context.Context, l *leaflet.Leaflet, how pdf.Print) ([]byte, error) {
	if err := l.Draw(c); err != nil {
		return nil, err
	}
	printed, err := pdf.Of(l, how)
	if err != nil {
		return nil, document.Faults{{Field: "paper", Message: err.Error()}}
	}
	return printed, nil
}

// documentFile is the design, the plan or the rows of a sock, in the open formats.
func (s *server) documentFile(c *gin.Context) {
	k, err := shared(c, s.heavy, ofPreview, func() (knittedPair, error) { return s.knittedFrom(c, c.Param("id")) })
	if err != nil {
		s.failWith(c, err)
		return
	}
	switch c.Param("file") {
	case "rows.csv":
		text, err := rowsCSV(k.plan)
		if err != nil {
			s.failWith(c, err)
			return
		}
		attached(c, k.sock.Name+" rows", "csv", "text/csv; charset=utf-8", text)
	case "drawing.svg":
		if !k.plan.HasDesign() {
			s.failWith(c, document.Faults{{Message: "this plan does not say for which foot it is: it has no drawing"}})
			return
		}
		drawn, err := s.drawn(c, k.plan)
		if err != nil {
			s.failWith(c, err)
			return
		}
		attached(c, k.sock.Name, "svg", "image/svg+xml", svg.Of(drawn.Shape, k.sock.Name))
	case "design.json":
		s.jsonFile(c, k.sock.Name+" design", &given(c, k.plan).Design)
	default:
		s.jsonFile(c, k.sock.Name+" plan", given(c, k.plan))
	}
}

// given is a plan as it leaves the house: with the wearer's cautions only where they are ticked.
func given(c *gin.Context, p *plan.Plan) *plan.Plan {
	if c.Query("cautions") == "1" {
		return p
	}
	return p.Given()
}

func (s *server) jsonFile(c *gin.Context, name string, v any) {
	text, err := json.MarshalIndent(v, "", " ")
	if err != nil {
		s.failWith(c, err)
		return
	}
	attached(c, name, "json", "application/json", text)
}

// rowsCSV are the rows as a table, in the words of the instructions.
func rowsCSV(p *plan.Plan) ([]byte, error) {
	t, err := knitted.Of(p.Rows)
	if err != nil {
		return nil, err
	}
	lines := [][]string{{"section", "row", "kind", "side", "worked", "stitches", "colour", "note"}}
	for _, section := range instructions.Of(p, t, true) {
		for _, item := range section.Items {
			row := &p.Rows[item.Last]
			lines = append(lines, []string{string(row.Section), strconv.Itoa(needle.NumberOf(p.Rows, item.Last)), string(row.Kind), string(row.Side), item.Text,
				strconv.Itoa(row.Stitches), row.Colour, row.Note})
		}
	}
	return tables.Table(lines)
}

// Opened is a file in one of the open formats, as a draft.
type Opened struct {
	Name  string      `json:"name"`
	Draft draft.Draft `json:"draft"`
	// Kind is design or plan; Rows is how many rows a plan has, all of them knitted again.
	Kind string `json:"kind" enum:"design,plan"`
	Rows int    `json:"rows"`
}

// FileText is the text of a file that somebody opens.
type FileText struct {
	Text string `json:"text"`
}

// openFile reads a design or a plan. What is wrong with it is said with its place.
func openFile(c call[FileText]) (Opened, error) {
	text := []byte(c.Asked.Text)
	var head struct{ Format, Name string }
	if err := json.Unmarshal(text, &head); err != nil {
		return Opened{}, document.Faults{{Field: "text", Message: "this is no JSON: " + err.Error()}}
	}
	o := Opened{Kind: "design", Draft: draft.Draft{Entries: map[string]string{}}}
	switch head.Format {
	case design.Format:
		d, err := design.Read(text)
		if err != nil {
			return o, err
		}
		o.Name = d.Name
	case plan.Format:
		p, err := plan.Read(text)
		if err != nil {
			return o, err
		}
		if faults := check.Plan(p); len(faults) > 0 {
			return o, document.Faults{{Field: "rows", Message: fmt.Sprintf("this plan cannot be knitted as it stands: %s", faults[0])}}
		}
		if !p.HasDesign() {
			return o, document.Faults{{Field: "design",
				Message: "this plan says nothing of the design it was made from; only that can be put into the basket"}}
		}
		o.Name, o.Kind, o.Rows = p.Design.Name, "plan", len(p.Rows)
		if text, err = json.Marshal(&p.Design); err != nil {
			return o, err
		}
	default:
		return o, document.Faults{{Field: "format",
			Message: fmt.Sprintf("read %.40q; a file has %q or %q", head.Format, design.Format, plan.Format)}}
	}
	return o, json.Unmarshal(text, &o.Draft.Design)
}

// measurementsFile is what was measured on a wearer, as a table.
func (s *server) measurementsFile(c *gin.Context) {
	w, err := s.Feet.Wearer(c, c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	text, err := tables.Measurements(&w)
	if err != nil {
		s.failWith(c, err)
		return
	}
	attached(c, w.Name+" measurements", "csv", "text/csv; charset=utf-8", text)
}

// readingsFile is what was counted on a swatch, as a table.
func (s *server) readingsFile(c *gin.Context) {
	counted, err := s.Swatches.Swatch(c, c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	text, err := tables.Readings(&counted)
	if err != nil {
		s.failWith(c, err)
		return
	}
	attached(c, "swatch readings", "csv", "text/csv; charset=utf-8", text)
}

// addTable adds the measurements of a table, all of them or none.
func (s *server) addTable(c call[FileText]) (WearerView, error) {
	list, err := tables.ReadMeasurements(c.Asked.Text)
	if err != nil {
		return WearerView{}, err
	}
	var faults document.Faults
	for i := range list {
		s.notToCome(&faults, list[i].On)
	}
	if err := faults.Err(); err != nil {
		return WearerView{}, err
	}
	if err := s.Feet.AddMeasurements(c, c.ID, list, nil); err != nil {
		return WearerView{}, err
	}
	return s.wearerView(c, c.ID)
}
