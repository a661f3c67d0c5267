<script setup lang="ts">
// A parametric surface over a rectangle of its parameters.
import FormulaField from '../../folio/FormulaField.vue';
import type { ParametricBody, Problem } from '../../generated/types';

const body = defineModel<ParametricBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const examples = { x: '(2 + cos v) cos u', y: '(2 + cos v) sin u', z: 'sin v' };
</script>

<template>
  <div v-for="f in ['x', 'y', 'z'] as const" :key="f">
    {{ f }}({{ body.u }}, {{ body.v }}) =
    <FormulaField
      :model-value="body[f]"
      :label="`${f} of the surface`"
      :placeholder="examples[f]"
      :refused="at(f)"
      :focus="f === 'x'"
      @update:model-value="body[f] = $event"
      @enter="emit('keep')"
      @escape="emit('cancel')"
    />
  </div>
  <div class="thirds">
    <label><a-input v-model:value="body.u" aria-label="First parameter of the surface" /></label>
    <label>from <a-input v-model:value="body.fromU" aria-label="First parameter from" /></label>
    <label>to <a-input v-model:value="body.toU" aria-label="First parameter to" /></label>
  </div>
  <div class="thirds">
    <label><a-input v-model:value="body.v" aria-label="Second parameter of the surface" /></label>
    <label>from <a-input v-model:value="body.fromV" aria-label="Second parameter from" /></label>
    <label>to <a-input v-model:value="body.toV" aria-label="Second parameter to" /></label>
  </div>
</template>
