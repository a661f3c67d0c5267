package question_test

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/question"
)

// answered reads the answer to a line.
func answered(t *testing.T, line string) map[string]any {
	t.Helper()
	var fields map[string]any
	require.NoError(t, json.Unmarshal(question.Answer([]byte(line)), &fields), line)
	return fields
}

func TestADegreeMayStandInEveryField(t *testing.T) {
	inRadians := answered(t, `{"ask":"features","expr":"sin x","from":0,"to":"2pi"}`)
	assert.Equal(t, inRadians, answered(t, `{"ask":"features","expr":"sin x","from":"0°","to":"360°"}`))
	inDegrees := answered(t, `{"ask":"features","expr":"sin x","from":0,"to":360,"angleUnit":"degree"}`)
	assert.Equal(t, inDegrees, answered(t, `{"ask":"features","expr":"sin x","from":"0°","to":"360°","angleUnit":"degree"}`))

	table := answered(t, `{"ask":"polar","r":"1","from":0,"to":"180°","step":"30°"}`)["table"].([]any)
	assert.Len(t, table, 7)
	assert.NotContains(t, answered(t, `{"ask":"circle","angle":"30°","radius":"30°"}`), "error")
}

func TestNumbersAreReadAsJSONMeansThem(t *testing.T) {
	assert.InEpsilon(t, 1e-7, answered(t, `{"ask":"value","expr":"a","with":{"a":1e-7}}`)["value"], 1e-12)
	arc := answered(t, `{"ask":"circle","angle":1e-7}`)
	assert.NotContains(t, arc, "error", "1e-7 is a number, not e − 7")
	sampled := answered(t, `{"ask":"sample","expr":"x","from":-1e-3,"to":1E-3,"bottom":-1e-3,"top":1e-3,"width":100,"height":100}`)
	first := sampled["lines"].([]any)[0].([]any)[0].([]any)
	assert.InDelta(t, -1e-3, first[0], 1e-15)
	assert.Equal(t, 0.0, answered(t, `{"ask":"value","expr":"a","with":{"a":0e5}}`)["value"])
	for _, monstrous := range []string{"1e999999999", "1e-999999999", "-1e400"} {
		assert.Contains(t, answered(t, `{"ask":"value","expr":"a","with":{"a":`+monstrous+`}}`), "error", monstrous)
	}
	assert.InDelta(t, math.Pi, answered(t, `{"ask":"value","expr":"a","with":{"a":"pi"}}`)["value"], 1e-15)
}

func TestAByteOrderMarkIsNoMistake(t *testing.T) {
	assert.Equal(t, 5.0, answered(t, "\ufeff"+`{"ask":"value","expr":"2 + 3"}`)["value"])
}

func TestALetterInANumberIsToldByItsField(t *testing.T) {
	said := answered(t, `{"id":7,"ask":"features","expr":"sin x","from":"a"}`)
	assert.Equal(t, 7.0, said["id"])
	assert.Contains(t, said["error"].(map[string]any)["message"], "from")
}
