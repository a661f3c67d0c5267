<script setup lang="ts">
// Says what is shown: a curve, a point, a guide or a trace, and how it looks.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { Problem, RestOfGraph, Shown } from '../generated/types';
import Choice from '../shared/Choice.vue';
import { rests } from '../shared/rests';
import EntryForm from './EntryForm.vue';
import FamilyFields from './FamilyFields.vue';
import FigureForm from './FigureForm.vue';
import FormulaField from './FormulaField.vue';
import RowsField from './RowsField.vue';

const props = defineProps<{ entry: Shown }>();
const bench = useBench();
/** A copy without the page's own wrappers, as the core takes it. */
const plain = (e: Shown) => JSON.parse(JSON.stringify(e)) as Shown;
const entry = ref<Shown>(plain(props.entry));
const refused = ref<Problem>();

const functions = computed(() =>
  (bench.document?.stated ?? [])
    .filter((s) => s.kind === 'function' && s.variables?.length === 1)
    .map((s) => ({ value: s.name, label: s.name })),
);
const points = computed(() =>
  (bench.document?.shown ?? [])
    .filter((s) => s.kind === 'point')
    .map((s) => ({ value: s.id, label: s.name })),
);

const parameters = computed(() =>
  (bench.document?.stated ?? []).filter((s) => s.kind === 'parameter').map((s) => ({ value: s.name })),
);
const panels = computed(() => bench.document?.panels ?? []);

const isFamily = computed(() => entry.value.family !== undefined);
const rows = ref(props.entry.rows ?? []);
function turnDistances(on: boolean) {
  entry.value.distances = on;
  entry.value.function ??= functions.value.at(-1)?.value;
}

/** An entry that names no panel appears in all. */
const appearsIn = (id: string) => !entry.value.panels?.length || entry.value.panels.includes(id);
function tickPanel(id: string, on: boolean) {
  const ids = panels.value.map((p) => p.id).filter((p) => (p === id ? on : appearsIn(p)));
  entry.value.panels = ids.length === panels.value.length || !ids.length ? undefined : ids;
}

const x = computed({ get: () => entry.value.x ?? '', set: (v) => (entry.value.x = v) });
const y = computed({ get: () => entry.value.y ?? '', set: (v) => (entry.value.y = v) });
const at = computed({ get: () => entry.value.at ?? '', set: (v) => (entry.value.at = v) });

const directions = [
  { value: 'upright', label: 'upright, x =' },
  { value: 'level', label: 'level, y =' },
  { value: 'slanted', label: 'slanted, y =' },
];
const patterns = [
  { value: 'whole', label: 'whole' },
  { value: 'dashed', label: 'dashed' },
  { value: 'dotted', label: 'dotted' },
];
const circleFields = computed(() => [
  { key: 'angle' as const, words: 'angle', usual: entry.value.circle?.driver ?? 'θ' },
  { key: 'radius' as const, words: 'radius', usual: '1' },
  { key: 'centre' as const, words: 'height of the centre', usual: '0' },
]);
const radii = [
  { value: 'unit', label: 'the unit of both pictures' },
  { value: 'amplitude', label: 'the amplitude' },
];
/** Pixels between the dots of a trace, at least. */
const thinnings = [
  { value: '0', label: 'all that were recorded' },
  { value: '14', label: 'close together' },
  { value: '34', label: 'far apart' },
];
const labels = computed(() => {
  const kinds = {
    curve: ['name', 'formula', 'none'],
    point: ['name', 'coordinates', 'none'],
    guide: ['name', 'none'],
    trace: [],
    steps: [],
    path: ['name', 'none'],
    table: [],
    finding: ['name', 'none'],
    circle: [],
    part: ['name', 'none'],
    trajectory: ['name', 'formula', 'none'],
    figure: ['name', 'none'],
  };
  const words: Record<string, string> = {
    name:
      {
        guide: 'its equation',
        figure: 'its measure',
        path: 'its equation',
        finding: 'coordinates or equations',
      }[props.entry.kind as string] ?? 'its name',
    formula: 'the formula with values',
    coordinates: 'name and coordinates',
    none: 'nothing',
  };
  const shown = isFamily.value ? ['name', 'none'] : kinds[props.entry.kind];
  if (isFamily.value) words.name = "its parameter's value";
  return shown.map((value) => ({ value, label: words[value]! }));
});
const usualPattern = computed(() =>
  props.entry.kind === 'guide' || entry.value.parent ? 'dashed' : 'whole',
);

async function keep() {
  if (entry.value.kind === 'table') entry.value.rows = rows.value.filter((r) => r.x.trim() || r.y.trim());
  refused.value = await bench.askEdit({ kind: 'putShown', shown: plain(entry.value) });
  if (!refused.value) bench.editing = '';
}

