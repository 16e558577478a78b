package http

import (
	"encoding/json"
	"fmt"
	nethttp "net/http"
	"reflect"
	"strings"
	"sync"

	"github.com/gin-gonic/gin"
	"github.com/swaggest/jsonschema-go"
	"github.com/swaggest/openapi-go"
	"github.com/swaggest/openapi-go/openapi31"

	"acornstep/sock/advise"
	"acornstep/sock/basket"
	"acornstep/sock/feet"
	"acornstep/sock/needle"
	"acornstep/sock/position"
	"acornstep/sock/replan"
	"acornstep/sock/swatch"
	"acornstep/sock/tracing"
	"acornstep/sock/whereami"
)

type byID struct {
	ID string `path:"id" description:"id of the thing"`
}

type byPart struct {
	ID   string `path:"id" description:"id of the thing"`
	Part string `path:"part" description:"id of its part"`
}

// with is a question about the thing that the path names.
func with(question any) any {
	fields := []reflect.StructField{{Name: "ID", Type: reflect.TypeFor[string](), Tag: `path:"id" description:"id of the thing"`}}
	t := reflect.TypeOf(question)
	for i := range t.NumField() {
		fields = append(fields, t.Field(i))
	}
	return reflect.New(reflect.StructOf(fields)).Elem().Interface()
}

// operation is one call of the API, as the document lists it.
type operation struct {
	method, path, id, summary string
	request, response         any
	status                    int
}

