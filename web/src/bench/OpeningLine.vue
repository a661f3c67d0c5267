<script setup lang="ts">
// That a bench is being opened, and how much of the mathematics has come, where the way is long.
import { arrived } from '../core/module';
</script>

<template>
  <div class="opening">
    <p role="status">Opening …</p>
    <label v-if="arrived !== undefined && arrived < 100">
      <progress :value="arrived" max="100" /> {{ arrived }} % of the mathematics is here
    </label>
  </div>
</template>

<style scoped>
.opening {
  text-align: center;
}
label {
  display: grid;
  justify-items: center;
  gap: 6px;
  color: var(--muted);
}
progress {
  width: min(280px, 60vw);
  accent-color: var(--sea);
}
</style>
