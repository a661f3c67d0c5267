<script setup lang="ts">
// The box of a space panel in one small sheet: its ends, scales, names, and whether what is far is smaller.
import { ref, shallowRef } from 'vue';
import { useBench } from '../bench/store';
import type { Panel, Window } from '../generated/types';
import Sheet from '../shared/Sheet.vue';

const props = defineProps<{ panel: Panel; index: number }>();
const bench = useBench();

type Words = 'nameX' | 'nameY' | 'nameZ' | 'title' | 'caption';
type End = 'left' | 'right' | 'bottom' | 'top' | 'low' | 'high';
const typed = ref<Record<End | Words | 'tall', string>>({
  ...{ left: '', right: '', bottom: '', top: '', low: '', high: '', tall: '' },
  ...{ nameX: '', nameY: '', nameZ: '', title: '', caption: '' },
});
const problem = ref<{ field: End | 'tall'; message: string }>();

const axes: { axis: string; from: End; to: End; name: Words }[] = [
  { axis: 'x', from: 'left', to: 'right', name: 'nameX' },
  { axis: 'y', from: 'bottom', to: 'top', name: 'nameY' },
  { axis: 'z', from: 'low', to: 'high', name: 'nameZ' },
];
const ends: End[] = axes.flatMap(({ from, to }) => [from, to]);
const switches: { key: 'grid' | 'axes' | 'equalScales'; label: string }[] = [
  { key: 'equalScales', label: 'equal scales' },
  { key: 'axes', label: 'axes' },
  { key: 'grid', label: 'grid' },
];

const change = (fields: Partial<Panel>) =>
  bench.change((copy) => Object.assign(copy.panels[props.index]!, fields));

/** The window as it is seen, and what its ends are in the fields. */
const seen = shallowRef<Window>();
const numbers = ({ left, right, bottom, top, space }: Window): Record<End, number> => ({
  ...{ left, right, bottom, top },
  ...{ low: space?.low ?? 0, high: space?.high ?? 0 },
});
const written = (v: number) => String(Number(v.toPrecision(6)));

async function show() {
  problem.value = undefined;
  const size = bench.frames.panels[props.index]!;
  const { window } = await bench.askInPlay({ kind: 'window', panel: props.index, ...size });
  seen.value = window;
  if (!window) return;
  for (const end of ends) typed.value[end] = written(numbers(window)[end]);
  typed.value.tall = props.panel.tall ? written(props.panel.tall) : '';
  for (const key of ['nameX', 'nameY', 'nameZ', 'title', 'caption'] as const)
    typed.value[key] = props.panel[key] ?? '';
}

/** The number that a formula such as 2π stands for; the problem is shown at its field. */
async function numberIn(field: End | 'tall'): Promise<number | undefined> {
  const answer = await bench.ask({ kind: 'value', text: typed.value[field] });
  if (!answer.problem) return answer.number ?? 0;
  problem.value = { field, message: answer.problem.message };
  return undefined;
}

async function applyEnds() {
  problem.value = undefined;
  if (!seen.value) return;
  const now = numbers(seen.value);
  if (ends.every((end) => typed.value[end] === written(now[end]))) return;
  for (const end of ends) {
    if (typed.value[end] === written(now[end])) continue;
    const number = await numberIn(end);
    if (number === undefined) return;
    now[end] = number;
  }
  for (const { from, to } of axes) {
    if (now[from] < now[to]) continue;
    problem.value = { field: to, message: 'The second end must be above the first.' };
    return;
  }
  const { low, high, ...floor } = now;
  await put({ ...floor, space: { ...seen.value.space!, low, high } });
}

async function put(window: Window) {
  const refused = await bench.change((copy) => bench.putWindow(copy, props.index, window));
  if (!refused) await show();
}

async function applyTall() {
  problem.value = undefined;
  if (typed.value.tall === (props.panel.tall ? written(props.panel.tall) : '')) return;
  const tall = typed.value.tall.trim() ? await numberIn('tall') : 0;
  if (tall === undefined) return;
  if (tall !== 0 && !(tall >= 0.1 && tall <= 10)) {
    problem.value = { field: 'tall', message: 'A number from 0.1 to 10 is needed.' };
    return;
  }
  await change({ tall: tall || undefined });
}

async function applyWords(field: Words) {
  const words = typed.value[field].trim();
  if (words !== (props.panel[field] ?? '')) await change({ [field]: words || undefined });
}

const turnPerspective = (perspective: boolean) =>
  seen.value && void put({ ...seen.value, space: { ...seen.value.space!, perspective } });

const status = (field: End | 'tall') => (problem.value?.field === field ? 'error' : '');
</script>

<template>
  <Sheet label="Box" @opened="show">
    <template #default="{ open }">
      <button class="chip" aria-haspopup="dialog" :aria-expanded="open">box …</button>
    </template>
    <template #content>
      <form class="box-form" @submit.prevent>
        <div v-for="{ axis, from, to, name } in axes" :key="axis" class="axis">
          <i>{{ axis }}</i>
          <a-input
            v-for="(end, k) in [from, to]"
            :key="end"
            v-model:value="typed[end]"
            :aria-label="`${axis} ${k ? 'to' : 'from'}`"
            :status="status(end)"
            @change="problem = undefined"
            @blur="applyEnds"
            @press-enter="applyEnds"
          />
          <a-input
            v-model:value="typed[name]"
            :aria-label="`Name of the axis ${axis}`"
            placeholder="name"
            :maxlength="80"
            @blur="applyWords(name)"
            @press-enter="applyWords(name)"
          />
        </div>
        <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
        <div class="switches">
          <label v-for="s in switches" :key="s.key">
            <a-switch
              size="small"
              :checked="panel[s.key] ?? false"
              :aria-label="s.label"
              @change="change({ [s.key]: $event as boolean })"
            />
            {{ s.label }}
          </label>
          <label>
            <a-switch
              size="small"
              :checked="seen?.space?.perspective ?? false"
              aria-label="perspective"
              @change="turnPerspective($event as boolean)"
            />
            perspective
          </label>
        </div>
        <label v-if="!panel.equalScales" class="words">
          height by width
          <a-input
            v-model:value="typed.tall"
            aria-label="Height of the box by its width"
            placeholder="0.7"
            :status="status('tall')"
            @blur="applyTall"
            @press-enter="applyTall"
          />
        </label>
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
.box-form {
  width: 320px;
}
.axis {
  display: grid;
  grid-template-columns: 1.4em 1fr 1fr 1.3fr;
  gap: 8px;
  align-items: center;
  margin-bottom: 6px;
}
i {
  font-family: var(--serif);
  font-size: 18px;
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
  display: flex;
  gap: 10px;
  align-items: center;
}
.words {
  display: grid;
  grid-template-columns: 8em 1fr;
  align-items: center;
  margin-top: 6px;
}
</style>
