// Package tabular reads a table from the text that a spreadsheet, a file or a worksheet gives: separators, decimal signs, a head with units, numbers,
// fractions and multiples of π, gaps. It guesses nothing that can be read two ways without saying so.
package tabular

import (
	"encoding/csv"
	"encoding/json"
	"fmt"
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"sync"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
)

// Limits of one table.
const (
	MaxRows    = 10000
	MaxColumns = 12
)

// Cell is what stands in one place: nothing, a number, or a formula without letters such as 1/2 or pi/4, which stays exact.
type Cell struct {
	// Text is the cell with a decimal point, as it can be typed; empty where nothing stands.
	Text string
	// IsNumber tells that Value is the number that Text writes; another text is a formula.
	IsNumber bool
	Value    float64
}

// Typed is the cell as it is typed, with the decimal comma where that is wanted.
func (c Cell) Typed(comma bool) string {
	if comma {
		return expr.WithDecimalComma(c.Text)
	}
	return c.Text
}

// Column is a named column.
type Column struct {
	Name, Unit string
	Cells      []Cell
}

// Separator parts the cells of a line.
type Separator string

// The separators.
const (
	Tab       Separator = "tab"
	Comma     Separator = "comma"
	Semicolon Separator = "semicolon"
	Spaces    Separator = "spaces"
	None      Separator = "none"
	JSON      Separator = "json"
)

// Table is a text read in one way.
type Table struct {
	Separator Separator
	// Decimal is “.” or “,”.
	Decimal string
	// Header tells that the first line names the columns.
	Header  bool
	Columns []Column
}

// Reading is what a text says: a table, and where it can be read in another way, that too.
type Reading struct {
	Table
	// Others are the further ways in which every cell makes sense.
	Others []Table
}

// Read reads a text.
func Read(text string) (*Reading, error) {
	text = strings.TrimPrefix(strings.ReplaceAll(strings.ReplaceAll(text, "\r\n", "\n"), "\r", "\n"), "\ufeff")
	if strings.TrimSpace(text) == "" {
		return nil, problem.New("table-empty", 0, 0)
	}
	if trimmed := strings.TrimSpace(text); trimmed[0] == '[' || trimmed[0] == '{' {
		return readJSON(trimmed)
	}
	var ways []Table
	var refused error
	for _, way := range readings(text) {
		t, err := readAs(text, way)
		if err != nil {
			if refused == nil {
				refused = err
			}
			continue
		}
		ways = append(ways, *t)
	}
	if len(ways) == 0 {
		return nil, refused
	}
	r := &Reading{Table: ways[0]}
	for _, other := range ways[1:] {
		if !slices.ContainsFunc(ways[:1], func(t Table) bool { return t.says(other) }) {
			r.Others = append(r.Others, other)
		}
	}
	return r, nil
}

// says tells whether two tables hold the same values.
func (t Table) says(other Table) bool {
	return slices.EqualFunc(t.Columns, other.Columns, func(a, b Column) bool { return slices.Equal(a.Cells, b.Cells) })
}

// way is a pair of signs.
type way struct {
	separator Separator
	decimal   string
}

// pattern compiles an expression when it is first asked for: a core that reads no table starts without waiting for any.
func pattern(expression string) func() *regexp.Regexp {
	return sync.OnceValue(func() *regexp.Regexp { return regexp.MustCompile(expression) })
}

var numeric = pattern(`^[+\-−]?\d+$`)

// readings lists the ways in which a text may have been written, the likelier first.
func readings(text string) []way {
	first, _, _ := strings.Cut(strings.TrimLeft(text, "\n"), "\n")
	has := func(sign string) bool { return strings.Contains(text, sign) }
	both := func(s Separator) []way {
		if commaBetweenDigits().MatchString(text) && !pointBetweenDigits().MatchString(text) {
			list := []way{{s, ","}}
			if thousands(text) {
				list = append(list, way{s, "."}) // 1,234 may be a thousand and some
			}
			return list
		}
		list := []way{{s, "."}}
		if commaBetweenDigits().MatchString(text) && lastCommaBehindPoint(text) {
			list = []way{{s, ","}}
		}
		return list
	}
	switch {
	case has("\t"):
		return both(Tab)
	case has(";"):
		return both(Semicolon)
	case has(","):
		return commaReadings(text, first)
	case spaced().MatchString(behindHead(text)):
		return []way{{Spaces, "."}, {None, "."}}
	}
	return []way{{None, "."}}
}

