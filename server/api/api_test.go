package api_test

import (
	"bytes"
	"context"
	"encoding/json"
	"io"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"os"
	"strconv"
	"strings"
	"testing"
	"testing/fstest"

	"github.com/alexedwards/scs/v2"
	"github.com/getkin/kin-openapi/openapi3"
	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers/gorillamux"
	"github.com/go-chi/chi/v5"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/server/api"
	"parvix/server/domain"
	"parvix/server/pictures"
	"parvix/server/store"
	"parvix/server/testdb"
)

var db *store.Store

const password = "a long enough password"

func TestMain(m *testing.M) {
	os.Exit(testdb.Run(m, func(opened *store.Store) {
		db = opened
		hash, err := domain.HashPassword(password)
		if err != nil {
			panic(err)
		}
		for _, name := range []string{"Ann", "Ben", "Demo"} {
			if _, err := db.AddTeacher(context.Background(), name, hash); err != nil {
				panic(err)
			}
		}
	}))
}

func init() {
	// A picture is text to the validator of descriptions.
	openapi3filter.RegisterBodyDecoder("image/svg+xml", openapi3filter.FileBodyDecoder)
}

var pageFiles = fstest.MapFS{"index.html": {Data: []byte("<title>Parvix</title>")}, "assets/app-1.js": {Data: []byte("let x = 1;")}}

func routes(c api.Config) *chi.Mux {
	c.Store, c.Sessions, c.Page = db, scs.New(), pageFiles
	c.Pictures = pictures.New(db)
	if c.Ready == nil {
		c.Ready = db.Pool().Ping
	}
	return api.New(c)
}

// person is somebody with a browser's cookies.
type person struct {
	t       testing.TB
	client  *http.Client
	address string
	header  http.Header
	routed  *openapi3.T
}

// serve starts a server for one test.
func serve(t testing.TB, c api.Config) string {
	t.Helper()
	s := httptest.NewServer(routes(c))
	t.Cleanup(s.Close)
	return s.URL
}

func visitor(t testing.TB, address string) *person {
	jar, err := cookiejar.New(nil)
	require.NoError(t, err)
	return &person{t: t, client: &http.Client{Jar: jar}, address: address, header: http.Header{}, routed: described(t)}
}

func signedIn(t testing.TB, address, name string) *person {
	p := visitor(t, address)
	status, _ := p.call("POST", "/api/session", map[string]string{"name": name, "password": password})
	require.Equal(t, 200, status)
	return p
}

// call sends a request and holds the answer against the OpenAPI description.
func (p *person) call(method, path string, body any) (status int, answer map[string]any) {
	p.t.Helper()
	var data []byte
	if text, ok := body.(string); ok {
		data = []byte(text)
	} else if body != nil {
		var err error
		data, err = json.Marshal(body)
		require.NoError(p.t, err)
	}
	request, err := http.NewRequest(method, p.address+path, bytes.NewReader(data))
	require.NoError(p.t, err)
	if body != nil {
		request.Header.Set("Content-Type", "application/json")
	}
	for name, values := range p.header {
		request.Header[name] = values
	}
	response, err := p.client.Do(request)
	require.NoError(p.t, err)
	defer response.Body.Close()
	text, err := io.ReadAll(response.Body)
	require.NoError(p.t, err)
	p.assertDescribed(request, response, text)
	_ = json.Unmarshal(text, &answer)
	return response.StatusCode, answer
}

func described(t testing.TB) *openapi3.T {
	t.Helper()
	data, err := os.ReadFile("openapi.json")
	require.NoError(t, err)
	d, err := openapi3.NewLoader().LoadFromData(data)
	require.NoError(t, err)
	require.NoError(t, d.Validate(context.Background()))
	return d
}

func (p *person) assertDescribed(request *http.Request, response *http.Response, body []byte) {
	p.t.Helper()
	router, err := gorillamux.NewRouter(p.routed)
	require.NoError(p.t, err)
	route, parameters, err := router.FindRoute(&http.Request{Method: request.Method, URL: request.URL})
	if err != nil {
		return
	}
	in := &openapi3filter.ResponseValidationInput{
		RequestValidationInput: &openapi3filter.RequestValidationInput{Request: request, Route: route, PathParams: parameters},
		Status:                 response.StatusCode, Header: response.Header,
		Options: &openapi3filter.Options{IncludeResponseStatus: true},
	}
	in.SetBodyBytes(body)
	assert.NoError(p.t, openapi3filter.ValidateResponse(context.Background(), in), "%s %s answered %d", request.Method, request.URL.Path, response.StatusCode)
}

