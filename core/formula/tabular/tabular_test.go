package tabular

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// texts are the cells of a table, a line a row.
func texts(t Table) (rows []string) {
	for r := range t.Columns[0].Cells {
		var row []string
		for _, c := range t.Columns {
			row = append(row, c.Cells[r].Text)
		}
		rows = append(rows, strings.Join(row, "|"))
	}
	return rows
}

func heads(t Table) (list []string) {
	for _, c := range t.Columns {
		list = append(list, strings.TrimSuffix(c.Name+" "+c.Unit, " "))
	}
	return list
}

// What spreadsheets and loggers of several countries put on the clipboard; common practice.
func TestATableIsReadAsItWasMeant(t *testing.T) {
	for _, c := range []struct {
		name, text string
		separator  Separator
		decimal    string
		heads      []string
		rows       []string
	}{
		{"tabs and points", "t (h)\th (m)\r\n0\t2.9\r\n1\t3.75\r\n", Tab, ".", []string{"t h", "h m"}, []string{"0|2.9", "1|3.75"}},
		{"tabs and decimal commas", "t\th\n0,5\t2,9\n1\t3,75", Tab, ",", []string{"t", "h"}, []string{"0.5|2.9", "1|3.75"}},
		{"semicolons and decimal commas", "0,5;2,9\n1;3,75", Semicolon, ",", []string{"x", "y"}, []string{"0.5|2.9", "1|3.75"}},
		{"commas", "time [s],height in m\n0,1.5\n0.1,1.45", Comma, ".", []string{"time s", "height m"}, []string{"0|1.5", "0.1|1.45"}},
		{"spaces", "0 1.5\n0.1   1.45\n", Spaces, ".", []string{"x", "y"}, []string{"0|1.5", "0.1|1.45"}},
		{"spaces and decimal commas", "0,5 1,5\n0,1 1,45", Spaces, ",", []string{"x", "y"}, []string{"0.5|1.5", "0.1|1.45"}},
		{"one column", "T/°C\n21.5\n22", None, ".", []string{"T °C"}, []string{"21.5", "22"}},
		{"a head of several words", "height in m\n21.5\n22", None, ".", []string{"height m"}, []string{"21.5", "22"}},
		{"gaps", "x\ty\n1\t\n2\t-\n3\tNA\n4\t5", Tab, ".", []string{"x", "y"}, []string{"1|", "2|", "3|", "4|5"}},
		{"exact values", "x\ty\n1/2\tpi/4\nπ/2\tsqrt(2)", Tab, ".", []string{"x", "y"}, []string{"1/2|pi/4", "π/2|sqrt(2)"}},
		{"thousands with a point", "x\ty\n1,234.5\t2\n12,000.0\t3", Tab, ".", []string{"x", "y"}, []string{"1234.5|2", "12000.0|3"}},
		{"thousands with a comma", "x;y\n1.234,5;2\n12.000,0;3", Semicolon, ",", []string{"x", "y"}, []string{"1234.5|2", "12000.0|3"}},
		{"thousands with spaces", "x;y\n1 234,5;2", Semicolon, ",", []string{"x", "y"}, []string{"1234.5|2"}},
		{"powers of ten and signs", "x\ty\n1e-3\t−4\n+2\t5E2", Tab, ".", []string{"x", "y"}, []string{"1e-3|-4", "2|5E2"}},
		{"quoted cells (RFC 4180)", "\"time, s\",\"a \"\"b\"\"\"\n\"1\",\"2\"", Comma, ".", []string{"time, s", `a "b"`}, []string{"1|2"}},
		{"objects", `[{"t": 0, "h": 1.5}, {"t": 1, "h": null}, {"h": "1/2"}]`, JSON, ".", []string{"t", "h"}, []string{"0|1.5", "1|", "|1/2"}},
		{"lists", `[[0, 1.5], [1, 2]]`, JSON, ".", []string{"x", "y"}, []string{"0|1.5", "1|2"}},
		{"columns", `{"t": [0, 1], "h": [1.5, 2]}`, JSON, ".", []string{"t", "h"}, []string{"0|1.5", "1|2"}},
	} {
		r, err := Read(c.text)
		require.NoError(t, err, c.name)
		assert.Equal(t, c.separator, r.Separator, c.name)
		assert.Equal(t, c.decimal, r.Decimal, c.name)
		assert.Equal(t, c.heads, heads(r.Table), c.name)
		assert.Equal(t, c.rows, texts(r.Table), c.name)
		assert.Empty(t, r.Others, c.name)
	}
}

func TestWhatCanBeReadTwoWaysIsAsked(t *testing.T) {
	for text, want := range map[string][2][]string{
		"1,5\n2,5\n3,5":     {{"1|5", "2|5", "3|5"}, {"1.5", "2.5", "3.5"}},
		"x;y\n1,234;2\n5;6": {{"1.234|2", "5|6"}, {"1234|2", "5|6"}},
	} {
		r, err := Read(text)
		require.NoError(t, err)
		require.Len(t, r.Others, 1, text)
		assert.Equal(t, want[0], texts(r.Table), text)
		assert.Equal(t, want[1], texts(r.Others[0]), text)
	}
	r, err := Read("t,h\n1,5\n2,5")
	require.NoError(t, err)
	assert.Empty(t, r.Others, "the head has a comma too")
}

func TestWhatIsNoTableSaysWhatWouldBeRight(t *testing.T) {
	for text, says := range map[string]string{
		"":                              "no table",
		"x\ty\n":                        "no table",
		"x\ty\n1\tcold\n":               "Line 2, column 2: “cold” is neither a number",
		strings.Repeat("1\t", 12) + "1": "13 columns; at most 12",
		strings.Repeat("1\t2\n", 10001): "10,001 rows; at most 10,000",
		"0\t2.9\n1\t3,1\n":              "Line 2, column 2: “3,1” is neither a number",
		`{"a": 3}`:                      "list of objects",
		"[1, 2":                         "list of objects",
	} {
		_, err := Read(text)
		require.Error(t, err)
		assert.Contains(t, err.Error(), says)
	}
}
