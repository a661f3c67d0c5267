<script setup lang="ts">
// The graph of a function, or a family of them.
import { computed } from 'vue';
import type { CurveBody, Problem } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { functions } from '../bench';
import FamilyFields from '../FamilyFields.vue';
import SwitchLine from '../../shared/SwitchLine.vue';

const body = defineModel<CurveBody>({ required: true });
defineProps<{ refused?: Problem }>();
const choices = computed(functions);
</script>

<template>
  <label class="line">
    the curve of
    <Choice v-model="body.function" :options="choices" label="Function" />
  </label>
  <label v-if="!body.family" class="line"
    >as the parent, grey and dashed
    <a-switch :checked="body.parent ?? false" size="small" @update:checked="body.parent = $event as boolean"
  /></label>
  <SwitchLine
    v-if="!body.family"
    v-model="body.grips"
    words="moved by hand at its key points"
    label="Moved by hand at its key points"
  />
  <FamilyFields v-model="body.family" />
</template>
