<script setup lang="ts">
// A scatter plot: which columns, and what they are held against.
import { computed } from 'vue';
import { useBench } from '../../bench/store';
import type { Problem, ScatterBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { functions } from '../bench';
import SwitchLine from '../../shared/SwitchLine.vue';

const body = defineModel<ScatterBody>({ required: true });
defineProps<{ refused?: Problem }>();
const bench = useBench();

const data = computed(() => (bench.document?.stated ?? []).filter((s) => s.kind === 'data'));
const tables = computed(() => data.value.map((s) => ({ value: s.id, label: s.name })));
const columns = computed(() =>
  (data.value.find((s) => s.id === body.value.data)?.columns ?? []).map((c) => ({ value: c.name })),
);
const withNone = computed(() => [{ value: '', label: 'none' }, ...columns.value]);
const against = computed(() => [{ value: '', label: 'nothing' }, ...functions()]);
const ways = [
  { value: '', label: 'not drawn' },
  { value: 'segments', label: 'upright segments' },
  { value: 'squares', label: 'squares' },
];
const residuals = computed({
  get: () => body.value.residuals ?? '',
  set: (way: string) => (body.value.residuals = (way || undefined) as ScatterBody['residuals']),
});
const error = computed({
  get: () => body.value.error ?? '',
  set: (v: string) => (body.value.error = v || undefined),
});
const beside = computed({
  get: () => body.value.function ?? '',
  set: (v: string) => (body.value.function = v || undefined),
});

function label(text: string) {
  body.value.labels = text
    .split(/\n/)
    .map((line) => /^\s*(\d+)\s*:?\s*(.*)$/.exec(line))
    .flatMap((m) => (m ? [{ row: Number(m[1]) - 1, words: m[2] || undefined }] : []));
}
/** Rows are counted from 1 where people read them. */
const unlocked = computed({
  get: () => (body.value.unlocked ?? []).map((row) => row + 1).join(', '),
  set: (text: string) => {
    const rows = (text.match(/\d+/g) ?? []).map((n) => Number(n) - 1);
    body.value.unlocked = rows.length ? rows : undefined;
  },
});
const labels = computed(() =>
  (body.value.labels ?? []).map((l) => `${l.row + 1}: ${l.words ?? ''}`).join('\n'),
);
</script>

<template>
  <label v-if="tables.length > 1" class="line"
    >of <Choice v-model="body.data" :options="tables" label="Data"
  /></label>
  <label class="line">across <Choice v-model="body.x" :options="columns" label="Column across" /></label>
  <label class="line">up <Choice v-model="body.y" :options="columns" label="Column up" /></label>
  <label class="line"
    >error bars <Choice v-model="error" :options="withNone" label="Column of error bars"
  /></label>
  <SwitchLine v-model="body.joined" words="joined by lines" label="Joined by lines" />
  <SwitchLine v-model="body.grips" words="moved by hand, the rows follow" label="Moved by hand" />
  <label v-if="!body.grips" class="line"
    >by hand only the rows
    <a-input
      v-model:value.lazy="unlocked"
      size="small"
      placeholder="none"
      aria-label="Rows that are moved by hand"
  /></label>
  <label class="line"
    >ring what stands out
    <a-switch
      :checked="!body.unmarked"
      size="small"
      aria-label="Ring what stands out"
      @update:checked="body.unmarked = !$event"
  /></label>
  <label class="line">held against <Choice v-model="beside" :options="against" label="Function" /></label>
  <template v-if="body.function">
    <label class="line">residuals <Choice v-model="residuals" :options="ways" label="Residuals" /></label>
    <SwitchLine
      v-model="body.filled"
      words="rows without a value filled by it"
      label="Rows without a value filled by it"
    />
    <SwitchLine
      v-model="body.band"
      words="band in which a further value lies with 95 %"
      label="Band in which a further value lies with 95 %"
    />
    <SwitchLine
      v-model="body.asResiduals"
      words="residuals in the place of the points"
      label="Residuals in the place of the points"
    />
  </template>
  <label class="line"
    >labels at rows, a line each: 7: outlier?
    <a-textarea
      :value="labels"
      :rows="2"
      aria-label="Labels at rows"
      @change="label(($event.target as HTMLTextAreaElement).value)"
  /></label>
</template>
