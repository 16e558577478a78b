package web

import (
	"flag"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

var update = flag.Bool("update", false, "write the API description that the interface's types are made from")

// The interface's types are generated from this file; when the Go types
// change, it is written anew with go test ./web -run TestDocumentIsTheOne -update.
func TestDocumentIsTheOneTheInterfaceWasMadeFrom(t *testing.T) {
	const path = "../ui/src/api/openapi.json"
	text, err := Document()
	require.NoError(t, err)
	if *update {
		require.NoError(t, os.WriteFile(path, append(text, '\n'), 0o644))
	}
	kept, err := os.ReadFile(path)
	require.NoError(t, err)
	assert.JSONEq(t, string(kept), string(text), "run: go test ./web -run TestDocumentIsTheOne -update && npm --prefix ui run types")
}
