package web_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// What no sock can be is refused before anything is worked out of it: in a sentence, and with nothing changed.
func TestNumbersAndListsBeyondAllSocksAreRefused(t *testing.T) {
	a := start(t, "")
	path, _ := a.onNeedles()
	var wearer struct{ Wearer struct{ ID string } }
	a.do("POST", "/api/feet", `{"name":"Oswin"}`).into(t, &wearer)
	replan := func(happened string) (string, string) {
		return "POST " + path + "/replan", fmt.Sprintf(`{"version":1,"unit":"cm","accept":true,"happened":{"row":40,%s}}`, happened)
	}
	cautions := strings.TrimSuffix(strings.Repeat(`"nobody",`, 20_000), ",")
	for name, ask := range map[string]func() (string, string){
		"a leg to the moon":       func() (string, string) { return replan(`"leg_rounds":999999999`) },
		"a leg below the floor":   func() (string, string) { return replan(`"leg_rounds":-1`) },
		"a heel next year":        func() (string, string) { return replan(`"heel_late":200000`) },
		"a heel beyond counting":  func() (string, string) { return replan(`"heel_late":9223372036854775807`) },
		"stitches without number": func() (string, string) { return replan(`"picked_up":[999999999,1]`) },
		"a cast-on of a million":  func() (string, string) { return replan(`"cast_on":1000000`) },
		"twenty thousand cautions": func() (string, string) {
			return "PUT /api/feet/" + wearer.Wearer.ID, `{"name":"Oswin","revision":1,"cautions":[` + cautions + `]}`
		},
	} {
		address, body := ask()
		method, to, _ := strings.Cut(address, " ")
		r := a.do(method, to, body)
		assert.Equal(t, 422, r.status, "%s: %.200s", name, r.text)
		assert.Less(t, len(r.text), 10_000, name)
	}
	var v struct{ Version int }
	a.do("GET", path+"/knit", "").into(t, &v)
	require.Equal(t, 1, v.Version)

	deep := fmt.Sprintf(`{"unit":"cm","draft":{"design":{},"entries":{%q:"1"}}}`, strings.Repeat(".", 200_000))
	r := a.do("POST", "/api/plan", deep)
	assert.Equal(t, 200, r.status, "%.200s", r.text)
	assert.Contains(t, r.text, "a design has no such field")
	wrong := strings.TrimSuffix(strings.Repeat(`"nobody":1,`, 20_000), ",")
	r = a.do("POST", "/api/plan", `{"unit":"cm","draft":{"design":{`+wrong+`},"entries":{}}}`)
	assert.Less(t, len(r.text), 10_000)
	many := make([]string, 12_000)
	for i := range many {
		many[i] = fmt.Sprintf(`"field%d":1`, i)
	}
	r = a.do("POST", "/api/plan", `{"unit":"cm","draft":{"design":{"foot":{`+strings.Join(many, ",")+`}},"entries":{}}}`)
	assert.Equal(t, 50, strings.Count(r.text, `"message"`), "more faults than anybody reads are not told")
}
