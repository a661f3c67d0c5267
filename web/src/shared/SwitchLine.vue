<script setup lang="ts">
// A line of a form that is on or off.
const on = defineModel<boolean>();
defineProps<{ words: string; label?: string }>();
</script>

<template>
  <label class="line"
    >{{ words }}
    <a-switch
      :checked="on ?? false"
      size="small"
      :aria-label="label ?? words"
      @update:checked="on = $event as boolean"
  /></label>
</template>
