<script setup lang="ts">
// What is shown on the stage: curves, points, guides, traces.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { CirclePiece, Figure, Shown, ShownKind } from '../generated/types';
import Pieces from '../shared/Pieces.vue';
import CircleFindings from './CircleFindings.vue';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';
import EntryRow from './EntryRow.vue';
import PartHead from './PartHead.vue';
import ShownForm from './ShownForm.vue';
import TrajectoryFindings from './TrajectoryFindings.vue';
import ValuesTable from './ValuesTable.vue';

const bench = useBench();
const fresh = ref<Shown>();
/** The table whose differences, or the circle whose findings, are seen. */
const tabulated = ref('');

const rows = computed(() =>
  (bench.document?.shown ?? []).map((entry) => ({
    entry,
    sentence: bench.loaded?.shown.find((s) => s.id === entry.id)?.sentence ?? [],
  })),
);
const hasPoints = computed(() => rows.value.some(({ entry }) => entry.kind === 'point'));
const hasFunctions = computed(() => bench.document?.stated.some((s) => s.kind === 'function'));

const hasParameters = computed(() => bench.document?.stated.some((s) => s.kind === 'parameter'));

const needsFunction = computed(() => (hasFunctions.value ? '' : 'state a function first'));

type Wanted = ShownKind | 'family' | 'runner' | 'plot';
const kinds = computed<{ kind: Wanted; words: string; waits: string }[]>(() => [
  {
    kind: 'curve',
    words: 'the curve of a function',
    waits: needsFunction.value,
  },
  {
    kind: 'family',
    words: 'a family: a curve for several values',
    waits: needsFunction.value || (hasParameters.value ? '' : 'state a function with a parameter first'),
  },
  { kind: 'steps', words: 'the steps from the parent function', waits: needsFunction.value },
  { kind: 'point', words: 'a point', waits: '' },
  { kind: 'runner', words: 'a point that runs along all curves', waits: needsFunction.value },
  { kind: 'guide', words: 'a guide line', waits: '' },
  { kind: 'figure', words: 'a piece of geometry: segment, angle, polygon, tangent …', waits: '' },
  { kind: 'table', words: 'plotted points from a table', waits: '' },
  { kind: 'plot', words: 'points plotted by tapping the stage', waits: '' },
  { kind: 'trajectory', words: 'a parametric curve (x(t), y(t))', waits: '' },
  {
    kind: 'circle',
    words: 'a circle with an angle, and its graph beside it',
    waits: (bench.document?.panels.length ?? 0) > 1 ? 'take the second panel off first' : '',
  },
  { kind: 'trace', words: 'the trace of a point', waits: hasPoints.value ? '' : 'show a point first' },
]);

const additions = computed<Action[]>(() =>
  kinds.value.map(({ kind, words, waits }) => ({
    key: kind,
    words: waits ? `${words} (${waits})` : words,
    off: waits !== '',
    act: () => add(kind),
  })),
);

/** What is new goes where nothing is yet, else everywhere. */
function emptyPanels(): string[] | undefined {
  const panels = bench.document?.panels ?? [];
  const empty = panels.filter(
    (p) => !bench.document?.shown.some((s) => !s.panels?.length || s.panels.includes(p.id)),
  );
  return empty.length && empty.length < panels.length ? empty.map((p) => p.id) : undefined;
}

/** A segment between the last two points, or a tangent where there are none. */
function startingFigure(): Figure {
  const ids = rows.value.filter(({ entry }) => entry.kind === 'point').map(({ entry }) => entry.id);
  return ids.length < 2 && hasFunctions.value
    ? { shape: 'tangent' }
    : { shape: 'segment', points: ids.slice(-2) };
}

async function addPlotted() {
  await bench.askEdit({ kind: 'putShown', shown: { id: '', kind: 'table', grips: true, colour: 0 } });
  bench.plotting = bench.document!.shown.at(-1)!.id;
}

function add(wanted: Wanted) {
  if (wanted === 'plot') return void addPlotted();
  if (wanted === 'circle') return void bench.askEdit({ kind: 'addCircle', circle: { driver: 'θ' } });
  if (wanted === 'runner') return void bench.askEdit({ kind: 'runAlong', scene: bench.scene });
  const kind = wanted === 'family' ? 'curve' : wanted;
  fresh.value = { id: '', kind, colour: 0, panels: emptyPanels() };
  if (wanted === 'family') {
    const parameter = bench.document?.stated.find((s) => s.kind === 'parameter')?.name ?? '';
    fresh.value.family = { parameter };
  }
  if (kind === 'trajectory') fresh.value.trajectory = { x: '', y: '', variable: 't', from: '0', to: '2π' };
  if (kind === 'figure') fresh.value.figure = startingFigure();
  if (kind === 'guide') fresh.value.direction = 'upright';
  if (kind === 'curve' || kind === 'steps' || fresh.value.figure?.shape === 'tangent')
    fresh.value.function = bench.document?.stated.filter((s) => s.kind === 'function').at(-1)?.name;
  if (kind === 'trace')
    fresh.value.of = rows.value.filter(({ entry }) => entry.kind === 'point').at(-1)?.entry.id;
  bench.editing = 'shown';
}

