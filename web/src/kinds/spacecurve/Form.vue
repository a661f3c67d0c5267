<script setup lang="ts">
// A curve in space on an interval.
import FormulaField from '../../folio/FormulaField.vue';
import type { Problem, SpacecurveBody } from '../../generated/types';
import SwitchLine from '../../shared/SwitchLine.vue';
import RunFields from '../RunFields.vue';

const body = defineModel<SpacecurveBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const examples = { x: 'cos t', y: 'sin t', z: 't/5' };
</script>

<template>
  <div v-for="f in ['x', 'y', 'z'] as const" :key="f">
    {{ f }}({{ body.variable }}) =
    <FormulaField
      :model-value="body[f]"
      :label="`${f} of the curve`"
      :placeholder="examples[f]"
      :refused="at(f)"
      :focus="f === 'x'"
      @update:model-value="body[f] = $event"
      @enter="emit('keep')"
      @escape="emit('cancel')"
    />
  </div>
  <label class="line"
    >parameter <a-input v-model:value="body.variable" aria-label="Parameter of the curve"
  /></label>
  <div class="thirds">
    <label>from <a-input v-model:value="body.from" aria-label="Curve from" /></label>
    <label>to <a-input v-model:value="body.to" aria-label="Curve to" /></label>
  </div>
  <RunFields v-model="body" />
  <SwitchLine
    v-model="body.pieces"
    words="each piece in a colour of its own"
    label="Each piece in a colour of its own"
  />
</template>
