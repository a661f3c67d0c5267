<script setup lang="ts">
// A small table to type points in: a new row opens when the last one is filled; several lines can be pasted.
import { computed, watch } from 'vue';
import type { Row } from '../../generated/types';

const rows = defineModel<Row[]>({ required: true });

const open = computed(() => {
  const last = rows.value.at(-1);
  return !last || last.x !== '' || last.y !== '';
});
watch(
  open,
  (isOpen) => {
    if (isOpen) rows.value = [...rows.value, { x: '', y: '' }];
  },
  { immediate: true },
);

function set(k: number, field: keyof Row, text: string) {
  rows.value = rows.value.map((r, i) => (i === k ? { ...r, [field]: text } : r));
}

/** Lines of two columns, as a spreadsheet copies them, fill rows from here on. */
function paste(k: number, e: ClipboardEvent) {
  const lines = (e.clipboardData?.getData('text') ?? '').trim().split(/\r?\n/);
  const pairs = lines.map((l) => l.split(/\t|;\s*|\s+/)).filter((p) => p.length === 2);
  if (!pairs.length || pairs.length < lines.length) return;
  e.preventDefault();
  rows.value = [...rows.value.slice(0, k), ...pairs.map(([x, y]) => ({ x: x!, y: y! }))];
}
</script>

<template>
  <table class="rows">
    <thead>
      <tr>
        <th scope="col">x</th>
        <th scope="col">y</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(r, k) in rows" :key="k">
        <td v-for="field in ['x', 'y'] as const" :key="field">
          <a-input
            :value="r[field]"
            :aria-label="`${field} of point ${k + 1}`"
            @update:value="set(k, field, $event)"
            @paste="paste(k, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.rows {
  width: 100%;
}
th {
  font-weight: 400;
  text-align: left;
}
td {
  padding: 2px 6px 2px 0;
}
</style>
