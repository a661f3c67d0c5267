<script setup lang="ts">
// The rows of a table; only those in sight are there. Enter and arrows go up and down, Tab goes on, a block can be pasted.
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/vue-virtual';
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue';
import type { Column } from '../generated/types';
import GridRow from './GridRow.vue';
import { isComputed } from './table';

const props = defineProps<{
  columns: Column[];
  rows: number;
  /** The values of computed columns, by their places. */
  worked: string[][];
  /** What functions say where nothing stands, by the columns' places. */
  filled: string[][];
  /** Why a row stands out, by rows, and in which column. */
  doubts: Map<number, string>;
  doubted: number;
  /** The row that is to be seen. */
  sought: number;
  /** Whether a hand may move a row's point; undefined where the picture has no points of these columns. */
  isUnlocked?: (row: number) => boolean;
}>();
const emit = defineEmits<{
  set: [row: number, column: number, text: string];
  row: [row: number];
  remove: [row: number];
  unlock: [row: number];
  undo: [];
  paste: [text: string, row: number, column: number];
}>();

/** A finger needs more room than a pointer. */
const rowHeight = matchMedia('(pointer: coarse)').matches ? 44 : 34;
const box = useTemplateRef<HTMLElement>('box');
/** Rows that wait for what is typed next: a fast hand is there before one can be made. */
const waiting = 3;
const count = computed(() => props.rows + waiting);
/** The row of the cell that is typed in; it stays, wherever the table is scrolled to, with what was typed. */
const atHand = ref(-1);
const virtual = useVirtualizer(
  computed(() => ({
    count: count.value,
    getScrollElement: () => box.value,
    estimateSize: () => rowHeight,
    overscan: 2,
    rangeExtractor: (range: Parameters<typeof defaultRangeExtractor>[0]) => {
      const seen = defaultRangeExtractor(range);
      const kept = atHand.value;
      if (kept < 0 || kept >= count.value || seen.includes(kept)) return seen;
      return [...seen, kept].sort((a, b) => a - b);
    },
  })),
);

/** Rows that come into sight take the elements of rows that have left it: making new ones cost a wide table its frames. */
const elements = new Map<number, number>();
const spare: number[] = [];
const inSight = shallowRef<{ row: number; start: number; element: number }[]>([]);
// While the table is scrolled they keep their order: one that is moved among the others is laid out anew with all its cells, and would
// lose the focus. At rest they stand as they are read.
watch(
  () => [virtual.value.getVirtualItems(), virtual.value.isScrolling || atHand.value >= 0] as const,
  ([items, stay]) => {
    const wanted = new Set(items.map(({ index }) => index));
    for (const [row, element] of elements) {
      if (!wanted.has(row) && elements.delete(row)) spare.push(element);
    }
    const list = items.map(({ index: row, start }) => {
      const element = elements.get(row) ?? spare.pop() ?? elements.size;
      elements.set(row, element);
      return { row, start, element };
    });
    if (stay) {
      const order = new Map(inSight.value.map(({ element }, place) => [element, place]));
      const placeOf = (element: number) => order.get(element) ?? order.size + element;
      list.sort((a, b) => placeOf(a.element) - placeOf(b.element));
    }
    inSight.value = list;
  },
  { immediate: true },
);
/** The least width of a column. */
const narrowest = 84;
const template = computed(
  () => `var(--row-head) repeat(${props.columns.length}, minmax(${narrowest}px, 1fr))`,
);

const cellOf = (row: number, column: number) =>
  box.value?.querySelector<HTMLElement>(`[data-cell="${row}/${column}"]`);

/** Goes to a cell, which may not be there before its row is in sight. */
async function go(row: number, column: number) {
  const to = Math.max(0, Math.min(count.value - 1, row));
  virtual.value.scrollToIndex(to);
  for (let i = 0; i < 20 && !cellOf(to, column); i++) await new Promise(requestAnimationFrame);
  cellOf(to, column)?.focus();
}
watch(
  () => props.sought,
  (row) => row >= 0 && void go(row, Math.max(0, props.doubted)),
);

/** The field of the cell in which something happened. */
function cellIn(e: Event) {
  const input = (e.target as HTMLElement).closest<HTMLInputElement>('input[data-cell]');
  const [row, column] = (input?.dataset.cell ?? '').split('/').map(Number);
  return input && row !== undefined && column !== undefined ? { input, row, column } : undefined;
}

function change(e: Event) {
  const cell = cellIn(e);
  if (cell) emit('set', cell.row, cell.column, cell.input.value.trim());
}