var (
	commaBetweenDigits = pattern(`\d,\d`)
	pointBetweenDigits = pattern(`\d\.\d`)
	spaced             = pattern(`\S[ ]+\S`)
	grouped            = pattern(`^[+\-−]?\d{1,3}(?:,\d{3})+$`)
	europeanGroups     = pattern(`\d\.\d{3},\d`)
)

// thousands tells that every comma between digits may part thousands.
func thousands(text string) bool {
	for _, cell := range strings.FieldsFunc(text, func(r rune) bool { return r == '\t' || r == ';' || r == '\n' }) {
		cell = strings.TrimSpace(cell)
		if commaBetweenDigits().MatchString(cell) && !grouped().MatchString(cell) {
			return false
		}
	}
	return true
}

// lastCommaBehindPoint tells of 1.234,5: points part thousands, the comma is the decimal sign.
func lastCommaBehindPoint(text string) bool { return europeanGroups().MatchString(text) }

// commaReadings are those of a text with commas and neither tabs nor semicolons: the comma parts cells, or is the decimal sign of a single
// column or of columns that spaces part.
func commaReadings(text, first string) []way {
	parts := way{Comma, "."}
	decimal := way{None, ","}
	perLine := map[int]bool{}
	whole := true // each line is one number with a decimal comma, or a head without a comma
	for i, line := range strings.Split(strings.TrimSpace(text), "\n") {
		line = strings.TrimSpace(line)
		if line == "" {
			continue
		}
		perLine[strings.Count(line, ",")] = true
		left, right, found := strings.Cut(line, ",")
		digits := found && numeric().MatchString(left) && allDigits(right)
		if !digits && !numeric().MatchString(line) && !(i == 0 && line == strings.TrimSpace(first) && !found) {
			whole = false
		}
	}
	spacedDecimals := spaced().MatchString(behindHead(text)) && !strings.Contains(text, ", ") && spacedCommas(text)
	switch {
	case spacedDecimals:
		return []way{{Spaces, ","}, parts}
	case whole && len(perLine) == 1: // 1,5 and nothing else: both make sense
		return []way{parts, decimal}
	case whole:
		return []way{decimal, parts}
	}
	return []way{parts}
}

// behindHead is a text without its first line, or the line where there is but one.
func behindHead(text string) string {
	text = strings.TrimSpace(text)
	if _, rest, found := strings.Cut(text, "\n"); found {
		return rest
	}
	return text
}

// spacedCommas tells that each word of each line, a head left out, is a number in which a comma stands at most once between digits.
func spacedCommas(text string) bool {
	lines := strings.Split(strings.TrimSpace(text), "\n")
	seen := false
	for i, line := range lines {
		for _, word := range strings.Fields(line) {
			left, right, found := strings.Cut(word, ",")
			switch {
			case numeric().MatchString(word):
			case found && numeric().MatchString(left) && allDigits(right):
				seen = true
			case i == 0 && !found:
			default:
				return false
			}
		}
	}
	return seen
}

func allDigits(text string) bool {
	return text != "" && strings.Trim(text, "0123456789") == ""
}

// split parts a text into lines of cells.
func split(text string, s Separator) ([][]string, error) {
	var rows [][]string
	if s == Spaces || s == None {
		for _, line := range strings.Split(text, "\n") {
			cells := []string{strings.TrimSpace(line)}
			if s == Spaces {
				cells = strings.Fields(line)
			}
			if strings.TrimSpace(line) != "" {
				rows = append(rows, cells)
			}
		}
		return rows, nil
	}
	reader := csv.NewReader(strings.NewReader(text))
	reader.Comma = map[Separator]rune{Tab: '\t', Comma: ',', Semicolon: ';'}[s]
	reader.FieldsPerRecord, reader.LazyQuotes, reader.TrimLeadingSpace = -1, true, s != Tab
	rows, err := reader.ReadAll()
	if err != nil {
		return nil, problem.New("table-line", 0, 0, "1", err.Error())
	}
	return slices.DeleteFunc(rows, func(row []string) bool {
		return !slices.ContainsFunc(row, func(cell string) bool { return strings.TrimSpace(cell) != "" })
	}), nil
}

// readAs reads a text in one way.
func readAs(text string, w way) (*Table, error) {
	rows, err := split(text, w.separator)
	if err != nil {
		return nil, err
	}
	t := &Table{Separator: w.separator, Decimal: w.decimal}
	return t, t.fill(rows)
}

