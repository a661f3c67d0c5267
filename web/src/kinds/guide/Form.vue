<script setup lang="ts">
// A straight line that helps to see.
import type { Direction, GuideBody, Problem } from '../../generated/types';
import FormulaField from '../../folio/FormulaField.vue';
import Choice from '../../shared/Choice.vue';

const body = defineModel<GuideBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const directions = [
  { value: 'upright', label: 'upright, x =' },
  { value: 'level', label: 'level, y =' },
  { value: 'slanted', label: 'slanted, y =' },
];
</script>

<template>
  <label class="line">
    a guide
    <Choice
      :model-value="body.direction"
      :options="directions"
      label="Direction"
      @update:model-value="body.direction = $event as Direction"
    />
  </label>
  <FormulaField
    v-model="body.at"
    label="Where the guide lies"
    placeholder="h"
    :refused="props.refused?.field === 'at' ? props.refused : undefined"
    focus
    @enter="emit('keep')"
    @escape="emit('cancel')"
  />
</template>
