<script setup lang="ts">
// One panel of the stage: a canvas for the ground, one for what moves with its formulas, and handles that can be dragged.
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useBench } from '../bench/store';
import InkLayer from '../board/InkLayer.vue';
import { useBoard } from '../board/board';
import type { Place } from '../core/draw';
import type { PanelPicture } from '../core/messages';
import type { AdviceView, FrameTexts, Mended, Panel } from '../generated/types';
import { nameOf as entryName } from '../kinds';
import { ofKind } from '../shared/entries';
import AdviceStrip from './AdviceStrip.vue';
import HandleLayer from './HandleLayer.vue';
import PanelHead from './PanelHead.vue';
import PanelTexts from './PanelTexts.vue';
import ReadingCard from './ReadingCard.vue';
import { worn } from '../styles/theme';
import { useHands } from './hands';
import { play, seconds, stop } from './hearing';
import { paletteOf } from './palette';
import { useReading } from './reading';

const props = defineProps<{ panel: Panel; index: number }>();
const bench = useBench();
const board = useBoard();

const box = useTemplateRef<HTMLElement>('box');
const plane = useTemplateRef<HTMLElement>('plane');
const surfaces = useTemplateRef<HTMLElement>('surfaces');
const handles = shallowRef<Place[]>([]);
const spoken = ref('');
/** The curves that take too much work to be drawn as finely as they should. */
const coarse = shallowRef<string[]>([]);
/** How many labels have no room. */
const leftOut = ref(0);
const coarseNames = computed(() => {
  const names = shown.value.filter((s) => coarse.value.includes(s.id)).map(entryName);
  return [...new Set(names)].join(', ');
});

/** Whether there may be ink on it at the board, which lies over its texts too. */
const written = computed(() => {
  const kept = bench.document?.scenes[bench.scene]?.ink ?? [];
  const hasInk = bench.texts?.inked || kept.some(({ panel }) => panel === props.panel.id);
  return bench.presenting && (board.writing || hasInk);
});

const advice = shallowRef<AdviceView>();
const readingCard = useTemplateRef<InstanceType<typeof ReadingCard>>('readingCard');

let size = { width: 0, height: 0 };
const readings = useReading(bench, props.index, () => size);
const { reading, problem: readingProblem } = readings;
/** Advice that was left alone; it comes again when the words change. */
let left = '';
let describing = 0;
let outdated: Element[] = [];

/** Hands a pair of canvases over to the core; those of a core that was lost stand until it has drawn. */
function handOver() {
  const [ground, live] = ['ground', 'live'].map((name) => {
    const canvas = Object.assign(document.createElement('canvas'), { className: name });
    canvas.setAttribute('aria-hidden', 'true');
    return canvas;
  }) as [HTMLCanvasElement, HTMLCanvasElement];
  outdated = [...surfaces.value!.children];
  surfaces.value!.append(ground, live);
  bench.canvases.handOver(
    props.index,
    ground.transferControlToOffscreen(),
    live.transferControlToOffscreen(),
  );
}

function place(picture: PanelPicture) {
  outdated.forEach((canvas) => canvas.remove());
  outdated = [];
  if (picture.texts) {
    coarse.value = picture.texts.coarse;
    leftOut.value = picture.texts.leftOut;
    ({ numbers } = picture.texts);
  }
  if (JSON.stringify(picture.handles) !== JSON.stringify(handles.value)) handles.value = picture.handles;
  void readings.follow();
  describeLater();
}

/** Until when something that was asked for is heard: it is not spoken over. */
let heardUntil = 0;
/** Milliseconds that words which were asked for are left alone. */
const wordsHeardFor = 3000;

/** Says in words what the panel shows, and what its window hides, once it rests. */
function describeLater() {
  window.clearTimeout(describing);
  describing = window.setTimeout(() => void describe(), Math.max(300, heardUntil - performance.now()));
}

