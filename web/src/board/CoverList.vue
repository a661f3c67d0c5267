<script setup lang="ts">
// While presenting: what is shown and said, each to be covered and revealed by a tap or by its number key.
import { computed, onBeforeUnmount, onMounted } from 'vue';
import { singleKeys } from '../bench/keys';
import { useBench } from '../bench/store';
import Pieces from '../shared/Pieces.vue';
import { useBoard } from './board';

const bench = useBench();
const board = useBoard();

const entries = computed(() => {
  const shown = (bench.loaded?.shown ?? []).map(({ id, hue, sentence }) => ({
    id,
    hue: hue < 8 ? `hue-${hue}` : 'parent',
    sentence,
  }));
  const said = (bench.document?.said ?? [])
    .filter((s) => s.where?.panels?.length)
    .map((s, k) => ({ id: s.id, hue: 'text', sentence: [{ text: `text ${k + 1}` }] }));
  return [...shown, ...said];
});

function key(e: KeyboardEvent) {
  const entry = singleKeys.value && /^[1-9]$/.test(e.key) ? entries.value[Number(e.key) - 1] : undefined;
  if (!entry || (e.target as HTMLElement).matches('input, textarea, [contenteditable]')) return;
  e.preventDefault();
  bench.turn(entry.id);
}
onMounted(() => window.addEventListener('keydown', key));
onBeforeUnmount(() => window.removeEventListener('keydown', key));
</script>

<template>
  <ul v-if="board.covering" class="covers" aria-label="Hide and reveal">
    <li v-for="(entry, k) in entries" :key="entry.id">
      <button
        :class="[entry.hue, { covered: !bench.isSeen(entry.id) }]"
        :aria-pressed="bench.isSeen(entry.id)"
        :data-cover="entry.id"
        @click="bench.turn(entry.id)"
      >
        <kbd>{{ k < 9 ? k + 1 : '' }}</kbd>
        <span class="dash" aria-hidden="true" />
        <span class="words"><Pieces :pieces="entry.sentence" /></span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
.covers {
  position: absolute;
  z-index: 8;
  bottom: 100%;
  left: 12px;
  max-width: min(480px, calc(100% - 24px));
  max-height: 62vh;
  margin: 0;
  padding: 6px;
  overflow-y: auto;
  list-style: none;
  border: 1px solid var(--hairline);
  border-radius: 6px 6px 0 0;
  background: var(--sheet);
}
button {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 56px;
  width: 100%;
  padding: 4px 12px;
  border: 0;
  border-radius: 5px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: calc(13px * var(--type));
  text-align: left;
  cursor: pointer;
}
button:hover {
  background: var(--paper);
}
kbd {
  min-width: 1.2em;
  color: var(--muted);
  font: inherit;
}
.dash {
  flex: none;
  width: 26px;
  height: 5px;
  border-radius: 3px;
  background: var(--hue, var(--ink));
}
.parent {
  --hue: var(--parent);
}
.covered .dash {
  background: none;
  border: 1px dashed var(--axis);
}
.covered .words {
  color: var(--muted);
}
</style>