/** The colour in which the core draws an entry; beyond the hues lies the parent's grey. */
function hueOf(id: string) {
  const hue = bench.loaded?.shown.find((s) => s.id === id)?.hue ?? 7;
  return hue < 8 ? `hue-${hue}` : 'parent';
}

const name = (e: Shown) =>
  e.trajectory
    ? e.trajectory.function || 'the curve'
    : e.figure && !e.name
      ? e.figure.shape
      : e.part
        ? `${e.part.piece} ${e.part.ratio ?? ''}`.trim()
        : (e.name ?? e.function ?? e.kind);
const isLine = (e: Shown) => /Asymptotes|centreLine/.test(e.finding ?? '');

function actions(e: Shown): Action[] {
  if (e.kind === 'point' && !bench.document?.shown.some((s) => s.of === e.id)) {
    const shown: Shown = { id: '', kind: 'trace', of: e.id, colour: e.colour };
    return [{ key: 'trace', words: 'Trace it', act: () => void bench.askEdit({ kind: 'putShown', shown }) }];
  }
  if (e.kind === 'trajectory') return [...pieces(e), ...regions(e)];
  if (e.kind === 'table') {
    return [{ key: 'plot', words: 'Plot points by tapping', act: () => void tapPoints(e.id) }];
  }
  if (e.kind === 'curve' && e.function) {
    return [{ key: 'findings', words: `Findings of ${e.function}`, act: () => study(e.function!) }];
  }
  if (e.kind !== 'trace') return [];
  const list: Action[] = [
    { key: 'clear', words: 'Clear the trace', act: () => void clearTrace(e) },
    { key: 'keep', words: 'Keep the trace', act: () => void bench.keepTrace(e.id) },
  ];
  return list;
}

/** What can be shown at the point that runs through a polar or parametric curve. */
function pieces(e: Shown): Action[] {
  const polar: [CirclePiece, string][] = [['ray', 'the ray and the radius']];
  const all: [CirclePiece, string][] = [
    ...(e.trajectory?.function ? polar : []),
    ['projections', 'the projections'],
    ['velocity', 'the velocity'],
    ['acceleration', 'the acceleration'],
    ['tangent', 'the tangent'],
    ['osculating', 'the circle of curvature'],
    ['dots', 'dots at equal steps'],
    ['directions', 'the direction'],
    ['swept', 'the area swept'],
  ];
  return all.map(([piece, words]) => {
    const there = bench.document?.shown.find((s) => s.of === e.id && s.part?.piece === piece && !s.part.step);
    const shown = !there || bench.isHidden(there.id);
    return {
      key: piece,
      words: `${shown ? 'Show' : 'Hide'} ${words}`,
      act: () =>
        void bench.askEdit({
          kind: 'showPiece',
          piece: { circle: e.id, piece, ratio: '', shown, scene: bench.scene },
        }),
    };
  });
}

/** What can be shaded between a polar curve and another one. */
function regions(e: Shown): Action[] {
  const name = e.trajectory?.function;
  const others = (bench.document?.shown ?? []).filter((s) => s.trajectory?.function && s.id !== e.id);
  if (!name) return [];
  return others.flatMap((other) =>
    [false, true].map((common) => {
      const there = bench.document?.shown.find(
        (s) => s.of === e.id && s.part?.other === other.id && !!s.part.common === common,
      );
      const what = common
        ? `what ${name} and ${other.trajectory!.function} both enclose`
        : `what ${name} encloses and ${other.trajectory!.function} does not`;
      const shown: Shown = {
        id: '',
        kind: 'part',
        of: e.id,
        part: { piece: 'region', other: other.id, common },
        panels: e.panels,
        colour: e.colour,
      };
      return {
        key: `${other.id} ${common}`,
        words: there ? `Take off the shade of ${what}` : `Shade ${what}`,
        act: () => void bench.askEdit(there ? { kind: 'delete', id: there.id } : { kind: 'putShown', shown }),
      };
    }),
  );
}

/** Opens the findings of a curve's function, which stand under its statement. */
async function study(name: string) {
  bench.findings.open = name;
  await bench.findings.follow();
  document.querySelector(`[aria-label="Findings of ${name}"]`)?.scrollIntoView({ block: 'nearest' });
}

async function tapPoints(id: string) {
  await bench.change((copy) => (copy.shown.find((s) => s.id === id)!.grips = true));
  bench.plotting = id;
}

async function clearTrace(e: Shown) {
  if (e.kept?.length) await bench.change((copy) => delete copy.shown.find((s) => s.id === e.id)!.kept);
  await bench.frames.request(['clearTraces']);
}
</script>

