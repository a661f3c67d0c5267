<script setup lang="ts">
// The rows of a table; only those in sight are there. Enter and arrows go up and down, Tab goes on, a block can be pasted.
import { useVirtualizer } from '@tanstack/vue-virtual';
import { computed, nextTick, useTemplateRef, watch } from 'vue';
import type { Column } from '../generated/types';
import { isComputed } from './table';

const props = defineProps<{
  columns: Column[];
  rows: number;
  /** The values of computed columns, by their places. */
  worked: string[][];
  /** Why a row stands out, by rows, and in which column. */
  doubts: Map<number, string>;
  doubted: number;
  /** The row that is to be seen. */
  sought: number;
}>();
const emit = defineEmits<{
  set: [row: number, column: number, text: string];
  row: [row: number];
  remove: [row: number];
  undo: [];
  paste: [text: string, row: number, column: number];
}>();

/** A finger needs more room than a pointer. */
const rowHeight = matchMedia('(pointer: coarse)').matches ? 44 : 34;
const box = useTemplateRef<HTMLElement>('box');
/** Rows that wait for what is typed next: a fast hand is there before one can be made. */
const waiting = 3;
const count = computed(() => props.rows + waiting);
const virtual = useVirtualizer(
  computed(() => ({
    count: count.value,
    getScrollElement: () => box.value,
    estimateSize: () => rowHeight,
    overscan: 6,
  })),
);
/** The least width of a column. */
const narrowest = 84;
const template = computed(() => `3.2em repeat(${props.columns.length}, minmax(${narrowest}px, 1fr))`);

const cellOf = (row: number, column: number) =>
  box.value?.querySelector<HTMLInputElement>(`[data-cell="${row}/${column}"]`);

/** Goes to a cell, which may not be there before its row is in sight. */
async function go(row: number, column: number) {
  const to = Math.max(0, Math.min(count.value - 1, row));
  virtual.value.scrollToIndex(to);
  for (let i = 0; i < 20 && !cellOf(to, column); i++) await new Promise(requestAnimationFrame);
  const cell = cellOf(to, column);
  cell?.focus();
  cell?.select();
}
watch(
  () => props.sought,
  (row) => row >= 0 && void go(row, Math.max(0, props.doubted)),
);

function key(e: KeyboardEvent, row: number, column: number) {
  const input = e.target as HTMLInputElement;
  const command = e.ctrlKey || e.metaKey;
  const stands = props.columns[column]?.cells?.[row] ?? '';
  const atStart = input.selectionStart === 0 && input.selectionEnd === 0;
  const atEnd = input.selectionStart === input.value.length;
  if (e.key === 'Enter' || e.key === 'ArrowDown') void then(input, row + (e.shiftKey ? -1 : 1), column);
  else if (e.key === 'ArrowUp') void then(input, row - 1, column);
  else if (e.key === 'ArrowLeft' && atStart && column > 0) void then(input, row, column - 1);
  else if (e.key === 'ArrowRight' && atEnd && column < props.columns.length - 1)
    void then(input, row, column + 1);
  else if (command && e.key === 'Delete') emit('remove', row);
  // What is being typed is undone by the field itself.
  else if (command && e.key.toLowerCase() === 'z' && input.value === stands) emit('undo');
  else if (e.key === 'Escape' && input.value !== stands) {
    input.value = stands;
    e.stopPropagation();
  } else return;
  e.preventDefault();
}

/** What was typed is taken before the next cell is gone to: at once where that is in sight, so that no key comes too early. */
async function then(input: HTMLInputElement, row: number, column: number) {
  input.dispatchEvent(new Event('change'));
  const next = cellOf(row, column);
  next?.focus();
  next?.select();
  if (next) return;
  await nextTick();
  await go(row, column);
}

function paste(e: ClipboardEvent, row: number, column: number) {
  const text = e.clipboardData?.getData('text') ?? '';
  if (!/[\t\n]/.test(text.trim())) return;
  e.preventDefault();
  emit('paste', text, row, column);
}

const label = (row: number, column: number) => {
  const c = props.columns[column]!;
  const doubt = column === props.doubted ? props.doubts.get(row) : undefined;
  return `${c.name}, row ${row + 1}${doubt ? `: stands out, ${doubt}` : ''}`;
};
defineExpose({ go });
</script>

<template>
  <div ref="box" class="grid" role="table" :aria-rowcount="rows" aria-label="Rows of the table">
    <div :style="{ height: `${virtual.getTotalSize()}px` }" class="all">
      <div
        v-for="r in virtual.getVirtualItems()"
        :key="r.index"
        class="row"
        role="row"
        :aria-rowindex="r.index + 1"
        :style="{
          height: `${rowHeight}px`,
          transform: `translateY(${r.start}px)`,
          width: `max(100%, 3.2em + ${columns.length * narrowest}px)`,
          gridTemplateColumns: template,
        }"
      >
        <span class="number" role="rowheader">
          <button
            v-if="r.index < rows"
            tabindex="-1"
            :aria-label="`Delete row ${r.index + 1}`"
            title="Delete this row (Ctrl+Delete in a cell)"
            @click="emit('remove', r.index)"
          >
            <span class="count">{{ r.index + 1 }}</span><span class="cross" aria-hidden="true">✕</span>
          </button>
          <template v-else-if="r.index === rows">+</template>
        </span>
        <span v-for="(c, k) in columns" :key="k" role="cell" class="cell">
          <input
            v-if="!isComputed(c)"
            :value="c.cells?.[r.index] ?? ''"
            :data-cell="`${r.index}/${k}`"
            :aria-label="label(r.index, k)"
            :class="{ doubt: k === doubted && doubts.has(r.index) }"
            :title="k === doubted ? doubts.get(r.index) : undefined"
            inputmode="text"
            spellcheck="false"
            autocomplete="off"
            @change="emit('set', r.index, k, ($event.target as HTMLInputElement).value.trim())"
            @focus="emit('row', r.index)"
            @keydown="key($event, r.index, k)"
            @paste="paste($event, r.index, k)"
          />
          <output v-else>{{ worked[k]?.[r.index] ?? '' }}</output>
        </span>
      </div>
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
.row {
  position: absolute;
  top: 0;
  left: 0;
  display: grid;
  border-bottom: 1px solid var(--hairline);
}
.number {
  padding: 7px 8px 0 0;
  color: var(--muted);
  font-size: 13px;
  text-align: right;
}
.number button {
  width: 100%;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: right;
  cursor: pointer;
}
.cross,
.number button:is(:hover, :focus-visible) .count {
  display: none;
}
.number button:is(:hover, :focus-visible) .cross {
  display: inline;
  color: var(--wrong);
}
.cell {
  border-left: 1px solid var(--hairline);
}
input,
output {
  display: block;
  width: 100%;
  height: 100%;
  padding: 5px 10px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-variant-numeric: tabular-nums;
  text-align: right;
}
output {
  color: var(--muted);
}
input:focus-visible {
  outline: 2px solid var(--sea);
  outline-offset: -2px;
}
.doubt {
  outline: 2px dashed var(--wrong);
  outline-offset: -3px;
  border-radius: 16px;
}
</style>
