<script setup lang="ts">
// What a dial's bar is ruled with: its ticks, and marks where a function becomes one of another type.
import type { DegenerateView } from '../generated/types';

/** A value of the dial at which something becomes of another kind, and which functions do. */
export type Mark = DegenerateView & { functions: string };

defineProps<{ ticks: number[]; marks: Mark[] }>();
const at = (share: number) => `${(100 * share).toFixed(2)}%`;
</script>

<template>
  <i v-for="tick in ticks" :key="tick" class="tick" :style="{ left: at(tick) }" />
  <i
    v-for="mark in marks"
    :key="mark.value"
    class="mark"
    :style="{ left: at(mark.place) }"
    :title="`Here ${mark.functions} becomes a ${mark.kind}`"
  />
</template>

<style scoped>
.tick {
  position: absolute;
  top: 28px;
  height: 7px;
  border-left: 1.5px solid var(--axis);
}
.mark {
  position: absolute;
  top: 23px;
  z-index: 1;
  width: 9px;
  height: 9px;
  margin-left: -4.5px;
  border: 2px solid var(--hue);
  border-radius: 50%;
  background: var(--sheet);
}
</style>
