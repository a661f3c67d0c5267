<script setup lang="ts">
// How entries are drawn: colour, weight, line, points, label. What is not said stays as it is.
import type { Look } from '../generated/types';
import Choice from '../shared/Choice.vue';

defineProps<{
  look: Look;
  /** What can be chosen for these entries. */
  coloured: boolean;
  lines: boolean;
  points: boolean;
  usualPattern?: string;
  labels: { value: string; label: string }[];
}>();
const emit = defineEmits<{ change: [fields: Partial<Look>] }>();
const change = (fields: object) => emit('change', fields);

const weights = [
  { value: '', label: 'as usual' },
  { value: 'thin', label: 'thin' },
  { value: 'bold', label: 'bold' },
];
const sizes = [
  { value: '', label: 'as usual' },
  { value: 'thin', label: 'small' },
  { value: 'bold', label: 'large' },
];
const patterns = [
  { value: 'whole', label: 'whole' },
  { value: 'dashed', label: 'dashed' },
  { value: 'dotted', label: 'dotted' },
];
const shapes = [
  { value: '', label: 'as usual' },
  ...['disc', 'ring', 'square', 'diamond', 'triangle', 'cross'].map((value) => ({ value, label: value })),
];
</script>

<template>
  <div v-if="coloured" class="line">
    colour
    <div class="swatches" role="radiogroup" aria-label="Colour">
      <button
        v-for="hue in 8"
        :key="hue"
        type="button"
        role="radio"
        class="swatch"
        :class="`hue-${hue - 1}`"
        :aria-checked="look.colour % 8 === hue - 1"
        :aria-label="`Colour ${hue}`"
        @click="change({ colour: hue - 1 })"
      />
    </div>
  </div>
  <label class="line">
    weight
    <Choice
      :model-value="look.weight ?? ''"
      :options="weights"
      label="Weight"
      @update:model-value="change({ weight: $event || undefined })"
    />
  </label>
  <label v-if="lines" class="line">
    line
    <Choice
      :model-value="look.pattern || usualPattern"
      :options="patterns"
      label="Line"
      @update:model-value="change({ pattern: $event })"
    />
  </label>
  <label v-if="points" class="line">
    points
    <Choice
      :model-value="look.shape ?? ''"
      :options="shapes"
      label="Points"
      @update:model-value="change({ shape: $event || undefined })"
    />
  </label>
  <template v-if="labels.length">
    <label class="line">
      label
      <Choice
        :model-value="labels.some((l) => l.value === look.label) ? look.label : labels[0]!.value"
        :options="labels"
        label="Label"
        @update:model-value="change({ label: $event })"
      />
    </label>
    <label v-if="look.label === 'words'" class="line">
      words
      <a-input
        :value="look.words ?? ''"
        aria-label="Words of the label"
        :maxlength="80"
        @change="change({ words: ($event.target as HTMLInputElement).value || undefined })"
      />
    </label>
    <label v-if="look.label !== 'none'" class="line">
      its size
      <Choice
        :model-value="look.labelSize ?? ''"
        :options="sizes"
        label="Size of the label"
        @update:model-value="change({ labelSize: $event || undefined })"
      />
    </label>
  </template>
</template>

<style scoped>
.swatches {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.swatch {
  width: 28px;
  height: 28px;
  border-radius: 50%;
  border: 2px solid var(--sheet);
  background: var(--hue);
  cursor: pointer;
}
.swatch[aria-checked='true'] {
  box-shadow: 0 0 0 2px var(--ink);
}
</style>
