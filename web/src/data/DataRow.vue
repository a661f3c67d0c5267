<script setup lang="ts">
// Data among what is stated: their name, how many rows, their columns; the table opens on its desk.
import { computed, watch } from 'vue';
import { useBench } from '../bench/store';
import EntryRow from '../folio/EntryRow.vue';
import type { Stated } from '../generated/types';
import { useDataDesk } from './desk';
import { head } from './table';

const props = defineProps<{ stated: Stated }>();
const bench = useBench();
const desk = useDataDesk();
const columns = computed(() => props.stated.columns ?? []);
const rows = computed(() => Math.max(0, ...columns.value.map((c) => c.cells?.length ?? 0)));

// To change data is to open their table.
watch(
  () => bench.editing === props.stated.id,
  (isEdited) => {
    if (!isEdited) return;
    bench.editing = '';
    desk.open = props.stated.id;
  },
);
</script>

<template>
  <EntryRow :id="stated.id" :name="stated.name">
    <strong>{{ stated.name }}</strong>{{ ' '
    }}<span class="muted">{{ rows }} rows: {{ columns.map(head).join(', ') }}</span>
    <template #below>
      <button class="soft" @click="desk.open = stated.id">table and models</button>
    </template>
  </EntryRow>
</template>

<style scoped>
.muted {
  color: var(--muted);
}
</style>
