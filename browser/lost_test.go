package browser

import (
	"encoding/base64"
	"strings"
	"sync/atomic"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// onSaves puts something between the page and the server for its next saves: “lose” lets none out, “deaf” lets one
// through and loses its answer, “portal” answers one with a page of HTML, “late” one with 408.
func onSaves(t *testing.T, page *rod.Page, what string) {
	t.Helper()
	ask[any](t, page, `(what) => {
		window.realFetch ??= window.fetch.bind(window);
		let once = false;
		window.fetch = async (address, options) => {
			if (options?.method !== 'PUT' || once) return window.realFetch(address, options);
			if (what === 'lose') throw new TypeError('no network');
			once = true;
			if (what === 'portal') return new Response('<p>Please sign in to this network', {status: 200, headers: {'Content-Type': 'text/html'}});
			if (what === 'late') return new Response('', {status: 408});
			await window.realFetch(address, options);
			throw new TypeError('the answer is lost');
		};
	}`, what)
}

// rename changes the title by hand.
func rename(t *testing.T, page *rod.Page, title string) {
	t.Helper()
	click(t, one(t, page, `h1.title button`))
	write(t, one(t, page, `input[aria-label="Title"]`), title)
	press(t, page, input.Enter)
	until(t, page, `(title) => parvix.document().title === title`, title)
}

func TestTwoWindowsOfOneBrowserHandOverWhatTheySave(t *testing.T) {
	a := visit(t, 1280, 800)
	signInDemo(t, a)
	copyBench(t, a, fountain)
	b := sibling(t, a)
	require.NoError(t, b.Navigate(a.MustInfo().URL))
	drawn(t, b)
	front(t, a)
	rename(t, a, "By A")
	saved(t, a)
	front(t, b)
	until(t, b, `() => parvix.document().title === 'By A'`)
	rename(t, b, "By B")
	saved(t, b)
	assert.Equal(t, "By B", stored(t, b).Title, "and no conflict")
	front(t, a)
	until(t, a, `() => parvix.document().title === 'By B'`)
}

// cutOff renames in window B, whose saves do not come through, and then in window A.
func cutOff(t *testing.T) (a, b *rod.Page) {
	a = visit(t, 1280, 800)
	signInDemo(t, a)
	copyBench(t, a, fountain)
	b = sibling(t, a)
	require.NoError(t, b.Navigate(a.MustInfo().URL))
	drawn(t, b)
	front(t, b)
	onSaves(t, b, "lose")
	rename(t, b, "By B")
	saying(t, b, ".saved", "server away")
	front(t, a)
	rename(t, a, "By A")
	saved(t, a)
	return a, b
}

// reopened closes a window and opens its demonstration in another.
func reopened(t *testing.T, a, b *rod.Page) *rod.Page {
	t.Helper()
	address := b.MustInfo().URL
	require.NoError(t, b.Close())
	c := sibling(t, a)
	require.NoError(t, c.Navigate(address))
	front(t, c)
	return c
}

func TestWorkOfAWindowThatWasCutOffIsOfferedWhenItIsOpenedAgain(t *testing.T) {
	a, b := cutOff(t)
	c := reopened(t, a, b)
	saying(t, c, ".ant-modal", "changed in two places")
	saying(t, c, ".ant-modal figcaption", "By B")
	click(t, saying(t, c, ".ant-modal button", "this window"))
	saved(t, c)
	assert.Equal(t, "By B", stored(t, c).Title)
}

func TestAConflictOutlivesItsWindowThoughTheOtherSavesOnceMore(t *testing.T) {
	a, b := cutOff(t)
	front(t, b)
	ask[any](t, b, `() => { window.fetch = window.realFetch; window.dispatchEvent(new Event('online')); }`)
	saying(t, b, ".ant-modal", "changed in two places")
	front(t, a)
	rename(t, a, "By A again")
	saved(t, a)
	c := reopened(t, a, b)
	saying(t, c, ".ant-modal", "changed in two places")
	saying(t, c, ".ant-modal figcaption", "By B")
}

func TestAnEditIsKeptWhenACoreIsDeadAndTheCoreIsStartedAnew(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	before := values(t, page)
	ask[any](t, page, `() => parvix.workers[0].terminate()`)
	rename(t, page, "Once")
	rename(t, page, "Twice")
	saved(t, page)
	assert.Equal(t, "Twice", stored(t, page).Title, "before any core has answered")
	saying(t, page, ".mistake", "started anew")
	drawn(t, page)
	assert.InDeltaMapValues(t, before, values(t, page), 1e-6, "what was in play")
	click(t, one(t, page, `[aria-label="a one step up"]`))
	until(t, page, `async (a) => (await parvix.values()).a > a`, before["a"])
	assertDrawn(t, page, hueF, jet(values(t, page)))
	click(t, one(t, page, `[aria-label="Undo"]`))
	click(t, one(t, page, `[aria-label="Undo"]`))
	until(t, page, `() => parvix.document().title === 'Once'`)
}

func TestABenchThatIsLeftWhileACoreLoadsDoesNotComeBackInTheNextOne(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	ask[any](t, page, `() => {
		const worker = parvix.workers[0];
		const post = worker.postMessage.bind(worker);
		const held = [];
		worker.postMessage = (...message) => {
			if (held.length || message[0].ask?.kind === 'load') held.push(message);
			else post(...message);
		};
		window.letPass = () => {
			worker.postMessage = post;
			for (const message of held) post(...message);
		};
	}`)
	rename(t, page, "Left at once")
	saved(t, page)
	left := page.MustInfo().URL
	click(t, saying(t, page, "a", "Shelf"))
	click(t, one(t, page, `.card[data-title="`+mustDemo(t, 1).Title+`"] .picture`))
	until(t, page, `(left) => location.href !== left && location.pathname.startsWith('/bench/')`, left)
	ask[any](t, page, `() => letPass()`)
	drawn(t, page)
	assert.Equal(t, mustDemo(t, 1).Title, documentOf(t, page).Title)
	require.NoError(t, page.Navigate(left))
	drawn(t, page)
	assert.Equal(t, "Left at once", documentOf(t, page).Title)
}

func TestAFormulaOfAMillionTermsIsRefusedByNameAndWorkGoesOn(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "f(x) = sum(sum(sin(i j x) for i from 1 to 1000) for j from 1 to 1000)")
	saying(t, page, ".entry .problem", "operations; at most 20,000")
	state(t, page, "g(x) = x + 1")
	saved(t, page)
	assert.Len(t, stored(t, page).Stated, 2)
}

