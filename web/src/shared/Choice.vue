<script setup lang="ts">
// A choice from a few: the browser's own select, which every aid can use.
defineProps<{ options: { value: string; label?: string }[]; label: string }>();
const value = defineModel<string>();
</script>

<template>
  <select v-model="value" class="choice" :aria-label="label">
    <option v-for="o in options" :key="o.value" :value="o.value">{{ o.label ?? o.value }}</option>
  </select>
</template>

<style scoped>
.choice {
  width: 100%;
  min-height: 34px;
  padding: 0 8px;
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--axis);
  border-radius: 5px;
}
</style>
