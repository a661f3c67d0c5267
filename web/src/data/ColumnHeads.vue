<script setup lang="ts">
// The heads of the columns: name, unit, and what can be done with one.
import type { Column } from '../generated/types';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';
import { isComputed } from './table';

const columns = defineModel<Column[]>({ required: true });
const emit = defineEmits<{ keep: []; add: [column: Partial<Column>]; remove: [place: number] }>();

function set(place: number, field: 'name' | 'unit' | 'formula', text: string) {
  if (columns.value[place]![field] === text) return;
  columns.value[place]![field] = text;
  emit('keep');
}

const actions = (c: Column, place: number): Action[] => [
  {
    key: 'differences',
    words: `First differences of ${c.name}`,
    act: () => emit('add', { name: `Δ${c.name}`, steps: 'differences', of: c.name }),
  },
  {
    key: 'second',
    words: `Second differences of ${c.name}`,
    act: () => emit('add', { name: `Δ²${c.name}`, steps: 'secondDifferences', of: c.name }),
  },
  {
    key: 'ratios',
    words: `Ratios of ${c.name}`,
    act: () => emit('add', { name: `ratio of ${c.name}`, steps: 'ratios', of: c.name }),
  },
  { key: 'formula', words: 'A column computed by a formula', act: () => emit('add', { formula: c.name }) },
  {
    key: 'remove',
    words: 'Delete this column',
    act: () => emit('remove', place),
    off: columns.value.length < 3,
  },
];
const says = (c: Column) =>
  c.steps
    ? { differences: 'first differences', secondDifferences: 'second differences', ratios: 'ratios' }[c.steps]
    : '';
</script>

<template>
  <div
    class="heads"
    :style="{ gridTemplateColumns: `var(--row-head) repeat(${columns.length}, minmax(84px, 1fr))` }"
  >
    <span />
    <div v-for="(c, k) in columns" :key="k" class="head">
      <div class="line">
        <input
          :value="c.name"
          :aria-label="`Name of column ${k + 1}`"
          @change="set(k, 'name', ($event.target as HTMLInputElement).value.trim())"
        />
        <ActionMenu class="more" :label="`What can be done with column ${c.name}`" :actions="actions(c, k)"
          >⋯</ActionMenu
        >
      </div>
      <input
        v-if="c.formula !== undefined && !c.steps && isComputed(c)"
        :value="c.formula"
        :aria-label="`Formula of column ${c.name}`"
        class="small"
        @change="set(k, 'formula', ($event.target as HTMLInputElement).value.trim())"
      />
      <span v-else-if="c.steps" class="small">{{ says(c) }}</span>
      <input
        v-else
        :value="c.unit ?? ''"
        :aria-label="`Unit of column ${c.name}`"
        placeholder="unit"
        class="small"
        @change="set(k, 'unit', ($event.target as HTMLInputElement).value.trim())"
      />
    </div>
  </div>
</template>

<style scoped>
.heads {
  display: grid;
  flex: none;
  padding-right: 14px;
  /* Moved to the side with the rows below, without a bar of its own. */
  overflow: auto hidden;
  scrollbar-width: none;
}
.head {
  padding: 2px 4px;
}
.line {
  display: flex;
}
input {
  width: 100%;
  min-width: 0;
  min-height: 30px;
  padding: 2px 6px;
  border: 1px solid var(--axis);
  border-radius: 4px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  font-weight: 600;
}
.small {
  display: block;
  width: 100%;
  margin-top: 3px;
  color: var(--muted);
  font-size: 14px;
  font-weight: 400;
}
.more {
  flex: none;
  width: 30px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
</style>
