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
	"acornstep/sock/needle"
	"acornstep/sock/position"
)

type byID struct {
	ID string `path:"id" description:"id of the sock"`
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
	{"POST", "/api/compare", "compare", "Rank the ways to knit a draft by how they fit", PlanQuestion{}, advise.Report{}, 200},
	{"POST", "/api/position", "position", "Show the needles before and after a row", PositionQuestion{}, position.Row{}, 200},
	{"POST", "/api/shoe", "shoe", "Estimate a foot from a shoe size", ShoeQuestion{}, ShoeAnswer{}, 200},
	{"GET", "/api/reference", "reference", "List the glossary and the stitch patterns", nil, Reference{}, 200},
	{"GET", "/api/socks", "listSocks", "List the basket, the last changed first", nil, SockList{}, 200},
	{"POST", "/api/socks", "addSock", "Put a new sock into the basket", NewSock{}, basket.Sock{}, 201},
	{"GET", "/api/socks/{id}", "getSock", "Get a sock", byID{}, basket.Sock{}, 200},
	{"PUT", "/api/socks/{id}", "saveSock", "Replace a sock; 409 with the kept one when the revision is not the newest", struct {
		byID
		SaveSock
	}{}, basket.Sock{}, 200},
	{"DELETE", "/api/socks/{id}", "deleteSock", "Take a sock out of the basket", byID{}, nil, 204},
	{"POST", "/api/socks/{id}/restore", "restoreSock", "Put a deleted sock back", byID{}, basket.Sock{}, 200},
	{"POST", "/api/socks/{id}/duplicate", "duplicateSock", "Copy a sock", byID{}, basket.Sock{}, 201},
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
	for _, prefix := range []string{"Http", "Basket", "Document", "Draft", "Plan", "Knit", "Needle"} {
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
