<script setup lang="ts">
// A panel's own controls: small chips in its corner that come with hover, focus or touch.
import { computed, ref, useTemplateRef } from 'vue';
import { useBench } from '../bench/store';
import type { Panel, TickStyle, Window } from '../generated/types';
import Choice from '../shared/Choice.vue';
import Sheet from '../shared/Sheet.vue';
import CircleMenu from './CircleMenu.vue';
import PanelMenu from './PanelMenu.vue';

const props = defineProps<{ panel: Panel; index: number }>();
const emit = defineEmits<{ fit: []; read: [] }>();
const bench = useBench();

const sheet = useTemplateRef<InstanceType<typeof Sheet>>('sheet');
const ends = ref({ left: '', right: '', bottom: '', top: '' });
const problem = ref<{ field: string; message: string }>();

const fields: { key: keyof Window; label: string }[] = [
  { key: 'left', label: 'x from' },
  { key: 'right', label: 'to' },
  { key: 'bottom', label: 'y from' },
  { key: 'top', label: 'to' },
];
const tickStyles = [
  { value: 'numbers', label: '1, 2, 3' },
  { value: 'pi', label: 'π/2, π' },
  { value: 'degrees', label: '30°, 60°' },
];
const shownFields = computed(() => (props.panel.equalScales ? fields.slice(0, 2) : fields));

const change = (fields: Partial<Panel>) =>
  bench.change((copy) => Object.assign(copy.panels[props.index]!, fields));

async function show() {
  problem.value = undefined;
  const { window } = await bench.askInPlay({
    kind: 'window',
    panel: props.index,
    ...bench.frames.panels[props.index]!,
  });
  if (!window) return;
  for (const { key } of fields) ends.value[key] = String(Number(window[key].toPrecision(6)));
}

/** Takes the typed ends over; formulas such as 2π are allowed. */
async function apply() {
  problem.value = undefined;
  const window = {
    ...(bench.document?.scenes[bench.scene]?.windows?.[props.panel.id] ?? props.panel.window),
  };
  for (const { key } of shownFields.value) {
    const answer = await bench.ask({ kind: 'value', text: ends.value[key] });
    if (answer.problem) {
      problem.value = { field: key, message: answer.problem.message };
      return;
    }
    window[key] = answer.number ?? 0;
  }
  if (window.left >= window.right || window.bottom >= window.top) {
    problem.value = { field: 'right', message: 'The second end must be above the first.' };
    return;
  }
  const size = bench.frames.panels[props.index]!;
  const typed = await bench.ask({ kind: 'typed', panel: props.index, window, ...size });
  await bench.change((copy) => bench.putWindow(copy, props.index, typed.window ?? window));
  sheet.value?.hide();
}
</script>

<template>
  <div class="chips">
    <button class="chip" @click="emit('fit')">fit</button>
    <button v-if="panel.kind === 'plane'" class="chip" title="Read a point off a curve" @click="emit('read')">
      read
    </button>
    <button
      v-if="bench.document?.panels[0]?.kind === 'plane'"
      class="chip"
      :aria-pressed="panel.equalScales"
      @click="change({ equalScales: !panel.equalScales })"
    >
      equal scales
    </button>
    <CircleMenu v-if="panel.kind === 'circle'" :panel="panel" />
    <PanelMenu v-else :panel="panel" :index="index" />
    <Sheet ref="sheet" label="Window" @opened="show">
      <template #default="{ open }">
        <button class="chip" aria-haspopup="dialog" :aria-expanded="open">window …</button>
      </template>
      <template #content>
        <form class="window-form" @submit.prevent="apply">
          <div class="ends">
            <label v-for="{ key, label } in shownFields" :key="key">
              {{ label }}
              <a-input v-model:value="ends[key]" :status="problem?.field === key ? 'error' : ''" />
            </label>
          </div>
          <p v-if="panel.equalScales" class="hint">With equal scales the height follows from the width.</p>
          <p v-if="problem" class="problem" role="alert">{{ problem.message }}</p>
          <a-button type="primary" html-type="submit" block>Show this window</a-button>
          <hr />
          <label class="row">
            numbers on x
            <Choice
              :model-value="panel.ticksX"
              :options="tickStyles"
              label="Numbers on x"
              @update:model-value="change({ ticksX: $event as TickStyle })"
            />
          </label>
          <label class="row">
            numbers on y
            <Choice
              :model-value="panel.ticksY"
              :options="tickStyles"
              label="Numbers on y"
              @update:model-value="change({ ticksY: $event as TickStyle })"
            />
          </label>
          <label class="row">
            polar grid
            <a-switch
              size="small"
              :checked="panel.polar ?? false"
              aria-label="Polar grid"
              @change="change({ polar: $event as boolean })"
            />
          </label>
          <label class="row">
            grid <a-switch size="small" :checked="panel.grid" @change="change({ grid: $event as boolean })" />
          </label>
          <label class="row">
            names in a legend
            <a-switch
              size="small"
              :checked="panel.legend ?? false"
              aria-label="Names in a legend"
              @change="change({ legend: $event as boolean })"
            />
          </label>
          <label class="row">
            axes <a-switch size="small" :checked="panel.axes" @change="change({ axes: $event as boolean })" />
          </label>
        </form>
      </template>
    </Sheet>
  </div>
</template>

<style scoped>
.chips {
  position: absolute;
  left: 10px;
  top: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  max-width: calc(100% - 20px);
  opacity: 0;
  transition: opacity 0.15s;
}
.panel:hover .chips,
.panel:focus-within .chips {
  opacity: 1;
}
@media (hover: none) {
  .chips {
    opacity: 1;
  }
  /* A class that is shown something needs none of them; pinching and two taps still move the window. */
  .presenting .chips {
    visibility: hidden;
  }
}
.window-form {
  width: 250px;
}
.ends {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin-bottom: 8px;
}
.row {
  display: grid;
  grid-template-columns: 1fr 110px;
  justify-items: start;
  align-items: center;
  padding: 4px 0;
}
hr {
  border: 0;
  border-top: 1px solid var(--hairline);
  margin: 12px 0 8px;
}
</style>
