<script setup lang="ts">
// A dial's value, which can be typed. It reads the frame itself: the rest of the dial stands still.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import EditInPlace from './EditInPlace.vue';

const props = defineProps<{ index: number; name: string }>();
const typing = defineModel<boolean>('typing', { required: true });
const bench = useBench();
const text = computed(() => bench.texts?.dials[props.index] ?? '');

/** Takes a typed value, which may be a formula without letters. */
async function typed(text: string): Promise<string> {
  const answer = await bench.ask({ kind: 'value', id: props.name, text });
  if (answer.problem) return answer.problem.message;
  bench.sweeps.stop(props.index);
  await bench.moveByHand(['setDial', props.index, answer.number ?? 0]);
  return '';
}
</script>

<template>
  <EditInPlace
    v-model:open="typing"
    class="number"
    :text="text"
    :label="`Value of ${name}`"
    :accept="typed"
  />
</template>

<style scoped>
.number {
  font-variant-numeric: tabular-nums;
}
</style>
