// Package pictures draws the shelf's pictures after a save, beside the requests: a few at a time, only the newest revision
// of each demonstration, each with a deadline and a bounded size.
package pictures

import (
	"bytes"
	"compress/gzip"
	"context"
	"log/slog"
	"sync"

	"parvix/core/stage/document"
	"parvix/export/svg"
)

const (
	// width and height of a shelf picture in pixels.
	width, height = 480, 300
	// MostBytes is the largest picture as SVG.
	MostBytes = 60_000
	// drawers is how many are drawn at a time: a save must find a processor.
	drawers = 1
	// mostWaiting bounds what stands in line; what finds no place is drawn when it is asked for.
	mostWaiting = 1000
)

// Store is where pictures go.
type Store interface {
	PutPicture(ctx context.Context, id string, drawn uint64, data []byte) error
}

// job is the newest revision of a demonstration that wants a picture.
type job struct {
	id       string
	revision uint64
	doc      *document.Document
	done     chan struct{}
}

// Pool draws until it is closed.
type Pool struct {
	store   Store
	lock    sync.Mutex
	waiting map[string]*job // by id
	busy    map[string]*job
	line    chan string // ids, each once
	closed  context.Context
	close   context.CancelFunc
	work    sync.WaitGroup
}

// New is a pool at work.
func New(store Store) *Pool {
	p := &Pool{store: store, waiting: map[string]*job{}, busy: map[string]*job{}, line: make(chan string, mostWaiting)}
	p.closed, p.close = context.WithCancel(context.Background())
	for range drawers {
		p.work.Add(1)
		go p.draw()
	}
	return p
}

// Want asks for the picture of a revision; one of the same demonstration that waits is overtaken. The document must not
// be changed after this.
func (p *Pool) Want(id string, revision uint64, doc *document.Document) {
	p.lock.Lock()
	defer p.lock.Unlock()
	if earlier := p.waiting[id]; earlier != nil {
		if earlier.revision < revision {
			earlier.revision, earlier.doc = revision, doc
		}
		return
	}
	select {
	case p.line <- id:
		p.waiting[id] = &job{id: id, revision: revision, doc: doc, done: make(chan struct{})}
	default:
		slog.Warn("too many pictures wait to be drawn", "demonstration", id)
	}
}

// Await waits until no picture of a demonstration is due, or the context ends.
func (p *Pool) Await(ctx context.Context, id string) {
	for {
		p.lock.Lock()
		due := p.waiting[id]
		if due == nil {
			due = p.busy[id]
		}
		p.lock.Unlock()
		if due == nil {
			return
		}
		select {
		case <-due.done:
		case <-ctx.Done():
			return
		}
	}
}

// Close ends the pool; what waits is drawn when it is asked for again.
func (p *Pool) Close() {
	p.close()
	p.work.Wait()
}

func (p *Pool) draw() {
	defer p.work.Done()
	for {
		select {
		case <-p.closed.Done():
			return
		case id := <-p.line:
			p.lock.Lock()
			next := p.waiting[id]
			delete(p.waiting, id)
			p.busy[id] = next
			p.lock.Unlock()
			p.one(next)
			p.lock.Lock()
			if p.busy[id] == next {
				delete(p.busy, id)
			}
			p.lock.Unlock()
			close(next.done)
		}
	}
}

// one draws and stores a picture. A programmer's mistake costs a picture, not the server.
func (p *Pool) one(j *job) {
	defer func() {
		if mistake := recover(); mistake != nil {
			slog.Error("drawing a picture", "demonstration", j.id, "mistake", mistake)
		}
	}()
	data, err := zipped(svg.Small(j.doc, width, height, MostBytes))
	if err == nil {
		err = p.store.PutPicture(p.closed, j.id, j.revision, data)
	}
	if err != nil {
		slog.Error("storing a picture", "demonstration", j.id, "error", err)
	}
}

func zipped(text string) ([]byte, error) {
	var b bytes.Buffer
	z := gzip.NewWriter(&b)
	if _, err := z.Write([]byte(text)); err != nil {
		return nil, err
	}
	err := z.Close()
	return b.Bytes(), err
}
