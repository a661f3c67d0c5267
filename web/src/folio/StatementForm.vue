<script setup lang="ts">
// States a function or a parameter, or changes one.
import { ref } from 'vue';
import { useBench } from '../bench/store';
import type { Problem } from '../generated/types';
import EntryForm from './EntryForm.vue';
import FormulaField from './FormulaField.vue';
import ParentGallery from './ParentGallery.vue';
import { useClosing } from './closing';

const props = defineProps<{ id: string; text: string }>();
const bench = useBench();
const text = ref(props.text);
const refused = ref<Problem>();
const close = useClosing();

async function keep() {
  if (text.value.trim() === props.text.trim()) {
    close();
    return;
  }
  refused.value = await bench.state(props.id, text.value);
  if (!refused.value) close();
}

/** Several lines from elsewhere are taken at once. */
async function takeLines(lines: string) {
  text.value = lines.trim().replaceAll(/\s*\n\s*/g, ' ; ');
  refused.value = await bench.state('', lines);
  if (!refused.value) close();
}
</script>

<template>
  <EntryForm :keep="id ? 'Keep' : 'State it'" @keep="keep" @cancel="close">
    <FormulaField
      v-model="text"
      label="Statement"
      placeholder="f(x) = a(x − h)² + k,  x = 3,  (p, f(p)),  x² + y² = 9 …"
      :refused="refused"
      focus
      palette
      @lines="takeLines"
      @enter="keep"
      @escape="close"
    />
    <details v-if="!id">
      <summary>or begin with a parent function</summary>
      <ParentGallery @chosen="close" />
    </details>
  </EntryForm>
</template>

<style scoped>
summary {
  margin-bottom: 6px;
  color: var(--sea);
  cursor: pointer;
}
</style>