func TestASaveOfWhichTheAnswerWasLostIsNoConflict(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	onSaves(t, page, "deaf")
	rename(t, page, "Heard")
	saved(t, page)
	rename(t, page, "Heard again")
	saved(t, page)
	assert.Equal(t, "Heard again", stored(t, page).Title)
	assert.Empty(t, page.MustElements(".ant-modal"))
}

func TestAReloadRightAfterAnEditIsNoConflict(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "f(x) = x²")
	for range 2 {
		require.NoError(t, page.Reload())
		drawn(t, page)
		until(t, page, `() => parvix.document().stated.length === 1`)
		saved(t, page)
		assert.Empty(t, page.MustElements(".ant-modal"))
	}
	assert.Len(t, stored(t, page).Stated, 1)
}

func TestAnAnswerThatIsNotTheServersMeansAwayAndIsTriedAgain(t *testing.T) {
	for _, answer := range []string{"portal", "late"} {
		page := visit(t, 1280, 800)
		signInDemo(t, page)
		copyBench(t, page, fountain)
		onSaves(t, page, answer)
		rename(t, page, "Through "+answer)
		saying(t, page, ".saved", "server away")
		saved(t, page)
		assert.Equal(t, "Through "+answer, stored(t, page).Title)
	}
}

func TestAnExpiredSessionIsRenewedOnTheSpot(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	ask[any](t, page, `async () => { await fetch('/api/session', {method: 'DELETE'}); }`)
	rename(t, page, "Signed out meanwhile")
	saying(t, page, ".ant-modal", "Sign in to go on")
	click(t, saying(t, page, ".ant-modal button", "Go on as the demo teacher"))
	saved(t, page)
	assert.Equal(t, "Signed out meanwhile", stored(t, page).Title)
	until(t, page, `() => !document.querySelector('.ant-modal')`)

	ask[any](t, page, `async () => { await fetch('/api/session', {method: 'DELETE'}); }`)
	click(t, saying(t, page, "a", "Shelf"))
	one(t, page, `input[autocomplete="username"]`)
}

