package web

import (
	"cmp"
	"context"
	"fmt"
	"net/http"
	"reflect"
	"strconv"
	"strings"
	"time"

	"acornstep/files/archive"
	"acornstep/sock/figures/document"

	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"
)

// route is one call of the API. This list is what is served and what is described.
type route struct {
	method string
	// path with the names of its parts in braces, as the description writes it.
	path, id, summary string
	// request and response are values of the types that the description shows; nil for none.
	request, response any
	status            int
	// open routes answer without the passphrase; hidden ones are not described; a transfer is a file on its way, which
	// is not packed again and has its time.
	open, hidden, transfer bool
	// most is how many bytes its body may have; 0 for as many as a design needs.
	most int64
	// plans: it works socks out, and waits for its turn.
	plans   bool
	handler func(s *server) gin.HandlerFunc
}

// routes are all calls of the API.
var routes = []route{
	{method: "GET", path: "/api/health", id: "health", summary: "Say that the program answers", response: Health{}, status: 200,
		open: true, handler: plain((*server).health)},
	{method: "GET", path: "/api/session", id: "session", summary: "Say whether the passphrase is needed", response: Session{},
		status: 200, open: true, handler: plain((*server).session)},
	{method: "POST", path: "/api/session", id: "login", summary: "Give the passphrase", request: Login{}, response: Session{},
		status: 200, open: true, most: mostLogin, handler: plain((*server).login)},
	{method: "DELETE", path: "/api/session", id: "logout", summary: "Close the session", response: Session{}, status: 200, open: true,
		handler: plain((*server).logout)},
	{method: "GET", path: "/api/copies/fresh", hidden: true, transfer: true, handler: plain((*server).freshCopy)},
	{method: "GET", path: "/api/copies/{id}/file", hidden: true, transfer: true, handler: plain((*server).dailyCopy)},
	{method: "POST", path: "/api/copies/upload", hidden: true, transfer: true, most: mostUpload, handler: plain((*server).uploadCopy)},
	answering("GET", "/api/copies", "copies", "List the copies that are made by themselves", 200, (*server).copies),
	answering("POST", "/api/copies/{id}/look", "lookAtCopy", "Say what would change when a copy was put in place", 200,
		(*server).lookAtCopy),
	doing("POST", "/api/copies/{id}/restore", "restoreCopy", "Put a copy in the place of what is there, which is kept beside it",
		(*server).restoreCopy),
	answering("GET", "/api/bin", "bin", "List what was deleted and can be brought back", 200, (*server).bin),
	doing("POST", "/api/bin/{id}/{part}/restore", "bringBack", "Bring something of a kind back from the bin",
		func(s *server, c call[nothing]) error { return s.Discards.BringBack(c, c.ID, c.Part) }),
	doing("DELETE", "/api/bin/{id}/{part}", "removeForEver", "Remove something of a kind for ever",
		func(s *server, c call[nothing]) error { return s.Discards.Remove(c, c.ID, c.Part) }),
	answering("GET", "/api/visits", "listVisits", "List the devices that are logged in", 200, (*server).listVisits),
	doing("DELETE", "/api/visits/{id}", "endVisit", "Log a device out", (*server).endVisit),
	{method: "GET", path: "/api/socks/{id}/log.csv", hidden: true, handler: plain((*server).logCSV)},
	{method: "GET", path: "/api/socks/{id}/files/{file}", hidden: true, handler: plain((*server).files)},
	answering("GET", "/api/socks/{id}/pattern", "pattern", "Write the pattern of a sock as it is handed to somebody", 200,
		(*server).patternOf),
	answering("GET", "/api/socks/{id}/moves", "movesOfSock", "List the moves of the hands that the rows of a sock ask for", 200, (*server).movesOf),
	answering("POST", "/api/socks/{id}/pass", "givePass", "Make a pass for another device in the house, to be used once", 201,
		(*server).givePass),
	{method: "POST", path: "/api/pass", id: "showPass", summary: "Come in with a pass", request: GivenPass{}, response: PassedTo{},
		status: 200, open: true, most: mostLogin, handler: plain((*server).showPass)},
	answering("GET", "/api/socks/{id}/shares", "listShares", "List the links to a pattern", 200, (*server).listShares),
	answering("POST", "/api/socks/{id}/shares", "addShare", "Make a link that shows a pattern to a friend", 201, (*server).addShare),
	doing("DELETE", "/api/socks/{id}/shares/{part}", "endShare", "Take a link to a pattern back",
		func(s *server, c call[nothing]) error { return s.Shares.EndShare(c, c.ID, c.Part) }),
	{method: "GET", path: "/api/shared/{id}", hidden: true, open: true, handler: plain((*server).sharedPattern)},
	{method: "GET", path: "/api/archive", hidden: true, transfer: true, handler: plain((*server).basketArchive)},
	{method: "POST", path: "/api/archive", hidden: true, transfer: true, most: archive.MostBytes + 1<<10,
		handler: plain((*server).openArchive)},
	answering("POST", "/api/open", "openFile", "Read a design or a plan from a file", 200, asking(openFile)).planning().upTo(mostOfFile),
	{method: "GET", path: "/api/socks/{id}/plan.ics", hidden: true, handler: plain((*server).calendar)},
	answering("POST", "/api/plan", "plan", "Work a draft out to the last loop; nothing is kept", 200, asking(planOf)).planning(),
	answering("POST", "/api/drawing", "drawing", "Draw the sock of a draft on its foot, and say where it pulls", 200, (*server).drawing),
	answering("POST", "/api/space", "space", "Give the sock of a draft on its foot as a surface that can be turned", 200,
		(*server).space),
	answering("POST", "/api/ways", "rankWays", "Rank the ways to knit a draft by what matters", 200, asking(rankWays)).planning(),
	answering("POST", "/api/options", "options", "List every decision, with what each way does on this foot", 200,
		(*server).options).planning(),
	answering("POST", "/api/working", "working", "Show the arithmetic of every number", 200, asking(showWorking)).planning(),
	answering("POST", "/api/whatif", "whatIf", "Say what changes when swatch, tape or ball were not quite right", 200,
		asking(whatIf)).planning(),
	answering("POST", "/api/pair", "pair", "Work a draft out for both socks of the pair", 200, asking(pair)).planning(),
	answering("POST", "/api/position", "position", "Show the needles before and after a row", 200, asking(positionOf)).planning(),
	answering("POST", "/api/shoe", "shoe", "Estimate a foot from a shoe size", 200, asking(shoe)),
	answering("POST", "/api/tracing", "tracing", "Measure a foot on a picture of its outline", 200, (*server).measureTracing),
	answering("GET", "/api/hands", "hands", "Show every move of the hands, step by step", 200, asking(handsBook)),
	answering("GET", "/api/practice", "lessons", "List what can be practised on the needle", 200, (*server).lessons),
	answering("GET", "/api/practice/runs", "practised", "List what was practised, and how often without a fault", 200, (*server).practised),
	answering("POST", "/api/practice/runs", "addRun", "Note a whole run that was made without a fault", 201, (*server).addRun).planning(),
	answering("POST", "/api/practice", "practise", "Make the moves of a run, and say what came of them", 200,
		asking(practise)).planning(),
	answering("POST", "/api/practice/pieces", "addPiece", "Put a piece to practise on with real needles beside the basket", 201,
		(*server).addPiece),
	answering("POST", "/api/rewrite", "rewrite", "Say a short row in the words of another way of turning", 200, asking(rewritten)),
	answering("GET", "/api/reference", "reference", "List the glossary, the terms, the stitch patterns and what is measured", 200,
		asking(reference)),
	answering("GET", "/api/socks", "listSocks", "List the basket: what is on the needles, then the last changed", 200,
		(*server).listSocks),
	answering("POST", "/api/socks", "addSock", "Put a new sock into the basket", 201, (*server).addSock),
	answering("GET", "/api/socks/{id}", "getSock", "Get a sock", 200, (*server).getSock),
	answering("PUT", "/api/socks/{id}", "saveSock", "Replace a sock; 409 with the kept one when the revision is not the newest", 200,
		(*server).saveSock),
	doing("DELETE", "/api/socks/{id}", "deleteSock", "Take a sock out of the basket",
		func(s *server, c call[nothing]) error { return s.Basket.Delete(c, c.ID) }),
	answering("POST", "/api/socks/{id}/restore", "restoreSock", "Put a deleted sock back", 200, (*server).restoreSock),
	answering("POST", "/api/socks/{id}/duplicate", "duplicateSock", "Copy a sock", 201, (*server).duplicateSock),
	answering("GET", "/api/socks/{id}/variants", "listVariants", "List the designs put aside for a sock", 200, (*server).listVariants),
	answering("POST", "/api/socks/{id}/variants", "addVariant", "Put a design aside under a name", 201, (*server).addVariant),
	doing("DELETE", "/api/socks/{id}/variants/{part}", "deleteVariant", "Take a design that was put aside away",
		func(s *server, c call[nothing]) error { return s.Basket.MarkVariant(c, c.ID, c.Part, true) }),
	doing("POST", "/api/socks/{id}/variants/{part}/restore", "restoreVariant", "Bring a design that was put aside back",
		func(s *server, c call[nothing]) error { return s.Basket.MarkVariant(c, c.ID, c.Part, false) }),
	answering("POST", "/api/socks/{id}/knit", "startKnitting", "Put a sock on the needles: the plan of its design is kept, whole", 200,
		(*server).startKnitting).planning(),
	answering("GET", "/api/socks/{id}/knit", "knitting", "Get everything that knitting mode needs", 200, (*server).knitting).planning(),
	answering("GET", "/api/socks/{id}/fabric", "fabric", "Show what the knitting looks like before some rows", 200, (*server).fabric),
	answering("GET", "/api/socks/{id}/progress", "progress", "Say in a line how far a sock on the needles is", 200, (*server).progress),
	answering("POST", "/api/socks/{id}/events", "addEvents", "Write down what happened; an event that is there already changes nothing",
		200, (*server).addEvents).upTo(mostOfEvents),
	answering("GET", "/api/socks/{id}/tried", "tried", "Show the sock so far as it looks when it is tried on", 200, (*server).tried),
	answering("POST", "/api/socks/{id}/where", "whereAmI", "Find the row by what is seen", 200, (*server).whereAmI),
	answering("POST", "/api/socks/{id}/count", "countIsWrong", "Say what most likely happened when a count disagrees", 200,
		(*server).countIsWrong),
	answering("POST", "/api/socks/{id}/decide", "decide", "Hold the board against the rows to come", 200, (*server).decide).planning(),
	answering("POST", "/api/socks/{id}/replan", "replan", "Plan what is still to come by what really happened", 200,
		(*server).replan).planning(),
	answering("POST", "/api/socks/{id}/offer", "answerOffer",
		"Take the rows that a newer program makes for what is still to come, or leave them", 200, (*server).answerOffer).planning(),
	answering("GET", "/api/scale", "scale", "Read the kitchen scale", 200, (*server).readScale),
	answering("GET", "/api/feet", "listWearers", "List everybody with their feet", 200, (*server).listWearers),
	answering("POST", "/api/feet", "addWearer", "Add a wearer", 201, (*server).addWearer),
	answering("GET", "/api/feet/{id}", "getWearer", "Get a wearer with both feet", 200, (*server).getWearer),
	answering("PUT", "/api/feet/{id}", "saveWearer", "Replace name, cautions and note; 409 when they were changed meanwhile", 200,
		(*server).saveWearer),
	doing("DELETE", "/api/feet/{id}", "deleteWearer", "Delete a wearer; socks keep the feet they took",
		func(s *server, c call[nothing]) error { return s.Feet.MarkWearer(c, c.ID, true) }),
	doing("POST", "/api/feet/{id}/restore", "restoreWearer", "Bring a wearer back",
		func(s *server, c call[nothing]) error { return s.Feet.MarkWearer(c, c.ID, false) }),
	answering("POST", "/api/feet/{id}/measurements", "addMeasurement", "Add a dated measurement", 201, (*server).addMeasurement),
	{method: "GET", path: "/api/feet/{id}/measurements.csv", hidden: true, handler: plain((*server).measurementsFile)},
	{method: "GET", path: "/api/swatches/{id}/readings.csv", hidden: true, handler: plain((*server).readingsFile)},
	answering("POST", "/api/feet/{id}/table", "addTable", "Add the measurements of a table, all of them or none", 201,
		(*server).addTable),
	doing("DELETE", "/api/feet/{id}/measurements/{part}", "deleteMeasurement", "Take a measurement out",
		func(s *server, c call[nothing]) error { return s.Feet.MarkMeasurement(c, c.ID, c.Part, true) }),
	doing("POST", "/api/feet/{id}/measurements/{part}/restore", "restoreMeasurement", "Bring a measurement back",
		func(s *server, c call[nothing]) error { return s.Feet.MarkMeasurement(c, c.ID, c.Part, false) }),
	answering("POST", "/api/feet/{id}/growth", "growth", "Say how long a growing foot will be on a day", 200, (*server).growth),
	answering("POST", "/api/feet/{id}/tracings", "addTracing", "Keep a tracing and the lengths read from it", 201, (*server).addTracing),
	doing("DELETE", "/api/feet/{id}/tracings/{part}", "deleteTracing", "Take a tracing out",
		func(s *server, c call[nothing]) error { return s.Feet.MarkTracing(c, c.ID, c.Part, true) }),
	doing("POST", "/api/feet/{id}/tracings/{part}/restore", "restoreTracing", "Bring a tracing back",
		func(s *server, c call[nothing]) error { return s.Feet.MarkTracing(c, c.ID, c.Part, false) }),
	answering("GET", "/api/book", "book", "List the swatches, yarns and needles", 200, (*server).getBook),
	answering("POST", "/api/yarns", "addYarn", "Add a yarn", 201, (*server).addYarn),
	answering("PUT", "/api/yarns/{id}", "saveYarn", "Replace a yarn; 409 when it was changed meanwhile", 200, (*server).saveYarn),
	doing("DELETE", "/api/yarns/{id}", "deleteYarn", "Delete a yarn",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkYarn(c, c.ID, true) }),
	doing("POST", "/api/yarns/{id}/restore", "restoreYarn", "Bring a yarn back",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkYarn(c, c.ID, false) }),
	answering("POST", "/api/needles", "addNeedle", "Add a needle", 201, (*server).addNeedle),
	doing("DELETE", "/api/needles/{id}", "deleteNeedle", "Delete a needle",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkNeedle(c, c.ID, true) }),
	doing("POST", "/api/needles/{id}/restore", "restoreNeedle", "Bring a needle back",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkNeedle(c, c.ID, false) }),
	answering("POST", "/api/swatches", "addSwatch", "Add a swatch", 201, (*server).addSwatch),
	answering("GET", "/api/swatches/{id}", "getSwatch", "Get a swatch with what it comes to", 200, (*server).getSwatch),
	answering("PUT", "/api/swatches/{id}", "saveSwatch", "Replace what is said of a swatch; 409 when it was changed meanwhile", 200,
		(*server).saveSwatch),
	doing("DELETE", "/api/swatches/{id}", "deleteSwatch", "Delete a swatch; socks keep the gauge they took",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkSwatch(c, c.ID, true) }),
	doing("POST", "/api/swatches/{id}/restore", "restoreSwatch", "Bring a swatch back",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkSwatch(c, c.ID, false) }),
	answering("POST", "/api/swatches/{id}/readings", "addReading", "Add a count", 201, (*server).addReading),
	doing("DELETE", "/api/swatches/{id}/readings/{part}", "deleteReading", "Take a count out",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkReading(c, c.ID, c.Part, true) }),
	doing("POST", "/api/swatches/{id}/readings/{part}/restore", "restoreReading", "Bring a count back",
		func(s *server, c call[nothing]) error { return s.Swatches.MarkReading(c, c.ID, c.Part, false) }),
	answering("POST", "/api/swatches/{id}/aim", "aim", "Reckon which needle would give a gauge", 200, (*server).aim),
}

