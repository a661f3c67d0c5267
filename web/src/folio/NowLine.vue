<script setup lang="ts">
// A function's formula with the values in play. It reads the frame itself, so that a frame changes this line alone.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import MathText from '../shared/MathText.vue';

const props = defineProps<{ place: number }>();
const bench = useBench();
const now = computed(() => bench.formulas[props.place]);
</script>

<template>
  <p v-if="now" class="now">now <MathText :latex="now" silent /></p>
</template>

<style scoped>
.now {
  margin: 0;
  color: var(--muted);
  contain: content;
}
</style>
