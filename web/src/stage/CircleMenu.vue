<script setup lang="ts">
// What is shown of a circle, beside the six ratios: built up one idea at a time.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import Sheet from '../shared/Sheet.vue';
import type { CirclePiece, Document, Entry, Panel, Rest } from '../generated/types';
import Choice from '../shared/Choice.vue';
import { isOn, ofKind } from '../shared/entries';
import { rests } from '../shared/rests';

const props = defineProps<{ panel: Panel }>();
const bench = useBench();

const circles = computed(() =>
  ofKind(bench.document?.shown, 'circle').filter((e) => isOn(e as Entry, props.panel.id)),
);
/** The id of the circle that is asked about, where there are several. */
const chosen = ref('');
const circle = computed(() => circles.value.find((c) => c.id === chosen.value) ?? circles.value[0]);
const drivers = computed(() =>
  circles.value.map(({ id, body }) => ({ value: id, label: body.angle || body.driver })),
);
const partsIn = (d?: Document) =>
  ofKind(d?.shown, 'circlePart').filter((p) => p.body.of === circle.value?.id);
const parts = computed(() => partsIn(bench.document));
const isShown = (piece: CirclePiece, ratio = '') =>
  parts.value.some(
    ({ id, body }) => body.piece === piece && (body.ratio ?? '') === ratio && !bench.isHidden(id),
  );

const plain: { piece: CirclePiece; words: string }[] = [
  { piece: 'arc', words: 'the arc' },
  { piece: 'angle', words: 'the angle at the centre' },
  { piece: 'coordinates', words: 'the coordinates of the point' },
  { piece: 'unrolled', words: 'the arc unrolled on the axis' },
];
const ratios: { piece: CirclePiece; ratio: string; words: string }[] = [
  { piece: 'carried', ratio: 'sin', words: 'the sine carried over' },
  { piece: 'carried', ratio: 'cos', words: 'the cosine, turned by the complement' },
  { piece: 'wave', ratio: 'sin', words: 'amplitude, period, centre line of the sine' },
  { piece: 'wave', ratio: 'cos', words: 'amplitude, period, centre line of the cosine' },
  { piece: 'triangles', ratio: 'tan', words: 'similar triangles of the tangent' },
  { piece: 'triangles', ratio: 'cot', words: 'similar triangles of the cotangent' },
  { piece: 'triangles', ratio: 'sec', words: 'similar triangles of the secant' },
  { piece: 'triangles', ratio: 'csc', words: 'similar triangles of the cosecant' },
];

const put = (piece: CirclePiece, ratio: string, shown: boolean) =>
  bench.showPiece({ of: circle.value!.id, piece, ratio, shown });

const onAxis = computed(() => parts.value.some(({ body }) => body.onAxis));
const turnAxis = (on: boolean) =>
  bench.change((copy) => {
    for (const { body } of partsIn(copy)) if (body.ratio) body.onAxis = on;
  });

const rest = computed(() => parts.value.find(({ body }) => body.piece === 'graph')?.body.rest || 'faint');
const turnRest = (value = 'faint') =>
  bench.change((copy) => {
    for (const { body } of partsIn(copy)) if (body.piece === 'graph') body.rest = value as Rest;
  });
</script>

<template>
  <Sheet v-if="circle" label="What is shown of the circle">
    <template #default="{ open }">
      <button class="chip" aria-haspopup="dialog" :aria-expanded="open">circle …</button>
    </template>
    <template #content>
      <div class="circle-menu">
        <label v-if="circles.length > 1" class="rest">
          the circle turned by
          <Choice
            :model-value="circle!.id"
            :options="drivers"
            label="The circle turned by"
            @update:model-value="chosen = $event ?? ''"
          />
        </label>
        <label v-for="p in plain" :key="p.piece">
          <input
            type="checkbox"
            :checked="isShown(p.piece)"
            @change="put(p.piece, '', ($event.target as HTMLInputElement).checked)"
          />
          {{ p.words }}
        </label>
        <hr />
        <label v-for="p in ratios" :key="p.piece + p.ratio">
          <input
            type="checkbox"
            :checked="isShown(p.piece, p.ratio)"
            @change="put(p.piece, p.ratio, ($event.target as HTMLInputElement).checked)"
          />
          {{ p.words }}
        </label>
        <hr />
        <label>
          <input
            type="checkbox"
            :checked="onAxis"
            @change="turnAxis(($event.target as HTMLInputElement).checked)"
          />
          tangent and cotangent on the lines x = 1 and y = 1
        </label>
        <p class="hint">
          On the tangent line at the point, the tangent counts as positive clockwise and the cotangent
          anticlockwise; on x = 1 up, on y = 1 to the right.
        </p>
        <label class="rest">
          the graph ahead of the angle
          <Choice
            :model-value="rest"
            :options="rests"
            label="The graph ahead of the angle"
            @update:model-value="turnRest"
          />
        </label>
      </div>
    </template>
  </Sheet>
</template>

<style scoped>
.circle-menu {
  display: grid;
  gap: 4px;
  width: 320px;
}
label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 28px;
}
hr {
  width: 100%;
  margin: 4px 0;
  border: 0;
  border-top: 1px solid var(--hairline);
}
.rest {
  justify-content: space-between;
}
.hint {
  margin: 0;
}
</style>
