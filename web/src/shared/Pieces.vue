<script setup lang="ts">
// A sentence of words and formulas.
import type { PieceView } from '../generated/types';
import MathText from './MathText.vue';

defineProps<{ pieces: PieceView[] }>();
</script>

<template>
  <template v-for="(piece, i) in pieces" :key="i">
    <MathText v-if="piece.latex" :latex="piece.latex" :class="{ live: piece.live, waiting: piece.waiting }" />
    <span v-else :class="{ live: piece.live, waiting: piece.waiting }">{{ piece.text }}</span>
  </template>
</template>

<style scoped>
.waiting {
  opacity: 0.55;
}
</style>
