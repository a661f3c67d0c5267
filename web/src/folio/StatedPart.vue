<script setup lang="ts">
// What is stated: functions and parameters.
import { computed, ref, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Stated } from '../generated/types';
import { fresh, ofKind } from '../shared/entries';
import DataRow from '../data/DataRow.vue';
import FitForm from '../data/FitForm.vue';
import MathText from '../shared/MathText.vue';
import StepsTable from './StepsTable.vue';
import EffectList from './EffectList.vue';
import type { Action } from '../shared/ActionMenu.vue';
import EntryRow from './EntryRow.vue';
import FindingsList from './FindingsList.vue';
import MoveForm from './MoveForm.vue';
import NowLine from './NowLine.vue';
import ParameterForm from './ParameterForm.vue';
import PartHead from './PartHead.vue';
import StatementForm from './StatementForm.vue';
import ValuesTable from './ValuesTable.vue';

const bench = useBench();

const rows = computed(() =>
  (bench.document?.stated ?? []).map((stated) => {
    const place = bench.loaded?.functions.findIndex((f) => f.id === stated.id) ?? -1;
    const view = bench.loaded?.functions[place];
    const dial = bench.loaded?.dials.find((d) => d.id === stated.id);
    return { stated, view, dial, place };
  }),
);

const isStudied = (stated: Stated) => stated.kind === 'function' && stated.variables?.length === 1;

const functions = computed(() => (bench.document?.stated ?? []).filter(isStudied).map((s) => s.id));
/** What can be done with a function is offered at one of them: the one that was chosen or stated last, or the first. */
const lastChosen = ref('');
watch(functions, (now, before) => {
  const added = now.find((id) => !before.includes(id));
  if (added && before.length) lastChosen.value = added;
});
const chosen = computed(() => functions.value.find((id) => id === lastChosen.value) ?? functions.value[0]);

function study(name: string) {
  bench.findings.open = bench.findings.open === name ? '' : name;
  void bench.findings.follow();
}

/** The function whose table is open. */
const tabulated = ref('');

/** Why a function has no steps from a parent. */
const refused = ref<Record<string, string>>({});

const stepsOf = (name: string) =>
  ofKind(bench.document?.shown, 'steps').find(({ body }) => body.function === name);

/** The steps whose table is open, when they are those of this function. */
const tableOf = (name: string) =>
  bench.stepsOpen && stepsOf(name)?.id === bench.stepsOpen
    ? bench.loaded?.steps.find((s) => s.id === bench.stepsOpen)
    : undefined;

/** Shows the steps from the parent on the stage, or takes them off again. */
async function takeApart(name: string) {
  const shown = stepsOf(name);
  if (shown) return bench.askEdit({ kind: 'delete', id: shown.id });
  const problem = await bench.putEntry(fresh('steps', { function: name }));
  refused.value = { ...refused.value, [name]: problem?.message ?? '' };
  return problem;
}

// What was said of the functions as they were holds no more when something is changed.
watch(
  () => bench.document,
  () => {
    refused.value = {};
    comparisons.value = {};
  },
);

const forms = [
  { form: 'expanded', words: 'Write it multiplied out' },
  { form: 'factored', words: 'Write it as factors' },
  { form: 'squared', words: 'Write it with the square completed' },
];

async function writeAs(stated: Stated, form: string) {
  const problem = await bench.askEdit({ kind: 'writeAs', id: stated.id, text: form });
  refused.value = { ...refused.value, [stated.name]: problem?.message ?? '' };
}

/** The function whose curve is being moved by numbers. */
const beingMoved = ref('');

/** Whether a function is the same as another, in words. */
const comparisons = ref<Record<string, string>>({});
async function compare(stated: Stated, other: string) {
  const { values } = await bench.askInPlay({ kind: 'values' });
  const answer = await bench.ask({ kind: 'compared', id: stated.name, text: other, values });
  comparisons.value = { ...comparisons.value, [stated.name]: answer.problem?.message ?? answer.text ?? '' };
}

/** One curve for each of several values of a parameter, in this picture or in one of its own. */
const family = (name: string, empty: boolean) => {
  const panel = (bench.document?.panels.length ?? 1) - 1;
  return bench.askEdit({ kind: 'family', text: name, panel, empty });
};

const viewOf = (stated: Stated) => rows.value.find((r) => r.stated.id === stated.id)?.view;
/** The formula with the values in play, in LaTeX as every program reads it. */
function asLaTeX(stated: Stated) {
  const row = rows.value.find((r) => r.stated.id === stated.id);
  const now = row?.view?.moves ? bench.formulas[row.place] : '';
  const head = `${stated.name}(${stated.variables?.join(', ')})`;
  return now ? `${head}=${now}` : row?.view?.latex.replaceAll(/\\htmlClass\{[^}]*\}\{([^}]*)\}/g, '$1');
}
async function copy(text?: string) {
  if (text) await navigator.clipboard.writeText(text);
}

