<script setup lang="ts">
// What is shown on the stage; how each kind is edited, drawn small and what can be done with it stands in its folder.
import { computed, ref, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Entry } from '../generated/types';
import { additions, kindOf, nameOf } from '../kinds';
import { emptyPanels } from '../kinds/bench';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';
import { fresh as made } from '../shared/entries';
import Pieces from '../shared/Pieces.vue';
import EntryRow from './EntryRow.vue';
import LookTogether from './LookTogether.vue';
import PartHead from './PartHead.vue';
import ShownForm from './ShownForm.vue';
import StatementForm from './StatementForm.vue';
import { sceneActions } from './sceneActions';

const bench = useBench();
const fresh = ref<Entry>();

const rows = computed(() =>
  (bench.document?.shown ?? []).map((entry) => ({
    entry,
    kind: kindOf(entry),
    name: nameOf(entry),
    sentence: bench.loaded?.shown.find((s) => s.id === entry.id)?.sentence ?? [],
  })),
);

/** What can be typed as it stands in a book needs no form of its own. */
const typed: Action = {
  key: 'typed',
  words: 'type it: x = 3, (p, f(p)), (cos t, sin t), x² + y² = 9 …',
  act: () => (bench.editing = 'typed'),
};

const offered = computed<Action[]>(() => [
  typed,
  ...additions().map(({ key, kind, words, waits, fresh: body, act }) => ({
    key,
    words: waits ? `${words} (${waits})` : words,
    off: !!waits,
    act: act ?? (() => begin(made(kind, body!(), { where: { panels: emptyPanels() } }))),
  })),
]);

function begin(entry: Entry) {
  fresh.value = entry;
  bench.editing = 'shown';
}

/** The colour in which the core draws an entry; beyond the hues lies the parent's grey. */
function hueOf(id: string) {
  const hue = bench.loaded?.shown.find((s) => s.id === id)?.hue ?? 7;
  return hue < 8 ? `hue-${hue}` : 'parent';
}

type Acting = Parameters<NonNullable<ReturnType<typeof kindOf>['actions']>>[0];
const actionsOf = (e: Entry): Action[] => [
  ...sceneActions(e.id, kindOf(e).labels(e.body as never).length > 0),
  ...(kindOf(e).actions?.(e as Acting) ?? []),
];

/** The entries whose look is changed together. */
const chosenForLook = ref<string[]>([]);
const together = computed(() =>
  chosenForLook.value.filter((id) => bench.document?.shown.some((s) => s.id === id)),
);
function choose(id: string) {
  chosenForLook.value = together.value.includes(id)
    ? together.value.filter((t) => t !== id)
    : [...together.value, id];
}

/** What is a part of another entry stands folded under it. */
const wholeOf = (e: Entry) => {
  const of = (e.body as { of?: string }).of;
  return e.kind !== 'trace' && bench.document?.shown.some((s) => s.id === of) ? of : undefined;
};
const unfolded = ref(new Set<string>());
const partsOf = (id: string) => rows.value.filter((r) => wholeOf(r.entry) === id).length;
const isListed = (e: Entry) => {
  const whole = wholeOf(e);
  return !whole || unfolded.value.has(whole) || bench.editing === e.id || !!bench.problemOf(e.id);
};
/** The entries in their order, each followed by its parts that are unfolded. */
const listed = computed(() => {
  type Row = (typeof rows.value)[number];
  const under = (whole?: string): Row[] =>
    rows.value.filter((r) => wholeOf(r.entry) === whole).flatMap((r) => [r, ...under(r.entry.id)]);
  return under().filter((r) => isListed(r.entry));
});
// What has just been added is seen.
watch(
  () => rows.value.map((r) => r.entry.id),
  (_, before) => {
    if (!before.length) return;
    for (const { entry } of rows.value) {
      const whole = wholeOf(entry);
      if (whole && before.includes(whole) && !before.includes(entry.id)) unfolded.value.add(whole);
    }
  },
);
function unfold(id: string) {
  if (!unfolded.value.delete(id)) unfolded.value.add(id);
}
</script>

<template>
  <section aria-label="Shown">
    <PartHead title="Shown" add="">
      <ActionMenu class="plus" label="Show something on the stage" :actions="offered">+</ActionMenu>
    </PartHead>
    <LookTogether v-if="together.length" :ids="together" @close="chosenForLook = []" />
    <ul>
      <template v-for="{ entry, kind, name, sentence } in listed" :key="entry.id">
        <li v-if="bench.editing === entry.id"><ShownForm :entry="entry" /></li>
        <EntryRow
          v-else
          :id="entry.id"
          :name="name"
          :actions="actionsOf(entry)"
          :class="{ hidden: bench.isHidden(entry.id), part: wholeOf(entry) }"
          marks
        >
          <template #before>
            <button
              class="sample"
              :class="[hueOf(entry.id), entry.kind, entry.look.pattern]"
              :aria-pressed="together.includes(entry.id)"
              :aria-label="`Choose ${name} to change its look`"
              title="Change its look, alone or together with others"
              @click="choose(entry.id)"
            >
              <svg viewBox="0 0 32 16" aria-hidden="true">
                <component :is="kind.icon" :body="entry.body" />
              </svg>
            </button>
          </template>
          <Pieces :pieces="sentence" />
          <template #below>
            <button
              v-if="partsOf(entry.id)"
              class="soft"
              :aria-expanded="unfolded.has(entry.id)"
              @click="unfold(entry.id)"
            >
              {{ unfolded.has(entry.id) ? 'fold its parts' : `its ${partsOf(entry.id)} parts` }}
            </button>
            <component :is="kind.below" v-if="kind.below" :entry="entry" />
          </template>
        </EntryRow>
      </template>
      <li v-if="bench.editing === 'typed'"><StatementForm id="" text="" /></li>
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
.sample[aria-pressed='true'] {
  box-shadow: inset 0 0 0 2px var(--sea);
}
.sample svg {
  width: 32px;
  height: 16px;
  fill: var(--hue);
  stroke: var(--hue);
}
.sample :deep(path) {
  stroke-width: 4;
  fill: none;
}
.sample.guide :deep(path),
.sample.finding :deep(path) {
  stroke-width: 2;
}
.sample :deep(path[class^='ramp']) {
  stroke: var(--hue);
  stroke-width: 3;
}
.sample :deep(.stairs) {
  stroke-width: 2.5;
}
.sample :deep(.thin) {
  opacity: 0.5;
}
.sample.guide :deep(path),
.sample.finding :deep(path:not(.thin)),
.sample.parent :deep(path),
.sample.dashed :deep(path) {
  stroke-dasharray: 7 4;
}
.sample.dotted :deep(path) {
  stroke-dasharray: 2 4;
}
.sample.whole :deep(path) {
  stroke-dasharray: none;
}
.sample.parent {
  --hue: var(--parent);
}
.sample :deep(circle) {
  stroke: none;
}
.sample :deep(.ring) {
  fill: none;
  stroke: var(--hue);
  stroke-width: 2.5;
}
.part {
  margin-left: 18px;
}
.hidden .sample svg {
  opacity: 0.25;
}
.hidden :deep(.says) {
  color: var(--muted);
}
</style>
