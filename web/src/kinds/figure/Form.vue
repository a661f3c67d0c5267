<script setup lang="ts">
// A piece of geometry: its shape, and the points or the function that it hangs on.
import { computed } from 'vue';
import FormulaField from '../../folio/FormulaField.vue';
import {
  mostCorners,
  pointsOf,
  type FigureBody,
  type FigureShape,
  type Problem,
} from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { functions as statedFunctions, points as shownPoints } from '../bench';

const figure = defineModel<FigureBody>({ required: true });
defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();

const words: Record<FigureShape, string> = {
  segment: 'segment',
  arrow: 'arrow',
  midpoint: 'midpoint',
  circle: 'circle',
  arc: 'arc',
  angle: 'angle',
  rightAngle: 'right angle',
  polygon: 'polygon',
  tangent: 'tangent',
  normal: 'perpendicular',
  intersection: 'intersections',
  plane: 'plane in space',
};
const shapes = (Object.keys(words) as FigureShape[]).map((value) => ({ value, label: words[value] }));
const isByEquation = computed(() => figure.value.shape === 'plane' && figure.value.equation !== undefined);
const needs = computed(() => (isByEquation.value ? 0 : pointsOf[figure.value.shape]));
const ids = computed(() => figure.value.points ?? []);

const points = computed(() => shownPoints().filter((p) => p.label !== figure.value.name));
const functions = computed(statedFunctions);
const at = computed({ get: () => figure.value.at ?? '', set: (v) => (figure.value.at = v) });

/** Takes a shape with as many of the points as it needs, in their order. */
function take(shape: FigureShape) {
  const count = pointsOf[shape];
  const wanted = count < 0 ? Math.max(3, ids.value.length) : count;
  const known = [...ids.value, ...points.value.map((p) => p.value).filter((id) => !ids.value.includes(id))];
  figure.value.shape = shape;
  figure.value.points = known.slice(0, wanted);
  figure.value.equation = undefined;
  // A plane goes through three points of space where there are as many, else it is what fulfils an equation.
  if (shape === 'plane' && figure.value.points.length < wanted) byEquation(true);
  if (count === 0) {
    figure.value.function ??= functions.value[0]?.value;
    if (shape === 'intersection') figure.value.other = functions.value.at(-1)?.value;
  }
}
function byEquation(is: boolean) {
  if (!is) {
    take('plane');
    return;
  }
  figure.value.points = undefined;
  figure.value.equation = '';
}
const choose = (k: number, id?: string) =>
  (figure.value.points = ids.value.map((old, i) => (i === k ? (id ?? old) : old)));
const add = () => (figure.value.points = [...ids.value, points.value[0]!.value]);
const remove = () => (figure.value.points = ids.value.slice(0, -1));

const roles = computed(() => {
  switch (figure.value.shape) {
    case 'circle':
      return ['centre', 'a point on it'];
    case 'arc':
      return ['centre', 'from', 'towards'];
    case 'angle':
    case 'rightAngle':
      return ['from', 'vertex', 'to'];
    default:
      return ids.value.map((_, k) => `point ${k + 1}`);
  }
});
const lacks = computed(() =>
  needs.value !== 0 && ids.value.length < Math.max(needs.value, needs.value < 0 ? 3 : 0)
    ? `Show ${needs.value < 0 ? 3 : needs.value} points first; there are ${points.value.length}.`
    : '',
);
</script>

<template>
  <label class="line">
    shape
    <Choice
      :model-value="figure.shape"
      :options="shapes"
      label="Shape"
      @update:model-value="take($event as FigureShape)"
    />
  </label>
  <p v-if="figure.shape === 'plane'" class="more">
    <button v-if="isByEquation" type="button" class="link" @click="byEquation(false)">
      through three points
    </button>
    <button v-else type="button" class="link" @click="byEquation(true)">by its equation</button>
  </p>
  <FormulaField
    v-if="isByEquation"
    :model-value="figure.equation ?? ''"
    label="Equation of the plane"
    placeholder="x + 2y + z = 3"
    :refused="refused?.field === 'equation' ? refused : undefined"
    focus
    @update:model-value="figure.equation = $event"
    @enter="emit('keep')"
    @escape="emit('cancel')"
  />
  <p v-if="lacks" class="hint">{{ lacks }}</p>
  <label v-for="(id, k) in needs === 0 ? [] : ids" :key="k" class="line">
    {{ roles[k] }}
    <Choice
      :model-value="id"
      :options="points"
      :label="roles[k] ?? 'point'"
      @update:model-value="choose(k, $event)"
    />
  </label>
  <p v-if="needs < 0 && points.length" class="more">
    <button v-if="ids.length < mostCorners" type="button" class="link" @click="add">another corner</button>
    <button v-if="ids.length > 3" type="button" class="link" @click="remove">one corner less</button>
  </p>
  <label v-if="figure.shape === 'midpoint'" class="line"
    >name <a-input v-model:value="figure.name" placeholder="M" aria-label="Name of the midpoint"
  /></label>
  <template v-if="needs === 0 && !isByEquation">
    <label class="line">
      {{ figure.shape === 'intersection' ? 'where' : 'to the curve of' }}
      <Choice v-model="figure.function" :options="functions" label="Function" />
    </label>
    <label v-if="figure.shape === 'intersection'" class="line">
      meets
      <Choice v-model="figure.other" :options="functions" label="The other function" />
    </label>
    <div v-else>
      at x =
      <FormulaField
        v-model="at"
        label="Place of the line"
        placeholder="p"
        :refused="refused?.field === 'at' ? refused : undefined"
        focus
        @enter="emit('keep')"
        @escape="emit('cancel')"
      />
    </div>
  </template>
</template>

<style scoped>
.more {
  display: flex;
  gap: 16px;
  margin: 0;
}
.hint {
  margin: 0;
}
</style>
