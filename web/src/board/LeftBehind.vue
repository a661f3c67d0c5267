<script setup lang="ts">
// Back on the bench: what was written or changed while presenting is in no document yet, until it is kept.
import { useBench } from '../bench/store';

const bench = useBench();
</script>

<template>
  <p v-if="!bench.presenting && bench.texts?.inked" class="left-behind" role="status">
    What you wrote while presenting is not kept yet.
    <button class="link" @click="bench.askEditInPlay({ kind: 'keepInk' })">
      Keep the ink with its scenes
    </button>
    <button class="link" @click="bench.frames.request(['inkForget'])">Wipe it</button>
  </p>
  <p v-else-if="!bench.presenting && bench.setBack" class="left-behind" role="status">
    What you changed while presenting was set back.
    <button class="link" @click="bench.keepPresented()">Keep the changes</button>
    <button class="link" @click="bench.setBack = false">Close</button>
  </p>
</template>

<style scoped>
.left-behind {
  position: fixed;
  z-index: 8;
  left: 16px;
  bottom: 150px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  max-width: 520px;
  margin: 0;
  padding: 10px 14px;
  border: 1px solid var(--brass);
  border-radius: 6px;
  background: var(--caution-ground);
  color: var(--ink);
}
</style>