function actions(stated: Stated): Action[] {
  if (stated.kind === 'parameter') {
    const isFull = (bench.document?.panels.length ?? 0) >= 4;
    return [
      {
        key: 'family',
        words: 'Draw a curve for each of several values',
        act: () => void family(stated.name, false),
      },
      {
        key: 'familyBeside',
        words: 'The same in a panel beside',
        act: () => void family(stated.name, true),
        off: isFull,
      },
    ];
  }
  if (stated.kind !== 'function' || stated.variables?.length !== 1) return [];
  const freeze: Action = {
    key: 'freeze',
    words: 'Keep its numbers as they are now',
    act: () => void bench.askEdit({ kind: 'freeze', id: stated.id }),
  };
  const list: Action[] = [
    ...(stated.fit ? [freeze] : []),
    { key: 'copy', words: 'Copy its formula', act: () => void copy(viewOf(stated)?.text) },
    { key: 'copyLaTeX', words: 'Copy its formula as LaTeX', act: () => void copy(asLaTeX(stated)) },
    { key: 'moveCurve', words: 'Move or stretch its curve …', act: () => (beingMoved.value = stated.id) },
    ...forms.map(({ form, words }) => ({ key: form, words, act: () => void writeAs(stated, form) })),
  ];
  for (const other of bench.document?.stated ?? []) {
    if (other.id === stated.id || !isStudied(other)) continue;
    list.push({
      key: `same-${other.id}`,
      words: `Is it the same as ${other.name}?`,
      act: () => void compare(stated, other.name),
    });
  }
  const curves = ofKind(bench.document?.shown, 'curve');
  if (curves.some(({ body }) => body.function === stated.name)) return list;
  list.unshift({
    key: 'show',
    words: 'Show its curve',
    act: () => void bench.askEdit({ kind: 'put', entry: fresh('curve', { function: stated.name }) }),
  });
  return list;
}
</script>

<template>
  <section aria-label="Stated">
    <PartHead title="Stated" add="State a function or a parameter" @add="bench.editing = 'stated'" />
    <ul>
      <template v-for="{ stated, view, dial, place } in rows" :key="stated.id">
        <DataRow v-if="stated.kind === 'data'" :stated="stated" />
        <li v-else-if="bench.editing === stated.id">
          <FitForm v-if="stated.fit" :stated="stated" />
          <StatementForm v-else-if="stated.kind === 'function'" :id="stated.id" :text="view?.text ?? ''" />
          <ParameterForm v-else :stated="stated" />
        </li>
        <EntryRow
          v-else
          :id="stated.id"
          :name="stated.name"
          :actions="actions(stated)"
          :class="{ inline: dial }"
        >
          <MathText v-if="view" :latex="`\\displaystyle ${view.latex}`" class="formula" />
          <span v-else-if="dial" class="parameter" :class="`hue-${dial.colour % 8}`">
            <MathText :latex="dial.latex" class="letter" /> from {{ dial.from }} to {{ dial.to }}, step
            {{ stated.step }}
          </span>
          <template #below>
            <p v-if="view?.simplified" class="simplified">that is <MathText :latex="view.simplified" /></p>
            <NowLine v-if="view?.moves" :place="place" />
            <p v-if="view?.caution" class="hint" role="status">{{ view.caution }}</p>
            <button
              v-if="dial"
              class="soft"
              :aria-expanded="bench.effects.open === stated.name"
              @click="bench.effects.open = bench.effects.open === stated.name ? '' : stated.name"
            >
              {{
                bench.effects.open === stated.name
                  ? `fold what ${stated.name} does`
                  : `what ${stated.name} does`
              }}
            </button>
            <EffectList v-if="dial && bench.effects.open === stated.name" :name="stated.name" />
            <template v-if="view && isStudied(stated) && !bench.problemOf(stated.id)">
              <button
                v-if="chosen !== stated.id"
                class="soft"
                :aria-label="`What can be found out about ${stated.name}`"
                :title="`What can be found out about ${stated.name}`"
                @click="lastChosen = stated.id"
              >
                ›
              </button>
              <template v-else>
                <button
                  class="soft"
                  :aria-expanded="bench.findings.open === stated.name"
                  @click="study(stated.name)"
                >
                  {{ bench.findings.open === stated.name ? 'fold the findings' : 'findings' }}
                </button>
                <button
                  class="soft"
                  :aria-pressed="!!stepsOf(stated.name)"
                  :title="`Show on the stage how ${stated.name} comes from its parent function`"
                  @click="takeApart(stated.name)"
                >
                  {{ stepsOf(stated.name) ? 'take the steps off' : 'from its parent' }}
                </button>
                <button
                  class="soft"
                  :aria-expanded="tabulated === stated.name"
                  @click="tabulated = tabulated === stated.name ? '' : stated.name"
                >
                  {{ tabulated === stated.name ? 'fold its values' : 'table of values' }}
                </button>
              </template>
            </template>
            <ValuesTable v-if="tabulated === stated.name" :id="stated.name" of="function" />
            <p v-if="comparisons[stated.name]" class="hint" role="status">{{ comparisons[stated.name] }}</p>
            <p v-if="refused[stated.name]" class="hint" role="alert">{{ refused[stated.name] }}</p>
            <StepsTable v-if="!bench.presenting && tableOf(stated.name)" :view="tableOf(stated.name)!" />
            <MoveForm v-if="beingMoved === stated.id" :stated="stated" @close="beingMoved = ''" />
            <FindingsList v-if="bench.findings.open === stated.name" :name="stated.name" />
          </template>
        </EntryRow>
      </template>
      <li v-if="bench.editing === 'stated'"><StatementForm id="" text="" /></li>
    </ul>
    <p v-if="!rows.length && bench.editing !== 'stated'" class="hint">
      State a function as it stands on the worksheet, such as f(x) = a(x − h)² + k.
    </p>
  </section>
</template>

<style scoped>
.formula {
  font-size: 17px;
}
.simplified {
  margin: 0;
  color: var(--muted);
}
.soft {
  margin: 2px 6px 2px 0;
}
/* A parameter and what it does stand in one line. */
.inline :deep(.body) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
}
.inline :deep(.says) {
  width: auto;
  padding-right: 0;
}
.inline .soft {
  padding: 2px 8px;
  margin-left: 4px;
}
.inline :deep(.effects),
.inline :deep(.problem) {
  flex-basis: 100%;
}
.letter {
  color: var(--hue);
}
.parameter {
  color: var(--muted);
}
</style>
