<script setup lang="ts">
// One parameter's control: its letter and value, a ruled bar with its ends, step keys, sweep.
import { computed, ref, useTemplateRef } from 'vue';
import { useBench } from '../bench/store';
import type { DialView, Stated, SweepWay } from '../generated/types';
import MathText from '../shared/MathText.vue';
import EditInPlace from './EditInPlace.vue';

const props = defineProps<{ dial: DialView; index: number; stated: Stated }>();
const bench = useBench();
const bar = useTemplateRef<HTMLElement>('bar');

const text = computed(() => bench.texts?.dials[props.index] ?? '');
const fraction = computed(() => bench.fractions[props.index] ?? 0);
const running = computed(() => bench.sweeps.isRunning(props.index));
const name = computed(() => props.stated.name);
const at = (share: number) => `${(100 * share).toFixed(2)}%`;

// Moved by transforms, which cost no new layout in a drag: cqi is a hundredth of the bar's width.
const across = (share: number) => `translateX(${(100 * share).toFixed(2)}cqi)`;
const filled = computed(() => {
  const { zero } = props.dial;
  const width = Math.abs(fraction.value - zero).toFixed(4);
  return { transform: `${across(Math.min(fraction.value, zero))} scaleX(${width})` };
});

let end: (() => Promise<void>) | undefined;

/** The bar's place when it was taken hold of: asking again in a drag would make the page lay out once more a frame. */
let box: DOMRect;

function share(e: PointerEvent): number {
  return Math.max(0, Math.min(1, (e.clientX - box.left) / box.width));
}

function grab(e: PointerEvent) {
  if (e.button !== 0) return;
  bar.value!.setPointerCapture(e.pointerId);
  box = bar.value!.getBoundingClientRect();
  bench.sweeps.stop(props.index);
  end = bench.beginMove();
  void bench.frames.request(['dragDial', props.index, share(e)]);
}

function pull(e: PointerEvent) {
  if (end) void bench.frames.request(['dragDial', props.index, share(e)]);
}

async function release() {
  const done = end;
  end = undefined;
  await done?.();
}

function step(steps: number) {
  bench.sweeps.stop(props.index);
  void bench.moveByHand(['stepDial', props.index, steps]);
}

/** Starts the sweep or pauses it; a paused dial rests on a step, so that its value is the one that is written. */
function sweepOrPause() {
  bench.sweeps.toggle(props.index);
  if (!running.value) void bench.frames.request(['stepDial', props.index, 0]);
}

const keySteps: Record<string, number> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -10,
  PageUp: 10,
};
const typing = ref(false);

function key(e: KeyboardEvent) {
  const steps = keySteps[e.key];
  if (steps) step(e.shiftKey ? 10 * steps : steps);
  else if (e.key === 'Home') toStart();
  else if (e.key === 'Enter') typing.value = true;
  else if (e.key === ' ') sweepOrPause();
  else return;
  e.preventDefault();
}

function toStart() {
  const start = bench.document?.scenes[bench.scene]?.values[name.value];
  bench.sweeps.stop(props.index);
  if (start !== undefined) void bench.moveByHand(['setDial', props.index, start]);
}

/** Takes a typed value, which may be a formula without letters. */
async function typed(text: string): Promise<string> {
  const answer = await bench.ask({ kind: 'value', text });
  if (answer.problem) return answer.problem.message;
  bench.sweeps.stop(props.index);
  await bench.moveByHand(['setDial', props.index, answer.number ?? 0]);
  return '';
}

async function setEnd(which: 'from' | 'to', text: string): Promise<string> {
  const answer = await bench.ask({ kind: 'value', text });
  if (answer.problem) return answer.problem.message;
  await bench.change((copy) => (copy.stated.find((s) => s.id === props.dial.id)![which] = text));
  return bench.problemOf(props.dial.id)?.message ?? '';
}

/** The values at which a function becomes one of another type. */
const marks = computed(() =>
  (bench.effects.views[name.value] ?? []).flatMap((e) =>
    e.degenerate.map((d) => ({ ...d, functions: e.function })),
  ),
);
/** The mark on which the dial stands. */
const stood = computed(() => marks.value.find((m) => Math.abs(m.place - fraction.value) < 1e-6));

const ways: { way: SweepWay; words: string; sign: string }[] = [
  { way: 'once', words: 'once, from end to end', sign: '⇥' },
  { way: 'round', words: 'round and round', sign: '↻' },
  { way: 'backAndForth', words: 'back and forth', sign: '⇄' },
];
const sweep = computed(() => props.stated.sweep ?? { way: 'backAndForth' as SweepWay, seconds: 6 });

const wayWords = computed(() => ways.find((w) => w.way === sweep.value.way)!);

function setSweep(fields: Partial<{ way: SweepWay; seconds: number }>) {
  const was = sweep.value;
  bench.sweeps.stop(props.index);
  void bench.change(
    (copy) => (copy.stated.find((s) => s.id === props.dial.id)!.sweep = { ...was, ...fields }),
  );
}
</script>

