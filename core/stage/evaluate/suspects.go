package evaluate

import "slices"

// Suspect is a value that stands out, as another core found it: it holds while the row's values are those.
type Suspect struct {
	Row    int     `json:"row"`
	X      float64 `json:"x"`
	Y      float64 `json:"y"`
	Reason string  `json:"reason"`
}

// Suspects are those of two columns of data.
type Suspects struct {
	Data string    `json:"data"`
	X    string    `json:"x"`
	Y    string    `json:"y"`
	List []Suspect `json:"list"`
}

// PutSuspects takes in what stands out.
func (ds *Datasets) PutSuspects(found Suspects) {
	ds.suspects = slices.DeleteFunc(ds.suspects, func(s Suspects) bool { return s.Data == found.Data && s.X == found.X && s.Y == found.Y })
	ds.suspects = append(ds.suspects, found)
}

// SuspectsOf are the values that stand out and are still as they were found.
func (ds *Datasets) SuspectsOf(data *Data, x, y *Column) (list []Suspect) {
	for _, s := range ds.suspects {
		if s.Data != data.Stated.ID || s.X != x.Stated.Name || s.Y != y.Stated.Name {
			continue
		}
		for _, one := range s.List {
			if one.Row < len(x.Values) && one.Row < len(y.Values) && x.Values[one.Row] == one.X && y.Values[one.Row] == one.Y {
				list = append(list, one)
			}
		}
	}
	return list
}
