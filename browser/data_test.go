package browser

import (
	"archive/zip"
	"bytes"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/scatter"
)

// bring pastes a table on the bench itself.
func (l *lesson) bring(lines string) {
	l.t.Helper()
	l.actions++
	ask[any](l.t, l.page, `lines => {
		const data = new DataTransfer();
		data.setData('text/plain', lines);
		document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
	}`, lines)
	one(l.t, l.page, `[data-cell="0/0"]`)
	until(l.t, l.page, `() => parvix.document().stated.some(s => s.kind === 'data')`)
}

func (l *lesson) leaveDesk() {
	l.t.Helper()
	l.actions++
	press(l.t, l.page, input.Escape)
	until(l.t, l.page, `() => !document.querySelector('.data-desk .desk')`)
	drawn(l.t, l.page)
}

// Twenty heights of an invented tide, 2.9 + 1.8 sin(0.506 t + 0.7) and small errors; one was typed as 6.51 for 1.51.
const tides = "t (h)\th (m)\n0\t4.08\n1\t4.55\n2\t4.70\n3\t4.34\n4\t3.71\n5\t2.85\n6\t2.07\n7\t6.51\n8\t1.13\n9\t1.20\n10\t1.68\n11\t2.44\n12\t3.35\n13\t4.05\n14\t4.60\n15\t4.67\n16\t4.39\n17\t3.78\n18\t2.95\n19\t2.10\n"

func TestATableIsPastedMendedAndGivenAModelInEightActions(t *testing.T) {
	l := emptyBench(t)
	l.bring(tides)
	saying(t, l.page, ".doubts li", "Row 8 .*times the usual distance")
	l.click(".doubts button", "go to it")
	until(t, l.page, `() => document.activeElement?.dataset.cell === '7/1'`)
	l.actions++
	write(t, one(t, l.page, `[data-cell="7/1"]`), "1.51")
	press(t, l.page, input.Enter)
	until(t, l.page, `() => !document.querySelector('.doubts')`)
	l.click("button", "compare the models")
	l.click(".models li.best button", "keep as a function")
	until(t, l.page, `() => parvix.document().stated.some(s => s.fit?.model === 'sinusoidal')`)
	l.leaveDesk()
	l.atMost(8)

	doc := documentOf(t, l.page)
	plot, ok := doc.Shown[0].Body.(*scatter.Body)
	require.True(t, ok)
	assert.Equal(t, "m", plot.Function)
	assert.Equal(t, "1.51", doc.Stated[0].Columns[1].Cells[7])
	labelled(t, l.page, "m(t)=1.") // the equation stands at its curve
	assertAccessible(t, l.page, "data on the bench")
	undone(t, l)
}

func TestDialsAreLedToTheBestFitAndPredictInTwelveActions(t *testing.T) {
	l := emptyBench(t)
	// 3 − 0.6 (x − 1.7)², rounded, with small errors; invented.
	l.bring("x (m)\ty (m)\n0\t1.30\n0.5\t2.12\n1\t2.72\n1.5\t2.96\n2\t2.95\n2.5\t2.60\n3\t2.00\n3.5\t1.04\n")
	l.actions++
	write(t, one(t, l.page, `input[aria-label="A function of your own over the data"]`), "a(x - h)² + k")
	press(t, l.page, input.Enter)
	until(t, l.page, `() => parvix.document().shown[0].body.residuals === 'squares'`)
	l.leaveDesk()
	for _, dial := range []string{"a", "h", "k"} {
		l.actions++
		pull(t, l.page, one(t, l.page, `[data-dial="`+dial+`"] .pointer`), 15, 0)
		drawn(t, l.page)
	}
	l.click("button", "table and models")
	assertAccessible(t, l.page, "the desk of a table")
	l.click("button", "lead the dials of m to the best fit")
	until(t, l.page, `async () => Math.abs((await parvix.values()).a + 0.6) < 0.03`)
	l.actions++
	write(t, one(t, l.page, `input[aria-label="Value of x"]`), "2.2")
	press(t, l.page, input.Enter)
	saying(t, l.page, ".forecast p", `m\(2.2\) ≈ 2.8.* inside the data`)
	l.atMost(12)
	v := values(t, l.page)
	assert.InDelta(t, 1.7, v["h"], 0.03)
	assert.InDelta(t, 3, v["k"], 0.03)
}

