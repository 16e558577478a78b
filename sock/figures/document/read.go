// Package document reads JSON documents strictly: names are case-sensitive,
// duplicate keys, unknown fields, trailing data and invalid UTF-8 are refused,
// and every fault is reported with the path of its field.
package document

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"math"
	"reflect"
	"strings"
	"unicode/utf8"
)

// Fault is something wrong with one field of a document.
type Fault struct {
	// Field is the path, such as foot.length_mm; empty for the document as a whole.
	Field string `json:"field"`
	// Message names what was read and what is possible.
	Message string `json:"message"`
	// Label is what people call the field; empty where nobody gave it one.
	Label string `json:"label,omitempty"`
}

// Said is the fault as a person reads it, without the path.
func (f Fault) Said() string {
	if f.Label == "" {
		return f.Message
	}
	return f.Label + ": " + f.Message
}

func (f Fault) Error() string {
	if f.Field == "" {
		return f.Message
	}
	return f.Field + ": " + f.Message
}

// Faults is a list of faults; it is an error when it is not empty.
type Faults []Fault

func (f Faults) Error() string {
	lines := make([]string, len(f))
	for i, fault := range f {
		lines[i] = fault.Error()
	}
	return strings.Join(lines, "\n")
}

// Said is the list as a person reads it, a fault a line.
func (f Faults) Said() string {
	lines := make([]string, len(f))
	for i, fault := range f {
		lines[i] = fault.Said()
	}
	return strings.Join(lines, "\n")
}

// MostFaults are told of one document: nobody reads more, and a list as long as a bad document only costs time.
const MostFaults = 50

// Add appends a fault whose message is formatted, unless [MostFaults] are listed already.
func (f *Faults) Add(field, format string, args ...any) {
	if len(*f) >= MostFaults {
		return
	}
	*f = append(*f, Fault{Field: field, Message: fmt.Sprintf(format, args...)})
}

// Err is the list as an error, nil when it is empty.
func (f Faults) Err() error {
	if len(f) == 0 {
		return nil
	}
	return f
}

// Present is the set of field paths that a document gave a value other than null.
type Present map[string]bool

// Read fills the struct that into points to from a JSON object, leaving fields
// that are missing or null as they are. Fields are found by their json tag.
func Read(text []byte, into any) (Present, Faults) {
	tree, err := parse(text)
	if fault, ok := err.(Fault); ok {
		return nil, Faults{fault}
	}
	if err != nil {
		return nil, Faults{{Message: err.Error()}}
	}
	r := reader{present: Present{}}
	r.read("", tree, reflect.ValueOf(into).Elem())
	return r.present, r.faults
}

// object keeps the keys of a JSON object in their order.
type object struct {
	keys   []string
	values map[string]any
}

var byteOrderMark = []byte("\ufeff")

// parse reads a tree of object, []any, string, json.Number, bool and nil.
func parse(text []byte) (any, error) {
	text = bytes.TrimPrefix(text, byteOrderMark)
	if !utf8.Valid(text) {
		return nil, fmt.Errorf("the text is not valid UTF-8")
	}
	decoder := json.NewDecoder(bytes.NewReader(text))
	decoder.UseNumber()
	tree, err := parseValue(decoder, "", 0)
	if err != nil {
		if err == io.EOF || err == io.ErrUnexpectedEOF {
			return nil, fmt.Errorf("the JSON ends too early")
		}
		if syntax, ok := err.(*json.SyntaxError); ok {
			return nil, fmt.Errorf("this is not JSON, near character %d: %s", syntax.Offset, strings.TrimPrefix(syntax.Error(), "json: "))
		}
		return nil, err
	}
	if _, err := decoder.Token(); err != io.EOF {
		return nil, fmt.Errorf("there is more text after the end of the document")
	}
	return tree, nil
}

// mostDepth is far deeper than any document of ours; it keeps a hostile one from growing the stack.
const mostDepth = 64

func parseValue(d *json.Decoder, path string, depth int) (any, error) {
	if depth > mostDepth {
		return nil, fmt.Errorf("the document is nested more than %d deep", mostDepth)
	}
	token, err := d.Token()
	if err != nil {
		return nil, err
	}
	switch token {
	case json.Delim('{'):
		o := object{values: map[string]any{}}
		for d.More() {
			key, err := d.Token()
			if err != nil {
				return nil, err
			}
			name := key.(string)
			if _, twice := o.values[name]; twice {
				return nil, Fault{Field: join(path, name), Message: "this key stands twice in the same object"}
			}
			value, err := parseValue(d, join(path, name), depth+1)
			if err != nil {
				return nil, err
			}
			o.keys = append(o.keys, name)
			o.values[name] = value
		}
		_, err := d.Token()
		return o, err
	case json.Delim('['):
		list := []any{}
		for d.More() {
			value, err := parseValue(d, fmt.Sprintf("%s[%d]", path, len(list)), depth+1)
			if err != nil {
				return nil, err
			}
			list = append(list, value)
		}
		_, err := d.Token()
		return list, err
	}
	return token, nil
}

func join(path, name string) string {
	if path == "" {
		return name
	}
	return path + "." + name
}

type reader struct {
	present Present
	faults  Faults
}

var unmarshaler = reflect.TypeFor[json.Unmarshaler]()

