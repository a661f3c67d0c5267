package browser

import (
	"bytes"
	"context"
	_ "embed"
	"encoding/json"
	"net/http"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/go-rod/rod/lib/utils"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/demo"
)

// patience bounds every wait; nothing is waited for longer than it takes. A busy host may stand still for half a minute.
const patience = 40 * time.Second

// visit opens a page of its own, without cookies or anything else that others left. The first page of a test keeps what the browser
// has compiled for those before it, as a teacher's own browser does; a second one beside it is another person's.
func visit(t *testing.T, width, height int) *rod.Page {
	t.Helper()
	if house.visited.CompareAndSwap(false, true) {
		t.Cleanup(func() { house.visited.Store(false) })
		page := openPage(t, house.browser, width, height)
		forgetVisitor(t, page)
		return page
	}
	return visitAnew(t, width, height)
}

// forgetVisitor clears what the last visitor left: cookies, storage, the page's helper without a network, and what stands on the
// shelf besides the demo's. The files and what is compiled of them stay.
func forgetVisitor(t *testing.T, page *rod.Page) {
	t.Helper()
	require.NoError(t, clearDemoShelf(context.Background()))
	require.NoError(t, proto.StorageClearDataForOrigin{
		Origin:       "http://" + house.address,
		StorageTypes: "cookies,local_storage,indexeddb,service_workers,cache_storage",
	}.Call(page))
}

// visitAnew opens a page in a browser that has never seen the application.
func visitAnew(t *testing.T, width, height int) *rod.Page {
	t.Helper()
	context, err := house.browser.Incognito()
	require.NoError(t, err)
	t.Cleanup(func() { _ = context.Close() })
	return openPage(t, context, width, height)
}

func openPage(t *testing.T, browser *rod.Browser, width, height int) *rod.Page {
	t.Helper()
	page, err := browser.Page(proto.TargetCreateTarget{})
	require.NoError(t, err)
	// Rod looks again after up to a second; most that is waited for here comes sooner.
	page = page.Sleeper(func() utils.Sleeper { return utils.BackoffSleeper(20*time.Millisecond, 200*time.Millisecond, nil) })
	page = page.Timeout(3 * time.Minute)
	require.NoError(t, page.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: width, Height: height, DeviceScaleFactor: 1}))
	observe(t, page)
	// So that a page which would lose something is not asked whether it may be left.
	t.Cleanup(func() { _, _ = proto.TargetCloseTarget{TargetID: page.TargetID}.Call(browser) })
	return page
}

//go:embed probe.js
var probe string

// observe puts the tests' own eyes into a page and fails on its mistakes.
func observe(t *testing.T, page *rod.Page) {
	t.Helper()
	_, err := page.EvalOnNewDocument(probe)
	require.NoError(t, err)
	failOnMistakes(t, page)
}

// failOnMistakes fails the test on an exception that nobody caught, on what the security policy refused, and on a process that
// ended: nothing is answered after that, and the wait for it would say no more than that.
func failOnMistakes(t *testing.T, page *rod.Page) {
	go page.EachEvent(func(e *proto.RuntimeExceptionThrown) {
		t.Errorf("the page threw: %s %v", e.ExceptionDetails.Text, e.ExceptionDetails.Exception.Description)
	}, func(e *proto.RuntimeConsoleAPICalled) {
		if e.Type == proto.RuntimeConsoleAPICalledTypeError {
			t.Errorf("the page's console: %s", described(e.Args))
		}
	}, func(*proto.InspectorTargetCrashed) {
		t.Errorf("the page's process crashed; the browser said: %s", browserSays.String())
	}, func(e *proto.LogEntryAdded) {
		if e.Entry.Source == proto.LogLogEntrySourceSecurity {
			t.Errorf("the security policy refused something: %s", e.Entry.Text)
		}
	})()
}

func described(objects []*proto.RuntimeRemoteObject) string {
	words := []string{}
	for _, o := range objects {
		words = append(words, o.Value.String(), o.Description)
	}
	return strings.Join(words, " ")
}

