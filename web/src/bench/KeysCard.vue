<script setup lang="ts">
// The keys, listed when ? is pressed.
import { onMounted, useTemplateRef } from 'vue';
import { singleKeys } from './keys';

const emit = defineEmits<{ close: [] }>();
const card = useTemplateRef<HTMLElement>('card');
const keys: [string, string][] = [
  ['PageDown, PageUp', 'the next scene, the one before'],
  ['S', 'starting values'],
  ['H', 'hold still: everything that sweeps stops; again, and all of it goes on'],
  ['1 … 9', 'while presenting: hide and reveal what is shown'],
  ['B or .', 'while presenting: the curtain, on and off'],
  ['P', 'a large pointer, on and off'],
  ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'],
  ['Esc', 'out of full screen, then back to the bench'],
  ['on a dial', 'arrows step, with Shift ten steps; Home, Enter, Space'],
  ['on the plane', 'arrows move the window, + and − zoom, 0 fits, R reads, L lets a curve be heard'],
  ['on a point', 'arrows move it, Enter tells where it is'],
  [
    'on space',
    'arrows turn it, with Shift they move it, + and − zoom, X, Y, Z look along an axis, 0 as at first',
  ],
];
onMounted(() => card.value?.focus());
</script>

<template>
  <div
    ref="card"
    class="keys"
    role="dialog"
    aria-label="Keys"
    tabindex="-1"
    @keydown.esc.stop="emit('close')"
  >
    <button class="close" aria-label="Close the list of keys" @click="emit('close')">×</button>
    <h2>Keys</h2>
    <dl>
      <template v-for="[k, words] in keys" :key="k">
        <dt>{{ k }}</dt>
        <dd>{{ words }}</dd>
      </template>
    </dl>
    <label class="single"><input v-model="singleKeys" type="checkbox" /> keys of a single letter act</label>
  </div>
</template>

<style scoped>
.keys {
  position: fixed;
  inset: 0;
  z-index: 40;
  margin: auto;
  width: min(560px, calc(100vw - 32px));
  height: fit-content;
  padding: 16px 22px;
  border: 1px solid var(--axis);
  border-radius: 8px;
  background: var(--sheet);
  font-size: calc(15px * var(--type));
}
h2 {
  margin: 0 0 8px;
  font-family: var(--serif);
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 20px;
  margin: 0;
}
.single {
  display: block;
  margin-top: 14px;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0;
}
.close {
  float: right;
  width: 40px;
  height: 40px;
  border: 0;
  border-radius: 5px;
  background: var(--paper);
  font-size: 20px;
  cursor: pointer;
}
</style>
