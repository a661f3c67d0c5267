<script setup lang="ts">
// The first thing that the Tab key reaches: ways past the head to the stage, the dials and the folio.
const ways: [string, string][] = [
  ['To the stage', '.stage .plane'],
  ['To the dials', '.deck [role="slider"]'],
  ['To the folio', '.folio button'],
];
/** Focuses the first that is in sight. */
const go = (selector: string) =>
  [...document.querySelectorAll<HTMLElement>(selector)].find((e) => e.getClientRects().length)?.focus();
</script>

<template>
  <nav class="skips" aria-label="Ways past the head">
    <button v-for="[words, selector] in ways" :key="words" @click="go(selector)">{{ words }}</button>
  </nav>
</template>

<style scoped>
.skips {
  position: absolute;
  z-index: 60;
  top: 0;
  left: 0;
}
button {
  position: absolute;
  top: -100px;
  min-height: 48px;
  padding: 0 20px;
  border: 2px solid var(--sea);
  border-radius: 0 0 6px 0;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  white-space: nowrap;
}
button:focus {
  top: 0;
}
</style>