// fill makes columns of lines of cells; the first line is a head where it is not made of numbers.
func (t *Table) fill(rows [][]string) error {
	width := 0
	for _, row := range rows {
		for len(row) > 0 && strings.TrimSpace(row[len(row)-1]) == "" {
			row = row[:len(row)-1]
		}
		width = max(width, len(row))
	}
	if width > MaxColumns {
		return problem.New("table-columns", 0, 0, number.Grouped(width), number.Grouped(MaxColumns))
	}
	t.Header = isHead(rows[0], t.Decimal)
	t.Columns = make([]Column, width)
	if t.Header {
		for i, cell := range rows[0][:min(width, len(rows[0]))] {
			t.Columns[i].Name, t.Columns[i].Unit = head(strings.TrimSpace(cell))
		}
		rows = rows[1:]
	}
	if len(rows) == 0 {
		return problem.New("table-empty", 0, 0)
	}
	if len(rows) > MaxRows {
		return problem.New("table-rows", 0, 0, number.Grouped(len(rows)), number.Grouped(MaxRows))
	}
	for r, row := range rows {
		for i := range t.Columns {
			text := ""
			if i < len(row) {
				text = strings.TrimSpace(row[i])
			}
			cell, ok := ReadCell(text, t.Decimal == ",")
			if !ok {
				line := r + 1
				if t.Header {
					line++
				}
				return problem.New("table-cell", 0, 0, fmt.Sprint(line), fmt.Sprint(i+1), text)
			}
			t.Columns[i].Cells = append(t.Columns[i].Cells, cell)
		}
	}
	t.nameTheRest()
	return nil
}

// nameTheRest gives columns without a name that of their place: x, y, then z, u, v …
func (t *Table) nameTheRest() {
	letters := []string{"x", "y", "z", "u", "v", "w", "p", "q", "r", "s", "t", "k"}
	taken := func(name string) bool {
		return slices.ContainsFunc(t.Columns, func(c Column) bool { return c.Name == name })
	}
	for i := range t.Columns {
		for _, letter := range letters {
			if t.Columns[i].Name == "" && !taken(letter) {
				t.Columns[i].Name = letter
			}
		}
	}
}

// isHead tells that a line names columns: a cell of it is a word.
func isHead(row []string, decimal string) bool {
	return slices.ContainsFunc(row, func(cell string) bool {
		cell = strings.TrimSpace(cell)
		_, ok := ReadCell(cell, decimal == ",")
		return !ok
	})
}

var (
	unitInBrackets = pattern(`^(.*?)\s*[(\[]\s*([^()\[\]]+?)\s*[)\]]$`)
	unitBehindIn   = pattern(`^(.+?)\s+in\s+(\S+)$`)
	unitBelow      = pattern(`^(.+?)\s*/\s*(\S+)$`) // T/°C, as ISO 80000-1 writes heads of tables
)

// head reads a name with its unit: “h (m)”, “t [s]”, “h in m”, “T/°C”.
func head(text string) (name, unit string) {
	for _, form := range []*regexp.Regexp{unitInBrackets(), unitBehindIn(), unitBelow()} {
		if m := form.FindStringSubmatch(text); m != nil && m[1] != "" {
			return m[1], m[2]
		}
	}
	return text, ""
}

// missing are the signs for nothing, besides an empty cell.
var missing = []string{"-", "–", "—", "?", "NA", "N/A", "n/a", "na", "NaN", "nan", "null", "NULL", "None", "#N/A", "."}

// ReadCell reads what stands in one place; false where it is neither a number nor a formula without letters.
func ReadCell(text string, comma bool) (Cell, bool) {
	text = strings.TrimSpace(strings.NewReplacer("\u00a0", " ", "\u202f", " ").Replace(text))
	if text == "" || slices.Contains(missing, text) {
		return Cell{}, true
	}
	plain := strings.NewReplacer("−", "-", "–", "-").Replace(text)
	if comma {
		if strings.Contains(plain, ".") && !pointGroups().MatchString(plain) {
			return Cell{}, false
		}
		plain = strings.ReplaceAll(strings.ReplaceAll(plain, ".", ""), ",", ".")
	} else if grouped().MatchString(plain) || strings.Contains(plain, ",") && pointBetweenDigits().MatchString(plain) {
		plain = strings.ReplaceAll(plain, ",", "")
	}
	if groupedBySpaces().MatchString(plain) {
		plain = strings.ReplaceAll(plain, " ", "")
	}
	if strings.HasSuffix(plain, "%") {
		if v, err := strconv.ParseFloat(strings.TrimSpace(strings.TrimSuffix(plain, "%")), 64); err == nil {
			return numberCell(v / 100), true
		}
	}
	if decimalForm().MatchString(plain) {
		v, err := strconv.ParseFloat(plain, 64)
		if err != nil || math.IsInf(v, 0) {
			return Cell{}, false
		}
		return Cell{Text: strings.TrimPrefix(plain, "+"), IsNumber: true, Value: v}, true
	}
	if twoNumbers().MatchString(plain) {
		return Cell{}, false
	}
	formula, err := expr.Parse(plain, &expr.Scope{})
	if err != nil || len(expr.Names(formula.Node)) > 0 || len(expr.Calls(formula.Node)) > 0 {
		return Cell{}, false
	}
	return Cell{Text: plain}, true
}

