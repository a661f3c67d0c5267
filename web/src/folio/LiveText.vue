<script setup lang="ts">
// A text with its live values. It reads the frame itself, so that a frame changes this text alone.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import Pieces from '../shared/Pieces.vue';

const props = defineProps<{ place: number }>();
const bench = useBench();
// Right after an edit the loaded pieces stand in for the first frame's.
const pieces = computed(
  () => bench.texts?.said[props.place] ?? bench.loaded?.said[props.place]?.pieces ?? [],
);
</script>

<template>
  <span class="text"><Pieces :pieces="pieces" /></span>
</template>

<style scoped>
.text {
  display: block;
  line-height: 1.5;
  contain: content;
}
.text :deep(.live) {
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
</style>
