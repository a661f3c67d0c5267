<script setup lang="ts">
// A table with its differences and ratios, which tell the type: of a function's values, or of plotted points.
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Problem, TableView } from '../generated/types';

const props = defineProps<{ id: string; of: 'function' | 'points' }>();
const bench = useBench();
const from = ref('0');
const step = ref('1');
const table = shallowRef<TableView>();
const problem = ref<Problem>();

const rows = 7;

let asking = false;
let again = false;
async function ask() {
  if (asking) {
    again = true;
    return;
  }
  asking = true;
  do {
    again = false;
    const { values } = await bench.askInPlay({ kind: 'values' });
    const answer = await bench.ask({
      kind: 'table',
      id: props.id,
      from: from.value,
      step: step.value,
      by: rows,
      values,
    });
    problem.value = answer.problem;
    if (answer.table) table.value = answer.table;
  } while (again);
  asking = false;
}

const stop = watch([from, step, () => bench.texts, () => bench.document], ask, { immediate: true });
onBeforeUnmount(stop);
</script>

<template>
  <div class="values" role="region" :aria-label="`Table of ${id}`">
    <div v-if="of === 'function'" class="ends">
      <label>x from <a-input v-model:value="from" aria-label="Table from" /></label>
      <label>step <a-input v-model:value="step" aria-label="Table step" /></label>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
    <table v-if="table">
      <thead>
        <tr>
          <th scope="col">x</th>
          <th scope="col">y</th>
          <th scope="col" title="first differences">difference</th>
          <th scope="col" title="second differences">second</th>
          <th scope="col">ratio</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, k) in table.rows" :key="k">
          <td>{{ r.x }}</td>
          <td>{{ r.y }}</td>
          <td>{{ r.first }}</td>
          <td>{{ r.second }}</td>
          <td>{{ r.ratio }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="table?.reason" class="told">
      {{ table.reason }} <strong v-if="table.type !== 'none'">It is {{ table.type }}.</strong>
    </p>
  </div>
</template>

<style scoped>
.values {
  margin: 6px 0 10px;
  padding: 4px 0 8px 12px;
  border-left: 2px solid var(--hairline);
}
.ends {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin-bottom: 6px;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}
th {
  font-weight: 400;
  font-size: 13px;
  color: var(--muted);
}
th,
td {
  padding: 2px 4px;
  text-align: right;
  border-bottom: 1px dotted var(--hairline);
}
.told {
  margin: 6px 0 0;
}
</style>
