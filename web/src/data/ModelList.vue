<script setup lang="ts">
// The models of two columns, compared: what differences and ratios suggest first, then equations, sums of squares, residuals.
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Model, Models } from '../generated/types';
import MathText from '../shared/MathText.vue';
import { modelNames } from './models';

const props = defineProps<{ data: string; x: string; y: string }>();
const emit = defineEmits<{ points: [points: number[][]] }>();
const bench = useBench();
const models = shallowRef<Models>();
const refused = ref('');
const shown = ref(false);

async function compare() {
  // Models take a while; what differences say and the small picture are there at once.
  const answer = await bench.ask({
    kind: 'models',
    id: props.data,
    names: [props.x, props.y],
    empty: !shown.value,
  });
  refused.value = answer.problem?.message ?? '';
  models.value = answer.models;
  emit('points', answer.models?.points ?? []);
}
watch([() => props.data, () => props.x, () => props.y, () => bench.loaded, shown], () => void compare(), {
  immediate: true,
});

/** The closest stands on top, the others as a course meets them. */
const bestFirst = computed(() => {
  const list = models.value?.list ?? [];
  return [...list.filter((m) => m.best), ...list.filter((m) => !m.best)];
});

const list = useTemplateRef<HTMLElement>('list');
async function keep(m: Model) {
  const problem = await bench.askEdit({
    kind: 'keepModel',
    id: props.data,
    names: [props.x, props.y],
    text: m.name,
  });
  refused.value = problem?.message ?? '';
  // The button is gone; the work goes on at the list.
  list.value?.focus();
}
const kept = (m: Model) =>
  bench.document?.stated.find(
    ({ fit }) => fit?.data === props.data && fit.x === props.x && fit.y === props.y && fit.model === m.name,
  )?.name;
</script>

<template>
  <section aria-label="Models">
    <p v-if="models" class="suggested">{{ models.suggested }}</p>
    <p v-if="refused" role="alert">{{ refused }}</p>
    <button class="soft" :aria-expanded="shown" @click="shown = !shown">
      {{ shown ? 'fold the models' : 'compare the models' }}
    </button>
    <ul v-if="shown && models" ref="list" class="models" tabindex="-1" aria-label="Models, the closest first">
      <li v-for="m in bestFirst" :key="m.name" :class="{ best: m.best, none: !m.latex }">
        <div class="line">
          <strong>{{ modelNames[m.name] }}</strong>
          <span v-if="m.best" class="mark">closest for its number of letters</span>
          <button
            v-if="m.latex && !kept(m)"
            class="soft"
            :aria-label="`Keep the ${modelNames[m.name]} model as a function`"
            @click="keep(m)"
          >
            keep as a function
          </button>
          <span v-else-if="kept(m)" class="mark">kept as {{ kept(m) }}</span>
        </div>
        <template v-if="m.latex">
          <MathText :latex="m.latex" class="formula" />
          <div class="numbers">
            <svg viewBox="0 -1.15 6 2.3" aria-hidden="true">
              <path d="M0 0H6" />
              <circle
                v-for="(dot, i) in m.residuals"
                :key="i"
                :cx="0.15 + (dot[0] ?? 0) * 5.7"
                :cy="-(dot[1] ?? 0)"
                r="0.11"
              />
            </svg>
            <span
              >sum of squares {{ m.sse }}<template v-if="m.r2">, R² {{ m.r2 }}</template
              ><template v-if="m.adjustedR2">, adjusted {{ m.adjustedR2 }}</template
              ><template v-if="m.aicc">, AICc {{ m.aicc }}</template></span
            >
          </div>
          <p>{{ m.pattern }}</p>
          <p v-if="m.linearised">
            Through logarithms: <MathText :latex="m.linearised" />. A straight line through logarithms minds
            relative errors, the fit in y absolute ones.
          </p>
        </template>
        <p v-else>{{ m.reason }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.models {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 8px 10px;
  border-top: 1px solid var(--hairline);
}
.best {
  background: var(--paper);
  border-left: 3px solid var(--sea);
}
.none {
  color: var(--muted);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}
.line .soft {
  margin-left: auto;
}
.mark {
  color: var(--muted);
  font-size: 14px;
}
.formula {
  font-size: 17px;
}
.numbers {
  display: flex;
  gap: 12px;
  align-items: center;
}
svg {
  flex: none;
  width: 108px;
  height: 42px;
  border: 1px solid var(--hairline);
  border-radius: 4px;
  fill: var(--ink);
}
path {
  stroke: var(--axis);
  stroke-width: 0.04;
}
p {
  margin: 2px 0;
}
.suggested {
  margin: 0 0 6px;
}
</style>
