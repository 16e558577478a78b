package web

import (
	"encoding/json"
	"fmt"
	"net/http"
	"reflect"
	"strings"
	"sync"

	"github.com/gin-gonic/gin"
	"github.com/swaggest/jsonschema-go"
	"github.com/swaggest/openapi-go"
	"github.com/swaggest/openapi-go/openapi31"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// Document is the OpenAPI description of the API, made from the Go types that it answers with.
func Document() ([]byte, error) { return documentOnce() }

var documentOnce = sync.OnceValues(makeDocument)

func makeDocument() ([]byte, error) {
	r := openapi31.NewReflector()
	r.Spec.Info.WithTitle("Acorn Step").WithVersion("1").WithDescription("Designs of toe-up socks, worked out loop by loop. Lengths are millimetres.")
	r.JSONSchemaReflector().DefaultOptions = append(r.JSONSchemaReflector().DefaultOptions,
		jsonschema.InterceptProp(requireAll), jsonschema.InterceptNullability(listsAreNeverNull),
		jsonschema.InterceptSchema(opsAreTuples), jsonschema.InterceptDefName(shortName))
	for _, o := range routes {
		if o.hidden {
			continue
		}
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
	case reflect.TypeFor[needle.Op](), reflect.TypeFor[needle.Marker](), reflect.TypeFor[design.Stripe]():
		pair()
		return true, nil
	case reflect.TypeFor[needle.Move](): // [1, 2, 3]
		p.Schema.Type = nil
		p.Schema.WithType(jsonschema.Array.Type()).WithMinItems(3).WithMaxItems(3)
		p.Schema.WithItems(*(&jsonschema.Items{}).WithSchemaOrBool(jsonschema.Integer.ToSchemaOrBool()))
		return true, nil
	}
	return false, nil
}

// shortName names a schema by its type, without the package where that is clear.
func shortName(t reflect.Type, name string) string {
	for _, prefix := range []string{"Web", "Basket", "Document", "Draft", "Plan", "Needle", "Tally", "Verdict"} {
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
		fail(c, http.StatusInternalServerError, "the description of the API cannot be made")
		return
	}
	c.Data(http.StatusOK, "application/json", text)
}
