<script setup lang="ts">
// Differences and ratios of plotted points, folded.
import { ref } from 'vue';
import ValuesTable from '../../folio/ValuesTable.vue';
import type { EntryOf } from '../../generated/types';

defineProps<{ entry: EntryOf<'table'> }>();
const open = ref(false);
</script>

<template>
  <template v-if="entry.body.rows?.length">
    <button class="soft" :aria-expanded="open" @click="open = !open">
      {{ open ? 'fold differences and ratios' : 'differences and ratios' }}
    </button>
    <ValuesTable v-if="open" :id="entry.id" of="points" />
  </template>
</template>
