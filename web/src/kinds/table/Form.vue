<script setup lang="ts">
// Plotted points: their rows, and how they are drawn.
import { computed } from 'vue';
import type { Problem, Row, TableBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { functions } from '../bench';
import RowsField from './RowsField.vue';

const body = defineModel<TableBody>({ required: true });
defineProps<{ refused?: Problem }>();
const choices = computed(functions);
const rows = computed<Row[]>({ get: () => body.value.rows ?? [], set: (list) => (body.value.rows = list) });

function turnDistances(on: boolean) {
  body.value.distances = on;
  body.value.function ??= choices.value.at(-1)?.value;
}
</script>

<template>
  <RowsField v-model="rows" />
  <label class="line"
    >moved by hand
    <a-switch
      :checked="body.grips ?? false"
      size="small"
      aria-label="Points moved by hand"
      @update:checked="body.grips = $event as boolean"
  /></label>
  <label class="line"
    >joined by lines
    <a-switch
      :checked="body.joined ?? false"
      size="small"
      aria-label="Joined by lines"
      @update:checked="body.joined = $event as boolean"
  /></label>
  <label v-if="choices.length" class="line"
    >distances from a curve
    <a-switch
      :checked="body.distances ?? false"
      size="small"
      aria-label="Distances from a curve"
      @update:checked="turnDistances($event as boolean)"
  /></label>
  <label v-if="body.distances" class="line">
    of the function
    <Choice v-model="body.function" :options="choices" label="Function" />
  </label>
</template>
