<script setup lang="ts">
// While presenting: what is shown and said, each to be covered and revealed by a tap or by its number key.
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { useBench } from '../bench/store';
import Pieces from '../shared/Pieces.vue';

const bench = useBench();
const open = ref(false);

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
  const entry = /^[1-9]$/.test(e.key) ? entries.value[Number(e.key) - 1] : undefined;
  if (!entry || (e.target as HTMLElement).matches('input, textarea, [contenteditable]')) return;
  e.preventDefault();
  bench.turn(entry.id);
}
onMounted(() => window.addEventListener('keydown', key));
onBeforeUnmount(() => window.removeEventListener('keydown', key));
</script>

<template>
  <aside class="covers" aria-label="Hide and reveal">
    <button class="opens" :aria-expanded="open" @click="open = !open">
      {{ open ? 'fold' : 'hide and reveal' }}
    </button>
    <ul v-if="open">
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
  </aside>
</template>

<style scoped>
.covers {
  position: fixed;
  z-index: 5;
  right: 180px;
  top: 8px;
  display: grid;
  justify-items: end;
  gap: 12px;
  max-width: min(420px, 60%);
  max-height: calc(100% - 24px);
}
@media (max-width: 760px) {
  .covers {
    right: 12px;
    top: auto;
    bottom: 12px;
  }
  .covers ul {
    order: -1;
  }
}
ul {
  margin: 0;
  padding: 6px;
  list-style: none;
  overflow-y: auto;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--sheet);
}
button {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
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
.opens {
  min-height: 34px;
  font-size: 15px;
  border: 1px solid var(--axis);
  background: var(--ink);
  color: var(--sheet);
}
.opens:hover {
  background: var(--axis);
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
  text-decoration: line-through;
}
</style>