async function describe() {
  const { text } = await bench.askInPlay({ kind: 'describe', panel: props.index, ...size });
  if (performance.now() < heardUntil) {
    describeLater();
    return;
  }
  spoken.value = text ?? '';
  const inPlay = await bench.inPlayOf(props.index);
  const answer = await bench.ask({ kind: 'advice', panel: props.index, ...size, ...inPlay });
  advice.value = answer.advice?.message === left ? undefined : answer.advice;
}

/** Says something that was asked for, also when it is what was said last. */
async function tell(words: string) {
  heardUntil = performance.now() + wordsHeardFor;
  spoken.value = '';
  await nextTick();
  spoken.value = words;
}

async function mend(chosen: Mended) {
  advice.value = undefined;
  await bench.mend(props.index, chosen);
}

function leaveAdvice() {
  left = advice.value?.message ?? '';
  advice.value = undefined;
}

const lastCurve = () => ofKind(bench.document?.shown, 'curve').findLast((s) => bench.isSeen(s.id));

/** Lets the last curve that is seen be heard, and says what its ticks mark. */
async function hear() {
  const curve = lastCurve();
  if (!curve) return;
  const inPlay = await bench.inPlayOf(props.index);
  const { heard } = await bench.ask({
    kind: 'hear',
    panel: props.index,
    ...size,
    ...inPlay,
    id: curve.body.function,
  });
  if (!heard) return;
  spoken.value = heard.words;
  heardUntil = performance.now() + seconds * 1000;
  await play(heard);
}

/** Opens a reading without a tap: of the last function that is shown, in the middle of the window. */
async function openReading() {
  const curve = lastCurve();
  if (!reading.value && curve) await readings.at(curve.body.function, '0');
  await readingCard.value?.focus();
}

function measured(id: string, width: number, height: number) {
  bench.frames.measured([props.index, id, width, height]);
}

function fitSize() {
  const { width, height } = plane.value!.getBoundingClientRect();
  if (width < 1 || height < 1) return;
  size = { width, height };
  bench.frames.panels[props.index] = size;
  const { palette, typeSize } = paletteOf(box.value!);
  bench.canvases.look(props.index, { palette, ratio: window.devicePixelRatio || 1 });
  void bench.frames.request(['typeSize', props.index, typeSize]);
}

watch(
  () => bench.generation,
  () => {
    handOver();
    fitSize();
  },
);

// A theme brings other colours for the canvases.
watch(worn, fitSize, { flush: 'post' });

let unlisten: () => void;
let observer: ResizeObserver;
onMounted(() => {
  window.addEventListener('pointerdown', letGo);
  bench.placers[props.index] = place;
  handOver();
  observer = new ResizeObserver(fitSize);
  observer.observe(plane.value!);
  void document.fonts.ready.then(fitSize);
  unlisten = hands.listenOn(plane.value!);
});
onBeforeUnmount(() => {
  observer.disconnect();
  window.removeEventListener('pointerdown', letGo);
  stop();
  unlisten();
  window.clearTimeout(describing);
  bench.placers[props.index] = undefined;
  bench.frames.panels.length = props.index;
});

/** Whether the plane was tapped, and moves under a finger until another place is. */
const taken = ref(false);
const letGo = (e: PointerEvent) => {
  if (!plane.value?.contains(e.target as Node)) taken.value = false;
};

/** A tap adds a point to the table that is being plotted, else it reads the curve there. */
function tap(x: number, y: number) {
  taken.value = true;
  if (isSpace.value) return;
  if (!bench.plotting) return void readings.tap(x, y);
  void bench.askEditInPlay({ kind: 'plot', id: bench.plotting, panel: props.index, ...size, x, y });
}

let numbers: FrameTexts['numbers'] = [];
const hands = useHands({
  ...{ bench, index: props.index, panel: () => props.panel, size: () => size, numbers: () => numbers, tap },
  hear: () => void hear(),
  read: () => void openReading(),
});
const isSpace = computed(() => props.panel.kind === 'space');
const keysHint = computed(() =>
  isSpace.value
    ? 'Space. Arrow keys turn it, with shift they move it, plus and minus zoom, X, Y and Z look along an axis, 0 as at first.'
    : 'Plane. Arrow keys move the window, plus and minus zoom, 0 fits, R reads a point off a curve, L lets a curve be heard.',
);

