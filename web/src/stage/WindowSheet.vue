<script setup lang="ts">
// A panel's window in one small sheet: its ends, scales, numbers and names. What is typed is shown at once and the sheet stays.
import { ref } from 'vue';
import { useBench } from '../bench/store';
import type { Panel, TickStyle, Window } from '../generated/types';
import Choice from '../shared/Choice.vue';
import Sheet from '../shared/Sheet.vue';

const props = defineProps<{ panel: Panel; index: number }>();
const bench = useBench();

type Words = 'nameX' | 'nameY' | 'title' | 'caption';
type End = Exclude<keyof Window, 'space'>;
type Field = End | 'stepX' | 'stepY';
const typed = ref<Record<Field | Words, string>>({
  ...{ left: '', right: '', bottom: '', top: '', stepX: '', stepY: '' },
  ...{ nameX: '', nameY: '', title: '', caption: '' },
});
const problem = ref<{ field: Field | Words; message: string }>();

const axes: { name: string; from: End; to: End }[] = [
  { name: 'x', from: 'left', to: 'right' },
  { name: 'y', from: 'bottom', to: 'top' },
];
const tickStyles: { value: TickStyle; label: string }[] = [
  { value: 'numbers', label: '1, 2, 3' },
  { value: 'pi', label: 'π/2, π' },
  { value: 'degrees', label: '30°, 60°' },
];
const switches: { key: 'grid' | 'polar' | 'axes' | 'legend'; label: string }[] = [
  { key: 'axes', label: 'axes' },
  { key: 'grid', label: 'grid' },
  { key: 'polar', label: 'polar grid' },
  { key: 'legend', label: 'names in a legend' },
];

const change = (fields: Partial<Panel>) =>
  bench.change((copy) => Object.assign(copy.panels[props.index]!, fields));

const isCircle = bench.document?.panels[0]?.kind === 'circle';

const sides = ['left', 'right', 'bottom', 'top'] as const;

/** The end that is being typed: it is left as it is while the others follow. */
let typing: End | undefined;

/** What the rounded ends in the fields stand for, as long as they are not typed anew. */
const known: Partial<Record<Field, { text: string; number: number }>> = {};

/** Work on the ends runs one after another: who types fast is not overwritten by an answer to what stood there before. */
let turn = Promise.resolve();
const inTurn = (work: () => Promise<void>) => (turn = turn.then(work, work));

/** Puts the ends as they are seen into the fields, but for those in which something new is typed. */
async function showEnds() {
  const size = bench.frames.panels[props.index]!;
  const { window } = await bench.askInPlay({ kind: 'window', panel: props.index, ...size });
  if (!window) return;
  for (const key of sides) {
    if ((key === typing && known[key]) || typed.value[key] !== (known[key]?.text ?? '')) continue;
    typed.value[key] = String(Number(window[key].toPrecision(6)));
    known[key] = { text: typed.value[key], number: window[key] };
  }
}

async function show() {
  typing = undefined;
  problem.value = undefined;
  for (const key of sides) {
    typed.value[key] = '';
    delete known[key];
  }
  for (const key of ['stepX', 'stepY'] as const) {
    const step = props.panel[key];
    typed.value[key] = step ? String(Number(step.toPrecision(9))) : '';
    known[key] = { text: typed.value[key], number: step ?? 0 };
  }
  for (const key of ['nameX', 'nameY', 'title', 'caption'] as const)
    typed.value[key] = props.panel[key] ?? '';
  await inTurn(showEnds);
}

/** The number that a formula such as 2π stands for; the problem is shown at its field. */
async function numberIn(field: Field): Promise<number | undefined> {
  if (known[field]?.text === typed.value[field]) return known[field].number;
  const answer = await bench.ask({ kind: 'value', text: typed.value[field] });
  if (!answer.problem) return answer.number ?? 0;
  problem.value = { field, message: answer.problem.message };
  return undefined;
}

/** Takes the ends over, when one was typed: leaving a field that was only looked at is no step. */
async function applyEnds() {
  problem.value = undefined;
  if (sides.every((key) => known[key]?.text === typed.value[key])) return;
  const read: Partial<Record<Field, string>> = {};
  const ends: Partial<Window> = {};
  for (const key of sides) {
    read[key] = typed.value[key];
    const number = await numberIn(key);
    if (number === undefined) return;
    ends[key] = number;
  }
  const window = ends as Window;
  for (const { from, to } of axes) {
    if (window[from] < window[to]) continue;
    problem.value = { field: to, message: 'The second end must be above the first.' };
    return;
  }
  const size = bench.frames.panels[props.index]!;
  const answer = await bench.ask({ kind: 'typed', panel: props.index, window, ...size });
  await bench.change((copy) => bench.putWindow(copy, props.index, answer.window ?? window));
  for (const key of sides) known[key] = { text: read[key]!, number: window[key] };
  await showEnds();
}

