<script setup lang="ts">
// Moves, stretches and reflects a curve by numbers; the formula follows.
import { ref } from 'vue';
import { useBench } from '../bench/store';
import type { Moving, Problem, Stated } from '../generated/types';
import EntryForm from './EntryForm.vue';

const props = defineProps<{ stated: Stated }>();
const emit = defineEmits<{ close: [] }>();
const bench = useBench();
const moving = ref<Moving>({ right: '', up: '', stretchX: '', stretchY: '', inX: false, inY: false });
const refused = ref<Problem>();

const fields: { key: 'right' | 'up' | 'stretchX' | 'stretchY'; label: string; usual: string }[] = [
  { key: 'right', label: 'to the right by', usual: '0' },
  { key: 'up', label: 'up by', usual: '0' },
  { key: 'stretchX', label: 'every x times', usual: '1' },
  { key: 'stretchY', label: 'every y times', usual: '1' },
];

async function keep() {
  refused.value = await bench.askEdit({
    kind: 'moveCurve',
    id: props.stated.id,
    moving: { ...moving.value },
  });
  if (!refused.value) emit('close');
}
</script>

<template>
  <EntryForm keep="Move it" @keep="keep" @cancel="emit('close')">
    <p class="hint">The curve of {{ stated.name }} is stretched, reflected, then moved.</p>
    <label v-for="{ key, label, usual } in fields" :key="key" class="line">
      {{ label }}
      <a-input
        v-model:value="moving[key]"
        :placeholder="usual"
        :status="refused?.field === key ? 'error' : ''"
        :aria-label="label"
      />
    </label>
    <label class="line"
      >reflect in the x-axis
      <a-switch
        :checked="moving.inX"
        size="small"
        aria-label="Reflect in the x-axis"
        @update:checked="moving.inX = $event as boolean"
    /></label>
    <label class="line"
      >reflect in the y-axis
      <a-switch
        :checked="moving.inY"
        size="small"
        aria-label="Reflect in the y-axis"
        @update:checked="moving.inY = $event as boolean"
    /></label>
    <p v-if="refused" class="problem" role="alert">{{ refused.message }}</p>
  </EntryForm>
</template>

<style scoped>
.entry-form {
  --control: 120px;
}
.hint {
  margin: 0;
}
</style>
