<script setup lang="ts">
// A parameter's name, ends, step and starting value.
import { ref } from 'vue';
import { useBench } from '../bench/store';
import type { Stated } from '../generated/types';
import EntryForm from './EntryForm.vue';
import { useClosing } from './closing';

const props = defineProps<{ stated: Stated }>();
const bench = useBench();
const close = useClosing();

const start = bench.document?.scenes[bench.scene]?.values[props.stated.name];
const fields = ref({
  name: props.stated.name,
  from: props.stated.from ?? '',
  to: props.stated.to ?? '',
  step: props.stated.step ?? '',
  start: start === undefined ? '' : String(start),
});
const whole = ref(props.stated.whole ?? false);
const hidden = ref(props.stated.hidden ?? false);
const problem = ref<{ field: string; message: string }>();

const labels: [keyof typeof fields.value, string][] = [
  ['name', 'letter'],
  ['from', 'smallest value'],
  ['to', 'largest value'],
  ['step', 'step'],
  ['start', 'starting value'],
];

async function keep() {
  problem.value = undefined;
  const numbers: Record<string, number> = {};
  for (const field of ['from', 'to', 'step', 'start'] as const) {
    const answer = await bench.ask({ kind: 'value', text: fields.value[field] });
    if (answer.problem) {
      refuse(field, answer.problem.message);
      return;
    }
    numbers[field] = answer.number ?? 0;
  }
  if (numbers.from! >= numbers.to!) {
    refuse('to', 'The largest value must be above the smallest.');
    return;
  }
  if (numbers.step! <= 0) {
    refuse('step', 'A step must be above 0.');
    return;
  }
  const { name, from, to, step } = fields.value;
  const refused = await bench.edit(async (before) => {
    let document = before;
    if (name !== props.stated.name) {
      const answer = await bench.ask({ kind: 'rename', document, id: props.stated.id, text: name });
      if (answer.problem) return answer.problem;
      document = answer.document!;
    }
    const copy = structuredClone(document);
    const entry = copy.stated.find((s) => s.id === props.stated.id)!;
    Object.assign(entry, { from, to, step, whole: whole.value, hidden: hidden.value });
    for (const scene of copy.scenes) scene.values[entry.name] = numbers.start!;
    return copy;
  });
  if (refused) {
    refuse('name', refused.message);
    return;
  }
  close();
}

function refuse(field: string, message: string) {
  problem.value = { field, message };
}
</script>

<template>
  <EntryForm @keep="keep" @cancel="close">
    <label v-for="[field, words] in labels" :key="field" class="line">
      {{ words }}
      <a-input v-model:value="fields[field]" :status="problem?.field === field ? 'error' : ''" />
    </label>
    <label class="line">whole numbers only <a-switch v-model:checked="whole" size="small" /></label>
    <label class="line">no dial on the deck <a-switch v-model:checked="hidden" size="small" /></label>
    <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
  </EntryForm>
</template>

<style scoped>
.entry-form {
  --control: 130px;
}
</style>