/** The row of a cell that is about to be typed in, or is; −1 for what is none. */
const rowOf = (e: EventTarget | null) =>
  Number((e as HTMLElement | null)?.closest<HTMLElement>('[data-cell]')?.dataset.cell?.split('/')[0] ?? -1);

function take(e: FocusEvent) {
  atHand.value = rowOf(e.target);
  if (cellIn(e)) emit('row', atHand.value);
}

function key(e: KeyboardEvent) {
  const cell = cellIn(e);
  if (!cell) return;
  const { input, row, column } = cell;
  const atStart = input.selectionStart === 0 && input.selectionEnd === 0;
  const atEnd = input.selectionStart === input.value.length;
  if (e.key === 'Enter' || e.key === 'ArrowDown') void then(input, row + (e.shiftKey ? -1 : 1), column);
  else if (e.key === 'ArrowUp') void then(input, row - 1, column);
  else if (e.key === 'Tab' && beside(row, column, e.shiftKey ? -1 : 1)) {
    const [r, c] = beside(row, column, e.shiftKey ? -1 : 1)!;
    void then(input, r, c);
  } else if (e.key === 'ArrowLeft' && atStart && column > 0) void then(input, row, column - 1);
  else if (e.key === 'ArrowRight' && atEnd && column < props.columns.length - 1)
    void then(input, row, column + 1);
  else if (!command(e, input, row, props.columns[column]?.cells?.[row] ?? '')) return;
  e.preventDefault();
}

/** The next cell that is typed in, or the one before; undefined beyond the table. */
function beside(row: number, column: number, way: 1 | -1): [number, number] | undefined {
  const typed = props.columns.flatMap((c, k) => (isComputed(c) ? [] : [k]));
  const at = typed.indexOf(column) + way;
  if (typed[at] !== undefined) return [row, typed[at]];
  const next = row + way;
  return next < 0 || next >= count.value ? undefined : [next, typed.at(way > 0 ? 0 : -1)!];
}

/** What a key does to a row, or to what is being typed; whether it does anything. */
function command(e: KeyboardEvent, input: HTMLInputElement, row: number, stands: string): boolean {
  const held = e.ctrlKey || e.metaKey;
  const letter = held && e.key.toLowerCase();
  if (held && e.key === 'Delete') emit('remove', row);
  else if (letter === 'm') emit('unlock', row);
  // What is being typed is undone by the field itself.
  else if (letter === 'z' && input.value === stands) emit('undo');
  else if (e.key === 'Escape' && input.value !== stands) {
    input.value = stands;
    e.stopPropagation();
  } else return false;
  return true;
}

/** What was typed is taken before the next cell is gone to: at once where that is in sight, so that no key comes too early. */
async function then(input: HTMLInputElement, row: number, column: number) {
  input.dispatchEvent(new Event('change', { bubbles: true }));
  const next = cellOf(row, column);
  next?.focus();
  if (next) return;
  await nextTick();
  await go(row, column);
}

function paste(e: ClipboardEvent) {
  const cell = cellIn(e);
  const text = e.clipboardData?.getData('text') ?? '';
  if (!cell || !/[\t\n]/.test(text.trim())) return;
  e.preventDefault();
  emit('paste', text, cell.row, cell.column);
}
defineExpose({ go });
</script>

<template>
  <div ref="box" class="grid" role="table" :aria-rowcount="rows" aria-label="Rows of the table">
    <div
      :style="{ height: `${virtual.getTotalSize()}px` }"
      class="all"
      role="rowgroup"
      @change="change"
      @focusin="take"
      @focusout="atHand = rowOf($event.relatedTarget)"
      @keydown="key"
      @paste="paste"
    >
      <GridRow
        v-for="{ row, start, element } in inSight"
        :key="element"
        :row="row"
        :rows="rows"
        :columns="columns"
        :worked="worked"
        :filled="filled"
        :doubt="doubts.get(row)"
        :doubted="doubted"
        :unlocked="isUnlocked?.(row)"
        :style="{
          height: `${rowHeight}px`,
          transform: `translateY(${start}px)`,
          width: `max(100%, var(--row-head) + ${columns.length * narrowest}px)`,
          gridTemplateColumns: template,
        }"
        @remove="emit('remove', row)"
        @unlock="emit('unlock', row)"
      />
    </div>
  </div>
</template>

<style scoped>
.grid {
  flex: 1;
  min-height: 120px;
  overflow: auto;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--sheet);
}
.all {
  position: relative;
}
</style>
