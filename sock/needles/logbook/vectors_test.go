package logbook

import (
	"encoding/json"
	"flag"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"
)

var update = flag.Bool("update", false, "write the cases that the browser's log is held against")

// vector is a list of events in the order in which a device might hear them, and where both socks are.
type vector struct {
	Events []Event  `json:"events"`
	Course Courses  `json:"course"`
	Places [2]Place `json:"places"`
}

const vectors = "testdata/places.json"

// The browser folds events too, while it has no connection. Both are held against the same cases.
func TestPlacesOfTheCasesThatTheBrowserKnows(t *testing.T) {
	if *update {
		var list []vector
		generator := rapid.Custom(anyEvents)
		for seed := range 60 {
			events := generator.Example(seed)
			if len(events) == 0 {
				continue
			}
			course := CoursesOf(rapid.Custom(anyPair).Example(seed))
			list = append(list, vector{events, course, Read(course.Today(events)).Places})
		}
		text, err := json.Marshal(list)
		require.NoError(t, err)
		require.NoError(t, os.MkdirAll("testdata", 0o755))
		require.NoError(t, os.WriteFile(vectors, text, 0o644))
	}
	text, err := os.ReadFile(vectors)
	require.NoError(t, err)
	var list []vector
	require.NoError(t, json.Unmarshal(text, &list))
	require.Greater(t, len(list), 40)
	for _, v := range list {
		assert.Equal(t, v.Places, Read(v.Course.Today(v.Events)).Places)
	}
}
