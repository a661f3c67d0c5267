<script setup lang="ts">
// A circle whose point an angle turns.
import { computed } from 'vue';
import FormulaField from '../../folio/FormulaField.vue';
import type { CircleBody, Problem } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { parameters } from '../bench';

const body = defineModel<CircleBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const dials = computed(parameters);
const fields = computed(() => [
  { key: 'angle' as const, words: 'angle', usual: body.value.driver || 'θ' },
  { key: 'radius' as const, words: 'radius', usual: '1' },
  { key: 'centre' as const, words: 'height of the centre', usual: '0' },
]);
const radii = [
  { value: 'unit', label: 'the unit of both pictures' },
  { value: 'amplitude', label: 'the amplitude' },
];
</script>

<template>
  <label class="line">
    turned by the dial
    <Choice v-model="body.driver" :options="dials" label="Dial of the circle" />
  </label>
  <div v-for="f in fields" :key="f.key">
    {{ f.words }}
    <FormulaField
      :model-value="body[f.key] ?? ''"
      :label="f.words"
      :placeholder="f.usual"
      :refused="at(f.key)"
      @update:model-value="body[f.key] = $event"
      @enter="emit('keep')"
      @escape="emit('cancel')"
    />
  </div>
  <label class="line">
    the radius is
    <Choice
      :model-value="body.scaled ? 'amplitude' : 'unit'"
      :options="radii"
      label="The radius is"
      @update:model-value="body.scaled = $event === 'amplitude'"
    />
  </label>
</template>
