package edit

import (
	"maps"
	"slices"

	"parvix/core/formula/problem"
	"parvix/core/stage/document"
)

// AddScene puts a scene behind the one at a place: what that one shows, with the values and the positions of steps in play.
func AddScene(before *document.Document, at int, name string, values, steps map[string]float64) (*document.Document, error) {
	if at < 0 || at >= len(before.Scenes) {
		return nil, problem.New("field", 0, 0, "scene", "there is no such scene")
	}
	d := clone(before)
	added := clone(before).Scenes[at]
	added.ID, added.Name, added.Steps, added.Ink = d.NewID("scene"), name, nil, nil
	maps.Copy(added.Values, values)
	if len(steps) > 0 {
		added.Steps = maps.Clone(steps)
	}
	d.Scenes = slices.Insert(d.Scenes, at+1, added)
	return d, d.Check()
}

// RemoveScene takes a scene out; the last one stays.
func RemoveScene(before *document.Document, at int) (*document.Document, error) {
	if at < 0 || at >= len(before.Scenes) {
		return nil, problem.New("field", 0, 0, "scene", "there is no such scene")
	}
	d := clone(before)
	gone := d.Scenes[at].ID
	d.Scenes = slices.Delete(d.Scenes, at, at+1)
	d.Forget(map[string]bool{gone: true})
	return d, d.Check()
}

// AddPanel puts a panel beside the one at a place, with the same picture or empty.
func AddPanel(before *document.Document, at int, empty bool) (*document.Document, error) {
	if at < 0 || at >= len(before.Panels) {
		return nil, problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	d := clone(before)
	if empty {
		keepToPanels(d)
	}
	added := clone(before).Panels[at]
	source := added.ID
	added.ID = d.NewID("plane")
	if empty {
		added.Title, added.Caption = "", ""
	}
	for i := range d.Scenes {
		if w, ok := d.Scenes[i].Windows[source]; ok {
			d.Scenes[i].Windows[added.ID] = w
		}
	}
	d.Panels = slices.Insert(d.Panels, at+1, added)
	return d, d.Check()
}

// RemovePanel takes a panel off; what appeared in it alone appears in all, and its texts move to the first.
func RemovePanel(before *document.Document, at int) (*document.Document, error) {
	if at < 0 || at >= len(before.Panels) {
		return nil, problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	d := clone(before)
	gone := d.Panels[at].ID
	if d.Panels = slices.Delete(d.Panels, at, at+1); len(d.Panels) == 0 {
		return nil, d.Check()
	}
	for i := range d.Shown {
		where := &d.Shown[i].Where
		if where.Panels = slices.DeleteFunc(where.Panels, func(id string) bool { return id == gone }); len(where.Panels) == 0 {
			where.Panels = nil
		}
	}
	for i := range d.Said {
		if where := &d.Said[i].Where; slices.Contains(where.Panels, gone) {
			where.Panels = []string{d.Panels[0].ID}
		}
	}
	d.Forget(map[string]bool{gone: true})
	return d, d.Check()
}
