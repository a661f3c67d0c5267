<script setup lang="ts">
// On a phone the texts of the panels stand under the stage, where they cover nothing. While presenting the texts that stand
// beside the stage on the bench are read here, and those of panels that have left their room to others.
import { computed, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue';
import { useSeenPanels } from '../bench/panels';
import { useBench } from '../bench/store';
import LiveText from '../folio/LiveText.vue';

const bench = useBench();
const { seen: panels } = useSeenPanels();
const seen = computed(() =>
  (bench.document?.said ?? []).flatMap(({ id, where }, place) =>
    bench.isSeen(id)
      ? [{ id, place, onPanel: !!where?.panels?.some((panel) => panels.value.includes(panel)) }]
      : [],
  ),
);
const places = computed(() => seen.value.filter(({ onPanel }) => onPanel || bench.presenting));
/** The room that the texts of a scene have taken: while presenting it is kept, so that the picture does not change its size. */
const room = ref(0);
const box = useTemplateRef<HTMLElement>('box');
watch(
  () => [bench.presenting, bench.scenesBegun],
  () => (room.value = 0),
);
const observer = new ResizeObserver(([entry]) => {
  if (bench.presenting && entry) room.value = Math.max(room.value, entry.borderBoxSize[0]!.blockSize);
});
watch(box, (is, was) => {
  if (was) observer.unobserve(was);
  if (is) observer.observe(is);
});
onBeforeUnmount(() => observer.disconnect());
const beside = computed(() => bench.presenting && seen.value.some(({ onPanel }) => !onPanel));
</script>

<template>
  <div
    v-if="places.length"
    ref="box"
    class="under"
    :class="{ beside }"
    :style="room ? { minHeight: `${room}px` } : {}"
  >
    <p v-for="{ id, place, onPanel } in places" :key="id" :class="{ 'on-panel': onPanel }">
      <LiveText :place="place" />
    </p>
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
.under.beside {
  grid-area: under;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 40px;
  max-height: 24vh;
  overflow-y: auto;
  font-size: calc(17px * var(--type));
}
.on-panel {
  display: none;
}
p {
  margin: 0 0 6px;
}
@media (max-width: 760px), (max-height: 500px) {
  .under,
  .under.beside {
    display: block;
    grid-area: under;
    max-height: none;
    font-size: 17px;
  }
  .on-panel {
    display: block;
  }
}
</style>
