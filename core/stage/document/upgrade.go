package document

import (
	"encoding/json"
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"

	"parvix/core/formula/number"
)

// upgrade turns the text of a document of an older version into one of this version. What it does not understand it leaves
// where it is, to be refused by name when the document is read; mended tells in sentences what could be taken out or put right.
//
// Version 1 hid entries in all scenes; version 2 had one flat struct for entries of all kinds.
func upgrade(data []byte, version int) (upgraded []byte, mended []string, err error) {
	var d map[string]any
	if err := json.Unmarshal(data, &d); err != nil {
		return nil, nil, err
	}
	d["version"] = Version
	shown, said := objects(d["shown"]), objects(d["said"])
	if version == 1 {
		hideInScenes(shown, objects(d["scenes"]))
	}
	kinds := map[string]string{}
	for _, e := range shown {
		kinds[word(e["id"])] = word(e["kind"])
	}
	for _, e := range shown {
		toBody(e, kinds[word(e["of"])])
	}
	for _, e := range said {
		e["kind"], e["look"], e["body"] = "text", map[string]any{"colour": 0}, map[string]any{"pieces": e["pieces"]}
		where := map[string]any{}
		if panel := word(e["panel"]); panel != "" {
			where["panels"] = []any{panel}
		}
		move(e, where, "corner")
		if len(where) > 0 {
			e["where"] = where
		}
		delete(e, "pieces")
		delete(e, "panel")
	}
	var m mender
	m.mend(d, shown, said)
	upgraded, err = json.Marshal(d)
	return upgraded, m.said, err
}

// mender takes out of a file what older versions let stand and what shows nothing, so that nothing is lost by it, and says so.
type mender struct{ said []string }

func (m *mender) say(format string, about ...any) {
	m.said = append(m.said, fmt.Sprintf(format, about...))
}

// mend takes out entries, dials and panels that are not there, colours that are none, a title that is none.
func (m *mender) mend(d map[string]any, shown, said []map[string]any) {
	if strings.TrimSpace(word(d["title"])) == "" {
		d["title"] = "Untitled"
		m.say("It had no title and is called “Untitled” now.")
	}
	ids, dials, panels := map[string]bool{}, map[string]bool{}, map[string]bool{}
	for _, e := range append(shown, said...) {
		ids[word(e["id"])] = true
		look, _ := e["look"].(map[string]any)
		m.mendColour(look, word(e["id"]))
	}
	for _, s := range objects(d["stated"]) {
		m.mendColour(s, word(s["name"]))
		dials[word(s["name"])] = s["kind"] == string(Parameter)
	}
	for k, p := range objects(d["panels"]) {
		panels[word(p["id"])] = true
		m.keep(p["values"], dials, fmt.Sprintf("Panel %d", k+1), "a value of the dial")
	}
	for k, s := range objects(d["scenes"]) {
		scene := fmt.Sprintf("Scene %d", k+1)
		if name := word(s["name"]); name != "" {
			scene += " “" + name + "”"
		}
		m.keep(s["values"], dials, scene, "a value of the dial")
		m.keep(s["steps"], ids, scene, "the steps of the entry")
		m.keep(s["windows"], panels, scene, "a window of the panel")
		if hidden, is := s["hidden"].([]any); is {
			s["hidden"] = slices.DeleteFunc(hidden, func(id any) bool {
				if !ids[word(id)] {
					m.say("%s hid the entry “%s”, which is not there.", scene, word(id))
				}
				return !ids[word(id)]
			})
		}
	}
}

// keep takes out of an object what is not known.
func (m *mender) keep(object any, known map[string]bool, where, what string) {
	fields, _ := object.(map[string]any)
	for _, name := range slices.Sorted(maps.Keys(fields)) {
		if !known[name] {
			delete(fields, name)
			m.say("%s had %s “%s”, which is not there.", where, what, name)
		}
	}
}

func (m *mender) mendColour(of map[string]any, whose string) {
	if c, is := of["colour"].(float64); is && (c != math.Trunc(c) || c < 0 || c >= Colours) {
		mended := math.Mod(math.Mod(math.Trunc(c), Colours)+Colours, Colours)
		of["colour"] = mended
		m.say("The colour of “%s” was %s, which is none; it is %g now.", whose, number.Format(c, 3), mended)
	}
}

// objects are those of a list.
func objects(list any) (out []map[string]any) {
	all, _ := list.([]any)
	for _, one := range all {
		if o, is := one.(map[string]any); is {
			out = append(out, o)
		}
	}
	return out
}

func word(v any) string {
	s, _ := v.(string)
	return s
}

func hideInScenes(shown, scenes []map[string]any) {
	for _, e := range shown {
		if hidden, _ := e["hidden"].(bool); hidden {
			for _, s := range scenes {
				list, _ := s["hidden"].([]any)
				s["hidden"] = append(list, e["id"])
			}
		}
		delete(e, "hidden")
	}
}

// move takes fields over from one object to another.
func move(from, to map[string]any, fields ...string) {
	for _, name := range fields {
		if v, there := from[name]; there {
			to[name] = v
			delete(from, name)
		}
	}
}

// toBody parts an entry of version 2 into its look, its place and its body; of is the kind of what it is a part of.
func toBody(e map[string]any, of string) {
	look, where, body := map[string]any{}, map[string]any{}, map[string]any{}
	move(e, look, "colour", "pattern", "label")
	move(e, where, "panels")
	for _, name := range slices.Sorted(maps.Keys(e)) {
		if name != "id" && name != "kind" {
			move(e, body, name)
		}
	}
	// What was an object of its own is the body.
	for _, inner := range []string{"circle", "trajectory", "figure", "part"} {
		if fields, is := body[inner].(map[string]any); is {
			delete(body, inner)
			maps.Copy(body, fields)
		}
	}
	if e["kind"] == "part" {
		if e["kind"] = "circlePart"; of == "trajectory" {
			e["kind"] = "trajectoryPart"
			if ratio, there := body["ratio"]; there {
				body["coordinate"] = ratio
				delete(body, "ratio")
			}
			for _, unused := range []string{"onAxis", "rest"} {
				delete(body, unused)
			}
		}
	}
	e["look"], e["body"] = look, body
	if len(where) > 0 {
		e["where"] = where
	}
}
