<script setup lang="ts">
// A point read off a curve: the reading beside its mark, a field for another place, and a way to keep it.
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Problem, ReadingView } from '../generated/types';
import Choice from '../shared/Choice.vue';
import MathText from '../shared/MathText.vue';

const props = defineProps<{
  reading: ReadingView;
  problem?: Problem;
  size: { width: number; height: number };
}>();
const emit = defineEmits<{ read: [name: string, text: string]; keep: []; close: [] }>();
const bench = useBench();

const field = useTemplateRef<HTMLInputElement>('field');
const text = ref(props.reading.xText);
watch(
  () => props.reading.xText,
  (typed) => (text.value = typed),
);

const functions = computed(() =>
  (bench.document?.stated ?? [])
    .filter((s) => s.kind === 'function' && s.variables?.length === 1)
    .map((s) => ({ value: s.name, label: s.name })),
);

/** Beside the point, on the side that has room. */
const style = computed(() => {
  const { width, height } = props.size;
  const [x, y] = [
    Math.max(0, Math.min(width, props.reading.x)),
    props.reading.defined ? props.reading.y : height / 2,
  ];
  const left = x < width / 2;
  const top = y < height / 2;
  return {
    [left ? 'left' : 'right']: `${Math.min(left ? x : width - x, width - 290) + 18}px`,
    [top ? 'top' : 'bottom']: `${Math.max(8, Math.min(top ? y : height - y, height - 190)) + 14}px`,
  };
});

async function focus() {
  await nextTick();
  field.value?.focus();
  field.value?.select();
}
defineExpose({ focus });
</script>

<template>
  <i
    v-if="reading.defined"
    class="mark"
    :style="{ transform: `translate(${reading.x - 11}px, ${reading.y - 11}px)` }"
  />
  <form
    class="card"
    :style="style"
    role="dialog"
    aria-label="Reading"
    @submit.prevent="emit('read', reading.function, text)"
    @pointerdown.stop
    @wheel.stop
    @keydown.stop
    @keydown.esc="emit('close')"
  >
    <p class="value" aria-live="polite"><MathText :latex="reading.latex" /></p>
    <p v-if="reading.special" class="special">{{ reading.special }} of {{ reading.function }}</p>
    <p v-if="reading.reason" class="special">because {{ reading.reason }}</p>
    <div class="row">
      <Choice
        v-if="functions.length > 1 && functions.some((f) => f.value === reading.function)"
        :model-value="reading.function"
        :options="functions"
        label="Function that is read"
        @update:model-value="emit('read', $event as string, text)"
      />
      <label
        >at <input ref="field" v-model="text" aria-label="Place at which is read" autocomplete="off"
      /></label>
      <button class="chip" type="submit">read off</button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
    <div class="row">
      <button v-if="reading.defined" class="chip" type="button" @click="emit('keep')">keep as a point</button>
      <button class="chip" type="button" @click="emit('close')">close</button>
    </div>
  </form>
</template>

<style scoped>
.mark {
  position: absolute;
  left: 0;
  top: 0;
  width: 22px;
  height: 22px;
  border: 3px solid var(--ink);
  border-radius: 50%;
  pointer-events: none;
}
.card {
  position: absolute;
  display: grid;
  gap: 8px;
  width: 272px;
  padding: 10px 12px;
  background: var(--sheet);
  border: 1px solid var(--axis);
  border-radius: 6px;
  box-shadow: 0 2px 10px rgb(0 0 0 / 12%);
  cursor: auto;
}
p {
  margin: 0;
}
.value {
  font-size: 20px;
  overflow-x: auto;
  overflow-y: hidden;
}
.special {
  font-size: 15px;
  color: var(--muted);
}
.row :deep(select) {
  width: 74px;
}
.row {
  display: flex;
  align-items: center;
  gap: 8px;
}
label {
  display: flex;
  flex: 1;
  align-items: center;
  gap: 6px;
  min-width: 0;
}
input {
  width: 100%;
  min-width: 0;
  font: inherit;
  padding: 4px 7px;
  border: 1px solid var(--axis);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--ink);
}
</style>