var operations = []operation{
	{"GET", "/api/health", "health", "Say that the program answers", nil, Health{}, 200},
	{"GET", "/api/session", "session", "Say whether the passphrase is needed", nil, Session{}, 200},
	{"POST", "/api/session", "login", "Give the passphrase", Login{}, Session{}, 200},
	{"DELETE", "/api/session", "logout", "Close the session", nil, Session{}, 200},
	{"POST", "/api/plan", "plan", "Work a draft out to the last loop; nothing is kept", PlanQuestion{}, PlanAnswer{}, 200},
	{"POST", "/api/compare", "compare", "Rank the ways to knit a draft by what matters", CompareQuestion{}, advise.Report{}, 200},
	{"POST", "/api/options", "options", "List every decision, with what each way does on this foot", DraftQuestion{}, OptionList{}, 200},
	{"POST", "/api/working", "working", "Show the arithmetic of every number", DraftQuestion{}, WorkingList{}, 200},
	{"POST", "/api/whatif", "whatIf", "Say what changes when swatch, tape or ball were not quite right", WhatIfQuestion{}, FigureList{}, 200},
	{"POST", "/api/pair", "pair", "Work a draft out for both feet of a wearer", PairQuestion{}, PairAnswer{}, 200},
	{"POST", "/api/position", "position", "Show the needles before and after a row", PositionQuestion{}, position.Row{}, 200},
	{"POST", "/api/shoe", "shoe", "Estimate a foot from a shoe size", ShoeQuestion{}, ShoeAnswer{}, 200},
	{"POST", "/api/tracing", "tracing", "Measure a foot on a picture of its outline", TracingQuestion{}, tracing.Foot{}, 200},
	{"GET", "/api/reference", "reference", "List the glossary, the terms, the stitch patterns and what is measured", nil, Reference{}, 200},
	{"GET", "/api/socks", "listSocks", "List the basket: what is on the needles, then the last changed", nil, SockList{}, 200},
	{"POST", "/api/socks", "addSock", "Put a new sock into the basket", NewSock{}, basket.Sock{}, 201},
	{"GET", "/api/socks/{id}", "getSock", "Get a sock", byID{}, basket.Sock{}, 200},
	{"PUT", "/api/socks/{id}", "saveSock", "Replace a sock; 409 with the kept one when the revision is not the newest", with(SaveSock{}), basket.Sock{}, 200},
	{"DELETE", "/api/socks/{id}", "deleteSock", "Take a sock out of the basket", byID{}, nil, 204},
	{"POST", "/api/socks/{id}/restore", "restoreSock", "Put a deleted sock back", byID{}, basket.Sock{}, 200},
	{"POST", "/api/socks/{id}/duplicate", "duplicateSock", "Copy a sock", byID{}, basket.Sock{}, 201},
	{"GET", "/api/socks/{id}/versions", "listVersions", "List the designs put aside for a sock", byID{}, VersionList{}, 200},
	{"POST", "/api/socks/{id}/versions", "addVersion", "Put a design aside under a name", with(NewVersion{}), basket.Version{}, 201},
	{"DELETE", "/api/socks/{id}/versions/{part}", "deleteVersion", "Take a version away", byPart{}, nil, 204},
	{"POST", "/api/socks/{id}/versions/{part}/restore", "restoreVersion", "Bring a version back", byPart{}, nil, 204},
	{"POST", "/api/socks/{id}/knit", "startKnitting", "Put a sock on the needles: its design becomes the first version of the plan", byID{}, KnitView{}, 200},
	{"GET", "/api/socks/{id}/knit", "knitting", "Get everything that knitting mode needs", byID{}, KnitView{}, 200},
	{"GET", "/api/socks/{id}/progress", "progress", "Say in a line how far a sock on the needles is", byID{}, ProgressView{}, 200},
	{"POST", "/api/socks/{id}/events", "addEvents", "Write down what happened; an event that is there already changes nothing", with(NewEvents{}), Heard{}, 200},
	{"POST", "/api/socks/{id}/where", "whereAmI", "Find the row by what is seen", with(WhereQuestion{}), whereami.Answer{}, 200},
	{"POST", "/api/socks/{id}/count", "countIsWrong", "Say what most likely happened when a count disagrees", with(CountQuestion{}), CauseList{}, 200},
	{"POST", "/api/socks/{id}/replan", "replan", "Plan what is still to come by what really happened", with(ReplanQuestion{}), replan.Proposal{}, 200},
	{"GET", "/api/scale", "scale", "Read the kitchen scale", nil, ScaleReading{}, 200},
	{"GET", "/api/feet", "listWearers", "List everybody with their feet", nil, WearerList{}, 200},
	{"POST", "/api/feet", "addWearer", "Add a wearer", NewWearer{}, WearerView{}, 201},
	{"GET", "/api/feet/{id}", "getWearer", "Get a wearer with both feet", byID{}, WearerView{}, 200},
	{"PUT", "/api/feet/{id}", "saveWearer", "Replace name, cautions and note; 409 when they were changed meanwhile", with(SaveWearer{}), WearerView{}, 200},
	{"DELETE", "/api/feet/{id}", "deleteWearer", "Delete a wearer; socks keep the feet they took", byID{}, nil, 204},
	{"POST", "/api/feet/{id}/restore", "restoreWearer", "Bring a wearer back", byID{}, nil, 204},
	{"POST", "/api/feet/{id}/measurements", "addMeasurement", "Add a dated measurement", with(NewMeasurement{}), WearerView{}, 201},
	{"DELETE", "/api/feet/{id}/measurements/{part}", "deleteMeasurement", "Take a measurement out", byPart{}, nil, 204},
	{"POST", "/api/feet/{id}/measurements/{part}/restore", "restoreMeasurement", "Bring a measurement back", byPart{}, nil, 204},
	{"POST", "/api/feet/{id}/growth", "growth", "Say how long a growing foot will be on a day", with(GrowthQuestion{}), feet.Growth{}, 200},
	{"POST", "/api/feet/{id}/tracings", "addTracing", "Keep a tracing and the lengths read from it", with(NewTracing{}), WearerView{}, 201},
	{"DELETE", "/api/feet/{id}/tracings/{part}", "deleteTracing", "Take a tracing out", byPart{}, nil, 204},
	{"POST", "/api/feet/{id}/tracings/{part}/restore", "restoreTracing", "Bring a tracing back", byPart{}, nil, 204},
	{"GET", "/api/book", "book", "List the swatches, yarns and needles", nil, Book{}, 200},
	{"POST", "/api/yarns", "addYarn", "Add a yarn", NewYarn{}, swatch.Yarn{}, 201},
	{"PUT", "/api/yarns/{id}", "saveYarn", "Replace a yarn; 409 when it was changed meanwhile", with(NewYarn{}), swatch.Yarn{}, 200},
	{"DELETE", "/api/yarns/{id}", "deleteYarn", "Delete a yarn", byID{}, nil, 204},
	{"POST", "/api/yarns/{id}/restore", "restoreYarn", "Bring a yarn back", byID{}, nil, 204},
	{"POST", "/api/needles", "addNeedle", "Add a needle", NewNeedle{}, swatch.Needle{}, 201},
	{"DELETE", "/api/needles/{id}", "deleteNeedle", "Delete a needle", byID{}, nil, 204},
	{"POST", "/api/needles/{id}/restore", "restoreNeedle", "Bring a needle back", byID{}, nil, 204},
	{"POST", "/api/swatches", "addSwatch", "Add a swatch", NewSwatch{}, SwatchView{}, 201},
	{"GET", "/api/swatches/{id}", "getSwatch", "Get a swatch with what it comes to", byID{}, SwatchView{}, 200},
	{"PUT", "/api/swatches/{id}", "saveSwatch", "Replace what is said of a swatch; 409 when it was changed meanwhile", with(NewSwatch{}), SwatchView{}, 200},
	{"DELETE", "/api/swatches/{id}", "deleteSwatch", "Delete a swatch; socks keep the gauge they took", byID{}, nil, 204},
	{"POST", "/api/swatches/{id}/restore", "restoreSwatch", "Bring a swatch back", byID{}, nil, 204},
	{"POST", "/api/swatches/{id}/readings", "addReading", "Add a count", with(NewReading{}), SwatchView{}, 201},
	{"DELETE", "/api/swatches/{id}/readings/{part}", "deleteReading", "Take a count out", byPart{}, nil, 204},
	{"POST", "/api/swatches/{id}/readings/{part}/restore", "restoreReading", "Bring a count back", byPart{}, nil, 204},
	{"POST", "/api/swatches/{id}/aim", "aim", "Reckon which needle would give a gauge", with(AimQuestion{}), swatch.Aim{}, 200},
}

