<script setup lang="ts">
// How entries are drawn: colour, weight, line, points, label. What is not said stays as it is.
import { computed } from 'vue';
import type { Look } from '../generated/types';
import Choice from '../shared/Choice.vue';

interface Option {
  value: string;
  label: string;
}

const props = defineProps<{
  look: Look;
  /** What can be chosen for these entries. */
  coloured: boolean;
  lines: boolean;
  points: boolean;
  usualPattern?: string;
  labels: Option[];
}>();
const emit = defineEmits<{ change: [fields: Partial<Look>] }>();

const named = (...names: string[]): Option[] => names.map((value) => ({ value, label: value }));
const usual: Option = { value: '', label: 'as usual' };

/** The choices from a few, one below the other: what each is called, and which field it changes. */
const choices = computed(() => {
  const { look, labels } = props;
  const label = labels.some((l) => l.value === look.label) ? look.label : labels[0]?.value;
  const list: { key: keyof Look; words: string; name: string; value?: string; options: Option[] }[] = [
    {
      key: 'weight',
      words: 'weight',
      name: 'Weight',
      value: look.weight,
      options: [usual, ...named('thin', 'bold')],
    },
    {
      key: 'pattern',
      words: 'line',
      name: 'Line',
      value: look.pattern || props.usualPattern,
      options: props.lines ? named('whole', 'dashed', 'dotted') : [],
    },
    {
      key: 'shape',
      words: 'points',
      name: 'Points',
      value: look.shape,
      options: props.points
        ? [usual, ...named('disc', 'ring', 'square', 'diamond', 'triangle', 'cross')]
        : [],
    },
    { key: 'label', words: 'label', name: 'Label', value: label, options: labels },
    {
      key: 'labelSize',
      words: 'its size',
      name: 'Size of the label',
      value: look.labelSize,
      options: labels.length && label !== 'none' ? [usual, ...named('small', 'large')] : [],
    },
  ];
  return list.filter(({ options }) => options.length);
});

const change = (key: keyof Look, value?: string) => emit('change', { [key]: value || undefined });
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
        @click="emit('change', { colour: hue - 1 })"
      />
    </div>
  </div>
  <template v-for="c in choices" :key="c.key">
    <label class="line">
      {{ c.words }}
      <Choice
        :model-value="c.value ?? ''"
        :options="c.options"
        :label="c.name"
        @update:model-value="change(c.key, $event)"
      />
    </label>
    <label v-if="c.key === 'label' && look.label === 'words'" class="line">
      words
      <a-input
        :value="look.words ?? ''"
        aria-label="Words of the label"
        :maxlength="80"
        @change="change('words', ($event.target as HTMLInputElement).value)"
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