func TestWorkOnADeletedDemonstrationGoesOnAsANewOne(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	ask[any](t, page, `async () => { await fetch('/api/demonstrations/' + location.pathname.split('/').pop(), {method: 'DELETE'}); }`)
	rename(t, page, "Kept after all")
	address := page.MustInfo().URL
	click(t, saying(t, page, ".ant-modal button", "Keep it as a new demonstration"))
	until(t, page, `(address) => location.href !== address`, address)
	until(t, page, `() => parvix.document()?.title === 'Kept after all'`)
	assert.Equal(t, "Kept after all", stored(t, page).Title)
}

func TestSigningOutWithUnsentWorkAsksAndLeavesNothingBehind(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	onSaves(t, page, "lose")
	rename(t, page, "Never sent")
	saying(t, page, ".saved", "server away")
	click(t, saying(t, page, "a", "Shelf"))
	saying(t, page, ".unsent", "unsent changes")
	click(t, saying(t, page, "button", "^Sign out$"))
	saying(t, page, ".ant-modal", "A demonstration has changes that are kept in this browser only")
	click(t, saying(t, page, ".ant-modal button", "Sign out and discard"))
	one(t, page, `input[autocomplete="username"]`)
	assert.Zero(t, ask[int](t, page, `() => new Promise((resolve) => {
		const opened = indexedDB.open('parvix-unsent');
		opened.onsuccess = () => {
			const count = opened.result.transaction('unsent').objectStore('unsent').count();
			count.onsuccess = () => resolve(count.result);
		};
	})`), "nothing is left for the next person")
}

func TestABrowserThatKeepsNothingSaysWhatThatMeans(t *testing.T) {
	page := visit(t, 1280, 800)
	_, err := page.EvalOnNewDocument(`Object.defineProperty(window, 'indexedDB', {get() { throw new Error('not here'); }})`)
	require.NoError(t, err)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	rename(t, page, "Saved all the same")
	saved(t, page)
	assert.Equal(t, "Saved all the same", stored(t, page).Title)
	onSaves(t, page, "lose")
	rename(t, page, "In this window only")
	saying(t, page, ".saved", "this browser keeps nothing: leave this window open")
}

// failing lets requests whose address holds some words fail until the returned function is called.
func failing(t *testing.T, page *rod.Page, words string, how func(*rod.Hijack)) (letPass func()) {
	t.Helper()
	router := page.HijackRequests()
	var passes atomic.Bool
	require.NoError(t, router.Add("*"+words+"*", "", func(h *rod.Hijack) {
		if passes.Load() {
			h.ContinueRequest(&proto.FetchContinueRequest{})
			return
		}
		how(h)
	}))
	go router.Run()
	t.Cleanup(func() { _ = router.Stop() })
	return func() { passes.Store(true) }
}

func TestACoreThatCouldNotBeLoadedCanBeTriedAgain(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	id := importDocument(t, page, mustDemo(t, 0))
	letPass := failing(t, page, ".wasm", func(h *rod.Hijack) { h.Response.Fail(proto.NetworkErrorReasonConnectionReset) })
	goTo(t, page, "/bench/"+id)
	saying(t, page, ".failure", "could not be loaded")
	letPass()
	click(t, saying(t, page, "button", "Try again"))
	drawn(t, page)
	assertDrawn(t, page, hueF, jet(values(t, page)))
}

func TestAfterANewVersionThePageIsLoadedAnewOnce(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	openShelf(t, page)
	var letPass func()
	letPass = failing(t, page, "BenchView-", func(h *rod.Hijack) {
		h.Response.SetBody("gone").Payload().ResponseCode = 404
		letPass()
	})
	click(t, one(t, page, `.card[data-title="`+fountain+`"] .picture`))
	drawn(t, page)
	assert.True(t, strings.Contains(page.MustInfo().URL, "/bench/"))
}

