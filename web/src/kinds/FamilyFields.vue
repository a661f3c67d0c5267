<script setup lang="ts">
// The values of a family: one parameter, and a list or two ends and a step.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { Family } from '../generated/types';
import Choice from '../shared/Choice.vue';

const family = defineModel<Family | undefined>();
const bench = useBench();

const parameters = computed(() =>
  (bench.document?.stated ?? []).filter((s) => s.kind === 'parameter').map((s) => ({ value: s.name })),
);
const ways = [
  { value: 'list', label: 'a list' },
  { value: 'range', label: 'from, to, step' },
];
const asList = ref(!family.value?.from);
const separator = computed(() => (bench.document?.decimalComma ? ';' : ','));
const typed = ref((family.value?.values ?? []).join(`${separator.value} `));

function turn(on: boolean) {
  family.value = on ? { parameter: parameters.value[0]?.value ?? '' } : undefined;
}

function put(change: Partial<Family>) {
  family.value = { ...family.value!, ...change };
}

function takeList() {
  const values = typed.value.split(separator.value).map((v) => v.trim());
  family.value = { parameter: family.value!.parameter, values: values.filter((v) => v) };
}

function takeWay(way?: string) {
  asList.value = way === 'list';
  if (asList.value) takeList();
  else put({ values: undefined });
}
</script>

<template>
  <label v-if="parameters.length" class="line"
    >for several values of a parameter
    <a-switch
      :checked="!!family"
      size="small"
      aria-label="For several values of a parameter"
      @update:checked="turn($event as boolean)"
  /></label>
  <template v-if="family">
    <label class="line">
      parameter
      <Choice
        :model-value="family.parameter"
        :options="parameters"
        label="Parameter of the family"
        @update:model-value="put({ parameter: $event ?? '' })"
      />
    </label>
    <label class="line">
      values as
      <Choice
        :model-value="asList ? 'list' : 'range'"
        :options="ways"
        label="Values as"
        @update:model-value="takeWay"
      />
    </label>
    <a-input
      v-if="asList"
      v-model:value="typed"
      :placeholder="['−3', '−1', '1/2', '2'].join(`${separator} `)"
      aria-label="Values of the family"
      @update:value="takeList"
    />
    <div v-else class="thirds">
      <label v-for="end in ['from', 'to', 'step'] as const" :key="end"
        >{{ end }}
        <a-input :value="family[end]" :aria-label="`Family ${end}`" @update:value="put({ [end]: $event })"
      /></label>
    </div>
  </template>
</template>
