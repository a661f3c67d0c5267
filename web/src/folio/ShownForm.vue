<script setup lang="ts">
// The form of what is shown: the fields of its kind, the panels it appears in, how it looks.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { Entry, Problem } from '../generated/types';
import { kindOf } from '../kinds';
import { isOn } from '../shared/entries';
import EntryForm from './EntryForm.vue';
import LookFields from './LookFields.vue';
import { useClosing } from './closing';

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

/** The kinds that draw points. */
const pointed = ['point', 'table', 'trace'];
type Body = Parameters<typeof kind.name>[0];
const body = computed(() => entry.value.body as Body);
const labels = computed(() => {
  const list = kind.labels(body.value).map(([value, label]) => ({ value: value, label }));
  return list.length ? [...list, { value: 'words', label: 'own words' }] : list;
});
const usualPattern = computed(() => kind.line?.(body.value));

/** The fields that say themselves what is wrong with them. */
const telling = ['x', 'y', 'at', 'angle', 'radius', 'centre'];

async function keep() {
  kind.tidy?.(body.value);
  refused.value = await bench.putEntry(plain(entry.value));
  if (!refused.value) close();
}
const close = useClosing();
</script>

<template>
  <EntryForm :keep="entry.id ? 'Keep' : 'Show it'" @keep="keep" @cancel="close">
    <component :is="kind.form" v-model="entry.body" :refused="refused" @keep="keep" @cancel="close" />
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
    <LookFields
      v-if="entry.id"
      :look="entry.look"
      :coloured="kind.coloured(body)"
      :lines="!!usualPattern"
      :points="pointed.includes(entry.kind)"
      :usual-pattern="usualPattern"
      :labels="labels"
      @change="Object.assign(entry.look, $event)"
    />
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
</style>
