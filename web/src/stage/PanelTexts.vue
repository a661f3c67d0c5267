<script setup lang="ts">
// Texts that stand on a panel, in its corners. Their sizes are told, so that labels keep clear of them.
import { computed, onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue';
import { useBench } from '../bench/store';
import LiveText from '../folio/LiveText.vue';
import type { Corner, Entry, Panel } from '../generated/types';

const props = defineProps<{ panel: Panel }>();
const emit = defineEmits<{ measured: [id: string, width: number, height: number] }>();
const bench = useBench();
const corners: Corner[] = ['topLeft', 'topRight', 'bottomLeft', 'bottomRight'];
const boxes = useTemplateRef<HTMLElement[]>('boxes');

const isText = (said: Entry) => !!said.where?.panels?.includes(props.panel.id);
const texts = computed(() =>
  (bench.document?.said ?? [])
    .map((said, place) => ({ said, place }))
    .filter(({ said }) => isText(said) && bench.isSeen(said.id)),
);
const inCorner = (corner: Corner) =>
  texts.value.filter(({ said }) => (said.where?.corner || 'topLeft') === corner);

const observer = new ResizeObserver((entries) => {
  for (const { target } of entries) {
    const { id } = (target as HTMLElement).dataset;
    emit('measured', id!, (target as HTMLElement).offsetWidth, (target as HTMLElement).offsetHeight);
  }
});
function observe() {
  observer.disconnect();
  for (const box of boxes.value ?? []) observer.observe(box);
}
onMounted(observe);
watch(texts, observe, { flush: 'post' });
onBeforeUnmount(() => observer.disconnect());
</script>

<template>
  <template v-for="corner in corners" :key="corner">
    <div v-if="inCorner(corner).length" class="corner" :class="corner">
      <p v-for="{ said, place } in inCorner(corner)" :key="said.id" ref="boxes" :data-id="said.id">
        <LiveText :place="place" />
      </p>
    </div>
  </template>
</template>

<style scoped>
.corner {
  position: absolute;
  display: grid;
  gap: 6px;
  max-width: min(46%, 30em);
  font-size: calc(17px * var(--type));
  pointer-events: none;
}
@media (max-width: 760px), (max-height: 500px) {
  .corner {
    display: none;
  }
}
p {
  margin: 0;
  padding: 5px 10px;
  border-radius: 4px;
  border: 1px solid var(--hairline);
  background: color-mix(in srgb, var(--sheet) 92%, transparent);
}
.topLeft,
.bottomLeft {
  left: 12px;
  justify-items: start;
}
.topRight,
.bottomRight {
  right: 12px;
  justify-items: end;
}
.topLeft,
.topRight {
  top: 12px;
}
.bottomLeft,
.bottomRight {
  bottom: 12px;
}
</style>