func goTo(t *testing.T, page *rod.Page, path string) {
	t.Helper()
	require.NoError(t, page.Navigate("http://"+house.address+path))
}

// one waits for an element.
func one(t *testing.T, page *rod.Page, selector string) *rod.Element {
	t.Helper()
	e, err := page.Timeout(patience).Element(selector)
	require.NoError(t, err, "there is no %s", selector)
	return e.CancelTimeout()
}

// saying waits for an element with these words.
func saying(t *testing.T, page *rod.Page, selector, words string) *rod.Element {
	t.Helper()
	e, err := page.Timeout(patience).ElementR(selector, words)
	require.NoError(t, err, "there is no %s that says %s", selector, words)
	return e.CancelTimeout()
}

func click(t *testing.T, e *rod.Element) {
	t.Helper()
	require.NoError(t, clickOn(e, patience))
}

// clickOn clicks an element. A button that has moved away between being found and being clicked, as while a page is laid out anew, is
// clicked again, as a person would.
func clickOn(e *rod.Element, within time.Duration) (err error) {
	const tries = 3
	for range tries {
		// What reacts to a pressed pointer, as the stage does, tells nothing by its clicks.
		if _, err = e.Timeout(within).Eval(`() => {
			window.clickMissed = this.matches('button, a, label, input, summary, [role=tab], [role^=menuitem]');
			if (window.clickMissed) this.addEventListener('click', () => { window.clickMissed = false; }, { capture: true, once: true });
		}`); err != nil {
			return err
		}
		if err = e.Timeout(within).Click(proto.InputMouseButtonLeft, 1); err != nil {
			return err
		}
		missed, gone := e.Timeout(within).Eval(`() => window.clickMissed === true && this.isConnected && this.getClientRects().length > 0`)
		if gone != nil || !missed.Value.Bool() {
			return nil
		}
	}
	return nil
}

// write replaces what stands in a field.
func write(t *testing.T, e *rod.Element, text string) {
	t.Helper()
	e = e.Timeout(patience)
	require.NoError(t, e.SelectAllText())
	require.NoError(t, e.Input(text))
}

// until waits for a condition of the page.
func until(t *testing.T, page *rod.Page, condition string, args ...any) {
	t.Helper()
	err := page.Timeout(patience).Wait(rod.Eval(condition, args...).ByPromise())
	if err != nil {
		seen, silent := page.Timeout(patience).Eval(`() => document.body.innerText.slice(0, 600)`)
		require.NoError(t, err, "%s, while the page says: %v %v", condition, seen, silent)
	}
}

// ask evaluates on the page, waits for a promise, and reads the result.
func ask[T any](t *testing.T, page *rod.Page, function string, args ...any) T {
	t.Helper()
	result, err := page.Timeout(patience).Evaluate(rod.Eval(function, args...).ByPromise())
	require.NoError(t, err, function)
	data, err := json.Marshal(result.Value)
	require.NoError(t, err)
	var value T
	require.NoError(t, json.Unmarshal(data, &value), function)
	return value
}

// labelled waits until a formula of a picture says this.
func labelled(t *testing.T, page *rod.Page, words string) {
	t.Helper()
	until(t, page, `words => parvix.labelled(words)`, words)
}

// signInDemo enters as the demo teacher, past the first page.
func signInDemo(t *testing.T, page *rod.Page) {
	t.Helper()
	enterAs(t, page, "/api/session/demo", "{}")
}

// openShelf shows the demo teacher's shelf.
func openShelf(t *testing.T, page *rod.Page) {
	t.Helper()
	goTo(t, page, "/shelf")
	one(t, page, ".card[data-title]")
}

// enterAs signs in without the page, whose cache stays cold, and gives it the cookie.
func enterAs(t *testing.T, page *rod.Page, path, body string) {
	t.Helper()
	response, err := http.Post("http://"+house.address+path, "application/json", strings.NewReader(body))
	require.NoError(t, err)
	defer response.Body.Close()
	require.Equal(t, http.StatusOK, response.StatusCode)
	for _, c := range response.Cookies() {
		require.NoError(t, page.SetCookies([]*proto.NetworkCookieParam{{Name: c.Name, Value: c.Value, URL: "http://" + house.address, HTTPOnly: true}}))
	}
}

