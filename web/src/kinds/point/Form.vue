<script setup lang="ts">
// A point by its coordinates, in the plane or in space.
import { computed } from 'vue';
import type { PointBody, Problem } from '../../generated/types';
import FormulaField from '../../folio/FormulaField.vue';

const body = defineModel<PointBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const fields = computed(() => [
  { key: 'x' as const, usual: 'p' },
  { key: 'y' as const, usual: body.value.z === undefined ? 'f(p)' : 'q' },
  ...(body.value.z === undefined ? [] : [{ key: 'z' as const, usual: 'f(p, q)' }]),
]);
</script>

<template>
  <label class="line"
    >name <a-input v-model:value="body.name" placeholder="P" aria-label="Name of the point"
  /></label>
  <div v-for="f in fields" :key="f.key">
    {{ f.key }}
    <FormulaField
      :model-value="body[f.key] ?? ''"
      :label="`${f.key} of the point`"
      :placeholder="f.usual"
      :refused="at(f.key)"
      :focus="f.key === 'x'"
      @update:model-value="body[f.key] = $event"
      @enter="emit('keep')"
      @escape="emit('cancel')"
    />
  </div>
</template>
