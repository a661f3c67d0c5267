<script setup lang="ts">
// The table of a transformation: every step with its formula, the moved key points, domain, range and asymptotes, and
// the other right readings to be chosen.
import { computed, onMounted, useTemplateRef } from 'vue';
import type { Document, StepsView } from '../generated/types';
import { useBench } from '../bench/store';
import { ofKind } from '../shared/entries';
import MathText from '../shared/MathText.vue';

const props = defineProps<{ view: StepsView }>();
const bench = useBench();
const now = computed(() => bench.stepsNow(props.view.id));
const panel = useTemplateRef<HTMLElement>('panel');

/** The step at hand. */
const at = computed(() => Math.ceil((now.value?.position ?? 0) - 1e-9));
const close = () => (bench.stepsOpen = '');

const steps = (d?: Document) => ofKind(d?.shown, 'steps').find((e) => e.id === props.view.id);

/** Takes another right reading, from its parent on. */
async function read(reading: number) {
  await bench.change((copy) => (steps(copy)!.body.reading = reading));
  go(0);
}

const chosen = () => steps(bench.document)?.body.reading ?? 0;
const go = (position: number) => void bench.frames.request(['goStep', now.value!.index, position]);

onMounted(() => panel.value?.focus());
</script>

<template>
  <div
    v-if="now"
    ref="panel"
    class="steps-table"
    role="region"
    aria-label="The steps in a table"
    tabindex="-1"
    @keydown.esc.stop="close"
  >
    <button class="close" aria-label="Close the table" @click="close">×</button>
    <table>
      <caption>
        Steps
      </caption>
      <tbody>
        <tr :aria-current="at === 0 ? 'step' : undefined">
          <th scope="row"><button @click="go(0)">0</button></th>
          <td>The parent. <MathText :latex="view.parent" class="after" /></td>
        </tr>
        <tr v-for="(s, k) in now.sentences" :key="k" :aria-current="at === k + 1 ? 'step' : undefined">
          <th scope="row">
            <button @click="go(k + 1)">{{ k + 1 }}</button>
          </th>
          <td>{{ s }} <MathText :latex="view.formulas[k] ?? ''" class="after" /></td>
        </tr>
      </tbody>
    </table>
    <div class="facts">
      <table>
        <caption>
          Key points
        </caption>
        <tbody>
          <tr v-for="(key, k) in now.keys" :key="k">
            <td>{{ key.from }}</td>
            <td aria-hidden="true">→</td>
            <td>{{ key.to }}</td>
          </tr>
        </tbody>
      </table>
      <dl>
        <dt>domain</dt>
        <dd>{{ now.domain }}</dd>
        <dt>range</dt>
        <dd>{{ now.range }}</dd>
        <template v-if="now.upright || now.level">
          <dt>asymptotes</dt>
          <dd>{{ [now.upright, now.level].filter((t) => t).join('; ') }}</dd>
        </template>
      </dl>
    </div>
    <fieldset v-if="view.readings.length > 1">
      <legend>Right as well</legend>
      <label v-for="(r, k) in view.readings" :key="k" class="reading">
        <input type="radio" :checked="chosen() === k" @change="read(k)" />
        <span>
          {{ r.steps.join(', ') }}
          <small v-if="r.why">{{ r.why }}</small>
        </span>
      </label>
    </fieldset>
  </div>
</template>

<style scoped>
.steps-table {
  margin: 6px 0 10px;
  padding: 4px 0 8px 12px;
  border-left: 2px solid var(--hairline);
}
.close {
  position: sticky;
  top: 0;
  float: right;
  width: 36px;
  height: 36px;
  border: 0;
  border-radius: 5px;
  background: var(--paper);
  font-size: 20px;
  cursor: pointer;
}
caption {
  caption-side: top;
  text-align: left;
  padding: 0 0 2px;
  font-family: var(--serif);
  font-weight: 600;
  color: var(--ink);
}
table {
  border-collapse: collapse;
}
td,
th {
  padding: 3px 12px 3px 0;
  text-align: left;
  vertical-align: baseline;
}
th button {
  width: 28px;
  height: 28px;
  border: 1px solid var(--axis);
  border-radius: 50%;
  background: var(--sheet);
  font: inherit;
  cursor: pointer;
}
.after {
  display: block;
  font-weight: 400;
  white-space: nowrap;
  overflow-x: auto;
  overflow-y: hidden;
}
tr[aria-current] td {
  font-weight: 700;
}
tr[aria-current] th button {
  background: var(--head);
  color: var(--on-head);
}
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 40px;
  margin: 10px 0;
  font-variant-numeric: tabular-nums;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  margin: 0;
  align-content: start;
}
dt {
  color: var(--muted);
}
dd {
  margin: 0;
}
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  font-family: var(--serif);
  font-weight: 600;
  margin: 0 0 2px;
  border: 0;
  font-size: inherit;
}
.reading {
  display: flex;
  gap: 10px;
  padding: 3px 0;
  cursor: pointer;
}
small {
  display: block;
  font-size: 14px;
  color: var(--muted);
}
</style>
