<script setup lang="ts">
// What is agreed once for a demonstration: the angle unit, the decimal sign, whether all panels show the same window.
import { computed } from 'vue';
import Sheet from '../shared/Sheet.vue';
import { useBench } from './store';

const bench = useBench();
const degrees = computed(() => bench.document?.angleUnit === 'degree');
const comma = computed(() => bench.document?.decimalComma ?? false);
const panels = computed(() => bench.document?.panels ?? []);

const units = [
  { unit: 'radian', words: 'in radians: a turn is 2π' },
  { unit: 'degree', words: 'in degrees: a turn is 360' },
];
const signs = [
  { comma: false, words: 'with a point: 1.5' },
  { comma: true, words: 'with a comma: 1,5' },
];

const link = (linkedWindows: boolean) =>
  bench.change((copy) => {
    copy.linkedWindows = linkedWindows;
    if (linkedWindows) for (const p of copy.panels) p.window = structuredClone(copy.panels[0]!.window);
  });
</script>

<template>
  <Sheet label="Agreed for this demonstration">
    <template #default="{ open }">
      <button class="chip" aria-haspopup="dialog" :aria-expanded="open">
        angles in {{ degrees ? 'degrees' : 'radians' }}, {{ comma ? '1,5' : '1.5' }} …
      </button>
    </template>
    <template #content>
      <form class="agreed" @submit.prevent>
        <fieldset>
          <legend>Angles are</legend>
          <label v-for="{ unit, words } in units" :key="unit">
            <input
              type="radio"
              :checked="(bench.document?.angleUnit ?? 'radian') === unit"
              @change="bench.askEdit({ kind: 'angleUnit', text: unit })"
            />
            {{ words }}
          </label>
          <ul v-if="bench.told.length" class="told" role="status" aria-label="What was converted">
            <li v-for="words in bench.told" :key="words">{{ words }}</li>
          </ul>
        </fieldset>
        <fieldset>
          <legend>Decimals are written</legend>
          <label v-for="s in signs" :key="s.words">
            <input
              type="radio"
              :checked="comma === s.comma"
              @change="bench.askEdit({ kind: 'decimals', comma: s.comma })"
            />
            {{ s.words }}
          </label>
        </fieldset>
        <label v-if="panels.length > 1">
          <a-switch
            size="small"
            :checked="bench.document?.linkedWindows ?? false"
            aria-label="All panels show the same window"
            @change="link($event as boolean)"
          />
          all panels show the same window
        </label>
      </form>
    </template>
  </Sheet>
</template>

<style scoped>
.told {
  margin: 0;
  padding-left: 18px;
  color: var(--muted);
  font-size: 14px;
}
.agreed {
  display: grid;
  gap: 12px;
  width: 260px;
}
fieldset {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
  margin-bottom: 4px;
  border: 0;
  font-size: inherit;
  font-weight: 700;
}
label {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 28px;
}
</style>