// register serves the routes, and their description.
func (s *server) register(engine *gin.Engine) {
	engine.GET("/api/openapi.json", serveDocument)
	inside := engine.Group("", s.inside, gzip.Gzip(gzip.BestSpeed)) // pages are compressed once, when they are read
	transfers := engine.Group("", s.inside)
	for _, r := range routes {
		path := strings.NewReplacer("{", ":", "}", "").Replace(r.path)
		handlers := []gin.HandlerFunc{limited(cmp.Or(r.most, mostBytes))}
		if r.plans {
			handlers = append(handlers, read(cmp.Or(r.most, mostBytes)), s.inTurn)
		}
		handlers = append(handlers, r.handler(s))
		switch {
		case r.open:
			engine.Handle(r.method, path, handlers...)
		case r.transfer:
			transfers.Handle(r.method, path, handlers...)
		default:
			inside.Handle(r.method, path, handlers...)
		}
	}
}

// turnWithin is how long a request waits for its turn to work a sock out.
const turnWithin = 10 * time.Second

// inTurn lets only so many requests work socks out at once; who has gone meanwhile never begins.
func (s *server) inTurn(c *gin.Context) {
	ctx, cancel := context.WithTimeout(c.Request.Context(), turnWithin)
	defer cancel()
	if s.tables.Acquire(ctx, 1) != nil {
		c.Header("Retry-After", "5")
		fail(c, http.StatusServiceUnavailable, "too many socks are being worked out at this moment: try again soon")
		return
	}
	defer s.tables.Release(1)
	c.Next()
}