const shown = computed(() => bench.document?.shown ?? []);
/** An entry that is dropped here appears in this panel too; one that was everywhere, here alone. */
function take(id: string) {
  if (!bench.document?.shown.some((s) => s.id === id)) return;
  void bench.change((copy) => {
    const entry = copy.shown.find((s) => s.id === id)!;
    entry.where = { ...entry.where, panels: [...new Set([...(entry.where?.panels ?? []), props.panel.id])] };
  });
}
</script>

<template>
  <section
    ref="box"
    class="panel"
    :aria-label="`Panel ${index + 1}`"
    @dragover.prevent
    @drop.prevent="take($event.dataTransfer?.getData('text/x-parvix-entry') ?? '')"
  >
    <PanelHead
      :panel="panel"
      :index="index"
      :left-out="leftOut"
      @fit="bench.fit(index)"
      @read="openReading"
      @look="hands.lookFrom"
    />
    <div class="sight">
      <div
        ref="plane"
        class="plane"
        :class="{ plotting: bench.plotting, taken, written }"
        tabindex="0"
        role="application"
        :aria-label="keysHint"
        @keydown="hands.key"
      >
        <div ref="surfaces" />
        <HandleLayer :index="index" :handles="handles" :size="() => size" @told="tell" />
        <InkLayer v-if="bench.presenting && board.writing" :index="index" :size="() => size" />
      </div>
      <ReadingCard
        v-if="reading"
        ref="readingCard"
        :reading="reading"
        :problem="readingProblem"
        :size="size"
        @read="readings.at"
        @keep="readings.keep"
        @close="readings.close"
      />
      <p v-if="bench.plotting && index === 0" class="plots" role="status">
        Tap the stage: every tap plots a point, and points can be dragged.
        <button class="chip" @click="bench.plotting = ''">done</button>
      </p>
      <p v-if="coarseNames" class="coarse" role="status">
        {{ coarseNames }}: drawn coarsely or not at all, since it takes too much work
      </p>
      <AdviceStrip v-if="advice" :advice="advice" @mend="mend" @close="leaveAdvice" />
      <p class="only-spoken" role="status">{{ spoken }}</p>
      <PanelTexts :panel="panel" @measured="measured" />
    </div>
  </section>
</template>

<style scoped>
.panel {
  container-type: inline-size;
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  /* Rounder corners would have to be cut from the canvases, in one more pass over the panel in every frame. */
  border-radius: 2px;
}
.sight {
  position: relative;
  flex: 1;
  min-height: 0;
}
.plane {
  position: absolute;
  inset: 0;
  overflow: hidden;
  touch-action: none;
  cursor: grab;
}
/* A finger scrolls the page over a plane that has not been tapped; what can be dragged is dragged at once. */
@media (pointer: coarse) and (max-width: 760px), (pointer: coarse) and (max-height: 500px) {
  .plane:not(.taken) {
    touch-action: pan-y;
  }
}
.plane:active {
  cursor: grabbing;
}
.plane[data-axis='x'] {
  cursor: ew-resize;
}
.plane[data-axis='y'] {
  cursor: ns-resize;
}
.plane.plotting {
  cursor: crosshair;
}
.coarse {
  position: absolute;
  right: 14px;
  bottom: 14px;
  margin: 0;
  padding: 4px 10px;
  background: var(--sheet);
  border: 1px solid var(--brass);
  border-radius: 4px;
}
.plots {
  position: absolute;
  left: 50%;
  bottom: 14px;
  transform: translateX(-50%);
  display: flex;
  align-items: center;
  gap: 10px;
  width: max-content;
  max-width: calc(100% - 28px);
  margin: 0;
  padding: 6px 14px;
  background: var(--sheet);
  border: 1px solid var(--sea);
  border-radius: 6px;
}
.plane :deep(canvas) {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.plane.written :deep(.live) {
  z-index: 1;
  pointer-events: none;
}
.plane.written ~ :deep(:not(.corner)) {
  z-index: 2;
}
</style>
