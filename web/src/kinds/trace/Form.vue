<script setup lang="ts">
// The trace of a point.
import { computed } from 'vue';
import type { Problem, TraceBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { tracedPoints } from '../bench';

const body = defineModel<TraceBody>({ required: true });
defineProps<{ refused?: Problem }>();
const choices = computed(tracedPoints);
/** Pixels between the dots of a trace, at least. */
const thinnings = [
  { value: '0', label: 'all that were recorded' },
  { value: '14', label: 'close together' },
  { value: '34', label: 'far apart' },
];
</script>

<template>
  <label class="line">
    the trace of
    <Choice v-model="body.of" :options="choices" label="Point" />
  </label>
  <label class="line">
    dots
    <Choice
      :model-value="String(body.apart ?? 0)"
      :options="thinnings"
      label="Dots of the trace"
      @update:model-value="body.apart = Number($event)"
    />
  </label>
</template>
