<script setup lang="ts">
// A function of one's own over the data: its letters get dials, its residuals are drawn as squares, and the dials can be led to the best fit.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import { ofKind } from '../shared/entries';
import { leadToBest } from './lead';

const props = defineProps<{ data: string; x: string; y: string }>();
const bench = useBench();
const typed = ref('');
const refused = ref('');

/** Whether a function has a formula of its own, whose dials can be led. */
const isOwn = (name?: string) =>
  !!bench.document?.stated.some((s) => s.name === name && s.kind === 'function' && !s.fit);
/** The scatter plot of these columns, rather one with a function of one's own. */
const plot = computed(() => {
  const list = ofKind(bench.document?.shown, 'scatter').filter(
    ({ body }) => body.data === props.data && body.x === props.x && body.y === props.y && !body.asResiduals,
  );
  return list.find(({ body }) => isOwn(body.function)) ?? list[0];
});
/** The function over the data whose dials can be led. */
const own = computed(() => (isOwn(plot.value?.body.function) ? plot.value?.body.function : ''));

async function state() {
  const letter = /^\p{L}$/u.test(props.x) ? props.x : 'x';
  const taken = new Set(bench.document?.stated.map((s) => s.name));
  const name = ['m', 'f', 'g', 'p', 'q'].find((n) => !taken.has(n)) ?? '';
  const head = typed.value.includes('=') || !name ? '' : `${name}(${letter}) = `;
  const before = new Set(bench.document?.stated.map((s) => s.id));
  const problem = await bench.askEdit({ kind: 'state', text: head + typed.value });
  refused.value = problem?.message ?? '';
  const added = bench.document?.stated.find((s) => s.kind === 'function' && !before.has(s.id));
  if (problem || !added || !plot.value) return;
  typed.value = '';
  const entry = structuredClone({ ...plot.value });
  entry.body.function = added.name;
  entry.body.residuals = 'squares';
  await bench.askEdit({ kind: 'put', entry });
}
</script>

<template>
  <form class="own" @submit.prevent="state">
    <label
      >your own
      <a-input
        v-model:value="typed"
        aria-label="A function of your own over the data"
        placeholder="a(x − h)² + k"
      />
    </label>
    <a-button html-type="submit">State it</a-button>
    <button v-if="own && plot" type="button" class="soft" @click="leadToBest(plot.body)">
      lead the dials of {{ own }} to the best fit
    </button>
    <p v-if="refused" role="alert">{{ refused }}</p>
  </form>
</template>

<style scoped>
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin-top: 8px;
}
label {
  display: flex;
  flex: 1;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
p {
  width: 100%;
  margin: 0;
}
</style>
