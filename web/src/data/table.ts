// A table as it lies on the desk: what is typed goes into the document, row by row and column by column.
import { computed, ref, shallowRef, toRaw, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Column, PastedView, Problem, Stated } from '../generated/types';
import { useDataDesk } from './desk';

const empty = (): Column[] => [
  { name: 'x', cells: [] },
  { name: 'y', cells: [] },
];

export const isComputed = (c: Column) => !!c.formula || !!c.steps;

/** A computed column holds no cells. */
const omit = ({ name, unit, formula, steps, of }: Column): Column => ({ name, unit, formula, steps, of });

/** The name with the unit, as the head of a column. */
export const head = (c: Column) => (c.unit ? `${c.name} in ${c.unit}` : c.name);

export function useTable() {
  const bench = useBench();
  const desk = useDataDesk();
  const refused = ref<Problem>();
  /** Why a file was not read: told until something else is done, whatever the core says of what was done before. */
  const unread = ref<Problem>();
  /** Further ways in which what was pasted last can be read. */
  const ways = shallowRef<PastedView[]>([]);

  const stated = computed<Stated | undefined>(() => bench.document?.stated.find((s) => s.id === desk.open));
  const columns = ref<Column[]>(empty());
  const name = ref('');

  /** What was typed and is not in the document yet. */
  let typed = 0;
  let line: Promise<void> = Promise.resolve();

  // What stands in the document counts, also after an undo, but for what is being typed.
  watch(
    stated,
    (s) => {
      if (typed) return;
      columns.value = s?.columns ? structuredClone(toRaw(s.columns)) : empty();
      name.value = s?.name ?? '';
    },
    { immediate: true },
  );

  const rows = computed(() => Math.max(0, ...columns.value.map((c) => c.cells?.length ?? 0)));

  /** Puts the table as it lies on the desk into the document, one state after the other; the last one counts. */
  function keep() {
    unread.value = undefined;
    typed++;
    line = line.then(async () => {
      try {
        if (typed === 1) await put();
      } finally {
        typed--;
      }
    });
    return line;
  }

  async function put() {
    const isNew = !stated.value;
    if (isNew && !rows.value) return;
    const isFirst = !bench.document?.shown.length;
    // Messages to the core cannot carry Vue's proxies.
    const list = toRaw(columns.value).map((c) =>
      isComputed(c) ? omit(c) : { ...c, cells: [...(c.cells ?? [])] },
    );
    const entry: Stated = { id: stated.value?.id ?? '', kind: 'data', name: name.value, columns: list };
    refused.value = await bench.askEdit({ kind: 'putData', stated: entry });
    if (refused.value || !isNew) return;
    // The field for a first statement, open on an empty bench, waits no more.
    if (bench.editing === 'stated') bench.editing = '';
    desk.open = bench.document?.stated.at(-1)?.id ?? '';
    // The windows of what is shown already are nobody's to change.
    if (isFirst) await bench.fitAll();
  }

  function setCell(row: number, column: number, text: string) {
    const c = columns.value[column]!;
    const cells = [...(c.cells ?? [])];
    while (cells.length <= row) cells.push('');
    if (cells[row] === text) return;
    cells[row] = text;
    c.cells = cells;
    void keep();
  }

  /** Puts a pasted table at a cell; on an empty table, or as a whole from a file, it brings its own columns. */
  function place(pasted: PastedView, row: number, column: number, isWhole = false) {
    if (isWhole || !rows.value) {
      columns.value = pasted.columns.map((c) => ({ ...c }));
      if (columns.value.length === 1)
        columns.value.unshift({ name: 'n', cells: columns.value[0]!.cells!.map((_, i) => `${i + 1}`) });
    } else {
      pasted.columns.forEach((from, k) => {
        const to = columns.value[column + k];
        if (!to || isComputed(to)) return;
        const cells = [...(to.cells ?? [])];
        while (cells.length < row + from.cells!.length) cells.push('');
        from.cells!.forEach((text, i) => (cells[row + i] = text));
        to.cells = cells;
      });
    }
    return keep();
  }

  let pastedAt = { row: 0, column: 0, isWhole: false, before: empty() };
  async function paste(text: string, row: number, column: number, isWhole = false) {
    const answer = await bench.ask({ kind: 'pasted', text });
    refused.value = answer.problem;
    if (!answer.pasted) return;
    ways.value = answer.pasted.others?.length ? [answer.pasted, ...answer.pasted.others] : [];
    pastedAt = { row, column, isWhole, before: structuredClone(toRaw(stated.value?.columns) ?? empty()) };
    await place(answer.pasted, row, column, isWhole);
  }

  /** Reads what was pasted last in another way. */
  async function readAs(way: PastedView) {
    ways.value = [];
    columns.value = structuredClone(pastedAt.before);
    await place(structuredClone(way), pastedAt.row, pastedAt.column, pastedAt.isWhole);
  }

  async function file(f: File) {
    unread.value = undefined;
    const isSheet = /\.xlsx$/i.test(f.name);
    try {
      await paste(isSheet ? await sheetText(f) : await f.text(), 0, 0, true);
    } catch (e) {
      unread.value = {
        code: '',
        object: '',
        field: '',
        start: 0,
        end: 0,
        message: `“${f.name}” cannot be read. ${(e as Error).message}`,
      };
    }
    if (!name.value && !refused.value && !unread.value) {
      name.value = f.name.replace(/\.\w+$/, '');
      await keep();
    }
  }

  /** The first sheet of a workbook, as the text of a table. */
  async function sheetText(f: File) {
    const { readSheet } = await import('read-excel-file/browser');
    const list = await readSheet(f);
    return list.map((r) => r.map((cell) => (cell === null ? '' : String(cell))).join('\t')).join('\n');
  }

  function addColumn(column: Partial<Column>) {
    const letters = 'z u v w p q r s k'.split(' ');
    const free = letters.find((l) => !columns.value.some((c) => c.name === l)) ?? `c_${columns.value.length}`;
    columns.value.push({ name: column.name ?? free, ...column });
    return keep();
  }
  function removeColumn(place: number) {
    columns.value.splice(place, 1);
    return keep();
  }
  /** Takes a row out; what names later rows, as a label at a point, follows them. */
  function removeRow(row: number) {
    if (row >= rows.value || !stated.value) return;
    line = line.then(async () => {
      refused.value = await bench.askEdit({ kind: 'removeRow', id: desk.open, row });
    });
  }

  /** The table as a file that every spreadsheet opens: commas, or semicolons where the comma is the decimal sign. */
  function asFile(computed: string[][]) {
    const separator = bench.document?.decimalComma ? ';' : ',';
    const quoted = (text: string) => (/[",;\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
    const lines = [
      columns.value.map((c) => quoted(c.unit ? `${c.name} (${c.unit})` : c.name)).join(separator),
    ];
    for (let i = 0; i < rows.value; i++) {
      lines.push(
        columns.value
          .map((c, k) => quoted((isComputed(c) ? computed[k]?.[i] : c.cells?.[i]) ?? ''))
          .join(separator),
      );
    }
    return new Blob(['\ufeff', lines.join('\r\n'), '\r\n'], { type: 'text/csv' });
  }

  return {
    stated,
    columns,
    name,
    rows,
    refused,
    unread,
    ways,
    keep,
    setCell,
    paste,
    readAs,
    file,
    addColumn,
    removeColumn,
    removeRow,
    asFile,
  };
}
