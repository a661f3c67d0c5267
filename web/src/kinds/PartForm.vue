<script setup lang="ts">
// A part is chosen at what it is a part of.
import type { Problem } from '../generated/types';

defineModel<unknown>({ required: true });
defineProps<{ refused?: Problem }>();
</script>

<template>
  <p class="hint">What is shown of it is chosen there: under “circle …”, or in the curve’s menu.</p>
</template>
