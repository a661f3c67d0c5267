<script setup lang="ts">
// A form of the folio: its fields, Keep and Cancel.
import { onMounted, useTemplateRef } from 'vue';

defineProps<{ keep?: string }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const form = useTemplateRef<HTMLElement>('form');

// A form that opens below the fold comes into sight whole.
onMounted(() => form.value?.scrollIntoView({ block: 'nearest' }));
</script>

<template>
  <form ref="form" class="entry-form" @submit.prevent="emit('keep')" @keydown.esc.stop="emit('cancel')">
    <slot />
    <div class="ends">
      <a-button type="primary" html-type="submit">{{ keep ?? 'Keep' }}</a-button>
      <a-button @click="emit('cancel')">Cancel</a-button>
    </div>
  </form>
</template>

<style scoped>
.entry-form {
  display: grid;
  gap: 10px;
  padding: 10px;
  margin: 4px -10px;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--paper);
}
.ends {
  display: flex;
  gap: 8px;
}
</style>