func TestTheDescriptionNamesEveryRouteAndNoOther(t *testing.T) {
	var real, written []string
	require.NoError(t, chi.Walk(routes(api.Config{}), func(method, route string, _ http.Handler, _ ...func(http.Handler) http.Handler) error {
		if strings.HasPrefix(route, "/api/") {
			real = append(real, method+" "+strings.TrimSuffix(route, "/"))
		}
		return nil
	}))
	for path, item := range described(t).Paths.Map() {
		for method := range item.Operations() {
			written = append(written, method+" "+path)
		}
	}
	assert.ElementsMatch(t, real, written)
}

func TestEveryRouteOfDemonstrationsAsksForASignIn(t *testing.T) {
	p := visitor(t, serve(t, api.Config{}))
	for path, item := range described(t).Paths.Map() {
		if !strings.Contains(path, "/demonstrations") {
			continue
		}
		for method := range item.Operations() {
			status, problem := p.call(method, strings.ReplaceAll(path, "{id}", "x"), "{}")
			assert.Equal(t, 401, status, "%s %s", method, path)
			assert.Equal(t, "signed-out", problem["code"])
		}
	}
}

func TestADemonstrationIsMadeReadSavedCopiedDeletedAndRestored(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	status, made := p.call("POST", "/api/demonstrations", map[string]string{"title": "Jet"})
	require.Equal(t, 201, status)
	one := "/api/demonstrations/" + made["id"].(string)
	d := document.New("Jet of the quay")
	status, saved := p.call("PUT", one, map[string]any{"revision": 1, "document": d})
	assert.Equal(t, 200, status)
	assert.Equal(t, 2.0, saved["revision"])
	status, read := p.call("GET", one, nil)
	assert.Equal(t, 200, status)
	assert.Equal(t, "Jet of the quay", read["document"].(map[string]any)["title"])
	status, copied := p.call("POST", one+"/copy", nil)
	assert.Equal(t, 201, status)
	assert.NotEqual(t, made["id"], copied["id"])
	status, _ = p.call("DELETE", one, nil)
	assert.Equal(t, 204, status)
	status, _ = p.call("GET", one, nil)
	assert.Equal(t, 404, status)
	status, _ = p.call("POST", one+"/restore", nil)
	assert.Equal(t, 204, status)
	status, _ = p.call("GET", one+"/picture.svg", nil)
	assert.Equal(t, 200, status)
}

func TestAStaleSaveIsAConflictThatShowsWhatIsStored(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	_, made := p.call("POST", "/api/demonstrations", map[string]string{"title": "Two windows"})
	one := "/api/demonstrations/" + made["id"].(string)
	status, _ := p.call("PUT", one, map[string]any{"revision": 1, "document": document.New("First")})
	require.Equal(t, 200, status)
	status, problem := p.call("PUT", one, map[string]any{"revision": 1, "document": document.New("Second")})
	assert.Equal(t, 409, status)
	assert.Equal(t, "conflict", problem["code"])
	current := problem["current"].(map[string]any)
	assert.Equal(t, 2.0, current["revision"])
	assert.Equal(t, "First", current["document"].(map[string]any)["title"])
}

func TestOthersDemonstrationsDoNotExist(t *testing.T) {
	address := serve(t, api.Config{})
	ann, ben := signedIn(t, address, "Ann"), signedIn(t, address, "Ben")
	_, made := ann.call("POST", "/api/demonstrations", map[string]string{"title": "Ann's"})
	one := "/api/demonstrations/" + made["id"].(string)
	for _, c := range [][2]string{{"GET", one}, {"DELETE", one}, {"POST", one + "/copy"}, {"POST", one + "/restore"}, {"GET", one + "/file"}, {"GET", one + "/picture.svg"}} {
		status, _ := ben.call(c[0], c[1], nil)
		assert.Equal(t, 404, status, "%s %s", c[0], c[1])
	}
	status, _ := ben.call("PUT", one, map[string]any{"revision": 1, "document": document.New("Ben's")})
	assert.Equal(t, 404, status)
}

