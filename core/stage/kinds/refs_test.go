package kinds_test

import (
	"fmt"
	"reflect"
	"testing"

	"github.com/stretchr/testify/assert"

	"parvix/core/stage/kinds"
)

// texts fills every plain text of a value, two in each list, and gives their places.
func texts(v reflect.Value, path string, visit func(path string, text *string)) {
	switch v.Kind() {
	case reflect.String:
		// What has a type of its own is a choice among words.
		if v.Type() == reflect.TypeFor[string]() {
			visit(path, v.Addr().Interface().(*string))
		}
	case reflect.Struct:
		for i := range v.NumField() {
			texts(v.Field(i), path+"."+v.Type().Field(i).Name, visit)
		}
	case reflect.Pointer:
		v.Set(reflect.New(v.Type().Elem()))
		texts(v.Elem(), path, visit)
	case reflect.Slice:
		v.Set(reflect.MakeSlice(v.Type(), 2, 2))
		for i := range 2 {
			texts(v.Index(i), path, visit)
		}
	}
}

// What refers to nothing: names that are given here, a bound letter, choices among words, a sentence's own words, and the names of columns,
// which follow where their data are put (edit.PutData).
var refersToNothing = map[string]bool{"point.Name": true, "guide.Name": true, "figure.Name": true, "trajectory.Variable": true,
	"trajectoryPart.Coordinate": true, "circlePart.Ratio": true, "text.Pieces.Text": true,
	"spaceCurve.Variable": true, "parametricSurface.U": true, "parametricSurface.V": true, "scatter.X": true, "scatter.Y": true, "scatter.Error": true, "scatter.Labels.Words": true}

// A formula, name or id that Refs does not list would not be renamed, checked or missed when it is gone.
func TestEveryTextOfABodyIsAmongWhatItRefersTo(t *testing.T) {
	count := 0
	for _, make := range kinds.All {
		body := make()
		filled := map[*string]string{}
		texts(reflect.ValueOf(body).Elem(), string(body.Kind()), func(path string, text *string) {
			*text = fmt.Sprint("t", len(filled))
			filled[text] = path
		})
		for _, r := range body.Refs() {
			delete(filled, r.Text)
		}
		for _, path := range filled {
			assert.True(t, refersToNothing[path], "%s is not in Refs", path)
		}
		count++
	}
	assert.Greater(t, count, 10)
}
