<script setup lang="ts">
// Says that a window shows nothing, or that the angle unit hides a curve, and offers the mends.
import type { AdviceView, Mended } from '../generated/types';

defineProps<{ advice: AdviceView }>();
const emit = defineEmits<{ mend: [mend: Mended]; close: [] }>();
</script>

<template>
  <div class="advice" role="status" :data-advice="advice.code" @pointerdown.stop>
    <span>{{ advice.message }}</span>
    <button v-for="mend in advice.mends" :key="mend.words" class="chip" @click="emit('mend', mend)">
      {{ mend.words }}
    </button>
    <button class="chip" aria-label="Leave it as it is" @click="emit('close')">leave it</button>
  </div>
</template>

<style scoped>
.advice {
  position: absolute;
  left: 50%;
  bottom: 14px;
  transform: translateX(-50%);
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  width: max-content;
  max-width: calc(100% - 28px);
  padding: 8px 14px;
  background: var(--sheet);
  border: 1px solid var(--brass);
  border-left-width: 5px;
  border-radius: 6px;
  cursor: auto;
}
</style>