func TestBadInputGetsAProblemWithTheRightStatus(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	_, made := p.call("POST", "/api/demonstrations", map[string]string{"title": "Jet"})
	one := "/api/demonstrations/" + made["id"].(string)
	d := document.New("Jet")
	d.AngleUnit = "gon"
	for name, c := range map[string]struct {
		method, path string
		body         any
		status       int
	}{
		"broken JSON":         {"PUT", one, `{"revision": 1, `, 400},
		"a broken document":   {"PUT", one, map[string]any{"revision": 1, "document": d}, 422},
		"no document":         {"PUT", one, `{"revision": 1}`, 422},
		"too large":           {"PUT", one, `{"revision": 1, "document": "` + strings.Repeat("x", document.MaxBytes+2000) + `"}`, 413},
		"an endless title":    {"POST", "/api/demonstrations", map[string]string{"title": strings.Repeat("x", 121)}, 422},
		"a file of another":   {"POST", "/api/demonstrations/import", `{"format":"other"}`, 422},
		"a file that is huge": {"POST", "/api/demonstrations/import", strings.Repeat("x", document.MaxBytes+2000), 413},
		"no such route":       {"GET", "/api/nothing", nil, 404},
		"no such one":         {"GET", "/api/demonstrations/zzz", nil, 404},
	} {
		status, problem := p.call(c.method, c.path, c.body)
		assert.Equal(t, c.status, status, name)
		assert.NotEmpty(t, problem["title"], name)
		assert.Equal(t, "about:blank", problem["type"], name)
		assert.NotContains(t, problem["title"], "SQL", name)
	}
	p.header.Set("Content-Type", "text/plain")
	status, _ := p.call("PUT", one, "{}")
	assert.Equal(t, 415, status)
}

func TestRequestsFromOtherSitesAreRefused(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	p.header.Set("Sec-Fetch-Site", "cross-site")
	status, _ := p.call("DELETE", "/api/session", nil)
	assert.Equal(t, 403, status)
	p.header.Del("Sec-Fetch-Site")
	p.header.Set("Origin", "https://elsewhere.example")
	status, _ = p.call("DELETE", "/api/session", nil)
	assert.Equal(t, 403, status)
}

func TestSavesAndSignInsAreLimited(t *testing.T) {
	address := serve(t, api.Config{SavesPerMinute: 3})
	p := signedIn(t, address, "Ben")
	var statuses []int
	for range 5 {
		status, _ := p.call("POST", "/api/demonstrations", map[string]string{"title": "x"})
		statuses = append(statuses, status)
	}
	assert.Equal(t, []int{201, 201, 201, 429, 429}, statuses)
	last := 0
	for range 32 {
		last, _ = visitor(t, address).call("POST", "/api/session", map[string]string{"name": "", "password": ""})
	}
	assert.Equal(t, 429, last, "guessing passwords is slowed down")
}

func TestBehindAProxyEveryVisitorHasTheirOwnTries(t *testing.T) {
	p := visitor(t, serve(t, api.Config{Proxies: 1}))
	last := 0
	for i := range 40 {
		p.header.Set("X-Forwarded-For", "198.51.100."+strconv.Itoa(i%2))
		last, _ = p.call("POST", "/api/session", map[string]string{"name": "", "password": ""})
	}
	assert.Equal(t, 401, last, "twenty tries each")
}

func TestTheSignInTellsNothingAboutNames(t *testing.T) {
	p := visitor(t, serve(t, api.Config{}))
	_, known := p.call("POST", "/api/session", map[string]string{"name": "Ann", "password": "wrong password"})
	_, unknown := p.call("POST", "/api/session", map[string]string{"name": "Nobody", "password": "wrong password"})
	assert.Equal(t, known, unknown)
	status, who := p.call("GET", "/api/session", nil)
	assert.Equal(t, 200, status)
	assert.Equal(t, false, who["signedIn"])
}

func TestSigningOutEndsTheSession(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	status, _ := p.call("DELETE", "/api/session", nil)
	assert.Equal(t, 204, status)
	status, _ = p.call("GET", "/api/demonstrations", nil)
	assert.Equal(t, 401, status)
}

func TestDemoSignInAndRegistrationAreOffUnlessAskedFor(t *testing.T) {
	closed := visitor(t, serve(t, api.Config{}))
	status, _ := closed.call("POST", "/api/session/demo", "{}")
	assert.Equal(t, 404, status)
	status, _ = closed.call("POST", "/api/accounts", map[string]string{"name": "Cy", "password": password})
	assert.Equal(t, 403, status)
	open := visitor(t, serve(t, api.Config{DemoTeacher: "Demo", OpenRegistration: true}))
	status, _ = open.call("POST", "/api/session/demo", "{}")
	assert.Equal(t, 200, status)
	status, _ = open.call("POST", "/api/accounts", map[string]string{"name": "Cy", "password": password})
	assert.Equal(t, 200, status)
	status, _ = open.call("POST", "/api/accounts", map[string]string{"name": "cy", "password": password})
	assert.Equal(t, 409, status)
	status, _ = open.call("POST", "/api/accounts", map[string]string{"name": "Di", "password": "short"})
	assert.Equal(t, 422, status)
}

