<script setup lang="ts">
// A function taken apart into its parent and the steps from there.
import { computed } from 'vue';
import type { Problem, StepsBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { functions } from '../bench';

const body = defineModel<StepsBody>({ required: true });
defineProps<{ refused?: Problem }>();
const choices = computed(functions);
</script>

<template>
  <label class="line">
    the steps from the parent to
    <Choice v-model="body.function" :options="choices" label="Function" />
  </label>
</template>