func (r *reader) read(path string, value any, into reflect.Value) {
	if value == nil {
		return // null means: work it out
	}
	if path != "" {
		r.present[path] = true
	}
	if into.CanAddr() && into.Addr().Type().Implements(unmarshaler) {
		if err := into.Addr().Interface().(json.Unmarshaler).UnmarshalJSON([]byte(spell(value))); err != nil {
			r.faults.Add(path, "%s", err)
		}
		return
	}
	switch into.Kind() {
	case reflect.Pointer:
		fresh := reflect.New(into.Type().Elem())
		before := len(r.faults)
		r.read(path, value, fresh.Elem())
		if len(r.faults) == before {
			into.Set(fresh)
		}
	case reflect.Struct:
		r.readStruct(path, value, into)
	case reflect.Slice, reflect.Array:
		r.readList(path, value, into)
	case reflect.Map:
		r.readMap(path, value, into)
	case reflect.Interface:
		into.Set(reflect.ValueOf(loose(value)))
	default:
		r.readScalar(path, value, into)
	}
}

func (r *reader) readStruct(path string, value any, into reflect.Value) {
	o, ok := value.(object)
	if !ok {
		r.faults.Add(path, "read %s, expected an object", spell(value))
		return
	}
	fields := fieldsOf(into.Type())
	for _, name := range o.keys {
		index, known := fields[name]
		if !known {
			r.faults.Add(join(path, name), "unknown field")
			continue
		}
		r.read(join(path, name), o.values[name], into.Field(index))
	}
}

func fieldsOf(t reflect.Type) map[string]int {
	fields := make(map[string]int, t.NumField())
	for i := range t.NumField() {
		name, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ",")
		if name != "" && name != "-" {
			fields[name] = i
		}
	}
	return fields
}

func (r *reader) readList(path string, value any, into reflect.Value) {
	list, ok := value.([]any)
	if !ok {
		r.faults.Add(path, "read %s, expected a list", spell(value))
		return
	}
	if into.Kind() == reflect.Array {
		if len(list) != into.Len() {
			r.faults.Add(path, "read %d values, expected %d", len(list), into.Len())
			return
		}
	} else {
		into.Set(reflect.MakeSlice(into.Type(), len(list), len(list)))
	}
	for i, value := range list {
		if value == nil {
			r.faults.Add(fmt.Sprintf("%s[%d]", path, i), "read null, expected a value")
			continue
		}
		r.read(fmt.Sprintf("%s[%d]", path, i), value, into.Index(i))
	}
}

// readMap reads an object whose names are free.
func (r *reader) readMap(path string, value any, into reflect.Value) {
	o, ok := value.(object)
	if !ok {
		r.faults.Add(path, "read %s, expected an object", spell(value))
		return
	}
	into.Set(reflect.MakeMapWithSize(into.Type(), len(o.keys)))
	for _, name := range o.keys {
		if o.values[name] == nil {
			continue
		}
		element := reflect.New(into.Type().Elem()).Elem()
		r.read(join(path, name), o.values[name], element)
		into.SetMapIndex(reflect.ValueOf(name), element)
	}
}

// loose turns a tree into what encoding/json would have made of it.
func loose(value any) any {
	switch v := value.(type) {
	case object:
		m := make(map[string]any, len(v.keys))
		for name, inner := range v.values {
			m[name] = loose(inner)
		}
		return m
	case []any:
		for i := range v {
			v[i] = loose(v[i])
		}
		return v
	default:
		return v // a json.Number keeps its spelling
	}
}

func (r *reader) readScalar(path string, value any, into reflect.Value) {
	switch into.Kind() {
	case reflect.String:
		text, ok := value.(string)
		switch {
		case !ok:
			r.faults.Add(path, "read %s, expected a text", spell(value))
		case strings.ContainsRune(text, 0): // many programs take it for the end of a text
			r.faults.Add(path, "read a text with the character of code 0 in it, which no text has")
		default:
			into.SetString(text)
		}
	case reflect.Bool:
		if yes, ok := value.(bool); ok {
			into.SetBool(yes)
			return
		}
		r.faults.Add(path, "read %s, expected true or false", spell(value))
	case reflect.Int, reflect.Int64, reflect.Uint8:
		number, ok := value.(json.Number)
		most := 1e9 // more than is counted of anything
		if into.Kind() == reflect.Int64 {
			most = 1 << 52 // moments in milliseconds, and all that a double holds exactly
		}
		if f, err := number.Float64(); ok && err == nil && f == math.Trunc(f) && math.Abs(f) < most {
			into.SetInt(int64(f))
			return
		}
		r.faults.Add(path, "read %s, expected a whole number", spell(value))
	case reflect.Float64:
		number, ok := value.(json.Number)
		if f, err := number.Float64(); ok && err == nil && math.Abs(f) < 1e9 {
			into.SetFloat(f)
			return
		}
		r.faults.Add(path, "read %s, expected a number", spell(value))
	default:
		panic(fmt.Sprintf("document: %s has the kind %s, which no document uses", path, into.Kind()))
	}
}

// spell writes a value as JSON again, shortened, to show what was read.
func spell(value any) string {
	switch v := value.(type) {
	case object:
		var b strings.Builder
		b.WriteByte('{')
		for i, key := range v.keys {
			if i > 0 {
				b.WriteByte(',')
			}
			fmt.Fprintf(&b, "%q:%s", key, spell(v.values[key]))
		}
		return b.String() + "}"
	case []any:
		parts := make([]string, len(v))
		for i, part := range v {
			parts[i] = spell(part)
		}
		return "[" + strings.Join(parts, ",") + "]"
	default:
		text, err := json.Marshal(v)
		if err != nil {
			return fmt.Sprint(v)
		}
		return string(text)
	}
}

// TrimMark takes a byte order mark off the beginning of a text.
func TrimMark(text []byte) []byte { return bytes.TrimPrefix(text, byteOrderMark) }
