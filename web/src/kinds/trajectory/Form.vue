<script setup lang="ts">
// A polar or parametric curve on an interval.
import FormulaField from '../../folio/FormulaField.vue';
import type { Problem, TrajectoryBody } from '../../generated/types';
import RunFields from '../RunFields.vue';
import FamilyFields from '../FamilyFields.vue';

const body = defineModel<TrajectoryBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
</script>

<template>
  <p v-if="body.function" class="hint">The polar curve {{ body.function }}, as it is stated.</p>
  <template v-else>
    <div v-for="f in ['x', 'y'] as const" :key="f">
      {{ f }}({{ body.variable }}) =
      <FormulaField
        :model-value="body[f] ?? ''"
        :label="`${f} of the curve`"
        :placeholder="f === 'x' ? '3cos t' : '2 sin t'"
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
  </template>
  <div class="thirds">
    <label>from <a-input v-model:value="body.from" aria-label="Curve from" /></label>
    <label>to <a-input v-model:value="body.to" aria-label="Curve to" /></label>
  </div>
  <RunFields v-model="body" />
  <FamilyFields v-model="body.family" />
</template>
