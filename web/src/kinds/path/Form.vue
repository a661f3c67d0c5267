<script setup lang="ts">
// A path follows its function and its parameter.
import type { PathBody, Problem } from '../../generated/types';

const body = defineModel<PathBody>({ required: true });
defineProps<{ refused?: Problem }>();
</script>

<template>
  <p class="hint">It is the path of {{ body.function }} as {{ body.as }} varies.</p>
</template>
