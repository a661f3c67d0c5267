<script setup lang="ts">
// A small text that becomes a field when it is touched. accept gives a sentence when what was typed cannot be taken.
import { nextTick, ref, useTemplateRef, watch } from 'vue';

const props = defineProps<{
  text: string;
  label: string;
  accept: (text: string) => Promise<string>;
  /** What stands there while there is no text. */
  empty?: string;
}>();
const open = defineModel<boolean>('open', { default: false });
const field = useTemplateRef<HTMLInputElement>('field');
const button = useTemplateRef<HTMLButtonElement>('button');
const typed = ref('');
const refusal = ref('');

watch(open, async (isOpen) => {
  if (!isOpen) return;
  typed.value = props.text;
  refusal.value = '';
  await nextTick();
  field.value?.focus();
  field.value?.select();
});

async function take() {
  if (!open.value) return;
  if (typed.value.trim() !== props.text) {
    refusal.value = await props.accept(typed.value.trim());
    if (refusal.value) return;
  }
  close();
}

function close() {
  const hadFocus = document.activeElement === field.value;
  open.value = false;
  if (hadFocus) void nextTick(() => button.value?.focus());
}
</script>

<template>
  <span class="in-place">
    <template v-if="open">
      <input
        ref="field"
        v-model="typed"
        :aria-label="label"
        :aria-invalid="refusal !== ''"
        :size="Math.max(4, typed.length)"
        @keydown.enter.prevent.stop="take"
        @keydown.esc.stop="close"
        @keydown.stop
        @blur="take"
      />
      <span v-if="refusal" class="problem floating" role="alert">{{ refusal }}</span>
    </template>
    <button v-else ref="button" class="bare" :title="label" @click="open = true">
      {{ text || empty }}<span class="only-spoken">. {{ label }}</span>
    </button>
  </span>
</template>

<style scoped>
.in-place {
  position: relative;
}
input {
  font: inherit;
  color: inherit;
  max-width: 9em;
  border: 1px solid var(--sea);
  border-radius: 4px;
  padding: 0 4px;
  background: var(--sheet);
}
.bare {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px dotted var(--axis);
  padding: 0 2px;
  min-height: 24px;
  min-width: 24px;
  cursor: text;
}
.floating {
  position: absolute;
  left: 0;
  bottom: calc(100% + 4px);
  z-index: 5;
  width: max-content;
  max-width: 260px;
  white-space: normal;
  font-size: 14px;
  font-weight: 400;
  background: var(--sheet);
}
</style>
