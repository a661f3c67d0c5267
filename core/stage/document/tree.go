package document

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"parvix/core/formula/problem"
)

// node is a value of a file with the line in which it stands.
type node struct {
	line int
	// value is what the decoder makes of a single value: a text, a number, true, false or nil.
	value   any
	members []member
	items   []*node
	isList  bool
	isWhole bool // an object
}

type member struct {
	key string
	*node
}

// member finds a value of an object by its key; nil when there is none.
func (n *node) member(key string) *node {
	for _, m := range n.members {
		if m.key == key {
			return m.node
		}
	}
	return nil
}

// deepest is how far values may lie in each other.
const deepest = 40

// treeReader reads values with their lines.
type treeReader struct {
	data    []byte
	decoder *json.Decoder
	// counted is how far lines were counted, lines how many there are up to there.
	counted int64
	lines   int
}

// readFile reads a file of JSON; the first thing that is wrong is a problem with its line.
func readFile(data []byte) (*node, error) {
	begin := bytes.TrimLeft(data, " \t\r\n")
	switch {
	case len(begin) == 0:
		return nil, problem.New("document-json", 0, 0, "it is empty")
	case !isText(data):
		return nil, problem.New("document-json", 0, 0, "it is no text, but a picture or another program's file")
	case begin[0] != '{':
		return nil, problem.New("document-json", 0, 0, "it does not begin with “{”, as the file of a demonstration does")
	}
	r := &treeReader{data: data, decoder: json.NewDecoder(bytes.NewReader(data))}
	r.decoder.UseNumber()
	n, err := r.value(0)
	if err != nil {
		return nil, err
	}
	if _, err := r.decoder.Token(); !errors.Is(err, io.EOF) {
		return nil, r.wrong("something stands behind its end")
	}
	return n, nil
}

func (r *treeReader) line() int {
	at := r.decoder.InputOffset()
	r.lines += bytes.Count(r.data[r.counted:at], []byte("\n"))
	r.counted = at
	return 1 + r.lines
}

func (r *treeReader) wrong(what string) error {
	p := problem.New("document-json", 0, 0, what)
	p.Line = r.line()
	return p
}

// token reads on; what is no JSON is told as a person sees it.
func (r *treeReader) token() (json.Token, error) {
	token, err := r.decoder.Token()
	var syntax *json.SyntaxError
	switch {
	case errors.Is(err, io.EOF) || errors.Is(err, io.ErrUnexpectedEOF):
		return nil, r.wrong("it breaks off")
	case errors.As(err, &syntax):
		p := problem.New("document-json", 0, 0, strings.TrimPrefix(syntax.Error(), "json: "))
		p.Line = 1 + bytes.Count(r.data[:min(syntax.Offset, int64(len(r.data)))], []byte("\n"))
		return nil, p
	case err != nil:
		return nil, r.wrong(err.Error())
	}
	return token, nil
}

func (r *treeReader) value(depth int) (*node, error) {
	token, err := r.token()
	if err != nil {
		return nil, err
	}
	n := &node{line: r.line(), value: token}
	delim, opens := token.(json.Delim)
	switch {
	case !opens:
		return n, nil
	case depth > deepest:
		return nil, r.wrong("values lie too deep in each other")
	case delim == '[':
		n.isList = true
		for r.decoder.More() {
			item, err := r.value(depth + 1)
			if err != nil {
				return nil, err
			}
			n.items = append(n.items, item)
		}
	default:
		n.isWhole = true
		if err := r.members(n, depth); err != nil {
			return nil, err
		}
	}
	_, err = r.token()
	return n, err
}

func (r *treeReader) members(n *node, depth int) error {
	for r.decoder.More() {
		key, err := r.token()
		if err != nil {
			return err
		}
		name, isText := key.(string)
		if !isText {
			return r.wrong("a name in quotation marks is needed")
		}
		if n.member(name) != nil {
			return r.wrong(fmt.Sprintf("“%s” stands there twice", name))
		}
		value, err := r.value(depth + 1)
		if err != nil {
			return err
		}
		n.members = append(n.members, member{name, value})
	}
	return nil
}

// version is that of the file's format; what is no demonstration at all is told.
func (n *node) version() (int, error) {
	format, version := n.member("format"), n.member("version")
	switch {
	case format == nil || format.value != Format:
		return 0, problem.New("document-json", 0, 0, fmt.Sprintf("“format” must be “%s”", Format))
	case version == nil:
		return 0, problem.New("document-json", 0, 0, fmt.Sprintf("“version” is missing; it is a whole number from 1 to %d", Version))
	}
	number, isNumber := version.value.(json.Number)
	v, err := strconv.Atoi(number.String())
	if !isNumber || err != nil || v < 1 {
		p := problem.New("document-json", 0, 0, fmt.Sprintf("“version” must be a whole number from 1 to %d", Version))
		p.Line = version.line
		return 0, p
	}
	if v > Version {
		return 0, problem.New("document-version", 0, 0, fmt.Sprint(v), fmt.Sprint(Version))
	}
	return v, nil
}

