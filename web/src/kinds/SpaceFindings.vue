<script setup lang="ts">
// What is found out about a curve in space or a surface, folded; it follows the dials while it is open.
import { ref, shallowRef, watch } from 'vue';
import { useBench } from '../bench/store';
import type { EntryOf, Problem, TrajectoryView } from '../generated/types';
import MathText from '../shared/MathText.vue';
import { follower } from '../shared/follower';

const props = defineProps<{ entry: EntryOf<'spaceCurve'> | EntryOf<'surface'> }>();
const bench = useBench();
const open = ref(false);
const view = shallowRef<TrajectoryView>();
const problem = ref<Problem>();

const follow = follower(async () => {
  if (!open.value) return;
  const values = await bench.valuesInPlay();
  const answer = await bench.ask({ kind: 'trajectory', id: props.entry.id, values });
  problem.value = answer.problem;
  if (answer.trajectory) view.value = answer.trajectory;
});
watch([() => bench.texts?.dials, () => bench.document, open], () => void follow());
</script>

<template>
  <button class="soft" :aria-expanded="open" @click="open = !open">
    {{ open ? 'fold the findings' : 'findings' }}
  </button>
  <p v-if="open && problem" class="problem" role="alert">{{ problem.message }}</p>
  <dl v-if="open && view">
    <template v-for="line in view.lines" :key="line.name + line.latex">
      <dt>{{ line.name }}</dt>
      <dd><MathText :latex="line.latex" /></dd>
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 12px;
  margin: 6px 0 0;
}
dt {
  color: var(--muted);
}
dd {
  margin: 0;
  min-width: 0;
}
</style>