var (
	decimalForm     = pattern(`^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?$`)
	pointGroups     = pattern(`^[+-]?\d{1,3}(\.\d{3})+(,\d+)?$`)
	twoNumbers      = pattern(`\d\s+\d`)
	groupedBySpaces = pattern(`^[+-]?\d{1,3}( \d{3})+(\.\d+)?$`)
)

func numberCell(v float64) Cell {
	return Cell{Text: strconv.FormatFloat(v, 'g', -1, 64), IsNumber: true, Value: v}
}

// readJSON reads a list of objects, a list of lists, or an object of lists.
func readJSON(text string) (*Reading, error) {
	t := Table{Separator: JSON, Decimal: "."}
	decoder := json.NewDecoder(strings.NewReader(text))
	decoder.UseNumber()
	var rows [][]string
	names, err := jsonRows(decoder, &rows)
	if err != nil {
		return nil, problem.New("table-json", 0, 0)
	}
	if len(names) > 0 {
		rows = append([][]string{names}, rows...)
	}
	if len(rows) == 0 {
		return nil, problem.New("table-empty", 0, 0)
	}
	if err := t.fill(rows); err != nil {
		return nil, err
	}
	return &Reading{Table: t}, nil
}

// jsonRows reads lines of cells, and the names of columns in the order in which they appear.
func jsonRows(decoder *json.Decoder, rows *[][]string) (names []string, err error) {
	var whole json.RawMessage
	if err = decoder.Decode(&whole); err != nil {
		return nil, err
	}
	var lists [][]any
	if decode(whole, &lists) == nil {
		for _, list := range lists {
			*rows = append(*rows, cellTexts(list))
		}
		return nil, nil
	}
	var columns map[string][]any
	if decode(whole, &columns) == nil {
		names = keysInOrder(whole)
		for k, name := range names {
			for i, cell := range cellTexts(columns[name]) {
				for len(*rows) <= i {
					*rows = append(*rows, make([]string, len(names)))
				}
				(*rows)[i][k] = cell
			}
		}
		return names, nil
	}
	var objects []map[string]any
	if err = decode(whole, &objects); err != nil {
		return nil, err
	}
	var raw []json.RawMessage
	_ = json.Unmarshal(whole, &raw)
	for _, object := range raw {
		for _, name := range keysInOrder(object) {
			if !slices.Contains(names, name) {
				names = append(names, name)
			}
		}
	}
	for _, object := range objects {
		row := make([]any, len(names))
		for k, name := range names {
			row[k] = object[name]
		}
		*rows = append(*rows, cellTexts(row))
	}
	return names, nil
}

func decode(data json.RawMessage, into any) error {
	decoder := json.NewDecoder(strings.NewReader(string(data)))
	decoder.UseNumber()
	return decoder.Decode(into)
}

// keysInOrder are the keys of a JSON object as they stand in it.
func keysInOrder(object json.RawMessage) (keys []string) {
	decoder := json.NewDecoder(strings.NewReader(string(object)))
	if _, err := decoder.Token(); err != nil {
		return nil
	}
	for decoder.More() {
		key, err := decoder.Token()
		if err != nil {
			return keys
		}
		keys = append(keys, fmt.Sprint(key))
		var value json.RawMessage
		if decoder.Decode(&value) != nil {
			return keys
		}
	}
	return keys
}

func cellTexts(list []any) []string {
	cells := make([]string, len(list))
	for i, v := range list {
		if v != nil {
			cells[i] = fmt.Sprint(v)
		}
	}
	return cells
}
