<script setup lang="ts">
// The form of what is shown: the fields of its kind, the panels it appears in, how it looks.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { Entry, LabelKind, LinePattern, Problem } from '../generated/types';
import { kindOf } from '../kinds';
import Choice from '../shared/Choice.vue';
import { isOn } from '../shared/entries';
import EntryForm from './EntryForm.vue';

const props = defineProps<{ entry: Entry }>();
const bench = useBench();
/** A copy without the page's own wrappers, as the core takes it. */
const plain = (e: Entry) => JSON.parse(JSON.stringify(e)) as Entry;
const entry = ref<Entry>(plain(props.entry));
const refused = ref<Problem>();
const kind = kindOf(props.entry);

const panels = computed(() => bench.document?.panels ?? []);
function tickPanel(id: string, on: boolean) {
  const ids = panels.value.map((p) => p.id).filter((p) => (p === id ? on : isOn(entry.value, p)));
  const all = ids.length === panels.value.length || !ids.length;
  entry.value.where = { ...entry.value.where, panels: all ? undefined : ids };
}

const patterns = [
  { value: 'whole', label: 'whole' },
  { value: 'dashed', label: 'dashed' },
  { value: 'dotted', label: 'dotted' },
];
type Body = Parameters<typeof kind.name>[0];
const body = computed(() => entry.value.body as Body);
const labels = computed(() => kind.labels(body.value).map(([value, label]) => ({ value, label })));
const usualPattern = computed(() => kind.line?.(body.value));

/** The fields that say themselves what is wrong with them. */
const telling = ['x', 'y', 'at', 'angle', 'radius', 'centre'];

async function keep() {
  kind.tidy?.(body.value);
  refused.value = await bench.askEdit({ kind: 'put', entry: plain(entry.value) });
  if (!refused.value) bench.editing = '';
}
const cancel = () => (bench.editing = '');
</script>

<template>
  <EntryForm :keep="entry.id ? 'Keep' : 'Show it'" @keep="keep" @cancel="cancel">
    <component :is="kind.form" v-model="entry.body" :refused="refused" @keep="keep" @cancel="cancel" />
    <fieldset v-if="panels.length > 1" class="panels">
      <legend>appears in</legend>
      <label v-for="(panel, k) in panels" :key="panel.id">
        <input
          type="checkbox"
          :checked="isOn(entry, panel.id)"
          @change="tickPanel(panel.id, ($event.target as HTMLInputElement).checked)"
        />
        panel {{ k + 1 }}
      </label>
    </fieldset>
    <template v-if="entry.id">
      <div v-if="kind.coloured(body)" class="line">
        colour
        <div class="swatches" role="radiogroup" aria-label="Colour">
          <button
            v-for="hue in 8"
            :key="hue"
            type="button"
            role="radio"
            class="swatch"
            :class="`hue-${hue - 1}`"
            :aria-checked="entry.look.colour % 8 === hue - 1"
            :aria-label="`Colour ${hue}`"
            @click="entry.look.colour = hue - 1"
          />
        </div>
      </div>
      <label v-if="usualPattern" class="line">
        line
        <Choice
          :model-value="entry.look.pattern || usualPattern"
          :options="patterns"
          label="Line"
          @update:model-value="entry.look.pattern = $event as LinePattern"
        />
      </label>
      <label v-if="labels.length" class="line">
        label
        <Choice
          :model-value="labels.some((l) => l.value === entry.look.label) ? entry.look.label : 'name'"
          :options="labels"
          label="Label"
          @update:model-value="entry.look.label = $event as LabelKind"
        />
      </label>
    </template>
    <p v-if="refused && !telling.includes(refused.field)" class="problem" role="alert">
      {{ refused.message }}
    </p>
  </EntryForm>
</template>

<style scoped>
.panels {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 0;
  padding: 0;
  border: 0;
}
.panels legend {
  float: left;
  margin: 0 14px 0 0;
  width: auto;
  font-size: inherit;
  border: 0;
}
.swatches {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.swatch {
  width: 28px;
  height: 28px;
  border-radius: 50%;
  border: 2px solid var(--sheet);
  background: var(--hue);
  cursor: pointer;
}
.swatch[aria-checked='true'] {
  box-shadow: 0 0 0 2px var(--ink);
}
</style>
