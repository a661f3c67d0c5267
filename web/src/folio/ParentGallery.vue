<script setup lang="ts">
// The parent functions, drawn small: choosing one states it with the dials of its transformation.
import { onMounted, shallowRef } from 'vue';
import { useBench } from '../bench/store';
import type { ParentView } from '../generated/types';

const emit = defineEmits<{ chosen: [] }>();
const bench = useBench();
const parents = shallowRef<ParentView[]>([]);

onMounted(async () => {
  parents.value = (await bench.ask({ kind: 'gallery' })).gallery ?? [];
});

async function choose(kind: string) {
  await bench.askEdit({ kind: 'fromParent', text: kind });
  emit('chosen');
}
</script>

<template>
  <div class="gallery" role="group" aria-label="Begin with a parent function">
    <button v-for="p in parents" :key="p.kind" type="button" :title="p.kind" @click="choose(p.kind)">
      <svg viewBox="0 0 60 44" aria-hidden="true">
        <path d="M0 22H60M30 0V44" class="axes" />
        <path :d="p.path" />
      </svg>
      <span>{{ p.kind }}</span>
    </button>
  </div>
</template>

<style scoped>
.gallery {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
}
button {
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 6px 2px;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--sheet);
  font: inherit;
  font-size: 13px;
  line-height: 1.15;
  color: var(--ink);
  cursor: pointer;
}
button:hover,
button:focus-visible {
  border-color: var(--sea);
}
svg {
  width: 60px;
  height: 44px;
}
path {
  fill: none;
  stroke: var(--hue-0);
  stroke-width: 2;
}
.axes {
  stroke: var(--grid);
  stroke-width: 1;
}
</style>
