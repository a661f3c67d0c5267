<script setup lang="ts">
// A part of the plane: between curves over an interval, or where conditions hold.
import { computed } from 'vue';
import FormulaField from '../../folio/FormulaField.vue';
import type { Problem, RegionBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { functions } from '../bench';
import SwitchLine from '../../shared/SwitchLine.vue';

const body = defineModel<RegionBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const choices = computed(functions);
const others = computed(() => [
  { value: '', label: 'the axis' },
  ...choices.value.filter((c) => c.value !== body.value.function),
]);
const conditions = computed(() => body.value.conditions ?? []);
const set = (k: number, text: string) => (body.value.conditions = conditions.value.with(k, text));
const add = () => (body.value.conditions = [...conditions.value, '']);
</script>

<template>
  <template v-if="body.conditions">
    <p class="hint">Where all of these hold; a border with &lt; or &gt; does not belong to it.</p>
    <a-input
      v-for="(condition, k) in conditions"
      :key="k"
      :value="condition"
      :placeholder="k ? 'x² + y² < 9' : 'y ≥ x²'"
      :aria-label="`Condition ${k + 1}`"
      @update:value="set(k, $event)"
      @press-enter.prevent="emit('keep')"
    />
    <button type="button" class="link more" @click="add">another condition</button>
  </template>
  <template v-else>
    <label class="line">
      between the curve of
      <Choice v-model="body.function" :options="choices" label="Function" />
    </label>
    <label class="line">
      and
      <Choice
        :model-value="body.other ?? ''"
        :options="others"
        label="The other side"
        @update:model-value="body.other = $event || undefined"
      />
    </label>
    <div v-for="f in ['from', 'to'] as const" :key="f">
      {{ f }} x =
      <FormulaField
        :model-value="body[f] ?? ''"
        :label="`Region ${f}`"
        :placeholder="f === 'from' ? '0' : 'b'"
        :refused="at(f)"
        :focus="f === 'from'"
        @update:model-value="body[f] = $event"
        @enter="emit('keep')"
        @escape="emit('cancel')"
      />
    </div>
    <SwitchLine
      v-model="body.signed"
      words="what lies below counts as negative"
      label="What lies below counts as negative"
    />
  </template>
</template>

<style scoped>
.more {
  justify-self: start;
}
</style>
