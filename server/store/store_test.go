package store_test

import (
	"errors"
	"fmt"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/server/domain"
	"parvix/server/store"
	"parvix/server/testdb"
)

var db *store.Store

func TestMain(m *testing.M) {
	os.Exit(testdb.Run(m, func(opened *store.Store) { db = opened }))
}

var count int

// teacher makes an account of its own.
func teacher(t testing.TB) *domain.Teacher {
	t.Helper()
	count++
	made, err := db.AddTeacher(t.Context(), t.Name()+string(rune('a'+count)), "hash")
	require.NoError(t, err)
	return made
}

func add(t testing.TB, owner uint64, title string) *domain.Demonstration {
	t.Helper()
	count++
	d := &domain.Demonstration{ID: strings.Repeat("a", 23) + string(rune('a'+count/676)) + string(rune('a'+count/26%26)) + string(rune('a'+count%26)),
		OwnerID: owner, Title: title, Document: document.New(title)}
	require.NoError(t, db.Add(t.Context(), d))
	return d
}

func titles(t testing.TB, owner uint64, words string) (list []string) {
	t.Helper()
	entries, err := db.List(t.Context(), owner, words, "")
	require.NoError(t, err)
	for _, e := range entries {
		list = append(list, e.Title)
	}
	return list
}

func TestASaveCountsOnAndOnlyFromTheStoredRevision(t *testing.T) {
	owner := teacher(t)
	d := add(t, owner.ID, "Tide")
	changed := document.New("Tide at noon")
	saved, err := db.Save(t.Context(), owner.ID, d.ID, domain.Save{Revision: 1, ID: "first", Document: changed})
	require.NoError(t, err)
	assert.Equal(t, uint64(2), saved.Revision)

	_, err = db.Save(t.Context(), owner.ID, d.ID, domain.Save{Revision: 1, ID: "second", Document: document.New("Late")})
	var conflict *domain.Conflict
	require.True(t, errors.As(err, &conflict))
	assert.Equal(t, "Tide at noon", conflict.Current.Document.Title, "the error shows what is stored")
	read, err := db.Demonstration(t.Context(), owner.ID, d.ID)
	require.NoError(t, err)
	assert.Equal(t, changed, read.Document)
	assert.Equal(t, "first", read.Save)
}

func TestASaveThatIsStoredAlreadyIsNoConflict(t *testing.T) {
	owner := teacher(t)
	d := add(t, owner.ID, "Tide")
	first := domain.Save{Revision: 1, ID: "first", Document: document.New("Tide at noon")}
	_, err := db.Save(t.Context(), owner.ID, d.ID, first)
	require.NoError(t, err)
	for name, again := range map[string]domain.Save{
		"the same save, of which the answer was lost": first,
		"another save of the same document":           {Revision: 1, ID: "other", Document: document.New("Tide at noon")},
		"a late one from the same content":            {Revision: 7, Document: document.New("Tide at noon")},
	} {
		stored, err := db.Save(t.Context(), owner.ID, d.ID, again)
		require.NoError(t, err, name)
		assert.Equal(t, uint64(2), stored.Revision, name)
	}
	revision, save, err := db.Revision(t.Context(), owner.ID, d.ID)
	require.NoError(t, err)
	assert.Equal(t, uint64(2), revision)
	assert.Equal(t, "first", save)
}

func TestAnOlderPictureDoesNotReplaceANewerOne(t *testing.T) {
	owner := teacher(t)
	d := add(t, owner.ID, "Tide")
	require.NoError(t, db.PutPicture(t.Context(), d.ID, 3, []byte("third")))
	require.NoError(t, db.PutPicture(t.Context(), d.ID, 2, []byte("second")))
	p, err := db.Picture(t.Context(), owner.ID, d.ID)
	require.NoError(t, err)
	assert.Equal(t, domain.Picture{Revision: 1, Drawn: 3, Data: []byte("third")}, *p)
	_, err = db.Picture(t.Context(), teacher(t).ID, d.ID)
	assert.ErrorIs(t, err, domain.ErrNotFound)
}

