<script setup lang="ts">
// The page beside the stage: Stated, Shown, Said.
import SaidPart from './SaidPart.vue';
import ShownPart from './ShownPart.vue';
import StatedPart from './StatedPart.vue';
</script>

<template>
  <aside class="folio" aria-label="Folio" tabindex="-1">
    <StatedPart />
    <ShownPart />
    <SaidPart />
  </aside>
</template>

<style scoped>
.folio {
  background: var(--sheet);
  border-left: 1px solid var(--hairline);
  padding: 0 18px 20px 20px;
  overflow-y: auto;
  /* What moves on the stage is put together without the folio's rows being compared with it. */
  contain: layout paint style;
}
.folio :deep(ul) {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
</style>
