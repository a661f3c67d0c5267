<script setup lang="ts">
// What a parameter does: the points that stay, the paths of what moves, the values at which the picture degenerates.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import type { EffectLineView, EffectView, Feature } from '../generated/types';
import { fresh, ofKind } from '../shared/entries';
import Pieces from '../shared/Pieces.vue';

const props = defineProps<{ name: string }>();
const bench = useBench();

const effects = computed<EffectView[] | undefined>(() => bench.effects.views[props.name]);

const pathOf = (e: EffectView, line: EffectLineView) =>
  ofKind(bench.document?.shown, 'path').find(
    ({ body }) =>
      body.function === e.function &&
      body.as === props.name &&
      body.feature === line.feature &&
      (body.with ?? '') === (line.with ?? ''),
  );

/** Shows a path on the stage, or takes it off again. */
function togglePath(e: EffectView, line: EffectLineView) {
  const there = pathOf(e, line);
  if (there) return bench.askEdit({ kind: 'delete', id: there.id });
  const body = { function: e.function, as: props.name, feature: line.feature as Feature, with: line.with };
  return bench.askEdit({ kind: 'put', entry: fresh('path', body) });
}

/** Shows a point that stays. */
const showPoint = (line: EffectLineView) =>
  bench.askEdit({
    kind: 'put',
    entry: fresh(
      'point',
      { name: '', x: line.x!, y: line.y! },
      { look: { colour: 0, label: 'coordinates' } },
    ),
  });
</script>

<template>
  <div class="effects" role="region" :aria-label="`What ${name} does`">
    <p v-if="!effects" class="hint">Being computed …</p>
    <p v-else-if="!effects.length" class="hint">No function depends on it.</p>
    <template v-for="e in effects" v-else :key="e.function">
      <strong>{{ e.function }}</strong>
      <ul>
        <li v-for="(line, k) in e.lines" :key="k">
          <span><Pieces :pieces="line.sentence" /></span>
          <button
            v-if="line.feature"
            class="soft"
            :aria-pressed="!!pathOf(e, line)"
            title="Show the path on the stage"
            @click="togglePath(e, line)"
          >
            stage
          </button>
          <button
            v-else-if="line.x"
            class="soft"
            title="Show the point on the stage"
            @click="showPoint(line)"
          >
            stage
          </button>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.effects {
  margin: 6px 0 10px;
  padding: 4px 0 8px 12px;
  border-left: 2px solid var(--hairline);
}
ul {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 8px;
  padding: 4px 0;
  border-bottom: 1px dotted var(--hairline);
}
</style>