// upTo is a route whose body may have so many bytes.
func (r route) upTo(most int64) route {
	r.most = most
	return r
}

// planning is a route that works socks out.
func (r route) planning() route {
	r.plans = true
	return r
}

func plain(handle func(*server, *gin.Context)) func(*server) gin.HandlerFunc {
	return func(s *server) gin.HandlerFunc { return func(c *gin.Context) { handle(s, c) } }
}

// answering is a route of a function from question to answer. The question is
// read strictly; an error becomes the problem that says it best.
func answering[Q, A any](method, path, id, summary string, status int, answer func(*server, call[Q]) (A, error)) route {
	r := route{method: method, path: path, id: id, summary: summary, request: described[Q](path), status: status}
	var a A
	if _, none := any(a).(nothing); !none {
		r.response = a
	}
	r.handler = func(s *server) gin.HandlerFunc {
		return func(c *gin.Context) {
			asked := call[Q]{Context: c.Request.Context(), ID: c.Param("id"), Part: c.Param("part")}
			asked.token, _ = s.cookie(c, sessionCookie) // without one it is empty
			asked.base = s.base(c)
			if !readAsked(c, method, &asked.Asked) {
				return
			}
			a, err := answer(s, asked)
			if err != nil {
				s.failWith(c, err)
				return
			}
			if _, none := any(a).(nothing); none {
				c.Status(http.StatusNoContent)
				return
			}
			c.JSON(status, a)
		}
	}
	return r
}

