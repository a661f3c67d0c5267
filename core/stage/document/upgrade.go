package document

import (
	"encoding/json"
	"maps"
	"math"
	"slices"
	"strings"
)

// upgrade turns the text of a document of an older version into one of this version. What it does not understand it leaves
// where it is, to be refused by name when the document is read.
//
// Version 1 hid entries in all scenes; version 2 had one flat struct for entries of all kinds.
func upgrade(data []byte, version int) ([]byte, error) {
	var d map[string]any
	if err := json.Unmarshal(data, &d); err != nil {
		return nil, err
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
	mend(d, shown, said)
	return json.Marshal(d)
}

// mend takes out what older versions let stand and what shows nothing: traces of deleted entries, dials and panels in scenes,
// colours that are none, a title that is none.
func mend(d map[string]any, shown, said []map[string]any) {
	if strings.TrimSpace(word(d["title"])) == "" {
		d["title"] = "Untitled"
	}
	ids, dials, panels := map[string]bool{}, map[string]bool{}, map[string]bool{}
	for _, e := range append(shown, said...) {
		ids[word(e["id"])] = true
		look, _ := e["look"].(map[string]any)
		mendColour(look)
	}
	for _, s := range objects(d["stated"]) {
		mendColour(s)
		dials[word(s["name"])] = s["kind"] == string(Parameter)
	}
	for _, p := range objects(d["panels"]) {
		panels[word(p["id"])] = true
		only(p["values"], dials)
	}
	for _, s := range objects(d["scenes"]) {
		only(s["values"], dials)
		only(s["steps"], ids)
		only(s["windows"], panels)
		if hidden, is := s["hidden"].([]any); is {
			s["hidden"] = slices.DeleteFunc(hidden, func(id any) bool { return !ids[word(id)] })
		}
	}
}

// only takes out of an object what is not known.
func only(object any, known map[string]bool) {
	fields, _ := object.(map[string]any)
	maps.DeleteFunc(fields, func(name string, _ any) bool { return !known[name] })
}

func mendColour(of map[string]any) {
	if c, is := of["colour"].(float64); is {
		of["colour"] = math.Mod(math.Mod(math.Trunc(c), Colours)+Colours, Colours)
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
