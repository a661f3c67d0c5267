<script setup lang="ts">
// In which scenes an entry is seen: a small mark for each, which a touch turns.
import { computed } from 'vue';
import { useBench } from '../bench/store';

const props = defineProps<{ id: string; name: string }>();
const bench = useBench();

const marks = computed(() =>
  (bench.document?.scenes ?? []).map((scene, place) => ({
    place,
    isSeen: !scene.hidden?.includes(props.id),
    scene: scene.name,
  })),
);
/** Where there is one scene its mark says only whether the entry is seen. */
const isAlone = computed(() => marks.value.length === 1);
const wordsOf = (m: { place: number; isSeen: boolean; scene: string }) =>
  isAlone.value
    ? `${m.isSeen ? 'Hide' : 'Show'} ${props.name}`
    : `${props.name}, seen in scene ${m.place + 1}: ${m.scene}`;
</script>

<template>
  <span class="marks" role="group" :aria-label="`Scenes in which ${name} is seen`">
    <button
      v-for="m in marks"
      :key="m.place"
      class="mark"
      :class="{ here: !isAlone && m.place === bench.scene, alone: isAlone }"
      :aria-pressed="m.isSeen"
      :aria-label="wordsOf(m)"
      :title="wordsOf(m)"
      @click="bench.toggle(id, m.place)"
    >
      {{ isAlone ? (m.isSeen ? '●' : '○') : m.place + 1 }}
    </button>
  </span>
</template>

<style scoped>
.marks {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 2px;
  margin: 1px 0 3px;
}
.mark {
  min-width: 20px;
  height: 20px;
  padding: 0 3px;
  border: 0;
  border-bottom: 3px solid var(--hairline);
  background: none;
  color: var(--muted);
  font: inherit;
  font-size: 12px;
  line-height: 1;
  cursor: pointer;
}
.mark[aria-pressed='true'] {
  border-bottom-color: var(--sea);
  color: var(--ink);
}
.mark.here {
  font-weight: 700;
  background: var(--paper);
}
.mark.alone {
  min-width: 26px;
  height: 28px;
  border: 0;
  color: var(--sea);
  font-size: 14px;
}
.mark:hover {
  background: var(--paper);
}
@media (hover: none) {
  .mark {
    min-width: 28px;
    height: 26px;
  }
}
</style>
