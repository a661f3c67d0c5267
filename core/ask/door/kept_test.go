package door_test

import (
	"crypto/sha256"
	"encoding/binary"
	"encoding/hex"
	"encoding/json"
	"flag"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
)

var keepPictures = flag.Bool("keep-pictures", false, "write testdata/pictures.json anew")

// While the house is rebuilt, every picture, word and window stays as it was: of the demonstrations that ship, of every
// beginning and of one in which each kind is shown in each way, in all scenes and at two sizes.
func TestThePicturesStayAsTheyWere(t *testing.T) {
	const name = "testdata/pictures.json"
	got := map[string]string{}
	for title, file := range everything(t) {
		for what, sum := range seenOf(t, file) {
			got[title+" "+what] = sum
		}
	}
	if *keepPictures {
		data, err := json.MarshalIndent(got, "", " ")
		require.NoError(t, err)
		require.NoError(t, os.WriteFile(name, append(data, '\n'), 0o644))
	}
	data, err := os.ReadFile(name)
	require.NoError(t, err)
	want := map[string]string{}
	require.NoError(t, json.Unmarshal(data, &want))
	assert.Equal(t, want, got)
}

// everything are documents by title, as they stand in files.
func everything(t *testing.T) map[string][]byte {
	t.Helper()
	all := map[string][]byte{}
	for _, pattern := range []string{"../../../demo/*.json", "testdata/*.json"} {
		files, err := filepath.Glob(pattern)
		require.NoError(t, err)
		for _, file := range files {
			if strings.Contains(file, "pictures") {
				continue
			}
			data, err := os.ReadFile(file)
			require.NoError(t, err)
			all[filepath.Base(file)] = data
		}
	}
	for _, b := range edit.Beginnings() {
		d, err := edit.Begin(document.New(b.Title), b.Idea)
		require.NoError(t, err)
		all[b.Title] = document.Encode(d)
	}
	return all
}

// seenOf sums up what is seen and said of a document, by what it is.
func seenOf(t *testing.T, file []byte) map[string]string {
	t.Helper()
	d, err := document.Decode(file)
	require.NoError(t, err)
	it, sums := door.New(), map[string]string{}
	note := func(what string, data []byte) {
		sum := sha256.Sum256(data)
		sums[what] = hex.EncodeToString(sum[:6])
	}
	answer := ask(t, it, door.Ask{Kind: door.AskLoad, Document: d})
	words, err := json.Marshal(answer)
	require.NoError(t, err)
	note("words", words)
	for scene := range d.Scenes {
		it.BeginScene(scene)
		it.GoScene(1)
		var pictures, said []byte
		look := func(width, height float64) {
			for panel := range d.Panels {
				it.PanelSize(panel, width, height)
			}
			for panel := range d.Panels {
				require.True(t, it.Frame(panel, width, height))
				for _, v := range it.Floats() {
					pictures = binary.LittleEndian.AppendUint32(pictures, uint32(int32(v*1000)))
				}
				pictures = append(pictures, it.Texts()...)
				for _, kind := range []door.AskKind{door.AskDescribe, door.AskFit} {
					words, err := json.Marshal(ask(t, it, door.Ask{Kind: kind, Panel: panel, Width: width, Height: height}))
					require.NoError(t, err)
					said = append(said, words...)
				}
			}
		}
		look(1180, 640)
		look(370, 420)
		for dial := range answer.Loaded.Dials {
			it.DragDial(dial, 0.31)
			look(900, 500)
		}
		note(d.Scenes[scene].ID+" pictures", pictures)
		note(d.Scenes[scene].ID+" words", said)
		it.StartingValues()
	}
	return sums
}
