<script setup lang="ts">
// Plotted points: their rows, and how they are drawn.
import { computed } from 'vue';
import type { Problem, Row, TableBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { functions } from '../bench';
import RowsField from './RowsField.vue';
import SwitchLine from '../../shared/SwitchLine.vue';

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
  <SwitchLine v-model="body.grips" words="moved by hand" label="Points moved by hand" />
  <SwitchLine v-model="body.joined" words="joined by lines" label="Joined by lines" />
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
