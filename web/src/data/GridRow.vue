<script setup lang="ts">
// One row of a table: its number, a cell for each column. What is done in it the grid hears. A cell becomes a field when it has the focus:
// fields for all of a wide table cost each frame of a scroll more than a frame's time.
import { nextTick, ref, useTemplateRef, watch, type DirectiveBinding } from 'vue';
import type { Column } from '../generated/types';
import { isComputed } from './table';

const props = defineProps<{
  /** Counted from 0; from rows on it waits for what is typed next. */
  row: number;
  rows: number;
  columns: Column[];
  worked: string[][];
  filled: string[][];
  /** Why it stands out, and in which column. */
  doubt?: string;
  doubted: number;
  /** Whether a hand may move its point in the picture; undefined where it has none. */
  unlocked?: boolean;
}>();
const emit = defineEmits<{ remove: []; unlock: [] }>();

/** The column that is typed in, or −1. */
const typing = ref(-1);
watch(
  () => props.row,
  () => (typing.value = -1),
);
const fields = useTemplateRef<HTMLInputElement[]>('fields');
async function open(column: number) {
  typing.value = column;
  await nextTick();
  fields.value?.[0]?.focus();
  fields.value?.[0]?.select();
}
const textOf = (c: Column) => c.cells?.[props.row] ?? '';
/** What a function says where nothing stands. */
const saidOf = (c: Column, k: number) => (textOf(c) ? '' : (props.filled[k]?.[props.row] ?? ''));
const labelOf = (c: Column, k: number) =>
  `${c.name}, row ${props.row + 1}${props.doubt && k === props.doubted ? `: stands out, ${props.doubt}` : ''}`;

/** A cell in which a number stands is told by it, its row and its column; a name for each would cost a scroll its frames. */
const nameOf = (c: Column, k: number) => {
  const said = saidOf(c, k);
  if (textOf(c))
    return props.doubt && k === props.doubted ? `${textOf(c)}: stands out, ${props.doubt}` : undefined;
  return `${labelOf(c, k)}: ${said ? `empty, about ${said} by the function` : 'empty'}`;
};

/** Writes into a cell what stands there when that changes, and only then: what is being typed is not written over. */
const vStands = {
  mounted: (cell: HTMLInputElement, { value }: DirectiveBinding<string>) => (cell.value = value),
  updated: (cell: HTMLInputElement, { value, oldValue }: DirectiveBinding<string>) => {
    if (value !== oldValue) cell.value = value;
  },
};
</script>

<template>
  <div class="row" role="row" :aria-rowindex="row + 1">
    <span class="number" role="rowheader">
      <template v-if="row < rows">
        <button
          class="delete"
          tabindex="-1"
          :aria-label="`Delete row ${row + 1}`"
          title="Delete this row (Ctrl+Delete in a cell)"
          @click="emit('remove')"
        >
          <span class="count">{{ row + 1 }}</span><span class="cross" aria-hidden="true">✕</span>
        </button>
        <button
          v-if="unlocked !== undefined"
          class="unlock"
          tabindex="-1"
          :aria-pressed="unlocked"
          :aria-label="`Row ${row + 1} is moved by hand in the picture`"
          :title="`${unlocked ? 'Hold this point fast' : 'Let a hand move this point in the picture'} (Ctrl+M in a cell)`"
          @click="emit('unlock')"
        >
          <svg viewBox="0 0 16 16" aria-hidden="true">
            <path
              d="M8 1v14M1 8h14M5.5 3.5 8 1l2.5 2.5M5.5 12.5 8 15l2.5-2.5M3.5 5.5 1 8l2.5 2.5M12.5 5.5 15 8l-2.5 2.5"
            />
          </svg>
        </button>
      </template>
      <template v-else-if="row === rows">+</template>
    </span>
    <span v-for="(c, k) in columns" :key="k" role="cell" class="cell">
      <output v-if="isComputed(c)">{{ worked[k]?.[row] ?? '' }}</output>
      <input
        v-else-if="typing === k"
        ref="fields"
        v-stands="textOf(c)"
        :data-cell="`${row}/${k}`"
        :aria-label="labelOf(c, k)"
        :class="{ doubt: doubt && k === doubted }"
        :title="k === doubted ? doubt : undefined"
        inputmode="text"
        spellcheck="false"
        autocomplete="off"
        @focusout="typing = -1"
      />
      <button
        v-else
        :data-cell="`${row}/${k}`"
        :aria-label="nameOf(c, k)"
        :class="{ doubt: doubt && k === doubted }"
        :title="k === doubted ? doubt : undefined"
        @focusin="open(k)"
      >
        {{ textOf(c) }}<span v-if="saidOf(c, k)" class="said">≈ {{ saidOf(c, k) }}</span>
      </button>
    </span>
  </div>
</template>

<style scoped>
.row {
  position: absolute;
  top: 0;
  left: 0;
  display: grid;
  border-bottom: 1px solid var(--hairline);
  contain: strict;
}
.number {
  display: flex;
  align-items: stretch;
  justify-content: end;
  padding-right: 8px;
  color: var(--muted);
  font-size: 13px;
  line-height: 32px;
}
.number button {
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.delete {
  flex: 1;
  padding: 0;
  text-align: right;
}
.cross,
.delete:is(:hover, :focus-visible) .count {
  display: none;
}
.delete:is(:hover, :focus-visible) .cross {
  display: inline;
  color: var(--wrong);
}
.unlock {
  width: 26px;
  padding: 0 0 0 6px;
}
@media (pointer: coarse) {
  .unlock {
    width: 44px;
    padding-left: 16px;
  }
}
.unlock svg {
  display: block;
  width: 14px;
  fill: none;
  stroke: currentColor;
  stroke-width: 1.4;
  opacity: 0.45;
}
.unlock[aria-pressed='true'] svg {
  color: var(--sea);
  stroke-width: 2.2;
  opacity: 1;
}
.cell {
  border-left: 1px solid var(--hairline);
}
input,
output,
.cell button {
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
.said {
  color: var(--muted);
  font-style: italic;
}
.doubt {
  outline: 2px dashed var(--wrong);
  outline-offset: -3px;
  border-radius: 16px;
}
</style>
