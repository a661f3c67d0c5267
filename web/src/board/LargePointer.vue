<script setup lang="ts">
// A large pointer that is seen from the back row; it follows mouse, pen and finger and lets every touch through.
import { onBeforeUnmount, onMounted, ref } from 'vue';

const at = ref({ x: -200, y: -200 });
const follow = (e: PointerEvent) => (at.value = { x: e.clientX, y: e.clientY });

onMounted(() => window.addEventListener('pointermove', follow, { passive: true }));
onBeforeUnmount(() => window.removeEventListener('pointermove', follow));
</script>

<template>
  <div
    class="large-pointer"
    aria-hidden="true"
    :style="{ transform: `translate(${at.x - 26}px, ${at.y - 26}px)` }"
  />
</template>

<style scoped>
.large-pointer {
  position: fixed;
  left: 0;
  top: 0;
  z-index: 50;
  width: 52px;
  height: 52px;
  border: 4px solid var(--brass);
  border-radius: 50%;
  background: color-mix(in srgb, var(--brass) 30%, transparent);
  pointer-events: none;
}
</style>