func TestWhatIsDoneWhilePresentingIsNotSaved(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	before, w := documentOf(t, page), seen(t, page)
	click(t, saying(t, page, "button", "^Present$"))
	drawn(t, page)
	require.NoError(t, page.Mouse.MoveTo(proto.NewPoint(400, 300)))
	require.NoError(t, page.Mouse.Scroll(0, 400, 1))
	until(t, page, `async (left) => (await parvix.window()).left !== left`, w.Left)
	pull(t, page, one(t, page, `.handle[data-entry="p1"]`), 40, 20)
	press(t, page, input.Escape)
	drawn(t, page)
	assert.Equal(t, before, documentOf(t, page))
	assert.Equal(t, "saved", ask[string](t, page, `() => parvix.saving()`))
	saying(t, page, "button", "keep as they are") // when it is asked for
	click(t, saying(t, page, "button", "starting values"))
	until(t, page, `async (want) => { const w = await parvix.window(); return Math.abs((w.right - w.left) / (w.top - w.bottom) - want) < 0.5 && w.left > -50; }`,
		(w.Right-w.Left)/(w.Top-w.Bottom))
	assert.Equal(t, before, documentOf(t, page))
}

func TestTextsBesideTheStageAreSeenWhilePresenting(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	hidden := documentOf(t, page).Scenes[0]
	click(t, saying(t, page, "button", "^Present$"))
	drawn(t, page)
	wanted := 0
	for _, said := range documentOf(t, page).Said {
		if !hidden.IsHidden(said.ID) {
			wanted++
		}
	}
	require.Positive(t, wanted)
	assert.Len(t, page.MustElements(".under.beside p"), wanted)
	assert.True(t, ask[bool](t, page, `() => {
		const under = document.querySelector('.under.beside').getBoundingClientRect();
		const deck = document.querySelector('.deck').getBoundingClientRect();
		const plane = document.querySelector('.plane').getBoundingClientRect();
		return under.height > 20 && under.bottom <= deck.top + 1 && under.top >= plane.bottom - 1;
	}`), "under the picture and above the dials")
}

func TestWhatHangsOnADeletedFunctionSaysSoAndOffersUndo(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "f(x) = x² + 1")
	state(t, page, "g(x) = f(x) − 2")
	id := documentOf(t, page).Stated[0].ID
	choose(t, page, one(t, page, `.entry[data-entry="`+id+`"]`), "Delete")
	saying(t, page, ".entry .problem", "f is gone")
	click(t, saying(t, page, ".entry .problem button", "Undo the last change"))
	until(t, page, `() => parvix.document().stated.length === 2 && !document.querySelector('.entry .problem')`)
}

func TestAnEmptiedStageIsEmpty(t *testing.T) {
	t.Run("drawn by the processor", func(t *testing.T) { emptied(t, visit(t, 1280, 800)) })
	t.Run("drawn by a graphics processor in software", func(t *testing.T) {
		control, err := headless().Delete("disable-gpu").Set("use-angle", "swiftshader").Set("enable-unsafe-swiftshader").Launch()
		require.NoError(t, err)
		browser := rod.New().ControlURL(control)
		require.NoError(t, browser.Connect())
		defer func() { _ = browser.Close() }()
		page, err := browser.Page(proto.TargetCreateTarget{})
		require.NoError(t, err)
		page = page.Timeout(patience * 6)
		require.NoError(t, page.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: 1280, Height: 800, DeviceScaleFactor: 1}))
		observe(t, page)
		emptied(t, page)
	})
}

// emptied hides the only curve and looks at the screen.
func emptied(t *testing.T, page *rod.Page) {
	t.Helper()
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "f(x) = x² − 1")
	drawn(t, page)
	require.Positive(t, coloured(t, page))
	click(t, one(t, page, `.mark[aria-pressed="true"]`))
	until(t, page, `() => document.querySelector('.mark[aria-pressed="false"]') !== null`)
	drawn(t, page)
	assert.Zero(t, coloured(t, page), "the curve is off the screen, not only off the canvas")
}

// coloured counts the strongly blue dots that are seen in the middle of the stage, on a screenshot.
func coloured(t *testing.T, page *rod.Page) int {
	t.Helper()
	data, err := page.Screenshot(false, &proto.PageCaptureScreenshot{})
	require.NoError(t, err)
	return ask[int](t, page, `async (data) => {
		const picture = await createImageBitmap(new Blob([Uint8Array.from(atob(data), (c) => c.charCodeAt(0))]));
		const box = document.querySelector('.plane').getBoundingClientRect();
		const canvas = new OffscreenCanvas(picture.width, picture.height);
		const pen = canvas.getContext('2d');
		pen.drawImage(picture, 0, 0);
		const dots = pen.getImageData(box.left, box.top + 60, box.width, box.height - 70).data;
		let count = 0;
		for (let i = 0; i < dots.length; i += 4) if (dots[i] < 60 && dots[i + 2] > 110 && dots[i + 2] - dots[i] > 90) count++;
		return count;
	}`, encodeBase64(data))
}

