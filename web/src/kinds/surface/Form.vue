<script setup lang="ts">
// The graph of a function of two variables, over the panel's floor or a part of it.
import { computed } from 'vue';
import FormulaField from '../../folio/FormulaField.vue';
import type { Problem, SurfaceBody } from '../../generated/types';
import Choice from '../../shared/Choice.vue';
import { heights } from './functions';

const body = defineModel<SurfaceBody>({ required: true });
const props = defineProps<{ refused?: Problem }>();
const emit = defineEmits<{ keep: []; cancel: [] }>();
const at = (field: string) => (props.refused?.field === field ? props.refused : undefined);
const choices = computed(heights);
const conditions = computed(() => body.value.conditions ?? []);
const set = (k: number, text: string) => (body.value.conditions = conditions.value.with(k, text));
const add = () => (body.value.conditions = [...conditions.value, '']);
const sides = [
  { letter: 'x', ends: ['fromX', 'toX'] },
  { letter: 'y', ends: ['fromY', 'toY'] },
] as const;
</script>

<template>
  <label class="line">
    the surface of
    <Choice v-model="body.function" :options="choices" label="Function" />
  </label>
  <p class="hint">Over the whole floor of the box, or a part of it:</p>
  <div v-for="{ letter, ends } in sides" :key="letter" class="ends">
    <div v-for="(f, k) in ends" :key="f">
      {{ k ? 'to' : `${letter} from` }}
      <FormulaField
        :model-value="body[f] ?? ''"
        :label="`Surface ${k ? 'to' : 'from'} ${letter}`"
        placeholder="the box’s"
        :refused="at(f)"
        @update:model-value="body[f] = $event || undefined"
        @enter="emit('keep')"
        @escape="emit('cancel')"
      />
    </div>
  </div>
  <a-input
    v-for="(condition, k) in conditions"
    :key="k"
    :value="condition"
    placeholder="x² + y² ≤ 4"
    :aria-label="`Condition ${k + 1}`"
    @update:value="set(k, $event)"
    @press-enter.prevent="emit('keep')"
  />
  <button type="button" class="link more" @click="add">only where a condition holds</button>
</template>

<style scoped>
.ends {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.more {
  justify-self: start;
}
</style>
