package document_test

import (
	"encoding/json"
	"maps"
	"math/rand/v2"
	"os"
	"path/filepath"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	_ "parvix/core/stage/kinds"
)

// demonstrations are the files that ship with Parvix.
func demonstrations(t *testing.T) map[string][]byte {
	t.Helper()
	names, err := filepath.Glob("../../../demo/*.json")
	require.NoError(t, err)
	require.NotEmpty(t, names)
	files := map[string][]byte{}
	for _, name := range names {
		data, err := os.ReadFile(name)
		require.NoError(t, err)
		files[filepath.Base(name)] = data
	}
	return files
}

// A file that is opened and saved again has lost nothing and gained nothing.
func TestAFileComesBackAsItWentIn(t *testing.T) {
	for name, data := range demonstrations(t) {
		d, err := document.Decode(data)
		require.NoError(t, err, name)
		assert.JSONEq(t, string(data), string(document.Encode(d)), name)
	}
}

// Older versions let stand what shows nothing. It is taken out, and what was taken out is told; a whole file is told nothing of.
func TestWhatIsMendedInAnOlderFileIsTold(t *testing.T) {
	data, err := os.ReadFile("testdata/version-2/01-fountain.json")
	require.NoError(t, err)
	_, mended, err := document.DecodeFile(data)
	require.NoError(t, err)
	assert.Empty(t, mended)

	var file map[string]any
	require.NoError(t, json.Unmarshal(data, &file))
	file["title"] = " "
	file["stated"].([]any)[0].(map[string]any)["colour"] = -5
	name := file["stated"].([]any)[0].(map[string]any)["name"]
	scene := file["scenes"].([]any)[0].(map[string]any)
	scene["name"] = "Aim"
	scene["values"].(map[string]any)["gone"] = 3
	scene["hidden"] = []any{"c99"}
	data, err = json.Marshal(file)
	require.NoError(t, err)
	d, mended, err := document.DecodeFile(data)
	require.NoError(t, err)
	assert.Equal(t, []string{
		"It had no title and is called “Untitled” now.",
		"The colour of “" + name.(string) + "” was −5, which is none; it is 3 now.",
		"Scene 1 “Aim” had a value of the dial “gone”, which is not there.",
		"Scene 1 “Aim” hid the entry “c99”, which is not there.",
	}, mended)
	assert.Equal(t, "Untitled", d.Title)
	assert.NotContains(t, d.Scenes[0].Values, "gone")
	assert.Empty(t, d.Scenes[0].Hidden)
}

// A file that broke off, wherever it was, is refused whole.
func TestATruncatedFileIsRefused(t *testing.T) {
	for name, data := range demonstrations(t) {
		for cut := 0; cut < len(data)-2; cut += 1 + len(data)/150 {
			d, err := document.Decode(data[:cut])
			_, isProblem := problem.Of(err)
			require.True(t, isProblem && d == nil, "%s after %d bytes: %v", name, cut, err)
		}
	}
}

// A file in which a value was changed for another is refused with a sentence, or can be written and read again: there is
// nothing between.
func TestAChangedFileIsRefusedOrWhole(t *testing.T) {
	random := rand.New(rand.NewPCG(3, 1))
	others := []any{nil, -1.0, 1e9, 7.5, true, "", "x", "((", "p9", "2π", []any{}, map[string]any{}}
	var change func(v any) any
	change = func(v any) any {
		switch v := v.(type) {
		case map[string]any:
			if keys := slices.Sorted(maps.Keys(v)); len(keys) > 0 {
				key := keys[random.IntN(len(keys))]
				v[key] = change(v[key])
				return v
			}
		case []any:
			if len(v) > 0 {
				i := random.IntN(len(v))
				v[i] = change(v[i])
				return v
			}
		}
		return others[random.IntN(len(others))]
	}
	refused, whole := 0, 0
	files := demonstrations(t)
	for _, name := range slices.Sorted(maps.Keys(files)) {
		for range 60 {
			var file any
			require.NoError(t, json.Unmarshal(files[name], &file))
			text, err := json.Marshal(change(file))
			require.NoError(t, err)
			d, err := document.Decode(text)
			if err != nil {
				p, isProblem := problem.Of(err)
				require.True(t, isProblem, "%s: %v", name, err)
				assert.NotContains(t, p.Error(), "{0}", name)
				refused++
				continue
			}
			again, err := document.Decode(document.Encode(d))
			require.NoError(t, err, name)
			assert.Equal(t, d, again, name)
			whole++
		}
	}
	assert.Positive(t, refused)
	assert.Positive(t, whole)
}
