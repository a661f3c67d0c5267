<script setup lang="ts">
// One parameter's control: its letter and value, a ruled bar with its ends, step keys, sweep.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { DialView, Stated, Sweep } from '../generated/types';
import MathText from '../shared/MathText.vue';
import DialBar from './DialBar.vue';
import DialNumber from './DialNumber.vue';
import EditInPlace from './EditInPlace.vue';
import SweepSheet from './SweepSheet.vue';

const props = defineProps<{ dial: DialView; index: number; stated: Stated }>();
const bench = useBench();

/** Whether a value is being typed. */
const typing = ref(false);
const running = computed(() => bench.sweeps.isRunning(props.index));
const name = computed(() => props.stated.name);

function step(steps: number) {
  bench.sweeps.stop(props.index);
  void bench.moveByHand(['stepDial', props.index, steps]);
}

/** Starts the sweep or pauses it; a paused dial rests on a step, so that its value is the one that is written. */
function sweepOrPause() {
  bench.sweeps.toggle(props.index);
  if (!running.value) void bench.frames.request(['stepDial', props.index, 0]);
}

/** Whether its sweep rests somewhere, so that there is a next such value. */
const rests = computed(() => !!sweep.value.every || !!sweep.value.at?.length);

function stop(way: 1 | -1) {
  bench.sweeps.stop(props.index);
  void bench.moveByHand(['stopDial', props.index, way]);
}

function toStart() {
  const start = bench.document?.scenes[bench.scene]?.values[name.value];
  bench.sweeps.stop(props.index);
  if (start !== undefined) void bench.moveByHand(['setDial', props.index, start]);
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
const stood = computed(() => {
  const at = bench.fractions[props.index] ?? 0;
  return marks.value.find((m) => Math.abs(m.place - at) < 1e-6);
});

const sweep = computed<Sweep>(() => props.stated.sweep ?? { way: 'backAndForth', seconds: 6 });
</script>

<template>
  <div class="dial" :class="`hue-${dial.colour % 8}`" :data-dial="name">
    <div class="top" :class="{ crowded: rests }">
      <div class="value">
        <MathText :latex="dial.latex" class="letter" />
        <span class="equals">=</span>
        <DialNumber v-model:typing="typing" :index="index" :name="name" />
        <span v-if="dial.degrees && !typing" class="unit">°</span>
      </div>
      <SweepSheet :dial="dial" :index="index" :sweep="sweep" />
      <span class="step-keys">
        <button
          class="key sweep"
          :aria-pressed="running"
          :aria-label="running ? `Pause ${name}` : `Sweep ${name}`"
          @click="sweepOrPause"
        >
          <span aria-hidden="true">{{ running ? '❚❚' : '▶' }}</span>
        </button>
        <button v-if="rests" class="key" :aria-label="`${name} to the last stop`" @click="stop(-1)">
          <span aria-hidden="true">|‹</span>
        </button>
        <button v-if="rests" class="key" :aria-label="`${name} to the next stop`" @click="stop(1)">
          <span aria-hidden="true">›|</span>
        </button>
        <button class="key" :aria-label="`${name} one step down`" @click="step(-1)">−</button>
        <button class="key" :aria-label="`${name} one step up`" @click="step(1)">+</button>
      </span>
    </div>
    <p v-if="stood" class="stood" role="status">here a {{ stood.kind }}, <MathText :latex="stood.latex" /></p>
    <div class="bottom">
      <EditInPlace
        class="end"
        :text="dial.from"
        :label="`Smallest value of ${name}`"
        :accept="(t: string) => setEnd('from', t)"
      />
      <DialBar
        :dial="dial"
        :index="index"
        :marks="marks"
        @step="step"
        @stop="rests ? stop($event) : step(10 * $event)"
        @sweep="sweepOrPause"
        @start="toStart"
        @type="typing = true"
      />
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
/* Where the room is short its seconds wrap out of sight, and the sign stays whole. */
.top :deep(.way) {
  flex: 0 1 auto;
  min-width: 20px;
  max-height: 36px;
  padding: 0;
  overflow: hidden;
  line-height: 36px;
  text-align: center;
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
    font-size: max(22px, 15px * var(--type)) !important;
  }
  .key {
    width: 44px !important;
  }
}
@container dial (max-width: 300px) {
  .bench:not(.presenting) .value {
    gap: 4px;
    font-size: 18px !important;
  }
  .bench:not(.presenting) .key {
    width: 36px !important;
  }
  .bench:not(.presenting) .top {
    gap: 4px;
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
/* With the keys to its stops a narrow dial has two lines. */
.top.crowded {
  flex-wrap: wrap;
}
.top.crowded :deep(.way) {
  flex: none;
}
.unit {
  margin-left: -7px;
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
.top :deep(.way) {
  font-size: 14px;
  min-height: 36px;
}
.step-keys {
  display: flex;
  flex: none;
  gap: 6px;
}
/* Many dials on a board: the keys stand under the number. */
.presenting .top {
  flex-wrap: wrap;
}
/* Beside the stage of a phone on its side. */
@media (max-height: 500px) {
  .dial {
    padding-inline: 6px;
  }
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
.presenting .dial :deep(.way) {
  display: none;
}
.presenting .dial {
  flex: 1 1 calc(200px * var(--type));
  min-width: max(190px, 118px * var(--type));
  max-width: calc(460px * var(--type));
}
.presenting .key {
  width: max(48px, 34px * var(--type));
  height: max(46px, 32px * var(--type));
  font-size: calc(15px * var(--type));
}
.presenting .end {
  font-size: calc(13px * var(--type));
}
</style>
