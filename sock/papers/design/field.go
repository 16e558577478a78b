package design

import (
	"fmt"
	"maps"
	"reflect"
	"slices"
	"strings"

	"acornstep/sock/figures/at"
)

// Get is the value of a field by its path in the document; nil where it is left
// to be worked out, or where there is no such field.
func (d *Design) Get(field at.Path) any {
	v := d.find(field)
	if !v.IsValid() {
		return nil
	}
	if v.Kind() == reflect.Pointer {
		if v.IsNil() {
			return nil
		}
		v = v.Elem()
	}
	return v.Interface()
}

// Set puts a value into a field by its path; nil leaves the field as a design
// that does not mention it has it. The error names the path or the value.
func (d *Design) Set(field at.Path, value any) error {
	v := d.find(field)
	if !v.IsValid() {
		return fmt.Errorf("%s: there is no such field", field)
	}
	if value == nil {
		blank := Blank()
		v.Set(blank.find(field))
		if _, values := d.allowed(field); len(values) > 0 {
			v.SetString(values[0])
		}
		if field == at.CornerHoldRounds {
			v.SetInt(int64(d.usualHold()))
		}
		return nil
	}
	from := reflect.ValueOf(value)
	if v.Kind() == reflect.Pointer {
		fresh := reflect.New(v.Type().Elem())
		if !from.CanConvert(fresh.Elem().Type()) {
			return fmt.Errorf("%s: read %v, which does not fit there", field, value)
		}
		fresh.Elem().Set(from.Convert(fresh.Elem().Type()))
		v.Set(fresh)
		return nil
	}
	if !from.CanConvert(v.Type()) || from.Kind() == reflect.Int && v.Kind() == reflect.String {
		return fmt.Errorf("%s: read %v, which does not fit there", field, value)
	}
	v.Set(from.Convert(v.Type()))
	return nil
}

// find finds the field of a path by the names of the document.
func (d *Design) find(field at.Path) reflect.Value {
	index, known := fields[field]
	if !known {
		return reflect.Value{}
	}
	return reflect.ValueOf(d).Elem().FieldByIndex(index)
}

// fields are the places of all fields in the struct, by their path in the document.
var fields = func() map[at.Path][]int {
	found := map[at.Path][]int{}
	var walk func(path at.Path, index []int, t reflect.Type)
	walk = func(path at.Path, index []int, t reflect.Type) {
		for i := range t.NumField() {
			name, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ",")
			inner, place := t.Field(i).Type, append(slices.Clone(index), i)
			if inner.Kind() == reflect.Struct {
				walk(path+at.Path(name)+".", place, inner)
				continue
			}
			found[path+at.Path(name)] = place
		}
	}
	walk("", nil, reflect.TypeFor[Design]())
	return found
}()

// Changes are values of a design by the path of their field; nil leaves one to be worked out.
type Changes map[at.Path]any

// With is the design with changes made. A change that does not fit is an error.
func (d Design) With(changes Changes) (Design, error) {
	for field, value := range changes {
		if value == nil {
			continue // after the others: what is left out may depend on them
		}
		if err := d.Set(field, value); err != nil {
			return d, err
		}
	}
	for field, value := range changes {
		if value != nil {
			continue
		}
		if err := d.Set(field, nil); err != nil {
			return d, err
		}
	}
	return d, nil
}

// Differences are the fields in which another design differs from this one, with
// the values of the other; nil for one that the other leaves to be worked out.
func Differences(from, to Design) Changes {
	changes := Changes{}
	for field := range fields {
		if was, is := from.Get(field), to.Get(field); !reflect.DeepEqual(was, is) {
			changes[field] = is
		}
	}
	return changes
}

// Fields are the paths of the changes, in order.
func (c Changes) Fields() []at.Path { return slices.Sorted(maps.Keys(c)) }

// Has says whether a field is among the changes.
func (c Changes) Has(field at.Path) bool {
	_, has := c[field]
	return has
}

// Paths are the paths of all fields, in order.
func Paths() []at.Path { return slices.Sorted(maps.Keys(fields)) }
