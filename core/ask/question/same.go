package question

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/maths/same"
)

// same tells whether two expressions have the same value wherever both have one, and whether one has gaps that the
// other has not.
func (q *Question) same(degrees bool) (map[string]any, error) {
	var nodes [2]expr.Node
	for i, text := range []string{q.A, q.B} {
		n, err := q.readText(text, degrees)
		if p, ok := problem.Of(err); ok {
			q.Expr = text // the place of the mistake counts in this text
			return nil, problem.New("field", p.Start, p.Start, string("ab"[i]), p.Error())
		} else if err != nil {
			return nil, err
		}
		nodes[i] = n
	}
	c, err := same.Compare(nodes[0], nodes[1])
	if err != nil {
		return nil, err
	}
	answer := map[string]any{"same": c.Differs == nil, "domainsDiffer": c.DomainsDiffer, "how": c.How}
	if at := c.Differs; at != nil {
		answer["counterexample"] = trialFields(at, c.Names)
	} else if at := c.Gap; at != nil {
		answer["gap"] = trialFields(at, c.Names)
	}
	return answer, nil
}

func trialFields(t *same.Trial, names []string) map[string]any {
	out := map[string]any{"a": jsonNumber(t.A), "b": jsonNumber(t.B)}
	for i, name := range names {
		out[name] = jsonNumber(t.In[i])
	}
	return out
}
