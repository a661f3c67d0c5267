package edit

import (
	"strings"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// AngleDials are the names of the dials that are angles: that another unit would convert.
func AngleDials(d *document.Document) map[string]bool {
	other := map[bool]document.AngleUnit{true: document.Radian, false: document.Degree}[d.AngleUnit == document.Degree]
	converted, _, err := SetAngleUnit(d, other)
	if err != nil {
		return nil
	}
	angles := map[string]bool{}
	for _, before := range d.Parameters() {
		if after := converted.StatedNamed(before.Name); after.From != before.From || after.To != before.To {
			angles[before.Name] = true
		}
	}
	return angles
}

// TellAngles tells the dials in play that count degrees that they do.
func TellAngles(d *evaluate.Demonstration) {
	if !d.IsInDegrees() {
		return
	}
	angles := AngleDials(d.Document)
	for _, p := range d.Parameters {
		p.Degrees = angles[p.Stated.Name]
	}
	d.Update()
}

// dial converts a dial that is an angle. A step that is a part of a turn stays that part; another becomes a usual one.
func (u *unitChange) dial(name string) {
	dial := u.d.StatedNamed(name)
	if dial == nil || dial.Kind != document.Parameter || !u.once(dial.ID) {
		return
	}
	dial.From, dial.To = u.end(dial.From), u.end(dial.To)
	step, before := u.end(dial.Step), dial.StepBefore
	dial.StepBefore = ""
	switch {
	case before != "" && dial.Step == usualStep[u.unit == document.Radian]:
		step = before
	case u.unit == document.Radian && !strings.Contains(step, "π") || u.unit == document.Degree && len(step) > longestStep:
		step, dial.StepBefore = usualStep[u.unit == document.Degree], dial.Step
	}
	dial.Step = step
	if s := dial.Sweep; s != nil {
		texts := append([]*string{&s.Every}, pointersTo(s.At)...)
		for i := range s.Paces {
			texts = append(texts, &s.Paces[i].From, &s.Paces[i].To)
		}
		for _, text := range texts {
			if *text != "" {
				*text = u.end(*text)
			}
		}
	}
	for i := range u.d.Scenes {
		if v, ok := u.d.Scenes[i].Values[name]; ok {
			u.d.Scenes[i].Values[name] = u.convert(v)
		}
	}
	u.tell("The dial %s is an angle and counts the new unit.", name)
}

func pointersTo(texts []string) (list []*string) {
	for i := range texts {
		list = append(list, &texts[i])
	}
	return list
}

// usualStep is that of an angle, by whether it counts degrees.
var usualStep = map[bool]string{true: "1", false: "π/180"}

// longestStep is how long a step may be written to be kept.
const longestStep = 5
