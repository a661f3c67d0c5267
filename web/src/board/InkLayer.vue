<script setup lang="ts">
// Over a panel while a hand writes: finger, pen and mouse draw lines, which the core keeps and draws.
import { ref } from 'vue';
import { useBench } from '../bench/store';
import { useBoard } from './board';

const props = defineProps<{ index: number; size: () => { width: number; height: number } }>();
const bench = useBench();
const board = useBoard();
/** The pointer that writes: a second finger or a palm does not. */
const writer = ref<number>();

function places(e: PointerEvent): [number, number][] {
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect();
  const events = e.type === 'pointermove' ? e.getCoalescedEvents?.() : [];
  return (events?.length ? events : [e]).map((one) => [one.clientX - box.left, one.clientY - box.top]);
}

function down(e: PointerEvent) {
  if (writer.value !== undefined || e.button !== 0) return;
  (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
  writer.value = e.pointerId;
  const [[x, y]] = places(e) as [[number, number]];
  const { width, height } = props.size();
  void bench.frames.request(['inkFrom', props.index, board.ink, width, height, x, y]);
}

function move(e: PointerEvent) {
  if (e.pointerId !== writer.value) return;
  const { width, height } = props.size();
  for (const [x, y] of places(e)) void bench.frames.request(['inkTo', props.index, width, height, x, y]);
}

function up(e: PointerEvent) {
  if (e.pointerId !== writer.value) return;
  writer.value = undefined;
  const { width, height } = props.size();
  void bench.frames.request(['inkUp', props.index, width, height]);
  board.wrote();
}
</script>

<template>
  <div
    class="ink-layer"
    @pointerdown.stop.prevent="down"
    @pointermove.stop="move"
    @pointerup.stop="up"
    @pointercancel.stop="up"
    @wheel.stop.prevent
  />
</template>

<style scoped>
.ink-layer {
  position: absolute;
  inset: 0;
  z-index: 3;
  touch-action: none;
  cursor: crosshair;
}
</style>
