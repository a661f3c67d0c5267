<script setup lang="ts">
// What is shown of a surface: where its section is, how far apart its level curves are, at which point it is touched.
import FormulaField from '../../folio/FormulaField.vue';
import type { Problem, SurfacePartBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import SwitchLine from '../../shared/SwitchLine.vue';

const body = defineModel<SurfacePartBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const axes = ['x', 'y', 'z'].map((value) => ({ value, label: value }));
</script>

<template>
  <template v-if="body.piece === 'section'">
    <label class="line">
      the plane across
      <Choice
        :model-value="body.axis ?? 'x'"
        :options="axes"
        label="Axis of the section"
        @update:model-value="body.axis = $event as 'x' | 'y' | 'z'"
      />
    </label>
    <div>
      {{ body.axis }} =
      <FormulaField
        :model-value="body.at ?? ''"
        label="Section at"
        placeholder="c"
        :refused="at('at')"
        focus
        @update:model-value="body.at = $event"
        @enter="emit('keep')"
        @escape="emit('cancel')"
      />
    </div>
  </template>
  <template v-else-if="body.piece === 'levels'">
    <div>
      a curve every
      <FormulaField
        :model-value="body.step ?? ''"
        label="Distance of level curves"
        placeholder="round heights"
        :refused="at('step')"
        focus
        @update:model-value="body.step = $event || undefined"
        @enter="emit('keep')"
        @escape="emit('cancel')"
      />
    </div>
    <SwitchLine v-model="body.onFloor" words="on the floor too" label="On the floor too" />
  </template>
  <template v-else>
    <div v-for="f in ['x', 'y'] as const" :key="f">
      {{ f }} =
      <FormulaField
        :model-value="body[f] ?? ''"
        :label="`${f} of the point`"
        :refused="at(f)"
        :focus="f === 'x'"
        @update:model-value="body[f] = $event"
        @enter="emit('keep')"
        @escape="emit('cancel')"
      />
    </div>
  </template>
</template>