// A dial that the best fit leads beyond its end is widened and stays adjustable; undo gives it its ends back.
func TestADialThatIsLedBeyondItsEndIsWidened(t *testing.T) {
	l := emptyBench(t)
	l.bring("t\ts\n0\t0\n1\t31\n2\t62\n3\t93\n")
	write(t, one(t, l.page, `input[aria-label="A function of your own over the data"]`), "v t")
	press(t, l.page, input.Enter)
	until(t, l.page, `() => parvix.document().shown[0].body.residuals === 'squares'`)
	l.click("button", "lead the dials of .* to the best fit")
	until(t, l.page, `async () => Math.abs((await parvix.values()).v - 31) < 1e-6`)
	now := documentOf(t, l.page)
	dial := now.StatedNamed("v")
	assert.Equal(t, []string{"-5", "40"}, []string{dial.From, dial.To})
	l.leaveDesk()
	undone(t, l)
}

// A table is typed with the keyboard alone: Enter goes down, Tab goes on, arrows go back.
func TestATableIsTypedWithTheKeyboardAlone(t *testing.T) {
	l := emptyBench(t)
	press(t, l.page, input.Escape)
	l.openIn("", "Show something on the stage")
	l.item("data: type, paste or open a table")
	typeDown := func(column int, texts ...string) {
		require.NoError(t, one(t, l.page, fmt.Sprintf(`[data-cell="0/%d"]`, column)).Focus())
		// As fast as a hand can, and faster: nothing is waited for between the keys.
		for _, text := range texts {
			require.NoError(t, l.page.InsertText(text))
			press(t, l.page, input.Enter)
		}
	}
	until(t, l.page, `() => document.activeElement?.dataset.cell === '0/0'`) // a new table waits to be typed
	typeDown(0, "1", "2", "3", "4", "5", "6", "7", "8")
	until(t, l.page, `() => document.activeElement?.dataset.cell === '8/0'`)
	until(t, l.page, `() => parvix.document().stated[0]?.columns[0].cells?.join() === '1,2,3,4,5,6,7,8'`)
	for range 5 {
		require.NoError(t, one(t, l.page, `[data-cell="3/0"]`).Focus())
		require.NoError(t, l.page.KeyActions().Press(input.ControlLeft).Type(input.Delete).Release(input.ControlLeft).Do())
		atRest(t, l.page)
	}
	until(t, l.page, `() => parvix.document().stated[0]?.columns[0].cells?.join() === '1,2,3'`)
	typeDown(1, "1/2", "π", "4")
	until(t, l.page, `() => parvix.document().stated[0]?.columns[1].cells?.length === 3`)
	doc := documentOf(t, l.page)
	assert.Equal(t, []string{"1", "2", "3"}, doc.Stated[0].Columns[0].Cells)
	assert.Equal(t, []string{"1/2", "π", "4"}, doc.Stated[0].Columns[1].Cells)
	control := func(key input.Key) {
		require.NoError(t, l.page.KeyActions().Press(input.ControlLeft).Type(key).Release(input.ControlLeft).Do())
	}
	require.NoError(t, one(t, l.page, `[data-cell="1/1"]`).Focus())
	control(input.Delete)
	until(t, l.page, `() => parvix.document().stated[0].columns[0].cells.join() === '1,3'`)
	require.NoError(t, one(t, l.page, `[data-cell="0/0"]`).Focus())
	control(input.KeyZ)
	until(t, l.page, `() => parvix.document().stated[0].columns[1].cells.join() === '1/2,π,4'`)
	l.leaveDesk()
	undone(t, l)
}

func TestATableThatCanBeReadTwoWaysIsAsked(t *testing.T) {
	l := emptyBench(t)
	l.bring("1,5\n2,5\n3,25")
	l.click("button", "3 rows, 1 columns, with the decimal comma")
	until(t, l.page, `() => parvix.document().stated[0].columns.some(c => c.cells?.[2] === '3.25')`)
}

