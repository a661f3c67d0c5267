<script setup lang="ts">
// The desk of a table: rows to the left, what they say to the right.
import {
  computed,
  nextTick,
  onBeforeUnmount,
  onMounted,
  ref,
  shallowRef,
  toRaw,
  useTemplateRef,
  watch,
} from 'vue';
import { useBench } from '../bench/store';
import type { ColumnSummary } from '../generated/types';
import { ofKind } from '../shared/entries';
import Choice from '../shared/Choice.vue';
import ColumnHeads from './ColumnHeads.vue';
import DataGrid from './DataGrid.vue';
import { useDataDesk } from './desk';
import Forecast from './Forecast.vue';
import MiniPlot from './MiniPlot.vue';
import ModelList from './ModelList.vue';
import OwnModel from './OwnModel.vue';
import { suspectsOf } from './suspects';
import { isComputed, useTable } from './table';

const bench = useBench();
const desk = useDataDesk();
const table = useTable();
const { stated, columns, name, rows, refused, unread, ways } = table;

const x = ref('');
const y = ref('');
const choices = computed(() => columns.value.map((c) => ({ value: c.name })));
/** The columns that the picture shows, or the first two. */
watch(
  [stated, choices],
  () => {
    const plot = ofKind(bench.document?.shown, 'scatter').find(({ body }) => body.data === desk.open)?.body;
    const has = (wanted: string) => columns.value.some((c) => c.name === wanted);
    if (!has(x.value)) x.value = plot?.x ?? columns.value[0]?.name ?? '';
    if (!has(y.value)) y.value = plot?.y ?? columns.value[1]?.name ?? '';
  },
  { immediate: true },
);

/** The scatter plot of the two columns, whose rows can be unlocked for a hand. */
const plot = computed(() =>
  ofKind(bench.document?.shown, 'scatter').find(
    ({ body }) =>
      body.data === desk.open && body.x === x.value && body.y === y.value && !body.asResiduals && !body.grips,
  ),
);
const isUnlocked = computed(() => {
  const body = plot.value?.body;
  return body && ((row: number) => !!body.unlocked?.includes(row));
});
async function unlock(row: number) {
  const { id, body } = plot.value ?? {};
  if (!id || !body || row >= rows.value) return;
  const others = (body.unlocked ?? []).filter((r) => r !== row);
  const unlocked = body.unlocked?.includes(row) ? others : [...others, row];
  const entry = { ...structuredClone(toRaw(plot.value!)), body: { ...toRaw(body), unlocked } };
  refused.value = await bench.askEdit({ kind: 'put', entry });
}

const grid = useTemplateRef<InstanceType<typeof DataGrid>>('grid');
const heads = useTemplateRef<InstanceType<typeof ColumnHeads>>('heads');
/** A wide table and its heads move together to the side, whichever is moved. */
function alongWith({ target }: Event) {
  for (const part of [grid.value?.$el, heads.value?.$el] as HTMLElement[]) {
    const left = (target as HTMLElement).scrollLeft;
    if (part && part.scrollLeft !== left) part.scrollLeft = left;
  }
}
const points = shallowRef<number[][]>([]);
const rowAtHand = ref(-1);
/** Leads to a row, also when it is the one that was sought last. */
async function seek(row: number) {
  desk.row = -1;
  await nextTick();
  desk.row = row;
}

watch(
  [() => stated.value?.id, x, y],
  ([data]) => (desk.pair = data && x.value && y.value ? { data, x: x.value, y: y.value } : undefined),
  { immediate: true },
);
onBeforeUnmount(() => (desk.pair = undefined));
const looked = computed(() => desk.pair && suspectsOf(desk.pair));
const doubts = computed(() => looked.value ?? []);
/** So many are told one by one; where more stand out, it is the table that is rough. */
const mostTold = 8;
const doubtsByRow = computed(() => new Map(doubts.value.map((d) => [d.row, d.reason])));
const doubted = computed(() => columns.value.findIndex((c) => c.name === y.value));

const summaries = shallowRef<ColumnSummary[]>([]);
watch(
  [stated, () => bench.loaded],
  async () => {
    if (!stated.value) return;
    const { id } = stated.value;
    const values = await bench.valuesInPlay();
    summaries.value = (await bench.ask({ kind: 'summaries', id, values })).summaries ?? [];
  },
  { immediate: true },
);
const computedValues = computed(() =>
  columns.value.map((c, k) => (isComputed(c) ? (summaries.value[k]?.values ?? []) : [])),
);
/** What functions say in rows without a value, by columns and rows. */
const filled = computed(() => columns.value.map((_, k) => summaries.value[k]?.filled ?? []));
const statisticsOpen = ref(false);

function open(e: Event) {
  const input = e.target as HTMLInputElement;
  const f = input.files?.[0];
  input.value = '';
  if (f) void table.file(f);
}
function drop(e: DragEvent) {
  const f = e.dataTransfer?.files[0];
  if (f) void table.file(f);
}

onMounted(async () => {
  const brought = desk.brought;
  desk.brought = undefined;
  if (typeof brought === 'string') await table.paste(brought, 0, 0);
  else if (brought) await table.file(brought);
  else if (desk.open === 'new') await grid.value?.go(0, 0);
});

function save() {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(table.asFile(computedValues.value));
  link.download = `${name.value || 'table'}.csv`;
  link.click();
  URL.revokeObjectURL(link.href);
}

function close() {
  desk.open = '';
  desk.row = -1;
}
/** The key leaves the desk also where what had the focus is gone. */
function escape(e: KeyboardEvent) {
  if (e.key === 'Escape' && document.activeElement === document.body) close();
}
onMounted(() => window.addEventListener('keydown', escape));
onBeforeUnmount(() => window.removeEventListener('keydown', escape));
const problem = computed(
  () =>
    (unread.value ?? refused.value)?.message ?? (stated.value && bench.problemOf(stated.value.id)?.message),
);
</script>

