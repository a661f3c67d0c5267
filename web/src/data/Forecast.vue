<script setup lang="ts">
// What a model says at a typed x, or where it takes a typed y.
import { computed, ref, watch } from 'vue';
import { useBench } from '../bench/store';
import Choice from '../shared/Choice.vue';

const props = defineProps<{ data: string; x: string; y: string }>();
const bench = useBench();

const functions = computed(() =>
  (bench.document?.stated ?? [])
    .filter((s) => s.kind === 'function' && s.variables?.length === 1)
    .map((s) => ({ value: s.name })),
);
const chosen = ref<string>();
watch(functions, (list) => (chosen.value = list.at(-1)?.value), { immediate: true });
const backward = ref(false);
const typed = ref('');
const lines = ref<string[]>([]);
const refused = ref('');

async function tell() {
  if (!typed.value.trim() || !chosen.value) return;
  const { values, window } = await bench.inPlayOf(0);
  const answer = await bench.ask({
    kind: 'predict',
    text: chosen.value,
    id: props.data,
    names: [props.x],
    from: typed.value,
    empty: backward.value,
    values,
    window,
  });
  refused.value = answer.problem?.message ?? '';
  lines.value = answer.prediction?.lines ?? [];
}
</script>

<template>
  <section v-if="functions.length" aria-label="Prediction" class="forecast">
    <h3>Prediction</h3>
    <form @submit.prevent="tell">
      <Choice v-if="functions.length > 1" v-model="chosen" :options="functions" label="Function" />
      <label><input v-model="backward" type="radio" :value="false" /> from {{ x }}</label>
      <label><input v-model="backward" type="radio" :value="true" /> from {{ y }}</label>
      <a-input v-model:value="typed" :aria-label="`Value of ${backward ? y : x}`" />
      <a-button html-type="submit">Predict</a-button>
    </form>
    <p v-if="refused" role="alert">{{ refused }}</p>
    <p v-for="line in lines" :key="line" role="status">{{ line }}</p>
  </section>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
}
form :deep(.ant-input) {
  width: 110px;
}
form :deep(.choice) {
  width: auto;
}
h3 {
  margin: 14px 0 4px;
  font-size: 16px;
}
p {
  margin: 4px 0;
}
</style>
