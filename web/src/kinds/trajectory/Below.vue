<script setup lang="ts">
// What is found out about the curve, folded, and the way to watch it come into being.
import { ref } from 'vue';
import { useBench } from '../../bench/store';
import type { EntryOf } from '../../generated/types';
import Findings from './Findings.vue';

defineProps<{ entry: EntryOf<'trajectory'> }>();
const bench = useBench();
const open = ref(false);
</script>

<template>
  <button
    v-if="!entry.body.driver"
    class="soft"
    @click="bench.askEdit({ kind: 'watch', id: entry.id, scene: bench.scene })"
  >
    watch it
  </button>
  <button class="soft" :aria-expanded="open" @click="open = !open">
    {{ open ? 'fold the findings' : 'findings' }}
  </button>
  <Findings v-if="open" :entry="entry" />
</template>
