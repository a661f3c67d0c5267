package question_test

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/question"
)

func circleAnswer(t *testing.T, line string) map[string]any {
	t.Helper()
	var fields map[string]any
	require.NoError(t, json.Unmarshal(question.Answer([]byte(line)), &fields))
	return fields
}

// sin 210° = −1/2, tan 7π/6 = √3/3 (DLMF Table 4.17.1 with the signs of the third quadrant).
func TestTheCircleIsAnsweredInEveryUnit(t *testing.T) {
	for _, line := range []string{`{"ask":"circle","angle":"210°"}`, `{"ask":"circle","angle":"7pi/6"}`, `{"ask":"circle","angle":"7π/6","angleUnit":"degree"}`,
		`{"ask":"circle","angle":"210","angleUnit":"degree"}`, `{"ask":"circle","angle":210,"angleUnit":"degree"}`} {
		a := circleAnswer(t, line)
		require.NotContains(t, a, "error", line)
		assert.Equal(t, -0.5, a["sin"].(map[string]any)["value"], line)
		assert.Equal(t, "-1/2", a["sin"].(map[string]any)["exact"], line)
		assert.Equal(t, "sqrt(3)/3", a["tan"].(map[string]any)["exact"], line)
		assert.Equal(t, 3.0, a["quadrant"], line)
		assert.Equal(t, "7 pi/6", a["exact"], line)
		assert.Equal(t, "pi/6", a["reference"].(map[string]any)["exact"], line)
		assert.InDelta(t, 7*math.Pi/6, a["arc"].(map[string]any)["value"], 1e-15)
	}
	a := circleAnswer(t, `{"ask":"circle","angle":"-pi/2","radius":"3/2"}`)
	assert.Equal(t, "undefined", a["tan"].(map[string]any)["value"])
	assert.Contains(t, a["tan"].(map[string]any)["reason"], "parallel to the x-axis")
	assert.Nil(t, a["quadrant"])
	assert.Equal(t, "negative y-axis", a["axis"])
	assert.Equal(t, "-3 pi/4", a["arc"].(map[string]any)["exact"], "arc = radius · angle (common practice)")
	a = circleAnswer(t, `{"ask":"circle","angle":"1"}`)
	assert.InDelta(t, 0.8414709848078965, a["sin"].(map[string]any)["value"], 1e-15, "sin 1, OEIS A049469")
	assert.NotContains(t, a["sin"], "exact")
	for _, wrong := range []string{`{"ask":"circle"}`, `{"ask":"circle","angle":"1/0"}`, `{"ask":"circle","angle":"x"}`, `{"ask":"circle","angle":"sin("}`,
		`{"ask":"circle","angle":"30°","radius":0}`, `{"ask":"circle","angle":[1]}`} {
		assert.Contains(t, circleAnswer(t, wrong), "error", wrong)
	}
}