func TestThePageComesWithItsPolicyFromEveryAddress(t *testing.T) {
	address := serve(t, api.Config{})
	for path, caching := range map[string]string{"/": "no-cache", "/bench/abc": "no-cache", "/assets/app-1.js": "immutable"} {
		response, err := http.Get(address + path)
		require.NoError(t, err)
		_ = response.Body.Close()
		assert.Equal(t, 200, response.StatusCode, path)
		assert.Contains(t, response.Header.Get("Cache-Control"), caching, path)
		assert.Contains(t, response.Header.Get("Content-Security-Policy"), "frame-ancestors 'none'", path)
		assert.Equal(t, "nosniff", response.Header.Get("X-Content-Type-Options"))
		length, err := strconv.Atoi(response.Header.Get("Parvix-Length"))
		assert.NoError(t, err, path)
		assert.Positive(t, length, path)
	}
	response, err := http.Get(address + "/assets/missing.js")
	require.NoError(t, err)
	_ = response.Body.Close()
	assert.Equal(t, 404, response.StatusCode)
}

func TestHealthTellsWhenTheDatabaseIsAway(t *testing.T) {
	well := visitor(t, serve(t, api.Config{}))
	status, _ := well.call("GET", "/api/health", nil)
	assert.Equal(t, 200, status)
	ill := visitor(t, serve(t, api.Config{Ready: func() error { return io.ErrUnexpectedEOF }}))
	status, _ = ill.call("GET", "/api/health", nil)
	assert.Equal(t, 503, status)
}

// away is a store whose database does not answer.
type away struct{ domain.Store }

func (away) Teacher(context.Context, uint64) (*domain.Teacher, error) {
	return nil, io.ErrUnexpectedEOF
}

func TestADatabaseThatIsAwaySignsNobodyOut(t *testing.T) {
	sessions := scs.New()
	working := api.Config{Store: db, Sessions: sessions, Page: pageFiles, Pictures: pictures.New(db), Ready: db.Pool().Ping}
	broken := working
	broken.Store = away{db}
	var handler http.Handler = api.New(working)
	s := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) { handler.ServeHTTP(w, r) }))
	defer s.Close()
	p := signedIn(t, s.URL, "Ann")
	handler = api.New(broken)
	for _, path := range []string{"/api/demonstrations", "/api/session"} {
		status, problem := p.call("GET", path, nil)
		assert.Equal(t, 500, status, "the page keeps the work and tries again")
		assert.Equal(t, "storage", problem["code"])
	}
	handler = api.New(working)
	status, _ := p.call("GET", "/api/demonstrations", nil)
	assert.Equal(t, 200, status)
}

// BenchmarkSave is a whole save over HTTP, its picture being drawn beside it; quality.md allows 30 ms at the 95th percentile.
func BenchmarkSave(b *testing.B) {
	p := signedIn(b, serve(b, api.Config{SavesPerMinute: 1 << 30}), "Ann")
	_, made := p.call("POST", "/api/demonstrations", map[string]string{"title": "Bench"})
	data, err := os.ReadFile("../../demo/01-fountain.json")
	require.NoError(b, err)
	d, err := document.Decode(data)
	require.NoError(b, err)
	for revision := 1; b.Loop(); revision++ {
		status, _ := p.call("PUT", "/api/demonstrations/"+made["id"].(string), map[string]any{"revision": revision, "document": d})
		require.Equal(b, 200, status)
	}
}

func TestAFullDiskIsTold(t *testing.T) {
	full := visitor(t, serve(t, api.Config{Room: func() int64 { return 1 << 20 }}))
	status, problem := full.call("GET", "/api/health", nil)
	assert.Equal(t, 503, status)
	assert.Equal(t, "disk-full", problem["code"])
	status, _ = full.call("GET", "/api/health/live", nil)
	assert.Equal(t, 200, status, "the process itself is live")
}