// readAsked reads the question from the body, or that of a GET from the
// address; false means that the problem is sent.
func readAsked(c *gin.Context, method string, into any) bool {
	if _, none := into.(*nothing); none {
		return true
	}
	if method != http.MethodGet {
		return readQuestion(c, into)
	}
	v := reflect.ValueOf(into).Elem()
	for i := range v.NumField() {
		name := v.Type().Field(i).Tag.Get("query")
		text := c.Query(name)
		if v.Field(i).Kind() == reflect.String {
			v.Field(i).SetString(text)
			continue
		}
		n, err := strconv.Atoi(text)
		if err != nil && text != "" {
			refuse(c, document.Faults{{Field: name, Message: fmt.Sprintf("read %.20q, expected a whole number", text)}})
			return false
		}
		v.Field(i).SetInt(int64(n))
	}
	return true
}

// doing is a route that has nothing to answer.
func doing(method, path, id, summary string, do func(*server, call[nothing]) error) route {
	return answering(method, path, id, summary, http.StatusNoContent,
		func(s *server, c call[nothing]) (nothing, error) { return nothing{}, do(s, c) })
}

// asking is an answer that needs nothing that is kept.
func asking[Q, A any](answer func(call[Q]) (A, error)) func(*server, call[Q]) (A, error) {
	return func(_ *server, c call[Q]) (A, error) { return answer(c) }
}

// described is a value of the type that the description shows for a request:
// the fields of the question, and those that the path names.
func described[Q any](path string) any {
	var fields []reflect.StructField
	for _, part := range []struct{ name, field string }{{"id", "ID"}, {"part", "Part"}} {
		if strings.Contains(path, "{"+part.name+"}") {
			tag := `path:"` + part.name + `" description:"id of the thing"`
			if part.name == "part" {
				tag = `path:"part" description:"id of its part"`
			}
			fields = append(fields, reflect.StructField{Name: part.field, Type: reflect.TypeFor[string](), Tag: reflect.StructTag(tag)})
		}
	}
	question := reflect.TypeFor[Q]()
	if len(fields) == 0 && question == reflect.TypeFor[nothing]() {
		return nil
	}
	if len(fields) == 0 {
		return reflect.New(question).Elem().Interface()
	}
	for i := range question.NumField() {
		fields = append(fields, question.Field(i))
	}
	return reflect.New(reflect.StructOf(fields)).Elem().Interface()
}
