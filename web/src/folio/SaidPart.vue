<script setup lang="ts">
// What is said: texts with live values.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import Pieces from '../shared/Pieces.vue';
import EntryRow from './EntryRow.vue';
import PartHead from './PartHead.vue';
import SaidForm from './SaidForm.vue';

const bench = useBench();

const rows = computed(() =>
  (bench.document?.said ?? []).map((said, i) => ({
    said,
    // A frame's pieces are the live ones; right after an edit the loaded ones stand in.
    pieces: bench.texts?.said[i] ?? bench.loaded?.said[i]?.pieces ?? [],
  })),
);
</script>

<template>
  <section aria-label="Said">
    <PartHead title="Said" add="Write a text" @add="bench.editing = 'said'" />
    <ul>
      <template v-for="{ said, pieces } in rows" :key="said.id">
        <li v-if="bench.editing === said.id"><SaidForm :said="said" /></li>
        <EntryRow v-else :id="said.id" name="the text"
          ><span class="text"><Pieces :pieces="pieces" /></span
        ></EntryRow>
      </template>
      <li v-if="bench.editing === 'said'"><SaidForm :said="{ id: '', pieces: [] }" /></li>
    </ul>
  </section>
</template>

<style scoped>
.text {
  line-height: 1.5;
}
.text :deep(.live) {
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
</style>