// copyBench opens a copy of its own, so that tests do not disturb each other; the shelf is not waited for.
func copyBench(t *testing.T, page *rod.Page, title string) {
	t.Helper()
	var list []entry
	sendAs(t, page, "GET", "", nil, &list)
	at := slices.IndexFunc(list, func(s entry) bool { return s.Title == title })
	require.GreaterOrEqual(t, at, 0, "%s is not on the shelf", title)
	var copied entry
	sendAs(t, page, "POST", "/"+list[at].ID+"/copy", nil, &copied)
	goTo(t, page, "/bench/"+copied.ID)
	drawn(t, page)
}

// newBench opens an empty demonstration.
func newBench(t *testing.T, page *rod.Page) {
	t.Helper()
	var added entry
	sendAs(t, page, "POST", "", []byte(`{"title":"Untitled demonstration"}`), &added)
	goTo(t, page, "/bench/"+added.ID)
	drawn(t, page)
}

// drawn waits until the bench has drawn what was asked for.
func drawn(t *testing.T, page *rod.Page) {
	t.Helper()
	until(t, page, `() => window.parvix && parvix.document() && parvix.opened() > 0 && !parvix.isFitting()`)
	ask[any](t, page, `async () => { await document.fonts.ready; await parvix.settled(); await parvix.settled(); }`)
}

// atRest waits until a bench, where one is open, has drawn what was asked of it: then its lists stay where they are.
func atRest(t *testing.T, page *rod.Page) {
	t.Helper()
	ask[any](t, page, `async () => { if (window.parvix?.document()) await parvix.settled(); }`)
}

// saved waits until the server has acknowledged everything.
func saved(t *testing.T, page *rod.Page) {
	t.Helper()
	until(t, page, `() => parvix.saving() === 'saved' && document.querySelector('.saved.saved') !== null`)
}

func press(t *testing.T, page *rod.Page, keys ...input.Key) {
	t.Helper()
	require.NoError(t, page.Keyboard.Type(keys...))
}

func values(t *testing.T, page *rod.Page) map[string]float64 {
	t.Helper()
	return ask[map[string]float64](t, page, `() => parvix.values()`)
}

// read gives the text of an element, in one line.
func read(t *testing.T, e *rod.Element) string {
	t.Helper()
	words, err := e.Text()
	require.NoError(t, err)
	return strings.Join(strings.Fields(words), " ")
}

func demoDocuments(t *testing.T) []*document.Document {
	t.Helper()
	list, err := demo.Documents()
	require.NoError(t, err)
	return list
}

// importDocument puts a document on the shelf and gives its id.
func importDocument(t *testing.T, page *rod.Page, d *document.Document) string {
	t.Helper()
	var added entry
	sendAs(t, page, "POST", "/import", document.Encode(d), &added)
	return added.ID
}

// entry is what the server tells of a demonstration.
type entry struct{ ID, Title string }

// sendAs asks the server for demonstrations as the page's teacher, and fails unless it does what was asked.
func sendAs(t *testing.T, page *rod.Page, method, path string, body []byte, into any) {
	t.Helper()
	request, err := http.NewRequest(method, "http://"+house.address+"/api/demonstrations"+path, bytes.NewReader(body))
	require.NoError(t, err)
	request.Header.Set("Content-Type", "application/json")
	cookies, err := proto.NetworkGetCookies{Urls: []string{"http://" + house.address}}.Call(page)
	require.NoError(t, err)
	for _, c := range cookies.Cookies {
		request.AddCookie(&http.Cookie{Name: c.Name, Value: c.Value})
	}
	response, err := http.DefaultClient.Do(request)
	require.NoError(t, err)
	defer response.Body.Close()
	require.Less(t, response.StatusCode, http.StatusMultipleChoices, "%s %s", method, path)
	require.NoError(t, json.NewDecoder(response.Body).Decode(into))
}
