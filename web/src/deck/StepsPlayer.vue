<script setup lang="ts">
// The player of a transformation in steps: forward and back one step at a time, or played from the parent to the end.
import { computed, onBeforeUnmount, ref } from 'vue';
import { useBench } from '../bench/store';
import type { StepsNow, StepsView } from '../generated/types';
import MathText from '../shared/MathText.vue';
import StepsTable from '../folio/StepsTable.vue';

const props = defineProps<{ view: StepsView }>();
const bench = useBench();
// What was told last holds until the player is taken off.
const now = computed<StepsNow>((last) => bench.stepsNow(props.view.id) ?? last!);

/** Milliseconds of one step when it is played, and of the rest between two steps. */
const stepTime = 1400;
const restTime = 500;

const playing = ref(false);

const count = computed(() => now.value.sentences.length);
const open = computed(() => bench.stepsOpen === props.view.id);
/** The step at hand: 0 is the parent. */
const at = computed(() => Math.ceil(now.value.position - 1e-9));
const sentence = computed(() =>
  at.value ? now.value.sentences[at.value - 1] : 'The parent function. Go forward, step by step.',
);
const formula = computed(() => (at.value ? props.view.formulas[at.value - 1] : props.view.parent));
const still = window.matchMedia('(prefers-reduced-motion: reduce)');

const go = (position: number) => bench.frames.request(['goStep', now.value.index, position]);

/** Counts the glides: only the last one goes on. */
let glides = 0;

function stop() {
  glides++;
  playing.value = false;
}

/** Moves to a step in an even glide; where motion is unwelcome it is there at once. False when another took over. */
async function glide(to: number): Promise<boolean> {
  const from = now.value.position;
  const mine = ++glides;
  const begun = performance.now();
  const time = still.matches ? 0 : stepTime * Math.min(1, Math.abs(to - from));
  for (;;) {
    const share = time ? Math.min(1, (performance.now() - begun) / time) : 1;
    const eased = share * share * (3 - 2 * share);
    await go(share < 1 ? from + (to - from) * eased : to);
    if (mine !== glides) return false;
    if (share >= 1) return true;
    await new Promise(requestAnimationFrame);
    if (mine !== glides) return false;
  }
}

/** Where a glide is under way to; asked on before it is there, the next step follows from its end. */
let target: number | undefined;

async function step(by: number) {
  const from = target ?? now.value.position;
  stop();
  const next = by > 0 ? Math.floor(from + 1e-9) + 1 : Math.ceil(from - 1e-9) - 1;
  target = Math.max(0, Math.min(count.value, next));
  if (await glide(target)) target = undefined;
}

async function play() {
  if (playing.value) {
    stop();
    return;
  }
  target = undefined;
  if (now.value.position >= count.value) await go(0);
  playing.value = true;
  while (now.value.position < count.value) {
    if (!(await glide(Math.floor(now.value.position + 1e-9) + 1))) break;
    await new Promise((resolve) => window.setTimeout(resolve, restTime));
    if (!playing.value) break;
  }
  playing.value = false;
}

onBeforeUnmount(stop);
</script>

<template>
  <section class="player" :aria-label="`Steps from the parent to ${view.id}`">
    <header>
      <strong>to <MathText :latex="view.function" /></strong>
      <span class="count" aria-live="polite">step {{ at }} of {{ count }}</span>
      <button class="key" :disabled="now.position <= 0" aria-label="One step back" @click="step(-1)">
        ‹
      </button>
      <button class="key" :disabled="now.position >= count" aria-label="One step forward" @click="step(1)">
        ›
      </button>
      <button class="key wide" :aria-pressed="playing" @click="play">{{ playing ? 'hold' : 'play' }}</button>
      <button class="key wide" :aria-expanded="open" @click="bench.stepsOpen = open ? '' : view.id">
        steps in a table
      </button>
    </header>
    <p class="sentence" role="status">{{ sentence }}</p>
    <MathText :latex="`y=${formula}`" class="formula" />
    <StepsTable v-if="open && bench.presenting" :view="view" class="over" />
  </section>
</template>

<style scoped>
.over {
  position: fixed;
  right: 0;
  bottom: calc(150px * var(--deck-scale));
  z-index: 20;
  width: min(460px, 100vw);
  max-height: calc(100vh - 150px * var(--deck-scale) - 60px);
  overflow: auto;
  padding: 14px 16px;
  border: 1px solid var(--axis);
  border-radius: 8px;
  background: var(--sheet);
}
.player {
  flex: 1 0 330px;
  max-width: 460px;
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 6px 12px;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--sheet);
  min-width: 0;
}
header {
  display: flex;
  align-items: center;
  gap: 6px;
}
header strong {
  white-space: nowrap;
}
.count {
  flex: 1;
  white-space: nowrap;
  color: var(--muted);
}
.key {
  min-width: 40px;
  min-height: 36px;
  padding: 0 8px;
  font: inherit;
  font-size: 20px;
  line-height: 1;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--axis);
  border-radius: 5px;
  cursor: pointer;
}
.key.wide {
  font-size: inherit;
}
.key:disabled {
  opacity: 0.4;
  cursor: default;
}
.sentence {
  margin: 0;
  min-height: 2.5em;
  font-size: calc(15px * var(--type));
  line-height: 1.25;
}
.formula {
  font-size: calc(16px * var(--type));
  white-space: nowrap;
  overflow-x: auto;
  overflow-y: hidden;
}
</style>
