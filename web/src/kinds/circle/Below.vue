<script setup lang="ts">
// What the circle's angle tells, folded.
import { ref } from 'vue';
import type { EntryOf } from '../../generated/types';
import Findings from './Findings.vue';

defineProps<{ entry: EntryOf<'circle'> }>();
const open = ref(false);
</script>

<template>
  <button class="soft" :aria-expanded="open" @click="open = !open">
    {{ open ? 'fold the findings' : 'findings' }}
  </button>
  <Findings v-if="open" :id="entry.id" />
</template>
