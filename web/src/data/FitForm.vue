<script setup lang="ts">
// How a function that follows from data is written, and which model it is.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import EntryForm from '../folio/EntryForm.vue';
import type { Problem, Stated } from '../generated/types';
import Choice from '../shared/Choice.vue';
import { forms, modelNames } from './models';

const props = defineProps<{ stated: Stated }>();
const bench = useBench();
const name = ref(props.stated.name);
const model = ref(props.stated.fit!.model);
const form = ref<string>(props.stated.fit!.form ?? '');
const decimals = ref(props.stated.fit!.decimals ?? 3);
/** The only rows that count, as they are counted in the table; empty for all. */
const rows = ref((props.stated.fit!.rows ?? []).map((row) => row + 1).join(', '));
const refused = ref<Problem>();

const models = Object.entries(modelNames).map(([value, label]) => ({ value, label }));
const ways = computed(() => forms(model.value));

async function keep() {
  if (name.value.trim() !== props.stated.name) {
    refused.value = await bench.askEdit({ kind: 'rename', id: props.stated.id, text: name.value });
    if (refused.value) return;
  }
  refused.value = await bench.change((copy) => {
    const fit = copy.stated.find((s) => s.id === props.stated.id)!.fit!;
    fit.model = model.value;
    fit.form = ways.value.some((w) => w.value === form.value)
      ? ((form.value || undefined) as typeof fit.form)
      : undefined;
    const counted = (rows.value.match(/\d+/g) ?? []).map((row) => Number(row) - 1);
    fit.rows = counted.length ? counted : undefined;
    fit.decimals = Math.round(decimals.value);
  });
  if (!refused.value) bench.editing = '';
}
</script>

<template>
  <EntryForm keep="Keep" @keep="keep" @cancel="bench.editing = ''">
    <label class="line">name <a-input v-model:value="name" aria-label="Name of the function" /></label>
    <label class="line">model <Choice v-model="model" :options="models" label="Model" /></label>
    <label v-if="ways.length > 1" class="line"
      >written <Choice v-model="form" :options="ways" label="Written"
    /></label>
    <label class="line"
      >decimals at least
      <a-input-number v-model:value="decimals" :min="0" :max="12" aria-label="Decimals at least"
    /></label>
    <label class="line"
      >only rows
      <a-input v-model:value="rows" aria-label="Only rows" placeholder="all; two for a line through both"
    /></label>
    <p v-if="refused" role="alert">{{ refused.message }}</p>
  </EntryForm>
</template>
