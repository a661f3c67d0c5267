<script setup lang="ts">
// The head of a part of the folio, with its +.
defineProps<{ title: string; add: string }>();
const emit = defineEmits<{ add: [] }>();
</script>

<template>
  <header>
    <h2>{{ title }}</h2>
    <slot><button class="plus" :aria-label="add" :title="add" @click="emit('add')">+</button></slot>
    <i />
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 14px;
}
h2 {
  font-family: var(--serif);
  font-size: 18px;
  font-weight: 600;
  margin: 0;
}
i {
  flex: 1;
  border-top: 1px solid var(--hairline);
}
:deep(.plus) {
  width: 30px;
  height: 30px;
  border: 0;
  border-radius: 50%;
  background: none;
  color: var(--sea);
  font-size: 22px;
  line-height: 1;
  cursor: pointer;
}
:deep(.plus:hover) {
  background: var(--paper);
}
</style>