const refusedAt = (field: string) => (refused.value?.field === field ? refused.value : undefined);
</script>

<template>
  <EntryForm :keep="entry.id ? 'Keep' : 'Show it'" @keep="keep" @cancel="bench.editing = ''">
    <template v-if="entry.kind === 'curve'">
      <label class="line">
        the curve of
        <Choice v-model="entry.function" :options="functions" label="Function" />
      </label>
      <label v-if="!isFamily" class="line"
        >as the parent, grey and dashed
        <a-switch
          :checked="entry.parent ?? false"
          size="small"
          @update:checked="entry.parent = $event as boolean"
      /></label>
      <label v-if="!isFamily" class="line"
        >moved by hand at its key points
        <a-switch
          :checked="entry.grips ?? false"
          size="small"
          aria-label="Moved by hand at its key points"
          @update:checked="entry.grips = $event as boolean"
      /></label>
      <FamilyFields v-model="entry.family" />
    </template>
    <template v-else-if="entry.kind === 'point'">
      <label class="line"
        >name <a-input v-model:value="entry.name" placeholder="P" aria-label="Name of the point"
      /></label>
      <div>
        x
        <FormulaField
          v-model="x"
          label="x of the point"
          placeholder="p"
          :refused="refusedAt('x')"
          focus
          @enter="keep"
          @escape="bench.editing = ''"
        />
      </div>
      <div>
        y
        <FormulaField
          v-model="y"
          label="y of the point"
          placeholder="f(p)"
          :refused="refusedAt('y')"
          @enter="keep"
          @escape="bench.editing = ''"
        />
      </div>
    </template>
    <template v-else-if="entry.kind === 'guide'">
      <label class="line">
        a guide
        <Choice v-model="entry.direction" :options="directions" label="Direction" />
      </label>
      <FormulaField
        v-model="at"
        label="Where the guide lies"
        placeholder="h"
        :refused="refusedAt('at')"
        focus
        @enter="keep"
        @escape="bench.editing = ''"
      />
    </template>
    <label v-else-if="entry.kind === 'steps'" class="line">
      the steps from the parent to
      <Choice v-model="entry.function" :options="functions" label="Function" />
    </label>
    <template v-else-if="entry.kind === 'table'">
      <RowsField v-model="rows" />
      <label class="line"
        >moved by hand
        <a-switch
          :checked="entry.grips ?? false"
          size="small"
          aria-label="Points moved by hand"
          @update:checked="entry.grips = $event as boolean"
      /></label>
      <label class="line"
        >joined by lines
        <a-switch
          :checked="entry.joined ?? false"
          size="small"
          aria-label="Joined by lines"
          @update:checked="entry.joined = $event as boolean"
      /></label>
      <label v-if="functions.length" class="line"
        >distances from a curve
        <a-switch
          :checked="entry.distances ?? false"
          size="small"
          aria-label="Distances from a curve"
          @update:checked="turnDistances($event as boolean)"
      /></label>
      <label v-if="entry.distances" class="line">
        of the function
        <Choice v-model="entry.function" :options="functions" label="Function" />
      </label>
    </template>
    <template v-else-if="entry.circle">
      <label class="line">
        turned by the dial
        <Choice v-model="entry.circle.driver" :options="parameters" label="Dial of the circle" />
      </label>
      <div v-for="f in circleFields" :key="f.key">
        {{ f.words }}
        <FormulaField
          :model-value="entry.circle[f.key] ?? ''"
          :label="f.words"
          :placeholder="f.usual"
          :refused="refusedAt(`circle.${f.key}`)"
          @update:model-value="entry.circle[f.key] = $event"
          @enter="keep"
          @escape="bench.editing = ''"
        />
      </div>
      <label class="line">
        the radius is
        <Choice
          :model-value="entry.circle.scaled ? 'amplitude' : 'unit'"
          :options="radii"
          label="The radius is"
          @update:model-value="entry.circle.scaled = $event === 'amplitude'"
        />
      </label>
    </template>
    <template v-else-if="entry.trajectory">
      <p v-if="entry.trajectory.function" class="hint">
        The polar curve {{ entry.trajectory.function }}, as it is stated.
      </p>
      <template v-else>
        <div v-for="f in ['x', 'y'] as const" :key="f">
          {{ f }}({{ entry.trajectory.variable }}) =
          <FormulaField
            :model-value="entry.trajectory[f] ?? ''"
            :label="`${f} of the curve`"
            :placeholder="f === 'x' ? '3cos t' : '2 sin t'"
            :refused="refusedAt(`trajectory.${f}`)"
            :focus="f === 'x'"
            @update:model-value="entry.trajectory[f] = $event"
            @enter="keep"
            @escape="bench.editing = ''"
          />
        </div>
        <label class="line"
          >parameter <a-input v-model:value="entry.trajectory.variable" aria-label="Parameter of the curve"
        /></label>
      </template>
      <div class="thirds">
        <label>from <a-input v-model:value="entry.trajectory.from" aria-label="Curve from" /></label>
        <label>to <a-input v-model:value="entry.trajectory.to" aria-label="Curve to" /></label>
      </div>
      <label v-if="parameters.length" class="line">
        drawn up to
        <Choice
          :model-value="entry.trajectory.driver ?? ''"
          :options="[{ value: '', label: 'its end' }, ...parameters]"
          label="Drawn up to"
          @update:model-value="entry.trajectory.driver = $event || undefined"
        />
      </label>
      <label v-if="entry.trajectory.driver" class="line">
        the rest
        <Choice
          :model-value="entry.trajectory.rest || 'faint'"
          :options="rests"
          label="The rest of the curve"
          @update:model-value="entry.trajectory.rest = $event as RestOfGraph"
        />
      </label>
      <FamilyFields v-model="entry.family" />
    </template>
    <FigureForm
      v-else-if="entry.figure"
      v-model="entry"
      :refused="refusedAt('at')"
      @keep="keep"
      @cancel="bench.editing = ''"
    />
    <template v-else-if="entry.part">
      <p class="hint">What is shown of the circle is chosen there, under “circle …”.</p>
    </template>
    <p v-else-if="entry.kind === 'path'" class="hint">
      It is the path of {{ entry.function }} as {{ entry.as }} varies.
    </p>
    <p v-else-if="entry.kind === 'finding'" class="hint">It follows the findings of {{ entry.function }}.</p>
    <label v-else class="line">
      the trace of
      <Choice v-model="entry.of" :options="points" label="Point" />
    </label>
    <label v-if="entry.kind === 'trace'" class="line">
      dots
      <Choice
        :model-value="String(entry.apart ?? 0)"
        :options="thinnings"
        label="Dots of the trace"
        @update:model-value="entry.apart = Number($event)"
      />
    </label>
    <fieldset v-if="panels.length > 1" class="panels">
      <legend>appears in</legend>
      <label v-for="(panel, k) in panels" :key="panel.id">
        <input
          type="checkbox"
          :checked="appearsIn(panel.id)"
          @change="tickPanel(panel.id, ($event.target as HTMLInputElement).checked)"
        />
        panel {{ k + 1 }}
      </label>
    </fieldset>
    <template v-if="entry.id">
      <div v-if="!isFamily && entry.kind !== 'part'" class="line">
        colour
        <div class="swatches" role="radiogroup" aria-label="Colour">
          <button
            v-for="hue in 8"
            :key="hue"
            type="button"
            role="radio"
            class="swatch"
            :class="`hue-${hue - 1}`"
            :aria-checked="entry.colour % 8 === hue - 1"
            :aria-label="`Colour ${hue}`"
            @click="entry.colour = hue - 1"
          />
        </div>
      </div>
      <label v-if="(entry.kind === 'curve' && !isFamily) || entry.kind === 'guide'" class="line">
        line
        <Choice
          :model-value="entry.pattern || usualPattern"
          :options="patterns"
          label="Line"
          @update:model-value="entry.pattern = $event as Shown['pattern']"
        />
      </label>
      <label v-if="labels.length" class="line">
        label
        <Choice
          :model-value="labels.some((l) => l.value === entry.label) ? entry.label : 'name'"
          :options="labels"
          label="Label"
          @update:model-value="entry.label = $event as Shown['label']"
        />
      </label>
    </template>
    <p
      v-if="
        refused &&
        ![
          'x',
          'y',
          'at',
          'circle.angle',
          'circle.radius',
          'circle.centre',
          'trajectory.x',
          'trajectory.y',
        ].includes(refused.field)
      "
      class="problem"
      role="alert"
    >
      {{ refused.message }}
    </p>
  </EntryForm>
</template>

<style scoped>
.panels {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 0;
  padding: 0;
  border: 0;
}
.panels legend {
  float: left;
  margin: 0 14px 0 0;
  width: auto;
  font-size: inherit;
  border: 0;
}
.swatches {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.swatch {
  width: 28px;
  height: 28px;
  border-radius: 50%;
  border: 2px solid var(--sheet);
  background: var(--hue);
  cursor: pointer;
}
.swatch[aria-checked='true'] {
  box-shadow: 0 0 0 2px var(--ink);
}
</style>
