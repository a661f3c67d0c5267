<script setup lang="ts">
// A curve in space on an interval.
import { computed } from 'vue';
import FormulaField from '../../folio/FormulaField.vue';
import type { Problem, Rest, SpacecurveBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { rests } from '../../shared/rests';
import SwitchLine from '../../shared/SwitchLine.vue';
import { parameters } from '../bench';

const body = defineModel<SpacecurveBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const dials = computed(parameters);
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
  <label v-if="dials.length" class="line">
    drawn up to
    <Choice
      :model-value="body.driver ?? ''"
      :options="[{ value: '', label: 'its end' }, ...dials]"
      label="Drawn up to"
      @update:model-value="body.driver = $event || undefined"
    />
  </label>
  <label v-if="body.driver" class="line">
    the rest
    <Choice
      :model-value="body.rest || 'faint'"
      :options="rests"
      label="The rest of the curve"
      @update:model-value="body.rest = $event as Rest"
    />
  </label>
  <SwitchLine
    v-model="body.pieces"
    words="each piece in a colour of its own"
    label="Each piece in a colour of its own"
  />
</template>
