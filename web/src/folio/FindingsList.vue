<script setup lang="ts">
// What the core found out about a function: each line can be shown on the stage or put into a text, and stays live.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { Finding, FindingLine } from '../generated/types';
import { fresh, ofKind } from '../shared/entries';
import MathText from '../shared/MathText.vue';

const props = defineProps<{ name: string }>();
const bench = useBench();
const withHow = ref(false);

const view = computed(() => bench.findings.views[props.name]);
const refused = computed(() => bench.findings.refused[props.name]);

const entryOf = (line: FindingLine) =>
  ofKind(bench.document?.shown, 'finding').find(
    ({ body }) => body.function === props.name && body.finding === line.finding,
  );

/** Shows a finding on the stage, or takes it off again. */
function toggle(line: FindingLine) {
  const there = entryOf(line);
  if (there) return bench.askEdit({ kind: 'delete', id: there.id });
  return bench.askEdit({
    kind: 'put',
    entry: fresh('finding', { function: props.name, finding: line.finding }),
  });
}

/** The findings that are points: guides can go through them. */
const guided: Finding[] = ['yIntercept', 'zeros', 'maxima', 'minima', 'inflections', 'holes'];
const guideRefused = ref('');
async function guide(line: FindingLine) {
  const problem = await bench.askEdit({ kind: 'guides', id: props.name, text: line.finding });
  guideRefused.value = problem?.message ?? '';
}

/** Puts a finding into a text of its own. */
function tell(line: FindingLine) {
  const words = `${line.name[0]!.toUpperCase()}${line.name.slice(1)} of ${props.name}: `;
  const pieces = [
    { kind: 'words' as const, text: words },
    { kind: 'finding' as const, text: props.name, finding: line.finding },
  ];
  return bench.askEdit({ kind: 'put', entry: fresh('text', { pieces }) });
}
</script>

<template>
  <div class="findings" role="region" :aria-label="`Findings of ${name}`" :aria-busy="bench.findings.behind">
    <p v-if="refused" class="problem" role="alert">{{ refused }}</p>
    <p v-else-if="!view" class="hint">Being computed …</p>
    <template v-else>
      <p v-if="view.polar" class="hint">
        Of the radius over the angle. What the curve does is told under Shown, with its findings.
      </p>
      <dl :class="{ behind: bench.findings.behind }">
        <div v-for="line in view.lines" :key="line.finding" class="line" :data-finding="line.finding">
          <dt>{{ line.name }}</dt>
          <dd class="found" :title="line.how">
            <MathText :latex="line.latex" />
            <small v-if="withHow">{{ line.how }}</small>
          </dd>
          <dd class="deeds">
            <button
              v-if="line.drawn"
              class="soft"
              :aria-pressed="!!entryOf(line)"
              :aria-label="`Show the ${line.name} of ${name} on the stage`"
              title="Show on the stage"
              @click="toggle(line)"
            >
              stage
            </button>
            <button
              v-if="guided.includes(line.finding) && line.drawn"
              class="soft"
              :aria-label="`Put guides through the ${line.name} of ${name}`"
              title="Guides through it, upright and level, which stay with it"
              @click="guide(line)"
            >
              guides
            </button>
            <button
              class="soft"
              :aria-label="`Put the ${line.name} of ${name} into a text`"
              title="Put into a text"
              @click="tell(line)"
            >
              text
            </button>
          </dd>
        </div>
      </dl>
      <p v-if="view.same.length" class="same">
        It has the same graph as
        <template v-for="(other, k) in view.same" :key="other"
          ><template v-if="k">, </template><MathText :latex="other" /></template
        >.
      </p>
      <p v-if="guideRefused" class="problem" role="alert">{{ guideRefused }}</p>
      <p v-for="words in view.undecided" :key="words" class="hint">Not decided: {{ words }}.</p>
      <button class="link" :aria-pressed="withHow" @click="withHow = !withHow">
        {{ withHow ? 'without' : 'with' }} the way each was found
      </button>
    </template>
  </div>
</template>

<style scoped>
.findings {
  margin: 6px 0 10px;
  padding: 4px 0 8px 12px;
  border-left: 2px solid var(--hairline);
}
dl {
  margin: 0 0 6px;
}
dl.behind {
  opacity: 0.55;
}
.line {
  display: grid;
  grid-template-columns: 1fr auto;
  column-gap: 8px;
  padding: 4px 0;
  border-bottom: 1px dotted var(--hairline);
}
dt {
  font-size: 14px;
  color: var(--muted);
}
.found {
  grid-row: 2;
  grid-column: 1 / -1;
  margin: 0;
  font-size: 17px;
  overflow-x: auto;
  overflow-y: hidden;
}
small {
  display: block;
  font-size: 13px;
  color: var(--muted);
}
.deeds {
  grid-row: 1;
  grid-column: 2;
  display: flex;
  margin: 0;
  gap: 6px;
}
</style>
