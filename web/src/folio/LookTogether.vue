<script setup lang="ts">
// The look of several entries at once, changed as it is chosen.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import type { Look } from '../generated/types';
import { kindOf } from '../kinds';
import LookFields from './LookFields.vue';

const props = defineProps<{ ids: string[] }>();
const emit = defineEmits<{ close: [] }>();
const bench = useBench();

const entries = computed(() => (bench.document?.shown ?? []).filter((s) => props.ids.includes(s.id)));
const first = computed(() => entries.value[0]?.look ?? { colour: 0 });
const labels = [
  { value: 'name', label: 'name' },
  { value: 'formula', label: 'formula' },
  { value: 'coordinates', label: 'coordinates' },
  { value: 'none', label: 'nothing' },
];
type Body = Parameters<ReturnType<typeof kindOf>['coloured']>[0];
const isColoured = computed(() => entries.value.some((e) => kindOf(e).coloured(e.body as Body)));

const change = (fields: Partial<Look>) =>
  bench.change((copy) => {
    for (const entry of copy.shown) if (props.ids.includes(entry.id)) Object.assign(entry.look, fields);
  });
</script>

<template>
  <form class="entry-form together" aria-label="The look of what is chosen" @submit.prevent>
    <p class="hint">{{ entries.length }} chosen: one look for all of them</p>
    <LookFields
      :look="first"
      :coloured="isColoured"
      lines
      points
      usual-pattern="whole"
      :labels="labels"
      @change="change"
    />
    <a-button @click="emit('close')">Done</a-button>
  </form>
</template>

<style scoped>
.together {
  display: grid;
  gap: 8px;
  margin: 6px 0;
  padding: 10px;
  border-radius: 6px;
  background: var(--paper);
}
.together :deep(.line) {
  display: grid;
  grid-template-columns: 5em 1fr;
  align-items: center;
}
.hint {
  margin: 0;
}
</style>
