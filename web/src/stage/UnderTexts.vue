<script setup lang="ts">
// On a phone the texts of the panels stand under the stage, where they cover nothing.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import LiveText from '../folio/LiveText.vue';

const bench = useBench();
const places = computed(() =>
  (bench.document?.said ?? []).flatMap((said, place) =>
    said.panel && bench.isSeen(said.id) ? [{ id: said.id, place }] : [],
  ),
);
</script>

<template>
  <div v-if="places.length" class="under">
    <p v-for="{ id, place } in places" :key="id"><LiveText :place="place" /></p>
  </div>
</template>

<style scoped>
.under {
  display: none;
  padding: 10px 16px;
  background: var(--sheet);
  border-top: 1px solid var(--hairline);
  font-size: 17px;
}
p {
  margin: 0 0 6px;
}
@media (max-width: 760px) {
  .under {
    display: block;
    grid-area: under;
  }
}
</style>