const takeEnds = () => inTurn(applyEnds);

function leave() {
  typing = undefined;
  void takeEnds();
}

/** Takes the distance of the numbers over; an empty one leaves it to the window. */
async function applyStep(field: 'stepX' | 'stepY') {
  problem.value = undefined;
  const text = typed.value[field].trim();
  if (text === (known[field]?.text ?? '')) return;
  const step = text ? await numberIn(field) : 0;
  if (step === undefined) return;
  if (text && !(step > 0)) {
    problem.value = { field, message: 'A step is above 0.' };
    return;
  }
  known[field] = { text, number: step };
  await change({ [field]: step || undefined });
}

async function applyWords(field: Words) {
  const words = typed.value[field].trim();
  if (words !== (props.panel[field] ?? '')) await change({ [field]: words || undefined });
}

async function turnScales(equalScales: boolean) {
  await change({ equalScales });
  await inTurn(showEnds);
}

const status = (field: Field | Words) => (problem.value?.field === field ? 'error' : '');
</script>

<template>
  <Sheet label="Window" @opened="show">
    <template #default="{ open }">
      <button class="chip" aria-haspopup="dialog" :aria-expanded="open">window …</button>
    </template>
    <template #content>
      <form class="window-form" @submit.prevent>
        <fieldset v-for="{ name, from, to } in axes" :key="name">
          <legend>{{ name }}</legend>
          <label v-for="(end, k) in [from, to]" :key="end">
            {{ k ? 'to' : 'from' }}
            <a-input
              v-model:value="typed[end]"
              :aria-label="`${name} ${k ? 'to' : 'from'}`"
              :status="status(end)"
              @change="problem = undefined"
              @focus="typing = end"
              @blur="leave"
              @press-enter="takeEnds"
            />
          </label>
          <label>
            numbers
            <Choice
              :model-value="name === 'x' ? panel.ticksX : panel.ticksY"
              :options="name === 'x' ? tickStyles : tickStyles.slice(0, 2)"
              :label="`Numbers on ${name}`"
              @update:model-value="change({ [name === 'x' ? 'ticksX' : 'ticksY']: $event })"
            />
          </label>
          <label>
            every
            <a-input
              v-model:value="typed[name === 'x' ? 'stepX' : 'stepY']"
              :aria-label="`A number on ${name} every`"
              placeholder="as it fits"
              :status="status(name === 'x' ? 'stepX' : 'stepY')"
              @blur="applyStep(name === 'x' ? 'stepX' : 'stepY')"
              @press-enter="applyStep(name === 'x' ? 'stepX' : 'stepY')"
            />
          </label>
          <label class="wide">
            name
            <a-input
              v-model:value="typed[name === 'x' ? 'nameX' : 'nameY']"
              :aria-label="`Name of the axis ${name}`"
              :placeholder="name"
              :maxlength="80"
              @blur="applyWords(name === 'x' ? 'nameX' : 'nameY')"
              @press-enter="applyWords(name === 'x' ? 'nameX' : 'nameY')"
            />
          </label>
        </fieldset>
        <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
        <div class="switches">
          <label v-if="!isCircle">
            <a-switch
              size="small"
              :checked="panel.equalScales"
              aria-label="Equal scales"
              @change="turnScales($event as boolean)"
            />
            equal scales
          </label>
          <label v-for="s in switches" :key="s.key">
            <a-switch
              size="small"
              :checked="panel[s.key] ?? false"
              :aria-label="s.label"
              @change="change({ [s.key]: $event as boolean })"
            />
            {{ s.label }}
          </label>
        </div>
        <label v-for="field in ['title', 'caption'] as const" :key="field" class="words">
          {{ field }}
          <a-input
            v-model:value="typed[field]"
            :aria-label="field === 'title' ? 'Title of the panel' : 'Caption of the panel'"
            :maxlength="field === 'title' ? 80 : 200"
            @blur="applyWords(field)"
            @press-enter="applyWords(field)"
          />
        </label>
      </form>
    </template>
  </Sheet>
</template>

<style scoped>
.window-form {
  width: 320px;
}
fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 10px;
  margin: 0 0 8px;
  padding: 0;
  border: 0;
}
legend {
  grid-column: 1 / -1;
  padding: 0;
  font-family: var(--serif);
  font-style: italic;
  font-size: 18px;
}
label {
  display: grid;
  grid-template-columns: 5em 1fr;
  align-items: center;
}
fieldset label {
  grid-template-columns: 4em 1fr;
}
.wide {
  grid-column: 1 / -1;
}
.switches {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 10px;
  margin: 10px 0;
  padding-top: 10px;
  border-top: 1px solid var(--hairline);
}
.switches label {
  grid-template-columns: 52px 1fr;
}
.words {
  margin-top: 6px;
}
</style>
