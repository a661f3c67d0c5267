package pictures_test

import (
	"compress/gzip"
	"context"
	"io"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/server/pictures"
)

// store keeps what the pool draws; the first picture waits until it is let go.
type store struct {
	lock  sync.Mutex
	drawn map[string][]uint64
	last  string
	first chan struct{}
	once  sync.Once
}

func (s *store) PutPicture(_ context.Context, id string, drawn uint64, data []byte) error {
	s.once.Do(func() { <-s.first })
	s.lock.Lock()
	defer s.lock.Unlock()
	s.drawn[id] = append(s.drawn[id], drawn)
	z, err := gzip.NewReader(strings.NewReader(string(data)))
	if err != nil {
		return err
	}
	text, err := io.ReadAll(z)
	s.last = string(text)
	return err
}

func TestOnlyTheNewestRevisionIsDrawnAndItCanBeAwaited(t *testing.T) {
	s := &store{drawn: map[string][]uint64{}, first: make(chan struct{})}
	p := pictures.New(s)
	defer p.Close()
	p.Want("busy", 1, document.New("Busy"))
	for revision := range uint64(50) {
		p.Want("tide", revision+1, document.New("Tide"))
	}
	close(s.first)
	ctx, cancel := context.WithTimeout(context.Background(), 10*time.Second)
	defer cancel()
	p.Await(ctx, "busy")
	p.Await(ctx, "tide")
	require.NoError(t, ctx.Err())
	s.lock.Lock()
	defer s.lock.Unlock()
	assert.Equal(t, []uint64{50}, s.drawn["tide"], "49 were overtaken")
	assert.Contains(t, s.last, "<title>Tide</title>")
}

func TestAWaitEndsWithItsContext(t *testing.T) {
	s := &store{drawn: map[string][]uint64{}, first: make(chan struct{})}
	p := pictures.New(s)
	p.Want("tide", 1, document.New("Tide"))
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	p.Await(ctx, "tide")
	assert.Empty(t, s.drawn)
	close(s.first)
	p.Close()
}