// workbook is a spreadsheet file with one sheet (ECMA-376, the least that it asks for).
func workbook(t *testing.T, rows string) []byte {
	t.Helper()
	var b bytes.Buffer
	z := zip.NewWriter(&b)
	const office = `http://schemas.openxmlformats.org/officeDocument/2006/relationships`
	const sheets = `http://schemas.openxmlformats.org/spreadsheetml/2006/main`
	for name, text := range map[string]string{
		"[Content_Types].xml": `<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>`,
		"_rels/.rels":         `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="` + office + `/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
		"xl/workbook.xml":     `<workbook xmlns="` + sheets + `" xmlns:r="` + office + `"><sheets><sheet name="Gauge" sheetId="1" r:id="r1"/></sheets></workbook>`,
		"xl/_rels/workbook.xml.rels": `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="` + office +
			`/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
		"xl/worksheets/sheet1.xml": `<worksheet xmlns="` + sheets + `"><sheetData>` + rows + `</sheetData></worksheet>`,
	} {
		w, err := z.Create(name)
		require.NoError(t, err)
		_, err = w.Write([]byte(`<?xml version="1.0" encoding="UTF-8" standalone="yes"?>` + text))
		require.NoError(t, err)
	}
	require.NoError(t, z.Close())
	return b.Bytes()
}

// Files of several forms come onto the desk; one that cannot be read is named, and the table stays.
func TestFilesOfTablesAreOpened(t *testing.T) {
	l := emptyBench(t)
	press(t, l.page, input.Escape)
	l.openIn("", "Show something on the stage")
	l.item("data: type, paste or open a table")
	folder := t.TempDir()
	give := func(name string, data []byte) {
		path := filepath.Join(folder, name)
		require.NoError(t, os.WriteFile(path, data, 0o600))
		require.NoError(t, one(t, l.page, `.desk input[type=file]`).SetFiles([]string{path}))
	}
	const head = `<row r="1"><c r="A1" t="inlineStr"><is><t>t (h)</t></is></c><c r="B1" t="inlineStr"><is><t>h (m)</t></is></c></row>`
	give("gauge.xlsx", workbook(t, head+`<row r="2"><c r="A2"><v>0</v></c><c r="B2"><v>2.5</v></c></row><row r="3"><c r="A3"><v>1</v></c><c r="B3"><v>3.25</v></c></row>`))
	until(t, l.page, `() => parvix.document().stated[0]?.name === 'gauge' && parvix.document().stated[0].columns[1].cells.join() === '2.5,3.25'`)
	assert.Equal(t, "m", documentOf(t, l.page).Stated[0].Columns[1].Unit)
	give("gauge.json", []byte(`[{"t": 0, "h": 1}, {"t": 1, "h": 4}]`))
	until(t, l.page, `() => parvix.document().stated[0].columns[1].cells.join() === '1,4'`)
	give("broken.xlsx", []byte("no workbook"))
	saying(t, l.page, ".desk .problem", "broken.xlsx.* cannot be read")
	give("words.csv", []byte("a,b\n1,cold\n2,warm\n"))
	saying(t, l.page, ".desk .problem", "cold.* is neither a number")
	assert.Equal(t, []string{"1", "4"}, documentOf(t, l.page).Stated[0].Columns[1].Cells, "nothing was changed")
}

// The heads of a wide table stand over their columns, however far it is moved to the side, and cover nothing beside it.
func TestTheHeadsOfAWideTableGoWithTheirColumns(t *testing.T) {
	l := emptyBench(t)
	heads, row := "", ""
	for c := range 12 {
		heads, row = heads+fmt.Sprintf("%c\t", 'a'+c), row+fmt.Sprintf("%d\t", c)
	}
	l.bring(heads[:len(heads)-1] + "\n" + row[:len(row)-1] + "\n" + row[:len(row)-1])
	aligned := `() => {
		const cell = document.querySelector('[data-cell="0/11"]').getBoundingClientRect();
		const head = document.querySelector('.heads').lastElementChild.getBoundingClientRect();
		return Math.abs(cell.left + cell.width / 2 - head.left - head.width / 2) < 12;
	}`
	until(t, l.page, aligned)
	ask[any](t, l.page, `() => { document.querySelector('.desk .grid').scrollLeft = 300; }`)
	until(t, l.page, `() => document.querySelector('.heads').scrollLeft === 300`)
	until(t, l.page, aligned)
	assert.True(t, ask[bool](t, l.page, `() => document.querySelector('.heads').getBoundingClientRect().right <= document.querySelector('.desk .grid').getBoundingClientRect().right + 1`))
	require.NoError(t, one(t, l.page, `[data-cell="0/0"]`).Focus())
	until(t, l.page, `() => document.querySelector('.heads').scrollLeft === document.querySelector('.desk .grid').scrollLeft`)
	assertAccessible(t, l.page, "a wide table")
}

// Only the row that is unlocked can be moved in the picture: its point takes the keys, its row follows in one undo step, and a row that is
// deleted before it does not move the permission to another measurement.
func TestASingleRowIsUnlockedForAHand(t *testing.T) {
	l := emptyBench(t)
	l.bring("t\th\n0\t1.5\n1\t2.5\n2\t9.5\n3\t4.5\n")
	require.NoError(t, one(t, l.page, `[data-cell="2/1"]`).Focus())
	require.NoError(t, l.page.KeyActions().Press(input.ControlLeft).Type(input.KeyM).Do())
	until(t, l.page, `() => document.querySelector('[aria-label="Row 3 is moved by hand in the picture"]').getAttribute('aria-pressed') === 'true'`)
	click(t, one(t, l.page, `[aria-label="Delete row 1"]`))
	until(t, l.page, `() => document.querySelector('[aria-label="Row 2 is moved by hand in the picture"]').getAttribute('aria-pressed') === 'true'`)
	assertAccessible(t, l.page, "an unlocked row")
	l.leaveDesk()
	drawn(t, l.page)
	handles := l.page.MustElements(".handle")
	require.Len(t, handles, 1)
	require.Contains(t, *handles[0].MustAttribute("aria-label"), "Point of row 2;")
	require.NoError(t, handles[0].Focus())
	press(t, l.page, input.ArrowDown)
	until(t, l.page, `() => parvix.document().stated[0].columns[1].cells.join() === '2.5,9.4,4.5'`)
	click(t, one(t, l.page, `[aria-label="Undo"]`))
	until(t, l.page, `() => parvix.document().stated[0].columns[1].cells.join() === '2.5,9.5,4.5'`)
}

// Tab goes on to the next cell and Shift+Tab back, arrows at the ends of what is typed go to the cell beside; each is a field when it is reached,
// with what stands in it chosen.
func TestCellsAreGoneThroughByTheKeyboard(t *testing.T) {
	l := emptyBench(t)
	l.bring("a\tb\tc\n1\t2\t3\n4\t5\t6\n")
	at := func(cell, value string) {
		t.Helper()
		until(t, l.page, `(cell, value) => { const e = document.activeElement; return e.tagName === 'INPUT' && e.dataset.cell === cell && e.value === value &&
			e.selectionStart === 0 && e.selectionEnd === value.length; }`, cell, value)
	}
	require.NoError(t, one(t, l.page, `[data-cell="0/0"]`).Focus())
	at("0/0", "1")
	press(t, l.page, input.Tab)
	at("0/1", "2")
	press(t, l.page, input.Tab)
	at("0/2", "3")
	require.NoError(t, l.page.KeyActions().Press(input.ShiftLeft).Type(input.Tab).Release(input.ShiftLeft).Do())
	at("0/1", "2")
	require.NoError(t, l.page.InsertText("7"))
	press(t, l.page, input.ArrowRight)
	at("0/2", "3")
	press(t, l.page, input.ArrowDown)
	at("1/2", "6")
	press(t, l.page, input.Home)
	press(t, l.page, input.ArrowLeft)
	at("1/1", "5")
	until(t, l.page, `() => parvix.document().stated[0].columns[1].cells.join() === '7,5'`)
}

// Rows that are scrolled by take the elements of others; a cell that is being typed in keeps what was typed, and its place.
func TestWhatIsBeingTypedInATableStaysWhileItIsScrolled(t *testing.T) {
	l := emptyBench(t)
	lines := "t\th\n"
	for i := range 400 {
		lines += fmt.Sprintf("%d\t%d.5\n", i, i%7)
	}
	l.bring(lines)
	require.NoError(t, one(t, l.page, `[data-cell="1/1"]`).Focus())
	require.NoError(t, l.page.InsertText("77"))
	ask[any](t, l.page, `() => { document.querySelector('.desk .grid').scrollTop = 5000; }`)
	until(t, l.page, `() => document.querySelector('[data-cell="150/1"]')?.textContent.trim() === '3.5'`)
	const own = `() => [...document.querySelectorAll('.desk .grid [role="row"]')].every(r => r.querySelector('[data-cell]').dataset.cell === (r.ariaRowIndex - 1) + '/0')`
	assert.True(t, ask[bool](t, l.page, own), "each element holds its row")
	for _, to := range []int{2000, 500, 120, 30, 0} {
		ask[any](t, l.page, `async to => {
			const box = document.querySelector('.desk .grid');
			const from = box.scrollTop;
			for (let i = 1; i <= 5; i++) { box.scrollTop = from + (to - from) * i / 5; await new Promise(requestAnimationFrame); }
		}`, to)
		until(t, l.page, `row => !!document.querySelector('[data-cell="' + row + '/0"]')`, to/34+4)
		assert.Equal(t, "1/1 77", ask[string](t, l.page, `() => document.activeElement.dataset.cell + ' ' + document.activeElement.value`))
	}
	press(t, l.page, input.Tab)
	until(t, l.page, `() => document.activeElement?.dataset.cell === '2/0'`)
	until(t, l.page, `() => parvix.document().stated[0].columns[1].cells[1] === '77'`)
	require.NoError(t, l.page.KeyActions().Press(input.ShiftLeft).Type(input.Tab).Release(input.ShiftLeft).Do())
	until(t, l.page, `() => document.activeElement?.matches('input[data-cell="1/1"]')`)
	press(t, l.page, input.Enter)
	until(t, l.page, `() => document.activeElement?.dataset.cell === '2/1'`)
	// When nobody types any more the rows are read in their order.
	require.NoError(t, one(t, l.page, `[aria-label="Close the table"], .desk button`).Focus())
	until(t, l.page, `() => {
		const rows = [...document.querySelectorAll('.desk .grid [role="row"]')].map(r => Number(r.ariaRowIndex));
		return rows.every((r, k) => !k || rows[k - 1] < r);
	}`)
	assert.True(t, ask[bool](t, l.page, own), "each element holds its row")
}

// Where nothing was measured the table tells, in a paler colour, what the function says; typing there begins with an empty field.
func TestTheTableTellsWhatTheFunctionSaysInItsGaps(t *testing.T) {
	d, err := edit.PutData(document.New("Gaps"), document.Stated{Name: "M", Columns: []document.Column{
		{Name: "x", Cells: strings.Fields("0 1 2 3")}, {Name: "y", Cells: []string{"1", "3", "", "7"}}}})
	require.NoError(t, err)
	d, err = edit.KeepModel(d, d.Stated[0].ID, "x", "y", "linear")
	require.NoError(t, err)
	points := d.Shown[0].Body.(*scatter.Body)
	points.Function, points.Filled = d.Stated[1].Name, true
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	goTo(t, page, "/bench/"+importDocument(t, page, d))
	drawn(t, page)
	click(t, saying(t, page, "button", "table and models"))
	saying(t, page, `[data-cell="2/1"] .said`, "≈ 5")
	require.NoError(t, one(t, page, `[data-cell="2/1"]`).Focus())
	until(t, page, `() => document.activeElement.tagName === 'INPUT' && document.activeElement.value === ''`)
	require.NoError(t, page.InsertText("5.2"))
	press(t, page, input.Enter)
	until(t, page, `() => parvix.document().stated[0].columns[1].cells.join() === '1,3,5.2,7'`)
	until(t, page, `() => !document.querySelector('.grid .said')`)
	assertAccessible(t, page, "a table with gaps")
}
