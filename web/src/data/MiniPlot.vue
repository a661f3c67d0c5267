<script setup lang="ts">
// A small picture of two columns: the row at hand stands out, and a tap on a point leads to its row.
defineProps<{ points: number[][]; row: number }>();
const emit = defineEmits<{ row: [row: number] }>();
const width = 100;
const height = 30;
</script>

<template>
  <svg
    class="mini"
    :viewBox="`-3 -3 ${width + 6} ${height + 6}`"
    role="img"
    aria-label="The points of the table in small"
  >
    <circle
      v-for="[at = 0, across = 0, up = 0] in points"
      :key="at"
      :cx="across * width"
      :cy="height - up * height"
      :r="at === row ? 1.8 : 0.9"
      :class="{ here: at === row }"
      @click="emit('row', at)"
    >
      <title>row {{ at + 1 }}</title>
    </circle>
  </svg>
</template>

<style scoped>
.mini {
  display: block;
  width: 100%;
  margin: 8px 0;
  border: 1px solid var(--hairline);
  border-radius: 6px;
}
circle {
  fill: var(--hue-0);
  cursor: pointer;
}
.here {
  fill: var(--wrong);
  stroke: var(--ink);
  stroke-width: 0.5;
}
</style>
