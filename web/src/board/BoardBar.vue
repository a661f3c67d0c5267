<script setup lang="ts">
// The bar for a standing hand: at the lower edge of the board, to the left or to the right.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import ThemeMenu from '../shared/ThemeMenu.vue';
import CoverList from './CoverList.vue';
import { inks, useBoard } from './board';

const emit = defineEmits<{ leave: []; desk: [] }>();
const bench = useBench();
const board = useBoard();

const scenes = computed(() => bench.document?.scenes ?? []);
const next = computed(() => scenes.value[bench.scene + 1]?.name);
const traces = computed(() => bench.document?.shown.some((s) => s.kind === 'trace' && bench.isSeen(s.id)));
const sweeps = computed(() => (bench.loaded?.dials.length ?? 0) > 0);

function draw() {
  board.curtain = board.curtain ? undefined : { side: 'top', share: 0.5 };
}
</script>

<template>
  <nav class="board-bar" :class="board.hand" aria-label="At the board">
    <CoverList />
    <div class="row">
      <template v-if="scenes.length > 1">
        <button
          class="tool step"
          aria-label="The scene before"
          :disabled="bench.scene === 0"
          @click="bench.goScene(bench.scene - 1)"
        >
          ‹
        </button>
        <button
          class="tool next"
          :disabled="!next"
          :aria-label="next ? `The next scene: ${next}` : 'The last scene'"
          @click="bench.goScene(bench.scene + 1)"
        >
          <span>{{ next ?? 'the last scene' }}</span> ›
        </button>
      </template>
      <button v-if="bench.waiting.length" class="tool brass" @click="bench.reveal()">
        <b aria-hidden="true">?</b>reveal {{ bench.waiting.length }}
      </button>
      <button v-if="sweeps" class="tool" @click="bench.startingValues()">
        <b aria-hidden="true">↺</b>start<span class="only-spoken">ing values</span>
      </button>
      <button v-if="sweeps" class="tool" @click="bench.sweeps.holdOrGoOn()">
        <template v-if="bench.sweeps.holds()"><b aria-hidden="true">▶</b>go on</template>
        <template v-else><b aria-hidden="true">❚❚</b>hold<span class="only-spoken"> still</span></template>
      </button>
      <button class="tool" :disabled="!board.canUndo" @click="board.undo()">
        <b aria-hidden="true">↶</b>undo
      </button>
      <button v-if="traces" class="tool" @click="bench.frames.request(['clearTraces'])">
        <b aria-hidden="true">⋯</b><span class="only-spoken">clear </span>traces
      </button>
      <button class="tool" :aria-expanded="board.covering" @click="board.covering = !board.covering">
        <b aria-hidden="true">◨</b>hide<span class="only-spoken"> and reveal</span>
      </button>
      <button class="tool" :aria-pressed="board.writing" @click="board.writing = !board.writing">
        <b aria-hidden="true">✎</b>ink
      </button>
      <div v-if="board.writing" class="inks" role="group" aria-label="Ink">
        <button
          v-for="(name, k) in inks"
          :key="name"
          class="ink"
          :class="name"
          :aria-label="`Write in ${name}`"
          :aria-pressed="board.ink === k"
          @click="board.ink = k"
        >
          <i aria-hidden="true" />
        </button>
        <button class="tool" @click="board.wipe()"><b aria-hidden="true">✕</b>wipe</button>
      </div>
      <template v-else>
        <button class="tool" :aria-pressed="board.pointing" @click="board.pointing = !board.pointing">
          <b aria-hidden="true">◉</b>pointer
        </button>
        <button class="tool" :aria-pressed="!!board.curtain" @click="draw">
          <b aria-hidden="true">▤</b>curtain
        </button>
        <button class="tool" :aria-pressed="board.timing" @click="board.timing = !board.timing">
          <b aria-hidden="true">◷</b>time
        </button>
      </template>
      <span class="room" />
      <ThemeMenu class="tool"><b aria-hidden="true">◐</b>colours</ThemeMenu>
      <button class="tool" title="A second window with your notes" @click="emit('desk')">
        <b aria-hidden="true">❐</b>notes
      </button>
      <button
        class="tool"
        :aria-label="`Put the bar to the ${board.hand === 'left' ? 'right' : 'left'} side`"
        @click="board.hand = board.hand === 'left' ? 'right' : 'left'"
      >
        <b aria-hidden="true">⇄</b>side
      </button>
      <button class="tool" @click="emit('leave')">
        <b aria-hidden="true">⏎</b>bench<span class="only-spoken">: back to it</span>
      </button>
    </div>
  </nav>
</template>

<style scoped>
.board-bar {
  --finger: max(60px, 43px * var(--type));
  position: sticky;
  z-index: 9;
  bottom: 0;
  grid-area: bar;
  min-width: 0;
  padding: 6px 12px;
  background: var(--head);
  color: var(--on-head);
}
.row {
  display: flex;
  gap: 6px;
  overflow-x: auto;
}
.right .row {
  flex-direction: row-reverse;
}
.right .step {
  order: 1;
}
.room {
  flex: 1;
}
.inks {
  display: flex;
  gap: 6px;
}
.right .inks {
  flex-direction: row-reverse;
}
.right :deep(.covers) {
  left: auto;
  right: 12px;
}
.tool,
:deep(.tool),
.ink {
  flex: none;
  display: grid;
  place-items: center;
  align-content: center;
  min-width: var(--finger);
  min-height: var(--finger);
  padding: 2px 8px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  color: var(--on-head);
  font: inherit;
  font-size: max(15px, 10.7px * var(--type));
  line-height: 1.2;
  cursor: pointer;
}
.tool b {
  font-size: 1.5em;
  line-height: 1.1;
}
.tool:hover,
:deep(.tool:hover) {
  border-color: var(--on-head-muted);
}
.tool:disabled {
  opacity: 0.4;
  cursor: default;
}
.tool[aria-pressed='true'],
.tool[aria-expanded='true'],
.ink[aria-pressed='true'] {
  border-color: var(--brass);
  color: var(--brass);
}
.step {
  font-size: 30px;
}
.next {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  width: calc(4 * var(--finger));
  border-color: var(--on-head-muted);
  font-size: max(18px, 12.8px * var(--type));
  text-align: left;
}
.next span {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
}
.brass {
  background: var(--brass);
  color: var(--on-brass);
  font-weight: 700;
}
.ink {
  background: var(--sheet);
}
.ink i {
  width: 30px;
  height: 30px;
  border-radius: 50%;
  background: var(--ink);
}
.red i {
  background: var(--hue-1);
}
.blue i {
  background: var(--hue-0);
}
.green i {
  background: var(--hue-6);
}
.ink[aria-pressed='true'] {
  box-shadow: inset 0 0 0 4px var(--brass);
}
@media (max-width: 1279px) {
  .next {
    width: 160px;
    font-size: 15px;
  }
  .tool,
  :deep(.tool) {
    min-width: 56px;
    min-height: 56px;
    padding: 2px 4px;
  }
}
</style>
