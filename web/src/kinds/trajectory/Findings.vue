<script setup lang="ts">
// What is found out about a polar or parametric curve, and its table with a chosen step, to be copied or saved.
import { computed, ref, shallowRef, watch } from 'vue';
import { useBench } from '../../bench/store';
import type { EntryOf, Joining, Problem, TrajectoryView } from '../../generated/types';
import MathText from '../../shared/MathText.vue';
import { fresh, ofKind } from '../../shared/entries';
import { follower } from '../../shared/follower';

const props = defineProps<{ entry: EntryOf<'trajectory'> }>();
const bench = useBench();
const view = shallowRef<TrajectoryView>();
const step = ref('');
const problem = ref<Problem>();
const tabulated = ref(false);
const copied = ref(false);
/** Where the point is, by the curve's parameter. */
const at = ref<number>();

/** The row at which the point has arrived. */
const reached = computed(() => {
  const now = at.value;
  if (now === undefined) return -1;
  return view.value?.numbers.findLastIndex(([t]) => t != null && t <= now + 1e-9) ?? -1;
});

/** Takes the point to a row. */
function goTo(k: number) {
  const name = props.entry.body.driver;
  const dial = bench.loaded?.dials.findIndex((d) => d.name === name) ?? -1;
  const t = view.value?.numbers[k]?.[0];
  if (dial >= 0 && t != null) void bench.moveByHand(['setDial', dial, t]);
}

const follow = follower(async () => {
  const values = await bench.valuesInPlay();
  at.value = values[props.entry.body.driver ?? ''];
  const answer = await bench.ask({
    kind: 'trajectory',
    id: props.entry.id,
    values,
    step: tabulated.value ? step.value : undefined,
  });
  problem.value = answer.problem;
  if (answer.trajectory) view.value = answer.trajectory;
});
watch([() => bench.texts?.dials, () => bench.document, tabulated], () => void follow(), { immediate: true });

function table() {
  step.value ||= 'π/12';
  tabulated.value = !tabulated.value;
}

/** The table as comma-separated values with a decimal point, as RFC 4180 has them; what has no value is left empty. */
function csv(): string {
  const rows = view.value?.numbers.map((row) => row.map((v) => v ?? '').join(',')) ?? [];
  return [view.value?.head.join(','), ...rows].join('\r\n') + '\r\n';
}

async function copy() {
  const text = csv().replaceAll(',', '\t').replaceAll('\r\n', '\n');
  await navigator.clipboard.writeText(text);
  copied.value = true;
}

function save() {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([csv()], { type: 'text/csv;charset=utf-8' }));
  link.download = `${props.entry.body.function || 'curve'}.csv`;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** The table's points on the stage, which go along with the curve. */
const points = computed(() =>
  ofKind(bench.document?.shown, 'trajectoryPart').find(
    ({ body }) => body.of === props.entry.id && body.piece === 'dots' && body.step,
  ),
);
const lines: { line: '' | Joining; words: string }[] = [
  { line: '', words: 'as points' },
  { line: 'straight', words: 'joined' },
  { line: 'smooth', words: 'smooth' },
];
const isShown = (line: '' | Joining) => points.value && (points.value.body.line ?? '') === line;

/** Shows the rows as points, joined or not, or takes them off the stage. */
function showPoints(line: '' | Joining) {
  const there = points.value;
  if (there && isShown(line) && there.body.step === step.value) {
    return bench.askEdit({ kind: 'delete', id: there.id });
  }
  const { id: of, where, look } = props.entry;
  const entry = fresh(
    'trajectoryPart',
    { of, piece: 'dots', step: step.value, line: line || undefined },
    { id: there?.id ?? '', where, look },
  );
  return bench.askEdit({ kind: 'put', entry });
}

/** What is told in words alone, which wrap where a formula would be cut. */
const wordsIn = (latex: string) => /^\\text\{([^{}]*)\}$/.exec(latex)?.[1];
</script>

<template>
  <div class="trajectory">
    <dl v-if="view">
      <template v-for="line in view.lines" :key="line.name">
        <dt>{{ line.name }}</dt>
        <dd v-if="wordsIn(line.latex)">{{ wordsIn(line.latex) }}</dd>
        <dd v-else><MathText :latex="line.latex" /></dd>
      </template>
    </dl>
    <button class="soft" :aria-expanded="tabulated" @click="table">
      {{ tabulated ? 'fold its values' : 'table of values' }}
    </button>
    <template v-if="tabulated">
      <label class="step">
        step
        <a-input v-model:value="step" aria-label="Step of the table" @press-enter="follow" @blur="follow" />
      </label>
      <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
      <p class="deeds">
        <button class="soft" @click="save">save as CSV</button>
        <button class="soft" @click="copy">{{ copied ? 'copied' : 'copy' }}</button>
      </p>
      <p class="deeds">
        on the stage
        <button
          v-for="l in lines"
          :key="l.line"
          class="soft"
          :aria-pressed="!!isShown(l.line)"
          @click="showPoints(l.line)"
        >
          {{ l.words }}
        </button>
      </p>
      <div v-if="view?.rows.length" class="scroll" tabindex="0" aria-label="Table of the curve">
        <table>
          <thead>
            <tr>
              <th v-for="h in view.head" :key="h" scope="col">{{ h }}</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="(row, k) in view.rows"
              :key="k"
              :class="{ reached: k === reached, goes: entry.body.driver }"
              @click="goTo(k)"
            >
              <td v-for="(cell, i) in row" :key="i" :class="{ gap: cell === 'undefined' }">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  gap: 2px;
  margin: 6px 0 8px;
}
dt {
  color: var(--muted);
  font-size: 14px;
}
dd {
  margin: 0 0 4px;
  overflow-x: auto;
  overflow-y: hidden;
}
.step {
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: center;
  gap: 10px;
  margin: 8px 0;
}
.deeds {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0 0 8px;
}
.scroll {
  max-height: 260px;
  /* As wide as the folio, under the row's sample and menu too, so that no column is cut off. */
  margin: 0 -40px 0 -46px;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}
th,
td {
  padding: 2px 6px;
  text-align: right;
  border-bottom: 1px solid var(--hairline);
}
.goes {
  cursor: pointer;
}
.reached td {
  background: var(--paper);
  font-weight: 700;
}
.gap {
  color: var(--muted);
}
</style>
