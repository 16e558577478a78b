package web_test

import (
	"encoding/json"
	"fmt"
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/said/hands"
	"acornstep/sock/teach/practice"
)

// A run counts when it was made from its first move to its last without a fault, whoever asks, on whichever device; half a run and one with a fault do not.
func TestOnlyAWholeRunCounts(t *testing.T) {
	a := start(t, "")
	moves := []practice.Action{}
	for {
		s, err := practice.Run("increase", moves, hands.View{Hold: hands.Right})
		require.NoError(t, err)
		if s.Done {
			break
		}
		moves = append(moves, s.Hint)
	}
	run := func(moves []practice.Action) (int, string) {
		text, err := json.Marshal(moves)
		require.NoError(t, err)
		w := a.do("POST", "/api/practice/runs", fmt.Sprintf(`{"lesson":"increase","moves":%s}`, text))
		return w.status, w.text
	}
	code, said := run(moves[:len(moves)-1])
	assert.Equal(t, http.StatusUnprocessableEntity, code, said)
	assert.Contains(t, said, "only a whole run counts")
	code, said = run(append([]practice.Action{practice.Slip}, moves...))
	assert.Equal(t, http.StatusUnprocessableEntity, code, said)
	for n := 1; n <= 3; n++ {
		code, said = run(moves)
		require.Equal(t, http.StatusCreated, code, said)
		assert.JSONEq(t, fmt.Sprintf(`{"lessons":[{"lesson":"increase","knows":"toe:wedge","runs":%d}]}`, n), said)
	}
	w := a.do("GET", "/api/practice/runs", "")
	assert.JSONEq(t, `{"lessons":[{"lesson":"increase","knows":"toe:wedge","runs":3}]}`, w.text)
}

// A pattern is printed as the hands hold the yarn, and without the moves that are known; a hand or a lesson that nobody knows is refused by its field.
func TestAPatternIsPrintedForTheseHands(t *testing.T) {
	a := start(t, "")
	made := a.do("POST", "/api/socks", `{"name":"Printed","draft":`+isoldeDraft+`}`)
	require.Equal(t, http.StatusCreated, made.status, made.text)
	var sock sock
	made.into(t, &sock)
	pdf := func(query string) reply { return a.do("GET", "/api/socks/"+sock.ID+"/files/pattern.pdf?"+query, "") }
	whole, left, some, bare := pdf(""), pdf("yarn=left"), pdf("without=increase,bind-off"), pdf("without=all")
	for _, r := range []reply{whole, left, some, bare} {
		require.Equal(t, http.StatusOK, r.status, r.text)
	}
	assert.NotEqual(t, whole.text, left.text)
	assert.Less(t, len(some.text), len(whole.text))
	assert.Less(t, len(bare.text), len(some.text))
	for query, field := range map[string]string{"yarn=both": "yarn", "knits=up": "knits", "without=flying": "without"} {
		r := pdf(query)
		assert.Equal(t, http.StatusUnprocessableEntity, r.status, r.text)
		assert.Contains(t, r.text, `"`+field+`"`)
	}
}
