<script setup lang="ts">
// A sheet that covers the stage from one of its sides, to be drawn by its edge.
import { computed } from 'vue';
import { useBoard, type Side } from './board';

const board = useBoard();
const sides: [Side, string, string][] = [
  ['top', '↑', 'from above'],
  ['bottom', '↓', 'from below'],
  ['left', '←', 'from the left'],
  ['right', '→', 'from the right'],
];
const across = computed(() => board.curtain?.side === 'left' || board.curtain?.side === 'right');
const far = computed(() => board.curtain?.side === 'right' || board.curtain?.side === 'bottom');
const style = computed(() => {
  const { side, share } = board.curtain!;
  const hidden = `${(100 - 100 * share).toFixed(2)}%`;
  return {
    inset: {
      top: `0 0 ${hidden} 0`,
      bottom: `${hidden} 0 0 0`,
      left: `0 ${hidden} 0 0`,
      right: `0 0 0 ${hidden}`,
    }[side],
  };
});

const least = 0.06;
const put = (share: number) => (board.curtain!.share = Math.max(least, Math.min(1, share)));

function drag(e: PointerEvent) {
  const edge = e.currentTarget as HTMLElement;
  if (!edge.hasPointerCapture(e.pointerId)) return;
  const box = edge.closest('.stage')!.getBoundingClientRect();
  const share = across.value ? (e.clientX - box.left) / box.width : (e.clientY - box.top) / box.height;
  put(far.value ? 1 - share : share);
}
const grab = (e: PointerEvent) => (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);

function key(e: KeyboardEvent) {
  const way = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key];
  if (!way) return;
  e.preventDefault();
  put(board.curtain!.share + 0.05 * way * (far.value ? -1 : 1));
}
</script>

<template>
  <section
    v-if="board.curtain"
    class="curtain"
    :class="board.curtain.side"
    :style="style"
    aria-label="Curtain"
  >
    <p class="sides">
      <button
        v-for="[side, sign, words] in sides"
        :key="side"
        :aria-label="`Draw the curtain ${words}`"
        :aria-pressed="board.curtain.side === side"
        @click="board.curtain.side = side"
      >
        {{ sign }}
      </button>
      <button @click="board.curtain = undefined">take it away</button>
    </p>
    <div
      class="edge"
      role="slider"
      tabindex="0"
      aria-label="Edge of the curtain"
      aria-valuemin="0"
      aria-valuemax="100"
      :aria-valuenow="Math.round(100 * board.curtain.share)"
      :aria-orientation="across ? 'horizontal' : 'vertical'"
      @pointerdown.prevent="grab"
      @pointermove="drag"
      @keydown="key"
    />
  </section>
</template>

<style scoped>
.curtain {
  position: absolute;
  z-index: 6;
  display: grid;
  place-items: center;
  overflow: hidden;
  background: var(--head);
}
.edge {
  position: absolute;
  background: var(--brass);
  touch-action: none;
}
.edge::after {
  content: '';
  position: absolute;
  inset: -44px;
}
.top .edge,
.bottom .edge {
  left: 0;
  right: 0;
  height: 12px;
  cursor: ns-resize;
}
.left .edge,
.right .edge {
  top: 0;
  bottom: 0;
  width: 12px;
  cursor: ew-resize;
}
.top .edge {
  bottom: 0;
}
.bottom .edge {
  top: 0;
}
.left .edge {
  right: 0;
}
.right .edge {
  left: 0;
}
.sides {
  z-index: 1;
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 8px;
  margin: 0;
}
button {
  min-width: 56px;
  min-height: 56px;
  padding: 0 14px;
  border: 1px solid var(--on-head-muted);
  border-radius: 6px;
  background: var(--head);
  color: var(--on-head);
  font: inherit;
  font-size: 20px;
  cursor: pointer;
}
button[aria-pressed='true'] {
  border-color: var(--brass);
  color: var(--brass);
}
</style>