// Document is the OpenAPI description of the API, made from the Go types that it answers with.
func Document() ([]byte, error) { return documentOnce() }

var documentOnce = sync.OnceValues(makeDocument)

func makeDocument() ([]byte, error) {
	r := openapi31.NewReflector()
	r.Spec.Info.WithTitle("Acorn Step").WithVersion("1").WithDescription("Designs of toe-up socks, worked out loop by loop. Lengths are millimetres.")
	r.JSONSchemaReflector().DefaultOptions = append(r.JSONSchemaReflector().DefaultOptions,
		jsonschema.InterceptProp(requireAll), jsonschema.InterceptNullability(listsAreNeverNull), jsonschema.InterceptSchema(opsAreTuples), jsonschema.InterceptDefName(shortName))
	for _, o := range operations {
		op, err := r.NewOperationContext(o.method, o.path)
		if err != nil {
			return nil, fmt.Errorf("openapi %s: %w", o.id, err)
		}
		op.SetID(o.id)
		op.SetSummary(o.summary)
		if o.request != nil {
			op.AddReqStructure(o.request)
		}
		op.AddRespStructure(o.response, openapi.WithHTTPStatus(o.status))
		op.AddRespStructure(Problem{}, func(cu *openapi.ContentUnit) {
			cu.IsDefault = true
			cu.ContentType = "application/problem+json"
			cu.Description = "What was wrong, and with which field"
		})
		if err := r.AddOperation(op); err != nil {
			return nil, fmt.Errorf("openapi %s: %w", o.id, err)
		}
	}
	return json.MarshalIndent(r.Spec, "", "  ")
}

// requireAll marks every field that is always written as required.
func requireAll(p jsonschema.InterceptPropParams) error {
	tag := p.Field.Tag.Get("json")
	if p.Processed && tag != "" && !strings.Contains(tag, "omitempty") {
		p.ParentSchema.Required = append(p.ParentSchema.Required, p.Name)
	}
	return nil
}

// listsAreNeverNull: an empty list is written as one.
func listsAreNeverNull(p jsonschema.InterceptNullabilityParams) {
	if kind := p.Type.Kind(); kind == reflect.Slice || kind == reflect.Map {
		p.Schema.RemoveType(jsonschema.Null)
	}
}

// opsAreTuples describes ["k", 12] and [17, "sole"], which Go keeps as structs.
func opsAreTuples(p jsonschema.InterceptSchemaParams) (bool, error) {
	pair := func() {
		item := (&jsonschema.Schema{}).WithAnyOf(jsonschema.String.ToSchemaOrBool(), jsonschema.Integer.ToSchemaOrBool())
		p.Schema.Type = nil
		p.Schema.WithType(jsonschema.Array.Type()).WithMinItems(2).WithMaxItems(2)
		p.Schema.WithItems(*(&jsonschema.Items{}).WithSchemaOrBool(item.ToSchemaOrBool()))
	}
	switch p.Value.Type() {
	case reflect.TypeFor[needle.Op]():
		pair()
		return true, nil
	case reflect.TypeFor[needle.Marker]():
		pair()
		return true, nil
	}
	return false, nil
}

// shortName names a schema by its type, without the package where that is clear.
func shortName(t reflect.Type, name string) string {
	for _, prefix := range []string{"Http", "Basket", "Document", "Draft", "Plan", "Knit", "Needle", "Tally"} {
		if rest, ok := strings.CutPrefix(name, prefix); ok && rest != "" {
			if prefix == "Plan" && (rest == "Question" || rest == "Answer") {
				return name
			}
			return rest
		}
	}
	return name
}

func serveDocument(c *gin.Context) {
	text, err := Document()
	if err != nil {
		fail(c, nethttp.StatusInternalServerError, "the description of the API cannot be made")
		return
	}
	c.Data(nethttp.StatusOK, "application/json", text)
}