<template>
  <a-modal
    :open="true"
    :footer="null"
    width="min(1180px, calc(100vw - 24px))"
    :centered="true"
    wrap-class-name="data-desk"
    @cancel="close"
  >
    <template #title>
      <input
        v-model="name"
        class="name"
        aria-label="Name of the data"
        placeholder="Name of the data"
        @change="table.keep()"
      />
    </template>
    <div class="desk" @dragover.prevent @drop.prevent="drop">
      <div class="left" :class="{ unlocking: isUnlocked }">
        <div class="tools">
          <label class="file soft"
            >open a file
            <input
              type="file"
              accept=".csv,.tsv,.txt,.json,.xlsx"
              aria-label="Open a file: CSV, TSV, JSON or .xlsx"
              @change="open"
            />
          </label>
          <button class="soft" :disabled="columns.length >= 12" @click="table.addColumn({ cells: [] })">
            add a column
          </button>
          <button class="soft" :disabled="!rows" @click="save">save as CSV</button>
        </div>
        <ColumnHeads
          ref="heads"
          v-model="columns"
          @scroll="alongWith"
          @keep="table.keep()"
          @add="table.addColumn"
          @remove="table.removeColumn"
        />
        <DataGrid
          ref="grid"
          :columns="columns"
          :rows="rows"
          :worked="computedValues"
          :filled="filled"
          :doubts="doubtsByRow"
          :doubted="doubted"
          :sought="desk.row"
          :is-unlocked="isUnlocked"
          @scroll="alongWith"
          @row="rowAtHand = $event"
          @remove="table.removeRow"
          @unlock="unlock"
          @undo="bench.undo()"
          @set="table.setCell"
          @paste="table.paste"
        />
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <p v-if="ways.length" class="problem" role="status">
          This can be read in two ways:
          <button v-for="way in ways" :key="way.words" class="soft" @click="table.readAs(way)">
            {{ way.words }}
          </button>
        </p>
        <p v-if="!rows" class="hint">
          Type, paste from a spreadsheet, or open a file. The first line may name the columns: t (h), h (m).
        </p>
      </div>
      <div v-if="stated" class="right">
        <div class="axes">
          <label>across <Choice v-model="x" :options="choices" label="Column across" /></label>
          <label>up <Choice v-model="y" :options="choices" label="Column up" /></label>
        </div>
        <MiniPlot :points="points" :row="rowAtHand" @row="seek" />
        <section v-if="doubts.length" aria-label="What stands out">
          <h3>Stands out</h3>
          <ul class="doubts">
            <li v-for="d in doubts.slice(0, mostTold)" :key="d.row">
              Row {{ d.row + 1 }} ({{ d.x }}, {{ d.y }}): {{ d.reason }}.
              <button class="soft" @click="seek(d.row)">go to it</button>
            </li>
          </ul>
          <p v-if="doubts.length > mostTold" class="hint">
            {{ doubts.length - mostTold }} more stand out; they are ringed in the table.
          </p>
        </section>
        <p v-else-if="looked" class="hint">No value stands out from the others.</p>
        <Forecast :data="stated.id" :x="x" :y="y" />
        <h3>Models</h3>
        <ModelList :data="stated.id" :x="x" :y="y" @points="points = $event" />
        <OwnModel :data="stated.id" :x="x" :y="y" />
        <h3>Columns</h3>
        <button class="soft" :aria-expanded="statisticsOpen" @click="statisticsOpen = !statisticsOpen">
          {{ statisticsOpen ? 'fold mean, median, spread' : 'mean, median, spread' }}
        </button>
        <table v-if="statisticsOpen" class="statistics">
          <thead>
            <tr>
              <th scope="col"><span class="sr">quantity</span></th>
              <th v-for="s in summaries" :key="s.name" scope="col">{{ s.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="([line], i) in summaries[0]?.lines ?? []" :key="line">
              <th scope="row">{{ line }}</th>
              <td v-for="s in summaries" :key="s.name">{{ s.lines[i]?.[1] }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  </a-modal>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 20px;
  height: min(74vh, 780px);
}
.left {
  --row-head: 3.2em;

  display: flex;
  flex-direction: column;
  gap: 6px;
  min-height: 0;
}
.left.unlocking {
  --row-head: 4.6em;
}
@media (pointer: coarse) {
  .left.unlocking {
    --row-head: 6em;
  }
}
.right {
  overflow: auto;
  padding-right: 6px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.file {
  position: relative;
  overflow: hidden;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--sea);
}
.name {
  width: calc(100% - 40px);
  border: 0;
  border-bottom: 1px solid var(--axis);
  background: none;
  color: inherit;
  font: inherit;
  font-family: var(--serif);
  font-size: 20px;
}
.axes {
  display: flex;
  gap: 14px;
}
.axes label {
  display: flex;
  flex: 1;
  gap: 6px;
  align-items: center;
}
h3 {
  margin: 14px 0 4px;
  font-size: 16px;
}
.doubts {
  margin: 0;
  padding: 0;
  list-style: none;
}
.problem {
  margin: 0;
  color: var(--wrong);
}
.hint {
  margin: 6px 0;
  color: var(--muted);
}
.statistics {
  width: 100%;
  margin-top: 6px;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}
.statistics th,
.statistics td {
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--hairline);
  font-weight: 400;
  text-align: left;
}
.statistics td {
  text-align: right;
}
.sr {
  position: absolute;
  clip-path: inset(50%);
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
    height: 80vh;
    overflow: auto;
  }
  .left {
    height: 60vh;
  }
  .right {
    overflow: visible;
  }
}
</style>
