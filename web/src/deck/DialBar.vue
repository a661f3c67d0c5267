<script setup lang="ts">
// A dial's ruled bar with its pointer, for hand and keys. It reads the frame itself: the rest of the dial stands still.
import { computed, useTemplateRef } from 'vue';
import { useBench } from '../bench/store';
import type { DialView } from '../generated/types';
import { vAlong } from '../shared/along';
import DialScale, { type Mark } from './DialScale.vue';

const props = defineProps<{ dial: DialView; index: number; marks: Mark[] }>();
const emit = defineEmits<{ step: [steps: number]; stop: [way: 1 | -1]; sweep: []; start: []; type: [] }>();
const bench = useBench();
const bar = useTemplateRef<HTMLElement>('bar');

const text = computed(() => bench.texts?.dials[props.index] ?? '');
const fraction = computed(() => bench.fractions[props.index] ?? 0);

// Moved along ways, which cost no new layout in a drag: cqi is a hundredth of the bar's width.
const pointerEnds = { transform: ['translateX(0)', 'translateX(100cqi)'] };
const pointer = computed(() => [{ ends: pointerEnds, at: fraction.value }]);
/** From zero, or the end that is nearer to it, to where the pointer stands; to the left it is turned over. */
const filledEnds = computed(() => {
  const { zero } = props.dial;
  return { transform: [`scaleX(${-zero})`, `scaleX(${1 - zero})`] };
});
const filled = computed(() => [{ ends: filledEnds.value, at: fraction.value }]);
/** The value as a number, for those who listen: the text says it as it is written. */
const now = computed(() => {
  const { low, high } = props.dial;
  return Number((low + fraction.value * (high - low)).toPrecision(6));
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

const keySteps: Record<string, number> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
};

function key(e: KeyboardEvent) {
  const steps = keySteps[e.key];
  if (steps) emit('step', e.shiftKey ? 10 * steps : steps);
  else if (e.key === 'PageUp') emit('stop', 1);
  else if (e.key === 'PageDown') emit('stop', -1);
  else if (e.key === 'Home') emit('start');
  else if (e.key === 'Enter') emit('type');
  else if (e.key === ' ') emit('sweep');
  else return;
  e.preventDefault();
}
</script>

<template>
  <div
    class="rule"
    tabindex="0"
    role="slider"
    :aria-label="dial.name"
    :aria-valuetext="text"
    :aria-valuenow="now"
    :aria-valuemin="dial.low"
    :aria-valuemax="dial.high"
    @keydown="key"
    @pointerdown="grab"
    @pointermove="pull"
    @pointerup="release"
    @pointercancel="release"
  >
    <div ref="bar" class="bar">
      <DialScale :ticks="dial.ticks" :marks="marks" />
      <i v-along="filled" class="filled" :style="{ left: `${100 * dial.zero}%` }" />
      <svg v-along="pointer" class="pointer" viewBox="0 0 24 26" aria-hidden="true">
        <path d="M1 1h22v14l-11 10L1 15z" />
      </svg>
    </div>
  </div>
</template>

<style scoped>
.rule {
  flex: 1;
  height: 44px;
  padding: 0 11px;
  touch-action: pan-y;
  cursor: ew-resize;
  border-radius: 4px;
}
.bar {
  position: relative;
  container-type: inline-size;
  height: 100%;
  /* Its colour tells whose it is; in one that the machine forces the filled part would hide the bar. */
  forced-color-adjust: none;
}
.bar::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 27px;
  border-top: 2px solid var(--axis);
}
.filled {
  position: absolute;
  top: 25px;
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
</style>
