<script setup lang="ts">
// A curve, or the members of a family.
defineProps<{ body: { family?: unknown } }>();
</script>

<template>
  <template v-if="body.family">
    <path d="M2 3h28" class="ramp-0" />
    <path d="M2 8h28" class="ramp-4" />
    <path d="M2 13h28" class="ramp-8" />
  </template>
  <path v-else d="M2 8h28" />
</template>