func TestIdAndOwnerAreCheckedBeforeTheDocumentIsLookedAt(t *testing.T) {
	address := serve(t, api.Config{})
	p := signedIn(t, address, "Ann")
	status, _ := p.call("PUT", "/api/demonstrations/nowhere", `{"revision":1,"document":"this would be refused as no document"}`)
	assert.Equal(t, 404, status)
	_, made := p.call("POST", "/api/demonstrations", map[string]string{"title": "Ann's"})
	status, _ = signedIn(t, address, "Ben").call("PUT", "/api/demonstrations/"+made["id"].(string), `{"revision":1,"document":3}`)
	assert.Equal(t, 404, status)
	status, _ = p.call("PUT", "/api/demonstrations/"+made["id"].(string), map[string]any{"revision": 1, "save": "with a blank", "document": document.New("x")})
	assert.Equal(t, 422, status)
}

func TestARepeatedSaveAndOneOfTheSameContentAreNoConflict(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	_, made := p.call("POST", "/api/demonstrations", map[string]string{"title": "Jet"})
	one := "/api/demonstrations/" + made["id"].(string)
	first := map[string]any{"revision": 1, "save": "s1", "document": document.New("Jet of the quay")}
	for range 2 {
		status, saved := p.call("PUT", one, first)
		assert.Equal(t, 200, status)
		assert.Equal(t, 2.0, saved["revision"])
	}
	status, saved := p.call("PUT", one, map[string]any{"revision": 1, "save": "s2", "document": document.New("Jet of the quay")})
	assert.Equal(t, 200, status)
	assert.Equal(t, 2.0, saved["revision"])
	status, problem := p.call("PUT", one, map[string]any{"revision": 1, "save": "s3", "document": document.New("Another")})
	assert.Equal(t, 409, status)
	assert.Equal(t, "s1", problem["current"].(map[string]any)["save"], "so that a page knows its own save again")
}

// What a visitor has already is not sent again, and what is long is compressed (RFC 9110, 13.1.2 and 8.4).
func TestFilesAndAnswersAreSentOnceAndCompressed(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	_, _ = p.call("POST", "/api/demonstrations", map[string]string{"title": strings.Repeat("Jet ", 20)})
	get := func(path string, headers map[string]string) *http.Response {
		request, err := http.NewRequest("GET", p.address+path, nil)
		require.NoError(t, err)
		for name, value := range headers {
			request.Header.Set(name, value)
		}
		response, err := p.client.Do(request)
		require.NoError(t, err)
		require.NoError(t, response.Body.Close())
		return response
	}
	zipped := map[string]string{"Accept-Encoding": "gzip"}
	assert.Equal(t, "gzip", get("/api/demonstrations", zipped).Header.Get("Content-Encoding"))
	assert.Equal(t, "gzip", get("/", zipped).Header.Get("Content-Encoding"))
	plain := map[string]string{"Accept-Encoding": "identity"}
	assert.Empty(t, get("/api/demonstrations", plain).Header.Get("Content-Encoding"))
	first := get("/", plain)
	assert.Empty(t, first.Header.Get("Content-Encoding"))
	assert.NotEqual(t, first.Header.Get("ETag"), get("/", zipped).Header.Get("ETag"))
	plain["If-None-Match"] = first.Header.Get("ETag")
	assert.Equal(t, http.StatusNotModified, get("/", plain).StatusCode)
	plain["If-None-Match"] = `"another"`
	assert.Equal(t, http.StatusOK, get("/", plain).StatusCode)
}

func TestAPictureComesCompressedWithItsTag(t *testing.T) {
	p := signedIn(t, serve(t, api.Config{}), "Ann")
	_, made := p.call("POST", "/api/demonstrations", map[string]string{"title": "Jet"})
	one := "/api/demonstrations/" + made["id"].(string) + "/picture.svg"
	get := func(tag string) *http.Response {
		request, err := http.NewRequest("GET", p.address+one, nil)
		require.NoError(t, err)
		request.Header.Set("Accept-Encoding", "gzip")
		if tag != "" {
			request.Header.Set("If-None-Match", tag)
		}
		response, err := p.client.Do(request)
		require.NoError(t, err)
		require.NoError(t, response.Body.Close())
		return response
	}
	first := get("")
	assert.Equal(t, 200, first.StatusCode)
	assert.Equal(t, "gzip", first.Header.Get("Content-Encoding"))
	assert.Equal(t, `"1"`, first.Header.Get("ETag"))
	assert.Equal(t, 304, get(first.Header.Get("ETag")).StatusCode)
}