<template>
  <div class="dial" :class="`hue-${dial.colour % 8}`" :data-dial="name">
    <div class="top">
      <div class="value">
        <MathText :latex="dial.latex" class="letter" />
        <span class="equals">=</span>
        <EditInPlace
          v-model:open="typing"
          class="number"
          :text="text"
          :label="`Value of ${name}`"
          :accept="typed"
        />
      </div>
      <a-popover trigger="click" placement="top">
        <button class="quiet way">
          <span class="only-spoken">How {{ name }} sweeps: {{ wayWords.words }},</span>
          {{ wayWords.sign }} {{ sweep.seconds }} s
        </button>
        <template #content>
          <a-radio-group :value="sweep.way" class="ways" @change="setSweep({ way: $event.target.value })">
            <a-radio v-for="w in ways" :key="w.way" :value="w.way">{{ w.words }}</a-radio>
          </a-radio-group>
          <label class="pace">
            seconds for one run
            <a-input-number
              :value="sweep.seconds"
              :min="0.2"
              :max="600"
              @change="$event && setSweep({ seconds: Number($event) })"
            />
          </label>
        </template>
      </a-popover>
      <button
        class="key sweep"
        :aria-pressed="running"
        :aria-label="running ? `Pause ${name}` : `Sweep ${name}`"
        @click="sweepOrPause"
      >
        <span aria-hidden="true">{{ running ? '❚❚' : '▶' }}</span>
      </button>
      <button class="key" :aria-label="`${name} one step down`" @click="step(-1)">−</button>
      <button class="key" :aria-label="`${name} one step up`" @click="step(1)">+</button>
    </div>
    <p v-if="stood" class="stood" role="status">here a {{ stood.kind }}, <MathText :latex="stood.latex" /></p>
    <div class="bottom">
      <EditInPlace
        class="end"
        :text="dial.from"
        :label="`Smallest value of ${name}`"
        :accept="(t: string) => setEnd('from', t)"
      />
      <div
        class="rule"
        tabindex="0"
        role="slider"
        :aria-label="name"
        :aria-valuetext="text"
        :aria-valuenow="Number(fraction.toFixed(4))"
        aria-valuemin="0"
        aria-valuemax="1"
        @keydown="key"
        @pointerdown="grab"
        @pointermove="pull"
        @pointerup="release"
        @pointercancel="release"
      >
        <div ref="bar" class="bar">
          <i v-for="tick in dial.ticks" :key="tick" class="tick" :style="{ left: at(tick) }" />
          <i
            v-for="mark in marks"
            :key="mark.value"
            class="mark"
            :style="{ left: at(mark.place) }"
            :title="`Here ${mark.functions} becomes a ${mark.kind}`"
          />
          <i class="filled" :style="filled" />
          <svg
            class="pointer"
            :style="{ transform: across(fraction) }"
            viewBox="0 0 24 26"
            aria-hidden="true"
          >
            <path d="M1 1h22v14l-11 10L1 15z" />
          </svg>
        </div>
      </div>
      <EditInPlace
        class="end right"
        :text="dial.to"
        :label="`Largest value of ${name}`"
        :accept="(t: string) => setEnd('to', t)"
      />
    </div>
  </div>
</template>

<style scoped>
.top .way {
  min-width: 0;
  overflow: hidden;
  white-space: nowrap;
}
.mark {
  position: absolute;
  top: 23px;
  z-index: 1;
  width: 9px;
  height: 9px;
  margin-left: -4.5px;
  border: 2px solid var(--hue);
  border-radius: 50%;
  background: var(--sheet);
}
.stood {
  position: absolute;
  left: 12px;
  top: 100%;
  margin: 0;
  font-size: 14px;
  white-space: nowrap;
}
/* Several dials on a board: the number gives way, so that no key is pushed out. */
@container dial (max-width: 350px) {
  .value {
    font-size: 22px !important;
  }
  .key {
    width: 44px !important;
  }
}
.dial {
  position: relative;
  container: dial / inline-size;
  flex: 1 0 284px;
  max-width: 640px;
  min-width: 0;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  border-top: 4px solid var(--hue);
  border-radius: 6px;
  padding: 6px 12px 4px;
  display: flex;
  flex-direction: column;
  justify-content: space-between;
}
.top {
  display: flex;
  align-items: center;
  gap: 6px;
}
.value {
  display: flex;
  align-items: baseline;
  gap: 7px;
  flex: 1 0 auto;
  font-size: calc(21px * var(--type));
  font-weight: 700;
  white-space: nowrap;
}
.letter {
  color: var(--hue);
  font-size: 1.1em;
}
.number {
  font-variant-numeric: tabular-nums;
}
.way {
  font-size: 14px;
  min-height: 36px;
  white-space: nowrap;
}
.key {
  flex: none;
  width: 40px;
  height: 36px;
  font-size: 20px;
  line-height: 1;
}
.key.sweep {
  font-size: 13px;
  color: var(--hue);
}
.bottom {
  display: flex;
  align-items: center;
  gap: 10px;
}
.end {
  font-size: 14px;
  color: var(--muted);
  min-width: 22px;
}
.rule {
  flex: 1;
  height: 44px;
  padding: 0 11px;
  touch-action: none;
  cursor: ew-resize;
  border-radius: 4px;
}
.bar {
  position: relative;
  container-type: inline-size;
  height: 100%;
}
.bar::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 27px;
  border-top: 2px solid var(--axis);
}
.tick {
  position: absolute;
  top: 28px;
  height: 7px;
  border-left: 1.5px solid var(--axis);
}
.filled {
  position: absolute;
  top: 25px;
  left: 0;
  width: 100%;
  height: 6px;
  background: var(--hue);
  transform-origin: left;
  will-change: transform;
}
.pointer {
  position: absolute;
  top: 2px;
  left: 0;
  width: 24px;
  height: 26px;
  margin-left: -12px;
  will-change: transform;
  fill: var(--hue);
  stroke: var(--sheet);
  stroke-width: 1.5;
}
.presenting .way {
  display: none;
}
.presenting .key {
  width: 50px;
  height: 46px;
}
.presenting .end {
  font-size: 18px;
}
.ways {
  display: grid;
  gap: 6px;
  margin-bottom: 10px;
}
.pace {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
