package browser

import (
	"net/http"
	"os"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
)

// sameAs waits until a page holds this document.
func sameAs(t *testing.T, page *rod.Page, d document.Document) {
	t.Helper()
	until(t, page, `(want) => window.parvix && parvix.document() && JSON.stringify(parvix.document()) === want`, asJSON(t, page, d))
}

// picture is what stands on the live canvas, as a list of its dark places.
func picture(t *testing.T, page *rod.Page) string {
	t.Helper()
	drawn(t, page)
	return ask[string](t, page, `() => {
		const shown = document.querySelector('canvas.live');
		const copy = Object.assign(document.createElement('canvas'), {width: shown.width, height: shown.height});
		copy.getContext('2d').drawImage(shown, 0, 0);
		return copy.toDataURL();
	}`)
}

func TestWhatWasSavedIsThereAfterTheServerStartsAnew(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	state(t, page, "q(x) = 3 − |x|")
	click(t, one(t, page, `[aria-label="a one step up"]`))
	click(t, saying(t, page, "button", "keep as they are"))
	until(t, page, `() => parvix.document().scenes[0].values.a === -0.5`)
	saved(t, page)
	click(t, saying(t, page, "button", "clear traces")) // a trace that is not kept does not outlive the page
	want := documentOf(t, page)
	// Labels stay where they stood while something was moved; a bench that is opened anew has none that stood anywhere.
	require.NoError(t, page.Reload())
	drawn(t, page)
	drawing := picture(t, page)

	serverAway(t)
	require.NoError(t, startServer(house.address))
	require.NoError(t, page.Reload())
	sameAs(t, page, want)
	drawn(t, page)
	assert.Equal(t, drawing, picture(t, page), "the same picture, pixel by pixel")
}

func TestEditsMadeWhileTheServerIsAwaySurviveClosingTheBrowser(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	saved(t, page)
	serverAway(t)
	state(t, page, "z(x) = 2x − 1")
	saying(t, page, ".saved", "server away")
	want := documentOf(t, page)
	address := page.MustInfo().URL
	require.NoError(t, page.Close())
	require.NoError(t, startServer(house.address))

	later := sibling(t, page)
	require.NoError(t, later.Navigate(address))
	sameAs(t, later, want)
	saved(t, later)
	assert.Equal(t, want.Stated, stored(t, later).Stated, "and it has been sent")
}

// sibling opens another page in the same browser profile.
func sibling(t *testing.T, page *rod.Page) *rod.Page {
	t.Helper()
	other, err := page.Browser().Page(proto.TargetCreateTarget{})
	require.NoError(t, err)
	other = other.Timeout(patience * 6)
	require.NoError(t, other.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: 1280, Height: 800, DeviceScaleFactor: 1}))
	observe(t, other)
	t.Cleanup(func() { _ = other.Close() })
	return other
}

// stored reads the open demonstration from the server.
func stored(t *testing.T, page *rod.Page) document.Document {
	t.Helper()
	return ask[document.Document](t, page, `async () => (await (await fetch('/api/demonstrations/' + location.pathname.split('/').pop())).json()).document`)
}

// front brings a page before the others; those behind have no display frames.
func front(t *testing.T, page *rod.Page) {
	t.Helper()
	_, err := page.Activate()
	require.NoError(t, err)
}

// conflict opens one demonstration in two browsers and changes it in both; the second save is refused.
func conflict(t *testing.T) (first, second *rod.Page, mine, theirs document.Document) {
	first = visit(t, 1280, 800)
	signInDemo(t, first)
	copyBench(t, first, fountain)
	second = visit(t, 1280, 800)
	signInDemo(t, second)
	require.NoError(t, second.Navigate(first.MustInfo().URL))
	drawn(t, second)
	front(t, first)
	state(t, first, "u(x) = x + 1")
	saved(t, first)
	until(t, first, `async () => (await (await fetch('/api/demonstrations/' + location.pathname.split('/').pop())).json()).revision === 2`)
	front(t, second)
	state(t, second, "v(x) = 5 − x")
	saying(t, second, ".ant-modal", "changed in two places")
	mine = documentOf(t, second)
	return first, second, mine, documentOf(t, first)
}

func TestAConflictShowsBothPicturesAndKeepsTheOtherAsACopy(t *testing.T) {
	_, page, mine, theirs := conflict(t)
	until(t, page, `() => document.querySelectorAll('.ant-modal img').length === 2 && [...document.querySelectorAll('.ant-modal img')].every(i => i.complete && i.naturalWidth > 0)`)
	click(t, saying(t, page, ".ant-modal button", "this window"))
	saved(t, page)
	until(t, page, `() => !document.querySelector('.ant-modal')`)
	assert.Equal(t, mine.Stated, stored(t, page).Stated)
	assertOnShelf(t, page, "set aside", theirs)
}

func TestAConflictSettledForTheOtherSideCanBeUndone(t *testing.T) {
	_, page, mine, theirs := conflict(t)
	click(t, saying(t, page, ".ant-modal button", "the saved one"))
	until(t, page, `() => !document.querySelector('.ant-modal')`)
	sameAs(t, page, theirs)
	assertOnShelf(t, page, "set aside", mine)
	click(t, one(t, page, `[aria-label="Undo"]`))
	sameAs(t, page, mine)
	saved(t, page)
}

// assertOnShelf holds that the newest demonstration with these words in its title states what d states.
func assertOnShelf(t *testing.T, page *rod.Page, words string, d document.Document) {
	t.Helper()
	kept := ask[document.Document](t, page, `async (words) => {
		const list = await (await fetch('/api/demonstrations?words=' + encodeURIComponent(words))).json();
		return (await (await fetch('/api/demonstrations/' + list[0].id)).json()).document;
	}`, words)
	assert.Equal(t, d.Stated, kept.Stated)
}