func TestTheShelfGoesOnPageByPage(t *testing.T) {
	owner := teacher(t)
	const all = 2*domain.PageSize + 3
	for i := range all {
		add(t, owner.ID, fmt.Sprint("Tide ", i))
	}
	seen, after := map[string]bool{}, ""
	for range 3 {
		entries, err := db.List(t.Context(), owner.ID, "tide", after)
		require.NoError(t, err)
		for _, e := range entries {
			assert.False(t, seen[e.ID], "no entry comes twice")
			seen[e.ID] = true
			after = e.ID
		}
	}
	assert.Len(t, seen, all)
}

func TestAnOwnerSeesOnlyTheirOwn(t *testing.T) {
	mine, other := teacher(t), teacher(t)
	d := add(t, mine.ID, "Secret")
	_, err := db.Demonstration(t.Context(), other.ID, d.ID)
	assert.ErrorIs(t, err, domain.ErrNotFound)
	_, err = db.Save(t.Context(), other.ID, d.ID, domain.Save{Revision: 1, Document: document.New("Stolen")})
	assert.ErrorIs(t, err, domain.ErrNotFound)
	assert.ErrorIs(t, db.Delete(t.Context(), other.ID, d.ID), domain.ErrNotFound)
	assert.Empty(t, titles(t, other.ID, ""))
}

func TestWhatWasDeletedCanBeBroughtBack(t *testing.T) {
	owner := teacher(t)
	d := add(t, owner.ID, "Gone")
	require.NoError(t, db.Delete(t.Context(), owner.ID, d.ID))
	assert.Empty(t, titles(t, owner.ID, ""))
	_, err := db.Save(t.Context(), owner.ID, d.ID, domain.Save{Revision: 1, Document: document.New("x")})
	assert.ErrorIs(t, err, domain.ErrNotFound, "a deleted one cannot be saved over")
	assert.ErrorIs(t, db.Delete(t.Context(), owner.ID, d.ID), domain.ErrNotFound)
	require.NoError(t, db.Restore(t.Context(), owner.ID, d.ID))
	assert.Equal(t, []string{"Gone"}, titles(t, owner.ID, ""))
	assert.ErrorIs(t, db.Restore(t.Context(), owner.ID, d.ID), domain.ErrNotFound)
}

func TestTheShelfIsSearchedByEveryWord(t *testing.T) {
	owner := teacher(t)
	for _, title := range []string{"The jet of the quay", "100 % tide", "Under_score", `Back\slash`, "Möwe über Ω"} {
		add(t, owner.ID, title)
	}
	for words, want := range map[string][]string{"QUAY jet": {"The jet of the quay"}, "%": {"100 % tide"}, "_": {"Under_score"}, `\`: {`Back\slash`},
		"möwe": {"Möwe über Ω"}, "jet tide": nil, `"' OR 1=1 --`: nil} {
		assert.Equal(t, want, titles(t, owner.ID, words), words)
	}
	assert.Len(t, titles(t, owner.ID, ""), 5)
}

func TestANameIsTakenOnce(t *testing.T) {
	_, err := db.AddTeacher(t.Context(), "Unique", "h")
	require.NoError(t, err)
	_, err = db.AddTeacher(t.Context(), "unique", "h")
	assert.ErrorIs(t, err, domain.ErrTaken, "whatever its capitals")
	_, err = db.TeacherNamed(t.Context(), "nobody")
	assert.ErrorIs(t, err, domain.ErrNotFound)
}

func BenchmarkSave(b *testing.B) {
	owner := teacher(b)
	d := add(b, owner.ID, "Bench")
	doc := document.New("Bench")
	for revision := uint64(1); b.Loop(); revision++ {
		if _, err := db.Save(b.Context(), owner.ID, d.ID, domain.Save{Revision: revision, Document: doc}); err != nil {
			b.Fatal(err)
		}
	}
}
