package browser

import (
	"testing"

	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// From the second visit on the bench opens without the server, works, and keeps what is changed until the server is back; who signs out leaves
// nothing behind.
func TestFromTheSecondVisitOnTheBenchOpensWithoutTheServer(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	openShelf(t, page)
	ask[any](t, page, `() => localStorage.setItem('parvix-offline', 'on')`)
	copyBench(t, page, fountain)
	require.NoError(t, page.Reload())
	until(t, page, `async () => !!(await navigator.serviceWorker.ready).active`)
	require.NoError(t, page.Reload()) // the second visit
	drawn(t, page)
	until(t, page, `() => !!navigator.serviceWorker.controller`)
	rename(t, page, "Kept without a server")
	saved(t, page)

	at := house.address
	serverAway(t)
	require.NoError(t, page.Reload())
	drawn(t, page)
	assert.Equal(t, "Kept without a server", documentOf(t, page).Title)
	assert.Greater(t, ask[float64](t, page, `() => parvix.opened()`), 0.0)
	rename(t, page, "Changed without a server")

	require.NoError(t, startServer(at))
	saved(t, page)
	assert.Equal(t, "Changed without a server", stored(t, page).Title)
	goTo(t, page, "/shelf")
	click(t, saying(t, page, "button", "Sign out"))
	until(t, page, `async () => (await (await caches.open('parvix-answers')).keys()).every(r => !r.url.includes('/demonstrations'))`)
}

// While the mathematics is on its way, the page tells how much of it has come.
func TestOpeningTellsHowFarItIs(t *testing.T) {
	page := visitAnew(t, 1280, 800)
	signInDemo(t, page)
	require.NoError(t, proto.NetworkEnable{}.Call(page))
	slow := 3e6
	require.NoError(t, proto.NetworkEmulateNetworkConditions{DownloadThroughput: slow, UploadThroughput: slow}.Call(page))
	goTo(t, page, "/bench/"+importDocument(t, page, mustDemo(t, 0)))
	until(t, page, `() => { const bar = document.querySelector('.opening progress'); return !!bar && bar.value > 20 && bar.value < 100; }`)
	saying(t, page, ".opening label", "of the mathematics is here")
	require.NoError(t, proto.NetworkEmulateNetworkConditions{DownloadThroughput: -1, UploadThroughput: -1}.Call(page))
	drawn(t, page)
	assert.False(t, page.MustHas(".opening"))
}