// conform holds a value to a Go type: the same names, nothing else, values of the right kind.
func (n *node) conform(t reflect.Type, field string) error {
	wrong := func(what string) error {
		p := problem.New("document-field", 0, 0, field, what)
		p.Line = n.line
		return p
	}
	if t.Kind() == reflect.Pointer {
		if n.value == nil {
			return nil
		}
		t = t.Elem()
	}
	if t == reflect.TypeFor[json.RawMessage]() {
		return nil // a body, which is held to its own kind
	}
	if t == reflect.TypeFor[Entry]() {
		return n.conformEntry(field)
	}
	switch t.Kind() {
	case reflect.Struct:
		if !n.isWhole {
			return wrong("{ … } is needed")
		}
		return n.conformStruct(t, field)
	case reflect.Map:
		if !n.isWhole {
			return wrong("{ … } is needed")
		}
		for _, m := range n.members {
			if err := m.conform(t.Elem(), inside(field, m.key)); err != nil {
				return err
			}
		}
	case reflect.Slice:
		if !n.isList {
			return wrong("a list [ … ] is needed")
		}
		for i, item := range n.items {
			if err := item.conform(t.Elem(), fmt.Sprintf("%s %d", field, i+1)); err != nil {
				return err
			}
		}
	default:
		if !n.isOf(t.Kind()) {
			return wrong(needed(t) + " is needed")
		}
	}
	return nil
}

func inside(field, key string) string {
	if field == "" {
		return key
	}
	return field + "." + key
}

// isOf tells whether a single value is of a kind.
func (n *node) isOf(kind reflect.Kind) bool {
	if n.isList || n.isWhole {
		return false
	}
	switch kind {
	case reflect.String:
		_, is := n.value.(string)
		return is
	case reflect.Bool:
		_, is := n.value.(bool)
		return is
	}
	number, is := n.value.(json.Number)
	if !is {
		return false
	}
	v, err := number.Float64()
	return err == nil && (kind == reflect.Float64 || v == math.Trunc(v) && math.Abs(v) < 1<<52)
}

// needed says what a value must be.
func needed(t reflect.Type) string {
	switch t.Kind() {
	case reflect.String:
		return "a text in quotation marks"
	case reflect.Bool:
		return "true or false"
	case reflect.Float64:
		return "a number"
	case reflect.Int:
		return "a whole number"
	case reflect.Slice:
		return "a list [ … ]"
	}
	return "{ … }"
}

// conformStruct holds an object to the names and the kinds of a struct's fields.
func (n *node) conformStruct(t reflect.Type, field string) error {
	known, needed := map[string]reflect.Type{}, []string{}
	for i := range t.NumField() {
		name, options, _ := strings.Cut(t.Field(i).Tag.Get("json"), ",")
		known[name] = t.Field(i).Type
		if options == "" {
			needed = append(needed, name)
		}
	}
	for _, m := range n.members {
		of, is := known[m.key]
		if !is {
			p := problem.New("document-field", 0, 0, inside(field, m.key), "there is no such field; "+nearest(m.key, known))
			p.Line = m.line
			return p
		}
		if err := m.conform(of, inside(field, m.key)); err != nil {
			return err
		}
	}
	for _, name := range needed {
		if n.member(name) == nil {
			p := problem.New("document-field", 0, 0, inside(field, name), "it is missing")
			p.Line = n.line
			return p
		}
	}
	return nil
}

// nearest names the field that was meant, or all that there are.
func nearest(key string, known map[string]reflect.Type) string {
	var all []string
	for name := range known {
		if strings.EqualFold(name, key) {
			return "it is written “" + name + "”"
		}
		all = append(all, name)
	}
	slices.Sort(all)
	return "there are " + listed(all)
}

// conformEntry holds an entry to the body of its kind.
func (n *node) conformEntry(field string) error {
	if !n.isWhole {
		p := problem.New("document-field", 0, 0, field, "{ … } is needed")
		p.Line = n.line
		return p
	}
	if err := n.conformStruct(reflect.TypeFor[entryFile](), field); err != nil {
		return err
	}
	kind, body := n.member("kind"), n.member("body")
	make := bodies[Kind(fmt.Sprint(kind.value))]
	if make == nil {
		var all []string
		for _, k := range Kinds() {
			all = append(all, string(k))
		}
		p := problem.New("document-field", 0, 0, inside(field, "kind"), fmt.Sprintf("“%v” is none of %s", kind.value, listed(all)))
		p.Line = kind.line
		return p
	}
	return body.conform(reflect.TypeOf(make()).Elem(), inside(field, "body"))
}

// lineOf is the line of an object's field, as a check names both; of the object where the field cannot be found.
func (n *node) lineOf(object, field string) int {
	at := n
	if object != "" {
		if at = n.withID(object); at == nil {
			return 0
		}
	}
	line := at.line
	for _, name := range strings.Split(field, ".") {
		next := at.member(name)
		for _, inner := range []string{"body", "look", "where"} {
			if body := at.member(inner); next == nil && body != nil {
				next = body.member(name)
			}
		}
		if next == nil {
			break
		}
		at, line = next, next.line
	}
	return line
}

// withID finds the object with an id.
func (n *node) withID(id string) *node {
	if own := n.member("id"); own != nil && own.value == id {
		return n
	}
	for _, m := range n.members {
		if found := m.withID(id); found != nil {
			return found
		}
	}
	for _, item := range n.items {
		if found := item.withID(id); found != nil {
			return found
		}
	}
	return nil
}

// listed writes “a, b or c”.
func listed(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " or " + words[len(words)-1]
}
