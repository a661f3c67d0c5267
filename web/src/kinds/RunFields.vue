<script setup lang="ts">
// Up to which dial a curve is drawn, and what becomes of the rest of it.
import { computed } from 'vue';
import type { Rest } from '../generated/types';
import Choice from '../shared/Choice.vue';
import { rests } from '../shared/rests';
import { parameters } from './bench';

const body = defineModel<{ driver?: string; rest?: Rest }>({ required: true });
const dials = computed(parameters);
</script>

<template>
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
</template>