<template>
  <section aria-label="Shown">
    <PartHead title="Shown" add="">
      <ActionMenu class="plus" label="Show something on the stage" :actions="additions">+</ActionMenu>
    </PartHead>
    <ul>
      <template v-for="{ entry, sentence } in rows" :key="entry.id">
        <li v-if="bench.editing === entry.id"><ShownForm :entry="entry" /></li>
        <EntryRow
          v-else
          :id="entry.id"
          :name="name(entry)"
          :actions="actions(entry)"
          :class="{ hidden: bench.isHidden(entry.id) }"
          :draggable="(bench.document?.panels.length ?? 0) > 1"
          @dragstart="$event.dataTransfer?.setData('text/x-parvix-entry', entry.id)"
        >
          <template #before>
            <button
              class="sample"
              :class="[hueOf(entry.id), entry.kind, entry.pattern]"
              :aria-pressed="!bench.isHidden(entry.id)"
              :aria-label="`${bench.isHidden(entry.id) ? 'Show' : 'Hide'} ${name(entry)}`"
              :title="bench.isHidden(entry.id) ? 'Show' : 'Hide'"
              @click="bench.toggle(entry.id)"
            >
              <svg viewBox="0 0 32 16" aria-hidden="true">
                <circle v-if="entry.kind === 'point'" cx="16" cy="8" r="5.5" />
                <template v-else-if="entry.kind === 'finding' && !isLine(entry)">
                  <path d="M2 13q14 -20 28 0" class="thin" />
                  <circle cx="16" cy="4" r="3.6" />
                </template>
                <template v-else-if="entry.kind === 'trace'">
                  <circle v-for="(y, k) in [12, 8, 5, 4, 5, 8]" :key="k" :cx="3 + 5 * k" :cy="y" r="1.9" />
                </template>
                <circle v-else-if="entry.kind === 'circle'" cx="16" cy="8" r="6.5" class="ring" />
                <path v-else-if="entry.kind === 'figure'" d="M4 13L28 13L20 3Z" class="stairs" />
                <template v-else-if="entry.kind === 'table'">
                  <circle v-for="(y, k) in [13, 9, 11, 4]" :key="k" :cx="4 + 8 * k" :cy="y" r="2.6" />
                </template>
                <template v-else-if="entry.family">
                  <path d="M2 3h28" class="ramp-0" />
                  <path d="M2 8h28" class="ramp-4" />
                  <path d="M2 13h28" class="ramp-8" />
                </template>
                <template v-else-if="entry.kind === 'steps'">
                  <path d="M2 13h9v-5h9v-5h10" class="stairs" />
                </template>
                <path v-else d="M2 8h28" />
              </svg>
            </button>
          </template>
          <Pieces :pieces="sentence" />
          <template v-if="entry.kind === 'circle' || entry.kind === 'trajectory'" #below>
            <button
              v-if="entry.trajectory && !entry.trajectory.driver"
              class="soft"
              @click="bench.askEdit({ kind: 'watch', id: entry.id, scene: bench.scene })"
            >
              watch it
            </button>
            <button
              class="soft"
              :aria-expanded="tabulated === entry.id"
              @click="tabulated = tabulated === entry.id ? '' : entry.id"
            >
              {{ tabulated === entry.id ? 'fold the findings' : 'findings' }}
            </button>
            <template v-if="tabulated === entry.id">
              <TrajectoryFindings v-if="entry.trajectory" :entry="entry" />
              <CircleFindings v-else :id="entry.id" />
            </template>
          </template>
          <template v-else-if="entry.kind === 'table' && entry.rows?.length" #below>
            <button
              class="soft"
              :aria-expanded="tabulated === entry.id"
              @click="tabulated = tabulated === entry.id ? '' : entry.id"
            >
              {{ tabulated === entry.id ? 'fold differences and ratios' : 'differences and ratios' }}
            </button>
            <ValuesTable v-if="tabulated === entry.id" :id="entry.id" of="points" />
          </template>
        </EntryRow>
      </template>
      <li v-if="bench.editing === 'shown' && fresh"><ShownForm :entry="fresh" /></li>
    </ul>
  </section>
</template>

<style scoped>
.sample {
  flex: none;
  width: 36px;
  height: 30px;
  padding: 0 2px;
  border: 0;
  border-radius: 4px;
  background: none;
  cursor: pointer;
}
.sample:hover {
  background: var(--paper);
}
.sample svg {
  width: 32px;
  height: 16px;
  fill: var(--hue);
  stroke: var(--hue);
}
.sample path {
  stroke-width: 4;
  fill: none;
}
.sample.guide path,
.sample.finding path {
  stroke-width: 2;
}
.sample path[class^='ramp'] {
  stroke: var(--hue);
  stroke-width: 3;
}
.sample .stairs {
  stroke-width: 2.5;
}
.sample .thin {
  opacity: 0.5;
}
.sample.guide path,
.sample.finding path:not(.thin),
.sample.parent path,
.sample.dashed path {
  stroke-dasharray: 7 4;
}
.sample.dotted path {
  stroke-dasharray: 2 4;
}
.sample.whole path {
  stroke-dasharray: none;
}
.sample.parent {
  --hue: var(--parent);
}
.sample circle {
  stroke: none;
}
.sample .ring {
  fill: none;
  stroke: var(--hue);
  stroke-width: 2.5;
}
.hidden .sample svg {
  opacity: 0.25;
}
.hidden :deep(.says) {
  color: var(--muted);
  text-decoration: line-through;
}
</style>
