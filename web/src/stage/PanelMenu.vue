<script setup lang="ts">
// Panels beside each other: put one beside, take one off, link their windows, give one values of its own.
import { computed, ref, useTemplateRef } from 'vue';
import { useBench } from '../bench/store';
import type { Panel } from '../generated/types';
import Sheet from '../shared/Sheet.vue';

const props = defineProps<{ panel: Panel; index: number }>();
const bench = useBench();
const sheet = useTemplateRef<InstanceType<typeof Sheet>>('sheet');
const close = () => sheet.value?.hide();
const typed = ref<Record<string, string>>({});
const problem = ref('');

const most = 4;
const panels = computed(() => bench.document?.panels ?? []);
const parameters = computed(() => (bench.document?.stated ?? []).filter((s) => s.kind === 'parameter'));

function show() {
  problem.value = '';
  typed.value = Object.fromEntries(
    Object.entries(props.panel.values ?? {}).map(([name, v]) => [name, String(v)]),
  );
}

/** Puts a panel beside this one, with the same picture or empty. */
async function beside(empty: boolean) {
  close();
  await bench.askEdit({ kind: 'addPanel', panel: props.index, empty });
}

/** Puts an empty panel of space beside the others. */
async function space() {
  close();
  await bench.askEdit({ kind: 'addSpace' });
}

/** Takes the panel off; what appeared only in it appears in all. */
async function remove() {
  close();
  await bench.askEdit({ kind: 'removePanel', panel: props.index });
}

async function fitAll() {
  close();
  await bench.fitAll();
}

/** Takes the typed values over; an empty field leaves the parameter to its dial. */
async function apply() {
  const values: Record<string, number> = {};
  for (const { name } of parameters.value) {
    const text = typed.value[name]?.trim();
    if (!text) continue;
    const answer = await bench.ask({ kind: 'value', text });
    if (answer.problem) {
      problem.value = `${name}: ${answer.problem.message}`;
      return;
    }
    values[name] = answer.number ?? 0;
  }
  problem.value = '';
  close();
  await bench.change((copy) => {
    const panel = copy.panels[props.index]!;
    if (Object.keys(values).length) panel.values = values;
    else delete panel.values;
  });
}
</script>

<template>
  <Sheet ref="sheet" label="Panels" @opened="show">
    <template #default="{ open }">
      <button class="chip" aria-haspopup="dialog" :aria-expanded="open">panels …</button>
    </template>
    <template #content>
      <div class="panel-menu">
        <a-button block :disabled="panels.length >= most" @click="beside(false)">
          Put the same picture beside
        </a-button>
        <a-button block :disabled="panels.length >= most" @click="beside(true)">
          Put an empty panel beside
        </a-button>
        <a-button block :disabled="panels.length >= most" @click="space">Put a space panel beside</a-button>
        <template v-if="panels.length > 1">
          <a-button block @click="fitAll">Fit all panels</a-button>
          <a-button block @click="remove">Take this panel off</a-button>
        </template>
        <form v-if="parameters.length" @submit.prevent="apply">
          <p class="hint">Values of this panel's own; an empty field follows its dial.</p>
          <label v-for="p in parameters" :key="p.id" class="row">
            {{ p.name }} = <a-input v-model:value="typed[p.name]" :aria-label="`This panel's ${p.name}`" />
          </label>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
          <a-button type="primary" html-type="submit" block>Keep these values</a-button>
        </form>
      </div>
    </template>
  </Sheet>
</template>

<style scoped>
.panel-menu {
  display: grid;
  gap: 8px;
  width: 260px;
}
.row {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  margin: 4px 0;
}
.row :deep(.ant-input) {
  width: 120px;
}
.hint {
  margin: 6px 0;
}
</style>