func TestTheShelfCopiesRenamesDeletesAndSearches(t *testing.T) {
	page := visit(t, 1280, 800)
	enterAs(t, page, "/api/session", `{"name":"`+secondTeacher+`","password":"`+secondPassword+`"}`)
	goTo(t, page, "/shelf")
	saying(t, page, ".hint", "The shelf is empty")
	importDocument(t, page, mustDemo(t, 0))
	goTo(t, page, "/shelf")
	card := one(t, page, `.card[data-title="`+fountain+`"]`)
	until(t, page, `() => document.querySelector('.card img').naturalWidth > 0`)

	choose(t, page, card, "Copy")
	renamed := one(t, page, `.card[data-title="`+fountain+` (copy)"]`)
	choose(t, page, renamed, "Rename")
	write(t, one(t, page, `input[aria-label="New title"]`), "Evening jet")
	press(t, page, input.Enter)
	one(t, page, `.card[data-title="Evening jet"]`)

	write(t, one(t, page, `input[aria-label="Search the titles"]`), "even")
	until(t, page, `() => document.querySelectorAll('.card').length === 1`)
	choose(t, page, one(t, page, `.card[data-title="Evening jet"]`), "Delete")
	until(t, page, `() => document.querySelectorAll('.card').length === 0`)
	click(t, saying(t, page, ".ant-notification button", "Bring it back"))
	one(t, page, `.card[data-title="Evening jet"]`)
}

func TestAFileGoesOutAndComesInAndABrokenOneChangesNothing(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	openShelf(t, page)
	before := len(page.MustElements(".card"))
	broken := t.TempDir() + "/broken.json"
	writeFile(t, broken, strings.Replace(string(document.Encode(mustDemo(t, 1))), `"radian"`, `"gon"`, 1))
	require.NoError(t, page.MustElement("[data-import]").SetFiles([]string{broken}))
	saying(t, page, ".problem", "gon")
	assert.Len(t, page.MustElements(".card"), before, "nothing was added")

	file := ask[string](t, page, `async (title) => {
		const list = await (await fetch('/api/demonstrations')).json();
		return await (await fetch('/api/demonstrations/' + list.find(e => e.title === title).id + '/file')).text();
	}`, fountain)
	whole := t.TempDir() + "/fountain.parvix.json"
	writeFile(t, whole, file)
	require.NoError(t, page.MustElement("[data-import]").SetFiles([]string{whole}))
	drawn(t, page)
	sameAs(t, page, *mustDemo(t, 0))

	old, err := os.ReadFile("../core/stage/document/testdata/version-2/01-fountain.json")
	require.NoError(t, err)
	writeFile(t, whole, strings.Replace(string(old), `"values": {`, `"values": {"gone": 1,`, 1))
	goTo(t, page, "/")
	saying(t, page, "h1", "Shelf")
	require.NoError(t, page.MustElement("[data-import]").SetFiles([]string{whole}))
	drawn(t, page)
	saying(t, page, ".ant-notification", "had a value of the dial “gone”, which is not there")
}

func TestSignInIsRefusedWithoutTellingWhichPartWasWrong(t *testing.T) {
	page := visit(t, 1280, 800)
	goTo(t, page, "/")
	write(t, one(t, page, `input[autocomplete="username"]`), secondTeacher)
	write(t, one(t, page, `input[autocomplete="current-password"]`), "not the password")
	press(t, page, input.Enter)
	saying(t, page, ".problem", "Name and password do not fit together")

	write(t, one(t, page, `input[autocomplete="current-password"]`), secondPassword)
	press(t, page, input.Enter)
	saying(t, page, "h1", "Shelf")
	click(t, saying(t, page, "button", "Sign out"))
	one(t, page, `input[autocomplete="username"]`)
}

func TestTheDemoTeacherEntersWithOneClick(t *testing.T) {
	page := visit(t, 1280, 800)
	goTo(t, page, "/")
	click(t, saying(t, page, "button", "Look around as the demo teacher"))
	click(t, one(t, page, `.card[data-title="`+fountain+`"] .picture`))
	drawn(t, page)
	assertDrawn(t, page, hueF, jet(values(t, page)))
}

func TestNobodySeesAnothersDemonstration(t *testing.T) {
	owner := visit(t, 1280, 800)
	signInDemo(t, owner)
	copyBench(t, owner, fountain)
	stranger := visit(t, 1280, 800)
	enterAs(t, stranger, "/api/session", `{"name":"`+secondTeacher+`","password":"`+secondPassword+`"}`)
	require.NoError(t, stranger.Navigate(owner.MustInfo().URL))
	saying(t, stranger, ".failure", "does not exist, or it is not yours")

	visitor := visit(t, 1280, 800)
	require.NoError(t, visitor.Navigate(owner.MustInfo().URL))
	one(t, visitor, `input[autocomplete="username"]`)
}

func TestNothingIsFetchedFromElsewhere(t *testing.T) {
	page := visit(t, 1280, 800)
	goTo(t, page, "/")
	signInDemo(t, page)
	copyBench(t, page, fountain)
	for _, address := range ask[[]string](t, page, `() => performance.getEntriesByType('resource').map(e => e.name)`) {
		assert.True(t, strings.HasPrefix(address, "http://"+house.address+"/"), address)
	}
	response, err := http.Get("http://" + house.address + "/")
	require.NoError(t, err)
	defer response.Body.Close()
	assert.Contains(t, response.Header.Get("Content-Security-Policy"), "default-src 'self'")
}