func TestMenusAndSheetsAreReachedByTheKeyboard(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	focused := func() string {
		return ask[string](t, page, `() => (document.activeElement.getAttribute('role') ?? document.activeElement.tagName) + ': ' + document.activeElement.textContent.trim()`)
	}
	for _, menu := range []string{"Export", "Show something on the stage", "What to do with scene 1"} {
		trigger := one(t, page, `button[aria-haspopup="menu"][aria-label="`+menu+`"]`)
		require.NoError(t, trigger.Focus())
		press(t, page, input.Enter)
		until(t, page, `() => document.activeElement.getAttribute('role') === 'menuitem'`)
		first := focused()
		assert.Equal(t, "true", *must(trigger.Attribute("aria-expanded")), menu)
		press(t, page, input.ArrowDown)
		assert.Equal(t, menu == "What to do with scene 1", first == focused(), "%s: of a single scene only one thing can be done", menu)
		press(t, page, input.Home)
		assert.Equal(t, first, focused(), menu)
		press(t, page, input.Escape)
		until(t, page, `(label) => document.activeElement.getAttribute('aria-label') === label`, menu)
		assert.Equal(t, "false", *must(trigger.Attribute("aria-expanded")), menu)
	}

	window := saying(t, page, "button", "window …")
	require.NoError(t, window.Focus())
	press(t, page, input.Enter)
	until(t, page, `() => document.activeElement.closest('[role="dialog"][aria-label="Window"]') !== null`)
	click(t, saying(t, page, "button", "panels …"))
	until(t, page, `() => document.activeElement.closest('[role="dialog"][aria-label="Panels"]') !== null`)
	until(t, page, `() => [...document.querySelectorAll('.sheet')].filter(s => s.getClientRects().length).length === 1`)
	press(t, page, input.Escape)
	until(t, page, `() => document.activeElement.textContent.trim() === 'panels …'`)
	until(t, page, `() => [...document.querySelectorAll('.sheet')].filter(s => s.getClientRects().length).length === 0`)
}

func TestAnEntryIsDeletedByKeysAlone(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	newBench(t, page)
	state(t, page, "f(x) = x")
	require.NoError(t, one(t, page, `.entry .more`).Focus())
	press(t, page, input.Enter)
	until(t, page, `() => document.activeElement.getAttribute('role') === 'menuitem'`)
	press(t, page, input.KeyD)
	saying(t, page, `[role="menuitem"]:focus`, "Delete")
	press(t, page, input.Enter)
	until(t, page, `() => parvix.document().stated.length === 0`)
}

func must[T any](value T, err error) T {
	if err != nil {
		panic(err)
	}
	return value
}

func encodeBase64(data []byte) string { return base64.StdEncoding.EncodeToString(data) }

// Whoever looks through the shelf leaves a bench again before its cores have started; the next page is none the worse.
func TestBenchesThatAreLeftWhileTheyOpenTakeNothingDown(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	openShelf(t, page)
	ids := ask[[]string](t, page, `async () => (await (await fetch('/api/demonstrations')).json()).map((e) => e.id)`)
	require.NotEmpty(t, ids)
	for i := range 40 {
		require.NoError(t, page.Timeout(patience).Navigate("http://"+house.address+"/bench/"+ids[i%len(ids)]))
		// At another moment of its opening each time.
		_, err := page.Timeout(patience).Evaluate(rod.Eval(`ms => new Promise((resolve) => setTimeout(resolve, ms))`, i*17%400).ByPromise())
		require.NoError(t, err)
	}
	goTo(t, page, "/bench/"+ids[0])
	drawn(t, page)
}

// A bench that the browser kept while another page was looked at begins anew when its teacher comes back.
func TestABenchComesBackWithTheBackButton(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	saved(t, page)
	want := documentOf(t, page)
	require.NoError(t, page.Navigate("http://"+house.address+"/api/openapi.json"))
	until(t, page, `() => location.pathname === '/api/openapi.json'`)
	require.NoError(t, page.NavigateBack())
	sameAs(t, page, want)
	drawn(t, page)
	click(t, one(t, page, `[aria-label="a one step up"]`))
	until(t, page, `async () => Math.abs((await parvix.values()).a + 0.5) < 1e-9`)
}
