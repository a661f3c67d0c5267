<script setup lang="ts">
// A finding follows its function.
import type { FindingBody, Problem } from '../../generated/types';

const body = defineModel<FindingBody>({ required: true });
defineProps<{ refused?: Problem }>();
</script>

<template>
  <p class="hint">It follows the findings of {{ body.function }}.</p>
</template>
