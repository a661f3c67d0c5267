<script setup lang="ts">
// What a hand can take on a panel: points and grips, dragged by pointer or moved by keys.
import { useTemplateRef } from 'vue';
import { useBench } from '../bench/store';
import type { Place } from '../core/draw';
import { gripName } from '../kinds';
import { placed, vAlong } from '../shared/along';
import { arrows } from './gestures';

const props = defineProps<{
  index: number;
  handles: Place[];
  /** The panel's size in pixels. */
  size: () => { width: number; height: number };
}>();
const emit = defineEmits<{ told: [words: string] }>();
const bench = useBench();
const layer = useTemplateRef<HTMLElement>('layer');

let endMove: (() => Promise<void>) | undefined;

function grab(e: PointerEvent) {
  (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
  endMove = bench.beginMove();
}

function pull(e: PointerEvent, handle: Place) {
  if (!endMove) return;
  const at = layer.value!.getBoundingClientRect();
  // A hand that leaves the picture keeps the point at its edge.
  const x = Math.max(0, Math.min(props.size().width, e.clientX - at.left));
  const y = Math.max(0, Math.min(props.size().height, e.clientY - at.top));
  void bench.frames.request([
    'dragPoint',
    props.index,
    handle.index,
    props.size().width,
    props.size().height,
    x,
    y,
  ]);
}

async function release(handle: Place) {
  const end = endMove;
  if (!end) return;
  endMove = undefined;
  await bench.frames.request();
  await settle(handle, end);
}

/** A handle's index holds the place of its entry, and above the stride that of a curve's grip (evaluate.GripStride). */
const gripStride = 1000;
const entryOf = (handle: Place) => bench.document?.shown[handle.index % gripStride];
const gripOf = (handle: Place) => Math.floor(handle.index / gripStride);
function nameOf(handle: Place) {
  const entry = entryOf(handle);
  if (!entry) return '';
  return `${gripName(entry, gripOf(handle))}; arrow keys move it, Enter tells where it is`;
}

async function settle(handle: Place, end: () => Promise<void>) {
  if (bench.presenting) return end();
  const entry = entryOf(handle)!;
  const before = bench.document!;
  const { document: after } = await bench.askInPlay({ kind: 'settle', document: before, id: entry.id });
  const changed = (was: { id: string }, is: { id: string }) =>
    was.id === is.id && JSON.stringify(was) !== JSON.stringify(is);
  const settled = after?.shown.find((s) => changed(entry, s));
  // A point of data moves its row.
  const data = after?.stated.filter((s) => before.stated.some((was) => changed(was, s))) ?? [];
  if (!settled && !data.length) return end();
  await bench.change((copy) => {
    copy.shown = copy.shown.map((s) => (settled?.id === s.id ? settled : s));
    copy.stated = copy.stated.map((s) => data.find(({ id }) => id === s.id) ?? s);
  });
}

/** Says where it is. */
async function tell(handle: Place) {
  const { text } = await bench.askInPlay({
    kind: 'describe',
    panel: props.index,
    ...props.size(),
    id: entryOf(handle)?.id,
    by: gripOf(handle),
  });
  emit('told', text ?? '');
}

async function nudge(e: KeyboardEvent, handle: Place) {
  if (e.key === 'Enter') return tell(handle);
  const arrow = arrows[e.key];
  if (!arrow) return;
  e.preventDefault();
  e.stopPropagation();
  const steps = e.shiftKey ? 10 : 1;
  const end = bench.beginMove();
  const [dx, dy] = arrow;
  await bench.frames.request([
    'nudgePoint',
    props.index,
    handle.index,
    props.size().width,
    props.size().height,
    dx * steps,
    dy * steps,
  ]);
  await settle(handle, end);
}
</script>

<template>
  <div ref="layer" class="layer">
    <button
      v-for="handle in handles"
      :key="handle.index"
      v-along="placed(handle.x - 22, handle.y - 22)"
      class="handle"
      :data-entry="entryOf(handle)?.id"
      :data-grip="gripOf(handle) || undefined"
      :aria-label="nameOf(handle)"
      @pointerdown.stop="grab"
      @pointermove="pull($event, handle)"
      @pointerup="release(handle)"
      @pointercancel="release(handle)"
      @keydown="nudge($event, handle)"
    />
  </div>
</template>

<style scoped>
.layer {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.handle {
  position: absolute;
  left: 0;
  top: 0;
  width: 44px;
  height: 44px;
  padding: 0;
  border: 0;
  border-radius: 50%;
  background: none;
  pointer-events: auto;
  touch-action: none;
  cursor: move;
  will-change: transform;
}
</style>
