package main

import (
	"bytes"
	"encoding/json"
	"os"
	"path/filepath"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/demo"
)

const root = "../.."

func TestWhatFollowsFromGoIsFresh(t *testing.T) {
	for name, make := range outputs {
		want, err := make(root)
		require.NoError(t, err)
		got, err := os.ReadFile(filepath.Join(root, name))
		require.NoError(t, err)
		assert.Equal(t, string(want), string(got), "%s is stale: run make generate", name)
	}
}

func compiled(t *testing.T) *jsonschema.Schema {
	t.Helper()
	text, err := schema(root)
	require.NoError(t, err)
	parsed, err := jsonschema.UnmarshalJSON(bytes.NewReader(text))
	require.NoError(t, err)
	c := jsonschema.NewCompiler()
	require.NoError(t, c.AddResource("demonstration.json", parsed))
	s, err := c.Compile("demonstration.json")
	require.NoError(t, err)
	return s
}

func valid(t *testing.T, s *jsonschema.Schema, file []byte) error {
	t.Helper()
	value, err := jsonschema.UnmarshalJSON(bytes.NewReader(file))
	require.NoError(t, err)
	return s.Validate(value)
}

func TestTheDemonstrationsFollowThePublishedSchema(t *testing.T) {
	s := compiled(t)
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range append(documents, document.New("Empty")) {
		assert.NoError(t, valid(t, s, document.Encode(d)), d.Title)
	}
}

func TestTheSchemaRefusesWhatTheProgramRefuses(t *testing.T) {
	s := compiled(t)
	for field, wrong := range map[string]any{"angleUnit": "gon", "format": "other", "version": 99, "title": 7, "panels": "none", "extra": 1} {
		var file map[string]any
		require.NoError(t, json.Unmarshal(document.Encode(document.New("x")), &file))
		file[field] = wrong
		data, err := json.Marshal(file)
		require.NoError(t, err)
		assert.Error(t, valid(t, s, data), field)
		_, err = document.Decode(data)
		assert.Error(t, err, field)
	}
}
